using Gorvix.Core.Fit;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>An unlock is to be applied.</summary>
/// <param name="Version">The version that the writer has seen.</param>
/// <param name="Unlock">Its id.</param>
public sealed record UnlockRequest(int Version, string Unlock);

/// <summary>What would carry the links that the plan leaves out.</summary>
internal static class UnlockEndpoints
{
    public static void MapUnlocks(this IEndpointRouteBuilder app)
    {
        var build = app.MapGroup("/api/builds/{id}").WithTags("Unlocks");
        build
            .MapGet("unlocks", Get)
            .WithName("listUnlocks")
            .Produces<IReadOnlyList<LinkUnlocks>>()
            .ProducesProblem(404);
        build.MapPost("unlock", Apply).WithName("applyUnlock").Changes();
    }

    private static async Task<IReadOnlyList<LinkUnlocks>> Get(string id, FitViews views, PartStore parts) =>
        (await views.Planned(id)).Unlocks(await parts.All());

    private static async Task<IResult> Apply(string id, UnlockRequest request, FitViews views, PartStore parts)
    {
        var found = (await views.Planned(id)).Unlocked(await parts.All(), request.Unlock);
        return found is not var (unlock, after)
            ? Problems.Of(422, "That change is not among those that are offered now. Load the build again to see them.")
            : await views.Change(id, request.Version, unlock.Words, _ => after);
    }
}
