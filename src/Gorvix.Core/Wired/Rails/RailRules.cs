using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Wired.Rails;

/// <summary>What there is to say of rails, wires and limiters in a situation; what a supply lead gets is judged by <see cref="Plans.Routing.SupplyRules"/>.</summary>
public static class RailRules
{
    /// <summary>A rail over its limit.</summary>
    public static readonly Rule Overloaded = new(
        "RAIL-LIMIT",
        "Rail overloaded",
        "{rail} rail: {least}{amps} {how} ({situation}), limit {limit}.",
        "Loads add up, and peak counts, not average: the regulator shuts down or sags, and everything powered from it restarts.",
        SourceNote.Practice
    )
    {
        Mend = "Move a device to another rail, or fit it with its own regulator.",
    };

    /// <summary>More than USB gives.</summary>
    public static readonly Rule UsbLimit = new(
        "USB-LIMIT",
        "USB port overloaded",
        "{rail} and its loads draw {amps} from USB; the port supplies {limit}.",
        "A port supplies 100 mA by default, 500 mA once granted, 900 mA if USB 3; a Type-C port that advertises it, 1.5 or 3 A. Above that it switches off.",
        SourceNote.Published(
            "Universal Serial Bus Specification 2.0, section 7.2.1; USB 3.2, section 11.4.1; USB Type-C 2.0, table 4-36"
        )
    )
    {
        Mend = "Unplug a device while changing settings, or connect the battery.",
    };

    /// <summary>Silent on USB.</summary>
    public static readonly Rule Silent = new(
        "USB-SILENT",
        "Off on USB power",
        "{device} is {how} on USB: {why}.",
        "Many a dead link simply has no power.",
        SourceNote.Practice
    )
    {
        Mend = "Connect the battery (propellers off) before troubleshooting the link.",
    };

    /// <summary>Heat.</summary>
    public static readonly Rule Heat = new(
        "RAIL-HEAT",
        "Linear regulator runs hot",
        "{rail} regulator dissipates {watts} W ({situation}).",
        "A small regulator without a heatsink handles about 1 W.",
        SourceNote.Practice
    )
    {
        Mend = "Move a load to a rail with a switching regulator, or use a battery with fewer cells.",
    };

    /// <summary>A long thin wire.</summary>
    public static readonly Rule Drop = new(
        "WIRE-DROP",
        "Supply wire drops over 3 %",
        "Drop from {pad} to {lead} of {device}: {volts} V ({situation}), {percent} % of the pad voltage.",
        "Wire drop leaves the device less voltage and lets motor noise in.",
        SourceNote.Practice
    )
    {
        Mend = "Use a shorter or thicker wire.",
    };

    /// <summary>No steady state.</summary>
    public static readonly Rule Unsettled = new(
        "RAIL-UNSETTLED",
        "Supply does not settle",
        "No steady voltage at {place} ({situation}): {why}.",
        "Loads beyond its limit make a supply oscillate or collapse.",
        SourceNote.Own
    )
    {
        Mend = "Remove a load, or use a stronger supply.",
    };

    /// <summary>A limiter that trips.</summary>
    public static readonly Rule LimiterTrips = new(
        "LIMITER-TRIPS",
        "Current limiter trips at power-up",
        "The {place} trips at power-up: {why}.",
        "Everything draws its peak at power-up; a limiter that trips without a fault gets ignored.",
        SourceNote.Practice
    )
    {
        Mend = "Unplug the biggest load for the first power-up, or set the limit slightly above the draw.",
    };

    /// <summary>A limiter that protects nothing.</summary>
    public static readonly Rule LimiterVain = new(
        "LIMITER-VAIN",
        "Current limiter does not protect",
        "The {place} protects nothing: {why}.",
        "1 to 2 A keeps a fault harmless; much more burns a track before you notice.",
        SourceNote.Practice
    )
    {
        Mend = "Set it just above what the build draws, or use a bulb rated for the battery voltage.",
    };

    /// <summary>A wire too thin for its current.</summary>
    public static readonly Rule Thin = new(
        "WIRE-AMPS",
        "Wire too thin",
        "{lead} of {device}: {amps} peak through AWG {gauge}, which carries {carries}.",
        "A wire that carries too much heats until its insulation melts; in a bundle it carries less still.",
        SourceNote.Memory
    )
    {
        Mend = "Use a thicker wire; ground carries the same current back.",
    };

    /// <summary>A contact too small for its current.</summary>
    public static readonly Rule Contact = new(
        "CONTACT-AMPS",
        "Plug contact overloaded",
        "{lead} of {device}: {amps} peak through one contact of {plug} ({family}), rated about {carries}.",
        "Makers of wire-to-board connectors rate pitches of 1.0 and 1.25 mm at about 1 A a contact, 1.5 and 2.0 mm at 2 A, 2.5 mm at 3 A.",
        SourceNote.Memory
    )
    {
        Mend = "Use two contacts for supply and two for ground, or solder the supply to pads.",
    };

    /// <summary>Video on a noisy supply.</summary>
    public static readonly Rule Noisy = new(
        "VIDEO-NOISE",
        "Video on a noisy supply",
        "{device} is powered from {rail} ({what}): motor noise can show in the video.",
        "Builders disagree: a regulated rail first, or the battery with a capacitor or filter at the VTX.",
        SourceNote.Practice
    )
    {
        Mend = "Use a regulated rail where one fits, or fit a filter or capacitor at the device.",
    };

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All =
    [
        Overloaded,
        UsbLimit,
        Silent,
        Heat,
        Drop,
        Unsettled,
        LimiterTrips,
        LimiterVain,
        Thin,
        Contact,
        Noisy,
    ];
}
