namespace Gorvix.Core.Plans.Planning;

/// <content>What no plan of the part can cost less than, and the choice of each row that reaches it.</content>
internal sealed partial class PlanNode
{
    // So many steps of the assignment take as long as one option.
    private const int AssignmentWeight = 8;

    // The cheapest assignment of open rows to columns; null before the bound is found, and where no row is open.
    private Assignment? _assignment;

    // The place of each open row in the assignment.
    private int[] _places = [];

    // Rows that the assignment seats as guests: on half of a port that somebody else pays for.
    private ResourceSet _seated;

    /// <summary>No plan of this part costs less; set by <see cref="Relax"/>.</summary>
    public Int128 Bound { get; private set; }

    /// <summary>What each row takes where the bound is reached: its decided option, or one that suits the row alone.</summary>
    public PlanOption?[] Relaxed { get; private set; } = [];

    /// <summary>What <see cref="Relax"/> has weighed: the options of open rows, and the work of the assignment on the same scale.</summary>
    public int Weight { get; private set; }

    /// <summary>True once <see cref="Relax"/> was called.</summary>
    public bool IsRelaxed => Relaxed.Length > 0;

    /// <summary>
    /// Finds the bound: the cheapest assignment of undecided rows to columns, looking at nothing else that they could
    /// fight about.
    /// </summary>
    /// <param name="costs">Room for rows × columns prices.</param>
    /// <param name="best">Room for as many options.</param>
    public void Relax(Int128[] costs, PlanOption?[] best)
    {
        Relaxed = [.. _chosen];
        Weight = _entries.Count;
        Bound = _loads is { IsDead: true } ? Forbidden : _paid;
        if (Bound >= Forbidden)
        {
            return;
        }
        var ports = problem.Space.Columns;
        var columns = problem.Columns;
        _seated = ResourceSet.None;
        var rows = new List<int>(_entries.Count);
        _places = new int[_entries.Count];
        for (var i = 0; i < _entries.Count; i++)
        {
            if (!IsOpen(i) || IsMerged(i))
            {
                continue;
            }
            Weight += _entries[i].Options.Count;
            if (IsApart(i))
            {
                Bound += Cheapest(i);
                continue;
            }
            _places[i] = rows.Count;
            rows.Add(i);
        }
        if (rows.Count == 0)
        {
            return;
        }
        var used = costs.AsSpan(0, rows.Count * columns);
        used.Fill(Assignment.Never);
        Array.Clear(best, 0, used.Length);
        Span<Int128> alone = stackalloc Int128[rows.Count];
        foreach (var (place, row) in rows.Index())
        {
            alone[place] = UnmetOf(row);
            foreach (var option in _entries[row].Options)
            {
                // They come cheapest first: a place that a cheaper one has needs no further look.
                if (option.Column >= 0 && IsTaken(used, (place * columns) + option.Column, row, option))
                {
                    continue;
                }
                if (!Allows(row, option) || CostOf(row, option) is not { } cost)
                {
                    continue;
                }
                if (option.Column < 0)
                {
                    if (cost < alone[place])
                    {
                        (alone[place], Relaxed[row]) = (cost, option);
                    }
                }
                else
                {
                    Offer(used, best, (place * columns) + option.Column, cost, option);
                    if (IsUnsettled(row) && option.IsHalf)
                    {
                        Offer(used, best, (place * columns) + ports + option.Column, option.Cost.Number, option);
                    }
                }
            }
        }
        Weight += rows.Count * rows.Count * columns / AssignmentWeight;
        _assignment = new Assignment(rows.Count, columns, used, alone);
        Bound += _assignment.Total;
        foreach (var (place, row) in rows.Index())
        {
            if (_assignment.ColumnOf(place) is var column and >= 0)
            {
                Relaxed[row] = best[(place * columns) + column];
                _seated |= column >= ports ? ResourceSet.Of(row) : ResourceSet.None;
            }
            if (_guests[row] is var guest and >= 0 && Relaxed[row] is { } host)
            {
                Relaxed[guest] = Beside(guest, host);
            }
        }
    }

    /// <summary>The bound of <see cref="With"/>, at least, without finding it; after <see cref="Relax"/>.</summary>
    public Int128 BoundWith(int row, PlanOption? option)
    {
        var cost = option is null ? UnmetOf(row) : CostOf(row, option) ?? Forbidden;
        if (IsApart(row))
        {
            var now = Relaxed[row] is { } relaxed ? CostOf(row, relaxed) ?? Forbidden : UnmetOf(row);
            return Bound - now + cost;
        }
        if (option is not { Column: >= 0 })
        {
            return Bound + _assignment!.RegretAlone(_places[row], cost);
        }
        var regret = _assignment!.Regret(_places[row], option.Column, cost);
        if (IsUnsettled(row) && option.IsHalf)
        {
            var seat = problem.Space.Columns + option.Column;
            regret = Int128.Min(regret, _assignment.Regret(_places[row], seat, option.Cost.Number));
        }
        return Bound + regret;
    }

    /// <summary>What the relaxed choice really costs, where it is a plan.</summary>
    public Int128 Cost()
    {
        var sets = ResourceSet.None;
        Int128 sum = 0;
        foreach (var (i, option) in Relaxed.Index())
        {
            sets |= option?.Sets ?? ResourceSet.None;
            sum += option?.Cost.Number ?? _entries[i].Unmet?.Number ?? Forbidden;
        }
        return sum + problem.Space.OnceCost(sets) + ((_loads?.Strains(Relaxed) ?? 0) * PlanSpace.StrainCost);
    }

    /// <summary>The first priced state that the relaxed choice holds and that is not paid yet, whole ports aside, or -1.</summary>
    public int Unpaid()
    {
        var sets = Relaxed.Aggregate(ResourceSet.None, (all, o) => all | (o?.Sets ?? ResourceSet.None)) - _held;
        return problem
            .Space.Once.Where(once => !once.Whole)
            .Select(once => (sets & once.States).First)
            .FirstOrDefault(bit => bit >= 0, -1);
    }

    private bool IsTaken(Span<Int128> costs, int at, int row, PlanOption option) =>
        costs[at] <= option.Cost.Number
        && _guests[row] < 0
        && (!option.IsHalf || !IsUnsettled(row) || costs[at + problem.Space.Columns] <= option.Cost.Number);

    private bool IsOpen(int row) => !_decided.Has(row);

    private bool IsUnsettled(int row) => problem.IsGuest[row] && _hosts[row] == Undecided;

    private static void Offer(Span<Int128> costs, PlanOption?[] best, int at, Int128 cost, PlanOption option)
    {
        if (cost < costs[at])
        {
            (costs[at], best[at]) = (cost, option);
        }
    }

    private bool IsMerged(int row) => _hosts[row] >= 0 && IsOpen(_hosts[row]);

    // Counted by itself: it takes no port, or it sits beside a decided row.
    private bool IsApart(int row) => _entries[row].IsLoner || (problem.IsGuest[row] && _hosts[row] >= 0);

    // A row that sits beside another one is carried, as is that other one.
    private Int128 UnmetOf(int row) =>
        _hosts[row] >= 0 || _guests[row] >= 0 || _needed?[row].First >= 0
            ? Forbidden
            : _entries[row].Unmet?.Number ?? Forbidden;

    private Int128 Cheapest(int row)
    {
        var least = UnmetOf(row);
        foreach (var option in _entries[row].Options)
        {
            if (Allows(row, option) && CostOf(row, option) is { } cost && cost < least)
            {
                (least, Relaxed[row]) = (cost, option);
            }
        }
        return least;
    }

    // What an option costs in the bound, with the guest of the row beside it; null when they do not go together.
    private Int128? CostOf(int row, PlanOption option)
    {
        if (_hosts[row] >= 0)
        {
            return _chosen[_hosts[row]] is { } host && option.Shares(host) ? option.Cost.Number : null;
        }
        var cost =
            option.Whole >= 0 && !_held.Has(option.Whole)
                ? option.Cost.Number + problem.Space.WholeEach
                : option.Cost.Number;
        return _guests[row] switch
        {
            < 0 => cost,
            var guest => Beside(guest, option) is { } beside ? cost + beside.Cost.Number : null,
        };
    }

    // The cheapest option of a guest that goes with its host's.
    private PlanOption? Beside(int guest, PlanOption host) =>
        _entries[guest].Options.FirstOrDefault(o => o.Shares(host) && Allows(guest, o));
}
