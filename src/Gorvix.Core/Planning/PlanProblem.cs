using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Planning;

/// <summary>
/// The planning question as bits: for each link its options, each with what it takes and what it costs.
/// </summary>
/// <remarks>
/// Bits of a <see cref="ResourceSet"/>: one for each port (one device per port; a port stands for its two nets,
/// which no other port has), each lead, and one for each position of each bridge. The limits of
/// <see cref="PartCheck"/> and <see cref="BuildCheck"/> keep them within the set. An option <em>takes</em> ports and
/// leads, which no other may take; it <em>sets</em> bridge positions, which others may set too; and it <em>bars</em> the other
/// positions of those bridges. Resources that only one link can use are left out: nothing can clash there.
/// </remarks>
internal sealed class PlanProblem
{
    /// <summary>A link that goes without weighs this much, so that no sum of needs outweighs one link more.</summary>
    public const int UnmetLink = 1000;

    /// <summary>How many needs there are; the first weighs as much, the last one.</summary>
    public static readonly int Needs = Enum.GetValues<Need>().Length;

    /// <summary>Points of hand work for a bridge: iron on small pads.</summary>
    public const int BridgeWork = 4;

    /// <summary>Points of hand work for new firmware in a device.</summary>
    public const int FirmwareWork = 6;

    /// <summary>Points of hand work for a setting in a device.</summary>
    public const int SettingWork = 2;

    private readonly Dictionary<string, int> _bits = [];
    private readonly ResolvedBuild _build;

    public PlanProblem(ResolvedBuild build, IReadOnlyList<LinkWays> ways, IReadOnlyList<Limit> limits)
    {
        _build = build;
        var pins = build.Build.Pins;
        var bans = build.Build.Bans;
        foreach (var bridge in build.Board.Bridges)
        {
            foreach (var position in bridge.Positions)
            {
                var bit = Bit(BridgeKey(bridge.Id, position));
                if (position != bridge.Default)
                {
                    NotDefault |= bit;
                }
            }
        }
        var contested = Contested(ways);
        var entries = new List<Entry>();
        foreach (var (way, limit) in ways.Zip(limits))
        {
            var linkPins = pins.Where(p => p.Link == way.Link.Id).ToList();
            var allowed = way.Routes.Where(r => !bans.Any(r.Matches)).ToList();

            // A pin that no route can keep is a wish that cannot come true; it must not cost the link its place.
            var kept = linkPins.Where(p => allowed.Any(r => r.Matches(p))).ToList();
            var options = allowed.Where(limit.Allows).Select(r => OptionOf(r, contested, kept)).ToList();
            var unmet = Unmet(way.Link) + PlanCost.Of(CostTerm.PinsBroken, kept.Count);
            entries.Add(new Entry(way, Undominated(options), limit.Allows(null) ? unmet : null));
        }

        // What the flight depends on most is decided first: good plans are found early and the rest is cut off.
        Entries = [.. entries.OrderBy(e => e.Way.Link.Want.Priority).ThenBy(e => e.Way.Link.Function.Need)];
    }

    /// <summary>The links in the order of search: by priority, then by need, then as the builder listed them.</summary>
    public IReadOnlyList<Entry> Entries { get; }

    /// <summary>How many ports the board has.</summary>
    public int Ports => _build.Board.Ports.Count;

    /// <summary>The bridge positions that are not how the board comes.</summary>
    public ResourceSet NotDefault { get; }

    /// <summary>Price of a link that goes without: 1000 and the weight of its need, in the term of its priority.</summary>
    public static PlanCost Unmet(Link link)
    {
        var term = link.Want.Priority switch
        {
            Priority.Must => CostTerm.MustsUnmet,
            Priority.Want => CostTerm.WantsUnmet,
            _ => CostTerm.NicesUnmet,
        };
        return PlanCost.Of(term, UnmetLink + WeightOf(link.Function.Need));
    }

    // The more the flight depends on it, the heavier (common practice: control, picture text, position, telemetry, comforts).
    private static int WeightOf(Need need) => Needs - (int)need;

    private static string BridgeKey(string bridge, string position) => $"bridge {bridge} {position}";

    private static IEnumerable<string> KeysOf(Route route) =>
        [$"port {route.Port.Id}", .. route.Walks.Select(w => $"lead {route.Link.Want.Device} {w.Lead.Id}")];

    private static HashSet<string> Contested(IReadOnlyList<LinkWays> ways) =>
        [
            .. ways.SelectMany(w => w.Routes.SelectMany(KeysOf).Distinct())
                .GroupBy(key => key)
                .Where(g => g.Count() > 1)
                .Select(g => g.Key),
        ];

    // An option is worth keeping only if no earlier one takes no more, sets no more and costs no more.
    private static List<Option> Undominated(List<Option> options)
    {
        var kept = new List<Option>();
        foreach (var option in options.OrderBy(o => o.Cost))
        {
            if (!kept.Any(k => k.Takes.IsWithin(option.Takes) && k.Sets.IsWithin(option.Sets)))
            {
                kept.Add(option);
            }
        }
        return kept;
    }

    private Option OptionOf(Route route, HashSet<string> contested, List<RouteMatch> pins)
    {
        var takes = KeysOf(route).Where(contested.Contains).Aggregate(ResourceSet.None, (set, key) => set | Bit(key));
        var sets = ResourceSet.None;
        var bars = ResourceSet.None;
        foreach (var contact in route.Bridges)
        {
            foreach (var position in _build.Board.Bridges.First(b => b.Id == contact.Bridge).Positions)
            {
                var bit = Bit(BridgeKey(contact.Bridge, position));
                (sets, bars) = position == contact.Position ? (sets | bit, bars) : (sets, bars | bit);
            }
        }
        var port = _build.Board.Ports.Index().First(p => p.Item.Id == route.Port.Id).Index;
        return new Option(route, port, takes, sets, bars, CostOf(route, pins));
    }

    private PlanCost CostOf(Route route, List<RouteMatch> pins)
    {
        var work = (route.Mode.Firmware is null ? 0 : FirmwareWork) + (route.Mode.Setting is null ? 0 : SettingWork);
        return PlanCost.Of(CostTerm.PinsBroken, pins.Count(p => !route.Matches(p)))
            + PlanCost.Of(CostTerm.Losses, Math.Min(route.Mode.Loses.Count, 63))
            + PlanCost.Of(CostTerm.HandWork, work)
            + PlanCost.Of(CostTerm.WholePorts, Shape.Of(_build.Board, route.Port) == PortShape.Whole ? 1 : 0)
            + PlanCost.Of(CostTerm.Switches, route.Settings.Switches)
            + PlanCost.Of(CostTerm.OffAdvice, OffAdvice(route));
    }

    // Off the advice: on a port advised for other needs, or away from the port advised for this one.
    private int OffAdvice(Route route)
    {
        var need = route.Link.Function.Need;
        var here = route.Port.AdvisedFor;
        var elsewhere = _build.Board.Ports.Any(p => p.AdvisedFor.Contains(need));
        return !here.Contains(need) && (here.Count > 0 || elsewhere) ? 1 : 0;
    }

    private ResourceSet Bit(string key)
    {
        if (!_bits.TryGetValue(key, out var index))
        {
            _bits.Add(key, index = _bits.Count);
        }
        return ResourceSet.Of(index);
    }

    /// <summary>One route of a link as bits; <c>Port</c> counts the board's ports from 0.</summary>
    internal sealed record Option(
        Route Route,
        int Port,
        ResourceSet Takes,
        ResourceSet Sets,
        ResourceSet Bars,
        PlanCost Cost
    );

    /// <summary>One link of the question.</summary>
    /// <param name="Way">All its ways.</param>
    /// <param name="Options">Those that are allowed and not dominated, cheapest first.</param>
    /// <param name="Unmet">What it costs to leave it out, or null when it may not be left out.</param>
    internal sealed record Entry(LinkWays Way, IReadOnlyList<Option> Options, PlanCost? Unmet);
}
