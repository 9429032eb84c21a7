using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Routing;

/// <summary>What a port, its clock, the firmware and the house rules say before any wire is looked at.</summary>
public class PortCheckTests
{
    private static readonly Mode Crsf = Mode("CRSF", Out(), In());
    private static readonly Mode Ltm = Mode("LTM", In());
    private static readonly FirmwareProfile Older = Demo.Library.Profile("older")!;
    private static readonly FirmwareProfile Newer = Demo.Library.Profile("newer")!;

    [Theory]
    // 8 MHz ÷ 19 = 421 053 (0.25 %); 8 MHz ÷ 8 = 1 000 000; 4 MHz ÷ 10 = 400 000 (-4.8 %); ±2 % is the most that works
    // (source: application notes on UART clock accuracy).
    [InlineData(8, null)]
    [InlineData(4, "BAUD")]
    [InlineData(2, "BAUD")]
    public void A_clock_that_cannot_make_the_baud_blocks_the_port(double megahertz, string? code)
    {
        var board = Whole("F4", "U1");
        board = board with { Ports = [board.Ports[0] with { ClockMegahertz = megahertz }] };
        Assert.Equal(code, Ways(board, Crsf).CodeAt("U1"));
    }

    private static string Said(Board board, Mode mode, Func<ResolvedBuild, ResolvedBuild>? change = null)
    {
        var build = Build(board, Device("unit", Need.Gps, mode));
        return Router.WaysOf((change ?? (b => b))(build)).Links[0].NearestAt(board.Ports[0].Id)!.Finding.Sentence;
    }

    private static Board Clocked(double megahertz)
    {
        var board = Whole("F4", "U1");
        return board with { Ports = [board.Ports[0] with { ClockMegahertz = megahertz }] };
    }

    private static Board InCode(params string[] nets) =>
        Board(
                "F4",
                new Port
                {
                    Id = "S1",
                    Kind = PortKind.Software,
                    Rx = nets[0],
                    Tx = nets[^1],
                }
            )
            .With([.. nets.Distinct().Select(n => Pad(n.ToUpperInvariant(), n))]) with
        {
            Nets = [.. nets.Distinct().Select(n => new Net { Id = n })],
        };

    [Fact]
    public void A_wrong_clock_says_what_it_makes_and_a_slow_one_that_it_is_too_slow()
    {
        // 4 MHz ÷ 10 = 400 000, 4.8 % below 420 000; 0.05 MHz is below the baud itself.
        Assert.Contains("400 000 (-4.8 %)", Said(Clocked(4), Crsf));
        Assert.Contains("420 000", Said(Clocked(4), Crsf));
        Assert.Contains("too slow", Said(Clocked(0.05), Crsf));
        Assert.Contains("0.05", Said(Clocked(0.05), Crsf));
        Assert.Contains("UART1", Said(Clocked(0.05), Crsf));
    }

    [Fact]
    public void Of_several_bauds_that_fail_the_first_is_told() =>
        Assert.Contains("420 000", Said(Clocked(0.05), Crsf with { Bauds = [420_000, 115_200] }));

    [Fact]
    public void A_frame_that_does_not_fit_says_what_it_takes_and_what_there_is()
    {
        // 26 characters of ten bits at 115 200 take 2.26 ms; 500 of them a second leave 2 ms.
        var said = Said(Whole("F4", "U1"), Crsf with { PacketHertz = 500, Bauds = [115_200] });
        Assert.All(["CRSF", "UART1", "2.26", "115 200", "500", "2.00"], part => Assert.Contains(part, said));
        Assert.DoesNotContain("units", said);
    }

    [Fact]
    public void Serial_in_code_says_what_is_too_fast_for_it_what_lacks_a_pin_and_whose_rule_it_is()
    {
        static ResolvedBuild Under(ResolvedBuild build, SoftwareUse use) =>
            Resolved(
                build.Build with
                {
                    House = new HouseRules { Software = use },
                },
                new PartsLibrary([build.Board], [.. build.Devices.Select(d => d.Device)])
            );
        var slow = Mode("UBX", Out(), In()) with { Bauds = [9_600] };
        var fast = Said(InCode("a", "b"), Crsf, b => Under(b, SoftwareUse.Allowed));
        Assert.All(["TX", "420 000", "S1"], part => Assert.Contains(part, fast));
        var narrow = Said(InCode("a"), slow, b => Under(b, SoftwareUse.Allowed));
        Assert.All(["The unit in UBX", "S1"], part => Assert.Contains(part, narrow));
        Assert.Contains("your house rule forbids it", Said(InCode("a", "b"), slow, b => Under(b, SoftwareUse.Never)));
        Assert.Contains("telemetry only", Said(InCode("a", "b"), slow, b => Under(b, SoftwareUse.TelemetryOnly)));
    }

    [Fact]
    public void A_module_that_forgets_is_carried_where_the_board_can_talk_to_it()
    {
        Device Forgetful(Mode mode) => Device("gnss", Need.Gps, mode) with { Memory = SetupMemory.Loses };
        LinkWays On(Device device) => Router.WaysOf(Build(Whole("F4", "U1"), device)).Links[0];
        Assert.Single(On(Forgetful(Mode("UBX", Out(), In()))).Routes);
        var heard = Mode("UBX", Out()) with { Loses = ["set-up by the board"] };
        Assert.Equal("FORGETS", On(Forgetful(heard)).CodeAt("U1"));
    }

    [Fact]
    public void A_device_that_can_be_set_slower_is_set_to_the_first_baud_that_the_clock_makes()
    {
        var board = Whole("F4", "U1");
        board = board with { Ports = [board.Ports[0] with { ClockMegahertz = 4 }] };
        var route = Assert.Single(Ways(board, Crsf with { Bauds = [420_000, 115_200] }).Routes);
        Assert.Equal(115_200, route.Settings.Baud);
        Assert.Equal((WorkAction.SetBaud, 115_200), (Assert.Single(route.Work).Action, route.Work[0].Baud));
    }

    [Theory]
    // 26 bytes of 10 bits (source: the open CRSF specification): 0.62 ms at 420 000, 2.26 ms at 115 200.
    [InlineData(420_000, 500, null)]
    [InlineData(420_000, 1000, null)]
    [InlineData(115_200, 500, "FRAME")]
    [InlineData(115_200, 250, null)]
    public void A_frame_must_fit_its_period(int baud, double hertz, string? code)
    {
        var mode = Crsf with { Bauds = [baud], PacketHertz = hertz };
        Assert.Equal(code, Ways(Whole("F4", "U1"), mode).CodeAt("U1"));
    }

    [Theory]
    [InlineData(SoftwareUse.Never, Need.Telemetry, "SOFT")]
    [InlineData(SoftwareUse.TelemetryOnly, Need.Telemetry, null)]
    [InlineData(SoftwareUse.TelemetryOnly, Need.VtxControl, "SOFT")]
    [InlineData(SoftwareUse.Allowed, Need.VtxControl, null)]
    public void Serial_in_code_is_used_as_the_house_says(SoftwareUse house, Need need, string? code) =>
        Assert.Equal(code, OnSoftware(Ltm, need, house).CodeAt("S1"));

    [Fact]
    public void Serial_in_code_is_too_slow_for_a_receiver_costs_processor_time_and_reads_either_polarity()
    {
        Assert.Equal("SOFT-FAST", OnSoftware(Mode("IBUS", Out()), Need.RcLink).CodeAt("S1"));
        Assert.Equal("1-PIN", OnSoftware(Mode("NMEA", Out(), In()), Need.Gps).CodeAt("S1"));
        var turned = OnSoftware(Mode("NMEA", Out(polarity: Polarity.Inverted)) with { Loses = ["set-up"] }, Need.Gps);
        Assert.Equal(3, Assert.Single(turned.Routes).Processor);
        var fast = OnSoftware(Mode("S.Port", Both()), Need.Telemetry);
        Assert.Equal(4, Assert.Single(fast.Routes).Processor);
    }

    [Fact]
    public void A_firmware_without_a_job_or_without_serial_in_code_blocks_the_port()
    {
        Assert.Equal("FUNCTION", WaysWith(Older, Whole("F4", "U1"), Mode("Range finder", Out())).CodeAt("U1"));
        Assert.Null(WaysWith(Newer, Whole("F4", "U1"), Mode("Range finder", Out())).CodeAt("U1"));
        var blocked = WaysWith(Newer, SoftwareBoard, Ltm, new HouseRules { Software = SoftwareUse.Allowed });
        Assert.Equal("SOFT", blocked.CodeAt("S1"));
        Assert.Contains("newer generation does not support it", blocked.NearestAt("S1")!.Finding.Sentence);
    }

    [Fact]
    public void The_older_generation_asks_for_more_settings_of_the_video_canvas()
    {
        var canvas = Mode("MSP", Out(), In());
        Assert.Equal(2, Assert.Single(WaysWith(Older, Whole("F4", "U1"), canvas).Routes).Work.Count);
        Assert.Empty(Assert.Single(WaysWith(Newer, Whole("F4", "U1"), canvas).Routes).Work);
    }

    [Fact]
    public void Each_kind_of_line_has_its_own_kind_of_port()
    {
        var board = Whole("F4", "U1") with { };
        board = board with
        {
            Ports =
            [
                .. board.Ports,
                new()
                {
                    Id = "P",
                    Kind = PortKind.Pulse,
                    Rx = "U1.rx",
                },
            ],
        };
        Assert.Equal("KIND", Ways(board, Crsf).CodeAt("P"));
        Assert.Equal("KIND", Ways(board, Mode("PPM", Out())).CodeAt("U1"));
    }

    [Theory]
    [InlineData(0.6, null)]
    [InlineData(0.3, "FAINT")]
    public void A_divider_saves_a_pin_from_5_V_but_must_leave_enough(double ratio, string? code)
    {
        var board = Board("F4", Port("U1", tx: false)).With(Pad("R1", "U1.rx", new Divider { Ratio = ratio }));
        var device = Device("device", Need.RcLink, Mode("IBUS", Out()));
        device = device with { Leads = [device.Leads[0] with { DriveVolts = 5 }] };
        Assert.Equal(code, Router.WaysOf(Build(board, device)).Links[0].CodeAt("U1"));
    }

    [Fact]
    public void A_divider_and_a_diode_pass_one_way_only()
    {
        var divider = Board("F4", Port("U1", rx: false)).With(Pad("T1", "U1.tx", new Divider { Ratio = 0.7 }));
        Assert.Equal("WAY", Ways(divider, Ltm).CodeAt("U1"));
        var diode = new Diode { Direction = Passage.ToPad, Volts = 0.3 };
        Assert.Equal(
            "WAY",
            Ways(Board("F4", Port("U1", tx: false)).With(Pad("R1", "U1.rx", diode)), Mode("IBUS", Out())).CodeAt("U1")
        );
        Assert.Null(Ways(Board("F4", Port("U1", rx: false)).With(Pad("T1", "U1.tx", diode)), Ltm).CodeAt("U1"));
    }

    [Fact]
    public void Two_modules_share_a_bus_unless_their_addresses_are_the_same()
    {
        var board = Board(
            "F4",
            new Port
            {
                Id = "I2C1",
                Kind = PortKind.Bus,
                Data = "sda",
                Clock = "scl",
            }
        ) with
        {
            Nets = [new() { Id = "sda" }, new() { Id = "scl" }],
            Pads = [Pad("SDA", "sda"), Pad("SCL", "scl")],
        };
        Device Compass(string id, int address) =>
            Device(id, Need.Compass, Mode("I²C", Both("SDA"), In("SCL")) with { Address = address });
        // Source: UM10204, the I²C-bus specification: devices on a bus are told apart by their address.
        Assert.Equal(0, Planner.Best(Build(board, Compass("a", 13), Compass("b", 30))).Cost[CostTerm.MustsUnmet]);
        Assert.NotEqual(0, Planner.Best(Build(board, Compass("a", 13), Compass("b", 13))).Cost[CostTerm.MustsUnmet]);
    }

    [Theory]
    [InlineData(PortSharing.OnePerPort, "older", "U1 -")]
    [InlineData(PortSharing.SplitHalves, null, "U1 U1")]
    [InlineData(PortSharing.SplitHalves, "older", "U1 U1")]
    [InlineData(PortSharing.SplitHalves, "newer", "U1 -")]
    public void Two_one_way_users_share_a_port_where_house_and_firmware_allow_it(
        PortSharing house,
        string? firmware,
        string ports
    )
    {
        // A module that is only heard and telemetry that only talks, both 8N1 at 9 600.
        var gnss = Device("gnss", Need.Gps, Mode("NMEA", Out()) with { Loses = ["set-up"] });
        Assert.Equal(ports, PortsOf(gnss, Device("radio", Need.Telemetry, Ltm), house, firmware));
    }

    [Fact]
    public void Halves_with_different_bauds_are_not_shared()
    {
        var esc = Device("esc", Need.EscTelemetry, Mode("ESC", Out()));
        Assert.Equal("- U1", PortsOf(esc, Device("radio", Need.Telemetry, Ltm), PortSharing.SplitHalves, null));
    }

    private static readonly Board SoftwareBoard = Board(
        "F4",
        new Port
        {
            Id = "S1",
            Kind = PortKind.Software,
            Rx = "led",
            Tx = "led",
        }
    ) with
    {
        Nets = [new() { Id = "led" }],
        Pads = [Pad("LED", "led")],
    };

    private static LinkWays OnSoftware(Mode mode, Need need, SoftwareUse house = SoftwareUse.Allowed) =>
        WaysOf(SoftwareBoard, Device("device", need, mode), null, new HouseRules { Software = house });

    private static LinkWays WaysWith(FirmwareProfile firmware, Board board, Mode mode, HouseRules? house = null) =>
        WaysOf(board, Device("device", Need.Telemetry, mode), firmware, house ?? HouseRules.Default);

    private static LinkWays WaysOf(Board board, Device device, FirmwareProfile? firmware, HouseRules house) =>
        Router.WaysOf(With(Build(board, device), house, firmware)).Links[0];

    private static string PortsOf(Device a, Device b, PortSharing house, string? firmware)
    {
        var profile = firmware is null ? null : Demo.Library.Profile(firmware);
        var plan = Planner.Best(With(Build(Whole("F4", "U1"), a, b), new HouseRules { Sharing = house }, profile));
        return string.Join(" ", plan.Placements.Select(p => p.Route?.Port.Id ?? "-"));
    }

    private static ResolvedBuild With(ResolvedBuild made, HouseRules house, FirmwareProfile? firmware) =>
        Resolved(
            made.Build with
            {
                House = house,
                Firmware = firmware?.Id,
            },
            new PartsLibrary([made.Board], [.. made.Devices.Select(d => d.Device)])
            {
                Profiles = firmware is null ? [] : [firmware],
            }
        );
}
