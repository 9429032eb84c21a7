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
///   taken   ports, nets, leads in use         an option fits when   option.Takes ∩ taken = ∅
///   set     bridge positions, jobs decided    and                   option.Sets  ∩ barred = ∅
///   barred  the states that do not agree      and                   option.Bars  ∩ set    = ∅
///   cost    what the decided rows cost
/// </code>
/// <para>
/// Bound: what the decided links cost, plus the cheapest assignment of the later links to ports (or nets, where
/// halves may be shared), one link per column, looking at nothing else that they could fight about
/// (<see cref="Assignment"/>). Every plan below is such an assignment, so the bound is never above the truth and
/// nothing better is cut off. Its dual prices tell for each option how much worse it must be, before it is tried.
/// Rows that take no port (bus sensors, supplies) are each counted at their cheapest. Bridges are paid once, when
/// the first row sets them; the bound leaves them out, which keeps it low enough.
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
    public static Plan Best(ResolvedBuild build) => Best(new PlanSpace(build));

    /// <summary>Plans a build whose space is known already, with the pins and bans of the build.</summary>
    public static Plan Best(PlanSpace space) => Best(space, space.Build.Build.Pins, space.Build.Build.Bans);

    /// <summary>Plans in a known space with other pins and bans.</summary>
    public static Plan Best(PlanSpace space, IReadOnlyList<RouteMatch> pins, IReadOnlyList<RouteMatch> bans) =>
        Best(space, pins, bans, null)!;

    /// <summary>
    /// The best of the plans within some limits, or null when there is none. One limit for each link, and then for each
    /// supply lead where there are more: any limit but <see cref="Limit.None"/> leaves a supply lead out.
    /// </summary>
    internal static Plan? Best(
        PlanSpace space,
        IReadOnlyList<RouteMatch> pins,
        IReadOnlyList<RouteMatch> bans,
        IReadOnlyList<Limit>? limits
    )
    {
        var problem = new PlanProblem(space, pins, bans, limits);
        var search = new Search(problem);
        search.Run();
        if (search.BestCost == PlanCost.Beyond)
        {
            return null;
        }
        var chosen = new PlanSpace.Option?[space.Rows.Count];
        foreach (var (entry, option) in problem.Entries.Zip(search.Best))
        {
            chosen[entry.Number] = option;
        }
        return new Plan([.. space.Ways.Select((w, i) => new Placement(w.Link, chosen[i]?.Route))], search.BestCost)
        {
            Feeds =
            [
                .. space.Feeds.Select(
                    (f, i) =>
                        FeedPlacement.Of(
                            f,
                            chosen[space.Ways.Count + i]?.Feed,
                            space.Build.Board,
                            chosen.Select(c => c?.Route).OfType<Route>().Where(r => r.Link.Want.Device == f.Device.Id)
                        )
                ),
            ],
        };
    }

    private sealed class Search(PlanProblem problem)
    {
        // The price of leaving out a link that may not be left out: above every real sum, and forty of it do not overflow.
        private static readonly Int128 Forbidden = Int128.One << 121;

        private readonly IReadOnlyList<PlanProblem.Entry> _entries = problem.Entries;
        private readonly int _together = problem.Entries.Count - problem.Loners;
        private readonly int _columns = problem.Space.Columns;
        private readonly PlanSpace.Option?[] _current = new PlanSpace.Option?[problem.Entries.Count];
        private readonly Int128[] _costs = new Int128[problem.Entries.Count * problem.Space.Columns];
        private bool _inOrder;

        public PlanSpace.Option?[] Best { get; private set; } = new PlanSpace.Option?[problem.Entries.Count];

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
            var loners = Loners(Math.Max(index, _together), board);
            if (index >= _together)
            {
                return DecideLoner(index, board, cost, loners);
            }
            var rest = Rest(index, board);
            var least = cost.Number + rest.Total + loners;
            if (rest.Total >= Forbidden || loners >= Forbidden || !Worth(least))
            {
                return false;
            }
            var children = ChildrenOf(index, board, least, rest);
            IEnumerable<(PlanSpace.Option?, Int128)> order = _inOrder ? children : children.OrderBy(c => c.Bound);
            foreach (var (option, bound) in order)
            {
                if (Worth(bound) && Go(index, option, board, cost))
                {
                    return true;
                }
            }
            return false;
        }

        // A row that takes no port: its cheapest option that fits, then the next.
        private bool DecideLoner(int index, Board board, PlanCost cost, Int128 loners)
        {
            if (loners >= Forbidden || !Worth(cost.Number + loners))
            {
                return false;
            }
            foreach (var option in _entries[index].Options)
            {
                if (board.Takes(option) && Go(index, option, board, cost))
                {
                    return true;
                }
            }
            return _entries[index].Unmet is not null && Go(index, null, board, cost);
        }

        private bool Go(int index, PlanSpace.Option? option, Board board, PlanCost cost)
        {
            _current[index] = option;
            return option is null
                ? Decide(index + 1, board, cost + _entries[index].Unmet!.Value)
                : Decide(index + 1, board.With(option), cost + option.Cost + OnceCost(board, option));
        }

        private bool Worth(Int128 bound) => _inOrder ? bound <= BestCost.Number : bound < BestCost.Number;

        private List<(PlanSpace.Option? Option, Int128 Bound)> ChildrenOf(
            int index,
            Board board,
            Int128 bound,
            Assignment rest
        )
        {
            var entry = _entries[index];
            var children = new List<(PlanSpace.Option?, Int128)>(entry.Options.Count + 1);
            foreach (var option in entry.Options)
            {
                if (board.Takes(option))
                {
                    var regret =
                        option.Column < 0
                            ? rest.RegretAlone(0, option.Cost.Number)
                            : rest.Regret(0, option.Column, option.Cost.Number);
                    children.Add((option, bound + regret));
                }
            }
            if (entry.Unmet is { } unmet)
            {
                children.Add((null, bound + rest.RegretAlone(0, unmet.Number)));
            }
            return children;
        }

        // The later links on the columns that are left, each at its cheapest there.
        private Assignment Rest(int index, Board board)
        {
            var rows = _together - index;
            var costs = _costs.AsSpan(0, rows * _columns);
            costs.Fill(Assignment.Never);
            Span<Int128> alone = stackalloc Int128[rows];
            for (var row = 0; row < rows; row++)
            {
                var entry = _entries[index + row];
                alone[row] = entry.Unmet?.Number ?? Forbidden;
                foreach (var option in entry.Options)
                {
                    ref var place = ref option.Column < 0
                        ? ref alone[row]
                        : ref costs[(row * _columns) + option.Column];
                    if (option.Cost.Number < place && board.Takes(option))
                    {
                        place = option.Cost.Number;
                    }
                }
            }
            return new Assignment(rows, _columns, costs, alone);
        }

        // The rows from here on that take no port, each at its cheapest that fits.
        private Int128 Loners(int from, Board board)
        {
            Int128 sum = 0;
            for (var i = from; i < _entries.Count; i++)
            {
                var least = _entries[i].Unmet?.Number ?? Forbidden;
                foreach (var option in _entries[i].Options)
                {
                    if (option.Cost.Number < least && board.Takes(option))
                    {
                        least = option.Cost.Number;
                    }
                }
                sum += least;
            }
            return sum;
        }

        private PlanCost OnceCost(Board board, PlanSpace.Option option)
        {
            var fresh = option.Sets - board.Set;
            var cost = PlanCost.Zero;
            foreach (var (states, each) in problem.Space.Once)
            {
                for (var n = fresh.CountIn(states); n > 0; n--)
                {
                    cost += each;
                }
            }
            return cost;
        }
    }

    /// <summary>What the rows decided so far have taken of the board.</summary>
    private readonly record struct Board(ResourceSet Taken, ResourceSet Set, ResourceSet Barred)
    {
        public bool Takes(PlanSpace.Option option) =>
            !option.Takes.Meets(Taken) && !option.Sets.Meets(Barred) && !option.Bars.Meets(Set);

        public Board With(PlanSpace.Option option) =>
            new(Taken | option.Takes, Set | option.Sets, Barred | option.Bars);
    }
}
