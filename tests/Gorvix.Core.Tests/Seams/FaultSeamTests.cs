using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Tests.Faults;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Faults;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Seams;

/// <summary>What Faults and Bench say of a link is what its circuit and its controller allow.</summary>
public class FaultSeamTests
{
    private static string? Shown(FaultTable table, string fault, string test)
    {
        var suspect = table.Singles.First(s => s.Id == fault);
        var at = table.IndexOf(test)!.Value;
        return suspect.Shows[at] < 0 ? null : table.Outcomes(at)[suspect.Shows[at]].Id;
    }

    // RM0090 and its like: the USART of an F4-class controller has no inverters; F7, G4 and H7 have one a pin.
    [Fact]
    public void A_wrong_polarity_is_no_cause_where_the_controller_cannot_invert()
    {
        foreach (var (build, table) in Tester.Demos)
        {
            var inverts = Resolved(build, Demo.Library).Controller.Id is not ("F1" or "F4");
            Assert.Equal(inverts, table.Singles.Any(s => s.Id.StartsWith("inverted.", StringComparison.Ordinal)));
        }
    }

    [Theory]
    [InlineData("setting.gnss.assistance", "link.position.satellites", "yes")]
    [InlineData("setting.gnss.protocol", "link.position.satellites", "no")]
    [InlineData("setting.canvas.grid", "link.picture-text.text", "yes")]
    [InlineData("setting.compass.turn", "link.heading.compass", "yes")]
    [InlineData("setting.compass.bus", "link.heading.compass", "no")]
    [InlineData("setting.gnss.assistance", "settings.read", "other.gnss.assistance")]
    public void A_setting_silences_only_the_link_that_cannot_do_without_it(string fault, string test, string shown) =>
        Assert.Equal(shown, Shown(Tester.Demos.First(d => d.Build.Name == "East Bench Kestrel").Table, fault, test));

    /// <summary>The OSD text has shown that the unit receives: the next look at 0.0 V is the wire back.</summary>
    [Fact]
    public void The_next_look_is_at_the_wire_that_no_sign_before_has_shown()
    {
        var build = Demo.Builds.First(b => b.Name == "East Bench Kestrel");
        var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
        var sheet = BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 30)), null);
        string LookOf(string check) => sheet.Checks.First(c => c.Id == check).Judge(null, Answer.No)!.Look!;
        Assert.Equal(
            "Disconnect battery and USB, check continuity from TX to AIR pin 4 (RX1), then read back UART1.",
            LookOf("link.picture-text.volts")
        );
        Assert.StartsWith(
            "Disconnect battery and USB, check continuity from RX to AIR pin 3 (TX1),",
            LookOf("link.picture-text.text")
        );
    }

    [Fact]
    public void A_board_of_unknown_limits_is_no_cure_without_a_word()
    {
        var (told, met) = (0, 0);
        foreach (var build in Demo.Builds)
        {
            foreach (
                var way in new FitReader(Resolved(build, Demo.Library)).Unlocks(Demo.Library).SelectMany(u => u.Ways)
            )
            {
                var board = Demo.Library.Boards.FirstOrDefault(b =>
                    way.Words == $"Swap board to {b.Maker} {b.Name}, revision {b.Revision}"
                );
                if (board is not null)
                {
                    met++;
                    var isUnknown = board.Rails.Any(r => r.Volts > 0 && r.Limit is null);
                    told += isUnknown ? 1 : 0;
                    Assert.Equal(isUnknown, way.Price.Contains("unknown limits on", StringComparison.Ordinal));
                }
            }
        }
        Assert.True(told > 0 && met > told, $"{told} of {met}");
    }

    /// <summary>A current lead brings no battery voltage, and a voltage lead no current.</summary>
    [Theory]
    [InlineData(AnalogueReading.Current, "off", "on")]
    [InlineData(AnalogueReading.BatteryVoltage, "on", "off")]
    public void Sensing_is_what_the_pin_reads(AnalogueReading reading, string voltage, string current)
    {
        var (board, sensor) = Sensing("F7", reading, reading);
        var wired = PlugBench.Fit4S(board, [sensor], ["!esc"], b => b with { Pack = null, InputVolts = 5 }).Wired;
        var settings = SettingsReader.Of(wired, new DateOnly(2026, 11, 30)).Settings;
        Assert.Equal(voltage, settings.First(s => s.Key == "battery.voltage").Value);
        Assert.Equal(current, settings.First(s => s.Key == "battery.current").Value);
    }
}
