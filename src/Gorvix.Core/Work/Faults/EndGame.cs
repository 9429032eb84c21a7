namespace Gorvix.Core.Work.Faults;

/// <summary>
/// The end of a search, played out: with few causes left every order of tests is tried, and the one that takes the least on the average is
/// begun. Answers are taken as right here; what cannot be told leads to either side.
/// </summary>
internal static class EndGame
{
    /// <summary>From this many causes on the best test a minute is taken as it stands.</summary>
    public const int Most = 9;

    private const int MostTests = 24;

    /// <summary>The test to begin with; null while too many causes are left, or where nothing tells them apart.</summary>
    /// <param name="left">The causes that are left.</param>
    /// <param name="worth">The tests that tell something.</param>
    public static WorthTest? Best(List<Search.Group> left, List<WorthTest> worth)
    {
        var tests = worth.Where(w => !w.NotYet).Take(MostTests).ToList();
        if (left.Count is < 2 or > Most || tests.Count == 0)
        {
            return null;
        }
        // Each set of causes, as the bits of a number, with what it takes from there on.
        var known = new Dictionary<int, (double Minutes, int Test)>();
        var best = Play((1 << left.Count) - 1, left, tests, known).Test;
        return best < 0 ? null : tests[best];
    }

    private static (double Minutes, int Test) Play(
        int set,
        List<Search.Group> left,
        List<WorthTest> tests,
        Dictionary<int, (double, int)> known
    )
    {
        if ((set & (set - 1)) == 0)
        {
            return (0, -1);
        }
        if (known.TryGetValue(set, out var told))
        {
            return told;
        }
        var (least, chosen) = (double.PositiveInfinity, -1);
        var all = ShareOf(set, left);
        Span<int> room = stackalloc int[Most];
        for (var t = 0; t < tests.Count; t++)
        {
            var parts = room[..Parts(set, left, tests[t].Test, room)];
            // A test that leaves everything as it was tells nothing.
            if (parts.Contains(set))
            {
                continue;
            }
            var minutes = tests[t].Cost;
            foreach (var part in parts)
            {
                minutes += ShareOf(part, left) / all * Play(part, left, tests, known).Minutes;
            }
            if (minutes < least)
            {
                (least, chosen) = (minutes, t);
            }
        }
        // What no test tells apart is one answer.
        return known[set] = chosen < 0 ? (0, -1) : (least, chosen);
    }

    private static double ShareOf(int set, List<Search.Group> left)
    {
        var sum = 0.0;
        for (var i = 0; i < left.Count; i++)
        {
            sum += (set & (1 << i)) != 0 ? left[i].Share : 0;
        }
        return sum;
    }

    // The causes that each outcome leaves, in the order of outcomes; what cannot be told is left by each. Returns how many parts there are.
    private static int Parts(int set, List<Search.Group> left, int test, Span<int> parts)
    {
        Span<short> outcomes = stackalloc short[Most];
        var (count, either) = (0, 0);
        for (var i = 0; i < left.Count; i++)
        {
            if ((set & (1 << i)) == 0)
            {
                continue;
            }
            var shown = left[i].Shows[test];
            if (shown < 0)
            {
                either |= 1 << i;
                continue;
            }
            var at = outcomes[..count].BinarySearch(shown);
            if (at < 0)
            {
                at = ~at;
                outcomes[at..count].CopyTo(outcomes[(at + 1)..]);
                parts[at..count].CopyTo(parts[(at + 1)..]);
                (outcomes[at], parts[at]) = (shown, 0);
                count++;
            }
            parts[at] |= 1 << i;
        }
        if (count == 0)
        {
            parts[0] = set;
            return 1;
        }
        for (var p = 0; p < count; p++)
        {
            parts[p] |= either;
        }
        return count;
    }
}
