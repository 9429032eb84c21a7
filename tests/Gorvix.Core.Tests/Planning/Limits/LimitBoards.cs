using Gorvix.Core.Hardware.Parts;
using static Gorvix.Core.Tests.Planning.MadeParts;

namespace Gorvix.Core.Tests.Planning;

/// <summary>Legal boards at and near the limits of the checks.</summary>
internal static class LimitBoards
{
    private static readonly string[] Classes = ["F4", "F7", "H7"];

    /// <summary>A board with so many serial ports, selectors and sockets, and as many pads as may be.</summary>
    public static Board Of(Random random, int ports, int bridges, int sockets, Func<int, int> near)
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
            Pad("5V", [OnRail("5v")]),
            Pad("9V", [OnRail("9v")]),
            Pad("VB", [OnRail("bat")]),
            Pad("GND", [OnRail("gnd")]),
            Pad("LED", [OnNet("led")]),
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
                pads.Add(Pad($"{net.Id}{(char)('a' + round)}", PathsOf(random, net.Id, selectors)));
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
        var made = pins.Select((p, i) => Pad($"P{number}-{i}", p)).ToList();
        var counts = pads.Concat(made).SelectMany(p => p.Paths).Select(p => p.Net).OfType<string>().CountBy(n => n);
        if (counts.Any(c => c.Value > PartCheck.MostPadsOfNet))
        {
            made = [.. made.Select(p => p.Paths[0].Net is null ? p : Pad(p.Label, [OnRail("gnd")]))];
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
}
