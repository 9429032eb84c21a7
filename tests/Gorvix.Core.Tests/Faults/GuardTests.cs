using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;

namespace Gorvix.Core.Tests.Faults;

/// <summary>What keeps a search safe and within bounds.</summary>
public class GuardTests
{
    [Fact]
    public void While_a_cause_that_is_left_would_burn_something_tests_under_power_wait_behind_the_cold_ones()
    {
        var met = 0;
        foreach (var (_, table) in Tester.Demos)
        {
            foreach (var suspect in table.Singles.Where(s => s.Harms).Take(5))
            {
                var standing = new Tester(table, suspect.Faults).Report().Standing;
                var harm = standing.Causes.Where(c => c.Harms).Sum(c => c.Share);
                if (harm < 0.06 || standing.Tests.All(t => table.Tests[t.Test].IsPowered))
                {
                    continue;
                }
                met++;
                Assert.All(standing.Tests, t => Assert.Equal(table.Tests[t.Test].IsPowered, t.NotYet));
                Assert.False(table.Tests[standing.Tests[0].Test].IsPowered);
                var order = standing.Tests.Select(t => t.NotYet).ToList();
                Assert.Equal(order.Order(), order);
            }
        }
        Assert.True(met > 5, $"{met}");
    }

    [Fact]
    public void What_was_good_some_time_ago_is_doubted_half_as_much()
    {
        var (_, table) = Tester.Demos[0];
        var (test, at) = table
            .Tests.Index()
            .Select(t => (t.Item, t.Index))
            .First(t => table.Singles.Any(s => s.Shows[t.Index] > 0));
        var good = table.Outcomes(at).First(o => o.IsSound);
        var hints = LogHints.None with { GoodBefore = [new Observation(test.Id, good.Id)] };
        var against = table.Singles.First(s => s.Shows[at] > 0);
        var beside = table.Singles.Skip(1).First(s => s.Shows[at] == 0);
        double Ratio(Suspect suspect) =>
            new Search(table, hints: hints).Weight(suspect) / new Search(table).Weight(suspect);
        Assert.Equal(FaultPriors.WasGood, Ratio(against), 9);
        Assert.True(FaultPriors.WasGood < 1);
        Assert.Equal(1, Ratio(beside), 9);
    }

    [Theory]
    [InlineData(FaultCase.MostSaid, 1, false)]
    [InlineData(FaultCase.MostSaid + 1, 1, true)]
    [InlineData(1, FaultCase.MostId, false)]
    [InlineData(1, FaultCase.MostId + 1, true)]
    public void A_search_is_bounded(int said, int letters, bool isTooMuch)
    {
        var id = new string('x', letters);
        var one = new Observation(id, "no");
        Assert.Equal(isTooMuch, new FaultCase { Said = [.. Enumerable.Repeat(one, said)] }.IsTooMuch());
        Assert.Equal(isTooMuch, new FaultCase { Cannot = [.. Enumerable.Repeat(id, said)] }.IsTooMuch());
        Assert.Equal(isTooMuch, new FaultCase { Refuted = [.. Enumerable.Repeat(id, said)] }.IsTooMuch());
    }

    [Fact]
    public void A_table_that_nobody_waits_for_is_not_made()
    {
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        var wired = Demo.Fit(Demo.Builds[0]).Wired;
        Assert.Throws<OperationCanceledException>(() => FaultTable.Of(wired, null, stop.Token));
        Assert.NotEmpty(PlantedFaults.Of(wired));
    }
}
