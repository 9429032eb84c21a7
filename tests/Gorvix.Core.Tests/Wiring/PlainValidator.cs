using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>
/// Looks at a wired build as a suspicious friend would: wire by wire, with the part files in hand. It shares no
/// code with the router: it starts at the pads and asks what arrives at the controller.
/// </summary>
internal sealed class PlainValidator(WiredBuild wired)
{
    private readonly Board _board = wired.Build.Board;
    private readonly HouseRules _house = wired.Build.Build.House;

    /// <summary>Everything that is wrong; empty when the build would work.</summary>
    public static IReadOnlyList<string> Complaints(WiredBuild wired) =>
        [
            .. new PlainValidator(wired).OfWires(),
            .. new PlainValidator(wired).OfPorts(),
            .. new PlainValidator(wired).OfSupplies(),
        ];

    private List<string> OfWires()
    {
        var list = new List<string>();
        var users = new Dictionary<string, Port>();
        foreach (var wire in wired.Wires)
        {
            var port = wired.Ports.Single(p => p.Link == wire.Link);
            var line = LineOf(wire);
            var nets = wire.Pad.Paths.Where(p => p.Net is not null && Conducts(p)).ToList();
            if (nets.Count != 1)
            {
                list.Add($"{wire.Pad.Label} leads to {nets.Count} nets with the bridges as they stand");
                continue;
            }

            // Devices may share a bus, and nothing else.
            if (!users.TryAdd(nets[0].Net!, port.Port))
            {
                var other = users[nets[0].Net!];
                if (port.Port.Kind != PortKind.Bus || other.Id != port.Port.Id)
                {
                    list.Add($"{nets[0].Net} has two users");
                }
            }
            list.AddRange(OneWire(wire, port, line, nets[0]));
        }
        list.AddRange(
            from net in Unasked().Distinct().CountBy(u => u.Net)
            where net.Value > 1
            select $"{net.Value} leads drive {net.Key} unasked"
        );
        list.AddRange(
            from unasked in Unasked()
            where users.ContainsKey(unasked.Net)
            select $"{unasked.Lead} drives {unasked.Net} unasked"
        );
        return list;
    }

    private IEnumerable<string> OfPorts()
    {
        foreach (var port in wired.Ports)
        {
            if (port.Port.HeldBy is not null || port.Port.Kind == PortKind.Usb)
            {
                yield return $"{port.Port.Id} is held inside";
            }
            if (
                port.Port.Kind == PortKind.Software
                && (_house.Software == SoftwareUse.Never || port.Settings.Baud > 57600)
            )
            {
                yield return $"{port.Port.Id} is not wanted or too slow";
            }
        }
        foreach (var group in wired.Ports.GroupBy(p => p.Port.Id).Where(g => g.Count() > 1))
        {
            var users = group.ToList();
            if (users[0].Port.Kind == PortKind.Bus)
            {
                if (users.Select(u => ModeOf(u.Link).Address).Distinct().Count() < users.Count)
                {
                    yield return $"{group.Key} has one address twice";
                }
            }
            else if (users[0].Port.Kind == PortKind.Uart)
            {
                var lines = users.Select(u => (u.Settings.Baud, ProtocolCatalogue.Find(u.Settings.Protocol)!.Framing));
                var oneWay = users.All(u => wired.Wires.Count(w => w.Link == u.Link) == 1 && !u.Settings.HalfDuplex);
                if (_house.Sharing == PortSharing.Strict || !oneWay || lines.Distinct().Count() > 1)
                {
                    yield return $"{group.Key} has two jobs";
                }
            }
        }
    }

    private IEnumerable<string> OfSupplies()
    {
        if (wired.Build.Build.Pack is not { } pack)
        {
            yield break;
        }
        var (empty, full) = (pack.Cells * 3.3, pack.Cells * (pack.Chemistry == Chemistry.HighVoltage ? 4.35 : 4.2));
        (empty, full) = wired.Build.Build.InputVolts is { } input ? (input, input) : (empty, full);
        foreach (var wire in wired.Supplies)
        {
            var window = wired
                .Build.Devices.Single(d => d.Id == wire.Device)
                .Device.Supplies.Single(s => s.Lead == wire.Lead.Id)
                .Window;
            var live = wire.Pad.Paths.Where(p => p.Rail is not null && Conducts(p)).ToList();
            if (live.Count != 1)
            {
                yield return $"{wire.Pad.Label} is fed by {live.Count} rails";
                continue;
            }
            var (low, high) = (Volts(live[0].Rail!, empty), Volts(live[0].Rail!, full));
            if (low < window.Min || high > window.Max)
            {
                yield return $"{wire.Pad.Label} gives {low} to {high} V";
            }
        }
    }

    private double Volts(string rail, double battery)
    {
        var r = _board.Rails.Single(x => x.Id == rail);
        var input = r.From is null ? battery : Volts(r.From, battery);
        return r.Feed == RailFeed.Battery || r.Volts is null ? input
            : r.Feed == RailFeed.Booster ? r.Volts.Value
            : Math.Min(r.Volts.Value, input - r.Dropout);
    }

    private IEnumerable<string> OneWire(Wire wire, PortSet port, ModeLine line, PadPath path)
    {
        var able = _board.Controller is "F3" or "F7" or "G4" or "H7" && port.Port.Kind == PortKind.Uart;
        var (rx, tx) = port.Settings.SwapPins ? (port.Port.Tx, port.Port.Rx) : (port.Port.Rx, port.Port.Tx);
        if (port.Settings.SwapPins && !able)
        {
            yield return "this controller cannot swap pins";
        }
        var wanted = (port.Port.Kind, line.Flow) switch
        {
            (PortKind.Bus, Flow.Both) => [port.Port.Data],
            (PortKind.Bus, _) => [port.Port.Clock],
            (PortKind.Pulse, _) => [rx, .. port.Port.Channels],
            (_, Flow.Out) => new[] { rx },
            _ => [tx],
        };
        if (!wanted.Contains(path.Net))
        {
            yield return $"{wire.Lead.Label} is on the wrong half";
        }

        // A low level means "idle low": follow it through the inverters to the unit in the controller.
        var idlesHigh = (line.Polarity ?? ProtocolCatalogue.Find(port.Settings.Protocol)!.Idle) == Polarity.Normal;
        var volts = wire.Lead.DriveVolts;
        foreach (var element in path.Through)
        {
            idlesHigh ^= element is Inverter;
            volts = element switch
            {
                Divider d => volts * d.Ratio,
                Diode d => volts - d.Volts,
                _ => volts,
            };
            var passage = element switch
            {
                Inverter i => i.Direction,
                Diode d => d.Direction,
                Divider => Passage.ToController,
                _ => Passage.Both,
            };
            if (passage == Passage.ToController && line.Flow != Flow.Out)
            {
                yield return $"{wire.Lead.Label} cannot be driven from the controller";
            }
            if (passage == Passage.ToPad && line.Flow != Flow.In)
            {
                yield return $"{wire.Lead.Label} is not heard by the controller";
            }
        }
        var inverts = line.Flow == Flow.Out ? port.Settings.InvertRx : port.Settings.InvertTx;
        if (inverts && !able)
        {
            yield return "this controller cannot invert";
        }

        // Code reads either polarity, and so does a pulse input.
        if (port.Port.Kind is not (PortKind.Software or PortKind.Pulse) && idlesHigh == inverts)
        {
            yield return $"{wire.Lead.Label} idles low at the controller";
        }
        var net = _board.Nets.Single(n => n.Id == path.Net);
        if (line.Flow != Flow.In && (volts > net.MaxVolts || volts < 2))
        {
            yield return volts < 2 ? $"{wire.Lead.Label} is too faint" : $"{wire.Lead.Label} burns {path.Net}";
        }
        if (line.Flow != Flow.Out && wire.Lead.AtBoot == BootNeed.High && net.AtBoot != BootLevel.High)
        {
            if (_house.BootTrap != BootCure.PullUp)
            {
                yield return $"{wire.Lead.Label} falls into its loader";
            }
        }
    }

    // Leads that talk in a plug while the builder leaves unused leads in place; one on a net of its own link is told to leave.
    private IEnumerable<(string Lead, string Net, string Device)> Unasked() =>
        from device in wired.Build.Devices
        where _house.Unused == UnusedLeads.Leave && device.Device.Plug is not null
        from socket in _board.Plugs
        where socket.Family == device.Device.Plug!.Family
        from pair in device.Device.Plug!.Pins.Zip(socket.Pins)
        where wired.Wires.Any(w => w.Device == device.Id && socket.Pins.Any(p => p.Pad == w.Pad.Id))
        let lead = device.Device.Leads.SingleOrDefault(l => l.Id == pair.First.Lead)
        where lead?.Talks == TalkHabit.Always && !wired.Wires.Any(w => w.Device == device.Id && w.Lead.Id == lead.Id)
        from path in _board.Pads.Where(p => p.Id == pair.Second.Pad).SelectMany(p => p.Paths)
        where path.Net is not null && !ToldToLeave(device.Id, path.Net)
        select (lead.Label, path.Net, device.Id);

    private bool ToldToLeave(string device, string net) =>
        wired.Plan.Placements.Any(p =>
            p.Link.Want.Device == device
            && p.Route is { } route
            && route.Walks.Any(w => w.Pad.Paths.Any(x => x.Net == net))
            && route.Work.Any(w => w.Words.StartsWith("Lift") || w.Words.StartsWith("Move the pins"))
        );

    private Mode ModeOf(string link) => wired.Plan.Placements.Single(p => p.Link.Id == link).Route!.Mode;

    private ModeLine LineOf(Wire wire) => ModeOf(wire.Link).Lines.Single(l => l.Lead == wire.Lead.Id);

    private bool Conducts(PadPath path) =>
        path
            .Through.OfType<Contact>()
            .All(c => wired.Bridges.Single(b => b.Bridge.Id == c.Bridge).Position == c.Position);
}
