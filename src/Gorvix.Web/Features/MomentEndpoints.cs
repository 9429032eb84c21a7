using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Work.Log;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>Two moments of a build.</summary>
/// <param name="From">The earlier one.</param>
/// <param name="To">The later one.</param>
/// <param name="Difference">What is other.</param>
public sealed record MomentsView(MomentView From, MomentView To, MomentDifference Difference);

/// <summary>A moment of a build.</summary>
/// <param name="Version">The version of the build then.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Who">Who, as typed.</param>
/// <param name="Words">What led there.</param>
public sealed record MomentView(int Version, DateTime At, string Who, string Words);

/// <summary>A moment to go back to.</summary>
/// <param name="Version">The version that the writer has seen.</param>
/// <param name="Moment">The version of the moment.</param>
public sealed record RestoreRequest(int Version, int Moment);

/// <summary>Moments of a build: two compared, an earlier one brought back, two texts line by line.</summary>
internal static class MomentEndpoints
{
    public static void MapMoments(this RouteGroupBuilder log)
    {
        log.MapGet("compare", Compare).Answers<MomentsView>("compareMoments", 404, 422);
        log.MapGet(
                "texts",
                async (string id, int from, int to, TextStore texts) =>
                    Results.Ok(LineDiff.Of(await texts.Read(id, from), await texts.Read(id, to)))
            )
            .Answers<IReadOnlyList<DiffLine>>("compareTexts", 404);
        log.MapPost("restore", Restore).Answers<FitView>("restoreMoment", 404, 409, 422);
    }

    private static async Task<IResult> Compare(
        string id,
        int from,
        int to,
        LogPages pages,
        LogStore store,
        BuildStore builds,
        PartStore parts,
        PartKeeper keeper,
        TimeProvider time,
        CancellationToken stop
    )
    {
        await builds.VersionOf(id);
        if (from > to)
        {
            (from, to) = (to, from);
        }
        var was = await At(id, from, pages, store, parts, keeper, stop);
        var now = await At(id, to, pages, store, parts, keeper, stop);
        var today = DateOnly.FromDateTime(time.GetLocalNow().DateTime);
        var difference = await Workers.Run(() => Moments.Compare(was.Moment, now.Moment, today), stop);
        return Results.Ok(new MomentsView(was.View, now.View, difference));
    }

    private sealed record Found(Moment Moment, MomentView View);

    // Planned with the parts as they were then.
    private static async Task<Found> At(
        string id,
        int version,
        LogPages pages,
        LogStore store,
        PartStore parts,
        PartKeeper keeper,
        CancellationToken stop
    )
    {
        var (row, build) = await pages.Moment(id, version);
        var library = await keeper.As(build, await parts.For(build), row.At);
        var resolved = ResolvedBuild.Plannable(build, library);
        var readings = await store.LastReadings(id, await pages.Until(id, version));
        var reader = await Workers.Run(() => new FitReader(resolved, Effort.Quick, stop), stop);
        return new Found(new Moment(reader, row.At, readings), new MomentView(row.Version, row.At, row.Who, row.Words));
    }

    private static async Task<IResult> Restore(
        string id,
        RestoreRequest request,
        BuildService bench,
        LogPages pages,
        CancellationToken stop
    )
    {
        var (row, build) = await pages.Moment(id, request.Moment);
        return await bench.Change(
            id,
            request.Version,
            now =>
                Task.FromResult(
                    Proposal.Of(BuildEdits.Back(build, now), Sentences.RestoreVersion(row.Version, row.Words))
                ),
            stop
        );
    }
}
