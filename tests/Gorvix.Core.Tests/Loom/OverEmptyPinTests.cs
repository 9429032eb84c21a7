using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Loom;

/// <summary>A lead over an empty pin of the socket stays where it is, and everything that reads plugs takes it so.</summary>
public class OverEmptyPinTests
{
    [Fact]
    public void A_lead_over_an_empty_pin_is_told_beside_one_that_must_leave()
    {
        // Pin 3 of the socket is empty; pin 4 carries the battery, where the plug has a signal: that one must leave.
        var board = Whole("F7", "U1").Powered("5V", "GND").Socket("GPS", "four", "5V", "GND", null, "BAT");
        var device = Device("gnss", Need.Gps, Mode("UBX", Out(), In()))
            .Fed(4.5, 5.5, 0.05)
            .Plugged("four", "V", "G", "X", "PPS");
        var fit = PlugBench.Fit4S(
            board,
            [device],
            ["gnss"],
            b => b with { Pins = [new SeatMatch { Device = "gnss", Socket = "GPS" }] }
        );
        Assert.Equal(LeadState.InPlace, fit.Wired.Leads.Single(l => l.Lead.Id == "X").State);
        Assert.Equal(LeadState.Lifted, fit.Wired.Leads.Single(l => l.Lead.Id == "PPS").State);
        var loom = LoomReader.Of(fit.Wired);
        var adapter = Assert.Single(loom.OtherWays, w => w.Kind == OtherWayKind.Adapter);
        Assert.DoesNotContain(adapter.Rows, r => r.Lead is "X" or "PPS");
        Assert.Contains(adapter.Mind, m => m.Contains("3 (X)") && m.Contains("4 (PPS)"));
        var settings = SettingsReader.Of(fit.Wired, new DateOnly(2026, 11, 30));
        Assert.NotEmpty(BenchReader.Of(fit.Wired, settings, null).Checks);
    }
}
