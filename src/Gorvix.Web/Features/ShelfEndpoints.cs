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
/// <param name="Version">To be sent back with a change; 0 for one that cannot be read.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Note">A line about it, or null.</param>
/// <param name="Board">Its board in words.</param>
/// <param name="Controller">Its controller class.</param>
/// <param name="Verdict">The one-line answer.</param>
/// <param name="Places">Where each link sits.</param>
/// <param name="ChangedAt">When it was last written, UTC.</param>
/// <param name="IsArchived">True when it is laid aside.</param>
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
    bool IsArchived
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
        builds
            .MapPost("{id}/duplicate", Duplicate)
            .WithName("duplicateBuild")
            .Produces<ShelfBuild>(201)
            .ProducesProblem(404)
            .ProducesProblem(422);
        builds
            .MapPost("{id}/archive", Archive(aside: true))
            .WithName("archiveBuild")
            .Produces(204)
            .ProducesProblem(404);
        builds
            .MapPost("{id}/unarchive", Archive(aside: false))
            .WithName("unarchiveBuild")
            .Produces(204)
            .ProducesProblem(404);
        builds.MapPost("{id}/remove", Remove).WithName("removeBuild").Produces(204).ProducesProblem(404);
        builds.MapPost("{id}/restore", Restore).WithName("restoreBuild").Produces(204).ProducesProblem(404);
    }

    private static async Task<IReadOnlyList<ShelfBuild>> All(
        BuildStore builds,
        PartStore parts,
        Workbench bench,
        ShelfKeep keep,
        CancellationToken stop
    )
    {
        var list = new List<ShelfBuild>();
        foreach (var shelved in await builds.All())
        {
            list.Add(
                shelved.Build is { } stored
                    ? await Kept(stored, parts, bench, keep, stop)
                    : Unreadable(shelved, null, 0, shelved.Problem!)
            );
        }
        return list;
    }

    private static async Task<ShelfBuild> Kept(
        StoredBuild stored,
        PartStore parts,
        Workbench bench,
        ShelfKeep keep,
        CancellationToken stop
    ) =>
        (keep.Find(stored.Id, stored.Version) ?? keep.Put(await Card(stored, parts, bench, stop))) with
        {
            IsArchived = stored.IsArchived,
        };

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
        var read = GorvixReader.Read(body.ToArray(), await parts.Everything());
        if (read.File is not { } file)
        {
            return Problems.Of(read.Findings);
        }
        return await Created(await bench.Import(file, stop), parts, bench, stop);
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

    // Two of one name are hard to tell apart on a shelf.
    private static async Task<IResult> Duplicate(
        string id,
        BuildStore builds,
        PartStore parts,
        Workbench bench,
        CancellationToken stop
    )
    {
        var build = (await builds.Get(id)).Build;
        const string Mark = ", copy";
        var room = BuildCheck.MostName - Mark.Length;
        var name = build.Name.Length > room ? build.Name[..room] : build.Name;
        var made = await bench.Create(build with { Name = name + Mark }, $"Duplicate {id}", stop);
        return await Created(made, parts, bench, stop);
    }

    /// <summary>The card of a build that is new on the shelf, or what stands against it.</summary>
    internal static async Task<IResult> Created(
        (StoredBuild? Build, IReadOnlyList<Finding> Findings) made,
        PartStore parts,
        Workbench bench,
        CancellationToken stop
    ) =>
        made.Build is { } stored
            ? Results.Created($"/api/builds/{stored.Id}/fit", await Card(stored, parts, bench, stop))
            : Problems.Of(made.Findings);

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
            return Unreadable(stored, problem.Message);
        }
        if (planned.Reader is not { } reader)
        {
            var sentence = planned.Refused[0].Sentence;
            return Unreadable(stored, sentence);
        }
        var board = (await parts.For(stored.Build)).Board(stored.Build.Board)!;
        return new ShelfBuild(
            stored.Id,
            stored.Version,
            stored.Build.Name,
            stored.Build.Note,
            $"{board.Maker} {board.Name}, revision {board.Revision}",
            board.Controller,
            reader.Verdict(),
            reader.Places(),
            stored.ChangedAt,
            stored.IsArchived
        );
    }

    private static ShelfBuild Unreadable(StoredBuild stored, string sentence) =>
        Unreadable(
            new Shelved(stored.Id, stored, sentence, stored.ChangedAt, stored.IsArchived),
            stored.Build,
            stored.Build.Wants.Count,
            sentence
        );

    private static ShelfBuild Unreadable(Shelved shelved, Build? build, int wanted, string sentence) =>
        new(
            shelved.Id,
            shelved.Build?.Version ?? 0,
            build?.Name ?? shelved.Id,
            build?.Note,
            build?.Board ?? "",
            "",
            new Verdict(0, wanted, Severity.Stop, sentence),
            [],
            shelved.ChangedAt,
            shelved.IsArchived
        );
}
