using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Plans.Routing;

/// <summary>Builds that are allowed piece by piece, but whose pieces together are too much.</summary>
public static class LimitRules
{
    /// <summary>More ways than are weighed.</summary>
    public static readonly Rule TooMany = new(
        "WAYS",
        "Too many routes to check",
        "Too many routes for {links}: only about {most} per link are checked, fewest jumpers and least manual work first. A skipped route could be better.",
        "Routes multiply: ports × modes × pads × jumpers × sockets. No real board has a tenth of that many.",
        SourceNote.Own
    )
    {
        Mend = "Remove modes, sockets or pads you do not use from the parts.",
        Brief = "too many routes to check",
    };

    /// <summary>A search that takes too long.</summary>
    public static readonly Rule TooHard = new(
        "SEARCH",
        "Search ended without a plan",
        "No plan found, but one may exist.",
        "With tight constraints, a search of a few seconds may find no solution.",
        SourceNote.Own
    )
    {
        Mend = "Remove some pins or devices to make it easier.",
    };

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [TooMany, TooHard];
}
