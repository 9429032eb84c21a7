using Gorvix.Core.Hardware.Parts;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.Parts.Limits;

namespace Gorvix.Core.Tests.Parts;

/// <summary>Every number and list of a board has its ends: the last value inside passes, the first outside is refused where it stands.</summary>
public class BoardLimitsTests
{
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

    [Theory]
    [MemberData(nameof(Numbers), DisableDiscoveryEnumeration = true)]
    public void A_number_of_a_board_has_its_ends(
        string place,
        double low,
        double high,
        double step,
        Func<double, Board> with
    ) => Ends(place, low, high, step, v => PartCheck.Of(with(v), "p"));

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
                "data or clock on a port that is not a bus",
                WithPort(p => p with { Clock = "U1.tx", Tx = null })
            },
            {
                "PORT-NETS",
                "ports[0].alternatives",
                "only a UART can be remapped",
                WithPort(p => p with { Kind = PortKind.Software, Alternatives = [Pins("B", "U1.rx")] })
            },
            {
                "PORT-NETS",
                "ports[0].alternatives[0]",
                "these alternative pins have no net",
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
                "The limit is 3",
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
            {
                "VALUE",
                "rails[0].own",
                "on a rail without a regulator",
                WithRail(r => r with { Feed = RailFeed.Battery, Own = 0.1 })
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
}
