using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Seams;

/// <summary>Wires and contacts carry what flows in them, there and back, and the loom cuts the wire that the rails reckon with.</summary>
public class WireSeamTests
{
    private static WireCut Wire(string lead, double millimetres, int? gauge = null) =>
        new()
        {
            Device = "d",
            Lead = lead,
            Millimetres = millimetres,
            Gauge = gauge,
        };

    // ASTM B258 and IEC 60028 by a handbook's table: 6.5 A asks for AWG 20 (chassis wiring 11 A, in a bundle 6.5 A).
    [Theory]
    [InlineData(0.5, 28)]
    [InlineData(6.0, 20)]
    public void A_length_without_a_gauge_leaves_the_gauge_to_the_current(double amps, int gauge)
    {
        var wired = RailBench.Of(4, "BAT", 7, 26, amps, b => b with { Wires = [Wire("v", 100), Wire("g", 100)] });
        Assert.All(new WireReaderProbe(wired).Supply(), w => Assert.Equal((gauge, 100.0), (w.Gauge, w.Millimetres)));
    }

    private sealed class WireReaderProbe(WiredBuild wired)
    {
        public IEnumerable<WireCut> Supply() =>
            wired
                .Leads.Where(l => l.Lead.Role is LeadRole.Supply or LeadRole.Ground)
                .Select(l => WireCuts.Of(wired, l));
    }

    [Fact]
    public void The_loom_cuts_the_wire_that_the_rails_reckon_with()
    {
        foreach (var build in Demo.Builds)
        {
            var wired = Demo.Fit(build).Wired;
            foreach (var wire in LoomReader.Of(wired).Wires)
            {
                var lead = wired.Leads.First(l => l.At == new LeadAt(wire.Device, wire.Lead));
                var cut = WireCuts.Of(wired, lead);
                Assert.Equal((wire.Gauge, wire.Millimetres), (cut.Gauge, cut.Millimetres));
            }
        }
    }

    // AWG 28 has 0.213 Ω/m (ASTM B258, IEC 60028): 80 cm are 0.170 Ω. At 0.5 A 0.085 V are lost one way, 0.170 V there and back: of 5 V
    // 1.7 % and 3.4 %.
    [Theory]
    [InlineData(800, 800, true)]
    [InlineData(800, 10, false)]
    [InlineData(680, 680, false)]
    [InlineData(720, 720, true)]
    public void Volts_are_lost_there_and_back(double there, double back, bool says)
    {
        var wired = RailBench.Of(
            4,
            "5V",
            4,
            6,
            0.5,
            b => b with { Wires = [Wire("v", there, 28), Wire("g", back, 28)] }
        );
        Assert.Equal(says, RailCheck.Of(RailBench.Read(wired, "full")).Any(f => f.Rule == "WIRE-DROP"));
    }

    // AWG 28 carries 1.4 A, AWG 26 2.2 A (the derating table for single wires, from memory).
    [Theory]
    [InlineData(28, 1.3, false)]
    [InlineData(28, 1.5, true)]
    [InlineData(26, 2.1, false)]
    [InlineData(26, 2.3, true)]
    public void A_wire_that_is_told_too_thin_is_told_of(int gauge, double amps, bool says)
    {
        var wired = RailBench.Of(4, "BAT", 7, 26, amps, b => b with { Wires = [Wire("v", 50, gauge)] });
        var standing = RailCheck.Standing(wired, RailBench.Read(wired, "full"));
        Assert.Equal(says, standing.Any(f => f.Rule == "WIRE-AMPS"));
        Assert.All(standing.Where(f => f.Rule == "WIRE-AMPS"), f => Assert.Equal(Severity.Warn, f.Severity));
    }

    // Connector makers' data sheets by pitch, from memory.
    [Theory]
    [InlineData("1.0 mm, 4 pins", 0.9, false)]
    [InlineData("1.0 mm, 4 pins", 1.1, true)]
    [InlineData("1.25 mm, 4 pins", 1.1, true)]
    [InlineData("1.5 mm, 4 pins", 1.9, false)]
    [InlineData("2.0 mm, 4 pins", 2.1, true)]
    [InlineData("2.54 mm, 4 pins", 2.9, false)]
    [InlineData("2.54 mm, 4 pins", 3.1, true)]
    [InlineData("four", 5.0, false)]
    public void A_contact_through_which_too_much_flows_is_told_of(string family, double amps, bool says)
    {
        var board = Whole("F7", "U1").Powered().Socket("GPS", family, "BAT", "GND", "U1.rx", "U1.tx");
        var device = Device("unit", Need.Osd, Mode("MSP", Out(), In()))
            .Fed(7, 26, amps)
            .Plugged(family, "V", "G", "TX", "RX");
        var fit = PlugBench.Fit4S(board, [device], ["unit"]);
        Assert.Equal("InPlace GPS1", fit.At("unit", "V"));
        var sheet = RailReader.Read(fit.Wired, Situation.All(fit.Wired)[0]);
        var said = RailCheck.Standing(fit.Wired, sheet).Where(f => f.Rule == "CONTACT-AMPS").ToList();
        Assert.Equal(says ? ["V", "G"] : [], said.Select(f => f.Subject.Id));
    }

    // What comes in through one contact goes back through two: 1.5 A is too much for the first alone.
    [Fact]
    public void Grounds_of_one_plug_carry_the_current_back_together()
    {
        const string Family = "1.25 mm, 5 pins";
        var board = Whole("F7", "U1").Powered().Socket("GPS", Family, "BAT", "GND", "U1.rx", "U1.tx", "GND");
        var unit = Device("unit", Need.Osd, Mode("MSP", Out(), In()))
            .Fed(7, 26, 1.5)
            .Plugged(Family, "V", "G", "TX", "RX", "G2");
        var fit = PlugBench.Fit4S(board, [unit], ["unit"]);
        Assert.Equal("InPlace GPS5", fit.At("unit", "G2"));
        var said = RailCheck
            .Standing(fit.Wired, RailReader.Read(fit.Wired, Situation.All(fit.Wired)[0]))
            .Where(f => f.Rule == "CONTACT-AMPS");
        Assert.Equal(["V"], said.Select(f => f.Subject.Id));
    }

    [Theory]
    [InlineData(0.4, 0.45, null)]
    [InlineData(0.4, 0.6, "draw 600 mA peak from USB; the port supplies 500 mA")]
    [InlineData(0.55, 0.6, "draw 550 mA typical from USB; the port supplies 500 mA")]
    public void The_peak_counts_on_USB_too(double typical, double peak, string? says)
    {
        var wired = RailBench.Of(4, "4V5", 3, 6, typical);
        var sheet = RailBench.Read(wired, "usb") with { UsbAmps = new AmpPair(typical, peak) };
        var found = RailCheck.Of(sheet).Where(f => f.Rule == "USB-LIMIT").ToList();
        Assert.Equal(says is null ? 0 : 1, found.Count);
        Assert.All(found, f => Assert.Contains(says!, f.Sentence));
    }
}
