namespace Gorvix.Core.Work.Bench;

/// <summary>A reading as it was taken.</summary>
/// <param name="Check">Id of the check.</param>
/// <param name="Value">A number, or null.</param>
/// <param name="Unit">Its unit; null for the check's own.</param>
/// <param name="Answer">An answer, or null.</param>
/// <param name="Print">The print of the check that was read; null where its reader saw none.</param>
/// <param name="Reason">Why it was done although something stands against it; null where nothing does.</param>
public sealed record TakenReading(
    string Check,
    double? Value,
    ReadingUnit? Unit,
    Answer? Answer,
    string? Print,
    string? Reason
);

/// <summary>Why a reading is not kept.</summary>
public enum Refusal
{
    /// <summary>It is kept.</summary>
    None,

    /// <summary>It cannot be: the wrong unit, absurd, of no check.</summary>
    Wrong,

    /// <summary>Something came in between: the build was changed, or something stands against it.</summary>
    Between,
}

/// <summary>What came of taking a reading.</summary>
/// <param name="Check">The check; null where it is not kept.</param>
/// <param name="Judgement">What it came to; null where it is not kept.</param>
/// <param name="Refusal">Whether it is not kept.</param>
/// <param name="Words">Why not, as sentences; empty where it is kept.</param>
public sealed record TakenResult(BenchCheck? Check, Judgement? Judgement, Refusal Refusal, string Words);

/// <summary>Takes readings: what cannot be is refused, what was read of another wiring is not taken for this one, and power is let in in its turn.</summary>
public static class ReadingTaker
{
    // Beyond these nothing at this bench can be: the probes slipped or a key did (our own choice).
    private const double MostVolts = 100;
    private const double MostAmps = 300;
    private const double MostOhms = 1e9;

    /// <summary>The longest reason, in characters.</summary>
    public const int MostReason = 500;

    /// <summary>Takes a reading.</summary>
    /// <param name="sheet">The checks.</param>
    /// <param name="standings">How they stand.</param>
    /// <param name="taken">The reading.</param>
    public static TakenResult Take(BenchSheet sheet, IReadOnlyList<CheckStanding> standings, TakenReading taken)
    {
        TakenResult Not(Refusal refusal, string words) => new(null, null, refusal, words);
        if (sheet.Checks.FirstOrDefault(c => c.Id == taken.Check) is not { } check)
        {
            return Not(Refusal.Wrong, Sentences.TheBuildHasChangedReload);
        }
        if (taken.Print is { } print && print != check.Print)
        {
            return Not(Refusal.Between, Sentences.TheBuildBehindHasChanged(check.Title));
        }
        if (Against(check, taken) is { } against)
        {
            return Not(Refusal.Wrong, against);
        }
        return string.IsNullOrWhiteSpace(taken.Reason) && BenchState.Against(sheet, standings, check) is { } danger
            ? Not(Refusal.Between, Sentences.ThisReadingWasNotSaved(danger))
            : new TakenResult(check, check.Judge(taken.Value, taken.Answer), Refusal.None, "");
    }

    private static string? Against(BenchCheck check, TakenReading taken)
    {
        if (taken.Reason?.Length > MostReason)
        {
            return Sentences.TheReasonHasCharactersThe(taken.Reason.Length, MostReason);
        }
        if (taken.Value is not { } value)
        {
            return taken.Answer is not null ? null
                : check.Unit is null ? Sentences.AnswerYesNoOrUnsure
                : Sentences.AnswerYesNoOrUnsureOr;
        }
        if (check.Unit is not { } unit)
        {
            return Sentences.AnswerWithYesNoOr(check.Title);
        }
        if (taken.Unit is { } told && told != unit)
        {
            return Sentences.IsMeasuredInNotIn(check.Title, Name(unit), Name(told));
        }
        var most = unit switch
        {
            ReadingUnit.Volts => MostVolts,
            ReadingUnit.Amps => MostAmps,
            _ => MostOhms,
        };
        return !double.IsFinite(value) || Math.Abs(value) > most || (unit != ReadingUnit.Volts && value < 0)
            ? Sentences.IsNotPossibleHereCheck(value, Name(unit))
            : null;
    }

    /// <summary>A unit in words.</summary>
    public static string Name(ReadingUnit unit) =>
        unit switch
        {
            ReadingUnit.Volts => "volts",
            ReadingUnit.Amps => "amperes",
            _ => "ohms",
        };
}
