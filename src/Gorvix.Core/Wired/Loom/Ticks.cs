using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Loom;

/// <summary>A step that somebody has done, or done otherwise, or that is not so after all.</summary>
/// <param name="Step">Id of the step.</param>
/// <param name="IsDone">True when it is done; false takes the tick away.</param>
/// <param name="Pad">Id of the pad that was used in place of the one that the step names; null where it was done as it says.</param>
public sealed record Tick(string Step, bool IsDone, string? Pad = null);

/// <summary>What came of a tick.</summary>
/// <param name="Build">The build with it, the same one where nothing is new; null when it cannot be.</param>
/// <param name="Words">The tick in words, for undo.</param>
/// <param name="Findings">What stands against it.</param>
public sealed record TickResult(Build? Build, string Words, IReadOnlyList<Finding> Findings);

/// <summary>Notes what is done. Ticks of different steps come to the same in any order.</summary>
public static class Ticks
{
    /// <summary>The build after a tick.</summary>
    /// <param name="wired">The build as it is to be wired.</param>
    /// <param name="tick">The tick.</param>
    /// <param name="now">The time, UTC.</param>
    public static TickResult Apply(WiredBuild wired, Tick tick, DateTime now)
    {
        var (build, sheet) = (wired.Build.Build, LoomReader.Of(wired));
        var other = sheet.OtherWays.FirstOrDefault(w => w.Id == tick.Step && tick.IsDone);
        if ((sheet.Steps.FirstOrDefault(s => s.Id == tick.Step) ?? StepOf(other)) is not { } step)
        {
            return Against(LoomRules.StepGone.Found(Severity.Stop, Subject.Build, ("step", Short(tick.Step))));
        }
        if (tick.IsDone && step.Waits is { } waits)
        {
            var device = wired.Build.Devices.First(d => d.Id == step.Device).Device.Name;
            return Against(
                LoomRules.Repin.Found(Severity.Stop, Subject.Device(step.Device!), ("device", device), ("work", waits))
            );
        }
        var facts = step.Facts;
        if (tick is { Pad: { } pad, IsDone: true })
        {
            if (
                sheet.Wires.FirstOrDefault(w => step.Id == $"joint {w.Id}") is not { } wire
                || wired.Build.Board.Pads.FirstOrDefault(p => p.Id == pad) is not { } used
            )
            {
                return Against(LoomRules.OtherPad.Found(Severity.Stop, Subject.Build, ("pad", Short(pad))));
            }
            facts = [new FactMaker(wired).OfJoint(wire, used)];
        }
        var sets = tick.IsDone && step.Topic != StepTopic.Undo;
        if (sets && facts.All(f => build.Built.Any(f.Says)))
        {
            return new TickResult(build, "", []);
        }
        if (sets)
        {
            facts = [.. facts, .. step.Before];
        }
        // What is noted otherwise than the step says is not this step's to take away.
        var others = build.Built.Where(f => !facts.Any(x => sets ? f.IsAboutTheSame(x) : f.Says(x))).ToList();
        if (!sets && others.Count == build.Built.Count)
        {
            return new TickResult(build, "", []);
        }
        return new TickResult(
            build with
            {
                Built = sets ? [.. others, .. facts.Select(f => f with { On = now })] : others,
            },
            other is not null
                ? $"Done: {other.Name} plug, {Phrase.Lower(other.Method)}"
                : $"{(sets ? "Done" : step.Topic == StepTopic.Undo && tick.IsDone ? "Undone" : Sentences.NotDone)}: {string.Join(", ", facts.Except(step.Before).Select(f => f.Told))}",
            []
        );
    }

    // Done otherwise at a whole plug; what it makes true is taken back step by step.
    private static LoomStep? StepOf(OtherWay? way) =>
        way is null
            ? null
            : new LoomStep(way.Id, StepTopic.Plug, null, way.Words, "", null, way.Device, [], []) { Facts = way.Facts };

    // What was sent may be anything; enough of it to know it again.
    private static string Short(string sent) => sent.Length <= 60 ? sent : $"{sent[..60]} …";

    private static TickResult Against(Finding finding) => new(null, "", [finding]);
}
