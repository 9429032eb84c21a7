using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Picture;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Papers;
using Gorvix.Core.Work.Tables;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A build as work for the hands.</summary>
/// <param name="Version">The version of the build.</param>
/// <param name="Sheet">The sheet; nothing to do where nothing is joined.</param>
/// <param name="Cautions">What to mind at the bench, in sentences.</param>
/// <param name="Allowance">What is added to each wire at its ends, in millimetres.</param>
public sealed record LoomView(int Version, LoomSheet Sheet, IReadOnlyList<string> Cautions, double Allowance);

/// <summary>The Loom screen.</summary>
internal static class LoomEndpoints
{
    public static void MapLoom(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/builds/{id}/loom", Get).WithTags("Loom").Answers<LoomView>("getLoom", 404, 422);
        app.MapPost("/api/builds/{id}/loom/ticks", Note).WithName("tickStep").WithTags("Loom").Changes();
        MapPaper(app, "wires.csv", "listWires", "text/csv", (_, _, sheet) => WireTable.Write(sheet));
        MapPaper(
            app,
            "loom.md",
            "writeLoom",
            "text/markdown",
            (wired, name, sheet) => LoomText.Write(name, NameOf(wired.Build.Board), sheet, Cautions.Of(wired, sheet))
        );
        app.MapGet(
                "/api/builds/{id}/loom.svg",
                async ([AsParameters] AskedBuild asked, HttpResponse response) =>
                {
                    var planned = await asked.Planned();
                    var picture = await asked.Sheets.Picture(planned, asked.Stop);
                    var build = planned.Stored.Build;
                    var text = await Workers.Run(
                        () => PictureDrawing.Draw(build.Name, planned.Reader.Wired.Build.Board, picture),
                        asked.Stop
                    );
                    return ExportEndpoints.Text(text, "image/svg+xml", $"{asked.Id}-wiring.svg", response);
                }
            )
            .WithTags("Loom")
            .AnswersFile("drawWiring", "image/svg+xml", 404, 422);
        app.MapGet(
                "/api/builds/{id}/picture",
                async ([AsParameters] AskedBuild asked, double? cell, string? at) =>
                    Situation.IsCell(cell)
                        ? Results.Ok(await asked.Sheets.Picture(await asked.Planned(), asked.Stop, cell, at))
                        : Problems.Of(422, Sentences.CellVoltageIsOutOfRange)
            )
            .WithTags("Loom")
            .Answers<WiringPicture>("getPicture", 404, 422);
        app.MapGet(
                "/api/builds/{id}/picture/small",
                async ([AsParameters] AskedBuild asked) =>
                    SmallPicture.Of(await asked.Sheets.Picture(await asked.Planned(), asked.Stop))
            )
            .WithTags("Loom")
            .Answers<SmallPicture>("getSmallPicture", 404, 422);
        MapPaper(
            app,
            "card.svg",
            "drawCard",
            "image/svg+xml",
            (wired, name, sheet) => LoomCard.Draw(name, NameOf(wired.Build.Board), sheet)
        );
        app.MapGet("/api/builds/{id}/loom.json", Save).WithTags("Loom").Answers<LoomView>("saveLoom", 404, 422);
    }

    private static string NameOf(Board board) => $"{board.Maker} {board.Name}, revision {board.Revision}";

    // What is printed, kept with the craft or read by another program.
    private static void MapPaper(
        IEndpointRouteBuilder app,
        string file,
        string name,
        string type,
        Func<WiredBuild, string, LoomSheet, string> write
    ) =>
        app.MapGet(
                $"/api/builds/{{id}}/{file}",
                async ([AsParameters] AskedBuild asked, HttpResponse response) =>
                {
                    var (planned, sheet) = await asked.Loom();
                    var text = await Workers.Run(
                        () => write(planned.Reader.Wired, planned.Stored.Build.Name, sheet),
                        asked.Stop
                    );
                    return ExportEndpoints.Text(text, type, $"{asked.Id}-{file}", response);
                }
            )
            .WithTags("Loom")
            .AnswersFile(name, type, 404, 422);

    private static async Task<IResult> Save([AsParameters] AskedBuild asked, HttpResponse response)
    {
        ExportEndpoints.Name(response, $"{asked.Id}-loom.json");
        return await Get(asked);
    }

    private static Task<IResult> Note(
        string id,
        Tick tick,
        BuildService bench,
        TimeProvider time,
        CancellationToken stop
    ) =>
        bench.Note(
            id,
            reader =>
            {
                var result = Ticks.Apply(reader.Wired, tick, time.GetUtcNow().UtcDateTime);
                return result.Build is { } after ? Proposal.Of(after, result.Words) : Proposal.Refused(result.Findings);
            },
            stop
        );

    private static async Task<IResult> Get([AsParameters] AskedBuild asked)
    {
        var (planned, sheet) = await asked.Loom();
        return Results.Ok(
            new LoomView(
                planned.Stored.Version,
                sheet,
                Cautions.Of(planned.Reader.Wired, sheet),
                planned.Stored.Build.Allowance ?? WireLengths.UsualAllowance
            )
        );
    }
}
