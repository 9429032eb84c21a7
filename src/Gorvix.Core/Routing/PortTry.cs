using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Routing;

/// <summary>Whether the controller exchanges RX and TX of the port.</summary>
internal enum PinOrder
{
    Straight,
    Swapped,
}

/// <summary>One mode of one link on one port: its routes, or why there is none.</summary>
internal sealed class PortTry(ResolvedBuild build, Link link, Mode mode, Port port, PinOrder order)
{
    private readonly Protocol _protocol = ProtocolCatalogue.Find(mode.Protocol)!;

    public List<Route> Routes { get; } = [];

    public List<Rejection> Rejections { get; } = [];

    public void Run()
    {
        var check = new PortCheck(build, link, mode, port, _protocol);
        if (check.Failure() is { } failure)
        {
            Reject(failure, null);
            return;
        }
        var open = new List<List<LineWalk>>();
        foreach (var (i, line) in mode.Lines.Index())
        {
            var ends = EndsOf(line, i);
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
            Combine(open, [], new RouteMaker(build, link, mode, port, _protocol, check.Baud, order));
        }
    }

    private List<WalkEnd> EndsOf(ModeLine line, int index)
    {
        var half = (port.Kind, line.Flow) switch
        {
            (PortKind.Bus, Flow.Both) => Half.Data,
            (PortKind.Bus, _) => Half.Clock,
            (_, Flow.Out) => Half.Rx,
            _ => Half.Tx,
        };
        var wanted = half switch
        {
            Half.Data => port.Data,
            Half.Clock => port.Clock,
            _ when _protocol.Use == LineUse.WirePerChannel => port.Channels.ElementAtOrDefault(index),
            _ when half == Half.Rx ^ order == PinOrder.Swapped => port.Rx,
            _ => port.Tx,
        };
        if (wanted is null)
        {
            return [];
        }
        var net = build.Board.Nets.First(n => n.Id == wanted);
        var walker = new LineWalker(build, port, _protocol, link.Device);
        return [.. build.Paths[wanted].Select(p => walker.Walk(line, p.Pad, p.Path, net, half))];
    }

    // Every choice of one walk for each line whose bridges agree.
    private void Combine(List<List<LineWalk>> open, List<LineWalk> chosen, RouteMaker maker)
    {
        if (chosen.Count == open.Count)
        {
            Routes.Add(maker.Make(chosen));
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
            Combine(open, chosen, maker);
            chosen.RemoveAt(chosen.Count - 1);
        }
    }

    private static Finding? Clash(List<LineWalk> chosen, LineWalk walk)
    {
        foreach (var need in walk.Bridges)
        {
            foreach (var other in chosen.Append(walk))
            {
                if (other.Bridges.FirstOrDefault(b => b.Bridge == need.Bridge && b.Position != need.Position) is { } b)
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

    private void Reject(Finding finding, LineWalk? walk) => Rejections.Add(new Rejection(mode, port, finding, walk));
}
