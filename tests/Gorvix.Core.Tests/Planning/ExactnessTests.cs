using CsCheck;
using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Protocols;
using Gorvix.Core.Routing;
using static Gorvix.Core.Tests.Bench;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// The planner against a brute force that tries every combination and knows no bits and no bounds, on
/// generated builds. A failure is shrunk to the smallest build that shows it.
/// </summary>
public class ExactnessTests
{
    private static readonly string[] Classes = ["F4", "F7"];

    private static readonly Gen<PathElement[]> Elements = Gen.OneOfConst<PathElement[]>(
        [],
        [],
        [Inverter()],
        [Inverter(Passage.Both)],
        [At("J", "left")],
        [At("J", "right"), Inverter()]
    );

    private static readonly Gen<Mode> Modes = Gen.OneOfConst(
        Mode("CRSF", Out(), In()),
        Mode("CRSF", Out(polarity: Polarity.Inverted), In()) with
        {
            Id = "turned",
            Setting = "invert",
        },
        Mode("CRSF", Out()) with
        {
            Id = "deaf",
            Loses = ["telemetry"],
        },
        Mode("SBUS", Out()),
        Mode("IBUS", Out()),
        Mode("S.Port", Both()),
        Mode("SmartAudio", Both())
    );

    private static readonly Gen<Device> Devices = Gen.Select(
        Gen.Enum<Need>(),
        Modes.Array[1, 2].Select(m => m.DistinctBy(x => x.Id).ToArray()),
        (need, modes) => Device("d", need, modes)
    );

    private static readonly Gen<Board> Boards = Gen.Select(
        Gen.OneOfConst(Classes),
        Gen.Select(Elements, Elements, Gen.Bool, Gen.Bool).Array[1, 3],
        (controller, ports) =>
        {
            var board = Board(controller, [.. ports.Select((_, i) => Port($"U{i}"))]);
            foreach (var (i, (rx, tx, hasRx, hasTx)) in ports.Index())
            {
                board = board.With([
                    .. hasRx ? [Pad($"R{i}", $"U{i}.rx", rx)] : Array.Empty<Pad>(),
                    .. hasTx ? [Pad($"T{i}", $"U{i}.tx", tx)] : Array.Empty<Pad>(),
                ]);
            }
            return board with
            {
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
        }
    );

    private static readonly Gen<ResolvedBuild> Builds = Gen.Select(
        Boards,
        Gen.Select(Devices, Gen.Enum<Priority>()).Array[1, 4],
        Gen.Int[-2, 3],
        (board, devices, pin) =>
        {
            var build = Build(board, [.. devices.Select((d, i) => (d.Item1 with { Id = $"d{i}" }, d.Item2))]);
            return pin >= 0 && pin < board.Ports.Count
                ? build.Pinned(new RouteMatch { Link = "d0", Port = board.Ports[pin].Id })
                : build;
        }
    );

    [Fact]
    public void No_combination_is_better_than_the_plan() =>
        Builds.Sample(
            build =>
            {
                var ways = Router.WaysOf(build);
                var plan = Planner.Best(build, ways);
                var least = Everything(build, ways).Min();
                Assert.Equal(least, plan.Cost);
                Assert.Equal(plan.Cost, PriceOf(build, ways, [.. plan.Placements.Select(p => p.Route)]));
            },
            iter: 600,
            print: b => $"{b.Board.Controller}: {string.Join(", ", b.Links.Select(l => l.Function.Modes[0].Id))}"
        );

    [Fact]
    public void The_same_build_always_gives_the_same_plan() =>
        Builds.Sample(build => Planner.Best(build).Since(Planner.Best(build)).Count == 0, iter: 200);

    private static IEnumerable<PlanCost> Everything(ResolvedBuild build, IReadOnlyList<LinkWays> ways)
    {
        IEnumerable<Route?[]> choices =
        [
            [],
        ];
        foreach (var way in ways)
        {
            choices = choices.SelectMany(head => way.Routes.Append(null).Select(r => (Route?[])[.. head, r]));
        }
        return choices.Select(c => PriceOf(build, ways, c)).OfType<PlanCost>();
    }

    // Written from the words of the objective, not from the planner: null when two routes cannot stand together.
    private static PlanCost? PriceOf(ResolvedBuild build, IReadOnlyList<LinkWays> ways, Route?[] choice)
    {
        var routes = choice.OfType<Route>().ToList();
        if (routes.DistinctBy(r => r.Port.Id).Count() < routes.Count)
        {
            return null;
        }
        var positions = routes.SelectMany(r => r.Bridges).Distinct().ToList();
        if (positions.DistinctBy(p => p.Bridge).Count() < positions.Count)
        {
            return null;
        }
        var cost = PlanCost.Zero;
        void Add(CostTerm term, int amount) => cost += PlanCost.Of(term, amount);

        Add(CostTerm.HandWork, 4 * positions.Count(p => p.Position != "left"));
        for (var i = 0; i < choice.Length; i++)
        {
            var link = ways[i].Link;
            var pins = build.Build.Pins.Where(p => p.Link == link.Id && ways[i].Routes.Any(r => r.Port.Id == p.Port));
            Add(CostTerm.PinsBroken, pins.Count(p => choice[i]?.Port.Id != p.Port));
            if (choice[i] is not { } route)
            {
                var weight = 1006 - Array.IndexOf(Enum.GetValues<Need>(), link.Function.Need);
                Add(CostTerm.MustsUnmet + (int)link.Want.Priority, weight);
                continue;
            }
            Add(CostTerm.Losses, route.Mode.Loses.Count);
            Add(CostTerm.HandWork, route.Mode.Setting is null ? 0 : 2);
            var labels = build.Board.Pads.Select(p => p.Label).ToList();
            Add(
                CostTerm.WholePorts,
                labels.Contains($"R{route.Port.Id[1..]}") && labels.Contains($"T{route.Port.Id[1..]}") ? 1 : 0
            );
            bool[] switches = [route.Settings.InvertRx, route.Settings.InvertTx, route.Settings.SwapPins];
            Add(CostTerm.Switches, switches.Count(on => on));
        }
        return cost;
    }
}
