using Gorvix.Core.Builds;
using Gorvix.Core.Fit;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A build on the Fit screen.</summary>
/// <param name="Id">Id in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Note">A line about it, or null.</param>
/// <param name="Version">To be sent back with the next change.</param>
/// <param name="Undo">What undo would take back, in words, or null.</param>
/// <param name="Redo">What redo would bring back, in words, or null.</param>
/// <param name="Sheet">The answer.</param>
/// <param name="Moved">What the last change moved, one sentence for each link; empty when nothing was changed.</param>
public sealed record FitView(
    string Id,
    string Name,
    string? Note,
    int Version,
    string? Undo,
    string? Redo,
    FitSheet Sheet,
    IReadOnlyList<string> Moved
);

/// <summary>A change of a build.</summary>
/// <param name="Version">The version that the writer has seen.</param>
/// <param name="Change">What to do.</param>
public sealed record ChangeRequest(int Version, BuildChange Change);

/// <summary>One of the plans that are shown is to be the plan.</summary>
/// <param name="Version">The version that the writer has seen.</param>
/// <param name="Plan">Its number, from 1.</param>
public sealed record ChooseRequest(int Version, int Plan);

/// <summary>A step back or forward.</summary>
/// <param name="Version">The version that the writer has seen.</param>
public sealed record StepRequest(int Version);

/// <summary>The Fit screen: the plan, and pins, bans, undo and redo.</summary>
internal static class FitEndpoints
{
    public static void MapFit(this IEndpointRouteBuilder app)
    {
        var fit = app.MapGroup("/api/builds/{id}").WithTags("Fit");
        fit.MapGet("fit", Get).WithName("getFit").Produces<FitView>().ProducesProblem(404);
        fit.MapPost("changes", Change)
            .WithName("changeBuild")
            .Produces<FitView>()
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        fit.MapPost("choose", Choose)
            .WithName("choosePlan")
            .Produces<FitView>()
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        MapStep(fit, "undo", (builds, id, version) => builds.Undo(id, version));
        MapStep(fit, "redo", (builds, id, version) => builds.Redo(id, version));
    }

    private static void MapStep(
        IEndpointRouteBuilder fit,
        string name,
        Func<BuildStore, string, int, Task<StoredBuild>> step
    ) =>
        fit.MapPost(
                name,
                (string id, StepRequest request, BuildStore builds, PartStore parts) =>
                    Walk(id, parts, builds, () => step(builds, id, request.Version))
            )
            .WithName(name)
            .Produces<FitView>()
            .ProducesProblem(404)
            .ProducesProblem(409);

    private static async Task<FitView> Get(string id, BuildStore builds, PartStore parts)
    {
        var stored = await builds.Get(id);
        return View(stored, await Reader(stored.Build, parts), before: null);
    }

    private static async Task<IResult> Change(string id, ChangeRequest request, BuildStore builds, PartStore parts)
    {
        var before = (await builds.Get(id)).Build;
        var findings = BuildCheck.Of(request.Change.Match, before, await parts.For(before), "change");
        return findings.Count > 0
            ? Problems.Of(findings)
            : Results.Ok(
                await Walk(
                    id,
                    parts,
                    builds,
                    () => builds.Change(id, request.Version, request.Change.Words(), request.Change.ApplyTo)
                )
            );
    }

    private static async Task<IResult> Choose(string id, ChooseRequest request, BuildStore builds, PartStore parts)
    {
        var chosen = (await Reader((await builds.Get(id)).Build, parts)).Choose(request.Plan);
        return chosen is null
            ? Problems.Of(422, $"There is no plan {request.Plan}. Choose one of the plans that are shown.")
            : Results.Ok(
                await Walk(
                    id,
                    parts,
                    builds,
                    () => builds.Change(id, request.Version, $"Choose plan {request.Plan}", _ => chosen)
                )
            );
    }

    private static async Task<FitView> Walk(string id, PartStore parts, BuildStore builds, Func<Task<StoredBuild>> step)
    {
        var before = await Reader((await builds.Get(id)).Build, parts);
        var stored = await step();
        return View(stored, await Reader(stored.Build, parts), before);
    }

    private static async Task<FitReader> Reader(Build build, PartStore parts) =>
        new(ResolvedBuild.Create(build, await parts.For(build)));

    private static FitView View(StoredBuild stored, FitReader reader, FitReader? before) =>
        new(
            stored.Id,
            stored.Build.Name,
            stored.Build.Note,
            stored.Version,
            stored.Undo,
            stored.Redo,
            reader.Sheet(),
            before is null ? [] : reader.MovedSince(before.Plan)
        );
}
