using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>A wired build with one thing changed: what a fault finder and a trainer ask for.</summary>
public class WiringEditTests
{
    private static readonly Device Air = Device("air", Need.Osd, Mode("MSP", Out(), In()))
        .Fed(7, 26)
        .Plugged("air", "V", "G", "TX", "RX", "S")
        .Talking("S");

    private static readonly Device Receiver = Device("receiver", Need.RcLink, Mode("SBUS", Out()))
        .Fed(4.5, 8.4)
        .Leads("G");

    private static readonly Board Board = Handmade
        .Board("F7", Port("U1"), Port("U2", tx: false))
        .With(Pad("R2", "U2.rx"), Pad("R1", "U1.rx"))
        .Powered("5V", "GND")
        .Socket("AIR", "air", "BAT", "GND", "U1.rx", "U1.tx", "U2.rx");

    private static readonly WiredBuild Good = Fit4S(Board, [Air, Receiver], ["!receiver", "air"]).Sound().Wired;

    private static IEnumerable<string> OnNet(WiredBuild wired, string net) =>
        wired.On(NodeKind.Net, net).Select(l => $"{l.Lead.Device} {l.Lead.Lead.Id}");

    [Fact]
    public void As_planned_each_net_has_who_it_is_meant_for()
    {
        Assert.Equal(["receiver TX"], OnNet(Good, "U2.rx"));
        Assert.Equal(["air TX"], OnNet(Good, "U1.rx"));
        Assert.Equal(
            ["air G", "receiver G"],
            Good.On(NodeKind.Rail, "GND").Select(l => $"{l.Lead.Device} {l.Lead.Lead.Id}")
        );
    }

    [Fact]
    public void An_open_wire_reaches_nothing()
    {
        var open = Good.With(new OpenWire(new("receiver", "TX")));
        Assert.Empty(OnNet(open, "U2.rx"));
        Assert.Equal(["receiver TX"], OnNet(Good, "U2.rx"));
    }

    [Fact]
    public void Swapped_wires_sit_on_each_others_pads()
    {
        var swapped = Good.With(new SwapWires("air", "TX", "RX"));
        Assert.Equal(["air RX"], OnNet(swapped, "U1.rx"));
        Assert.Equal(["air TX"], OnNet(swapped, "U1.tx"));
        Assert.Equal(LeadState.Moved, swapped.Leads.Single(l => l is { Device: "air", Lead.Id: "TX" }).State);
    }

    [Fact]
    public void A_lead_left_in_its_plug_talks_on_the_net_beside_the_receiver()
    {
        var left = Good.With(new LeadLeftIn(new("air", "S")));
        Assert.Equal(["air S", "receiver TX"], OnNet(left, "U2.rx"));
        Assert.Contains("U2.rx has two talkers: air S, receiver TX", PlainWalker.Complaints(left));
    }

    [Fact]
    public void A_wire_on_another_pad_is_where_that_pad_leads()
    {
        Assert.Equal(["air TX", "receiver TX"], OnNet(Good.With(new WireOnPad(new("receiver", "TX"), "r1")), "U1.rx"));
        var tail = Good.With(new WireOnPad(new("receiver", "TX"), "air5"))
            .Leads.Single(l => l is { Device: "receiver", Lead.Id: "TX" });
        Assert.Equal((LeadState.OnTail, 5), (tail.State, tail.Cavity));
    }

    [Fact]
    public void Ports_rails_and_devices_can_fail_and_the_good_one_stays_as_it_was()
    {
        Assert.DoesNotContain(Good.With(new PortSetTo("receiver", null)).Ports, p => p.Link == "receiver");
        var port = Good.Ports.Single(p => p.Link == "receiver");
        var inverted = Good.With(new PortSetTo("receiver", port.Settings with { InvertRx = false }));
        Assert.False(inverted.Ports.Single(p => p.Link == "receiver").Settings.InvertRx);
        Assert.Equal(["5V"], Good.With(new DeadRail("5V")).DeadRails);
        Assert.Equal(["air"], Good.With(new DeadDevice("air")).DeadDevices);
        Assert.Empty(Good.DeadRails);
        Assert.Empty(Good.DeadDevices);
    }

    [Fact]
    public void An_edit_of_what_is_not_there_is_the_callers_fault()
    {
        Assert.Throws<InvalidOperationException>(() => Good.With(new OpenWire(new("air", "nothing"))));
        Assert.Throws<InvalidOperationException>(() => Good.With(new LeadLeftIn(new("receiver", "TX"))));
    }
}
