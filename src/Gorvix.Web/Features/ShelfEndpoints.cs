using System.Text;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Net.Http.Headers;

namespace Gorvix.Web.Features;

/// <summary>A build on the shelf.</summary>
/// <param name="Id">Id in addresses.</param>
/// <param name="Version">To be sent back with a change; 0 for one that cannot be read.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Note">A line about it, or null.</param>
/// <param name="Board">Its board in words.</param>
/// <param name="Controller">Its controller class.</param>
/// <param name="Verdict">The one-line answer.</param>
/// <param name="Places">Where each link sits.</param>
/// <param name="ChangedAt">When it was last written, UTC.</param>
/// <param name="IsArchived">True when it is laid aside.</param>
/// <param name="IsPending">True while it is not planned as it stands: what is told is of an earlier version, or nothing. Ask for the card to have it planned.</param>
public sealed record ShelfBuild(
    string Id,
    int Version,
    string Name,
    string? Note,
    string Board,
    string Controller,
    Verdict Verdict,
    IReadOnlyList<Place> Places,
    DateTime ChangedAt,
    bool IsArchived,
    bool IsPending = false
);

/// <summary>The shelf: builds with their verdicts, import and export.</summary>
internal static class ShelfEndpoints
{
    public static void MapShelf(this IEndpointRouteBuilder app)
    {
        var builds = app.MapGroup("/api/builds").WithTags("Shelf");
        builds.MapGet("", (ShelfCards cards) => cards.All()).WithName("listBuilds");
        builds.MapGet("{id}/card", One).Answers<ShelfBuild>("getCard", 404);
        builds.MapPost("import", Import).Creates<ShelfBuild>("importBuild", 413, 422);
        builds
            .MapGet("{id}/export", Export)
            .WithName("exportBuild")
            .Produces<FileContentResult>(200)
            .ProducesProblem(404);
        builds.MapPost("{id}/duplicate", Duplicate).Creates<ShelfBuild>("duplicateBuild", 404, 422);
        builds.MapPost("{id}/archive", Archive(aside: true)).AnswersNothing("archiveBuild", 404);
        builds.MapPost("{id}/unarchive", Archive(aside: false)).AnswersNothing("unarchiveBuild", 404);
        builds.MapPost("{id}/remove", Remove).AnswersNothing("removeBuild", 404);
        builds.MapPost("{id}/restore", Restore).AnswersNothing("restoreBuild", 404);
    }

    private static async Task<IResult> One(string id, ShelfCards cards, CancellationToken stop) =>
        Results.Ok(await cards.Of(id, stop));

    // The body is read as it is: refusals must name the place in the file, not a place in a form.
    private static async Task<IResult> Import(
        HttpRequest request,
        PartStore parts,
        BuildService bench,
        ShelfCards cards,
        CancellationToken stop
    )
    {
        if (GorvixReader.TooLarge(request.ContentLength ?? 0) is { } tooLarge)
        {
            return Problems.Of([tooLarge], StatusCodes.Status413PayloadTooLarge);
        }
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, stop);
        var read = GorvixReader.Read(body.ToArray(), await parts.Everything());
        if (read.File is not { } file)
        {
            return Problems.Of(read.Findings);
        }
        return await cards.Created(await bench.Import(file, stop), stop);
    }

    private static async Task<IResult> Export(string id, BuildStore builds, PartStore parts, HttpResponse response)
    {
        void Named(string name) =>
            response.Headers.ContentDisposition = new ContentDispositionHeaderValue("attachment")
            {
                FileName = name,
            }.ToString();

        response.Headers.CacheControl = "no-store";
        try
        {
            var stored = await builds.Get(id);
            var file = GorvixReader.Write(GorvixFile.Of(stored.Build, await parts.For(stored.Build)));
            Named($"{id}.gorvix.json");
            return Results.Text(Encoding.UTF8.GetString(file), "application/json", Encoding.UTF8);
        }
        catch (UnreadableException)
        {
            // What cannot be read is given as it stands, for whoever can.
            var (document, format) = await builds.Raw(id);
            Named($"{id}.stored-{format}.txt");
            return Results.Text(document, "text/plain", Encoding.UTF8);
        }
    }

    // Two of one name are hard to tell apart on a shelf.
    private static async Task<IResult> Duplicate(
        string id,
        BuildStore builds,
        BuildService bench,
        ShelfCards cards,
        CancellationToken stop
    )
    {
        var build = (await builds.Get(id)).Build;
        const string Mark = "(copy)";
        var room = BuildCheck.MostName - Mark.Length;
        var name = build.Name.Length > room ? build.Name[..room] : build.Name;
        var made = await bench.Create(build with { Name = name + Mark }, $"Duplicate {build.Name}", stop);
        return await cards.Created(made, stop);
    }

    private static Func<string, BuildStore, Task<IResult>> Archive(bool aside) =>
        async (id, builds) =>
        {
            await builds.Archive(id, aside);
            return Results.NoContent();
        };

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
}
