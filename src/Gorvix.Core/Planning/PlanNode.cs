namespace Gorvix.Core.Planning;

/// <summary>A part of all plans: those in which some rows are decided, some states held or barred, some things needed or denied.</summary>
/// <param name="problem">The question.</param>
internal sealed class PlanNode(PlanProblem problem)
{
    /// <summary>The price of leaving out a link that may not be left out: above every real sum, and a hundred of it do not overflow.</summary>
    public static readonly Int128 Forbidden = Int128.One << 120;

    /// <summary>The host of a guest that has its port alone.</summary>
    public const int Alone = -1;

    /// <summary>The host of a guest that is not settled.</summary>
    public const int Undecided = -2;

    // So many steps of the assignment take as long as one option.
    private const int AssignmentWeight = 8;

    private readonly IReadOnlyList<PlanProblem.Entry> _entries = problem.Entries;

    private ResourceSet _decided;
    private ResourceSet _taken;
    private ResourceSet _barred;
    private ResourceSet _held;
    private Int128 _paid;
    private PlanOption?[] _chosen = new PlanOption?[problem.Entries.Count];
    private ResourceSet[]? _needed;
    private ResourceSet[]? _denied;
    private int[] _hosts = problem.NoHosts;
    private int[] _guests = problem.NoGuests;
    private PlanLoads? _loads =
        problem.Space.Loads.Count > 0 ? new PlanLoads(problem.Space.Loads, problem.Entries.Count) : null;

    private Assignment? _assignment;
    private int[] _places = [];
    private ResourceSet _seated;

    /// <summary>No plan of this part costs less; set by <see cref="Relax"/>.</summary>
    public Int128 Bound { get; private set; }

    /// <summary>What each row takes where the bound is reached: its decided option, or one that suits the row alone.</summary>
    public PlanOption?[] Relaxed { get; private set; } = [];

    /// <summary>What <see cref="Relax"/> has weighed: the options of open rows, and the work of the assignment on the same scale.</summary>
    public int Weight { get; private set; }

    /// <summary>True once <see cref="Relax"/> was called.</summary>
    public bool IsRelaxed => Relaxed.Length > 0;

    /// <summary>The part in which a row takes this option, or goes without.</summary>
    public PlanNode With(int row, PlanOption? option)
    {
        var node = Copy();
        node._decided |= ResourceSet.Of(row);
        node._chosen = [.. _chosen];
        node._chosen[row] = option;
        node._loads = _loads?.Taking(row, option);
        if (option is null)
        {
            node._paid += _entries[row].Unmet?.Number ?? Forbidden;
            return node;
        }
        node._paid += option.Cost.Number + problem.Space.OnceCost(option.Sets - _held);
        node._taken |= option.Takes;
        node._held |= option.Sets;
        node._barred |= option.Bars;
        return node;
    }

    /// <summary>The part in which somebody holds a state.</summary>
    public PlanNode Holding(int state)
    {
        var node = Copy();
        var bit = ResourceSet.Of(state);
        node._paid += problem.Space.OnceCost(bit - _held);
        node._held |= bit;
        node._barred |= problem.Space.BarsOf(state);
        return node;
    }

    /// <summary>The part in which nobody holds a state.</summary>
    public PlanNode Barring(int state)
    {
        var node = Copy();
        node._barred |= ResourceSet.Of(state);
        return node;
    }

    /// <summary>The part in which this row, and so no other, takes a resource.</summary>
    public PlanNode Needing(int row, int resource)
    {
        var node = Copy();
        node._needed = Marked(_needed, row, resource);
        node._taken |= ResourceSet.Of(resource);
        return node;
    }

    /// <summary>The part in which this row does not take a resource.</summary>
    public PlanNode Denying(int row, int resource)
    {
        var node = Copy();
        node._denied = Marked(_denied, row, resource);
        return node;
    }

    /// <summary>The part in which a guest sits beside a host on the halves of one port, or has its port alone.</summary>
    /// <param name="guest">A row of <see cref="PlanProblem.Guests"/>.</param>
    /// <param name="host">The other row, or <see cref="Alone"/>.</param>
    public PlanNode Hosting(int guest, int host)
    {
        var node = Copy();
        node._hosts = [.. _hosts];
        node._hosts[guest] = host;
        if (host < 0)
        {
            return node;
        }
        node._guests = [.. _guests];
        node._guests[host] = guest;
        if (_hosts[host] == Undecided)
        {
            // No third one fits, so the host itself sits beside nobody else.
            node._hosts[host] = Alone;
        }
        return node;
    }

    /// <summary>Both parts of a cut where a rail or output would have to give more than it can: the row draws less, or at least so much.</summary>
    public (PlanNode Less, PlanNode More) Cutting(int row, int load, int drawn)
    {
        var (less, more) = (Copy(), Copy());
        less._loads = _loads!.Capping(row, load, drawn - 1);
        more._loads = _loads.Flooring(row, load, drawn);
        return (less, more);
    }

    /// <summary>Both parts of a cut where peaks pass a limit that nobody has paid: they keep within it, or it is paid.</summary>
    public (PlanNode Spared, PlanNode Strained) Straining(int load)
    {
        var (spared, strained) = (Copy(), Copy());
        spared._loads = _loads!.Sparing(load);
        strained._loads = _loads.Straining(load);
        strained._paid += PlanSpace.StrainCost;
        return (spared, strained);
    }

    /// <summary>Where the relaxed choice draws more than a rail or output gives; null where all fits.</summary>
    public (int Row, int Load, int Drawn)? Overload() => _loads?.Overload(Relaxed);

    /// <summary>A limit that the peaks of the relaxed choice pass and that nobody has paid; -1 for none.</summary>
    public int Strained() => _loads?.Unpaid(Relaxed) ?? -1;

    /// <summary>Every way to settle where a guest sits.</summary>
    public IEnumerable<PlanNode> Settling(int guest) =>
        problem
            .Guests[guest]
            .Where(host => _hosts[host] < 0 && _guests[host] < 0 && _guests[guest] < 0)
            .Prepend(Alone)
            .Select(host => Hosting(guest, host));

    /// <summary>
    /// A guest that is not settled, has a guest's seat in the relaxed choice, and there clashes with another row or finds
    /// nobody who pays for the port; -1 when there is none.
    /// </summary>
    public int Unsettled()
    {
        foreach (var guest in problem.Guests.Keys.Where(g => IsOpen(g) && _hosts[g] == Undecided))
        {
            if (!_seated.Has(guest) || Relaxed[guest] is not { } option)
            {
                continue;
            }
            var paid = _held;
            foreach (var (i, other) in Relaxed.Index())
            {
                if (i != guest && other is not null)
                {
                    if (option.Clashes(other))
                    {
                        return guest;
                    }
                    paid |= other.Sets;
                }
            }
            if (problem.Space.WholeCost(option.Sets - paid) > 0)
            {
                return guest;
            }
        }
        return -1;
    }

    /// <summary>
    /// The part in which a row that is open takes the cheapest option that goes with all that is decided, with what it makes others pay once, or goes
    /// without where that is cheaper; null when there is neither.
    /// </summary>
    public PlanNode? WithCheapest(int row)
    {
        var least = UnmetOf(row);
        PlanOption? best = null;
        foreach (var option in _entries[row].Options)
        {
            if (option.Cost.Number < least && Allows(row, option))
            {
                var cost = option.Cost.Number + problem.Space.OnceCost(option.Sets - _held);
                (least, best) = cost < least ? (cost, option) : (least, best);
            }
        }
        return least >= Forbidden ? null : With(row, best);
    }

    /// <summary>True when the row may still take the option.</summary>
    public bool Allows(int row, PlanOption option)
    {
        if (option.Sets.Meets(_barred) || (_loads is not null && !_loads.Allows(row, option)))
        {
            return false;
        }
        if (_needed is null && _denied is null)
        {
            return !option.Takes.Meets(_taken);
        }
        var blocked = _taken;
        if (_needed is not null)
        {
            if (!_needed[row].IsWithin(option.Takes))
            {
                return false;
            }
            blocked -= _needed[row];
        }
        if (_denied is not null)
        {
            blocked |= _denied[row];
        }
        return !option.Takes.Meets(blocked);
    }

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

    private PlanNode Copy() =>
        new(problem)
        {
            _decided = _decided,
            _taken = _taken,
            _barred = _barred,
            _held = _held,
            _paid = _paid,
            _chosen = _chosen,
            _needed = _needed,
            _hosts = _hosts,
            _guests = _guests,
            _denied = _denied,
            _loads = _loads,
        };

    private ResourceSet[] Marked(ResourceSet[]? rows, int row, int resource)
    {
        var copy = rows is null ? new ResourceSet[_entries.Count] : [.. rows];
        copy[row] |= ResourceSet.Of(resource);
        return copy;
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
