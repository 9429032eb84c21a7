using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>A hookup with its price, before it is turned into bits.</summary>
internal sealed record PlanChoice(Hookup Hookup, Claims Claims, PlanCost Cost);

/// <summary>A row before it is turned into bits.</summary>
internal sealed record PlanDraft(
    LinkWays? Way,
    FeedWays? Feed,
    string? Device,
    List<PlanChoice> Choices,
    PlanCost? Unmet
)
{
    /// <summary>The device of a supply lead or of a lead that may stay; null for links.</summary>
    public string? Of { get; init; }
}

/// <summary>Drafts the rows of a <see cref="PlanSpace"/>: who decides what, with every choice and its price.</summary>
/// <param name="all">Everything that there is to choose from.</param>
internal sealed class PlanDrafter(BuildWays all)
{
    private ResolvedBuild Build => all.Build;

    /// <summary>The cost of a link that goes without: 1000 and the weight of its need, in the term of its priority.</summary>
    internal static PlanCost UnmetOf(Link link)
    {
        var term = link.Want.Priority switch
        {
            Priority.Required => CostTerm.MustsUnmet,
            Priority.Wanted => CostTerm.WantsUnmet,
            _ => CostTerm.NicesUnmet,
        };
        return PlanCost.Of(term, PlanCost.UnmetLink + PlanCost.Needs - (int)link.Function.Need);
    }

    /// <summary>Every row before it is turned into bits, in the order of <see cref="PlanSpace.Rows"/>.</summary>
    public IEnumerable<PlanDraft> Drafts()
    {
        var carriers = new HashSet<string>();
        var ridden = all
            .Links.SelectMany(l => l.Routes)
            .Where(r => r.RidesIn is not null)
            .Select(r => r.RidesIn!)
            .ToHashSet();
        foreach (var way in all.Links)
        {
            var seats = all.Seats.First(s => s.Device.Id == way.Link.Want.Device);
            var unmet = UnmetOf(way.Link);
            Hold[] alone = ridden.Contains(way.Link.Id) ? [new RideHold(way.Link.Id, null, null)] : [];
            // What rides has no seat of its own; the link that it rides in has one.
            if (seats.IsChoice && way.Routes.All(r => r.RidesIn is null) && carriers.Add(seats.Device.Id))
            {
                yield return new PlanDraft(way, null, seats.Device.Id, Carrying(way, seats, unmet, alone), null);
            }
            else if (alone.Length > 0)
            {
                yield return new PlanDraft(
                    way,
                    null,
                    null,
                    [
                        .. way.Routes.Select(r => new PlanChoice(r, r.Claims, CostOf(r) + HandOf(r.Minutes))),
                        new PlanChoice(new Absent(way.Link), new Claims([], alone), unmet),
                    ],
                    null
                );
            }
            else
            {
                yield return new PlanDraft(
                    way,
                    null,
                    null,
                    [.. way.Routes.Select(r => new PlanChoice(r, r.Claims, CostOf(r) + HandOf(r.Minutes)))],
                    unmet
                );
            }
        }
        foreach (var feed in all.Feeds)
        {
            yield return new PlanDraft(
                null,
                feed,
                null,
                [.. feed.Feeds.Concat(feed.Without).Select(f => new PlanChoice(f, f.Claims, CostOf(f)))],
                null
            )
            {
                Of = feed.Device.Id,
            };
        }
        foreach (var seats in all.Seats.Where(s => s.IsChoice && !carriers.Contains(s.Device.Id)))
        {
            yield return new PlanDraft(
                null,
                null,
                seats.Device.Id,
                [.. seats.Ways.Select(w => new PlanChoice(w, w.Claims, CostOf(w)))],
                null
            );
        }
        foreach (var seats in all.Seats.Where(s => s.IsChoice))
        {
            foreach (var lead in seats.Ways.SelectMany(w => w.Choices.Keys).Distinct())
            {
                yield return new PlanDraft(null, null, null, [.. StaysOf(seats, lead)], null) { Of = seats.Device.Id };
            }
        }
    }

    /// <summary>
    /// Moves what a seat costs the supplies and leads of its device at least to the row that carries the seat. Every plan costs
    /// the same as before, and the bound knows it as soon as that row is placed.
    /// </summary>
    public static void Gather(List<PlanDraft> drafts)
    {
        var carriers = drafts.Where(d => d.Device is not null).ToDictionary(d => d.Device!);
        foreach (var row in drafts.Where(d => d.Device is null && d.Unmet is null))
        {
            if (row.Of is not { } device || !carriers.TryGetValue(device, out var carrier))
            {
                continue;
            }
            var least = row.Choices.GroupBy(c => c.Hookup.Seat).ToDictionary(g => g.Key, g => g.Min(c => c.Cost));
            for (var i = 0; i < row.Choices.Count; i++)
            {
                var choice = row.Choices[i];
                row.Choices[i] = choice with { Cost = choice.Cost - least[choice.Hookup.Seat] };
            }
            for (var i = 0; i < carrier.Choices.Count; i++)
            {
                var choice = carrier.Choices[i];
                carrier.Choices[i] = least.TryGetValue(choice.Hookup.Seat, out var more)
                    ? choice with
                    {
                        Cost = choice.Cost + more,
                    }
                    : choice;
            }
        }
    }

    // The first link of a device: each route with its seat, and going without in each seat.
    private List<PlanChoice> Carrying(LinkWays way, DeviceSeats seats, PlanCost unmet, Hold[] alone)
    {
        var bySeat = seats.Ways.ToDictionary(w => w.Seat);
        var list = new List<PlanChoice>();
        foreach (var route in way.Routes)
        {
            var seat = bySeat[route.Seat];
            var claims = new Claims(
                route.Claims.Takes,
                [.. route.Claims.Holds, .. seat.Claims.Holds.Where(h => h is not SeatHold)]
            );
            list.Add(new PlanChoice(route, claims, CostOf(route) + HandOf(route.Minutes + seat.Minutes)));
        }
        list.AddRange(
            seats.Ways.Select(w => new PlanChoice(
                w,
                w.Claims with
                {
                    Holds = [.. w.Claims.Holds, .. alone],
                },
                unmet + CostOf(w)
            ))
        );
        return list;
    }

    private static IEnumerable<PlanChoice> StaysOf(DeviceSeats seats, string lead)
    {
        foreach (var way in seats.Ways)
        {
            if (way.Choices.TryGetValue(lead, out var stays))
            {
                foreach (var stay in stays)
                {
                    yield return new PlanChoice(stay, stay.Claims, HandOf(stay.Minutes));
                }
            }
            else
            {
                var hold = new SeatHold(seats.Device.Id, way.Seat.Kind, way.Seat.Socket?.Id);
                yield return new PlanChoice(way, new Claims([], [hold]), PlanCost.Zero);
            }
        }
    }

    private PlanCost CostOf(Route route)
    {
        if (route.RidesIn is not null)
        {
            // Port, switches and hazards are those of the link that it rides in.
            return PlanCost.OfAtMost(CostTerm.Losses, route.Mode.Loses.Count);
        }
        var whole =
            route.Port.Kind == PortKind.Uart
            && Build.Circuit.ShapeOf(route.Port) == PortShape.Whole
            && !route.Claims.Holds.Any(h => h.WholePorts > 0);
        return PlanCost.OfAtMost(CostTerm.Hazards, route.Hazards.Count)
            + PlanCost.OfAtMost(CostTerm.Losses, route.Mode.Loses.Count)
            + PlanCost.OfAtMost(CostTerm.Processor, route.Processor)
            + PlanCost.Of(CostTerm.WholePorts, whole ? 1 : 0)
            + PlanCost.Of(CostTerm.Switches, route.Switches)
            + PlanCost.Of(CostTerm.OffAdvice, OffAdvice(route));
    }

    private static PlanCost CostOf(Feed feed) =>
        PlanCost.OfAtMost(CostTerm.Hazards, feed.Hazards.Count)
        + PlanCost.Of(CostTerm.AgainstHouse, feed.AgainstHouse)
        + PlanCost.Of(CostTerm.Unfed, feed.Feeds ? 0 : 1)
        + HandOf(feed.Minutes);

    // A device that is left off is worse than one that nothing feeds: it is the last way out.
    private static PlanCost CostOf(SeatWay way) =>
        PlanCost.Of(CostTerm.Unfed, way.Seat.Kind == SeatKind.Off ? 1 : 0) + HandOf(way.Minutes);

    // Below zero where a route saves a lift that the seat has counted; the sum of a plan never is.
    private static PlanCost HandOf(int minutes) =>
        minutes >= 0
            ? PlanCost.OfAtMost(CostTerm.HandWork, minutes)
            : PlanCost.Zero - PlanCost.Of(CostTerm.HandWork, -minutes);

    // Off the advice: on a port advised for other needs, or away from the port advised for this one.
    private int OffAdvice(Route route)
    {
        var need = route.Link.Function.Need;
        var here = route.Port.AdvisedFor;
        var elsewhere = Build.Board.Ports.Any(p => p.AdvisedFor.Contains(need));
        return !here.Contains(need) && (here.Count > 0 || elsewhere) ? 1 : 0;
    }
}
