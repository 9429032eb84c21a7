using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>How a device sits, seen from above with the nose of the aircraft up: turned clockwise.</summary>
public enum MountTurn
{
    /// <summary>Its arrow points to the nose.</summary>
    Forward,

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
    Standard,

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
    /// <summary>Latitude in degrees, -90 to 90, north positive.</summary>
    public required double Latitude { get; init; }

    /// <summary>Longitude in degrees, -180 to 180, east positive.</summary>
    public required double Longitude { get; init; }
}

/// <summary>What the builder chooses where settings do not follow from the plan alone.</summary>
[Usual(nameof(None))]
public sealed record BuildSettings
{
    /// <summary>Nothing is chosen yet.</summary>
    public static readonly BuildSettings None = new();

    /// <summary>Flying site; null if not set.</summary>
    public FlyingPlace? Place { get; init; }

    /// <summary>OSD grid that air unit and goggles support; null for the 4:3 grid.</summary>
    public CanvasGrid? Canvas { get; init; }

    /// <summary>Protocol generation of the GNSS module; null if not yet read from it.</summary>
    public GnssGeneration? Gnss { get; init; }

    /// <summary>Update rate in Hz, 1 to 25; null for 5.</summary>
    public int? GnssHertz { get; init; }

    /// <summary>Who configures the module; null for the default of its settings memory.</summary>
    [JsonPropertyName("gnssSetup")]
    public GnssWay? GnssWay { get; init; }

    /// <summary>Compass orientation: where its arrow points.</summary>
    public MountTurn CompassTurn { get; init; }

    /// <summary>Which side of the compass faces up.</summary>
    public MountFace CompassFace { get; init; }

    /// <summary>RC channel that carries RSSI, 5 to 16; null if the board reads it from the link.</summary>
    [JsonPropertyName("rssiChannel")]
    public int? StrengthChannel { get; init; }

    /// <summary>Number of RC channels, 4 to 16; null if not set.</summary>
    public int? Channels { get; init; }
}
