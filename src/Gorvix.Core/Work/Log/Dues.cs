namespace Gorvix.Core.Work.Log;

/// <summary>How it stands with something that is done again and again.</summary>
/// <param name="Interval">What is done.</param>
/// <param name="LastAt">When it was done last, UTC; null where it never was.</param>
/// <param name="DueOn">When its days are over, UTC; null where days do not count or it never was done.</param>
/// <param name="FlightsSince">How many flights there were since.</param>
/// <param name="IsDue">True when it is due.</param>
/// <param name="Words">It in words: "due since 3 days", "in 12 days or 4 flights".</param>
public sealed record Due(
    Interval Interval,
    DateTime? LastAt,
    DateTime? DueOn,
    int FlightsSince,
    bool IsDue,
    string Words
);

/// <summary>What is due by date or by flights, whichever comes first.</summary>
public static class Dues
{
    /// <summary>The most intervals of a build.</summary>
    public const int MostIntervals = 50;

    /// <summary>The longest interval, in days.</summary>
    public const int MostDays = 3650;

    /// <summary>The longest interval, in flights.</summary>
    public const int MostFlights = 10_000;

    /// <summary>The longest words of one, in characters.</summary>
    public const int MostWords = 120;

    /// <summary>What is usual to do again and again (common practice; the numbers are our own).</summary>
    public static IReadOnlyList<Interval> Usual { get; } =
    [
        new()
        {
            Id = "screws",
            Words = "Check screws and connectors",
            Days = 30,
            Flights = 20,
        },
        new()
        {
            Id = "compass",
            Words = "Calibrate compass",
            Days = 90,
        },
        new()
        {
            Id = "firmware",
            Words = "Check for new firmware",
            Days = 180,
        },
    ];

    /// <summary>What is wrong with a list of intervals, as a sentence; null where nothing is.</summary>
    /// <param name="intervals">The intervals, from wherever they come.</param>
    public static string? Against(IReadOnlyList<Interval?> intervals)
    {
        if (intervals.Count > MostIntervals)
        {
            return Sentences.TooManyMaintenanceItemsMaximum(intervals.Count, MostIntervals);
        }
        foreach (var interval in intervals)
        {
            if (
                interval is null
                || interval.Id.Length is 0 or > 60
                || !interval.Id.All(c => c is '-' || char.IsAsciiLetterLower(c) || char.IsAsciiDigit(c))
            )
            {
                return Sentences.AMaintenanceItemsIdMay;
            }
            if (string.IsNullOrWhiteSpace(interval.Words) || interval.Words.Length > MostWords)
            {
                return Sentences.DescribeTheMaintenanceIn1(MostWords);
            }
            if (interval is { Days: null, Flights: null })
            {
                return Sentences.NeedsAnIntervalInDays(interval.Words);
            }
            if (interval.Days is < 1 or > MostDays)
            {
                return Sentences.DaysIsOutOfRange(interval.Words, interval.Days, MostDays);
            }
            if (interval.Flights is < 1 or > MostFlights)
            {
                return Sentences.FlightsIsOutOfRange(interval.Words, interval.Flights, MostFlights);
            }
        }
        return intervals.Select(i => i!.Id).Distinct().Count() < intervals.Count
            ? Sentences.TwoMaintenanceItemsHaveThe
            : null;
    }

    /// <summary>How it stands with each interval. What never was done is due.</summary>
    /// <param name="intervals">The intervals.</param>
    /// <param name="notes">The notes of the build, in any order.</param>
    /// <param name="now">The time, UTC.</param>
    public static IReadOnlyList<Due> Of(
        IReadOnlyList<Interval> intervals,
        IReadOnlyList<LoggedNote> notes,
        DateTime now
    ) =>
        [
            .. intervals
                .Select(i => Of(i, notes, now))
                .OrderBy(d => d.IsDue ? 0 : 1)
                .ThenBy(d => d.DueOn ?? DateTime.MaxValue),
        ];

    /// <summary>How many flights there were.</summary>
    /// <param name="notes">The notes of the flights.</param>
    public static int Flown(IEnumerable<LoggedNote> notes) =>
        (int)Math.Clamp(notes.Sum(n => (long)n.Flights), 0, int.MaxValue);

    private static Due Of(Interval interval, IReadOnlyList<LoggedNote> notes, DateTime now)
    {
        var last = notes
            .Where(n => n.Kind == NoteKind.Done && n.Interval == interval.Id)
            .Select(n => (DateTime?)n.At)
            .Max();
        var flights = Flown(notes.Where(n => n.Kind == NoteKind.Flight && (last is null || n.At > last)));
        if (last is not { } done)
        {
            return new Due(interval, null, null, flights, true, Sentences.NeverDone);
        }
        // What is stored may be damaged: no interval and no day leads out of the calendar.
        DateTime? on =
            interval.Days is not { } days ? null
            : (DateTime.MaxValue - done).TotalDays > MostDays ? done.AddDays(Math.Clamp(days, 0, MostDays))
            : DateTime.MaxValue;
        var over = interval.Flights is { } most ? flights - most : (int?)null;
        var left = on is { } date ? (int)Math.Ceiling((date - now).TotalDays) : (int?)null;
        var isDue = left <= 0 || over >= 0;
        string Days(int n) => n == 1 ? "1 day" : $"{n} days";
        string Flights(int n) => n == 1 ? "1 flight" : $"{n} flights";
        var parts = isDue
            ? new[]
            {
                left is { } l && l <= 0 ? (l == 0 ? Sentences.DueToday : $"{Days(-l)} overdue") : null,
                over is { } o && o >= 0 ? (o == 0 ? Sentences.DueSinceTheLastFlight : $"{Flights(o)} overdue") : null,
            }
            : [left is { } l2 ? Days(l2) : null, over is { } o2 ? Flights(-o2) : null];
        var told = string.Join(isDue ? ", " : " or ", parts.OfType<string>());
        return new Due(interval, done, on, flights, isDue, isDue ? told : $"in {told}");
    }
}
