using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// Legal builds at and near the limits of the checks, made up from a seed: up to 40 links on 32 ports, 256 pads, 16 selectors of six
/// positions, 16 sockets, pulse inputs of 24 channels, devices of 16 modes, supplies that rails can hardly give. No real board comes near.
/// The same seed always gives the same build.
/// </summary>
internal static class AtTheLimits
{
    private static readonly string[] Classes = ["F4", "F7", "H7"];

    private static readonly (string Protocol, Flow[] Flows, bool Turned)[] Modes =
    [
        ("CRSF", [Flow.Out, Flow.In], false),
        ("CRSF", [Flow.Out, Flow.In], true),
        ("MSP", [Flow.Out, Flow.In], false),
        ("UBX", [Flow.Out, Flow.In], false),
        ("SBUS", [Flow.Out], false),
        ("IBUS", [Flow.Out], false),
        ("VC-4800", [Flow.Both], false),
        ("ESC", [Flow.Out], false),
        ("LTM", [Flow.In], false),
        ("Flight log", [Flow.In], false),
        ("S.Port", [Flow.Both], false),
        ("I²C", [Flow.Both, Flow.In], false),
        ("PPM", [Flow.Out], false),
    ];

    /// <summary>One of them, resolved.</summary>
    public static ResolvedBuild Resolved(int seed)
    {
        var (build, library) = Of(seed);
        return ResolvedBuild.Of(build, library) is { Build: { } made }
            ? made
            : throw new InvalidOperationException(
                string.Join('\n', ResolvedBuild.Of(build, library).Findings.Select(f => f.Sentence))
            );
    }

    /// <summary>One of them.</summary>
    public static (Build Build, PartsLibrary Library) Of(int seed)
    {
        var random = new Random(seed);
        // One in four goes to the limit in everything, the others are somewhere near in each.
        var full = random.Next(4) == 0;
        int Near(int most) => full ? most : random.Next(most * 2 / 5, most + 1);
        var ports = Near(PartCheck.MostPorts - 4);
        var board = BoardOf(random, ports, Near(PartCheck.MostBridges), Near(PartCheck.MostSockets), Near);
        var links = Near(BuildCheck.MostLinks);
        var leads = BuildCheck.MostLeads;
        var devices = new List<Device>();
        for (var i = 0; i < links; i++)
        {
            var pulses = i == 0 ? random.Next(0, 25) : 0;
            var device = DeviceOf(random, i, pulses, random.Next(1, random.Next(8) == 0 ? PartCheck.MostModes + 1 : 5));
            var signals = device.Leads.Count(l => l.Role == LeadRole.Signal);
            if (signals <= leads)
            {
                leads -= signals;
                devices.Add(device);
            }
        }
        var build = new Build
        {
            Name = $"at the limits {seed}",
            Board = board.Id,
            Pack = random.Next(5) == 0 ? null : new Pack { Cells = random.Next(3, 7) },
            House = new()
            {
                Unused = (UnusedLeads)random.Next(3),
                Sharing = (PortSharing)random.Next(2),
                Software = (SoftwareUse)random.Next(3),
            },
            Devices = [.. devices.Select(d => new BuildDevice { Id = d.Id, Part = d.Id })],
            Wants =
            [
                .. devices.Select(d => new Want
                {
                    Link = d.Id,
                    Device = d.Id,
                    Function = "f",
                    Priority = (Priority)random.Next(3),
                }),
            ],
        };
        return (Wished(random, build, board), new PartsLibrary([board], devices));
    }

    private static Build Wished(Random random, Build build, Board board)
    {
        RouteMatch Match() =>
            new()
            {
                Link = build.Wants[random.Next(build.Wants.Count)].Link,
                Port = board.Ports[random.Next(board.Ports.Count)].Id,
            };
        return build with
        {
            Pins = [.. Enumerable.Range(0, random.Next(5)).Select(_ => Match()).DistinctBy(m => m.Link)],
            Bans = [.. Enumerable.Range(0, random.Next(10)).Select(_ => Match()).Distinct()],
        };
    }

    private static Board BoardOf(Random random, int ports, int bridges, int sockets, Func<int, int> near)
    {
        var selectors = Enumerable
            .Range(0, bridges)
            .Select(i => BridgeOf(i, Math.Max(2, near(PartCheck.MostPositions))))
            .ToList();
        var nets = Enumerable
            .Range(0, ports)
            .SelectMany(i =>
                new[]
                {
                    new Net { Id = $"r{i}" },
                    new Net { Id = $"t{i}" },
                }
            )
            .Append(new Net { Id = "led" })
            .ToList();
        var pads = new List<Pad>
        {
            PadOf("5V", [OnRail("5v")]),
            PadOf("9V", [OnRail("9v")]),
            PadOf("VB", [OnRail("bat")]),
            PadOf("GND", [OnRail("gnd")]),
            PadOf("LED", [OnNet("led")]),
        };
        var plugs = new List<BoardPlug>();
        for (var i = 0; i < sockets && pads.Count < PartCheck.MostPads - (2 * ports) - 8; i++)
        {
            plugs.Add(SocketOf(random, i, ports, pads));
        }
        var used = pads.SelectMany(p => p.Paths).Select(p => p.Net).OfType<string>().CountBy(n => n).ToDictionary();
        var most = near(PartCheck.MostPads);
        for (var round = 0; round < PartCheck.MostPadsOfNet; round++)
        {
            foreach (var net in nets.Where(n => n.Id != "led"))
            {
                if (
                    (round > 0 && pads.Count >= most)
                    || pads.Count >= PartCheck.MostPads
                    || used.GetValueOrDefault(net.Id) >= PartCheck.MostPadsOfNet
                )
                {
                    continue;
                }
                used[net.Id] = used.GetValueOrDefault(net.Id) + 1;
                pads.Add(PadOf($"{net.Id}{(char)('a' + round)}", PathsOf(random, net.Id, selectors)));
            }
        }
        return new Board
        {
            Id = "board",
            Maker = "made up",
            Name = "board",
            Revision = "1",
            Controller = Classes[random.Next(Classes.Length)],
            Nets = nets,
            Ports = PortsOf(random, ports),
            Bridges = selectors,
            Rails =
            [
                Rail("bat", null, RailFeed.Battery, null),
                Rail("5v", 5, RailFeed.Regulator, random.Next(2) == 0 ? 3 : null),
                Rail("9v", 9, RailFeed.Regulator, random.Next(2) == 0 ? 2 : null),
                Rail("gnd", 0, RailFeed.Ground, null),
            ],
            Pads = pads,
            Plugs = plugs,
        };
    }

    private static List<Port> PortsOf(Random random, int ports)
    {
        var list = Enumerable
            .Range(0, ports)
            .Select(i => new Port
            {
                Id = $"U{i}",
                Rx = $"r{i}",
                Tx = $"t{i}",
                AdvisedFor = random.Next(4) == 0 ? [(Need)random.Next(8)] : [],
                Alternatives =
                    random.Next(4) == 0
                        ?
                        [
                            .. Enumerable
                                .Range(1, random.Next(1, PartCheck.MostPinChoices + 1))
                                .Select(n => new PinChoice
                                {
                                    Name = $"{n}",
                                    Rx = $"r{(i + n) % ports}",
                                    Tx = $"t{(i + n) % ports}",
                                }),
                        ]
                        : [],
            })
            .ToList();
        var bus = random.Next(ports);
        list.Add(
            new Port
            {
                Id = "I2C",
                Kind = PortKind.Bus,
                Data = $"r{bus}",
                Clock = $"t{bus}",
            }
        );
        list.Add(
            new Port
            {
                Id = "PWM",
                Kind = PortKind.Pulse,
                Channels =
                [
                    .. Enumerable
                        .Range(0, Math.Min(PartCheck.MostPins, 2 * ports))
                        .Select(n => n % 2 == 0 ? $"r{n / 2}" : $"t{n / 2}"),
                ],
            }
        );
        list.Add(
            new Port
            {
                Id = "S1",
                Kind = PortKind.Software,
                Rx = "led",
                Tx = "led",
            }
        );
        return list;
    }

    private static Bridge BridgeOf(int number, int positions) =>
        new()
        {
            Id = $"J{number}",
            Positions = [.. Enumerable.Range(0, positions).Select(p => $"{p}")],
            Default = "0",
        };

    // Plain, inverted, behind one or two selectors, or a choice of several such ways.
    private static PadPath[] PathsOf(Random random, string net, List<Bridge> bridges)
    {
        PathElement At()
        {
            var bridge = bridges[random.Next(bridges.Count)];
            return new Contact { Bridge = bridge.Id, Position = bridge.Positions[random.Next(bridge.Positions.Count)] };
        }
        PathElement[] Turning() => random.Next(3) == 0 ? [new Inverter { Direction = Passage.Both }] : [];
        return random.Next(8) switch
        {
            0 => [OnNet(net, new Inverter { Direction = Passage.ToController })],
            1 or 2 => [OnNet(net, [At(), .. Turning()])],
            3 => [OnNet(net, [At(), At()])],
            4 =>
            [
                .. bridges[random.Next(bridges.Count)] is var b
                    ? b.Positions.Select(p => OnNet(net, [new Contact { Bridge = b.Id, Position = p }, .. Turning()]))
                    : [],
            ],
            _ => [OnNet(net)],
        };
    }

    // Ground, a supply, four signals of two ports; as many sockets of one family as may be.
    private static BoardPlug SocketOf(Random random, int number, int ports, List<Pad> pads)
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
        var made = pins.Select((p, i) => PadOf($"P{number}-{i}", p)).ToList();
        var counts = pads.Concat(made).SelectMany(p => p.Paths).Select(p => p.Net).OfType<string>().CountBy(n => n);
        if (counts.Any(c => c.Value > PartCheck.MostPadsOfNet))
        {
            made = [.. made.Select(p => p.Paths[0].Net is null ? p : PadOf(p.Label, [OnRail("gnd")]))];
        }
        pads.AddRange(made);
        return new BoardPlug
        {
            Id = $"P{number}",
            Label = $"P{number}",
            Family = $"family {number / PartCheck.MostSocketsOfFamily}",
            Pins = [.. made.Select(p => new BoardPin { Pad = p.Id }), new BoardPin()],
        };
    }

    private static Device DeviceOf(Random random, int i, int pulses, int modes)
    {
        var made =
            pulses > 0
                ? [Pulses(pulses)]
                : Enumerable.Range(0, modes).Select(m => ModeOf(Modes[random.Next(Modes.Length)], m, i)).ToList();
        var signals = made.SelectMany(m => m.Lines.Select(l => l.Lead)).Distinct().ToList();
        var peak = random.Next(1, 20) / 10.0;
        return new Device
        {
            Id = $"d{i}",
            Maker = "made up",
            Name = $"d{i}",
            Kind = (DeviceKind)(i % 4),
            Leads =
            [
                .. signals.Select(s =>
                    Lead(s, LeadRole.Signal) with
                    {
                        Talks = random.Next(4) == 0 ? TalkHabit.Always : TalkHabit.Asked,
                    }
                ),
                Lead("V", LeadRole.Supply),
                Lead("G", LeadRole.Ground),
            ],
            Supplies =
            [
                new()
                {
                    Lead = "V",
                    Window = new() { Min = 4, Max = random.Next(3) == 0 ? 26 : 10 },
                    Typical = random.Next(3) == 0 ? null : peak / 3,
                    Peak = peak,
                },
            ],
            Functions =
            [
                new()
                {
                    Id = "f",
                    Need = (Need)random.Next(12),
                    Modes = made,
                },
            ],
            Plug =
                i % 3 == 0 && pulses == 0
                    ? new()
                    {
                        Family = $"family {random.Next(4)}",
                        Pins =
                        [
                            new() { Lead = "G" },
                            new() { Lead = "V" },
                            .. signals.Take(4).Select(s => new DevicePin { Lead = s }),
                        ],
                    }
                    : null,
        };
    }

    private static Mode Pulses(int channels) =>
        new()
        {
            Id = "pulses",
            Name = "pulses",
            Protocol = "PWM",
            Lines = [.. Enumerable.Range(0, channels).Select(n => new ModeLine { Lead = $"C{n}", Flow = Flow.Out })],
        };

    private static Mode ModeOf((string Protocol, Flow[] Flows, bool Turned) mode, int number, int device) =>
        new()
        {
            Id = $"m{number}",
            Name = $"{mode.Protocol} {number}",
            Protocol = mode.Protocol,
            Setting = number > 0 ? "change the protocol" : null,
            Address = mode.Protocol == "I²C" ? 8 + device : null,
            Lines =
            [
                .. mode.Flows.Select(f => new ModeLine
                {
                    Lead = f.ToString(),
                    Flow = f,
                    Polarity = mode.Turned && f == Flow.Out ? Polarity.Inverted : null,
                }),
            ],
        };

    private static Lead Lead(string id, LeadRole role) =>
        new()
        {
            Id = id,
            Label = id,
            Role = role,
        };

    private static PadPath OnNet(string net, params PathElement[] through) => new() { Net = net, Through = through };

    private static PadPath OnRail(string rail) => new() { Rail = rail };

    private static Pad PadOf(string label, PadPath[] paths) =>
        new()
        {
            Id = label,
            Label = label,
            Side = BoardSide.Top,
            Paths = paths,
        };

    private static Rail Rail(string id, double? volts, RailFeed feed, double? limit) =>
        new()
        {
            Id = id,
            Label = id,
            Volts = volts,
            Feed = feed,
            Limit = limit,
        };
}
