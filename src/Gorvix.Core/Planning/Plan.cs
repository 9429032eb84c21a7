using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Planning;

/// <summary>Where a link went.</summary>
/// <param name="Link">The link.</param>
/// <param name="Route">Its route, or null when it goes without.</param>
public sealed record Placement(Link Link, Route? Route);

/// <summary>What feeds a supply lead.</summary>
/// <param name="Ways">The supply lead with all its ways.</param>
/// <param name="Feed">The chosen one, or null when no pad can.</param>
/// <param name="Pad">The pad to take, or null: of equal ones the pin of a plug that the device sits in already.</param>
public sealed record FeedPlacement(FeedWays Ways, Feed? Feed, Pad? Pad)
{
    /// <summary>Chooses among the equal pads of a feed.</summary>
    /// <param name="ways">The supply lead with all its ways.</param>
    /// <param name="feed">The chosen feed, or null.</param>
    /// <param name="board">The board.</param>
    /// <param name="routes">The routes of the same device.</param>
    public static FeedPlacement Of(FeedWays ways, Feed? feed, Board board, IEnumerable<Route> routes)
    {
        var used = routes.SelectMany(r => r.Walks).Select(w => w.Pad.Id).ToHashSet();
        var pins = board
            .Plugs.Where(p => p.Family == ways.Device.Device.Plug?.Family)
            .Select(p => p.Pins.Select(pin => pin.Pad).OfType<string>().ToList())
            .FirstOrDefault(pads => pads.Any(used.Contains));
        return new FeedPlacement(ways, feed, feed?.Pads.FirstOrDefault(p => pins?.Contains(p.Id) == true) ?? feed?.Pad);
    }
}

/// <summary>The best answer to "which link goes where".</summary>
/// <param name="Placements">One for each link, in the builder's order.</param>
/// <param name="Cost">What it costs.</param>
public sealed record Plan(IReadOnlyList<Placement> Placements, PlanCost Cost)
{
    /// <summary>One for each supply lead; empty before the pack is chosen.</summary>
    public IReadOnlyList<FeedPlacement> Feeds { get; init; } = [];

    /// <summary>The route of a link, or null when it goes without.</summary>
    public Route? RouteOf(string link) => Placements.First(p => p.Link.Id == link).Route;

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
    /// <summary>True when port, mode, a bridge or a pad differs.</summary>
    public bool IsReal => Key(From) != Key(To);

    private static string Key(Route? r) =>
        r is null ? "" : $"{r.Place}\n{string.Join(' ', r.Walks.Select(w => w.Pad.Id))}";
}
