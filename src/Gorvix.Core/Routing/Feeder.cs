using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Routing;

/// <summary>One way to feed a device: a supply pad with its rail and the bridge positions that connect it.</summary>
/// <param name="Pad">The pad.</param>
/// <param name="Rail">The rail behind it.</param>
/// <param name="Volts">What it gives from the empty to the full pack.</param>
/// <param name="Bridges">The bridge positions that it needs.</param>
public sealed record Feed(Pad Pad, Rail Rail, VoltWindow Volts, IReadOnlyList<Contact> Bridges)
{
    /// <summary>Every pad that gives the same over the same bridges, this one first.</summary>
    public IReadOnlyList<Pad> Pads { get; init; } = [Pad];

    /// <summary>What it needs of the board.</summary>
    public required Claims Claims { get; init; }

    /// <summary>What the builder must know; each weighs in the objective.</summary>
    public IReadOnlyList<Finding> Hazards { get; init; } = [];

    /// <summary>1 when it goes against a house rule although it works, else 0.</summary>
    public int AgainstHouse { get; init; }
}

/// <summary>A pad that cannot feed the device.</summary>
/// <param name="Pad">The pad.</param>
/// <param name="Finding">The rule and its facts.</param>
public sealed record FeedRejection(Pad Pad, Finding Finding);

/// <summary>All ways to feed one supply lead of a device, and all that are blocked.</summary>
/// <param name="Device">The device.</param>
/// <param name="Supply">The lead and the volts that it takes.</param>
/// <param name="Feeds">The ways that work, one for each rail and bridge position, in the order of the pads.</param>
/// <param name="Rejections">The pads that do not.</param>
public sealed record FeedWays(
    DeviceInBuild Device,
    SupplyInput Supply,
    IReadOnlyList<Feed> Feeds,
    IReadOnlyList<FeedRejection> Rejections
);

/// <summary>Finds what can feed each device: every window against what every pad gives with the pack full and empty.</summary>
public static class Feeder
{
    private static readonly DeviceKind[] Video = [DeviceKind.VideoTransmitter, DeviceKind.AirUnit, DeviceKind.Camera];

    /// <summary>The ways of every supply lead. Nothing is judged before the pack is chosen: then the list is empty.</summary>
    public static IReadOnlyList<FeedWays> WaysOf(ResolvedBuild build) =>
        SourceOf(build) is not { } source
            ? []
            :
            [
                .. from device in build.Devices
                from supply in device.Device.Supplies
                select WaysOf(build, device, supply, source),
            ];

    /// <summary>What the board's supply input gets, or null while neither pack nor input is chosen.</summary>
    public static VoltWindow? SourceOf(ResolvedBuild build) =>
        build.Build.InputVolts is { } volts ? new VoltWindow { Min = volts, Max = volts } : build.Build.Pack?.Volts();

    /// <summary>True when the board's supply input stands what it gets, or one of both is not known.</summary>
    public static bool InputSuits(ResolvedBuild build) =>
        build.Board.Input is not { } input
        || SourceOf(build) is not { } source
        || (source.Min >= input.Min && source.Max <= input.Max);

    /// <summary>What a rail gives; a regulator cannot give more than its source less its dropout.</summary>
    /// <param name="board">The board; no ring of rails.</param>
    /// <param name="rail">One of its rails.</param>
    /// <param name="source">What the board's supply input gets.</param>
    public static VoltWindow VoltsOf(Board board, Rail rail, VoltWindow source)
    {
        var from = rail.From is { } id ? VoltsOf(board, board.Rails.First(r => r.Id == id), source) : source;
        if (rail.Feed == RailFeed.Ground)
        {
            return new VoltWindow { Min = 0, Max = 0 };
        }
        if (rail.Feed == RailFeed.Battery || rail.Volts is not { } volts)
        {
            return from;
        }
        if (rail.Feed == RailFeed.Booster)
        {
            return new VoltWindow { Min = volts, Max = volts };
        }
        double Out(double input) => Math.Max(0, Math.Min(volts, input - rail.Dropout));
        return new VoltWindow { Min = Out(from.Min), Max = Out(from.Max) };
    }

    private static FeedWays WaysOf(ResolvedBuild build, DeviceInBuild device, SupplyInput supply, VoltWindow source)
    {
        var feeds = new List<Feed>();
        var rejections = new List<FeedRejection>();
        foreach (var pad in build.Board.Pads.Where(p => p.Meaning != PadMeaning.NotConnected))
        {
            foreach (var path in pad.Paths.Where(p => p.Rail is not null))
            {
                var rail = build.Board.Rails.First(r => r.Id == path.Rail);
                if (rail.Feed == RailFeed.Ground)
                {
                    continue;
                }
                var volts = Less(VoltsOf(build.Board, rail, source), path.Through.OfType<Diode>().Sum(d => d.Volts));
                if (Failure(device, supply, pad, volts) is { } failure)
                {
                    rejections.Add(new FeedRejection(pad, failure));
                    continue;
                }
                List<Contact> bridges = [.. path.Through.OfType<Contact>()];
                var same = feeds.FindIndex(f =>
                    f.Rail == rail
                    && f.Volts == volts
                    && f.Bridges.SequenceEqual(bridges)
                    && f.Pad.Meaning == pad.Meaning
                );
                if (same < 0)
                {
                    feeds.Add(FeedOf(build, device, supply, pad, rail, volts, bridges));
                }
                else
                {
                    feeds[same] = feeds[same] with { Pads = [.. feeds[same].Pads, pad] };
                }
            }
        }
        return new FeedWays(device, supply, feeds, rejections);
    }

    private static VoltWindow Less(VoltWindow volts, double drop) =>
        drop == 0 ? volts : new() { Min = Math.Max(0, volts.Min - drop), Max = Math.Max(0, volts.Max - drop) };

    private static Finding? Failure(DeviceInBuild device, SupplyInput supply, Pad pad, VoltWindow volts)
    {
        Finding Say(Rule rule, double gives, double takes) =>
            rule.Found(
                Severity.Stop,
                pad.Label,
                ("pad", pad.Label),
                ("gives", $"{gives:0.0#}"),
                ("device", device.Device.Name),
                ("takes", $"{takes:0.0#}")
            );
        return volts.Max > supply.Window.Max ? Say(FeedRules.Burn, volts.Max, supply.Window.Max)
            : volts.Min < supply.Window.Min ? Say(FeedRules.Starve, volts.Min, supply.Window.Min)
            : null;
    }

    private static Feed FeedOf(
        ResolvedBuild build,
        DeviceInBuild device,
        SupplyInput supply,
        Pad pad,
        Rail rail,
        VoltWindow volts,
        List<Contact> bridges
    )
    {
        var lead = device.Device.Leads.First(l => l.Id == supply.Lead).Label;
        return new Feed(pad, rail, volts, bridges)
        {
            Claims = new Claims(
                [],
                [.. bridges.Select(c => new BridgeHold(build.Board.Bridges.First(b => b.Id == c.Bridge), c.Position))]
            ),
            Hazards =
                pad.Meaning == PadMeaning.Doubtful
                    ? [HazardRules.Measure.Found(Severity.Warn, pad.Label, ("pad", pad.Label), ("lead", lead))]
                    : [],
            AgainstHouse = AgainstHouse(build, device.Device.Kind, rail) ? 1 : 0,
        };
    }

    private static bool AgainstHouse(ResolvedBuild build, DeviceKind kind, Rail rail) =>
        kind == DeviceKind.Receiver
            ? AliveOnUsb(build.Board, rail) != (build.Build.House.Receiver == ReceiverSupply.AliveOnUsb)
            : Video.Contains(kind)
                && build.Build.House.Video == VideoSupply.RegulatedFirst
                && rail.Feed == RailFeed.Battery;

    private static bool AliveOnUsb(Board board, Rail rail) =>
        rail.Feed == RailFeed.RegulatorOrUsb
        || (rail.From is { } from && AliveOnUsb(board, board.Rails.First(r => r.Id == from)));
}
