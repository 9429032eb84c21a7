using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Fit;

/// <summary>What a meter would find on the bench after following the sheet: plugs, supplies and grounds on small boards.</summary>
public class CircuitTruthTests
{
    private static readonly Device Gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In()))
        .Fed(4.5, 5.5)
        .Plugged("six", "V", "G", "TX", "RX");

    // Battery, ground, its receiver output (it talks unasked), text.
    private static readonly Device AirUnit = Device("air", Need.Osd, Mode("MSP", Out(), In()))
        .Fed(7, 26)
        .Also("own", Need.RcLink, Mode("SBUS", Out("S")))
        .Plugged("air", "V", "G", "TX", "RX", "S")
        .Talking("S");

    private static readonly Device Receiver = Device("receiver", Need.RcLink, Mode("SBUS", Out()))
        .Fed(4.5, 8.4)
        .Leads("G");

    [Fact]
    public void A_five_volt_module_does_not_stay_on_the_battery_pin_of_a_socket_that_fits()
    {
        var board = Whole("F7", "U1").Powered("5V", "GND").Socket("GPS", "six", "BAT", "GND", "U1.rx", "U1.tx");
        var fit = Fit4S(board, [Gnss], ["gnss"]).Sound();
        Assert.Equal("Soldered 5V", fit.At("gnss", "V"));
        Assert.Equal("InPlace GPS3", fit.At("gnss", "TX"));
        Assert.Contains(
            "De-pin V (pin 1) from the gnss's plug and solder it to 5V (top): BAT has up to 16.8 V, V of the gnss is rated 5.5 V maximum.",
            fit.Sheet().Work
        );
        Assert.Contains("PLUG", fit.Rules());
    }

    [Fact]
    public void Nor_is_it_carried_where_nothing_but_that_pin_could_feed_it()
    {
        var board = Whole("F7", "U1").Powered("GND").Socket("GPS", "six", "BAT", "GND", "U1.rx", "U1.tx");
        var fit = Fit4S(board, [Gnss], ["gnss"]).Sound();
        Assert.Null(fit.Plan.RouteOf("gnss"));
        Assert.StartsWith("Problem: No pad can power the gnss.", fit.Verdict().Sentence);
    }

    [Fact]
    public void A_battery_device_in_a_socket_with_five_volts_is_fed_from_the_battery_pad()
    {
        var board = Whole("F7", "U1").Powered("BAT", "GND").Socket("AIR", "air", "5V", "GND", "U1.rx", "U1.tx", null);
        var fit = Fit4S(board, [AirUnit], ["air"]).Sound();
        Assert.Equal("Soldered BAT", fit.At("air", "V"));
        Assert.Equal("InPlace AIR3", fit.At("air", "TX"));
    }

    [Fact]
    public void A_device_that_is_soldered_keeps_its_plug_out_of_the_socket_that_fits_it()
    {
        // The socket has battery where the plug has its text output.
        var board = Whole("F7", "U1", "U2")
            .Powered("BAT", "GND")
            .Socket("AIR", "air", "U1.rx", "GND", "BAT", "U1.tx", "U2.rx");
        var fit = Fit4S(
                board,
                [AirUnit],
                ["air"],
                b => b with { Pins = [new SeatMatch { Device = "air", Socket = null }] }
            )
            .Sound();
        var finding = Assert.Single(fit.Sheet().Findings, f => f.Rule == "KEEP-OUT");
        Assert.Equal("Do not plug the air into AIR, although it fits: its V would reach AIR1.", finding.Sentence);
        Assert.Equal("InHarness", fit.At("air", "S"));
    }

    [Fact]
    public void Every_lead_that_is_soldered_is_counted_supply_and_ground_too()
    {
        var board = Whole("F7", "U1").Powered("BAT", "GND").Socket("AIR", "air", "U1.rx", "GND", "BAT", "U1.tx", null);
        var soldered = Fit4S(
            board,
            [AirUnit],
            ["air"],
            b => b with { Pins = [new SeatMatch { Device = "air", Socket = null }] }
        );

        // V, G, TX and RX: out of the plug and soldered.
        Assert.Equal(4 * (1 + 3), soldered.Plan.Cost[CostTerm.HandWork]);
        Assert.Equal(4, soldered.Sheet().Work.Count(w => w.Contains("solder it to")));

        // V to pin 3 and TX to pin 1: two moves.
        var moved = Fit4S(board, [AirUnit], ["air"]).Sound();
        Assert.Equal(2, moved.Plan.Cost[CostTerm.HandWork]);
        Assert.Equal(("Moved AIR3", "Moved AIR1"), (moved.At("air", "V"), moved.At("air", "TX")));
    }

    [Fact]
    public void With_leads_left_in_place_a_plug_that_talks_onto_the_receivers_net_stays_out()
    {
        var board = Board("F7", Port("U1"), Port("U2", tx: false), Port("U3"))
            .With(Pad("R2", "U2.rx"), Pad("R3", "U3.rx"), Pad("T3", "U3.tx"))
            .Powered("BAT", "5V", "GND")
            .Socket("AIR", "air", "BAT", "GND", "U1.rx", "U1.tx", "U2.rx");
        var fit = Fit4S(
                board,
                [AirUnit, Receiver],
                ["!receiver", "air"],
                b =>
                    b with
                    {
                        House = new() { Unused = UnusedLeads.Leave },
                        Pins = [new SeatMatch { Device = "air", Socket = null }, Pin("receiver", "U2")],
                    }
            )
            .Sound();
        Assert.Equal("U2 U3", fit.Ports());
        Assert.Equal(
            "Do not plug the air into AIR, although it fits: its S would transmit on AIR5.",
            Assert.Single(fit.Sheet().Findings, f => f.Rule == "KEEP-OUT").Sentence
        );
    }

    [Theory]
    [InlineData(UnusedLeads.DePin, "Lifted")]
    [InlineData(UnusedLeads.Cut, "Cut")]
    [InlineData(UnusedLeads.Leave, "Lifted")]
    public void A_lead_that_talks_leaves_the_receivers_net_although_a_link_that_goes_without_could_use_it(
        UnusedLeads unused,
        string state
    )
    {
        var board = Board("F7", Port("U1"), Port("U2", tx: false))
            .With(Pad("R2", "U2.rx"))
            .Powered("BAT", "5V", "GND")
            .Socket("AIR", "air", "BAT", "GND", "U1.rx", "U1.tx", "U2.rx");
        var fit = Fit4S(
                board,
                [AirUnit, Receiver],
                ["?air/own", "!receiver", "air"],
                b => b with { House = new() { Unused = unused } }
            )
            .Sound();
        Assert.Equal("- U2 U1", fit.Ports());
        Assert.Equal(state, fit.At("air", "S"));
        Assert.DoesNotContain("DRIVER", fit.Rules());
    }

    [Fact]
    public void A_device_without_a_wish_has_its_plug_looked_at_all_the_same()
    {
        var board = Whole("F7", "U1").Powered("5V", "GND").Socket("GPS", "six", "BAT", "GND", "U1.rx", "U1.tx");
        var fit = Fit4S(board, [Gnss], []).Sound();
        Assert.NotEqual("InPlace GPS1", fit.At("gnss", "V"));
        Assert.Contains("PLUG", fit.Rules());
    }

    [Fact]
    public void The_one_ground_of_a_device_stays_when_a_lead_is_lifted()
    {
        var board = Board("F7", Port("U1"), Port("U2", tx: false))
            .With(Pad("R2", "U2.rx"))
            .Powered("5V")
            .Socket("AIR", "air", "BAT", "GND", "U1.rx", "U1.tx", "U2.rx");
        var fit = Fit4S(board, [AirUnit], ["air"]).Sound();
        Assert.Equal(("Lifted", "InPlace AIR2"), (fit.At("air", "S"), fit.At("air", "G")));
        Assert.Equal(["De-pin S (pin 5) from the air's plug and insulate it."], fit.Sheet().Work);
    }

    [Fact]
    public void One_socket_takes_one_plug_and_one_plug_sits_in_one_socket()
    {
        var board = Whole("F7", "U1", "U2")
            .Powered("5V", "GND")
            .Socket("GPS", "six", "5V", "GND", "U1.rx", "U1.tx", null);
        var two = Fit4S(board, [Gnss, Gnss with { Id = "spare" }], ["gnss", "spare"]).Sound();
        Assert.Single(two.Wired.Seats, s => s.Seat.Socket is not null);
        Assert.DoesNotContain("-", two.Ports());

        // Position on one socket's port and readings on the other's: the plug is in one of them.
        var both = board.Socket("AUX", "six", "5V", "GND", "U2.rx", "U2.tx", null);
        var double_ = Gnss.Also("more", Need.Telemetry, Mode("LTM", In("L"))).Plugged("six", "V", "G", "TX", "RX", "L");
        var fit = Fit4S(both, [double_], ["gnss", "gnss/more"]).Sound();
        Assert.Single(fit.Wired.Leads.Where(l => l.Socket is not null).Select(l => l.Socket!.Id).Distinct());
    }

    [Fact]
    public void Moving_the_pins_of_a_plug_is_paid_once_however_many_links_it_carries()
    {
        // Supply on the wrong pin: one lead moves, for two links.
        var device = Device("unit", Need.Gps, Mode("UBX", Out(), In()))
            .Fed(4.5, 5.5)
            .Also("more", Need.RcLink, Mode("SBUS", Out("S")))
            .Plugged("six", "V", "G", "TX", "RX", "S", null);
        var board = Board("F7", Port("U1"), Port("U2", tx: false))
            .Powered("GND")
            .Socket("GPS", "six", null, "GND", "U1.rx", "U1.tx", "U2.rx", "5V");
        var fit = Fit4S(board, [device], ["unit", "unit/more"]).Sound();
        Assert.Equal("U1 U2", fit.Ports());
        Assert.Equal("Moved GPS6", fit.At("unit", "V"));
        Assert.Equal(1, fit.Plan.Cost[CostTerm.HandWork]);
        Assert.Single(fit.Sheet().Work);
    }

    [Fact]
    public void A_lead_that_makes_room_for_another_link_is_paid_for_and_listed()
    {
        // The only port is behind the pin in which the other link's lead comes.
        var device = Device("unit", Need.RcLink, Mode("SBUS", Out()))
            .Fed(4.5, 5.5)
            .Also("more", Need.Telemetry, Mode("LTM", In("L")))
            .Plugged("four", "V", "G", "TX", "L");
        var board = Board("F7", Port("U1", tx: false)).Powered().Socket("AUX", "four", "5V", "GND", null, "U1.rx");
        var fit = Fit4S(board, [device], ["!unit", "?unit/more"]).Sound();
        Assert.Equal("U1 -", fit.Ports());
        Assert.Equal(("Moved AUX4", "Lifted"), (fit.At("unit", "TX"), fit.At("unit", "L")));
        Assert.Equal(2, fit.Plan.Cost[CostTerm.HandWork]);
        Assert.Equal(2, fit.Sheet().Work.Count);
    }

    [Fact]
    public void A_receiver_that_must_be_is_fed_before_a_transmitter_that_is_wanted()
    {
        // One selector feeds the only pad: 5 V or battery.
        var board = Whole("F7", "U1", "U2").Powered("GND") with
        {
            Bridges =
            [
                new()
                {
                    Id = "SEL",
                    Positions = ["5V", "battery"],
                    Default = "battery",
                },
            ],
        };
        board = board.With(
            Pad(
                "SUP",
                new PadPath { Rail = "5V", Through = [At("SEL", "5V")] },
                new PadPath { Rail = "BAT", Through = [At("SEL", "battery")] }
            )
        );
        var bare = AirUnit with { Plug = null };
        var fit = Fit4S(board, [bare, Receiver], ["air", "!receiver"]).Sound();
        Assert.Equal("-", fit.Ports().Split(' ')[0]);
        Assert.NotNull(fit.Plan.RouteOf("receiver"));
        Assert.StartsWith("Problem: No pad can power the air.", fit.Verdict().Sentence);
        Assert.Contains("No supply for OSD (air).", fit.Verdict().Sentence);
        Assert.Equal(["no supply", null], fit.Sheet().Links.Select(l => l.Lack));
        Assert.Equal(["no supply", null], fit.Places().Select(p => p.Lack));

        // The other way round the receiver goes without.
        var other = Fit4S(board, [bare, Receiver], ["!air", "receiver"]).Sound();
        Assert.Equal([null, "no supply"], other.Sheet().Links.Select(l => l.Lack));
        Assert.Equal(
            "OSD and the receiver supply cannot both be provided. Drop one and the other fits.",
            Assert.Single(fit.Sheet().Conflicts).Sentence
        );
    }

    [Fact]
    public void On_a_controller_that_can_swap_pins_the_setting_is_taken_and_not_the_hand()
    {
        // The socket has receive and transmit the other way round.
        var board = Board("F7", Port("U1")).Powered("GND").Socket("GPS", "six", "5V", "GND", "U1.tx", "U1.rx");
        var fit = Fit4S(board, [Gnss], ["gnss"]).Sound();
        Assert.Equal(0, fit.Plan.Cost[CostTerm.HandWork]);
        Assert.True(fit.Plan.RouteOf("gnss")!.Settings.SwapPins);

        // One that cannot swap moves two leads.
        var older = Fit4S(board with { Controller = "F4" }, [Gnss], ["gnss"]).Sound();
        Assert.Equal(2, older.Plan.Cost[CostTerm.HandWork]);
    }

    [Fact]
    public void A_supply_that_sits_in_a_plug_is_fed_there_and_nowhere_else_at_once()
    {
        var board = Whole("F7", "U1").Powered("5V", "GND").Socket("GPS", "six", "5V", "GND", "U1.rx", "U1.tx");
        Assert.Equal("InPlace GPS1", Fit4S(board, [Gnss], ["gnss"]).Sound().At("gnss", "V"));

        // Whoever wants it on another pad takes it out of the plug.
        FeedMatch pad = new()
        {
            Device = "gnss",
            Lead = "V",
            Pad = "5v",
        };
        var moved = Fit4S(board, [Gnss], ["gnss"], b => b with { Pins = [pad] }).Sound();
        Assert.Equal("Soldered 5V", moved.At("gnss", "V"));
        Assert.Equal("InPlace GPS3", moved.At("gnss", "TX"));
    }

    [Theory]
    [InlineData(Passage.ToController, false)]
    [InlineData(Passage.ToPad, true)]
    public void A_diode_feeds_one_way_only(Passage direction, bool feeds)
    {
        var board = Whole("F7", "U1")
            .Powered("GND")
            .With(Pad("D", new PadPath { Rail = "5V", Through = [new Diode { Direction = direction, Volts = 0.3 }] }));
        var fit = Fit4S(board, [Receiver], ["!receiver"]).Sound();
        Assert.Equal(feeds, fit.Plan.RouteOf("receiver") is not null);
        if (!feeds)
        {
            Assert.Contains(
                "cannot power anything",
                Assert.Single(fit.Sheet().Findings, f => f.Rule == "UNFED").Sentence
            );
        }
    }

    [Fact]
    public void A_pad_that_joins_two_rails_feeds_nothing()
    {
        var both = new[]
        {
            new PadPath { Rail = "5V" },
            new PadPath { Rail = "BAT", Through = [new Resistor { Ohms = 1 }] },
        };
        var fit = Fit4S(Whole("F7", "U1").Powered("GND").With(Pad("X", both)), [Receiver], ["!receiver"]).Sound();
        Assert.Null(fit.Plan.RouteOf("receiver"));
        Assert.Contains(
            "X is connected to both 5V and BAT.",
            Assert.Single(fit.Sheet().Findings, f => f.Rule == "UNFED").Sentence
        );
    }

    [Fact]
    public void A_divider_feeds_nothing()
    {
        var board = Whole("F7", "U1")
            .Powered("GND")
            .With(Pad("D", new PadPath { Rail = "5V", Through = [new Divider { Ratio = 0.95 }] }));
        Assert.Null(Fit4S(board, [Receiver], ["!receiver"]).Sound().Plan.RouteOf("receiver"));
    }

    [Theory]
    [InlineData(2.0, "FAINT")]
    [InlineData(0.7, null)]
    public void A_level_is_checked_towards_the_device_as_well(double drop, string? code)
    {
        // 3.3 V through the diode: 1.3 V does not reach the 2.0 V that the lead takes for high, 2.6 V does.
        var board = Board("F7", Port("U1"))
            .With(Pad("R1", "U1.rx"), Pad("T1", "U1.tx", new Diode { Direction = Passage.ToPad, Volts = drop }));
        var device = Device("d", Need.Osd, Mode("MSP", Out(), In()));
        device = device with
        {
            Leads = [.. device.Leads.Select(l => l.Id == "RX" ? l with { HighFromVolts = 2.0 } : l)],
        };
        var ways = Router.WaysOf(Build(board, device)).Links[0];
        Assert.Equal(code, ways.CodeAt("U1"));
    }

    [Fact]
    public void A_stop_leads_the_verdict_and_the_stops_after_it_are_counted()
    {
        var board = Whole("F7", "U1").Powered("5V", "GND") with
        {
            Input = new() { Min = 7, Max = 13 },
        };
        var fit = Fit4S(board, [Receiver], ["!receiver"]);
        Assert.Equal(
            (Severity.Stop, "Problem: Board needs 7.0–13.0 V but gets 16.8 V (full battery). 1 link connected."),
            (fit.Verdict().Severity, fit.Verdict().Sentence)
        );
        Assert.Equal("INPUT", fit.Sheet().Findings[0].Rule);
    }

    [Fact]
    public void Each_device_takes_a_supply_pad_of_its_own_while_one_is_free_and_grounds_are_listed()
    {
        static Pad On(string label, string rail, BoardSide side, double x) =>
            Pad(label, new PadPath { Rail = rail }) with
            {
                Side = side,
                X = x,
            };
        var camera = Device("camera", Need.CameraControl, Mode("Camera control", Out(), In())).Fed(7, 17).Leads("G");
        var transmitter = Device("transmitter", Need.VtxControl, Mode("VC-4800", Both())).Fed(7, 26).Leads("G");
        var board = Whole("F7", "U1", "U2")
            .Powered()
            .With(
                On("CAM+", "BAT", BoardSide.Top, 0),
                On("VTX+", "BAT", BoardSide.Bottom, 30),
                On("G1", "GND", BoardSide.Top, 0),
                On("G2", "GND", BoardSide.Bottom, 30)
            );
        var fit = Fit4S(board, [camera, transmitter], ["camera", "transmitter"]).Sound();
        Assert.NotEqual(fit.At("camera", "V"), fit.At("transmitter", "V"));
        Assert.NotEqual(fit.At("camera", "G"), fit.At("transmitter", "G"));
        var leads = fit.Sheet().Devices.SelectMany(d => d.Leads).Where(l => l.Job is "supply" or "ground");
        Assert.Equal(
            ["to pad CAM+ (top)", "to pad G1 (top)", "to pad G2 (bottom)", "to pad VTX+ (bottom)"],
            leads.Select(l => l.Where).Order(StringComparer.Ordinal)
        );
    }

    [Fact]
    public void Wires_in_a_plug_name_the_plug_and_the_pin()
    {
        var board = Whole("F7", "U1").Powered("5V", "GND").Socket("GPS", "six", "5V", "GND", "U1.rx", "U1.tx");
        var wires = Fit4S(board, [Gnss], ["gnss"]).Sheet().Links[0].Wires;
        Assert.Equal(
            ["TX GPS 3 GPS pin 3 (GPS3)", "RX GPS 4 GPS pin 4 (GPS4)"],
            wires.Select(w => $"{w.Lead} {w.Plug} {w.Pin} {w.Where}")
        );
    }

    private static RouteMatch Pin(string link, string port) => new() { Link = link, Port = port };
}
