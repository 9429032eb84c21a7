using Gorvix.Core.Findings;

namespace Gorvix.Core.Formats;

/// <summary>Why a list as CSV cannot be read.</summary>
public static class TableRules
{
    /// <summary>A row that cannot be read.</summary>
    public static readonly Rule Row = new(
        "TABLE-ROW",
        "A row of a CSV list cannot be read",
        "{place}: {problem}. {mend}",
        "A list is taken whole or not at all, so nothing is half stored.",
        SourceNote.Own
    );

    /// <summary>A file that is no list.</summary>
    public static readonly Rule Shape = new(
        "TABLE-SHAPE",
        "A CSV file is no list that Gorvix knows",
        "{place} cannot be taken: {problem}. {mend}",
        "A column that is not understood is not dropped: what stands in it would be lost.",
        SourceNote.Own
    );

    /// <summary>A part that would not stand.</summary>
    public static readonly Rule Part = new(
        "TABLE-PART",
        "A part of a CSV list would not stand",
        "{place}: {sentence}",
        "A part of a list is checked as every other part is.",
        SourceNote.Own
    )
    {
        Mend = "Change its rows, and take the list in again.",
    };

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Row, Shape, Part];
}
