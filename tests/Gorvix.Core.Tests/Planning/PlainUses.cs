using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>What a way uses up and which states it asks for, read plainly: no two users of one thing, no two states of one group.</summary>
internal sealed partial class PlainObjective
{
    private IEnumerable<(string, string)> MakeStates(Hookup way)
    {
        var device = DeviceOf(way);
        if (way is Gone gone)
        {
            yield return ($"ride {gone.Link.Id}", "gone");
            yield break;
        }
        if (way is Route { RidesIn: { } carrier } ride)
        {
            yield return ($"power {device}", "fed");
            yield return ($"ride {carrier}", $"{ride.Port.Id} {ride.Mode.Inside!.Mode}");
            yield break;
        }
        if (way is Route carried && _rows.Any(r => r.Link?.Routes.Any(x => x.RidesIn == carried.Link.Id) == true))
        {
            yield return ($"ride {carried.Link.Id}", $"{carried.Port.Id} {carried.Mode.Id}");
        }
        foreach (var bridge in BridgesOf(way))
        {
            yield return ($"bridge {bridge.Bridge}", bridge.Position);
        }
        if (Seats.ContainsKey((device, way.Seat)))
        {
            yield return ($"seat {device}", $"{way.Seat.Kind} {way.Seat.Socket?.Id}");
        }
        if (way is SeatWay { Seat.Socket: { } seated })
        {
            yield return ($"socket {seated.Id}", device);
        }
        foreach (var (lead, pad) in Joints(way))
        {
            var (socket, home) = (SocketOf(pad), Home(device, lead.Id));
            if (socket is not null && socket.Id != way.Seat.Socket?.Id)
            {
                yield return ($"socket {socket.Id}", "tail");
            }
            if (way.Seat.Kind != SeatKind.Seated || (home < 0 && !IsFree(device, lead.Id)))
            {
                continue;
            }
            var cavity = socket?.Id == way.Seat.Socket!.Id ? socket.Pins.ToList().FindIndex(p => p.Pad == pad.Id) : -1;
            if (home >= 0)
            {
                yield return ($"home {device} {lead.Id}", cavity == home ? "kept" : "left");
            }
            if (cavity >= 0 && cavity != home && Part(device).Plug!.Pins[cavity].Lead is { } other)
            {
                yield return ($"home {device} {other}", "left");
            }
        }
        if (way is Feed { From: { } from } spliced)
        {
            yield return ($"power {from.Device}", "fed");
            if (way.Seat.Kind == SeatKind.Seated && Home(device, spliced.Lead.Id) >= 0)
            {
                yield return ($"home {device} {spliced.Lead.Id}", "left");
            }
        }
        switch (way)
        {
            case Route route:
                yield return ($"power {device}", "fed");
                // A board has one receiver, whatever it listens to.
                var job = ProtocolCatalogue.Find(route.Mode.Protocol)!.Job;
                if (job is PortJob.ReceiverInput or PortJob.PulseInput)
                {
                    yield return ("receiver", route.Link.Id);
                }
                else if (_build.Firmware?.Single.Contains(job) == true)
                {
                    yield return ($"the one {job}", InTurn(route) ? route.Port.Id : route.Link.Id);
                }
                if (route.Port.Alternatives.Count > 0)
                {
                    yield return ($"pins of {route.Port.Id}", route.Settings.Pins ?? "factory default");
                }
                foreach (var (net, lead) in NetsOf(route))
                {
                    yield return ($"job {net}", route.Port.Id);
                    var together = route.Port.Kind == PortKind.Bus || InTurn(route);
                    yield return ($"user {net}", together ? route.Port.Id : $"{device} {lead}");
                }
                foreach (var (thing, turns) in AloneOrInTurn(route))
                {
                    yield return ($"turns {thing}", turns);
                }
                break;
            case Feed { Feeds: false } without:
                yield return ($"power {device}", "unfed");
                foreach (var home in without.Claims.Holds.OfType<HomeHold>())
                {
                    yield return (
                        $"home {device} {home.Lead}",
                        home.Home == Core.Plans.Routing.Home.Kept ? "kept" : "left"
                    );
                }
                break;
            case LeadStay stay:
                yield return (
                    $"home {device} {stay.Lead.Id}",
                    stay.Home == Core.Plans.Routing.Home.Kept ? "kept" : "left"
                );
                foreach (var user in stay.Claims.Holds.OfType<UserHold>())
                {
                    yield return ($"user {user.Net}", $"{device} {stay.Lead.Id}");
                }
                break;
        }
    }

    // Readings of several speed controllers come over one wire, each when it is asked; nobody else is on it then.
    private bool InTurn(Route route) =>
        route.Mode.Protocol == "ESC" && _build.Links.Count(l => l.Function.Modes.Any(m => m.Protocol == "ESC")) > 1;

    private IEnumerable<(string, string)> AloneOrInTurn(Route route)
    {
        if (route.Port.Kind == PortKind.Bus)
        {
            yield break;
        }
        var turns = InTurn(route) ? $"ESC {route.Settings.Baud} {route.Settings.SwapPins}" : "alone";
        foreach (var (net, _) in NetsOf(route))
        {
            yield return (net, turns);
        }
        if (route.Port.Kind == PortKind.Uart)
        {
            foreach (var use in PortUses(route))
            {
                yield return (use, turns);
            }
        }
    }

    // The nets that are meant, and those that the same pads are joined to besides.
    private static IEnumerable<(string Net, string Lead)> NetsOf(Route route) =>
        from walk in route.Walks
        from path in walk.Pad.Paths
        where path.Net is not null
        where
            path
                .Through.OfType<Contact>()
                .All(c => !route.Bridges.Any(b => b.Bridge == c.Bridge && b.Position != c.Position))
        where path.Net == walk.Net || route.Walks.All(w => w.Net != path.Net)
        select (path.Net, walk.Lead.Id);

    private IEnumerable<string> MakeUses(Hookup way)
    {
        var device = DeviceOf(way);
        foreach (var (lead, pad) in Joints(way))
        {
            if (way.Seat.Socket is { } seat && SocketOf(pad)?.Id == seat.Id && Home(device, lead.Id) is var home)
            {
                var cavity = seat.Pads.ToList().FindIndex(p => p?.Id == pad.Id);
                if (cavity != home)
                {
                    yield return $"cavity {device} {cavity}";
                }
            }
        }
        if (way is not Route { RidesIn: null } route)
        {
            yield break;
        }
        foreach (var walk in route.Walks)
        {
            yield return $"lead {device} {walk.Lead.Id}";
        }
        if (route.Port.Kind == PortKind.Bus)
        {
            yield return $"{route.Port.Id} address {route.Mode.Address}";
            foreach (var (net, _) in NetsOf(route).Where(n => route.Walks.All(w => w.Net != n.Net)))
            {
                yield return net;
            }
            yield break;
        }
        if (InTurn(route))
        {
            yield break;
        }
        foreach (var (net, _) in NetsOf(route))
        {
            yield return net;
        }
        if (route.Port.Kind == PortKind.Uart)
        {
            foreach (var use in PortUses(route))
            {
                yield return use;
            }
        }
    }

    // Strict: the port. Else a one-way user has its half; every other has both, and so have those who answer in turn.
    private IEnumerable<string> PortUses(Route route) =>
        Strict ? [$"port {route.Port.Id}"]
        : OneWay(route) && !InTurn(route) ? route.Walks.Select(w => $"{route.Port.Id} half {w.Net}")
        : PinsOf(route).Select(net => $"{route.Port.Id} half {net}");

    private static string?[] PinsOf(Route route) =>
        route.Port.Alternatives.FirstOrDefault(a => a.Name == route.Settings.Pins) is { } other
            ? [other.Rx, other.Tx]
            : [route.Port.Rx, route.Port.Tx];

    // Two one-way users of one port's halves must agree on baud, framing and firmware.
    public bool Halves(Route a, Route b)
    {
        if (
            Strict
            || a.Port.Id != b.Port.Id
            || a.Port.Kind != PortKind.Uart
            || !OneWay(a)
            || !OneWay(b)
            || InTurn(a)
            || InTurn(b)
        )
        {
            return false;
        }
        var (x, y) = (a.Settings, b.Settings);
        var listed =
            _build.Firmware is not { } firmware
            || firmware.Shares.Any(s => (s.Rx == x.Job && s.Tx == y.Job) || (s.Rx == y.Job && s.Tx == x.Job));
        var sameLine = x.Baud == y.Baud && FramingOf(a) == FramingOf(b);
        var bothListen = a.Walks[0].Line.Flow == b.Walks[0].Line.Flow;
        return !listed || !sameLine || x.Job == y.Job || bothListen || x.SwapPins != y.SwapPins;
    }

    private static Framing? FramingOf(Route route) => ProtocolCatalogue.Find(route.Mode.Protocol)!.Framing;

    private static bool OneWay(Route route) => route.Walks.Count == 1 && route.Walks[0].Line.Flow != Flow.Both;

    private Net NetOf(LineWalk walk) => _build.Board.Nets.First(n => n.Id == walk.Net);

    private bool HasPad(string? net) =>
        net is not null && _build.Board.Pads.Any(pad => pad.Paths.Any(path => path.Net == net));

    private static IEnumerable<Hardware.Circuits.BridgeAt> BridgesOf(Hookup way) =>
        way switch
        {
            Route r => r.Bridges,
            Feed { Feeds: true } f => f.Bridges,
            _ => way
                .Claims.Holds.OfType<BridgeHold>()
                .Select(h => new Hardware.Circuits.BridgeAt(h.Bridge.Id, h.Position)),
        };
}
