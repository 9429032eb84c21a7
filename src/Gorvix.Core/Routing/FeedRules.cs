using Gorvix.Core.Findings;

namespace Gorvix.Core.Routing;

/// <summary>Why a pad cannot feed a device, and what must be known of the supply.</summary>
public static class FeedRules
{
    /// <summary>Too many volts.</summary>
    public static readonly Rule Burn = new(
        "BURN",
        "A device takes only so many volts",
        "{pad} gives up to {gives} V with the pack full; the {device} takes {takes} V at most.",
        "The window of a device is checked at the full end of the pack and at what the rail really gives.",
        SourceNote.Practice
    )
    {
        Brief = "too many volts",
    };

    /// <summary>Too few volts.</summary>
    public static readonly Rule Starve = new(
        "STARVE",
        "A device needs its volts to the end of the pack",
        "{pad} falls to {gives} V with the pack empty; the {device} needs {takes} V.",
        "A regulator needs its input above its output plus dropout; from a small pack it only follows the battery down.",
        SourceNote.Practice
    )
    {
        Brief = "too few volts",
    };

    /// <summary>No pad feeds it.</summary>
    public static readonly Rule Unfed = new(
        "UNFED",
        "A device has no supply",
        "No pad can feed the {device}.{because}",
        "Every supply pad was tried in every position of its selector, together with everything else that hangs on that selector.",
        SourceNote.Own
    );

    /// <summary>The pack does not suit the board.</summary>
    public static readonly Rule BoardInput = new(
        "INPUT",
        "The board's supply input has a window of its own",
        "The {board} takes {min} to {max} V, and it would get {low} to {high} V. {mend}",
        "A board without a regulator takes 5 V only; battery voltage destroys it at once.",
        SourceNote.Practice
    );

    /// <summary>No pack chosen.</summary>
    public static readonly Rule NoPack = new(
        "NO-PACK",
        "Supplies are judged against a pack",
        "No pack is chosen yet, so nothing is said about supplies. Choose its cells in the set-up.",
        "A 4S pack is 16.8 V full and 13.2 V empty: what a pad gives depends on it.",
        SourceNote.Own
    );

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [Burn, Starve, Unfed, BoardInput, NoPack];
}
