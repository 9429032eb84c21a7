using Gorvix.Core.Supply;

namespace Gorvix.Core.Tests.Supply;

/// <summary>Wires after ASTM B258 (diameters) and IEC 60028 (resistivity).</summary>
public class WireTests
{
    /// <summary>Published table of solid round copper, diameters in mm (source: ASTM B258-18, table 1; ohms per km at 20 °C after NBS Handbook 100, 1966, table 5).</summary>
    [Theory]
    [InlineData(20, 0.8128, 33.31)]
    [InlineData(22, 0.6438, 52.96)]
    [InlineData(24, 0.5106, 84.22)]
    [InlineData(26, 0.4049, 133.9)]
    [InlineData(28, 0.3211, 212.9)]
    [InlineData(30, 0.2546, 338.6)]
    [InlineData(36, 0.1270, 1361)]
    public void A_gauge_has_the_diameter_and_resistance_of_the_tables(int gauge, double millimetres, double ohms)
    {
        Assert.InRange(Wire.Diameter(gauge), millimetres * 0.995, millimetres * 1.005);
        Assert.InRange(new Wire(gauge, 1_000_000).Ohms, ohms * 0.99, ohms * 1.01);
    }

    /// <summary>There and back: 10 cm of AWG 28 at 1 A.</summary>
    [Fact]
    public void A_wire_loses_on_both_ways() => Assert.Equal(0.0426, new Wire(28, 100).Drop(1), 3);

    // Of the two tables that the code names the lower figure (from memory); between two gauges the thinner one counts.
    [Theory]
    [InlineData(31, 0.86)]
    [InlineData(30, 0.86)]
    [InlineData(29, 0.86)]
    [InlineData(28, 1.4)]
    [InlineData(27, 1.4)]
    [InlineData(20, 6.5)]
    [InlineData(11, 25)]
    [InlineData(10, 33)]
    public void A_wire_carries_what_the_tables_say(int gauge, double amps) =>
        Assert.Equal(amps, WireGauge.Ampacity(gauge));

    // 10 cm of AWG 28 lose 0.0426 V at 1 A: 3 % of 1.5 V is more than that, of 1.4 V it is less.
    [Theory]
    [InlineData(0.1, 1, 5, 28)]
    [InlineData(1.4, 1, 5, 28)]
    [InlineData(1.41, 1, 5, 26)]
    [InlineData(1, 100, 1.5, 28)]
    [InlineData(1, 100, 1.4, 26)]
    [InlineData(6.5, 1, 5, 20)]
    [InlineData(33, 1, 5, 10)]
    [InlineData(34, 1, 5, 10)]
    public void The_thinnest_gauge_is_chosen_that_carries_the_current_and_loses_little(
        double amps,
        double millimetres,
        double volts,
        int gauge
    ) => Assert.Equal(gauge, WireGauge.For(amps, millimetres, volts));
}
