using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>
/// Which places one link may take in a part of all plans, or whether a supply is asked about. A place is a port, a mode,
/// bridge positions and a socket, or going without: plans that differ only in a pad are the same to the builder.
/// </summary>
/// <param name="Only">The one place that is left, or null for all.</param>
/// <param name="Not">Places that are not wanted.</param>
internal sealed record Limit(string? Only, IReadOnlySet<string> Not)
{
    /// <summary>Every place.</summary>
    public static readonly Limit None = new(null, new HashSet<string>());

    /// <summary>Going without is the one place.</summary>
    public static readonly Limit Out = new(PlaceOf(null), new HashSet<string>());

    /// <summary>Every place, but not going without.</summary>
    public static readonly Limit Needed = None.Without(null);

    /// <summary>The place of a route; null is going without.</summary>
    public static string PlaceOf(Route? route) => route?.Place ?? "";

    /// <summary>True when the link may take this route, or go without.</summary>
    public bool Allows(Route? route) => PlaceOf(route) is var place && (Only ?? place) == place && !Not.Contains(place);

    /// <summary>The same without one more place.</summary>
    public Limit Without(Route? route) => this with { Not = new HashSet<string>(Not) { PlaceOf(route) } };
}
