using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>An output of a device that feeds another one, with what feeds that device.</summary>
/// <param name="Device">Id within the build of the device whose output it is.</param>
/// <param name="Lead">The lead of the output.</param>
/// <param name="Output">The output.</param>
/// <param name="Rail">The rail that feeds the device.</param>
/// <param name="Name">What the builder calls the device.</param>
public sealed record OutputAt(string Device, Lead Lead, SupplyOutput Output, Rail Rail, string Name);

/// <summary>Finds what the outputs of devices can feed: regulators, adapters, filters, the 5 V of a transmitter.</summary>
internal static class OutputFeeder
{
    /// <summary>
    /// The ways of every supply lead, with the outputs of other devices: each for every rail that can feed its device, so that what
    /// arrives and what is drawn is known of each way.
    /// </summary>
    /// <param name="build">The build.</param>
    /// <param name="seats">The seats of its devices.</param>
    /// <param name="ways">What the pads of the board give.</param>
    /// <param name="source">What the supply input gets.</param>
    public static IReadOnlyList<FeedWays> Added(
        ResolvedBuild build,
        IReadOnlyList<DeviceSeats> seats,
        IReadOnlyList<FeedWays> ways,
        VoltWindow source
    )
    {
        var outputs = (
            from way in ways
            let device = way.Device.Device
            where device.Supplies[0] == way.Supply
            from output in device.Outputs
            let lead = device.Leads.First(l => l.Id == output.Lead)
            // In a plug it meets what its socket has; only an output of its own wire or pad is there to be soldered to.
            where Harness.Of(device).HomeOf(lead.Id) < 0
            from feed in way.Feeds.DistinctBy(f => (f.Rail, f.Volts))
            select (Way: way, feed.Volts, At: new OutputAt(way.Device.Id, lead, output, feed.Rail!, device.Name))
        ).ToList();
        if (outputs.Count == 0)
        {
            return ways;
        }
        var givers = outputs.Select(o => o.At.Device).ToHashSet();
        return
        [
            .. ways.Select(w =>
            {
                var told = givers.Contains(w.Device.Id) && w.Supply == w.Device.Device.Supplies[0] ? Told(w) : w;
                var of = seats.First(s => s.Device.Id == w.Device.Id);
                return told with
                {
                    Feeds =
                    [
                        .. told.Feeds,
                        .. from output in outputs
                        where output.At.Device != w.Device.Id
                        let gives = GivesOf(output.At, output.Volts!)
                        where w.Supply.Window.Holds(gives)
                        from seat in of.Ways
                        where seat.Seat.Kind != SeatKind.Off
                        let feed = FromOutput(build, of, seat, w, output.At, output.Volts!, gives, source)
                        where feed is not null
                        select feed,
                    ],
                    // What lies near and is no supply for it is named as well: a transmitter's camera output has the battery's volts.
                    Rejections =
                    [
                        .. told.Rejections,
                        .. from output in outputs
                        where output.At.Device != w.Device.Id
                        let gives = GivesOf(output.At, output.Volts!)
                        where !w.Supply.Window.Holds(gives)
                        select new FeedRejection(
                            null,
                            Feeder.Misses(
                                Subject.Device(output.At.Device),
                                Sentences.OfThe(output.At.Lead.Label, output.At.Name),
                                w.Device,
                                w.Supply,
                                gives
                            )
                        ),
                    ],
                };
            }),
        ];
    }

    private static VoltWindow GivesOf(OutputAt output, VoltWindow feeding) =>
        output.Output.Volts is { } volts ? new VoltWindow { Min = volts, Max = volts } : feeding;

    private static FeedWays Told(FeedWays ways)
    {
        Feed With(Feed feed) =>
            feed with
            {
                Claims = feed.Claims with
                {
                    Holds = [.. feed.Claims.Holds, new SourceHold(feed.Device, feed.Rail?.Id, feed.Volts)],
                },
            };
        return ways with { Feeds = [.. ways.Feeds.Select(With)], Without = [.. ways.Without.Select(With)] };
    }

    private static Feed? FromOutput(
        ResolvedBuild build,
        DeviceSeats seats,
        SeatWay way,
        FeedWays ways,
        OutputAt from,
        VoltWindow feeding,
        VoltWindow gives,
        VoltWindow source
    )
    {
        var (typical, peak) = (ways.Supply.Rule(gives.Min), ways.Supply.Most(gives.Min));
        // It passes on what feeds it, or makes its volts of it.
        var ratio = from.Output.Volts is { } volts
            ? Budget.Ratio(from.Output.Kind, from.Output.Efficiency, volts, feeding.Min)
            : 1;
        if (Seater.Splice(way, ways.Lead, from) is not { } joint)
        {
            return null;
        }
        return new Feed(ways.Device.Id, ways.Lead, [], null, gives, [])
        {
            From = from,
            Seat = way.Seat,
            Claims = Feeder
                .Claim(build, seats, way, [])
                .With(
                    [joint],
                    new SourceHold(from.Device, from.Rail.Id, feeding),
                    new PowerHold(from.Device, Power.Fed)
                ),
            Minutes = joint.Minutes,
            Work = joint.Work is null ? [] : [joint.Work],
            AgainstHouse = AgainstHouse(build, ways.Device.Device.Kind, from) ? 1 : 0,
            Draws =
            [
                .. Budget.From(from.Device, from.Output, from.Lead.Label, typical, peak) is { } own
                    ? new[] { own }
                    : [],
                .. Budget.From(build.Circuit, from.Rail, source, typical * ratio, peak * ratio),
            ],
        };
    }

    private static bool AgainstHouse(ResolvedBuild build, DeviceKind kind, OutputAt from) =>
        kind == DeviceKind.Receiver
            ? Trace.OnUsb(build.Circuit, from.Rail) != (build.Build.House.Receiver == ReceiverSupply.LiveOnUsb)
            : Feeder.Video.Contains(kind)
                && build.Build.House.Video == VideoSupply.RegulatedFirst
                && from is { Output: { Volts: null, Filtering: not Filtering.Filtered }, Rail.Feed: RailFeed.Battery };
}
