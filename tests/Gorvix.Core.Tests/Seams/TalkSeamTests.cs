using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Wiring;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Seams;

/// <summary>Whether a lead transmits unasked is unknown where its part file does not say; unknown is not silent.</summary>
public class TalkSeamTests
{
    // What sends as soon as it has power, by common practice: receivers, modules, air units; what only answers does not.
    [Theory]
    [InlineData("SBUS", true)]
    [InlineData("CRSF", true)]
    [InlineData("UBX", true)]
    [InlineData("NMEA", true)]
    [InlineData("MSP", true)]
    [InlineData("Range finder", true)]
    [InlineData("ESC", false)]
    [InlineData("VC-4800", false)]
    public void By_its_protocol_a_lead_is_known_to_transmit(string protocol, bool transmits)
    {
        var mode = protocol switch
        {
            "SBUS" or "ESC" or "Range finder" => Mode(protocol, Out()),
            "VC-4800" => Mode(protocol, Both("TX")),
            _ => Mode(protocol, Out(), In()),
        };
        var device = Device("d", Need.RcLink, mode);
        Lead Of(string id) => device.Leads.First(l => l.Id == id);
        Assert.Equal(transmits, PadContact.TransmitsUnasked(device, Of("TX")));
        if (mode.Lines.Count > 1)
        {
            Assert.Equal(false, PadContact.TransmitsUnasked(device, Of("RX")));
        }
    }

    [Fact]
    public void A_lead_of_no_mode_is_unknown_until_its_file_says()
    {
        var device = Device("d", Need.RcLink, Mode("SBUS", Out())).Leads("PPS");
        var lead = device.Leads.First(l => l.Id == "PPS");
        Assert.Null(PadContact.TransmitsUnasked(device, lead));
        Assert.Equal(false, PadContact.TransmitsUnasked(device, lead with { Talks = TalkHabit.Asked }));
        Assert.Equal(true, PadContact.TransmitsUnasked(device, lead with { Talks = TalkHabit.Always }));
    }

    // The plug of a module with compass: its serial leads sit on the pads that the receiver is soldered to.
    private static FitReader Beside(string lead, TalkHabit talks)
    {
        var board = Whole("F7", "U6")
            .Powered("5V", "GND")
            .Socket("GPS", "six", "5V", "GND", lead == "X" ? "U6.rx" : null, null, "sda", "scl");
        board = board with
        {
            Nets = [.. board.Nets, new Net { Id = "sda" }, new Net { Id = "scl" }],
            Ports =
            [
                .. board.Ports,
                new Port
                {
                    Id = "I2C1",
                    Kind = PortKind.Bus,
                    Data = "sda",
                    Clock = "scl",
                },
            ],
        };
        var module = Device("mag", Need.Compass, Mode("I²C", Both("SDA"), In("SCL")) with { Address = 30 })
            .Fed(4.5, 5.5, 0.05)
            .Plugged("six", "V", "G", "X", null, "SDA", "SCL");
        module = module with { Leads = [.. module.Leads.Select(l => l.Id == "X" ? l with { Talks = talks } : l)] };
        var rx = Device("rx", Need.RcLink, Mode("CRSF", Out(), In())).Fed(4.5, 5.5, 0.1).Leads("G");
        return PlugBench.Fit4S(
            board,
            [rx, module],
            ["!rx", "mag"],
            b =>
                b with
                {
                    House = new HouseRules { Unused = UnusedLeads.Leave },
                    Pins = [new SeatMatch { Device = "mag", Socket = "GPS" }],
                }
        );
    }

    [Fact]
    public void On_a_wire_in_use_it_leaves_its_plug()
    {
        LeadState StateOf(string own, TalkHabit talks) =>
            Beside(own, talks).Wired.Leads.First(l => l.Device == "mag" && l.Lead.Id == own).State;
        Assert.Equal(LeadState.Lifted, StateOf("X", TalkHabit.Unknown));
        Assert.Equal(LeadState.InPlace, StateOf("X", TalkHabit.Asked));
        Assert.DoesNotContain("TWO-TALKERS", Beside("X", TalkHabit.Unknown).Rules());
        Assert.DoesNotContain("TWO-TALKERS", Beside("X", TalkHabit.Asked).Rules());
        Assert.DoesNotContain("TWO-TALKERS", Beside("none", TalkHabit.Unknown).Rules());
    }

    private static JointFact Soldered(string device, string lead, string pad) =>
        new()
        {
            Device = device,
            Part = device,
            Lead = lead,
            Board = "board",
            Pad = pad,
            Words = $"{lead} of the {device} is soldered to {pad}",
        };

    [Fact]
    public void Two_recorded_talkers_on_one_wire_are_a_stop()
    {
        // UART1 has two RX pads; both receivers are on it, and only one can be meant.
        var board = Whole("F7", "U1").With(Pad("SBUS", "U1.rx")).Powered("5V", "GND");
        Device Rx(string id) => Device(id, Need.RcLink, Mode("CRSF", Out(), In())).Fed(4.5, 5.5, 0.1).Leads("G");
        var fit = PlugBench.Fit4S(
            board,
            [Rx("one"), Rx("two")],
            ["!one", "two"],
            b => b with { Built = [Soldered("one", "TX", "r1"), Soldered("two", "TX", "sbus")] }
        );
        var said = Assert.Single(fit.Sheet().Findings, f => f.Rule == "TWO-TALKERS");
        Assert.Equal(Severity.Stop, said.Severity);
        Assert.Equal(
            "TX of the two transmits on SBUS, where TX of the one is connected: the two fight.",
            said.Sentence
        );
        Assert.StartsWith("Problem: TX of the two transmits on SBUS", fit.Sheet().Verdict.Sentence);
    }
}
