using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

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
        : this(build, Effort.Patient, stop) { }

    /// <summary>The space of a build.</summary>
    /// <param name="build">The build.</param>
    /// <param name="effort">How long its searches go on.</param>
    /// <param name="stop">Stops every search in it.</param>
    public PlanSpace(ResolvedBuild build, Effort effort, CancellationToken stop = default)
        : this(Router.WaysOf(build, stop), effort, stop) { }

    /// <summary>The space of a build whose ways are known already.</summary>
    /// <param name="ways">What <see cref="Router.WaysOf(ResolvedBuild, CancellationToken)"/> gave.</param>
    /// <param name="effort">How long its searches go on.</param>
    /// <param name="stop">Stops every search in it.</param>
    public PlanSpace(BuildWays ways, Effort effort = Effort.Patient, CancellationToken stop = default)
    {
        (Build, All, Stop, Effort) = (ways.Build, ways, stop, effort);
        var drafts = new PlanDrafter(ways).Drafts().ToList();
        UndoCost.LayOn(ways.Build, drafts);
        var choices = drafts.ConvertAll(d => d.Choices);
        var takes = PlanStates.Contested(choices, c => c.Claims.Takes);
        var states = PlanStates.Of(choices);
        PlanStates.Fold(drafts, states);
        PlanDrafter.Gather(drafts);
        var priced = new Dictionary<(PlanCost Each, bool Whole), ResourceSet>();
        foreach (var hold in states.Values.SelectMany(s => s))
        {
            var price = (PlanStates.PriceOf(hold), hold is WholeHold);
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
        Loads = PlanLoad.Of(choices);
        var busRows = Ways.SelectMany(w => w.Routes.Select(r => r.Port).Where(p => p.Kind == PortKind.Bus).Distinct())
            .CountBy(p => p.Id)
            .ToDictionary();
        Rows =
        [
            .. drafts.Select(d => new PlanRow(
                d.Way,
                d.Feed,
                d.Device,
                [.. d.Choices.Select(c => OptionOf(c, takes, states, busRows))],
                d.Unmet
            )),
        ];
        Weighty = takes
            .Where(t => t.Key.Kind == ThingKind.Job)
            .Aggregate(ResourceSet.None, (set, t) => set | Bit(t.Value));
        Columns = _columns.Count;
        Guests = GuestsOf();
        Once = [.. priced.Select(p => (p.Value, p.Key.Each.Number, p.Key.Whole))];
        _hasWhole = Once.Any(o => o.Whole);
        WholeEach = Once.Where(o => o.Whole).Select(o => o.Each).FirstOrDefault();
    }

    /// <summary>
    /// The rails and outputs whose limit the build could pass: each as two loads, what is drawn as a rule, which no plan may pass,
    /// and then what is drawn at most, which a plan may pass at the price of a hazard.
    /// </summary>
    internal IReadOnlyList<PlanLoad> Loads { get; }

    /// <summary>What it costs that a limit is passed at times.</summary>
    internal static Int128 StrainCost { get; } = PlanCost.Of(CostTerm.Hazards, 1).Number;

    /// <summary>What decides about whole links: a job that one port may have. Who gets it is settled first.</summary>
    internal ResourceSet Weighty { get; private set; }

    /// <summary>The build.</summary>
    public ResolvedBuild Build { get; private set; }

    /// <summary>The space of the same build with other pins and bans. Only wishes that name a lead or a pad change what there is to choose from.</summary>
    public PlanSpace With(IReadOnlyList<WishMatch> pins, IReadOnlyList<WishMatch> bans)
    {
        var build = Build.WithWishes(pins, bans);
        if (Router.Depends(Build.Build.Pins, pins) || Router.Depends(Build.Build.Bans, bans))
        {
            return new PlanSpace(build, Effort, Stop);
        }
        var copy = (PlanSpace)MemberwiseClone();
        copy.Build = build;
        return copy;
    }

    /// <summary>Tells that nobody waits for the answer any more.</summary>
    internal CancellationToken Stop { get; private set; }

    /// <summary>What making it has weighed, on the scale of <see cref="SearchBudget"/>.</summary>
    internal int Weight => Rows.Sum(r => r.Options.Count) * 50;

    /// <summary>How long searches in it go on.</summary>
    public Effort Effort { get; private set; }

    /// <summary>The same space, thought about longer or shorter.</summary>
    public PlanSpace With(Effort effort)
    {
        var copy = (PlanSpace)MemberwiseClone();
        copy.Effort = effort;
        return copy;
    }

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
    internal IReadOnlyList<PlanRow> Rows { get; }

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

    private PlanOption OptionOf(
        PlanChoice choice,
        Dictionary<Thing, Thing> takes,
        Dictionary<HoldGroup, List<Hold>> states,
        Dictionary<string, int> busRows
    )
    {
        var (taken, set, barred, whole) = (ResourceSet.None, ResourceSet.None, ResourceSet.None, -1);
        foreach (var key in choice.Claims.Takes)
        {
            taken |= takes.TryGetValue(key, out var stands) ? Bit(stands) : ResourceSet.None;
        }
        foreach (var hold in choice.Claims.Holds)
        {
            if (!states.ContainsKey(hold.Group))
            {
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
        var column = ColumnOf(choice, takes, busRows);
        return new PlanOption(
            choice.Hookup,
            column,
            taken,
            set,
            barred,
            choice.Cost,
            whole,
            PlanLoad.DrawnBy(choice, Loads)
        );
    }

    // The port of a serial unit, else the first net; -1 where nothing is fought about. A bus, a pulse input or
    // serial in code that covers all nets of a serial unit stands in that unit's column: none of them goes with it.
    private int ColumnOf(PlanChoice choice, Dictionary<Thing, Thing> takes, Dictionary<string, int> busRows)
    {
        if (choice.Hookup is not Route { RidesIn: null, IsShared: false } route)
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
        var halves = Rows.Select(r => r.Halves.ToLookup(o => o.Column)).ToList();
        var pairs = (
            from a in Enumerable.Range(0, Rows.Count)
            from b in Enumerable.Range(0, a)
            where halves[a].Any(port => port.Any(o => halves[b][port.Key].Any(o.Shares)))
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
}
