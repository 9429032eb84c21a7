using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Wiring;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Fit;

/// <summary>What leaflets say of signals, each by what it does to the builder. Common practice where no source is named.</summary>
public partial class LeafletTests
{
    private static readonly Device Gnss = Device("gnss", Need.Gps, Mode("UBX", Out(), In()));
    private static readonly Mode TwoWay = Mode("CRSF", Out(), In()) with { Carries = [new() { Function = "back" }] };

    // A receiver whose telemetry comes back inside its two-way link.
    private static readonly Device Receiver = Device("rx", Need.RcLink, TwoWay).Also("back", Need.Telemetry);

    private static Device Esc(string id) => Device(id, Need.EscTelemetry, Mode("ESC", Out("TLM")));

    [Fact]
    public void Four_speed_controllers_answer_on_one_RX_and_are_joined_to_one_wire()
    {
        var escs = Enumerable.Range(1, 4).Select(i => Esc($"esc{i}")).ToArray();
        var fit = Fit4S(Whole("F7", "U1", "U2"), [.. escs, Gnss], ["esc1", "esc2", "esc3", "esc4", "!gnss"]).Sound();
        Assert.Equal("U2 U2 U2 U2 U1", fit.Ports());
        Assert.Equal(2, fit.Plan.Cost[CostTerm.WholePorts]);
        Assert.Equal(
            "TLM of the esc1, TLM of the esc2, TLM of the esc3 and TLM of the esc4 share R2: "
                + "join them to one wire first, then solder that wire.",
            Assert.Single(fit.Sheet().Findings, f => f.Rule == "JOINED").Sentence
        );
    }

    [Fact]
    public void Nobody_else_is_on_the_port_where_speed_controllers_answer_in_turn()
    {
        var finder = Device("finder", Need.Rangefinder, Mode("Range finder", Out("D")));
        var fit = Fit4S(
                Whole("F7", "U1"),
                [Esc("esc1"), Esc("esc2"), finder],
                ["esc1", "esc2", "!finder"],
                b => b with { House = new HouseRules { Sharing = PortSharing.SplitHalves } }
            )
            .Sound();
        Assert.Equal("- - U1", fit.Ports());
    }

    [Fact]
    public void Readings_that_are_not_asked_for_in_turn_need_a_port_each()
    {
        Device Finder(string id) => Device(id, Need.Rangefinder, Mode("Range finder", Out("D")));
        Assert.Equal("U1 -", Fit4S(Whole("F7", "U1"), [Finder("a"), Finder("b")], ["a", "b"]).Sound().Ports());
    }

    [Theory]
    [InlineData(4, 280, "U1")]
    [InlineData(4, 300, "-")]
    [InlineData(1, 300, "U1")]
    public void One_part_that_stands_for_four_must_get_four_answers_into_each_period(int pieces, int hertz, string port)
    {
        // 10 bytes of 10 bits at 115200 baud take 0.868 ms; four of them 3.47 ms, which is 288 times a second.
        var esc = Device("esc", Need.EscTelemetry, Mode("ESC", Out("TLM")) with { PacketHertz = hertz }) with
        {
            Pieces = pieces,
        };
        Assert.Equal(port, Fit4S(Whole("F7", "U1"), [esc], ["esc"]).Sound().Ports());
    }

    [Fact]
    public void A_lead_that_is_one_wire_from_each_piece_is_joined_at_the_pad()
    {
        var esc = Esc("esc");
        esc = esc with { Pieces = 4, Leads = [esc.Leads[0] with { Wires = PieceWires.Each }] };
        var fit = Fit4S(Whole("F7", "U1"), [esc], ["esc"]);
        Assert.StartsWith(
            "The 4 TLM wires of the esc share R1: join them",
            Assert.Single(fit.Sheet().Findings, f => f.Rule == "JOINED").Sentence
        );
    }

    [Theory]
    [InlineData("SBUS")]
    [InlineData("PPM")]
    public void Two_receivers_are_never_both_carried_whether_serial_or_pulses(string second)
    {
        var board = Whole("F7", "U1", "U2") with { Nets = [.. Whole("F7", "U1", "U2").Nets, new() { Id = "p" }] };
        board = board.With(Pad("PPM", "p")) with
        {
            Ports =
            [
                .. board.Ports,
                new()
                {
                    Id = "PPM",
                    Kind = PortKind.Pulse,
                    Rx = "p",
                },
            ],
        };
        var spare = Device("spare", Need.RcLink, Mode(second, Out("S")));
        var fit = Fit4S(board, [Receiver, spare], ["!rx", "?spare"]).Sound();
        Assert.Equal("U1 -", fit.Ports());
        Assert.Contains(
            "RC link (rx) already has the board's only receiver input.",
            Assert.Single(fit.Sheet().Findings, f => f.Rule == "UNMET").Sentence
        );
    }

    [Theory]
    [InlineData(true, "U1 -")]
    [InlineData(false, "U1 U2")]
    public void A_job_that_the_firmware_gives_to_one_port_is_done_once(bool single, string ports)
    {
        var firmware = new FirmwareProfile
        {
            Id = "f",
            Name = "F",
            Jobs = [PortJob.Gnss],
            Single = single ? [PortJob.Gnss] : [],
        };
        var spare = Gnss with { Id = "spare" };
        var board = Whole("F7", "U1", "U2");
        var build = Build(board, Gnss, spare).Build with { Firmware = "f" };
        var library = new PartsLibrary([board], [Gnss, spare]) { Profiles = [firmware] };
        Assert.Equal(ports, new FitReader(Resolving.Resolved(build, library)).Sound().Ports());
    }

    // The open CRSF specification: full duplex on two wires, or half-duplex on one.
    [Fact]
    public void A_two_way_control_link_can_be_had_on_one_wire_and_leaves_no_port_for_another_one()
    {
        var oneWire = Device("rx", Need.RcLink, Mode("CRSF", Both("S")));
        var half = Board("F7", Port("U1", rx: false)).With(Pad("T1", "U1.tx"));
        var fit = Fit4S(half, [oneWire], ["rx"]).Sound();
        Assert.Equal("U1", fit.Ports());
        Assert.Contains("half-duplex", fit.Sheet().Links[0].Settings);
        Assert.Equal(
            "1-WIRE",
            Ways(Board("F4", Port("U1", tx: false)).With(Pad("R1", "U1.rx")), Mode("CRSF", Both())).CodeAt("U1")
        );
    }

    [Fact]
    public void Telemetry_that_is_wished_for_rides_inside_the_control_link_and_costs_no_port()
    {
        var fit = Fit4S(Whole("F7", "U1", "U2"), [Receiver, Gnss], ["!rx", "gnss", "rx/back"]).Sound();
        Assert.Equal("U1 U2 U1", fit.Ports());
        Assert.Equal(2, fit.Plan.Cost[CostTerm.WholePorts]);
        var sheet = fit.Sheet();
        Assert.Equal("rx", sheet.Links[2].Inside);
        Assert.Equal(["in-band over the RC link: no separate port or wire"], sheet.Links[2].Settings);
        Assert.Equal(
            "Telemetry (rx) is in-band over the RC link on UART1: no separate port or wire.",
            Assert.Single(sheet.Findings, f => f.Rule == "INSIDE").Sentence
        );
        Assert.Equal([new WiredRide("rx/back", "rx")], fit.Wired.Rides);
    }

    [Fact]
    public void What_rides_goes_where_its_carrier_goes_and_goes_without_when_that_does()
    {
        Assert.Equal(
            "U2 U1 U2",
            Fit4S(
                    Whole("F7", "U1", "U2"),
                    [Receiver, Gnss],
                    ["!rx", "gnss", "rx/back"],
                    b => b with { Pins = [new RouteMatch { Link = "rx/back", Port = "U2" }] }
                )
                .Sound()
                .Ports()
        );
        Assert.Equal("- U1 -", Fit4S(Whole("F7", "U1"), [Receiver, Gnss], ["rx", "!gnss", "rx/back"]).Sound().Ports());
        var alone = Fit4S(Whole("F7", "U1"), [Receiver], ["rx/back"]).Sheet();
        Assert.Equal("CARRIER", alone.Links[0].Cells[0].Code);
    }

    [Fact]
    public void Two_links_never_ride_in_each_other()
    {
        var both = Device("rx", Need.RcLink, TwoWay)
            .Also(
                "back",
                Need.Telemetry,
                Mode("MAVLink", Out("A"), In("B")) with
                {
                    Carries = [new() { Function = "f" }],
                }
            );
        Assert.Equal("U1 U1", Fit4S(Whole("F7", "U1"), [both], ["!rx", "rx/back"]).Sound().Ports());
        Assert.Equal("- -", Fit4S(Board("F7", Port("U1")), [both], ["!rx", "rx/back"]).Sound().Ports());
        var banned = Fit4S(
                Whole("F7", "U1"),
                [both],
                ["!rx", "rx/back"],
                b =>
                    b with
                    {
                        Bans =
                        [
                            new RouteMatch { Link = "rx", Mode = "crsf" },
                            new RouteMatch { Link = "rx/back", Mode = "mavlink" },
                        ],
                    }
            )
            .Sound();
        Assert.Equal("- -", banned.Ports());
    }

    [Fact]
    public void A_ride_with_a_loss_gives_way_to_a_link_of_its_own_and_says_its_loss_where_there_is_none()
    {
        var lossy = TwoWay with { Carries = [new() { Function = "back", Loses = ["the current of the pack"] }] };
        var receiver = Device("rx", Need.RcLink, lossy).Also("back", Need.Telemetry, Mode("S.Port", Both("SP")));
        Assert.Equal("U1 U2", Fit4S(Whole("F7", "U1", "U2"), [receiver], ["!rx", "rx/back"]).Sound().Ports());
        var one = Fit4S(Whole("F7", "U1"), [receiver], ["!rx", "rx/back"]).Sound();
        Assert.Equal("U1 U1", one.Ports());
        Assert.Equal(
            "Telemetry (rx) is connected on UART1, but loses the current of the pack.",
            Assert.Single(one.Sheet().Findings, f => f.Rule == "LOSS").Sentence
        );
    }

    [Theory]
    [InlineData(400_000, 500, null, 0)]
    [InlineData(420_000, 500, null, 0)]
    [InlineData(115_200, 250, null, 2)]
    [InlineData(115_200, 500, null, 4)]
    [InlineData(57_600, 250, "BAY", 0)]
    public void A_slow_bay_is_set_to_what_it_keeps_or_brings_no_telemetry(int bay, int hertz, string? code, int minutes)
    {
        // 26 bytes of 10 bits: 0.62 ms at 420000 baud, 2.26 ms at 115200, so 443 packets a second and no more (the open CRSF specification).
        var fit = Fit4S(
            Whole("F7", "U1"),
            [Receiver],
            ["!rx", "rx/back"],
            b =>
                b with
                {
                    Radio = new() { BayBaud = bay, PacketHertz = hertz },
                }
        );
        Assert.Equal(code is null ? "U1 U1" : "U1 -", fit.Ports());
        Assert.Equal(minutes, fit.Plan.Cost[CostTerm.HandWork]);
        if (minutes == 4)
        {
            Assert.Equal(
                [
                    "On the radio: set the module bay to 115 200 baud.",
                    "On the radio: set the packet rate to 443 Hz or less (now 500 Hz).",
                ],
                fit.Sheet().Work
            );
        }
    }

    [Theory]
    [InlineData(400_000)]
    [InlineData(115_200)]
    public void The_radios_side_says_nothing_of_sensors_and_pulses(int bay)
    {
        var one = BusBoard();
        var board = one.With(Pad("P", "p")) with
        {
            Nets = [.. one.Nets, new() { Id = "p" }],
            Ports =
            [
                .. one.Ports,
                new()
                {
                    Id = "PPM",
                    Kind = PortKind.Pulse,
                    Rx = "p",
                },
            ],
        };
        var fit = Fit4S(
            board,
            [Compass("mag"), Device("rx", Need.RcLink, Mode("PPM", Out()))],
            ["mag", "!rx"],
            b =>
                b with
                {
                    Radio = new() { BayBaud = bay, PacketHertz = 1000 },
                }
        );
        Assert.Equal("I2C1 PPM", fit.Ports());
        Assert.DoesNotContain("BAY-SLOW", fit.Rules());
    }

    [Fact]
    public void A_slow_bay_is_told_about_even_when_nobody_wished_for_telemetry()
    {
        IReadOnlyList<string> Rules(int hertz) =>
            Fit4S(
                    Whole("F7", "U1"),
                    [Receiver],
                    ["!rx"],
                    b =>
                        b with
                        {
                            Radio = new() { BayBaud = 115_200, PacketHertz = hertz },
                        }
                )
                .Rules();
        Assert.Contains("BAY-SLOW", Rules(444));
        Assert.DoesNotContain("BAY-SLOW", Rules(442));
    }
}
