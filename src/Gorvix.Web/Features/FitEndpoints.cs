using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Words;
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
        fit.MapGet("fit", (string id, BuildPlans plans, CancellationToken stop) => plans.Get(id, stop))
            .Answers<FitView>("getFit", 404, 422);
        fit.MapGet(
                "fit/patient",
                (string id, int version, BuildPlans plans, CancellationToken stop) =>
                    plans.GetPatiently(id, version, stop)
            )
            .Answers<FitView>("getFitPatiently", 404, 409, 422);
        fit.MapGet("strand", Strand).Answers<FitStrand>("getStrand", 404, 422);
        fit.MapPost("changes", Change).WithName("changeBuild").Changes();
        fit.MapPost("choose", Choose).WithName("choosePlan").Changes();
        MapStep(fit, "undo", -1);
        MapStep(fit, "redo", 1);
    }

    /// <summary>What every endpoint that changes a build can answer.</summary>
    public static RouteHandlerBuilder Changes(this RouteHandlerBuilder endpoint) =>
        endpoint.Produces<FitView>().ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);

    private static void MapStep(IEndpointRouteBuilder fit, string name, int direction) =>
        fit.MapPost(
                name,
                (string id, StepRequest request, BuildService bench, CancellationToken stop) =>
                    bench.Walk(id, request.Version, direction, stop)
            )
            .WithName(name)
            .Changes();

    private static Task<IResult> Change(
        string id,
        ChangeRequest request,
        BuildService bench,
        PartStore parts,
        CancellationToken stop
    ) =>
        bench.Change(
            id,
            request.Version,
            async build =>
            {
                var library = await parts.For(build);
                var findings = BuildCheck.Of(request.Change.Match, build, library, "change");
                return findings.Count > 0
                    ? Proposal.Refused(findings)
                    : Proposal.Of(request.Change.ApplyTo(build), new ChangeWords(build, library).Of(request.Change));
            },
            stop
        );

    private static async Task<IResult> Strand(
        string id,
        string link,
        string port,
        BuildPlans plans,
        CancellationToken stop
    )
    {
        var reader = (await plans.Planned(id, stop)).Reader;
        return await Workers.Run(() => reader.Until(stop).Strand(link, port), new WorkOf(id), stop) is { } strand
            ? Results.Ok(strand)
            : Problems.Of(404, Sentences.LinkOrPortIsNot(link, port));
    }

    private static async Task<IResult> Choose(
        string id,
        ChooseRequest request,
        BuildPlans plans,
        BuildService bench,
        CancellationToken stop
    )
    {
        var reader = (await plans.Planned(id, stop)).Reader;
        var chosen = await Workers.Run(() => reader.Until(stop).Choose(request.Plan), new WorkOf(id), stop);
        return chosen is null
            ? Problems.Of(422, Sentences.PlanIsNotAvailableChoose(request.Plan))
            : await bench.Change(
                id,
                request.Version,
                _ => Task.FromResult(Proposal.Of(chosen, Sentences.ChoosePlan(request.Plan))),
                stop
            );
    }
}
