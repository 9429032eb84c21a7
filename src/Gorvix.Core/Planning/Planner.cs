using Gorvix.Core.Builds;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Planning;

/// <summary>Finds the best plan of a build: at most one route for each link, no resource twice, every bridge in one position.</summary>
/// <remarks>
/// <para>
/// Branch and bound over bit sets. The links are decided one after the other; each takes one of its
/// options or goes without. State on the way down:
/// </para>
/// <code>
///   taken   ports, nets, leads in use         an option fits when   option.Takes ∩ taken = ∅
///   set     bridge positions decided          and                   option.Sets  ∩ barred = ∅
///   barred  the other positions of those      and                   option.Bars  ∩ set    = ∅
///   cost    what the decided links cost
/// </code>
/// <para>
/// Bound: what the decided links cost, plus for each later link the cheapest thing it could do if it were
/// alone. Prices add term by term and are compared first term first, an order that addition keeps, so
/// the bound is never above the truth and nothing better is cut off. Bridges are paid once, when the
/// first link sets them; the bound leaves them out, which keeps it low enough.
/// </para>
/// <para>
/// Deterministic: links in the order of <see cref="PlanProblem.Entries"/>, options by price, then mode,
/// port and pad in the order of the files. A later plan replaces the best only if it is cheaper, so among
/// equally good plans the first in that order is the answer.
/// </para>
/// </remarks>
public static class Planner
{
    /// <summary>Plans a build from the beginning.</summary>
    public static Plan Best(ResolvedBuild build) => Best(build, Router.WaysOf(build));

    /// <summary>Plans a build whose ways are known already; pins and bans may have changed since.</summary>
    /// <param name="build">The build.</param>
    /// <param name="ways">What <see cref="Router.WaysOf(ResolvedBuild)"/> gave for the same board, devices and wants.</param>
    public static Plan Best(ResolvedBuild build, IReadOnlyList<LinkWays> ways)
    {
        var problem = new PlanProblem(build, ways);
        var search = new Search(problem);
        search.Run();
        var byLink = problem.Entries.Zip(search.Best).ToDictionary(p => p.First.Way.Link.Id, p => p.Second?.Route);
        return new Plan([.. ways.Select(w => new Placement(w.Link, byLink[w.Link.Id]))], search.BestCost);
    }

    private sealed class Search(PlanProblem problem)
    {
        private readonly IReadOnlyList<PlanProblem.Entry> _entries = problem.Entries;
        private readonly PlanProblem.Option?[] _current = new PlanProblem.Option?[problem.Entries.Count];
        private readonly PlanCost[] _least = LeastCosts(problem.Entries);
        private readonly PlanCost _bridge = PlanCost.Of(CostTerm.HandWork, PlanProblem.BridgeWork);

        public PlanProblem.Option?[] Best { get; private set; } = new PlanProblem.Option?[problem.Entries.Count];

        public PlanCost BestCost { get; private set; } = PlanCost.Beyond;

        public void Run() => Decide(0, ResourceSet.None, ResourceSet.None, ResourceSet.None, PlanCost.Zero);

        private void Decide(int index, ResourceSet taken, ResourceSet set, ResourceSet barred, PlanCost cost)
        {
            if (cost + _least[index] >= BestCost)
            {
                return;
            }
            if (index == _entries.Count)
            {
                Best = [.. _current];
                BestCost = cost;
                return;
            }
            var entry = _entries[index];
            foreach (var option in entry.Options)
            {
                if (option.Takes.Meets(taken) || option.Sets.Meets(barred) || option.Bars.Meets(set))
                {
                    continue;
                }
                var price = cost + option.Cost;
                for (var n = (option.Sets - set).CountIn(problem.NotDefault); n > 0; n--)
                {
                    price += _bridge;
                }
                _current[index] = option;
                Decide(index + 1, taken | option.Takes, set | option.Sets, barred | option.Bars, price);
            }
            _current[index] = null;
            Decide(index + 1, taken, set, barred, cost + entry.Unmet);
        }

        // least[i]: the cheapest that links i, i+1, … could cost if each were alone on the board.
        private static PlanCost[] LeastCosts(IReadOnlyList<PlanProblem.Entry> entries)
        {
            var least = new PlanCost[entries.Count + 1];
            for (var i = entries.Count - 1; i >= 0; i--)
            {
                var own = entries[i].Unmet;
                foreach (var option in entries[i].Options)
                {
                    own = option.Cost < own ? option.Cost : own;
                }
                least[i] = least[i + 1] + own;
            }
            return least;
        }
    }
}
