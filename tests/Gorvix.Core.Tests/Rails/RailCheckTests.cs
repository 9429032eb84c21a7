using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Rails;

namespace Gorvix.Core.Tests.Rails;

/// <summary>What is said of rails and leads, at both sides of each number.</summary>
public class RailCheckTests
{
    private static readonly Situation Full = new("full", "full battery", 16.8);
    private static readonly Situation Usb = new("usb", "USB only", null) { Usb = true };

    [Theory]
    [InlineData(17.004, null)]
    [InlineData(17.03, "V of Eye gets 17.03 V (full battery), maximum 17.0 V: it would be destroyed.")]
    public void A_lead_above_its_window_burns(double volts, string? says) =>
        Same(says, Severity.Stop, Sheet(Full, lead: Lead(volts, volts)));

    [Theory]
    [InlineData(4.996, null, Severity.Note)]
    [InlineData(4.97, "V of Eye gets 4.97 V (full battery), needs 5.0 V.", Severity.Warn)]
    [InlineData(4.91, "V of Eye gets 4.91 V (full battery), needs 5.0 V.", Severity.Warn)]
    [InlineData(4.89, "V of Eye gets 4.89 V (full battery), needs 5.0 V.", Severity.Stop)]
    public void A_lead_below_its_window_under_the_most_load_starves(double low, string? says, Severity severity) =>
        Same(says, severity, Sheet(Full, lead: Lead(5.1, low)));

    [Fact]
    public void Through_a_lamp_a_lead_that_gets_too_little_is_only_noted() =>
        Assert.Equal(
            Severity.Note,
            Assert.Single(RailCheck.Of(Sheet(Full with { InLine = InLine.Lamp }, lead: Lead(4, 4)))).Severity
        );

    [Theory]
    [InlineData(false, "Eye is off on USB: 5V is powered from the battery only.")]
    [InlineData(true, "Eye is off on USB: 5V rail has only 0.0 V from USB.")]
    public void What_is_silent_on_USB_is_told_with_its_reason(bool alive, string says) =>
        Same(says, Severity.Note, Sheet(Usb, Rail(0, 0, alive), Lead(0, 0)), "USB-SILENT");

    [Theory]
    [InlineData(1.9, 2.0, null, Severity.Note)]
    [InlineData(1.9, 2.1, "5V rail: 2.1 A peak (full battery), limit 2 A.", Severity.Warn)]
    [InlineData(2.1, 2.3, "5V rail: 2.1 A typical (full battery), limit 2 A.", Severity.Stop)]
    public void The_loads_of_a_rail_add_up(double typical, double peak, string? says, Severity severity) =>
        Same(says, severity, Sheet(Full, Rail(typical, peak, true)));

    [Fact]
    public void A_rail_with_a_load_that_is_not_known_is_over_by_at_least() =>
        Assert.Contains(
            "at least 2.1 A typical (full battery)",
            Assert.Single(RailCheck.Of(Sheet(Full, Rail(2.1, 2.1, true) with { AtLeast = true }))).Sentence
        );

    [Theory]
    [InlineData(1.0, null)]
    [InlineData(1.2, "5V regulator dissipates 1.2 W (full battery).")]
    public void A_linear_regulator_above_a_watt_is_hot(double watts, string? says) =>
        Same(says, Severity.Warn, Sheet(Full, Rail(0.1, 0.1, true) with { Heat = watts }), "RAIL-HEAT");

    [Theory]
    [InlineData(0.5, null)]
    [InlineData(0.6, "5V and its loads draw 600 mA typical from USB; the port supplies 500 mA.")]
    public void A_port_of_a_computer_gives_half_an_ampere(double amps, string? says) =>
        Same(says, Severity.Warn, Sheet(Usb, Rail(0.4, 0.4, true)) with { UsbAmps = new AmpPair(amps, amps) });

    /// <summary>3 % of 10 V are 0.3 V.</summary>
    [Theory]
    [InlineData(9.71, null)]
    [InlineData(9.69, "Drop from pad P to V of Eye: 0.31 V (full battery), 3 % of the pad voltage.")]
    public void A_wire_that_takes_more_than_three_percent_is_told(double volts, string? says) =>
        Same(
            says,
            Severity.Warn,
            Sheet(
                Full,
                lead: Lead(volts, volts) with
                {
                    Way = [new SupplyStation("pad P", 10), new SupplyStation("lead V", volts)],
                }
            ),
            "WIRE-DROP"
        );

    [Fact]
    public void A_supply_that_finds_no_rest_is_told_where()
    {
        var problem = new SupplyProblem("rail 5V", "no stable voltage");
        var finding = Assert.Single(RailCheck.Of(new RailSheet(Full, [], [], null, null, problem)));
        Assert.Equal("RAIL-UNSETTLED", finding.Rule);
        Assert.Equal("No steady voltage at rail 5V (full battery): no stable voltage.", finding.Sentence);
    }

    [Fact]
    public void Two_supplies_that_copper_ties_stop() =>
        Same(
            "rail 5V and rail BAT are tied together (full battery).",
            Severity.Stop,
            Sheet(Full) with
            {
                Ties =
                [
                    ["rail 5V", "rail BAT"],
                ],
            }
        );

    [Theory]
    [InlineData(17.004, null)]
    [InlineData(
        17.03,
        "Board needs 5.0–17.0 V but gets 17.03 V (full battery). Power it from a separate regulator and enter that voltage under Parts, \"board supply\"."
    )]
    [InlineData(4.996, null)]
    [InlineData(4.97, "Board needs 5.0–17.0 V but gets 4.97 V (full battery). Choose a battery with more cells.")]
    public void The_boards_own_input_has_a_window(double volts, string? says) =>
        Same(
            says,
            Severity.Stop,
            Sheet(Full) with
            {
                Input = new InputReading("Board", new VoltWindow { Min = 5, Max = 17 }, volts, volts),
            }
        );

    [Theory]
    [InlineData(0.5, 1, null)]
    [InlineData(0.5, 1.2, "The 1 A current limiter trips at power-up: the build draws 1.2 A peak.")]
    [InlineData(1.2, 1.4, "The 1 A current limiter trips at power-up: the build draws 1.2 A typical.")]
    public void A_limiter_lets_the_build_start_or_is_told_of(double typical, double peak, string? says) =>
        Same(says, Severity.Warn, Limited(new PowerSide(), InLine.Limiter, typical, peak));

    [Theory]
    [InlineData(2, 0.5, null)]
    [InlineData(2.5, 1.3, null)]
    [InlineData(
        3,
        1,
        "The 3 A current limiter protects nothing: the build draws 1 A peak; a fault can draw 2 A more before it limits."
    )]
    public void A_limiter_far_above_what_is_drawn_protects_nothing(double amps, double peak, string? says) =>
        Same(
            says,
            Severity.Warn,
            Limited(new PowerSide { LimiterAmps = amps }, InLine.Limiter, peak, peak),
            "LIMITER-VAIN"
        );

    /// <summary>A lamp's life goes with the 13th power of its volts (from memory).</summary>
    [Theory]
    [InlineData(12, 21, null)]
    [InlineData(10, 18, "The 10.0 V bulb protects nothing: a short puts 16.8 V across it and it burns out.")]
    [InlineData(12, 55, "The 55.0 W bulb protects nothing: at a short it passes 4.58 A.")]
    public void A_lamp_holds_a_short_or_is_told_of(double volts, double watts, string? says) =>
        Same(
            says,
            Severity.Warn,
            Limited(new PowerSide { LampVolts = volts, LampWatts = watts }, InLine.Lamp, 0.5, 0.5)
        );

    [Theory]
    [InlineData(UsbPort.Unconfigured, 0.11, 0.1)]
    [InlineData(UsbPort.Usb2, 0.51, 0.5)]
    [InlineData(UsbPort.Usb3, 0.91, 0.9)]
    [InlineData(UsbPort.TypeC15, 1.51, 1.5)]
    [InlineData(UsbPort.TypeC30, 3.01, 3.0)]
    public void Each_kind_of_USB_port_has_its_limit(UsbPort port, double amps, double limit)
    {
        RailSheet At(double drawn) =>
            Sheet(Usb with { Power = new PowerSide { Usb = port } }, Rail(0.4, 0.4, true)) with
            {
                UsbAmps = new AmpPair(drawn, drawn),
            };
        Assert.Empty(RailCheck.Of(At(limit)));
        Assert.Equal("USB-LIMIT", Assert.Single(RailCheck.Of(At(amps))).Rule);
    }

    /// <summary>The schools of the house rule: regulated first, or the battery as readily.</summary>
    [Theory]
    [InlineData("BAT", VideoSupply.RegulatedFirst, Severity.Warn)]
    [InlineData("BAT", VideoSupply.BatteryAllowed, Severity.Note)]
    [InlineData("9V", VideoSupply.RegulatedFirst, null)]
    public void Video_on_the_battery_is_told_as_the_house_says(string pad, VideoSupply school, Severity? severity)
    {
        var wired = RailBench.Of(4, pad, 7, 26, 0.5, b => b with { House = new HouseRules { Video = school } });
        var standing = RailCheck.Standing(wired, RailBench.Read(wired, "full"));
        Assert.Equal(severity, standing.FirstOrDefault(f => f.Rule == "VIDEO-NOISE")?.Severity);
    }

    [Theory]
    [InlineData("", "Load is powered from BAT (unfiltered battery): motor noise can show in the video.", Severity.Warn)]
    [InlineData(", filtered", null, null)]
    [InlineData(
        ", unfiltered",
        "Load is powered from BAT (unfiltered battery): motor noise can show in the video.",
        Severity.Warn
    )]
    public void A_battery_rail_is_noisy_unless_it_is_filtered(string filter, string? says, Severity? severity) =>
        Noise($"rail BAT: battery{filter}\nrail GND: ground", says, severity);

    [Theory]
    [InlineData("", null, null)]
    [InlineData(
        ", unfiltered",
        "Load is powered from BAT (unfiltered): motor noise can show in the video.",
        Severity.Note
    )]
    public void A_regulator_is_noisy_only_where_the_manual_says_so(string filter, string? says, Severity? severity) =>
        Noise($"rail VIN: battery\nrail BAT: 9 V regulator, switching{filter}\nrail GND: ground", says, severity);

    private static void Noise(string rails, string? says, Severity? severity)
    {
        var board = LeafletText
            .Read($"maker Bench\nboard Noise\nrevision 1\ncontroller F7\n{rails}\ntop left: G BAT R1 T1\n")
            .Board;
        var wired = RailBench.Of(board, 4, "BAT", 7, 26, 0.5);
        var found = RailCheck.Standing(wired, RailBench.Read(wired, "full")).Where(f => f.Rule == "VIDEO-NOISE");
        Assert.Equal(says is null ? [] : [(says, severity)], found.Select(f => (f.Sentence, (Severity?)f.Severity)));
    }

    [Fact]
    public void The_worst_is_said_first()
    {
        var found = RailCheck.Of(Sheet(Full, Rail(1.9, 2.1, true), Lead(17.03, 17.03)));
        Assert.Equal([Severity.Stop, Severity.Warn], found.Select(f => f.Severity));
        found = RailCheck.Of(Sheet(Full, Rail(2.1, 2.3, true), Lead(5.1, 4.97)));
        Assert.Equal([Severity.Stop, Severity.Warn], found.Select(f => f.Severity));
    }

    private static RailSheet Limited(PowerSide power, InLine inLine, double typical, double peak) =>
        Sheet(Full with { InLine = inLine, Power = power }) with
        {
            Unlimited = new AmpPair(typical, peak),
        };

    private static void Same(string? says, Severity severity, RailSheet sheet, string? rule = null)
    {
        var found = RailCheck.Of(sheet);
        if (says is null)
        {
            Assert.Empty(found);
            return;
        }
        var finding = Assert.Single(found);
        Assert.Equal((says, severity, rule ?? finding.Rule), (finding.Sentence, finding.Severity, finding.Rule));
    }

    private static RailSheet Sheet(Situation situation, RailReading? rail = null, LeadReading? lead = null) =>
        new(situation, rail is null ? [] : [rail], lead is null ? [] : [lead], null, null, null);

    private static RailReading Rail(double typical, double peak, bool alive) =>
        new("5v", "5V", null, 5, 5, typical, peak, false, 2, alive, null, []);

    private static LeadReading Lead(double volts, double low) =>
        new("eye", "Eye", "v", "V", "p", "5v", new VoltWindow { Min = 5, Max = 17 }, volts, low, [], LeadFeed.Good);
}
