using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Tests.Faults;

/// <summary>
/// The search against aircraft that really have the fault, on every demo build. The order of doubt that it is held against is common practice.
/// </summary>
public class SearchTests(ITestOutputHelper output)
{
    [Fact]
    public void Every_single_fault_of_every_demo_build_is_found_in_few_tests_and_far_fewer_minutes_than_by_the_order_of_doubt()
    {
        var wrong = new List<string>();
        var random = new Random(20261127);
        var (tests, own, doubt, any) = (new List<int>(), new List<double>(), new List<double>(), new List<double>());
        foreach (var (build, table) in Tester.Demos)
        {
            foreach (var suspect in table.Singles.Skip(1))
            {
                var tester = new Tester(table, suspect.Faults).Report().Follow(Tester.Proposed);
                if (tester.Standing.State != SearchState.Found || !tester.IsRight())
                {
                    wrong.Add(
                        $"{build.Name}: {suspect.Id} ends as {tester.Standing.State} {tester.Standing.Causes[0].Id}"
                    );
                }
                tests.Add(tester.Tests);
                own.Add(tester.Minutes);
                // Every third one is walked by the other orders as well.
                if (tests.Count % 3 == 0)
                {
                    var plain = new Tester(table, suspect.Faults).Report();
                    doubt.Add(plain.Follow(plain.OrderOfDoubt()).Minutes - tester.Minutes);
                    any.Add(
                        new Tester(table, suspect.Faults).Report().Follow(Tester.AnyOrder(random)).Minutes
                            - tester.Minutes
                    );
                }
            }
        }
        Assert.True(wrong.Count == 0, string.Join('\n', wrong.Take(10)));
        Assert.True(tests.Count > 1400);
        var (mean, slower, blind) = (own.Average(), own.Average() + doubt.Average(), own.Average() + any.Average());
        tests.Sort();
        own.Sort();
        output.WriteLine(
            $"{tests.Count} faults: {Of(tests, 0.5)} tests in the middle, {Of(tests, 0.9)} at nine of ten, {tests[^1]} at most; "
                + $"minutes {Of(own, 0.5):0.0} in the middle, {Of(own, 0.9):0.0} at nine of ten, {mean:0.0} on the average; "
                + $"order of doubt {slower:0.0}, any order {blind:0.0}"
        );
        Assert.True(Of(tests, 0.5) <= 4, $"{Of(tests, 0.5)} tests in the middle");
        Assert.True(mean <= 0.65 * slower, $"{mean:0.0} minutes against {slower:0.0} by the order of doubt");
        Assert.True(mean <= 0.65 * blind, $"{mean:0.0} minutes against {blind:0.0} in any order");
    }

    /// <summary>Who has a craft that burns when it is fed measures it cold first.</summary>
    [Fact]
    public void A_fault_that_does_harm_is_looked_for_without_power()
    {
        var (harmful, fed) = (0, 0);
        foreach (var (_, table) in Tester.Demos)
        {
            foreach (var suspect in table.Singles.Where(s => s.Harms))
            {
                harmful++;
                var isFed = false;
                new Tester(table, suspect.Faults)
                    .Report()
                    .Follow(t =>
                    {
                        var next = Tester.Proposed(t);
                        isFed |= next is { } test && table.Tests[test].IsPowered;
                        return next;
                    });
                fed += isFed ? 1 : 0;
            }
        }
        output.WriteLine($"{fed} of {harmful}");
        Assert.True(harmful > 80 && fed * 20 <= harmful, $"{fed} of {harmful}");
    }

    private static T Of<T>(List<T> sorted, double part) => sorted[(int)(sorted.Count * part)];

    [Fact]
    public void With_one_answer_in_twenty_wrong_nine_of_ten_faults_are_found()
    {
        var random = new Random(5);
        var right = 0;
        const int Runs = 400;
        for (var run = 0; run < Runs; run++)
        {
            var (_, table) = Tester.Demos[random.Next(Tester.Demos.Count)];
            var suspect = table.Singles[1 + random.Next(table.Singles.Count - 1)];
            right += new Tester(table, suspect.Faults, new Random(run), 0.05).Report().Follow(Tester.Proposed).IsRight()
                ? 1
                : 0;
        }
        output.WriteLine($"{right} of {Runs}");
        Assert.True(right >= 0.9 * Runs, $"{right} of {Runs}");
    }

    /// <summary>
    /// Two faults: together, or one after the other as a builder mends them, each a fault that is really there.
    /// </summary>
    [Fact]
    public void Of_two_faults_at_once_both_are_found_in_nineteen_of_twenty()
    {
        var random = new Random(11);
        var (runs, right) = (0, 0);
        var wrong = new List<string>();
        while (runs < 250)
        {
            var (build, table) = Tester.Demos[random.Next(Tester.Demos.Count)];
            var one = table.Singles[1 + random.Next(table.Singles.Count - 1)];
            var other = table.Singles[1 + random.Next(table.Singles.Count - 1)];
            if (one == other || PairFinder.IsOnePlace(one, other))
            {
                continue;
            }
            runs++;
            if (Mended(table, [one.Faults[0], other.Faults[0]]) is { } why)
            {
                wrong.Add($"{build.Name}: {one.Id} and {other.Id}: {why}");
            }
            else
            {
                right++;
            }
        }
        output.WriteLine($"{right} of {runs}\n{string.Join('\n', wrong)}");
        Assert.True(right >= 0.95 * runs, $"{right} of {runs}: {string.Join('\n', wrong.Take(10))}");
    }

    // Why it was not mended; null where it was.
    private static string? Mended(FaultTable table, List<PlantedFault> left)
    {
        while (left.Count > 0)
        {
            var tester = new Tester(table, left).Report().Follow(Tester.Proposed);
            if (tester.Standing.State == SearchState.Sound || tester.IsRight())
            {
                return null;
            }
            var ids = left.Select(l => l.Id).ToHashSet();
            var found = tester
                .Standing.Causes[0]
                .Faults.FirstOrDefault(f => f.Count > 0 && f.All(x => ids.Contains(x.Id)));
            if (found is null)
            {
                return $"{tester.Standing.Causes[0].Id} is not there";
            }
            left = [.. left.Where(l => found.All(f => f.Id != l.Id))];
        }
        return null;
    }
}
