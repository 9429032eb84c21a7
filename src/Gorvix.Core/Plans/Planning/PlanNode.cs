namespace Gorvix.Core.Plans.Planning;

/// <summary>A part of all plans: those in which some rows are decided, some states held or barred, some things needed or denied.</summary>
/// <param name="problem">The question.</param>
internal sealed partial class PlanNode(PlanProblem problem)
{
    /// <summary>The price of leaving out a link that may not be left out: above every real sum, and a hundred of it do not overflow.</summary>
    public static readonly Int128 Forbidden = Int128.One << 120;

    /// <summary>The host of a guest that has its port alone.</summary>
    public const int Alone = -1;

    /// <summary>The host of a guest that is not settled.</summary>
    public const int Undecided = -2;

    private readonly IReadOnlyList<PlanProblem.Entry> _entries = problem.Entries;

    // Rows that are settled: each has an option or goes without.
    private ResourceSet _decided;

    // What settled rows take, and what one row is bound to take: nobody else can.
    private ResourceSet _taken;

    // States that nobody may hold: they do not agree with one that is held, or this part is without them.
    private ResourceSet _barred;

    // States that somebody holds; they are paid.
    private ResourceSet _held;

    // What all that is settled costs.
    private Int128 _paid;

    // The option of each settled row; null where it goes without, or is open.
    private PlanOption?[] _chosen = new PlanOption?[problem.Entries.Count];

    // What each row is bound to take; null where nothing was said of any.
    private ResourceSet[]? _needed;

    // What each row may not take; null where nothing was said of any.
    private ResourceSet[]? _denied;

    // Beside whom each row sits on the halves of a port: another row, Alone or Undecided.
    private int[] _hosts = problem.NoHosts;

    // The guest of each row, the other way round; below 0 for none.
    private int[] _guests = problem.NoGuests;

    // What rails and outputs have to give; null where none can be asked for too much.
    private PlanLoads? _loads =
        problem.Space.Loads.Count > 0 ? new PlanLoads(problem.Space.Loads, problem.Entries.Count) : null;

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
}
