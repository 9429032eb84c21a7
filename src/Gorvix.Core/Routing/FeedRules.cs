using Gorvix.Core.Findings;

namespace Gorvix.Core.Routing;

/// <summary>Why a pad cannot feed a device, and what must be known of the supply.</summary>
public static class FeedRules
{
    /// <summary>Too many volts.</summary>
    public static readonly Rule Burn = new(
        "BURN",
        "Supply above the device's maximum",
        "{pad} {has}; the {device} is rated {takes} V maximum.",
        "Each device's supply range is checked on a full battery, at the voltage the rail really has.",
        SourceNote.Practice
    )
    {
        Mend = "Use a pad on a lower-voltage rail, or add a regulator.",
        Brief = "over-voltage",
    };

    /// <summary>Too few volts.</summary>
    public static readonly Rule Starve = new(
        "STARVE",
        "Supply below the device's minimum",
        "{pad} {has}; the {device} needs {takes} V.",
        "A regulator needs its input above its output plus dropout; on a low-cell battery its output only follows the battery down.",
        SourceNote.Practice
    )
    {
        Mend = "Use a pad on a higher-voltage rail, a battery with more cells, or a part that needs less.",
        Brief = "under-voltage",
    };

    /// <summary>Something on the way feeds nothing.</summary>
    public static readonly Rule Blocked = new(
        "NO-FEED",
        "Pad cannot supply current",
        "{pad} is on {rail} through {what} and cannot power anything; the {device} would stay dead.",
        "A reversed diode blocks, a divider or resistor sags under load, an inverter drives only a signal.",
        SourceNote.Practice
    )
    {
        Mend = "Use another pad on that rail.",
        Brief = "supply path blocked",
    };

    /// <summary>Two rails on one pad.</summary>
    public static readonly Rule Tied = new(
        "TIED",
        "Never tie two supplies",
        "{pad} is connected to both {one} and {two}.",
        "The higher rail drives current into the lower rail's regulator; one of them will fail.",
        SourceNote.Practice
    )
    {
        Mend = "Set the jumpers to leave one rail on the pad.",
        Brief = "two rails tied together",
    };

    /// <summary>The pack does not suit the board.</summary>
    public static readonly Rule BoardInput = new(
        "INPUT",
        "Board supply out of range",
        "The {board} needs {min}–{max} V but would have {low}–{high} V. {mend}",
        "A board without a regulator is 5 V only; battery voltage destroys it instantly.",
        SourceNote.Practice
    );

    /// <summary>No pack chosen.</summary>
    public static readonly Rule NoPack = new(
        "NO-PACK",
        "Supply check needs a battery",
        "No battery chosen yet: supplies are not checked. Choose the cell count under Parts.",
        "A 4S pack is 16.8 V full and 13.2 V empty: pad voltages depend on it.",
        SourceNote.Own
    );

    /// <summary>A supply lead of which no manual tells the volts.</summary>
    public static readonly Rule NotJudged = new(
        "SUPPLY-UNKNOWN",
        "Supply range unknown",
        "Not checked: {lead} of the {device} has no voltage range.",
        "Without a range nothing can say which pad powers it and which destroys it.",
        SourceNote.Own
    )
    {
        Mend = "Enter minimum and maximum from the device's manual under Library; until then do not connect it.",
    };

    /// <summary>A board of which no manual tells the volts of its input.</summary>
    public static readonly Rule InputNotJudged = new(
        "INPUT-UNKNOWN",
        "Board input range unknown",
        "Not checked: the {board} has no supply input range; {high} V would reach it.",
        "Some boards accept 5 V only, and battery voltage destroys them at once.",
        SourceNote.Practice
    )
    {
        Mend = "Enter minimum and maximum from the board's manual under Library before connecting the battery.",
    };

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All =
    [
        Burn,
        Starve,
        Blocked,
        Tied,
        BoardInput,
        NoPack,
        NotJudged,
        InputNotJudged,
    ];
}
