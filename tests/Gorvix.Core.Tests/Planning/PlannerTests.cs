using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>What the best plan prefers, term by term, and how it treats wishes.</summary>
public class PlannerTests
{
    private static readonly Mode Crsf = Mode("CRSF", Out(), In());
    private static readonly Mode Msp = Mode("MSP", Out(), In());
    private static readonly Mode Ubx = Mode("UBX", Out(), In());
    private static readonly Mode Ibus = Mode("IBUS", Out());

    private static readonly Device Receiver = Device("receiver", Need.RcLink, Crsf);
    private static readonly Device AirUnit = Device("air-unit", Need.Osd, Msp);
    private static readonly Device Gnss = Device("gnss", Need.Gps, Ubx);

    [Fact]
    public void One_port_has_one_device() => Assert.Equal("U1 -", PortsOf(Build(Whole("F4", "U1"), Receiver, Gnss)));

    [Fact]
    public void What_the_flight_depends_on_most_is_carried_first_whatever_the_order_of_the_file() =>
        Assert.Equal("- - U1", PortsOf(Build(Whole("F4", "U1"), Gnss, AirUnit, Receiver)));

    [Fact]
    public void A_must_comes_before_a_want_even_if_the_want_is_the_weightier_need() =>
        Assert.Equal("U1 -", PortsOf(Build(Whole("F4", "U1"), (Gnss, Priority.Required), (Receiver, Priority.Wanted))));

    [Fact]
    public void Two_wants_outweigh_one_want_of_a_weightier_need()
    {
        // The receiver alone fills the only port that the two others could use in its place.
        var board = Board("F4", Port("U1"), Port("U2", tx: false))
            .With(Pad("R1", "U1.rx"), Pad("T1", "U1.tx"), Pad("R2", "U2.rx"));
        var ibus = Device("ibus", Need.EscTelemetry, Ibus);
        Assert.Equal(
            "- U1 U2",
            PortsOf(Build(board, (AirUnit, Priority.Wanted), (Gnss, Priority.Required), (ibus, Priority.Wanted)))
        );
    }

    [Fact]
    public void A_mode_that_loses_nothing_is_better_than_one_that_does()
    {
        var half = Ubx with { Id = "heard", Lines = [Out()], Loses = ["set-up from the board"] };
        var gnss = Device("gnss", Need.Gps, half, Ubx);
        Assert.Equal("ubx", Planner.Best(Build(Whole("F4", "U1"), gnss)).RouteOf("gnss")!.Mode.Id);
    }

    [Fact]
    public void Half_a_link_is_better_than_none()
    {
        var half = Ubx with { Id = "heard", Lines = [Out()], Loses = ["set-up from the board"] };
        var board = Board("F4", Port("U5", tx: false)).With(Pad("R5", "U5.rx"));
        var plan = Planner.Best(Build(board, Device("gnss", Need.Gps, Ubx, half)));
        Assert.Equal("heard", plan.RouteOf("gnss")!.Mode.Id);
        Assert.Equal(1, plan.Cost[CostTerm.Losses]);
    }

    [Fact]
    public void Less_hand_work_is_better_than_a_free_whole_port()
    {
        var reflash = Ibus with { Id = "new", Firmware = "2.0", Lines = [Out(polarity: Polarity.Inverted)] };
        var board = Board("F4", Port("U1"), Port("U3", tx: false))
            .With(Pad("R1", "U1.rx"), Pad("T1", "U1.tx"), Pad("SBUS", "U3.rx", Inverter()));
        Assert.Equal("U1", PortsOf(Build(board, Device("receiver", Need.RcLink, reflash, Ibus))));
    }

    [Fact]
    public void A_half_port_is_used_before_a_whole_one()
    {
        var board = Board("F4", Port("U1"), Port("U5", tx: false))
            .With(Pad("R1", "U1.rx"), Pad("T1", "U1.tx"), Pad("R5", "U5.rx"));
        Assert.Equal("U5", PortsOf(Build(board, Device("receiver", Need.RcLink, Ibus))));
    }

    [Fact]
    public void The_makers_advice_decides_between_equals()
    {
        var board = Whole("F4", "U1", "U2");
        board = board with { Ports = [board.Ports[0] with { AdvisedFor = [Need.Gps] }, board.Ports[1]] };
        Assert.Equal("U2 U1", PortsOf(Build(board, Receiver, Gnss)));
    }

    [Fact]
    public void Among_equals_the_first_port_wins_every_time() =>
        Assert.Equal("U1 U2", PortsOf(Build(Whole("F4", "U1", "U2", "U3"), Receiver, Gnss)));

    [Fact]
    public void Two_links_may_share_a_bridge_only_in_one_position_and_it_is_paid_once()
    {
        var bridge = new Bridge
        {
            Id = "J",
            Positions = ["open", "left", "right"],
            Default = "open",
        };
        PadPath Via(string net, string position) => Path(net, At("J", position));
        var same = Board("F4", Port("U1"), Port("U2"))
            .With(
                Pad("R1", Via("U1.rx", "left")),
                Pad("T1", Via("U1.tx", "left")),
                Pad("R2", Via("U2.rx", "left")),
                Pad("T2", Via("U2.tx", "left"))
            ) with
        {
            Bridges = [bridge],
        };
        var plan = Planner.Best(Build(same, Receiver, Gnss));
        Assert.Equal(["U1", "U2"], plan.Placements.Select(p => p.Route?.Port.Id));
        Assert.Equal(WorkMinutes.Bridge, plan.Cost[CostTerm.HandWork]);

        var other = same with
        {
            Pads = [.. same.Pads.Take(2), Pad("R2", Via("U2.rx", "right")), Pad("T2", Via("U2.tx", "right"))],
        };
        Assert.Equal("U1 -", PortsOf(Build(other, Receiver, Gnss)));
    }

    [Fact]
    public void Two_functions_cannot_take_one_lead()
    {
        var device = Device("receiver", Need.RcLink, Ibus);
        device = device with
        {
            Functions = [device.Functions[0], device.Functions[0] with { Id = "again", Need = Need.Telemetry }],
        };
        var build = new Build
        {
            Name = "test",
            Board = "board",
            Devices = [new() { Id = "rx", Part = "receiver" }],
            Wants = [Want("one", "f"), Want("two", "again")],
        };
        var plan = Planner.Best(Resolved(build, new PartsLibrary([Whole("F4", "U1", "U2")], [device])));
        Assert.Equal(["U1", null], plan.Placements.Select(p => p.Route?.Port.Id));
    }

    [Fact]
    public void A_pin_is_kept_even_if_a_must_goes_without()
    {
        var build = Build(Whole("F4", "U1"), (Receiver, Priority.Required), (Gnss, Priority.Optional));
        Assert.Equal("- U1", PortsOf(build.Pinned(new RouteMatch { Link = "gnss", Port = "U1" })));
    }

    [Fact]
    public void A_pin_to_a_pad_chooses_between_pads_of_one_net()
    {
        var board = Board("F4", Port("U1", tx: false)).With(Pad("R1", "U1.rx"), Pad("RX", "U1.rx"));
        var build = Build(board, Device("receiver", Need.RcLink, Ibus));
        Assert.Equal("R1", PadOf(build));
        Assert.Equal("RX", PadOf(build.Pinned(new RouteMatch { Link = "receiver", Pad = "rx" })));
    }

    [Fact]
    public void A_pin_that_no_way_can_keep_is_left_aside_and_the_link_is_carried_elsewhere()
    {
        var board = Whole("F4", "U1");
        board = board with { Ports = [.. board.Ports, Port("U9", heldBy: "a recorder", rx: false, tx: false)] };
        Assert.Equal("U1", PortsOf(Build(board, Gnss).Pinned(new RouteMatch { Link = "gnss", Port = "U9" })));
    }

    [Fact]
    public void Pins_that_contradict_each_other_keep_as_many_as_can_be()
    {
        var build = Build(Whole("F4", "U1", "U2"), Receiver, Gnss)
            .Pinned(new RouteMatch { Link = "receiver", Port = "U2" }, new RouteMatch { Link = "gnss", Port = "U2" });
        Assert.Equal("U2 U1", PortsOf(build));
    }

    [Fact]
    public void Bans_are_kept_and_can_leave_a_link_without()
    {
        var build = Build(Whole("F4", "U1", "U2"), Receiver);
        Assert.Equal("U2", PortsOf(build.Banned(new RouteMatch { Link = "receiver", Port = "U1" })));
        Assert.Equal("-", PortsOf(build.Banned(new RouteMatch { Link = "receiver" })));
    }

    [Theory]
    [InlineData(14, 12)]
    [InlineData(40, 32)]
    [InlineData(40, 8)]
    [InlineData(8, 32)]
    public void Many_links_on_many_ports_are_planned_to_the_last_port(int links, int ports)
    {
        var board = Whole("F7", [.. Enumerable.Range(1, ports).Select(i => $"U{i}")]);
        var devices = Enumerable
            .Range(0, links)
            .Select(i => (Device($"m{i}", Need.Gps, Mode("UBX", Out(), In())), (Priority)(i % 3)))
            .ToArray();
        Assert.Equal(
            Math.Min(links, ports),
            Planner.Best(Build(board, devices)).Placements.Count(p => p.Route is not null)
        );
    }

    [Theory]
    [InlineData(0, 3)]
    [InlineData(3, 0)]
    public void Nothing_to_plan_is_a_plan(int ports, int links)
    {
        var board = Whole("F4", [.. Enumerable.Range(1, ports).Select(i => $"U{i}")]);
        var devices = Enumerable.Range(0, links).Select(i => Receiver with { Id = $"r{i}" }).ToArray();
        Assert.All(Planner.Best(Build(board, devices)).Placements, p => Assert.Null(p.Route));
    }

    private static Want Want(string link, string function) =>
        new()
        {
            Link = link,
            Device = "rx",
            Function = function,
            Priority = Priority.Required,
        };

    private static string PortsOf(ResolvedBuild build) =>
        string.Join(" ", Planner.Best(build).Placements.Select(p => p.Route?.Port.Id ?? "-"));

    private static string PadOf(ResolvedBuild build) => Planner.Best(build).Placements[0].Route!.Walks[0].Pad.Label;
}
