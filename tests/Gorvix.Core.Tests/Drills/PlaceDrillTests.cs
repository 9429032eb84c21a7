using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Work.Drills;

namespace Gorvix.Core.Tests.Drills;

/// <summary>Links that are placed by hand, against the exact plan.</summary>
public class PlaceDrillTests
{
    private static readonly DrillAct Done = new(ActKind.Done);

    private static PlaceDrill Whole(DrillGround ground) =>
        (PlaceDrill)ground.Drill(Grounds.Order(DrillKind.Place, DrillOrder.MostLevel))!;

    private static DrillAct Put(string link, string? port) => new(ActKind.Put, link, port ?? "");

    private static List<DrillAct> AsPlanned(DrillGround ground) =>
        [.. ground.Sheet.Links.Select(l => Put(l.Id, l.Port))];

    [Fact]
    public void Who_places_as_the_exact_plan_scores_100_on_every_demo_build()
    {
        foreach (var (build, ground) in Grounds.Demos)
        {
            var sheet = Whole(ground).Sheet([.. AsPlanned(ground), Done]);
            Assert.True(sheet.Result is { Score: 100, GivenUp: false }, $"{build.Name}: {sheet.Place!.Words}");
            Assert.All(sheet.Place!.Verdicts, v => Assert.Equal(Placing.Best, v.Placing));
        }
    }

    [Fact]
    public void A_link_that_is_moved_is_judged_as_the_planner_judges_a_pin_there()
    {
        var met = new HashSet<Placing>();
        foreach (var (build, ground) in Grounds.Demos)
        {
            var drill = Whole(ground);
            foreach (var link in ground.Sheet.Links.Take(4))
            {
                foreach (var cell in link.Cells.Where(c => c.Port != link.Port))
                {
                    var verdict = drill
                        .Sheet([.. AsPlanned(ground), Put(link.Id, cell.Port), Done])
                        .Place!.Verdicts.First(v => v.Link == link.Id);
                    // The same wish, made a build of its own and planned from the beginning.
                    var pinned = build with
                    {
                        Pins =
                        [
                            .. ground
                                .Sheet.Links.Where(l => l.Id != link.Id && l.Port is not null)
                                .Select(l => new RouteMatch { Link = l.Id, Port = l.Port }),
                            new RouteMatch { Link = link.Id, Port = cell.Port },
                        ],
                        Bans =
                        [
                            .. build.Bans,
                            .. ground
                                .Sheet.Links.Where(l => l.Id != link.Id && l.Port is null)
                                .Select(l => new RouteMatch { Link = l.Id }),
                        ],
                    };
                    var plan = new FitReader(Resolved(pinned, Demo.Library)).Plan;
                    var kept = plan.RouteOf(link.Id)?.Port.Id == cell.Port;
                    var worse = Enum.GetValues<CostTerm>()
                        .Any(t => t != CostTerm.PinsBroken && plan.Cost[t] > ground.Reader.Plan.Cost[t]);
                    Assert.Equal(
                        !kept ? Placing.Fails
                            : worse ? Placing.Dearer
                            : Placing.Best,
                        verdict.Placing
                    );
                    Assert.True(verdict.Why.Length > 10);
                    met.Add(verdict.Placing);
                }
            }
        }
        Assert.Equal(3, met.Count);
    }

    [Fact]
    public void A_link_that_is_left_out_although_it_can_be_carried_counts_nothing()
    {
        var (_, ground) = Grounds.Demos.First(d => d.Ground.Sheet.Links.All(l => l.Port is not null));
        var link = ground.Sheet.Links[0].Id;
        var sheet = Whole(ground).Sheet([.. AsPlanned(ground), Put(link, ""), Done]);
        Assert.Equal(Placing.Fails, sheet.Place!.Verdicts.First(v => v.Link == link).Placing);
        Assert.True(sheet.Result!.Score < 100);
        Assert.StartsWith(
            "Left unconnected, but it can be connected.",
            sheet.Place.Verdicts.First(v => v.Link == link).Why
        );
        Assert.Contains(sheet.Result.Cards, c => c.Card == link && c.Quality < 3);
    }

    [Fact]
    public void Each_level_asks_for_more_of_the_links_and_cards_are_asked_first()
    {
        foreach (var (_, ground) in Grounds.Demos)
        {
            int Asked(int level, params string[] cards) =>
                ground
                    .Drill(Grounds.Order(DrillKind.Place, level, 7, cards))!
                    .Sheet([])
                    .Place!.Links.Count(l => l.IsAsked);

            var counts = Enumerable.Range(1, 5).Select(l => Asked(l)).ToList();
            Assert.Equal(counts.Order(), counts);
            Assert.Equal(ground.Sheet.Links.Count, counts[4]);
            var last = ground.Sheet.Links[^1].Id;
            var drill = ground.Drill(Grounds.Order(DrillKind.Place, 1, 7, last))!;
            Assert.True(drill.Sheet([]).Place!.Links.First(l => l.Id == last).IsAsked);
        }
        Assert.Null(Grounds.Demos[0].Ground.Drill(Grounds.Order(DrillKind.Place, 1, 7, "nothing")));
    }

    [Fact]
    public void Nothing_of_the_answer_is_told_before_the_end()
    {
        var (_, ground) = Grounds.Demos[0];
        var sheet = Whole(ground).Sheet(AsPlanned(ground).Take(2).ToList()).Place!;
        Assert.Empty(sheet.Verdicts);
        Assert.Equal(2, sheet.Links.Count(l => l.Port is not null));
    }

    [Fact]
    public void What_cannot_be_done_is_told()
    {
        var (_, ground) = Grounds.Demos[0];
        var drill = Whole(ground);
        Assert.Equal("That link is not part of this drill.", drill.Against([], Put("nothing", "U1")));
        Assert.Equal("The board has no port Z9.", drill.Against([], Put(ground.Sheet.Links[0].Id, "Z9")));
        Assert.EndsWith("is not placed yet. Put it on a port, or leave it unconnected.", drill.Against([], Done));
        Assert.Equal(
            "Put a link on a port, or confirm that all are placed.",
            drill.Against([], new DrillAct(ActKind.Test, "x"))
        );
        Assert.Equal("This drill is over. Start another one.", drill.Against([new DrillAct(ActKind.GiveUp)], Done));
        Assert.Equal(0, drill.Sheet([new DrillAct(ActKind.GiveUp)]).Result!.Score);
        Assert.Null(drill.Against(AsPlanned(ground), Done));
    }
}
