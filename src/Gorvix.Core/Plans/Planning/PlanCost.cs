using System.Globalization;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Planning;

/// <summary>
/// The price of a plan, compared term by term: the first term that differs decides.
/// The terms are packed into one 128-bit number, the first term in the highest bits, so that adding and
/// comparing prices are single operations and a sum of prices is compared as rightly as each of them.
/// </summary>
public readonly record struct PlanCost : IComparable<PlanCost>
{
    /// <summary>A link that goes without weighs this much, so that no sum of needs outweighs one link more.</summary>
    public const int UnmetLink = 500;

    /// <summary>How many needs there are; the first weighs as much, the last one.</summary>
    public static readonly int Needs = Enum.GetValues<Need>().Length;

    // Widths in bits, first term first. 40 links, 40 plugs of 24 pins, 60 supplies and 128 signal leads (the most of a build) cannot overflow any of them,
    // as one way counts at most what <see cref="OfAtMost"/> lets it; nor can the 188 soldered wires of signals and supplies that may come off.
    private static readonly (CostTerm Term, int Bits)[] Layout =
    [
        (CostTerm.PinsBroken, 7),
        (CostTerm.MustsUnmet, 15),
        (CostTerm.WantsUnmet, 15),
        (CostTerm.NicesUnmet, 15),
        (CostTerm.Unfed, 7),
        (CostTerm.Hazards, 8),
        (CostTerm.Losses, 8),
        (CostTerm.Processor, 8),
        (CostTerm.HandWork, 12),
        (CostTerm.AgainstHouse, 6),
        (CostTerm.WholePorts, 6),
        (CostTerm.Switches, 7),
        (CostTerm.OffAdvice, 6),
    ];

    // Eight bits are left above: room for the sums and differences of the search.
    private const int TotalBits = 120;

    private static readonly int[] Shift = MakeShifts();

    private readonly Int128 _packed;

    internal PlanCost(Int128 packed) => _packed = packed;

    /// <summary>The price as one number: what is cheaper is smaller, and sums are sums.</summary>
    internal Int128 Number => _packed;

    /// <summary>Nothing.</summary>
    public static PlanCost Zero => default;

    /// <summary>More than any plan can cost.</summary>
    public static PlanCost Beyond => new(Int128.MaxValue);

    /// <summary>A price of one term.</summary>
    /// <param name="term">The term.</param>
    /// <param name="amount">Not negative and within the term's width.</param>
    /// <exception cref="ArgumentOutOfRangeException">The amount does not fit.</exception>
    public static PlanCost Of(CostTerm term, int amount)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(amount);
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(amount, 1 << Layout[(int)term].Bits);
        return new PlanCost((Int128)amount << Shift[(int)term]);
    }

    /// <summary>A price of one term for one way; what is beyond the most that one way may count is cut off.</summary>
    /// <param name="term">The term.</param>
    /// <param name="amount">Not negative.</param>
    /// <exception cref="ArgumentOutOfRangeException">The amount is negative.</exception>
    public static PlanCost OfAtMost(CostTerm term, int amount) => Of(term, Math.Min(amount, MostOfOneWay(term)));

    /// <summary>The most that one way counts in a term.</summary>
    public static int MostOfOneWay(CostTerm term) =>
        term switch
        {
            CostTerm.PinsBroken => 3,
            CostTerm.Hazards => 3,
            CostTerm.HandWork => 40,
            _ => 6,
        };

    /// <summary>The amount of one term.</summary>
    public int this[CostTerm term] =>
        (int)((_packed >> Shift[(int)term]) & ((Int128.One << Layout[(int)term].Bits) - 1));

    /// <summary>True when this is worse in no term and better in one.</summary>
    public bool Dominates(PlanCost other)
    {
        var (mine, theirs) = (this, other);
        return mine != theirs && Enum.GetValues<CostTerm>().All(t => mine[t] <= theirs[t]);
    }

    /// <summary>The sum, term by term.</summary>
    public static PlanCost operator +(PlanCost a, PlanCost b) => new(a._packed + b._packed);

    /// <summary>The difference; below zero in a term where more is taken away than there is.</summary>
    public static PlanCost operator -(PlanCost a, PlanCost b) => new(a._packed - b._packed);

    /// <summary>True when the first is cheaper.</summary>
    public static bool operator <(PlanCost a, PlanCost b) => a._packed < b._packed;

    /// <summary>True when the first is dearer.</summary>
    public static bool operator >(PlanCost a, PlanCost b) => a._packed > b._packed;

    /// <summary>True when the first is not dearer.</summary>
    public static bool operator <=(PlanCost a, PlanCost b) => a._packed <= b._packed;

    /// <summary>True when the first is not cheaper.</summary>
    public static bool operator >=(PlanCost a, PlanCost b) => a._packed >= b._packed;

    /// <inheritdoc/>
    public int CompareTo(PlanCost other) => _packed.CompareTo(other._packed);

    /// <summary>A text that sorts as the prices do.</summary>
    public string SortKey => ((UInt128)_packed).ToString("x32", CultureInfo.InvariantCulture);

    /// <summary>The terms that are not zero.</summary>
    public override string ToString()
    {
        var cost = this;
        return string.Join(
            ", ",
            Layout
                .Where(l => cost[l.Term] > 0)
                .Select(l => string.Create(CultureInfo.InvariantCulture, $"{l.Term} {cost[l.Term]}"))
        );
    }

    private static int[] MakeShifts()
    {
        var shifts = new int[Layout.Length];
        var left = TotalBits;
        for (var i = 0; i < Layout.Length; i++)
        {
            left -= Layout[i].Bits;
            shifts[i] = left;
        }
        return shifts;
    }
}

/// <summary>The terms of the objective, the weightiest first. A plan is better when the first term that differs is smaller.</summary>
public enum CostTerm
{
    /// <summary>Pins that could be kept and are not.</summary>
    PinsBroken,

    /// <summary>Musts without a route: 500 each plus the weight of the need.</summary>
    MustsUnmet,

    /// <summary>Wants without a route: 500 each plus the weight of the need.</summary>
    WantsUnmet,

    /// <summary>Nice links without a route: 500 each plus the weight of the need.</summary>
    NicesUnmet,

    /// <summary>Supply leads that nothing feeds, and devices that are left off.</summary>
    Unfed,

    /// <summary>Things that can go wrong although they work.</summary>
    Hazards,

    /// <summary>Things lost by the chosen modes.</summary>
    Losses,

    /// <summary>Tenths of the processor that serial in code takes.</summary>
    Processor,

    /// <summary>Hand work in minutes, as in <see cref="Routing.WorkMinutes"/>.</summary>
    HandWork,

    /// <summary>Supplies that go against a house rule although they work.</summary>
    AgainstHouse,

    /// <summary>Whole ports used.</summary>
    WholePorts,

    /// <summary>Port switches that differ from how the port comes.</summary>
    Switches,

    /// <summary>Links away from the port that the board's maker advises.</summary>
    OffAdvice,
}
