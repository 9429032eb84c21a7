using Gorvix.Core.Hardware.Parts;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Parts;

/// <summary>A part that contradicts itself is refused, and the finding names the place.</summary>
public class PartCheckTests
{
    private static readonly Board Good = Whole("F4", "U1", "U2");

    public static TheoryData<string, string, Func<Board, Board>> BrokenBoards =>
        new()
        {
            { "NAME", "b.controller", b => b with { Controller = "F9" } },
            { "TWIN", "b.nets[4]", b => b with { Nets = [.. b.Nets, b.Nets[0]] } },
            { "TWIN", "b.ports[2]", b => b with { Ports = [.. b.Ports, new Port { Id = "U1" }] } },
            { "NAME", "b.ports[2].rx", b => b with { Ports = [.. b.Ports, new Port { Id = "U3", Rx = "x" }] } },
            { "TWIN", "b.ports[2].tx", b => b with { Ports = [.. b.Ports, new Port { Id = "U3", Tx = "U1.rx" }] } },
            { "PAD-LOST", "b.pads[4]", b => b.With(Pad("X", paths: [])) },
            { "PAD-LOST", "b.pads[4]", b => b.With(Pad("X", new PadPath())) },
            { "NAME", "b.pads[4].paths[0].net", b => b.With(Pad("X", "x")) },
            { "NAME", "b.pads[4].paths[0].rail", b => b.With(Pad("X", new PadPath { Rail = "x" })) },
            { "LABEL-TWICE", "b.pads[4]", b => b.With(Pad("R1", "U2.rx") with { Id = "other" }) },
            { "TWIN", "b.pads[4]", b => b.With(Pad("R1", "U1.rx") with { Label = "other" }) },
            { "VALUE", "b.pads[4].x", b => b.With(Pad("X", "U1.rx") with { X = double.NaN }) },
            { "VALUE", "b.pads[4].label", b => b.With(Pad("", "U1.rx") with { Id = "x" }) },
            { "NAME", "b.pads[4].paths[0].through[0].bridge", b => b.With(Pad("X", "U1.rx", At("J", "on"))) },
            {
                "VALUE",
                "b.pads[4].paths[0].through[0].ohms",
                b => b.With(Pad("X", "U1.rx", new Resistor { Ohms = 0 }))
            },
            {
                "NAME",
                "b.jumpers[0].default",
                b =>
                    b with
                    {
                        Bridges =
                        [
                            new()
                            {
                                Id = "J",
                                Positions = ["a"],
                                Default = "b",
                            },
                        ],
                    }
            },
            {
                "NAME",
                "b.jumpers[0].default",
                b =>
                    b with
                    {
                        Bridges =
                        [
                            new()
                            {
                                Id = "J",
                                Positions = [],
                                Default = "b",
                            },
                        ],
                    }
            },
            {
                "VALUE",
                "b.nets[0].maxVolts",
                b => b with { Nets = [b.Nets[0] with { MaxVolts = 0 }, .. b.Nets.Skip(1)] }
            },
            { "VALUE", "b.nets[0]", b => b.With([.. Enumerable.Range(0, 8).Select(i => Pad($"X{i}", "U1.rx"))]) },
            { "VALUE", "b.pads[4].paths", b => b.With(Pad("X", [.. Enumerable.Repeat(Path("U1.rx"), 7)])) },
            {
                "VALUE",
                "b.ports",
                b => b with { Ports = [.. Enumerable.Range(0, 33).Select(i => new Port { Id = $"U{i}" })] }
            },
        };

    [Theory]
    [MemberData(nameof(BrokenBoards), DisableDiscoveryEnumeration = true)]
    public void A_board_must_agree_with_itself(string rule, string place, Func<Board, Board> breaking)
    {
        var finding = Assert.Single(PartCheck.Of(breaking(Good), "b"));
        Assert.Equal((rule, place), (finding.Rule, finding.Subject.Id));
    }

    [Fact]
    public void A_pad_with_both_a_net_and_a_rail_is_not_said_to_have_none()
    {
        var board = Good.With(Pad("X", new PadPath { Net = "U1.rx", Rail = "x" }));
        var finding = PartCheck.Of(board, "b").First(f => f.Rule == "PAD-LOST");
        Assert.Contains("has a path with both a net and a rail.", finding.Sentence);
    }

    [Fact]
    public void A_bridge_that_has_no_such_position_is_named()
    {
        var board = Good.With(Pad("X", "U1.rx", At("J", "on"))) with
        {
            Bridges =
            [
                new()
                {
                    Id = "J",
                    Positions = ["off"],
                    Default = "off",
                },
            ],
        };
        Assert.Equal("b.pads[4].paths[0].through[0].position", Assert.Single(PartCheck.Of(board, "b")).Subject.Id);
    }

    [Fact]
    public void Several_pads_of_one_rail_may_share_a_label_and_both_sides_may_too()
    {
        var ground = new PadPath { Rail = "gnd" };
        var board = Good.With(Pad("G", ground), Pad("G", ground) with { Id = "g2" }) with
        {
            Rails =
            [
                new()
                {
                    Id = "gnd",
                    Label = "GND",
                    Feed = RailFeed.Ground,
                },
            ],
        };
        Assert.Empty(PartCheck.Of(board, "b"));
        Assert.Empty(PartCheck.Of(Good.With(Pad("R1", "U2.rx") with { Id = "r", Side = BoardSide.Bottom }), "b"));
    }

    public static TheoryData<string, string, Mode> BrokenModes =>
        new()
        {
            { "NAME", "d.functions[0].modes[0].protocol", Mode("MORSE", Out()) },
            { "MODE-LINES", "d.functions[0].modes[0]", Mode("CRSF", Out()) },
            { "MODE-LINES", "d.functions[0].modes[0]", Mode("SBUS", Out(), In()) },
            { "MODE-LINES", "d.functions[0].modes[0]", Mode("S.Port", Out()) },
            { "MODE-LINES", "d.functions[0].modes[0]", Mode("CRSF") with { Loses = ["all"] } },
        };

    [Theory]
    [MemberData(nameof(BrokenModes), DisableDiscoveryEnumeration = true)]
    public void A_mode_must_have_the_lines_of_its_protocol(string rule, string place, Mode mode)
    {
        var finding = Assert.Single(PartCheck.Of(Device("x", Need.RcLink, mode), "d"));
        Assert.Equal((rule, place), (finding.Rule, finding.Subject.Id));
    }

    [Fact]
    public void A_mode_may_lack_a_line_if_it_says_what_is_lost() =>
        Assert.Empty(PartCheck.Of(Device("x", Need.RcLink, Mode("CRSF", Out()) with { Loses = ["telemetry"] }), "d"));

    [Fact]
    public void A_line_must_name_a_signal_lead()
    {
        var device = Device("x", Need.RcLink, Mode("SBUS", Out()));
        device = device with { Leads = [device.Leads[0] with { Role = LeadRole.Supply }] };
        Assert.Equal("d.functions[0].modes[0].lines[0].lead", Assert.Single(PartCheck.Of(device, "d")).Subject.Id);
    }

    [Fact]
    public void Every_demo_part_agrees_with_itself()
    {
        Assert.NotEmpty(Demo.Library.Boards);
        Assert.NotEmpty(Demo.Library.Devices);
        Assert.All(Demo.Library.Boards, b => Assert.Empty(PartCheck.Of(b, b.Id)));
        Assert.All(Demo.Library.Devices, d => Assert.Empty(PartCheck.Of(d, d.Id)));
    }
}
