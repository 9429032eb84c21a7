using Gorvix.Core.Circuits;
using Gorvix.Core.Parts;
using Gorvix.Core.Rails;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Bench;

/// <summary>Whether the links of an aircraft work, as its circuit really is: power at the device, every line on its net and alone there, the port set.</summary>
/// <param name="planned">The build as it is meant.</param>
/// <param name="real">The build as it is.</param>
/// <param name="meant">What the planned build gets in the situation.</param>
/// <param name="sheet">What the real build gets in the situation.</param>
internal sealed class LinkTruth(WiredBuild planned, WiredBuild real, RailSheet meant, RailSheet sheet)
{
    private readonly Circuit _plannedCircuit = planned.Circuit();
    private readonly Circuit _realCircuit = real.Circuit();
    private readonly Copper _plannedCopper = new(planned);
    private readonly Copper _realCopper = new(real);
    private readonly IReadOnlyList<BridgeAt> _plannedAt = planned.Positions();
    private readonly IReadOnlyList<BridgeAt> _realAt = real.Positions();

    /// <summary>True when a sign of a link is seen.</summary>
    /// <param name="link">Id of the link.</param>
    /// <param name="needs">What it needs.</param>
    public bool Shows(string link, SignNeeds needs)
    {
        var carrier = planned.Rides.FirstOrDefault(r => r.Link == link)?.In ?? link;
        var device = planned.Build.Links.First(l => l.Id == link).Want.Device;
        if (!Lives(device))
        {
            return false;
        }
        if (needs == SignNeeds.Fed)
        {
            return true;
        }
        if (planned.Ports.FirstOrDefault(p => p.Link == carrier) is not { } port)
        {
            return false;
        }
        return real.Ports.FirstOrDefault(p => p.Link == carrier)?.Settings == port.Settings
            && port.Mode.Lines.Where(l =>
                    needs switch
                    {
                        SignNeeds.Hears => l.Flow != Flow.In,
                        SignNeeds.Says => l.Flow != Flow.Out,
                        _ => true,
                    }
                )
                .All(l => Works(device, l.Lead));
    }

    /// <summary>True when a device has its power and is not dead.</summary>
    /// <param name="device">Its id within the build.</param>
    public bool Lives(string device) =>
        !real.DeadDevices.Contains(device)
        && meant
            .Leads.Where(l => l.Device == device)
            .All(m =>
                m.State is not (LeadFeed.Good or LeadFeed.Tight)
                || sheet.Leads.FirstOrDefault(l => l.Device == device && l.Lead == m.Lead)?.State
                    is LeadFeed.Good
                        or LeadFeed.Tight
            );

    /// <summary>True when a line reaches the net that it is meant for, with the polarity that it is meant to have, and nobody else is there.</summary>
    private bool Works(string device, string lead)
    {
        var node = Node.Lead(device, lead);
        var meantEnds = Trace.Joined(_plannedCircuit, node, _plannedAt).Where(s => s.To.Kind == NodeKind.Net).ToList();
        var ends = Trace.Joined(_realCircuit, node, _realAt).ToList();
        return meantEnds.All(m => ends.Exists(s => s.To == m.To && s.Turn == m.Turn))
            && _realCopper.With(node).Where(IsEnd).ToHashSet().SetEquals(_plannedCopper.With(node).Where(IsEnd))
            && meantEnds.All(m =>
                _realCopper.With(m.To).Where(IsEnd).ToHashSet().SetEquals(_plannedCopper.With(m.To).Where(IsEnd))
            );
    }

    private static bool IsEnd(Node node) => node.Kind is NodeKind.Rail or NodeKind.Net or NodeKind.Lead;
}
