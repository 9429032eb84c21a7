using Gorvix.Core.Parts;

namespace Gorvix.Core.Rails;

/// <summary>What hangs on a rail.</summary>
/// <param name="Device">Id of the device within the build; null for another rail that hangs on it.</param>
/// <param name="Rail">Id of the rail that hangs on it; null for a device.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Typical">What it draws as a rule, in amperes; null when the leaflet does not say.</param>
/// <param name="Peak">The most that it draws, in amperes; null when the leaflet does not say.</param>
public sealed record RailLoad(string? Device, string? Rail, string Name, double? Typical, double? Peak);

/// <summary>A rail in a situation.</summary>
/// <param name="Id">Its id.</param>
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
);

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
/// <param name="Rail">Id of the rail behind it; null when none is.</param>
/// <param name="Window">The volts that it takes.</param>
/// <param name="Volts">What it gets under the usual load, in volts; null when no ground of the device is joined.</param>
/// <param name="LowVolts">What it gets under the most load, in volts.</param>
/// <param name="Way">The way from the source to it, station by station.</param>
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
    IReadOnlyList<SupplyStation> Way
);

/// <summary>A build in a situation.</summary>
/// <param name="Situation">The situation.</param>
/// <param name="Rails">Its rails, ground left out, in the order of the leaflet.</param>
/// <param name="Leads">Its supply leads, in the order of the devices.</param>
/// <param name="SourceAmps">What the source gives as a rule and at most, in amperes; null without one.</param>
/// <param name="UsbAmps">What USB gives as a rule and at most, in amperes; null without it.</param>
/// <param name="Problem">Why no steady state was found; null when there is one.</param>
public sealed record RailSheet(
    Situation Situation,
    IReadOnlyList<RailReading> Rails,
    IReadOnlyList<LeadReading> Leads,
    AmpPair? SourceAmps,
    AmpPair? UsbAmps,
    string? Problem
);

/// <summary>A current as a rule and at most.</summary>
/// <param name="Typical">As a rule, in amperes.</param>
/// <param name="Peak">At most, in amperes.</param>
public sealed record AmpPair(double Typical, double Peak);
