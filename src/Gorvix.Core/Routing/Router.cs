using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;

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
                if (found.Count == 0 && build.Controller.Swap == PinSwap.Swappable && port.HeldBy is null)
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

    /// <summary>Whether the controller exchanges RX and TX of the port.</summary>
    private enum PinOrder
    {
        Straight,
        Swapped,
    }

    /// <summary>One mode on one port.</summary>
    private sealed class PortTry(ResolvedBuild build, Link link, Mode mode, Port port, PinOrder order)
    {
        private readonly Protocol _protocol = ProtocolCatalogue.Find(mode.Protocol)!;

        public List<Route> Routes { get; } = [];

        public List<Rejection> Rejections { get; } = [];

        public void Run()
        {
            if (port.HeldBy is { } holder)
            {
                Reject(RoutingRules.Held.Found(Severity.Stop, port.Id, ("port", port.Id), ("holder", holder)), null);
                return;
            }
            var open = new List<List<LineWalk>>();
            foreach (var line in mode.Lines)
            {
                var ends = EndsOf(line);
                var working = ends.Where(e => e.Failure is null).Select(e => e.Walk).ToList();
                if (working.Count == 0)
                {
                    foreach (var end in ends)
                    {
                        Reject(end.Failure!, end.Walk);
                    }
                    if (ends.Count == 0)
                    {
                        Reject(NoHalf(line), null);
                    }
                }
                open.Add(working);
            }
            if (open.All(o => o.Count > 0))
            {
                Combine(open, []);
            }
        }

        private List<WalkEnd> EndsOf(ModeLine line)
        {
            var half = line.Flow == Flow.Out ? Half.Rx : Half.Tx;
            var wanted = half == Half.Rx ^ order == PinOrder.Swapped ? port.Rx : port.Tx;
            if (wanted is null)
            {
                return [];
            }
            var net = build.Board.Nets.First(n => n.Id == wanted);
            var walker = new LineWalker(build.Controller, port, _protocol, link.Device);
            return
            [
                .. from pad in build.Board.Pads
                from path in pad.Paths
                where path.Net == wanted
                select walker.Walk(line, pad, path, net, half),
            ];
        }

        // Every choice of one walk for each line whose bridges agree.
        private void Combine(List<List<LineWalk>> open, List<LineWalk> chosen)
        {
            if (chosen.Count == open.Count)
            {
                Routes.Add(Finish(chosen));
                return;
            }
            foreach (var walk in open[chosen.Count])
            {
                if (Clash(chosen, walk) is { } finding)
                {
                    Reject(finding, walk);
                    continue;
                }
                chosen.Add(walk);
                Combine(open, chosen);
                chosen.RemoveAt(chosen.Count - 1);
            }
        }

        private static Finding? Clash(List<LineWalk> chosen, LineWalk walk)
        {
            foreach (var need in walk.Bridges)
            {
                foreach (var other in chosen.Append(walk))
                {
                    if (
                        other.Bridges.FirstOrDefault(b => b.Bridge == need.Bridge && b.Position != need.Position) is
                        { } b
                    )
                    {
                        return RoutingRules.Bridge.Found(
                            Severity.Stop,
                            need.Bridge,
                            ("first", other.Lead.Label),
                            ("bridge", need.Bridge),
                            ("one", b.Position),
                            ("second", walk.Lead.Label),
                            ("two", need.Position)
                        );
                    }
                }
            }
            return null;
        }

        private Route Finish(List<LineWalk> walks)
        {
            bool Inverts(Half half) => walks.Any(w => w.Half == half && w.OwnInversion == Polarity.Inverted);
            var settings = new PortSettings(
                _protocol.Job,
                _protocol.Id,
                _protocol.Bauds[0],
                Inverts(Half.Rx),
                Inverts(Half.Tx),
                _protocol.Use == LineUse.OneWire,
                order == PinOrder.Swapped
            );
            return new Route(link, mode, port, [.. walks], [.. walks.SelectMany(w => w.Bridges).Distinct()], settings);
        }

        private Finding NoHalf(ModeLine line)
        {
            var rule = line.Flow switch
            {
                Flow.Out => RoutingRules.NoRx,
                Flow.In => RoutingRules.NoTx,
                _ => RoutingRules.OneWire,
            };
            var lead = link.Device.Leads.First(l => l.Id == line.Lead).Label;
            return rule.Found(Severity.Stop, port.Id, ("lead", lead), ("port", port.Id));
        }

        private void Reject(Finding finding, LineWalk? walk) =>
            Rejections.Add(new Rejection(mode, port, finding, walk));
    }
}
