using Gorvix.Core.Builds;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

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
        fit.MapGet("fit", (string id, FitViews views) => views.Get(id))
            .WithName("getFit")
            .Produces<FitView>()
            .ProducesProblem(404);
        fit.MapPost("changes", Change).WithName("changeBuild").Changes();
        fit.MapPost("choose", Choose).WithName("choosePlan").Changes();
        MapStep(fit, "undo", (builds, id, version) => builds.Undo(id, version));
        MapStep(fit, "redo", (builds, id, version) => builds.Redo(id, version));
    }

    /// <summary>What every endpoint that changes a build can answer.</summary>
    public static RouteHandlerBuilder Changes(this RouteHandlerBuilder endpoint) =>
        endpoint.Produces<FitView>().ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);

    private static void MapStep(
        IEndpointRouteBuilder fit,
        string name,
        Func<BuildStore, string, int, Task<StoredBuild>> step
    ) =>
        fit.MapPost(
                name,
                (string id, StepRequest request, FitViews views) =>
                    views.Step(id, builds => step(builds, id, request.Version))
            )
            .WithName(name)
            .Produces<FitView>()
            .ProducesProblem(404)
            .ProducesProblem(409);

    private static Task<IResult> Change(string id, ChangeRequest request, FitViews views) =>
        views.Wish(
            id,
            request.Version,
            (build, library) => BuildCheck.Of(request.Change.Match, build, library, "change"),
            request.Change.Words(),
            request.Change.ApplyTo
        );

    private static async Task<IResult> Choose(string id, ChooseRequest request, FitViews views)
    {
        var chosen = (await views.Planned(id)).Choose(request.Plan);
        return chosen is null
            ? Problems.Of(422, $"There is no plan {request.Plan}. Choose one of the plans that are shown.")
            : await views.Wish(id, request.Version, (_, _) => [], $"Choose plan {request.Plan}", _ => chosen);
    }
}
