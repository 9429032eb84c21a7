using Gorvix.Core.Findings;

namespace Gorvix.Core.Formats;

/// <summary>Why a leaflet text cannot be read as it stands.</summary>
public static class LeafletRules
{
    /// <summary>A line that is none.</summary>
    public static readonly Rule Line = new(
        "LEAFLET-LINE",
        "A line of a leaflet text cannot be read",
        "{place}: {problem}. {mend}",
        "What is not understood is not guessed at: a wrong guess would burn a part.",
        SourceNote.Own
    );

    /// <summary>A label that is not certain.</summary>
    public static readonly Rule Doubt = new(
        "LABEL-DOUBT",
        "A label can mean several things",
        "Pad {pad} is marked as doubtful: {why}. Measure it, or say what it is; until then nobody can rely on it.",
        "The same label stands for other things on other boards; what is not certain is measured before it is used.",
        SourceNote.Practice
    );

    /// <summary>A rail that only a label speaks of.</summary>
    public static readonly Rule Assumed = new(
        "RAIL-ASSUMED",
        "A rail that only a label speaks of",
        "Rail {place} of the board is there because a pad is called so; it is taken as {feed}, with limit and dropout unknown. "
            + "Check the leaflet, and say what feeds it.",
        "A supply that USB does not feed is the careful assumption: nothing burns by it, and a link may stay dark on the bench.",
        SourceNote.Practice
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Line, Doubt, Assumed];
}
