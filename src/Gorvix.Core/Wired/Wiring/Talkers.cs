using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>Who is on which net: the links of the plan, and soldered leads that transmit. Made once for all that is held against it.</summary>
internal sealed class Talkers
{
    private readonly WiredBuild _wired;
    private readonly HashSet<BridgeAt> _positions;
    private readonly ILookup<string, (string Device, Lead Lead)> _on;

    /// <summary>Looks at a build.</summary>
    /// <param name="wired">The build.</param>
    public Talkers(WiredBuild wired)
    {
        (_wired, _positions) = (wired, [.. wired.Positions()]);
        var parts = wired.Build.Devices.ToDictionary(d => d.Id, d => d.Device);
        var planned = wired.Joined.Where(l => l.Link is not null).Select(l => (l.Pad, l.Device, l.Lead));
        var soldered =
            from joint in wired.Build.Built.Stands.OfType<JointFact>()
            where joint.Pad is not null && parts.ContainsKey(joint.Device)
            let lead = parts[joint.Device].Leads.FirstOrDefault(l => l.Id == joint.Lead)
            where lead is not null && PadContact.TransmitsUnasked(parts[joint.Device], lead) is not false
            select (Pad: wired.Build.Circuit.Pads.GetValueOrDefault(joint.Pad!), joint.Device, Lead: lead);
        _on = planned
            .Concat(soldered)
            .Where(t => t.Pad is not null)
            .SelectMany(t => NetsOf(t.Pad!).Select(n => (Net: n, t.Device, t.Lead)))
            .ToLookup(t => t.Net, t => (t.Device, t.Lead));
    }

    /// <summary>Who of another device is on the nets of a pad, in words; null for nobody.</summary>
    /// <param name="pad">The pad.</param>
    /// <param name="device">Id within the build of the device whose lead is there too.</param>
    public string? Beside(Pad pad, string device) =>
        NetsOf(pad).SelectMany(n => _on[n]).FirstOrDefault(o => o.Device != device) is { Lead: { } lead } other
            ? Sentences.OfThe(lead.Label, _wired.Build.Devices.First(d => d.Id == other.Device).Device.Name)
            : null;

    /// <summary>The finding for a lead that transmits, or may, on a pad where another device is; null where it does not, or nobody is.</summary>
    /// <param name="subject">What the finding is about.</param>
    /// <param name="device">Id within the build of the lead's device.</param>
    /// <param name="lead">The lead, which nothing uses there.</param>
    /// <param name="pad">The pad.</param>
    public Finding? FightOf(Subject subject, string device, Lead lead, Pad pad)
    {
        var part = _wired.Build.Devices.First(d => d.Id == device).Device;
        var unasked = PadContact.TransmitsUnasked(part, lead);
        return unasked is not false && Beside(pad, device) is { } other
            ? WiringRules.Fight.Found(
                unasked == true ? Severity.Stop : Severity.Warn,
                subject,
                ("lead", lead.Label),
                ("device", part.Name),
                ("does", unasked == true ? "transmits" : Sentences.MayTransmit),
                ("pad", pad.Label),
                ("other", other)
            )
            : null;
    }

    private IEnumerable<string> NetsOf(Pad pad) =>
        _wired
            .Build.Circuit.From(pad)
            .Where(s => s.To.Kind == NodeKind.Net && s.Contacts.All(_positions.Contains))
            .Select(s => s.To.Id);
}
