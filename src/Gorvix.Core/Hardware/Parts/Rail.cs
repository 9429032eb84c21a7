namespace Gorvix.Core.Hardware.Parts;

/// <summary>A range of volts.</summary>
public sealed record VoltWindow
{
    /// <summary>Minimum, in volts.</summary>
    public required double Min { get; init; }

    /// <summary>Maximum, in volts.</summary>
    public required double Max { get; init; }

    // What a meter of two decimals shows as the limit is the limit (our own choice).
    private const double Shown = 0.005;

    /// <summary>True where more arrives than may.</summary>
    /// <param name="volts">What arrives, in volts.</param>
    public bool IsOver(double volts) => volts > Max + Shown;

    /// <summary>True where less arrives than is needed.</summary>
    /// <param name="volts">What arrives, in volts.</param>
    public bool IsUnder(double volts) => volts < Min - Shown;

    /// <summary>True where all of another window is inside.</summary>
    /// <param name="other">What arrives, from least to most.</param>
    public bool Holds(VoltWindow other) => !IsUnder(other.Min) && !IsOver(other.Max);
}

/// <summary>A supply rail, with what it is fed from.</summary>
public sealed record Rail
{
    /// <summary>Id within the board.</summary>
    public required string Id { get; init; }

    /// <summary>Its name in the manual.</summary>
    public required string Label { get; init; }

    /// <summary>Voltage; 0 for ground, null if it follows the battery.</summary>
    public double? Volts { get; init; }

    /// <summary>What powers it.</summary>
    public required RailFeed Feed { get; init; }

    /// <summary>The rail that powers its regulator or diode; null for the battery.</summary>
    public string? From { get; init; }

    /// <summary>Dropout of its regulator in volts; null if the manual does not say: none is then subtracted.</summary>
    public double? Dropout { get; init; }

    /// <summary>Current limit in amperes; null if the manual does not say.</summary>
    public double? Limit { get; init; }

    /// <summary>Type of regulator; null if the manual does not say.</summary>
    public RegulatorKind? Kind { get; init; }

    /// <summary>Efficiency of its regulator, above 0.3 and up to 1; null if the manual does not say: losses are then not computed.</summary>
    public double? Efficiency { get; init; }

    /// <summary>Quiescent current of its regulator in amperes, 0 to 1; null if the manual does not say: none is then added.</summary>
    public double? Quiescent { get; init; }

    /// <summary>Current the board itself draws from it in amperes (controller, sensors), 0 to 5; null if the manual does not say.</summary>
    public double? Own { get; init; }

    /// <summary>Whether it is filtered against motor noise; null if the manual does not say.</summary>
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

    /// <summary>A regulator fed by the battery; whether USB powers it too is not given.</summary>
    RegulatorUsbUnknown,
}
