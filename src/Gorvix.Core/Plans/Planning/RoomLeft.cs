using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>How many more links of one kind a finished plan could take.</summary>
/// <param name="Need">The kind of link.</param>
/// <param name="Ports">The ports that they would have together, in the order of the board.</param>
public sealed record Room(Need Need, IReadOnlyList<string> Ports)
{
    /// <summary>How many there are.</summary>
    public int Count => Ports.Count;

    /// <summary>False where so much would have to be tried that more may fit than was found.</summary>
    public bool IsMost { get; init; } = true;
}

/// <summary>What else a finished plan could still take without moving anything.</summary>
/// <remarks>
/// Asked for each need with a plain device: bare leads of 3.3 V, the usual polarity, any of the protocols that are common for
/// the need. The most copies of it that fit together beside the plan are found exactly: port by port, each with each of its
/// ways or without. Where that would be far too much to try, it says so.
/// </remarks>
public static class RoomLeft
{
    // A device of its own for each need: every usual protocol a mode (common practice).
    private static readonly (Need Need, string[] Protocols)[] Usual =
    [
        (Need.RcLink, ["CRSF", "SBUS", "IBUS", "PPM"]),
        (Need.Video, ["Picture in", "Picture out"]),
        (Need.Osd, ["MSP"]),
        (Need.Gps, ["UBX"]),
        (Need.Compass, ["I²C"]),
        (Need.Telemetry, ["MAVLink", "S.Port", "LTM"]),
        (Need.EscTelemetry, ["ESC"]),
        (Need.BatterySensing, ["Level in"]),
        (Need.VtxControl, ["VC-4800", "VC-9600"]),
        (Need.Rangefinder, ["Range finder"]),
        (Need.CameraControl, ["Camera control", "Level out"]),
        (Need.FlightLog, ["Flight log"]),
        (Need.WirelessConfiguration, ["MSP host"]),
    ];

    // The last address there is (UM10204): hardly a sensor has it as it comes, so it asks whether the bus itself is free.
    private const int SpareAddress = 119;

    // Ways of one port beyond these differ in pads only.
    private const int MostWays = 12;

    // So many choices are looked at, and so many ways held against each other; where more are needed, what was found by then is told.
    private const int MostLooks = 2_000;
    private const int MostFights = 8_000;

    private static readonly IReadOnlyList<Link> Spares = [.. Usual.Select(u => SpareOf(u.Need, u.Protocols))];

    /// <summary>The room for each need, in the order of the needs; needs without room are left out, and those of which a link has just been refused.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="plan">A plan of it.</param>
    public static IReadOnlyList<Room> Of(PlanSpace space, Plan plan) => Of(space, plan, MostFights);

    /// <param name="space">The build's space.</param>
    /// <param name="plan">A plan of it.</param>
    /// <param name="mostFights">So many ways of one need are held against each other.</param>
    internal static IReadOnlyList<Room> Of(PlanSpace space, Plan plan, int mostFights)
    {
        var chosen = new Chosen(plan);
        var refused = plan.Placements.Where(p => p.Route is null).Select(p => p.Link.Function.Need).ToHashSet();
        return
        [
            .. Spares
                .Where(s => !refused.Contains(s.Function.Need))
                .Select(s => Of(space, s, chosen, mostFights))
                .Where(r => r.Count > 0),
        ];
    }

    private static Room Of(PlanSpace space, Link spare, Chosen chosen, int mostFights)
    {
        var open = new List<(string Port, List<Claims> Ways)>();
        // A port that somebody has alone needs no look at its wires.
        foreach (var port in space.Build.Board.Ports.Where(p => !chosen.HasAlone(p)))
        {
            space.Stop.ThrowIfCancellationRequested();
            var ways = new List<Claims>();
            foreach (var way in Router.WaysOfSpare(space.All, spare, port).Select(r => r.Claims))
            {
                if (!chosen.LeaveRoomFor(way))
                {
                    continue;
                }
                ways.Add(way);
                // One that needs no bridge and no choice of pins is in nobody's way more than another one of its port would be.
                if (ways.Count == MostWays || !way.Holds.Any(h => h is BridgeHold or NetHold or PinsHold))
                {
                    break;
                }
            }
            if (ways.Count > 0)
            {
                open.Add((port.Id, ways));
            }
        }
        var (ports, isMost) = MostTogether(open, mostFights);
        return new Room(spare.Function.Need, ports) { IsMost = isMost };
    }

    // What a plan takes and holds, to be asked many times.
    private sealed class Chosen(Plan plan)
    {
        private readonly HashSet<Thing> _takes = [.. plan.Chosen.SelectMany(c => c.Claims.Takes)];
        private readonly ILookup<HoldGroup, Hold> _holds = plan
            .Chosen.SelectMany(c => c.Claims.Holds)
            .ToLookup(h => h.Group);

        public bool HasAlone(Port port) => _takes.Contains(new Thing(ThingKind.Port, "", port.Id));

        public bool LeaveRoomFor(Claims claims) =>
            !claims.Takes.Any(_takes.Contains) && claims.Holds.All(h => _holds[h.Group].All(h.Agrees));
    }

    // Copies of a device have leads of their own.
    private static bool Fight(Claims a, Claims b) => a.FightsWith(b).Any(f => f.Thing is not { Kind: ThingKind.Lead });

    private static (List<string> Ports, bool IsMost) MostTogether(
        List<(string Port, List<Claims> Ways)> open,
        int mostFights
    )
    {
        var best = new List<string>();
        var taken = new List<(string Port, Claims Claims)>();
        var (looks, fights, isMost) = (0, 0, true);
        bool Stands(Claims way)
        {
            fights += taken.Count;
            return !taken.Any(t => Fight(t.Claims, way));
        }
        void Try(int next)
        {
            if (taken.Count > best.Count)
            {
                best = [.. taken.Select(t => t.Port)];
            }
            if (next == open.Count || taken.Count + open.Count - next <= best.Count)
            {
                return;
            }
            if (++looks > MostLooks || fights > mostFights)
            {
                isMost = false;
                return;
            }
            foreach (var way in open[next].Ways.Where(Stands).ToList())
            {
                taken.Add((open[next].Port, way));
                Try(next + 1);
                taken.RemoveAt(taken.Count - 1);
            }
            Try(next + 1);
        }
        Try(0);
        return (best, isMost);
    }

    private static Link SpareOf(Need need, string[] protocols)
    {
        static ModeLine Line(Flow flow) => new() { Lead = $"{flow}", Flow = flow };
        static Mode ModeOf(Protocol protocol) =>
            new()
            {
                Id = protocol.Id,
                Name = protocol.Name,
                Protocol = protocol.Id,
                Address = protocol.Carrier == Carrier.Bus ? SpareAddress : null,
                Lines = protocol.Use switch
                {
                    LineUse.DeviceToBoard => [Line(Flow.Out)],
                    LineUse.BoardToDevice => [Line(Flow.In)],
                    LineUse.TwoWires => [Line(Flow.Out), Line(Flow.In)],
                    LineUse.SharedBus => [Line(Flow.Both), Line(Flow.In)],
                    _ => [Line(Flow.Both)],
                },
            };
        static Lead LeadOf(Flow flow) =>
            new()
            {
                Id = $"{flow}",
                Label = $"{flow}",
                Role = LeadRole.Signal,
            };
        var function = new DeviceFunction
        {
            Id = "spare",
            Need = need,
            Modes = [.. protocols.Select(p => ModeOf(ProtocolCatalogue.Find(p)!))],
        };
        var device = new Device
        {
            Id = $"spare-{need}",
            Maker = "spare",
            Name = "spare",
            Kind = DeviceKind.Adapter,
            Leads = [.. Enum.GetValues<Flow>().Select(LeadOf)],
            Functions = [function],
        };
        var want = new Want
        {
            Link = "spare",
            Device = "spare",
            Function = "spare",
            Priority = Priority.Optional,
        };
        return new Link(want, device, function);
    }
}
