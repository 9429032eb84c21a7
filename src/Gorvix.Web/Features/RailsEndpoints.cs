using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Planning;
using Gorvix.Core.Rails;
using Gorvix.Core.Wiring;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A build in a situation, with what there is to say of it.</summary>
/// <param name="Sheet">Every rail and every supply lead.</param>
/// <param name="Findings">What there is to say, the worst first.</param>
public sealed record RailsAt(RailSheet Sheet, IReadOnlyList<RailNote> Findings);

/// <summary>Something to say of a situation.</summary>
/// <param name="Rule">The rule that speaks.</param>
/// <param name="Severity">How bad it is.</param>
/// <param name="Sentence">The sentence for the builder.</param>
public sealed record RailNote(string Rule, Severity Severity, string Sentence);

/// <summary>What a lead gets from the empty to the full pack.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">Id of the lead.</param>
/// <param name="Low">The least, under the most load, in volts.</param>
/// <param name="High">The most, in volts.</param>
public sealed record LeadSpan(string Device, string Lead, double Low, double High);

/// <summary>The supplies of a build.</summary>
/// <param name="Version">The version of the build.</param>
/// <param name="At">Every situation; first the one of the charge that was asked for, if one was.</param>
/// <param name="Spans">What each lead gets over the pack's flight.</param>
/// <param name="Charge">The charge of a cell that can be looked at, in volts; null where there is no pack.</param>
/// <param name="Assumed">What was taken for granted, in sentences.</param>
public sealed record RailsView(
    int Version,
    IReadOnlyList<RailsAt> At,
    IReadOnlyList<LeadSpan> Spans,
    Charge? Charge,
    IReadOnlyList<string> Assumed
);

/// <summary>The volts of a cell, from empty to full.</summary>
/// <param name="Empty">Of an empty cell.</param>
/// <param name="Land">Of a cell at landing.</param>
/// <param name="Full">Of a full cell.</param>
/// <param name="Cells">Cells in series.</param>
public sealed record Charge(double Empty, double Land, double Full, int Cells);

/// <summary>The Rails screen.</summary>
internal static class RailsEndpoints
{
    private static readonly string[] Flight = ["full", "nominal", "land", "empty", "input"];

    public static void MapRails(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/builds/{id}/rails", Get)
            .WithName("getRails")
            .WithTags("Rails")
            .Produces<RailsView>()
            .ProducesProblem(404)
            .ProducesProblem(422);

    private static async Task<IResult> Get(string id, double? cell, Workbench bench, CancellationToken stop)
    {
        if (cell is not (null or (>= 2.5 and <= 4.5)))
        {
            return Problems.Of(422, "A lithium cell has 2.5 to 4.5 V. Write the volts of one cell, not of the pack.");
        }
        var planned = await bench.Planned(id, stop);
        return planned.Reader is { } reader
            ? Results.Ok(await Workers.Run(() => View(planned.Stored.Version, reader.Wired, cell, stop), stop))
            : Problems.Of(planned.Refused);
    }

    private static RailsView View(int version, WiredBuild wired, double? cell, CancellationToken stop)
    {
        var build = wired.Build.Build;
        var at = Situation
            .Of(build, cell)
            .Select(s => RailReader.Read(wired, s, stop))
            .Select(s => new RailsAt(s, [.. RailCheck.Of(s).Select(f => new RailNote(f.Rule, f.Severity, f.Sentence))]))
            .ToList();
        var flight = at.Where(a => Flight.Contains(a.Sheet.Situation.Id)).SelectMany(a => a.Sheet.Leads);
        return new RailsView(
            version,
            at,
            [
                .. flight
                    .Where(l => l is { Pad: not null, Volts: not null, LowVolts: not null })
                    .GroupBy(l => (l.Device, l.Lead))
                    .Select(g => new LeadSpan(
                        g.Key.Device,
                        g.Key.Lead,
                        g.Min(l => l.LowVolts!.Value),
                        g.Max(l => l.Volts!.Value)
                    )),
            ],
            build is { Pack: { } pack, InputVolts: null }
                ? new Charge(Pack.EmptyCell, Situation.LandCell, Pack.FullCell(pack.Chemistry), pack.Cells)
                : null,
            RailReader.Assumed(wired)
        );
    }
}
