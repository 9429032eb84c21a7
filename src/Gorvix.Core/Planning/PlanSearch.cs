using System.Diagnostics;
using Gorvix.Core.Findings;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Planning;

/// <summary>The search: see <see cref="Planner"/> for how it works and why it is exact.</summary>
internal sealed class PlanSearch(PlanProblem problem, int mostWeighed = PlanSearch.MostWeighed)
{
    // So many parts are looked at for the order among equals; a build with very many equal plans keeps the one that was found.
    private const int MostLooks = 200;

    /// <summary>A search that weighs more options than this, each as often as it is looked at, is given up: some seconds of work.</summary>
    public const int MostWeighed = 60_000_000;

    private readonly int _options = problem.Entries.Sum(e => e.Options.Count);

    private int _weighed;

    private readonly Int128[] _costs = new Int128[problem.Entries.Count * problem.Columns];
    private readonly PlanOption?[] _best = new PlanOption?[problem.Entries.Count * problem.Columns];

    /// <summary>How many parts were relaxed so far.</summary>
    public int Looks { get; private set; }

    /// <summary>
    /// The options of the best plan in the order of entries, the first in the documented order, and its price; null when
    /// there is none.
    /// </summary>
    public (PlanOption?[] Options, Int128 Cost)? First()
    {
        var prefix = Relaxed(new PlanNode(problem));
        if (Solve(prefix, PlanNode.Forbidden - 1) is not var (best, cost))
        {
            return null;
        }
        var enough = Looks + MostLooks;
        for (var row = 0; row < best.Length; row++)
        {
            var chosen = best[row];
            foreach (var option in problem.Entries[row].Options.TakeWhile(o => !ReferenceEquals(o, chosen)))
            {
                if (Looks > enough)
                {
                    return (best, cost);
                }
                if (!prefix.Allows(row, option))
                {
                    continue;
                }
                if (!prefix.IsRelaxed)
                {
                    Relaxed(prefix);
                }
                if (
                    prefix.BoundWith(row, option) <= cost
                    && Solve(Relaxed(prefix.With(row, option)), cost, enough) is { } sooner
                )
                {
                    Debug.Assert(sooner.Cost == cost);
                    best = sooner.Options;
                    break;
                }
            }
            prefix = prefix.With(row, best[row]);
        }
        return (best, cost);
    }

    // The cheapest plan of a part that costs at most so much. The part with the lowest bound is looked at next, the newest
    // among equals, so that the search dives while nothing speaks against it.
    private (PlanOption?[] Options, Int128 Cost)? Solve(PlanNode root, Int128 most, int enough = int.MaxValue)
    {
        (PlanOption?[] Options, Int128 Cost)? best = null;
        var open = new PriorityQueue<PlanNode, (Int128 Bound, int Age)>();
        var age = 0;
        void Open(PlanNode node)
        {
            if (node.Bound <= most)
            {
                open.Enqueue(node, (node.Bound, age--));
            }
        }

        Open(root);
        while (Looks <= enough && open.TryDequeue(out var node, out _) && node.Bound <= most)
        {
            problem.Space.Stop.ThrowIfCancellationRequested();
            if (node.Unsettled() is var guest and >= 0)
            {
                foreach (var part in node.Settling(guest))
                {
                    Open(Relaxed(part));
                }
                continue;
            }
            if (Clash(node.Relaxed) is { } clash)
            {
                var (one, other) =
                    clash.State >= 0
                        ? (node.Barring(clash.State), node.Holding(clash.State))
                        : (node.Denying(clash.Row, clash.Resource), node.Needing(clash.Row, clash.Resource));
                Open(Relaxed(one));
                Open(Relaxed(other));
                continue;
            }
            if (node.Overload() is var (row, load, drawn))
            {
                var (less, more) = node.Cutting(row, load, drawn);
                Open(Relaxed(less));
                Open(Relaxed(more));
                continue;
            }
            var cost = node.Cost();
            if (cost <= most)
            {
                (best, most) = ((node.Relaxed, cost), cost - 1);
            }
            if (cost > node.Bound && node.Unpaid() is var unpaid and >= 0)
            {
                Open(Relaxed(node.Holding(unpaid)));
                Open(Relaxed(node.Barring(unpaid)));
            }
            else if (cost > node.Bound && node.Strained() is var strain and >= 0)
            {
                var (spared, strained) = node.Straining(strain);
                Open(Relaxed(spared));
                Open(Relaxed(strained));
            }
        }
        return best;
    }

    private PlanNode Relaxed(PlanNode node)
    {
        Looks++;
        if ((_weighed += _options) > mostWeighed)
        {
            throw new UnplannableException(
                LimitRules.TooHard.Found(Severity.Stop, Subject.Build, ("most", $"{MostWeighed / 1_000_000}"))
            );
        }
        node.Relax(_costs, _best);
        return node;
    }

    // What two rows of a relaxed choice fight about: a thing that decides about whole links, a state that one holds and the other
    // bars, or another thing that both take.
    private (int State, int Row, int Resource)? Clash(PlanOption?[] options)
    {
        var (sets, bars, takes) = (ResourceSet.None, ResourceSet.None, ResourceSet.None);
        var fight = -1;
        for (var row = 0; row < options.Length; row++)
        {
            var weighty = (options[row]?.Takes ?? ResourceSet.None) & problem.Space.Weighty;
            if (weighty.Meets(takes))
            {
                return (-1, row, (weighty & takes).First);
            }
            takes |= weighty;
        }
        takes = ResourceSet.None;
        for (var row = 0; row < options.Length; row++)
        {
            if (options[row] is not { } option)
            {
                continue;
            }
            var state = (sets & option.Bars).First;
            if (state < 0)
            {
                state = (bars & option.Sets).First;
            }
            if (state >= 0)
            {
                return (state, row, -1);
            }
            fight = fight < 0 && option.Takes.Meets(takes) ? row : fight;
            (sets, bars, takes) = (sets | option.Sets, bars | option.Bars, takes | option.Takes);
        }
        if (fight < 0)
        {
            return null;
        }
        var before = ResourceSet.None;
        for (var row = 0; row < fight; row++)
        {
            before |= options[row]?.Takes ?? ResourceSet.None;
        }
        return (-1, fight, (before & options[fight]!.Takes).First);
    }
}
