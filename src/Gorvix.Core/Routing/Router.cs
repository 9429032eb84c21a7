using Gorvix.Core.Builds;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Routing;

/// <summary>Finds every way of every link through the board, and for every other combination the reason why not.</summary>
public static class Router
{
    /// <summary>All ways of all links, in the builder's order of links. Pins and bans are not looked at here.</summary>
    public static IReadOnlyList<LinkWays> WaysOf(ResolvedBuild build) => [.. build.Links.Select(l => WaysOf(build, l))];

    private static LinkWays WaysOf(ResolvedBuild build, Link link)
    {
        var routes = new List<Route>();
        var rejections = new List<Rejection>();
        foreach (var mode in link.Function.Modes)
        {
            foreach (var port in build.Board.Ports)
            {
                var straight = new PortTry(build, link, mode, port, PinOrder.Straight);
                straight.Run();
                var found = straight.Routes;
                var swaps = build.Controller.Swap == PinSwap.Swappable && port is { Kind: PortKind.Uart, HeldBy: null };
                if (found.Count == 0 && swaps)
                {
                    // A swap takes the same port and adds a switch, so it is worth a try only where straight fails.
                    var swapped = new PortTry(build, link, mode, port, PinOrder.Swapped);
                    swapped.Run();
                    found = swapped.Routes;
                }
                routes.AddRange(found);
                if (found.Count == 0)
                {
                    rejections.AddRange(straight.Rejections);
                }
            }
        }
        return new LinkWays(link, routes, rejections);
    }
}
