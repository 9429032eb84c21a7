using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Bench;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Seams;

/// <summary>What the loom says can be found on the board, and misleads nobody.</summary>
public class LoomSeamTests
{
    private static Pad At(string id, string label, string place, double x, double y, string? group = null) =>
        new()
        {
            Id = id,
            Label = label,
            Side = BoardSide.Top,
            X = x,
            Y = y,
            Group = group,
            Paths = [place is "GND" or "5V" or "BAT" ? new PadPath { Rail = place } : Path(place)],
        };

    private static readonly Device Receiver = Device("rx", Need.RcLink, Mode("CRSF", Out(), In()))
        .Fed(4.5, 5.5, 0.1)
        .Leads("G");

    // Two groups far from each other: signals and the only 5 V at the left, ground in both.
    private static Board TwoGroups(string fivePlace) =>
        Board("F7", Port("U1"))
            .Powered()
            .With(
                At("r1", "R1", "U1.rx", 1, 10, "left"),
                At("t1", "T1", "U1.tx", 1, 12, "left"),
                At("g-left", "G", "GND", 1, 14, "left"),
                At("g-right", "G", "GND", 35, 14, "right"),
                At("v", "5V", "5V", fivePlace == "left" ? 1 : 35, 16, fivePlace)
            );

    [Theory]
    [InlineData("left", "g-left")]
    [InlineData("right", "g-right")]
    public void The_ground_is_the_one_beside_the_supply(string supply, string ground)
    {
        var fit = PlugBench.Fit4S(TwoGroups(supply), [Receiver], ["rx"]);
        Assert.Equal(ground, fit.Wired.Leads.Single(l => l.Lead.Id == "G").Pad!.Id);
    }

    [Fact]
    public void Pads_of_one_label_are_told_apart_by_their_neighbours()
    {
        var circuit = PlugBench.Fit4S(TwoGroups("right"), [Receiver], ["rx"]).Wired.Build.Circuit;
        string Of(string pad) => WireWords.Of(circuit, circuit.Pads[pad]);
        Assert.Equal("G (top, by T1)", Of("g-left"));
        Assert.Equal("G (top, by 5V)", Of("g-right"));
        Assert.Equal("T1 (top)", Of("t1"));
    }

    [Fact]
    public void In_the_wire_lists_of_the_demo_no_two_pads_are_called_alike()
    {
        foreach (var build in Demo.Builds)
        {
            var wired = Demo.Fit(build).Wired;
            var named = LoomReader
                .Of(wired)
                .Wires.Where(w => w.Pad is not null)
                .Select(w => (w.Pad, w.At))
                .Distinct()
                .GroupBy(w => w.At);
            Assert.All(named, n => Assert.Single(n));
        }
    }

    [Theory]
    [InlineData("V", "black", ", but this is supply +")]
    [InlineData("V", "red", "")]
    [InlineData("G", "red", ", but this is ground")]
    [InlineData("G", "black", "")]
    [InlineData("TX", "red", ", but no supply")]
    [InlineData("TX", "black", ", but not ground")]
    [InlineData("TX", "white", "")]
    public void A_colour_that_misleads_is_told_where_it_is_soldered(string lead, string colour, string says)
    {
        var device = Receiver with
        {
            Leads = [.. Receiver.Leads.Select(l => l.Id == lead ? l with { Colour = colour } : l)],
        };
        var fit = PlugBench.Fit4S(TwoGroups("left"), [device], ["rx"]);
        var step = LoomReader.Of(fit.Wired).Steps.Single(s => s.Id == $"joint rx {lead}");
        Assert.Contains($"{lead} ({colour}{says})", step.Words);
    }

    [Fact]
    public void A_plug_whose_RX_and_TX_lie_uncrossed_says_what_would_come_of_it()
    {
        var board = Whole("F4", "U1").Powered().Socket("GPS", "four", "5V", "GND", "U1.tx", "U1.rx");
        var device = Device("gnss", Need.Gps, Mode("UBX", Out(), In()))
            .Fed(4.5, 5.5, 0.05)
            .Plugged("four", "V", "G", "TX", "RX");
        var fit = PlugBench.Fit4S(
            board,
            [device],
            ["gnss"],
            b => b with { Pins = [new SeatMatch { Device = "gnss", Socket = "GPS" }] }
        );
        var face = Assert.Single(LoomReader.Of(fit.Wired).Faces);
        Assert.Equal("TX meets UART1 TX: both transmit, nobody receives", face.Cavities[2].Wrong);
        Assert.Equal("RX meets UART1 RX: both receive, nobody transmits", face.Cavities[3].Wrong);
    }

    [Fact]
    public void Before_USB_is_plugged_in_what_shares_its_lines_comes_off()
    {
        var board = Whole("F7", "U1") with { Ports = [Port("U1") with { Usb = UsbSharing.Shared }] };
        var wired = PlugBench.Fit4S(board.Powered("5V", "GND"), [Receiver], ["rx"]).Wired;
        var check = BenchReader
            .Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 30)), null)
            .Checks.First(c => c.Id == "usb.in");
        Assert.Contains("Unplug rx first: it shares UART1 with USB.", check.Do);
    }
}
