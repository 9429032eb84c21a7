namespace Gorvix.Core.Plans.Planning;

/// <summary>
/// How far a plan may be from the best, where the search was ended before the proof. In all terms before the named one no plan is better;
/// in that term one may be.
/// </summary>
/// <param name="Term">The first term in which the bound lies below the plan.</param>
/// <param name="Now">What the plan has of it.</param>
/// <param name="AtBest">Less than this no plan can have of it.</param>
public sealed record PlanGap(CostTerm Term, int Now, int AtBest)
{
    /// <summary>The gap between a plan and what is proved; null where it is proved to be the best.</summary>
    /// <param name="cost">What the plan costs.</param>
    /// <param name="bound">What every plan costs at least.</param>
    public static PlanGap? Of(PlanCost cost, PlanCost bound)
    {
        if (bound >= cost)
        {
            return null;
        }
        var term = Enum.GetValues<CostTerm>().First(t => bound[t] != cost[t]);
        return new PlanGap(term, cost[term], bound[term]);
    }
}
