using Gorvix.Core.Navigation;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Tests.Navigation;

/// <summary>
/// How full a module's line is, by hand. Lengths of the messages are those of the receiver maker's interface description: 8 bytes round the
/// payload; NAV-PVT 92, NAV-SAT 8 + 12 a satellite with every fifth solution, NAV-POSLLH 28, NAV-DOP 18, NAV-SOL 52, NAV-VELNED 36,
/// NAV-TIMEUTC 20, NAV-SVINFO 8 + 12 a satellite with every fifth. A byte is ten bits on the line.
/// </summary>
public class MessageBudgetTests
{
    // Newer, no satellites: (100 + 16 / 5) × 10 = 1032 bits a solution.
    // Newer, 20: (100 + 256 / 5) × 10 = 1512. Older, 12: (36 + 26 + 60 + 44 + 28 + 160 / 5) × 10 = 2260.
    [Theory]
    [InlineData(GnssGeneration.Newer, 0, 7, 9_600, 0.7525, 9_600, 7)]
    [InlineData(GnssGeneration.Newer, 0, 8, 9_600, 0.86, 19_200, 7)]
    [InlineData(GnssGeneration.Newer, 0, 10, 9_600, 1.075, 19_200, 7)]
    [InlineData(GnssGeneration.Newer, 20, 10, 19_200, 0.7875, 19_200, 10)]
    [InlineData(GnssGeneration.Newer, 20, 5, 9_600, 0.7875, 9_600, 5)]
    [InlineData(GnssGeneration.Older, 12, 5, 9_600, 1.1771, 19_200, 3)]
    [InlineData(GnssGeneration.Older, 12, 10, 57_600, 0.3924, 38_400, 20)]
    public void A_line_is_full_at_eighty_percent(
        GnssGeneration generation,
        int satellites,
        int hertz,
        int baud,
        double load,
        int least,
        int most
    )
    {
        var budget = MessageBudget.Of("UBX", generation, satellites, hertz, baud);
        Assert.Equal(load, budget.Load, 0.0001);
        Assert.Equal((least, most), (budget.LeastBaud, budget.MostHertz));
        Assert.Equal(load <= 0.8, budget.Words.StartsWith("It fits", StringComparison.Ordinal));
        Assert.Equal(load > 1, budget.Words.Contains("whole messages are lost", StringComparison.Ordinal));
    }

    // IEC 61162-1, lengths of the longest usual form (from memory): RMC 76, GGA 78, GSA 66, GSV 70 for each four satellites, GLL 52, VTG 54.
    [Theory]
    [InlineData(12, 1, 9_600, 0.5583)]
    [InlineData(12, 5, 9_600, 2.7917)]
    [InlineData(13, 5, 38_400, 0.7891)]
    public void Sentences_are_counted_as_they_are_told(int satellites, int hertz, int baud, double load) =>
        Assert.Equal(load, MessageBudget.Of("NMEA", GnssGeneration.Newer, satellites, hertz, baud).Load, 0.0001);
}
