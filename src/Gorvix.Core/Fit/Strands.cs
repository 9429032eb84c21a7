using Gorvix.Core.Routing;

namespace Gorvix.Core.Fit;

/// <summary>Lanes for the drawing of a strand.</summary>
internal static class Strands
{
    /// <summary>The lanes of a route.</summary>
    public static IReadOnlyList<Lane> Of(Route route) => [.. route.Walks.Select(w => LaneOf(w, ok: true))];

    /// <summary>The lane of a rejection, up to where it fails; none when there is no way at all.</summary>
    public static IReadOnlyList<Lane> Of(Rejection rejection) =>
        rejection.Walk is { } walk ? [LaneOf(walk, ok: false)] : [];

    private static Lane LaneOf(LineWalk walk, bool ok) => new(walk.Line.Flow, walk.Lead.Colour, walk.Hops, ok);
}
