using Gorvix.Core.Wired.Rails;

namespace Gorvix.Core.Tests.Rails;

/// <summary>What a meter should read, and where its probes go.</summary>
public class MeterReaderTests
{
    [Fact]
    public void Every_pad_in_use_and_every_lead_has_a_reading_with_its_probes()
    {
        var wired = RailBench.Of(4, "5V", 4.5, 5.5, 0.5);
        var readings = MeterReader.Of(wired, RailBench.Read(wired, "full"));
        Assert.Equal([("5V (top)", "G (top)"), ("V at Load", "G at Load")], readings.Select(r => (r.Red, r.Black)));
        Assert.All(readings, r => Assert.InRange(r.Volts, r.Low, r.High));
        Assert.Equal(5.0, readings[0].Volts, 1);
    }

    /// <summary>Three hundredths and 50 mV either way (common practice): a 5 V rail that is good reads 4.75 to 5.25 V within 0.05 V.</summary>
    [Fact]
    public void A_good_5_V_rail_may_read_what_the_trade_calls_good()
    {
        var wired = RailBench.Of(4, "5V", 4, 6, 0);
        var pad = MeterReader.Of(wired, RailBench.Read(wired, "full"))[0];
        Assert.Equal(4.75, pad.Low, 1);
        Assert.Equal(5.25, pad.High, 1);
    }

    /// <summary>What would starve or burn the device is not called good, though a meter might read it.</summary>
    [Fact]
    public void A_reading_at_a_lead_stays_inside_its_window()
    {
        var wired = RailBench.Of(4, "5V", 4.9, 5.05, 0.1);
        var lead = MeterReader.Of(wired, RailBench.Read(wired, "full"))[1];
        Assert.Equal((4.9, 5.05), (Math.Round(lead.Low, 2), Math.Round(lead.High, 2)));
    }

    [Fact]
    public void On_USB_alone_a_dead_pad_reads_nothing()
    {
        var wired = RailBench.Of(4, "5V", 4.5, 5.5, 0.1);
        Assert.All(MeterReader.Of(wired, RailBench.Read(wired, "usb")), r => Assert.Equal(0, r.Volts));
    }
}
