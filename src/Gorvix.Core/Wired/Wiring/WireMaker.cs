using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>Makes every lead's place of a plan: what is used, what sits in a plug with it, what is taken out.</summary>
internal sealed class WireMaker(ResolvedBuild build, Plan plan)
{
    private readonly Circuit _circuit = build.Circuit;

    private readonly HashSet<Socket> _seated = [.. plan.Seats.Select(s => s.Way.Seat.Socket).OfType<Socket>()];

    private readonly HashSet<string> _leftOut =
    [
        .. plan
            .Placements.GroupBy(p => p.Link.Want.Device)
            .Where(g => g.All(p => p.Route is null))
            .Select(g => g.Key)
            .Except(plan.Feeds.Select(f => f.Feed?.From?.Device).OfType<string>())
            // Who pins its plug, supply or lead wants it fitted.
            .Except(build.Build.Pins.Select(p => p.OfDevice).OfType<string>()),
    ];

    // How many wires each pad has; a pad of its own for each is preferred.
    private readonly Dictionary<string, int> _busy = [];

    /// <summary>The wired build.</summary>
    public WiredBuild Make()
    {
        var routes = plan.Placements.Select(p => p.Route).OfType<Route>().ToList();
        foreach (var walk in routes.SelectMany(r => r.Walks))
        {
            Take(walk.Pad);
        }
        var leads = plan.Seats.SelectMany(seat => LeadsOf(seat, routes)).ToList();
        var givers = leads.Select(l => l.To).OfType<OtherLead>().Select(t => (t.Device, t.Lead.Id)).ToHashSet();
        leads = leads.ConvertAll(l =>
            givers.Contains((l.Device, l.Lead.Id)) ? l with { State = LeadState.Feeding, IsUsed = true } : l
        );
        var contacts = routes
            .SelectMany(r => r.Bridges)
            .Concat(Feeds().SelectMany(f => f.Feed?.Bridges ?? []))
            .Concat(Held())
            .ToLookup(c => c.Bridge, c => c.Position);
        var wired = new WiredBuild(
            build,
            [
                .. plan.Seats.Select(s => new WiredSeat(
                    s.Ways.Device.Id,
                    _leftOut.Contains(s.Ways.Device.Id) ? Seat.Off : s.Way.Seat
                )),
            ],
            leads,
            [.. build.Board.Bridges.Select(b => new BridgeSet(b, [contacts[b.Id].FirstOrDefault(b.Default)]))],
            [.. routes.Where(r => r.RidesIn is null).Select(r => new PortSet(r.Link.Id, r.Port, r.Mode, r.Settings))],
            new Sources(Feeder.SourceOf(build), build.Build.Pack)
        )
        {
            LeftOut = _leftOut,
            Rides = [.. routes.Where(r => r.RidesIn is not null).Select(r => new WiredRide(r.Link.Id, r.RidesIn!))],
        };
        return wired with { Work = [.. WorkList.Of(wired, routes)] };
    }

    // The supplies of all that is fitted.
    private IEnumerable<FeedPlacement> Feeds() => plan.Feeds.Where(f => !_leftOut.Contains(f.Ways.Device.Id));

    // A bridge that a lead in its plug, or a supply without a feed, needs in a position.
    private IEnumerable<BridgeAt> Held() =>
        plan
            .Stays.SelectMany(s => s.Claims.Holds)
            .Concat(Feeds().SelectMany(f => f.Chosen?.Claims.Holds ?? []))
            .OfType<BridgeHold>()
            .Select(h => new BridgeAt(h.Bridge.Id, h.Position));

    private IEnumerable<WiredLead> LeadsOf(SeatPlacement seat, List<Route> routes)
    {
        var (device, way) = (seat.Ways.Device, seat.Way);
        var harness = Harness.Of(device.Device);
        if (_leftOut.Contains(device.Id))
        {
            return device.Device.Leads.Select(lead => new WiredLead(
                device.Id,
                lead,
                harness.HomeOf(lead.Id) < 0 ? LeadState.Open : LeadState.InHarness
            ));
        }
        var used = new Dictionary<string, (Pad Pad, string? Link)>();
        var spliced = plan
            .Feeds.Where(f => f.Ways.Device.Id == device.Id && f.Feed?.From is not null)
            .ToDictionary(f => f.Ways.Lead.Id, f => f.Feed!.From!);
        foreach (var route in routes.Where(r => r.Link.Want.Device == device.Id))
        {
            foreach (var walk in route.Walks)
            {
                used[walk.Lead.Id] = (walk.Pad, route.Link.Id);
            }
        }
        var near = used.Values.Select(u => u.Pad).ToList();
        foreach (var feed in plan.Feeds.Where(f => f.Ways.Device.Id == device.Id && f.Feed is { From: null }))
        {
            var pad = Nearest(
                [.. feed.Feed!.Allowed(build.Build.Bans)],
                near,
                build.Build.Pins.OfType<FeedMatch>().FirstOrDefault(feed.Feed.Matches)
            );
            used[feed.Feed.Lead.Id] = (pad, null);
            Take(pad);
        }
        // Supply and ground run side by side (common practice): the ground of the supply's own group, and there the nearest to the signals.
        var beside = used.Where(u => !near.Contains(u.Value.Pad)).Select(u => u.Value.Pad).ToList();
        foreach (var (lead, pad) in Grounds(device, way, harness, used.Count + spliced.Count, near, beside))
        {
            var stands = Built(device, lead);
            used[lead.Id] = (stands ?? pad, null);
            Take(stands ?? pad);
        }
        foreach (var lead in device.Device.Leads.Where(l => way.Seat.Kind != SeatKind.Off && !used.ContainsKey(l.Id)))
        {
            if (Built(device, lead) is { } stands)
            {
                used[lead.Id] = (stands, null);
                Take(stands);
            }
        }
        var evicted = used.Where(u =>
                way.Seat.Socket is { } s && s.CavityOf(u.Value.Pad) is var c && c >= 0 && c != harness.HomeOf(u.Key)
            )
            .Select(u => way.Seat.Socket!.CavityOf(u.Value.Pad))
            .ToHashSet();
        return device.Device.Leads.Select(lead =>
            spliced.TryGetValue(lead.Id, out var from)
                ? new WiredLead(device.Id, lead, LeadState.Spliced)
                {
                    IsUsed = true,
                    To = new OtherLead(from.Device, from.Lead),
                }
            : used.TryGetValue(lead.Id, out var use) ? Used(device, way, harness, lead, use.Pad, use.Link)
            : Unused(device, way, harness, lead, evicted)
        );
    }

    // Not where a plug takes the place of its tail.
    private Pad? Built(DeviceInBuild device, Lead lead) =>
        build.Built.GroundOf(_circuit, device.Id, lead) is { } pad
        && !(_circuit.SocketOf.TryGetValue(pad.Id, out var socket) && _seated.Contains(socket))
            ? pad
            : null;

    private WiredLead Used(DeviceInBuild device, SeatWay way, Harness harness, Lead lead, Pad pad, string? link)
    {
        var socket = _circuit.SocketOf.GetValueOrDefault(pad.Id);
        var cavity = socket?.CavityOf(pad);
        var state =
            socket is null ? LeadState.Soldered
            : socket != way.Seat.Socket ? LeadState.OnTail
            : cavity == harness.HomeOf(lead.Id) ? LeadState.InPlace
            : LeadState.Moved;
        return new WiredLead(device.Id, lead, state, pad, socket, cavity + 1, link) { IsUsed = true };
    }

    private WiredLead Unused(DeviceInBuild device, SeatWay way, Harness harness, Lead lead, HashSet<int> evicted)
    {
        var home = harness.HomeOf(lead.Id);
        if (way.Seat.Socket is not { } socket || home < 0)
        {
            return new WiredLead(device.Id, lead, home < 0 ? LeadState.Open : LeadState.InHarness);
        }
        var leaves =
            evicted.Contains(home)
            || way.Forced.ContainsKey(lead.Id)
            || way.Lifted.Contains(lead.Id)
            || plan.Stays.Any(s => s.Device == device.Id && s.Lead.Id == lead.Id && s.Home == Home.Left)
            || plan.Feeds.Any(f =>
                f.Ways.Device.Id == device.Id
                && f.Ways.Supply.Lead == lead.Id
                && f.Chosen?.Claims.Holds.OfType<HomeHold>().Any(h => h.Lead == lead.Id && h.Home == Home.Left) == true
            );
        return leaves
            ? new WiredLead(
                device.Id,
                lead,
                build.Build.House.Unused == UnusedLeads.Cut ? LeadState.Cut : LeadState.Lifted
            )
            : new WiredLead(device.Id, lead, LeadState.InPlace, socket.Pads[home], socket, home + 1)
            {
                // Ground that meets ground is what it is there for.
                IsUsed = lead.Role == LeadRole.Ground && socket.Pads[home] is not null,
            };
    }

    // A seated plug brings its ground; a moved one goes where the seat says; else one lead is soldered, and of bare leads all.
    private IEnumerable<(Lead Lead, Pad Pad)> Grounds(
        DeviceInBuild device,
        SeatWay way,
        Harness harness,
        int used,
        List<Pad> near,
        List<Pad> beside
    )
    {
        if (way.Seat.Kind == SeatKind.Off)
        {
            yield break;
        }
        foreach (var (lead, cavity) in way.GroundMoves)
        {
            yield return (device.Device.Leads.First(l => l.Id == lead), way.Seat.Socket!.Pads[cavity]!);
        }
        if (used == 0 && way.Seat.Kind == SeatKind.Bare)
        {
            yield break;
        }
        var grounds = device.Device.Leads.Where(l => l.Role == LeadRole.Ground).ToList();
        IEnumerable<Lead> soldered =
            way.Seat.Kind == SeatKind.Bare ? grounds
            : way.SolderedGround is { } one ? grounds.Where(l => l.Id == one)
            : way.GroundMoves.Count > 0 ? []
            : way.Seat.Kind == SeatKind.Seated && grounds.All(l => harness.HomeOf(l.Id) < 0) ? grounds
            : way.Seat.Kind == SeatKind.Loose && grounds.All(l => harness.HomeOf(l.Id) < 0) ? grounds
            : [];
        foreach (var lead in soldered.ToList())
        {
            if (GroundPad(near, beside) is { } pad)
            {
                yield return (lead, pad);
            }
        }
    }

    // A ground pad to solder to, else a pin of a socket in which no plug sits.
    private Pad? GroundPad(List<Pad> near, List<Pad> beside)
    {
        var pads = build.Board.Pads.Where(_circuit.IsGround).ToList();
        var free = pads.Where(p => !_circuit.SocketOf.ContainsKey(p.Id)).ToList();
        var open = pads.Where(p => _circuit.SocketOf.TryGetValue(p.Id, out var s) && !_seated.Contains(s)).ToList();
        return free.Count > 0 ? Nearest(InGroup(free, beside), near, null)
            : open.Count > 0 ? Nearest(InGroup(open, beside), near, null)
            : null;
    }

    // Those of the same group, where there are any.
    private static List<Pad> InGroup(List<Pad> pads, List<Pad> near) =>
        pads.FindAll(p => p.Group is not null && near.Exists(n => n.Group == p.Group)) is { Count: > 0 } same
            ? same
            : pads;

    private void Take(Pad pad) => _busy[pad.Id] = _busy.GetValueOrDefault(pad.Id) + 1;

    private Pad Nearest(IReadOnlyList<Pad> pads, List<Pad> near, FeedMatch? pin) =>
        pads.FirstOrDefault(p => p.Id == pin?.Pad)
        ?? pads.OrderBy(p => _busy.GetValueOrDefault(p.Id))
            .ThenBy(p => near.Any(n => n.Group is not null && n.Group == p.Group) ? 0 : 1)
            .ThenBy(p => near.Count == 0 ? 0 : near.Min(n => PadDistance.Between(build.Board, n, p)))
            .First();
}
