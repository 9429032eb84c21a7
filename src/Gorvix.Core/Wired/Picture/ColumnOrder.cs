namespace Gorvix.Core.Wired.Picture;

/// <summary>
/// The order of devices in a column in which their wires cross least often. How often two of them cross depends on which of them stands above the
/// other and on nothing else, so the best order is found exactly by M. Held and R. Karp's dynamic programme over sets ("A dynamic programming
/// approach to sequencing problems", 1962) for up to <see cref="MostExact"/>; beyond, orders are improved by moving one device at a time
/// ("sifting": C. Matuszewski, R. Schönfeld and P. Molitor, "Using sifting for k-layer straightline crossing minimization", 1999).
/// </summary>
internal static class ColumnOrder
{
    /// <summary>How many devices are ordered exactly.</summary>
    public const int MostExact = 12;

    /// <summary>The best order.</summary>
    /// <param name="crossings">How often the wires of one device cross those of another where it stands above it.</param>
    /// <param name="usual">The order in which devices stand where crossings do not tell.</param>
    /// <returns>The devices from the top.</returns>
    public static IReadOnlyList<int> Best(int[,] crossings, IReadOnlyList<int> usual) =>
        usual.Count <= MostExact ? Exact(crossings, usual) : Sifted(crossings, usual);

    /// <summary>How often wires cross in an order.</summary>
    public static int Crossings(int[,] crossings, IReadOnlyList<int> order)
    {
        var sum = 0;
        for (var i = 0; i < order.Count; i++)
        {
            for (var j = i + 1; j < order.Count; j++)
            {
                sum += crossings[order[i], order[j]];
            }
        }
        return sum;
    }

    // For each set of devices: the fewest crossings among them where they stand above all others, and who of them stands last.
    private static List<int> Exact(int[,] crossings, IReadOnlyList<int> usual)
    {
        var count = usual.Count;
        var (least, last) = (new int[1 << count], new int[1 << count]);
        for (var set = 1; set < 1 << count; set++)
        {
            least[set] = int.MaxValue;
            // The later of two that are as good stands last.
            for (var i = count - 1; i >= 0; i--)
            {
                if ((set & (1 << i)) == 0)
                {
                    continue;
                }
                var rest = set & ~(1 << i);
                var price = least[rest];
                for (var j = 0; j < count; j++)
                {
                    if ((rest & (1 << j)) != 0)
                    {
                        price += crossings[usual[j], usual[i]];
                    }
                }
                if (price < least[set])
                {
                    (least[set], last[set]) = (price, i);
                }
            }
        }
        var order = new List<int>();
        for (var set = (1 << count) - 1; set != 0; set &= ~(1 << last[set]))
        {
            order.Add(usual[last[set]]);
        }
        order.Reverse();
        return order;
    }

    private static List<int> Sifted(int[,] crossings, IReadOnlyList<int> usual)
    {
        var order = usual.ToList();
        for (var isBetter = true; isBetter; )
        {
            isBetter = false;
            foreach (var one in usual)
            {
                var at = order.IndexOf(one);
                order.RemoveAt(at);
                // What it costs to stand at each place, beside standing at the top.
                var (best, least, price, own) = (0, 0, 0, 0);
                for (var i = 0; i <= order.Count; i++)
                {
                    if (price < least)
                    {
                        (best, least) = (i, price);
                    }
                    own = i == at ? price : own;
                    if (i < order.Count)
                    {
                        price += crossings[order[i], one] - crossings[one, order[i]];
                    }
                }
                order.Insert(least < own ? best : at, one);
                isBetter |= least < own;
            }
        }
        return order;
    }
}
