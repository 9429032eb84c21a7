using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Words;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Fit;

/// <summary>What leaflets say of supplies, pads and the board itself, each by what it does to the builder. Common practice.</summary>
public class LeafletSupplyTests
{
    private static Device Module(string id) => Device(id, Need.Gps, Mode("UBX", Out(), In())).Fed(4, 6).Leads("G");

    // Two headers, A at the left and B at the right, each with a port, 5 V and ground; B's supply is nearer to A's signals than A's own.
    private static Board TwoHeaders()
    {
        var board = Whole("F7", "U1", "U2").Powered();
        Pad At(Pad pad, double x, string group) => pad with { X = x, Group = group };
        PadPath Rail(string rail) => new() { Rail = rail };
        return board with
        {
            Pads =
            [
                .. board.Pads.Select(p => At(p, p.Label[1] == '1' ? 10 : 12, p.Label[1] == '1' ? "A" : "B")),
                At(Pad("5A", Rail("5V")), 0, "A"),
                At(Pad("GA", Rail("GND")), 0, "A"),
                At(Pad("5B", Rail("5V")), 11, "B"),
                At(Pad("GB", Rail("GND")), 11, "B"),
            ],
        };
    }

    [Fact]
    public void Supply_and_ground_are_taken_from_the_header_of_the_signals_though_another_pad_is_nearer()
    {
        var fit = Fit4S(TwoHeaders(), [Module("m")], ["m"]).Sound();
        Assert.Equal(
            ("Soldered R1", "Soldered 5A", "Soldered GA"),
            (fit.At("m", "TX"), fit.At("m", "V"), fit.At("m", "G"))
        );
    }

    [Fact]
    public void Each_device_has_pads_of_its_own_while_some_are_free()
    {
        var one = TwoHeaders();
        var board = one with { Pads = [.. one.Pads.Select(p => p with { Group = "A" })] };
        var fit = Fit4S(board, [Module("m"), Module("n")], ["m", "n"]).Sound();
        Assert.Equal(["Soldered 5A", "Soldered 5B"], new[] { fit.At("m", "V"), fit.At("n", "V") }.Order());
        Assert.Equal(["Soldered GA", "Soldered GB"], new[] { fit.At("m", "G"), fit.At("n", "G") }.Order());
    }

    [Fact]
    public void A_wire_to_the_other_side_goes_round_the_nearest_edge()
    {
        Board board = Whole("F7", "U1") with
        {
            Outline = new() { Width = 30, Depth = 40 },
        };
        Pad At(BoardSide side, double x, double y) =>
            new()
            {
                Id = "p",
                Label = "p",
                Side = side,
                X = x,
                Y = y,
            };
        var here = At(BoardSide.Top, 2, 20);

        // Turned over, the left edge is the right one: 28 mm from the left of the bottom lies under 2 mm from the left of the top.
        Assert.Equal(4, PadDistance.Between(board, here, At(BoardSide.Bottom, 28, 20)), 9);
        Assert.Equal(6, PadDistance.Between(board, At(BoardSide.Top, 15, 3), At(BoardSide.Bottom, 15, 3)), 9);
        Assert.Equal(5, PadDistance.Between(board, here, At(BoardSide.Top, 5, 24)), 9);
        Assert.True(PadDistance.Between(board with { Outline = null }, here, At(BoardSide.Bottom, 2, 20)) >= 100);
    }

    private static Device Transmitter() =>
        Device("vtx", Need.VtxControl, Mode("VC-9600", Both("VC"))) with
        {
            Leads =
            [
                .. Device("vtx", Need.VtxControl, Mode("VC-9600", Both("VC"))).Leads,
                new()
                {
                    Id = "O",
                    Label = "5V OUT",
                    Role = LeadRole.Output,
                },
            ],
            Outputs =
            [
                new()
                {
                    Lead = "O",
                    Volts = 5,
                    Limit = 0.3,
                    Filtering = Filtering.Filtered,
                },
            ],
        };

    [Theory]
    [InlineData("5V", "it would tie 5V OUT to the 5V rail")]
    [InlineData("BAT", "it would tie 5V OUT to the BAT rail")]
    [InlineData("GND", "it would be shorted to ground")]
    [InlineData("U2.rx", "it would drive, or be driven by, what is on VTX2")]
    public void A_transmitters_own_supply_output_is_never_tied_to_what_sits_in_the_socket(string pin, string because)
    {
        var board = Whole("F7", "U1", "U2").Powered("GND").Socket("VTX", "vtx", "U1.tx", pin, "GND");
        var fit = Fit4S(board, [Transmitter().Plugged("vtx", "VC", "O", "G")], ["vtx"]).Sound();
        Assert.Equal("Lifted", fit.At("vtx", "O"));
        Assert.Equal([$"De-pin 5V OUT (pin 2) from the vtx's plug and insulate it: {because}."], fit.Sheet().Work);
    }

    [Fact]
    public void An_output_over_an_empty_pin_stays_where_it_is_and_is_shown_with_what_it_gives()
    {
        var board = Whole("F7", "U1").Powered("GND").Socket("VTX", "vtx", "U1.tx", null, "GND");
        var fit = Fit4S(board, [Transmitter().Plugged("vtx", "VC", "O", "G")], ["vtx"]).Sound();
        Assert.Equal("InPlace", fit.At("vtx", "O"));
        var lead = fit.Sheet().Devices[0].Leads.Single(l => l.Id == "O");
        Assert.Equal(("supply output", "5.0 V, limit 300 mA, filtered"), (lead.Job, lead.Gives));
    }

    [Theory]
    [InlineData(null, null, "current unknown")]
    [InlineData(0.12, null, "120 mA typical, peak unknown")]
    [InlineData(null, 1.5, "1.5 A peak")]
    [InlineData(0.12, 1.5, "120 mA typical, 1.5 A peak")]
    public void What_a_leaflet_does_not_say_of_a_current_is_said_to_be_unknown(
        double? typical,
        double? peak,
        string words
    )
    {
        var module = Module("m");
        module = module with { Supplies = [module.Supplies[0] with { Typical = typical, Peak = peak }] };
        var lead = Fit4S(TwoHeaders(), [module], ["m"]).Sheet().Devices[0].Leads.Single(l => l.Id == "V");
        Assert.Equal($"4.0–6.0 V ({words})", lead.Takes);
        Assert.Equal("5.0 V (5V: regulator type and limit unknown)", lead.Gives);
    }

    [Fact]
    public void A_rail_says_how_it_is_made_what_it_gives_and_whether_it_is_filtered()
    {
        var rail = new Rail
        {
            Id = "r",
            Label = "10V",
            Volts = 10,
            Feed = RailFeed.Regulator,
            Kind = RegulatorKind.Switching,
            Limit = 2,
            Filtering = Filtering.Filtered,
        };
        Assert.Equal("10V: switching, limit 2 A, filtered", BoardWords.Of(rail));
        Assert.Equal(
            "10V: linear, limit 500 mA, unfiltered",
            BoardWords.Of(rail with { Kind = RegulatorKind.Linear, Limit = 0.5, Filtering = Filtering.Unfiltered })
        );
    }

    [Fact]
    public void The_board_says_its_size_its_holes_where_the_USB_is_and_where_the_arrow_points()
    {
        var board = Whole("F7", "U1") with
        {
            Outline = new() { Width = 36, Depth = 37.5 },
            Mounting = new()
            {
                Width = 30.5,
                Depth = 30.5,
                Bolt = 3,
            },
            UsbSide = BoardEdge.Left,
            Arrow = BoardEdge.Front,
        };
        Assert.Equal(
            "36 × 37.5 mm, holes 30.5 × 30.5 mm for M3, USB on the left edge, arrow towards the front edge.",
            new FitReader(Build(board, Module("m"))).Sheet().Identity
        );
        Assert.Null(BoardWords.Shape(Whole("F7", "U1")));
    }

    [Theory]
    [InlineData(HandPace.Normal, "one solder jumper and one setting, about 6 min")]
    [InlineData(HandPace.Careful, "one solder jumper and one setting, about 9 min")]
    [InlineData(HandPace.Quick, "one solder jumper and one setting, about 4 min")]
    public void Hand_work_is_told_in_minutes_of_the_builders_own_hand(HandPace hand, string words)
    {
        var board = Board("F4", Port("U1"), Port("U2"))
            .With(Pad("R1", Path("U1.rx", At("J", "closed"))), Pad("T1", "U1.tx"), Pad("R2", "U2.rx"));
        board = board with
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
        var module = Device("m", Need.Gps, Mode("UBX", Out(), In()) with { Setting = "set it to UBX" });
        var made = Build(board, module).Build with { House = new HouseRules { Hand = hand } };
        var fit = new FitReader(Resolving.Resolved(made, new PartsLibrary([board], [module])));
        Assert.Equal(6, fit.Plan.Cost[CostTerm.HandWork]);
        Assert.Equal(words, fit.Sheet().WorkSummary);
    }
}
