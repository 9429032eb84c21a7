using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
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
        build.MapGet("unlocks", Get).Answers<IReadOnlyList<LinkUnlocks>>("listUnlocks", 404, 422);
        build.MapPost("unlock", Apply).WithName("applyUnlock").Changes();
    }

    private static async Task<IReadOnlyList<LinkUnlocks>> Get(
        string id,
        BuildPlans plans,
        PartStore parts,
        BuildSheets sheets,
        CancellationToken stop
    )
    {
        var planned = await plans.Planned(id, stop);
        return await sheets.Unlocks(planned, await parts.Offered(planned.Stored.Build), stop);
    }

    private static async Task<IResult> Apply(
        string id,
        UnlockRequest request,
        BuildPlans plans,
        BuildService bench,
        PartStore parts,
        CancellationToken stop
    )
    {
        var planned = await plans.Planned(id, stop);
        var all = await parts.Offered(planned.Stored.Build);
        var found = await Workers.Run(
            () => planned.Reader.Until(stop).Unlocked(all, request.Unlock),
            new WorkOf(id),
            stop
        );
        return found is not var (unlock, after)
            ? Problems.Of(422, Sentences.ThisChangeIsNoLonger)
            : await bench.Change(id, request.Version, _ => Task.FromResult(Proposal.Of(after, unlock.Words)), stop);
    }
}
