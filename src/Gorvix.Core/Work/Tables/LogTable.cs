using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;

namespace Gorvix.Core.Work.Tables;

/// <summary>The readings of a build as a list for a spreadsheet.</summary>
public static class LogTable
{
    /// <summary>Writes it.</summary>
    /// <param name="readings">The readings, the oldest first.</param>
    public static string Write(IReadOnlyList<LoggedReading> readings) =>
        Sheet.Write(
            ["at", "who", "check", "title", "expected", "value", "unit", "answer", "mark", "words", "reason", "struck"],
            readings.Select(r =>
                (IReadOnlyList<string?>)
                    [
                        $"{r.At:yyyy-MM-ddTHH:mm:ssZ}",
                        r.Who,
                        r.Check,
                        r.Title,
                        r.Expected,
                        r.Value is { } value ? FormattableString.Invariant($"{value}") : "",
                        r.Unit switch
                        {
                            ReadingUnit.Volts => "V",
                            ReadingUnit.Amps => "A",
                            ReadingUnit.Ohms => "ohm",
                            _ => "",
                        },
                        r.Answer is { } answer ? Phrase.Lower(BenchWords.Of(r.Asks, answer)) : "",
                        BenchWords.Of(r.Mark),
                        r.Words,
                        r.Reason ?? "",
                        r.Struck is { } struck ? $"{struck:yyyy-MM-ddTHH:mm:ssZ}" : "",
                    ]
            )
        );
}
