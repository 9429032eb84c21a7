using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>Finds the best plan of a build: at most one route for each link, no resource twice, every bridge in one position, every plug in one seat.</summary>
/// <remarks>
/// <para>
/// Branch and bound over bit sets. A <em>row</em> is a link, a supply lead, a plug or a lead that may stay or go; it takes one of
/// its options, or none where it may.
/// A <see cref="PlanNode"/> is a part of all plans:
/// </para>
/// <code>
///   taken    things that are given away      a row may take an option when  option.Takes ∩ taken  = ∅, but for its needs
///   held     states that somebody holds                                     option.Takes ⊇ needed by this row
///   barred   states that nobody may hold                                    option.Takes ∩ denied to this row = ∅
///   paid     price of decided rows, held states                             option.Sets  ∩ barred = ∅
/// </code>
/// <para>
/// Bound: what is paid, plus the cheapest assignment of the undecided rows to columns (ports, or nets of what is no serial
/// unit), one row per column, looking at nothing else that they could fight about (<see cref="Assignment"/>). Every plan
/// of the part is such an assignment, so the bound is never above the truth and nothing better is cut off. Rows that take
/// no port (bus sensors, supplies, plugs, leads) are each counted at their cheapest.
/// </para>
/// <para>
/// Branching: the relaxed choice behind a bound is nearly always a plan. Where it is not, two of its options fight about a
/// state (a bridge in two positions, a pin in two jobs) or a thing, or a state is held that nobody has paid: the part is
/// cut in two, with that state held or barred, or that thing needed by one row or denied to it. No plan is in neither part.
/// The part with the lowest bound is cut next (best first), so a plan whose price is its bound is the best.
/// </para>
/// <para>
/// Split halves: two rows can sit on one column, which no assignment knows. Of every two that could, one is a
/// <em>guest</em> (<see cref="PlanSpace.Guests"/>). Every port has a second column, a guest's seat, which costs no whole
/// port. Where the guest of a seat clashes or finds nobody who pays for the port, the part is cut by where it sits: alone, or
/// beside one of its hosts, and both are one row of the assignment from then on.
/// </para>
/// <para>
/// The documented order among equals: rows in the order of <see cref="PlanProblem.Entries"/>, options by price, then mode,
/// port and pad in the order of the files. Row after row, an earlier option is tried wherever its bound allows the best
/// price, and kept when a plan of that price has it; after two hundred looks the plan stays as it is. Nothing in this depends on
/// the clock, so the same build always gives the same plan.
/// </para>
/// <para>
/// Where the <see cref="SearchBudget"/> is empty before the proof, the best plan so far is improved (<see cref="PlanGuess"/>) and says with its
/// <see cref="Plan.Gap"/> how far it may be from the best. A plan that is proved costs the same at every <see cref="Effort"/>.
/// </para>
/// </remarks>
public static class Planner
{
    /// <summary>Plans a build from the beginning.</summary>
    /// <exception cref="UnplannableException">No plan was found in the time there is, and it is not proved that there is none.</exception>
    public static Plan Best(ResolvedBuild build) => Best(new PlanSpace(build));

    /// <summary>Plans a build whose space is known already, with the pins and bans of the build.</summary>
    public static Plan Best(PlanSpace space) => Best(space, space.Build.Build.Pins, space.Build.Build.Bans);

    /// <summary>Plans in a known space with other pins and bans.</summary>
    public static Plan Best(PlanSpace space, IReadOnlyList<WishMatch> pins, IReadOnlyList<WishMatch> bans) =>
        Best(space, pins, bans, null, SearchBudget.ForPlan(space.Effort))!;

    /// <summary>Plans in a known space with other pins and bans, as far as a budget goes.</summary>
    public static Plan Best(
        PlanSpace space,
        IReadOnlyList<WishMatch> pins,
        IReadOnlyList<WishMatch> bans,
        SearchBudget budget
    ) => Best(space, pins, bans, null, budget)!;

    /// <summary>
    /// The best of the plans within some limits, or null when there is none. One limit for each link, and then for each
    /// supply lead where there are more: <see cref="Limit.Out"/> leaves a supply lead out of the question. The budget is what may be weighed.
    /// </summary>
    internal static Plan? Best(
        PlanSpace space,
        IReadOnlyList<WishMatch> pins,
        IReadOnlyList<WishMatch> bans,
        IReadOnlyList<Limit>? limits,
        SearchBudget budget
    )
    {
        var problem = new PlanProblem(space, pins, bans, limits);
        budget.Spend(problem.Weight);
        if (new PlanSearch(problem, budget).First() is not var (best, cost, bound))
        {
            return null;
        }
        var chosen = new PlanOption?[space.Rows.Count];
        foreach (var (entry, option) in problem.Entries.Zip(best))
        {
            chosen[entry.Number] = option;
        }
        var ways = space.All;
        return new Plan([.. ways.Links.Select((w, i) => new Placement(w.Link, chosen[i]?.Route))], new PlanCost(cost))
        {
            Gap = PlanGap.Of(new PlanCost(cost), new PlanCost(bound)),
            Feeds =
            [
                .. ways.Feeds.Select((f, i) => new FeedPlacement(f, chosen[ways.Links.Count + i]?.Hookup as Feed)),
            ],
            Seats = SeatsOf(space, chosen),
            Stays = [.. chosen.Select(c => c?.Hookup).OfType<LeadStay>()],
        };
    }

    // The seat of each device; of one without a choice the only one.
    private static List<SeatPlacement> SeatsOf(PlanSpace space, PlanOption?[] chosen)
    {
        var seats = new Dictionary<string, Seat>();
        foreach (var (row, option) in space.Rows.Zip(chosen))
        {
            if (row.Device is { } device && option is not null)
            {
                seats[device] = option.Hookup.Seat;
            }
        }
        return
        [
            .. space.All.Seats.Select(s => new SeatPlacement(
                s,
                seats.TryGetValue(s.Device.Id, out var seat) ? s.Ways.First(w => w.Seat == seat) : s.Ways[0]
            )),
        ];
    }
}
