using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Bench;

namespace Gorvix.Core.Work.Log;

/// <summary>A reading as it is kept: what was asked, what was read, what it came to, and what it rests on.</summary>
public sealed record LoggedReading
{
    /// <summary>A key that its sender made, so that the same reading sent twice is kept once.</summary>
    public required string Key { get; init; }

    /// <summary>Id of the check.</summary>
    public required string Check { get; init; }

    /// <summary>What it was about.</summary>
    public required string Title { get; init; }

    /// <summary>What it asked for.</summary>
    public Asks? Asks { get; init; }

    /// <summary>What should have been seen.</summary>
    public required string Expected { get; init; }

    /// <summary>When it was taken, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>Who took it, as typed; empty where nobody said.</summary>
    public string Who { get; init; } = "";

    /// <summary>The number that was read; null for an answer.</summary>
    public double? Value { get; init; }

    /// <summary>Its unit; null for an answer.</summary>
    public ReadingUnit? Unit { get; init; }

    /// <summary>The answer; null for a number.</summary>
    public Answer? Answer { get; init; }

    /// <summary>The least that was good then; null where nothing bounds it.</summary>
    public double? Low { get; init; }

    /// <summary>The most that was good then; null where nothing bounds it.</summary>
    public double? High { get; init; }

    /// <summary>What it came to.</summary>
    public required Mark Mark { get; init; }

    /// <summary>Why, as a sentence.</summary>
    public required string Words { get; init; }

    /// <summary>Why it was done although something stood against it; null where nothing did.</summary>
    public string? Reason { get; init; }

    /// <summary>When it was struck out as mistaken, UTC: kept, and counting nothing; null while it stands.</summary>
    public DateTime? Struck { get; init; }

    /// <summary>The facts of the build that it rests on.</summary>
    public IReadOnlyList<string> Scope { get; init; } = [];

    // A pack is what it was measured at as long as one sits at the bench (our own choice).
    private static readonly TimeSpan Lately = TimeSpan.FromHours(12);

    /// <summary>A reading of a check.</summary>
    /// <param name="check">The check.</param>
    /// <param name="judged">What it came to.</param>
    /// <param name="key">The key that its sender made.</param>
    /// <param name="at">When it was taken, UTC.</param>
    /// <param name="value">The number; null for an answer.</param>
    /// <param name="answer">The answer; nothing where there is a number.</param>
    /// <param name="reason">Why it was done although something stood against it; nothing where nothing did.</param>
    public static LoggedReading Of(
        BenchCheck check,
        Judgement judged,
        string key,
        DateTime at,
        double? value,
        Answer? answer,
        string? reason
    ) =>
        new()
        {
            Key = key,
            Check = check.Id,
            Title = check.Title,
            Asks = check.Asks,
            Expected = check.Expected,
            At = at,
            Value = value,
            Unit = value is null ? null : check.Unit,
            Answer = value is null ? answer : null,
            Low = check.Good.Low,
            High = check.Good.High,
            Mark = judged.Mark,
            Words = judged.Words,
            Reason = string.IsNullOrWhiteSpace(reason) ? null : reason.Trim(),
            Scope = check.Scope,
        };

    /// <summary>What the source was measured at lately, in volts; null where it was not.</summary>
    /// <param name="last">The last reading of each check.</param>
    /// <param name="now">The time, UTC.</param>
    public static double? SourceVolts(IReadOnlyList<LoggedReading> last, DateTime now) =>
        last.FirstOrDefault(r => r is { Check: PowerChecks.Source, Value: not null, Mark: not Bench.Mark.Stop })
            is { } source
        && now - source.At < Lately
            ? source.Value
            : null;

    /// <summary>It as a proof.</summary>
    public Proof Proof() => new(Check, Mark, At, Scope);

    /// <summary>What was read, as a text: "4.98 V", "continuity".</summary>
    public string Read() =>
        Value is not { } value
            ? Phrase.Lower(BenchWords.Of(Asks, Answer ?? Bench.Answer.Unsure))
            : Unit switch
            {
                ReadingUnit.Volts => Numbers.Volts(value),
                ReadingUnit.Amps => PlainWords.Amperes(value),
                _ => Numbers.Ohms(value),
            };
}

/// <summary>What a line of the log is.</summary>
public enum NoteKind
{
    /// <summary>What somebody wrote.</summary>
    Note,

    /// <summary>Flights that were flown.</summary>
    Flight,

    /// <summary>Something with an interval of its own that was done.</summary>
    Done,
}

/// <summary>What a note or a photo is tied to.</summary>
public enum TiedTo
{
    /// <summary>The build as a whole.</summary>
    Build,

    /// <summary>A pad of its board.</summary>
    Pad,

    /// <summary>A device of it.</summary>
    Device,

    /// <summary>A step of its loom.</summary>
    Step,
}

/// <summary>A line that somebody wrote.</summary>
public sealed record LoggedNote
{
    /// <summary>What it is.</summary>
    public required NoteKind Kind { get; init; }

    /// <summary>When, UTC.</summary>
    public required DateTime At { get; init; }

    /// <summary>Who, as typed; empty where nobody said.</summary>
    public string Who { get; init; } = "";

    /// <summary>What was written; empty for flights about which nothing was.</summary>
    public string Words { get; init; } = "";

    /// <summary>How many flights; 0 for anything else.</summary>
    public int Flights { get; init; }

    /// <summary>The id of what was done, of those with an interval; null for anything else.</summary>
    public string? Interval { get; init; }

    /// <summary>What it is tied to.</summary>
    public TiedTo Tied { get; init; }

    /// <summary>The id of that; null for the build as a whole.</summary>
    public string? TiedId { get; init; }

    /// <summary>It as a line.</summary>
    public string Told() =>
        Kind switch
        {
            NoteKind.Flight =>
                $"{(Flights == 1 ? Sentences.OneFlight : $"{Flights} flights")}{(Words.Length > 0 ? $": {Words}" : "")}",
            NoteKind.Done => $"Done: {Words}",
            _ => Words,
        };
}

/// <summary>Something that is done again and again.</summary>
public sealed record Interval
{
    /// <summary>Its id within the build: lower-case letters, digits and dashes.</summary>
    public required string Id { get; init; }

    /// <summary>What is done: "screws and connectors".</summary>
    public required string Words { get; init; }

    /// <summary>After how many days it is due again, 1 to 3650; null where days do not count.</summary>
    public int? Days { get; init; }

    /// <summary>After how many flights it is due again, 1 to 10000; null where flights do not count.</summary>
    public int? Flights { get; init; }
}
