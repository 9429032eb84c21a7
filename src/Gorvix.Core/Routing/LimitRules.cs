using Gorvix.Core.Findings;

namespace Gorvix.Core.Routing;

/// <summary>Builds that are allowed piece by piece, but whose pieces together are too much.</summary>
public static class LimitRules
{
    /// <summary>More ways than are weighed.</summary>
    public static readonly Rule TooMany = new(
        "WAYS",
        "A build leaves only so many ways to choose from",
        "This build leaves more than {most} ways to choose from. Leave devices, sockets or modes out, and it can be planned.",
        "Every way is weighed against every other, and there are as many as ports, modes, pads, selectors and sockets multiplied.",
        SourceNote.Own
    );

    /// <summary>A search that takes too long.</summary>
    public static readonly Rule TooHard = new(
        "SEARCH",
        "A search weighs only so many options",
        "The search for the best plan was given up after weighing {most} million options. Pin some links or seats, or leave devices out, and it gets easier.",
        "A plan that is not proved to be the best is not shown.",
        SourceNote.Own
    );

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [TooMany, TooHard];
}
