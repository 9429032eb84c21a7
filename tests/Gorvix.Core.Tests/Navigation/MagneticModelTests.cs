using System.Globalization;
using Gorvix.Core.Wired.Navigation;

namespace Gorvix.Core.Tests.Navigation;

/// <summary>
/// The field against the published test values of the World Magnetic Model 2025 (100 points, as they stand in the package "geomagnetism" 0.2:
/// date, height, place, and what comes out), within the accuracy in which they are given.
/// </summary>
public class MagneticModelTests
{
    private static IEnumerable<double[]> Published =>
        File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Navigation", "wmm2025-test-values.csv"))
            .Skip(1)
            .Select(line => line.Split(',').Select(n => double.Parse(n, CultureInfo.InvariantCulture)).ToArray());

    [Fact]
    public void Every_published_value_comes_out()
    {
        var count = 0;
        foreach (var v in Published)
        {
            var field = MagneticModel.Shipped.At(v[2], v[3], v[1], v[0]);
            Assert.Equal(v[4], field.X, 0.06);
            Assert.Equal(v[5], field.Y, 0.06);
            Assert.Equal(v[6], field.Z, 0.06);
            Assert.Equal(v[7], field.Level, 0.06);
            Assert.Equal(v[8], field.Total, 0.06);
            Assert.Equal(v[9], field.Inclination, 0.0051);
            Assert.Equal(v[10], field.Declination, 0.0051);
            count++;
        }
        Assert.Equal(100, count);
    }

    // Packing is common practice: 3°27' is 327, the sign kept.
    [Theory]
    [InlineData(3.45, 327)]
    [InlineData(-3.45, -327)]
    [InlineData(0.999, 100)]
    [InlineData(-0.02, -1)]
    public void Degrees_and_minutes_are_packed_as_one_number(double degrees, int packed) =>
        Assert.Equal(packed, Declination.Pack(degrees));

    [Fact]
    public void A_pole_has_no_declination_and_a_day_outside_the_model_is_said()
    {
        Assert.Null(Declination.Of(90, 0, new DateOnly(2026, 11, 26)).Degrees);
        Assert.Contains("pole", Declination.Of(-90, 12, new DateOnly(2026, 11, 26)).Warning!, StringComparison.Ordinal);
        Assert.Null(Declination.Of(53.3, -1.8, new DateOnly(2026, 11, 26)).Warning);
        foreach (var outside in new[] { new DateOnly(2024, 12, 31), new DateOnly(2030, 1, 1) })
        {
            Assert.Contains(
                "valid from 2025 to the end of 2029;",
                Declination.Of(53.3, -1.8, outside).Warning!,
                StringComparison.Ordinal
            );
        }
        Assert.Throws<ArgumentOutOfRangeException>(() => Declination.Of(91, 0, new DateOnly(2026, 1, 1)));
        Assert.Throws<ArgumentOutOfRangeException>(() => Declination.Of(double.NaN, 0, new DateOnly(2026, 1, 1)));
        Assert.Throws<ArgumentOutOfRangeException>(() => Declination.Of(0, 181, new DateOnly(2026, 1, 1)));
    }

    /// <summary>
    /// The report on the model: below 2000 nT no compass works, below 6000 nT it may be far off. The places are those of the published values,
    /// whose level field is published with them.
    /// </summary>
    [Fact]
    public void Where_the_level_field_is_weak_it_is_said()
    {
        var met = new Dictionary<string, int>();
        foreach (var v in Published)
        {
            var level = v[7];
            var expected =
                level < 2000 ? "too weak here for any compass"
                : level < 6000 ? "may be far off"
                : "";
            var warning = Declination.Of(v[2], v[3], new DateOnly((int)v[0], v[0] % 1 > 0 ? 7 : 1, 2)).Warning ?? "";
            Assert.Equal(expected.Length == 0, warning.Length == 0);
            Assert.Contains(expected, warning, StringComparison.Ordinal);
            met[expected] = met.GetValueOrDefault(expected) + 1;
        }
        Assert.Equal(2, met["too weak here for any compass"]);
        Assert.Equal(7, met["may be far off"]);
        // Between 3000 and 6000 nT: 5027 nT at the published height, a little more below.
        Assert.Contains(
            "may be far off",
            Declination.Of(72, -115, new DateOnly(2027, 1, 2)).Warning!,
            StringComparison.Ordinal
        );
    }
}
