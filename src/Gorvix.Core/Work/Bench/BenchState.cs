namespace Gorvix.Core.Work.Bench;

/// <summary>A reading that was taken.</summary>
/// <param name="Check">Id of the check.</param>
/// <param name="Mark">What it came to.</param>
/// <param name="At">When it was taken, UTC.</param>
/// <param name="Scope">The facts that it rests on.</param>
public sealed record Proof(string Check, Mark Mark, DateTime At, IReadOnlyList<string> Scope);

/// <summary>How it stands with a check.</summary>
public enum CheckState
{
    /// <summary>Never taken.</summary>
    Open,

    /// <summary>Proved, and nothing that it rests on has changed.</summary>
    Proved,

    /// <summary>Doubtful.</summary>
    Doubtful,

    /// <summary>It said stop.</summary>
    Stopped,

    /// <summary>Taken before something that it rests on was changed.</summary>
    DueAgain,
}

/// <summary>A check with how it stands.</summary>
/// <param name="Check">Id of the check.</param>
/// <param name="State">How it stands.</param>
/// <param name="At">When it was taken last, UTC; null where it never was.</param>
/// <param name="Changed">What has changed since, line by line; empty where nothing has.</param>
public sealed record CheckStanding(string Check, CheckState State, DateTime? At, IReadOnlyList<string> Changed);

/// <summary>That a check holds back every dangerous check after it.</summary>
/// <param name="State">In which state it does.</param>
/// <param name="Words">Why, as a sentence.</param>
public sealed record Halt(CheckState State, string Words);

/// <summary>
/// What holds a dangerous check back besides what would be destroyed at once: as data, so that a page out of reach of the server holds it back as well.
/// </summary>
/// <param name="Halting">States in which a check before it may halt it, the gravest first; the check itself says so and why.</param>
/// <param name="Done">States in which what must come before it counts as done.</param>
/// <param name="One">What is said where one check is not, with {title} in place of its title.</param>
/// <param name="Many">What is said where several are not, with {count} and the {title} of the first.</param>
public sealed record BenchGate(
    IReadOnlyList<CheckState> Halting,
    IReadOnlyList<CheckState> Done,
    string One,
    string Many
)
{
    /// <summary>The gate of every bench.</summary>
    public static BenchGate Only { get; } =
        new(
            [CheckState.Stopped, CheckState.Doubtful],
            [CheckState.Proved, CheckState.Doubtful],
            "Do \"{title}\" first.",
            "Do {count} checks first, starting with \"{title}\"."
        );
}

/// <summary>How it stands with the proof of a build: what was proved stays proved until what it rests on changes.</summary>
public static class BenchState
{
    /// <summary>How each check stands.</summary>
    /// <param name="sheet">The checks.</param>
    /// <param name="proofs">What was read, the oldest first; the last reading of a check counts.</param>
    public static IReadOnlyList<CheckStanding> Of(BenchSheet sheet, IEnumerable<Proof> proofs)
    {
        var last = new Dictionary<string, Proof>();
        foreach (var proof in proofs)
        {
            last[proof.Check] = proof;
        }
        return [.. sheet.Checks.Select(c => Of(c, last.GetValueOrDefault(c.Id)))];
    }

    /// <summary>How a check stands after its last reading.</summary>
    public static CheckStanding Of(BenchCheck check, Proof? proof)
    {
        if (proof is null)
        {
            return new CheckStanding(check.Id, CheckState.Open, null, []);
        }
        var changed = Changes(proof.Scope, check.Scope).ToList();
        return new CheckStanding(
            check.Id,
            changed.Count > 0 ? CheckState.DueAgain
                : proof.Mark == Mark.Stop ? CheckState.Stopped
                : proof.Mark == Mark.Doubtful ? CheckState.Doubtful
                : CheckState.Proved,
            proof.At,
            changed
        );
    }

    /// <summary>
    /// Why a dangerous check is not safe to do yet, as a sentence; null where it is, or where the check is not dangerous: power would destroy
    /// something as it is, an earlier check said stop, or what comes before it is not done.
    /// </summary>
    /// <param name="sheet">The checks.</param>
    /// <param name="standings">How they stand.</param>
    /// <param name="check">The check.</param>
    public static string? Against(BenchSheet sheet, IReadOnlyList<CheckStanding> standings, BenchCheck check)
    {
        if (!check.IsDangerous)
        {
            return null;
        }
        if (sheet.Unsafe is [var harm, ..])
        {
            return harm;
        }
        var gate = BenchGate.Only;
        var state = standings.ToDictionary(s => s.Check, s => s.State);
        var before = sheet.Checks.TakeWhile(c => c.Id != check.Id).ToList();
        foreach (var halting in gate.Halting)
        {
            var halts = before.Where(c => state[c.Id] == halting).SelectMany(c => c.Halts);
            if (halts.FirstOrDefault(h => h.State == halting) is { } halt)
            {
                return halt.Words;
            }
        }
        var after = check.After.ToHashSet();
        var missing = before.Where(c => after.Contains(c.Id) && !gate.Done.Contains(state[c.Id])).ToList();
        return missing is []
            ? null
            : (missing.Count == 1 ? gate.One : gate.Many)
                .Replace("{count}", $"{missing.Count}", StringComparison.Ordinal)
                .Replace("{title}", missing[0].Title, StringComparison.Ordinal);
    }

    /// <summary>The lines that two scopes do not share, each as it was and as it is.</summary>
    private static IEnumerable<string> Changes(IReadOnlyList<string> was, IReadOnlyList<string> now) =>
        was.Except(now).Select(l => $"was: {l}").Concat(now.Except(was).Select(l => $"now: {l}"));
}
