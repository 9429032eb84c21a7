using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Wired.Gnss;

/// <summary>A message that a module sends on its own.</summary>
/// <param name="Name">Its name in the interface description.</param>
/// <param name="Bytes">Its bytes on the line with its frame.</param>
/// <param name="Every">It is sent with every so many solutions, from 1.</param>
/// <param name="PerSecond">How often a second.</param>
/// <param name="Why">What the board takes from it.</param>
public sealed record BudgetLine(string Name, int Bytes, int Every, double PerSecond, string Why);

/// <summary>What the messages of a module need of its line.</summary>
/// <param name="Lines">The messages.</param>
/// <param name="Baud">Bits per second of the line.</param>
/// <param name="Hertz">Solutions a second.</param>
/// <param name="Load">The part of the line that they fill; above 1 they do not fit.</param>
/// <param name="LeastBaud">The lowest usual baud at which they stay below <see cref="MessageBudget.Full"/>; null where none does.</param>
/// <param name="MostHertz">The most solutions a second that fit this baud; 0 where not one does.</param>
/// <param name="Words">What comes of it, as a sentence.</param>
public sealed record Budget(
    IReadOnlyList<BudgetLine> Lines,
    int Baud,
    int Hertz,
    double Load,
    int? LeastBaud,
    int MostHertz,
    string Words
)
{
    /// <summary>What brings the messages onto the line, as a sentence.</summary>
    internal string Mend =>
        (LeastBaud, MostHertz) switch
        {
            ({ } baud, > 0) => Sentences.SetOrAtMostHz(Phrase.Baud(baud), MostHertz),
            ({ } baud, _) => $"Set {Phrase.Baud(baud)}.",
            (_, > 0) => Sentences.SetAtMostHz(MostHertz),
            _ => Sentences.NoBaudIsFastEnough,
        };
}

/// <summary>Works out how full a GNSS module's line is.</summary>
public static class MessageBudget
{
    /// <summary>A line is full above this part: what comes with it now and then needs room (common practice, about 80 %).</summary>
    public const double Full = 0.8;

    /// <summary>The most satellites that a module tells of.</summary>
    public const int MostSatellites = 60;

    /// <summary>The most solutions a second that a module makes.</summary>
    public const int MostHertz = 25;

    /// <summary>The bauds to which modules are set, slowest first (common practice).</summary>
    public static readonly IReadOnlyList<int> Bauds = [9_600, 19_200, 38_400, 57_600, 115_200, 230_400, 460_800];

    /// <summary>The messages that a board needs (source: the GNSS receiver maker's interface description, payload lengths).</summary>
    /// <param name="protocol">Id of the protocol: UBX, else NMEA.</param>
    /// <param name="generation">The generation; matters for UBX only.</param>
    /// <param name="satellites">How many satellites are told of.</param>
    /// <param name="hertz">Solutions a second.</param>
    public static IReadOnlyList<BudgetLine> Messages(
        string protocol,
        GnssGeneration generation,
        int satellites,
        int hertz
    )
    {
        BudgetLine Ubx(UbxMessage message, int payload, int every, string why) =>
            new(UbxFrame.NameOf(message), payload + UbxFrame.Around, every, (double)hertz / every, why);
        BudgetLine Sentence(string name, int bytes, string why) => new(name, bytes, 1, hertz, why);
        var all = 8 + (12 * satellites);
        if (protocol == "UBX")
        {
            return generation == GnssGeneration.Older
                ?
                [
                    Ubx(UbxMessage.NavPosllh, 28, 1, Sentences.PositionAndAltitude),
                    Ubx(UbxMessage.NavDop, 18, 1, Sentences.SatelliteGeometryDop),
                    Ubx(UbxMessage.NavSol, 52, 1, Sentences.FixTypeNumberOfSatellites),
                    Ubx(UbxMessage.NavVelned, 36, 1, Sentences.SpeedAndCourse),
                    Ubx(UbxMessage.NavTimeutc, 20, 1, "time"),
                    Ubx(UbxMessage.NavSvinfo, all, 5, Sentences.SignalStrengthOfEachSatellite),
                ]
                :
                [
                    Ubx(UbxMessage.NavPvt, 92, 1, Sentences.PositionSpeedTimeAndFix),
                    Ubx(UbxMessage.NavSat, all, 5, Sentences.SignalStrengthOfEachSatellite),
                ];
        }
        // Each tells of four satellites at most; lengths of the longest usual form (IEC 61162-1; the lengths from memory).
        var views = Math.Max(1, (satellites + 3) / 4);
        return
        [
            Sentence("RMC", 76, Sentences.PositionSpeedCourseTimeAnd),
            Sentence("GGA", 78, Sentences.FixNumberOfSatellitesAltitude),
            Sentence("GSA", 66, Sentences.SatellitesUsedInTheFix),
            Sentence($"GSV × {views}", 70 * views, Sentences.SignalStrengthOfEachSatellite),
            // Modules send these by default too, whether the board reads them or not.
            Sentence("GLL", 52, Sentences.PositionAgainOnByDefault),
            Sentence("VTG", 54, Sentences.SpeedAndCourseAgainOn),
        ];
    }

    /// <summary>The budget.</summary>
    /// <param name="protocol">Id of the protocol: UBX, else NMEA.</param>
    /// <param name="generation">The generation.</param>
    /// <param name="satellites">How many satellites are told of, 0 to <see cref="MostSatellites"/>; others are brought into that range.</param>
    /// <param name="hertz">Solutions a second, 1 to <see cref="MostHertz"/>; others are brought into that range.</param>
    /// <param name="baud">Bits per second, at least 1200; less is taken as that.</param>
    /// <param name="bauds">The bauds that the module knows; null or empty for the usual ones.</param>
    public static Budget Of(
        string protocol,
        GnssGeneration generation,
        int satellites,
        int hertz,
        int baud,
        IReadOnlyList<int>? bauds = null
    )
    {
        satellites = Math.Clamp(satellites, 0, MostSatellites);
        hertz = Math.Clamp(hertz, 1, MostHertz);
        baud = Math.Max(baud, 1200);
        var lines = Messages(protocol, generation, satellites, hertz);
        var load = BitsPerSecond(lines) / baud;
        var one = BitsPerSecond(Messages(protocol, generation, satellites, 1));
        var least = (bauds is { Count: > 0 } own ? own.Order() : Bauds.AsEnumerable())
            .Cast<int?>()
            .FirstOrDefault(b => BitsPerSecond(lines) / b <= Full);
        var most = Math.Min(MostHertz, (int)Math.Floor((Full * baud / one) + 1e-9));
        var budget = new Budget(lines, baud, hertz, load, least, most, "");
        return budget with
        {
            Words =
                load > 1 ? Sentences.UartOverloadedWholeMessagesAre(budget.Mend)
                : load > Full ? Sentences.UartNearlyFullOccasionalMessages(budget.Mend)
                : Sentences.ItFitsWithOfThe(Phrase.Percent(1 - load)),
        };
    }

    private static double BitsPerSecond(IEnumerable<BudgetLine> lines) =>
        lines.Sum(l => l.Bytes * l.PerSecond) * Framing.EightN1.BitsPerCharacter;
}
