using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Tests.Faults;

/// <summary>What was computed of an aircraft with faults for one test serves the next, and changes nothing.</summary>
public class CraftTests
{
    /// <summary>What a search learnt of a pair at one step is what the pair computed whole shows, whatever was asked of it first.</summary>
    [Fact]
    public void A_pair_that_was_looked_at_in_part_is_the_same_in_the_end()
    {
        var compared = 0;
        foreach (var (_, table) in Tester.Demos.Take(4))
        {
            var singles = table.Singles.Skip(1).ToList();
            for (var i = 0; i + 7 < singles.Count; i += 9)
            {
                var (one, other) = (singles[i].Faults[0], singles[i + 7].Faults[0]);
                var whole = table.With([one, other]);
                var seen = whole.Shows.Index().Where(s => s.Item >= 0).Select(s => (s.Index, (int)s.Item)).ToList();
                foreach (var (test, outcome) in seen.Where((_, n) => n % 5 == 0))
                {
                    // Seen otherwise at this test: refused, and nothing else is spoilt by it.
                    Assert.Null(table.Explaining(one, other, [(test, outcome + 1)]));
                    compared++;
                }
                var found = table.Explaining(one, other, Enumerable.Reverse(seen));
                Assert.Equal(whole.Shows, found!.Shows);
                Assert.Equal((whole.Id, whole.Harms), (found.Id, found.Harms));
                Assert.Same(found, table.Explaining(one, other, []));
                Assert.Null(table.Explaining(one, other, [(seen[0].Index, seen[0].Item2 + 1)]));
            }
        }
        Assert.True(compared > 500, $"{compared}");
    }

    /// <summary>However many pairs are looked at, no more than 3000 are kept, and those that were let go show the same again.</summary>
    [Fact]
    public void No_more_than_three_thousand_pairs_are_kept()
    {
        var table = Tester.Demos.MaxBy(d => d.Table.Singles.Count).Table;
        var faults = table.Singles.Skip(1).Select(s => s.Faults[0]).ToList();
        var cold = table.Tests.Index().First(t => !t.Item.IsPowered && table.Singles[0].Shows[t.Index] >= 0).Index;
        var pairs = faults.SelectMany((_, i) => faults.Skip(i + 1), (one, other) => (one, other)).Take(3_100).ToList();
        bool Agrees((PlantedFault One, PlantedFault Other) pair) =>
            table.Explaining(pair.One, pair.Other, [(cold, -5)]) is not null;
        Assert.DoesNotContain(true, pairs.Select(Agrees));
        Assert.InRange(table.PairsKept, 1, 3_000);
    }

    /// <summary>Rails are solved as far as a test asks: in whatever order the tests are done, each shows the same.</summary>
    [Fact]
    public void An_aircraft_shows_the_same_in_any_order_of_tests()
    {
        var random = new Random(20261201);
        foreach (var (build, table) in Tester.Demos)
        {
            foreach (var suspect in table.Singles.Where((_, i) => i % 11 == 0))
            {
                var craft = table.Craft(suspect.Faults);
                int[] order = [.. Enumerable.Range(0, table.Tests.Count)];
                random.Shuffle(order);
                foreach (var test in order)
                {
                    var foretold = suspect.Shows[test] is var shown and >= 0 ? table.Outcomes(test)[shown].Id : null;
                    Assert.True(
                        foretold == craft.Shows(test),
                        $"{build.Name}, {suspect.Id}: {table.Tests[test].Title} shows {craft.Shows(test)}, not {foretold}"
                    );
                }
            }
        }
    }
}
