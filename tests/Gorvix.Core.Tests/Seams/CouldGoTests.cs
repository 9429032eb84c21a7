using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Wired.Fit;

namespace Gorvix.Core.Tests.Seams;

/// <summary>Every sentence that says a link could go somewhere is true: pinned there and planned again, it is there, at the price that was said.</summary>
public class CouldGoTests(ITestOutputHelper output)
{
    [Fact]
    public void What_could_go_there_goes_there_when_it_is_pinned_and_what_could_but_for_the_pins_does_not()
    {
        var (could, taken) = (0, 0);
        Generated
            .Builds(3, 4)
            .Holds(
                build =>
                {
                    var reader = new FitReader(build);
                    if (reader.Plan.Gap is not null)
                    {
                        return;
                    }
                    foreach (var link in reader.Sheet().Links)
                    {
                        foreach (var cell in link.Cells.Where(c => c.Text != "open"))
                        {
                            var pin = new RouteMatch { Link = link.Id, Port = cell.Port };
                            var pinned = new FitReader(
                                build.WithWishes(
                                    [.. build.Build.Pins.Where(p => !p.IsAboutTheSame(pin)), pin],
                                    build.Build.Bans
                                )
                            ).Plan;
                            var isThere = pinned.RouteOf(link.Id)?.Port.Id == cell.Port;
                            var keeps =
                                cell.Sentence.Contains("overrides another of your pins", StringComparison.Ordinal)
                                || pinned.Cost[CostTerm.PinsBroken] <= reader.Plan.Cost[CostTerm.PinsBroken];
                            if (cell.State == CellState.Possible)
                            {
                                could++;
                                Assert.True(
                                    isThere && keeps,
                                    $"{link.Id}: {cell.Sentence} It goes to {pinned.RouteOf(link.Id)?.Port.Id}, {pinned.Cost}, before {reader.Plan.Cost}, {reader.Ports()} then {string.Join(" ", pinned.Placements.Select(p => p.Route?.Port.Id))} gap {pinned.Gap}"
                                );
                                // Who is named as dropped is dropped, and nobody else.
                                var lost = pinned
                                    .Placements.Where(p =>
                                        p.Route is null && reader.Plan.RouteOf(p.Link.Id) is not null
                                    )
                                    .ToList();
                                Assert.Equal(
                                    lost.Count > 0,
                                    cell.Sentence.Contains("drops ", StringComparison.Ordinal)
                                );
                            }
                            else if (cell.Code == "TAKEN")
                            {
                                taken++;
                                Assert.False(isThere && keeps, $"{link.Id}: {cell.Sentence}");
                            }
                        }
                    }
                },
                of: 150,
                print: Generated.Print
            );
        output.WriteLine($"{could} could, {taken} could but");
        Assert.True(could > 100, $"{could}");
    }
}
