using Gorvix.Core.Files.Formats;

namespace Gorvix.Core.Work.Drills;

/// <summary>
/// When a card comes back: the schedule SM-2 (source: P. A. Woźniak, Optimization of repetition spacing in the practice of learning, 1990, the
/// algorithm of its chapter 3.2).
/// </summary>
/// <param name="Ease">How easy it is: by how much each interval is longer than the one before; 1.3 at least.</param>
/// <param name="Row">How often it was known in a row.</param>
/// <param name="Days">The interval at hand, in days.</param>
/// <param name="Due">The day on which it is due.</param>
/// <param name="Asked">The day on which it was asked last.</param>
/// <param name="Again">True while it was not known well on that day: then it is asked until it is.</param>
public sealed record ReviewSchedule(double Ease, int Row, int Days, DateOnly Due, DateOnly Asked, bool Again)
{
    /// <summary>The ease of a card that is new.</summary>
    public const double FirstEase = 2.5;

    /// <summary>The least ease.</summary>
    public const double LeastEase = 1.3;

    // From this quality on it was known; from the other on it need not be asked again on the same day.
    private const int Known = 3;
    private const int KnownWell = 4;

    // Ten years: what is longer is never.
    private const int MostDays = 3650;

    /// <summary>True when it is to be asked.</summary>
    public bool IsDue(DateOnly today) => Again || Due <= today;

    /// <summary>A card after it was asked.</summary>
    /// <param name="before">As it was; null for a new one.</param>
    /// <param name="quality">How well it was known: 5 at once, 4 after a pause, 3 with trouble, 2 to 0 not.</param>
    /// <param name="today">The day.</param>
    /// <exception cref="ArgumentOutOfRangeException">The quality is not 0 to 5.</exception>
    public static ReviewSchedule After(ReviewSchedule? before, int quality, DateOnly today)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(quality);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(quality, 5);
        if (before is not null && before.Asked == today && (before.Again || before.Due > today))
        {
            // Asked once more on the same day: the schedule counts the first time only.
            return before with { Again = before.Again && quality < KnownWell };
        }
        var ease = before?.Ease ?? FirstEase;
        var row = quality < Known ? 0 : (before?.Row ?? 0) + 1;
        var days = row switch
        {
            // What was not known begins anew, and its ease stays.
            0 or 1 => 1,
            2 => 6,
            _ => Math.Min(MostDays, (int)Math.Ceiling(before!.Days * ease)),
        };
        if (quality >= Known)
        {
            var short5 = 5 - quality;
            ease = Math.Max(LeastEase, ease + (0.1 - (short5 * (0.08 + (short5 * 0.02)))));
        }
        return new ReviewSchedule(ease, row, days, today.AddDays(days), today, quality < KnownWell);
    }

    /// <summary>How well a question was known (the seconds are our own choice).</summary>
    /// <param name="isRight">Whether the answer was right.</param>
    /// <param name="seconds">How long it took.</param>
    public static int QualityOf(bool isRight, double seconds) =>
        !isRight ? 1
        : seconds <= 12 ? 5
        : seconds <= 40 ? 4
        : 3;

    /// <summary>How well a task was done (the bounds are our own choice).</summary>
    /// <param name="score">Its score, 0 to 100.</param>
    public static int QualityOf(int score) =>
        score switch
        {
            >= 90 => 5,
            >= 70 => 4,
            >= 50 => 3,
            >= 25 => 2,
            _ => 1,
        };
}

/// <summary>How hard the next drill is: harder as one gets better (the bounds are our own choice).</summary>
public static class DifficultyLevel
{
    /// <summary>From this score on the next one is harder.</summary>
    public const int Up = 80;

    /// <summary>Below this score the next one is easier.</summary>
    public const int Down = 40;

    /// <summary>The level of the next drill.</summary>
    /// <param name="scores">What was scored, the first first, each with the level that it was scored at.</param>
    public static int After(IEnumerable<(int Level, int Score)> scores) =>
        scores.Aggregate(
            1,
            (level, s) =>
                s.Score >= Up ? Math.Max(level, Math.Min(DrillOrder.MostLevel, s.Level + 1))
                : s.Score < Down ? Math.Max(1, Math.Min(level, s.Level - 1))
                : level
        );
}
