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
        Mend = "Take a pad of a lower rail, or a regulator of its own.",
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
        Mend = "Take a pad of a higher rail, a pack of more cells, or a part that needs less.",
        Brief = "too few volts",
    };

    /// <summary>Something on the way feeds nothing.</summary>
    public static readonly Rule Blocked = new(
        "NO-FEED",
        "Only copper and a diode the right way round feed a device",
        "{pad} hangs on {rail} through {what}, so it feeds nothing; the {device} stays dead there.",
        "A diode the wrong way round blocks, a divider or a resistor gives way under load, an inverter drives a signal only.",
        SourceNote.Practice
    )
    {
        Mend = "Take another pad of that rail.",
        Brief = "something blocks it",
    };

    /// <summary>Two rails on one pad.</summary>
    public static readonly Rule Tied = new(
        "TIED",
        "Two supplies are never tied",
        "{pad} is joined to {one} and to {two} at once.",
        "The higher rail drives current into the lower one's regulator; one of them gives way.",
        SourceNote.Practice
    )
    {
        Mend = "Set the bridges so that one rail is left on the pad.",
        Brief = "two rails at once",
    };

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
        "No pack is chosen yet, so nothing is said about supplies. Choose its cells under Parts.",
        "A 4S pack is 16.8 V full and 13.2 V empty: what a pad gives depends on it.",
        SourceNote.Own
    );

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [Burn, Starve, Blocked, Tied, BoardInput, NoPack];
}
