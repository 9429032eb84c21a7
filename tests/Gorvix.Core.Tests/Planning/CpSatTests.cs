using CsCheck;
using Gorvix.Core.Builds;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The planner against a general solver that knows nothing of it, on builds too large to try everything.</summary>
public class CpSatTests
{
    [Fact]
    public void The_solver_finds_nothing_better_on_500_generated_builds() =>
        Generated.Builds(8, 10).Sample(Agree, iter: 500, print: Generated.Print);

    [Fact]
    public void The_solver_finds_nothing_better_on_the_demo_builds()
    {
        Assert.All(
            from demo in Demo.Builds
            from unused in Enum.GetValues<UnusedLeads>()
            from sharing in Enum.GetValues<PortSharing>()
            let house = new HouseRules
            {
                Unused = unused,
                Sharing = sharing,
                Software = SoftwareUse.Allowed,
            }
            select demo with
            {
                House = house,
            },
            b => Agree(b.Resolve())
        );
        Assert.All(Demo.Builds, b => Agree(b.Resolve()));
        var banned = Demo.NorthFaceHare with { Bans = [new() { Link = "control", Mode = "crsf-inverted" }] };
        var build = ResolvedBuild.Create(banned, Demo.Library);
        Agree(
            build,
            [
                .. Router
                    .WaysOf(build)
                    .Select(w => w with { Routes = [.. w.Routes.Where(r => r.Mode.Id != "crsf-inverted")] }),
            ]
        );
    }

    private static void Agree(ResolvedBuild build) => Agree(build, Router.WaysOf(build));

    private static void Agree(ResolvedBuild build, IReadOnlyList<LinkWays> ways) =>
        Assert.Equal(CpSatModel.BestCost(build, ways), Planner.Best(new PlanSpace(build, ways)).Cost);
}
