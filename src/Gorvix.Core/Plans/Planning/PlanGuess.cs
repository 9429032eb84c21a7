namespace Gorvix.Core.Plans.Planning;

/// <summary>A good plan where the search for the best has not come to its end: rows one after the other, then parts of the plan chosen anew.</summary>
/// <remarks>
/// Every row takes what the relaxed choice gave it where that stands with the rows before, else its cheapest way, else it goes without. A row
/// that must take something and finds nothing left comes first in the next try; where that does not come to an end, everybody first takes what is
/// least in the way. Then, again and again, one row and those that stand in its way are
/// given free and solved together while all others stay (large neighbourhood search; Shaw 1998), as long as the budget lasts.
/// </remarks>
/// <param name="problem">The question.</param>
/// <param name="search">The search that could not end.</param>
/// <param name="budget">What may still be weighed.</param>
internal sealed class PlanGuess(PlanProblem problem, PlanSearch search, SearchBudget budget)
{
    // Rows that find nothing come first in the next try; more than this many rows are hardly ever that narrow.
    private const int MostTries = 30;

    // Rows that are chosen anew together: few at first, more where that brings nothing any more.
    private const int FewFree = 8;
    private const int MostFree = 32;

    // What the choice of one row more among those given free is worth at most.
    private const int MostOfOne = 25_000;

    /// <summary>A plan with the bound that is proved, or null when none was found.</summary>
    /// <param name="root">The part of all plans, relaxed.</param>
    /// <param name="solved">What the search came to.</param>
    /// <param name="open">The part with the lowest bound.</param>
    public PlanAnswer? Of(PlanNode root, PlanSearch.Solved solved, PlanNode open)
    {
        PlanAnswer? best = solved.Best is { } found ? new PlanAnswer(found, solved.Cost, open.Bound) : null;
        var rows = Enumerable.Range(0, problem.Entries.Count).ToList();
        foreach (var guide in new[] { open.Relaxed, root.Relaxed })
        {
            if (Dive(root, guide, rows) is var (options, cost) && (best is null || cost < best.Cost))
            {
                best = new PlanAnswer(options, cost, open.Bound);
            }
        }
        if (
            best is null
            && Dive(root, Humble(), [.. rows.OrderBy(r => problem.Entries[r].Unmet is not null)]) is var (least, price)
        )
        {
            best = new PlanAnswer(least, price, open.Bound);
        }
        return best is null ? null : Improved(root, best);
    }

    // Whoever must take something takes what is least in the way of others: a plan that carries little is a start.
    private PlanOption?[] Humble() =>
        [
            .. problem.Entries.Select(e =>
                e.Unmet is null ? e.Options.MinBy(o => o.Takes.CountIn(o.Takes) + o.Bars.CountIn(o.Bars)) : null
            ),
        ];

    private (PlanOption?[] Options, Int128 Cost)? Dive(PlanNode root, PlanOption?[] guide, IReadOnlyList<int> rows)
    {
        var order = rows.ToList();
        for (var tries = 0; tries < MostTries; tries++)
        {
            var node = root;
            var stuck = -1;
            foreach (var row in order)
            {
                var next =
                    guide[row] is { } option && node.Allows(row, option)
                        ? node.With(row, option)
                        : node.WithCheapest(row);
                if (next is null)
                {
                    stuck = row;
                    break;
                }
                node = next;
            }
            if (stuck < 0)
            {
                search.Relaxed(node);
                return node.Bound >= PlanNode.Forbidden ? null : (node.Relaxed, node.Cost());
            }
            order.Remove(stuck);
            order.Insert(0, stuck);
        }
        return null;
    }

    // Rows in turn, those that go without first, until a whole round brings nothing with many given free.
    private PlanAnswer Improved(PlanNode root, PlanAnswer best)
    {
        for (var together = FewFree; together <= MostFree && !budget.IsEmpty; )
        {
            var better = false;
            var rows = Enumerable
                .Range(0, problem.Entries.Count)
                .OrderByDescending(r => PriceOf(best.Options, r))
                .ToList();
            foreach (var row in rows)
            {
                if (budget.IsEmpty || best.Cost <= best.Bound)
                {
                    return best;
                }
                problem.Space.Stop.ThrowIfCancellationRequested();
                var free = Around(best.Options, row, together);
                var node = root;
                for (var other = 0; other < problem.Entries.Count; other++)
                {
                    node = free.Contains(other) ? node : node.With(other, best.Options[other]);
                }
                var share = new SearchBudget(Math.Min(MostOfOne * together, budget.Left));
                var (before, solved) = (share.Left, search.Solve(search.Relaxed(node), best.Cost - 1, share));
                budget.Spend(before - share.Left);
                if (solved.Best is { } options)
                {
                    best = best with { Options = options, Cost = solved.Cost };
                    better = true;
                }
            }
            together = better ? together : 2 * together;
        }
        return best;
    }

    private Int128 PriceOf(PlanOption?[] options, int row) =>
        options[row]?.Cost.Number ?? problem.Entries[row].Unmet?.Number ?? 0;

    // A row and those whose choice stands in the way of its cheaper options, the most frequent first.
    private HashSet<int> Around(PlanOption?[] options, int row, int most)
    {
        var price = PriceOf(options, row);
        var inTheWay = new int[options.Length];
        foreach (var option in problem.Entries[row].Options.TakeWhile(o => o.Cost.Number < price))
        {
            for (var other = 0; other < options.Length; other++)
            {
                if (other != row && options[other] is { } taken && option.Clashes(taken))
                {
                    inTheWay[other]++;
                }
            }
        }
        return
        [
            row,
            .. Enumerable
                .Range(0, options.Length)
                .Where(o => inTheWay[o] > 0)
                .OrderByDescending(o => inTheWay[o])
                .Take(most - 1),
        ];
    }
}
