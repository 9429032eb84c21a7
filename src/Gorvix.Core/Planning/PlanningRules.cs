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
        Brief = "held by your pins",
    };

    /// <summary>The builder banned it.</summary>
    public static readonly Rule Banned = new(
        "BAN",
        "You banned it",
        "You banned every way of {link} on {port} that would work.",
        "Bans are the builder's own word; the plan keeps to them.",
        SourceNote.Own
    )
    {
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
    );

    /// <summary>A pin that cannot come true.</summary>
    public static readonly Rule PinVain = new(
        "PIN",
        "A pin cannot be kept",
        "You pinned {link} to {where}, which cannot be: {reason} The plan leaves the pin aside.",
        "A pin is a wish. Where the board cannot keep it, the best plan without it is more use than none.",
        SourceNote.Own
    );

    /// <summary>A mode that loses something.</summary>
    public static readonly Rule Loss = new(
        "LOSS",
        "A link works with a loss",
        "{link} is carried on {port}, but loses {what}.",
        "Half a link can still fly; what is missing must be known before take-off.",
        SourceNote.Practice
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Taken, Banned, NoMode, Unmet, PinVain, Loss];
}
