using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>One way for a supply lead: a pad with its rail and the bridge positions that connect it, under a seat; or none.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">The supply lead.</param>
/// <param name="Pads">Every pad that gives the same in the same way, in the order of the board; none when it stays unfed.</param>
/// <param name="Rail">The rail behind it; null when it stays unfed.</param>
/// <param name="Volts">What it gives from the empty to the full pack; null when it stays unfed.</param>
/// <param name="Bridges">The bridge positions that it needs.</param>
public sealed record Feed(
    string Device,
    Lead Lead,
    IReadOnlyList<Pad> Pads,
    Rail? Rail,
    VoltWindow? Volts,
    IReadOnlyList<BridgeAt> Bridges
) : Hookup
{
    /// <summary>The output of another device that feeds it in place of a pad; null where a pad does.</summary>
    public OutputAt? From { get; init; }

    /// <summary>What it draws from rails and outputs of known limit.</summary>
    public IReadOnlyList<Draw> Draws { get; init; } = [];

    /// <summary>What feeds it, as the builder finds it: "pad 5V", "5V OUT of the Step 5"; null when nothing does.</summary>
    public string? Place =>
        From is { } from ? Sentences.OfThe(from.Lead.Label, from.Name)
        : Pad is { } pad ? $"pad {pad.Label}"
        : null;

    /// <summary>True when it feeds; false for a lead that goes without.</summary>
    public bool Feeds => Rail is not null || From is not null;

    /// <summary>The first of the pads, or null.</summary>
    public Pad? Pad => Pads.Count == 0 ? null : Pads[0];

    /// <summary>1 when it goes against a house rule although it works, else 0.</summary>
    public int AgainstHouse { get; init; }

    /// <summary>True when bans leave none of its pads.</summary>
    public bool IsBanned(IReadOnlyList<WishMatch> bans) =>
        From is null ? Pads.Count > 0 && !Allowed(bans).Any() : bans.OfType<FeedMatch>().Any(Matches);

    /// <summary>Its pads less those that are banned.</summary>
    public IEnumerable<Pad> Allowed(IReadOnlyList<WishMatch> bans) =>
        Pads.Where(p => !bans.OfType<FeedMatch>().Any(b => b.Device == Device && b.Lead == Lead.Id && b.Pad == p.Id));

    /// <summary>True when a pin or ban speaks about one of its pads.</summary>
    public bool Matches(FeedMatch match) =>
        match.Device == Device
        && match.Lead == Lead.Id
        && (
            From is { } from
                ? match.From == from.Device && match.FromLead == from.Lead.Id
                : Pads.Any(p => p.Id == match.Pad)
        );
}

/// <summary>A pad that cannot feed the device.</summary>
/// <param name="Pad">The pad; null for the output of another device.</param>
/// <param name="Finding">The rule and its facts.</param>
public sealed record FeedRejection(Pad? Pad, Finding Finding);

/// <summary>All ways to feed one supply lead of a device, and all that are blocked.</summary>
/// <param name="Device">The device.</param>
/// <param name="Supply">The lead and the volts that it takes.</param>
/// <param name="Feeds">The ways that work, seat by seat, in the order of the pads.</param>
/// <param name="Rejections">The pads that do not.</param>
public sealed record FeedWays(
    DeviceInBuild Device,
    SupplyInput Supply,
    IReadOnlyList<Feed> Feeds,
    IReadOnlyList<FeedRejection> Rejections
)
{
    /// <summary>The lead.</summary>
    public Lead Lead { get; } = Device.Device.Leads.First(l => l.Id == Supply.Lead);

    /// <summary>What can be done with the lead where it is not fed, seat by seat.</summary>
    public IReadOnlyList<Feed> Without { get; init; } = [];
}

/// <summary>Finds what can feed each device: every window against what arrives at every pad with the pack full and empty.</summary>
public static class Feeder
{
    internal static readonly DeviceKind[] Video = [DeviceKind.VideoTransmitter, DeviceKind.AirUnit, DeviceKind.Camera];

    /// <summary>The ways of every supply lead. Nothing is judged before the pack is chosen: then the list is empty.</summary>
    /// <param name="build">The build.</param>
    /// <param name="seats">The seats of its devices.</param>
    public static IReadOnlyList<FeedWays> WaysOf(ResolvedBuild build, IReadOnlyList<DeviceSeats> seats) =>
        SourceOf(build) is not { } source
            ? []
            : OutputFeeder.Added(
                build,
                seats,
                [
                    .. from device in seats
                    from supply in device.Device.Device.Supplies
                    select WaysOf(build, device, supply, source),
                ],
                source
            );

    /// <summary>What the board's supply input gets, or null while neither pack nor input is chosen.</summary>
    public static VoltWindow? SourceOf(ResolvedBuild build) =>
        build.Build.InputVolts is { } volts ? new VoltWindow { Min = volts, Max = volts } : build.Build.Pack?.Volts();

    /// <summary>True when the board's supply input stands what it gets, or one of both is not known.</summary>
    public static bool InputSuits(ResolvedBuild build) =>
        build.Board.Input is not { } input || SourceOf(build) is not { } source || input.Holds(source);

    private static FeedWays WaysOf(ResolvedBuild build, DeviceSeats seats, SupplyInput supply, VoltWindow source)
    {
        var device = seats.Device;
        var lead = device.Device.Leads.First(l => l.Id == supply.Lead);
        var rejections = new List<FeedRejection>();
        var places = build
            .Board.Pads.Where(pad => build.Circuit.From(pad).Any(s => s.To.Kind == NodeKind.Rail))
            .SelectMany(pad => PlacesOf(build, device, supply, lead, pad, source, rejections))
            .ToList();
        var feeds = new List<Feed>();
        var without = new List<Feed>();
        foreach (var way in seats.Ways)
        {
            feeds.AddRange(FeedsOf(build, seats, way, lead, supply, places, source));
            without.AddRange(WithoutOf(build, seats, way, lead, source));
        }
        return new FeedWays(device, supply, feeds, rejections) { Without = without };
    }

    // The pads that could feed it in some position of their bridges, whatever the seat; the others with the reason.
    private static IEnumerable<Place> PlacesOf(
        ResolvedBuild build,
        DeviceInBuild device,
        SupplyInput supply,
        Lead lead,
        Pad pad,
        VoltWindow source,
        List<FeedRejection> rejections
    )
    {
        foreach (var touch in PadContact.Of(build.Circuit, device.Device, lead, pad, source))
        {
            if (touch.End == ContactEnd.Feeds)
            {
                yield return new Place(pad, touch);
            }
            else if (Failure(build, device, supply, pad, touch) is { } failure)
            {
                rejections.Add(new FeedRejection(pad, failure));
            }
        }
    }

    private static Finding? Failure(
        ResolvedBuild build,
        DeviceInBuild device,
        SupplyInput supply,
        Pad pad,
        PadContact touch
    )
    {
        (string, string)[] Facts(params (string, string)[] facts) =>
            [("pad", pad.Label), ("device", device.Device.Name), .. facts];
        if (touch.State.Strands.Any(s => s.To.Kind == NodeKind.Net))
        {
            return null;
        }
        var rails = touch
            .State.Strands.Where(s => s.To.Kind == NodeKind.Rail)
            .Select(s => (Rail: build.Circuit.Rails[s.To.Id], Strand: s))
            .Where(r => r.Rail.Feed != RailFeed.Ground)
            .ToList();
        return (rails, touch.Volts) switch
        {
            ([], _) => null,
            ([var one, var two, ..], { }) when one.Rail != two.Rail => SupplyRules.Tied.Refused(
                Subject.Pad(pad.Id),
                Facts(("one", one.Rail.Label), ("two", two.Rail.Label))
            ),
            (_, { } volts) => Misses(Subject.Pad(pad.Id), pad.Label, device, supply, volts),
            ([var first, ..], null) => SupplyRules.Blocked.Found(
                Severity.Stop,
                Subject.Pad(pad.Id),
                Facts(("rail", first.Rail.Label), ("what", WordOf(first.Strand)))
            ),
        };
    }

    /// <summary>Why a supply that is outside a lead's window cannot power it.</summary>
    /// <param name="place">The pad or the device whose supply it is.</param>
    /// <param name="label">What the builder calls it.</param>
    /// <param name="device">The device that it would power.</param>
    /// <param name="supply">What its lead needs.</param>
    /// <param name="volts">What the supply has.</param>
    internal static Finding Misses(
        Subject place,
        string label,
        DeviceInBuild device,
        SupplyInput supply,
        VoltWindow volts
    )
    {
        var isFixed = volts.Max - volts.Min < 0.05;
        Finding Say(Rule rule, double has, string changes, double takes) =>
            rule.Refused(
                place,
                ("pad", label),
                ("device", device.Device.Name),
                ("has", isFixed ? $"has {has:0.0#} V" : changes),
                ("takes", $"{takes:0.0#}")
            );
        return supply.Window.IsOver(volts.Max)
            ? Say(SupplyRules.Over, volts.Max, Sentences.ReachesVOnAFull(volts.Max), supply.Window.Max)
            : Say(SupplyRules.Under, volts.Min, Sentences.DropsToVOnAn(volts.Min), supply.Window.Min);
    }

    private static string WordOf(Strand strand) =>
        strand.Steps.Select(s => s.Kind).FirstOrDefault(k => k is not (StepKind.Copper or StepKind.Contact)) switch
        {
            StepKind.Divider => "a divider",
            StepKind.Inverter => Sentences.AnInverter,
            StepKind.Resistor => "a resistor",
            _ => Sentences.ABlockingDiode,
        };

    // One feed for each rail, bridge position and manner of joining; pads that differ in nothing else stand in it together. The pad
    // to which the lead is soldered already does differ.
    private static List<Feed> FeedsOf(
        ResolvedBuild build,
        DeviceSeats seats,
        SeatWay way,
        Lead lead,
        SupplyInput supply,
        List<Place> places,
        VoltWindow source
    )
    {
        var feeds = new List<Feed>();
        var built = build.Built.JointOf(new(seats.Device.Id, lead.Id))?.Pad;
        foreach (var (pad, touch) in places)
        {
            if (Seater.Join(build.Circuit, way, lead, pad) is not { } joint)
            {
                continue;
            }
            var work = joint.Work is null ? [] : new[] { joint.Work };
            var same = feeds.FindIndex(f =>
                joint.Place == LeadPlace.Soldered
                && pad.Id != built
                && f.Pads[0].Id != built
                && f.Rail == touch.Rail
                && f.Volts == touch.Volts
                && f.Bridges.SequenceEqual(touch.State.Bridges)
                && f.Pads[0].Meaning == pad.Meaning
                && !build.Circuit.SocketOf.ContainsKey(f.Pads[0].Id)
            );
            if (same >= 0)
            {
                feeds[same] = feeds[same] with { Pads = [.. feeds[same].Pads, pad] };
                continue;
            }
            feeds.Add(
                new Feed(seats.Device.Id, lead, [pad], touch.Rail, touch.Volts, touch.State.Bridges)
                {
                    Seat = way.Seat,
                    Claims = Claim(build, seats, way, touch.State.Bridges).With([joint]),
                    Minutes = joint.Minutes + (joint.Evicts is null ? 0 : WorkMinutes.Lift),
                    Work = work,
                    Hazards =
                        pad.Meaning == PadMeaning.Uncertain
                            ?
                            [
                                HazardRules.Measure.Found(
                                    Severity.Warn,
                                    Subject.Pad(pad.Id),
                                    ("pad", pad.Label),
                                    ("lead", lead.Label)
                                ),
                            ]
                            : [],
                    AgainstHouse = AgainstHouse(build, seats.Device.Device.Kind, touch.Rail!) ? 1 : 0,
                    Draws =
                    [
                        .. Budget.From(
                            build.Circuit,
                            touch.Rail!,
                            source,
                            supply.Rule(touch.Volts!.Min),
                            supply.Most(touch.Volts.Min)
                        ),
                    ],
                }
            );
        }
        return feeds;
    }

    /// <summary>What a feed needs of bridges and of its device's plug.</summary>
    internal static Claims Claim(
        ResolvedBuild build,
        DeviceSeats seats,
        SeatWay way,
        IReadOnlyList<BridgeAt> bridges
    ) =>
        new(
            [],
            [
                .. SeatFinder.Bridges(build, bridges),
                .. seats.IsChoice
                    ? new Hold[] { new SeatHold(seats.Device.Id, way.Seat.Kind, way.Seat.Socket?.Id) }
                    : [],
            ]
        );

    // Without a feed: in its cavity while that does no harm, or out of it and insulated.
    private static IEnumerable<Feed> WithoutOf(
        ResolvedBuild build,
        DeviceSeats seats,
        SeatWay way,
        Lead lead,
        VoltWindow source
    )
    {
        var device = seats.Device;
        Feed Unfed(Claims claims) =>
            new(device.Id, lead, [], null, null, [])
            {
                Seat = way.Seat,
                Claims = claims with { Holds = [.. claims.Holds, new PowerHold(device.Id, Power.Unfed)] },
            };
        var home = Harness.Of(device.Device).HomeOf(lead.Id);
        if (way.Seat.Socket is not { } socket || home < 0)
        {
            yield return Unfed(Claim(build, seats, way, []));
            yield break;
        }
        var touches = PadContact.Of(build.Circuit, device.Device, lead, socket.Pads[home], source);
        foreach (var touch in touches.Where(t => t.End == ContactEnd.Quiet && !way.Forced.ContainsKey(lead.Id)))
        {
            var claims = Claim(build, seats, way, touches.Count == 1 ? [] : touch.State.Bridges);
            yield return Unfed(claims with { Holds = [.. claims.Holds, new HomeHold(device.Id, lead.Id, Home.Kept)] });
        }
        if (!way.Kept.Contains(lead.Id))
        {
            var claims = Claim(build, seats, way, []);
            yield return Unfed(claims with { Holds = [.. claims.Holds, way.Leaves(lead.Id)] }) with
            {
                Minutes = WorkMinutes.Lift,
            };
        }
    }

    private static bool AgainstHouse(ResolvedBuild build, DeviceKind kind, Rail rail) =>
        kind == DeviceKind.Receiver
            ? Trace.OnUsb(build.Circuit, rail) != (build.Build.House.Receiver == ReceiverSupply.LiveOnUsb)
            : Video.Contains(kind)
                && build.Build.House.Video == VideoSupply.RegulatedFirst
                && rail.Feed == RailFeed.Battery;

    private sealed record Place(Pad Pad, PadContact Touch);
}
