using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Settings;

/// <summary>Notes which settings stand. Ticks of different settings come to the same in any order.</summary>
public static class SettingTicks
{
    /// <summary>The build after a tick.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="keys">The settings.</param>
    /// <param name="isDone">True when they stand; false takes the tick away.</param>
    /// <param name="today">The day, for the declination.</param>
    /// <param name="now">The time, UTC.</param>
    public static TickResult Apply(
        WiredBuild wired,
        IReadOnlyList<string> keys,
        bool isDone,
        DateOnly today,
        DateTime now
    )
    {
        var build = wired.Build.Build;
        var known = SettingsReader.Of(wired, today).Settings.ToDictionary(s => s.Key);
        if (keys.FirstOrDefault(k => !known.ContainsKey(k)) is { } gone)
        {
            return new TickResult(
                null,
                "",
                [
                    SettingsRules.Gone.Found(
                        Severity.Stop,
                        Subject.Build,
                        ("place", gone.Length <= 60 ? gone : $"{gone[..60]} …")
                    ),
                ]
            );
        }
        var facts = keys.Distinct().Select(k => SettingsSheet.FactOf(known[k])).ToList();
        var others = build.Built.Where(f => !facts.Exists(f.IsAboutTheSame)).ToList();
        var isSame = isDone ? facts.TrueForAll(f => build.Built.Any(f.Says)) : others.Count == build.Built.Count;
        return isSame
            ? new TickResult(build, "", [])
            : new TickResult(
                build with
                {
                    Built = isDone ? [.. others, .. facts.Select(f => f with { On = now })] : others,
                },
                $"{(isDone ? "Set" : Sentences.NotSet)}: {(facts is [var one] ? one.Words : Phrase.Count(facts.Count, "setting"))}",
                []
            );
    }
}
