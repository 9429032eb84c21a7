namespace Gorvix.Core.Wired.Loom;

/// <summary>A plug in its socket, cavity by cavity, as it comes and as it is needed.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Name">What the builder calls the device.</param>
/// <param name="Socket">Name of the socket.</param>
/// <param name="Cavities">The cavities, from the marked end on.</param>
/// <param name="Moves">The fewest steps from the one to the other; none when it is seated as it comes.</param>
public sealed record PlugFace(
    string Device,
    string Name,
    string Socket,
    IReadOnlyList<PlugCavity> Cavities,
    IReadOnlyList<PlugMove> Moves
)
{
    /// <summary>How long the steps take, in words.</summary>
    public string Price { get; init; } = "";
}

/// <summary>A cavity of a plug.</summary>
/// <param name="Number">Its number, from 1 at the marked end.</param>
/// <param name="Pad">Label of the pin behind it; null where nothing leads on.</param>
/// <param name="Comes">The lead in it as the plug comes; null for an empty one.</param>
/// <param name="Needs">The lead that must be in it; null for an empty one.</param>
/// <param name="Wrong">What would come of the lead that comes there if it stayed; null where it stays or does no harm.</param>
public sealed record PlugCavity(int Number, string? Pad, CavityLead? Comes, CavityLead? Needs, string? Wrong);

/// <summary>A lead in a cavity.</summary>
/// <param name="Lead">Its id.</param>
/// <param name="Label">Its label.</param>
/// <param name="Colour">Its usual colour; null when the leaflet does not say.</param>
public sealed record CavityLead(string Lead, string Label, string? Colour);

/// <summary>What is done with a lead of a plug.</summary>
public enum PlugDeed
{
    /// <summary>Out of its cavity for good.</summary>
    TakeOut,

    /// <summary>From its cavity to an empty one.</summary>
    Move,

    /// <summary>Out of its cavity and held, because its new one is still taken.</summary>
    Hold,

    /// <summary>The lead that was held, or that was out of the plug, goes into its new cavity.</summary>
    Put,
}

/// <summary>One step at a plug.</summary>
/// <param name="Deed">What is done.</param>
/// <param name="Lead">Id of the lead.</param>
/// <param name="From">The cavity that it leaves, from 1; null when it was held or out of the plug.</param>
/// <param name="To">The cavity that it goes to, from 1; null when it goes to none.</param>
public sealed record PlugMove(PlugDeed Deed, string Lead, int? From, int? To);
