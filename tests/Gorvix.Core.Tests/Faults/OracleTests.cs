using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Tests.Faults;

/// <summary>The search against plain arithmetic: Bayes by enumeration, and the best order of tests by trying them all.</summary>
public class OracleTests(ITestOutputHelper output)
{
    /// <summary>Bayes' rule written down: what a suspect weighs, times the chance of each answer, shared out.</summary>
    [Fact]
    public void Shares_are_those_of_Bayes_by_enumeration()
    {
        var random = new Random(3);
        foreach (var (build, table) in Tester.Demos.Where(d => d.Table.Singles.Count < 140))
        {
            var search = new Search(table);
            for (var run = 0; run < 40; run++)
            {
                var truth = table.Singles[1 + random.Next(table.Singles.Count - 1)];
                var seen = new List<Observation>();
                for (var i = 0; i < 5; i++)
                {
                    var test = random.Next(table.Tests.Count);
                    if (truth.Shows[test] >= 0)
                    {
                        seen.Add(new(table.Tests[test].Id, table.Outcomes(test)[truth.Shows[test]].Id));
                    }
                }
                var plain = table
                    .Singles.Select(s =>
                        (
                            Suspect: s,
                            Weight: (
                                s.Faults.Count == 0
                                    ? 0.5
                                    : FaultPriors.Of(s.Faults[0], OwnExperience.None, LogHints.None)
                            ) * seen.Aggregate(1.0, (p, o) => p * Chance(table, s, o))
                        )
                    )
                    .ToList();
                // What explains nothing that is wrong weighs a fiftieth beside what explains all that was seen.
                var odd = seen.Where(o => Shown(table, table.Singles[0], o.Test) is { } sound && sound != o.Outcome)
                    .ToList();
                bool Explains(Suspect s) => odd.Exists(o => Shown(table, s, o.Test) == o.Outcome);
                if (
                    plain.Exists(p =>
                        Explains(p.Suspect)
                        && seen.TrueForAll(o => (Shown(table, p.Suspect, o.Test) ?? o.Outcome) == o.Outcome)
                    )
                )
                {
                    plain = plain.ConvertAll(p => Explains(p.Suspect) ? p : (p.Suspect, p.Weight * 0.02));
                }
                var sum = plain.Sum(p => p.Weight);
                foreach (var cause in search.Look(seen).Causes.Where(c => c.Faults[0].Count < 2))
                {
                    var own =
                        plain.Where(p => p.Suspect.Shows.AsSpan().SequenceEqual(cause.Shows)).Sum(p => p.Weight) / sum;
                    Assert.True(
                        Math.Abs(own - cause.Share) < 1e-9,
                        $"{build.Name}: {cause.Id} {cause.Share} against {own}"
                    );
                }
            }
        }
    }

    private static double Chance(FaultTable table, Suspect suspect, Observation seen)
    {
        var test = table.Tests.Index().First(t => t.Item.Id == seen.Test);
        var shown = suspect.Shows[test.Index];
        var outcomes = Math.Max(2, test.Item.Outcomes.Count);
        return shown < 0 ? 1.0 / outcomes
            : table.Outcomes(test.Index)[shown].Id == seen.Outcome ? 1 - test.Item.Slip
            // A bootloader's light is seldom taken for another.
            : test.Item.Slip / (outcomes - 1) * (seen is { Outcome: "loader" } ? 0.1 : 1);
    }

    private static string? Shown(FaultTable table, Suspect suspect, string test)
    {
        var at = table.IndexOf(test)!.Value;
        return suspect.Shows[at] < 0 ? null : table.Outcomes(at)[suspect.Shows[at]].Id;
    }

    /// <summary>
    /// What a whole search takes on the average, begun from what is seen at once, against the least that any order of tests takes; answers right.
    /// </summary>
    [Fact]
    public void A_search_takes_at_most_a_tenth_more_than_the_best_order_found_by_trying_them_all()
    {
        var (own, best, count) = (0.0, 0.0, 0);
        foreach (var (_, table) in Tester.Demos)
        {
            // What is seen at once leaves these together; sets that can be played out by trying everything.
            var signs = table.Tests.Index().Where(t => t.Item.IsSign).Select(t => t.Index).ToList();
            foreach (
                var set in table
                    .Singles.Skip(1)
                    .GroupBy(s => string.Join(',', signs.Select(t => s.Shows[t])))
                    .Select(g => g.ToList())
                    .Where(g => g.Count is >= 2 and <= 12)
            )
            {
                if (set.Exists(s => s.Shows.Any(x => x < 0)) || set.Exists(s => s.Harms))
                {
                    continue;
                }
                var weights = set.Select(s => FaultPriors.Of(s.Faults[0], OwnExperience.None, LogHints.None)).ToList();
                var least = new Least(table, set, weights).Of((1 << set.Count) - 1);
                var taken = set.Select((s, i) => weights[i] * Minutes(table, s, set)).Sum() / weights.Sum();
                (own, best, count) = (own + taken, best + least, count + 1);
            }
        }
        output.WriteLine($"{count} sets: {own / count:0.00} minutes against {best / count:0.00} at the least");
        Assert.True(count > 30, $"{count} sets");
        Assert.True(own <= 1.1 * best, $"{own:0.0} minutes against {best:0.0}");
    }

    // Minutes until what is seen leaves this one alone of its set.
    private static double Minutes(FaultTable table, Suspect truth, List<Suspect> set)
    {
        var tester = new Tester(table, truth.Faults).Report();
        bool Alone() =>
            set.Count(s =>
                tester.Seen.All(o =>
                {
                    var test = table.IndexOf(o.Test)!.Value;
                    return table.Outcomes(test)[s.Shows[test]].Id == o.Outcome;
                })
            ) == 1
            || tester.Standing.State == SearchState.Found;
        while (!Alone() && Tester.Proposed(tester) is { } next)
        {
            tester.Do(next);
        }
        return tester.Minutes;
    }

    /// <summary>The least minutes, by trying every test at every set of suspects.</summary>
    private sealed class Least(FaultTable table, List<Suspect> set, List<double> weights)
    {
        private readonly Dictionary<int, double> _known = [];

        public double Of(int left)
        {
            if ((left & (left - 1)) == 0)
            {
                return 0;
            }
            if (_known.TryGetValue(left, out var known))
            {
                return known;
            }
            var members = Enumerable.Range(0, set.Count).Where(i => (left & (1 << i)) != 0).ToList();
            var all = members.Sum(i => weights[i]);
            var least = double.PositiveInfinity;
            for (var t = 0; t < table.Tests.Count; t++)
            {
                var parts = members.GroupBy(i => set[i].Shows[t]).ToList();
                if (parts.Count > 1)
                {
                    least = Math.Min(
                        least,
                        table.Tests[t].Minutes
                            + parts.Sum(p => p.Sum(i => weights[i]) / all * Of(p.Aggregate(0, (m, i) => m | (1 << i))))
                    );
                }
            }
            return _known[left] = double.IsPositiveInfinity(least) ? 0 : least;
        }
    }
}
