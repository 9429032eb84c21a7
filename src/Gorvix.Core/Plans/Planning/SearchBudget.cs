namespace Gorvix.Core.Plans.Planning;

/// <summary>How long a question is thought about before the best answer so far is given.</summary>
public enum Effort
{
    /// <summary>As long as somebody looks at the screen and waits: within a second for every build that the checks let pass.</summary>
    Quick,

    /// <summary>As long as it is worth while behind the screen: some seconds.</summary>
    Patient,
}

/// <summary>
/// What may be weighed, in options looked at; several searches can draw on one. It is no clock: the same question always gets the
/// same answer, on any machine.
/// </summary>
/// <param name="options">How many options may be weighed.</param>
public sealed class SearchBudget(int options)
{
    /// <summary>What the plan itself may weigh.</summary>
    public static SearchBudget ForPlan(Effort effort) => new(effort == Effort.Quick ? 2_000_000 : 100_000_000);

    /// <summary>What everything that is told beside the plan may weigh: other plans, conflicts, prices of cells.</summary>
    public static SearchBudget ForRest(Effort effort) => new(effort == Effort.Quick ? 400_000 : 15_000_000);

    /// <summary>What is left, not below zero.</summary>
    public int Left { get; private set; } = options;

    /// <summary>True when nothing is left.</summary>
    public bool IsEmpty => Left == 0;

    /// <summary>Takes out what a look has weighed.</summary>
    public void Spend(int weight) => Left = Math.Max(0, Left - weight);

    /// <summary>A budget of its own with a part of what is left, which leaves this one.</summary>
    /// <param name="part">The part, 0 to 1.</param>
    public SearchBudget Share(double part)
    {
        var share = new SearchBudget((int)(Left * part));
        Left -= share.Left;
        return share;
    }

    /// <summary>A budget of its own with at most so much, which leaves this one.</summary>
    public SearchBudget UpTo(int most)
    {
        var share = new SearchBudget(Math.Min(most, Left));
        Left -= share.Left;
        return share;
    }

    /// <summary>What a share did not need comes back.</summary>
    public void TakeBack(SearchBudget share)
    {
        Left += share.Left;
        share.Left = 0;
    }
}
