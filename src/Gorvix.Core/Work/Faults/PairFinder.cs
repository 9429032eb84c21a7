namespace Gorvix.Core.Work.Faults;

/// <summary>
/// Two faults at once, looked for only where no single one explains what was seen. Which two is guessed by laying their rows over each other:
/// where only one of them changes a test, the pair shows what that one shows; the guesses that fit are then computed as one craft.
/// </summary>
internal sealed class PairFinder(FaultTable table, Func<Suspect, double> weight)
{
    /// <summary>How much seldomer two faults are than one (our own choice).</summary>
    public const double Rarity = 0.02;

    // As many guesses are computed as a step may take.
    private const int MostComputed = 260;

    /// <summary>The pairs that explain everything that was seen.</summary>
    /// <param name="read">What was seen.</param>
    /// <param name="stop">Tells that nobody waits for it any more.</param>
    public IReadOnlyList<Suspect> Find(IReadOnlyList<Search.Reading> read, CancellationToken stop)
    {
        var sound = table.Singles[0].Shows;
        // Who explains something that a sound craft would not show.
        var odd = read.Where(r => table.Agrees(sound[r.Test], r.Test, r.Outcome) != true).ToList();
        if (odd.Count == 0)
        {
            return [];
        }
        var first = odd[0];
        var candidates = table.Singles.Skip(1).ToList();
        var weights = candidates.ConvertAll(c => weight(c));
        var explains = candidates.ConvertAll(c => Explains(c, first));
        var guesses = new List<(Suspect One, Suspect Other, double Weight)>();
        for (var i = 0; i < candidates.Count; i++)
        {
            stop.ThrowIfCancellationRequested();
            for (var j = i + 1; j < candidates.Count; j++)
            {
                var (one, other) = (candidates[i], candidates[j]);
                if (
                    (explains[i] || explains[j])
                    && FitsAll(one, other, sound, read) is > 0 and var fits
                    && !IsOnePlace(one, other)
                )
                {
                    guesses.Add((one, other, fits * weights[i] * weights[j]));
                }
            }
        }
        var found = new List<Suspect>();
        // Without power only copper is walked; under power rails are solved as well.
        var seen = read.OrderBy(r => table.Tests[r.Test].IsPowered).Select(r => (r.Test, r.Outcome)).ToList();
        foreach (
            var (one, other, _) in guesses.OrderByDescending(g => g.Weight).ThenBy(g => g.One.Id).Take(MostComputed)
        )
        {
            stop.ThrowIfCancellationRequested();
            if (table.Explaining(one.Faults[0], other.Faults[0], seen) is { } pair)
            {
                found.Add(pair);
            }
        }
        return found;
    }

    private bool Explains(Suspect suspect, Search.Reading reading) =>
        table.Agrees(suspect.Shows[reading.Test], reading.Test, reading.Outcome) != false;

    // Two faults of one wire, bridge or setting are one.
    internal static bool IsOnePlace(Suspect one, Suspect other)
    {
        var (a, b) = (one.Faults[0].Place, other.Faults[0].Place);
        return (a.Device is not null && a.Device == b.Device && a.Lead is not null && a.Lead == b.Lead)
            || (a.Bridge is not null && a.Bridge == b.Bridge)
            || (a.Setting is not null && a.Setting == b.Setting);
    }

    private double FitsAll(Suspect one, Suspect other, short[] sound, IReadOnlyList<Search.Reading> read)
    {
        var fits = 1.0;
        for (var i = 0; i < read.Count && fits > 0; i++)
        {
            var at = read[i].Test;
            fits *=
                read[i].Outcome == FaultTable.NotSound
                    ? (Explains(one, read[i]) || Explains(other, read[i]) ? 1 : 0)
                    : Fits(one.Shows[at], other.Shows[at], sound[at], read[i].Outcome);
        }
        return fits;
    }

    // How well two rows laid over each other fit what was seen at a test: 1 where they say so, little where both change it and make something new.
    internal static double Fits(short one, short other, short sound, int seen)
    {
        const double Wild = 0.05;
        if (one < 0 || other < 0)
        {
            return 0.5;
        }
        return one == sound || other == sound
            ? (one == sound ? other : one) == seen
                ? 1
                : 0
            : one == seen || other == seen
                ? 1
                : one != other
                    ? Wild
                    : 0;
    }
}
