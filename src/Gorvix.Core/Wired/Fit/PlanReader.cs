using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>The few best plans side by side: what differs, and why each comes after the best.</summary>
internal sealed class PlanReader(PlanSpace space, Plan best, WiredBuild wired)
{
    // More would not be compared at a glance.
    private const int FewPlans = 5;

    // Each plan looked at costs as many searches as there are links.
    private const int MostLooked = 6;

    private static readonly CostTerm[] Wished =
    [
        CostTerm.PinsBroken,
        CostTerm.MustsUnmet,
        CostTerm.WantsUnmet,
        CostTerm.NicesUnmet,
        CostTerm.Unfed,
    ];

    private readonly ResolvedBuild _build = space.Build;

    /// <summary>The plans in words.</summary>
    public IReadOnlyList<FitPlan> Shown() =>
        [.. Worthy().Select((plan, i) => new FitPlan(i + 1, Differences(plan), i == 0 ? "" : DearerWords(plan)))];

    /// <summary>
    /// The plans to choose from, the best first. Each keeps as many wishes and carries as much; none is worse than another one in
    /// something and better in nothing, and no two read the same.
    /// </summary>
    public IEnumerable<Plan> Worthy()
    {
        var shown = new List<Plan>();
        var read = new HashSet<string>();
        var asGood = BestPlans
            .InOrder(space, best, SearchBudget.ForRest(space.Effort))
            .Take(MostLooked)
            .TakeWhile(p => Wished.All(t => p.Cost[t] == best.Cost[t]));
        foreach (var plan in asGood)
        {
            if (shown.Any(s => s.Cost.Dominates(plan.Cost)) || !read.Add(string.Join('|', Differences(plan))))
            {
                continue;
            }
            shown.Add(plan);
            yield return plan;
            if (shown.Count == FewPlans)
            {
                yield break;
            }
        }
    }

    // Several that give the same and go to one port are told together; what rides follows its carrier.
    private IReadOnlyList<string> Differences(Plan plan) =>
        [
            .. plan.Since(best)
                .Where(m => m.To?.RidesIn is null || m.From?.RidesIn is null)
                .GroupBy(m => (m.Link.Function.Need, m.To?.Port.Name))
                .SelectMany(g =>
                    g.Count() < 3
                        ? g.Select(Difference)
                        :
                        [
                            $"{g.Count()} × {Phrase.Lower(PlainWords.Of(g.Key.Need))} to {g.Key.Name ?? Sentences.NoPort}",
                        ]
                ),
        ];

    private string DearerWords(Plan plan) =>
        FitWords.Dearer(_build, best, plan, () => FitWords.MoreOf(wired.Work, WiredBuild.From(_build, plan)));

    private string Difference(Move move) =>
        (move.From, move.To) switch
        {
            (_, null) => $"no {FitWords.Tag(move.Link, _build)}",
            (_, { RidesIn: not null } to) => $"{FitWords.Tag(move.Link, _build)} {to.Mode.Name}",
            ({ } from, { } to) when from.Port.Id != to.Port.Id =>
                $"{FitWords.Tag(move.Link, _build)} to {to.Port.Name}",
            ({ } from, { } to) when from.Mode.Id != to.Mode.Id =>
                $"{FitWords.Tag(move.Link, _build)} in {to.Mode.Name}",
            ({ } from, { } to) when from.Seat != to.Seat =>
                $"{FitWords.Tag(move.Link, _build)} {WireWords.Of(to.Seat)}",
            ({ }, { } to) => $"{FitWords.Tag(move.Link, _build)} with {FitWords.Bridges(to)}",
            _ => $"{FitWords.Tag(move.Link, _build)} to {move.To.Port.Name}",
        };
}
