using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;
using static Gorvix.Core.Tests.Bench;

namespace Gorvix.Core.Tests.Parts;

/// <summary>Every number and list of a part has its ends: the last value inside passes, the first outside is refused where it stands.</summary>
public class PartLimitsTests
{
    private const double Step = 0.001;

    // Member, lowest, highest, step beyond, and a part with the value.
    public static TheoryData<string, double, double, double, Func<double, Board>> Numbers =>
        new()
        {
            {
                "nets[0].maxVolts",
                1,
                60,
                Step,
                v => Plain with { Nets = [Plain.Nets[0] with { MaxVolts = v }, Plain.Nets[1]] }
            },
            { "rails[0].volts", 0, 60, Step, v => WithRail(r => r with { Volts = v }) },
            { "rails[0].dropout", 0, 20, Step, v => WithRail(r => r with { Dropout = v }) },
            { "rails[0].limit", 0.001, 200, 0.0005, v => WithRail(r => r with { Limit = v }) },
            { "ports[0].clockMegahertz", 0.03, 1000, Step, v => WithPort(p => p with { ClockMegahertz = v }) },
            { "pads[0].x", 0, 200, Step, v => WithPad(p => p with { X = v }) },
            { "pads[0].y", 0, 200, Step, v => WithPad(p => p with { Y = v }) },
            {
                "outline.width",
                5,
                200,
                Step,
                v =>
                    Plain with
                    {
                        Outline = new() { Width = v, Depth = 40 },
                    }
            },
            {
                "outline.depth",
                5,
                200,
                Step,
                v =>
                    Plain with
                    {
                        Outline = new() { Width = 40, Depth = v },
                    }
            },
            {
                "mounting.width",
                5,
                200,
                Step,
                v =>
                    Plain with
                    {
                        Mounting = new() { Width = v, Depth = 20 },
                    }
            },
            {
                "mounting.depth",
                5,
                200,
                Step,
                v =>
                    Plain with
                    {
                        Mounting = new() { Width = 20, Depth = v },
                    }
            },
            {
                "mounting.bolt",
                1,
                6,
                Step,
                v =>
                    Plain with
                    {
                        Mounting = new()
                        {
                            Width = 20,
                            Depth = 20,
                            Bolt = v,
                        },
                    }
            },
            { "pads[0].paths[0].through[0].ratio", 0.01, 0.99, Step, v => Through(new Divider { Ratio = v }) },
            { "pads[0].paths[0].through[0].ohms", 0.001, 10_000_000, 0.0005, v => Through(new Resistor { Ohms = v }) },
            {
                "pads[0].paths[0].through[0].volts",
                0.1,
                2,
                Step,
                v => Through(new Diode { Direction = Passage.ToPad, Volts = v })
            },
            {
                "pads[0].paths[0].through[0].stands",
                1,
                60,
                Step,
                v => Through(new Inverter { Direction = Passage.Both, Stands = v })
            },
            {
                "pads[0].paths[0].through[0].drives",
                1,
                60,
                Step,
                v => Through(new Inverter { Direction = Passage.Both, Drives = v })
            },
            { "ports[0].addresses[0].address", 8, 119, 1, v => Bus(new AddressInUse { Address = (int)v, By = "x" }) },
        };

    // The same for devices.
    public static TheoryData<string, double, double, double, Func<double, Device>> DeviceNumbers =>
        new()
        {
            { "leads[0].driveVolts", 1, 60, Step, v => WithLead(l => l with { DriveVolts = v }) },
            { "leads[0].highFromVolts", 0.5, 60, Step, v => WithLead(l => l with { HighFromVolts = v }) },
            { "supplies[0].typical", 0, 200, Step, v => WithSupply(s => s with { Typical = v }) },
            { "supplies[0].peak", 0, 200, Step, v => WithSupply(s => s with { Peak = v }) },
            { "pieces", 1, 8, 1, v => Plain1 with { Pieces = (int)v } },
            { "outputs[0].volts", 0.5, 60, Step, v => WithOutput(o => o with { Volts = v }) },
            { "outputs[0].limit", 0.001, 200, 0.0005, v => WithOutput(o => o with { Limit = v }) },
            { "functions[0].modes[0].packetHertz", 1, 4000, Step, v => WithMode(m => m with { PacketHertz = v }) },
            { "functions[0].modes[0].address", 8, 119, 1, v => Sensor(m => m with { Address = (int)v }) },
            {
                "functions[0].modes[0].straps[0].address",
                8,
                119,
                1,
                v => Sensor(m => m with { Address = 50, Straps = [new() { Address = (int)v, How = "x" }] })
            },
        };

    [Theory]
    [MemberData(nameof(Numbers), DisableDiscoveryEnumeration = true)]
    public void A_number_of_a_board_has_its_ends(
        string place,
        double low,
        double high,
        double step,
        Func<double, Board> with
    ) => Ends(place, low, high, step, v => PartCheck.Of(with(v), "p"));

    [Theory]
    [MemberData(nameof(DeviceNumbers), DisableDiscoveryEnumeration = true)]
    public void A_number_of_a_device_has_its_ends(
        string place,
        double low,
        double high,
        double step,
        Func<double, Device> with
    ) => Ends(place, low, high, step, v => PartCheck.Of(with(v), "p"));

    private static void Ends(
        string place,
        double low,
        double high,
        double step,
        Func<double, IReadOnlyList<Finding>> check
    )
    {
        Assert.Empty(check(low));
        Assert.Empty(check(high));
        foreach (var beyond in new[] { low - step, high + step })
        {
            var finding = Assert.Single(check(beyond));
            Assert.Equal(("VALUE", $"p.{place}"), (finding.Rule, finding.Subject.Id));
            Assert.Contains($"It must be {low} to {high}", finding.Sentence);
        }
    }

    // What contradicts itself: rule, place, and a piece of the sentence that says how to mend it.
    public static TheoryData<string, string, string, Board> Contradictions =>
        new()
        {
            { "PORT-NETS", "ports[0]", "a bus without data and clock", WithPort(p => p with { Kind = PortKind.Bus }) },
            {
                "PORT-NETS",
                "ports[0]",
                "a bus with an RX or a TX",
                WithPort(p => p with { Kind = PortKind.Bus, Data = "U1.rx", Clock = "U1.tx" })
            },
            {
                "PORT-NETS",
                "ports[0]",
                "data or clock on what is no bus",
                WithPort(p => p with { Clock = "U1.tx", Tx = null })
            },
            {
                "PORT-NETS",
                "ports[0].alternatives",
                "only a serial unit",
                WithPort(p => p with { Kind = PortKind.Software, Alternatives = [Pins("B", "U1.rx")] })
            },
            {
                "PORT-NETS",
                "ports[0].alternatives[0]",
                "these pins have no net",
                WithPort(p => p with { Alternatives = [Pins("B", null)] })
            },
            {
                "NAME",
                "ports[0].alternatives[0].rx",
                "names net \"x\"",
                WithPort(p => p with { Alternatives = [Pins("B", "x")] })
            },
            {
                "TWIN",
                "ports[0].alternatives[1]",
                "repeats the id \"B\"",
                WithPort(p => p with { Alternatives = [Pins("B", "U1.rx"), Pins("B", "U1.tx")] })
            },
            {
                "VALUE",
                "ports[0].alternatives",
                "3 is the most",
                WithPort(p => p with { Alternatives = [.. "ABCD".Select(c => Pins($"{c}", "U1.rx"))] })
            },
            {
                "PORT-NETS",
                "ports[0].addresses",
                "only a bus has addresses",
                WithPort(p => p with { Addresses = [new() { Address = 13, By = "x" }] })
            },
            {
                "TWIN",
                "ports[0].addresses[1]",
                "repeats the id \"13\"",
                Bus(new() { Address = 13, By = "x" }, new() { Address = 13, By = "y" })
            },
            { "VALUE", "ports[0].addresses[0].by", "is empty", Bus(new AddressInUse { Address = 13, By = "" }) },
            {
                "VALUE",
                "pads[0].x",
                "It must be 0 to 30 mm",
                WithPad(p => p with { X = 31 }) with
                {
                    Outline = new() { Width = 30, Depth = 30 },
                }
            },
            {
                "VALUE",
                "mounting",
                "measure both again",
                Plain with
                {
                    Outline = new() { Width = 30, Depth = 30 },
                    Mounting = new() { Width = 30.5, Depth = 20 },
                }
            },
            { "VALUE", "pads[0].group", "is empty", WithPad(p => p with { Group = "" }) },
            {
                "VALUE",
                "rails[0]",
                "nothing regulates it",
                WithRail(r => r with { Feed = RailFeed.Battery, Kind = RegulatorKind.Linear })
            },
            {
                "VALUE",
                "rails[0]",
                "nothing regulates it",
                WithRail(r => r with { Feed = RailFeed.Battery, Dropout = 0.5 })
            },
        };

    [Theory]
    [MemberData(nameof(Contradictions), DisableDiscoveryEnumeration = true)]
    public void A_board_that_contradicts_itself_is_told_where_and_how(
        string rule,
        string place,
        string says,
        Board board
    ) => Told(rule, place, says, PartCheck.Of(board, "p"));

    public static TheoryData<string, string, string, Device> DeviceContradictions =>
        new()
        {
            {
                "VALUE",
                "supplies[0].peak",
                "The peak is the larger one",
                WithSupply(s => s with { Typical = 0.3, Peak = 0.2 })
            },
            {
                "NAME",
                "outputs[0].lead",
                "names output lead \"TX\"",
                Plain1 with
                {
                    Outputs = [new() { Lead = "TX" }],
                }
            },
            {
                "VALUE",
                "leads[0].wires",
                "Say under \"pieces\" how many",
                WithLead(l => l with { Wires = PieceWires.Each })
            },
            {
                "NAME",
                "functions[0].modes[0].carries[0].function",
                "other function of the device \"x\"",
                WithMode(m => m with { Carries = [new() { Function = "x" }] })
            },
            {
                "NAME",
                "functions[0].modes[0].carries[0].function",
                "other function of the device \"f\"",
                WithMode(m => m with { Carries = [new() { Function = "f" }] })
            },
            { "VALUE", "functions[0].modes[0].carries", "the board never talks", Deaf },
            { "VALUE", "functions[0].modes[0].carries[0].loses[0]", "is empty", Carrying("") },
            {
                "VALUE",
                "functions[0].modes[0].straps",
                "Only devices on a bus",
                WithMode(m => m with { Straps = [new() { Address = 14, How = "x" }] })
            },
            {
                "TWIN",
                "functions[0].modes[0].straps[1]",
                "repeats the id \"14\"",
                Sensor(m => m with { Address = 14, Straps = [new() { Address = 14, How = "x" }] })
            },
            {
                "VALUE",
                "functions[0].modes[0].straps[0].how",
                "is empty",
                Sensor(m => m with { Address = 13, Straps = [new() { Address = 14, How = "" }] })
            },
            {
                "VALUE",
                "plug",
                "A plug belongs to one of the harnesses",
                Harnessed(["TX", "RX", "V"]) with
                {
                    Plug = new() { Family = "x", Pins = [] },
                }
            },
            { "VALUE", "harnesses[0].leads", "Every harness brings the supply", Harnessed(["TX", "RX"], ["V"]) },
            { "VALUE", "leads[1]", "(RX) is in no harness", Harnessed(["TX", "V"]) },
            { "NAME", "harnesses[0].leads[3]", "names lead \"x\"", Harnessed(["TX", "RX", "V", "x"]) },
            { "NAME", "harnesses[0].plug.pins", "names lead \"RX\"", Plugged() },
            { "MODE-LINES", "functions[0].modes[0]", "or \"both\" alone", WithMode(m => m with { Lines = [Out()] }) },
        };

    [Theory]
    [MemberData(nameof(DeviceContradictions), DisableDiscoveryEnumeration = true)]
    public void A_device_that_contradicts_itself_is_told_where_and_how(
        string rule,
        string place,
        string says,
        Device device
    ) => Told(rule, place, says, PartCheck.Of(device, "p"));

    [Fact]
    public void A_firmware_gives_to_one_port_only_what_it_knows()
    {
        var profile = new FirmwareProfile
        {
            Id = "f",
            Name = "F",
            Jobs = [PortJob.Gnss],
            Single = [PortJob.Gnss, PortJob.RangeFinder],
        };
        Told("NAME", "single[1]", "names job of this firmware \"rangeFinder\"", PartCheck.Of(profile, "p"));
        Assert.Empty(PartCheck.Of(profile with { Single = [PortJob.Gnss] }, "p"));
    }

    private static void Told(string rule, string place, string says, IReadOnlyList<Finding> findings)
    {
        var finding = findings.First(f => f.Subject.Id == $"p.{place}");
        Assert.Equal(rule, finding.Rule);
        Assert.Contains(says, finding.Sentence);
    }

    private static Board Plain => Whole("F4", "U1") with { Id = "b" };

    private static Board WithRail(Func<Rail, Rail> change) =>
        Plain with
        {
            Rails =
            [
                change(
                    new()
                    {
                        Id = "r",
                        Label = "R",
                        Feed = RailFeed.Regulator,
                    }
                ),
            ],
        };

    private static Board WithPort(Func<Port, Port> change) => Plain with { Ports = [change(Plain.Ports[0])] };

    private static Board WithPad(Func<Pad, Pad> change) => Plain with { Pads = [change(Plain.Pads[0]), Plain.Pads[1]] };

    private static Board Through(PathElement element) => WithPad(p => p with { Paths = [Path("U1.rx", element)] });

    private static PinChoice Pins(string name, string? rx) => new() { Name = name, Rx = rx };

    private static Board Bus(params AddressInUse[] used) =>
        WithPort(p =>
            p with
            {
                Kind = PortKind.Bus,
                Rx = null,
                Tx = null,
                Data = "U1.rx",
                Clock = "U1.tx",
                Addresses = used,
            }
        );

    private static Device Plain1 => Device("d", Need.Control, Mode("CRSF", Out(), In())).Fed(4, 6);

    private static Device WithLead(Func<Lead, Lead> change) =>
        Plain1 with
        {
            Leads = [change(Plain1.Leads[0]), .. Plain1.Leads.Skip(1)],
        };

    private static Device WithSupply(Func<SupplyInput, SupplyInput> change) =>
        Plain1 with
        {
            Supplies = [change(Plain1.Supplies[0])],
        };

    private static Device WithOutput(Func<SupplyOutput, SupplyOutput> change) =>
        Plain1 with
        {
            Leads =
            [
                .. Plain1.Leads,
                new()
                {
                    Id = "O",
                    Label = "O",
                    Role = LeadRole.Output,
                },
            ],
            Outputs = [change(new() { Lead = "O" })],
        };

    private static Device WithMode(Func<Mode, Mode> change) =>
        Plain1 with
        {
            Functions = [Plain1.Functions[0] with { Modes = [change(Plain1.Functions[0].Modes[0])] }],
        };

    private static Device Sensor(Func<Mode, Mode> change) =>
        Device("d", Need.Heading, change(Mode("I²C", Both("SDA"), In("SCL"))));

    private static Device Carrying(params string[] loses) =>
        Device(
                "d",
                Need.Control,
                Mode("CRSF", Out(), In()) with
                {
                    Carries = [new() { Function = "t", Loses = loses }],
                }
            )
            .Also("t", Need.Telemetry);

    private static Device Deaf =>
        Device("d", Need.Control, Mode("SBUS", Out()) with { Carries = [new() { Function = "t" }] })
            .Also("t", Need.Telemetry);

    private static Device Harnessed(params string[][] leads) =>
        Plain1 with
        {
            Harnesses =
            [
                .. leads.Select(
                    (l, i) =>
                        new DeviceHarness
                        {
                            Id = $"h{i}",
                            Name = $"h{i}",
                            Leads = l,
                        }
                ),
            ],
        };

    private static Device Plugged() =>
        Plain1 with
        {
            Harnesses =
            [
                new()
                {
                    Id = "h",
                    Name = "h",
                    Leads = ["TX", "V"],
                    Plug = new() { Family = "x", Pins = [new() { Lead = "RX" }] },
                },
            ],
        };
}
