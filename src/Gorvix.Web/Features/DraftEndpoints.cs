using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A new build: what the choices so far come to, what does not fit them, and the build at the end.</summary>
internal static class DraftEndpoints
{
    public static void MapDrafts(this IEndpointRouteBuilder app)
    {
        var drafts = app.MapGroup("/api/drafts").WithTags(Sentences.NewBuild);
        drafts.MapPost("look", Look).Answers<DraftView>("lookAtDraft", 422);
        drafts.MapPost("fits", Fits).Answers<DraftFits>("listFits", 422);
        app.MapPost("/api/builds", Create)
            .WithName("createBuild")
            .WithTags(Sentences.NewBuild)
            .Produces<ShelfBuild>(201)
            .ProducesProblem(422);
    }

    private static async Task<IResult> Look(Draft draft, PartStore parts, CancellationToken stop)
    {
        var all = await parts.All();
        return draft.Check(all) is { Count: > 0 } findings
            ? Problems.Of(findings)
            : Results.Ok(await Workers.Run(() => DraftReader.Look(draft, all, stop), stop));
    }

    private static async Task<IResult> Fits(Draft draft, PartStore parts, CancellationToken stop)
    {
        var all = await parts.All();
        return draft.Check(all) is { Count: > 0 } findings
            ? Problems.Of(findings)
            : Results.Ok(await DraftReader.Fits(draft, all, stop));
    }

    private static async Task<IResult> Create(
        Draft draft,
        PartStore parts,
        BuildService bench,
        ShelfCards cards,
        CancellationToken stop
    )
    {
        var all = await parts.All();
        if (draft.Check(all) is { Count: > 0 } findings)
        {
            return Problems.Of(findings);
        }
        if (draft.Of(all) is not { } build)
        {
            return Problems.Of(422, Sentences.ABuildNeedsABoard);
        }
        return await cards.Created(await bench.Create(build, Sentences.NewBuild, stop), stop);
    }
}
