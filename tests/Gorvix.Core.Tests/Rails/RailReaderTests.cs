using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Supply;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Rails;

/// <summary>What rails and leads of whole builds really get, by the trade's worked cases and against ngspice.</summary>
public class RailReaderTests
{
    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    /// <summary>Every situation of every demo build as a netlist: more than two hundred of them, node by node within 1 %.</summary>
    [Theory]
    [MemberData(nameof(Names))]
    public void Every_situation_of_a_demo_build_comes_to_what_ngspice_finds(string name)
    {
        var wired = WiredOf(Demo.Builds.First(b => b.Name == name));
        foreach (var situation in Situation.All(wired))
        {
            var made = RailNet.Of(situation.Of(wired), situation);
            foreach (var net in new[] { made.Net, made.AtMost() })
            {
                var solution = SupplySolver.Solve(net);
                Assert.True(solution.State is not null, $"{situation.Name}: {solution.Problem?.Why}");
                if (net.Names.Count == 1)
                {
                    continue;
                }
                var theirs = Spice.Solve(net, solution.State.Volts);
                Assert.NotNull(theirs);
                foreach (var (i, volts) in solution.State.Volts.Index())
                {
                    Assert.True(
                        Math.Abs(volts - theirs[i]) <= Math.Max(0.01, 0.01 * Math.Abs(theirs[i])),
                        $"{situation.Name}, {net.Names[i]}: {volts} V here, {theirs[i]} V there"
                    );
                }
            }
        }
    }

    /// <summary>Read one after the other, nets are made from one another and begin where another ended; that changes no answer.</summary>
    [Theory]
    [MemberData(nameof(Names))]
    public void Situations_read_together_are_what_each_is_by_itself(string name)
    {
        var wired = WiredOf(Demo.Builds.First(b => b.Name == name));
        var all = Situation.All(wired);
        foreach (var (together, situation) in RailReader.Read(wired, all).Zip(all))
        {
            var alone = RailReader.Read(wired, situation);
            Assert.Equal(
                alone.Leads.Select(l => (l.Device, l.Lead, l.Pad, l.Rail, l.State)),
                together.Leads.Select(l => (l.Device, l.Lead, l.Pad, l.Rail, l.State))
            );
            foreach (var (one, other) in alone.Leads.Zip(together.Leads))
            {
                Assert.Equal(one.Volts ?? -1, other.Volts ?? -1, 0.001);
                Assert.Equal(one.LowVolts ?? -1, other.LowVolts ?? -1, 0.001);
            }
            foreach (var (one, other) in alone.Rails.Zip(together.Rails))
            {
                Assert.Equal((one.Id, one.Alive, one.Loads.Count), (other.Id, other.Alive, other.Loads.Count));
                Assert.Equal(one.Volts, other.Volts, 0.001);
                Assert.Equal(one.Typical, other.Typical, 0.001);
                Assert.Equal(one.Peak, other.Peak, 0.001);
            }
            Assert.Equal(alone.Ties, together.Ties);
        }
    }

    /// <summary>A regulator that holds its volts without a load stands at the bend of its curve; it must not be taken for one that is off.</summary>
    [Theory]
    [MemberData(nameof(Names))]
    public void A_build_that_its_source_carries_settles_in_a_handful_of_steps(string name)
    {
        var wired = WiredOf(Demo.Builds.First(b => b.Name == name));
        foreach (var situation in Situation.All(wired).Where(s => s.InLine == InLine.Nothing))
        {
            var net = RailNet.Of(situation.Of(wired), situation).Net;
            Assert.InRange(SupplySolver.Solve(net).State!.Iterations, 0, 6);
        }
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void What_the_planner_feeds_is_inside_its_window_as_long_as_the_pack_flies(string name)
    {
        var wired = WiredOf(Demo.Builds.First(b => b.Name == name));
        foreach (
            var situation in Situation
                .Of(wired.Build.Build)
                .Where(s => s.Id is "full" or "nominal" or "empty" or "input")
        )
        {
            var sheet = RailReader.Read(wired, situation);
            Assert.All(
                sheet.Leads.Where(l => l.Rail is not null),
                l => Assert.InRange(l.Volts!.Value, l.Window.Min - 0.15, l.Window.Max)
            );
        }
    }

    /// <summary>4S full on a part that takes 17 V passes by 0.2 V (common practice: a worked case of the trade).</summary>
    [Fact]
    public void Four_full_cells_stay_two_tenths_below_17_volts()
    {
        var sheet = RailBench.Read(RailBench.Of(4, "BAT", 5, 17, 0), "full");
        Assert.InRange(sheet.Leads[0].Volts!.Value, 16.79, 16.8);
        Assert.Equal(0.2, sheet.Leads[0].Window.Max - sheet.Leads[0].Volts!.Value, 1);
    }

    /// <summary>6S full is 25.2 V, inside 7 to 26 V.</summary>
    [Fact]
    public void Six_full_cells_are_inside_7_to_26_volts() =>
        Assert.Equal(25.2, RailBench.Read(RailBench.Of(6, "BAT", 7, 26, 0), "full").Leads[0].Volts!.Value, 2);

    /// <summary>A 9 V regulator with 1 V dropout does not hold on 2S: it follows the pack down.</summary>
    [Theory]
    [InlineData("full", 7.4)]
    [InlineData("nominal", 6.4)]
    [InlineData("empty", 5.6)]
    public void A_9_V_regulator_follows_two_cells_down(string situation, double volts) =>
        Assert.Equal(
            volts,
            RailBench.Read(RailBench.Of(2, "9V", 7, 17, 0), situation).Rails.First(r => r.Label == "9V").Volts,
            1
        );

    /// <summary>Through half an ampere and a usual wire a good 5 V rail still gives 4.9 V and more.</summary>
    [Fact]
    public void What_hangs_on_the_output_of_a_device_comes_from_the_pad_of_that_device()
    {
        var wired = WiredOf(Demo.Builds.First(b => b.Name == "Tip Track Pipit"));
        var leads = RailReader.Read(wired, Situation.All(wired)[0]).Leads;
        var (behind, giver) = (leads.First(l => l.Device == "caption"), leads.First(l => l.Device == "regulator"));
        Assert.Null(behind.Pad);
        Assert.NotNull(giver.Pad);
        Assert.Equal((giver.Pad, giver.Pad), (behind.BoardPad, giver.BoardPad));
    }

    [Fact]
    public void A_device_at_the_end_of_its_wire_gets_a_little_less_than_the_pad()
    {
        var sheet = RailBench.Read(RailBench.Of(4, "5V", 4.5, 5.5, 0.5), "full");
        var lead = sheet.Leads[0];
        Assert.Equal(["BAT rail", "5V rail", "pad 5V", "lead V"], lead.Way.Select(w => w.What));
        Assert.InRange(lead.Volts!.Value, 4.96, 4.99);
        Assert.True(lead.Way[^1].Volts < lead.Way[^2].Volts);
        Assert.Equal(0.5, sheet.Rails.First(r => r.Label == "5V").Typical, 2);
    }

    [Fact]
    public void On_USB_alone_only_what_hangs_on_a_rail_that_USB_feeds_is_alive()
    {
        var dead = RailBench.Read(RailBench.Of(4, "5V", 4.5, 5.5, 0.1), "usb");
        Assert.Equal(0, dead.Leads[0].Volts!.Value, 2);
        Assert.False(dead.Rails.First(r => r.Label == "5V").Alive);
        Assert.Equal(0, dead.Rails.First(r => r.Label == "5V").Peak);
        var alive = RailBench.Read(RailBench.Of(4, "4V5", 4, 5.5, 0.1), "usb");
        Assert.InRange(alive.Leads[0].Volts!.Value, 4.45, 4.5);
        Assert.Equal(0.1, alive.UsbAmps!.Typical, 2);
    }

    /// <summary>With both there the battery carries the rail: USB gives next to nothing.</summary>
    [Fact]
    public void With_both_plugged_the_battery_carries_what_both_feed()
    {
        var both = RailBench.Read(RailBench.Of(4, "4V5", 4, 5.5, 0.1), "both");
        Assert.Equal(0, both.UsbAmps!.Typical, 2);
        Assert.InRange(both.SourceAmps!.Typical, 0.02, 0.11);
    }

    [Fact]
    public void A_current_that_no_leaflet_tells_makes_the_least_of_what_is_told()
    {
        var rail = RailBench.Read(RailBench.Of(4, "5V", 4.5, 5.5, null), "full").Rails.First(r => r.Label == "5V");
        Assert.True(rail.AtLeast);
        Assert.Equal(0, rail.Typical);
        Assert.True(BatteryLoad(null).AtLeast);
        Assert.False(BatteryLoad(0.2).AtLeast);
        Assert.False(
            RailBench.Read(RailBench.Of(4, "5V", 4.5, 5.5, 0.2), "full").Rails.First(r => r.Label == "5V").AtLeast
        );
    }

    /// <summary>A linear regulator turns (16.8 - 5) V at 0.5 A into 5.9 W of heat.</summary>
    // What the linear regulator asks the battery's rail for.
    private static RailLoad BatteryLoad(double? amps) =>
        RailBench
            .Read(RailBench.Of(4, "5L", 4.5, 5.5, amps), "full")
            .Rails.SelectMany(r => r.Loads)
            .First(l => l.Rail is not null && l.Name == "5L");

    [Fact]
    public void A_linear_regulator_makes_heat_of_what_is_too_much() =>
        Assert.InRange(
            RailBench.Read(RailBench.Of(4, "5L", 4.5, 5.5, 0.5), "full").Rails.First(r => r.Label == "5L").Heat!.Value,
            5.8,
            6
        );

    [Fact]
    public void A_lead_whose_ground_has_come_off_has_no_volts_to_tell()
    {
        var wired = RailBench.Of(4, "5V", 4.5, 5.5, 0.5);
        var off = wired.With(new OpenWire(new("d", "g")));
        Assert.Null(RailReader.Read(off, Situation.Of(off.Build.Build)[0]).Leads[0].Volts);
    }

    [Fact]
    public void A_dead_rail_gives_nothing()
    {
        var dead = RailBench.Of(4, "5V", 4.5, 5.5, 0.5).With(new DeadRail("5v"));
        Assert.Equal(0, RailReader.Read(dead, Situation.Of(dead.Build.Build)[0]).Leads[0].Volts!.Value, 2);
    }

    /// <summary>The situations of a pack, of a fixed input, and of neither.</summary>
    [Fact]
    public void A_build_is_looked_at_in_what_can_feed_it()
    {
        var build = RailBench.Of(4, "5V", 4.5, 5.5, 0.5).Build.Build;
        Assert.Equal(
            ["full", "nominal", "land", "empty", "usb", "both", "lamp", "limiter"],
            Situation.Of(build).Select(s => s.Id)
        );
        Assert.Equal(14.8, Situation.Of(build)[1].InputVolts!.Value, 3);
        Assert.Equal("charge", Situation.Of(build, 3.8)[0].Id);
        Assert.Equal(["usb"], Situation.Of(build with { Pack = null }).Select(s => s.Id));
        Assert.Equal(
            ["input", "usb", "both", "lamp", "limiter"],
            Situation.Of(build with { Pack = null, InputVolts = 5 }).Select(s => s.Id)
        );
    }

    /// <summary>Copper that is twice as long loses twice as much; AWG 22 has a quarter of AWG 28's ohms (ASTM B258: six gauges are a factor of four).</summary>
    [Fact]
    public void A_longer_or_thinner_wire_loses_more()
    {
        double Lost(double millimetres, int gauge)
        {
            var wire = new WireCut
            {
                Device = "d",
                Lead = "v",
                Gauge = gauge,
                Millimetres = millimetres,
            };
            var way = RailBench
                .Read(RailBench.Of(4, "5V", 4.5, 5.5, 1, b => b with { Wires = [wire] }), "full")
                .Leads[0]
                .Way;
            return way[^2].Volts - way[^1].Volts;
        }
        Assert.Equal(2, (Lost(1000, 28) - 0.001) / (Lost(500, 28) - 0.001), 2);
        Assert.Equal(4, (Lost(1000, 28) - 0.001) / (Lost(1000, 22) - 0.001), 1);
    }

    /// <summary>60 mΩ at 2 A are 0.12 V (Ohm).</summary>
    [Fact]
    public void A_pack_sags_by_its_resistance()
    {
        var wired = RailBench.Of(
            4,
            "BAT",
            7,
            26,
            2,
            b =>
                b with
                {
                    Pack = new Pack { Cells = 4, Milliohms = 60 },
                }
        );
        Assert.Equal(16.8 - 0.12, RailBench.Read(wired, "full").Rails.First(r => r.Id == "bat").Volts, 2);
    }

    /// <summary>5 V at 1 A through 80 % take 6.25 W and 10 mA: at 16.8 V that is 0.382 A.</summary>
    [Fact]
    public void A_regulator_that_loses_asks_its_source_for_more()
    {
        var amps = RailBench.Read(RailBench.Of(4, "5E", 4.5, 5.5, 1), "full").SourceAmps!.Typical;
        Assert.Equal((4.99 / 0.8 / 16.8) + 0.01, amps, 3);
    }

    [Fact]
    public void A_bench_supply_holds_at_its_knob()
    {
        var power = new PowerSide
        {
            Bench = new BenchSupply { Volts = 12, Amps = 0.5 },
        };
        WiredBuild Of(double amps) => RailBench.Of(4, "BAT", 7, 26, amps, b => b with { Power = power });
        Assert.Equal(12, RailBench.Read(Of(0.4), "bench").Leads[0].Volts!.Value, 1);
        var held = RailBench.Read(Of(0.8), "bench");
        Assert.True(held.Leads[0].Volts < 1);
        Assert.Equal(
            "The 500 mA current limiter trips at power-up: the build draws at least 810 mA typical.",
            Assert.Single(RailCheck.Of(held)).Sentence
        );
    }

    /// <summary>4.88 V on a 5 V rail is fine (common practice: a worked case of the trade).</summary>
    [Fact]
    public void Four_point_eight_eight_volts_on_a_5_V_rail_are_good()
    {
        var wire = new WireCut
        {
            Device = "d",
            Lead = "v",
            Millimetres = 275,
        };
        var lead = RailBench.Read(RailBench.Of(4, "5V", 4.75, 5.25, 1, b => b with { Wires = [wire] }), "full").Leads[
            0
        ];
        Assert.Equal(4.88, lead.Volts!.Value + 0.02, 1);
        Assert.Equal(LeadFeed.Good, lead.State);
    }

    /// <summary>A board of 5 V only on a battery is destroyed at once (common practice: a worked case of the trade).</summary>
    [Fact]
    public void A_board_for_5_V_only_stops_on_a_battery()
    {
        var wired = WiredOf(Demo.WeighbridgeWren with { InputVolts = null });
        var found = RailCheck.Of(RailReader.Read(wired, Situation.All(wired)[0]));
        Assert.Contains(found, f => f is { Rule: "INPUT", Severity: Severity.Stop });
        var fed = WiredOf(Demo.WeighbridgeWren);
        Assert.DoesNotContain(RailCheck.Of(RailReader.Read(fed, Situation.All(fed)[0])), f => f.Rule == "INPUT");
    }

    [Fact]
    public void A_selector_is_looked_at_in_every_position_and_soldered_across()
    {
        var wired = WiredOf(Demo.DrillShedGull);
        var selectors = Situation.All(wired).Where(s => s.Group == SituationGroup.Selector).ToList();
        Assert.Equal(["JP-BAT", "JP-"], selectors.Select(s => s.Id));
        Assert.Equal(["JP at \"BAT\"", "JP closed on every side"], selectors.Select(s => s.Name));
        Assert.Equal(
            LeadFeed.Burns,
            RailReader.Read(wired, selectors[0]).Leads.First(l => l.Device == "receiver").State
        );
        Assert.Equal(["5V rail", "BAT rail"], RailReader.Read(wired, selectors[1]).Ties.Single().Order());
    }

    [Fact]
    public void A_device_that_is_unplugged_draws_nothing_and_feeds_nothing()
    {
        var wired = RailBench.Of(4, "5V", 4.5, 5.5, 0.5);
        var without = RailBench.Read(wired, "without-d");
        Assert.Equal(0, without.Rails.First(r => r.Label == "5V").Typical, 3);
        Assert.Equal(LeadFeed.Unfed, without.Leads[0].State);
    }

    [Fact]
    public void A_ground_lead_on_the_battery_stops()
    {
        var wired = RailBench.Of(4, "5V", 4.5, 5.5, 0.5).With(new WireOnPad(new("d", "g"), RailBench.PadOf("BAT").Id));
        Assert.Contains(
            RailCheck.Of(RailBench.Read(wired, "full")),
            f => f is { Rule: "UNDER-VOLTAGE", Severity: Severity.Stop }
        );
    }

    private static WiredBuild WiredOf(Build build)
    {
        var (resolved, _) = ResolvedBuild.Of(build, Demo.Library);
        return new FitReader(resolved!).Wired;
    }

    /// <summary>
    /// Copper ties whatever its length is: the usual 100 mm of 28 AWG are 0.021 Ω (ASTM B258: 213 Ω a kilometre).
    /// </summary>
    [Fact]
    public void An_output_at_the_end_of_a_thin_wire_is_tied_to_the_rail_that_it_sits_on()
    {
        WiredBuild At(string pad)
        {
            var wired = RailBench.Of(4, "BAT", 7, 26, 0.1);
            var device = wired.Build.Devices[0].Device;
            device = device with
            {
                Leads = [.. device.Leads.Select(l => l.Id == "t" ? l with { Role = LeadRole.Output } : l)],
                Outputs = [new SupplyOutput { Lead = "t", Volts = 5 }],
            };
            var (resolved, _) = ResolvedBuild.Of(wired.Build.Build, new PartsLibrary([RailBench.Board], [device]));
            return wired with
            {
                Build = resolved!,
                Leads =
                [
                    wired.Leads[0],
                    wired.Leads[1],
                    new WiredLead("d", device.Leads[2], LeadState.Soldered, RailBench.PadOf(pad)),
                ],
            };
        }
        Assert.Equal(["5V rail", "T of Load"], Assert.Single(RailBench.Read(At("5V"), "full").Ties));
        Assert.Empty(RailBench.Read(At("R1"), "full").Ties);
    }
}
