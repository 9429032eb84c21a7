using Gorvix.Core.Findings;

namespace Gorvix.Core.Planning;

/// <summary>What planning has to say about a plan.</summary>
public static class PlanningRules
{
    /// <summary>One net and one port have one user.</summary>
    public static readonly Rule Taken = new(
        "TAKEN",
        "One port has one device",
        "{link} could go on {port}, but {consequence}.",
        "Two devices on one net talk into each other, and a port has one job. The best plan gives each port to one link.",
        SourceNote.Practice
    )
    {
        Mend = "Lift one of the pins that it names.",
        Brief = "held by your pins",
    };

    /// <summary>It could go there, at a price.</summary>
    public static readonly Rule Open = new(
        "OPEN",
        "A link could go elsewhere at a price",
        "{link} could go on {port}: {consequence}.",
        "The price is what the best plan with the link there costs beyond the best plan; pin it there to take that plan.",
        SourceNote.Own
    )
    {
        Mend = "Pin it there if that is what you want.",
    };

    /// <summary>Serial in code.</summary>
    public static readonly Rule Code = new(
        "CODE",
        "Serial in code takes processor time",
        "{link} is read in code on {port}: about {percent} % of the processor at high loop rates{turned}.",
        "Each bit is timed by the processor between its other work; the code turns the line over where that is needed.",
        SourceNote.Practice
    )
    {
        Mend = "Free a serial unit if the processor is short of time.",
    };

    /// <summary>A ride in another link.</summary>
    public static readonly Rule Rides = new(
        "INSIDE",
        "A link rides inside another one",
        "{link} rides inside {carrier} on {port}: no port and no wire of its own.",
        "A two-way control link brings telemetry back on its own wires; a port set to telemetry as well would be in vain.",
        SourceNote.Practice
    )
    {
        Mend = "Switch telemetry on in the board's settings, and set no port to it.",
    };

    /// <summary>The radio's bay loses packets.</summary>
    public static readonly Rule BaySlow = new(
        "BAY-SLOW",
        "A slow bay loses telemetry",
        "The bay of the radio keeps up with {bay} baud: at {rate} packets a second the frames of {link} do not fit, and what comes back is lost. On the radio: {mend}.",
        "A frame of 26 bytes takes 0.62 ms at 420000 baud and 2.26 ms at 115200; packet rates from 500 a second up leave 2 ms.",
        SourceNote.Practice
    );

    /// <summary>The builder banned it.</summary>
    public static readonly Rule Banned = new(
        "BAN",
        "You banned it",
        "You banned every way of {link} on {port} that would work.",
        "Bans are the builder's own word; the plan keeps to them.",
        SourceNote.Own
    )
    {
        Mend = "Lift the ban under the plan.",
        Brief = "banned by you",
    };

    /// <summary>A function without modes.</summary>
    public static readonly Rule NoMode = new(
        "NO-MODE",
        "A device offers no way to have it",
        "{link} has no mode in its part file, so there is nothing to route. Add a mode to the device.",
        "A link is carried in one of the modes that the device offers.",
        SourceNote.Own
    )
    {
        Brief = "the device offers no mode",
    };

    /// <summary>A link without a route.</summary>
    public static readonly Rule Unmet = new(
        "UNMET",
        "A link is left out",
        "{link} cannot be carried.{because}",
        "Every way of every link was weighed; no plan carries more of what you need.",
        SourceNote.Own
    )
    {
        Mend = "Take one of the changes offered below it.",
    };

    /// <summary>A link without a route in a plan that is not proved.</summary>
    public static readonly Rule UnmetYet = new(
        "UNMET-YET",
        "A link has no place so far",
        "{link} has no place in the best plan so far; whether it could be carried is not settled.",
        "Where there is far more to choose from than can be weighed, the best plan so far is shown with what is proved of it.",
        SourceNote.Own
    )
    {
        Mend = "Wait while the plan is thought about, or pin the link where you want it.",
    };

    /// <summary>A pin that cannot come true.</summary>
    public static readonly Rule PinVain = new(
        "PIN",
        "A pin cannot be kept",
        "You pinned {link} to {where}, which cannot be: {reason} The plan leaves the pin aside.",
        "A pin is a wish. Where the board cannot keep it, the best plan without it is more use than none.",
        SourceNote.Own
    )
    {
        Mend = "Lift it under the plan, or mend what the reason names.",
    };

    /// <summary>A mode that loses something.</summary>
    public static readonly Rule Loss = new(
        "LOSS",
        "A link works with a loss",
        "{link} is carried on {port}, but loses {what}.",
        "Half a link can still fly; what is missing must be known before take-off.",
        SourceNote.Practice
    )
    {
        Mend = "Live with it, or make room for a mode that loses nothing.",
    };

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All =
    [
        Taken,
        Open,
        Banned,
        NoMode,
        Unmet,
        UnmetYet,
        PinVain,
        Loss,
        Rides,
        Code,
        BaySlow,
    ];
}
