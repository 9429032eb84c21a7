using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>One hookup as bits. Fields, not properties: the sets are large, and the search reads them without copying.</summary>
internal sealed class PlanOption(
    Hookup hookup,
    int column,
    in ResourceSet takes,
    in ResourceSet sets,
    in ResourceSet bars,
    PlanCost cost,
    int whole,
    int[]? loads = null
)
{
    /// <summary>What it takes.</summary>
    public readonly ResourceSet Takes = takes;

    /// <summary>The states that it holds.</summary>
    public readonly ResourceSet Sets = sets;

    /// <summary>The states that do not agree with those.</summary>
    public readonly ResourceSet Bars = bars;

    /// <summary>The column of the assignment that it takes; -1 for none.</summary>
    public readonly int Column = column;

    /// <summary>Its price.</summary>
    public readonly PlanCost Cost = cost;

    /// <summary>The state "this whole port is in use" that it holds; -1 for none.</summary>
    public readonly int Whole = whole;

    /// <summary>What it draws from each load of <see cref="PlanSpace.Loads"/>, in milliamperes; null for nothing.</summary>
    public readonly int[]? Loads = loads;

    /// <summary>What is chosen with it.</summary>
    public Hookup Hookup { get; } = hookup;

    /// <summary>The route, or null where it is none: going without in a seat, a feed, a stay.</summary>
    public Route? Route => Hookup as Route;

    /// <summary>True when it has one half of a port and leaves the other to who agrees.</summary>
    public bool IsHalf { get; } = hookup is Route && hookup.Claims.Holds.Any(h => h is ShareHold);

    /// <summary>The same at another price.</summary>
    public PlanOption At(PlanCost price) => new(Hookup, Column, Takes, Sets, Bars, price, Whole, Loads);

    /// <summary>True when both can have the halves of one port.</summary>
    public bool Shares(PlanOption other) => Column == other.Column && IsHalf && other.IsHalf && !Clashes(other);

    /// <summary>True when both cannot be taken.</summary>
    public bool Clashes(PlanOption other) =>
        Takes.Meets(other.Takes) || Sets.Meets(other.Bars) || Bars.Meets(other.Sets);

    /// <summary>True when this takes no more, holds no more and draws no more.</summary>
    public bool IsWithin(PlanOption other) =>
        Takes.IsWithin(other.Takes)
        && Sets.IsWithin(other.Sets)
        && Bars.IsWithin(other.Bars)
        && (Loads is null || Loads.Index().All(l => l.Item <= other.LoadOn(l.Index)));

    /// <summary>What it draws from one load.</summary>
    public int LoadOn(int load) => Loads is null ? 0 : Loads[load];
}

/// <summary>A link, a supply lead, a plug or a lead with all its options.</summary>
/// <param name="Way">The link's ways, or null.</param>
/// <param name="Feed">The supply lead's ways, or null.</param>
/// <param name="Device">The device whose seat this row carries, or null.</param>
/// <param name="Options">All options, in the order of mode, port, pad and seat.</param>
/// <param name="Unmet">What it costs to take none, or null where one must be taken.</param>
internal sealed record PlanRow(
    LinkWays? Way,
    FeedWays? Feed,
    string? Device,
    IReadOnlyList<PlanOption> Options,
    PlanCost? Unmet
)
{
    /// <summary>The options worth trying when no wish is in force, cheapest first.</summary>
    public IReadOnlyList<PlanOption> Undominated { get; } = PlanProblem.Undominated(Options);

    /// <summary>The options that leave the other half of their port to who agrees.</summary>
    public IReadOnlyList<PlanOption> Halves { get; } = [.. Options.Where(o => o.IsHalf)];
}
