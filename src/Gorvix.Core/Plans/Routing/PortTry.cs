using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>How a serial unit is led out: on which of its pins, and whether they are exchanged.</summary>
/// <param name="Choice">The pins.</param>
/// <param name="Swapped">Whether RX and TX are exchanged.</param>
internal sealed record PinSetting(PinChoice Choice, PinSwapped Swapped);

/// <summary>One mode of one link on one port: its routes, or why there is none. Of each seat at most so many are made, those with the fewest selectors first.</summary>
internal sealed class PortTry(
    ResolvedBuild build,
    Link link,
    Mode mode,
    Port port,
    PinSetting pins,
    IReadOnlyList<SeatWay> seats,
    bool everyPad,
    RouterFacts facts,
    int most
)
{
    // For one way that is made so many steps may be gone, so that what agrees is found among what does not.
    private const int StepsOfOne = 16;

    // So many joints of one line are compared with each other.
    private const int MostJoints = 12;

    // More reasons would not be read.
    private const int MostRejections = 60;

    private int _steps;
    private int _made;

    /// <summary>False when there are ways that were not looked at.</summary>
    public bool IsAll { get; private set; } = true;

    private readonly Protocol _protocol = ProtocolCatalogue.Find(mode.Protocol)!;

    public List<RouteDraft> Routes { get; } = [];

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
        if (open.Any(o => o.Count == 0))
        {
            return;
        }
        foreach (var baud in check.Bauds())
        {
            var maker = new RouteMaker(build, link, mode, port, _protocol, baud, pins, seats, facts);
            foreach (var seat in seats)
            {
                (_steps, _made) = (0, 0);
                Combine(InTurn([.. open.Select(walks => Worthwhile(seat, walks))]), [], [], maker, seat);
            }
        }
        if (Routes.Count == 0 && !IsAll)
        {
            // Whether there is a way is not known: what stood against those that were tried may not stand against all.
            Rejections.Clear();
            Reject(Router.TooMany([link]), open[0][0]);
        }
        if (Routes.Count == 0 && Rejections.Count == 0)
        {
            Reject(NoSeat(open[0][0]), open[0][0]);
        }
    }

    // The joints of a line that are worth a try in a seat. Pads of one net behind the same bridges differ in the hand work only:
    // a lead that keeps its cavity there needs no other, and of pads to solder to one is as good as all. A wish that names a
    // pad wants to see them all, and the one to which the lead is soldered already is like no other.
    private List<(LineWalk Walk, Joint Joint)> Worthwhile(SeatWay seat, List<LineWalk> walks)
    {
        var joints = new List<(LineWalk Walk, Joint Joint)>(walks.Count);
        foreach (var walk in walks)
        {
            if (Seater.Join(build.Circuit, seat, walk.Lead, walk.Pad) is { } joint)
            {
                joints.Add((walk, joint));
            }
        }
        if (joints.Count < 2 || everyPad)
        {
            return joints;
        }
        if (joints.Count > MostJoints)
        {
            IsAll = false;
            joints = [.. Easiest(joints).Take(MostJoints)];
        }
        var kept = new List<(LineWalk Walk, Joint Joint)>(joints.Count);
        foreach (var one in joints)
        {
            if (
                build.Built.JointOf(new(link.Want.Device, one.Walk.Lead.Id))?.Pad == one.Walk.Pad.Id
                || !joints.Any(other => !ReferenceEquals(other.Joint, one.Joint) && Spares(other, one, joints))
            )
            {
                kept.Add(one);
            }
        }
        return kept;
    }

    private static bool Spares(
        (LineWalk Walk, Joint Joint) other,
        (LineWalk Walk, Joint Joint) one,
        List<(LineWalk Walk, Joint Joint)> order
    )
    {
        var alike =
            other.Walk.Net == one.Walk.Net
            && other.Walk.Hazards.Count <= one.Walk.Hazards.Count
            && other.Walk.Work.Count <= one.Walk.Work.Count
            && other.Walk.IsAlone
            && other.Walk.Bridges.All(one.Walk.Bridges.Contains);
        if (!alike)
        {
            return false;
        }
        return (other.Joint.Place, one.Joint.Place) switch
        {
            (LeadPlace.Kept, not LeadPlace.Kept) => true,
            (LeadPlace.Soldered, LeadPlace.Tail) => true,
            (LeadPlace.Soldered, LeadPlace.Soldered) or (LeadPlace.Kept, LeadPlace.Kept) => other.Walk.Bridges.Count
                < one.Walk.Bridges.Count
                || other.Walk.Hazards.Count < one.Walk.Hazards.Count
                || (one.Walk.IsAlone && order.IndexOf(other) < order.IndexOf(one))
                || !one.Walk.IsAlone,
            _ => false,
        };
    }

    // Where there are more than can be put together, those with the fewest selectors and the least work come first.
    private List<List<(LineWalk Walk, Joint Joint)>> InTurn(List<List<(LineWalk Walk, Joint Joint)>> open) =>
        open.Aggregate(1.0, (all, walks) => all * walks.Count) <= most
            ? open
            : open.ConvertAll(walks => Easiest(walks).ToList());

    private static IEnumerable<(LineWalk Walk, Joint Joint)> Easiest(List<(LineWalk Walk, Joint Joint)> walks) =>
        walks.OrderBy(w => w.Walk.Bridges.Count).ThenBy(w => w.Walk.Hazards.Count).ThenBy(w => w.Joint.Minutes);

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
            _ when half == Half.Rx ^ pins.Swapped == PinSwapped.Yes => pins.Choice.Rx,
            _ => pins.Choice.Tx,
        };
        if (wanted is null)
        {
            return [];
        }
        var net = build.Circuit.Nets[wanted];
        var reader = new LineReader(build, port, mode, _protocol, link);
        return [.. build.Circuit.To(wanted).Select(p => reader.Read(line, p.Pad, p.Strand, net, half))];
    }

    // Every choice of one walk for each line whose bridges agree.
    private void Combine(
        List<List<(LineWalk Walk, Joint Joint)>> open,
        List<LineWalk> chosen,
        List<Joint> joints,
        RouteMaker maker,
        SeatWay seat
    )
    {
        if (chosen.Count == open.Count)
        {
            if (RouteMaker.StandTogether(joints))
            {
                _made++;
                Routes.Add(new RouteDraft(maker, port, mode, seat, [.. chosen], [.. joints]));
            }
            return;
        }
        foreach (var (walk, joint) in open[chosen.Count])
        {
            if (++_steps > StepsOfOne * most || _made > most)
            {
                IsAll = false;
                return;
            }
            if (Clash(chosen, walk) is var (other, need, at))
            {
                if (Routes.Count == 0 && Rejections.Count < MostRejections)
                {
                    Reject(Disagree(walk, other, need, at), walk);
                }
                continue;
            }
            chosen.Add(walk);
            joints.Add(joint);
            Combine(open, chosen, joints, maker, seat);
            chosen.RemoveAt(chosen.Count - 1);
            joints.RemoveAt(joints.Count - 1);
        }
    }

    // A selector that the walk and another one (or itself) want in two positions.
    private static (LineWalk Other, BridgeAt Need, BridgeAt At)? Clash(List<LineWalk> chosen, LineWalk walk)
    {
        foreach (var need in walk.Bridges)
        {
            for (var i = 0; i <= chosen.Count; i++)
            {
                var other = i < chosen.Count ? chosen[i] : walk;
                foreach (var at in other.Bridges)
                {
                    if (at.Bridge == need.Bridge && at.Position != need.Position)
                    {
                        return (other, need, at);
                    }
                }
            }
        }
        return null;
    }

    private static Finding Disagree(LineWalk walk, LineWalk other, BridgeAt need, BridgeAt at) =>
        RoutingRules.Bridge.Found(
            Severity.Stop,
            Subject.Bridge(need.Bridge),
            ("first", other.Lead.Label),
            ("bridge", need.Bridge),
            ("one", at.Position),
            ("second", walk.Lead.Label),
            ("two", need.Position)
        );

    private Finding NoSeat(LineWalk walk) =>
        RoutingRules.Seat.Found(
            Severity.Stop,
            Subject.Device(link.Want.Device),
            ("lead", walk.Lead.Label),
            ("device", link.Device.Name),
            ("pad", walk.Pad.Label)
        );

    private Finding NoHalf(ModeLine line)
    {
        var rule = line.Flow switch
        {
            Flow.Out => RoutingRules.NoRx,
            Flow.In => RoutingRules.NoTx,
            _ => RoutingRules.OneWire,
        };
        var lead = link.Device.Leads.First(l => l.Id == line.Lead).Label;
        return rule.Found(Severity.Stop, Subject.Port(port.Id), ("lead", lead), ("port", port.Name));
    }

    private void Reject(Finding finding, LineWalk? walk)
    {
        if (Rejections.Count < MostRejections)
        {
            Rejections.Add(new Rejection(mode, port, finding, walk));
        }
    }
}
