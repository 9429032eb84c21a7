using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>What a finished plan could still take without moving anything.</summary>
public class RoomTests
{
    private static readonly Device Receiver = Device("rx", Need.RcLink, Mode("CRSF", Out(), In()));
    private static readonly Device Module = Device("plain", Need.Gps, Mode("UBX", Out(), In()));

    private static string RoomFor(ResolvedBuild build, Need need)
    {
        var space = new PlanSpace(build);
        return string.Join(
            " ",
            RoomLeft.Of(space, Planner.Best(space)).SingleOrDefault(r => r.Need == need)?.Ports ?? []
        );
    }

    [Theory]
    [InlineData(Need.Gps, "U2 U3")]
    [InlineData(Need.RcLink, "")]
    [InlineData(Need.EscTelemetry, "U2 U3")]
    [InlineData(Need.Compass, "")]
    [InlineData(Need.BatterySensing, "")]
    public void Free_ports_take_what_they_are_for_and_no_second_receiver(Need need, string ports) =>
        Assert.Equal(ports, RoomFor(Build(Whole("F7", "U1", "U2", "U3"), Receiver), need));

    private static Board Only(string controller, Port port, params PathElement[] through)
    {
        var half = port.Rx ?? port.Tx ?? port.Data!;
        Pad[] pads = port.Clock is null ? [Pad("P", half, through)] : [Pad("P", half), Pad("Q", port.Clock)];
        return Board(controller, port).With(pads) with
        {
            Nets = [.. new[] { half, port.Clock }.OfType<string>().Select(n => new Net { Id = n })],
        };
    }

    private static Port Rx(PortKind kind) =>
        new()
        {
            Id = "P",
            Kind = kind,
            Rx = "p",
        };

    private static Port Tx(PortKind kind) =>
        new()
        {
            Id = "P",
            Kind = kind,
            Tx = "p",
        };

    private static string Kinds(Board board)
    {
        var space = new PlanSpace(Build(board, Array.Empty<Device>()));
        return string.Join(", ", RoomLeft.Of(space, Planner.Best(space)).Select(r => r.Need));
    }

    private static readonly Port Listens = Port("U1", tx: false);
    private static readonly Port Talks = Port("U1", rx: false);

    // One protocol each opens these doors: without it in the list the room would not be told.
    [Fact]
    public void Every_usual_protocol_of_a_kind_opens_a_door_of_its_own()
    {
        Assert.Equal("RcLink", Kinds(Only("F4", Listens, Inverter())));
        Assert.Equal("RcLink, EscTelemetry, Rangefinder", Kinds(Only("F4", Listens)));
        Assert.Equal("Telemetry, VtxControl, FlightLog", Kinds(Only("F4", Talks)));
        Assert.Equal("Telemetry", Kinds(Only("F4", Talks, Inverter(Passage.Both))));
        Assert.Equal("RcLink", Kinds(Only("F4", Rx(PortKind.Pulse))));
        Assert.Equal("Video", Kinds(Only("F4", Rx(PortKind.Video))));
        Assert.Equal("Video", Kinds(Only("F4", Tx(PortKind.Video))));
        Assert.Equal("BatterySensing", Kinds(Only("F4", Rx(PortKind.Analogue))));
        Assert.Equal("CameraControl", Kinds(Only("F4", Tx(PortKind.Analogue))));
        Assert.Equal(
            "Compass",
            Kinds(
                Only(
                    "F4",
                    new()
                    {
                        Id = "I",
                        Kind = PortKind.Bus,
                        Data = "d",
                        Clock = "c",
                    }
                )
            )
        );
        Assert.Equal(
            "RcLink, Osd, Gps, Telemetry, EscTelemetry, VtxControl, Rangefinder, CameraControl, FlightLog, WirelessConfiguration",
            Kinds(Whole("F7", "U1"))
        );
    }

    [Fact]
    public void Where_no_receiver_is_wished_for_there_is_room_for_one()
    {
        var room = RoomFor(Build(Whole("F7", "U1", "U2", "U3"), Module), Need.RcLink);
        Assert.Equal("U2", room);
    }

    [Fact]
    public void Two_ports_on_one_pin_have_room_for_one()
    {
        var board = Board("F4", Port("U1"), Port("U2") with { Alternatives = [new() { Name = "B", Rx = "U1.rx" }] })
            .With(Pad("R1", "U1.rx"));
        Assert.Equal("U1", RoomFor(Build(board, Array.Empty<Device>()), Need.Rangefinder));
    }

    // J lets in what is at "a" or what is at "b".
    private static string Bridged(params Pad[] pads)
    {
        var board = Board("F7", [.. pads.Select((_, i) => Port($"U{i + 1}", tx: false))]).With(pads);
        Bridge bridge = new()
        {
            Id = "J",
            Positions = ["a", "b"],
            Default = "a",
        };
        return RoomFor(Build(board with { Bridges = [bridge] }, Array.Empty<Device>()), Need.Rangefinder);
    }

    [Fact]
    public void The_most_that_fit_together_are_told_not_the_first_that_fit()
    {
        // Whoever takes U1 first has room for one; U2 and U3 go together.
        Assert.Equal(
            "U2 U3",
            Bridged(
                Pad("R1", Path("U1.rx", At("J", "a"))),
                Pad("R2", Path("U2.rx", At("J", "b"))),
                Pad("R3", Path("U3.rx", At("J", "b")))
            )
        );

        // U1 has two ways: only its second leaves U2 open.
        Assert.Equal(
            "U1 U2",
            Bridged(
                Pad("R1", Path("U1.rx", At("J", "a")), Path("U1.rx", At("J", "b"))),
                Pad("R2", Path("U2.rx", At("J", "b")))
            )
        );
    }

    [Fact]
    public void Where_far_too_much_would_have_to_be_tried_what_was_found_is_told_as_the_least()
    {
        // Seven ports one after the other behind selectors of two positions: most choices stand in each other's way.
        var build = Build(
            Board("F7", [.. Enumerable.Range(1, 7).Select(i => Port($"U{i}", tx: false))])
                .With([
                    .. Enumerable
                        .Range(1, 7)
                        .Select(i =>
                            Pad(
                                $"R{i}",
                                Path($"U{i}.rx", At("J", "a")),
                                Path($"U{i}.rx", At($"K", i % 2 == 0 ? "a" : "b"))
                            )
                        ),
                ]) with
            {
                Bridges = [Between("J"), Between("K")],
            },
            Array.Empty<Device>()
        );
        var space = new PlanSpace(build);
        var plan = Planner.Best(space);
        var whole = RoomLeft.Of(space, plan).Single(r => r.Need == Need.Rangefinder);
        Assert.True(whole.IsMost);
        var bounded = RoomLeft.Of(space, plan, mostFights: 1).Single(r => r.Need == Need.Rangefinder);
        Assert.False(bounded.IsMost);
        Assert.InRange(bounded.Count, 1, whole.Count);
        Assert.Contains("at least 1\u00A0×\u00A0", RoomReader.Words([bounded with { Ports = ["U1"] }], build).Words);
        Assert.DoesNotContain("at least", RoomReader.Words([whole], build).Words);
    }

    private static Bridge Between(string id) =>
        new()
        {
            Id = id,
            Positions = ["a", "b"],
            Default = "a",
        };

    [Fact]
    public void Two_ports_behind_one_bridge_have_room_for_one_and_a_third_beside_them_for_another()
    {
        var board = Board("F7", Port("U1", tx: false), Port("U2", tx: false), Port("U3", tx: false))
            .With(
                Pad("R1", Path("U1.rx", At("J", "a"))),
                Pad("R2", Path("U2.rx", At("J", "b"))),
                Pad("R3", Path("U3.rx"))
            ) with
        {
            Bridges =
            [
                new()
                {
                    Id = "J",
                    Positions = ["a", "b"],
                    Default = "a",
                },
            ],
        };
        Assert.Equal("U1 U3", RoomFor(Build(board, Array.Empty<Device>()), Need.Rangefinder));

        // A link that holds the bridge leaves its own port and the one beside it out.
        var finder = Device("finder", Need.Rangefinder, Mode("Range finder", Out("D")));
        var held = Build(board, finder).Pinned(new RouteMatch { Link = "finder", Port = "U2" });
        Assert.Equal("U3", RoomFor(held, Need.Rangefinder));
    }

    [Fact]
    public void A_port_whose_halves_are_shared_has_room_on_its_other_half_where_the_house_allows_it()
    {
        var log = Device("log", Need.FlightLog, Mode("Flight log", In("L")));
        var board = Whole("F4", "U1");
        string With(PortSharing sharing)
        {
            var build = Build(board, log).Build with { House = new() { Sharing = sharing } };
            return RoomFor(Resolved(build, new PartsLibrary([board], [log])), Need.Rangefinder);
        }
        Assert.Equal(("", "U1"), (With(PortSharing.OnePerPort), With(PortSharing.SplitHalves)));
    }

    // The planner's word: so many plain modules are carried beside the pinned plan, and not one more.
    [Fact]
    public void The_planner_carries_as_many_more_as_there_is_room_for_and_not_one_more() =>
        Assert.All(
            Demo.Builds,
            build =>
            {
                var space = new PlanSpace(build.Resolve());
                var plan = Planner.Best(space);
                var count = RoomLeft.Of(space, plan).SingleOrDefault(r => r.Need == Need.Rangefinder)?.Count ?? 0;
                var finder = Device("plain", Need.Rangefinder, Mode("Range finder", Out()));
                Assert.Equal(
                    (count, count),
                    (Carried(build, plan, finder, count), Carried(build, plan, finder, count + 1))
                );
            }
        );

    private static int Carried(Build build, Plan plan, Device part, int more)
    {
        var names = Enumerable.Range(0, more).Select(i => $"more{i}").ToList();
        var wider = build with
        {
            Devices = [.. build.Devices, .. names.Select(n => new BuildDevice { Id = n, Part = part.Id })],
            Wants =
            [
                .. build.Wants.Where(w => plan.RouteOf(w.Link) is not null),
                .. names.Select(n => new Want
                {
                    Link = n,
                    Device = n,
                    Function = "f",
                    Priority = Priority.Optional,
                }),
            ],
            Pins =
            [
                .. plan
                    .Placements.Select(p => p.Route)
                    .OfType<Route>()
                    .Select(r => new RouteMatch
                    {
                        Link = r.Link.Id,
                        Port = r.Port.Id,
                        Mode = r.Mode.Id,
                        Bridges = RouteMatch.BridgeWords(r.Bridges),
                    }),
                .. plan
                    .Seats.Where(s => s.Way.Seat.Socket is not null)
                    .Select(s => new SeatMatch { Device = s.Ways.Device.Id, Socket = s.Way.Seat.Socket!.Id }),
            ],
        };
        var then = Planner.Best(Resolved(wider, Demo.Library.With(new PartsLibrary([], [part]))));
        Assert.Equal(0, then.Cost[CostTerm.PinsBroken]);
        return names.Count(n => then.RouteOf(n) is not null);
    }
}
