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
        var state = standings.ToDictionary(s => s.Check, s => s.State);
        var before = sheet.Checks.TakeWhile(c => c.Id != check.Id).ToList();
        if (before.Find(c => state[c.Id] == CheckState.Stopped) is { } stopped)
        {
            return $"\"{stopped.Title}\" failed – stop.";
        }
        if (before.Find(c => c.MustPass && state[c.Id] == CheckState.Doubtful) is { } uncertain)
        {
            return $"\"{uncertain.Title}\" is uncertain. Measure it again: no power before it reads open.";
        }
        var missing = before
            .Where(c => check.After.Contains(c.Id) && state[c.Id] is not (CheckState.Proved or CheckState.Doubtful))
            .ToList();
        return missing.Count switch
        {
            0 => null,
            1 => $"Do \"{missing[0].Title}\" first.",
            var many => $"{many} checks must be done first, starting with \"{missing[0].Title}\".",
        };
    }

    /// <summary>The lines that two scopes do not share, each as it was and as it is.</summary>
    private static IEnumerable<string> Changes(IReadOnlyList<string> was, IReadOnlyList<string> now) =>
        was.Except(now).Select(l => $"was: {l}").Concat(now.Except(was).Select(l => $"now: {l}"));
}
