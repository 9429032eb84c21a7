using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Routing;

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
);

/// <summary>Finds every way of every link through the board, and for every other combination the reason why not.</summary>
public static class Router
{
    /// <summary>More ways of links and supplies than this are not weighed; the largest made-up builds have a tenth.</summary>
    public const int MostWays = 20_000;

    /// <summary>Everything that a plan can choose from. Of the builder's wishes only those that name a lead or a pad are looked at.</summary>
    /// <exception cref="UnplannableException">There is more than <see cref="MostWays"/>.</exception>
    public static BuildWays WaysOf(ResolvedBuild build)
    {
        var seats = SeatFinder.Of(build);
        var feeds = Feeder.WaysOf(build, seats);
        var count = feeds.Sum(f => f.Feeds.Count);
        void Count(int more)
        {
            count += more;
            if (count > MostWays)
            {
                throw new UnplannableException(
                    LimitRules.TooMany.Found(Severity.Stop, Subject.Build, ("most", $"{MostWays}"))
                );
            }
        }
        Count(0);

        // Nets on which a lead of some plug may go on talking: only there it matters who is on a net.
        var talked = seats
            .SelectMany(s => s.Ways)
            .SelectMany(w => w.Choices.Values)
            .SelectMany(stays => stays.SelectMany(s => s.Claims.Holds).OfType<UserHold>())
            .Select(h => h.Net)
            .ToHashSet();
        var starved = feeds.Where(f => f.Feeds.Count == 0).DistinctBy(f => f.Device.Id).ToDictionary(f => f.Device.Id);
        var links = new List<LinkWays>();
        foreach (var link in build.Links)
        {
            links.Add(
                starved.TryGetValue(link.Want.Device, out var supply)
                    ? Starved(build, link, supply)
                    : WaysOf(build, link, seats.First(s => s.Device.Id == link.Want.Device).Ways, talked)
            );
            Count(links[^1].Routes.Count);
        }
        return new BuildWays(build, links, feeds, seats);
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
    public static Finding Unfed(FeedWays supply)
    {
        var because =
            supply.Feeds.Count > 0
                ? " The selectors, sockets and pads that could feed it are needed otherwise."
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
        var finding = Unfed(supply);
        return new LinkWays(
            link,
            [],
            [
                .. from mode in link.Function.Modes.Take(1)
                from port in build.Board.Ports
                select new Rejection(mode, port, finding, null),
            ]
        );
    }

    private static LinkWays WaysOf(
        ResolvedBuild build,
        Link link,
        IReadOnlyList<SeatWay> seats,
        IReadOnlySet<string> talked
    )
    {
        var routes = new List<Route>();
        var rejections = new List<Rejection>();
        var everyPad = NamesPad(build.Build.Pins, link) || NamesPad(build.Build.Bans, link);
        foreach (var mode in link.Function.Modes)
        {
            foreach (var port in build.Board.Ports)
            {
                var straight = new PortTry(build, link, mode, port, PinSwapped.No, seats, everyPad, talked);
                straight.Run();
                routes.AddRange(straight.Routes);
                var found = straight.Routes.Count;
                if (build.Controller.Swap == PinSwap.Swappable && port is { Kind: PortKind.Uart, HeldBy: null })
                {
                    // A swap costs a switch and no hand work: where straight asks for hands, it can be the better way.
                    var swapped = new PortTry(build, link, mode, port, PinSwapped.Yes, seats, everyPad, talked);
                    swapped.Run();
                    routes.AddRange(swapped.Routes);
                    found += swapped.Routes.Count;
                }
                if (found == 0)
                {
                    rejections.AddRange(straight.Rejections);
                }
            }
        }
        return new LinkWays(link, routes, rejections);
    }
}
