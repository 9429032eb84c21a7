using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Files.Formats;

/// <summary>Why a leaflet text cannot be read as it stands.</summary>
public static class LeafletRules
{
    /// <summary>A line that is none.</summary>
    public static readonly Rule Line = new(
        "TEXT-LINE",
        "Line of board text cannot be read",
        "{place}: {problem}. {mend}",
        "Nothing is guessed: a wrong guess would destroy a part.",
        SourceNote.Own
    );

    /// <summary>A label that is not certain.</summary>
    public static readonly Rule Doubt = new(
        "LABEL-DOUBT",
        "Label with several meanings",
        "Pad {pad} is marked uncertain: {why}. Measure it, or enter what it is; do not rely on it until then.",
        "The same label means different things on different boards. Measure an uncertain pad before use.",
        SourceNote.Practice
    );

    /// <summary>Rail known only from a label.</summary>
    public static readonly Rule Assumed = new(
        "RAIL-ASSUMED",
        "Rail known only from a label",
        "Rail {place} of the board is assumed from a pad label: {feed}, limit and dropout unknown. "
            + "Check the datasheet and enter what powers it.",
        "A label gives the voltage, not what powers it. Nothing is judged on USB until that is entered.",
        SourceNote.Practice
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Line, Doubt, Assumed];
}
