using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.FaultModel;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Seams;

/// <summary>What one reader says of a supply, the others say too.</summary>
public class SupplySeamTests
{
    private static BenchSheet Bench(WiredBuild wired) =>
        BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 30)), null);

    private static Board Plain => Whole("F7", "U1", "U2").Powered("BAT", "5V", "GND") with { Input = Window(7, 30) };

    private static VoltWindow Window(double min, double max) => new() { Min = min, Max = max };

    private static Device Receiver(string id, double min, double max) =>
        Device(id, Need.RcLink, Mode("CRSF", Out(), In())).Fed(min, max, 0.1).Leads("G");

    private static RailSheet Full(FitReader fit) =>
        RailReader.Read(fit.Wired, Situation.All(fit.Wired).First(s => s.Id == "full"));

    private static string? Clear(FitReader fit)
    {
        var sheet = Full(fit);
        return RailAnswer.Clear(
            sheet,
            [.. RailCheck.Of(sheet), .. fit.OfEverySituation(), .. RailCheck.Standing(fit.Wired, sheet)]
        );
    }

    [Fact]
    public void A_device_that_nothing_can_power_is_a_stop_on_Rails_too_and_nothing_is_clear()
    {
        // 9 to 12 V: neither the 5 V rail nor a pack of four cells.
        var fit = PlugBench.Fit4S(Plain, [Receiver("rx", 9, 12)], ["!rx"]);
        Assert.Contains("UNFED", fit.Rules());
        Assert.Contains(fit.OfEverySituation(), f => f.Rule == "UNFED" && f.Severity == Severity.Stop);
        Assert.Null(Clear(fit));
    }

    [Fact]
    public void All_clear_stands_where_all_is_clear()
    {
        var fit = PlugBench.Fit4S(Plain, [Receiver("rx", 4.5, 5.5)], ["!rx"]);
        Assert.StartsWith("All supplies in range", Clear(fit));
    }

    [Theory]
    [InlineData(0.02, Mark.Good)]
    [InlineData(3.0, Mark.Doubtful)]
    [InlineData(6.2, Mark.Stop)]
    public void Where_nothing_is_computed_to_arrive_some_volts_are_not_good(double volts, Mark mark)
    {
        var dead = RailBench.Of(4, "5V", 4.5, 6, 0.1) with { DeadRails = new HashSet<string> { "5v" } };
        var check = Bench(dead).Checks.First(c => c.Id == "volts.d.v");
        Assert.Equal(0, check.Computed);
        Assert.Equal(mark, check.Judge(volts, null)!.Mark);
    }

    [Fact]
    public void Over_a_marginal_lead_nothing_is_clear_in_any_situation()
    {
        var wired = RailBench.Of(4, "5V", 5.01, 6, 0.1);
        foreach (var sheet in RailReader.Read(wired, [.. Situation.All(wired)]))
        {
            if (sheet.Leads.Any(l => l.State is LeadFeed.Tight or LeadFeed.Starves))
            {
                Assert.Null(RailAnswer.Clear(sheet, []));
            }
        }
        Assert.Equal(LeadFeed.Tight, RailBench.Read(wired, "full").Leads[0].State);
    }

    [Fact]
    public void A_supply_without_its_ground_is_a_stop_in_the_verdict_on_Rails_and_on_the_Bench()
    {
        var board = Whole("F7", "U1").Powered("BAT", "5V") with { Input = Window(7, 30) };
        var fit = PlugBench.Fit4S(board, [Receiver("rx", 4.5, 5.5)], ["!rx"]);
        Assert.Equal(Severity.Stop, fit.Sheet().Verdict.Severity);
        Assert.StartsWith("Problem: The rx has no ground", fit.Sheet().Verdict.Sentence);
        Assert.Contains(fit.Sheet().Findings, f => f.Sentence.Contains("would return through TX and RX"));
        Assert.Contains(fit.OfEverySituation(), f => f.Rule == "NO-GND-PAD" && f.Severity == Severity.Stop);
        Assert.Null(Clear(fit));
        Assert.Contains("has no ground", Assert.Single(Bench(fit.Wired).Unsafe));
    }

    // 5 V rail; the wire takes some hundredths of a volt at 0.5 A.
    [Theory]
    [InlineData(5.01, LeadFeed.Tight)]
    [InlineData(4.5, LeadFeed.Good)]
    [InlineData(5.2, LeadFeed.Starves)]
    public void A_lead_with_less_than_it_needs_is_not_called_good(double min, LeadFeed state)
    {
        var sheet = RailBench.Read(RailBench.Of(4, "5V", min, 6, 0.1), "full");
        Assert.Equal(state, sheet.Leads[0].State);
    }

    /// <summary>What the meter calls good lies inside the window of the device, and the bench calls nothing else good.</summary>
    [Theory]
    [InlineData(4.9, 5.5)]
    [InlineData(4.5, 5.02)]
    [InlineData(5.01, 6)]
    public void Good_on_the_meter_lies_within_the_window(double min, double max)
    {
        var wired = RailBench.Of(4, "5V", min, max, 0.1);
        foreach (var check in Bench(wired).Checks.Where(c => c.Id is "volts.d.v" or "volts.rail.5v"))
        {
            for (var volts = 0.0; volts < 8; volts += 0.01)
            {
                if (check.Judge(volts, null)!.Mark == Mark.Good)
                {
                    Assert.InRange(volts, min - 0.006, max + 0.006);
                }
            }
        }
        foreach (var reading in MeterReader.Of(wired, RailBench.Read(wired, "full")).Where(r => r.Red == "V at Load"))
        {
            Assert.InRange(reading.Low, min, max);
            Assert.InRange(reading.High, min, max);
        }
    }

    [Theory]
    [InlineData(-4.9, Mark.Stop, "Reversed polarity")]
    [InlineData(0.1, Mark.Stop, "No voltage")]
    [InlineData(5.0, Mark.Good, "As computed")]
    [InlineData(6.1, Mark.Stop, "Above the maximum")]
    public void A_reading_says_what_it_is(double volts, Mark mark, string words)
    {
        var check = Bench(RailBench.Of(4, "5V", 4.5, 6, 0.1)).Checks.First(c => c.Id == "volts.d.v");
        var judged = check.Judge(volts, null)!;
        Assert.Equal(mark, judged.Mark);
        Assert.StartsWith(words, judged.Words);
    }

    [Fact]
    public void A_supply_lead_without_a_range_is_not_judged_and_the_loom_says_so()
    {
        var device = Device("cam", Need.RcLink, Mode("CRSF", Out(), In())).Leads("V", "G");
        var fit = PlugBench.Fit4S(Plain, [device], ["cam"]);
        var finding = Assert.Single(fit.Sheet().Findings, f => f.Rule == "SUPPLY-UNKNOWN");
        Assert.Equal("Not checked: V of the cam has no voltage range.", finding.Sentence);
        Assert.Equal(Severity.Warn, finding.Severity);
        Assert.Equal(
            "not planned: its voltage range is unknown",
            LoomReader.Of(fit.Wired).Spare.Single(s => s.Lead == "V").Treatment
        );
        Assert.Null(Clear(fit));
    }

    [Fact]
    public void Without_a_battery_supplies_are_not_judged_and_the_loom_says_so()
    {
        var fit = PlugBench.Fit4S(Plain, [Receiver("rx", 4.5, 5.5)], ["rx"], b => b with { Pack = null });
        Assert.Equal(Severity.Warn, Assert.Single(fit.Sheet().Findings, f => f.Rule == "NO-PACK").Severity);
        Assert.Equal(
            "not planned: no battery chosen",
            LoomReader.Of(fit.Wired).Spare.Single(s => s.Lead == "V").Treatment
        );
    }

    [Fact]
    public void A_board_without_an_input_range_is_not_judged()
    {
        var fit = PlugBench.Fit4S(Plain with { Input = null }, [Receiver("rx", 4.5, 5.5)], ["rx"]);
        Assert.Equal(
            "Not checked: the Board has no supply input range; 16.8 V would reach it.",
            Assert.Single(fit.Sheet().Findings, f => f.Rule == "INPUT-UNKNOWN").Sentence
        );
    }

    /// <summary>A device whose links have no port is not fitted: neither wired nor checked nor suspected.</summary>
    [Fact]
    public void What_is_left_out_of_the_plan_is_neither_wired_nor_checked_nor_suspected()
    {
        var board = Whole("F7", "U1").Powered("BAT", "5V", "GND") with { Input = Window(7, 30) };
        var fit = PlugBench.Fit4S(board, [Receiver("one", 4.5, 5.5), Receiver("two", 4.5, 5.5)], ["!one", "two"]);
        Assert.Equal("U1 -", fit.Ports());
        var loom = LoomReader.Of(fit.Wired);
        Assert.DoesNotContain(loom.Wires, w => w.Device == "two");
        Assert.DoesNotContain(loom.Continuity, p => p.OneAt.Device == "two" || p.OtherAt.Device == "two");
        Assert.DoesNotContain(Bench(fit.Wired).Checks, c => c.Device == "two");
        Assert.DoesNotContain(PlantedFaults.Of(fit.Wired), f => f.Words.Contains("two"));
        Assert.DoesNotContain(Full(fit).Rails.SelectMany(r => r.Loads), l => l.Device == "two");
        Assert.All(
            loom.Spare.Where(s => s.Device == "two"),
            s => Assert.Equal("not fitted: none of its links is connected", s.Treatment)
        );
    }

    [Fact]
    public void A_five_volt_receiver_that_is_soldered_to_the_battery_is_a_stop_everywhere_and_is_not_to_be_pinned()
    {
        var fit = PlugBench.Fit4S(
            Plain,
            [Receiver("rx", 4.5, 5.5)],
            ["!rx"],
            b =>
                b with
                {
                    Built =
                    [
                        new JointFact
                        {
                            Device = "rx",
                            Part = "rx",
                            Lead = "V",
                            Board = "board",
                            Pad = "bat",
                            Words = "V of the rx is soldered to BAT",
                        },
                    ],
                }
        );
        var verdict = fit.Sheet().Verdict;
        Assert.Equal(Severity.Stop, verdict.Severity);
        Assert.StartsWith("Problem: V of the rx is soldered to BAT: BAT has up to 16.8 V", verdict.Sentence);
        Assert.DoesNotContain("SOLDERED", fit.Rules());
        Assert.Contains(fit.OfEverySituation(), f => f.Rule == "BUILT-HARM" && f.Sentence.Contains("16.8 V"));
        Assert.Null(Clear(fit));
        var bench = Bench(fit.Wired);
        var power = bench.Checks.First(c => c.IsDangerous);
        Assert.Contains("16.8 V", BenchState.Against(bench, BenchState.Of(bench, []), power));
    }
}
