using CsCheck;
using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;
using static Gorvix.Core.Tests.Bench;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// Builds made up by the property engine: boards with inverters, shared bridges, half, held and advised ports, serial in
/// code, pulses, a bus over a serial unit, boot traps, doubtful pads and supply selectors, under every set of house rules.
/// </summary>
internal static class Generated
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

    private static readonly Gen<Mode> Modes = Gen.OneOfConst(
        Mode("CRSF", Out(), In()),
        Mode("CRSF", Out(polarity: Polarity.Inverted), In()) with
        {
            Id = "turned",
            Setting = "invert",
            Firmware = "2",
        },
        Mode("CRSF", Out()) with
        {
            Id = "deaf",
            Loses = ["telemetry"],
        },
        Mode("SBUS", Out()),
        Mode("IBUS", Out()),
        Mode("S.Port", Both()),
        Mode("VC-4800", Both()),
        Mode("MSP", Out(), In()),
        Mode("UBX", Out(), In()) with
        {
            Bauds = [115_200, 57_600, 9_600],
        },
        Mode("LTM", In()),
        Mode("ESC", Out()),
        Mode("PPM", Out()),
        Mode("I²C", Both(), In()) with
        {
            Address = 13,
        },
        Mode("I²C", Both(), In()) with
        {
            Id = "i²c-14",
            Address = 14,
            Straps = [new() { Address = 13, How = "close the pad ADR" }],
        }
    );

    private static readonly Gen<Device> Devices = Gen.Select(
        Gen.Enum<Need>(),
        Modes.Array[1, 2].Select(m => m.DistinctBy(x => x.Id).ToArray()),
        Gen.Int[0, 15],
        Gen.OneOfConst(DeviceKind.Receiver, DeviceKind.AirUnit, DeviceKind.Gnss),
        DeviceOf
    );

    private static readonly Gen<HouseRules> Houses = Gen.Select(
        Gen.Enum<PortSharing>(),
        Gen.Enum<SoftwareUse>(),
        Gen.Enum<ReceiverSupply>(),
        Gen.Enum<VideoSupply>(),
        Gen.Enum<BootCure>(),
        Gen.Enum<UnusedLeads>(),
        (sharing, software, receiver, video, boot, unused) =>
            new HouseRules
            {
                Sharing = sharing,
                Software = software,
                Receiver = receiver,
                Video = video,
                BootTrap = boot,
                Unused = unused,
            }
    );

    private static readonly FirmwareProfile Older = new()
    {
        Id = "older",
        Name = "older",
        Jobs = [PortJob.ReceiverInput, PortJob.VideoCanvas, PortJob.Gnss, PortJob.EscTelemetry, PortJob.TelemetryOut],
        Shares = [new() { Rx = PortJob.EscTelemetry, Tx = PortJob.TelemetryOut }],
        CanvasSettings = ["turn the canvas on"],
    };

    /// <summary>Builds of at most so many ports and links.</summary>
    public static Gen<ResolvedBuild> Builds(int ports, int links) =>
        Gen.Select(
            Boards(ports),
            Gen.Select(Devices, Gen.Enum<Priority>()).Array[1, links],
            Gen.Int[-2, 3],
            Houses,
            Gen.Int[0, 3],
            (board, devices, pin, house, more) =>
            {
                var made = Build(board, [.. devices.Select((d, i) => (d.Item1 with { Id = $"d{i}" }, d.Item2))]);
                var pinned = pin >= 0 && pin < board.Ports.Count;
                WishMatch[] seat = pin == -1 ? [new SeatMatch { Device = "d0", Socket = board.Plugs[^1].Id }] : [];
                var build = made.Build with
                {
                    House = house,
                    Firmware = more == 0 ? "older" : null,
                    Pack = more > 1 ? new Pack { Cells = 4 } : null,
                    Pins = pinned ? [new RouteMatch { Link = "d0", Port = board.Ports[pin].Id }] : seat,
                };
                var library = new PartsLibrary([board], [.. made.Devices.Select(d => d.Device)]) { Profiles = [Older] };
                return Resolved(build, library);
            }
        );

    /// <summary>A build in a few words, for a failure.</summary>
    public static string Print(ResolvedBuild build) =>
        $"{build.Board.Controller}, {string.Join(" ", build.Board.Ports.Select(p => p.Id))}, "
        + $"{string.Join(" | ", build.Board.Plugs.Select(p => $"{p.Id}: {string.Join(' ', p.Pins.Select(x => x.Pad))}"))}, "
        + $"{build.Build.House}, {build.Build.Firmware}, pack {build.Build.Pack?.Cells}: "
        + string.Join(
            ", ",
            build.Links.Select(l =>
                $"{l.Want.Priority} {string.Join("/", l.Function.Modes.Select(m => m.Id))} in {string.Join(' ', l.Device.Plug?.Pins.Select(p => p.Lead ?? "-") ?? [])}"
            )
        );

    // The number says what is odd about the device: a boot trap, a supply of its own, or a plug with a lead that always talks.
    private static Device DeviceOf(Need need, Mode[] modes, int odd, DeviceKind kind)
    {
        var device = Device("d", need, modes) with { Kind = kind };
        return odd switch
        {
            0 or 1 => device with { Leads = [.. device.Leads.Select(l => l with { AtBoot = BootNeed.High })] },
            2 or 3 => device.Fed(4, odd == 2 ? 6 : 18),
            4 or 5 => Plugged(device, odd == 4),
            >= 6 and <= 11 => Powered(device, odd - 6),
            _ => device,
        };
    }

    private static Device Plugged(Device device, bool straight)
    {
        var talker = new Lead
        {
            Id = "S",
            Label = "S",
            Role = LeadRole.Signal,
            Talks = TalkHabit.Always,
        };
        List<DevicePin> pins = [.. device.Leads.Append(talker).Select(l => new DevicePin { Lead = l.Id })];
        return device with
        {
            Leads = [.. device.Leads, talker],
            Plug = new() { Family = "plug", Pins = straight ? pins : [.. pins.AsEnumerable().Reverse()] },
        };
    }

    // A plug with supply, ground, signals and a lead that always talks, in several orders; one with its talker beside the plug.
    private static Device Powered(Device device, int order)
    {
        var fed = device.Fed(4, order % 3 == 2 ? 18 : 6);
        Lead talker = new()
        {
            Id = "S",
            Label = "S",
            Role = LeadRole.Signal,
            Talks = TalkHabit.Always,
        };
        Lead ground = new()
        {
            Id = "G",
            Label = "G",
            Role = LeadRole.Ground,
        };
        var signals = device.Leads.Select(l => l.Id).ToList();
        string?[] pins = order switch
        {
            0 => ["G", "V", .. signals, "S"],
            1 => ["V", "G", .. signals, "S"],
            2 => ["G", "V", .. signals.AsEnumerable().Reverse(), "S"],
            3 => ["S", .. signals, "G", "V"],
            4 => ["G", "V", null, .. signals],
            _ => [.. signals, "V", "G"],
        };
        return fed with
        {
            Leads = [.. fed.Leads, ground, talker],
            Plug = new() { Family = "plug", Pins = [.. pins.Select(l => new DevicePin { Lead = l })] },
        };
    }

    private static Gen<Board> Boards(int most) =>
        Gen.Select(
            Gen.OneOfConst(Classes),
            Gen.Select(Elements, Elements, Gen.Int[0, 12], Gen.Enum<Need>()).Array[1, most],
            Gen.Int[0, 127],
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
            var doubt = shape == 7 ? PadMeaning.Doubtful : PadMeaning.Sure;
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
                : new[] { Of("I0", PortKind.Bus) with { Data = $"{last}.rx", Clock = $"{last}.tx" } },
        ];
        return board with
        {
            Ports = [.. board.Ports, .. more],
            Nets = [.. board.Nets, new() { Id = "s.rx" }, new() { Id = "s.tx" }],
            Pads = [.. board.Pads, Pad("SR", "s.rx"), Pad("ST", "s.tx")],
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
                    Meaning = PadMeaning.Doubtful,
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
            MovedBy = id == "K" ? MovedBy.Firmware : MovedBy.Iron,
        };
}
