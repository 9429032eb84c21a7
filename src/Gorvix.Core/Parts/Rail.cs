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

    /// <summary>How much more its regulator needs than it gives, in volts; 0 when the file does not say.</summary>
    public double Dropout { get; init; }
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
