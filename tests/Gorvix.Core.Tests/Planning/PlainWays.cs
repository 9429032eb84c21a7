using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Wiring;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// The best plan of a very small build without router and planner: every bridge in every position, every plug in every socket or
/// in none, every lead in its cavity, in another one, on every pad that it could mean, or out; every mode, port and switch for every
/// link. What <see cref="PlainWalker"/> has nothing to say against counts, at a price counted by hand.
/// </summary>
internal sealed class PlainWays(ResolvedBuild build)
{
    private readonly Board _board = build.Board;
    private readonly bool _able = build.Board.Controller is "F3" or "F7" or "G4" or "H7";
    private PlanCost _best;

    /// <summary>How many wired builds were looked at.</summary>
    public int Looked { get; private set; }

    /// <summary>The least price of all that is no dearer than something; where nothing is, it is told as just above.</summary>
    /// <param name="most">What is said to be the least price: what comes to more need not be looked at.</param>
    public PlanCost Best(PlanCost most)
    {
        _best = most + PlanCost.Of(Enum.GetValues<CostTerm>()[^1], 1);
        foreach (var bridges in Product(_board.Bridges, b => b.Positions))
        {
            foreach (var seats in Product(build.Devices, Seats).Where(s => Apart(s.OfType<Socket>())))
            {
                foreach (var ports in Product(build.Links, Ports))
                {
                    Wire(bridges, seats, ports);
                }
            }
        }
        return _best;
    }

    private static bool Apart(IEnumerable<Socket> sockets) => sockets.CountBy(s => s.Id).All(c => c.Value == 1);

    private static IEnumerable<IReadOnlyList<TChoice>> Product<T, TChoice>(
        IReadOnlyList<T> items,
        Func<T, IEnumerable<TChoice>> choices
    ) =>
        items.Aggregate<T, IEnumerable<IReadOnlyList<TChoice>>>(
            [
                [],
            ],
            (all, item) => all.SelectMany(a => choices(item).Select(c => (IReadOnlyList<TChoice>)[.. a, c]))
        );

    private IEnumerable<Socket?> Seats(DeviceInBuild device) =>
        build
            .Circuit.Sockets.Where(s =>
                s.Family == device.Device.Plug?.Family
                && s.Pads.Count >= device.Device.Plug.Pins.Count
                && (device.Device.Plug.Pins.Any(p => p.Lead is not null) || device.Device.Plug.Free.Count > 0)
            )
            .Append(null);

    private IEnumerable<PortSet?> Ports(Link link)
    {
        bool[] either = _able ? [false, true] : [false];
        foreach (var mode in link.Function.Modes)
        {
            var protocol = ProtocolCatalogue.Find(mode.Protocol)!;
            foreach (var port in _board.Ports)
            {
                foreach (var turn in Product(["rx", "tx", "swap"], _ => either))
                {
                    // A switch of a half that carries nothing makes nothing better.
                    if (
                        (turn[0] && mode.Lines.All(l => l.Flow != Flow.Out))
                        || (turn[1] && mode.Lines.All(l => l.Flow == Flow.Out))
                    )
                    {
                        continue;
                    }
                    var half = protocol.Use == LineUse.OneWire;
                    var settings = new PortSettings(
                        protocol.Job,
                        protocol.Id,
                        protocol.Bauds[0],
                        turn[0],
                        turn[1],
                        half,
                        turn[2]
                    );
                    yield return new PortSet(link.Id, port, mode, settings);
                }
            }
        }
        yield return null;
    }

    private void Wire(IReadOnlyList<string> bridges, IReadOnlyList<Socket?> seats, IReadOnlyList<PortSet?> ports)
    {
        var cost =
            Of(bridges) + ports.Index().Aggregate(PlanCost.Zero, (sum, p) => sum + Of(build.Links[p.Index], p.Item));
        var whole = ports.OfType<PortSet>().Select(p => p.Port).Distinct().Count(p => HasPad(p.Rx) && HasPad(p.Tx));
        cost += PlanCost.Of(CostTerm.WholePorts, whole);
        if (cost >= _best)
        {
            return;
        }
        var leads = build
            .Devices.SelectMany((d, i) => d.Device.Leads.Select(l => (Device: d, Lead: l, Seat: seats[i])))
            .ToList();
        var frame = new WiredBuild(
            build,
            [.. build.Devices.Select((d, i) => new WiredSeat(d.Id, new Seat(KindOf(d, seats[i]), seats[i])))],
            [],
            [.. _board.Bridges.Select((b, i) => new BridgeSet(b, [bridges[i]]))],
            [.. ports.OfType<PortSet>()],
            new Sources(null, build.Build.Pack)
        );
        // What is wrong with one lead alone need not be tried with all the others.
        var places = leads.ConvertAll(l =>
            Places(l.Device, l.Lead, l.Seat, ports)
                .Where(p => p.Lead.Pad is not { } pad || PlainWalker.IsSoundAlone(frame, l.Device.Id, l.Lead, pad))
                .ToList()
        );
        var chosen = new List<WiredLead>();
        void Try(PlanCost sum)
        {
            if (sum >= _best)
            {
                return;
            }
            if (chosen.Count < leads.Count)
            {
                foreach (var (wired, points) in places[chosen.Count])
                {
                    chosen.Add(wired);
                    Try(sum + PlanCost.Of(CostTerm.HandWork, points));
                    chosen.RemoveAt(chosen.Count - 1);
                }
                return;
            }
            Judge(sum, frame, chosen);
        }
        Try(cost);
    }

    private void Judge(PlanCost cost, WiredBuild frame, IReadOnlyList<WiredLead> leads)
    {
        Looked++;
        cost += PlanCost.Of(
            CostTerm.HandWork,
            2 * leads.Where(l => l.State == LeadState.OnTail).Select(l => l.Socket!.Id).Distinct().Count()
        );
        foreach (var seat in frame.Seats)
        {
            var own = leads.Where(l => l.Device == seat.Device);
            if (seat.Seat.Kind == SeatKind.Loose && own.All(l => l.Pad is null))
            {
                // Left off: the last way out.
                cost += PlanCost.Of(CostTerm.Unfed, 1);
            }
            else if (seat.Seat.Kind != SeatKind.Bare && !own.Any(IsGrounded))
            {
                return;
            }
        }
        if (cost >= _best)
        {
            return;
        }
        var walker = PlainWalker.At(frame with { Leads = [.. leads] });
        foreach (var device in build.Devices)
        {
            foreach (var supply in device.Device.Supplies)
            {
                cost += walker.IsFed(device.Id, supply)
                    ? PlanCost.Of(
                        CostTerm.AgainstHouse,
                        Against(leads.Single(l => l.Device == device.Id && l.Lead.Id == supply.Lead).Pad!)
                    )
                    : PlanCost.Of(CostTerm.Unfed, 1);
            }
        }
        if (cost < _best && walker.IsSound())
        {
            _best = cost;
        }
    }

    private SeatKind KindOf(DeviceInBuild device, Socket? seat) =>
        seat is not null ? SeatKind.Seated
        : Seats(device).Any(s => s is not null) ? SeatKind.Loose
        : SeatKind.Bare;

    private bool IsGrounded(WiredLead lead) =>
        lead is { Lead.Role: LeadRole.Ground, Pad: { } pad }
        && pad.Paths.Any(p => p.Through.Count == 0 && RailOf(p)?.Feed == RailFeed.Ground);

    private Rail? RailOf(PadPath path) => _board.Rails.FirstOrDefault(r => r.Id == path.Rail);

    // The school of the house: a receiver hangs on what lives on USB.
    private int Against(Pad pad) =>
        pad.Paths.Select(RailOf).OfType<Rail>().Any(r => r.Feed == RailFeed.RegulatorOrUsb)
        == (build.Build.House.Receiver == ReceiverSupply.LiveOnUsb)
            ? 0
            : 1;

    // Every pad that the lead could mean, its own cavity, and out; with the points.
    private IEnumerable<(WiredLead Lead, int Minutes)> Places(
        DeviceInBuild device,
        Lead lead,
        Socket? seat,
        IReadOnlyList<PortSet?> ports
    )
    {
        var port = ports
            .OfType<PortSet>()
            .FirstOrDefault(p =>
                build.Links.Single(l => l.Id == p.Link).Want.Device == device.Id
                && p.Mode.Lines.Any(l => l.Lead == lead.Id)
            );
        var home = device.Device.Plug is { } plug ? plug.Pins.ToList().FindIndex(p => p.Lead == lead.Id) : -1;
        var inPlug = home >= 0 && KindOf(device, seat) != SeatKind.Bare;
        var free = device.Device.Plug?.Free.Contains(lead.Id) == true;
        foreach (var pad in _board.Pads.Where(p => p.Paths.Any(path => Means(lead, port, path))))
        {
            var socket = build.Circuit.Sockets.FirstOrDefault(s => s.Pads.Any(p => p?.Id == pad.Id));
            var cavity = socket?.Pads.ToList().FindIndex(p => p?.Id == pad.Id) + 1;
            var here = socket is not null && socket == seat;
            var state =
                socket is null ? LeadState.Soldered
                : !here ? LeadState.OnTail
                : cavity == home + 1 ? LeadState.InPlace
                : LeadState.Moved;
            if ((here && home < 0 && !free) || (state == LeadState.InPlace && port is null))
            {
                continue;
            }
            var points = state switch
            {
                LeadState.InPlace => 0,
                LeadState.Moved => 1,
                _ => inPlug ? 4
                : free && KindOf(device, seat) != SeatKind.Bare ? 3
                : 0,
            };
            yield return (new WiredLead(device.Id, lead, state, pad, socket, cavity, port?.Link), points);
        }
        if (port is null)
        {
            // Nobody needs it: it may stay where it is, if it does not talk there.
            if (seat is not null && home >= 0 && !LeavesUnasked(lead, seat.Pads[home]))
            {
                yield return (new WiredLead(device.Id, lead, LeadState.InPlace, seat.Pads[home], seat, home + 1), 0);
            }
            var out_ =
                home < 0 ? LeadState.Open
                : seat is null ? LeadState.InHarness
                : LeadState.Lifted;
            yield return (new WiredLead(device.Id, lead, out_), out_ == LeadState.Lifted ? 1 : 0);
        }
    }

    // What nobody has said to be silent may talk: by its protocols where it has any.
    private bool MayTalk(Lead lead)
    {
        var lines = (
            from device in build.Devices
            where device.Device.Leads.Contains(lead)
            from function in device.Device.Functions
            from mode in function.Modes
            from line in mode.Lines
            where line.Lead == lead.Id
            select (line.Flow, mode.Protocol)
        ).ToList();
        return lead.Role == LeadRole.Signal
            && lead.Talks switch
            {
                TalkHabit.Always => true,
                TalkHabit.Asked => false,
                _ => lines.Count == 0
                    || lines.Exists(l => l.Flow != Flow.In && ProtocolCatalogue.Find(l.Protocol)!.SendsUnasked),
            };
    }

    private bool LeavesUnasked(Lead lead, Pad? pad) =>
        build.Build.House.Unused != UnusedLeads.Leave
        && MayTalk(lead)
        && pad is not null
        && pad.Paths.Any(p =>
            p.Net is { } net
            && _board.Ports.Any(x => x.Nets.Contains(net))
            && p.Through.All(e =>
                e is not (Inverter { Direction: Passage.ToPad } or Diode { Direction: Passage.ToPad })
            )
        );

    private bool Means(Lead lead, PortSet? port, PadPath path) =>
        lead.Role switch
        {
            LeadRole.Ground => RailOf(path)?.Feed == RailFeed.Ground,
            LeadRole.Supply => RailOf(path) is { Feed: not RailFeed.Ground },
            _ => port is not null && path.Net is { } net && port.Port.Nets.Contains(net),
        };

    private bool HasPad(string? net) => net is not null && _board.Pads.Any(p => p.Paths.Any(x => x.Net == net));

    private PlanCost Of(IReadOnlyList<string> bridges) =>
        PlanCost.Of(CostTerm.HandWork, 4 * bridges.Index().Count(b => _board.Bridges[b.Index].Default != b.Item));

    private static PlanCost Of(Link link, PortSet? port)
    {
        if (port is null)
        {
            var needs = Enum.GetValues<Need>();
            var term = link.Want.Priority switch
            {
                Priority.Required => CostTerm.MustsUnmet,
                Priority.Wanted => CostTerm.WantsUnmet,
                _ => CostTerm.NicesUnmet,
            };
            return PlanCost.Of(term, 500 + needs.Length - Array.IndexOf(needs, link.Function.Need));
        }
        bool[] switches = port.Settings.HalfDuplex
            ? [port.Settings.InvertTx, port.Settings.SwapPins]
            : [port.Settings.InvertRx, port.Settings.InvertTx, port.Settings.SwapPins];
        return PlanCost.Of(CostTerm.Losses, port.Mode.Loses.Count)
            + PlanCost.Of(
                CostTerm.HandWork,
                (port.Mode.Setting is null ? 0 : 2) + (port.Mode.Firmware is null ? 0 : 10)
            )
            + PlanCost.Of(CostTerm.Switches, switches.Count(on => on));
    }
}
