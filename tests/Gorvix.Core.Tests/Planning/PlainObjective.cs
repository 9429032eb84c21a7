using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

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

    // A way with what does not depend on the others: its own price, and what is paid once for it, by numbers.
    private sealed record Tried(int Number, Hookup? Way, PlanCost Price, IReadOnlyList<(int Key, PlanCost Price)> Once);

    private IReadOnlyCollection<PlanCost> Search(int links, Func<IReadOnlyList<Hookup?>, string> placeOf)
    {
        int[] order = [.. Enumerable.Range(0, Rows).OrderBy(r => _rows[r].Link is null)];
        var keys = new Dictionary<string, int>();
        var count = 0;
        int KeyOf(string key)
        {
            keys.TryAdd(key, keys.Count);
            return keys[key];
        }
        Tried[][] ways =
        [
            .. order.Select(row =>
                WaysOf(row)
                    .Select(way => new Tried(
                        count++,
                        way,
                        Sum(PlanCost.Zero, Of(row, way)),
                        way is null
                            ? []
                            :
                            [
                                .. Once(way)
                                    .DistinctBy(o => o.Key)
                                    .Select(o => (KeyOf(o.Key), PlanCost.Of(o.Term, o.Amount))),
                            ]
                    ))
                    .ToArray()
            ),
        ];
        var clashes = new bool?[count, count];
        bool Apart(Tried a, Tried b) =>
            a.Way is null || b.Way is null || !(clashes[a.Number, b.Number] ??= Clash(a.Way, b.Way));
        var best = new Dictionary<string, PlanCost>();
        var chosen = new List<Tried>();
        var paid = new int[keys.Count];
        var credit = PlanCost.Of(CostTerm.HandWork, Math.Min(40, Seats.Values.Sum(s => s.Lifted.Count)));
        var place = "";
        List<Hookup?> Chosen() => chosen.ConvertAll(c => c.Way);
        void Try(int depth, PlanCost cost)
        {
            place = depth == links ? placeOf(Chosen()) : place;
            if (depth >= links && depth < Rows && best.TryGetValue(place, out var known) && cost - credit >= known)
            {
                return;
            }
            if (depth == Rows)
            {
                cost += Strains(Chosen()) + Undoing(Chosen());
                best[place] = best.TryGetValue(place, out var other) && other < cost ? other : cost;
                return;
            }
            foreach (var way in ways[depth])
            {
                if (++_tried > MostTried)
                {
                    throw new InvalidOperationException("This build is too large to try everything.");
                }
                if (!chosen.TrueForAll(c => Apart(c, way)))
                {
                    continue;
                }
                var next = cost + way.Price;
                foreach (var (key, price) in way.Once)
                {
                    next += paid[key]++ == 0 ? price : PlanCost.Zero;
                }
                chosen.Add(way);
                if (way.Way is not Feed || !IsOver(Chosen()))
                {
                    Try(depth + 1, next);
                }
                chosen.RemoveAt(chosen.Count - 1);
                foreach (var (key, _) in way.Once)
                {
                    paid[key]--;
                }
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
        return IsOver(choice) ? null : Price(choice) + Strains(choice) + Undoing(choice);
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

    private sealed record Row(string Device, LinkWays? Link, IReadOnlyList<Hookup> Ways, bool MayGo);

    private sealed record Gone(Link Link) : Hookup;

    private sealed record NoStay : Hookup
    {
        public NoStay(string device, Seat seat) => (Device, Seat) = (device, seat);

        public string Device { get; }
    }
}
