using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>A build on the Fit screen.</summary>
/// <param name="Id">Id in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Note">A line about it, or null.</param>
/// <param name="Version">To be sent back with the next change.</param>
/// <param name="Undo">What undo would take back, in words, or null.</param>
/// <param name="Redo">What redo would bring back, in words, or null.</param>
/// <param name="Setup">Firmware, supply and house rules.</param>
/// <param name="BoardPart">Id of the board in the library.</param>
/// <param name="Devices">The devices, with their parts.</param>
/// <param name="Wants">The links wished for, with their devices and functions.</param>
/// <param name="Sheet">The answer.</param>
/// <param name="Moved">What the last change moved and why, one sentence for each link; empty when nothing was changed.</param>
public sealed record FitView(
    string Id,
    string Name,
    string? Note,
    int Version,
    string? Undo,
    string? Redo,
    Setup Setup,
    string BoardPart,
    IReadOnlyList<BuildDevice> Devices,
    IReadOnlyList<Want> Wants,
    FitSheet Sheet,
    IReadOnlyList<string> Moved
)
{
    /// <summary>What the screen is told of a stored build.</summary>
    public static FitView Of(StoredBuild stored, FitSheet sheet, IReadOnlyList<string> moved) =>
        new(
            stored.Id,
            stored.Build.Name,
            stored.Build.Note,
            stored.Version,
            stored.Undo,
            stored.Redo,
            Setup.Of(stored.Build),
            stored.Build.Board,
            stored.Build.Devices,
            stored.Build.Wants,
            sheet,
            moved
        );
}
