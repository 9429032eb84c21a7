using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Work.Faults;
using Gorvix.Core.Work.Log;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>Brings together what a search for a fault rests on: the planned build, its table of faults, its log.</summary>
internal sealed class FaultService(
    BuildPlans plans,
    BuildSheets sheets,
    LogStore log,
    FaultStore store,
    TimeProvider time
)
{
    /// <summary>What is looked for in a build.</summary>
    public async Task<FaultLook> Look(string id, CancellationToken stop)
    {
        var planned = await plans.Planned(id, stop);
        var now = time.GetUtcNow().UtcDateTime;
        var last = await log.LastReadings(id);
        var faults = await sheets.Faults(planned, LoggedReading.SourceVolts(last, now), stop);
        var ended = await store.LastEnd(id);
        return new FaultLook(planned, faults, FromLog.Of(faults.Table, planned.Stored.Build, last, now, ended), ended);
    }
}

/// <summary>A build whose fault is looked for.</summary>
internal sealed record FaultLook(PlannedBuild Planned, FaultsOfBuild Faults, FromLog Log, DateTime? Ended)
{
    /// <summary>Why something cannot be said of it, as a sentence; null where it can.</summary>
    public string? Against(FaultCase said)
    {
        if (said.IsTooMuch())
        {
            return Sentences.TooManyObservationsMaximumStart(FaultCase.MostSaid);
        }
        // Older entries may be of a wiring that was changed since: they stay and count nothing.
        return
            said.Said is [.., { } last]
            && Faults.Table.IndexOf(last.Test) is { } test
            && Faults.Table.Tests[test].Outcomes.All(o => o.Id != last.Outcome)
            ? Sentences.IsNotAResultOf(last.Outcome, Faults.Table.Tests[test].Title)
            : null;
    }

    /// <summary>The search in words.</summary>
    public async Task<FaultView> View(FaultCase said, int step, OwnExperience own, CancellationToken stop) =>
        new(
            Planned.Stored.Version,
            Planned.Stored.Build.Name,
            step,
            said,
            await Workers.Run(
                () =>
                    Faults.Reader.Of(
                        new Search(Faults.Table, own, Log.Hints),
                        said.UsesBench ? Log.Today : [],
                        said.Said,
                        said.Cannot.ToHashSet(),
                        said.Refuted.ToHashSet(),
                        stop
                    ),
                stop
            )
        );
}
