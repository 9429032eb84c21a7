using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Fit;

/// <summary>What of a sheet is not proved, or not worked out.</summary>
/// <param name="Sentence">In words: in what nothing is better, in what something may be.</param>
/// <param name="IsWorking">True for a first look, while it is thought about for longer behind the screen.</param>
public sealed record FitProof(string Sentence, bool IsWorking);

/// <summary>How far a plan may be from the best, in words.</summary>
public static class ProofWords
{
    private static readonly (CostTerm Term, string Better)[] Settled =
    [
        (CostTerm.PinsBroken, "keeps more of your pins"),
        (CostTerm.MustsUnmet, "connects more required links"),
        (CostTerm.WantsUnmet, "connects more wanted links"),
        (CostTerm.NicesUnmet, "connects more links"),
        (CostTerm.Unfed, "powers more devices"),
        (CostTerm.Hazards, "has fewer hazards"),
        (CostTerm.Losses, "loses less"),
        (CostTerm.Processor, "needs less CPU"),
        (CostTerm.HandWork, "needs less manual work"),
        (CostTerm.AgainstHouse, "follows your house rules more closely"),
        (CostTerm.WholePorts, "leaves more full UARTs free"),
        (CostTerm.Switches, "has fewer port options to set"),
    ];

    /// <summary>What is proved of a plan and what is not: "No plan carries more; one with less hand work may exist (12 minutes less at most)."</summary>
    public static string Of(PlanGap gap)
    {
        // "Carries more" says all that musts and wants say.
        var before = Settled
            .Where(s => s.Term < gap.Term)
            .Where(s => gap.Term <= CostTerm.NicesUnmet || s.Term is not (CostTerm.MustsUnmet or CostTerm.WantsUnmet))
            .Select(s => s.Better)
            .ToList();
        var proved = before.Count == 0 ? "" : $"No plan {Phrase.Or(before)}; ";
        var open = $"one that {Open(gap)} may exist.";
        return proved == "" ? Phrase.Upper(open) : proved + open;
    }

    private static string Open(PlanGap gap)
    {
        var less = gap.Now - gap.AtBest;
        return gap.Term switch
        {
            CostTerm.PinsBroken => $"keeps {Phrase.Count(less, "more pin")}",
            CostTerm.MustsUnmet => Carries(gap, "required link"),
            CostTerm.WantsUnmet => Carries(gap, "wanted link"),
            CostTerm.NicesUnmet => Carries(gap, "optional link"),
            CostTerm.Unfed => $"powers {Phrase.Count(less, "more supply lead")}",
            CostTerm.Hazards => $"has {Phrase.Count(less, "fewer hazard")}",
            CostTerm.HandWork => $"needs less manual work (up to {Phrase.Count(less, "minute")} less)",
            CostTerm.OffAdvice => "follows the maker's advice more closely",
            _ => Settled.First(s => s.Term == gap.Term).Better,
        };
    }

    // Each link that goes without counts its base and a little for its need.
    private static string Carries(PlanGap gap, string what)
    {
        var more = (gap.Now / PlanCost.UnmetLink) - (gap.AtBest / PlanCost.UnmetLink);
        return more > 0
            ? $"connects up to {Phrase.Count(more, $"more {what}")}"
            : $"connects a more important {what} instead of another";
    }

    /// <summary>What is open in a sheet; null where all is proved and worked out.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="plan">Its plan.</param>
    /// <param name="hasOpen">True where a price or a conflict is not worked out.</param>
    internal static FitProof? Of(PlanSpace space, Plan plan, bool hasOpen)
    {
        var working = space.Effort == Effort.Quick && (plan.Gap is not null || hasOpen);
        List<string> words =
        [
            .. plan.Gap is { } gap ? ["Best plan so far.", Of(gap)] : Array.Empty<string>(),
            .. plan.Gap is null && hasOpen
                ? ["This is the best plan; some alternatives are not costed yet."]
                : Array.Empty<string>(),
            .. space.All.Cut.Count > 0 ? [CutWords(space)] : Array.Empty<string>(),
        ];
        return words.Count == 0 ? null : new FitProof(string.Join(' ', words), working);
    }

    private static string CutWords(PlanSpace space) =>
        Router.TooMany([.. space.Build.Links.Where(l => space.All.Cut.Contains(l.Id))]).Sentence;
}
