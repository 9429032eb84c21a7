using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Plans.Planning;

/// <summary>What planning has to say about a plan.</summary>
public static class PlanningRules
{
    /// <summary>One net and one port have one user.</summary>
    public static readonly Rule Taken = new(
        "TAKEN",
        "One device per port",
        "{link} could go on {port}, but {consequence}.",
        "Two devices on one net transmit over each other, and a port has one function. The best plan assigns each port to one link.",
        SourceNote.Practice
    )
    {
        Mend = "Remove one of the pins it names.",
        Brief = "taken by your pins",
    };

    /// <summary>It could go there, at a price.</summary>
    public static readonly Rule Open = new(
        "OPEN",
        "Another port is possible, at a cost",
        "{link} could go on {port}: {consequence}.",
        "The cost is how much worse the best plan with the link there is; pin it there to use that plan.",
        SourceNote.Own
    )
    {
        Mend = "Pin it there if that is what you want.",
    };

    /// <summary>Serial in code.</summary>
    public static readonly Rule Code = new(
        "CODE",
        "Software serial adds CPU load",
        "{link} uses software serial on {port}: about {percent} % CPU load at high loop rates{turned}.",
        "The CPU times every bit between other tasks; software inverts the line where needed.",
        SourceNote.Practice
    )
    {
        Mend = "Free a UART if CPU load is too high.",
    };

    /// <summary>A ride in another link.</summary>
    public static readonly Rule Rides = new(
        "INSIDE",
        "In-band link",
        "{link} is in-band over the {carrier} on {port}: no separate port or wire.",
        "A two-way RC link returns telemetry over the same wires; a separate telemetry port would do nothing.",
        SourceNote.Practice
    )
    {
        Mend = "Enable telemetry in the board's settings; do not assign a port to it.",
    };

    /// <summary>The radio's bay loses packets.</summary>
    public static readonly Rule BaySlow = new(
        "BAY-SLOW",
        "Slow module bay loses telemetry",
        "The radio's module bay is limited to {bay} baud: at {rate} Hz the {link} frames do not fit and telemetry is lost. On the radio: {mend}.",
        "A 26-byte frame takes 0.62 ms at 420 000 baud and 2.26 ms at 115 200; a packet rate of 500 Hz leaves 2 ms, a higher one less.",
        SourceNote.Practice
    );

    /// <summary>The builder banned it.</summary>
    public static readonly Rule Banned = new(
        "BLOCK",
        "Blocked by you",
        "You blocked every working route for {link} on {port}.",
        "The plan respects your blocks.",
        SourceNote.Own
    )
    {
        Mend = "Unblock it under the plan.",
        Brief = "blocked by you",
    };

    /// <summary>A function without modes.</summary>
    public static readonly Rule NoMode = new(
        "NO-MODE",
        "No mode for this link",
        "{link} has no mode in its part file: nothing to route. Add a mode to the device.",
        "A link uses one of the device's modes.",
        SourceNote.Own
    )
    {
        Brief = "device has no mode",
    };

    /// <summary>A link without a route.</summary>
    public static readonly Rule Unmet = new(
        "UNMET",
        "Link not connected",
        "{link} cannot be connected.{because}",
        "Every route of every link was checked; no plan connects more of what you need.",
        SourceNote.Own
    )
    {
        Mend = "Apply one of the changes offered below it.",
    };

    /// <summary>A link without a route in a plan that is not proved.</summary>
    public static readonly Rule UnmetYet = new(
        "UNMET-YET",
        "Link not connected yet",
        "{link} has no port in the best plan so far; it is not yet known whether it can be connected.",
        "With too many combinations to check, the best plan so far is shown, and how much of it is proven.",
        SourceNote.Own
    )
    {
        Mend = "Wait while planning continues, or pin the link where you want it.",
    };

    /// <summary>A pin that cannot come true.</summary>
    public static readonly Rule PinVain = new(
        "PIN",
        "Pin not possible",
        "You pinned {link} to {where}, which is not possible: {reason} The plan ignores this pin.",
        "A pin is a request. If the board cannot meet it, the best plan without it is more use than none.",
        SourceNote.Own
    )
    {
        Mend = "Unpin it under the plan, or fix the reason given.",
    };

    /// <summary>A mode that loses something.</summary>
    public static readonly Rule Loss = new(
        "LOSS",
        "Link works with reduced function",
        "{link} is connected on {port}, but loses {what}.",
        "A reduced link can still fly, but know the missing function before take-off.",
        SourceNote.Practice
    )
    {
        Mend = "Accept it, or free a port for a mode that loses nothing.",
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
