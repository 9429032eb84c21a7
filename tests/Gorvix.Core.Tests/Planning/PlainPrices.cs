using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>What each way costs, and what is paid once.</summary>
internal sealed partial class PlainObjective
{
    /// <summary>What is paid once, however many ways ask for it; the key tells one from another.</summary>
    public IEnumerable<(string Key, CostTerm Term, int Amount)> Once(Hookup way)
    {
        foreach (var contact in BridgesOf(way))
        {
            var bridge = _build.Board.Bridges.First(b => b.Id == contact.Bridge);
            if (bridge.Default != contact.Position)
            {
                var minutes = bridge.MovedBy == MovedBy.Firmware ? 2 : 4;
                yield return ($"{contact.Bridge}={contact.Position}", CostTerm.HandWork, minutes);
            }
        }
        foreach (var (key, value) in StatesOf(way))
        {
            if (value == "tail")
            {
                yield return ($"tail {key}", CostTerm.HandWork, 2);
            }
        }
        foreach (var (key, value) in StatesOf(way).Where(s => s.Key.StartsWith("home ", StringComparison.Ordinal)))
        {
            if (value == "left" && !Counted(Seats[(DeviceOf(way), way.Seat)], key.Split(' ')[2]))
            {
                yield return ($"lift {key}", CostTerm.HandWork, 1);
            }
        }
        if (way is Route { RidesIn: null } link)
        {
            var canvas = link.Mode.Protocol == "MSP" ? _build.Firmware?.CanvasSettings ?? [] : [];
            var inside = _build
                .Board.BuiltIns.Where(b => b.Gives == link.Link.Function.Need)
                .Take(1)
                .Select(b => b.Name);
            foreach (var setting in canvas.Concat(inside))
            {
                yield return ($"setting {setting}", CostTerm.HandWork, 2);
            }
        }
        if (way is Route { RidesIn: not null } ride)
        {
            foreach (var work in ride.Work)
            {
                yield return ($"setting {work.Setting}", CostTerm.HandWork, 2);
            }
            yield break;
        }
        if (way is Route { Settings.Pins: { } pins } other)
        {
            yield return ($"pins {other.Port.Id} {pins}", CostTerm.HandWork, 2);
        }
        if (way is Route { Port.Kind: PortKind.Uart } route && IsWhole(route.Port))
        {
            yield return ($"whole {route.Port.Id}", CostTerm.WholePorts, 1);
        }
    }

    private bool IsWhole(Port port) =>
        (HasPad(port.Rx) && HasPad(port.Tx)) || port.Alternatives.Any(a => HasPad(a.Rx) && HasPad(a.Tx));

    /// <summary>What a way costs by itself.</summary>
    public IEnumerable<(CostTerm Term, int Amount)> Of(int row, Hookup? way) =>
        way switch
        {
            Route { RidesIn: not null } ride =>
            [
                (CostTerm.PinsBroken, Pins(_rows[row].Link!).Count(p => !Keeps(p, ride))),
                (CostTerm.Losses, ride.Mode.Loses.Count),
            ],
            Route route => Of(_rows[row].Link!, route),
            null or Gone => Unmet(_rows[row].Link!),
            Feed feed =>
            [
                (CostTerm.PinsBroken, FeedPins(_rows[row], feed)),
                (CostTerm.Unfed, feed.Feeds ? 0 : 1),
                (CostTerm.Hazards, feed.Pad?.Meaning == PadMeaning.Uncertain ? 1 : 0),
                (CostTerm.AgainstHouse, feed.Feeds && Against(Part(feed.Device).Kind, feed) ? 1 : 0),
                (
                    CostTerm.HandWork,
                    feed.From is not null ? 2 + Spliced(feed)
                    : feed.Pad is { } fed ? Joint(feed.Device, feed.Seat, feed.Lead.Id, fed)
                    : 0
                ),
            ],
            SeatWay seat =>
            [
                (CostTerm.Unfed, seat.Seat.Kind == SeatKind.Off ? 1 : 0),
                (CostTerm.HandWork, seat.Minutes),
                (CostTerm.PinsBroken, SeatPins(seat)),
            ],
            LeadStay stay => [(CostTerm.HandWork, stay.Minutes)],
            _ => [],
        };

    private bool Strict => _build.Build.House.Sharing == PortSharing.OnePerPort;

    // A plain reading of the two house rules about supplies; the generated rails hang on the battery directly.
    private bool Against(DeviceKind kind, Feed feed) =>
        kind switch
        {
            DeviceKind.Receiver => _build.Build.House.Receiver == ReceiverSupply.LiveOnUsb
                != (feed.Rail?.Feed == RailFeed.RegulatorOrUsb),
            DeviceKind.AirUnit or DeviceKind.VideoTransmitter or DeviceKind.Camera => _build.Build.House.Video
                == VideoSupply.RegulatedFirst
                && feed.Rail?.Feed == RailFeed.Battery,
            _ => false,
        };

    private IEnumerable<(CostTerm Term, int Amount)> Of(LinkWays way, Route route)
    {
        var need = way.Link.Function.Need;
        var advised = _build.Board.Ports.Where(p => p.AdvisedFor.Contains(need)).ToList();
        var off = !advised.Contains(route.Port) && (route.Port.AdvisedFor.Count > 0 || advised.Count > 0);
        // Code inverts without a switch of the port; one wire has one pin to invert.
        bool[] switches =
            route.Port.Kind == PortKind.Software ? [route.Settings.SwapPins]
            : route.Settings.HalfDuplex ? [route.Settings.InvertTx, route.Settings.SwapPins]
            : [route.Settings.InvertRx, route.Settings.InvertTx, route.Settings.SwapPins];
        var doubtful = route.Walks.Count(w => w.Pad.Meaning == PadMeaning.Uncertain);
        var trapped = route.Walks.Count(w =>
            w.Line.Flow != Flow.Out && w.Lead.AtBoot == BootNeed.High && NetOf(w).AtBoot != BootLevel.High
        );
        var mode = route.Mode;
        var work =
            (mode.Setting is null ? 0 : 2)
            + (mode.Firmware is null ? 0 : 10)
            + (mode.Bauds.Count > 0 && mode.Bauds[0] != route.Settings.Baud ? 2 : 0)
            + (5 * trapped)
            + (mode.Strapped is null ? 0 : 4)
            + route.Walks.Sum(w => Joint(route.Link.Want.Device, route.Seat, w.Lead.Id, w.Pad));
        var marginal = route.Walks.Count(w => w.Line.Flow != Flow.Out && w.Lead.HighFromVolts > 3.3);
        var unread =
            route.Port.Kind == PortKind.Analogue && (route.Port.Reads is null || mode.Reads is null)
                ? route.Walks.Count(w => w.Line.Flow == Flow.Out)
                : 0;
        return
        [
            (CostTerm.PinsBroken, Pins(way).Count(p => !Keeps(p, route))),
            (
                CostTerm.Hazards,
                Math.Min(3, doubtful + marginal + unread + (route.Port.Usb == UsbSharing.Shared ? 1 : 0))
            ),
            (CostTerm.Losses, mode.Loses.Count),
            (
                CostTerm.Processor,
                route.Port.Kind != PortKind.Software ? 0
                : route.Settings.Baud > 19200 ? 4
                : 3
            ),
            (CostTerm.HandWork, work),
            (CostTerm.Switches, switches.Count(on => on)),
            (CostTerm.OffAdvice, off ? 1 : 0),
        ];
    }

    // A lead that leaves its cavity in a seat is counted once, whoever asks for it; a supply lead by its own row, once there is a pack.
    private bool Counted(SeatWay seat, string lead)
    {
        var ofRow = Feeder.SourceOf(_build) is not null && seat.Device.Device.Supplies.Any(s => s.Lead == lead);
        return (seat.Forced.ContainsKey(lead) && !ofRow)
            || seat.Lifted.Contains(lead)
            || seat.Choices.ContainsKey(lead)
            || seat.GroundMoves.ContainsKey(lead)
            || seat.SolderedGround == lead;
    }

    // To another device's lead: out of its plug like a lead that is soldered to a pad.
    private int Spliced(Feed feed) =>
        feed.Seat.Kind == SeatKind.Bare ? 0
        : IsFree(feed.Device, feed.Lead.Id) ? 3
        : Home(feed.Device, feed.Lead.Id) < 0 ? 0
        : feed.Seat.Kind == SeatKind.Seated ? 3
        : 4;

    // Out of its plug with its contact still on.
    private bool IsFree(string device, string lead) => Part(device).Plug?.Free.Contains(lead) == true;

    // Three minutes more where it is soldered; one that the seat had out for talking unasked goes back.
    private int Joint(string device, Seat seat, string lead, Pad pad)
    {
        var home = Home(device, lead);
        if (IsFree(device, lead) && seat.Kind != SeatKind.Bare)
        {
            // Back into the plug, or to the iron.
            return SocketOf(pad)?.Id is { } into && into == seat.Socket?.Id ? 1 : 3;
        }
        if (home < 0 || seat.Kind == SeatKind.Bare)
        {
            return 0;
        }
        var socket = SocketOf(pad);
        if (socket is null || socket.Id != seat.Socket?.Id)
        {
            return seat.Kind == SeatKind.Seated ? 3 : 4;
        }
        return socket.Pins[home].Pad == pad.Id && Seats[(device, seat)].Lifted.Contains(lead) ? -1 : 0;
    }

    private IEnumerable<(CostTerm Term, int Amount)> Unmet(LinkWays way)
    {
        var needs = Enum.GetValues<Need>();
        var weight = needs.Length - Array.IndexOf(needs, way.Link.Function.Need);
        var term = way.Link.Want.Priority switch
        {
            Priority.Required => CostTerm.MustsUnmet,
            Priority.Wanted => CostTerm.WantsUnmet,
            _ => CostTerm.NicesUnmet,
        };
        return [(CostTerm.PinsBroken, Pins(way).Count()), (term, 500 + weight)];
    }

    // Pins of ports and modes only, and only those that some way can keep.
    private IEnumerable<RouteMatch> Pins(LinkWays way) =>
        _build.Build.Pins.OfType<RouteMatch>().Where(p => p.Link == way.Link.Id && way.Routes.Any(r => Keeps(p, r)));

    private static bool Keeps(RouteMatch pin, Route route) =>
        pin.Port == route.Port.Id && (pin.Mode ?? route.Mode.Id) == route.Mode.Id;

    private int FeedPins(Row row, Feed feed)
    {
        static bool Is(FeedMatch pin, Feed way) =>
            pin.From is null ? way.Pads.Any(p => p.Id == pin.Pad) : way.From?.Device == pin.From;
        return _build
            .Build.Pins.OfType<FeedMatch>()
            .Count(p =>
                p.Device == feed.Device
                && p.Lead == feed.Lead.Id
                && row.Ways.OfType<Feed>().Any(w => Is(p, w))
                && !Is(p, feed)
            );
    }

    private int SeatPins(SeatWay seat)
    {
        bool Is(SeatMatch pin, SeatWay way) =>
            pin.Socket is null ? way.Seat.Kind == SeatKind.Loose : way.Seat.Socket?.Id == pin.Socket;
        var all = Seats.Values.Where(s => s.Device.Id == seat.Device.Id).ToList();
        return _build
            .Build.Pins.OfType<SeatMatch>()
            .Count(p => p.Device == seat.Device.Id && all.Any(w => Is(p, w)) && !Is(p, seat));
    }
}
