using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>Walks that go together, before they are a route: enough to tell which of many are worth making.</summary>
internal sealed record RouteDraft(
    RouteMaker Maker,
    Port Port,
    Mode Mode,
    SeatWay Seat,
    LineWalk[] Walks,
    Joint[] Joints
)
{
    /// <summary>How many hazards its wires have.</summary>
    public int Hazards => Walks.Sum(w => w.Hazards.Count);

    /// <summary>How many selectors it needs in a position.</summary>
    public int Bridges => Walks.SelectMany(w => w.Bridges).Distinct().Count();

    /// <summary>The hand work of its wires, in minutes.</summary>
    public int Minutes => Joints.Sum(j => j.Minutes) + Walks.Sum(w => w.Work.Sum(k => k.Minutes));

    /// <summary>The route.</summary>
    public Route Made() => Maker.Make(Walks, Joints, Seat);
}

/// <summary>
/// Makes routes of walks that go together, one for each seat of the plug that allows it: port settings, what they claim, and
/// what they ask of the builder's hands.
/// </summary>
internal sealed class RouteMaker(
    ResolvedBuild build,
    Link link,
    Mode mode,
    Port port,
    Protocol protocol,
    int? baud,
    PinSetting pins,
    IReadOnlyList<SeatWay> seats,
    RouterFacts facts
)
{
    private readonly string _device = link.Want.Device;

    private readonly bool _oneWire =
        protocol.Use == LineUse.OneWire || (port.Kind != PortKind.Bus && mode.Lines is [{ Flow: Flow.Both }]);
    private readonly string? _turns = facts.TurnsOf(protocol, baud, pins);
    private readonly bool _several = seats.Count(s => s.Seat.Kind == SeatKind.Seated) > 1;

    /// <summary>The route of these walks in a seat.</summary>
    /// <param name="walks">The walks, whose bridges agree.</param>
    /// <param name="joints">Where their leads go; they stand together.</param>
    /// <param name="seat">The seat.</param>
    public Route Make(IReadOnlyList<LineWalk> walks, IReadOnlyList<Joint> joints, SeatWay seat)
    {
        // On one wire the pin that sends is the pin that receives: inverted is both or neither.
        bool Inverts(Half half) =>
            port.Kind is PortKind.Uart or PortKind.Software
            && walks.Any(w => (_oneWire || w.Half == half) && w.OwnInversion == Polarity.Inverted);
        var settings = new PortSettings(
            protocol.Job,
            protocol.Id,
            baud,
            Inverts(Half.Rx),
            Inverts(Half.Tx),
            _oneWire,
            pins.Swapped == PinSwapped.Yes
        )
        {
            Pins = pins.Choice.Name == "" ? null : pins.Choice.Name,
        };
        BridgeAt[] bridges = [.. walks.SelectMany(w => w.Bridges).Distinct()];
        Work[] own = [.. walks.SelectMany(w => w.Work), .. OfMode()];
        Work[] board = [.. OfBoard()];
        var claims = ClaimsOf(walks, bridges, board);
        return new Route(link, mode, port, [.. walks], bridges, settings)
        {
            Seat = seat.Seat,
            Choice = _several ? seat.Seat.Socket?.Id ?? "soldered" : "",
            Claims =
                seats.Count == 1
                    ? claims.With(joints)
                    : claims.With(joints, new SeatHold(_device, seat.Seat.Kind, seat.Seat.Socket?.Id)),
            Work = [.. own, .. board, .. joints.Select(j => j.Work).OfType<Work>()],
            Minutes =
                own.Sum(w => w.Minutes) + joints.Sum(j => j.Minutes) + (WorkMinutes.Lift * Evicted(walks, joints)),
            Hazards = [.. walks.SelectMany(w => w.Hazards), .. OfUsb()],
            IsShared = facts.Shares(protocol) && !facts.IsFirst(link, protocol),
            Processor = port.Kind == PortKind.Software ? (baud > 19_200 ? 4 : 3) : 0,
        };
    }

    // Leads that leave their cavities for those of this link, and that it does not use itself.
    private static int Evicted(IReadOnlyList<LineWalk> walks, IReadOnlyList<Joint> joints) =>
        joints.Count(j => j.Evicts is { } lead && walks.All(w => w.Lead.Id != lead));

    /// <summary>False when two leads of one link want one cavity, or one the cavity that the other keeps.</summary>
    public static bool StandTogether(IReadOnlyList<Joint> joints)
    {
        if (joints.Count < 2 || joints.All(j => j.Place != LeadPlace.Moved))
        {
            return true;
        }
        var cavities = joints.SelectMany(j => j.Takes).ToList();
        var homes = joints.SelectMany(j => j.Holds).OfType<HomeHold>().Distinct().ToList();
        return cavities.Distinct().Count() == cavities.Count && homes.DistinctBy(h => h.Lead).Count() == homes.Count;
    }

    private readonly bool _needsPower = link.Device.Supplies.Count > 0 && Feeder.SourceOf(build) is not null;

    private Claims ClaimsOf(IReadOnlyList<LineWalk> walks, BridgeAt[] bridges, Work[] board)
    {
        var takes = new List<Thing>(8);
        var holds = new List<Hold>(8);
        // Who has a port, a half or a net has it alone; those who answer in turn have it together, and nobody else beside them.
        void Take(ThingKind kind, string owner, string name)
        {
            if (_turns is null)
            {
                takes.Add(new Thing(kind, owner, name));
            }
            if (facts.AnyShares)
            {
                var held = kind switch
                {
                    ThingKind.Port => HoldKind.Port,
                    ThingKind.Half => HoldKind.Half,
                    _ => HoldKind.Wire,
                };
                Hold(new UseHold(held, owner, name, _turns ?? ""));
            }
        }
        void Hold(Hold hold)
        {
            if (!holds.Contains(hold))
            {
                holds.Add(hold);
            }
        }
        foreach (var bridge in SeatFinder.Bridges(build, bridges))
        {
            Hold(bridge);
        }
        foreach (var setting in board)
        {
            Hold(new SettingHold(setting.Setting!));
        }
        if (_needsPower)
        {
            Hold(new PowerHold(_device, Power.Fed));
        }
        if (facts.IsRidden(link))
        {
            Hold(new RideHold(link.Id, port.Id, mode.Id));
        }
        if (facts.SingleJob(protocol.Job) is { } single)
        {
            if (_turns is not null)
            {
                Hold(new JobHold(single, port.Id));
            }
            else
            {
                takes.Add(new Thing(ThingKind.Job, "", $"{single}"));
            }
        }
        if (port.Alternatives.Count > 0)
        {
            Hold(new PinsHold(port.Id, pins.Choice.Name));
        }
        foreach (var walk in walks)
        {
            takes.Add(new Thing(ThingKind.Lead, _device, walk.Lead.Id));
            if (build.Circuit.JobsOf(walk.Net) > 1)
            {
                Hold(new NetHold(walk.Net, port.Id));
            }
            if (facts.Talked.Contains(walk.Net))
            {
                Hold(
                    port.Kind == PortKind.Bus || _turns is not null
                        ? new UserHold(walk.Net, port.Id, "")
                        : new UserHold(walk.Net, _device, walk.Lead.Id)
                );
            }
            if (port.Kind != PortKind.Bus)
            {
                Take(ThingKind.Net, "", walk.Net);
            }
        }
        if (port.Kind == PortKind.Bus)
        {
            takes.Add(new Thing(ThingKind.Address, port.Id, $"{mode.Address}"));
        }
        else if (port.Kind == PortKind.Uart)
        {
            Uart([.. walks.Select(w => w.Net)], walks[0].Half, Take, holds);
        }
        if (walks.Any(w => !w.IsAlone))
        {
            foreach (var (walk, net) in Besides(walks, bridges))
            {
                Take(ThingKind.Net, "", net);
                Hold(new NetHold(net, port.Id));
                if (facts.Talked.Contains(net))
                {
                    Hold(new UserHold(net, _device, walk.Lead.Id));
                }
            }
        }
        return new Claims(takes, holds);
    }

    // A pad can be joined to more than the net that is meant: those are held as well, whatever else their bridges do.
    private IEnumerable<(LineWalk Walk, string Net)> Besides(IReadOnlyList<LineWalk> walks, BridgeAt[] bridges) =>
        from walk in walks
        from strand in build.Circuit.From(walk.Pad)
        where strand.To.Kind == NodeKind.Net && walks.All(w => w.Net != strand.To.Id) && strand.Agrees(bridges)
        select (walk, strand.To.Id);

    // Strict: the whole port. Split halves: a one-way link takes its half, and the other half may serve who agrees.
    private void Uart(List<string> nets, Half half, Action<ThingKind, string, string> take, List<Hold> holds)
    {
        var oneWay = nets.Count == 1 && !_oneWire;
        var split = build.Build.House.Sharing == PortSharing.SplitHalves;
        if (!split)
        {
            take(ThingKind.Port, "", port.Id);
        }
        else
        {
            // Those who answer in turn have both halves together.
            var alone = oneWay && _turns is null;
            foreach (var net in alone ? nets : new[] { pins.Choice.Rx, pins.Choice.Tx }.OfType<string>())
            {
                take(ThingKind.Half, port.Id, net);
            }
            if (alone)
            {
                var framing = protocol.Framing!;
                holds.Add(
                    new ShareHold(port.Id, protocol.Job, framing, baud!.Value, half, pins.Swapped, build.Firmware)
                );
            }
        }
        if (build.Circuit.ShapeOf(port) != PortShape.Whole)
        {
            return;
        }
        if (_turns is not null)
        {
            holds.Add(new TurnsHold(port.Id));
        }
        else if (oneWay && split)
        {
            holds.Add(new WholeHold(port.Id));
        }
    }

    private IEnumerable<Work> OfMode()
    {
        if (mode.Firmware is not null || mode.Setting is not null)
        {
            var points =
                (mode.Firmware is null ? 0 : WorkMinutes.Firmware) + (mode.Setting is null ? 0 : WorkMinutes.Setting);
            yield return new Work(WorkAction.SetMode, points)
            {
                Device = _device,
                Firmware = mode.Firmware,
                Setting = mode.Setting,
            };
        }
        if (mode.Strapped is { } strap)
        {
            var done = build.Built.IsDone(BuiltDeed.Address, _device, null, strap.Address);
            yield return new Work(WorkAction.SetAddress, done ? 0 : WorkMinutes.Bridge)
            {
                Device = _device,
                Setting = strap.How,
                Address = strap.Address,
            };
        }
        if (mode.Bauds.Count > 0 && baud != mode.Bauds[0])
        {
            yield return new Work(WorkAction.SetBaud, WorkMinutes.Setting) { Device = _device, Baud = baud };
        }
    }

    private IEnumerable<Work> OfBoard()
    {
        if (pins.Choice.Name != "")
        {
            yield return new Work(WorkAction.SetBoard, WorkMinutes.Setting)
            {
                Setting = $"remap {port.Name} to {pins.Choice.Name}",
            };
        }
        if (build.Board.BuiltIns.FirstOrDefault(b => b.Gives == link.Function.Need) is { } inside)
        {
            yield return new Work(WorkAction.ReplaceBuiltIn, WorkMinutes.Setting) { Setting = inside.Name };
        }
        if (protocol.Job == PortJob.VideoCanvas)
        {
            foreach (var setting in build.Firmware?.CanvasSettings ?? [])
            {
                yield return new Work(WorkAction.SetBoard, WorkMinutes.Setting) { Setting = setting };
            }
        }
    }

    private IEnumerable<Finding> OfUsb() =>
        port.Usb == UsbSharing.Shared
            ?
            [
                HazardRules.UsbShared.Found(
                    Severity.Warn,
                    Subject.Port(port.Id),
                    ("port", port.Name),
                    ("device", $"the {link.Device.Name}")
                ),
            ]
            : [];
}
