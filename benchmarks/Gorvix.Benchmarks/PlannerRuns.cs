using System.Diagnostics;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Planning;

namespace Gorvix.Benchmarks;

/// <summary>
/// Runs over many made-up builds, where the worst counts as much as the middle: re-planning against a general solver
/// (source: Google OR-Tools CP-SAT, one worker), and a sweep. Prints one table; compare within one run only.
/// </summary>
internal static class PlannerRuns
{
    private const int Builds = 1000;
    private const int Links = 14;
    private const int Ports = 12;
    private const int Compared = 20;

    // Seconds: with plugs in play the solver can be at one build for minutes.
    private const double Patience = 10;

    /// <summary>Runs all and prints.</summary>
    public static void Run()
    {
        Replan();
        AgainstSolver();
        Sweep();
    }

    private static void Replan()
    {
        var times = new List<double>(Builds);
        for (var seed = -50; seed < Builds; seed++)
        {
            var build = Made(seed);
            var ways = Router.WaysOf(build);

            // The best of three: a machine that stalls is not the planner's doing.
            var time = Enumerable.Range(0, 3).Min(_ => Time(() => Planner.Best(new PlanSpace(ways))));
            if (seed >= 0)
            {
                times.Add(time);
            }
        }
        times.Sort();
        Console.WriteLine(
            $"re-plan, {Builds} builds of {Links} links on {Ports} ports: median {times[Builds / 2]:0.00} ms, "
                + $"99 of 100 within {times[Builds * 99 / 100]:0.0} ms, worst {times[^1]:0.0} ms"
        );
    }

    private static void AgainstSolver()
    {
        var ratios = new List<double>();
        var proved = 0;
        var (ours, theirs) = (new List<double>(), new List<double>());
        for (var seed = -1; seed < Compared; seed++)
        {
            var build = Made(seed);
            var ways = Router.WaysOf(build);
            var best = PlanCost.Zero;
            var mine = Enumerable
                .Range(0, 9)
                .Select(_ => Time(() => best = Planner.Best(new PlanSpace(ways)).Cost))
                .Order()
                .ElementAt(4);

            // Warm: the model stands already, and each term starts from the solution of the one before.
            var model = CpSatModel.Of(ways);
            PlanCost? solved = null;
            var solver = Time(() => solved = model.Solve(Patience));
            proved += seed >= 0 && solved is not null ? 1 : 0;
            if (solved is not null && solved != best)
            {
                throw new InvalidOperationException(
                    $"Seed {seed}: the two planners disagree: {best} against {solved}."
                );
            }
            if (seed >= 0)
            {
                ours.Add(mine);
                theirs.Add(solver);
                ratios.Add(solver / mine);
            }
        }
        foreach (var list in new[] { ours, theirs, ratios })
        {
            list.Sort();
        }
        Console.WriteLine(
            $"against CP-SAT, {Compared} of these, equal optima where it ended within {Patience:0} s ({proved}; the others count with that time): median {ours[Compared / 2]:0.00} ms against {theirs[Compared / 2]:0} ms, "
                + $"ratio least {ratios[0]:0}, median {ratios[Compared / 2]:0}"
        );
    }

    /// <summary>The sweep alone.</summary>
    public static void Sweep()
    {
        var (build, library) = MadeUp.Of(1, 8, 8);
        int CarryAll(IReadOnlyList<Board> boards)
        {
            var full = library with { Boards = [.. library.Boards, .. boards] };
            return Core
                .Plans.Planning.Sweep.OverBoards(build, full)
                .ToBlockingEnumerable()
                .Count(r => r.Plan!.Placements.All(p => p.Route is not null));
        }
        var boards = MadeUp.Boards(2, Builds);
        var carried = CarryAll(MadeUp.Boards(3, 100));
        var time = Enumerable.Range(0, 3).Min(_ => Time(() => carried = CarryAll(boards)));
        Console.WriteLine(
            $"sweep, {boards.Count} boards with eight devices on {Environment.ProcessorCount} processors: {time / 1000:0.00} s, {carried} carry all"
        );
    }

    private static ResolvedBuild Made(int seed)
    {
        var (build, library) = MadeUp.Of(seed, Links, Ports);
        return ResolvedBuild.Of(build, library).Build!;
    }

    private static double Time(Action action)
    {
        var watch = Stopwatch.StartNew();
        action();
        return watch.Elapsed.TotalMilliseconds;
    }
}
