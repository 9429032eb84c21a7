using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>What would carry a link that is left out, and whether it really does.</summary>
public class UnlockTests
{
    [Fact]
    public void Every_unlock_carries_the_link_and_loses_none_that_matters_as_much_by_the_general_solvers_word() =>
        Generated
            .Builds(4, 5)
            .Holds(
                build =>
                {
                    var (space, plan, library) = Ask(build);
                    foreach (var left in plan.Placements.Where(p => p.Route is null))
                    {
                        foreach (var unlock in Unlocks.Of(space, plan, left.Link, library).Found)
                        {
                            var after = Resolved(unlock.After, library);
                            Assert.Equal(CpSatModel.BestCost(Router.WaysOf(after)), unlock.Plan.Cost);
                            var carried = plan
                                .Placements.Where(p => p.Route is not null || p.Link.Id == left.Link.Id)
                                .Where(p => after.Links.Any(l => l.Id == p.Link.Id))
                                .Where(p => p.Link.Want.Priority <= left.Link.Want.Priority);
                            Assert.All(carried, p => Assert.NotNull(unlock.Plan.RouteOf(p.Link.Id)));
                        }
                    }
                },
                of: 60,
                print: Generated.Print
            );

    [Fact]
    public void No_single_change_that_would_help_is_passed_over() =>
        Generated
            .Builds(4, 5)
            .Holds(
                build =>
                {
                    var (space, plan, library) = Ask(build);
                    foreach (var left in plan.Placements.Where(p => p.Route is null))
                    {
                        var found = Unlocks.Of(space, plan, left.Link, library, most: 100).Found;
                        foreach (var step in UnlockSteps.Of(space, left.Link, library))
                        {
                            var then = Planner.Best(Resolved(step.Apply(build.Build), library));
                            var unmet = then.Placements.Where(p => p.Route is null).Select(p => p.Link.Id).ToList();
                            var helps =
                                !unmet.Contains(left.Link.Id)
                                && !then.Placements.Any(p =>
                                    p.Route is null
                                    && plan.RouteOf(p.Link.Id) is not null
                                    && p.Link.Want.Priority <= left.Link.Want.Priority
                                )
                                && then.Cost[CostTerm.Unfed] <= plan.Cost[CostTerm.Unfed]
                                && then.Cost[CostTerm.PinsBroken] <= plan.Cost[CostTerm.PinsBroken];
                            Assert.Equal(helps, found.Any(u => u.Steps.Count == 1 && u.Steps[0].What == step.What));
                        }
                    }
                },
                of: 100,
                print: Generated.Print
            );

    [Fact]
    public void The_cheapest_comes_first()
    {
        var (space, plan, _) = Ask(Demo.SpoilTipOwl.Resolve());
        var left = plan.Placements.Single(p => p.Route is null).Link;
        var prices = Unlocks.Of(space, plan, left, Demo.Library).Found.Select(u => u.PriceAfter(plan)).ToList();
        Assert.Equal(prices.Order(), prices);
    }

    [Fact]
    public void Two_changes_are_offered_where_neither_helps_alone()
    {
        // The newer firmware has no serial in code, and the house does not want it: both must change.
        var build = Demo.On(Demo.Nib, "corvane-sedge-3/control", "fallowby-furlong/telemetry") with
        {
            Firmware = "newer",
        };
        var nib = Demo.Library.Board(Demo.Nib)!;
        var board = nib with
        {
            Id = "nib-soft",
            Ports =
            [
                .. nib.Ports.Where(p => p.Id == "U1"),
                new()
                {
                    Id = "S1",
                    Kind = PortKind.Software,
                    Rx = "u6tx",
                    Tx = "u6tx",
                },
            ],
        };
        var library = new PartsLibrary([board], Demo.Library.Devices) { Profiles = Demo.Library.Profiles };
        var space = new PlanSpace(Resolved(build with { Board = board.Id }, library));
        var plan = Planner.Best(space);
        var left = plan.Placements.Single(p => p.Route is null).Link;
        var unlock = Unlocks.Of(space, plan, left, library).Found[0];
        Assert.Equal([UnlockKind.HouseRule, UnlockKind.Firmware], unlock.Steps.Select(s => s.Kind));
        Assert.Equal("older", unlock.After.Firmware);
        Assert.Equal("S1", unlock.Plan.RouteOf("telemetry")!.Port.Id);
    }

    [Fact]
    public void A_must_may_push_out_a_nice_and_the_card_says_what_goes()
    {
        // On an F4 an inverted wire runs only in code, on the one pad that the position module talks through.
        var soft = new Port
        {
            Id = "S1",
            Kind = PortKind.Software,
            Rx = "U1.tx",
            Tx = "U1.tx",
        };
        var board = Whole("F4", "U1");
        board = board with { Ports = [.. board.Ports, soft] };
        var telemetry = Device("radio", Need.Telemetry, Mode("S.Port", Both()));
        var gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In()));
        LinkUnlocks Asked(Priority radio, Priority position)
        {
            var build = Build(board, (telemetry, radio), (gnss, position));
            build = Resolved(
                build.Build with
                {
                    House = new HouseRules { Software = SoftwareUse.Never },
                },
                new PartsLibrary([board], [telemetry, gnss])
            );
            return Assert.Single(new FitReader(build).Unlocks(new PartsLibrary([board], [telemetry, gnss])));
        }
        var way = Asked(Priority.Required, Priority.Optional).Ways.First(w => w.Kind == UnlockKind.HouseRule);
        Assert.Contains("drops GPS", way.Price);
        Assert.DoesNotContain(Asked(Priority.Wanted, Priority.Wanted).Ways, w => w.Kind == UnlockKind.HouseRule);
    }

    [Fact]
    public void Each_kind_of_unlock_has_its_words_and_can_be_applied_by_its_id()
    {
        var ban = new RouteMatch { Link = "control", Mode = "crsf-inverted" };
        var reader = Demo.Fit(Demo.NorthFaceHare with { Bans = [ban] });
        var unlocks = Assert.Single(reader.Unlocks(Demo.Library)).Ways;
        Assert.Equal(
            "Unblock RC link: mode \"CRSF, output inverted\"",
            unlocks.First(u => u.Kind == UnlockKind.LiftBan).Words
        );
        Assert.Equal("GPS on UART4", unlocks[0].Then);
        Assert.Contains(unlocks, u => u.Kind == UnlockKind.SwapBoard && u.Price.Contains("one part to buy"));
        Assert.All(
            unlocks,
            u => Assert.NotNull(Demo.Fit(reader.Unlocked(Demo.Library, u.Id)!.Value.After).Plan.RouteOf(u.Link))
        );
        Assert.Null(reader.Unlocked(Demo.Library, "position/nothing"));
    }

    // The library: the build's own parts, a device with its modes turned round, and a board with two ports more.
    private static (PlanSpace Space, Plan Plan, PartsLibrary Library) Ask(ResolvedBuild build)
    {
        var more = Whole("F7", "U8", "U9");
        var devices = build.Devices.Select(d => d.Device).ToList();
        var library = Demo.Library.With(
            new PartsLibrary([build.Board, more with { Id = "more" }], devices)
            {
                Profiles = build.Firmware is null ? [] : [build.Firmware],
            }
        );
        library = library with
        {
            Boards = [build.Board, more with { Id = "more" }],
            Devices = [.. library.Devices.Where(d => devices.Contains(d) || d.Id == "corvane-sedge-3")],
        };
        var space = new PlanSpace(build);
        return (space, Planner.Best(space), library);
    }
}
