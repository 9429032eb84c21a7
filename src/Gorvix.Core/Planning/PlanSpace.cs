using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Planning;

/// <summary>
/// Everything that can be chosen in a build, as bits, before any wish of the builder is looked at: for each link its
/// routes and for each supply lead its feeds, each with what it takes and what it costs.
/// </summary>
/// <remarks>
/// <para>
/// Bits of a <see cref="ResourceSet"/>: one for each thing that routes <em>take</em> (ports, nets, leads, bus addresses),
/// and one for each state that they <em>hold</em> (a bridge in a position, a net in a job, a half at a baud). A route
/// that holds a state <em>bars</em> the states of the same group that do not agree with it. What only one row can use, or
/// all use alike, is left out: nothing can clash there. Of several resources that the same options take, one is enough.
/// </para>
/// <para>Made once for a build; plans with other pins, bans or limits are all found in the same space.</para>
/// </remarks>
public sealed class PlanSpace
{
    private readonly Dictionary<object, int> _bits = [];
    private readonly Dictionary<string, int> _columns = [];
    private readonly ResourceSet[] _bars;
    private readonly bool _hasWhole;

    /// <summary>The space of a build.</summary>
    /// <exception cref="InvalidBuildException">More resources are fought about than the search can tell apart.</exception>
    public PlanSpace(ResolvedBuild build)
        : this(build, Router.WaysOf(build)) { }

    /// <summary>The space of a build whose ways are known already.</summary>
    /// <param name="build">The build.</param>
    /// <param name="ways">What <see cref="Router.WaysOf(ResolvedBuild)"/> gave for the same board, devices and wants.</param>
    /// <exception cref="InvalidBuildException">More resources are fought about than the search can tell apart.</exception>
    public PlanSpace(ResolvedBuild build, IReadOnlyList<LinkWays> ways)
    {
        (Build, Ways, Feeds) = (build, ways, Feeder.WaysOf(build));
        var choices = Ways.Select(w => w.Routes.Select(r => new Choice(r, null, r.Claims, CostOf(r))).ToList())
            .Concat(Feeds.Select(f => f.Feeds.Select(x => new Choice(null, x, x.Claims, CostOf(x))).ToList()))
            .ToList();
        var takes = Contested(choices, c => c.Claims.Takes);
        var groups = Contested(choices, c => c.Claims.Holds.Select(h => h.Group).Distinct());
        var states = choices
            .SelectMany(row => row)
            .SelectMany(c => c.Claims.Holds)
            .Where(h => groups.ContainsKey(h.Group))
            .Distinct()
            .GroupBy(h => h.Group)
            .Where(g => g.Any(h => PriceOf(h) != PlanCost.Zero || g.Any(other => !h.Agrees(other))))
            .ToDictionary(g => g.Key, g => g.ToList());
        var priced = new Dictionary<(PlanCost Each, bool Whole), ResourceSet>();
        foreach (var hold in states.Values.SelectMany(s => s))
        {
            var price = (PriceOf(hold), hold is WholeHold);
            if (price.Item1 != PlanCost.Zero)
            {
                priced[price] = priced.GetValueOrDefault(price) | Bit(hold);
            }
        }
        _bars = new ResourceSet[ResourceSet.Capacity];
        foreach (var group in states.Values)
        {
            foreach (var hold in group)
            {
                _bars[Index(hold)] = Barred(group, hold);
            }
        }
        var busRows = Ways.SelectMany(w => w.Routes.Select(r => r.Port).Where(p => p.Kind == PortKind.Bus).Distinct())
            .CountBy(p => p.Id)
            .ToDictionary();
        Rows =
        [
            .. choices.Select(
                (row, i) =>
                    new Row(
                        i < Ways.Count ? Ways[i] : null,
                        [.. row.Select(c => OptionOf(c, takes, states, busRows))],
                        i < Ways.Count ? UnmetOf(Ways[i].Link) : PlanCost.Of(CostTerm.Unfed, 1)
                    )
            ),
        ];
        Columns = _columns.Count;
        Guests = GuestsOf();
        Once = [.. priced.Select(p => (p.Value, p.Key.Each.Number, p.Key.Whole))];
        _hasWhole = Once.Any(o => o.Whole);
    }

    /// <summary>The build.</summary>
    public ResolvedBuild Build { get; private set; }

    /// <summary>The space of the same build with other pins and bans: nothing else in it depends on them.</summary>
    public PlanSpace With(IReadOnlyList<RouteMatch> pins, IReadOnlyList<RouteMatch> bans)
    {
        var copy = (PlanSpace)MemberwiseClone();
        copy.Build = Build.WithWishes(pins, bans);
        return copy;
    }

    /// <summary>All ways of all links, in the builder's order.</summary>
    public IReadOnlyList<LinkWays> Ways { get; }

    /// <summary>All ways to feed each device.</summary>
    public IReadOnlyList<FeedWays> Feeds { get; }

    /// <summary>One row for each link, in the order of <see cref="Ways"/>, then one for each supply lead.</summary>
    internal IReadOnlyList<Row> Rows { get; }

    /// <summary>How many columns of the assignment there are. Options in one column cannot stand together.</summary>
    internal int Columns { get; }

    /// <summary>States that are paid once, however many hold them; <c>Whole</c> for whole ports, which two halves can share.</summary>
    internal IReadOnlyList<(ResourceSet States, Int128 Each, bool Whole)> Once { get; }

    /// <summary>
    /// The rows that could sit beside another one on the halves of a port, each with those others. Of every such pair one
    /// row is here.
    /// </summary>
    internal IReadOnlyDictionary<int, IReadOnlyList<int>> Guests { get; }

    /// <summary>What states cost that nobody has paid yet.</summary>
    internal Int128 OnceCost(ResourceSet states)
    {
        Int128 sum = 0;
        foreach (var once in Once)
        {
            sum += states.CountIn(once.States) * once.Each;
        }
        return sum;
    }

    /// <summary>The part of <see cref="OnceCost"/> that is for whole ports.</summary>
    internal Int128 WholeCost(ResourceSet states)
    {
        Int128 sum = 0;
        if (!_hasWhole)
        {
            return sum;
        }
        foreach (var once in Once)
        {
            sum += once.Whole ? states.CountIn(once.States) * once.Each : 0;
        }
        return sum;
    }

    /// <summary>The states that do not agree with a state.</summary>
    internal ResourceSet BarsOf(int state) => _bars[state];

    /// <summary>The cost of a link that goes without: 1000 and the weight of its need, in the term of its priority.</summary>
    internal static PlanCost UnmetOf(Link link)
    {
        var term = link.Want.Priority switch
        {
            Priority.Must => CostTerm.MustsUnmet,
            Priority.Want => CostTerm.WantsUnmet,
            _ => CostTerm.NicesUnmet,
        };
        return PlanCost.Of(term, PlanCost.UnmetLink + PlanCost.Needs - (int)link.Function.Need);
    }

    private static PlanCost PriceOf(Hold hold) =>
        PlanCost.Of(CostTerm.HandWork, hold.HandWork) + PlanCost.Of(CostTerm.WholePorts, hold.WholePorts);

    // Each key that more than one row names, with a key that stands for it: the first that the same options name.
    private static Dictionary<string, string> Contested(
        List<List<Choice>> rows,
        Func<Choice, IEnumerable<string>> keysOf
    )
    {
        var users = new Dictionary<string, (int Row, bool Shared, List<int> Options)>();
        var number = 0;
        foreach (var (i, row) in rows.Index())
        {
            foreach (var choice in row)
            {
                foreach (var key in keysOf(choice))
                {
                    if (users.TryGetValue(key, out var user))
                    {
                        user.Options.Add(number);
                        users[key] = user with { Shared = user.Shared || user.Row != i };
                    }
                    else
                    {
                        users.Add(key, (i, false, [number]));
                    }
                }
                number++;
            }
        }
        var first = new Dictionary<string, string>();
        return users
            .Where(u => u.Value.Shared)
            .ToDictionary(
                u => u.Key,
                u =>
                {
                    var same = string.Join(' ', u.Value.Options);
                    return first.TryAdd(same, u.Key) ? u.Key : first[same];
                }
            );
    }

    private Option OptionOf(
        Choice choice,
        Dictionary<string, string> takes,
        Dictionary<string, List<Hold>> states,
        Dictionary<string, int> busRows
    )
    {
        var cost = choice.Cost;
        var (taken, set, barred) = (ResourceSet.None, ResourceSet.None, ResourceSet.None);
        foreach (var key in choice.Claims.Takes)
        {
            taken |= takes.TryGetValue(key, out var stands) ? Bit(stands) : ResourceSet.None;
        }
        foreach (var hold in choice.Claims.Holds)
        {
            if (!states.TryGetValue(hold.Group, out var group))
            {
                cost += PriceOf(hold);
                continue;
            }
            set |= Bit(hold);
            if (!hold.Agrees(hold))
            {
                // Only one may hold it, so it is taken as well.
                taken |= Bit((hold, "taken"));
            }
            barred |= Barred(group, hold);
        }
        return new Option(choice.Route, choice.Feed, ColumnOf(choice, takes, busRows), taken, set, barred, cost);
    }

    // The port of a serial unit, else the first net; -1 where nothing is fought about. A bus, a pulse input or
    // serial in code that covers all nets of a serial unit stands in that unit's column: none of them goes with it.
    private int ColumnOf(Choice choice, Dictionary<string, string> takes, Dictionary<string, int> busRows)
    {
        var taken = choice.Claims.Takes;
        var key = choice.Route is { Port.Kind: PortKind.Uart } route
            ? $"port {route.Port.Id}"
            : Covered(choice.Route, busRows);
        if (key is null)
        {
            key = taken.FirstOrDefault(k => k.StartsWith("net ") && takes.ContainsKey(k));
            key = key is null ? null : takes[key];
        }
        if (key is null)
        {
            return -1;
        }
        if (!_columns.TryGetValue(key, out var column))
        {
            _columns.Add(key, column = _columns.Count);
        }
        return column;
    }

    private string? Covered(Route? route, Dictionary<string, int> busRows)
    {
        var shared = route is { Port.Kind: PortKind.Bus } && busRows[route.Port.Id] > 1;
        if (route is null || shared)
        {
            return null;
        }
        var nets = route.Walks.Select(w => w.Net).ToList();
        var covered = Build.Board.Ports.FirstOrDefault(p =>
            p.Kind == PortKind.Uart && p.Nets.Any() && p.Nets.All(nets.Contains)
        );
        return covered is null ? null : $"port {covered.Id}";
    }

    private Dictionary<int, IReadOnlyList<int>> GuestsOf()
    {
        var pairs = (
            from a in Enumerable.Range(0, Rows.Count)
            from b in Enumerable.Range(0, a)
            where Rows[a].Halves.Any(o => Rows[b].Halves.Any(o.Shares))
            select (A: a, B: b)
        ).ToList();

        // Whoever has the most neighbours first, until every pair has one of its two rows.
        var guests = new Dictionary<int, IReadOnlyList<int>>();
        while (pairs.Count > 0)
        {
            var guest = pairs.SelectMany(p => new[] { p.A, p.B }).CountBy(r => r).MaxBy(c => c.Value).Key;
            guests.Add(
                guest,
                [.. pairs.Where(p => p.A == guest || p.B == guest).Select(p => p.A == guest ? p.B : p.A)]
            );
            pairs.RemoveAll(p => p.A == guest || p.B == guest);
        }
        return guests;
    }

    private PlanCost CostOf(Route route)
    {
        var whole =
            route.Port.Kind == PortKind.Uart
            && Shape.Of(Build.Board, route.Port) == PortShape.Whole
            && !route.Claims.Holds.OfType<WholeHold>().Any();
        return PlanCost.OfAtMost(CostTerm.Hazards, route.Hazards.Count)
            + PlanCost.OfAtMost(CostTerm.Losses, route.Mode.Loses.Count)
            + PlanCost.OfAtMost(CostTerm.Processor, route.Processor)
            + PlanCost.OfAtMost(CostTerm.HandWork, route.Work.Sum(w => w.Points))
            + PlanCost.Of(CostTerm.WholePorts, whole ? 1 : 0)
            + PlanCost.Of(CostTerm.Switches, route.Settings.Switches)
            + PlanCost.Of(CostTerm.OffAdvice, OffAdvice(route));
    }

    private static PlanCost CostOf(Feed feed) =>
        PlanCost.OfAtMost(CostTerm.Hazards, feed.Hazards.Count) + PlanCost.Of(CostTerm.AgainstHouse, feed.AgainstHouse);

    // Off the advice: on a port advised for other needs, or away from the port advised for this one.
    private int OffAdvice(Route route)
    {
        var need = route.Link.Function.Need;
        var here = route.Port.AdvisedFor;
        var elsewhere = Build.Board.Ports.Any(p => p.AdvisedFor.Contains(need));
        return !here.Contains(need) && (here.Count > 0 || elsewhere) ? 1 : 0;
    }

    private ResourceSet Barred(List<Hold> group, Hold hold) =>
        group
            .Where(other => other != hold && !hold.Agrees(other))
            .Aggregate(ResourceSet.None, (b, other) => b | Bit(other));

    private ResourceSet Bit(object key) => ResourceSet.Of(Index(key));

    // The key is what is taken, or the state that is held.
    private int Index(object key)
    {
        if (!_bits.TryGetValue(key, out var index))
        {
            index = _bits.Count;
            if (index == ResourceSet.Capacity)
            {
                throw new InvalidBuildException([
                    BuildCheck.Size.Found(
                        Severity.Stop,
                        "build",
                        ("place", "build"),
                        ("count", $"more than {index}"),
                        ("things", "pins, leads and bridge positions that its links fight about"),
                        ("most", $"{index}")
                    ),
                ]);
            }
            _bits.Add(key, index);
        }
        return index;
    }

    /// <summary>A route or a feed with its price, before it is turned into bits.</summary>
    private sealed record Choice(Route? Route, Feed? Feed, Claims Claims, PlanCost Cost);

    /// <summary>One route of a link, or one feed of a supply lead, as bits.</summary>
    internal sealed record Option(
        Route? Route,
        Feed? Feed,
        int Column,
        ResourceSet Takes,
        ResourceSet Sets,
        ResourceSet Bars,
        PlanCost Cost
    )
    {
        /// <summary>True when it has one half of a port and leaves the other to who agrees.</summary>
        public bool IsHalf { get; } = Route?.Claims.Holds.Any(h => h is ShareHold) ?? false;

        /// <summary>True when both can have the halves of one port.</summary>
        public bool Shares(Option other) => Column == other.Column && IsHalf && other.IsHalf && !Clashes(other);

        /// <summary>True when both cannot be taken.</summary>
        public bool Clashes(Option other) =>
            Takes.Meets(other.Takes) || Sets.Meets(other.Bars) || Bars.Meets(other.Sets);

        /// <summary>True when this takes no more and holds no more.</summary>
        public bool IsWithin(Option other) =>
            Takes.IsWithin(other.Takes) && Sets.IsWithin(other.Sets) && Bars.IsWithin(other.Bars);
    }

    /// <summary>A link or a supply lead with all its options.</summary>
    /// <param name="Way">The link's ways, or null for a supply lead.</param>
    /// <param name="Options">All options, in the order of mode, port and pad.</param>
    /// <param name="Unmet">What it costs to go without.</param>
    internal sealed record Row(LinkWays? Way, IReadOnlyList<Option> Options, PlanCost Unmet)
    {
        /// <summary>The options worth trying when no wish is in force, cheapest first.</summary>
        public IReadOnlyList<Option> Undominated { get; } = PlanProblem.Undominated(Options);

        /// <summary>The options that leave the other half of their port to who agrees.</summary>
        public IReadOnlyList<Option> Halves { get; } = [.. Options.Where(o => o.IsHalf)];
    }
}
