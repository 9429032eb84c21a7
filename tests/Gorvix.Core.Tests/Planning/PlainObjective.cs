using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Protocols;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// The planning question written from the words of docs/rules.md, not from the planner: what two ways fight about,
/// and what each costs. A way is a <see cref="Hookup"/>; null goes without. Rows: plugs, links, supplies, leads that may stay.
/// </summary>
internal sealed partial class PlainObjective
{
    private readonly ResolvedBuild _build;
    private readonly List<Row> _rows;

    public PlainObjective(BuildWays ways)
    {
        _build = ways.Build;
        var choices = ways.Seats.Where(s => s.IsChoice).ToList();
        _rows =
        [
            .. choices.Select(s => new Row(s.Device.Id, null, [.. s.Ways], false)),
            .. ways.Links.Select(l => new Row(l.Link.Want.Device, l, [.. l.Routes], true)),
            .. ways.Feeds.Select(f => new Row(f.Device.Id, null, [.. f.Feeds, .. f.Without], false)),
            .. from seats in choices
            from lead in seats.Ways.SelectMany(w => w.Choices.Keys).Distinct()
            select new Row(
                seats.Device.Id,
                null,
                [
                    .. seats.Ways.SelectMany(w =>
                        w.Choices.TryGetValue(lead, out var stays)
                            ? [.. stays]
                            : new Hookup[] { new NoStay(seats.Device.Id, w.Seat) }
                    ),
                ],
                false
            ),
        ];
        Seats = choices
            .SelectMany(s => s.Ways.Select(w => ((s.Device.Id, w.Seat), w)))
            .ToDictionary(p => p.Item1, p => p.w);
    }

    // A build that takes longer than seconds is not what brute force is for.
    private const int MostTried = 30_000_000;
    private int _tried;

    private Dictionary<(string, Seat), SeatWay> Seats { get; }

    /// <summary>How many things are to be decided.</summary>
    public int Rows => _rows.Count;

    /// <summary>The ways of one of them, with going without where that may be.</summary>
    public IEnumerable<Hookup?> WaysOf(int row) =>
        _rows[row].MayGo ? _rows[row].Ways.Append(Without(_rows[row].Link!)) : _rows[row].Ways;

    // Where another link could ride in this one, going without is something that the other one must know.
    private Hookup? Without(LinkWays way) =>
        _rows.Any(r => r.Link?.Routes.Any(x => x.RidesIn == way.Link.Id) == true) ? new Gone(way.Link) : null;

    /// <summary>The least price of all choices, found by trying them all; a choice that is dearer already is not gone on with.</summary>
    public PlanCost Best() => Search(0, _ => "").Single();

    /// <summary>The least price of each place that the links can have together; links are tried first, so the place is known early.</summary>
    public IReadOnlyCollection<PlanCost> ByPlace(Func<IReadOnlyList<Hookup?>, string> placeOf) =>
        Search(_rows.Count(r => r.Link is not null), placeOf);

    private IReadOnlyCollection<PlanCost> Search(int links, Func<IReadOnlyList<Hookup?>, string> placeOf)
    {
        int[] order = [.. Enumerable.Range(0, Rows).OrderBy(r => _rows[r].Link is null)];
        var best = new Dictionary<string, PlanCost>();
        var chosen = new List<Hookup?>();
        var paid = new HashSet<string>();
        var credit = PlanCost.Of(CostTerm.HandWork, Math.Min(40, Seats.Values.Sum(s => s.Lifted.Count)));
        var place = "";
        void Try(int depth, PlanCost cost)
        {
            place = depth == links ? placeOf(chosen) : place;
            if (depth >= links && depth < Rows && best.TryGetValue(place, out var known) && cost - credit >= known)
            {
                return;
            }
            if (depth == Rows)
            {
                best[place] = best.TryGetValue(place, out var other) && other < cost ? other : cost;
                return;
            }
            foreach (var way in WaysOf(order[depth]))
            {
                if (++_tried > MostTried)
                {
                    throw new InvalidOperationException("This build is too large to try everything.");
                }
                if (way is not null && chosen.Any(c => c is not null && Clash(c, way)))
                {
                    continue;
                }
                var next = Sum(cost, Of(order[depth], way));
                var once = way is null
                    ? []
                    : Once(way).Where(o => !paid.Contains(o.Key)).DistinctBy(o => o.Key).ToList();
                foreach (var (key, term, amount) in once)
                {
                    paid.Add(key);
                    next += PlanCost.Of(term, amount);
                }
                chosen.Add(way);
                Try(depth + 1, next);
                chosen.RemoveAt(chosen.Count - 1);
                once.ForEach(o => paid.Remove(o.Key));
            }
        }
        Try(0, PlanCost.Zero);
        return best.Values;
    }

    private PlanCost Price(IReadOnlyList<Hookup?> choice) =>
        choice
            .OfType<Hookup>()
            .SelectMany(Once)
            .DistinctBy(o => o.Key)
            .Aggregate(
                choice.Index().Aggregate(PlanCost.Zero, (sum, c) => Sum(sum, Of(c.Index, c.Item))),
                (sum, o) => sum + PlanCost.Of(o.Term, o.Amount)
            );

    /// <summary>The price of what a plan chose, or null when two of its ways cannot stand together.</summary>
    public PlanCost? Of(Plan plan)
    {
        var choice = new List<Hookup?>();
        foreach (var row in _rows)
        {
            choice.Add(
                row.Link is { } link ? plan.RouteOf(link.Link.Id) ?? Without(link)
                : row.Ways[0] is SeatWay ? plan.SeatOf(row.Device)
                : row.Ways[0] is Feed feed
                    ? plan.Feeds.First(f => f.Ways.Device.Id == feed.Device && f.Ways.Lead == feed.Lead).Chosen
                : row.Ways.OfType<LeadStay>()
                    .Select(s => plan.Stays.FirstOrDefault(p => ReferenceEquals(p, s)))
                    .FirstOrDefault(s => s is not null)
                    ?? (Hookup)new NoStay(row.Device, plan.SeatOf(row.Device).Seat)
            );
        }
        for (var i = 0; i < choice.Count; i++)
        {
            for (var j = 0; j < i; j++)
            {
                if (choice[i] is { } a && choice[j] is { } b && Clash(a, b))
                {
                    return null;
                }
            }
        }
        return Price(choice);
    }

    private static PlanCost Sum(PlanCost cost, IEnumerable<(CostTerm Term, int Amount)> more) =>
        more.Aggregate(
            cost,
            (sum, m) => m.Amount < 0 ? sum - PlanCost.Of(m.Term, -m.Amount) : sum + PlanCost.Of(m.Term, m.Amount)
        );

    /// <summary>True when two ways cannot both be taken.</summary>
    public bool Clash(Hookup a, Hookup b)
    {
        var states = StatesOf(a);
        return StatesOf(b).Any(s => states.TryGetValue(s.Key, out var other) && other != s.Value)
            || (Uses(a).Intersect(Uses(b)).Any())
            || (a is Route r && b is Route s && Halves(r, s));
    }

    private readonly Dictionary<Hookup, Dictionary<string, string>> _states = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<Hookup, HashSet<string>> _uses = new(ReferenceEqualityComparer.Instance);

    /// <summary>What a way keeps every other from using.</summary>
    public IReadOnlySet<string> Uses(Hookup way) =>
        _uses.TryGetValue(way, out var known) ? known : _uses[way] = [.. MakeUses(way)];

    /// <summary>What a way needs to be so; others may need it too, if they need the same.</summary>
    public IReadOnlyDictionary<string, string> StatesOf(Hookup way)
    {
        if (!_states.TryGetValue(way, out var known))
        {
            _states[way] = known = [];
            foreach (var (key, value) in MakeStates(way))
            {
                if (known.TryGetValue(key, out var other) && other != value)
                {
                    throw new InvalidOperationException($"{key} is {other} and {value} in one way.");
                }
                known[key] = value;
            }
        }
        return known;
    }

    private static string DeviceOf(Hookup way) =>
        way switch
        {
            Route r => r.Link.Want.Device,
            Feed f => f.Device,
            SeatWay s => s.Device.Id,
            LeadStay s => s.Device,
            NoStay s => s.Device,
            Gone g => g.Link.Want.Device,
            _ => throw new InvalidOperationException(),
        };

    private Device Part(string device) => _build.Devices.First(d => d.Id == device).Device;

    private int Home(string device, string lead) =>
        Part(device).Plug is { } plug ? plug.Pins.ToList().FindIndex(p => p.Lead == lead) : -1;

    private BoardPlug? SocketOf(Pad pad) => _build.Board.Plugs.FirstOrDefault(p => p.Pins.Any(x => x.Pad == pad.Id));

    private static IEnumerable<(Lead Lead, Pad Pad)> Joints(Hookup way) =>
        way switch
        {
            Route r => r.Walks.Select(w => (w.Lead, w.Pad)),
            Feed { Pads.Count: > 0 } f => [(f.Lead, f.Pads[0])],
            _ => [],
        };

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
            if (way.Seat.Kind != SeatKind.Seated || home < 0)
            {
                continue;
            }
            var cavity = socket?.Id == way.Seat.Socket!.Id ? socket.Pins.ToList().FindIndex(p => p.Pad == pad.Id) : -1;
            yield return ($"home {device} {lead.Id}", cavity == home ? "kept" : "left");
            if (cavity >= 0 && cavity != home && Part(device).Plug!.Pins[cavity].Lead is { } other)
            {
                yield return ($"home {device} {other}", "left");
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
                    yield return ("the receiver", route.Link.Id);
                }
                else if (_build.Firmware?.Single.Contains(job) == true)
                {
                    yield return ($"the one {job}", InTurn(route) ? route.Port.Id : route.Link.Id);
                }
                if (route.Port.Alternatives.Count > 0)
                {
                    yield return ($"pins of {route.Port.Id}", route.Settings.Pins ?? "as it comes");
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
                    yield return ($"home {device} {home.Lead}", home.Home == Core.Routing.Home.Kept ? "kept" : "left");
                }
                break;
            case LeadStay stay:
                yield return ($"home {device} {stay.Lead.Id}", stay.Home == Core.Routing.Home.Kept ? "kept" : "left");
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

    private static IEnumerable<Circuits.BridgeAt> BridgesOf(Hookup way) =>
        way switch
        {
            Route r => r.Bridges,
            Feed { Feeds: true } f => f.Bridges,
            _ => way.Claims.Holds.OfType<BridgeHold>().Select(h => new Circuits.BridgeAt(h.Bridge.Id, h.Position)),
        };

    private sealed record Row(string Device, LinkWays? Link, IReadOnlyList<Hookup> Ways, bool MayGo);

    private sealed record Gone(Link Link) : Hookup;

    private sealed record NoStay : Hookup
    {
        public NoStay(string device, Seat seat) => (Device, Seat) = (device, seat);

        public string Device { get; }
    }
}
