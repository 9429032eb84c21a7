using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>
/// Why a link goes without: a set of other links, supplies, pins and bans with which it cannot be. The set is minimal:
/// without any one of its members the link and all that is left can be had together.
/// </summary>
/// <param name="Link">The link that goes without.</param>
/// <param name="Links">Links that cannot all be carried beside it.</param>
/// <param name="Pins">Pins that take part.</param>
/// <param name="Bans">Bans that take part.</param>
/// <param name="Supplies">Supply leads that want a selector in another position.</param>
public sealed record Conflict(
    Link Link,
    IReadOnlyList<Link> Links,
    IReadOnlyList<WishMatch> Pins,
    IReadOnlyList<WishMatch> Bans,
    IReadOnlyList<FeedWays> Supplies
)
{
    // One member is not worth more than this; who could not be settled stays a member.
    private const int MostOfOne = 3_000_000;

    // Pinned links that a member could ride in are looked at there and not there; with more of them that is not settled.
    private const int MostPinned = 6;

    /// <summary>True where each member was shown to take part; false where that was not settled in the time there is.</summary>
    public bool IsMinimal { get; private init; } = true;

    /// <summary>The conflict of a link that the best plan leaves out.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="plan">The best plan.</param>
    /// <param name="link">A link that the plan does not carry.</param>
    /// <param name="budget">What may be weighed; null for what one plan may.</param>
    /// <remarks>
    /// Each member in turn is left out; if the rest still cannot be, the member had no part in it and stays out. Bans and
    /// pins are tried first, then supplies, then the links, the least needed first, so what remains is told in the
    /// weightiest links.
    /// </remarks>
    public static Conflict Of(PlanSpace space, Plan plan, Link link, SearchBudget? budget = null)
    {
        budget ??= SearchBudget.ForRest(space.Effort);
        var carried = plan.Placements.Where(p => p.Route is not null);

        // A pin that the plan leaves aside is told about by itself; here it would only hide the reason.
        var wishes = space.Build.Build;
        var kept = wishes.Pins.Where(plan.Keeps);
        var devices = carried.Select(p => p.Link).Append(link).Select(l => l.Want.Device).ToHashSet();
        var conflict = new Conflict(
            link,
            [.. carried.Select(p => p.Link)],
            [.. kept],
            wishes.Bans,
            [.. space.Feeds.Where(f => devices.Contains(f.Device.Id))]
        );
        foreach (var smaller in conflict.WithoutEach())
        {
            var next = smaller(conflict);
            var share = budget.UpTo(MostOfOne);
            var can = next.CanBe(space, share);
            budget.TakeBack(share);
            conflict = can switch
            {
                true => conflict,
                false => next,
                null => conflict with { IsMinimal = false },
            };
        }
        return conflict;
    }

    /// <summary>True when the link and all members can be together after all; null where that is not settled before the budget is empty.</summary>
    /// <remarks>
    /// Who is no member goes without, but a link that a member could ride in may be there or not; where it is there its pins hold.
    /// </remarks>
    public bool? CanBe(PlanSpace space, SearchBudget? budget = null)
    {
        budget ??= SearchBudget.ForPlan(space.Effort);
        var members = Links.Append(Link).Select(l => l.Id).ToHashSet();
        var carriers = space
            .Ways.Where(w => members.Contains(w.Link.Id))
            .SelectMany(w => w.Routes.Select(r => r.RidesIn))
            .OfType<string>()
            .Where(c => !members.Contains(c))
            .ToHashSet();
        var pinned = Pins.OfType<RouteMatch>().Select(p => p.Link).Where(carriers.Contains).Distinct().ToList();
        carriers.ExceptWith(pinned);
        bool? can = pinned.Count > MostPinned ? null : false;
        for (var there = 0; there < 1 << Math.Min(pinned.Count, MostPinned) && can != true; there++)
        {
            var bits = there;
            var together = members.Union(pinned.Where((_, i) => (bits >> i & 1) == 1)).ToHashSet();
            can = CanBe(space, together, carriers, budget) switch
            {
                false => can,
                var other => other,
            };
        }
        return can;
    }

    private bool? CanBe(PlanSpace space, HashSet<string> together, HashSet<string> free, SearchBudget budget)
    {
        List<Limit> limits =
        [
            .. space.Ways.Select(w =>
                together.Contains(w.Link.Id) ? Limit.Needed
                : free.Contains(w.Link.Id) ? Limit.None
                : Limit.Out
            ),
            .. space.Feeds.Select(f => Supplies.Contains(f) ? Limit.Needed : Limit.Out),
        ];
        var pins = Pins.Where(p => p is not RouteMatch route || together.Contains(route.Link)).ToList();
        if (budget.IsEmpty)
        {
            return null;
        }
        try
        {
            return Planner.Best(space.With(pins, Bans), pins, Bans, limits, budget) switch
            {
                null => false,
                var plan when plan.Cost[CostTerm.PinsBroken] == 0 => true,
                { Gap: { Term: CostTerm.PinsBroken, AtBest: 0 } } => null,
                _ => false,
            };
        }
        catch (UnplannableException)
        {
            return null;
        }
    }

    /// <summary>Each way to leave one member out, in the order in which they are tried.</summary>
    internal IEnumerable<Func<Conflict, Conflict>> WithoutEach() =>
        [
            .. Bans.Select(b => (Func<Conflict, Conflict>)(c => c with { Bans = [.. c.Bans.Where(x => x != b)] })),
            .. Pins.Select(p => (Func<Conflict, Conflict>)(c => c with { Pins = [.. c.Pins.Where(x => x != p)] })),
            .. Supplies.Select(s =>
                (Func<Conflict, Conflict>)(c => c with { Supplies = [.. c.Supplies.Where(x => x != s)] })
            ),
            .. Links
                .OrderByDescending(l => l.Want.Priority)
                .ThenByDescending(l => l.Function.Need)
                .Select(l => (Func<Conflict, Conflict>)(c => c with { Links = [.. c.Links.Where(x => x.Id != l.Id)] })),
        ];
}
