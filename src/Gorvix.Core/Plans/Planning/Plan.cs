using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>Where a link went.</summary>
/// <param name="Link">The link.</param>
/// <param name="Route">Its route, or null when it goes without.</param>
public sealed record Placement(Link Link, Route? Route);

/// <summary>What feeds a supply lead.</summary>
/// <param name="Ways">The supply lead with all its ways.</param>
/// <param name="Chosen">The chosen one; null where the question did not ask about it.</param>
public sealed record FeedPlacement(FeedWays Ways, Feed? Chosen)
{
    /// <summary>The chosen feed, or null when nothing feeds the lead.</summary>
    public Feed? Feed => Chosen is { Feeds: true } ? Chosen : null;
}

/// <summary>Where the plug of a device sits.</summary>
/// <param name="Ways">All its seats.</param>
/// <param name="Way">The chosen one.</param>
public sealed record SeatPlacement(DeviceSeats Ways, SeatWay Way);

/// <summary>The best answer to "which link goes where".</summary>
/// <param name="Placements">One for each link, in the builder's order.</param>
/// <param name="Cost">What it costs.</param>
public sealed record Plan(IReadOnlyList<Placement> Placements, PlanCost Cost)
{
    /// <summary>How far it may be from the best; null where it is proved that there is none better.</summary>
    public PlanGap? Gap { get; init; }

    /// <summary>One for each supply lead; empty before the pack is chosen.</summary>
    public IReadOnlyList<FeedPlacement> Feeds { get; init; } = [];

    /// <summary>One for each device, in the builder's order.</summary>
    public IReadOnlyList<SeatPlacement> Seats { get; init; } = [];

    /// <summary>Leads that may stay in their cavities or leave them, with what was chosen.</summary>
    public IReadOnlyList<LeadStay> Stays { get; init; } = [];

    /// <summary>The route of a link, or null when it goes without.</summary>
    public Route? RouteOf(string link) => Placements.First(p => p.Link.Id == link).Route;

    /// <summary>True when a supply lead of the link's device has no source: it cannot be connected, whatever port is free.</summary>
    public bool LacksSupply(Link link) => Feeds.Any(f => f.Feed is null && f.Ways.Device.Id == link.Want.Device);

    /// <summary>Everything that was chosen: routes, feeds, seats and stays.</summary>
    public IEnumerable<Hookup> Chosen =>
        [
            .. Placements.Select(p => p.Route).OfType<Hookup>(),
            .. Feeds.Select(f => f.Chosen).OfType<Hookup>(),
            .. Seats.Select(s => s.Way),
            .. Stays,
        ];

    /// <summary>True when the plan does what a pin says.</summary>
    public bool Keeps(WishMatch pin) =>
        pin switch
        {
            RouteMatch route => RouteOf(route.Link)?.Matches(route) ?? false,
            FeedMatch feed => Feeds.Any(f => f.Feed?.Matches(feed) ?? false),
            SeatMatch { Socket: null } seat => SeatOf(seat.Device).Seat.Kind == SeatKind.Loose,
            SeatMatch seat => SeatOf(seat.Device).Seat.Socket?.Id == seat.Socket,
            LeadMatch lead => SeatOf(lead.Device) is var way
                && (way.Seat.Kind != SeatKind.Seated || way.Out.Contains(lead.Lead)),
            _ => false,
        };

    /// <summary>The seat of a device's plug.</summary>
    public SeatWay SeatOf(string device) => Seats.First(s => s.Ways.Device.Id == device).Way;

    /// <summary>What its supplies draw from a rail or output, in milliamperes; what is unknown counts nothing.</summary>
    public (int Typical, int Peak) Drawn(Budget budget)
    {
        var draws = Feeds.SelectMany(f => f.Feed?.Draws ?? []).Where(d => d.Budget == budget).ToList();
        return (draws.Sum(d => d.Typical), draws.Sum(d => d.Peak));
    }

    /// <summary>The links on a port: one, or two on its halves, or all on a bus.</summary>
    public IReadOnlyList<Link> On(string port) =>
        [.. Placements.Where(p => p.Route?.Port.Id == port).Select(p => p.Link)];

    /// <summary>What moved between an earlier plan of the same links and this one.</summary>
    public IReadOnlyList<Move> Since(Plan earlier) =>
        [
            .. from now in Placements
            let was = earlier.Placements.FirstOrDefault(p => p.Link.Id == now.Link.Id)?.Route
            let move = new Move(now.Link, was, now.Route)
            where move.IsReal
            select move,
        ];
}

/// <summary>A link that sits elsewhere than before.</summary>
/// <param name="Link">The link.</param>
/// <param name="From">Its route before, or null.</param>
/// <param name="To">Its route now, or null.</param>
public sealed record Move(Link Link, Route? From, Route? To)
{
    /// <summary>True when port, mode, a bridge, a socket or a pad differs.</summary>
    public bool IsReal => Key(From) != Key(To);

    private static string Key(Route? r) =>
        r is null ? "" : $"{r.Place}\n{string.Join(' ', r.Walks.Select(w => w.Pad.Id))}";
}
