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

    /// <summary>The board's own input.</summary>
    public static readonly Rule Input = new(
        "RAIL-INPUT",
        "The board's supply input has a window of its own",
        "The {board} gets {volts} V with {situation}; it takes {min} to {max} V.",
        "A board without a regulator takes 5 V only; battery voltage destroys it at once.",
        SourceNote.Practice
    )
    {
        Mend = "Feed it from a regulator of its own, or take another pack.",
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
        "A USB port gives so much and no more",
        "On USB {rail} and what hangs on it ask for {amps} A; a port gives {limit} A.",
        "A port gives 100 mA unasked, 500 mA when it has granted them, 900 mA if it is a fast one; a type C port that says so 1.5 or 3 A. Beyond it switches off.",
        SourceNote.Published(
            "Universal Serial Bus Specification 2.0, section 7.2.1; USB 3.2, section 11.4.1; USB Type-C 2.0, table 4-36"
        )
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

    /// <summary>Two supplies tied.</summary>
    public static readonly Rule Tied = new(
        "RAIL-TIED",
        "Two supplies are never tied",
        "With {situation} copper joins {rail} and {others}.",
        "The higher one drives its current into the lower one's regulator; tied to ground it is a short. One of them gives way.",
        SourceNote.Practice
    )
    {
        Mend = "Open one side of the bridge, or take the output wire off, before anything is plugged in.",
    };

    /// <summary>A limiter that trips.</summary>
    public static readonly Rule LimiterTrips = new(
        "LIMITER-TRIPS",
        "A limiter must let the build start",
        "The {place} trips at switch-on: {why}.",
        "At switch-on everything draws its most; what trips without a fault teaches to look away.",
        SourceNote.Practice
    )
    {
        Mend = "Unplug what draws most for the first power, or set it a little above what is drawn.",
    };

    /// <summary>A limiter that protects nothing.</summary>
    public static readonly Rule LimiterVain = new(
        "LIMITER-VAIN",
        "A limiter must hold what a fault would draw",
        "The {place} protects nothing: {why}.",
        "One to two amperes hold a fault harmless; much more burns a track before it is noticed.",
        SourceNote.Practice
    )
    {
        Mend = "Set it to little more than the build draws, or take a lamp for the volts of the pack.",
    };

    /// <summary>No ground.</summary>
    public static readonly Rule NoGround = new(
        "RAIL-GROUND",
        "What goes in must come back through ground",
        "The {device} has a supply and no ground, {how}.",
        "Through a signal the current lifts every level of the link, and the pin may not survive it.",
        SourceNote.Practice
    )
    {
        Mend = "Join its ground to a ground pad before it gets any power.",
    };

    /// <summary>Video on a noisy supply.</summary>
    public static readonly Rule Noisy = new(
        "VIDEO-NOISE",
        "Video is cleaner on a regulated, filtered supply",
        "The {device} hangs on {rail}, which is {what}: the motors' noise can show in the picture.",
        "Practitioners disagree: a regulated rail first, or the battery with a capacitor or filter at the transmitter.",
        SourceNote.Practice
    )
    {
        Mend = "Take a regulated rail where one fits, or put a filter or capacitor at the device.",
    };

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All =
    [
        Over,
        Under,
        Input,
        Overloaded,
        UsbLimit,
        Silent,
        Heat,
        Drop,
        Unsettled,
        Tied,
        LimiterTrips,
        LimiterVain,
        NoGround,
        Noisy,
    ];
}
