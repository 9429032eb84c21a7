using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Leaflets;

/// <summary>A part in a list, with what decides about it.</summary>
/// <param name="Id">Id in the library.</param>
/// <param name="IsBoard">True for a board, false for a device.</param>
/// <param name="Name">Maker and name; a board with its revision.</param>
/// <param name="Kind">What it is, in words.</param>
/// <param name="Brief">Its facts in a line.</param>
/// <param name="Traits">What it can be looked for by: needs and protocols of a device, controller class and sorts of port of a board.</param>
/// <param name="Family">What all revisions of a board share; null for a device.</param>
/// <param name="Revision">A board's revision; null for a device.</param>
/// <param name="Cells">The packs of ordinary cells, in cells, that it may hang on directly; null when the leaflet does not say.</param>
public sealed record PartLine(
    string Id,
    bool IsBoard,
    string Name,
    string Kind,
    string Brief,
    IReadOnlyList<string> Traits,
    string? Family,
    string? Revision,
    IReadOnlyList<int>? Cells
)
{
    /// <summary>True when it is laid aside: builds keep it, new ones are not offered it.</summary>
    public bool IsArchived { get; init; }
}

/// <summary>A part on its page.</summary>
/// <param name="Line">The part in a list.</param>
/// <param name="Facts">What the leaflet says of the whole part; "unknown" where it does not.</param>
/// <param name="Tables">What it says row by row.</param>
/// <param name="Sisters">Other revisions under the same name, with how to tell them.</param>
/// <param name="Face">A board as it lies on the bench; null for a device.</param>
public sealed record Leaflet(
    PartLine Line,
    IReadOnlyList<LeafletFact> Facts,
    IReadOnlyList<LeafletTable> Tables,
    IReadOnlyList<Sister> Sisters,
    BoardFace? Face
);

/// <summary>A fact of a part.</summary>
/// <param name="Name">What it is about.</param>
/// <param name="Words">What the leaflet says.</param>
public sealed record LeafletFact(string Name, string Words);

/// <summary>A table of a leaflet.</summary>
/// <param name="Title">What it lists.</param>
/// <param name="Columns">The heads.</param>
/// <param name="Rows">The rows, one text for each column.</param>
public sealed record LeafletTable(
    string Title,
    IReadOnlyList<string> Columns,
    IReadOnlyList<IReadOnlyList<string>> Rows
);

/// <summary>A board of the same name and another revision.</summary>
/// <param name="Id">Id in the library.</param>
/// <param name="Revision">Its revision.</param>
/// <param name="Recognise">How to tell it, or null when its leaflet does not say.</param>
public sealed record Sister(string Id, string Revision, string? Recognise);

/// <summary>What both kinds of leaflet need.</summary>
internal static class LeafletWords
{
    public const string Unknown = "unknown";

    /// <summary>The packs of ordinary cells that stay inside a window, full and empty.</summary>
    public static IReadOnlyList<int> CellsIn(VoltWindow window) =>
        [
            .. Enumerable
                .Range(1, Pack.MostCells)
                .Where(n => new Pack { Cells = n }.Volts() is var v && v.Min >= window.Min && v.Max <= window.Max),
        ];

    /// <summary>Cells in words: "3S to 6S".</summary>
    public static string Of(IReadOnlyList<int> cells) =>
        cells.Count switch
        {
            0 => Sentences.NotDirectFromBattery,
            1 => $"{cells[0]}S",
            _ => $"{cells[0]}S to {cells[^1]}S",
        };
}
