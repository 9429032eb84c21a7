using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Circuits;

namespace Gorvix.Core.Plans.Builds;

/// <summary>
/// Names some of what a plan decides: a pin says "only these", a ban says "none of these". In a file, <c>kind</c> says what it
/// is about.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(RouteMatch), "route")]
[JsonDerivedType(typeof(SeatMatch), "plug")]
[JsonDerivedType(typeof(FeedMatch), "supply")]
[JsonDerivedType(typeof(LeadMatch), "lead")]
public abstract record WishMatch
{
    /// <summary>Id within the build of the device whose plug, supply or lead it is about; null for one about a link.</summary>
    [JsonIgnore]
    public string? OfDevice =>
        this switch
        {
            SeatMatch seat => seat.Device,
            FeedMatch feed => feed.Device,
            LeadMatch lead => lead.Device,
            _ => null,
        };

    /// <summary>True when both are about one decision, so that a new pin takes the place of the old one.</summary>
    public abstract bool IsAboutTheSame(WishMatch other);
}

/// <summary>Names some of the routes of a link: all those for which each part that is given agrees.</summary>
public sealed record RouteMatch : WishMatch
{
    /// <summary>Id of the link.</summary>
    public required string Link { get; init; }

    /// <summary>Id of the port, or null for any.</summary>
    public string? Port { get; init; }

    /// <summary>Id of a pad that the route uses, or null for any.</summary>
    public string? Pad { get; init; }

    /// <summary>Id of the mode, or null for any.</summary>
    public string? Mode { get; init; }

    /// <summary>
    /// Jumper positions the route needs, such as <c>J4=inverted, JR=SBUS</c>, sorted: exactly these; empty for none, null for any.
    /// </summary>
    [JsonPropertyName("jumpers")]
    public string? Bridges { get; init; }

    /// <inheritdoc/>
    public override bool IsAboutTheSame(WishMatch other) => other is RouteMatch route && route.Link == Link;

    /// <summary>Bridge positions as one text, such as <c>J4=inverted, JR=SBUS</c>; the same positions always give the same text.</summary>
    public static string BridgeWords(IEnumerable<BridgeAt> bridges) =>
        string.Join(", ", bridges.Select(b => $"{b.Bridge}={b.Position}").Distinct().Order(StringComparer.Ordinal));
}

/// <summary>Names where the plug of a device sits.</summary>
public sealed record SeatMatch : WishMatch
{
    /// <summary>Id of the device within the build.</summary>
    public required string Device { get; init; }

    /// <summary>Id of the socket, or null for none: its leads are direct-soldered.</summary>
    public string? Socket { get; init; }

    /// <inheritdoc/>
    public override bool IsAboutTheSame(WishMatch other) => other is SeatMatch seat && seat.Device == Device;
}

/// <summary>Names the pad, or the output of another device, that feeds a supply lead.</summary>
public sealed record FeedMatch : WishMatch
{
    /// <summary>Id of the device within the build.</summary>
    public required string Device { get; init; }

    /// <summary>Id of its supply lead.</summary>
    public required string Lead { get; init; }

    /// <summary>Id of the pad; null if another device powers the lead.</summary>
    public string? Pad { get; init; }

    /// <summary>Id of the device that powers the lead; null if a pad does.</summary>
    public string? From { get; init; }

    /// <summary>Id of that device's output lead.</summary>
    public string? FromLead { get; init; }

    /// <inheritdoc/>
    public override bool IsAboutTheSame(WishMatch other) =>
        other is FeedMatch feed && feed.Device == Device && feed.Lead == Lead;
}

/// <summary>Names a lead that is out of its plug.</summary>
public sealed record LeadMatch : WishMatch
{
    /// <summary>Id of the device within the build.</summary>
    public required string Device { get; init; }

    /// <summary>Id of the lead.</summary>
    public required string Lead { get; init; }

    /// <inheritdoc/>
    public override bool IsAboutTheSame(WishMatch other) => Equals(other);
}
