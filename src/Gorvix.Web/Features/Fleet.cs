using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>
/// Builds as the fleet sees them. What is stored of them is asked for once for all; what is wrong with one is told of it and touches no other.
/// </summary>
internal sealed class Fleet(
    PartStore parts,
    BuildPlans plans,
    BuildSheets sheets,
    LogStore log,
    FaultStore faults,
    TimeProvider time
)
{
    /// <summary>How some builds stand, in their order.</summary>
    public async Task<IReadOnlyList<ClubCraft>> Of(IReadOnlyList<Shelved> builds, CancellationToken stop)
    {
        var logs = (await log.Fleet([.. builds.Select(b => b.Id)])).ToDictionary(l => l.Build);
        var searched = await faults.Searched();
        var library = await parts.Everything();
        var list = new List<ClubCraft>();
        foreach (var shelved in builds)
        {
            list.Add(
                shelved.Build is not { } stored ? Broken(shelved.Id, shelved.Id, shelved.Problem!)
                : logs[stored.Id].Problem is { } damage ? Broken(stored.Id, stored.Build.Name, damage)
                : await Craft(stored, logs[stored.Id], library, stop) with { IsSearched = searched.Contains(stored.Id) }
            );
        }
        return list;
    }

    /// <summary>A build with how far its wiring and its settings are.</summary>
    /// <param name="stored">The build.</param>
    /// <param name="craft">How it stands.</param>
    /// <param name="stop">Tells that this asker has gone.</param>
    /// <returns>The same where the build cannot be looked at.</returns>
    public async Task<ClubCraft> WithProgress(StoredBuild stored, ClubCraft craft, CancellationToken stop)
    {
        if (craft.Problem is not null)
        {
            return craft;
        }
        var planned = await plans.Planned(stored, stop);
        var steps = (await sheets.Loom(planned, stop)).Steps;
        var settings = (await sheets.Settings(planned, stop)).Settings;
        return craft with
        {
            Wiring = new(steps.Count(s => s.IsDone), steps.Count),
            Settings = new(settings.Count(s => s.IsDone), settings.Count),
        };
    }

    private static ClubCraft Broken(string id, string name, string problem) =>
        new(id, name, problem, 0, 0, [], [], [], [], 0, []);

    private async Task<ClubCraft> Craft(StoredBuild stored, FleetLog told, PartsLibrary library, CancellationToken stop)
    {
        PlannedBuild planned;
        try
        {
            planned = await plans.Planned(stored, stop);
        }
        catch (Exception problem) when (problem is UnplannableException or UnreadableException)
        {
            return Broken(stored.Id, stored.Build.Name, problem.Message);
        }
        var view = await BenchView.Of(planned, sheets, told.Last, time.GetUtcNow(), stop);
        var titles = view.Checks.ToDictionary(c => c.Id, c => c.Title);
        IReadOnlyList<string> In(CheckState state) =>
            [.. view.Standings.Where(s => s.State == state).Select(s => titles[s.Check])];
        return new ClubCraft(
            stored.Id,
            stored.Build.Name,
            null,
            view.Standings.Count(s => s.State == CheckState.Proved),
            view.Checks.Count,
            In(CheckState.Stopped),
            In(CheckState.Doubtful),
            In(CheckState.DueAgain),
            [
                .. Dues.Of(told.Intervals, told.Counted, time.GetUtcNow().UtcDateTime)
                    .Where(d => d.IsDue)
                    .Select(d => $"{d.Interval.Words}: {d.Words}"),
            ],
            Dues.Flown(told.Counted),
            Parts(stored.Build, library)
        );
    }

    /// <summary>What flies in a build.</summary>
    public static IReadOnlyList<ClubPart> Parts(Build build, PartsLibrary library)
    {
        var list = new List<ClubPart>();
        if (library.Board(build.Board) is { } board)
        {
            list.Add(new ClubPart(null, "board", board.Id, $"{board.Name}, revision {board.Revision}", null));
        }
        if (build.Firmware is { } firmware && library.Profile(firmware) is { } profile)
        {
            list.Add(new ClubPart(null, "firmware", profile.Id, profile.Name, null));
        }
        foreach (var device in build.Devices)
        {
            if (library.Device(device.Part) is { } part)
            {
                list.Add(
                    new ClubPart(
                        device.Id,
                        PlainWords.Of(part.Kind),
                        part.Id,
                        device.Name is { } called ? $"{part.Name} \"{called}\"" : part.Name,
                        device.Batch
                    )
                );
            }
        }
        return list;
    }
}
