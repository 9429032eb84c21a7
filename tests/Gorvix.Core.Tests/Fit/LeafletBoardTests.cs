using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Fit;

/// <summary>The part that is about pins, inverters, buses, harnesses and levels.</summary>
public partial class LeafletTests
{
    [Theory]
    [InlineData(null, 5.0, "LEVEL")]
    [InlineData(3.3, 5.0, "LEVEL")]
    [InlineData(5.5, 5.0, null)]
    [InlineData(4.9, 5.0, "LEVEL")]
    [InlineData(5.0, 5.0, null)]
    public void An_inverter_that_stands_five_volts_saves_a_pin_that_does_not(
        double? stands,
        double drives,
        string? code
    )
    {
        var inverter = new Inverter
        {
            Direction = Passage.ToController,
            Stands = stands,
            Drives = stands is null ? null : 3.3,
        };
        var receiver = Device("rx", Need.RcLink, Mode("SBUS", Out("S")));
        receiver = receiver with { Leads = [receiver.Leads[0] with { DriveVolts = drives }] };
        var board = Board("F4", Port("U1")).With(Pad("SBUS", "U1.rx", inverter));
        var ways = Router.WaysOf(Build(board, receiver)).Links[0];
        Assert.Equal(code, ways.Routes.Count > 0 ? null : ways.CodeAt("U1"));
        if (stands is 4.9)
        {
            Assert.Contains(
                "S drives 5.0 V into the inverter before UART1 RX, rated 4.9 V maximum.",
                ways.NearestAt("U1")!.Finding.Sentence
            );
        }
    }

    [Fact]
    public void An_inverter_that_drives_too_little_is_too_faint_for_the_pin()
    {
        Inverter Drives(double volts) => new() { Direction = Passage.ToController, Drives = volts };
        LinkWays WaysWith(double volts) =>
            Ways(Board("F4", Port("U1")).With(Pad("SBUS", "U1.rx", Drives(volts))), Mode("SBUS", Out("S")));
        Assert.Equal("FAINT", WaysWith(1.9).CodeAt("U1"));
        Assert.NotEmpty(WaysWith(2.0).Routes);
    }

    [Fact]
    public void An_inverter_that_the_firmware_switches_is_a_setting_and_not_iron()
    {
        FitReader With(MovedBy by)
        {
            var board = Board("F4", Port("U1"))
                .With(Pad("R1", Path("U1.rx", At("INV", "raw")), Path("U1.rx", At("INV", "inverted"), Inverter())));
            board = board with
            {
                Bridges =
                [
                    new()
                    {
                        Id = "INV",
                        Positions = ["raw", "inverted"],
                        Default = "raw",
                        MovedBy = by,
                    },
                ],
            };
            return new FitReader(Build(board, Device("rx", Need.RcLink, Mode("SBUS", Out("S")))));
        }
        Assert.Equal(
            (2, 4),
            (With(MovedBy.Firmware).Plan.Cost[CostTerm.HandWork], With(MovedBy.Solder).Plan.Cost[CostTerm.HandWork])
        );
        Assert.Equal(
            ["In the board's settings: switch INV to \"inverted\" (now \"raw\")."],
            With(MovedBy.Firmware).Sheet().Work
        );
    }

    // U1 comes on R1 and T1 and can be led to R9 and T9; both pairs at once it cannot have.
    private static Board TwoPairs()
    {
        var board = Board(
            "F4",
            Port("U1") with
            {
                Alternatives =
                [
                    new()
                    {
                        Name = "B",
                        Rx = "r9",
                        Tx = "t9",
                    },
                ],
            }
        );
        return (board with { Nets = [.. board.Nets, new() { Id = "r9" }, new() { Id = "t9" }] }).With(
            Pad("R1", "U1.rx"),
            Pad("T1", "U1.tx", Inverter(Passage.ToPad)),
            Pad("R9", "r9"),
            Pad("T9", "t9")
        );
    }

    [Fact]
    public void A_serial_unit_is_led_to_its_other_pins_by_a_setting_when_the_usual_ones_do_not_do()
    {
        var fit = new FitReader(Build(TwoPairs(), Gnss)).Sound();
        Assert.Equal(["R9", "T9"], fit.Sheet().Links[0].Pads);
        Assert.Contains("remapped to B", fit.Sheet().Links[0].Settings);
        Assert.Equal(["In the board's settings: remap UART1 to B."], fit.Sheet().Work);
    }

    [Fact]
    public void A_serial_unit_is_on_one_choice_of_pins_at_a_time_even_where_its_halves_are_shared()
    {
        var finder = Device("finder", Need.Rangefinder, Mode("Range finder", Out("D")));
        var log = Device("log", Need.FlightLog, Mode("Flight log", In("L")));
        var made = Build(TwoPairs(), finder, log).Build with { House = new() { Sharing = PortSharing.SplitHalves } };
        var fit = new FitReader(Resolving.Resolved(made, new PartsLibrary([TwoPairs()], [finder, log]))).Sound();
        Assert.Equal("U1 U1", fit.Ports());
        Assert.Equal(["R9", "T9"], fit.Wired.Leads.Select(l => l.Pad!.Label).Order());
    }

    private static Board BusBoard(params AddressInUse[] used)
    {
        var board = Board(
            "F4",
            new Port
            {
                Id = "I2C1",
                Kind = PortKind.Bus,
                Data = "d",
                Clock = "c",
                Addresses = used,
            }
        );
        return (board with { Nets = [new() { Id = "d" }, new() { Id = "c" }] }).With(Pad("SDA", "d"), Pad("SCL", "c"));
    }

    private static Device Compass(string id, params AddressStrap[] straps) =>
        Device(id, Need.Compass, Mode("I²C", Both("SDA"), In("SCL")) with { Address = 13, Straps = straps });

    // UM10204: devices on a bus are told apart by their 7-bit address.
    [Fact]
    public void An_address_that_a_part_inside_the_board_has_keeps_a_sensor_off_the_bus_unless_it_is_strapped()
    {
        AddressInUse inside = new() { Address = 13, By = "the compass on the board" };
        var blocked = new FitReader(Build(BusBoard(inside), Compass("mag"))).Sheet();
        Assert.Equal(
            "The mag and the compass on the board on the board both use address 0x0D on I2C1.",
            blocked.Links[0].Cells[0].Sentence
        );
        AddressStrap strap = new() { Address = 14, How = "close the pad ADR" };
        var fit = new FitReader(Build(BusBoard(inside), Compass("mag", strap))).Sound();
        Assert.Equal(["On the mag: close the pad ADR, for address 0x0E."], fit.Sheet().Work);
        Assert.NotEmpty(
            new FitReader(Build(BusBoard(inside with { Address = 14 }), Compass("mag"))).Plan.Placements[0].Route!.Walks
        );
    }

    [Fact]
    public void Two_sensors_of_one_address_share_a_bus_when_one_is_strapped_and_else_say_which_address_is_in_use()
    {
        AddressStrap strap = new() { Address = 14, How = "close the pad ADR" };
        Assert.Equal(
            "I2C1 I2C1",
            new FitReader(Build(BusBoard(), Compass("a", strap), Compass("b", strap))).Sound().Ports()
        );
        var unmet = new FitReader(Build(BusBoard(), Compass("a"), Compass("b"))).Sheet().Findings;
        Assert.Contains(
            "I2C1: compass (a) already uses address 0x0D on I2C1.",
            unmet.First(f => f.Rule == "UNMET").Sentence
        );
    }

    [Fact]
    public void A_second_bus_takes_the_sensor_whose_address_is_in_use_on_the_first()
    {
        var one = BusBoard();
        var board = one.With(Pad("SDA2", "d2"), Pad("SCL2", "c2")) with
        {
            Nets = [.. one.Nets, new() { Id = "d2" }, new() { Id = "c2" }],
            Ports = [.. one.Ports, one.Ports[0] with { Id = "I2C2", Data = "d2", Clock = "c2" }],
        };
        Assert.Equal("I2C1 I2C2", new FitReader(Build(board, Compass("a"), Compass("b"))).Sound().Ports());
    }

    [Theory]
    [InlineData(SetupMemory.Loses, "FORGETS")]
    [InlineData(SetupMemory.Saves, null)]
    [InlineData(null, null)]
    public void A_module_that_forgets_is_never_only_listened_to(SetupMemory? memory, string? code)
    {
        var heard = Mode("UBX", Out()) with { Id = "heard", Loses = ["configuration by the board"] };
        var module = Device("gnss", Need.Gps, heard) with { Memory = memory };
        var sheet = new FitReader(Build(Whole("F7", "U1"), module)).Sheet();
        Assert.Equal(code, sheet.Links[0].Cells[0].Code);
    }

    [Fact]
    public void A_wire_that_only_one_harness_has_is_missing_with_the_other_one_and_the_unlock_says_which_to_take()
    {
        var receiver = Device("rx", Need.RcLink, Mode("SBUS", Out("S"))).Leads("V1", "P") with
        {
            Harnesses =
            [
                new()
                {
                    Id = "pulse",
                    Name = "pulses",
                    Leads = ["V1", "P"],
                },
                new()
                {
                    Id = "serial",
                    Name = "serial",
                    Leads = ["V1", "S"],
                },
            ],
        };
        var board = Whole("F7", "U1");
        var library = new PartsLibrary([board], [receiver]);
        var build = new Build
        {
            Name = "test",
            Board = board.Id,
            Devices = [new() { Id = "rx", Part = "rx" }],
            Wants =
            [
                new()
                {
                    Link = "rx",
                    Device = "rx",
                    Function = "f",
                    Priority = Priority.Required,
                },
            ],
        };
        var fit = new FitReader(Resolving.Resolved(build, library));
        Assert.Equal(
            "SBUS on the rx needs a wire that only its \"serial\" harness has.",
            fit.Sheet().Links[0].Cells[0].Sentence
        );
        var unlock = Assert.Single(Assert.Single(fit.Unlocks(library)).Ways);
        Assert.Equal("Use the \"serial\" harness on the rx", unlock.Words);
        var after = fit.Unlocked(library, unlock.Id)!.Value.After;
        Assert.Equal("serial", after.Devices[0].Harness);
        Assert.Equal("U1", new FitReader(Resolving.Resolved(after, library)).Sound().Ports());
    }

    private static Board Levels(string? rx, string? tx, params PathElement[] through)
    {
        var board = Whole("F7", "U1");
        return (board with { Nets = [.. board.Nets, new() { Id = "level" }] }).With(Pad("LVL", "level", through)) with
        {
            Ports =
            [
                .. board.Ports,
                new()
                {
                    Id = "LVL",
                    Kind = PortKind.Analogue,
                    Rx = rx,
                    Tx = tx,
                },
            ],
        };
    }

    private static Device Sensing(double volts)
    {
        var device = Device("esc", Need.BatterySensing, Mode("Level in", Out("VB")));
        return device with { Leads = [device.Leads[0] with { Role = LeadRole.Sense, DriveVolts = volts }] };
    }

    // 10 k to 1 k leaves an eleventh (common practice): 25.2 V become 2.3 V.
    [Theory]
    [InlineData(1 / 11.0, 25.2, null)]
    [InlineData(1.0, 25.2, "LEVEL")]
    [InlineData(1 / 11.0, 36.4, "LEVEL")]
    public void The_packs_voltage_reaches_a_sense_pad_through_its_divider_or_burns_the_pin(
        double ratio,
        double volts,
        string? code
    )
    {
        PathElement[] divider = ratio < 1 ? [new Divider { Ratio = ratio }] : [];
        var ways = Router.WaysOf(Build(Levels("level", null, divider), Sensing(volts))).Links[0];
        Assert.Equal(code, ways.Routes.Count > 0 ? null : ways.CodeAt("LVL"));
        Assert.Equal("KIND", ways.CodeAt("U1"));
    }

    [Fact]
    public void Camera_keys_are_pressed_by_the_level_of_one_pad()
    {
        var camera = Device("cam", Need.CameraControl, Mode("Level out", In("KEY")));
        camera = camera with { Leads = [camera.Leads[0] with { Role = LeadRole.Sense }] };
        Assert.Equal("LVL", new FitReader(Build(Levels(null, "level"), camera)).Sound().Ports());
        var wrong = Router.WaysOf(Build(Levels("level", null), camera)).Links[0].NearestAt("LVL")!.Finding;
        Assert.Equal("Analogue out needs an analogue output; LVL is an analogue input.", wrong.Sentence);
    }

    [Fact]
    public void A_current_lead_that_nobody_asked_for_stays_on_its_sense_pin_and_makes_no_noise()
    {
        var esc = Sensing(3.3).Also("t", Need.EscTelemetry, Mode("ESC", Out("T"))).Plugged("esc", "T", "VB", "G");
        var board = Levels("level", null).Powered().Socket("ESC", "esc", "U1.rx", "level", "GND");
        var fit = Fit4S(board, [esc], ["esc/t"]).Sound();
        Assert.Equal("InPlace ESC2", fit.At("esc", "VB"));
        Assert.DoesNotContain("DRIVER", fit.Rules());
    }
}
