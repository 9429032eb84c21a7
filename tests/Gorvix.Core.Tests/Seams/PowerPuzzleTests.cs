using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Seams;

/// <summary>Puzzles as an engineer with a meter sets them, each answer worked out by hand.</summary>
public class PowerPuzzleTests
{
    private static readonly Device Gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In()));

    private static Board FourToSix => Whole("F4", "U1").Powered("BAT", "5V", "GND");

    private static string? Input(FitReader fit) =>
        fit.Sheet().Findings.SingleOrDefault(f => f.Rule == "INPUT")?.Sentence;

    // 6 × 4.35 = 26.1 V; 6 × 4.20 = 25.2 V; the board accepts 26.
    [Theory]
    [InlineData(Chemistry.HighVoltage, "but gets 26.1 V (full battery)")]
    [InlineData(Chemistry.Lithium, null)]
    public void Six_cells_on_a_board_that_ends_at_26_V(Chemistry chemistry, string? says)
    {
        var fit = Fit4S(
            FourToSix with
            {
                Input = new VoltWindow { Min = 7, Max = 26 },
            },
            [Gnss.Fed(4.5, 5.5)],
            ["gnss"],
            b =>
                b with
                {
                    Pack = new Pack { Cells = 6, Chemistry = chemistry },
                }
        );
        var said = Input(fit);
        Assert.Equal(says is null, said is null);
        Assert.Contains(says ?? "", said ?? "", StringComparison.Ordinal);
        // The same words on Rails, and in the verdict.
        var full = RailReader.Read(fit.Wired, Situation.All(fit.Wired)[0]);
        Assert.Equal(said, RailCheck.Of(full).SingleOrDefault(f => f.Rule == "INPUT")?.Sentence);
        Assert.Equal(says is not null, fit.Sheet().Verdict.Sentence.Contains(says ?? "?", StringComparison.Ordinal));
    }

    // A regulator before the board gives 12 V, or 3.3: no battery helps there.
    [Theory]
    [InlineData(12, "but gets 12.0 V (12 V at the input)")]
    [InlineData(3.3, "but gets 3.3 V (3.3 V at the input)")]
    public void A_fixed_supply_is_mended_at_the_supply(double volts, string says)
    {
        var fit = Fit4S(
            FourToSix with
            {
                Input = new VoltWindow { Min = 4.5, Max = 5.5 },
            },
            [Gnss.Fed(2, 15)],
            ["gnss"],
            b => b with { InputVolts = volts }
        );
        var said = Input(fit)!;
        Assert.Contains(says, said, StringComparison.Ordinal);
        Assert.EndsWith("Set that supply to a voltage in this range.", said, StringComparison.Ordinal);
        Assert.DoesNotContain("cells", said, StringComparison.Ordinal);
    }

    // A: from 5V to its pad. B: from its pad to 5V. C: as A. Red on B reads both drops to A; A and C block each other either way.
    [Fact]
    public void Diodes_that_face_each_other_read_open_both_ways()
    {
        Pad Behind(string label, Passage passes) =>
            Pad(label, new PadPath { Rail = "5V", Through = [new Diode { Volts = 0.3, Direction = passes }] });
        var board = Board("F4")
            .Powered()
            .With(Behind("A", Passage.ToPad), Behind("B", Passage.ToController), Behind("C", Passage.ToPad));
        var copper = new Copper(Circuit.Of(board), [], []);
        (Finds, double) Of(string red, string black) => copper.Between(Node.Pad(red), Node.Pad(black));
        Assert.Equal((Finds.Diode, 0.6), Of("b", "a"));
        Assert.Equal((Finds.Silent, 0.0), Of("a", "b"));
        Assert.Equal((Finds.Silent, 0.0), Of("a", "c"));
        Assert.Equal((Finds.Silent, 0.0), Of("c", "a"));
    }

    // The transmitter passes its battery on to a camera lead. Soldered to 5V by mistake, that lead puts the battery on 5V.
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_passed_through_supply_on_the_wrong_pad_beeps_and_ties(bool second)
    {
        var part = Gnss.Fed(7, 26).Leads("G");
        part = part with
        {
            Leads =
            [
                .. part.Leads,
                new Lead
                {
                    Id = "CAM",
                    Label = "CAM",
                    Role = LeadRole.Output,
                },
            ],
            Outputs = [new SupplyOutput { Lead = "CAM" }],
        };
        if (second)
        {
            // A second supply, listed before it, that nothing is soldered to: what is passed on is the one that is.
            part = part.Leads("V2") with
            {
                Supplies =
                [
                    new SupplyInput
                    {
                        Lead = "V2",
                        Window = new VoltWindow { Min = 40, Max = 50 },
                    },
                    .. part.Supplies,
                ],
            };
        }
        var wired = Fit4S(FourToSix, [part], []).Wired.With(new WireOnPad(new("gnss", "CAM"), "5v"));
        Assert.Equal(Finds.Beeps, new Copper(wired).Between(Node.Pad("bat"), Node.Pad("5v")).Finds);
        var sheet = RailReader.Read(wired, Situation.All(wired)[0]);
        Assert.Contains(sheet.Ties, t => t.Contains("BAT rail") && t.Contains("5V rail"));
        Assert.Contains(RailCheck.Of(sheet), f => f.Rule == "TIED");
    }

    // Two empty cells are 6.6 V on pin 1 of the plug, the device needs 7.
    [Fact]
    public void A_lead_leaves_a_battery_pin_that_drops_too_low_and_says_so()
    {
        var board = Whole("F7", "U1").Powered("5V", "GND").Socket("S", "s", "BAT", "GND", "U1.rx", "U1.tx");
        board = board with
        {
            Rails =
            [
                .. board.Rails,
                new Rail
                {
                    Id = "9V",
                    Label = "9V",
                    Volts = 9,
                    Feed = RailFeed.Booster,
                },
            ],
        };
        board = board.With(Pad("9V", new PadPath { Rail = "9V" }));
        var fit = Fit4S(
            board,
            [Gnss.Fed(7, 12).Plugged("s", "V", "G", "TX", "RX")],
            ["!gnss"],
            b => b with { Pack = new Pack { Cells = 2 } }
        );
        Assert.Contains(
            "De-pin V (pin 1) from the gnss's plug and solder it to 9V (top): BAT drops to 6.6 V, V needs 7.0 V.",
            fit.Sheet().Work
        );
    }

    // Its plug fits A and B alike. On A it is U1, on B U2: the cell of U2 must say that the plug moves.
    [Fact]
    public void A_cell_that_moves_a_plug_says_where_it_would_be()
    {
        var board = Whole("F7", "U1", "U2")
            .Powered("GND")
            .Socket("A", "s", "5V", "GND", "U1.rx", "U1.tx")
            .Socket("B", "s", "5V", "GND", "U2.rx", "U2.tx");
        var fit = Fit4S(board, [Gnss.Fed(4.5, 5.5).Plugged("s", "V", "G", "TX", "RX")], ["gnss"]);
        Assert.Equal("InPlace A3", fit.At("gnss", "TX"));
        var cell = fit.Sheet().Links.Single().Cells.Single(c => c.Port == "U2");
        Assert.Contains("the gnss plug would be in B (now in A)", cell.Sentence, StringComparison.Ordinal);
    }

    // Pins G and G2 are one piece inside the device: either reads continuity with the other wire off, and the check says so.
    [Fact]
    public void A_ground_that_is_there_twice_is_checked_by_a_tug_as_well()
    {
        var board = Whole("F7", "U1").Powered("5V", "GND").Socket("S", "s", "5V", "GND", "U1.rx", "U1.tx", "GND");
        var fit = Fit4S(board, [Gnss.Fed(4.5, 5.5).Plugged("s", "V", "G", "TX", "RX", "G2")], ["gnss"]);
        var bench = BenchReader.Of(fit.Wired, SettingsReader.Of(fit.Wired, new DateOnly(2026, 12, 1)), null);
        var minded = bench.Checks.Where(c =>
            c.Mind.Contains("The device's other ground reads the same: tug this wire too.")
        );
        Assert.Equal(["cold.gnss-G.s2", "cold.gnss-G2.s5"], minded.Select(c => c.Id).Order());
        var off = fit.Wired.With(new OpenWire(new("gnss", "G2")));
        Assert.Equal(Finds.Beeps, new Copper(off).Between(Node.Lead(new("gnss", "G2")), Node.Pad("s5")).Finds);
        var both = off.With(new OpenWire(new("gnss", "G")));
        Assert.Equal(Finds.Silent, new Copper(both).Between(Node.Lead(new("gnss", "G2")), Node.Pad("s5")).Finds);
    }

    // G2 is out of its plug, and its pin is on ground as G is: continuity there says nothing, and no check may ask for it.
    [Fact]
    public void A_second_ground_that_was_de_pinned_is_asked_for_by_no_check()
    {
        var board = Whole("F7", "U1")
            .Powered("5V", "GND")
            .Socket("S", "s", "5V", "GND", "U1.rx", "U1.tx", "GND", "BAT");
        var fit = Fit4S(
            board,
            [Gnss.Fed(4.5, 5.5).Plugged("s", "V", "G", "TX", "RX", "G2", "X")],
            ["gnss"],
            b => b with { Pins = [new LeadMatch { Device = "gnss", Lead = "G2" }] }
        );
        Assert.Equal(("Lifted", "Lifted"), (fit.At("gnss", "G2"), fit.At("gnss", "X")));
        var pairs = LoomReader.Of(fit.Wired).Continuity;
        Assert.Contains(pairs, p => p.OneAt.Id == "X" && p.Finds == Finds.Silent);
        Assert.DoesNotContain(pairs, p => p.OneAt.Id == "G2");
    }

    // 5 V on a 3.3 V part, and 5 V on a part from 7: fixed rails have, they do not rise or fall.
    [Theory]
    [InlineData(3.0, 3.6, "5V has 5.0 V; the gnss is rated 3.6 V maximum.")]
    [InlineData(17, 26, "5V has 5.0 V; the gnss needs 17.0 V.")]
    public void A_fixed_rail_neither_reaches_nor_drops(double min, double max, string says)
    {
        var fit = Fit4S(FourToSix, [Gnss.Fed(min, max)], ["gnss"]);
        Assert.Contains(says, fit.Sheet().Findings.Single(f => f.Rule == "UNFED").Sentence, StringComparison.Ordinal);
    }

    // A divider behind the pad feeds nothing, whatever the volts: no place of it is called over or under.
    [Fact]
    public void A_divider_is_no_supply_at_any_volts()
    {
        var board = Whole("F4", "U1")
            .Powered("GND")
            .With(Pad("D", new PadPath { Rail = "BAT", Through = [new Divider { Ratio = 0.3 }] }));
        var sentence = Fit4S(board, [Gnss.Fed(4.5, 5.5)], ["gnss"])
            .Sheet()
            .Findings.Single(f => f.Rule == "UNFED")
            .Sentence;
        Assert.Contains("D is on BAT through a divider and cannot power anything", sentence, StringComparison.Ordinal);
    }

    // 0.2 A through a lamp of 12 V, 5 W: what the lamp holds down is no fault of the battery, but 16.8 V on a 12 V input is.
    [Fact]
    public void Behind_a_lamp_too_little_is_no_stop()
    {
        var board = RailBench.Board with
        {
            Input = new VoltWindow { Min = 16, Max = 17 },
        };
        var wired = RailBench.Of(board, 4, "5V", 4.5, 5.5, 2);
        Assert.DoesNotContain(RailCheck.Of(RailBench.Read(wired, "lamp")), f => f.Rule == "INPUT");
        Assert.Contains(RailCheck.Of(RailBench.Read(wired, "empty")), f => f.Rule == "INPUT");
    }

    // The board names no battery rail: what its input gets is what the source gives.
    [Fact]
    public void A_board_without_a_battery_rail_is_held_to_its_input_all_the_same()
    {
        var board = RailBench.Board with
        {
            Input = new VoltWindow { Min = 4.5, Max = 5.5 },
            Rails = [.. RailBench.Board.Rails.Where(r => r.Id != "bat")],
            Pads = [.. RailBench.Board.Pads.Where(p => p.Label != "BAT")],
        };
        var sheet = RailBench.Read(RailBench.Of(board, 3, "5V", 4.5, 5.5, 0.1), "full");
        Assert.Null(sheet.Problem);
        Assert.Equal(12.6, sheet.Input!.Volts, 2);
        Assert.Contains(RailCheck.Of(sheet), f => f.Rule == "INPUT");
    }

    // 12 V from the bench on a board of 5 V: it is the bench supply that is set.
    [Fact]
    public void A_bench_supply_that_is_too_high_is_mended_at_the_bench()
    {
        var board = RailBench.Board with
        {
            Input = new VoltWindow { Min = 4.5, Max = 5.5 },
        };
        var wired = RailBench.Of(
            board,
            1,
            "5E",
            4.5,
            5.5,
            0.1,
            b =>
                b with
                {
                    Power = b.Power with
                    {
                        Bench = new BenchSupply { Volts = 12, Amps = 1 },
                    },
                }
        );
        var said = RailCheck.Of(RailBench.Read(wired, "bench")).Single(f => f.Rule == "INPUT").Sentence;
        Assert.EndsWith("Set that supply to a voltage in this range.", said, StringComparison.Ordinal);
    }

    // BAT passes through a diode to PROT: in either order no pair may claim that the two supplies read open.
    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Two_supplies_with_a_diode_between_them_are_not_said_to_be_open(bool first)
    {
        Pad prot = Pad(
            "PROT",
            new PadPath { Rail = "PROT" },
            new PadPath { Rail = "BAT", Through = [new Diode { Volts = 0.4, Direction = Passage.ToPad }] }
        );
        var bare = Whole("F4", "U1").Powered("BAT", "5V", "GND");
        var rail = new Rail
        {
            Id = "PROT",
            Label = "PROT",
            Volts = 5,
            Feed = RailFeed.Regulator,
        };
        var board = bare.With(prot) with { Rails = first ? [rail, .. bare.Rails] : [.. bare.Rails, rail] };
        var pairs = LoomReader.Of(Fit4S(board, [Gnss.Fed(4.5, 5.5)], ["gnss"]).Wired).Continuity;
        Assert.Contains(pairs, p => p.Pads.Contains("bat") && p.Pads.Contains("5v"));
        Assert.DoesNotContain(pairs, p => p.Finds == Finds.Silent && p.Pads.Contains("bat") && p.Pads.Contains("prot"));
    }

    // V leaves its pin because of the battery there. Had it left for another reason before, nothing more would be to do.
    [Fact]
    public void The_same_deed_for_another_reason_is_no_more_work()
    {
        var fit = Fit4S(
            Whole("F7", "U1").Powered("5V", "GND").Socket("S", "s", "BAT", "GND", "U1.rx", "U1.tx"),
            [Gnss.Fed(4.5, 5.5).Plugged("s", "V", "G", "TX", "RX")],
            ["!gnss"]
        );
        var had = fit.Wired.Work.Where(w => w.Because is not null).ToList();
        Assert.NotEmpty(had);
        Assert.Empty(
            FitWords.MoreOf([.. fit.Wired.Work.Select(w => w with { Because = "once it was another" })], fit.Wired)
        );
    }
}
