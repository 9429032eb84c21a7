using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>
/// Looks at a wired build as a suspicious friend would, with the part files and a meter in hand. Written from docs/format.md
/// alone: it puts every plug into its socket as it comes, moves and takes out only what the build says, and then asks at every
/// lead what it touches. It shares no code with the circuit, the router or the planner.
/// </summary>
internal sealed class PlainWalker
{
    private readonly WiredBuild _wired;
    private readonly Board _board;
    private readonly HouseRules _house;
    private readonly List<string> _complaints = [];
    private readonly List<(string Device, Lead Lead, Pad Pad)> _touching = [];
    private readonly (double Empty, double Full)? _source;

    private PlainWalker(WiredBuild wired)
    {
        (_wired, _board, _house) = (wired, wired.Build.Board, wired.Build.Build.House);
        var build = wired.Build.Build;
        _source =
            build.InputVolts is { } input ? (input, input)
            : build.Pack is { } pack
                ? (pack.Cells * 3.3, pack.Cells * (pack.Chemistry == Chemistry.HighVoltage ? 4.35 : 4.2))
            : null;
    }

    /// <summary>Everything that is wrong; empty when the build would work.</summary>
    public static IReadOnlyList<string> Complaints(WiredBuild wired)
    {
        var walker = new PlainWalker(wired);
        walker.PlugIn();
        walker.Touches();
        walker.Nets();
        walker.Links();
        walker.Ports();
        walker.Supplies();
        return walker._complaints;
    }

    /// <summary>True when a supply lead gets what it takes.</summary>
    public static bool IsFed(WiredBuild wired, string device, SupplyInput supply)
    {
        var walker = new PlainWalker(wired);
        walker.PlugIn();
        return walker.IsFed(device, supply);
    }

    private void Say(string what) => _complaints.Add(what);

    private Device Part(string device) => _wired.Build.Devices.Single(d => d.Id == device).Device;

    private WiredLead Of(string device, string lead) =>
        _wired.Leads.Single(l => l.Device == device && l.Lead.Id == lead);

    // Plug by plug, cavity by cavity.
    private void PlugIn()
    {
        var inSocket = new Dictionary<string, string>();
        foreach (var seat in _wired.Seats)
        {
            var part = Part(seat.Device);
            var socket = seat.Seat.Socket is { } s ? _board.Plugs.Single(p => p.Id == s.Id) : null;
            if (socket is not null && !inSocket.TryAdd(socket.Id, seat.Device))
            {
                Say($"{socket.Id} has two plugs");
            }
            if (
                socket is not null
                && (part.Plug is null || socket.Family != part.Plug.Family || part.Plug.Pins.Count > socket.Pins.Count)
            )
            {
                Say($"the plug of {seat.Device} does not go into {socket.Id}");
                continue;
            }
            var cavities = new Dictionary<int, string>();
            foreach (var lead in part.Leads)
            {
                var now = Of(seat.Device, lead.Id);
                var home = part.Plug is null ? -1 : part.Plug.Pins.ToList().FindIndex(p => p.Lead == lead.Id);
                switch (now.State)
                {
                    case LeadState.InPlace:
                    case LeadState.Moved:
                        var cavity = now.State == LeadState.InPlace ? home : now.Cavity!.Value - 1;
                        if (socket is null || home < 0 || cavity >= part.Plug!.Pins.Count)
                        {
                            Say($"{lead.Id} of {seat.Device} is in no cavity");
                        }
                        else if (!cavities.TryAdd(cavity, lead.Id))
                        {
                            Say($"two leads of {seat.Device} are in cavity {cavity}");
                        }
                        else if (socket.Pins[cavity].Pad is { } pin)
                        {
                            _touching.Add((seat.Device, lead, _board.Pads.Single(p => p.Id == pin)));
                        }
                        break;
                    case LeadState.Soldered:
                    case LeadState.OnTail:
                        _touching.Add((seat.Device, lead, now.Pad!));
                        break;
                    case LeadState.InHarness when socket is not null:
                        Say($"{lead.Id} of {seat.Device} is in a plug that is seated, and nothing is said of it");
                        break;
                }
            }
        }
        foreach (var lead in _wired.Leads.Where(l => l.State is LeadState.Soldered or LeadState.OnTail))
        {
            var pin = _board.Plugs.FirstOrDefault(p => p.Pins.Any(x => x.Pad == lead.Pad!.Id));
            if (pin is not null && inSocket.ContainsKey(pin.Id))
            {
                Say($"{lead.Lead.Id} is soldered to a pin of {pin.Id}, in which a plug sits");
            }
            if (lead.Pad!.Meaning == PadMeaning.NotConnected)
            {
                Say($"{lead.Lead.Id} is on a pad that is never connected");
            }
        }
    }

    private IEnumerable<PadPath> Conducting(Pad pad) =>
        pad.Meaning == PadMeaning.NotConnected
            ? []
            : pad.Paths.Where(p =>
                p.Through.OfType<Contact>()
                    .All(c => _wired.Bridges.Single(b => b.Bridge.Id == c.Bridge).Positions.Contains(c.Position))
            );

    // Volts that come out of a pad over a path from a rail, at the empty and at the full end; null when nothing comes.
    private (double Empty, double Full)? Out(PadPath path)
    {
        if (_source is not { } source)
        {
            return null;
        }
        var (low, high) = (Volts(path.Rail!, source.Empty), Volts(path.Rail!, source.Full));
        foreach (var element in path.Through)
        {
            switch (element)
            {
                case Diode { Direction: Passage.ToController } or Inverter or Divider:
                    return null;
                case Diode diode:
                    (low, high) = (Math.Max(0, low - diode.Volts), Math.Max(0, high - diode.Volts));
                    break;
            }
        }
        return path.Through.OfType<Resistor>().Sum(r => r.Ohms) > 10 ? null : (low, high);
    }

    private double Volts(string rail, double battery)
    {
        var r = _board.Rails.Single(x => x.Id == rail);
        var input = r.From is null ? battery : Volts(r.From, battery);
        return r.Feed == RailFeed.Ground ? 0
            : r.Feed == RailFeed.Battery || r.Volts is null ? input
            : r.Feed == RailFeed.Booster ? r.Volts.Value
            : Math.Max(0, Math.Min(r.Volts.Value, input - r.Dropout));
    }

    private bool IsGround(PadPath path) =>
        path.Rail is { } rail && _board.Rails.Single(r => r.Id == rail).Feed == RailFeed.Ground;

    // True when current could flow from the rail to the pad at all, whatever the volts.
    private static bool Live(PadPath path) =>
        path.Through.All(e => e is not (Diode { Direction: Passage.ToController } or Inverter or Divider))
        && path.Through.OfType<Resistor>().Sum(r => r.Ohms) < 1000;

    // What a meter says at each lead.
    private void Touches()
    {
        foreach (var (device, lead, pad) in _touching)
        {
            var here = $"{lead.Id} of {device} on {pad.Label}";
            var paths = Conducting(pad).ToList();
            var rails = paths.Where(p => p.Rail is not null && Live(p)).ToList();
            var nets = paths.Where(p => p.Net is not null).ToList();
            switch (lead.Role)
            {
                case LeadRole.Ground when rails.Any(p => !IsGround(p)) || nets.Count > 0:
                    Say($"{here}: ground meets something else");
                    break;
                case LeadRole.Supply:
                    if (nets.Count > 0 || rails.Any(IsGround))
                    {
                        Say($"{here}: a supply meets a net or ground");
                    }
                    if (rails.Select(r => r.Rail).Distinct().Count() > 1)
                    {
                        Say($"{here}: two rails are tied");
                    }
                    var window = Part(device).Supplies.SingleOrDefault(s => s.Lead == lead.Id)?.Window;
                    if (window is not null && rails.Select(Out).Any(v => v?.Full > window.Max))
                    {
                        Say($"{here}: too many volts");
                    }
                    break;
                case LeadRole.Signal or LeadRole.Sense or LeadRole.Picture when rails.Count > 0:
                    Say($"{here}: a signal meets a rail");
                    break;
            }
        }
    }

    private PortSet? PortOf(WiredLead lead) => _wired.Ports.SingleOrDefault(p => p.Link == lead.Link);

    private ModeLine? LineOf(string device, Lead lead) =>
        Of(device, lead.Id) is { Link: not null } wired
            ? PortOf(wired)?.Mode.Lines.SingleOrDefault(l => l.Lead == lead.Id)
            : null;

    private bool Talks(string device, Lead lead) =>
        LineOf(device, lead) is { } line
            ? line.Flow != Flow.In
            : lead.Role == LeadRole.Sense
                || (lead.Role == LeadRole.Signal && lead.Talks == TalkHabit.Always)
                || (
                    lead.Role == LeadRole.Picture
                    && Part(device)
                        .Functions.SelectMany(f => f.Modes)
                        .Any(m => m.Lines.Any(l => l.Lead == lead.Id && l.Flow != Flow.In))
                );

    // Who is on each net, and who drives it.
    private void Nets()
    {
        var ports = _board.Ports.SelectMany(p => p.Nets).ToHashSet();
        foreach (var net in _board.Nets)
        {
            var here = (
                from t in _touching
                from path in Conducting(t.Pad)
                where path.Net == net.Id
                select (t.Device, t.Lead, Path: path)
            ).ToList();
            foreach (var (device, lead, path) in here.Where(h => Talks(h.Device, h.Lead)))
            {
                if (Arrives(lead.DriveVolts, path) > net.MaxVolts + 1e-9)
                {
                    Say($"{lead.Id} of {device} burns {net.Id}");
                }
            }
            if (!ports.Contains(net.Id))
            {
                continue;
            }
            var bus = _wired.Ports.Any(p => p.Port.Kind == PortKind.Bus && p.Port.Nets.Contains(net.Id));
            var users = here.Where(h => LineOf(h.Device, h.Lead) is not null).ToList();
            var drivers = here.Where(h => Talks(h.Device, h.Lead) && Reaches(h.Path)).ToList();
            var board = users.Any(u => LineOf(u.Device, u.Lead)!.Flow != Flow.Out);
            if (bus)
            {
                if (drivers.Any(d => LineOf(d.Device, d.Lead) is null))
                {
                    Say($"{net.Id}: a lead that is no part of the bus talks on it");
                }
                continue;
            }
            if (users.Count > 1)
            {
                Say($"{net.Id} has two users");
            }
            if (drivers.Count > 1 || (board && drivers.Any(d => LineOf(d.Device, d.Lead) is null)))
            {
                Say($"{net.Id} has two talkers: {string.Join(", ", drivers.Select(d => $"{d.Device} {d.Lead.Id}"))}");
            }
        }
    }

    private static bool Reaches(PadPath path) =>
        path.Through.All(e => e is not (Inverter { Direction: Passage.ToPad } or Diode { Direction: Passage.ToPad }));

    private static double Arrives(double volts, PadPath path) =>
        path.Through.Aggregate(
            volts,
            (v, e) =>
                e switch
                {
                    Divider d => v * d.Ratio,
                    Diode d => v - d.Volts,
                    _ => v,
                }
        );

    // Each line of each link: right half, right way up, high enough both ways.
    private void Links()
    {
        foreach (var port in _wired.Ports)
        {
            var device = _wired.Build.Links.Single(l => l.Id == port.Link).Want.Device;
            foreach (var (i, line) in port.Mode.Lines.Index())
            {
                var lead = Part(device).Leads.Single(l => l.Id == line.Lead);
                var here = $"{lead.Id} of {device}";
                var touching = _touching.Where(t => t.Device == device && t.Lead.Id == lead.Id).ToList();
                if (touching.Count != 1 || Of(device, lead.Id).Link != port.Link)
                {
                    Say($"{here} touches {touching.Count} pads");
                    continue;
                }
                var net = NetFor(port, line, i);
                var paths = Conducting(touching[0].Pad).Where(p => p.Net == net).ToList();
                if (paths.Count != 1)
                {
                    Say($"{here} reaches {net} in {paths.Count} ways");
                    continue;
                }
                Line(here, lead, line, port, paths[0]);
            }
        }
    }

    private static string? NetFor(PortSet port, ModeLine line, int index)
    {
        var (rx, tx) = port.Settings.SwapPins ? (port.Port.Tx, port.Port.Rx) : (port.Port.Rx, port.Port.Tx);
        return (port.Port.Kind, line.Flow) switch
        {
            (PortKind.Bus, Flow.Both) => port.Port.Data,
            (PortKind.Bus, _) => port.Port.Clock,
            (PortKind.Pulse, _) when port.Port.Channels.Count > 0 && port.Mode.Protocol == "PWM" => port.Port.Channels[
                index
            ],
            (_, Flow.Out) => rx,
            _ => tx,
        };
    }

    private void Line(string here, Lead lead, ModeLine line, PortSet port, PadPath path)
    {
        var able = _board.Controller is "F3" or "F7" or "G4" or "H7" && port.Port.Kind == PortKind.Uart;
        if (port.Settings.SwapPins && !able)
        {
            Say("this controller cannot swap pins");
        }
        var idlesHigh = (line.Polarity ?? ProtocolCatalogue.Find(port.Settings.Protocol)!.Idle) == Polarity.Normal;
        foreach (var element in path.Through)
        {
            idlesHigh ^= element is Inverter;
            var passage = element switch
            {
                Inverter i => i.Direction,
                Diode d => d.Direction,
                Divider => Passage.ToController,
                _ => Passage.Both,
            };
            if (passage == Passage.ToController && line.Flow != Flow.Out)
            {
                Say($"{here} cannot be driven from the controller");
            }
            if (passage == Passage.ToPad && line.Flow != Flow.In)
            {
                Say($"{here} is not heard by the controller");
            }
        }
        var inverts = line.Flow == Flow.Out ? port.Settings.InvertRx : port.Settings.InvertTx;
        if (inverts && !able)
        {
            Say("this controller cannot invert");
        }

        // Code reads either polarity, and so does a pulse input.
        if (port.Port.Kind is not (PortKind.Software or PortKind.Pulse) && idlesHigh == inverts)
        {
            Say($"{here} idles low at the controller");
        }
        var net = _board.Nets.Single(n => n.Id == path.Net);
        if (line.Flow != Flow.In && Arrives(lead.DriveVolts, path) < 2)
        {
            Say($"{here} is too faint for the board");
        }
        if (
            line.Flow != Flow.Out
            && port.Port.Kind is not (PortKind.Bus or PortKind.Picture)
            && Arrives(3.3, path) < Math.Min(3.3, lead.HighFromVolts ?? 2)
        )
        {
            Say($"{here} gets too faint a level");
        }
        if (
            line.Flow != Flow.Out
            && lead.AtBoot == BootNeed.High
            && net.AtBoot != BootLevel.High
            && _house.BootTrap != BootCure.PullUp
        )
        {
            Say($"{here} falls into its loader");
        }
    }

    private void Ports()
    {
        foreach (var port in _wired.Ports)
        {
            if (port.Port.HeldBy is not null || port.Port.Kind == PortKind.Usb)
            {
                Say($"{port.Port.Id} is held inside");
            }
            if (
                port.Port.Kind == PortKind.Software
                && (_house.Software == SoftwareUse.Never || port.Settings.Baud > 57600)
            )
            {
                Say($"{port.Port.Id} is not wanted or too slow");
            }
        }
        foreach (var group in _wired.Ports.GroupBy(p => p.Port.Id).Where(g => g.Count() > 1))
        {
            var users = group.ToList();
            if (users[0].Port.Kind == PortKind.Bus)
            {
                if (users.Select(u => u.Mode.Address).Distinct().Count() < users.Count)
                {
                    Say($"{group.Key} has one address twice");
                }
            }
            else if (users[0].Port.Kind == PortKind.Uart)
            {
                var lines = users.Select(u => (u.Settings.Baud, ProtocolCatalogue.Find(u.Settings.Protocol)!.Framing));
                var oneWay = users.All(u => u.Mode.Lines.Count == 1 && !u.Settings.HalfDuplex);
                if (_house.Sharing == PortSharing.Strict || !oneWay || lines.Distinct().Count() > 1)
                {
                    Say($"{group.Key} has two jobs");
                }
                if (users.Select(u => u.Settings.SwapPins).Distinct().Count() > 1)
                {
                    Say($"{group.Key} has its pins swapped for one user and not for the other");
                }
                if (users.Select(u => u.Mode.Lines[0].Flow).Distinct().Count() < users.Count)
                {
                    Say($"{group.Key} would listen or talk twice");
                }
            }
        }
    }

    // A device that carries something has its supplies and its ground; one that is fed at all has its ground.
    private void Supplies()
    {
        foreach (var device in _wired.Build.Devices)
        {
            var carries = _wired.Ports.Any(p =>
                _wired.Build.Links.Single(l => l.Id == p.Link).Want.Device == device.Id
            );
            var fed = device.Device.Supplies.Where(s => IsFed(device.Id, s)).ToList();
            if (_source is not null && carries && fed.Count < device.Device.Supplies.Count)
            {
                Say($"{device.Id} carries a link and is not fed");
            }
            var hasGround = _touching.Any(t =>
                t.Device == device.Id
                && t.Lead.Role == LeadRole.Ground
                && Conducting(t.Pad).Any(p => IsGround(p) && p.Through.Count == 0)
            );
            var could =
                device.Device.Leads.Any(l => l.Role == LeadRole.Ground)
                && _board.Pads.Any(p =>
                    p.Meaning != PadMeaning.NotConnected
                    && p.Paths.Any(x => IsGround(x) && x.Through.Count == 0)
                    && !_board.Plugs.Any(s => s.Pins.Any(q => q.Pad == p.Id))
                );
            if ((carries || fed.Count > 0) && could && !hasGround)
            {
                Say($"{device.Id} has no ground");
            }
        }
    }

    private bool IsFed(string device, SupplyInput supply) =>
        _touching.Any(t =>
            t.Device == device
            && t.Lead.Id == supply.Lead
            && Conducting(t.Pad)
                .Where(p => p.Rail is not null && !IsGround(p))
                .Select(Out)
                .Any(v => v is { } volts && volts.Empty >= supply.Window.Min && volts.Full <= supply.Window.Max)
        );
}
