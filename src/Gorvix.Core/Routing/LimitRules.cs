using Gorvix.Core.Findings;

namespace Gorvix.Core.Routing;

/// <summary>Builds that are allowed piece by piece, but whose pieces together are too much.</summary>
public static class LimitRules
{
    /// <summary>More ways than are weighed.</summary>
    public static readonly Rule TooMany = new(
        "WAYS",
        "Only so many ways are weighed",
        "There are more ways for {links} than are weighed: about {most} a link, those with the fewest selectors and the least hand work first. A way that was left out could be better.",
        "There are as many ways as ports, modes, pads, selectors and sockets multiplied; no board that is made has a tenth of it.",
        SourceNote.Own
    )
    {
        Mend = "Leave modes, sockets or pads out of the parts that you do not use.",
        Brief = "more ways than are weighed",
    };

    /// <summary>A search that takes too long.</summary>
    public static readonly Rule TooHard = new(
        "SEARCH",
        "A search ends, with a plan or without",
        "No plan was found, and it is not proved that there is none.",
        "What must be chosen together can be so narrow that a search of some seconds finds no way through.",
        SourceNote.Own
    )
    {
        Mend = "Lift some pins, or leave devices out, and it gets easier.",
    };

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [TooMany, TooHard];
}
