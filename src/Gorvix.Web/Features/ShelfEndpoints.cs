using System.Text;
using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Fit;
using Gorvix.Core.Formats;
using Gorvix.Core.Routing;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Net.Http.Headers;

namespace Gorvix.Web.Features;

/// <summary>A build on the shelf.</summary>
/// <param name="Id">Id in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Note">A line about it, or null.</param>
/// <param name="Board">Its board in words.</param>
/// <param name="Controller">Its controller class.</param>
/// <param name="Verdict">The one-line answer.</param>
/// <param name="Places">Where each link sits.</param>
/// <param name="ChangedAt">When it was last written, UTC.</param>
public sealed record ShelfBuild(
    string Id,
    string Name,
    string? Note,
    string Board,
    string Controller,
    Verdict Verdict,
    IReadOnlyList<Place> Places,
    DateTime ChangedAt
);

/// <summary>The shelf: builds with their verdicts, import and export.</summary>
internal static class ShelfEndpoints
{
    public static void MapShelf(this IEndpointRouteBuilder app)
    {
        var builds = app.MapGroup("/api/builds").WithTags("Shelf");
        builds.MapGet("", All).WithName("listBuilds");
        builds
            .MapPost("import", Import)
            .WithName("importBuild")
            .Produces<ShelfBuild>(201)
            .ProducesProblem(413)
            .ProducesProblem(422);
        builds
            .MapGet("{id}/export", Export)
            .WithName("exportBuild")
            .Produces<FileContentResult>(200)
            .ProducesProblem(404);
        builds.MapPost("{id}/remove", Remove).WithName("removeBuild").Produces(204).ProducesProblem(404);
        builds.MapPost("{id}/restore", Restore).WithName("restoreBuild").Produces(204).ProducesProblem(404);
    }

    private static async Task<IReadOnlyList<ShelfBuild>> All(
        BuildStore builds,
        PartStore parts,
        Workbench bench,
        CancellationToken stop
    )
    {
        var list = new List<ShelfBuild>();
        foreach (var shelved in await builds.All())
        {
            list.Add(
                shelved.Build is { } stored
                    ? await Card(stored, parts, bench, stop)
                    : Unreadable(shelved.Id, null, 0, shelved.Problem!, shelved.ChangedAt)
            );
        }
        return list;
    }

    // The body is read as it is: refusals must name the place in the file, not a place in a form.
    private static async Task<IResult> Import(
        HttpRequest request,
        PartStore parts,
        Workbench bench,
        CancellationToken stop
    )
    {
        if (GorvixReader.TooLarge(request.ContentLength ?? 0) is { } tooLarge)
        {
            return Problems.Of([tooLarge], StatusCodes.Status413PayloadTooLarge);
        }
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, stop);
        var read = GorvixReader.Read(body.ToArray(), await parts.All());
        if (read.File is not { } file)
        {
            return Problems.Of(read.Findings);
        }
        var (stored, findings) = await bench.Import(file, stop);
        return stored is null
            ? Problems.Of(findings)
            : Results.Created($"/api/builds/{stored.Id}/fit", await Card(stored, parts, bench, stop));
    }

    private static async Task<IResult> Export(string id, BuildStore builds, PartStore parts, HttpResponse response)
    {
        var stored = await builds.Get(id);
        var file = GorvixReader.Write(GorvixFile.Of(stored.Build, await parts.For(stored.Build)));
        response.Headers.CacheControl = "no-store";
        response.Headers.ContentDisposition = new ContentDispositionHeaderValue("attachment")
        {
            FileName = $"{id}.gorvix.json",
        }.ToString();
        return Results.Text(Encoding.UTF8.GetString(file), "application/json", Encoding.UTF8);
    }

    private static async Task<IResult> Remove(string id, BuildStore builds)
    {
        await builds.Remove(id);
        return Results.NoContent();
    }

    private static async Task<IResult> Restore(string id, BuildStore builds)
    {
        await builds.Restore(id);
        return Results.NoContent();
    }

    // One build that cannot be read or planned (a rule became stricter, a hand in the file) must not hide the others.
    private static async Task<ShelfBuild> Card(
        StoredBuild stored,
        PartStore parts,
        Workbench bench,
        CancellationToken stop
    )
    {
        PlannedBuild planned;
        try
        {
            planned = await bench.Planned(stored, stop);
        }
        catch (Exception problem) when (problem is UnknownFormatException or UnplannableException)
        {
            return Unreadable(stored.Id, stored.Build, stored.Build.Wants.Count, problem.Message, stored.ChangedAt);
        }
        if (planned.Reader is not { } reader)
        {
            var sentence = planned.Refused[0].Sentence;
            return Unreadable(stored.Id, stored.Build, stored.Build.Wants.Count, sentence, stored.ChangedAt);
        }
        var board = (await parts.For(stored.Build)).Board(stored.Build.Board)!;
        return new ShelfBuild(
            stored.Id,
            stored.Build.Name,
            stored.Build.Note,
            $"{board.Maker} {board.Name}, revision {board.Revision}",
            board.Controller,
            reader.Verdict(),
            reader.Places(),
            stored.ChangedAt
        );
    }

    private static ShelfBuild Unreadable(string id, Build? build, int wanted, string sentence, DateTime changedAt) =>
        new(
            id,
            build?.Name ?? id,
            build?.Note,
            build?.Board ?? "",
            "",
            new Verdict(0, wanted, Severity.Stop, sentence),
            [],
            changedAt
        );
}
