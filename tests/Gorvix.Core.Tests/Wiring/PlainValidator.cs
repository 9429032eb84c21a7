using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>
/// Looks at a wired build as a suspicious friend would: wire by wire, with the part files in hand. It shares no
/// code with the router: it starts at the pads and asks what arrives at the controller.
/// </summary>
internal static class PlainValidator
{
    /// <summary>Everything that is wrong; empty when the build would work.</summary>
    public static IReadOnlyList<string> Complaints(WiredBuild wired)
    {
        var list = new List<string>();
        var users = new Dictionary<string, string>();
        foreach (var wire in wired.Wires)
        {
            var port = wired.Ports.Single(p => p.Link == wire.Link);
            var line = LineOf(wired, wire);
            var nets = wire.Pad.Paths.Where(p => p.Net is not null && Conducts(wired, p)).ToList();
            if (nets.Count != 1)
            {
                list.Add($"{wire.Pad.Label} leads to {nets.Count} nets with the bridges as they stand");
                continue;
            }
            if (!users.TryAdd(nets[0].Net!, wire.Link))
            {
                list.Add($"{nets[0].Net} has two users");
            }
            list.AddRange(OneWire(wired, wire, port, line, nets[0]));
        }
        list.AddRange(
            from port in wired.Ports
            where port.Port.HeldBy is not null
            select $"{port.Port.Id} is held inside"
        );
        list.AddRange(
            from @group in wired.Ports.GroupBy(p => p.Port.Id)
            where @group.Count() > 1
            select $"{@group.Key} has two jobs"
        );
        return list;
    }

    private static IEnumerable<string> OneWire(WiredBuild wired, Wire wire, PortSet port, ModeLine line, PadPath path)
    {
        var able = wired.Build.Board.Controller is "F3" or "F7" or "G4" or "H7";
        var (rx, tx) = port.Settings.SwapPins ? (port.Port.Tx, port.Port.Rx) : (port.Port.Rx, port.Port.Tx);
        if (port.Settings.SwapPins && !able)
        {
            yield return "this controller cannot swap pins";
        }
        if (path.Net != (line.Flow == Flow.Out ? rx : tx))
        {
            yield return $"{wire.Lead.Label} is on the wrong half";
        }

        // A low level means "idle low": follow it through the inverters to the unit in the controller.
        var idlesHigh = (line.Polarity ?? ProtocolCatalogue.Find(port.Settings.Protocol)!.Idle) == Polarity.Normal;
        foreach (var inverter in path.Through.OfType<Inverter>())
        {
            idlesHigh = !idlesHigh;
            if (inverter.Direction == Passage.ToController && line.Flow != Flow.Out)
            {
                yield return $"{wire.Lead.Label} cannot be driven from the controller";
            }
            if (inverter.Direction == Passage.ToPad && line.Flow != Flow.In)
            {
                yield return $"{wire.Lead.Label} is not heard by the controller";
            }
        }
        var inverts = line.Flow == Flow.Out ? port.Settings.InvertRx : port.Settings.InvertTx;
        if (inverts && !able)
        {
            yield return "this controller cannot invert";
        }
        if (idlesHigh == inverts)
        {
            yield return $"{wire.Lead.Label} idles low at the controller";
        }
        var stands = wired.Build.Board.Nets.Single(n => n.Id == path.Net).MaxVolts;
        if (line.Flow != Flow.In && wire.Lead.DriveVolts > stands)
        {
            yield return $"{wire.Lead.Label} burns {path.Net}";
        }
    }

    private static ModeLine LineOf(WiredBuild wired, Wire wire)
    {
        var route = wired.Plan.Placements.Single(p => p.Link.Id == wire.Link).Route!;
        return route.Mode.Lines.Single(l => l.Lead == wire.Lead.Id);
    }

    private static bool Conducts(WiredBuild wired, PadPath path) =>
        path
            .Through.OfType<Contact>()
            .All(c => wired.Bridges.Single(b => b.Bridge.Id == c.Bridge).Position == c.Position);
}
