using Gorvix.Core.Hardware.Supply;

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

    /// <summary>
    /// Two published tables (figures from memory): handbook of electronic tables and formulas for American wire gauge, "chassis wiring"; NASA
    /// EEE-INST-002 (2003), section W1, derated current of a single wire. A builder's bundle is warmer than either, so the lower one counts.
    /// </summary>
    [Theory]
    [InlineData(30, 0.86, 1.3)]
    [InlineData(28, 1.4, 1.8)]
    [InlineData(26, 2.2, 2.5)]
    [InlineData(24, 3.5, 3.3)]
    [InlineData(22, 7, 4.5)]
    [InlineData(20, 11, 6.5)]
    [InlineData(18, 16, 9.2)]
    [InlineData(16, 22, 13)]
    [InlineData(14, 32, 19)]
    [InlineData(12, 41, 25)]
    [InlineData(10, 55, 33)]
    public void A_wire_is_never_trusted_with_more_than_either_table_gives_it(int gauge, double chassis, double derated)
    {
        Assert.Equal(Math.Min(chassis, derated), WireGauge.Ampacity(gauge));
        // Preece (1884): copper melts at 80 A × d^1.5, d in mm. What is trusted stays far below.
        Assert.True(WireGauge.Ampacity(gauge) < 80 * Math.Pow(Wire.Diameter(gauge), 1.5) / 4);
    }

    // Thinner than any is taken as the thinnest.
    [Theory]
    [InlineData(31, 0.86)]
    [InlineData(29, 0.86)]
    [InlineData(27, 1.4)]
    [InlineData(11, 25)]
    public void Between_two_gauges_the_thinner_one_counts(int gauge, double amps) =>
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
    [InlineData(1, 400, 4.75, 26)]
    [InlineData(1, 600, 4.75, 24)]
    public void The_thinnest_gauge_is_chosen_that_carries_the_current_and_loses_little(
        double amps,
        double millimetres,
        double volts,
        int gauge
    )
    {
        Assert.Equal(gauge, WireGauge.For(amps, millimetres, volts));
        if (gauge is > 10 and < 28)
        {
            Assert.True(
                WireGauge.Ampacity(gauge + 2) < amps || new Wire(gauge + 2, millimetres).Drop(amps) > 0.03 * volts
            );
        }
    }
}
