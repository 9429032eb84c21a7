namespace Gorvix.Core.Wired.Fit;

/// <summary>What a change would do to the plan, told before it is done.</summary>
/// <param name="Before">The answer as it stands.</param>
/// <param name="After">The answer after it.</param>
/// <param name="Stops">What would burn or stay without supply afterwards.</param>
/// <param name="Moved">What would move and why, one sentence for each link.</param>
/// <param name="Falls">The pins and bans that would fall, because they name something that is no longer there.</param>
/// <param name="Work">What the hands have to do afterwards, in a few words; empty for nothing.</param>
public sealed record ChangePreview(
    Verdict Before,
    Verdict After,
    IReadOnlyList<string> Stops,
    IReadOnlyList<string> Moved,
    IReadOnlyList<string> Falls,
    string Work
)
{
    /// <summary>Compares two planned states of one build.</summary>
    /// <param name="was">As it stands.</param>
    /// <param name="then">As it would be.</param>
    public static ChangePreview Of(FitReader was, FitReader then) =>
        new(
            was.Verdict(),
            then.Verdict(),
            [.. then.Stops().Select(f => f.Sentence)],
            then.MovedSince(was.Plan),
            was.WishesNotIn(then.Build),
            then.WorkSummary()
        );
}
