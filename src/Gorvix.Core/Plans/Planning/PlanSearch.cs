using System.Diagnostics;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>What a search came to.</summary>
/// <param name="Options">The options of the plan in the order of entries.</param>
/// <param name="Cost">Its price.</param>
/// <param name="Bound">No plan costs less; the price itself where the plan is proved to be the best.</param>
internal sealed record PlanAnswer(PlanOption?[] Options, Int128 Cost, Int128 Bound);

/// <summary>The search: see <see cref="Planner"/> for how it works and why it is exact.</summary>
/// <param name="problem">The question.</param>
/// <param name="budget">What it may weigh. Where it is empty before the end, the best plan so far is improved a little and given with its bound.</param>
internal sealed class PlanSearch(PlanProblem problem, SearchBudget budget)
{
    // So many parts are looked at, and so many options weighed, for the order among equals; a build with very many equal plans
    // keeps the one that was found. The same for every effort: equal plans do not change places behind the screen.
    private const int MostLooks = 200;
    private const int MostOrdering = 600_000;

    // What goes to the proof; the rest improves the plan where there is none.
    private const double ProofShare = 0.6;

    private readonly Int128[] _costs = new Int128[problem.Entries.Count * problem.Columns];
    private readonly PlanOption?[] _best = new PlanOption?[problem.Entries.Count * problem.Columns];

    /// <summary>How many parts were relaxed so far.</summary>
    public int Looks { get; private set; }

    /// <summary>
    /// The best plan, the first in the documented order, or the best that was found before the budget was empty; null when there is no plan.
    /// </summary>
    /// <exception cref="UnplannableException">The budget was empty before any plan was found.</exception>
    public PlanAnswer? First()
    {
        var root = Relaxed(new PlanNode(problem));
        var forProof = budget.Share(ProofShare);
        var solved = Solve(root, PlanNode.Forbidden - 1, forProof);
        budget.TakeBack(forProof);
        if (solved.Open is { } open)
        {
            return new PlanGuess(problem, this, budget).Of(root, solved, open)
                ?? throw new UnplannableException([LimitRules.TooHard.Found(Severity.Stop, Subject.Build)]);
        }
        if (solved.Best is not { } best)
        {
            return null;
        }
        var ordering = new SearchBudget(MostOrdering);
        var answer = Ordered(root, best, solved.Cost, ordering);
        budget.Spend(MostOrdering - ordering.Left);
        return answer;
    }

    // The first in the documented order among the plans that cost as little.
    private PlanAnswer Ordered(PlanNode prefix, PlanOption?[] best, Int128 cost, SearchBudget ordering)
    {
        var enough = Looks + MostLooks;
        for (var row = 0; row < best.Length; row++)
        {
            var chosen = best[row];
            foreach (var option in problem.Entries[row].Options.TakeWhile(o => !ReferenceEquals(o, chosen)))
            {
                if (Looks > enough || ordering.IsEmpty)
                {
                    return new PlanAnswer(best, cost, cost);
                }
                if (!prefix.Allows(row, option))
                {
                    continue;
                }
                if (!prefix.IsRelaxed)
                {
                    ordering.Spend(Relaxed(prefix).Weight);
                }
                if (
                    prefix.BoundWith(row, option) <= cost
                    && Solve(Relaxed(prefix.With(row, option)), cost, ordering, enough) is { Best: { } sooner } found
                )
                {
                    Debug.Assert(found.Cost == cost);
                    best = sooner;
                    break;
                }
            }
            prefix = prefix.With(row, best[row]);
        }
        return new PlanAnswer(best, cost, cost);
    }

    /// <summary>
    /// The cheapest plan of a part that costs at most so much. The part with the lowest bound is looked at next, the newest among
    /// equals, so that the search dives while nothing speaks against it.
    /// </summary>
    /// <param name="root">The part, relaxed.</param>
    /// <param name="most">The most that the plan may cost.</param>
    /// <param name="budget">What may be weighed.</param>
    /// <param name="enough">At this many <see cref="Looks"/> it ends as well.</param>
    public Solved Solve(PlanNode root, Int128 most, SearchBudget budget, int enough = int.MaxValue)
    {
        PlanOption?[]? best = null;
        Int128 price = 0;
        var open = new PriorityQueue<PlanNode, (Int128 Bound, int Age)>();
        var age = 0;
        void Open(PlanNode node)
        {
            budget.Spend(node.Weight);
            if (node.Bound <= most)
            {
                open.Enqueue(node, (node.Bound, age--));
            }
        }

        Open(root);
        while (open.TryPeek(out var next, out _) && next.Bound <= most)
        {
            problem.Space.Stop.ThrowIfCancellationRequested();
            if (Looks > enough || budget.IsEmpty)
            {
                return new Solved(best, price, next);
            }
            var node = open.Dequeue();
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
                (best, price, most) = (node.Relaxed, cost, cost - 1);
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
        return new Solved(best, price, null);
    }

    /// <summary>What <see cref="Solve"/> came to.</summary>
    /// <param name="Best">The best plan that was found, or null.</param>
    /// <param name="Cost">Its price.</param>
    /// <param name="Open">The part with the lowest bound that was not looked at any more; null where the search came to its end.</param>
    internal readonly record struct Solved(PlanOption?[]? Best, Int128 Cost, PlanNode? Open);

    /// <summary>The part with its bound.</summary>
    public PlanNode Relaxed(PlanNode node)
    {
        Looks++;
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
