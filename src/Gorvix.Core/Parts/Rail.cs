namespace Gorvix.Core.Parts;

/// <summary>A range of volts.</summary>
public sealed record VoltWindow
{
    /// <summary>Lowest, in volts.</summary>
    public required double Min { get; init; }

    /// <summary>Highest, in volts.</summary>
    public required double Max { get; init; }
}

/// <summary>A supply rail, with what it is fed from.</summary>
public sealed record Rail
{
    /// <summary>Id within the board.</summary>
    public required string Id { get; init; }

    /// <summary>Its name on the leaflet.</summary>
    public required string Label { get; init; }

    /// <summary>What it gives, in volts; 0 for ground, null when it follows the battery.</summary>
    public double? Volts { get; init; }

    /// <summary>What feeds it.</summary>
    public required RailFeed Feed { get; init; }

    /// <summary>The rail that its regulator or diode hangs on; null for the battery.</summary>
    public string? From { get; init; }

    /// <summary>How much more its regulator needs than it gives, in volts; null when the leaflet does not say, and then nothing is taken off.</summary>
    public double? Dropout { get; init; }

    /// <summary>The most current that it gives, in amperes; null when the leaflet does not say.</summary>
    public double? Limit { get; init; }

    /// <summary>How its regulator works; null when the leaflet does not say.</summary>
    public RegulatorKind? Kind { get; init; }

    /// <summary>The part of the power that comes out of its regulator, above 0.3 and up to 1; null when the leaflet does not say, and then nothing is lost.</summary>
    public double? Efficiency { get; init; }

    /// <summary>What its regulator takes for itself, in amperes, 0 to 1; null when the leaflet does not say, and then it takes nothing.</summary>
    public double? Quiescent { get; init; }

    /// <summary>Whether a filter keeps the motors' noise off it; null when the leaflet does not say.</summary>
    public Filtering? Filtering { get; init; }
}

/// <summary>How a regulator works.</summary>
public enum RegulatorKind
{
    /// <summary>It turns what is too much into heat.</summary>
    Linear,

    /// <summary>It switches, and stays cool.</summary>
    Switching,
}

/// <summary>Whether the noise of the motors is kept off a supply.</summary>
public enum Filtering
{
    /// <summary>It is.</summary>
    Filtered,

    /// <summary>It is not.</summary>
    Unfiltered,
}

/// <summary>What feeds a rail.</summary>
public enum RailFeed
{
    /// <summary>Common ground.</summary>
    Ground,

    /// <summary>The battery itself.</summary>
    Battery,

    /// <summary>A regulator fed by the battery: dead on USB alone.</summary>
    Regulator,

    /// <summary>A booster fed by the battery: it gives its volts from less. Dead on USB alone.</summary>
    Booster,

    /// <summary>The battery's regulator, or USB through a diode.</summary>
    RegulatorOrUsb,
}
