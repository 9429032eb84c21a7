using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Rails;

namespace Gorvix.Core.Tests.Rails;

/// <summary>What is said of rails and leads, at both sides of each number.</summary>
public class RailCheckTests
{
    private static readonly Situation Full = new("full", "full pack", 16.8);
    private static readonly Situation Usb = new("usb", "USB alone", null) { Usb = true };

    [Theory]
    [InlineData(17.01, null)]
    [InlineData(17.03, "V of the Eye gets 17.03 V with full pack; it takes 17.0 V at most.")]
    public void A_lead_above_its_window_burns(double volts, string? says) =>
        Same(says, Severity.Stop, Sheet(Full, lead: Lead(volts, volts)));

    [Theory]
    [InlineData(4.99, null)]
    [InlineData(4.97, "V of the Eye falls to 4.97 V with full pack; it needs 5.0 V.")]
    public void A_lead_below_its_window_under_the_most_load_starves(double low, string? says) =>
        Same(says, Severity.Stop, Sheet(Full, lead: Lead(5.1, low)));

    [Fact]
    public void Through_a_lamp_a_lead_that_gets_too_little_is_only_noted() =>
        Assert.Equal(
            Severity.Note,
            Assert.Single(RailCheck.Of(Sheet(Full with { InLine = InLine.Lamp }, lead: Lead(4, 4)))).Severity
        );

    [Theory]
    [InlineData(false, "The Eye is silent on USB alone: rail 5V is fed by the battery only.")]
    [InlineData(true, "The Eye is silent on USB alone: rail 5V gives only 0.0 V from there.")]
    public void What_is_silent_on_USB_is_told_with_its_reason(bool alive, string says) =>
        Same(says, Severity.Note, Sheet(Usb, Rail(0, 0, alive), Lead(0, 0)));

    [Theory]
    [InlineData(1.9, 2.0, null, Severity.Note)]
    [InlineData(1.9, 2.1, "Rail 5V gives 2.0 A at most; with full pack 2.1 A are drawn at times.", Severity.Warn)]
    [InlineData(2.1, 2.3, "Rail 5V gives 2.0 A at most; with full pack 2.1 A are drawn all the time.", Severity.Stop)]
    public void The_loads_of_a_rail_add_up(double typical, double peak, string? says, Severity severity) =>
        Same(says, severity, Sheet(Full, Rail(typical, peak, true)));

    [Fact]
    public void A_rail_with_a_load_that_is_not_known_is_over_by_at_least() =>
        Assert.Contains(
            "with full pack at least 2.1 A",
            Assert.Single(RailCheck.Of(Sheet(Full, Rail(2.1, 2.1, true) with { AtLeast = true }))).Sentence
        );

    [Theory]
    [InlineData(1.0, null)]
    [InlineData(1.2, "The regulator of 5V turns 1.2 W into heat with full pack.")]
    public void A_linear_regulator_above_a_watt_is_hot(double watts, string? says) =>
        Same(says, Severity.Warn, Sheet(Full, Rail(0.1, 0.1, true) with { Heat = watts }));

    [Theory]
    [InlineData(0.5, null)]
    [InlineData(0.6, "On USB 5V and what hangs on it ask for 0.6 A; a port gives 0.5 A.")]
    public void A_port_of_a_computer_gives_half_an_ampere(double amps, string? says) =>
        Same(says, Severity.Warn, Sheet(Usb, Rail(0.4, 0.4, true)) with { UsbAmps = new AmpPair(amps, amps) });

    /// <summary>3 % of 10 V are 0.3 V.</summary>
    [Theory]
    [InlineData(9.71, null)]
    [InlineData(9.69, "Between pad P and V of the Eye 0.31 V are lost with full pack, 3 % of what the pad gives.")]
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
            )
        );

    [Fact]
    public void A_supply_that_finds_no_rest_is_told_where() =>
        Assert.Equal(
            "With full pack nothing steady is found: rail 5V: it finds no steady volts: too much.",
            Assert
                .Single(
                    RailCheck.Of(new RailSheet(Full, [], [], null, null, "rail 5V finds no steady volts: too much"))
                )
                .Sentence
        );

    private static void Same(string? says, Severity severity, RailSheet sheet)
    {
        var found = RailCheck.Of(sheet);
        if (says is null)
        {
            Assert.Empty(found);
            return;
        }
        var finding = Assert.Single(found);
        Assert.Equal((says, severity), (finding.Sentence, finding.Severity));
    }

    private static RailSheet Sheet(Situation situation, RailReading? rail = null, LeadReading? lead = null) =>
        new(situation, rail is null ? [] : [rail], lead is null ? [] : [lead], null, null, null);

    private static RailReading Rail(double typical, double peak, bool alive) =>
        new("5v", "5V", null, 5, 5, typical, peak, false, 2, alive, null, []);

    private static LeadReading Lead(double volts, double low) =>
        new("eye", "Eye", "v", "V", "p", "5v", new VoltWindow { Min = 5, Max = 17 }, volts, low, []);
}
