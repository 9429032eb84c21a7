using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Tables;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Fit;

/// <summary>Rules by their ids, each where it holds and where it does not.</summary>
public class NamedRuleTests
{
    private static readonly Device Gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In()));

    // UM10204: devices on a bus are told apart by a 7-bit address. 0x1E is the compass's, 0x76 a barometer's.
    [Theory]
    [InlineData(0x1E, 0x76, null)]
    [InlineData(0x1E, 0x1E, "ADDRESS")]
    public void An_address_that_is_in_use_inside_the_board_is_not_free(int device, int inside, string? code)
    {
        var board = Board("F4").With(Pad("SDA", "sda"), Pad("SCL", "scl")) with
        {
            Nets = [new() { Id = "sda" }, new() { Id = "scl" }],
            Ports =
            [
                new()
                {
                    Id = "I2C1",
                    Kind = PortKind.Bus,
                    Data = "sda",
                    Clock = "scl",
                    Addresses = [new() { Address = inside, By = "the barometer" }],
                },
            ],
        };
        Assert.Equal(code, Ways(board, Mode("I²C", Both("D"), In("C")) with { Address = device }).CodeAt("I2C1"));
    }

    // A pad that copper joins to a rail as well: the rail holds the line. A resistor of 10 kΩ is a pull-up and holds nothing.
    [Theory]
    [InlineData(null, "ON-RAIL")]
    [InlineData(1.0, "ON-RAIL")]
    [InlineData(10_000.0, null)]
    public void A_pad_that_is_joined_to_a_rail_carries_no_signal(double? ohms, string? code)
    {
        var board = Board("F4", Port("U1")).Powered();
        PathElement[] between = ohms is { } r ? [new Resistor { Ohms = r }] : [];
        board = board.With(
            Pad("R1", Path("U1.rx"), new PadPath { Rail = "5V", Through = between }),
            Pad("T1", "U1.tx")
        );
        Assert.Equal(code, Router.WaysOf(Build(board, Gnss)).Links[0].CodeAt("U1"));
    }

    // JESD8C: 3.3 V outputs. A 5 V CMOS input wants 0.7 × 5 V = 3.5 V for high; one for 3.3 V logic 0.7 × 3.3 V = 2.31 V.
    [Theory]
    [InlineData(3.5, true)]
    [InlineData(3.31, true)]
    [InlineData(3.3, false)]
    [InlineData(2.31, false)]
    public void Three_volts_into_five_volt_logic_is_marginal(double high, bool warned)
    {
        var device = Gnss with
        {
            Leads = [.. Gnss.Leads.Select(l => l.Id == "RX" ? l with { HighFromVolts = high } : l)],
        };
        var fit = new FitReader(Build(Whole("F4", "U1"), device));
        Assert.Equal("U1", fit.Ports());
        Assert.Equal(warned, fit.Rules().Contains("MARGIN"));
    }

    // A diode that points to the board lets nothing out to a device; the other way round it costs its drop.
    [Theory]
    [InlineData(Passage.ToPad, null)]
    [InlineData(Passage.ToController, "NO-FEED")]
    public void A_diode_the_wrong_way_round_feeds_nothing(Passage direction, string? rule)
    {
        var board = Whole("F4", "U1").Powered("GND");
        board = board.With(
            Pad("VS", new PadPath { Rail = "5V", Through = [new Diode { Volts = 0.3, Direction = direction }] })
        );
        var fit = Fit4S(board, [Gnss.Fed(4.5, 5.5)], ["gnss"]);
        var feeds = Router.WaysOf(fit.Wired.Build).Feeds.Single();
        Assert.Equal(rule is null ? 1 : 0, feeds.Feeds.Count);
        Assert.Equal(rule, feeds.Rejections.FirstOrDefault(r => r.Pad?.Label == "VS")?.Finding.Rule);
    }

    // Copper to two rails at once: one would feed the other through the pad, whatever the device takes.
    [Theory]
    [InlineData(false, null)]
    [InlineData(true, "TIED")]
    public void A_pad_that_two_rails_share_feeds_nothing(bool both, string? rule)
    {
        PadPath[] paths =
        [
            new PadPath { Rail = "5V" },
            .. both ? [new PadPath { Rail = "BAT" }] : Array.Empty<PadPath>(),
        ];
        var board = Whole("F4", "U1").Powered("GND").With(Pad("VS", paths));
        var feeds = Router.WaysOf(Fit4S(board, [Gnss.Fed(4.5, 17)], ["gnss"]).Wired.Build).Feeds.Single();
        Assert.Equal(rule, feeds.Rejections.FirstOrDefault(r => r.Pad?.Label == "VS")?.Finding.Rule);
        Assert.Equal(both ? 0 : 1, feeds.Feeds.Count);
    }

    // The plug must sit in the socket, where its TX meets R1: T1 as TX is out of its reach then.
    [Fact]
    public void A_lead_reaches_a_pad_only_as_its_plug_allows()
    {
        var board = Whole("F7", "U1", "U2").Powered("GND").Socket("S", "s", "U1.rx", "U1.tx", "GND");
        var fit = Fit4S(
            board,
            [Gnss.Plugged("s", "TX", "RX", "G")],
            ["gnss"],
            b =>
                b with
                {
                    Pins = [new SeatMatch { Device = "gnss", Socket = "S" }],
                    Bans =
                    [
                        new LeadMatch { Device = "gnss", Lead = "TX" },
                        new LeadMatch { Device = "gnss", Lead = "RX" },
                    ],
                }
        );
        var cells = fit.Sheet().Links[0].Cells;
        Assert.Equal("U1", fit.Ports());
        Assert.Equal("SEAT", cells.Single(c => c.Port == "U2").Code);
    }

    [Fact]
    public void A_cell_that_is_open_says_so_with_its_price()
    {
        var fit = new FitReader(Handmade.Build(Whole("F7", "U1", "U2"), Gnss));
        var other = fit.Sheet().Links[0].Cells.Single(c => c.State == CellState.Possible);
        Assert.Equal("OPEN", PlanningRules.Open.Id);
        Assert.Equal((null, "free"), (other.Code, other.Text));
        Assert.Equal(
            PlanningRules
                .Open.Found(
                    Severity.Note,
                    Subject.Build,
                    ("link", "GPS (gnss)"),
                    ("port", "UART2"),
                    ("consequence", "same cost")
                )
                .Sentence,
            other.Sentence
        );
    }

    [Fact]
    public void A_thing_that_is_built_is_told_of_once()
    {
        static SeatFact At(string socket) =>
            new()
            {
                Device = "air-unit",
                Part = "brindlow-beacon-d6",
                Board = Demo.CrusherHouseLark.Board,
                Socket = socket,
            };
        string[] Rules(params BuiltFact[] facts) =>
            [.. BuildCheck.Of(Demo.CrusherHouseLark with { Built = facts }, Demo.Library, "b").Select(f => f.Rule)];
        Assert.Empty(Rules(At("AIR")));
        Assert.Equal(["BUILT-TWICE"], Rules(At("AIR"), At("GPS")));
    }

    [Fact]
    public void A_tick_of_a_setting_that_the_plan_no_longer_has_is_refused()
    {
        var wired = Demo.Fit(Demo.CrusherHouseLark).Wired;
        var day = new DateOnly(2026, 11, 26);
        string[] Rules(string key) =>
            [.. SettingTicks.Apply(wired, [key], true, day, DateTime.UnixEpoch).Findings.Select(f => f.Rule)];
        Assert.Empty(Rules("port.U6"));
        Assert.Equal(["SETTING-GONE"], Rules("port.U99"));
    }

    [Theory]
    [InlineData("rail 5V: 5 V regulator", null)]
    [InlineData("rail 5V: five volts", "TEXT-LINE")]
    [InlineData("hello", "TEXT-LINE")]
    public void A_line_of_board_text_is_read_or_told_of(string line, string? rule) =>
        Assert.Equal(
            rule is null ? [] : [rule],
            LeafletText
                .Read($"maker A\nboard B\nrevision 1\ncontroller F4\n{line}\n")
                .Problems.Select(p => p.Finding.Rule)
        );

    // B+ is battery on one board and the buzzer on another: doubtful until it is said.
    [Fact]
    public void A_label_that_can_mean_two_things_is_told_by_its_rule()
    {
        var board = LeafletText.Read("maker A\nboard B\nrevision 1\ncontroller F4\ntop left: B+ R1 T1\n").Board;
        var note = BoardLook.Of(board).Notes.First(n => n.Field.StartsWith("pads[", StringComparison.Ordinal));
        var finding = LeafletRules.Doubt.Found(
            note.Severity,
            Subject.Build,
            ("pad", "B+"),
            ("why", LabelBook.WhyDoubtful("B+"))
        );
        Assert.Equal(("LABEL-DOUBT", note.Sentence), (finding.Rule, finding.Sentence));
    }

    [Theory]
    [InlineData("label,side\nR1,top\n", null)]
    [InlineData("label,side\nR1,sideways\n", "TABLE-ROW")]
    [InlineData("colour\nred\n", "TABLE-SHAPE")]
    public void A_list_of_pads_is_read_or_told_of(string list, string? rule) =>
        Assert.Equal(rule, ListReader.ReadPads(list, Demo.Library.Boards[0]).Problem?.Rule);

    // Every row is right, and what they come to is no device: a lead that carries nothing it could.
    [Fact]
    public void A_part_that_its_rows_do_not_make_is_told_of_by_its_name()
    {
        const string List = """
            device,maker,name,kind,lead,label,role,min V,max V,does
            fen-one,Fenby,One,receiver,,5V,supply,8,4.5,
            fen-one,,,,,TX,signal,,,control/crsf CRSF out
            """;
        var read = ListReader.Read(List, Demo.Library);
        Assert.Null(read.File);
        Assert.All(read.Findings, f => Assert.Equal("TABLE-PART", f.Rule));
        Assert.NotEmpty(read.Findings);
    }
}
