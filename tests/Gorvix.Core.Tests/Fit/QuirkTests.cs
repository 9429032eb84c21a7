using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Tests.Fit;

/// <summary>The oddities of boards, each by what it does to the builder, on the demo boards that have them. Common practice.</summary>
public class QuirkTests
{
    private const string Crsf2 = "corvane-sedge-2/control";
    private const string Crsf3 = "corvane-sedge-3/control";
    private const string Sbus = "dunmerrow-relay-16/control";
    private const string SPort = "dunmerrow-relay-16/telemetry";
    private const string Pulses = "dunmerrow-reed-6/control";
    private const string Gnss = "ewhurst-fix-20c/position";
    private const string Compass = "ewhurst-fix-20c/heading";
    private const string AirUnit = "brindlow-beacon-d6/text";

    [Fact]
    public void A_receiver_on_the_header_and_a_module_on_the_plug_of_one_port_cannot_both_be_had()
    {
        var both = Demo.On(Demo.Lever, Crsf3, Gnss).Pinned("control", pad: "r6").Pinned("position", pad: "gr");
        Assert.Equal(1, both.Plan().Cost[CostTerm.PinsBroken]);
        Assert.Equal("U6: TX>GR RX>GT", Demo.On(Demo.Lever, Gnss).Pinned("position", "U6").Plan().Way("position"));
    }

    [Fact]
    public void A_compass_on_a_ports_pads_takes_the_whole_port_and_may_stay_on_the_plug_while_the_module_moves()
    {
        var plan = Demo.On(Demo.Lever, Crsf3, Gnss, Compass).Pinned("position", "U1").Plan();
        Assert.Equal("U1: TX>R1 RX>T1", plan.Way("position"));
        Assert.Equal("I2C2: SDA>GSDA SCL>GSCL", plan.Way("heading"));
        var taken = Demo.On(Demo.Lever, Crsf3, Compass).Pinned("control", "U3") with { House = PullUp };
        Assert.Equal("-", taken.Plan().Way("heading"));
    }

    [Fact]
    public void A_device_on_the_port_that_shares_the_USB_bridge_must_be_silent_while_USB_is_in_use() =>
        Assert.Contains(Demo.Fit(Demo.WeighbridgeWren).Sheet().Findings, f => f.Rule == "USB-SHARED");

    // A timer measures pulses of either polarity, so they need no iron; a serial unit of this class must be met rightly.
    [Theory]
    [InlineData(Pulses, "PPM: PPM>PPM/SBUS", "SBUS")]
    [InlineData(Sbus, "U2: SBUS>PPM/SBUS", "SBUS")]
    [InlineData("dunmerrow-reed-10/control", "U2: IBUS>PPM/SBUS", "PPM")]
    public void One_pad_takes_pulses_or_serial_as_its_bridge_and_the_setting_stand(
        string receiver,
        string way,
        string position
    )
    {
        var plan = Demo.On(Demo.Lever, receiver).Pinned("control", pad: "rc").Plan();
        Assert.Equal(way, plan.Way("control"));
        Assert.Equal(position, Assert.Single(plan.RouteOf("control")!.Bridges).Position);
    }

    [Fact]
    public void A_pad_that_only_leads_through_an_inverter_is_useless_for_what_cannot_turn_its_output()
    {
        Assert.Equal("POL", CodeAt(Demo.On(Demo.Pinion, "ewhurst-fix-10/position"), "U3"));
        Assert.Equal(
            "crsf-inverted",
            Demo.On(Demo.Pinion, Crsf2).Pinned("control", "U3").Plan().RouteOf("control")!.Mode.Id
        );
    }

    [Fact]
    public void The_raw_and_the_inverting_pad_of_one_RX_are_never_both_used()
    {
        Assert.Equal("U1: TX>R1 RX>T1", Demo.On(Demo.Lever, Crsf2).Pinned("control", "U1").Plan().Way("control"));
        Assert.Equal("U1: SBUS>SBUS", Demo.On(Demo.Lever, Sbus).Pinned("control", "U1").Plan().Way("control"));
        var both = Demo.On(Demo.Lever, Sbus, "fallowby-plumb/height").Pinned("control", pad: "sbus1");
        Assert.Equal(1, both.Pinned("height", pad: "r1").Plan().Cost[CostTerm.PinsBroken]);
    }

    [Fact]
    public void A_TX_hidden_under_another_label_makes_the_port_whole() =>
        Assert.Equal("U3: TX>SBUS RX>DSM", Demo.NorthFaceHare.Plan().Way("control"));

    [Fact]
    public void One_wire_telemetry_goes_on_the_pad_whose_inverter_passes_both_ways()
    {
        var plan = Demo.On(Demo.Lever, SPort).Plan();
        Assert.Equal("U5: S.Port>TLM", plan.Way("telemetry"));
        var raw = Demo.On(Demo.Lever, SPort).Pinned("telemetry", pad: "t5");
        Assert.Equal("PIN", Assert.Single(Demo.Fit(raw).Sheet().Findings, f => f.Rule == "PIN").Rule);
    }

    [Theory]
    [InlineData(Gnss, "position", "raw")]
    [InlineData(Sbus, "control", "inverted")]
    public void A_pad_behind_an_open_bridge_is_dead_until_exactly_one_side_is_closed(
        string link,
        string name,
        string side
    )
    {
        var sheet = Demo.Fit(Demo.On(Demo.Lever, link).Pinned(name, "U6")).Sheet();
        Assert.Contains($"Close solder jumper J6 at \"{side}\" (now \"open\").", sheet.Work);
    }

    [Fact]
    public void A_controller_that_inverts_takes_any_polarity_on_any_pad()
    {
        var routes = Router.WaysOf(Demo.On(Demo.Spindle, Sbus).Resolve()).Links[0].Routes;
        Assert.Equal(["U1", "U2", "U3", "U4", "U5"], Straight(routes).Select(r => r.Port.Id).Distinct());
        Assert.All(Straight(routes), r => Assert.True(r.Settings.InvertRx));
    }

    [Fact]
    public void The_air_units_own_SBUS_left_in_its_plug_keeps_a_receiver_off_that_net()
    {
        var lifted = Demo.On(Demo.Spindle, Crsf2, AirUnit);
        var plan = lifted.Plan();
        Assert.Equal("U2: TX>R2 RX>T2", plan.Way("control"));
        Assert.Equal(
            [
                "De-pin SBUS (pin 6) from the Beacon D6's plug and insulate it: it would transmit on RX2, where TX of the Sedge 2 is connected.",
            ],
            Demo.Fit(lifted).Sheet().Work
        );

        var left = lifted with { House = new HouseRules { Unused = UnusedLeads.Leave } };
        Assert.NotEqual("U2", left.Plan().RouteOf("control")!.Port.Id);
        Assert.Contains(Demo.Fit(left).Sheet().Findings, f => f.Rule == "DRIVER");
        var wanted = left.Pinned("control", "U2");
        Assert.Contains(
            "De-pin SBUS (pin 6) from the Beacon D6's plug and insulate it: it would transmit on RX2, where TX of the Sedge 2 is connected.",
            Demo.Fit(wanted).Sheet().Work
        );
    }

    [Fact]
    public void A_plug_that_looks_alike_would_put_the_battery_on_another_pin()
    {
        var sheet = Demo.Fit(Demo.On(Demo.Spindle, "brindlow-beacon-d4/text").Pinned("text", pad: "p3")).Sheet();
        var warning = Assert.Single(sheet.Findings, f => f.Rule == "PLUG");
        Assert.Contains("its BAT would reach GND", warning.Sentence);
        Assert.Equal(
            [
                "De-pin BAT (pin 2) from the Beacon D4's plug and insulate it: it would be shorted to ground.",
                "In the Beacon D4's plug for AIR: move GND from pin 1 to pin 2: 9V would be shorted to ground through the Beacon D4.",
                "De-pin SBUS (pin 6) from the Beacon D4's plug and insulate it.",
            ],
            sheet.Work
        );
    }

    [Fact]
    public void A_supply_pad_behind_a_selector_is_dead_until_one_side_is_closed()
    {
        var build = Demo.On(Demo.Lever, "brindlow-pane/picture") with { Pack = new Pack { Cells = 3 } };
        var feeds = Router.WaysOf(build.Resolve()).Feeds.Single().Feeds.Where(f => f.Bridges.Count > 0).ToList();
        Assert.Equal(["5V", "BAT"], feeds.Select(f => f.Bridges[0].Position));
    }

    [Fact]
    public void One_selector_gives_camera_and_transmitter_the_same_volts()
    {
        // The lever board with nothing but the two pads behind the selector: 5 V for both, or the battery for both.
        var lever = Demo.Library.Board(Demo.Lever)!;
        var board = lever with
        {
            Id = "bare",
            Pads = [.. lever.Pads.Where(p => p.Paths.All(x => x.Rail is null or "gnd") || p.Id is "vc" or "vt")],
            Plugs = [],
        };
        var library = Demo.Library.With(new PartsLibrary([board], []));
        Plan PlanOf(string transmitter) =>
            Planner.Best(
                Resolved(
                    Demo.On("bare", "brindlow-pane/picture", $"{transmitter}/video-control") with
                    {
                        Pack = new Pack { Cells = 3 },
                    },
                    library
                )
            );
        Assert.All(PlanOf("brindlow-lantern-10").Feeds, f => Assert.Equal("5V", f.Feed!.Bridges[0].Position));
        Assert.All(PlanOf("brindlow-lantern-25").Feeds, f => Assert.Equal("BAT", f.Feed!.Bridges[0].Position));
    }

    [Theory]
    [InlineData(ReceiverSupply.LiveOnUsb, "4V5")]
    [InlineData(ReceiverSupply.OffOnUsb, "5V")]
    public void A_receiver_is_fed_from_a_pad_that_is_alive_on_USB_or_dead_on_it_as_the_house_says(
        ReceiverSupply school,
        string pad
    )
    {
        var plan = (Demo.HaulRoadHeron with { House = new HouseRules { Receiver = school } }).Plan();
        Assert.Equal(pad, plan.Feeds.Single(f => f.Ways.Device.Id == "receiver").Feed!.Pad!.Label);
    }

    [Fact]
    public void A_board_without_a_regulator_is_destroyed_by_the_battery()
    {
        var sheet = Demo.Fit(Demo.WeighbridgeWren with { InputVolts = null }).Sheet();
        var stop = Assert.Single(sheet.Findings, f => f.Rule == "INPUT");
        Assert.Equal(
            "Mote F1 needs 4.5–5.5 V but gets 8.4 V (full battery). "
                + "Power it from a separate regulator and enter that voltage under Parts, \"board supply\".",
            stop.Sentence
        );
        Assert.DoesNotContain(Demo.Fit(Demo.WeighbridgeWren).Sheet().Findings, f => f.Rule == "INPUT");
    }

    [Fact]
    public void A_doubtful_label_is_measured_before_it_is_used_and_NC_is_never_wired()
    {
        var lever = Demo.Library.Board(Demo.Lever)!;
        var board = lever with
        {
            Id = "bare",
            Plugs = [],
            Pads = [.. lever.Pads.Where(p => p.Paths.All(x => x.Rail is null or "gnd") || p.Id == "bplus")],
        };
        var build = Demo.On("bare", "brindlow-lantern-25/video-control") with { Pack = new Pack { Cells = 3 } };
        var resolved = Resolved(build, Demo.Library.With(new PartsLibrary([board], [])));
        var fit = new FitReader(resolved);
        Assert.Equal("B+", fit.Plan.Feeds[0].Feed!.Pad!.Label);
        Assert.Contains(fit.Sheet().Findings, f => f.Rule == "MEASURE");
        Assert.DoesNotContain(
            "NC",
            Router.WaysOf(resolved).Links.SelectMany(w => w.Routes).SelectMany(r => r.Walks).Select(w => w.Pad.Label)
        );
    }

    [Fact]
    public void A_port_held_by_a_built_in_transmitter_is_taken_and_an_external_receiver_changes_the_boards_setting()
    {
        Assert.Equal("HELD", CodeAt(Demo.RampSwift, "U2"));
        Assert.Contains(
            "In the board's settings: change the receiver from built-in (built-in receiver) to serial.",
            Demo.Fit(Demo.RampSwift).Sheet().Work
        );
    }

    [Fact]
    public void A_TX_that_chatters_at_power_up_drops_a_receiver_into_its_loader_unless_a_resistor_holds_it()
    {
        Assert.Equal("BOOT", CodeAt(Demo.On(Demo.Lever, Crsf2), "U3"));
        var cured = Demo.On(Demo.Lever, Crsf2).Pinned("control", "U3") with { House = PullUp };
        Assert.Equal("U3: TX>R3/SDA RX>T3/SCL", cured.Plan().Way("control"));
        Assert.Contains(
            "Fit a 10 kΩ pull-up resistor from RX of the Sedge 2 to 3.3 V, never 5 V.",
            Demo.Fit(cured).Sheet().Work
        );
    }

    [Fact]
    public void The_same_board_of_another_revision_has_another_pad_map_and_says_how_to_tell()
    {
        string PortOf(string board) => Demo.On(board, Sbus).Plan().RouteOf("control")!.Port.Id;
        Assert.Equal(("U4", "U3"), (PortOf("askerdale-pinion-f4-r1"), PortOf(Demo.Pinion)));
        Assert.Equal(
            "Small 2 beside the arrow; revision 1 has no jumper J4. Firmware target PINIONF4R2. 36 × 36 mm, holes 30.5 × 30.5 mm for M3, USB on the rear edge, arrow towards the front edge.",
            Demo.Fit(Demo.NorthFaceHare).Sheet().Identity
        );
    }

    [Fact]
    public void Half_a_port_takes_only_what_talks_its_way()
    {
        Assert.Equal("NO-TX", CodeAt(Demo.On(Demo.Spindle, Crsf2), "U5"));
        Assert.Equal("NO-RX", CodeAt(Demo.On(Demo.Spindle, Crsf2), "U6"));
        Assert.Equal("U6: RX>T6", Demo.EastBenchKestrel.Plan().Way("flight-log"));
    }

    [Theory]
    [InlineData(2, 6.1, 7.9)]
    [InlineData(3, 9.0, 9.0)]
    public void A_nine_volt_regulator_only_follows_a_small_pack_down(int cells, double empty, double full)
    {
        var board = Demo.Library.Board(Demo.Spindle)!;
        var nine = board.Rails.First(r => r.Id == "9v");
        var gives = Trace.Gives(Circuit.Of(board), nine, new Pack { Cells = cells }.Volts());
        Assert.Equal((empty, full), (Math.Round(gives.Min, 2), Math.Round(gives.Max, 2)));
    }

    [Fact]
    public void The_picture_goes_in_at_one_pad_and_out_with_its_text_at_another()
    {
        var plan = Demo.SpoilTipOwl.Plan();
        Assert.Equal("VID: VIDEO>CAM", plan.Way("picture-in"));
        Assert.Equal("VID: VIDEO>VTX", plan.Way("picture-out"));
        Assert.Equal("KIND", CodeAt(Demo.On(Demo.Spindle, "brindlow-pane/picture"), "U1"));
    }

    [Fact]
    public void An_empty_pin_of_a_harness_meets_nothing_and_does_no_harm()
    {
        var sheet = Demo.Fit(Demo.On(Demo.Lever, "fallowby-torque-60/readings").Pinned("readings", pad: "et")).Sheet();
        Assert.DoesNotContain(sheet.Findings, f => f.Rule == "PLUG");
        Assert.Empty(sheet.Work);
    }

    [Fact]
    public void The_plug_of_the_speed_controllers_brings_telemetry_to_a_fixed_RX() =>
        Assert.Equal("U5: TLM>ETLM", Demo.On(Demo.Lever, "fallowby-torque-60/readings").Plan().Way("readings"));

    [Fact]
    public void The_port_that_carries_USB_is_never_touched()
    {
        foreach (var part in Demo.Library.Devices)
        {
            var build = Demo.On(Demo.Spindle, [.. part.Functions.Select(f => $"{part.Id}/{f.Id}")]).Resolve();
            Assert.All(
                Router.WaysOf(build).Links,
                w =>
                    Assert.Equal(
                        ("USB", 0),
                        (w.NearestAt("USB")?.Finding.Rule, w.Routes.Count(r => r.Port.Id == "USB"))
                    )
            );
        }
    }

    private static HouseRules PullUp { get; } = new() { BootTrap = BootCure.PullUp };

    private static IEnumerable<Route> Straight(IEnumerable<Route> routes) => routes.Where(r => !r.Settings.SwapPins);

    private static string? CodeAt(Build build, string port) => Router.WaysOf(build.Resolve()).Links[0].CodeAt(port);
}
