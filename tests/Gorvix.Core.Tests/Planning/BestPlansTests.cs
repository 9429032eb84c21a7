using CsCheck;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The few best plans, against all plans there are.</summary>
public class BestPlansTests
{
    [Fact]
    public void The_few_best_plans_are_the_cheapest_distinct_ones() =>
        Generated
            .Builds(3, 4)
            .Holds(
                build =>
                {
                    var space = new PlanSpace(build);
                    var plans = BestPlans.Of(space, 6);
                    Assert.Equal(Cheapest(build).Take(6), plans.Select(p => p.Cost));
                    Assert.Equal(
                        plans.Count,
                        plans.Select(p => Places(p.Placements.Select(x => x.Route))).Distinct().Count()
                    );
                    Assert.Empty(plans[0].Since(Planner.Best(space)));
                },
                of: 300,
                print: Generated.Print
            );

    [Fact]
    public void A_plan_that_is_chosen_becomes_the_best() =>
        Generated
            .Builds(3, 4)
            .Holds(
                build =>
                {
                    var space = new PlanSpace(build);
                    var plans = BestPlans.Of(space, 4);
                    foreach (var plan in plans)
                    {
                        var chosen = BestPlans.Choose(space, plans[0], plan);
                        var then = Planner.Best(space, chosen.Pins, chosen.Bans);
                        Assert.Equal(
                            Places(plan.Placements.Select(p => p.Route)),
                            Places(then.Placements.Select(p => p.Route))
                        );
                    }
                },
                of: 200,
                print: Generated.Print
            );

    [Fact]
    public void The_demo_build_can_swap_the_air_unit_and_the_module()
    {
        var build = Resolved(Demo.NorthFaceHare, Demo.Library);
        var space = new PlanSpace(build);
        var plans = BestPlans.Of(space, 2);
        Assert.Equal(["U3", "U4", "U1"], plans[1].Placements.Select(p => p.Route?.Port.Id));
        var chosen = BestPlans.Choose(space, plans[0], plans[1]);
        Assert.Equal(["picture-text", "position"], chosen.Pins.OfType<RouteMatch>().Select(p => p.Link));
    }

    [Fact]
    public void Fewer_than_one_plan_cannot_be_asked_for()
    {
        var build = Resolved(Demo.NorthFaceHare, Demo.Library);
        Assert.Throws<ArgumentOutOfRangeException>(() => BestPlans.Of(new PlanSpace(build), 0));
    }

    // Every choice that stands together, by where it puts the links.
    private static IEnumerable<PlanCost> Cheapest(ResolvedBuild build) =>
        new PlainObjective(Router.WaysOf(build))
            .ByPlace(c => Places(build.Links.Select(l => c.OfType<Route>().FirstOrDefault(r => r.Link.Id == l.Id))))
            .Order();

    private static string Places(IEnumerable<Route?> routes) =>
        string.Join(
            ' ',
            routes.Select(r =>
                r is null ? "-" : $"{r.Port.Id}/{r.Mode.Id}/{RouteMatch.BridgeWords(r.Bridges)}/{r.Choice}"
            )
        );
}
