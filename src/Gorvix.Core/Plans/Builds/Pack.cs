using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>The kind of lithium cell.</summary>
public enum Chemistry
{
    /// <summary>4.20 V full.</summary>
    Lithium,

    /// <summary>4.35 V full.</summary>
    HighVoltage,
}

/// <summary>The battery of a build.</summary>
public sealed record Pack
{
    /// <summary>The most cells that a pack may have.</summary>
    public const int MostCells = 14;

    /// <summary>Volts of the emptiest cell that a pack is flown to: below 3.0 to 3.3 V it is damaged (common practice).</summary>
    public const double EmptyCell = 3.3;

    /// <summary>Cells in series.</summary>
    public required int Cells { get; init; }

    /// <summary>Cell type.</summary>
    public Chemistry Chemistry { get; init; }

    /// <summary>Battery resistance including its plug, in milliohms, 0 to 2000; null if not measured.</summary>
    public double? Milliohms { get; init; }

    /// <summary>From empty (3.3 V a cell) to full (4.20 V, or 4.35 V for the high-voltage kind); common practice.</summary>
    public VoltWindow Volts() => new() { Min = At(EmptyCell), Max = At(FullCell(Chemistry)) };

    /// <summary>Volts of the pack, to the millivolt: six cells of 4.2 V are 25.2 V, not a hair above what a leaflet calls 25.2 V.</summary>
    /// <param name="cell">Volts of each cell.</param>
    public double At(double cell) => Math.Round(Cells * cell, 3);

    /// <summary>Volts of a full cell; common practice.</summary>
    /// <param name="chemistry">The kind of cell.</param>
    public static double FullCell(Chemistry chemistry) => chemistry == Chemistry.HighVoltage ? 4.35 : 4.20;
}
