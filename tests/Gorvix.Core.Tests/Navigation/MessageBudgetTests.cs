using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Gnss;

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

    // Newer without satellites is 1032 bits a solution: five a second fill 5160 baud to the last bit, and 6450 to four fifths.
    [Theory]
    [InlineData(5_160, 1.0, "UART nearly full: occasional messages are lost. Set 9600 baud, or at most 4 Hz.")]
    [InlineData(5_159, 1.0002, "UART overloaded: whole messages are lost. Set 9600 baud, or at most 3 Hz.")]
    [InlineData(6_450, 0.8, "It fits, with 20 % of the UART to spare.")]
    [InlineData(6_449, 0.8001, "UART nearly full: occasional messages are lost. Set 9600 baud, or at most 4 Hz.")]
    public void A_limit_belongs_to_the_better_side(int baud, double load, string words)
    {
        var budget = MessageBudget.Of("UBX", GnssGeneration.Newer, 0, 5, baud);
        Assert.Equal(load, budget.Load, 0.0001);
        Assert.Equal(words, budget.Words);
    }

    [Fact]
    public void A_baud_that_is_just_enough_is_enough()
    {
        var budget = MessageBudget.Of("UBX", GnssGeneration.Newer, 0, 5, 6_450, [4_800, 6_450]);
        Assert.Equal((6_450, 5), (budget.LeastBaud, budget.MostHertz));
    }

    // NMEA with 60 satellites: (76 + 78 + 66 + 15 × 70 + 52 + 54) × 10 = 13 760 bits a solution, two a second want 34 400 baud at four fifths.
    [Theory]
    [InlineData(1_200, null, "UART overloaded: whole messages are lost. Set 38 400 baud.")]
    [InlineData(
        1_200,
        9_600,
        "UART overloaded: whole messages are lost. No baud is fast enough: enable fewer messages."
    )]
    [InlineData(17_200, 9_600, "UART overloaded: whole messages are lost. Set at most 1 Hz.")]
    public void Who_cannot_have_one_cure_is_told_the_other(int baud, int? only, string words) =>
        Assert.Equal(
            words,
            MessageBudget.Of("NMEA", GnssGeneration.Newer, 60, 2, baud, only is { } own ? [own] : null).Words
        );

    [Theory]
    [InlineData(
        "UBX",
        GnssGeneration.Older,
        "NAV-POSLLH 36/1, NAV-DOP 26/1, NAV-SOL 60/1, NAV-VELNED 44/1, NAV-TIMEUTC 28/1, NAV-SVINFO 64/5"
    )]
    [InlineData("UBX", GnssGeneration.Newer, "NAV-PVT 100/1, NAV-SAT 64/5")]
    [InlineData("NMEA", GnssGeneration.Newer, "RMC 76/1, GGA 78/1, GSA 66/1, GSV × 1 70/1, GLL 52/1, VTG 54/1")]
    public void Each_message_has_its_name_its_bytes_and_what_it_is_for(
        string protocol,
        GnssGeneration generation,
        string messages
    )
    {
        var lines = MessageBudget.Messages(protocol, generation, 4, 5);
        Assert.Equal(messages, string.Join(", ", lines.Select(l => $"{l.Name} {l.Bytes}/{l.Every}")));
        Assert.All(lines, l => Assert.NotEmpty(l.Why));
    }

    // IEC 61162-1, lengths of the longest usual form (from memory): RMC 76, GGA 78, GSA 66, GSV 70 for each four satellites, GLL 52, VTG 54.
    [Theory]
    [InlineData(12, 1, 9_600, 0.5583)]
    [InlineData(12, 5, 9_600, 2.7917)]
    [InlineData(13, 5, 38_400, 0.7891)]
    public void Sentences_are_counted_as_they_are_told(int satellites, int hertz, int baud, double load) =>
        Assert.Equal(load, MessageBudget.Of("NMEA", GnssGeneration.Newer, satellites, hertz, baud).Load, 0.0001);
}
