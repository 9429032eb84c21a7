using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.Parts.Limits;

namespace Gorvix.Core.Tests.Parts;

/// <summary>Every number and list of a device or firmware has its ends, as a board's have.</summary>
public class DeviceLimitsTests
{
    public static TheoryData<string, double, double, double, Func<double, Device>> DeviceNumbers =>
        new()
        {
            { "leads[0].driveVolts", 1, 60, Step, v => WithLead(l => l with { DriveVolts = v }) },
            { "leads[0].highFromVolts", 0.5, 60, Step, v => WithLead(l => l with { HighFromVolts = v }) },
            { "supplies[0].typical", 0, 200, Step, v => WithSupply(s => s with { Typical = v }) },
            { "supplies[0].peak", 0, 200, Step, v => WithSupply(s => s with { Peak = v }) },
            { "supplies[0].powerAt", 1, 60, Step, v => WithSupply(s => s with { PowerAt = v }) },
            { "units", 1, 8, 1, v => Plain1 with { Pieces = (int)v } },
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
    [MemberData(nameof(DeviceNumbers), DisableDiscoveryEnumeration = true)]
    public void A_number_of_a_device_has_its_ends(
        string place,
        double low,
        double high,
        double step,
        Func<double, Device> with
    ) => Ends(place, low, high, step, v => PartCheck.Of(with(v), "p"));

    public static TheoryData<string, string, string, Device> DeviceContradictions =>
        new()
        {
            {
                "VALUE",
                "supplies[0].peak",
                "Peak must not be below typical",
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
                "Set \"units\" to the number of units",
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
            { "VALUE", "functions[0].modes[0].carries", "the board never transmits", Deaf },
            { "VALUE", "functions[0].modes[0].carries[0].loses[0]", "is empty", Carrying("") },
            {
                "VALUE",
                "functions[0].modes[0].straps",
                "Only bus devices",
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
                "Move the plug into one of the harnesses",
                Harnessed(["TX", "RX", "V"]) with
                {
                    Plug = new() { Family = "x", Pins = [] },
                }
            },
            { "VALUE", "harnesses[0].leads", "Every harness needs the supply lead", Harnessed(["TX", "RX"], ["V"]) },
            { "VALUE", "leads[1]", "(RX) is not in any harness", Harnessed(["TX", "V"]) },
            { "NAME", "harnesses[0].leads[3]", "names lead \"x\"", Harnessed(["TX", "RX", "V", "x"]) },
            { "NAME", "harnesses[0].plug.pins", "names lead \"RX\"", Plugged() },
            { "MODE-LINES", "functions[0].modes[0]", "or just \"both\"", WithMode(m => m with { Lines = [Out()] }) },
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
        Told("NAME", "single[1]", "names port function of this firmware \"rangeFinder\"", PartCheck.Of(profile, "p"));
        Assert.Empty(PartCheck.Of(profile with { Single = [PortJob.Gnss] }, "p"));
    }

    private static Device Plain1 => Device("d", Need.RcLink, Mode("CRSF", Out(), In())).Fed(4, 6);

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
        Device("d", Need.Compass, change(Mode("I²C", Both("SDA"), In("SCL"))));

    private static Device Carrying(params string[] loses) =>
        Device("d", Need.RcLink, Mode("CRSF", Out(), In()) with { Carries = [new() { Function = "t", Loses = loses }] })
            .Also("t", Need.Telemetry);

    private static Device Deaf =>
        Device("d", Need.RcLink, Mode("SBUS", Out()) with { Carries = [new() { Function = "t" }] })
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
