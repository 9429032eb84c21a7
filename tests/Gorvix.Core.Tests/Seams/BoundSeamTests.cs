using CsCheck;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Seams;

/// <summary>What the planner reckons nominally and what the meter reads on copper hold of what the solver finds.</summary>
public class BoundSeamTests
{
    // The planner refuses a pad by its nominal volts. Soldered there all the same, the solver must find the lead destroyed or short of volts,
    // but for what a wire, a diode and the load take off a full battery.
    [Fact]
    public void What_is_refused_for_its_volts_the_solver_calls_out_of_range()
    {
        var (over, under) = (0, 0);
        Generated
            .Builds(4, 6)
            .HoldPlanned(
                build =>
                {
                    var wired = new FitReader(build).Wired;
                    foreach (var ways in Router.WaysOf(build).Feeds)
                    {
                        foreach (var (pad, finding) in ways.Rejections)
                        {
                            // One that a solder jumper selects is another matter while it stands elsewhere.
                            if (
                                pad is null
                                || build.Circuit.StatesOf(pad).Count > 1
                                || wired.LeftOut.Contains(ways.Device.Id)
                            )
                            {
                                continue;
                            }
                            var there = wired.With(new WireOnPad(new(ways.Device.Id, ways.Lead.Id), pad.Id));
                            var diode = build
                                .Circuit.From(pad)
                                .Any(s => s.Components.Any(c => c.Kind == StepKind.Diode));
                            LeadReading? At(string situation) =>
                                Situation.All(there).FirstOrDefault(s => s.Id == situation || s.Id == "input") is { } s
                                && RailReader.Read(there, s) is { Problem: null, Ties: [] } sheet
                                    ? sheet.Leads.First(l => l.Device == ways.Device.Id && l.Lead == ways.Lead.Id)
                                    : null;
                            switch (finding.Rule)
                            {
                                case "OVER-VOLTAGE" when At("full") is { Volts: { } volts }:
                                    over++;
                                    Assert.True(
                                        volts * 1.03 + (diode ? 0.7 : 0) > ways.Supply.Window.Max,
                                        $"{finding.Sentence} Solved: {volts}"
                                    );
                                    break;
                                case "UNDER-VOLTAGE" when At("empty") is { LowVolts: { } low }:
                                    under++;
                                    Assert.True(
                                        low < ways.Supply.Window.Min + (diode ? 0.7 : 0.005),
                                        $"{finding.Sentence} Solved: {low}"
                                    );
                                    break;
                            }
                        }
                    }
                },
                of: 300
            );
        Assert.True(over > 20 && under > 10, $"{over} over, {under} under");
    }

    // The two groupings of copper, one of the meter and one of the solver, are the same.
    [Fact]
    public void What_beeps_between_two_supplies_the_solver_calls_tied()
    {
        var (tied, apart) = (0, 0);
        Gen.Select(Generated.Builds(4, 6), Gen.Int[0, 999], Gen.Int[0, 999])
            .Holds(
                t =>
                {
                    var (build, one, other) = t;
                    WiredBuild wired;
                    try
                    {
                        wired = new FitReader(build).Wired;
                    }
                    catch (UnplannableException)
                    {
                        return;
                    }
                    var pads = build.Circuit.ToRails.Select(p => p.Pad).ToList();
                    if (pads.Count < 2)
                    {
                        return;
                    }
                    var real = wired.With(new SolderBlob(pads[one % pads.Count].Id, pads[other % pads.Count].Id));
                    var copper = new Copper(real);
                    var ties = RailReader.Read(real, Situation.All(real)[0]).Ties;
                    foreach (var a in build.Board.Rails)
                    {
                        foreach (var b in build.Board.Rails.SkipWhile(r => r != a).Skip(1))
                        {
                            var beeps = copper.Between(Node.Rail(a.Id), Node.Rail(b.Id)).Finds == Finds.Beeps;
                            Assert.Equal(
                                beeps,
                                ties.Any(g => g.Contains($"{a.Label} rail") && g.Contains($"{b.Label} rail"))
                            );
                            (tied, apart) = beeps ? (tied + 1, apart) : (tied, apart + 1);
                        }
                    }
                },
                of: 150
            );
        Assert.True(tied > 20 && apart > 100, $"{tied} tied, {apart} apart");
    }

    // By hand: the device has two grounds; one soldered to GND, the other by mistake to 5V. Through the device 5V is on ground.
    [Fact]
    public void A_meter_finds_the_short_that_runs_through_a_device_with_two_grounds()
    {
        var device = RailBench.Of(4, "BAT", 7, 26, 0.1).Build.Devices[0].Device;
        var two = device with
        {
            Leads =
            [
                .. device.Leads,
                new Lead
                {
                    Id = "g2",
                    Label = "G2",
                    Role = LeadRole.Ground,
                },
            ],
        };
        var resolved = Resolved(two);
        var wired = new FitReader(resolved).Wired.With(new WireOnPad(new("d", "g2"), RailBench.PadOf("5V").Id));
        var (five, ground) = (Node.Pad(RailBench.PadOf("5V").Id), Node.Pad(RailBench.PadOf("G").Id));
        Assert.Equal(Finds.Beeps, new Copper(wired).Between(five, ground).Finds);
        Assert.Contains("GND rail", RailBench.Read(wired, "full").Ties.Single());
    }

    private static ResolvedBuild Resolved(Device device)
    {
        var build = new Build
        {
            Name = "bench",
            Board = RailBench.Board.Id,
            Pack = new Pack { Cells = 4 },
            Devices = [new BuildDevice { Id = "d", Part = device.Id }],
            Wants = [],
        };
        return ResolvedBuild.Of(build, new PartsLibrary([RailBench.Board], [device])).Build!;
    }

    // By hand: 12.6 V reach a 5 V board; a booster that is asked for 720 W of a pack that gives 99 W at most finds no steady state, and the input is
    // destroyed all the same.
    [Fact]
    public void An_input_that_gets_too_much_is_a_stop_though_nothing_settles()
    {
        var board = LeafletText
            .Read(
                """
                maker Bench
                board Rails
                revision 1
                controller F7
                rail BAT: battery
                rail GND: ground
                rail 24V: 24 V booster
                top left: G BAT 24V R1 T1
                """
            )
            .Board with
        {
            Input = new VoltWindow { Min = 4.5, Max = 5.5 },
        };
        var wired = RailBench.Of(board, 3, "24V", 23, 25, 30, b => b with { Pack = b.Pack! with { Milliohms = 400 } });
        var sheet = RailBench.Read(wired, "full");
        Assert.NotNull(sheet.Problem);
        Assert.Contains(
            RailCheck.Of(sheet),
            f =>
                f
                    is {
                        Rule: "INPUT",
                        Sentence: "Rails needs 4.5–5.5 V but gets 12.6 V (full battery). Power it from a separate regulator and enter that voltage under Parts, \"board supply\"."
                    }
        );
    }

    // By hand: the pack sags by 5 A × 0.1 Ω = 0.5 V, but only once the load runs: at switch-on 16.8 V reach what was made for 16.5 V.
    [Fact]
    public void What_sags_into_its_window_under_load_still_gets_too_much_at_switch_on()
    {
        var board = RailBench.Board with
        {
            Input = new VoltWindow { Min = 6, Max = 16.5 },
        };
        var wired = RailBench.Of(board, 4, "BAT", 7, 16.5, 5, b => b with { Pack = b.Pack! with { Milliohms = 100 } });
        var sheet = RailBench.Read(wired, "full");
        Assert.Null(sheet.Problem);
        Assert.InRange(sheet.Leads.Single().Volts!.Value, 15.8, 16.3);
        Assert.Equal(
            (16.8, 5.0, false),
            (sheet.Leads.Single().MostVolts, sheet.Leads.Single().Amps!.Value, sheet.Leads.Single().AtLeast)
        );
        var findings = RailCheck.Of(sheet);
        Assert.Contains(
            findings,
            f => f is { Rule: "OVER-VOLTAGE", Severity: Severity.Stop } && f.Sentence.Contains("16.8 V")
        );
        Assert.Contains(
            findings,
            f => f is { Rule: "INPUT", Severity: Severity.Stop } && f.Sentence.Contains("gets 16.8 V")
        );
        Assert.Contains("V of Load gets 16.8 V.", DamageCheck.Of(wired, sheet.Situation));
        Assert.Contains("Rails input gets 16.8 V.", DamageCheck.Of(wired, sheet.Situation));
    }

    // By hand: nothing settles where 720 W are asked of a pack that gives 99 W at most, and 24 V are too much for 23.5 V all the same.
    [Fact]
    public void A_lead_that_gets_too_much_is_a_stop_though_nothing_settles()
    {
        var board = RailBench.Board with
        {
            Rails =
            [
                .. RailBench.Board.Rails.Select(r => r.Id == "9v" ? r with { Volts = 24, Feed = RailFeed.Booster } : r),
            ],
        };
        var wired = RailBench.Of(board, 3, "9V", 23, 23.5, 30, b => b with { Pack = b.Pack! with { Milliohms = 400 } });
        var sheet = RailBench.Read(wired, "full");
        Assert.NotNull(sheet.Problem);
        Assert.Contains(
            RailCheck.Of(sheet),
            f => f is { Rule: "OVER-VOLTAGE", Severity: Severity.Stop } && f.Sentence.Contains("24.0 V")
        );
        Assert.Contains("V of Load gets 24.0 V.", DamageCheck.Of(wired, sheet.Situation));
    }

    // By hand: the device is soldered to 5V, VS lies beside it. The diode passes from 5V to VS, so red goes on 5V; turned round, on VS.
    [Theory]
    [InlineData(Passage.ToPad, "5v", "vs")]
    [InlineData(Passage.ToController, "vs", "5v")]
    public void A_diode_between_two_pads_is_measured_the_way_it_passes(Passage passes, string red, string black)
    {
        var board = Whole("F4", "U1")
            .Powered("GND")
            .With(
                Pad("VS", new PadPath { Rail = "5V", Through = [new Diode { Volts = 0.3, Direction = passes }] }),
                Pad("5V", new PadPath { Rail = "5V" })
            );
        board = board with { Pads = [.. board.Pads.Select(p => p with { Group = "row" })] };
        var wired = Fit4S(
            board,
            [Device("gnss", Need.Gps, Mode("UBX", Out(), In())).Fed(4.5, 5.5)],
            ["gnss"],
            b =>
                b with
                {
                    Pins =
                    [
                        new FeedMatch
                        {
                            Device = "gnss",
                            Lead = "V",
                            Pad = "5v",
                        },
                    ],
                }
        ).Wired;
        var pair = LoomReader.Of(wired).Continuity.Single(p => p.Finds == Finds.Diode);
        Assert.Equal((red, black, 0.3), (pair.OneAt.Id, pair.OtherAt.Id, pair.Value));
    }
}
