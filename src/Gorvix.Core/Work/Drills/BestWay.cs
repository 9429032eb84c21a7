using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Work.Drills;

/// <summary>The way of the best tester to a hidden fault: what the search proposes, until it is found. Scores are measured by it.</summary>
/// <param name="Hidden">The fault.</param>
/// <param name="Start">What is told at the beginning.</param>
/// <param name="Steps">Indices of the tests, in order.</param>
/// <param name="Minutes">Minutes of a bench that they take, harm included.</param>
/// <param name="IsRight">True where the fault leads at the end.</param>
internal sealed record BestWay(
    Suspect Hidden,
    IReadOnlyList<Observation> Start,
    IReadOnlyList<int> Steps,
    double Minutes,
    bool IsRight
)
{
    private const int MostSteps = 40;

    // It is the same in every drill on a build: kept as long as the table is.
    private static readonly ConditionalWeakTable<
        FaultTable,
        ConcurrentDictionary<(Suspect, bool IsTold), BestWay>
    > Walked = new();

    /// <summary>The best way to a fault.</summary>
    /// <param name="table">The faults of the build.</param>
    /// <param name="hidden">The fault; it shows at least one sign.</param>
    /// <param name="isTold">True where all signs are told at the beginning, not the first odd one only.</param>
    public static BestWay To(FaultTable table, Suspect hidden, bool isTold) =>
        Walked.GetOrCreateValue(table).GetOrAdd((hidden, isTold), _ => Walk(table, hidden, isTold));

    /// <summary>What a test shows at a fault, by the id of its outcome; null where it cannot be told.</summary>
    public static string? Shown(FaultTable table, Suspect suspect, int test) =>
        suspect.Shows[test] < 0 ? null : table.Outcomes(test)[suspect.Shows[test]].Id;

    /// <summary>Indices of the signs that are not as they should be.</summary>
    public static IEnumerable<int> Off(FaultTable table, Suspect suspect) =>
        from test in table.Tests.Index()
        where test.Item.IsSign && suspect.Shows[test.Index] >= 0
        where !table.Outcomes(test.Index)[suspect.Shows[test.Index]].IsSound
        select test.Index;

    private static List<Observation> Told(FaultTable table, Suspect suspect, bool isTold)
    {
        var signs = isTold
            ? Off(table, suspect)
                .Concat(
                    table.Tests.Index().Where(t => t.Item.IsSign && suspect.Shows[t.Index] >= 0).Select(t => t.Index)
                )
                .Distinct()
            : Off(table, suspect).Take(1);
        return [.. signs.Select(t => new Observation(table.Tests[t].Id, Shown(table, suspect, t)!))];
    }

    private static BestWay Walk(FaultTable table, Suspect suspect, bool isTold)
    {
        var start = Told(table, suspect, isTold);
        var search = new Search(table);
        var seen = start.ToList();
        var cannot = new HashSet<string>();
        var steps = new List<int>();
        var (minutes, burnt) = (0.0, false);
        var standing = search.Look(seen);
        while (
            standing.State is SearchState.Searching or SearchState.Unexplained or SearchState.Sound
            && standing.Tests.Count > 0
            && steps.Count < MostSteps
        )
        {
            var next = standing.Tests[0].Test;
            steps.Add(next);
            minutes += table.Tests[next].Minutes;
            if (table.Tests[next].IsPowered && suspect.Harms && !burnt)
            {
                (burnt, minutes) = (true, minutes + FaultDrill.HarmMinutes);
            }
            if (Shown(table, suspect, next) is { } shown)
            {
                seen.Add(new Observation(table.Tests[next].Id, shown));
            }
            else
            {
                cannot.Add(table.Tests[next].Id);
            }
            standing = search.Look(seen, cannot);
        }
        return new BestWay(
            suspect,
            start,
            steps,
            minutes,
            standing.Causes.Count > 0 && standing.Causes[0].Shows.AsSpan().SequenceEqual(suspect.Shows)
        );
    }
}
