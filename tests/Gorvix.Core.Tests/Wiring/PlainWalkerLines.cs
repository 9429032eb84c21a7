using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>Signals: who is on each net, what becomes of each line, and what each port is asked to do.</summary>
internal sealed partial class PlainWalker
{
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
                    lead.Role == LeadRole.Video
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
            if (users.Count > 1 && !users.All(u => TakesTurns(u.Device, u.Lead)))
            {
                Say($"{net.Id} has two users");
            }
            if (
                (drivers.Count > 1 && !drivers.All(d => TakesTurns(d.Device, d.Lead)))
                || (board && drivers.Any(d => LineOf(d.Device, d.Lead) is null))
            )
            {
                Say($"{net.Id} has two talkers: {string.Join(", ", drivers.Select(d => $"{d.Device} {d.Lead.Id}"))}");
            }
        }
    }

    // What talks only when it is asked may share its wire with others of its kind.
    private bool TakesTurns(string device, Lead lead) =>
        LineOf(device, lead) is not null
        && ProtocolCatalogue.Find(PortOf(Of(device, lead.Id))!.Mode.Protocol)!.Turn == Turn.WhenAsked;

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
        var (listens, talks) = port.Port.Alternatives.SingleOrDefault(a => a.Name == port.Settings.Pins) is { } other
            ? (other.Rx, other.Tx)
            : (port.Port.Rx, port.Port.Tx);
        var (rx, tx) = port.Settings.SwapPins ? (talks, listens) : (listens, talks);
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
        if (inverts && !able && port.Port.Kind != PortKind.Software)
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
            && port.Port.Kind is not (PortKind.Bus or PortKind.Video)
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

    // What a firmware knows, what it may do on one port only, what rides where, and what its clock makes.
    private void Jobs()
    {
        var firmware = _wired.Build.Firmware;
        foreach (var port in _wired.Ports)
        {
            var protocol = ProtocolCatalogue.Find(port.Settings.Protocol)!;
            if (protocol.Id != port.Mode.Protocol || protocol.Job != port.Settings.Job)
            {
                Say($"{port.Port.Id} is set to another job than its link needs");
            }
            if (firmware is not null && !firmware.Jobs.Contains(port.Settings.Job))
            {
                Say($"the firmware does not know the job of {port.Port.Id}");
            }
            if (port.Settings.Baud is { } baud)
            {
                Bauds(port, protocol, baud);
            }
        }
        static PortJob One(PortJob job) => job == PortJob.PulseInput ? PortJob.ReceiverInput : job;
        foreach (var job in _wired.Ports.GroupBy(p => One(p.Settings.Job)))
        {
            var single = job.Key == PortJob.ReceiverInput || firmware?.Single.Contains(job.Key) == true;
            if (single && job.Select(p => p.Port.Id).Distinct().Count() > 1)
            {
                Say($"two ports have the job {job.Key}");
            }
        }
        foreach (var ride in _wired.Rides.Where(r => _wired.Ports.All(p => p.Link != r.In)))
        {
            Say($"{ride.Link} rides in {ride.In}, which is nowhere");
        }
        foreach (var pair in _wired.Ports.GroupBy(p => p.Port.Id).Where(g => g.Count() == 2 && firmware is not null))
        {
            var (a, b) = (pair.First().Settings.Job, pair.Last().Settings.Job);
            if (
                pair.First().Port.Kind == PortKind.Uart
                && a != b
                && !firmware!.Shares.Any(s => (s.Rx == a && s.Tx == b) || (s.Rx == b && s.Tx == a))
            )
            {
                Say($"the firmware does not let {a} and {b} share {pair.Key}");
            }
        }
    }

    // Can both ends be set to it, does the clock divide down to it, and do the frames fit?
    private void Bauds(PortSet port, Protocol protocol, int baud)
    {
        var known = port.Mode.Bauds.Count > 0 ? port.Mode.Bauds : [protocol.Bauds[0]];
        if (!known.Contains(baud))
        {
            Say($"{port.Port.Id} runs at {baud} baud and its device does not");
        }
        var device = Part(_wired.Build.Links.Single(l => l.Id == port.Link).Want.Device);
        if (port.Mode.PacketHertz is { } rate && protocol.FrameBytes is { } bytes)
        {
            // Eight data bits, a start bit, parity and stop bits: 10 for 8N1, 11 for 8N2, 12 for 8E2.
            var bits =
                protocol.Framing == Framing.EightE2 ? 12
                : protocol.Framing == Framing.EightN2 ? 11
                : 10;
            if (bytes * bits * device.Pieces / (double)baud > 1 / rate)
            {
                Say($"the frames on {port.Port.Id} do not fit");
            }
        }
        if (port.Port.Kind != PortKind.Uart)
        {
            return;
        }
        var usual = _board.Controller switch
        {
            "F1" => (36.0, 16),
            "F3" => (36.0, 8),
            "F4" => (42.0, 8),
            "F7" => (54.0, 8),
            "G4" => (170.0, 8),
            _ => (120.0, 8),
        };
        var ticks = (port.Port.ClockMegahertz ?? usual.Item1) * 1e6 / baud;
        var whole = Math.Max(1, Math.Floor(ticks + 0.5));
        if (whole < usual.Item2 || Math.Abs((ticks / whole) - 1) > 0.02)
        {
            Say($"the clock of {port.Port.Id} does not make {baud} baud");
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
        Jobs();
        foreach (var group in _wired.Ports.GroupBy(p => p.Port.Id).Where(g => g.Count() > 1))
        {
            var users = group.ToList();
            if (users.All(u => ProtocolCatalogue.Find(u.Mode.Protocol)!.Turn == Turn.WhenAsked))
            {
                if (users.Select(u => (u.Settings.Baud, u.Settings.Protocol, u.Settings.Pins)).Distinct().Count() > 1)
                {
                    Say($"{group.Key} asks in two ways");
                }
            }
            else if (users[0].Port.Kind == PortKind.Bus)
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
                if (_house.Sharing == PortSharing.OnePerPort || !oneWay || lines.Distinct().Count() > 1)
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
}
