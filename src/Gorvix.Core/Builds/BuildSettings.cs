using Gorvix.Core.Parts;

namespace Gorvix.Core.Builds;

/// <summary>How a device sits, seen from above with the nose of the aircraft up: turned clockwise.</summary>
public enum MountTurn
{
    /// <summary>Its arrow points to the nose.</summary>
    Ahead,

    /// <summary>Its arrow points to the right.</summary>
    Right,

    /// <summary>Its arrow points to the tail.</summary>
    Back,

    /// <summary>Its arrow points to the left.</summary>
    Left,
}

/// <summary>Which way up a device sits.</summary>
public enum MountFace
{
    /// <summary>As it is drawn in its leaflet.</summary>
    Up,

    /// <summary>On its head.</summary>
    Down,
}

/// <summary>How wide the canvas of an air unit is.</summary>
public enum CanvasGrid
{
    /// <summary>The old 4:3 grid, which every unit draws.</summary>
    Old,

    /// <summary>The wide grid, where unit, goggles and board all know it.</summary>
    Wide,
}

/// <summary>How a GNSS module is told what it is to do.</summary>
public enum GnssWay
{
    /// <summary>By the board at each start.</summary>
    Board,

    /// <summary>Once, through an adapter; it keeps it.</summary>
    Stored,
}

/// <summary>Where it flies, for the declination.</summary>
public sealed record FlyingPlace
{
    /// <summary>Degrees, -90 to 90, north positive.</summary>
    public required double Latitude { get; init; }

    /// <summary>Degrees, -180 to 180, east positive.</summary>
    public required double Longitude { get; init; }
}

/// <summary>What the builder chooses where settings do not follow from the plan alone.</summary>
public sealed record BuildSettings
{
    /// <summary>Nothing is chosen yet.</summary>
    public static readonly BuildSettings None = new();

    /// <summary>Where it flies; null while it is not told.</summary>
    public FlyingPlace? Place { get; init; }

    /// <summary>What the air unit and the goggles draw; null while nobody knows: then the old grid.</summary>
    public CanvasGrid? Canvas { get; init; }

    /// <summary>How the GNSS module is spoken to; null while it has not been asked.</summary>
    public GnssGeneration? Gnss { get; init; }

    /// <summary>Solutions a second, 1 to 25; null for 5.</summary>
    public int? GnssHertz { get; init; }

    /// <summary>How the module is set up; null for what suits its memory.</summary>
    public GnssWay? GnssWay { get; init; }

    /// <summary>How the compass is turned.</summary>
    public MountTurn CompassTurn { get; init; }

    /// <summary>Which way up the compass sits.</summary>
    public MountFace CompassFace { get; init; }

    /// <summary>The channel that carries the signal's strength, 5 to 16; null where the board reads it from the link.</summary>
    public int? StrengthChannel { get; init; }

    /// <summary>How many channels the radio sends, 4 to 16; null while it is not told.</summary>
    public int? Channels { get; init; }
}
