using Gorvix.Core.Files.Formats;
using Gorvix.Core.Work.Drills;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Tests.Drills;

/// <summary>Hidden faults: what is drawn, what a test shows, what the clock and the score say.</summary>
public class FaultDrillTests(ITestOutputHelper output)
{
    private static FaultDrill Drawn(DrillGround ground, int level, int seed, params string[] kinds) =>
        (FaultDrill)ground.Drill(Grounds.Order(DrillKind.Fault, level, seed, kinds))!;

    private static DrillAct Test(string id) => new(ActKind.Test, id);

    [Fact]
    public void Who_walks_as_the_best_tester_and_names_it_scores_100_on_every_demo_build()
    {
        foreach (var (build, ground) in Grounds.Demos)
        {
            for (var level = 1; level <= DrillOrder.MostLevel; level++)
            {
                for (var seed = 0; seed < 12; seed++)
                {
                    var drill = Drawn(ground, level, seed);
                    var debrief = drill.Sheet([new DrillAct(ActKind.GiveUp)]).Fault!.Debrief!;
                    var acts = debrief.Best.Select(b => Test(b.Test)).ToList();
                    acts.Add(new DrillAct(ActKind.Name, drill.Hidden));
                    var done = drill.Sheet(acts);
                    Assert.True(
                        done.Result is { Score: 100, GivenUp: false },
                        $"{build.Name} {level} {seed} {drill.Hidden}: {done.Result}"
                    );
                    Assert.Equal(done.Result!.Best!.Value, done.Result.Minutes!.Value, 2);
                    Assert.Empty(debrief.Best.Where(s => s.Better is not null).Select(s => s.Title));
                }
            }
        }
    }

    [Fact]
    public void What_a_test_shows_is_what_the_simulated_bench_shows_at_such_a_craft()
    {
        foreach (var (build, ground) in Grounds.Demos.Take(4))
        {
            var drill = Drawn(ground, 3, 11);
            var fault = PlantedFaults.Of(ground.Reader.Wired).First(f => f.Id == drill.Hidden);
            var craft = ground.Faults.Craft([fault]);
            foreach (var (at, test) in ground.Faults.Tests.Index())
            {
                var shown = craft.Shows(at);
                Assert.Equal(
                    shown is null ? "inconclusive" : ground.Faults.Outcomes(at).First(o => o.Id == shown).Words,
                    drill.Sheet([Test(test.Id)]).Fault!.Seen[^1].Words
                );
            }
        }
    }

    [Fact]
    public void The_same_order_draws_the_same_fault_and_another_seed_mostly_another()
    {
        foreach (var (_, ground) in Grounds.Demos)
        {
            Assert.Equal(Drawn(ground, 2, 5).Mark, Drawn(ground, 2, 5).Mark);
            Assert.True(Enumerable.Range(0, 8).Select(s => Drawn(ground, 3, s).Hidden).Distinct().Count() >= 4);
            Assert.DoesNotContain(Drawn(ground, 2, 5).Hidden, Drawn(ground, 2, 5).Mark);
        }
    }

    [Fact]
    public void Harder_levels_take_the_best_tester_longer()
    {
        double Mean(int level) =>
            Grounds
                .Demos.SelectMany(d => Enumerable.Range(0, 6).Select(s => Drawn(d.Ground, level, s)))
                .Average(d => d.Sheet([new DrillAct(ActKind.GiveUp)]).Result!.Best!.Value);

        var minutes = Enumerable.Range(1, 5).Select(Mean).ToList();
        output.WriteLine(string.Join(" ", minutes.Select(m => $"{m:0.0}")));
        Assert.Equal(minutes.Order(), minutes);
        Assert.True(minutes[4] > 2 * minutes[0]);
    }

    [Fact]
    public void Every_drill_begins_with_something_to_complain_of_and_the_lower_levels_tell_everything_at_a_glance()
    {
        foreach (var (_, ground) in Grounds.Demos)
        {
            var (easy, hard) = (Drawn(ground, 1, 3).Sheet([]).Fault!, Drawn(ground, 4, 3).Sheet([]).Fault!);
            Assert.Contains(easy.Seen, s => !s.IsSound);
            Assert.False(Assert.Single(hard.Seen).IsSound);
            Assert.True(easy.Seen.Count > 1);
            Assert.NotEmpty(easy.Left);
            Assert.Empty(hard.Left);
            Assert.Equal(0, hard.Minutes);
        }
    }

    [Fact]
    public void To_mend_what_was_not_broken_costs_time_and_the_drill_goes_on()
    {
        var (_, ground) = Grounds.Demos[0];
        var drill = Drawn(ground, 2, 9);
        var wrong = drill
            .Sheet([])
            .Fault!.Names.First(n => drill.Sheet([new DrillAct(ActKind.Name, n.Id)]).Result is null);
        var sheet = drill.Sheet([new DrillAct(ActKind.Name, wrong.Id)]);
        Assert.Equal(FaultDrill.NameMinutes + FaultDrill.VainMinutes, sheet.Fault!.Minutes);
        Assert.False(Assert.Single(sheet.Fault.Named).IsRight);
        Assert.Equal(
            "You already named that fault. It is not the one.",
            drill.Against([new DrillAct(ActKind.Name, wrong.Id)], new DrillAct(ActKind.Name, wrong.Id))
        );
        var lucky = drill.Sheet([new DrillAct(ActKind.Name, wrong.Id), new DrillAct(ActKind.Name, drill.Hidden)]);
        Assert.InRange(lucky.Result!.Score, 5, 99);
        Assert.Equal(0, drill.Sheet([new DrillAct(ActKind.GiveUp)]).Result!.Score);
    }

    [Fact]
    public void What_no_test_tells_from_it_is_right_as_well()
    {
        // A pair of twins of some demo build, and an order that draws one of them.
        var twins = Grounds.Demos.SelectMany(d =>
            d.Ground.Faults.Singles.Skip(1)
                .GroupBy(s => string.Join(',', s.Shows))
                .Where(g => g.Count() > 1)
                .Select(g => (d.Ground, Kind: $"{g.First().Faults[0].Kind}", Ids: g.Select(s => s.Id).ToHashSet()))
        );
        output.WriteLine($"{twins.Count()} groups that no test tells apart");
        var (found, sheet) = (
            from t in twins
            from seed in Enumerable.Range(0, 30)
            let drill = Drawn(t.Ground, 1 + (seed % 5), seed, t.Kind)
            where t.Ids.Contains(drill.Hidden)
            select (drill, drill.Sheet([new DrillAct(ActKind.GiveUp)]).Fault!)
        ).First();
        var other = sheet.Names.First(n => n.Id != found.Hidden && sheet.Debrief!.Faults.Contains(n.Words));
        Assert.True(found.Sheet([new DrillAct(ActKind.Name, other.Id)]).Result is { GivenUp: false });
    }

    [Fact]
    public void To_feed_what_does_not_stand_it_burns_it_once()
    {
        var (drill, ground) = (
            from d in Grounds.Demos
            from kind in new[] { "Harness", "OtherPort", "LeftIn", "Blob" }
            from seed in Enumerable.Range(0, 10)
            let made = d.Ground.Drill(Grounds.Order(DrillKind.Fault, 3, seed, kind)) as FaultDrill
            where made is not null
            where d.Ground.Faults.Singles.First(s => s.Id == made.Hidden).Harms
            select (made, d.Ground)
        ).First();
        var powered = ground.Faults.Tests.Where(t => t.IsPowered).Take(2).Select(t => Test(t.Id)).ToList();
        var cold = ground.Faults.Tests.First(t => !t.IsPowered);
        Assert.False(drill.Sheet([Test(cold.Id)]).Fault!.IsBurnt);
        var sheet = drill.Sheet(powered).Fault!;
        Assert.True(sheet.IsBurnt);
        var tests = powered.Sum(p => ground.Faults.Tests.First(t => t.Id == p.On).Minutes);
        Assert.Equal(FaultDrill.HarmMinutes + tests, sheet.Minutes, 2);
    }

    [Fact]
    public void A_kind_that_was_asked_for_is_drawn_and_one_that_the_build_has_not_is_refused()
    {
        foreach (var (_, ground) in Grounds.Demos)
        {
            var drill = Drawn(ground, 1, 3, "Open");
            Assert.Equal(FaultKind.Open, ground.Faults.Singles.First(s => s.Id == drill.Hidden).Faults[0].Kind);
            Assert.Equal("Open", Assert.Single(drill.Sheet([new DrillAct(ActKind.GiveUp)]).Result!.Cards).Card);
        }
        Assert.Null(Grounds.Demos[0].Ground.Drill(Grounds.Order(DrillKind.Fault, 1, 3, "Nothing of the kind")));
    }

    [Theory]
    [InlineData(ActKind.Test, "nothing", "That test is not in this drill. Reload the drill.")]
    [InlineData(ActKind.Name, "nothing", "That fault is not in this drill. Choose one from the list.")]
    [InlineData(ActKind.Put, "", "Run a test, or name the fault.")]
    public void What_cannot_be_done_is_told(ActKind kind, string on, string why) =>
        Assert.Equal(why, Drawn(Grounds.Demos[0].Ground, 1, 1).Against([], new DrillAct(kind, on)));

    [Fact]
    public void A_test_is_done_once_and_nothing_after_the_end()
    {
        var (_, ground) = Grounds.Demos[0];
        var drill = Drawn(ground, 1, 1);
        var test = Test(ground.Faults.Tests[0].Id);
        Assert.Equal("That test is already done. The result is the same.", drill.Against([test], test));
        Assert.Equal("This drill is over. Start another one.", drill.Against([new DrillAct(ActKind.GiveUp)], test));
        Assert.Null(drill.Against([], test));
    }

    [Fact]
    public void A_test_that_tells_less_a_minute_than_another_is_told_so_afterwards()
    {
        var (_, ground) = Grounds.Demos[0];
        var drill = Drawn(ground, 3, 4);
        var best = drill.Sheet([new DrillAct(ActKind.GiveUp)]).Fault!.Debrief!.Best;
        var other = ground.Faults.Tests.Last(t => best.All(b => b.Title != t.Title));
        var step = drill.Sheet([Test(other.Id), new DrillAct(ActKind.GiveUp)]).Fault!.Debrief!.Yours[0];
        Assert.Equal(best[0].Title, step.Better);
        Assert.True(step.BetterBits / step.BetterMinutes > step.Bits / step.Minutes);
    }

    /// <summary>Counted once more, suspect by suspect: who would have shown something else is out.</summary>
    [Fact]
    public void Each_step_says_how_many_causes_it_ruled_out_of_those_that_were_possible()
    {
        foreach (var (_, ground) in Grounds.Demos.Take(4))
        {
            var sheet = Drawn(ground, 3, 4).Sheet([new DrillAct(ActKind.GiveUp)]).Fault!;
            var table = ground.Faults;
            int At(string id) => table.Tests.Index().First(t => t.Item.Id == id).Index;
            var left = table.Singles.ToList();
            void See(int test, string words) =>
                left.RemoveAll(s => s.Shows[test] >= 0 && table.Outcomes(test)[s.Shows[test]].Words != words);
            int Causes() => left.Select(s => string.Join(' ', s.Shows)).Distinct().Count();
            foreach (var seen in sheet.Seen)
            {
                See(At(seen.Test), seen.Words);
            }
            foreach (var step in sheet.Debrief!.Best)
            {
                Assert.Equal(Causes(), step.Possible);
                if (step.Words != "inconclusive")
                {
                    See(At(step.Test), step.Words);
                }
                Assert.Equal(step.Possible - Causes(), step.RuledOut);
            }
            Assert.Contains(sheet.Debrief.Best, s => s.RuledOut > 0);
        }
    }
}
