using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;

namespace Gorvix.Core.Tests.Bench;

/// <summary>
/// What the checks under power expect and say, worked out by hand on a board without a regulator: its only current is the load's. Bounds are our own
/// choice and stand here in numbers.
/// </summary>
public class PowerChecksTests
{
    private static readonly Board Plain = Board("top left: G BAT R1 T1");

    private static Board Board(string lines) =>
        LeafletText
            .Read("maker A\nboard B\nrevision 1\ncontroller F7\nrail BAT: battery\nrail GND: ground\n" + lines + "\n")
            .Board;

    private static BenchSheet Sheet(WiredBuild wired, double? measured = null) =>
        BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 26)), measured);

    private static BenchSheet Load(double? amps, Func<Build, Build>? with = null) =>
        Sheet(RailBench.Of(Plain, 4, "BAT", 7, 26, amps, with));

    private static BenchCheck Check(BenchSheet sheet, string id) => sheet.Checks.First(c => c.Id == id);

    private static BenchSheet Fixed(double volts) => Load(0.4, b => b with { Pack = null, InputVolts = volts });

    // Nine tenths of the limiter's 1 A: above, a sound build may stand at the limit, and volts are measured without it.
    [Theory]
    [InlineData(0.89, BenchPhase.Together, "890 mA typical, 890 mA peak", "It draws more than all loads together.")]
    [InlineData(
        0.91,
        BenchPhase.FirstPower,
        "below 1 A: at that value the current limiter cuts in",
        "The current limiter cuts in. Unplug it: a short looks the same as this build's own draw of up to 910 mA."
    )]
    public void A_limiter_that_the_build_itself_reaches_is_no_judge(
        double amps,
        BenchPhase without,
        string expected,
        string stop
    )
    {
        var sheet = Load(amps);
        var limited = Check(sheet, "power.limited");
        Assert.Equal(expected, limited.Expected);
        Assert.StartsWith(stop, limited.Judge(0.99, null)!.Words, StringComparison.Ordinal);
        Assert.Equal(Mark.Stop, limited.Judge(0.99, null)!.Mark);
        Assert.Equal(without, Check(sheet, "power.free").Phase);
        Assert.Single(sheet.Checks, c => c.Id == "power.free");
        Assert.Equal(
            without == BenchPhase.Together ? "limiter" : "full",
            ((VoltProbing)sheet.Checks.First(c => c.Phase == BenchPhase.Volts && c.Asks == Asks.Volts).Probing)
                .Situation
                .Id
        );
    }

    // Half of the typical current is less than what a meter shows (5 mA) up to 10 mA.
    [Theory]
    [InlineData(0.009, 0.004, "No current: nothing has power, or the meter is not in the line.")]
    [InlineData(0.009, 0.006, "As computed.")]
    [InlineData(0.02, 0.006, "Less than half the computed current: something has no power.")]
    [InlineData(0.02, 0.011, "As computed.")]
    public void A_current_too_small_for_half_of_it_to_be_seen_is_none(double load, double read, string words) =>
        Assert.Equal(words, Check(Load(load), "power.limited").Judge(read, null)!.Words);

    // Unknown: only a tenth of an ampere is free of doubt, and only what the limiter holds is a stop.
    [Theory]
    [InlineData(0.004, Mark.Doubtful, "No current: nothing has power, or the meter is not in the line.")]
    [InlineData(0.09, Mark.Good, "No short: hardly any current flows.")]
    [InlineData(0.11, Mark.Doubtful, "Higher than the currents that are known.")]
    [InlineData(0.94, Mark.Doubtful, "Higher than the currents that are known.")]
    [InlineData(0.96, Mark.Stop, null)]
    public void An_unknown_current_is_not_judged_by_half_of_nothing(double read, Mark mark, string? words)
    {
        var check = Check(Load(null), "power.limited");
        Assert.Equal("current unknown; unplug it above 100 mA", check.Expected);
        Assert.Null(check.Computed);
        var judged = check.Judge(read, null)!;
        Assert.Equal(mark, judged.Mark);
        Assert.True(words is null || words == judged.Words, judged.Words);
    }

    [Fact]
    public void A_known_current_is_computed_to_the_milliampere_and_told_without_the_limiter()
    {
        var sheet = Load(0.4);
        Assert.Equal(0.4, Check(sheet, "power.limited").Computed);
        Assert.Contains("; it draws about 400 mA", Check(sheet, "power.free").Expected, StringComparison.Ordinal);
        Assert.DoesNotContain("it draws", Check(Load(0.004), "power.free").Expected, StringComparison.Ordinal);
        Assert.DoesNotContain("it draws", Check(Load(null), "power.free").Expected, StringComparison.Ordinal);
    }

    // 4S: empty 4 × 3.3 = 13.2 V; full 4 × 4.2 and 0.02 a cell for the meter = 16.88 V; 0.05 a cell is overcharged = 17 V. 4.35 V cells: 17.48 and 17.6 V.
    [Theory]
    [InlineData(Chemistry.Lithium, 6.5, Mark.Stop)]
    [InlineData(Chemistry.Lithium, 6.7, Mark.Doubtful)]
    [InlineData(Chemistry.Lithium, 13.1, Mark.Doubtful)]
    [InlineData(Chemistry.Lithium, 13.3, Mark.Good)]
    [InlineData(Chemistry.Lithium, 16.87, Mark.Good)]
    [InlineData(Chemistry.Lithium, 16.89, Mark.Doubtful)]
    [InlineData(Chemistry.Lithium, 16.99, Mark.Doubtful)]
    [InlineData(Chemistry.Lithium, 17.01, Mark.Stop)]
    [InlineData(Chemistry.HighVoltage, 17.47, Mark.Good)]
    [InlineData(Chemistry.HighVoltage, 17.49, Mark.Doubtful)]
    [InlineData(Chemistry.HighVoltage, 17.61, Mark.Stop)]
    public void A_battery_is_measured_before_it_is_plugged_in(Chemistry chemistry, double volts, Mark mark)
    {
        var sheet = Load(0.4, b => b with { Pack = b.Pack! with { Chemistry = chemistry } });
        var check = Check(sheet, "source");
        Assert.Equal(mark, check.Judge(volts, null)!.Mark);
        Assert.Equal(BenchPhase.FirstPower, check.Phase);
        Assert.Same(check, sheet.Checks.First(c => c.Phase == BenchPhase.FirstPower));
    }

    // 12 V and 3 % either way: 11.64 to 12.36 V; the board's input is stated up to 14 V.
    [Theory]
    [InlineData(5.8, Mark.Stop)]
    [InlineData(11.6, Mark.Doubtful)]
    [InlineData(11.7, Mark.Good)]
    [InlineData(12.3, Mark.Good)]
    [InlineData(12.4, Mark.Doubtful)]
    [InlineData(13.9, Mark.Doubtful)]
    [InlineData(14.1, Mark.Stop)]
    public void A_supply_is_measured_against_its_knob_and_the_boards_input(double volts, Mark mark)
    {
        var board = Board("input 6 to 14 V\ntop left: G BAT R1 T1");
        var sheet = Sheet(RailBench.Of(board, 4, "BAT", 7, 26, 0.4, b => b with { Pack = null, InputVolts = 12 }));
        Assert.Equal("Supply voltage", Check(sheet, "source").Title);
        Assert.Equal(mark, Check(sheet, "source").Judge(volts, null)!.Mark);
    }

    [Fact]
    public void Without_a_stated_input_a_supply_is_a_stop_above_its_knob() =>
        Assert.Equal(Mark.Stop, Check(Fixed(12), "source").Judge(12.4, null)!.Mark);

    // The bench supply has its own knobs; a measured battery moves everything else.
    [Fact]
    public void A_bench_supply_is_the_limiter_at_its_own_volts_and_amperes()
    {
        static Build With(Build build) =>
            build with
            {
                Power = new PowerSide
                {
                    Bench = new BenchSupply { Volts = 12, Amps = 0.5 },
                },
            };
        var wired = RailBench.Of(Plain, 4, "BAT", 7, 26, 0.2, With);
        var sheet = Sheet(wired, 15.2);
        var limited = Check(sheet, "power.limited");
        Assert.Equal("First power-up through the bench supply", limited.Title);
        Assert.StartsWith("Set the bench supply to 500 mA", limited.Do, StringComparison.Ordinal);
        // 0.2 × 1.25 + 0.1 = 0.35 A; the knob's own value less a twentieth is 0.475 A.
        Assert.Equal(Mark.Good, limited.Judge(0.34, null)!.Mark);
        Assert.Equal(Mark.Stop, limited.Judge(0.36, null)!.Mark);
        Assert.Equal(12, ((AmpProbing)limited.Probing).Situation.InputVolts);
        var free = BenchPower.Of(wired.Build.Build, 15.2);
        Assert.Equal((12, 15.2), (free.Limited!.InputVolts, free.Free!.InputVolts));
        Assert.Equal(16.8, BenchPower.Of(wired.Build.Build, null).Free!.InputVolts);
        Assert.Equal(15.2, BenchPower.Of(With(wired.Build.Build) with { Power = new() }, 15.2).Limited!.InputVolts);
    }

    // 16.8 V full.
    [Theory]
    [InlineData(16.7, true)]
    [InlineData(17, false)]
    public void What_the_planned_supply_destroys_is_said_before_power(double most, bool destroys)
    {
        var wired = RailBench.Of(Plain, 4, "BAT", 7, most, 0.4);
        var scope = new Scope(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 26)));
        Assert.Equal(destroys, new PowerChecks(wired, scope, null).Unsafe().Any());
    }

    [Theory]
    [InlineData("rail 4V5: 4.5 V regulator or USB\ntop left: G BAT 4V5 R1 T1", "4V5", true)]
    [InlineData("rail 5V: 5 V regulator\ntop left: G BAT 5V R1 T1", "5V", false)]
    public void On_USB_a_device_lives_or_stays_off_as_its_rail_does(string pads, string pad, bool lives)
    {
        var check = Check(Sheet(RailBench.Of(Board(pads), 4, pad, 4, 6, 0.1)), "usb.d");
        Assert.Equal(
            lives
                ? "it has power: LED, warmth, or a reply in the board's settings"
                : "no light, cold: 5V rail is off on USB",
            check.Expected
        );
        Assert.Equal(
            lives ? "It runs on USB." : "It stays off until the battery is connected.",
            check.Judge(null, Answer.Yes)!.Words
        );
        Assert.Equal(
            lives
                ? "It should run on USB."
                : "It has power although nothing should power it: it is back-fed by another path.",
            check.Judge(null, Answer.No)!.Words
        );
        Assert.Equal(Mark.Doubtful, check.Judge(null, Answer.No)!.Mark);
    }

    [Fact]
    public void A_transmitter_wants_its_antenna_before_power_and_a_camera_none()
    {
        static bool Says(BenchSheet sheet) =>
            Check(sheet, "power.limited")
                .Mind.Any(m => m.StartsWith("Antenna on every transmitter", StringComparison.Ordinal));
        Assert.False(Says(Load(0.4)));
        var lark = Demo.Fit(Demo.CrusherHouseLark).Wired;
        Assert.Contains(lark.Build.Devices, d => d.Device.Kind == DeviceKind.AirUnit);
        Assert.True(Says(Sheet(lark)));
    }

    // A port that shares its lines with the USB bridge: what transmits there would garble it.
    [Theory]
    [InlineData(UsbSharing.Shared, " Unplug rx first: it shares UART1 with USB.")]
    [InlineData(UsbSharing.Apart, "")]
    public void What_shares_its_lines_with_USB_is_unplugged_before_it(UsbSharing usb, string said)
    {
        var board = Handmade.Whole("F1", "U1").Powered("5V", "GND");
        board = board with { Ports = [.. board.Ports.Select(p => p with { Usb = usb })] };
        var rx = Handmade.Device("rx", Need.RcLink, Handmade.Mode("CRSF", Handmade.Out(), Handmade.In()));
        var sheet = Sheet(PlugBench.Fit4S(board, [rx.Fed(4.5, 5.5, 0.1).Leads("G")], ["!rx"]).Wired);
        var check = Check(sheet, "usb.in");
        Assert.Equal($"Battery or bench supply off.{said} Plug USB in, hand on the plug.", check.Do);
        Assert.True(check.IsDangerous);
    }

    [Fact]
    public void On_USB_only_rails_that_live_are_measured()
    {
        var board = Board("rail 5V: 5 V regulator\nrail 4V5: 4.5 V regulator or USB\ntop left: G BAT 5V 4V5 R1 T1");
        var sheet = Sheet(RailBench.Of(board, 4, "4V5", 4, 6, 0.1));
        var measured = sheet.Checks.Where(c => c.Phase == BenchPhase.Usb && c.Asks == Asks.Volts).ToList();
        Assert.NotEmpty(measured);
        Assert.All(measured, c => Assert.DoesNotContain("5V rail", c.Title, StringComparison.Ordinal));
        Assert.All(measured, c => Assert.True(c.Computed > 4));
    }

    [Fact]
    public void Whoever_powers_up_is_told_to_take_the_propellers_off_and_what_to_do_when_it_fails()
    {
        var (sound, held) = (Check(Load(0.4), "power.limited"), Check(Load(0.95), "power.limited"));
        Assert.Equal("First power-up through a current limiter", sound.Title);
        Assert.All(
            new[] { sound, held, Check(Load(0.4), "power.free") },
            c => Assert.StartsWith("Propellers off", c.Mind[0], StringComparison.Ordinal)
        );
        Assert.StartsWith("Unplugged, feel for what is warm", sound.Judge(0.99, null)!.Look!, StringComparison.Ordinal);
        Assert.StartsWith("Unplug the biggest loads", held.Judge(0.99, null)!.Look!, StringComparison.Ordinal);
    }
}
