using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Half = Gorvix.Core.Plans.Routing.Half;

namespace Gorvix.Core.Wired.Loom;

/// <summary>Reads the wires of a wired build: where each goes, what for, how thick, how long, twisted with what.</summary>
internal sealed class WireReader(WiredBuild wired)
{
    private readonly Circuit _circuit = wired.Build.Circuit;
    private readonly IReadOnlyList<BridgeAt> _positions = wired.Positions();

    /// <summary>Every lead that is joined to something on purpose.</summary>
    public IReadOnlyList<LoomWire> Wires()
    {
        var used = wired.Leads.Where(IsWire).ToList();
        return [.. used.Select(l => Of(l, used))];
    }

    /// <summary>Every other lead.</summary>
    public IReadOnlyList<SpareLead> Spare() =>
        [
            .. wired
                .Leads.Where(l => !IsWire(l))
                .Select(l => new SpareLead(
                    l.Device,
                    DeviceOf(l.Device).Name,
                    l.Lead.Id,
                    l.Lead.Label,
                    l.Lead.Colour,
                    WireWords.Of(l, wired)
                )),
        ];

    /// <summary>The reels: gauge and colour of all that is joined with an iron.</summary>
    public static IReadOnlyList<WireCutLine> Cuts(IEnumerable<LoomWire> wires) =>
        [
            .. wires
                .Where(w => w.IsJoint)
                .GroupBy(w => (w.Gauge, w.Colour))
                .OrderBy(g => g.Key.Gauge)
                .ThenBy(g => g.Key.Colour, StringComparer.Ordinal)
                .Select(g => new WireCutLine(
                    g.Key.Gauge,
                    g.Key.Colour,
                    g.Sum(w => w.Pieces),
                    g.Sum(w => w.Pieces * w.Millimetres)
                )),
        ];

    /// <summary>The id of a lead's wire.</summary>
    public static string IdOf(WiredLead lead) => IdOf(lead.At);

    /// <summary>The id of a lead's wire.</summary>
    public static string IdOf(LeadAt lead) => $"{lead.Device} {lead.Lead}";

    // What feeds others has its wires from the other end.
    private static bool IsWire(WiredLead lead) => lead.IsUsed && (lead.Pad is not null || lead.To is not null);

    private LoomWire Of(WiredLead lead, List<WiredLead> used)
    {
        var cut = WireCuts.Of(wired, lead);
        return new LoomWire(
            IdOf(lead),
            lead.Device,
            DeviceOf(lead.Device).Name,
            lead.Lead.Id,
            lead.Lead.Label,
            lead.Lead.Colour,
            lead.State,
            lead.Pad?.Id,
            lead.Pad?.Side,
            lead.Pad is { } pad
                ? WireWords.Of(_circuit, pad)
                : $"{lead.To!.Lead.Label} of {DeviceOf(lead.To.Device).Name}",
            JobOf(lead),
            lead.Link,
            WireCuts.Load(wired, lead).Amps,
            cut.Gauge!.Value,
            cut.Millimetres,
            TwistOf(lead, used)
        )
        {
            AtShort = lead.Pad is { } on
                ? WireWords.Short(_circuit, on)
                : $"{lead.To!.Lead.Label} of {DeviceOf(lead.To.Device).Name}",
            Pieces = lead.Lead.Wires == PieceWires.Each ? DeviceOf(lead.Device).Pieces : 1,
        };
    }

    private Device DeviceOf(string id) => wired.Build.Devices.First(d => d.Id == id).Device;

    // Signals and supplies run beside the ground of their own device, the one nearest on the board (common practice).
    private string? TwistOf(WiredLead lead, List<WiredLead> used) =>
        lead.Lead.Role == LeadRole.Ground
            ? null
            : used.Where(g => g.Device == lead.Device && g.Lead.Role == LeadRole.Ground)
                .OrderBy(g =>
                    g.Pad is { } to && lead.Pad is { } from ? PadDistance.Between(wired.Build.Board, from, to) : 0
                )
                .Select(IdOf)
                .FirstOrDefault();

    private string JobOf(WiredLead lead)
    {
        var name = DeviceOf(lead.Device).Name;
        switch (lead.Lead.Role)
        {
            case LeadRole.Ground:
                return "ground";
            case LeadRole.Output:
                return Sentences.SupplyFrom(name);
            case LeadRole.Supply:
                return lead.To is { } to ? Sentences.SupplyFrom(DeviceOf(to.Device).Name) : $"supply{RailOf(lead)}";
        }
        if (lead.Link is not { } link || wired.Ports.FirstOrDefault(p => p.Link == link) is not { } port)
        {
            return Sentences.ConnectedByItsPlug;
        }
        var need = Phrase.Lower(PlainWords.Of(wired.Build.Links.First(l => l.Id == link).Function.Need));
        var flow = port.Mode.Lines.FirstOrDefault(l => l.Lead == lead.Lead.Id)?.Flow;
        var nets = Nets(lead.Pad!);
        return port.Port.Kind switch
        {
            PortKind.Bus =>
                $"{need}: {PortWords.Of(port.Port, port.Port.Clock is { } clock && nets.Contains(clock) ? Half.Clock : Half.Data)}",
            PortKind.Video when flow == Flow.Out => $"{need}: {name} → board",
            PortKind.Video => $"{need}: board → {name}",
            PortKind.Analogue when flow == Flow.Out => Sentences.AnalogueSignal(need, name, port.Port.Name),
            PortKind.Analogue => Sentences.AnalogueSignal(need, port.Port.Name, name),
            PortKind.Pulse => $"{need}: signal → {PortWords.Of(port.Port, Half.Rx)}",
            _ => $"{need}: {Talk(flow, port.Port)}",
        };
    }

    // From the device's end to the port's.
    private static string Talk(Flow? flow, Port port) =>
        flow switch
        {
            Flow.Out => $"TX → {PortWords.Of(port, Half.Rx)}",
            Flow.In => $"RX ← {PortWords.Of(port, Half.Tx)}",
            _ => Sentences.OneWireHalfDuplex(port.Name),
        };

    private string RailOf(WiredLead lead) =>
        _circuit.From(lead.Pad!).FirstOrDefault(s => s.To.Kind == NodeKind.Rail && s.Conducts(_positions)) is { } strand
            ? $", {_circuit.Rails[strand.To.Id].Label} rail"
            : "";

    private HashSet<string> Nets(Pad pad) =>
        [.. _circuit.From(pad).Where(s => s.To.Kind == NodeKind.Net && s.Conducts(_positions)).Select(s => s.To.Id)];
}
