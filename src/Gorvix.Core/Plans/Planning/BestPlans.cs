using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>The few best plans that differ in a port, a mode, a bridge or a socket.</summary>
/// <remarks>
/// Lawler's way (1972, after Murty 1968): the best plan splits all other plans into parts that do not overlap – in
/// part i the links before i stay as they are and link i goes elsewhere. The best plan of each part is found, the
/// best of those is the next, and splits its own part in turn.
/// </remarks>
public static class BestPlans
{
    /// <summary>At most so many plans, the best first; equal ones in the order in which they were found.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="count">How many, at least one.</param>
    /// <exception cref="ArgumentOutOfRangeException">Fewer than one was asked for.</exception>
    public static IReadOnlyList<Plan> Of(PlanSpace space, int count)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(count, 1);
        return [.. InOrder(space, Planner.Best(space), SearchBudget.ForRest(space.Effort)).Take(count)];
    }

    /// <summary>All plans, the best first, each found when it is asked for. They end where the next one cannot be proved any more.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="first">The best of them.</param>
    /// <param name="budget">What may be weighed for all others together.</param>
    public static IEnumerable<Plan> InOrder(PlanSpace space, Plan first, SearchBudget budget)
    {
        var (build, ways) = (space.Build.Build, space.Ways);
        var parts = new PriorityQueue<(Plan Best, Limit[] Limits), (PlanCost Cost, int Found)>();
        var found = 0;
        bool Look(Limit[] limits)
        {
            try
            {
                if (Planner.Best(space, build.Pins, build.Bans, limits, budget) is { } plan)
                {
                    parts.Enqueue((plan, limits), (plan.Cost, found++));
                    return plan.Gap is null;
                }
                return true;
            }
            catch (UnplannableException)
            {
                return false;
            }
        }

        parts.Enqueue((first, [.. ways.Select(_ => Limit.None)]), (first.Cost, found++));
        while (parts.TryDequeue(out var part, out _))
        {
            yield return part.Best;
            if (first.Gap is not null)
            {
                yield break;
            }
            for (var i = 0; i < ways.Count; i++)
            {
                var limits = part.Limits.ToArray();
                for (var before = 0; before < i; before++)
                {
                    limits[before] = limits[before] with { Only = Limit.PlaceOf(part.Best.Placements[before].Route) };
                }
                limits[i] = limits[i].Without(part.Best.Placements[i].Route);
                if (!Look(limits))
                {
                    yield break;
                }
            }
        }
    }

    /// <summary>The build with pins (and bans for links that go without) so that this plan becomes its best.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="best">Its best plan now.</param>
    /// <param name="chosen">One of its plans.</param>
    public static Build Choose(PlanSpace space, Plan best, Plan chosen)
    {
        // Pinning only what differs says what the builder meant; all is pinned where that leaves a choice. Whoever chooses a plan
        // gives up the pins that it breaks.
        var few = Pinned(space, chosen.Placements.Where(p => Differs(best, p)), p => !best.Keeps(p) || chosen.Keeps(p));
        var then = Planner.Best(space.With(few.Pins, few.Bans).With(Effort.Quick));
        return chosen.Placements.Any(p => Differs(then, p)) ? Pinned(space, chosen.Placements, chosen.Keeps) : few;
    }

    private static bool Differs(Plan plan, Placement placement) =>
        Limit.PlaceOf(plan.RouteOf(placement.Link.Id)) != Limit.PlaceOf(placement.Route);

    // Bridges are named only where the same port and mode can be had with others, a socket only where there are two.
    private static bool Rivals(Route a, Route b) =>
        a.Port == b.Port && a.Mode == b.Mode && RouteMatch.BridgeWords(a.Bridges) != RouteMatch.BridgeWords(b.Bridges);

    private static Build Pinned(PlanSpace space, IEnumerable<Placement> placements, Func<WishMatch, bool> stays)
    {
        var build = space.Build.Build;
        build = build with { Pins = [.. build.Pins.Where(stays)] };
        foreach (var (link, route) in placements)
        {
            var ways = space.Ways.First(w => w.Link.Id == link.Id);
            var match = new RouteMatch
            {
                Link = link.Id,
                Port = route?.Port.Id,
                Mode = route?.Mode.Id,
                Bridges =
                    route is not null && ways.Routes.Any(r => Rivals(r, route))
                        ? RouteMatch.BridgeWords(route.Bridges)
                        : null,
            };
            build = new BuildChange(route is null ? ChangeKind.Block : ChangeKind.Pin, match).ApplyTo(build);
            if (route is null)
            {
                // A pin of a link that goes without would stand against the ban.
                build = build with
                {
                    Pins = [.. build.Pins.Where(p => p is not RouteMatch pin || pin.Link != link.Id)],
                };
            }
            else if (route.Choice != "")
            {
                var seat = new SeatMatch { Device = link.Want.Device, Socket = route.Seat.Socket?.Id };
                build = new BuildChange(ChangeKind.Pin, seat).ApplyTo(build);
            }
        }
        return build;
    }
}
