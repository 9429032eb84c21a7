using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Work.Drills;

namespace Gorvix.Core.Tests.Drills;

/// <summary>Questions about labels and supplies. Their answers are held against the parts' documents, read without the circuit.</summary>
public class CardDrillTests(ITestOutputHelper output)
{
    private static CardDrill Of(
        DrillGround ground,
        DrillKind kind,
        int level = 2,
        int seed = 3,
        params string[] cards
    ) => (CardDrill)ground.Drill(Grounds.Order(kind, level, seed, cards))!;

    private static Board BoardOf(Build build) => Demo.Library.Board(build.Board)!;

    [Fact]
    public void Every_demo_build_has_questions_of_every_sort_and_every_hardness_is_met()
    {
        foreach (var kind in new[] { DrillKind.Label, DrillKind.Burn })
        {
            var all = Grounds.Demos.SelectMany(d => d.Ground.Deck(kind)).ToList();
            foreach (var sort in all.GroupBy(c => c.Sort))
            {
                output.WriteLine(
                    $"{kind} {sort.Key}: {sort.Count()}, hardness {string.Join(" ", sort.GroupBy(c => c.Hardness).OrderBy(g => g.Key).Select(g => $"{g.Key}:{g.Count()}"))}; {sort.First().Question} {sort.First().Why}"
                );
            }
            Assert.Equal([1, 2, 3, 4, 5], all.Select(c => c.Hardness).Distinct().Order());
            Assert.All(Grounds.Demos, d => Assert.True(d.Ground.Deck(kind).Count >= CardDrill.Count, d.Build.Name));
            Assert.All(all, c => Assert.NotEmpty(c.Right));
            Assert.All(Grounds.Demos, d => Assert.Distinct(d.Ground.Deck(kind).Select(c => c.Id)));
            Assert.All(
                all.Where(c => c.Choices.Count > 0),
                c =>
                {
                    Assert.Distinct(c.Choices.Select(x => x.Words));
                    Assert.True(c.Right.IsProperSubsetOf(c.Choices.Select(x => x.Id).ToHashSet()), c.Id);
                }
            );
        }
    }

    [Fact]
    public void The_pads_of_a_half_are_those_whose_paths_name_its_net()
    {
        foreach (var (build, ground) in Grounds.Demos)
        {
            var board = BoardOf(build);
            foreach (var card in ground.Deck(DrillKind.Label).Where(c => c.Sort == "half"))
            {
                var (port, half) = (card.Id[5..].Split('/')[0], card.Id.Split('/')[1]);
                var p = board.Ports.First(x => x.Id == port);
                var net = half switch
                {
                    "rx" => p.Rx,
                    "tx" => p.Tx,
                    "data" => p.Data,
                    _ => p.Clock,
                };
                Assert.Equal(
                    board.Pads.Where(x => x.Paths.Any(y => y.Net == net)).Select(x => x.Id).Order(),
                    card.Right.Order()
                );
            }
        }
    }

    [Fact]
    public void The_rail_of_a_pad_is_the_one_that_its_paths_name()
    {
        foreach (var (build, ground) in Grounds.Demos)
        {
            var board = BoardOf(build);
            foreach (var card in ground.Deck(DrillKind.Burn).Where(c => c.Sort == "rail"))
            {
                var rails = board
                    .Pads.First(p => p.Id == card.Id[5..])
                    .Paths.Select(p => p.Rail)
                    .OfType<string>()
                    .Distinct()
                    .Select(r => board.Rails.First(x => x.Id == r).Label)
                    .ToList();
                Assert.All(rails, r => Assert.Contains(r, Assert.Single(card.Right), StringComparison.Ordinal));
                Assert.All(
                    card.Choices.Where(c => !card.Right.Contains(c.Id)),
                    c => Assert.DoesNotContain(c.Words, rails)
                );
            }
        }
    }

    [Fact]
    public void What_lives_and_what_burns_is_what_the_leaflets_say_without_a_load()
    {
        var met = new Dictionary<string, int>();
        foreach (var (build, ground) in Grounds.Demos)
        {
            var board = BoardOf(build);
            foreach (var card in ground.Deck(DrillKind.Burn).Where(c => c.Sort == "live" && c.Hardness <= 3))
            {
                var (lead, pad) = (card.Id[5..].Split('@')[0].Split('/'), card.Id.Split('@')[1]);
                var device = Demo.Library.Device(build.Devices.First(d => d.Id == lead[0]).Part)!;
                var window = device.Supplies.First(s => s.Lead == lead[1]).Window;
                // Only pads that hang on one rail by copper alone: who stands behind a bridge depends on the plan.
                if (board.Pads.First(p => p.Id == pad).Paths is not [{ Rail: { } rail, Through.Count: 0 }])
                {
                    continue;
                }
                var (full, empty) = build.InputVolts is { } input
                    ? (input, input)
                    : (build.Pack!.Volts().Max, build.Pack.Volts().Min);
                var (high, low) = (Plain(board, rail, full), Plain(board, rail, empty));
                var fate =
                    high > window.Max * 1.01 ? "burns"
                    : low < window.Min * 0.99 ? "starves"
                    : "lives";
                Assert.True(card.Right.Contains(fate), $"{build.Name} {card.Id}: {fate}, {card.Why}");
                met[fate] = met.GetValueOrDefault(fate) + 1;
            }
        }
        output.WriteLine(string.Join(", ", met.Select(m => $"{m.Key} {m.Value}")));
        Assert.True(met.GetValueOrDefault("burns") > 5 && met.GetValueOrDefault("lives") > 5 && met.Count == 3);
    }

    private static double Plain(Board board, string id, double source)
    {
        var rail = board.Rails.First(r => r.Id == id);
        var from = rail.From is { } below ? Plain(board, below, source) : source;
        return rail.Feed == RailFeed.Battery || rail.Volts is null ? from
            : rail.Feed == RailFeed.Booster ? rail.Volts.Value
            : Math.Min(rail.Volts.Value, from - (rail.Dropout ?? 0));
    }

    [Fact]
    public void Who_answers_everything_rightly_and_at_once_scores_100()
    {
        foreach (var (build, ground) in Grounds.Demos)
        {
            foreach (var kind in new[] { DrillKind.Label, DrillKind.Burn })
            {
                var drill = Of(ground, kind);
                var by = ground.Deck(kind).ToDictionary(c => c.Id);
                var acts = new List<DrillAct>();
                while (drill.Sheet(acts).Cards!.Next is { } next)
                {
                    Assert.Null(drill.Sheet(acts).Result);
                    var act = new DrillAct(ActKind.Answer, next.Card, by[next.Card].Right.First(), 4);
                    Assert.Null(drill.Against(acts, act));
                    acts.Add(act);
                }
                Assert.Equal(CardDrill.Count, acts.Count);
                var result = drill.Sheet(acts).Result!;
                Assert.Equal(100, result.Score);
                Assert.All(result.Cards, c => Assert.Equal(5, c.Quality));
            }
        }
    }

    [Fact]
    public void What_is_wrong_or_slow_is_known_less_and_told_why()
    {
        var (_, ground) = Grounds.Demos[0];
        var drill = Of(ground, DrillKind.Burn);
        var by = ground.Deck(DrillKind.Burn).ToDictionary(c => c.Id);
        var first = drill.Sheet([]).Cards!.Next!;
        var wrong = first.Choices.First(c => !by[first.Card].Right.Contains(c.Id)).Id;
        var acts = new List<DrillAct> { new(ActKind.Answer, first.Card, wrong, 2) };
        var said = Assert.Single(drill.Sheet(acts).Cards!.Answered);
        Assert.False(said.IsRight);
        Assert.NotEqual(said.Said, said.Right);
        Assert.Equal(by[first.Card].Why, said.Why);
        var second = drill.Sheet(acts).Cards!.Next!;
        acts.Add(new DrillAct(ActKind.Answer, second.Card, by[second.Card].Right.First(), 90));
        acts.Add(new DrillAct(ActKind.GiveUp));
        var result = drill.Sheet(acts).Result!;
        Assert.Equal([1, 3], result.Cards.Select(c => c.Quality));
        Assert.Equal((true, 12), (result.GivenUp, result.Score));
    }

    [Fact]
    public void Cards_that_are_due_are_asked_first_and_harder_levels_ask_harder_ones()
    {
        var (_, ground) = Grounds.Demos[0];
        var due = ground.Deck(DrillKind.Label).Where(c => c.Hardness == 4).Take(3).Select(c => c.Id).ToArray();
        var drill = Of(ground, DrillKind.Label, 1, 3, due);
        Assert.Subset(Asked(drill).ToHashSet(), due.ToHashSet());
        double Mean(int level) =>
            Grounds
                .Demos.SelectMany(d =>
                    Asked(Of(d.Ground, DrillKind.Label, level))
                        .Select(id => d.Ground.Deck(DrillKind.Label).First(c => c.Id == id).Hardness)
                )
                .Average();
        Assert.True(Mean(1) < Mean(3) && Mean(3) < Mean(5));
        Assert.Null(ground.Drill(Grounds.Order(DrillKind.Label, 1, 3, "half:none/rx")));
    }

    // What a drill asks, found by answering anything.
    private static List<string> Asked(CardDrill drill)
    {
        var acts = new List<DrillAct>();
        while (drill.Sheet(acts).Cards!.Next is { } next)
        {
            acts.Add(new DrillAct(ActKind.Answer, next.Card, "x"));
        }
        return [.. acts.Select(a => a.On)];
    }

    [Fact]
    public void The_face_of_a_drill_tells_no_answer()
    {
        foreach (var (_, ground) in Grounds.Demos)
        {
            Assert.All(ground.Face.Pads, p => Assert.Empty(p.Ports));
            Assert.All(ground.Face.Pads, p => Assert.DoesNotContain("connects to", p.Words));
            Assert.All(ground.Face.Pads, p => Assert.DoesNotContain("rail", p.Words));
        }
    }

    [Fact]
    public void What_cannot_be_answered_is_told()
    {
        var (_, ground) = Grounds.Demos[0];
        var drill = Of(ground, DrillKind.Label);
        var next = drill.Sheet([]).Cards!.Next!;
        Assert.Equal(
            "That is not the current question. Reload the drill.",
            drill.Against([], new DrillAct(ActKind.Answer, "other", "yes"))
        );
        Assert.Equal(
            "That is not one of the answers. Choose one.",
            drill.Against([], new DrillAct(ActKind.Answer, next.Card, "nonsense"))
        );
        Assert.Equal("Answer the question.", drill.Against([], new DrillAct(ActKind.Test, "x")));
        Assert.Equal(
            "This drill is over. Start another one.",
            drill.Against([new DrillAct(ActKind.GiveUp)], new DrillAct(ActKind.GiveUp))
        );
    }
}
