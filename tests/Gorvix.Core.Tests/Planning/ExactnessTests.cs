using CsCheck;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// The planner against a brute force that tries every combination and knows no bits and no bounds, on
/// generated builds. A failure is shrunk to the smallest build that shows it.
/// </summary>
public class ExactnessTests
{
    [Fact]
    public void No_combination_is_better_than_the_plan() =>
        Generated
            .Builds(3, 4)
            .Sample(
                build =>
                {
                    var ways = Router.WaysOf(build);
                    var objective = new PlainObjective(ways);
                    var plan = Planner.Best(new PlanSpace(ways));
                    Assert.Equal(plan.Cost, objective.Of(plan));
                    Assert.Equal(objective.Best(), plan.Cost);
                },
                iter: 600,
                print: Generated.Print
            );

    [Fact]
    public void The_same_build_always_gives_the_same_plan() =>
        Generated.Builds(6, 8).Sample(build => Planner.Best(build).Since(Planner.Best(build)).Count == 0, iter: 200);
}
