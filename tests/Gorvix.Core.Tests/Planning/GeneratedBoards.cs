using CsCheck;
using Gorvix.Core.Hardware.Parts;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The boards of the builds that are made up.</summary>
internal static partial class Generated
{
    private static readonly string[] Classes = ["F4", "F7"];

    private static readonly Gen<PathElement[]> Elements = Gen.OneOfConst<PathElement[]>(
        [],
        [],
        [Inverter()],
        [Inverter(Passage.Both)],
        [At("J", "left")],
        [At("J", "right"), Inverter()],
        [At("K", "right")]
    );

    private static Gen<Board> Boards(int most) =>
        Gen.Select(
            Gen.OneOfConst(Classes),
            Gen.Select(Elements, Elements, Gen.Int[0, 12], Gen.Enum<Need>()).Array[1, most],
            Gen.Int[0, 255],
            (controller, ports, extras) => BoardOf(controller, ports, extras)
        );

    // The number says what is broken out: mostly both halves, sometimes one, now and then a pad that a bridge makes raw or
    // inverted, a doubtful pad, an advised, a held, a USB-shared or a chattering port, or one with other pins. Each bit of the extras adds one more thing to the board.
    private static Board BoardOf(
        string controller,
        (PathElement[] Rx, PathElement[] Tx, int Shape, Need Advised)[] ports,
        int extras
    )
    {
        var board = Board(
            controller,
            [
                .. ports.Select(
                    (p, i) =>
                        Port($"U{i}", heldBy: p.Shape == 9 ? "a recorder" : null) with
                        {
                            AdvisedFor = p.Shape == 8 ? [p.Advised] : [],
                            Usb = p.Shape == 10 ? UsbSharing.Shared : UsbSharing.Apart,
                        }
                ),
            ]
        );
        foreach (var (i, (rx, tx, shape, _)) in ports.Index())
        {
            var doubt = shape == 7 ? PadMeaning.Uncertain : PadMeaning.Sure;
            Pad listens =
                shape == 6
                    ? Pad($"R{i}", Path($"U{i}.rx", At("K", "left")), Path($"U{i}.rx", At("K", "right"), Inverter()))
                    : Pad($"R{i}", $"U{i}.rx", rx);
            board = board.With(shape == 0 ? [] : [listens with { Meaning = doubt }]);
            board = board.With(shape == 1 ? [] : [Pad($"T{i}", $"U{i}.tx", tx)]);
            if (shape == 12)
            {
                PinChoice other = new()
                {
                    Name = "B",
                    Rx = $"U{i}.rx.b",
                    Tx = $"U{i}.tx.b",
                };
                board = board with
                {
                    Nets = [.. board.Nets, new() { Id = other.Rx }, new() { Id = other.Tx }],
                    Ports = [.. board.Ports.Select(p => p.Id == $"U{i}" ? p with { Alternatives = [other] } : p)],
                };
                board = board.With(Pad($"R{i}B", other.Rx), Pad($"T{i}B", other.Tx, tx));
            }
            if (shape == 11)
            {
                var trap = board.Nets.Select(n => n.Id == $"U{i}.tx" ? n with { AtBoot = BootLevel.Chatters } : n);
                board = board with { Nets = [.. trap] };
            }
        }
        board = Supplied(Extras(board, extras)) with { Bridges = [.. new[] { "J", "K" }.Select(TwoWay)] };
        board = (extras >> 4) % 4 == 0 ? OfPads(board) : Socket(board, "A", (extras >> 4) % 4);
        return (extras & 64) == 0 ? board : Socket(board, "B", 1 + ((extras + 1) % 3));
    }

    // A socket whose pins are the first pads.
    private static Board OfPads(Board board) =>
        board with
        {
            Plugs =
            [
                new()
                {
                    Id = "A",
                    Label = "A",
                    Family = "plug",
                    Pins = [.. board.Pads.Take(3).Select(p => new BoardPin { Pad = p.Id })],
                },
            ],
        };

    // A socket with supply, ground and signals, in one of three orders: 5 V, battery, or a selector, or through a diode.
    private static Board Socket(Board board, string id, int order)
    {
        var last = $"U{board.Ports.Count(p => p.Kind == PortKind.Uart) - 1}";
        Pad Pin(int n, params PadPath[] paths) => Pad($"{id}{n}", paths);
        PadPath[] selector = [OnRail("5v", At("J", "left")), OnRail("bat", At("J", "right"))];
        Pad[] pins = order switch
        {
            1 => [Pin(1, OnRail("gnd")), Pin(2, OnRail("5v")), Pin(3, Path($"{last}.rx")), Pin(4, Path($"{last}.tx"))],
            2 =>
            [
                Pin(1, OnRail("bat")),
                Pin(2, OnRail("gnd")),
                Pin(3, Path("U0.tx")),
                Pin(4, Path("U0.rx")),
                Pin(5, OnRail("5v", new Diode { Direction = Passage.ToPad, Volts = 0.6 })),
                Pin(6, Path($"{last}.rx", At("K", "right"))),
            ],
            _ =>
            [
                Pin(1, selector),
                Pin(2, Path("U0.rx", Inverter())),
                Pin(3, Path("U0.tx")),
                Pin(4, OnRail("gnd")),
                Pin(5, OnRail("5v", new Diode { Direction = Passage.ToController, Volts = 0.6 })),
            ],
        };
        return board with
        {
            Pads = [.. board.Pads, .. pins],
            Plugs =
            [
                .. board.Plugs,
                new()
                {
                    Id = id,
                    Label = id,
                    Family = "plug",
                    Pins = [.. pins.Select(p => new BoardPin { Pad = p.Id })],
                },
            ],
        };
    }

    private static Board Extras(Board board, int extras)
    {
        var last = $"U{board.Ports.Count - 1}";
        Port[] more =
        [
            .. (extras & 1) == 0 ? [] : new[] { Of("S0", PortKind.Software) with { Rx = "U0.tx", Tx = "U0.tx" } },
            .. (extras & 2) == 0 ? [] : new[] { Of("S1", PortKind.Software) with { Rx = "s.rx", Tx = "s.tx" } },
            .. (extras & 4) == 0 ? [] : new[] { Of("P0", PortKind.Pulse) with { Rx = "U0.rx" } },
            .. (extras & 8) == 0
                ? []
                : new[]
                {
                    Of("I0", PortKind.Bus) with
                    {
                        Data = $"{last}.rx",
                        Clock = $"{last}.tx",
                        Addresses = (extras & 2) == 0 ? [] : [new() { Address = 13, By = "the barometer" }],
                    },
                },
            .. (extras & 128) == 0 ? [] : new[] { Of("A0", PortKind.Analogue) with { Rx = "a" } },
        ];
        return board with
        {
            Ports = [.. board.Ports, .. more],
            Nets = [.. board.Nets, new() { Id = "s.rx" }, new() { Id = "s.tx" }, new() { Id = "a" }],
            Pads = [.. board.Pads, Pad("SR", "s.rx"), Pad("ST", "s.tx"), Pad("A", "a")],
        };
    }

    // A selector that some signals hang on as well, a rail that is alive on USB, and the battery on a doubtful pad.
    private static Board Supplied(Board board) =>
        board with
        {
            Rails =
            [
                new()
                {
                    Id = "bat",
                    Label = "BAT",
                    Feed = RailFeed.Battery,
                },
                new()
                {
                    Id = "5v",
                    Label = "5V",
                    Volts = 5,
                    Feed = RailFeed.Regulator,
                },
                new()
                {
                    Id = "4v5",
                    Label = "4V5",
                    Volts = 4.5,
                    Feed = RailFeed.RegulatorOrUsb,
                },
                new()
                {
                    Id = "gnd",
                    Label = "GND",
                    Feed = RailFeed.Ground,
                },
            ],
            Pads =
            [
                .. board.Pads,
                Pad("VS", OnRail("5v", At("J", "left")), OnRail("bat", At("J", "right"))),
                Pad("GND", OnRail("gnd")),
                Pad("VU", OnRail("4v5", At("K", "right"))),
                Pad("B+", OnRail("bat")) with
                {
                    Meaning = PadMeaning.Uncertain,
                },
            ],
        };

    private static PadPath OnRail(string rail, params PathElement[] through) =>
        new() { Through = through, Rail = rail };

    private static Port Of(string id, PortKind kind) => new() { Id = id, Kind = kind };

    private static Bridge TwoWay(string id) =>
        new()
        {
            Id = id,
            Positions = ["left", "right"],
            Default = "left",
            MovedBy = id == "K" ? MovedBy.Firmware : MovedBy.Solder,
        };
}
