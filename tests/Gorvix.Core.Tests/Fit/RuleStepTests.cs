using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Fit;

/// <summary>Rules that could once be taken out, or moved by a step, without a test that minded.</summary>
public class RuleStepTests
{
    private static readonly Device Gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In()));

    // Application notes on UART clock accuracy: about ±2 % in all. 3.42 MHz ÷ 8 is 1.8 % off 420 000, 3.46 MHz ÷ 8 is 3.0 %.
    [Theory]
    [InlineData(3.42, null)]
    [InlineData(3.46, "BAUD")]
    [InlineData(3.3, null)]
    [InlineData(3.27, "BAUD")]
    public void A_clock_is_off_by_two_percent_and_no_more(double megahertz, string? code)
    {
        var board = Whole("F4", "U1");
        board = board with { Ports = [board.Ports[0] with { ClockMegahertz = megahertz }] };
        Assert.Equal(code, Ways(board, Mode("CRSF", Out(), In())).CodeAt("U1"));
    }

    [Theory]
    [InlineData(BootLevel.High, null)]
    [InlineData(BootLevel.Low, "BOOT")]
    [InlineData(BootLevel.Chatters, "BOOT")]
    [InlineData(BootLevel.DrivenLow, "BOOT")]
    public void A_pin_that_is_low_at_power_up_is_a_trap_as_one_that_chatters_is(BootLevel level, string? code)
    {
        var board = Whole("F4", "U1");
        board = board with { Nets = [.. board.Nets.Select(n => n.Id == "U1.tx" ? n with { AtBoot = level } : n)] };
        var receiver = Device("rx", Need.RcLink, Mode("CRSF", Out(), In()));
        receiver = receiver with { Leads = [.. receiver.Leads.Select(l => l with { AtBoot = BootNeed.High })] };
        Assert.Equal(code, Router.WaysOf(Build(board, receiver)).Links[0].CodeAt("U1"));
        // A resistor raises what nothing drives; a driven pin stays low.
        var pulled = Resolved(
            Build(board, receiver).Build with
            {
                House = new HouseRules { BootTrap = BootCure.PullUp },
            },
            new PartsLibrary([board], [receiver])
        );
        Assert.Equal(level == BootLevel.DrivenLow ? "BOOT" : null, Router.WaysOf(pulled).Links[0].CodeAt("U1"));
    }

    /// <summary>A divider of 10 k to 1 k makes a level of 1 V read 11 V, and a current sensor's 1 V read a tenth of its amperes.</summary>
    [Theory]
    [InlineData(AnalogueReading.Current, AnalogueReading.Current, null, 0)]
    [InlineData(AnalogueReading.Current, AnalogueReading.BatteryVoltage, "READS", 0)]
    [InlineData(AnalogueReading.BatteryVoltage, AnalogueReading.Current, "READS", 0)]
    [InlineData(AnalogueReading.Rssi, AnalogueReading.Current, "READS", 0)]
    [InlineData(null, AnalogueReading.Current, null, 1)]
    [InlineData(AnalogueReading.Current, null, null, 1)]
    [InlineData(null, null, null, 1)]
    public void An_analogue_pin_takes_the_level_it_is_scaled_for_and_what_nobody_has_said_is_not_judged(
        AnalogueReading? pin,
        AnalogueReading? lead,
        string? code,
        int unknown
    )
    {
        var (board, sensor) = Sensing("F4", pin, lead);
        var ways = Router.WaysOf(Build(board, sensor)).Links[0];
        Assert.Equal(code, ways.CodeAt("ADC"));
        if (code is null)
        {
            Assert.Equal(
                unknown,
                ways.Routes.First(r => r.Port.Id == "ADC").Hazards.Count(h => h.Rule == "READS-UNKNOWN")
            );
        }
    }

    [Fact]
    public void A_rail_that_hangs_on_one_that_lives_on_USB_lives_on_USB_too()
    {
        Rail Of(string id, RailFeed feed, string? from) =>
            new()
            {
                Id = id,
                Label = id,
                Volts = 3.3,
                Feed = feed,
                From = from,
            };
        var (usb, next, last, other) = (
            Of("4v5", RailFeed.RegulatorOrUsb, null),
            Of("a", RailFeed.Regulator, "4v5"),
            Of("b", RailFeed.Regulator, "a"),
            Of("c", RailFeed.Regulator, null)
        );
        var circuit = Circuit.Of(Whole("F4", "U1") with { Rails = [usb, next, last, other] });
        Assert.Equal(
            [true, true, true, false],
            new[] { usb, next, last, other }.Select(r => Trace.OnUsb(circuit, r) == true)
        );
    }

    [Fact]
    public void A_plug_whose_ground_alone_would_sit_on_the_battery_is_not_put_in_as_it_comes()
    {
        var board = Whole("F7", "U1").Powered("GND").Socket("S", "s", "U1.rx", "U1.tx", "BAT");
        var fit = Fit4S(
                board,
                [Gnss.Plugged("s", "TX", "RX", "G")],
                ["gnss"],
                b => b with { Pins = [new SeatMatch { Device = "gnss", Socket = "S" }] }
            )
            .Sound();
        Assert.Equal("Soldered GND", fit.At("gnss", "G"));
        Assert.Contains("its G would reach S3", Assert.Single(fit.Sheet().Findings, f => f.Rule == "PLUG").Sentence);
    }

    [Theory]
    [InlineData(7.0, 17.0, null)]
    [InlineData(13.3, 17.0, "Choose a battery with more cells.")]
    [InlineData(7.0, 16.7, "Power it from a separate regulator")]
    public void The_boards_input_is_held_against_both_ends_of_the_pack(double min, double max, string? mend)
    {
        // 4S: 13.2 V empty, 16.8 V full (common practice).
        var board = Whole("F7", "U1").Powered("GND") with
        {
            Input = new() { Min = min, Max = max },
        };
        var input = Fit4S(board, [Gnss], ["gnss"]).Sheet().Findings.SingleOrDefault(f => f.Rule == "INPUT");
        Assert.Equal(mend is null, input is null);
        Assert.Contains(mend ?? "", input?.Sentence ?? "");
    }

    [Fact]
    public void A_hundred_pins_and_a_hundred_bans_are_taken_and_one_more_is_not()
    {
        var hare = Demo.NorthFaceHare;
        RouteMatch[] Many(int count) => [.. Enumerable.Repeat(new RouteMatch { Link = "control", Port = "U1" }, count)];
        Assert.Empty(BuildCheck.Of(hare with { Pins = Many(100), Bans = Many(100) }, Demo.Library, "b"));
        Assert.Equal(
            ["b.pins has 101 pins; the limit is 100. Split the build or remove what you do not need."],
            BuildCheck.Of(hare with { Pins = Many(101) }, Demo.Library, "b").Select(f => f.Sentence)
        );
        Assert.Equal(
            ["b.blocks has 101 blocks; the limit is 100. Split the build or remove what you do not need."],
            BuildCheck.Of(hare with { Bans = Many(101) }, Demo.Library, "b").Select(f => f.Sentence)
        );
    }

    [Fact]
    public void A_supply_that_a_selector_could_give_says_which_who_holds_it_and_where()
    {
        var board = Whole("F7", "U1", "U2").Powered("GND");
        board = board.With(
            Pad(
                "VS",
                new PadPath { Rail = "5V", Through = [At("J", "5")] },
                new PadPath { Rail = "BAT", Through = [At("J", "B")] }
            )
        ) with
        {
            Bridges =
            [
                new()
                {
                    Id = "J",
                    Positions = ["5", "B"],
                    Default = "5",
                },
            ],
        };
        var transmitter = Device("vtx", Need.VtxControl, Mode("VC-9600", Both())).Fed(7, 26).Leads("G");
        var fit = Fit4S(board, [Gnss.Fed(4, 6).Leads("G"), transmitter], ["!gnss", "vtx"]);
        Assert.Equal(
            "No pad can power the vtx. Pad VS could, but the gnss supply needs jumper J at \"5\".",
            Assert.Single(fit.Sheet().Findings, f => f.Rule == "UNFED").Sentence
        );
    }

    [Fact]
    public void A_cell_that_another_pin_holds_says_whose_pin_that_is()
    {
        var fit = new FitReader(
            Build(
                    Whole("F7", "U1"),
                    (Gnss, Priority.Required),
                    (Device("log", Need.FlightLog, Mode("Flight log", In())), Priority.Optional)
                )
                .Pinned(new RouteMatch { Link = "gnss", Port = "U1" })
        );
        var cell = fit.Sheet().Links[1].Cells[0];
        Assert.Equal(
            ("TAKEN", "Flight logger (log) could go on UART1, but GPS uses UART1, as you pinned it."),
            (cell.Code, cell.Sentence)
        );
    }

    [Fact]
    public void A_way_through_three_parts_and_a_way_through_five_are_ways()
    {
        Resistor ohms = new() { Ohms = 100 };
        foreach (var count in new[] { 3, 5 })
        {
            PathElement[] through = [Inverter(), .. Enumerable.Repeat<PathElement>(ohms, count - 1)];
            var ways = Ways(Board("F4", Port("U1")).With(Pad("S", "U1.rx", through)), Mode("SBUS", Out()));
            Assert.Equal(count, Assert.Single(ways.Routes).Walks[0].Strand.Steps.Count);
        }
    }

    [Fact]
    public void A_link_that_code_reads_says_what_that_costs_and_that_the_code_inverts()
    {
        var board = Board(
            "F4",
            new Port
            {
                Id = "S1",
                Kind = PortKind.Software,
                Rx = "r",
                Tx = "t",
            }
        ) with
        {
            Nets = [new() { Id = "r" }, new() { Id = "t" }],
        };
        var radio = Device("radio", Need.Telemetry, Mode("S.Port", Both()));
        var made = Build(board.With(Pad("R", "r"), Pad("T", "t")), radio);
        var build = made.Build with { House = new() { Software = SoftwareUse.Allowed } };
        var sheet = new FitReader(Resolving.Resolved(build, new PartsLibrary([made.Board], [radio]))).Sheet();
        Assert.Equal(
            "Telemetry (radio) uses software serial on S1: about 40 % CPU load at high loop rates, inverted in software.",
            Assert.Single(sheet.Findings, f => f.Rule == "CODE").Sentence
        );
        Assert.Equal(
            ["invert RX", "invert TX", "half-duplex", "about 40 % CPU load"],
            sheet.Links[0].Settings.TakeLast(4)
        );
    }

    [Fact]
    public void Three_links_of_one_name_are_told_apart_in_a_sentence()
    {
        Device Module(string id) => Gnss with { Id = id, Name = "Fix" };
        var board = Whole("F7", "U1", "U2");
        var devices = new[] { Module("a"), Module("b"), Module("c") };
        var conflict = Assert.Single(new FitReader(Build(board, devices)).Sheet().Conflicts);
        Assert.StartsWith("GPS (Fix c), GPS (Fix a) and GPS (Fix b) cannot all be connected.", conflict.Sentence);
        var two = Device("d", Need.Telemetry, Mode("LTM", In("A"))).Also("g", Need.Telemetry, Mode("LTM", In("B")));
        var sheet = Fit4S(Whole("F7", "U1"), [two], ["d", "d/g"]).Sheet();
        Assert.StartsWith(
            "Telemetry \"g\" (d) and telemetry \"f\" (d) cannot both be connected.",
            Assert.Single(sheet.Conflicts).Sentence
        );
    }

    [Fact]
    public void Another_place_that_costs_the_same_and_one_that_costs_a_switch_say_so()
    {
        var plain = new FitReader(Build(Whole("F7", "U1", "U2"), Gnss)).Sheet().Links[0].Cells[1];
        Assert.Equal(("free", "GPS (gnss) could go on UART2: same cost."), (plain.Text, plain.Sentence));
        var board = Board("F7", Port("U1"), Port("U2"))
            .With(
                Pad("R1", "U1.rx"),
                Pad("T1", "U1.tx"),
                Pad("R2", "U2.rx", Inverter(Passage.Both)),
                Pad("T2", "U2.tx")
            );
        var turned = new FitReader(Build(board, Gnss)).Sheet().Links[0].Cells[1];
        Assert.Equal("GPS (gnss) could go on UART2: port settings: UART2 RX inverted.", turned.Sentence);
    }

    [Fact]
    public void More_work_in_another_link_is_told_as_that_work()
    {
        // The log goes to U2 only when the module leaves it, and the module's other port wants its bridge closed.
        var board = Board("F4", Port("U1"), Port("U2"))
            .With(
                Pad("R1", Path("U1.rx", At("J", "closed"))),
                Pad("T1", "U1.tx", Inverter(Passage.ToPad)),
                Pad("R2", "U2.rx")
            );
        board = board.With(Pad("T2", "U2.tx")) with
        {
            Bridges =
            [
                new()
                {
                    Id = "J",
                    Positions = ["open", "closed"],
                    Default = "open",
                },
            ],
        };
        var finder = Device("finder", Need.Rangefinder, Mode("Range finder", Out("D")));
        var second = Device("esc", Need.EscTelemetry, Mode("ESC", Out("T")));
        var fit = new FitReader(Build(board, (finder, Priority.Required), (second, Priority.Optional)));
        var cell = fit.Sheet().Links[1].Cells.Single(c => c.Port == fit.Plan.RouteOf("finder")!.Port.Id);
        Assert.Equal("ESC telemetry (esc) could go on UART1: that displaces rangefinder to UART2.", cell.Sentence);
    }

    [Fact]
    public void What_no_house_rule_or_part_allows_says_that_no_link_stands_in_its_way()
    {
        var board = Board(
            "F4",
            new Port
            {
                Id = "S1",
                Kind = PortKind.Software,
                Tx = "t",
            }
        ) with
        {
            Nets = [new() { Id = "t" }],
        };
        var radio = Device("radio", Need.Telemetry, Mode("LTM", In()));
        var fit = new FitReader(Build(board.With(Pad("T", "t")), radio));
        Assert.Equal(
            "Telemetry cannot be connected on this board with your house rules, firmware and parts; no other link is in the way.",
            Assert.Single(fit.Sheet().Conflicts).Sentence
        );
        var library = new PartsLibrary([board.With(Pad("T", "t"))], [radio]);
        Assert.Contains(
            Assert.Single(fit.Unlocks(library)).Ways,
            w => w.Words == "House rule \"Software serial\": telemetry only"
        );
    }
}
