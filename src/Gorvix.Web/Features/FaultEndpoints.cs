using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>The search for a fault of a build.</summary>
/// <param name="Version">The version of the build.</param>
/// <param name="Name">What the builder calls the build.</param>
/// <param name="Step">To be sent back with the next change of the search.</param>
/// <param name="Case">What was said.</param>
/// <param name="Sheet">What follows from it.</param>
public sealed record FaultView(int Version, string Name, int Step, FaultCase Case, FaultSheet Sheet);

/// <summary>The search as it shall go on.</summary>
/// <param name="Step">How often it was written when the sender saw it.</param>
/// <param name="Case">What is said now.</param>
public sealed record FaultCaseRequest(int Step, FaultCase Case);

/// <summary>How a search ends.</summary>
/// <param name="Step">How often it was written when the sender saw it.</param>
/// <param name="Cause">Id of the cause that it was; null where the search is given up.</param>
/// <param name="Words">What the builder adds; empty for nothing.</param>
public sealed record FaultEnd(int Step, string? Cause = null, string Words = "");

/// <summary>A test to be done at the simulated bench.</summary>
/// <param name="Test">Id of the test.</param>
public sealed record SimulatedTest(string Test);

/// <summary>What the simulated bench shows.</summary>
/// <param name="Outcome">Id of the outcome; null where the test cannot be done at it.</param>
public sealed record SimulatedOutcome(string? Outcome);

/// <summary>A kind of fault with what it weighs.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Words">It in words.</param>
/// <param name="Usual">How usual one fault of it is, beside the others.</param>
/// <param name="Found">How often it was the cause here.</param>
/// <param name="Factor">How much likelier than usual the builder takes it to be.</param>
public sealed record FaultKindView(FaultKind Kind, string Words, double Usual, int Found, double Factor);

/// <summary>How likely a kind is taken to be.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Factor">How much likelier than usual; 1 for as usual.</param>
public sealed record FaultFactorRequest(FaultKind Kind, double Factor);

/// <summary>The Faults screen.</summary>
internal static class FaultEndpoints
{
    public static void MapFaults(this IEndpointRouteBuilder app)
    {
        var faults = app.MapGroup("/api/builds/{id}/faults").WithTags("Faults");
        faults.MapGet("", Get).Answers<FaultView>("getFaults", 404, 422);
        faults.MapPut("", Keep).Answers<FaultView>("keepFaultCase", 404, 409, 422);
        faults.MapPost("end", End).Answers<FaultView>("endFaultCase", 404, 409, 422);
        faults.MapPost("simulated", Simulated).Answers<SimulatedOutcome>("testSimulated", 404, 422);
        var kinds = app.MapGroup("/api/fault-kinds").WithTags("Faults");
        kinds.MapGet("", Kinds).WithName("listFaultKinds");
        kinds.MapPut("", Weigh).Answers<IReadOnlyList<FaultKindView>>("weighFaultKind", 422);
        kinds
            .MapDelete(
                "found",
                async (FaultStore store) =>
                {
                    await store.Forget();
                    return await Kinds(store);
                }
            )
            .WithName("forgetFound");
    }

    private static async Task<IResult> Get(string id, FaultService room, FaultStore store, CancellationToken stop)
    {
        var look = await room.Look(id, stop);
        var (open, step) = await store.Open(id);
        return Results.Ok(await look.View(open, step, await store.Experience(), stop));
    }

    private static async Task<IResult> Keep(
        string id,
        FaultCaseRequest request,
        FaultService room,
        FaultStore store,
        CancellationToken stop
    )
    {
        var look = await room.Look(id, stop);
        if (look.Against(request.Case) is { } why)
        {
            return Problems.Of(422, why);
        }
        // What follows is computed first: what cannot be is not kept.
        var view = await look.View(request.Case, request.Step, await store.Experience(), stop);
        return Results.Ok(view with { Step = await store.Keep(id, request.Step, request.Case) });
    }

    private static async Task<IResult> End(
        string id,
        FaultEnd end,
        FaultService room,
        FaultStore store,
        CancellationToken stop
    )
    {
        var look = await room.Look(id, stop);
        var (open, step) = await store.Open(id);
        var view = await look.View(open, step, await store.Experience(), stop);
        if (view.Sheet.Seen.Count == 0 && step == 0)
        {
            throw ConflictException.Search();
        }
        var cause = view.Sheet.Causes.FirstOrDefault(c => c.Id == end.Cause);
        if (end.Cause is not null && cause is null)
        {
            return Problems.Of(422, Sentences.ThisCauseHasBeenRuled);
        }
        if (end.Words.Length > LogStore.MostWords / 2)
        {
            return Problems.Of(422, Sentences.NoteTooLongMaximumCharacters(LogStore.MostWords / 2));
        }
        await store.Close(id, end.Step, look.Ended, Told(view.Sheet, cause, end.Words.Trim()), cause?.Kinds ?? []);
        // What was read up to now belongs to the search that has ended.
        var fresh = look with
        {
            Log = look.Log with { Today = [] },
        };
        return Results.Ok(await fresh.View(new FaultCase(), 0, await store.Experience(), stop));
    }

    private static string Told(FaultSheet sheet, CauseLine? cause, string added)
    {
        var seen = sheet.Seen.Where(s => !s.IsSound).Select(s => $"{s.Title}: {s.Words}").Take(6).ToList();
        var said =
            $"{(seen.Count > 0 ? $" Symptoms: {string.Join("; ", seen)}." : "")}{(added.Length > 0 ? $" {added}" : "")}";
        return cause is null
            ? Sentences.FaultSearchStopped(said)
            : Sentences.FaultFoundAndFixed(Phrase.Lower(string.Join("; or ", cause.Words)), said);
    }

    private static async Task<IResult> Simulated(
        string id,
        SimulatedTest request,
        FaultService room,
        SimulatedBenches bench,
        CancellationToken stop
    )
    {
        var look = await room.Look(id, stop);
        if (look.Faults.Table.IndexOf(request.Test) is not { } test)
        {
            return Problems.Of(422, Sentences.ThisTestNoLongerApplies);
        }
        var wired = look.Planned.Reader.Wired;
        return Results.Ok(
            new SimulatedOutcome(
                await Workers.Run(
                    () =>
                        look
                            .Faults.Table.Craft([.. PlantedFaults.Of(wired).Where(f => f.Id == bench.Of(id).Fault)])
                            .Shows(test),
                    stop
                )
            )
        );
    }

    private static async Task<IReadOnlyList<FaultKindView>> Kinds(FaultStore store)
    {
        var own = await store.Experience();
        return
        [
            .. FaultKinds.All.Select(k => new FaultKindView(
                k.Kind,
                k.Words,
                k.Usual,
                own.Found.GetValueOrDefault(k.Kind),
                own.Factors.GetValueOrDefault(k.Kind, 1)
            )),
        ];
    }

    private static async Task<IResult> Weigh(FaultFactorRequest request, FaultStore store)
    {
        if (request.Factor is not (>= FaultPriors.LeastFactor and <= FaultPriors.MostFactor))
        {
            return Problems.Of(422, Sentences.LikelihoodMustBeToTimes(FaultPriors.LeastFactor, FaultPriors.MostFactor));
        }
        await store.Weigh(request.Kind, request.Factor);
        return Results.Ok(await Kinds(store));
    }
}
