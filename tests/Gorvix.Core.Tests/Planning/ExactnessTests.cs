using CsCheck;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>
/// The planner against a brute force that tries every combination and knows no bits and no bounds, on
/// generated builds. A failure is shrunk to the smallest build that shows it.
/// </summary>
public class ExactnessTests
{
    [Fact]
    public void No_combination_is_better_than_the_plan() =>
        Generated.Builds(3, 4).Holds(IsBest, of: 600, print: Generated.Print);

    [Fact]
    public void Nor_where_a_part_is_done_already() =>
        Generated.HalfBuilt(3, 4).Holds(IsBest, of: 400, print: Generated.Print);

    private static void IsBest(ResolvedBuild build)
    {
        var ways = Router.WaysOf(build);
        var objective = new PlainObjective(ways);
        var plan = Planner.Best(new PlanSpace(ways));
        Assert.Equal(plan.Cost, objective.Of(plan));
        Assert.Equal(objective.Best(), plan.Cost);
    }

    // Every run is a process of its own, with hashes of its own, and so was the one that wrote these down.
    public static TheoryData<string, string> Known =>
        new()
        {
            { "North Face Hare", "U3 SBUS DSM | U1 R1 T1 | U4 R4 T4" },
            { "Haul Road Heron", "U1 R1 | U5 R5 T5 | U3 T3 | U2 T2 | U7 TLM" },
            { "East Bench Kestrel", "U2 R2 T2 | U1 RX1 TX1 | U3 R3 T3 | I2C1 SDA SCL | U6 T6 | U4 R4" },
            {
                "Spoil Tip Owl",
                "U1 R1 T1 | VID CAM | VID VTX | U6 GR GT | I2C2 GSDA GSCL | U5 R5 T5 | U2 PPM/SBUS | -"
            },
            { "Weighbridge Wren", "CPPM 1 | U2 RX2 TX2 | I2C1 SDA SCL | U1 RX1 TX1" },
            { "Ramp Swift", "U1 R1 T1 | U6 DSM" },
            { "Crusher House Lark", "U6 T6 | U1 AIR R1 AIR T1 | U3 NAV T3 NAV R3 | I2C1 NAV SDA NAV SCL | U4 R4 T4" },
            { "Drill Shed Gull", "U1 R1 | -" },
            {
                "Rim Walk Rook",
                "U1 R1 T1 | U1 | U4 R4B T4B | I2C1 SDA SCL | VID VI | VID X4 | U2 X5 | KEY CC | U3 R3 | U3 R3 | U3 R3 | U3 R3"
            },
            { "Tip Track Pipit", "U2 R2 | - | U4 R4B T4B | U1 R1 T1 | U3 R3 | CUR E3 | VBAT VS" },
        };

    [Theory]
    [MemberData(nameof(Known))]
    public void The_same_build_gets_the_same_plan_in_every_process(string name, string places)
    {
        var plan = Demo.Builds.Single(b => b.Name == name).Plan();
        Assert.Equal(
            places,
            string.Join(
                " | ",
                plan.Placements.Select(p =>
                    $"{p.Route?.Port.Id ?? "-"} {string.Join(' ', p.Route?.Walks.Select(w => w.Pad.Label) ?? [])}".Trim()
                )
            )
        );
    }
}
