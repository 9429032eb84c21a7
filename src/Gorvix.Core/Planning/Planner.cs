using System.Diagnostics;
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
///   taken   ports and leads in use            an option fits when   option.Takes ∩ taken = ∅
///   set     bridge positions decided          and                   option.Sets  ∩ barred = ∅
///   barred  the other positions of those      and                   option.Bars  ∩ set    = ∅
///   cost    what the decided links cost
/// </code>
/// <para>
/// Bound: what the decided links cost, plus the cheapest assignment of the later links to ports, one link
/// per port, looking at nothing else that they could fight about (<see cref="Assignment"/>). Every plan below
/// is such an assignment, so the bound is never above the truth and nothing better is cut off. Its dual
/// prices tell for each option how much worse it must be, before it is tried. Bridges are paid once, when the
/// first link sets them; the bound leaves them out, which keeps it low enough.
/// </para>
/// <para>
/// Two passes. The first takes the most promising option first and finds what the best plan costs. The
/// second looks for a plan of that cost in the documented order and takes the first: links in the order of
/// <see cref="PlanProblem.Entries"/>, options by price, then mode, port and pad in the order of the files. So the
/// same build always gives the same plan.
/// </para>
/// </remarks>
public static class Planner
{
    /// <summary>Plans a build from the beginning.</summary>
    public static Plan Best(ResolvedBuild build) => Best(build, Router.WaysOf(build));

    /// <summary>Plans a build whose ways are known already; pins and bans may have changed since.</summary>
    /// <param name="build">The build.</param>
    /// <param name="ways">What <see cref="Router.WaysOf(ResolvedBuild)"/> gave for the same board, devices and wants.</param>
    public static Plan Best(ResolvedBuild build, IReadOnlyList<LinkWays> ways) =>
        Best(build, ways, [.. ways.Select(_ => Limit.None)])!;

    /// <summary>The best of the plans within some limits, or null when there is none.</summary>
    internal static Plan? Best(ResolvedBuild build, IReadOnlyList<LinkWays> ways, IReadOnlyList<Limit> limits)
    {
        var problem = new PlanProblem(build, ways, limits);
        var search = new Search(problem);
        search.Run();
        if (search.BestCost == PlanCost.Beyond)
        {
            return null;
        }
        var byLink = problem.Entries.Zip(search.Best).ToDictionary(p => p.First.Way.Link.Id, p => p.Second?.Route);
        return new Plan([.. ways.Select(w => new Placement(w.Link, byLink[w.Link.Id]))], search.BestCost);
    }

    private sealed class Search(PlanProblem problem)
    {
        // The price of leaving out a link that may not be left out: above every real sum, and forty of it do not overflow.
        private static readonly Int128 Forbidden = Int128.One << 121;

        private readonly IReadOnlyList<PlanProblem.Entry> _entries = problem.Entries;
        private readonly PlanProblem.Option?[] _current = new PlanProblem.Option?[problem.Entries.Count];
        private readonly Int128[] _costs = new Int128[problem.Entries.Count * problem.Ports];
        private bool _inOrder;

        public PlanProblem.Option?[] Best { get; private set; } = new PlanProblem.Option?[problem.Entries.Count];

        public PlanCost BestCost { get; private set; } = PlanCost.Beyond;

        public void Run()
        {
            Decide(0, default, PlanCost.Zero);
            _inOrder = true;
            Decide(0, default, PlanCost.Zero);
        }

        /// <returns>True when the search is over.</returns>
        private bool Decide(int index, Board board, PlanCost cost)
        {
            // Bridges come on top of the bound, so the price is asked again when they are paid.
            if (!Worth(cost.Number))
            {
                return false;
            }
            if (index == _entries.Count)
            {
                Debug.Assert(_inOrder ? cost == BestCost : cost < BestCost);
                (Best, BestCost) = ([.. _current], cost);
                return _inOrder;
            }
            var rest = Rest(index, board);
            if (rest.Total >= Forbidden || !Worth(cost.Number + rest.Total))
            {
                return false;
            }
            var children = ChildrenOf(index, board, cost.Number + rest.Total, rest);
            IEnumerable<(PlanProblem.Option?, Int128)> order = _inOrder ? children : children.OrderBy(c => c.Bound);
            foreach (var (option, bound) in order)
            {
                if (Worth(bound))
                {
                    _current[index] = option;
                    var (next, price) = option is null
                        ? (board, cost + _entries[index].Unmet!.Value)
                        : (board.With(option), cost + option.Cost + BridgeCost(board, option));
                    if (Decide(index + 1, next, price))
                    {
                        return true;
                    }
                }
            }
            return false;
        }

        private bool Worth(Int128 bound) => _inOrder ? bound <= BestCost.Number : bound < BestCost.Number;

        private List<(PlanProblem.Option? Option, Int128 Bound)> ChildrenOf(
            int index,
            Board board,
            Int128 bound,
            Assignment rest
        )
        {
            var entry = _entries[index];
            var children = new List<(PlanProblem.Option?, Int128)>(entry.Options.Count + 1);
            foreach (var option in entry.Options)
            {
                if (board.Takes(option))
                {
                    children.Add((option, bound + rest.Regret(0, option.Port, option.Cost.Number)));
                }
            }
            if (entry.Unmet is { } unmet)
            {
                children.Add((null, bound + rest.RegretAlone(0, unmet.Number)));
            }
            return children;
        }

        // The later links on the ports that are left, each at its cheapest there.
        private Assignment Rest(int index, Board board)
        {
            var rows = _entries.Count - index;
            var costs = _costs.AsSpan(0, rows * problem.Ports);
            costs.Fill(Assignment.Never);
            Span<Int128> alone = stackalloc Int128[rows];
            for (var row = 0; row < rows; row++)
            {
                var entry = _entries[index + row];
                alone[row] = entry.Unmet?.Number ?? Forbidden;
                foreach (var option in entry.Options)
                {
                    ref var place = ref costs[(row * problem.Ports) + option.Port];
                    if (option.Cost.Number < place && board.Takes(option))
                    {
                        place = option.Cost.Number;
                    }
                }
            }
            return new Assignment(rows, problem.Ports, costs, alone);
        }

        private PlanCost BridgeCost(Board board, PlanProblem.Option option) =>
            PlanCost.Of(
                CostTerm.HandWork,
                PlanProblem.BridgeWork * (option.Sets - board.Set).CountIn(problem.NotDefault)
            );
    }

    /// <summary>What the links decided so far have taken of the board.</summary>
    private readonly record struct Board(ResourceSet Taken, ResourceSet Set, ResourceSet Barred)
    {
        public bool Takes(PlanProblem.Option option) =>
            !option.Takes.Meets(Taken) && !option.Sets.Meets(Barred) && !option.Bars.Meets(Set);

        public Board With(PlanProblem.Option option) =>
            new(Taken | option.Takes, Set | option.Sets, Barred | option.Bars);
    }
}
