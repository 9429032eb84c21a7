using Gorvix.Core.Wired.Picture;

namespace Gorvix.Core.Tests.Picture;

/// <summary>The order in which wires cross least often, against every order, and against many at random where there are too many to try.</summary>
public class ColumnOrderTests
{
    [Fact]
    public void Up_to_six_devices_no_order_is_better()
    {
        var random = new Random(1);
        for (var i = 0; i < 300; i++)
        {
            var count = random.Next(1, 7);
            var crossings = Matrix(random, count);
            var usual = Enumerable.Range(0, count).ToList();
            var best = ColumnOrder.Best(crossings, usual);
            Assert.Equal(usual, best.Order());
            Assert.Equal(Orders(usual).Min(o => Sum(crossings, o)), Sum(crossings, best));
        }
    }

    [Fact]
    public void Beyond_those_that_are_ordered_exactly_it_is_within_1_3_of_ten_thousand_at_random()
    {
        var random = new Random(2);
        foreach (var count in new[] { 13, 20, 40 })
        {
            var crossings = Matrix(random, count);
            var order = Enumerable.Range(0, count).ToArray();
            var own = Sum(crossings, ColumnOrder.Best(crossings, order));
            var least = int.MaxValue;
            for (var i = 0; i < 10_000; i++)
            {
                random.Shuffle(order);
                least = Math.Min(least, Sum(crossings, order));
            }
            Assert.True(own <= 1.3 * least, $"{own} crossings, {least} by chance.");
        }
    }

    [Fact]
    public void Where_no_order_is_better_the_usual_one_stays()
    {
        int[] usual = [2, 0, 3, 1];
        Assert.Equal(usual, ColumnOrder.Best(new int[4, 4], usual));
        var many = Enumerable.Range(0, 20).Reverse().ToArray();
        Assert.Equal(many, ColumnOrder.Best(new int[20, 20], many));
    }

    private static int[,] Matrix(Random random, int count)
    {
        var made = new int[count, count];
        for (var i = 0; i < count; i++)
        {
            for (var j = 0; j < count; j++)
            {
                made[i, j] = i == j ? 0 : random.Next(10);
            }
        }
        return made;
    }

    private static int Sum(int[,] crossings, IReadOnlyList<int> order) =>
        order.Index().Sum(a => order.Skip(a.Index + 1).Sum(b => crossings[a.Item, b]));

    private static IEnumerable<IReadOnlyList<int>> Orders(IReadOnlyList<int> of) =>
        of.Count == 0
            ?
            [
                [],
            ]
            : of.SelectMany(one =>
                Orders([.. of.Where(o => o != one)]).Select(rest => (IReadOnlyList<int>)[one, .. rest])
            );
}
