using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using static Gorvix.Core.Tests.Planning.MadeParts;

namespace Gorvix.Benchmarks;

/// <summary>
/// Boards and devices made up from a seed: whole ports, halves, inverting pads, pads behind bridges, a bus over a port's pins,
/// serial in code, advice, supplies over a selector, and four devices with plugs for three or four sockets of three
/// families, so that two devices want one socket and two sockets look alike, each with its own order of pins, under different house rules. The same seed always gives the same parts.
/// </summary>
internal static class MadeUp
{
    private static readonly string[] Classes = ["F4", "F4", "F7"];

    private static readonly (string Protocol, string? Setting, Flow[] Flows)[][] Functions =
    [
        [("CRSF", null, [Flow.Out, Flow.In]), ("CRSF", "invert", [Flow.Out, Flow.In])],
        [("MSP", null, [Flow.Out, Flow.In])],
        [("UBX", null, [Flow.Out, Flow.In])],
        [("SBUS", null, [Flow.Out]), ("IBUS", "change the protocol", [Flow.Out])],
        [("VC-4800", null, [Flow.Both])],
        [("ESC", null, [Flow.Out])],
        [("LTM", null, [Flow.In])],
        [("Flight log", null, [Flow.In])],
        [("I²C", null, [Flow.Both, Flow.In])],
    ];

    /// <summary>A build of so many links on a board of so many serial ports.</summary>
    public static (Build Build, PartsLibrary Library) Of(int seed, int links, int ports)
    {
        var random = new Random(seed);
        Device[] devices = [.. Enumerable.Range(0, links).Select(i => DeviceOf(random, i))];
        return (BuildOf(random, devices), new PartsLibrary([BoardOf(random, "board", ports)], devices));
    }

    /// <summary>So many boards of different sizes.</summary>
    public static IReadOnlyList<Board> Boards(int seed, int count)
    {
        var random = new Random(seed);
        return [.. Enumerable.Range(0, count).Select(i => BoardOf(random, $"board-{i}", random.Next(3, 13)))];
    }

    private static Build BuildOf(Random random, IReadOnlyList<Device> devices) =>
        new()
        {
            Name = "made up",
            Board = "board",
            Pack = new Pack { Cells = 4 },
            House = new()
            {
                Unused = (UnusedLeads)random.Next(3),
                Sharing = random.Next(3) == 0 ? PortSharing.SplitHalves : PortSharing.OnePerPort,
                Software = random.Next(3) == 0 ? SoftwareUse.Allowed : SoftwareUse.Never,
            },
            Devices = [.. devices.Select(d => new BuildDevice { Id = d.Id, Part = d.Id })],
            Wants =
            [
                .. devices.Select(
                    (d, i) =>
                        new Want
                        {
                            Link = d.Id,
                            Device = d.Id,
                            Function = "f",
                            Priority = (Priority)(i % 3),
                        }
                ),
            ],
        };

    private static Board BoardOf(Random random, string id, int ports)
    {
        var board = new Board
        {
            Id = id,
            Maker = "made up",
            Name = id,
            Revision = "1",
            Controller = Classes[random.Next(Classes.Length)],
            Nets = [.. Enumerable.Range(0, ports).SelectMany(i => new[] { Net($"r{i}"), Net($"t{i}") }), Net("led")],
            Ports = [.. Enumerable.Range(0, ports).Select(i => PortOf(random, i))],
            Bridges = [Bridge("J"), Bridge("K")],
            Rails =
            [
                Rail("bat", null, RailFeed.Battery),
                Rail("5v", 5, RailFeed.Regulator),
                Rail("gnd", 0, RailFeed.Ground),
            ],
            Pads = [],
        };
        var pads = new List<Pad>
        {
            Pad("5V", OnRail("5v")),
            Pad("VS", OnRail("5v", At("J", "left")), OnRail("bat", At("J", "right"))),
            Pad("LED", OnNet("led")),
            Pad("GND", OnRail("gnd")),
        };
        for (var i = 0; i < ports; i++)
        {
            // One port in six has one half only, one RX in three is behind an inverter or a bridge.
            var shape = random.Next(6);
            if (shape != 0)
            {
                pads.Add(Pad($"R{i}", Rx(random, $"r{i}")));
            }
            if (shape != 1)
            {
                pads.Add(Pad($"T{i}", OnNet($"t{i}")));
            }
        }
        var bus = random.Next(ports);
        var plugs = Enumerable
            .Range(0, random.Next(3) == 0 ? 4 : 3)
            .Select(i => Socket(random, i, ports, pads))
            .ToList();
        return board with
        {
            Pads = pads,
            Plugs = plugs,
            Ports =
            [
                .. board.Ports,
                new()
                {
                    Id = "I2C",
                    Kind = PortKind.Bus,
                    Data = $"r{bus}",
                    Clock = $"t{bus}",
                },
                new()
                {
                    Id = "S1",
                    Kind = PortKind.Software,
                    Rx = "led",
                    Tx = "led",
                },
            ],
        };
    }

    // Ground, a supply and four signals of two ports, in an order of its own.
    private static BoardPlug Socket(Random random, int number, int ports, List<Pad> pads)
    {
        var (one, two) = (random.Next(ports), random.Next(ports));
        PadPath[][] pins =
        [
            [OnRail("gnd")],
            random.Next(4) == 0 ? [OnRail("bat")] : [OnRail("5v")],
            [OnNet($"r{one}")],
            [OnNet($"t{one}")],
            [OnNet($"r{two}")],
        ];
        if (random.Next(3) == 0)
        {
            random.Shuffle(pins);
        }
        var made = pins.Select((p, i) => Pad($"P{number}{i}", p)).ToList();
        pads.AddRange(made);
        return new BoardPlug
        {
            Id = $"P{number}",
            Label = $"P{number}",
            Family = $"family {number % 3}",
            Pins = [.. made.Select(p => new BoardPin { Pad = p.Id }), new BoardPin()],
        };
    }

    private static PadPath[] Rx(Random random, string net) =>
        random.Next(6) switch
        {
            0 => [OnNet(net, new Inverter { Direction = Passage.ToController })],
            1 =>
            [
                OnNet(net, At("K", "left")),
                OnNet(net, At("K", "right"), new Inverter { Direction = Passage.ToController }),
            ],
            _ => [OnNet(net)],
        };

    private static Port PortOf(Random random, int i) =>
        new()
        {
            Id = $"U{i}",
            Rx = $"r{i}",
            Tx = $"t{i}",
            AdvisedFor = random.Next(4) == 0 ? [(Need)random.Next(8)] : [],
        };

    private static Device DeviceOf(Random random, int i)
    {
        var modes = Functions[random.Next(Functions.Length)];
        var device = Bare(random, i, modes);
        string?[] pins = ["G", "V", "In", "Out", "Both", "S"];
        return i % 3 != 0 || i > 9
            ? device
            : device with
            {
                Leads =
                [
                    .. device.Leads,
                    Lead("S", LeadRole.Signal) with
                    {
                        Talks = random.Next(2) == 0 ? TalkHabit.Always : TalkHabit.Asked,
                    },
                ],
                Plug = new()
                {
                    Family = $"family {i / 3 % 3}",
                    Pins = [.. pins.Select(p => new DevicePin { Lead = p })],
                },
            };
    }

    private static Device Bare(Random random, int i, (string Protocol, string? Setting, Flow[] Flows)[] modes) =>
        new()
        {
            Id = $"d{i}",
            Maker = "made up",
            Name = $"d{i}",
            Kind = (DeviceKind)(i % 4),
            Leads =
            [
                .. Enum.GetNames<Flow>().Select(f => Lead(f, LeadRole.Signal)),
                Lead("V", LeadRole.Supply),
                Lead("G", LeadRole.Ground),
            ],
            Supplies =
            [
                new()
                {
                    Lead = "V",
                    Window = new() { Min = 4, Max = random.Next(3) == 0 ? 20 : 6 },
                },
            ],
            Functions =
            [
                new()
                {
                    Id = "f",
                    Need = (Need)random.Next(8),
                    Modes = [.. modes.Select(m => ModeOf(m, 8 + i))],
                },
            ],
        };

    private static Mode ModeOf((string Protocol, string? Setting, Flow[] Flows) mode, int address) =>
        new()
        {
            Id = $"{mode.Protocol} {mode.Setting}",
            Name = mode.Protocol,
            Protocol = mode.Protocol,
            Setting = mode.Setting,
            Address = mode.Protocol == "I²C" ? address : null,
            Lines =
            [
                .. mode.Flows.Select(f => new ModeLine
                {
                    Lead = f.ToString(),
                    Flow = f,
                    Polarity = mode.Setting == "invert" && f == Flow.Out ? Polarity.Inverted : null,
                }),
            ],
        };

    private static Net Net(string id) => new() { Id = id };

    private static Contact At(string bridge, string position) => new() { Bridge = bridge, Position = position };

    private static Bridge Bridge(string id) =>
        new()
        {
            Id = id,
            Positions = ["left", "right"],
            Default = "left",
        };
}
