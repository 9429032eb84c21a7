using Gorvix.Core.Files.Describing;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;

namespace Gorvix.Core.Tests.Bench;

/// <summary>At both sides of each bound: what a reading comes to. The bounds are our own choice and stand here once more, in numbers.</summary>
public class CheckBoundsTests
{
    private static readonly BenchSheet Camera = Of(RailBench.Of(4, "BAT", 7, 26, 0.4));

    private static BenchSheet Of(WiredBuild wired) =>
        BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 26)), null);

    private static Mark Judged(BenchSheet sheet, string check, double value) =>
        sheet.Checks.First(c => c.Id == check).Judge(value, null)!.Mark;

    // A load of 0.4 A alone; a fourth more and a tenth of an ampere beside are 0.6 A.
    [Theory]
    [InlineData(0.21, Mark.Good)]
    [InlineData(0.59, Mark.Good)]
    [InlineData(0.62, Mark.Doubtful)]
    [InlineData(0.94, Mark.Doubtful)]
    [InlineData(0.96, Mark.Stop)]
    public void The_first_current_is_what_everything_takes_together(double amps, Mark mark) =>
        Assert.Equal(mark, Judged(Camera, "power.limited", amps));

    // Up to 2 Ω two points are one copper, above 50 Ω nothing joins them.
    [Theory]
    [InlineData(1.9, Mark.Stop)]
    [InlineData(2.1, Mark.Doubtful)]
    [InlineData(49, Mark.Doubtful)]
    [InlineData(51, Mark.Good)]
    [InlineData(450, Mark.Good)]
    public void Two_points_that_nothing_joins_read_more_than_fifty_ohms(double ohms, Mark mark)
    {
        var apart = Camera.Checks.First(c => c.Phase == BenchPhase.Cold && c.Expected == "open");
        Assert.Equal(mark, Judged(Camera, apart.Id, ohms));
    }

    [Theory]
    [InlineData(0.1, Mark.Good)]
    [InlineData(1.9, Mark.Good)]
    [InlineData(2.1, Mark.Doubtful)]
    [InlineData(49, Mark.Doubtful)]
    [InlineData(51, Mark.Stop)]
    public void Two_points_of_one_copper_read_less_than_two_ohms(double ohms, Mark mark)
    {
        var lark = Of(Demo.Fit(Demo.CrusherHouseLark).Wired);
        var joined = lark.Checks.First(c => c.Phase == BenchPhase.Cold && c.Expected == "continuity");
        Assert.Equal(mark, Judged(lark, joined.Id, ohms));
    }

    // Where every current is known (no regulator whose losses nobody tells), less than half of it means that something is not fed.
    [Theory]
    [InlineData(0.19, Mark.Doubtful)]
    [InlineData(0.21, Mark.Good)]
    public void Less_than_half_of_the_first_current_is_doubtful(double amps, Mark mark)
    {
        var board = LeafletText
            .Read(
                "maker A\nboard B\nrevision 1\ncontroller F7\nrail BAT: battery\nrail GND: ground\ntop left: G BAT R1 T1\n"
            )
            .Board;
        Assert.Equal(mark, Judged(Of(RailBench.Of(board, 4, "BAT", 7, 26, 0.4)), "power.limited", amps));
    }
}
