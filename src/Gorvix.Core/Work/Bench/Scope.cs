using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Work.Bench;

/// <summary>
/// The facts of a wired build, each a line: what a check rests on. Two builds that agree on the lines of a check agree on what it proved; the
/// lines that differ say why it is due again. They are stored with each reading: other words for the same fact would make every reading that
/// is kept due again, so their form stays as it is.
/// </summary>
internal sealed class Scope(WiredBuild wired, SettingsSheet settings)
{
    private readonly Circuit _circuit = wired.Circuit();
    private readonly IReadOnlyList<BridgeAt> _positions = wired.Positions();
    private readonly Copper _copper = new(wired);
    private readonly ILookup<string, WiredLead> _onPad = wired.Joined.ToLookup(l => l.Pad!.Id);
    private readonly Lazy<ILookup<Node, WiredLead>> _on = new(() =>
    {
        var (circuit, positions) = (wired.Circuit(), wired.Positions());
        return (
            from lead in wired.Joined
            from strand in Trace.Joined(circuit, Node.Lead(lead.At), positions)
            select (strand.To, lead)
        ).ToLookup(o => o.To, o => o.lead);
    });

    /// <summary>Several lists of lines as one.</summary>
    public static IReadOnlyList<string> Of(params IEnumerable<string>[] lines) =>
        [.. lines.SelectMany(l => l).Distinct().Order(StringComparer.Ordinal)];

    /// <summary>The board and its revision.</summary>
    public string Board => $"board {wired.Build.Board.Name} {wired.Build.Board.Revision}";

    /// <summary>What a source is.</summary>
    public IEnumerable<string> Source()
    {
        var build = wired.Build.Build;
        yield return build.InputVolts is { } volts ? $"input {volts:0.##} V"
        : build.Pack is { } pack ? $"pack {pack.Cells}S {pack.Chemistry}"
        : "no pack";
    }

    /// <summary>A lead and where it is.</summary>
    /// <remarks>In ids and labels: what somebody calls a device is no fact of the wiring.</remarks>
    public string Lead(WiredLead lead) =>
        $"{lead.Device} ({PartId(lead.Device)}) {lead.Lead.Label} ({lead.Lead.Id}): "
        + lead.State switch
        {
            LeadState.InPlace or LeadState.Moved => $"in {lead.Socket!.Id} pin {lead.Cavity}",
            LeadState.Soldered => $"soldered to {lead.Pad!.Label} ({lead.Pad.Id})",
            LeadState.OnTail => $"on a tail in {lead.Socket!.Id} pin {lead.Cavity}",
            LeadState.Spliced => $"joined to {lead.To!.Lead.Label} of {lead.To.Device}",
            LeadState.Feeding => "feeds others",
            _ => "open",
        };

    /// <summary>A lead and where it is, with the piece that it belongs to.</summary>
    public IEnumerable<string> LeadOfPiece(WiredLead lead) => PieceOf(lead.Device).Prepend(Lead(lead));

    /// <summary>A part, by its id in the library, and which piece of it.</summary>
    public IEnumerable<string> Part(string device) => PieceOf(device).Prepend($"{device} is a {PartId(device)}");

    private IEnumerable<string> PieceOf(string device) =>
        BuildDevice(device).Piece is > 0 and var piece
            ? [$"{device} was exchanged {(piece == 1 ? "once" : $"{piece} times")}"]
            : [];

    private string PartId(string device) => BuildDevice(device).Part;

    private BuildDevice BuildDevice(string device) => wired.Build.Build.Devices.First(d => d.Id == device);

    /// <summary>What a device takes.</summary>
    public IEnumerable<string> Supplies(string device) =>
        PartOf(device)
            .Supplies.Select(s =>
                $"{device} takes {Of(s.Window)}, {PlainWords.Amperes(s.Typical)} to {PlainWords.Amperes(s.Peak)} at {s.Lead}{(s.PowerAt is { } at ? $", power as at {at:0.##} V" : "")}"
            );

    /// <summary>A pad: what lies behind it, and the bridges that decide.</summary>
    public IEnumerable<string> Pad(Pad pad)
    {
        yield return $"pad {pad.Label} ({pad.Id}) leads to "
            + string.Join(
                ", ",
                _circuit
                    .From(pad)
                    .Where(s => s.To.Kind is NodeKind.Net or NodeKind.Rail)
                    .Select(s =>
                        $"{s.To.Id}{string.Concat(s.Components.Select(c => $" {c.Kind} {c.Value:0.##}"))}{string.Concat(s.Contacts.Select(c => $" at {c.Bridge} {c.Position}"))}"
                    )
            );
        foreach (var bridge in _circuit.From(pad).SelectMany(s => s.Contacts).Select(c => c.Bridge).Distinct())
        {
            yield return Bridge(bridge);
        }
    }

    /// <summary>Where a bridge stands.</summary>
    public string Bridge(string bridge) =>
        $"bridge {bridge} at {string.Join('+', _positions.Where(p => p.Bridge == bridge).Select(p => p.Position))}";

    /// <summary>A pad with every lead on it.</summary>
    public IEnumerable<string> PadAndLeads(Pad pad) => Pad(pad).Concat(_onPad[pad.Id].SelectMany(LeadOfPiece));

    /// <summary>A point of the circuit: its pad, and every lead that is one copper with it. Of ground the point alone.</summary>
    public IEnumerable<string> Point(Node point)
    {
        if (point.Kind == NodeKind.Lead)
        {
            return wired
                .Leads.Where(l => l.Device == point.Device && l.Lead.Id == point.Id)
                .SelectMany(l => (l.Pad is { } on ? Pad(on) : []).Concat(LeadOfPiece(l)));
        }
        var pad = _circuit.Pads[point.Id];
        return _circuit.IsGround(pad)
            ? Pad(pad)
            : Pad(pad)
                .Concat(
                    _copper
                        .With(point)
                        .Where(n => n.Kind == NodeKind.Lead)
                        .SelectMany(n => wired.Leads.Where(l => l.Device == n.Device && l.Lead.Id == n.Id))
                        .SelectMany(LeadOfPiece)
                );
    }

    /// <summary>A rail with all that it hangs on, and what hangs on it.</summary>
    public IEnumerable<string> Rail(string id)
    {
        for (var at = _circuit.Rails.GetValueOrDefault(id); at is not null; )
        {
            yield return $"rail {at.Label}: {at.Feed} {at.Volts:0.##} V up to {PlainWords.Amperes(at.Limit)}";
            at = at.From is { } up ? _circuit.Rails[up] : null;
        }
        foreach (var lead in OnRail(id))
        {
            yield return Lead(lead);
            foreach (var line in Supplies(lead.Device))
            {
                yield return line;
            }
        }
    }

    /// <summary>The supply leads that a rail feeds.</summary>
    public IEnumerable<WiredLead> OnRail(string id) =>
        _on.Value[Node.Rail(id)].Where(l => l.Lead.Role == LeadRole.Supply);

    /// <summary>The supply of a device: its supply leads with pads, its grounds, what it takes; and that of whoever feeds it.</summary>
    public IEnumerable<string> Feed(string device) => Feed(device, []);

    private IEnumerable<string> Feed(string device, HashSet<string> seen) =>
        !seen.Add(device)
            ? []
            : wired
                .Leads.Where(l => l.Device == device && l.Lead.Role is (LeadRole.Supply or LeadRole.Ground))
                .SelectMany(l =>
                    (l.Pad is { } pad ? Pad(pad) : [])
                        .Prepend(Lead(l))
                        .Concat(l.To is { } to ? Feed(to.Device, seen) : [])
                )
                .Concat(Supplies(device))
                .Concat(Part(device));

    /// <summary>Everything that a link needs: its part, its leads with their nets, who else is there, its port's settings, its supply.</summary>
    public IEnumerable<string> Link(string id)
    {
        var link = wired.Build.Links.First(l => l.Id == id);
        var device = link.Want.Device;
        foreach (var line in Feed(device))
        {
            yield return line;
        }
        var carrier = wired.CarrierOf(id);
        foreach (var line in wired.Leads.Where(l => l.Link == carrier).SelectMany(Line))
        {
            yield return line;
        }
        foreach (var port in wired.Ports.Where(p => p.Link == carrier))
        {
            yield return Port(port);
        }
        var ports = wired.Ports.Where(p => p.Link == carrier).Select(p => p.Port.Id).ToHashSet();
        foreach (
            var setting in settings.Settings.Where(s =>
                s.Link == id || s.Link == carrier || (s.Port is { } on && ports.Contains(on))
            )
        )
        {
            yield return Set(setting);
        }
    }

    /// <summary>What is set.</summary>
    public static string Set(Setting setting) => $"{setting.Key} is {setting.Value}";

    // A bus, a picture, a level: they have a port and nothing to set.
    private static string Port(PortSet set) => $"{set.Port.Id} carries {set.Link} by {set.Settings.Protocol}";

    /// <summary>All of it.</summary>
    public IEnumerable<string> Everything() =>
        wired
            .Leads.Select(Lead)
            .Concat(wired.Bridges.Select(b => Bridge(b.Bridge.Id)))
            .Concat(wired.Build.Devices.SelectMany(d => Part(d.Id)))
            .Concat(wired.Ports.Select(Port))
            .Concat(settings.Settings.Select(Set))
            .Concat(Source())
            .Append(Board);

    private IEnumerable<string> Line(WiredLead lead)
    {
        yield return Lead(lead);
        if (lead.Pad is not { } pad)
        {
            yield break;
        }
        foreach (var line in Pad(pad))
        {
            yield return line;
        }
        // Whoever else is on the same nets.
        foreach (
            var net in Trace
                .Joined(_circuit, Node.Pad(pad.Id), _positions)
                .Where(s => s.To.Kind == NodeKind.Net)
                .Select(s => s.To.Id)
        )
        {
            foreach (var other in _on.Value[Node.Net(net)])
            {
                yield return Lead(other);
            }
        }
    }

    private static string Of(VoltWindow volts) =>
        volts.Min == volts.Max ? $"{volts.Max:0.0#} V" : $"{volts.Min:0.0#} to {volts.Max:0.0#} V";

    private Device PartOf(string device) => wired.Build.Devices.First(d => d.Id == device).Device;
}
