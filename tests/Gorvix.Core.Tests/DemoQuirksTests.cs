using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Tests;

/// <summary>
/// What boards of the trade do that no table of ports tells (common practice): each quirk is there on a demo board, so that every
/// screen meets it.
/// </summary>
public class DemoQuirksTests
{
    private static readonly IReadOnlyList<Board> Boards = Demo.Library.Boards;

    [Theory]
    [InlineData("F1")]
    [InlineData("F3")]
    [InlineData("F4")]
    [InlineData("F7")]
    [InlineData("G4")]
    [InlineData("H7")]
    public void Every_controller_class_flies_in_the_club(string id) => Assert.Contains(Boards, b => b.Controller == id);

    [Fact]
    public void Two_pads_or_plugs_lead_to_one_port() =>
        Assert.Contains(
            Boards,
            b => Nets(b).GroupBy(n => n.Net).Any(g => g.Select(n => n.Socket).Distinct().Count() > 1)
        );

    [Fact]
    public void A_serial_unit_and_a_bus_share_their_pins() =>
        Assert.Contains(
            Boards,
            b =>
                Uarts(b)
                    .Any(u =>
                        b.Ports.Any(p =>
                            p.Kind == PortKind.Bus && (p.Data == u.Rx || p.Clock == u.Tx || p.Data == u.Tx)
                        )
                    )
        );

    [Fact]
    public void A_port_is_shared_with_USB() =>
        Assert.Contains(Boards, b => b.Ports.Any(p => p.Usb == UsbSharing.Shared));

    [Fact]
    public void A_pad_serves_pulses_and_a_serial_unit() =>
        Assert.Contains(Boards, b => b.Ports.Any(p => p.Kind == PortKind.Pulse && Uarts(b).Any(u => u.Rx == p.Rx)));

    [Fact]
    public void An_RX_is_behind_a_fixed_inverter_with_no_raw_pad() =>
        Assert.Contains(
            Boards,
            b => Ways(b).GroupBy(w => w.Net).Any(g => g.Key is not null && g.All(w => w.Through is [Inverter]))
        );

    [Fact]
    public void An_inverting_pad_and_a_raw_pad_lead_to_one_RX() =>
        Assert.Contains(
            Boards,
            b =>
                Ways(b)
                    .GroupBy(w => w.Net)
                    .Any(g => g.Key is not null && g.Any(w => w.Through is [Inverter]) && g.Any(w => w.Through is []))
        );

    [Fact]
    public void The_other_half_of_a_port_is_hidden_under_another_label() =>
        Assert.Contains(
            Boards,
            b =>
                b.Pads.Any(p => p.Label is "DSM" or "LED" or "BZ" && p.Paths.Any(w => Uarts(b).Any(u => u.Tx == w.Net)))
        );

    [Fact]
    public void An_inverter_passes_both_ways() =>
        Assert.Contains(Boards, b => Ways(b).Any(w => w.Through.Any(e => e is Inverter { Direction: Passage.Both })));

    [Fact]
    public void A_bridge_chooses_between_raw_and_inverted_and_one_floats_until_it_is_closed()
    {
        Assert.Contains(
            Boards,
            b =>
                b.Bridges.Any(x =>
                    x.Positions.Contains("raw") && x.Positions.Contains("inverted") && x.MovedBy == MovedBy.Solder
                )
        );
        Assert.Contains(Boards, b => b.Bridges.Any(x => x.Default == "open"));
    }

    [Fact]
    public void A_plug_of_an_air_unit_carries_SBUS_to_an_RX_that_is_broken_out_elsewhere() =>
        Assert.Contains(
            Boards,
            b =>
                Nets(b)
                    .Where(n => n.Socket == "AIR" && n.Pad.Label.Contains("SBUS"))
                    .Any(n => Nets(b).Any(o => o.Net == n.Net && o.Socket != "AIR"))
        );

    [Fact]
    public void Sockets_that_look_the_same_have_their_pins_in_another_order() =>
        Assert.Contains(
            Boards
                .SelectMany(b =>
                    b.Plugs.Select(p =>
                        (
                            Plug: p,
                            Order: string.Join(
                                ' ',
                                p.Pins.Select(x => b.Pads.FirstOrDefault(q => q.Id == x.Pad)?.Label)
                            )
                        )
                    )
                )
                .GroupBy(p => p.Plug.Family),
            g => g.Select(p => p.Order).Distinct().Count() > 1
        );

    [Fact]
    public void A_selector_feeds_several_pads_and_one_is_dead_until_it_is_bridged()
    {
        Assert.Contains(
            Boards,
            b =>
                Ways(b)
                    .Where(w => w.Rail is not null)
                    .SelectMany(w => w.Through.OfType<Contact>())
                    .GroupBy(c => (c.Bridge, c.Position))
                    .Any(g => g.Count() > 1)
        );
        Assert.Contains(
            Boards,
            b =>
                b.Bridges.Any(x =>
                    x.Default == "open"
                    && Ways(b).Any(w => w.Rail is not null && w.Through.Any(e => e is Contact c && c.Bridge == x.Id))
                )
        );
    }

    [Fact]
    public void A_rail_lives_on_USB_beside_one_that_does_not() =>
        Assert.Contains(
            Boards,
            b => b.Rails.Any(r => r.Feed == RailFeed.RegulatorOrUsb) && b.Rails.Any(r => r.Feed == RailFeed.Regulator)
        );

    [Fact]
    public void A_board_takes_5_V_only() =>
        Assert.Contains(Boards, b => b.Input is { Max: <= 5.5 } && b.Rails.All(r => r.Feed != RailFeed.Regulator));

    [Fact]
    public void A_label_is_doubtful() =>
        Assert.Contains(Boards, b => b.Pads.Any(p => p is { Label: "B+", Meaning: PadMeaning.Uncertain }));

    [Fact]
    public void A_pad_is_not_connected_or_a_cavity_is_empty() =>
        Assert.Contains(Boards, b => b.Plugs.Any(p => p.Pins.Any(x => x.Pad is null)));

    [Fact]
    public void A_board_has_receiver_and_transmitter_inside() =>
        Assert.Contains(
            Boards,
            b => b.BuiltIns.Any(i => i.Gives == Need.RcLink) && b.Ports.Any(p => p.HeldBy is not null)
        );

    [Fact]
    public void A_TX_is_not_high_while_the_board_starts() =>
        Assert.Contains(Boards, b => b.Nets.Any(n => n.AtBoot != BootLevel.High));

    [Fact]
    public void A_revision_has_another_target_and_another_map()
    {
        var sisters = Boards.GroupBy(b => (b.Maker, b.Name)).First(g => g.Count() > 1).ToList();
        Assert.Equal(sisters.Count, sisters.Select(b => b.Target).Distinct().Count());
        Assert.True(
            sisters.Select(b => string.Join(' ', b.Pads.Select(p => $"{p.Label}:{p.Paths.Count}"))).Distinct().Count()
                > 1
        );
    }

    [Fact]
    public void A_port_is_half() => Assert.Contains(Boards, b => Uarts(b).Any(u => (u.Rx is null) != (u.Tx is null)));

    [Fact]
    public void A_regulator_needs_more_than_a_small_pack_gives() =>
        Assert.Contains(Boards, b => b.Rails.Any(r => r is { Volts: >= 9, Dropout: > 0 }));

    [Fact]
    public void The_picture_goes_through_the_board() =>
        Assert.Contains(Boards, b => b.Ports.Any(p => p is { Kind: PortKind.Video, Rx: not null, Tx: not null }));

    [Fact]
    public void The_plug_of_the_speed_controllers_brings_current_and_readings() =>
        Assert.Contains(
            Boards,
            b =>
                b.Plugs.Any(p =>
                    p.Label == "ESC"
                    && p.Pins.Any(x => On(b, x, PortKind.Analogue))
                    && p.Pins.Any(x => On(b, x, PortKind.Uart))
                )
        );

    [Fact]
    public void The_port_of_the_USB_link_is_told() =>
        Assert.Contains(Boards, b => b.Ports.Any(p => p.Kind == PortKind.Usb));

    private static bool On(Board board, BoardPin pin, PortKind kind) =>
        board
            .Pads.FirstOrDefault(p => p.Id == pin.Pad)
            ?.Paths.Any(w => board.Ports.Any(p => p.Kind == kind && p.Rx == w.Net && w.Net is not null)) == true;

    private static IEnumerable<Port> Uarts(Board board) => board.Ports.Where(p => p.Kind == PortKind.Uart);

    private static IEnumerable<PadPath> Ways(Board board) => board.Pads.SelectMany(p => p.Paths);

    private static IEnumerable<(Pad Pad, string Net, string? Socket)> Nets(Board board) =>
        from pad in board.Pads
        from way in pad.Paths
        where way.Net is not null
        select (pad, way.Net, board.Plugs.FirstOrDefault(p => p.Pins.Any(x => x.Pad == pad.Id))?.Label);
}
