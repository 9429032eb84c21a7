using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Files.Formats;

/// <summary>Why a list as CSV cannot be read.</summary>
public static class TableRules
{
    /// <summary>A row that cannot be read.</summary>
    public static readonly Rule Row = new(
        "TABLE-ROW",
        "Row of a CSV list cannot be read",
        "{place}: {problem}. {mend}",
        "A list is imported completely or not at all.",
        SourceNote.Own
    );

    /// <summary>A file that is no list.</summary>
    public static readonly Rule Shape = new(
        "TABLE-SHAPE",
        "CSV file is not a list that Gorvix knows",
        "{place} cannot be imported: {problem}. {mend}",
        "An unknown column is rejected, not dropped: its data would be lost.",
        SourceNote.Own
    );

    /// <summary>A part that would not stand.</summary>
    public static readonly Rule Part = new(
        "TABLE-PART",
        "Invalid part in a CSV list",
        "{place}: {sentence}",
        "Parts in a list are checked like all other parts.",
        SourceNote.Own
    )
    {
        Mend = "Correct its rows and import the list again.",
    };

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Row, Shape, Part];
}
