using System.Runtime.InteropServices;
using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Planning;

/// <summary>
/// Everything that can be chosen in a build, as bits, before any wish of the builder is looked at: for each link its
/// routes, for each supply lead its feeds, for each plug its seats and for some leads whether they stay, each with what it takes
/// and what it costs.
/// </summary>
/// <remarks>
/// <para>
/// Bits of a <see cref="ResourceSet"/>: one for each thing that hookups <em>take</em> (ports, nets, leads, bus addresses, cavities),
/// and one for each state that they <em>hold</em> (a bridge in a position, a net in a job, a plug in a seat). A hookup
/// that holds a state <em>bars</em> the states of the same group that do not agree with it. What only one row can use, or
/// all use alike, is left out: nothing can clash there. Of several resources that the same options take, one is enough.
/// </para>
/// <para>
/// A seat has no row of its own where its device has a link: the first link of the device carries it, as a part of each of its
/// routes and of going without. So what a seat costs is known as soon as that link is placed, and the bound is tight.
/// </para>
/// <para>Made once for a build; plans with other pins, bans or limits are all found in the same space.</para>
/// </remarks>
public sealed class PlanSpace
{
    private readonly Dictionary<object, int> _bits = [];
    private readonly Dictionary<Thing, int> _columns = [];
    private readonly Dictionary<int, ResourceSet> _bars = [];
    private readonly bool _hasWhole;

    /// <summary>The space of a build.</summary>
    /// <param name="build">The build.</param>
    /// <param name="stop">Stops every search in it.</param>
    public PlanSpace(ResolvedBuild build, CancellationToken stop = default)
        : this(Router.WaysOf(build), stop) { }

    /// <summary>The space of a build whose ways are known already.</summary>
    /// <param name="ways">What <see cref="Router.WaysOf(ResolvedBuild)"/> gave.</param>
    /// <param name="stop">Stops every search in it.</param>
    public PlanSpace(BuildWays ways, CancellationToken stop = default)
    {
        (Build, All, Stop) = (ways.Build, ways, stop);
        var drafts = Drafts().ToList();
        var choices = drafts.ConvertAll(d => d.Choices);
        var takes = Contested(choices, c => c.Claims.Takes);
        var states = StatesOf(choices);
        var priced = new Dictionary<(PlanCost Each, bool Whole), ResourceSet>();
        foreach (var hold in states.Values.SelectMany(s => s))
        {
            var price = (PriceOf(hold), hold is WholeHold);
            if (price.Item1 != PlanCost.Zero)
            {
                priced[price] = priced.GetValueOrDefault(price) | Bit(hold);
            }
        }
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
        Gather(drafts);
        Rows =
        [
            .. drafts.Select(d => new Row(
                d.Way,
                d.Feed,
                d.Device,
                [.. d.Choices.Select(c => OptionOf(c, takes, states, busRows))],
                d.Unmet
            )),
        ];
        Columns = _columns.Count;
        Guests = GuestsOf();
        Once = [.. priced.Select(p => (p.Value, p.Key.Each.Number, p.Key.Whole))];
        _hasWhole = Once.Any(o => o.Whole);
        WholeEach = Once.Where(o => o.Whole).Select(o => o.Each).FirstOrDefault();
    }

    /// <summary>The build.</summary>
    public ResolvedBuild Build { get; private set; }

    /// <summary>The space of the same build with other pins and bans. Only wishes that name a lead or a pad change what there is to choose from.</summary>
    public PlanSpace With(IReadOnlyList<WishMatch> pins, IReadOnlyList<WishMatch> bans)
    {
        var build = Build.WithWishes(pins, bans);
        if (Router.Depends(Build.Build.Pins, pins) || Router.Depends(Build.Build.Bans, bans))
        {
            return new PlanSpace(build, Stop);
        }
        var copy = (PlanSpace)MemberwiseClone();
        copy.Build = build;
        return copy;
    }

    /// <summary>Tells that nobody waits for the answer any more.</summary>
    internal CancellationToken Stop { get; private set; }

    /// <summary>The same space for another asker.</summary>
    public PlanSpace Until(CancellationToken stop)
    {
        var copy = (PlanSpace)MemberwiseClone();
        copy.Stop = stop;
        return copy;
    }

    /// <summary>Everything that a plan can choose from.</summary>
    public BuildWays All { get; }

    /// <summary>All ways of all links, in the builder's order.</summary>
    public IReadOnlyList<LinkWays> Ways => All.Links;

    /// <summary>All ways to feed each device.</summary>
    public IReadOnlyList<FeedWays> Feeds => All.Feeds;

    /// <summary>
    /// One row for each link, in the order of <see cref="Ways"/>, then one for each supply lead, then one for each plug whose
    /// device has no link, then one for each lead that may stay or go.
    /// </summary>
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

    /// <summary>What a whole port costs that several may use.</summary>
    internal Int128 WholeEach { get; }

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

    // Every row before it is turned into bits.
    private IEnumerable<Draft> Drafts()
    {
        var carriers = new HashSet<string>();
        foreach (var way in Ways)
        {
            var seats = All.Seats.First(s => s.Device.Id == way.Link.Want.Device);
            var unmet = UnmetOf(way.Link);
            if (seats.IsChoice && carriers.Add(seats.Device.Id))
            {
                yield return new Draft(way, null, seats.Device.Id, Carrying(way, seats, unmet), null);
            }
            else
            {
                yield return new Draft(
                    way,
                    null,
                    null,
                    [.. way.Routes.Select(r => new Choice(r, r.Claims, CostOf(r) + HandOf(r.Points)))],
                    unmet
                );
            }
        }
        foreach (var feed in Feeds)
        {
            yield return new Draft(
                null,
                feed,
                null,
                [.. feed.Feeds.Concat(feed.Without).Select(f => new Choice(f, f.Claims, CostOf(f)))],
                null
            )
            {
                Of = feed.Device.Id,
            };
        }
        foreach (var seats in All.Seats.Where(s => s.IsChoice && !carriers.Contains(s.Device.Id)))
        {
            yield return new Draft(
                null,
                null,
                seats.Device.Id,
                [.. seats.Ways.Select(w => new Choice(w, w.Claims, CostOf(w)))],
                null
            );
        }
        foreach (var seats in All.Seats.Where(s => s.IsChoice))
        {
            foreach (var lead in seats.Ways.SelectMany(w => w.Choices.Keys).Distinct())
            {
                yield return new Draft(null, null, null, [.. StaysOf(seats, lead)], null) { Of = seats.Device.Id };
            }
        }
    }

    // What a seat costs the supplies and leads of its device at least is moved to the row that carries the seat. Every plan
    // costs the same as before, and the bound knows it as soon as that row is placed.
    private static void Gather(List<Draft> drafts)
    {
        var carriers = drafts.Where(d => d.Device is not null).ToDictionary(d => d.Device!);
        foreach (var row in drafts.Where(d => d.Device is null && d.Unmet is null))
        {
            if (row.Of is not { } device || !carriers.TryGetValue(device, out var carrier))
            {
                continue;
            }
            var least = row.Choices.GroupBy(c => c.Hookup.Seat).ToDictionary(g => g.Key, g => g.Min(c => c.Cost));
            for (var i = 0; i < row.Choices.Count; i++)
            {
                var choice = row.Choices[i];
                row.Choices[i] = choice with { Cost = choice.Cost - least[choice.Hookup.Seat] };
            }
            for (var i = 0; i < carrier.Choices.Count; i++)
            {
                var choice = carrier.Choices[i];
                carrier.Choices[i] = least.TryGetValue(choice.Hookup.Seat, out var more)
                    ? choice with
                    {
                        Cost = choice.Cost + more,
                    }
                    : choice;
            }
        }
    }

    // The first link of a device: each route with its seat, and going without in each seat.
    private List<Choice> Carrying(LinkWays way, DeviceSeats seats, PlanCost unmet)
    {
        var bySeat = seats.Ways.ToDictionary(w => w.Seat);
        var list = new List<Choice>();
        foreach (var route in way.Routes)
        {
            var seat = bySeat[route.Seat];
            var claims = new Claims(
                route.Claims.Takes,
                [.. route.Claims.Holds, .. seat.Claims.Holds.Where(h => h is not SeatHold)]
            );
            list.Add(new Choice(route, claims, CostOf(route) + HandOf(route.Points + seat.Points)));
        }
        list.AddRange(seats.Ways.Select(w => new Choice(w, w.Claims, unmet + CostOf(w))));
        return list;
    }

    private static IEnumerable<Choice> StaysOf(DeviceSeats seats, string lead)
    {
        foreach (var way in seats.Ways)
        {
            if (way.Choices.TryGetValue(lead, out var stays))
            {
                foreach (var stay in stays)
                {
                    yield return new Choice(stay, stay.Claims, HandOf(stay.Points));
                }
            }
            else
            {
                var hold = new SeatHold(seats.Device.Id, way.Seat.Kind, way.Seat.Socket?.Id);
                yield return new Choice(way, new Claims([], [hold]), PlanCost.Zero);
            }
        }
    }

    private static PlanCost PriceOf(Hold hold) =>
        PlanCost.Of(CostTerm.HandWork, hold.HandWork) + PlanCost.Of(CostTerm.WholePorts, hold.WholePorts);

    // The states of each group that several rows hold a state of, where the states can disagree or cost something.
    private static Dictionary<HoldGroup, List<Hold>> StatesOf(List<List<Choice>> rows)
    {
        var groups = new Dictionary<HoldGroup, (int Row, bool Shared, HashSet<Hold> States)>();
        foreach (var (i, row) in rows.Index())
        {
            foreach (var choice in row)
            {
                foreach (var hold in choice.Claims.Holds)
                {
                    ref var group = ref CollectionsMarshal.GetValueRefOrAddDefault(groups, hold.Group, out var known);
                    group = known ? group with { Shared = group.Shared || group.Row != i } : (i, false, []);
                    group.States.Add(hold);
                }
            }
        }
        var states = new Dictionary<HoldGroup, List<Hold>>();
        foreach (var (key, (_, shared, holds)) in groups)
        {
            if (shared && holds.Any(h => PriceOf(h) != PlanCost.Zero || holds.Any(other => !h.Agrees(other))))
            {
                states.Add(key, [.. holds]);
            }
        }
        return states;
    }

    // Each key that more than one row names, with a key that stands for it: the first that the same options name.
    private static Dictionary<T, T> Contested<T>(List<List<Choice>> rows, Func<Choice, IReadOnlyList<T>> keysOf)
        where T : notnull
    {
        var users = new Dictionary<T, User>();
        var number = 0;
        foreach (var (i, row) in rows.Index())
        {
            foreach (var choice in row)
            {
                foreach (var key in keysOf(choice))
                {
                    ref var user = ref CollectionsMarshal.GetValueRefOrAddDefault(users, key, out _);
                    user ??= new User(i);
                    user.Add(i, number);
                }
                number++;
            }
        }
        var first = new Dictionary<User, T>();
        var contested = new Dictionary<T, T>();
        foreach (var (key, user) in users)
        {
            if (user.IsShared)
            {
                contested.Add(key, first.TryAdd(user, key) ? key : first[user]);
            }
        }
        return contested;
    }

    private Option OptionOf(
        Choice choice,
        Dictionary<Thing, Thing> takes,
        Dictionary<HoldGroup, List<Hold>> states,
        Dictionary<string, int> busRows
    )
    {
        var cost = choice.Cost;
        var (taken, set, barred, whole) = (ResourceSet.None, ResourceSet.None, ResourceSet.None, -1);
        foreach (var key in choice.Claims.Takes)
        {
            taken |= takes.TryGetValue(key, out var stands) ? Bit(stands) : ResourceSet.None;
        }
        foreach (var hold in choice.Claims.Holds)
        {
            if (!states.ContainsKey(hold.Group))
            {
                cost += PriceOf(hold);
                continue;
            }
            var state = Index(hold);
            set |= ResourceSet.Of(state);
            whole = hold is WholeHold ? state : whole;
            if (!hold.Agrees(hold))
            {
                // Only one may hold it, so it is taken as well.
                taken |= Bit((hold, "taken"));
            }
            barred |= _bars[state];
        }
        return new Option(choice.Hookup, ColumnOf(choice, takes, busRows), taken, set, barred, cost, whole);
    }

    // The port of a serial unit, else the first net; -1 where nothing is fought about. A bus, a pulse input or
    // serial in code that covers all nets of a serial unit stands in that unit's column: none of them goes with it.
    private int ColumnOf(Choice choice, Dictionary<Thing, Thing> takes, Dictionary<string, int> busRows)
    {
        if (choice.Hookup is not Route route)
        {
            return -1;
        }
        var port =
            route.Port.Kind == PortKind.Uart ? new Thing(ThingKind.Port, "", route.Port.Id) : Covered(route, busRows);
        if (port is null)
        {
            foreach (var thing in choice.Claims.Takes)
            {
                if (thing.Kind == ThingKind.Net && takes.TryGetValue(thing, out var stands))
                {
                    port = stands;
                    break;
                }
            }
        }
        if (port is not { } key)
        {
            return -1;
        }
        if (!_columns.TryGetValue(key, out var column))
        {
            _columns.Add(key, column = _columns.Count);
        }
        return column;
    }

    private Thing? Covered(Route route, Dictionary<string, int> busRows)
    {
        if (route.Port.Kind == PortKind.Bus && busRows[route.Port.Id] > 1)
        {
            return null;
        }
        var nets = route.Walks.Select(w => w.Net).ToList();
        var covered = Build.Board.Ports.FirstOrDefault(p =>
            p.Kind == PortKind.Uart && p.Nets.Any() && p.Nets.All(nets.Contains)
        );
        return covered is null ? null : new Thing(ThingKind.Port, "", covered.Id);
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
            && Build.Circuit.ShapeOf(route.Port) == PortShape.Whole
            && !route.Claims.Holds.OfType<WholeHold>().Any();
        return PlanCost.OfAtMost(CostTerm.Hazards, route.Hazards.Count)
            + PlanCost.OfAtMost(CostTerm.Losses, route.Mode.Loses.Count)
            + PlanCost.OfAtMost(CostTerm.Processor, route.Processor)
            + PlanCost.Of(CostTerm.WholePorts, whole ? 1 : 0)
            + PlanCost.Of(CostTerm.Switches, route.Settings.Switches)
            + PlanCost.Of(CostTerm.OffAdvice, OffAdvice(route));
    }

    private static PlanCost CostOf(Feed feed) =>
        PlanCost.OfAtMost(CostTerm.Hazards, feed.Hazards.Count)
        + PlanCost.Of(CostTerm.AgainstHouse, feed.AgainstHouse)
        + PlanCost.Of(CostTerm.Unfed, feed.Feeds ? 0 : 1)
        + HandOf(feed.Points);

    // A device that is left off is worse than one that nothing feeds: it is the last way out.
    private static PlanCost CostOf(SeatWay way) =>
        PlanCost.Of(CostTerm.Unfed, way.Seat.Kind == SeatKind.Off ? 1 : 0) + HandOf(way.Points);

    // Below zero where a route saves a lift that the seat has counted; the sum of a plan never is.
    private static PlanCost HandOf(int points) =>
        points >= 0
            ? PlanCost.OfAtMost(CostTerm.HandWork, points)
            : PlanCost.Zero - PlanCost.Of(CostTerm.HandWork, -points);

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
            _bits.Add(key, index = _bits.Count);
        }
        return index;
    }

    /// <summary>Who names a key: the rows and, in order, the options. Two are equal when the same options do.</summary>
    private sealed class User(int row) : IEquatable<User>
    {
        private readonly List<int> _options = [];
        private int _hash;

        /// <summary>True when more than one row names it.</summary>
        public bool IsShared { get; private set; }

        public void Add(int from, int option)
        {
            IsShared |= from != row;
            _options.Add(option);
            _hash = HashCode.Combine(_hash, option);
        }

        public bool Equals(User? other) =>
            other is not null && other._hash == _hash && other._options.SequenceEqual(_options);

        public override bool Equals(object? obj) => Equals(obj as User);

        public override int GetHashCode() => _hash;
    }

    /// <summary>A hookup with its price, before it is turned into bits.</summary>
    private sealed record Choice(Hookup Hookup, Claims Claims, PlanCost Cost);

    /// <summary>A row before it is turned into bits.</summary>
    private sealed record Draft(LinkWays? Way, FeedWays? Feed, string? Device, List<Choice> Choices, PlanCost? Unmet)
    {
        /// <summary>The device of a supply lead or of a lead that may stay; null for links.</summary>
        public string? Of { get; init; }
    }

    /// <summary>One hookup as bits. Fields, not properties: the sets are large, and the search reads them without copying.</summary>
    internal sealed class Option(
        Hookup hookup,
        int column,
        in ResourceSet takes,
        in ResourceSet sets,
        in ResourceSet bars,
        PlanCost cost,
        int whole
    )
    {
        /// <summary>What it takes.</summary>
        public readonly ResourceSet Takes = takes;

        /// <summary>The states that it holds.</summary>
        public readonly ResourceSet Sets = sets;

        /// <summary>The states that do not agree with those.</summary>
        public readonly ResourceSet Bars = bars;

        /// <summary>The column of the assignment that it takes; -1 for none.</summary>
        public readonly int Column = column;

        /// <summary>Its price.</summary>
        public readonly PlanCost Cost = cost;

        /// <summary>The state "this whole port is in use" that it holds; -1 for none.</summary>
        public readonly int Whole = whole;

        /// <summary>What is chosen with it.</summary>
        public Hookup Hookup { get; } = hookup;

        /// <summary>The route, or null where it is none: going without in a seat, a feed, a stay.</summary>
        public Route? Route => Hookup as Route;

        /// <summary>True when it has one half of a port and leaves the other to who agrees.</summary>
        public bool IsHalf { get; } = hookup is Route && hookup.Claims.Holds.Any(h => h is ShareHold);

        /// <summary>The same at another price.</summary>
        public Option At(PlanCost price) => new(Hookup, Column, Takes, Sets, Bars, price, Whole);

        /// <summary>True when both can have the halves of one port.</summary>
        public bool Shares(Option other) => Column == other.Column && IsHalf && other.IsHalf && !Clashes(other);

        /// <summary>True when both cannot be taken.</summary>
        public bool Clashes(Option other) =>
            Takes.Meets(other.Takes) || Sets.Meets(other.Bars) || Bars.Meets(other.Sets);

        /// <summary>True when this takes no more and holds no more.</summary>
        public bool IsWithin(Option other) =>
            Takes.IsWithin(other.Takes) && Sets.IsWithin(other.Sets) && Bars.IsWithin(other.Bars);
    }

    /// <summary>A link, a supply lead, a plug or a lead with all its options.</summary>
    /// <param name="Way">The link's ways, or null.</param>
    /// <param name="Feed">The supply lead's ways, or null.</param>
    /// <param name="Device">The device whose seat this row carries, or null.</param>
    /// <param name="Options">All options, in the order of mode, port, pad and seat.</param>
    /// <param name="Unmet">What it costs to take none, or null where one must be taken.</param>
    internal sealed record Row(
        LinkWays? Way,
        FeedWays? Feed,
        string? Device,
        IReadOnlyList<Option> Options,
        PlanCost? Unmet
    )
    {
        /// <summary>The options worth trying when no wish is in force, cheapest first.</summary>
        public IReadOnlyList<Option> Undominated { get; } = PlanProblem.Undominated(Options);

        /// <summary>The options that leave the other half of their port to who agrees.</summary>
        public IReadOnlyList<Option> Halves { get; } = [.. Options.Where(o => o.IsHalf)];
    }
}
