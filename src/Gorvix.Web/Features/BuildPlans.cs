using System.Text.Json;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Storage;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Gorvix.Web.Features;

/// <summary>The plans of stored builds, made on the planner's own threads and kept by build and version.</summary>
internal sealed class BuildPlans(BuildStore builds, PartStore parts, Memo memo, IOptions<JsonOptions> json)
{
    // About half a megabyte for a demo build.
    private const int Weight = 2;

    /// <summary>The build as it stands, with its whole sheet.</summary>
    public async Task<IResult> Get(string id, CancellationToken stop)
    {
        var version = await builds.VersionOf(id);
        return Answer((await Sheet(id, version, stop)).Json!);
    }

    /// <summary>
    /// The same, thought about for as long as it is worth while: seconds, for builds with far more to choose from than any that is made. It is
    /// given up when nobody waits for it.
    /// </summary>
    /// <param name="id">The build.</param>
    /// <param name="version">The version that the reader sees.</param>
    /// <param name="stop">Tells that the reader has gone.</param>
    /// <exception cref="ConflictException">The version is not the newest.</exception>
    public async Task<IResult> GetPatiently(string id, int version, CancellationToken stop)
    {
        if (await builds.VersionOf(id) != version)
        {
            throw ConflictException.Build();
        }
        var planned = await Sheet(id, version, stop);
        if (!planned.IsSettled)
        {
            planned = await Of(id, version, PlanStage.Patient, halt => Thought(planned, halt), stop);
        }
        return Answer(planned.Told ?? planned.Json!);
    }

    private async Task<PlannedBuild> Sheet(string id, int version, CancellationToken stop)
    {
        var planned = await Planned(id, version, stop);
        return planned.Json is null
            ? await Of(id, version, PlanStage.Sheet, halt => Told(planned, halt), stop)
            : planned;
    }

    private static IResult Answer(byte[] view) => Results.Bytes(view, "application/json; charset=utf-8");

    /// <summary>The build as it stands, planned.</summary>
    /// <exception cref="UnplannableException">It cannot be planned.</exception>
    public async Task<PlannedBuild> Planned(string id, CancellationToken stop) =>
        await Planned(id, await builds.VersionOf(id), stop);

    /// <summary>A build of the shelf, planned.</summary>
    /// <exception cref="UnplannableException">It cannot be planned.</exception>
    public Task<PlannedBuild> Planned(StoredBuild stored, CancellationToken stop) =>
        Of(stored.Id, stored.Version, PlanStage.Plan, halt => Plan(stored, halt), stop);

    /// <summary>A build that was planned before it was stored.</summary>
    public void Put(StoredBuild stored, FitReader reader, FitSheet sheet)
    {
        var made = Made(stored, reader, sheet);
        memo.Put(Key(stored.Id, stored.Version, made.Reached), made, Weight);
    }

    private async Task<PlannedBuild> Planned(string id, int version, CancellationToken stop) =>
        Find(id, version, PlanStage.Plan) ?? await Planned(await builds.Get(id), stop);

    // What was thought about for longer is told before the first look.
    private PlannedBuild? Find(string id, int version, PlanStage least) =>
        Enum.GetValues<PlanStage>()
            .Where(s => s >= least)
            .Reverse()
            .Select(s => memo.Find<PlannedBuild>(Key(id, version, s)))
            .FirstOrDefault(p => p is not null);

    private async Task<PlannedBuild> Of(
        string id,
        int version,
        PlanStage stage,
        Func<CancellationToken, Task<PlannedBuild>> make,
        CancellationToken stop
    ) => Find(id, version, stage) ?? await memo.Of(Key(id, version, stage), make, stop, Weight);

    private static MemoKey Key(string id, int version, PlanStage stage) => new(id, version, stage);

    private async Task<PlannedBuild> Plan(StoredBuild stored, CancellationToken stop)
    {
        var resolved = ResolvedBuild.Plannable(stored.Build, await parts.For(stored.Build));
        return await Workers.Run(
            () =>
            {
                var reader = new FitReader(resolved, Effort.Quick, stop).Until(CancellationToken.None);
                return new PlannedBuild(stored, reader, null);
            },
            new WorkOf(stored.Id),
            stop
        );
    }

    // The sheet is most of the work; the shelf does without.
    private Task<PlannedBuild> Told(PlannedBuild planned, CancellationToken stop) =>
        Workers.Run(
            () =>
            {
                var sheet = planned.Reader.Until(stop).Sheet();
                return Made(planned.Stored, planned.Reader, sheet);
            },
            new WorkOf(planned.Stored.Id),
            stop
        );

    private Task<PlannedBuild> Thought(PlannedBuild planned, CancellationToken stop) =>
        Workers.Run(
            () =>
            {
                var reader = planned.Reader.Patiently(stop);
                var sheet = reader.Sheet();
                var made = Made(planned.Stored, reader.Until(CancellationToken.None), sheet);
                var better = reader.BetterThan(planned.Reader.Plan);
                return better.Count == 0 ? made : made with { Told = Bytes(FitView.Of(planned.Stored, sheet, better)) };
            },
            new WorkOf(planned.Stored.Id, WorkPace.Long),
            stop
        );

    /// <summary>A build with the sheet that was made of it.</summary>
    private PlannedBuild Made(StoredBuild stored, FitReader reader, FitSheet sheet) =>
        new(stored, reader, Bytes(FitView.Of(stored, sheet, [])))
        {
            IsSettled = sheet.Proof is not { IsWorking: true },
        };

    private byte[] Bytes(FitView view) => JsonSerializer.SerializeToUtf8Bytes(view, json.Value.SerializerOptions);
}

/// <summary>A stored build with its plan.</summary>
/// <param name="Stored">The build as it is stored.</param>
/// <param name="Reader">Its plan.</param>
/// <param name="Json">The view with the whole sheet, or null while it is not made.</param>
internal sealed record PlannedBuild(StoredBuild Stored, FitReader Reader, byte[]? Json)
{
    /// <summary>True when more thought would change nothing.</summary>
    public bool IsSettled { get; init; }

    /// <summary>The view as it is told to who waited for the longer look: with what has moved since the first; null where nothing has.</summary>
    public byte[]? Told { get; init; }

    /// <summary>How much of it is made.</summary>
    public PlanStage Reached =>
        Json is null ? PlanStage.Plan
        : IsSettled ? PlanStage.Patient
        : PlanStage.Sheet;
}

/// <summary>How much of a build's answer is made.</summary>
internal enum PlanStage
{
    /// <summary>The plan: enough for the shelf.</summary>
    Plan,

    /// <summary>The whole sheet.</summary>
    Sheet,

    /// <summary>The whole sheet, thought about for as long as it is worth while; where the first look has proved all, that one.</summary>
    Patient,
}
