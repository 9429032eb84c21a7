using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>What is drawn from a rail or output, as a rule or at most.</summary>
/// <param name="Budget">The rail or output with its limit.</param>
/// <param name="AtMost">True for peaks, which may pass the limit at a price; false for what is drawn as a rule, which may not.</param>
internal sealed record PlanLoad(Budget Budget, bool AtMost)
{
    /// <summary>The limit, in milliamperes.</summary>
    public int Limit => Budget.Limit;

    /// <summary>The loads that the rows could pass: only where everything at its worst is too much there is anything to decide.</summary>
    /// <param name="rows">Every row with its choices.</param>
    public static List<PlanLoad> Of(List<List<PlanChoice>> rows)
    {
        var most = new Dictionary<Budget, (int Typical, int Peak)>();
        foreach (var row in rows)
        {
            foreach (var drawn in row.SelectMany(c => (c.Hookup as Feed)?.Draws ?? []).GroupBy(d => d.Budget))
            {
                var (typical, peak) = most.GetValueOrDefault(drawn.Key);
                most[drawn.Key] = (typical + drawn.Max(d => d.Typical), peak + drawn.Max(d => d.Peak));
            }
        }
        return
        [
            .. most.Where(m => m.Value.Peak > m.Key.Limit)
                .SelectMany(m => new[] { new PlanLoad(m.Key, false), new PlanLoad(m.Key, true) }),
        ];
    }

    /// <summary>What a choice draws from each load, in milliamperes; null for nothing.</summary>
    public static int[]? DrawnBy(PlanChoice choice, IReadOnlyList<PlanLoad> loads)
    {
        if (loads.Count == 0 || choice.Hookup is not Feed { Draws: { Count: > 0 } draws })
        {
            return null;
        }
        int[] drawn =
        [
            .. loads.Select(l => draws.Where(d => d.Budget == l.Budget).Sum(d => l.AtMost ? d.Peak : d.Typical)),
        ];
        return drawn.Any(d => d > 0) ? drawn : null;
    }
}

/// <summary>
/// What the rows of a part of all plans draw: for each load a floor and a cap of each row, so that the part can be cut in two where
/// a limit is passed – this row draws less, or at least so much – until what is sure to be drawn is too much or all fits.
/// </summary>
/// <param name="loads">The loads.</param>
/// <param name="rows">How many rows there are.</param>
internal sealed class PlanLoads(IReadOnlyList<PlanLoad> loads, int rows)
{
    // By load and row: what the row draws at least and at most.
    private int[] _floors = new int[loads.Count * rows];
    private int[] _caps = [.. Enumerable.Repeat(int.MaxValue, loads.Count * rows)];

    // By load: the sum of the floors; whether peaks must keep within the limit; whether it is paid that they need not.
    private int[] _sums = new int[loads.Count];
    private bool[] _spared = new bool[loads.Count];
    private bool[] _strained = new bool[loads.Count];

    /// <summary>True when what is sure to be drawn passes a limit that holds here.</summary>
    public bool IsDead => Enumerable.Range(0, loads.Count).Any(l => Holds(l) && _sums[l] > loads[l].Limit);

    /// <summary>The part in which a row draws what an option draws.</summary>
    public PlanLoads Taking(int row, PlanOption? option)
    {
        var copy = Copy();
        for (var load = 0; load < loads.Count; load++)
        {
            copy.Raise(row, load, option?.LoadOn(load) ?? 0);
        }
        return copy;
    }

    /// <summary>The part in which a row draws at least so much.</summary>
    public PlanLoads Flooring(int row, int load, int least)
    {
        var copy = Copy();
        copy.Raise(row, load, least);
        return copy;
    }

    /// <summary>The part in which a row draws at most so much.</summary>
    public PlanLoads Capping(int row, int load, int most)
    {
        var copy = Copy();
        copy._caps[(load * rows) + row] = most;
        return copy;
    }

    /// <summary>The part in which peaks keep within a limit.</summary>
    public PlanLoads Sparing(int load)
    {
        var copy = Copy();
        copy._spared = [.. _spared];
        copy._spared[load] = true;
        return copy;
    }

    /// <summary>The part in which it is paid that peaks pass a limit.</summary>
    public PlanLoads Straining(int load)
    {
        var copy = Copy();
        copy._strained = [.. _strained];
        copy._strained[load] = true;
        return copy;
    }

    /// <summary>True when a row may still take an option.</summary>
    public bool Allows(int row, PlanOption option)
    {
        for (var load = 0; load < loads.Count; load++)
        {
            var (at, drawn) = ((load * rows) + row, option.LoadOn(load));
            if (
                drawn < _floors[at]
                || drawn > _caps[at]
                || (Holds(load) && _sums[load] - _floors[at] + drawn > loads[load].Limit)
            )
            {
                return false;
            }
        }
        return true;
    }

    /// <summary>The row to cut by where a choice passes a limit that holds: the one that draws most of those that are not sure to. Null where none does.</summary>
    /// <param name="options">What each row takes.</param>
    public (int Row, int Load, int Drawn)? Overload(PlanOption?[] options)
    {
        for (var load = 0; load < loads.Count; load++)
        {
            if (!Holds(load) || Drawn(options, load) <= loads[load].Limit)
            {
                continue;
            }
            var (row, most) = (-1, 0);
            for (var i = 0; i < options.Length; i++)
            {
                var drawn = options[i]?.LoadOn(load) ?? 0;
                if (drawn > most && drawn > _floors[(load * rows) + i])
                {
                    (row, most) = (i, drawn);
                }
            }
            return (row, load, most);
        }
        return null;
    }

    /// <summary>A limit that the peaks of a choice pass and that nobody has paid; -1 for none.</summary>
    public int Unpaid(PlanOption?[] options) =>
        Enumerable
            .Range(0, loads.Count)
            .FirstOrDefault(
                l => loads[l].AtMost && !_spared[l] && !_strained[l] && Drawn(options, l) > loads[l].Limit,
                -1
            );

    /// <summary>How many limits the peaks of a choice pass.</summary>
    public int Strains(PlanOption?[] options) =>
        Enumerable.Range(0, loads.Count).Count(l => loads[l].AtMost && Drawn(options, l) > loads[l].Limit);

    private bool Holds(int load) => !loads[load].AtMost || _spared[load];

    private static int Drawn(PlanOption?[] options, int load) => options.Sum(o => o?.LoadOn(load) ?? 0);

    private void Raise(int row, int load, int least)
    {
        var at = (load * rows) + row;
        if (least > _floors[at])
        {
            _sums[load] += least - _floors[at];
            _floors[at] = least;
        }
    }

    private PlanLoads Copy() =>
        new(loads, rows)
        {
            _floors = [.. _floors],
            _caps = [.. _caps],
            _sums = [.. _sums],
            _spared = _spared,
            _strained = _strained,
        };
}
