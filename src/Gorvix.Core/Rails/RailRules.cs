using Gorvix.Core.Findings;

namespace Gorvix.Core.Rails;

/// <summary>What there is to say of rails and supplies in a situation.</summary>
public static class RailRules
{
    /// <summary>Too many volts at a lead.</summary>
    public static readonly Rule Over = new(
        "RAIL-BURNS",
        "A lead gets more than it takes",
        "{lead} of the {device} gets {volts} V with {situation}; it takes {takes} V at most.",
        "A window is checked at what really arrives, at both ends of the pack.",
        SourceNote.Practice
    )
    {
        Mend = "Take a pad of a lower rail before anything is plugged in.",
    };

    /// <summary>Too few volts at a lead.</summary>
    public static readonly Rule Under = new(
        "RAIL-STARVES",
        "A lead gets less than it needs",
        "{lead} of the {device} falls to {volts} V with {situation}; it needs {takes} V.",
        "Under the most load the wire and the regulator take their part too.",
        SourceNote.Practice
    )
    {
        Mend = "Take a pad of a stronger rail, a shorter or thicker wire, or land earlier.",
    };

    /// <summary>A rail over its limit.</summary>
    public static readonly Rule Overloaded = new(
        "RAIL-LIMIT",
        "The loads of a rail add up",
        "Rail {rail} gives {limit} A at most; with {situation} {least}{amps} A {how}.",
        "Loads add up, and peak counts, not average: the regulator shuts down or sags, and all that hangs on it restarts.",
        SourceNote.Practice
    )
    {
        Mend = "Move a device to another rail, or give it a regulator of its own.",
    };

    /// <summary>More than USB gives.</summary>
    public static readonly Rule UsbLimit = new(
        "USB-LIMIT",
        "A computer's port gives 500 mA",
        "On USB {rail} and what hangs on it ask for {amps} A; a port gives {limit} A.",
        "A device that was granted it may take 500 mA; the port switches off beyond.",
        SourceNote.Published("Universal Serial Bus Specification 2.0, section 7.2.1")
    )
    {
        Mend = "Unplug a device while settings are made, or plug the pack in.",
    };

    /// <summary>Silent on USB.</summary>
    public static readonly Rule Silent = new(
        "USB-SILENT",
        "Most rails are dead on USB alone",
        "The {device} is silent on USB alone: {why}.",
        "Many hours went into links that were only not fed.",
        SourceNote.Practice
    )
    {
        Mend = "Plug the pack in (propellers off) before the link is looked for.",
    };

    /// <summary>Heat.</summary>
    public static readonly Rule Heat = new(
        "RAIL-HEAT",
        "A linear regulator turns what is too much into heat",
        "The regulator of {rail} turns {watts} W into heat with {situation}.",
        "A small regulator without a cooler stands about 1 W.",
        SourceNote.Practice
    )
    {
        Mend = "Move a load to a rail that switches, or take a pack of fewer cells.",
    };

    /// <summary>A long thin wire.</summary>
    public static readonly Rule Drop = new(
        "WIRE-DROP",
        "A supply wire should not take more than 3 %",
        "Between {pad} and {lead} of the {device} {volts} V are lost with {situation}, {percent} % of what the pad gives.",
        "What the wire takes the device does not get, and the motors' noise gets in.",
        SourceNote.Practice
    )
    {
        Mend = "Take a shorter or a thicker wire.",
    };

    /// <summary>No steady state.</summary>
    public static readonly Rule Unsettled = new(
        "RAIL-UNSETTLED",
        "A supply that finds no rest",
        "With {situation} nothing steady is found: {place}: {why}.",
        "Loads beyond what a source gives make it swing or collapse.",
        SourceNote.Own
    )
    {
        Mend = "Take a load away, or choose a stronger source.",
    };

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Over, Under, Overloaded, UsbLimit, Silent, Heat, Drop, Unsettled];
}
