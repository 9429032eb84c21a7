using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Plans.Routing;

/// <summary>Too much, too little, two at once: each limit of a supply, for what is wired and for a pad that is refused because of it.</summary>
public static class SupplyRules
{
    /// <summary>Too many volts.</summary>
    public static readonly Rule Over = new(
        "OVER-VOLTAGE",
        "Supply above the device's maximum",
        "{lead} of {device} gets {volts} V ({situation}), maximum {takes} V: it would be destroyed.",
        "Each device's supply range is checked on a full battery, at the voltage the rail really has.",
        SourceNote.Practice
    )
    {
        Refusal = "{pad} {has}; the {device} is rated {takes} V maximum.",
        Mend = "Use a pad on a lower-voltage rail, or add a regulator, before plugging anything in.",
        Brief = "over-voltage",
    };

    /// <summary>Too few volts.</summary>
    public static readonly Rule Under = new(
        "UNDER-VOLTAGE",
        "Supply below the device's minimum",
        "{lead} of {device} gets {volts} V ({situation}), needs {takes} V.",
        "A regulator needs its input above its output plus dropout; on a low-cell battery its output only follows the battery down. At peak load the wire drops voltage too.",
        SourceNote.Practice
    )
    {
        Refusal = "{pad} {has}; the {device} needs {takes} V.",
        Mend =
            "Use a pad on a higher-voltage or stronger rail, a shorter or thicker wire, a battery with more cells, or land earlier.",
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

    /// <summary>Two supplies at one point.</summary>
    public static readonly Rule Tied = new(
        "TIED",
        "Two supplies tied together",
        "{rail} and {others} are tied together ({situation}).",
        "The higher one drives current into the lower one's regulator; tied to ground it is a short. One of them will be destroyed.",
        SourceNote.Practice
    )
    {
        Refusal = "{pad} is connected to both {one} and {two}.",
        Mend = "Open one side of the solder jumper, or disconnect the output wire, before plugging anything in.",
        Brief = "two rails tied together",
    };

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [Over, Under, Blocked, Tied];
}
