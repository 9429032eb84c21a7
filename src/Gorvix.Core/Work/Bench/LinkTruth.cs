using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Bench;

/// <summary>
/// Whether the links of an aircraft work, as its circuit really is: power at the device, every line on its net and alone there, the port set,
/// device and surroundings as they should be.
/// </summary>
/// <param name="meant">The build as it is meant.</param>
/// <param name="real">The build as it is.</param>
/// <param name="circuit">Its circuit.</param>
/// <param name="copper">What joins its points.</param>
/// <param name="sheet">What it gets in a situation.</param>
internal sealed class LinkTruth(
    Meant meant,
    WiredBuild real,
    Lazy<Circuit> circuit,
    Lazy<Copper> copper,
    Func<Situation, RailSheet> sheet
)
{
    private readonly IReadOnlyList<BridgeAt> _at = real.Positions();
    private readonly Dictionary<LeadAt, bool> _works = [];

    /// <summary>What is seen of a sign of a link.</summary>
    /// <param name="link">Id of the link.</param>
    /// <param name="needs">What it needs.</param>
    /// <param name="situation">What feeds the build.</param>
    public Seen Shows(string link, SignNeeds needs, Situation situation)
    {
        var carrier = meant.Wired.CarrierOf(link);
        var wanted = meant.Wired.Build.Links.First(l => l.Id == link);
        var device = wanted.Want.Device;
        var lives = Lives(device, situation);
        if (lives == Seen.No || needs == SignNeeds.Fed)
        {
            return lives;
        }
        var left = DefectDefinition
            .At(real, device)
            .Aggregate(lives, (l, a) => Least(l, a.Leaves(wanted.Function.Need, needs)));
        if (left == Seen.No || needs == SignNeeds.Linked)
        {
            return left;
        }
        if (
            real.Defects.Settings.Any(k => Minds(wanted, k))
            || meant.Wired.Ports.FirstOrDefault(p => p.Link == carrier) is not { } port
            || real.Ports.FirstOrDefault(p => p.Link == carrier)?.Settings != port.Settings
        )
        {
            return Seen.No;
        }
        var lines = port.Mode.Lines.Where(l => needs.Covers(l.Flow)).ToList();
        if (!lines.All(l => Works(new LeadAt(device, l.Lead))))
        {
            return Seen.No;
        }
        var loose = lines.Any(l => real.Defects.Weak.Contains(new LeadAt(device, l.Lead))) ? Seen.Flickers : Seen.Yes;
        return Least(left, loose);
    }

    /// <summary>Whether a device has its power and is not dead.</summary>
    /// <param name="device">Its id within the build.</param>
    /// <param name="situation">What feeds the build.</param>
    public Seen Lives(string device, Situation situation)
    {
        if (real.DeadDevices.Contains(device))
        {
            return Seen.No;
        }
        var (wanted, gets) = (meant.Sheet(situation), sheet(situation));
        if (
            !ReferenceEquals(wanted, gets)
            && !wanted
                .Leads.Where(l => l.Device == device)
                .All(m =>
                    m.State is not (LeadFeed.Good or LeadFeed.Tight)
                    || gets.Leads.FirstOrDefault(l => l.Device == device && l.Lead == m.Lead)?.State
                        is LeadFeed.Good
                            or LeadFeed.Tight
                )
        )
        {
            return Seen.No;
        }
        return real.Defects.Weak.Any(w =>
            w.Device == device
            && real.Leads.Any(l =>
                l.Device == device && l.Lead.Id == w.Lead && l.Lead.Role is LeadRole.Supply or LeadRole.Ground
            )
            && Alone(w)
        )
            ? Seen.Flickers
            : Seen.Yes;
    }

    // A ground that is loose is not missed where the device has another one.
    private bool Alone(LeadAt weak)
    {
        var lead = real.LeadOf(weak);
        return lead.Lead.Role == LeadRole.Supply
            || !real.Leads.Any(l =>
                l.Device == weak.Device
                && l.Lead.Role == LeadRole.Ground
                && l.Pad is not null
                && l.Lead.Id != weak.Lead
                && !real.Defects.Weak.Contains(l.At)
            );
    }

    private static Seen Least(Seen one, Seen other) => one < other ? one : other;

    private bool Minds(Link link, string key) =>
        (link.Function.Need == Need.Telemetry && key == "telemetry")
        || meant.Settings.Settings.Any(s => s.Key == key && s.Link == link.Id && s.IsVital);

    /// <summary>True when a line reaches the net that it is meant for, with the polarity that it is meant to have, and nothing else drives it there.</summary>
    private bool Works(LeadAt lead) =>
        _works.TryGetValue(lead, out var known) ? known : _works[lead] = WorksFresh(lead);

    private bool WorksFresh(LeadAt lead)
    {
        var wanted = meant.Nets(lead);
        if (wanted.Any(s => real.Defects.DeadPins.Contains(s.To.Id)))
        {
            return false;
        }
        if (ReferenceEquals(copper.Value, meant.Copper))
        {
            return true;
        }
        var node = Node.Lead(new(lead.Device, lead.Lead));
        var ends = Trace.Joined(circuit.Value, node, _at).ToList();
        return wanted.All(m => ends.Exists(s => s.To == m.To && s.Turn == m.Turn))
            && IsUndisturbed(node)
            && wanted.All(m => IsUndisturbed(m.To));
    }

    // A foreign input on the net only listens; what drives it, and a rail, silence the line.
    private bool IsUndisturbed(Node point) =>
        Meant.Ends(copper.Value, point).Except(meant.Ends(point)).All(n => !meant.Drives(n));
}
