using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Log;
using Gorvix.Storage;
using Microsoft.AspNetCore.Mvc;

namespace Gorvix.Web.Features;

/// <summary>A build that is asked about, and what is read from it: one parameter of an endpoint. A build that cannot be planned is refused.</summary>
internal sealed class AskedBuild
{
    /// <summary>Its id.</summary>
    [FromRoute]
    public required string Id { get; init; }

    /// <summary>Its plan.</summary>
    [FromServices]
    public required BuildPlans Plans { get; init; }

    /// <summary>What is read from its plan.</summary>
    [FromServices]
    public required BuildSheets Sheets { get; init; }

    /// <summary>Its log.</summary>
    [FromServices]
    public required LogStore Log { get; init; }

    /// <summary>The clock.</summary>
    [FromServices]
    public required TimeProvider Time { get; init; }

    /// <summary>Tells that the asker has gone.</summary>
    public CancellationToken Stop { get; init; }

    /// <summary>The day where the builder is.</summary>
    public DateOnly Today => DateOnly.FromDateTime(Time.GetLocalNow().DateTime);

    /// <summary>The build with its plan.</summary>
    public Task<PlannedBuild> Planned() => Plans.Planned(Id, Stop);

    /// <summary>With its wires.</summary>
    public async Task<(PlannedBuild Planned, LoomSheet Sheet)> Loom()
    {
        var planned = await Planned();
        return (planned, await Sheets.Loom(planned, Stop));
    }

    /// <summary>With its settings.</summary>
    public async Task<(PlannedBuild Planned, SettingsSheet Sheet)> Settings()
    {
        var planned = await Planned();
        return (planned, await Sheets.Settings(planned, Stop));
    }

    /// <summary>With its checks and how they stand.</summary>
    public async Task<(PlannedBuild Planned, BenchView View)> Bench()
    {
        var planned = await Planned();
        return (planned, await BenchView.Of(planned, Sheets, await LastReadings(), Time.GetUtcNow(), Stop));
    }

    /// <summary>The last reading of each of its checks.</summary>
    public Task<IReadOnlyList<LoggedReading>> LastReadings() => Log.LastReadings(Id);
}
