using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Routing;

/// <summary>Which way through a board works and which does not, as statements of the trade.</summary>
public class RouterTests
{
    private static readonly Mode Crsf = Mode("CRSF", Out(), In());
    private static readonly Mode InvertedCrsf = Mode("CRSF", Out(polarity: Polarity.Inverted), In());
    private static readonly Mode Sbus = Mode("SBUS", Out());
    private static readonly Mode Ibus = Mode("IBUS", Out());
    private static readonly Mode SPort = Mode("S.Port", Both());
    private static readonly Mode VideoControl = Mode("VC-4800", Both());

    // The third port of many F4-class boards: RX only through an inverter, TX under another label.
    private static readonly Board InvertingF4 = Board("F4", Port("U3"))
        .With(Pad("SBUS", "U3.rx", Inverter()), Pad("DSM", "U3.tx"));

    [Fact]
    public void Leads_cross_TX_to_R_and_RX_to_T()
    {
        var route = Assert.Single(Ways(Whole("F4", "U1"), Crsf).Routes);
        Assert.Equal(["TX>R1", "RX>T1"], route.Walks.Select(w => $"{w.Lead.Label}>{w.Pad.Label}"));
    }

    [Fact]
    public void A_fixed_inverter_pad_on_a_controller_without_inversion_refuses_a_normal_protocol() =>
        Assert.Equal("POL", Ways(InvertingF4, Ibus).CodeAt("U3"));

    [Fact]
    public void A_fixed_inverter_pad_takes_an_inverted_protocol() => Assert.Single(Ways(InvertingF4, Sbus).Routes);

    [Fact]
    public void A_receiver_that_inverts_its_output_is_turned_back_by_the_pad_and_has_its_way_back_on_the_hidden_TX()
    {
        Assert.Equal("POL", Ways(InvertingF4, Crsf).CodeAt("U3"));
        var route = Assert.Single(Ways(InvertingF4, InvertedCrsf).Routes);
        Assert.Equal(["SBUS", "DSM"], route.Walks.Select(w => w.Pad.Label));
        Assert.Equal(
            [Polarity.Inverted, Polarity.Inverted, Polarity.Normal, Polarity.Normal, Polarity.Normal],
            route.Walks[0].Hops.Select(h => h.After)
        );
    }

    [Theory]
    [InlineData("F1", "POL")]
    [InlineData("F3", null)]
    [InlineData("F4", "POL")]
    [InlineData("F7", null)]
    [InlineData("G4", null)]
    [InlineData("H7", null)]
    public void An_inverted_protocol_on_a_raw_pad_needs_a_controller_that_inverts(string controller, string? code)
    {
        var ways = Ways(Whole(controller, "U1"), Sbus);
        Assert.Equal(code, ways.CodeAt("U1"));
        Assert.Equal(code is null, ways.Routes.Any(r => r.Settings.InvertRx));
    }

    [Fact]
    public void A_controller_that_inverts_undoes_a_fixed_inverter_as_well()
    {
        var board = Board("F7", Port("U3", tx: false)).With(Pad("SBUS", "U3.rx", Inverter()));
        Assert.True(Assert.Single(Ways(board, Ibus).Routes).Settings.InvertRx);
        Assert.False(Assert.Single(Ways(board, Sbus).Routes).Settings.InvertRx);
    }

    [Fact]
    public void Two_inverters_in_a_row_cancel()
    {
        var board = Board("F4", Port("U1", tx: false)).With(Pad("R1", "U1.rx", Inverter(), Inverter()));
        Assert.Single(Ways(board, Ibus).Routes);
        Assert.Equal("POL", Ways(board, Sbus).CodeAt("U1"));
    }

    [Fact]
    public void A_one_wire_link_goes_on_TX()
    {
        var route = Assert.Single(Ways(Whole("F4", "U1"), VideoControl).Routes);
        Assert.Equal("T1", Assert.Single(route.Walks).Pad.Label);
        Assert.True(route.Settings.HalfDuplex);
        Assert.Equal(
            "1-WIRE",
            Ways(Board("F4", Port("U1", tx: false)).With(Pad("R1", "U1.rx")), VideoControl).CodeAt("U1")
        );
    }

    [Fact]
    public void A_one_wire_link_cannot_pass_an_inverter_that_goes_one_way_but_passes_one_that_goes_both()
    {
        var oneWay = Board("F4", Port("U1", rx: false)).With(Pad("TLM", "U1.tx", Inverter(Passage.ToPad)));
        Assert.Equal("WAY", Ways(oneWay, SPort).CodeAt("U1"));
        var both = Board("F4", Port("U1", rx: false)).With(Pad("TLM", "U1.tx", Inverter(Passage.Both)));
        Assert.Single(Ways(both, SPort).Routes);
    }

    [Theory]
    [InlineData(Passage.ToPad, "WAY")]
    [InlineData(Passage.ToController, null)]
    [InlineData(Passage.Both, null)]
    public void An_inverter_lets_a_receiver_in_only_if_it_points_to_the_controller(Passage passage, string? code)
    {
        var board = Board("F4", Port("U1", tx: false)).With(Pad("R1", "U1.rx", Inverter(passage)));
        Assert.Equal(code, Ways(board, Sbus).CodeAt("U1"));
    }

    [Fact]
    public void Half_a_port_carries_half_a_link()
    {
        var rxOnly = Board("F4", Port("U5", tx: false)).With(Pad("R5", "U5.rx"));
        Assert.Single(Ways(rxOnly, Ibus).Routes);
        Assert.Equal("NO-TX", Ways(rxOnly, Crsf).CodeAt("U5"));
        var txOnly = Board("F4", Port("U5", rx: false)).With(Pad("T5", "U5.tx"));
        Assert.Equal("NO-RX", Ways(txOnly, Ibus).CodeAt("U5"));
    }

    [Fact]
    public void A_net_without_a_pad_is_as_good_as_no_net() =>
        Assert.Equal("NO-RX", Ways(Board("F4", Port("U5")).With(Pad("T5", "U5.tx")), Ibus).CodeAt("U5"));

    [Fact]
    public void What_only_listens_needs_no_RX()
    {
        var log = Mode("Flight log", In());
        Assert.Single(Ways(Board("F4", Port("U5", rx: false)).With(Pad("T5", "U5.tx")), log).Routes);
        Assert.Equal("NO-TX", Ways(Board("F4", Port("U5", tx: false)).With(Pad("R5", "U5.rx")), log).CodeAt("U5"));
    }

    [Fact]
    public void Control_and_telemetry_on_one_inverted_wire_need_a_both_way_inverter_or_a_controller_that_inverts()
    {
        var fport = Mode("F.Port", Both());
        Assert.Equal("POL", Ways(Whole("F4", "U1"), fport).CodeAt("U1"));
        Assert.All(Ways(Whole("F7", "U1"), fport).Routes, r => Assert.True(r.Settings.InvertTx));
        var tap = Mode("F.Port", Both(polarity: Polarity.Normal));
        Assert.Single(Ways(Whole("F4", "U1"), tap).Routes);
    }

    [Fact]
    public void A_controller_that_swaps_pins_hears_on_a_TX_pad()
    {
        var board = Board("F7", Port("U5", rx: true)).With(Pad("T5", "U5.tx"));
        var route = Assert.Single(Ways(board, Ibus).Routes);
        Assert.True(route.Settings.SwapPins);
        Assert.Equal("T5", route.Walks[0].Pad.Label);
    }

    [Fact]
    public void Pins_are_not_swapped_where_straight_works() =>
        Assert.False(
            Planner.Best(Build(Whole("F7", "U1", "U2"), Device("d", Need.RcLink, Crsf))).RouteOf("d")!.Settings.SwapPins
        );

    [Fact]
    public void A_port_held_inside_takes_nothing()
    {
        var board = Board("F7", Port("U2", heldBy: "a built-in transmitter"))
            .With(Pad("R2", "U2.rx"), Pad("T2", "U2.tx"));
        var ways = Ways(board, Crsf);
        Assert.Empty(ways.Routes);
        Assert.Equal("HELD", ways.CodeAt("U2"));
        Assert.Contains("a built-in transmitter", ways.NearestAt("U2")!.Finding.Sentence);
    }

    [Fact]
    public void A_bridge_makes_one_pad_raw_or_inverted()
    {
        var board = Board("F4", Port("U4", tx: false))
            .With(Pad("R4", Path("U4.rx", At("J4", "raw")), Path("U4.rx", At("J4", "inverted"), Inverter()))) with
        {
            Bridges =
            [
                new()
                {
                    Id = "J4",
                    Positions = ["raw", "inverted"],
                    Default = "raw",
                },
            ],
        };
        Assert.Equal("raw", Assert.Single(Assert.Single(Ways(board, Ibus).Routes).Bridges).Position);
        Assert.Equal("inverted", Assert.Single(Assert.Single(Ways(board, Sbus).Routes).Bridges).Position);
    }

    [Fact]
    public void Two_leads_of_a_link_cannot_want_one_bridge_in_two_positions()
    {
        var board = Board("F4", Port("U4"))
            .With(Pad("R4", Path("U4.rx", At("J4", "left"))), Pad("T4", Path("U4.tx", At("J4", "right")))) with
        {
            Bridges =
            [
                new()
                {
                    Id = "J4",
                    Positions = ["left", "right"],
                    Default = "left",
                },
            ],
        };
        var ways = Ways(board, Crsf);
        Assert.Equal("JUMPER", ways.CodeAt("U4"));
        Assert.Equal(
            "TX needs jumper J4 at \"left\" and RX needs it at \"right\".",
            ways.NearestAt("U4")!.Finding.Sentence
        );
    }

    [Theory]
    [InlineData(5.0, 3.3, "LEVEL")]
    [InlineData(5.0, 5.0, null)]
    [InlineData(3.3, 3.3, null)]
    public void A_pin_takes_no_more_volts_than_it_stands(double drive, double stands, string? code)
    {
        var board = Whole("F4", "U1");
        board = board with { Nets = [.. board.Nets.Select(n => n with { MaxVolts = stands })] };
        var device = Device("device", Need.RcLink, Ibus);
        device = device with { Leads = [device.Leads[0] with { DriveVolts = drive }] };
        Assert.Equal(code, Router.WaysOf(Build(board, device)).Links[0].CodeAt("U1"));
    }

    [Fact]
    public void The_nearest_rejection_speaks_for_a_port()
    {
        // The usual mode lacks a TX; the other comes as far as the polarity.
        var board = Board("F4", Port("U3", tx: false)).With(Pad("SBUS", "U3.rx", Inverter()));
        Assert.Equal("POL", Ways(board, Crsf, Ibus).CodeAt("U3"));
    }

    [Fact]
    public void Every_combination_is_either_a_route_or_has_a_finding()
    {
        foreach (var build in new[] { Demo.NorthFaceHare, Demo.HaulRoadHeron })
        {
            var resolved = Resolved(build, Demo.Library);
            foreach (var ways in Router.WaysOf(resolved).Links)
            {
                var pairs =
                    from mode in ways.Link.Function.Modes
                    from port in resolved.Board.Ports
                    select (mode.Id, port.Id);
                var routed = ways.Routes.Select(r => (r.Mode.Id, r.Port.Id)).ToHashSet();
                var rejected = ways.Rejections.Select(r => (r.Mode.Id, r.Port.Id)).ToHashSet();
                Assert.All(pairs, pair => Assert.True(routed.Contains(pair) ^ rejected.Contains(pair), $"{pair}"));
            }
        }
    }
}
