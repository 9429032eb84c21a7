using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>Why a link goes without: a set from which nothing can be dropped.</summary>
public class ConflictTests
{
    private static readonly Device Receiver = Device("receiver", Need.RcLink, Mode("CRSF", Out(), In()));
    private static readonly Device AirUnit = Device("air-unit", Need.Osd, Mode("MSP", Out(), In()));
    private static readonly Device Esc = Device("esc", Need.EscTelemetry, Mode("ESC", Out()));
    private static readonly Device Gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In()));

    [Fact]
    public void Only_the_links_that_want_the_same_ports_are_named()
    {
        // The readings sit on a half port that the module could not use; they have no part in it.
        var board = Whole("F4", "U1", "U2") with
        { };
        board = board with
        {
            Ports = [.. board.Ports, Port("U5", tx: false)],
            Nets = [.. board.Nets, new Net { Id = "U5.rx" }],
        };
        var conflict = ConflictOf(Build(board.With(Pad("R5", "U5.rx")), Receiver, AirUnit, Esc, Gnss), "gnss");
        Assert.Equal(["receiver", "air-unit"], conflict.Links.Select(l => l.Id));
        Assert.Empty(conflict.Bans);
    }

    [Fact]
    public void A_ban_without_which_all_would_fit_is_named()
    {
        var ban = new RouteMatch { Link = "control", Mode = "crsf-inverted" };
        var idle = new RouteMatch { Link = "position", Port = "U6" };
        var build = Resolved(Demo.NorthFaceHare with { Bans = [idle, ban] }, Demo.Library);
        var conflict = ConflictOf(build, "position");
        Assert.Equal([ban], conflict.Bans);
        Assert.Equal(["control", "picture-text"], conflict.Links.Select(l => l.Id));
    }

    [Fact]
    public void A_pin_that_takes_the_only_port_is_named()
    {
        var board = Whole("F4", "U1");
        board = board with
        {
            Ports = [.. board.Ports, Port("U5", tx: false)],
            Nets = [.. board.Nets, new Net { Id = "U5.rx" }],
        };
        var pin = new RouteMatch { Link = "esc", Port = "U1" };
        var conflict = ConflictOf(Build(board.With(Pad("R5", "U5.rx")), Esc, Gnss).Pinned(pin), "gnss");
        Assert.Equal([pin], conflict.Pins);
        Assert.Equal(["esc"], conflict.Links.Select(l => l.Id));
    }

    [Fact]
    public void A_link_that_no_board_half_suits_stands_alone()
    {
        var conflict = ConflictOf(
            Build(Board("F4", Port("U5", tx: false)).With(Pad("R5", "U5.rx")), Esc, Gnss),
            "gnss"
        );
        Assert.Empty(conflict.Links);
        Assert.Empty(conflict.Pins);
    }

    [Fact]
    public void A_supply_that_needs_the_selector_elsewhere_is_named()
    {
        // The pad feeds the module with J at "left"; the only RX of the board is there with J at "right".
        var device = Device("gnss", Need.Gps, Mode("UBX", Out()) with { Loses = ["set-up"] }).Fed(4.5, 5.5);
        var board = Board("F4", Port("U1", tx: false))
            .With(
                Pad("R1", Path("U1.rx", At("J", "right"))),
                Pad("VS", new PadPath { Rail = "5v", Through = [At("J", "left")] })
            ) with
        {
            Rails =
            [
                new()
                {
                    Id = "5v",
                    Label = "5V",
                    Volts = 5,
                    Feed = RailFeed.Regulator,
                },
            ],
            Bridges =
            [
                new()
                {
                    Id = "J",
                    Positions = ["left", "right"],
                    Default = "left",
                },
            ],
        };
        var made = Build(board, device);
        var build = Resolved(made.Build with { Pack = new Pack { Cells = 4 } }, new PartsLibrary([board], [device]));
        Assert.Equal("gnss", Assert.Single(ConflictOf(build, "gnss").Supplies).Device.Id);
        Assert.Equal(
            "GPS and the gnss supply cannot both be provided. Drop one and the other fits.",
            Assert.Single(new FitReader(build).Sheet().Conflicts).Sentence
        );
    }

    /// <summary>Telemetry that has no wire of its own here rides in the receiver's link, which is no member: there it must keep its pin.</summary>
    [Theory]
    [InlineData(null, true)]
    [InlineData("crsf", true)]
    [InlineData("ibus", false)]
    public void A_link_that_a_member_rides_in_is_there_by_its_pin_or_not_at_all(string? mode, bool can)
    {
        var board = Whole("F4", "U1", "U2");
        var receiver = Device(
                "receiver",
                Need.RcLink,
                Mode("CRSF", Out(), In()) with
                {
                    Carries = [new() { Function = "t" }],
                },
                Mode("IBUS", Out())
            )
            .Also("t", Need.Telemetry, Mode("S.Port", Both("TLM")));
        var made = Build(board, receiver).Build;
        var want = new Want
        {
            Link = "t",
            Device = "receiver",
            Function = "t",
            Priority = Priority.Wanted,
        };
        var build = Resolved(made with { Wants = [.. made.Wants, want] }, new PartsLibrary([board], [receiver]));
        WishMatch[] pins = mode is null ? [] : [new RouteMatch { Link = "receiver", Mode = mode }];
        var conflict = new Conflict(build.Links.First(l => l.Id == "t"), [], pins, [], []);
        Assert.Equal(can, conflict.CanBe(new PlanSpace(build)));
    }

    [Fact]
    public void No_member_can_be_dropped_and_together_they_cannot_be() =>
        Generated
            .Builds(4, 6)
            .Holds(
                build =>
                {
                    var ways = Router.WaysOf(build);
                    var space = new PlanSpace(build);
                    var plan = Planner.Best(space);
                    foreach (var left in plan.Placements.Where(p => p.Route is null))
                    {
                        var conflict = Conflict.Of(space, plan, left.Link);
                        Assert.False(Solvable(build, ways, conflict));
                        Assert.All(conflict.WithoutEach(), drop => Assert.True(Solvable(build, ways, drop(conflict))));
                    }
                },
                of: 300,
                kept: ["9DAuzz4CTWb4"],
                print: Generated.Print
            );

    // The general solver's word, not the planner's.
    private static bool Solvable(ResolvedBuild build, BuildWays ways, Conflict conflict)
    {
        // Who is no member is not asked for, but a member may ride in it: there, and with no say about anything else.
        var members = conflict.Links.Append(conflict.Link).Select(l => l.Id).ToHashSet();
        var carriers = ways
            .Links.Where(w => members.Contains(w.Link.Id))
            .SelectMany(w => w.Routes.Select(r => r.RidesIn).OfType<string>())
            .Where(c => !members.Contains(c))
            .Distinct()
            .ToList();
        return Enumerable
            .Range(0, 1 << carriers.Count)
            .Any(there =>
                Together(build, ways, conflict, [.. members, .. carriers.Where((_, i) => (there >> i & 1) == 1)])
            );
    }

    private static bool Together(ResolvedBuild build, BuildWays ways, Conflict conflict, HashSet<string> links)
    {
        // A member's lead must be fed, also where the device's own link is no member.
        var cost = CpSatModel
            .Of(
                ways with
                {
                    Build = build.WithWishes(conflict.Pins, []),
                    Links =
                    [
                        .. from way in ways.Links
                        where links.Contains(way.Link.Id)
                        let routes = way.Routes.Where(r => r.RidesIn is null || links.Contains(r.RidesIn))
                        select way with
                        {
                            Routes = [.. routes],
                        },
                    ],
                    Feeds = [.. conflict.Supplies.Select(s => s with { Without = [] })],
                }
            )
            .Solve();
        CostTerm[] broken = [CostTerm.PinsBroken, CostTerm.MustsUnmet, CostTerm.WantsUnmet, CostTerm.NicesUnmet];
        return cost is { } had && broken.All(t => had[t] == 0);
    }

    private static Conflict ConflictOf(ResolvedBuild build, string link)
    {
        var space = new PlanSpace(build);
        var plan = Planner.Best(space);
        return Conflict.Of(space, plan, plan.Placements.First(p => p.Link.Id == link).Link);
    }
}
