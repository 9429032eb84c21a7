namespace Gorvix.Core.Plans.Builds;

/// <summary>A side of the board at which devices stand in the wiring picture.</summary>
public enum PictureEdge
{
    /// <summary>On the left of the board.</summary>
    Left,

    /// <summary>On the right of it.</summary>
    Right,
}

/// <summary>Where the builder has put a device in the wiring picture. What is not said is computed.</summary>
public sealed record PictureSpot
{
    /// <summary>The side of the board that it stands at; null to let the picture choose.</summary>
    public PictureEdge? Edge { get; init; }

    /// <summary>Its place in the column there, from 0 at the top, at most 199; null to let the picture choose.</summary>
    public int? Place { get; init; }

    /// <summary>Whether its leads are drawn from the last to the first; null to let the picture choose.</summary>
    public bool? Turned { get; init; }
}
