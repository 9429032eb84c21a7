using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>What must be known of plugs, sockets and grounds, and what part files say wrongly of them.</summary>
public class WiringCheckTests
{
    private static readonly Device Gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In()))
        .Fed(4.5, 5.5)
        .Plugged("six", "V", "G", "TX", "RX");

    private static readonly Board Board = Whole("F7", "U1").Powered("5V", "GND");

    [Fact]
    public void A_plug_with_more_pins_than_the_socket_of_its_family_does_not_go_in_and_is_told()
    {
        var fit = Fit4S(Board.Socket("GPS", "six", "5V", "GND", "U1.rx"), [Gnss], ["gnss"]).Sound();
        Assert.Equal(
            "The gnss plug has 4 pins, GPS has 3, yet both are listed as \"six\". "
                + "One part file is wrong; the plug is treated as not fitting.",
            Said(fit, "PLUG-SIZE")
        );
        Assert.Equal("Soldered R1", fit.At("gnss", "TX"));
    }

    [Fact]
    public void Two_sockets_of_one_family_are_told_apart()
    {
        var board = Board
            .Socket("GPS", "six", "5V", "GND", "U1.rx", "U1.tx")
            .Socket("ESC", "six", "BAT", "GND", null, null);
        var fit = Fit4S(board, [Gnss], ["gnss"]).Sound();
        Assert.Equal(
            "GPS and ESC fit the same plugs but have different pinouts: mark which is which before plugging anything in.",
            Said(fit, "TWO-SOCKETS")
        );
        Assert.Equal("Do not plug the gnss into ESC, although it fits: its V would reach ESC1.", Said(fit, "KEEP-OUT"));
        Assert.Equal("InPlace GPS1", fit.At("gnss", "V"));
    }

    [Fact]
    public void A_lead_in_no_cavity_is_soldered_by_itself()
    {
        var device = Gnss.Also("more", Need.Compass, Mode("LTM", In("L")));
        var fit = Fit4S(
                Whole("F7", "U1", "U2").Powered("5V", "GND").Socket("GPS", "six", "5V", "GND", "U1.rx", "U1.tx"),
                [device],
                ["gnss", "gnss/more"]
            )
            .Sound();
        Assert.Equal(
            "L of the gnss is not in its plug: solder it separately, even when the plug is used.",
            Said(fit, "FLYING")
        );
        Assert.Equal(("Soldered T2", "InPlace GPS3"), (fit.At("gnss", "L"), fit.At("gnss", "TX")));
    }

    [Fact]
    public void A_lead_in_two_cavities_is_refused_with_the_place()
    {
        var device = Gnss with
        {
            Plug = new() { Family = "six", Pins = [new() { Lead = "TX" }, new() { Lead = "TX" }] },
        };
        var finding = Assert.Single(PartCheck.Of(device, "devices[0]"));
        Assert.Equal(("TWIN", "devices[0].plug.pins[1]"), (finding.Rule, finding.Subject.Id));
    }

    [Fact]
    public void A_pad_in_two_sockets_is_refused_with_the_place()
    {
        var board = Board.Socket("GPS", "six", "5V", "GND");
        board = board with
        {
            Plugs =
            [
                .. board.Plugs,
                new()
                {
                    Id = "X",
                    Label = "X",
                    Family = "six",
                    Pins = [new() { Pad = "gps1" }],
                },
            ],
        };
        var finding = Assert.Single(PartCheck.Of(board, "boards[0]"));
        Assert.Equal(("TWIN", "boards[0].plugs[1].pins[0]"), (finding.Rule, finding.Subject.Id));
    }

    [Fact]
    public void A_regulator_that_feeds_itself_is_refused_with_the_place()
    {
        var board = Board with { Rails = [.. Board.Rails.Select(r => r.Id == "5V" ? r with { From = "5V" } : r)] };
        var finding = Assert.Single(PartCheck.Of(board, "boards[0]"));
        Assert.Equal("RAIL-LOOP", finding.Rule);
        Assert.Contains("boards[0].rails[1]", finding.Sentence);
    }

    [Fact]
    public void A_device_without_a_ground_is_told_to_need_one()
    {
        var bare = Device("bare", Need.RcLink, Mode("SBUS", Out())).Fed(4.5, 5.5);
        Assert.Equal(
            "The part file of the bare lists no ground lead. Nothing works without one: find it on the device and wire it to GND.",
            Said(Fit4S(Board, [bare], ["bare"]), "NO-GROUND")
        );
    }

    [Fact]
    public void A_board_without_a_free_ground_pad_is_told_about()
    {
        var device = Device("bare", Need.RcLink, Mode("SBUS", Out())).Fed(4.5, 5.5).Leads("G");
        Assert.Equal(
            "The bare has no ground: no ground pad is free on the Board. Supply current would return through TX.",
            Said(Fit4S(Whole("F7", "U1").Powered("5V"), [device], ["bare"]), "NO-GND-PAD")
        );
    }

    [Fact]
    public void A_seat_that_is_pinned_or_banned_is_kept_to()
    {
        var board = Board.Socket("GPS", "six", "5V", "GND", "U1.rx", "U1.tx");
        Assert.Equal("InPlace GPS1", Fit4S(board, [Gnss], ["gnss"]).At("gnss", "V"));
        SeatMatch gps = new() { Device = "gnss", Socket = "GPS" };
        var banned = Fit4S(board, [Gnss], ["gnss"], b => b with { Bans = [gps] }).Sound();
        Assert.Equal("Soldered 5V", banned.At("gnss", "V"));
        Assert.Equal("Soldered R1", banned.At("gnss", "TX"));
        var none = Fit4S(
            board,
            [Gnss],
            ["gnss"],
            b => b with { Bans = [gps, new SeatMatch { Device = "gnss", Socket = null }] }
        );
        Assert.Null(none.Sound().Plan.RouteOf("gnss"));
    }

    [Fact]
    public void A_supply_pad_that_is_banned_is_not_used()
    {
        var board = Whole("F7", "U1").Powered("5V", "GND").With(Pad("5V2", new PadPath { Rail = "5V" }));
        var bare = Gnss with { Plug = null };
        FeedMatch first = new()
        {
            Device = "gnss",
            Lead = "V",
            Pad = "5v",
        };
        Assert.Equal("Soldered 5V", Fit4S(board, [bare], ["gnss"], b => b with { Pins = [first] }).At("gnss", "V"));
        Assert.Equal(
            "Soldered 5V2",
            Fit4S(board, [bare], ["gnss"], b => b with { Pins = [first with { Pad = "5v2" }] }).At("gnss", "V")
        );
        Assert.Equal("Soldered 5V2", Fit4S(board, [bare], ["gnss"], b => b with { Bans = [first] }).At("gnss", "V"));
    }

    [Fact]
    public void A_lead_that_is_wanted_out_of_its_plug_leaves_it_and_one_that_may_not_leave_stays()
    {
        var board = Whole("F7", "U1", "U2").Powered("5V", "GND").Socket("GPS", "six", "5V", "GND", "U1.rx", "U1.tx");
        LeadMatch tx = new() { Device = "gnss", Lead = "TX" };
        var out_ = Fit4S(board, [Gnss], ["gnss"], b => b with { Pins = [tx] }).Sound();
        Assert.StartsWith("Soldered", out_.At("gnss", "TX"));
        Assert.NotNull(out_.Plan.RouteOf("gnss"));

        // The port of the socket is for another link, so the leads would move to U2; this one may not.
        var banned = Fit4S(
                board,
                [Gnss, Device("other", Need.RcLink, Mode("CRSF", Out(), In()))],
                ["gnss", "!other"],
                b => b with { Bans = [tx], Pins = [new RouteMatch { Link = "other", Port = "U1" }] }
            )
            .Sound();
        Assert.Equal("- U1", banned.Ports());
    }

    private static string Said(FitReader fit, string rule) =>
        Assert.Single(fit.Sheet().Findings, f => f.Rule == rule).Sentence;
}
