using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Seams;

/// <summary>Safety at the bench is reckoned from the side that can hurt.</summary>
public class BenchSeamTests
{
    private static readonly DateOnly Day = new(2026, 11, 30);

    private static BenchSheet Of(WiredBuild wired) => BenchReader.Of(wired, SettingsReader.Of(wired, Day), null);

    private static WiredBuild Limited(double? amps, double limit) =>
        RailBench.Of(4, "BAT", 7, 26, amps, b => b with { Power = new PowerSide { LimiterAmps = limit } });

    // One load of a known current on the battery; the board has regulators of unknown losses, so that all is a least.
    [Theory]
    [InlineData(0.4, 2, 0.0, Mark.Doubtful)]
    [InlineData(0.4, 2, 0.1, Mark.Doubtful)]
    [InlineData(0.4, 2, 0.4, Mark.Good)]
    [InlineData(0.4, 2, 1.95, Mark.Stop)]
    [InlineData(0.4, 2, 2.0, Mark.Stop)]
    [InlineData(0.4, 2, 5.0, Mark.Stop)]
    // The limiter holds a sound build down: its own value tells nothing from a short.
    [InlineData(1.9, 2, 2.0, Mark.Stop)]
    [InlineData(1.9, 2, 2.1, Mark.Stop)]
    [InlineData(1.9, 2, 0.0, Mark.Doubtful)]
    // Of unknown current: nothing at all is not as computed.
    [InlineData(null, 1, 0.0, Mark.Doubtful)]
    [InlineData(null, 1, 1.0, Mark.Stop)]
    public void The_limiters_own_value_is_a_stop_and_no_current_is_doubtful(
        double? load,
        double limit,
        double reads,
        Mark mark
    ) =>
        Assert.Equal(
            mark,
            Of(Limited(load, limit)).Checks.First(c => c.Id == "power.limited").Judge(reads, null)!.Mark
        );

    [Fact]
    public void Without_a_battery_no_motor_is_run_and_it_is_said_what_waits()
    {
        var rx = Device("rx", Need.RcLink, Mode("CRSF", Out(), In())).Fed(4.5, 5.5, 0.1).Leads("G");
        BenchSheet With(Pack? pack) =>
            Of(
                PlugBench
                    .Fit4S(Whole("F7", "U1").Powered("BAT", "5V", "GND"), [rx], ["rx"], b => b with { Pack = pack })
                    .Wired
            );
        var (without, with) = (With(null), With(new Pack { Cells = 4 }));
        Assert.DoesNotContain(without.Checks, c => c.Phase is BenchPhase.Failsafe or BenchPhase.Together);
        Assert.Contains("Choose it under Parts", without.Waits);
        Assert.Contains(with.Checks, c => c.Phase == BenchPhase.FirstPower);
        Assert.Contains(with.Checks, c => c.Phase == BenchPhase.Failsafe);
        Assert.Null(with.Waits);
    }

    [Theory]
    [InlineData(5.0, null)]
    [InlineData(null, Answer.Unsure)]
    [InlineData(1.0, null)]
    public void A_few_ohms_or_unsure_between_battery_and_ground_hold_back_power(double? ohms, Answer? answer)
    {
        var sheet = Of(RailBench.Of(4, "BAT", 7, 26, 0.4));
        var across = sheet.Checks.First(c => c.Phase == BenchPhase.Cold && c.Title == "BAT to G");
        var now = new DateTime(2026, 11, 30, 10, 0, 0, DateTimeKind.Utc);
        Proof Reads(BenchCheck check, Mark mark) => new(check.Id, mark, now, check.Scope);
        IEnumerable<Proof> Others() =>
            sheet.Checks.Where(c => c.Phase == BenchPhase.Cold).Select(c => Reads(c, Mark.Good));
        var power = sheet.Checks.First(c => c.Id == "power.limited");
        Assert.Null(BenchState.Against(sheet, BenchState.Of(sheet, Others()), power));
        var mark = across.Judge(ohms, answer)!.Mark;
        Assert.NotEqual(Mark.Good, mark);
        Assert.Contains(
            "BAT to G",
            BenchState.Against(sheet, BenchState.Of(sheet, [.. Others(), Reads(across, mark)]), power)
        );
    }

    [Fact]
    public void Pads_of_one_copper_side_by_side_are_not_asked_for()
    {
        foreach (var build in Demo.Builds)
        {
            foreach (var pair in LoomReader.Of(Demo.Fit(build).Wired).Continuity)
            {
                Assert.DoesNotContain("does no harm", pair.Why);
            }
        }
    }

    private static WiredBuild Gps(HouseRules house, bool gps)
    {
        var rx = Device("rx", Need.RcLink, Mode("CRSF", Out(), In())).Fed(4.5, 5.5, 0.1).Leads("G");
        var unit = Device("unit", Need.Osd, Mode("MSP", Out(), In())) with { Kind = DeviceKind.AirUnit };
        var gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In())) with { Kind = DeviceKind.Gnss };
        return PlugBench
            .Fit4S(
                Whole("F7", "U1", "U2", "U3").Powered("BAT", "5V", "GND"),
                [rx, unit, gnss],
                gps ? ["rx", "unit", "gnss"] : ["rx", "unit"],
                b => b with { House = house }
            )
            .Wired;
    }

    [Fact]
    public void Nothing_is_armed_before_a_fix_where_the_house_rule_forbids_it()
    {
        List<string> Order(ArmingFix arming) =>
            [
                .. Of(Gps(new HouseRules { Arming = arming }, true))
                    .Checks.Where(c => c.Phase == BenchPhase.Links)
                    .Select(c => c.Id),
            ];
        var strict = Order(ArmingFix.FixRequired);
        Assert.True(strict.IndexOf("link.gnss.satellites") < strict.IndexOf("link.unit.armed"));
        var free = Order(ArmingFix.FixOptional);
        Assert.True(free.IndexOf("link.gnss.satellites") > free.IndexOf("link.unit.armed"));
        Assert.StartsWith(
            "Outdoors, with a GPS fix",
            Of(Gps(new HouseRules { Arming = ArmingFix.FixRequired }, true))
                .Checks.First(c => c.Id == "link.unit.armed")
                .Do
        );
    }

    [Fact]
    public void Return_to_home_is_neither_set_nor_expected_without_a_position()
    {
        var house = new HouseRules { Failsafe = LossAct.ReturnToHome };
        string Set(bool gps) => SettingsReader.Of(Gps(house, gps), Day).Settings.First(s => s.Key == "failsafe").Value;
        Assert.Equal(("return-home", "drop"), (Set(true), Set(false)));
        Assert.Contains(SettingsCheck.Of(Gps(house, false)), f => f.Rule == "HOME-NO-GPS");
        Assert.DoesNotContain(SettingsCheck.Of(Gps(house, true)), f => f.Rule == "HOME-NO-GPS");
        BenchCheck Failsafe(bool gps) => Of(Gps(house, gps)).Checks.First(c => c.Id == "failsafe");
        Assert.Equal("the motors stop within a second or two", Failsafe(false).Expected);
        // Tied to the bench it flies nowhere.
        Assert.DoesNotContain("return", Failsafe(true).Expected);
        Assert.DoesNotContain(Of(Gps(house, false)).Checks, c => c.Id == "return-home");
    }

    [Fact]
    public void A_transmitter_is_never_looked_at_without_its_antenna_being_named()
    {
        foreach (
            var check in Of(Gps(new HouseRules(), true))
                .Checks.Where(c => c.Device == "unit" && c.Phase == BenchPhase.Links)
        )
        {
            Assert.Contains(check.Mind, m => m.Contains("Antenna on"));
        }
    }

    [Fact]
    public void A_port_that_lost_its_link_is_cleared_first()
    {
        var rx = Device("rx", Need.RcLink, Mode("CRSF", Out(), In()));
        SettingsSheet Sheet(string was) =>
            SettingsReader.Of(
                PlugBench
                    .Fit4S(
                        Whole("F7", "U1", "U2"),
                        [rx],
                        ["rx"],
                        b =>
                            b with
                            {
                                Pins = [new RouteMatch { Link = "rx", Port = "U1" }],
                                Built =
                                [
                                    new SetFact
                                    {
                                        Key = "port.U2",
                                        Value = was,
                                        Words = "U2",
                                    },
                                ],
                            }
                    )
                    .Wired,
                Day
            );
        var left = Sheet("job=receiverInput protocol=CRSF baud=420000");
        Assert.Equal(
            ("port.U2", "none", false),
            (left.Settings[0].Key, left.Settings[0].Value, left.Settings[0].IsDone)
        );
        Assert.StartsWith("UART2: no function", left.Settings[0].Words);
        Assert.Contains(left.Findings, f => f.Rule == "SET-OTHERWISE" && f.Sentence.StartsWith("UART2 is \"job="));
        Assert.Contains(left.Order, o => o.StartsWith("Clear the ports"));
        var clear = Sheet("none");
        Assert.True(clear.Settings[0].IsDone);
        Assert.DoesNotContain(clear.Findings, f => f.Rule == "SET-OTHERWISE");
    }

    [Fact]
    public void Battery_volts_are_not_promised_to_a_board_that_something_else_powers()
    {
        var rx = Device("rx", Need.RcLink, Mode("CRSF", Out(), In())) with { };
        SettingsSheet Sheet(double? input) =>
            SettingsReader.Of(
                PlugBench
                    .Fit4S(
                        Whole("F7", "U1").Powered("BAT", "5V", "GND"),
                        [rx],
                        ["rx"],
                        b => b with { InputVolts = input }
                    )
                    .Wired,
                Day
            );
        string Set(SettingsSheet sheet) => sheet.Settings.First(s => s.Key == "battery.voltage").Value;
        Assert.Equal(("on", "off"), (Set(Sheet(null)), Set(Sheet(9))));
    }

    [Fact]
    public void A_two_way_link_whose_part_names_no_telemetry_is_not_called_one_way()
    {
        var rx = Device("rx", Need.RcLink, Mode("CRSF", Out(), In()));
        var sheet = SettingsReader.Of(PlugBench.Fit4S(Whole("F7", "U1"), [rx], ["rx"]).Wired, Day);
        var missing = sheet.Telemetry.Select(t => t.Missing).OfType<string>().ToList();
        Assert.NotEmpty(missing);
        Assert.All(missing, m => Assert.StartsWith("Not known: CRSF runs both ways", m));
    }
}
