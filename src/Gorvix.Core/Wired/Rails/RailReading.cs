using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;

namespace Gorvix.Core.Wired.Rails;

/// <summary>How it stands with a rail or an output.</summary>
public enum RailState
{
    /// <summary>It gives what is asked of it.</summary>
    Good,

    /// <summary>At times more is asked than it gives.</summary>
    Strained,

    /// <summary>More is asked than it gives, all the time.</summary>
    Over,

    /// <summary>Nothing feeds it here.</summary>
    Dead,
}

/// <summary>How it stands with a supply lead.</summary>
public enum LeadFeed
{
    /// <summary>It gets what it takes.</summary>
    Good,

    /// <summary>It gets more than it takes.</summary>
    Burns,

    /// <summary>It gets a little less than it needs, by no more than leaflets and regulators are off.</summary>
    Tight,

    /// <summary>It gets less than it needs.</summary>
    Starves,

    /// <summary>USB does not reach it, as is usual.</summary>
    Silent,

    /// <summary>Nobody has said whether USB powers its rail, and nothing else does here.</summary>
    UsbUnknown,

    /// <summary>No ground of its device is joined.</summary>
    Ungrounded,

    /// <summary>Nothing is joined to it.</summary>
    Unfed,
}

/// <summary>What hangs on a rail.</summary>
/// <param name="Device">Id of the device within the build; null for another rail that hangs on it.</param>
/// <param name="Rail">Id of the rail that hangs on it; null for a device.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Typical">What it draws as a rule, in amperes; null when the leaflet does not say.</param>
/// <param name="Peak">The most that it draws, in amperes; null when the leaflet does not say.</param>
/// <param name="AtLeast">True when a current in it or behind it is not known: then both are the least that they can be.</param>
public sealed record RailLoad(
    string? Device,
    string? Rail,
    string Name,
    double? Typical,
    double? Peak,
    bool AtLeast = false
);

/// <summary>A rail of the board, or an output of a device that feeds others, in a situation.</summary>
/// <param name="Id">Its id; of an output the device and its lead with a colon between.</param>
/// <param name="Label">Its name on the leaflet.</param>
/// <param name="From">The rail that it hangs on; null for the source.</param>
/// <param name="Volts">What it gives under the usual load, in volts.</param>
/// <param name="LowVolts">What it gives under the most load, in volts.</param>
/// <param name="Typical">The current out of it as a rule, in amperes.</param>
/// <param name="Peak">The most current out of it, in amperes.</param>
/// <param name="AtLeast">True when a current on it is not known: then both are the least that they can be.</param>
/// <param name="Limit">The most that it gives, in amperes; null when the leaflet does not say.</param>
/// <param name="Alive">Whether anything feeds it.</param>
/// <param name="Heat">What its regulator turns into heat as a rule, in watts; null where that is not known.</param>
/// <param name="Loads">What hangs on it.</param>
public sealed record RailReading(
    string Id,
    string Label,
    string? From,
    double Volts,
    double LowVolts,
    double Typical,
    double Peak,
    bool AtLeast,
    double? Limit,
    bool Alive,
    double? Heat,
    IReadOnlyList<RailLoad> Loads
)
{
    // A leaflet's limit is no sharper than this (our own choice).
    private const double Sharp = 1.01;

    /// <summary>How it stands with it.</summary>
    public RailState State =>
        !Alive ? RailState.Dead
        : Limit is not { } limit ? RailState.Good
        : Typical > limit * Sharp ? RailState.Over
        : Peak > limit * Sharp ? RailState.Strained
        : RailState.Good;

    /// <summary>What is left of its limit when everything draws its most, in amperes; null when the limit is not known.</summary>
    public double? Left => Limit is { } limit ? Math.Max(0, limit - Peak) : null;
}

/// <summary>A station on the way of a supply.</summary>
/// <param name="What">What it is.</param>
/// <param name="Volts">What a meter reads there against ground, in volts.</param>
public sealed record SupplyStation(string What, double Volts);

/// <summary>What a supply lead gets in a situation.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Name">What the builder calls the device.</param>
/// <param name="Lead">Id of the lead.</param>
/// <param name="Label">Its label.</param>
/// <param name="Pad">Id of the pad that feeds it; null when none does.</param>
/// <param name="Rail">Id of the rail or output behind it; null when none is.</param>
/// <param name="Window">The volts that it takes.</param>
/// <param name="Volts">What it gets under the usual load, in volts; null when no ground of the device is joined.</param>
/// <param name="LowVolts">What it gets under the most load, in volts.</param>
/// <param name="Way">The way from the source to it, station by station.</param>
/// <param name="State">How it stands with it, as <see cref="StateIn"/> says.</param>
public sealed record LeadReading(
    string Device,
    string Name,
    string Lead,
    string Label,
    string? Pad,
    string? Rail,
    VoltWindow Window,
    double? Volts,
    double? LowVolts,
    IReadOnlyList<SupplyStation> Way,
    LeadFeed State
)
{
    /// <summary>Id of the pad of the board from which it comes, through outputs of other devices too; null when nothing feeds it.</summary>
    public string? BoardPad { get; init; }

    /// <summary>What it has before anything draws current, in volts: the most that it gets in the situation; 0 where nothing feeds it.</summary>
    [JsonIgnore]
    public double IdleVolts { get; init; }

    /// <summary>The most that it gets, in volts.</summary>
    public double MostVolts => Math.Max(Volts ?? 0, IdleVolts);

    /// <summary>What flows in it under the usual load, in amperes, what its outputs supply included; null while no datasheet says it.</summary>
    public double? Amps { get; init; }

    /// <summary>True when a part of that is not known: then it is at least so much.</summary>
    public bool AtLeast { get; init; }

    /// <summary>Whether USB alone powers its rail; null where nobody has said.</summary>
    [JsonIgnore]
    public bool? OnUsb { get; init; } = false;

    /// <summary>The part of the least volts that leaflets and regulators are off (common practice: 2 %).</summary>
    public const double Little = 0.02;

    /// <summary>How it stands with a lead in a situation.</summary>
    public LeadFeed StateIn(Situation situation) =>
        Pad is null && Rail is null ? LeadFeed.Unfed
        : Window.IsOver(MostVolts) ? LeadFeed.Burns
        : Volts is null || LowVolts is not { } low ? LeadFeed.Ungrounded
        : !Window.IsUnder(low) ? LeadFeed.Good
        : situation.InputVolts is null ? (OnUsb is null ? LeadFeed.UsbUnknown : LeadFeed.Silent)
        : low >= Window.Min * (1 - Little) ? LeadFeed.Tight
        : LeadFeed.Starves;
}

/// <summary>A build in a situation.</summary>
/// <param name="Situation">The situation.</param>
/// <param name="Rails">Its rails, ground left out, in the order of the leaflet; then the outputs that feed others.</param>
/// <param name="Leads">Its supply leads, in the order of the devices; where no steady state was found only those that get too much.</param>
/// <param name="SourceAmps">What the source gives as a rule and at most, in amperes; null without one.</param>
/// <param name="UsbAmps">What USB gives as a rule and at most, in amperes; null without it.</param>
/// <param name="Problem">Why no steady state was found; null when there is one.</param>
public sealed record RailSheet(
    Situation Situation,
    IReadOnlyList<RailReading> Rails,
    IReadOnlyList<LeadReading> Leads,
    AmpPair? SourceAmps,
    AmpPair? UsbAmps,
    SupplyProblem? Problem
)
{
    /// <summary>The build in the situation that is asked for; an address may name a device that has left since: then the first.</summary>
    /// <param name="sheets">The build in every situation.</param>
    /// <param name="id">Id of the situation; null for the first.</param>
    public static RailSheet In(IReadOnlyList<RailSheet> sheets, string? id) =>
        sheets.FirstOrDefault(s => s.Situation.Id == id) ?? sheets[0];

    /// <summary>What the board's own input gets; null where it has no window, or gets nothing.</summary>
    public InputReading? Input { get; init; }

    /// <summary>Supplies that copper ties together here, each group by the names of its supplies.</summary>
    public IReadOnlyList<IReadOnlyList<string>> Ties { get; init; } = [];

    /// <summary>Volts under the usual load of every rail, pad and lead that the supplies know; empty where no steady state was found.</summary>
    [JsonIgnore]
    public IReadOnlyDictionary<Node, double> Points { get; init; } = new Dictionary<Node, double>();

    /// <summary>True when a current is not known: then the source gives at least what is told.</summary>
    public bool AtLeast => Rails.Any(r => r.AtLeast);

    /// <summary>What the build draws from its source when nothing limits it; null where nothing does, or it is not asked.</summary>
    public AmpPair? Unlimited { get; init; }
}

/// <summary>What the board's own supply input gets.</summary>
/// <param name="Board">What the builder calls the board.</param>
/// <param name="Window">The volts that it takes.</param>
/// <param name="Volts">What it gets under the usual load, in volts; without a load where no steady state was found.</param>
/// <param name="MostVolts">The most that it gets, before anything draws current, in volts.</param>
public sealed record InputReading(string Board, VoltWindow Window, double Volts, double MostVolts);

/// <summary>A current as a rule and at most.</summary>
/// <param name="Typical">As a rule, in amperes.</param>
/// <param name="Peak">At most, in amperes.</param>
public sealed record AmpPair(double Typical, double Peak);
