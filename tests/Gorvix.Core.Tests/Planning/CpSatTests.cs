using CsCheck;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The planner against a general solver that knows nothing of it, on builds too large to try everything.</summary>
public class CpSatTests
{
    [Fact]
    public void The_solver_finds_nothing_better_on_500_generated_builds() =>
        Generated.Builds(8, 10).HoldPlanned(Agree, of: 500);

    [Fact]
    public void Nor_on_generated_builds_of_which_a_part_is_done() =>
        Generated.HalfBuilt(8, 10).HoldPlanned(Agree, of: 200);

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
        var banned = Demo.NorthFaceHare with { Bans = [new RouteMatch { Link = "control", Mode = "crsf-inverted" }] };
        var build = Resolved(banned, Demo.Library);
        var ways = Router.WaysOf(build);
        Agree(
            ways with
            {
                Links =
                [
                    .. ways.Links.Select(w =>
                        w with
                        {
                            Routes = [.. w.Routes.Where(r => r.Mode.Id != "crsf-inverted")],
                        }
                    ),
                ],
            }
        );
    }

    private static void Agree(ResolvedBuild build) => Agree(Router.WaysOf(build));

    private static void Agree(BuildWays ways)
    {
        var plan = Planner.Best(new PlanSpace(ways));
        if (plan.Gap is not null)
        {
            // Not proved: whoever looks at many counts how often that is.
            throw new UnplannableException([LimitRules.TooHard.Found(Severity.Stop, Subject.Build)]);
        }
        Assert.Equal(CpSatModel.BestCost(ways), plan.Cost);
    }
}
