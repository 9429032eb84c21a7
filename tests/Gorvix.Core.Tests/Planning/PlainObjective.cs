using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Protocols;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// The planning question written from the words of docs/rules.md, not from the planner: what two ways fight about,
/// and what each costs. A way is a <see cref="Route"/> or a <see cref="Feed"/>; null goes without.
/// </summary>
internal sealed class PlainObjective(
    ResolvedBuild build,
    IReadOnlyList<LinkWays> ways,
    IReadOnlyList<FeedWays>? feeds = null
)
{
    private readonly IReadOnlyList<FeedWays> _feeds = feeds ?? Feeder.WaysOf(build);

    /// <summary>How many things are to be decided: links first, then supplies.</summary>
    public int Rows => ways.Count + _feeds.Count;

    /// <summary>The ways of one of them.</summary>
    public IReadOnlyList<object> WaysOf(int row) =>
        row < ways.Count ? ways[row].Routes : _feeds[row - ways.Count].Feeds;

    /// <summary>Every choice there is.</summary>
    public IEnumerable<object?[]> Everything() =>
        Enumerable
            .Range(0, Rows)
            .Aggregate(
                (IEnumerable<object?[]>)new[] { Array.Empty<object?>() },
                (heads, row) => heads.SelectMany(head => WaysOf(row).Append(null).Select(w => (object?[])[.. head, w]))
            );

    /// <summary>The choice that a plan made.</summary>
    public static object?[] ChoiceOf(Plan plan) =>
        [.. plan.Placements.Select(p => (object?)p.Route), .. plan.Feeds.Select(f => (object?)f.Feed)];

    /// <summary>The price of a choice, or null when two of its ways cannot stand together.</summary>
    public PlanCost? Of(object?[] choice)
    {
        for (var i = 0; i < choice.Length; i++)
        {
            for (var j = 0; j < i; j++)
            {
                if (choice[i] is { } a && choice[j] is { } b && Clash(a, b))
                {
                    return null;
                }
            }
        }
        var costs = choice
            .SelectMany((way, row) => Of(row, way))
            .Concat(choice.OfType<object>().SelectMany(Once).Distinct().Select(o => (o.Term, o.Amount)));
        return costs.Aggregate(PlanCost.Zero, (sum, c) => sum + PlanCost.Of(c.Item1, c.Item2));
    }

    /// <summary>True when two ways cannot both be taken.</summary>
    public bool Clash(object a, object b) =>
        BridgesOf(a).Any(x => BridgesOf(b).Any(y => x.Bridge == y.Bridge && x.Position != y.Position))
        || (a is Route r && b is Route s && (Uses(r).Intersect(Uses(s)).Any() || Jobs(r, s) || Halves(r, s)));

    /// <summary>What a route keeps every other from using.</summary>
    public IEnumerable<string> Uses(Route route)
    {
        foreach (var walk in route.Walks)
        {
            yield return $"lead {route.Link.Want.Device} {walk.Lead.Id}";
        }
        if (route.Port.Kind == PortKind.Bus)
        {
            yield return $"{route.Port.Id} address {route.Mode.Address}";
            yield break;
        }
        foreach (var net in NetsOf(route))
        {
            yield return net;
        }
        if (route.Port.Kind == PortKind.Uart && Strict)
        {
            yield return $"port {route.Port.Id}";
        }
        else if (route.Port.Kind == PortKind.Uart)
        {
            // A one-way user has its half; every other has both.
            foreach (var net in OneWay(route) ? NetsOf(route) : [route.Port.Rx ?? "", route.Port.Tx ?? ""])
            {
                yield return $"{route.Port.Id} half {net}";
            }
        }
    }

    /// <summary>What is paid once, however many ways ask for it; the key tells one from another.</summary>
    public IEnumerable<(string Key, CostTerm Term, int Amount)> Once(object way)
    {
        foreach (var contact in BridgesOf(way))
        {
            if (build.Board.Bridges.First(b => b.Id == contact.Bridge).Default != contact.Position)
            {
                yield return ($"{contact.Bridge}={contact.Position}", CostTerm.HandWork, 4);
            }
        }
        if (way is Route { Port.Kind: PortKind.Uart } route && HasPad(route.Port.Rx) && HasPad(route.Port.Tx))
        {
            yield return ($"whole {route.Port.Id}", CostTerm.WholePorts, 1);
        }
    }

    /// <summary>What a way costs by itself.</summary>
    public IEnumerable<(CostTerm Term, int Amount)> Of(int row, object? way) =>
        (row < ways.Count, way) switch
        {
            (true, Route route) => Of(ways[row], route),
            (true, _) => Unmet(ways[row]),
            (_, Feed feed) =>
            [
                (CostTerm.Hazards, feed.Pad.Meaning == PadMeaning.Doubtful ? 1 : 0),
                (CostTerm.AgainstHouse, Against(_feeds[row - ways.Count].Device.Device.Kind, feed) ? 1 : 0),
            ],
            _ => [(CostTerm.Unfed, 1)],
        };

    private bool Strict => build.Build.House.Sharing == PortSharing.Strict;

    // A plain reading of the two house rules about supplies; the generated rails hang on the battery directly.
    private bool Against(DeviceKind kind, Feed feed) =>
        kind switch
        {
            DeviceKind.Receiver => build.Build.House.Receiver == ReceiverSupply.AliveOnUsb
                != (feed.Rail.Feed == RailFeed.RegulatorOrUsb),
            DeviceKind.AirUnit or DeviceKind.VideoTransmitter or DeviceKind.Camera => build.Build.House.Video
                == VideoSupply.RegulatedFirst
                && feed.Rail.Feed == RailFeed.Battery,
            _ => false,
        };

    private IEnumerable<(CostTerm Term, int Amount)> Of(LinkWays way, Route route)
    {
        var need = way.Link.Function.Need;
        var advised = build.Board.Ports.Where(p => p.AdvisedFor.Contains(need)).ToList();
        var off = !advised.Contains(route.Port) && (route.Port.AdvisedFor.Count > 0 || advised.Count > 0);
        bool[] switches = [route.Settings.InvertRx, route.Settings.InvertTx, route.Settings.SwapPins];
        var doubtful = route.Walks.Count(w => w.Pad.Meaning == PadMeaning.Doubtful);
        var trapped = route.Walks.Count(w =>
            w.Line.Flow != Flow.Out && w.Lead.AtBoot == BootNeed.High && NetOf(w).AtBoot != BootLevel.High
        );
        var mode = route.Mode;
        var work =
            (mode.Setting is null ? 0 : 2)
            + (mode.Firmware is null ? 0 : 6)
            + (mode.Bauds.Count > 0 && mode.Bauds[0] != route.Settings.Baud ? 2 : 0)
            + (3 * trapped)
            + (mode.Protocol == "MSP" ? 2 * (build.Firmware?.CanvasSettings.Count ?? 0) : 0)
            + (build.Board.BuiltIns.Any(b => b.Gives == need) ? 2 : 0)
            + PlugOf(route).Points;
        var marginal = route.Walks.Count(w => w.Line.Flow != Flow.Out && w.Lead.HighFromVolts > 3.3);
        return
        [
            (CostTerm.PinsBroken, Pins(way).Count(p => p.Port != route.Port.Id)),
            (CostTerm.Hazards, Math.Min(3, doubtful + marginal + (route.Port.Usb == UsbSharing.Shared ? 1 : 0))),
            (CostTerm.Losses, mode.Loses.Count),
            (
                CostTerm.Processor,
                route.Port.Kind != PortKind.Software ? 0
                : route.Settings.Baud > 19200 ? 4
                : 3
            ),
            (CostTerm.HandWork, Math.Min(20, work)),
            (CostTerm.Switches, switches.Count(on => on)),
            (CostTerm.OffAdvice, off ? 1 : 0),
        ];
    }

    private IEnumerable<(CostTerm Term, int Amount)> Unmet(LinkWays way)
    {
        var needs = Enum.GetValues<Need>();
        var weight = needs.Length - Array.IndexOf(needs, way.Link.Function.Need);
        var term = way.Link.Want.Priority switch
        {
            Priority.Must => CostTerm.MustsUnmet,
            Priority.Want => CostTerm.WantsUnmet,
            _ => CostTerm.NicesUnmet,
        };
        return [(CostTerm.PinsBroken, Pins(way).Count()), (term, 1000 + weight)];
    }

    // Pins of ports only, and only those that some way can keep.
    private IEnumerable<RouteMatch> Pins(LinkWays way) =>
        build.Build.Pins.Where(p => p.Link == way.Link.Id && way.Routes.Any(r => r.Port.Id == p.Port));

    // A pin of the controller does one job: a bus on it keeps everything else away, and so does a lead that talks unasked.
    private bool Jobs(Route a, Route b) =>
        (a.Port.Id != b.Port.Id && NetsOf(a).Intersect(NetsOf(b)).Any())
        || PlugOf(a).Driven.Any(d => NetsOf(b).Contains(d.Net) || PlugOf(b).Driven.Any(e => e.Net == d.Net && e != d))
        || PlugOf(b).Driven.Any(d => NetsOf(a).Contains(d.Net));

    // Leads soldered although a plug of the family is there, pins to move, leads to lift, and nets that a lead drives unasked.
    private (int Points, IReadOnlyList<(string Net, string By)> Driven) PlugOf(Route route)
    {
        var device = route.Link.Device;
        var sockets = build.Board.Plugs.Where(p => p.Family == device.Plug?.Family).ToList();
        if (sockets.Count == 0)
        {
            return (0, []);
        }
        var here = sockets.Find(s => s.Pins.Any(p => route.Walks.Any(w => w.Pad.Id == p.Pad)));
        var outside = route.Walks.Count(w => here?.Pins.Any(p => p.Pad == w.Pad.Id) != true);
        if (here is null)
        {
            return (outside, []);
        }
        var pairs =
            from pair in device.Plug!.Pins.Zip(here.Pins)
            let lead = device.Leads.SingleOrDefault(l => l.Id == pair.First.Lead)
            where lead is not null
            select (Lead: lead, Pad: build.Board.Pads.SingleOrDefault(p => p.Id == pair.Second.Pad));
        bool Ground(Pad pad) =>
            pad.Paths.Any(p => build.Board.Rails.Any(r => r.Id == p.Rail && r.Feed == RailFeed.Ground));
        var fits =
            pairs.All(p =>
                p.Pad is null
                || p.Lead.Role switch
                {
                    LeadRole.Supply => !Ground(p.Pad) && p.Pad.Paths.Any(x => x.Rail is not null),
                    LeadRole.Ground => Ground(p.Pad),
                    _ => true,
                }
            )
            && route.Walks.All(w =>
                here.Pins.All(p => p.Pad != w.Pad.Id) || pairs.Any(p => p.Lead.Id == w.Lead.Id && p.Pad?.Id == w.Pad.Id)
            );
        var wanted = build.Links.Where(l => l.Want.Device == route.Link.Want.Device);
        var talking = pairs
            .Where(p => p.Lead.Talks == TalkHabit.Always && p.Pad?.Paths.Any(x => x.Net is not null) == true)
            .Where(p => !wanted.Any(l => l.Function.Modes.Any(m => m.Lines.Any(x => x.Lead == p.Lead.Id))))
            .Where(p => route.Walks.All(w => w.Pad != p.Pad))
            .Select(p => (p.Pad!.Paths.First(x => x.Net is not null).Net!, By: $"{route.Link.Want.Device} {p.Lead.Id}"))
            .ToList();
        var own = talking.Where(t => NetsOf(route).Contains(t.Item1)).ToList();
        var points = outside + (fits ? 0 : 2);
        return build.Build.House.Unused == UnusedLeads.Leave
            ? (points + own.Count, [.. talking.Except(own)])
            : (points + talking.Count, []);
    }

    // Two one-way users of one port's halves must agree on baud, framing and firmware.
    private bool Halves(Route a, Route b)
    {
        if (Strict || a.Port.Id != b.Port.Id || a.Port.Kind != PortKind.Uart || !OneWay(a) || !OneWay(b))
        {
            return false;
        }
        var (x, y) = (a.Settings, b.Settings);
        var listed =
            build.Firmware is not { } firmware
            || firmware.Shares.Any(s => (s.Rx == x.Job && s.Tx == y.Job) || (s.Rx == y.Job && s.Tx == x.Job));
        var sameLine = x.Baud == y.Baud && FramingOf(a) == FramingOf(b);
        return !listed || !sameLine || x.Job == y.Job;
    }

    private static Framing? FramingOf(Route route) => ProtocolCatalogue.Find(route.Mode.Protocol)!.Framing;

    private static bool OneWay(Route route) => route.Walks.Count == 1 && route.Walks[0].Line.Flow != Flow.Both;

    private static IEnumerable<string> NetsOf(Route route) => route.Walks.Select(w => w.Net);

    private Net NetOf(LineWalk walk) => build.Board.Nets.First(n => n.Id == walk.Net);

    private bool HasPad(string? net) =>
        net is not null && build.Board.Pads.Any(pad => pad.Paths.Any(path => path.Net == net));

    private static IReadOnlyList<Contact> BridgesOf(object way) => way is Route r ? r.Bridges : ((Feed)way).Bridges;
}
