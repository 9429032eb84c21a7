using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Planning;

/// <summary>What kind of change a step of an unlock is. Order: among equal prices the earlier is offered first.</summary>
public enum UnlockKind
{
    /// <summary>A pin gives way.</summary>
    LiftPin,

    /// <summary>A ban gives way: another mode or another place is open again.</summary>
    LiftBan,

    /// <summary>One house rule is changed.</summary>
    HouseRule,

    /// <summary>Another generation of the board's firmware.</summary>
    Firmware,

    /// <summary>The other harness that a device comes with.</summary>
    SwapHarness,

    /// <summary>Another link gives way.</summary>
    LeaveOut,

    /// <summary>A regulator, adapter or filter of the library that feeds what the board cannot.</summary>
    AddRegulator,

    /// <summary>Another device of the same kind from the library.</summary>
    SwapDevice,

    /// <summary>Another board from the library.</summary>
    SwapBoard,
}

/// <summary>A change that carries a link which the plan leaves out, verified by planning again.</summary>
/// <param name="Steps">What is changed: one step, or two that only help together.</param>
/// <param name="After">The build after the change.</param>
/// <param name="Plan">Its best plan, which carries the link.</param>
public sealed record Unlock(IReadOnlyList<UnlockStep> Steps, Build After, Plan Plan)
{
    /// <summary>What the steps themselves weigh, on the scale of <see cref="UnlockSteps"/>.</summary>
    public int Price => Steps.Sum(s => s.Price);

    /// <summary>Links that the plan before carried and this one leaves out, in the builder's order; all weigh less than the one gained.</summary>
    /// <param name="before">The best plan before the change.</param>
    public IReadOnlyList<Link> GivenUp(Plan before) =>
        [.. Plan.Placements.Where(p => p.Route is null && before.RouteOf(p.Link.Id) is not null).Select(p => p.Link)];

    /// <summary>What the change weighs with the links that give way and the hand work, hazards, losses and processor time that it adds.</summary>
    /// <param name="before">The best plan before the change.</param>
    public int PriceAfter(Plan before)
    {
        int More(CostTerm term) => Math.Max(0, Plan.Cost[term] - before.Cost[term]);
        return Price
            + GivenUp(before).Sum(UnlockSteps.PriceWithout)
            + More(CostTerm.HandWork)
            + (5 * (More(CostTerm.Losses) + More(CostTerm.Hazards) + More(CostTerm.Processor)));
    }
}

/// <summary>Finds what would carry a link that the plan leaves out.</summary>
/// <remarks>
/// The plan has tried every mode, bridge, pad, device firmware and other place of every link already. What is left to change
/// are the builder's wishes, house rules, the board's firmware and the parts: each single change is tried, and each two of
/// the changes that cost no money where none of them helps alone. A change is kept when the best plan after it carries the
/// link and leaves out no link that was carried and matters as much (a link that gives way on purpose aside): a must may
/// push out a want, and the unlock says so.
/// </remarks>
public static class Unlocks
{
    /// <summary>What all changes of one build may weigh together; what making the ways of one candidate weighs counts too.</summary>
    public const int MostWeighed = 40_000_000;

    private static readonly UnlockKind[] Free = [UnlockKind.HouseRule, UnlockKind.Firmware, UnlockKind.SwapHarness];

    /// <summary>The unlocks of a link, cheapest first; at most so many of each kind.</summary>
    /// <param name="space">The build's space.</param>
    /// <param name="plan">Its best plan.</param>
    /// <param name="link">A link that the plan leaves out.</param>
    /// <param name="library">The parts that could be taken instead.</param>
    /// <param name="most">The most of each kind.</param>
    /// <param name="budget">What may be weighed for all candidates; null for <see cref="MostWeighed"/>.</param>
    /// <returns>The unlocks, and how many changes were not settled: not planned to the proof, or not tried at all.</returns>
    public static (IReadOnlyList<Unlock> Found, int Open) Of(
        PlanSpace space,
        Plan plan,
        Link link,
        PartsLibrary library,
        int most = 3,
        SearchBudget? budget = null
    )
    {
        budget ??= new SearchBudget(MostWeighed);
        var open = 0;
        var build = space.Build.Build;
        var steps = UnlockSteps.Of(space, link, library).ToList();
        Unlock? Try(params UnlockStep[] taken)
        {
            if (budget.IsEmpty)
            {
                open++;
                return null;
            }
            var after = taken.Aggregate(build, (b, step) => step.Apply(b));
            if (After(after, library, budget, space.Stop) is not var (then, settled))
            {
                return null;
            }
            // A plan that carries the link is a way out whether or not it is the best; that there is none must be proved.
            if (then is not null && new Unlock(taken, after, then) is var unlock && Helps(unlock, plan, link))
            {
                return unlock;
            }
            open += settled ? 0 : 1;
            return null;
        }
        var found = steps.Select(s => Try(s)).OfType<Unlock>().ToList();
        var free = steps.Where(s => Free.Contains(s.Kind)).ToList();
        if (!found.Any(u => Free.Contains(u.Steps[0].Kind)))
        {
            found.AddRange(
                from first in free
                from second in free
                where free.IndexOf(first) < free.IndexOf(second) && !Same(first, second)
                let both = Try(first, second)
                where both is not null
                select both
            );
        }
        var ranked = found.OrderBy(u => u.PriceAfter(plan)).ThenBy(u => u.Steps[0].Kind).ToList();
        var few = ranked.GroupBy(u => u.Steps[^1].Kind).SelectMany(g => g.Take(most)).ToHashSet();
        return ([.. ranked.Where(few.Contains)], open);
    }

    // Two values of one house rule, two generations of firmware, two harnesses of one device: one of them is enough.
    private static bool Same(UnlockStep a, UnlockStep b) =>
        a.Kind == b.Kind && a.What.Rule == b.What.Rule && a.What.Device == b.What.Device;

    // True when the link is carried, no link that matters as much is lost for it, no more pins are broken and nothing more is left unfed.
    private static bool Helps(Unlock unlock, Plan before, Link link) =>
        unlock.Plan.RouteOf(link.Id) is not null
        && unlock.GivenUp(before).All(lost => lost.Want.Priority > link.Want.Priority)
        && unlock.Plan.Cost[CostTerm.PinsBroken] <= before.Cost[CostTerm.PinsBroken]
        && unlock.Plan.Cost[CostTerm.Unfed] <= before.Cost[CostTerm.Unfed];

    // The best plan of the changed build and whether it is proved; null when the build is none.
    // A part of the library that contradicts itself is no way out; its own build says so.
    private static (Plan? Plan, bool Settled)? After(
        Build build,
        PartsLibrary library,
        SearchBudget budget,
        CancellationToken stop
    )
    {
        if (ResolvedBuild.Of(build, library).Build is not { } resolved)
        {
            return null;
        }
        try
        {
            var space = new PlanSpace(resolved, Effort.Quick, stop);
            budget.Spend(space.Weight);
            var share = budget.UpTo(SearchBudget.ForPlan(Effort.Quick).Left);
            var then = Planner.Best(space, resolved.Build.Pins, resolved.Build.Bans, share);
            budget.TakeBack(share);
            return (then, then.Gap is null);
        }
        catch (UnplannableException)
        {
            return (null, false);
        }
    }
}
