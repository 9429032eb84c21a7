using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;

namespace Gorvix.Core.Work.Faults;

/// <summary>An observation that the bench has made, with when.</summary>
/// <param name="Seen">The observation.</param>
/// <param name="At">When, UTC.</param>
public sealed record BenchSeen(Observation Seen, DateTime At);

/// <summary>What the log of a build gives to a search for a fault: today's readings count as seen, older ones and what was soldered lately as hints.</summary>
/// <param name="Today">Readings that are as good as seen now.</param>
/// <param name="Hints">What makes faults likelier or less likely.</param>
public sealed record FromLog(IReadOnlyList<BenchSeen> Today, LogHints Hints)
{
    // A reading of the same work at the bench; what was soldered in the last days is doubted (our own choices).
    private static readonly TimeSpan Session = TimeSpan.FromHours(12);
    private static readonly TimeSpan Lately = TimeSpan.FromDays(2);

    /// <summary>Reads the log.</summary>
    /// <param name="table">The tests of the build.</param>
    /// <param name="build">The build, with what was soldered when.</param>
    /// <param name="last">The last reading of each check.</param>
    /// <param name="now">The time, UTC.</param>
    /// <param name="ended">When a search of this build ended last, UTC: what was read before belongs to that one; null for never.</param>
    public static FromLog Of(
        FaultTable table,
        Build build,
        IReadOnlyList<LoggedReading> last,
        DateTime now,
        DateTime? ended = null
    )
    {
        var read = (
            from reading in last
            let test = table.Tests.FirstOrDefault(t => t.Check == reading.Check)
            where test is not null
            let outcome = OutcomeOf(test, reading)
            where outcome is not null
            select (Seen: new Observation(test.Id, outcome), reading.At, reading.Mark)
        ).ToList();
        return new FromLog(
            [
                .. read.Where(r => now - r.At < Session && !(r.At <= ended))
                    .OrderBy(r => r.At)
                    .Select(r => new BenchSeen(r.Seen, r.At)),
            ],
            new LogHints(
                build
                    .Built.OfType<JointFact>()
                    .Where(j => now - j.On < Lately)
                    .Select(j => new LeadAt(j.Device, j.Lead))
                    .ToHashSet(),
                last.All(r => r.Check != "settings.read"),
                [.. read.Where(r => now - r.At >= Session && r.Mark == Mark.Good).Select(r => r.Seen)]
            )
        );
    }

    /// <summary>Which outcome of a test a reading of the bench is; null where it does not tell.</summary>
    public static string? OutcomeOf(FaultTest test, LoggedReading reading)
    {
        var sound = test.Outcomes.First(o => o.IsSound).Id;
        if (reading.Value is { } value && test.Bands.Count > 0)
        {
            return CheckTests.OutcomeOf(test.Bands, value);
        }
        var named = (test.Kind, reading.Answer) switch
        {
            (TestKind.MeasureCold, Answer.Yes) => "beeps",
            (TestKind.MeasureCold, Answer.No) => "silent",
            (TestKind.Look, Answer.No) => TestMaker.No,
            _ => null,
        };
        return reading switch
        {
            { Value: null, Answer: Answer.Unsure } => null,
            { Mark: Mark.Good } => sound,
            // A meter may beep at a small resistor.
            { Mark: Mark.Doubtful, Answer: Answer.Yes } => null,
            _ when test.Outcomes.Any(o => o.Id == named) => named,
            // It failed; how, nobody has said.
            { Value: null } or { Mark: Mark.Stop } => Outcome.NotSound,
            _ => null,
        };
    }
}
