using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>Everything that a plan of a build can choose from, before any wish is looked at.</summary>
/// <param name="Build">The build.</param>
/// <param name="Links">All ways of all links, in the builder's order.</param>
/// <param name="Feeds">All ways to feed each supply lead; empty before the pack is chosen.</param>
/// <param name="Seats">All seats of each device's plug, in the builder's order.</param>
public sealed record BuildWays(
    ResolvedBuild Build,
    IReadOnlyList<LinkWays> Links,
    IReadOnlyList<FeedWays> Feeds,
    IReadOnlyList<DeviceSeats> Seats
)
{
    /// <summary>Links that have more ways than are weighed; empty for every board that is made.</summary>
    public IReadOnlyList<string> Cut { get; init; } = [];

    /// <summary>What the links mean for each other's ways.</summary>
    internal RouterFacts Facts { get; init; } = new(Build, new HashSet<string>());
}

/// <summary>Finds every way of every link through the board, and for every other combination the reason why not.</summary>
public static class Router
{
    /// <summary>More ways than this are not weighed in one build; each link has its part of it. The largest boards that are made have a tenth.</summary>
    public const int MostWays = 4_000;

    /// <summary>A link has at least so many of them.</summary>
    private const int LeastShare = 120;

    // Of one mode on one port in one seat at most so many are made; few where a link has far more such places than ways that are weighed.
    private const int MostOfPlace = 24;
    private const int FewOfPlace = 3;

    /// <summary>Everything that a plan can choose from. Of the builder's wishes only those that name a lead or a pad are looked at.</summary>
    /// <param name="build">The build.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public static BuildWays WaysOf(ResolvedBuild build, CancellationToken stop = default)
    {
        var seats = SeatFinder.Of(build);
        var feeds = Feeder.WaysOf(build, seats);
        var share = Math.Max(LeastShare, MostWays / Math.Max(1, build.Links.Count));
        var cut = new List<string>();

        // Nets on which a lead of some plug may go on talking: only there it matters who is on a net.
        var talked = seats
            .SelectMany(s => s.Ways)
            .SelectMany(w => w.Choices.Values)
            .SelectMany(stays => stays.SelectMany(s => s.Claims.Holds).OfType<UserHold>())
            .Select(h => h.Net)
            .ToHashSet();
        var facts = new RouterFacts(build, talked);
        var starved = feeds.Where(f => f.Feeds.Count == 0).DistinctBy(f => f.Device.Id).ToDictionary(f => f.Device.Id);
        var links = new Dictionary<string, LinkWays>();
        foreach (var link in build.Links)
        {
            stop.ThrowIfCancellationRequested();
            var (ways, all) = starved.TryGetValue(link.Want.Device, out var supply)
                ? (Starved(build, link, supply), true)
                : WaysOf(build, link, seats.First(s => s.Device.Id == link.Want.Device).Ways, facts, share);
            links.Add(link.Id, ways);
            if (!all)
            {
                cut.Add(link.Id);
            }
        }
        return new BuildWays(build, [.. build.Links.Select(l => WithRides(build, links, l, facts))], feeds, seats)
        {
            Facts = facts,
            Cut = cut,
        };
    }

    /// <summary>The ways that a device of no build, with bare leads and no supply, would have on a port beside the links of a build.</summary>
    /// <param name="ways">The ways of the build.</param>
    /// <param name="spare">A link of that device.</param>
    /// <param name="port">A port of the board.</param>
    public static IEnumerable<Route> WaysOfSpare(BuildWays ways, Link spare, Port port)
    {
        SeatWay[] bare = [new SeatWay(new DeviceInBuild(spare.Want.Device, spare.Device))];
        foreach (var mode in spare.Modes)
        {
            foreach (var pins in PinsOf(ways.Build, port))
            {
                var attempt = new PortTry(ways.Build, spare, mode, port, pins, bare, false, ways.Facts, MostOfPlace);
                attempt.Run();
                foreach (var route in attempt.Routes)
                {
                    yield return route.Made();
                }
            }
        }
    }

    /// <summary>Says that links have more ways than are weighed.</summary>
    public static Finding TooMany(IReadOnlyList<Link> links)
    {
        const int Few = 3;
        List<string> names = [.. links.Select(l => l.Device.Name).Distinct()];
        List<string> told =
            names.Count <= Few + 1 ? names : [.. names.Take(Few), Sentences.MoreDevices(names.Count - Few)];
        return LimitRules.TooMany.Found(
            Severity.Note,
            Subject.Build,
            ("links", Phrase.Join(told)),
            ("most", $"{LeastShare}")
        );
    }

    // What rides in another link is looked for when the ways of that one are known.
    private static LinkWays WithRides(
        ResolvedBuild build,
        Dictionary<string, LinkWays> links,
        Link link,
        RouterFacts facts
    )
    {
        var own = links[link.Id];
        var rides = link.Modes.Where(m => m.Inside is not null).ToList();
        if (rides.Count == 0)
        {
            return own;
        }
        var (routes, rejections) = (own.Routes.ToList(), own.Rejections.ToList());
        var maker = new RideMaker(build, link, facts);
        foreach (var mode in rides)
        {
            maker.Make(mode, links, routes, rejections);
        }
        return own with { Routes = routes, Rejections = rejections };
    }

    /// <summary>True when a pin or ban names a pad of the link: then pads that are as good as others are ways of their own.</summary>
    private static bool NamesPad(IReadOnlyList<WishMatch> wishes, Link link) =>
        wishes.OfType<RouteMatch>().Any(m => m.Link == link.Id && m.Pad is not null);

    /// <summary>True when other wishes change what there is to choose from, and not only what is chosen.</summary>
    internal static bool Depends(IReadOnlyList<WishMatch> before, IReadOnlyList<WishMatch> after)
    {
        static IEnumerable<WishMatch> Deep(IReadOnlyList<WishMatch> wishes) =>
            wishes.Where(w => w is LeadMatch or RouteMatch { Pad: not null });
        return !Deep(before).SequenceEqual(Deep(after));
    }

    /// <summary>Why nothing feeds a supply lead.</summary>
    /// <param name="supply">The lead with its ways.</param>
    /// <param name="rivals">Who holds what the best of its ways would need; none where it has no way at all.</param>
    public static Finding Unfed(FeedWays supply, IReadOnlyList<string> rivals)
    {
        var because =
            rivals.Count > 0 ? Sentences.CouldBut(Phrase.Upper(supply.Feeds[0].Place!), Phrase.Join(rivals))
            : supply.Feeds.Count > 0 ? Sentences.EverySourceThatCouldIs
            : string.Concat(supply.Rejections.Select(r => $" {r.Finding.Sentence}").Distinct());
        return RoutingRules.Unfed.Found(
            Severity.Stop,
            Subject.Device(supply.Device.Id),
            ("device", supply.Device.Device.Name),
            ("because", because)
        );
    }

    // A device that nothing can feed carries nothing, whatever the ports would allow.
    private static LinkWays Starved(ResolvedBuild build, Link link, FeedWays supply)
    {
        var finding = Unfed(supply, []);
        return new LinkWays(
            link,
            [],
            [
                .. from mode in link.Modes.Take(1)
                from port in build.Board.Ports
                select new Rejection(mode, port, finding, null),
            ]
        );
    }

    private static (LinkWays Ways, bool All) WaysOf(
        ResolvedBuild build,
        Link link,
        IReadOnlyList<SeatWay> seats,
        RouterFacts facts,
        int share
    )
    {
        var all = true;
        var places = link.Function.Modes.Sum(m => m.Straps.Count + 1) * build.Board.Ports.Count * seats.Count;
        var most = places > 2 * share ? FewOfPlace : MostOfPlace;
        var routes = new List<RouteDraft>();
        var rejections = new List<Rejection>();
        var everyPad = NamesPad(build.Build.Pins, link) || NamesPad(build.Build.Bans, link);
        var reached = new Dictionary<WayPlace, int>();
        foreach (var mode in link.Function.Modes.SelectMany(AtEachAddress))
        {
            if (reached.Values.Count(loses => loses <= mode.Loses.Count) >= share)
            {
                // Each of those places keeps a way before this mode would keep its first: nothing that is made of it would be kept.
                all = false;
                rejections.AddRange(build.Board.Ports.Select(p => new Rejection(mode, p, TooMany([link]), null)));
                continue;
            }
            foreach (var port in build.Board.Ports)
            {
                var before = routes.Count;
                IReadOnlyList<Rejection>? first = null;
                foreach (var pins in PinsOf(build, port))
                {
                    var attempt = new PortTry(build, link, mode, port, pins, seats, everyPad, facts, most);
                    attempt.Run();
                    routes.AddRange(attempt.Routes);
                    foreach (var route in attempt.Routes)
                    {
                        reached.TryAdd(PlaceOf(route), mode.Loses.Count);
                    }
                    all &= attempt.IsAll;
                    first ??= attempt.Rejections;
                }
                if (routes.Count == before)
                {
                    rejections.AddRange(first!);
                }
            }
        }
        all &= routes.Count <= share;
        var kept = routes.Count <= share ? routes : Fewest(routes, share);
        return (new LinkWays(link, kept.ConvertAll(r => r.Made()), rejections), all);
    }

    private static WayPlace PlaceOf(RouteDraft route) =>
        new(route.Port.Id, route.Mode.Id, route.Mode.Address, route.Seat.Seat.Kind, route.Seat.Seat.Socket?.Id);

    // One mode at one address, on one port, in one seat.
    private readonly record struct WayPlace(string Port, string Mode, int? Address, SeatKind Seat, string? Socket);

    // Those with the fewest selectors and the least hand work of each place, so that every port keeps some; in their order.
    private static List<RouteDraft> Fewest(List<RouteDraft> routes, int share)
    {
        var kept = routes
            .GroupBy(PlaceOf)
            .SelectMany(place =>
                place
                    .OrderBy(r => r.Hazards)
                    .ThenBy(r => r.Bridges)
                    .ThenBy(r => r.Minutes)
                    .Select((route, rank) => (Route: route, Rank: rank))
            )
            .OrderBy(r => r.Rank)
            .ThenBy(r => r.Route.Mode.Loses.Count)
            .Take(share)
            .Select(r => r.Route)
            .ToHashSet(ReferenceEqualityComparer.Instance);
        return routes.FindAll(kept.Contains);
    }

    private static IEnumerable<Mode> AtEachAddress(Mode mode) =>
        mode.Straps.Select(s => mode with { Address = s.Address, Strapped = s }).Prepend(mode);

    // As it comes first. A swap costs a switch and no hand work: where straight asks for hands, it can be the better way.
    private static IEnumerable<PinSetting> PinsOf(ResolvedBuild build, Port port)
    {
        PinSwapped[] swaps =
            build.Controller.Swap == PinSwap.Swappable && port is { Kind: PortKind.Uart, HeldBy: null }
                ? [PinSwapped.No, PinSwapped.Yes]
                : [PinSwapped.No];
        return from pins in port.PinChoices from swapped in swaps select new PinSetting(pins, swapped);
    }
}
