using CsCheck;
using Gorvix.Core.Plans.Planning;

namespace Gorvix.Core.Tests.Planning;

/// <summary>The assignment that bounds the search.</summary>
public class AssignmentTests
{
    private static readonly Gen<(int Rows, int Columns, int[] Costs, int[] Alone)> Instances =
        from rows in Gen.Int[0, 5]
        from columns in Gen.Int[0, 4]
        from costs in Gen.Int[-3, 20].Array[rows * columns]
        from alone in Gen.Int[0, 30].Array[rows]
        select (rows, columns, costs, alone);

    [Fact]
    public void A_worked_example()
    {
        // A worked example by hand: the six ways are 82+37+5, 82+49+69, 83+77+5, 83+49+11, 69+77+69, 69+37+11; the least is 117.
        Int128[] costs = [82, 83, 69, 77, 37, 49, 11, 69, 5];
        Int128[] alone = [1000, 1000, 1000];
        Assert.Equal(117, new Assignment(3, 3, costs, alone).Total);
    }

    [Fact]
    public void No_assignment_is_cheaper() => Instances.Holds(i => Solve(i).Total == Least(i, 0, 0, []));

    [Fact]
    public void A_regret_never_says_more_than_the_truth() =>
        Instances
            .Where(i => i.Rows > 0)
            .Holds(i =>
            {
                var solved = Solve(i);
                for (var c = 0; c < i.Columns; c++)
                {
                    if (CostAt(i, 0, c) is { } cost)
                    {
                        Assert.True(solved.Total + solved.Regret(0, c, cost) <= cost + Least(i, 1, 1 << c, []));
                    }
                }
                Assert.True(solved.Total + solved.RegretAlone(0, i.Alone[0]) <= i.Alone[0] + Least(i, 1, 0, []));
            });

    private static Assignment Solve((int Rows, int Columns, int[] Costs, int[] Alone) i) =>
        new(
            i.Rows,
            i.Columns,
            [.. i.Costs.Select(c => c < 0 ? Assignment.Never : c)],
            [.. i.Alone.Select(a => (Int128)a)]
        );

    // A negative number stands for "cannot be".
    private static int? CostAt((int Rows, int Columns, int[] Costs, int[] Alone) i, int row, int column) =>
        i.Costs[(row * i.Columns) + column] is var cost && cost < 0 ? null : cost;

    private static Int128 Least((int Rows, int Columns, int[] Costs, int[] Alone) i, int row, int taken, List<int> sums)
    {
        if (row == i.Rows)
        {
            return sums.Sum();
        }
        var least = Least(i, row + 1, taken, [.. sums, i.Alone[row]]);
        for (var c = 0; c < i.Columns; c++)
        {
            if ((taken & (1 << c)) == 0 && CostAt(i, row, c) is { } cost)
            {
                least = Int128.Min(least, Least(i, row + 1, taken | (1 << c), [.. sums, cost]));
            }
        }
        return least;
    }
}
