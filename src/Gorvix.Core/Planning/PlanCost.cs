using System.Globalization;

namespace Gorvix.Core.Planning;

/// <summary>
/// The price of a plan, compared term by term: the first term that differs decides.
/// The terms are packed into one 128-bit number, the first term in the highest bits, so that adding and
/// comparing prices are single operations and a sum of prices is compared as rightly as each of them.
/// </summary>
public readonly record struct PlanCost : IComparable<PlanCost>
{
    // Widths in bits, first term first. 40 links (the most of a build) cannot overflow any of them.
    private static readonly (CostTerm Term, int Bits)[] Layout =
    [
        (CostTerm.PinsBroken, 8),
        (CostTerm.MustsUnmet, 20),
        (CostTerm.WantsUnmet, 20),
        (CostTerm.NicesUnmet, 20),
        (CostTerm.Losses, 12),
        (CostTerm.HandWork, 16),
        (CostTerm.WholePorts, 8),
        (CostTerm.Switches, 8),
        (CostTerm.OffAdvice, 8),
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

    /// <summary>The amount of one term.</summary>
    public int this[CostTerm term] =>
        (int)((_packed >> Shift[(int)term]) & ((Int128.One << Layout[(int)term].Bits) - 1));

    /// <summary>The sum, term by term.</summary>
    public static PlanCost operator +(PlanCost a, PlanCost b) => new(a._packed + b._packed);

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

    /// <summary>Musts without a route: 1000 each plus the weight of the need.</summary>
    MustsUnmet,

    /// <summary>Wants without a route: 1000 each plus the weight of the need.</summary>
    WantsUnmet,

    /// <summary>Nice links without a route: 1000 each plus the weight of the need.</summary>
    NicesUnmet,

    /// <summary>Things lost by the chosen modes.</summary>
    Losses,

    /// <summary>Hand work in points: a bridge 4, a device's firmware 6, a device's setting 2.</summary>
    HandWork,

    /// <summary>Whole ports used.</summary>
    WholePorts,

    /// <summary>Port switches that differ from how the port comes.</summary>
    Switches,

    /// <summary>Links away from the port that the board's maker advises.</summary>
    OffAdvice,
}
