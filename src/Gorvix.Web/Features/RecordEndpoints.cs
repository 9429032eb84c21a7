using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Work.Log;
using Gorvix.Core.Work.Papers;
using Gorvix.Core.Work.Tables;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>Everything that was kept of a build, for another program.</summary>
/// <param name="Moments">Its changes, the oldest first.</param>
/// <param name="Readings">Its readings, the oldest first.</param>
/// <param name="Notes">Its notes, the oldest first.</param>
/// <param name="Intervals">What is done to it again and again.</param>
public sealed record LogFile(
    IReadOnlyList<MomentView> Moments,
    IReadOnlyList<LoggedReading> Readings,
    IReadOnlyList<LoggedNote> Notes,
    IReadOnlyList<Interval> Intervals
);

/// <summary>The record of a build on paper and as files, and back.</summary>
internal static class RecordEndpoints
{
    private const string Html = "text/html";

    // Photos of a book together, in bytes.
    private const long MostInBook = 40 * 1024 * 1024;

    public static void MapRecords(this IEndpointRouteBuilder app)
    {
        var build = app.MapGroup("/api/builds/{id}").WithTags("Log");
        build.MapGet("book.html", Book).WithName("printBook").Produces(200, contentType: Html).ProducesProblem(404);
        build
            .MapGet("bench-sheet.html", BenchSheetPage)
            .WithName("printBenchSheet")
            .Produces(200, contentType: Html)
            .ProducesProblem(404);
        build.MapGet("share.html", Share).WithName("shareBuild").Produces(200, contentType: Html).ProducesProblem(404);
        build
            .MapGet(
                "log.csv",
                async (string id, BuildStore builds, LogStore log, HttpResponse response) =>
                {
                    await builds.VersionOf(id);
                    return ExportEndpoints.List(LogTable.Write(await log.Readings(id)), $"{id}-log", response);
                }
            )
            .WithName("listReadings")
            .Produces(200, contentType: "text/csv")
            .ProducesProblem(404);
        build
            .MapGet(
                "log.json",
                async (string id, BuildStore builds, LogPages pages, LogStore log, HttpResponse response) =>
                {
                    await builds.VersionOf(id);
                    ExportEndpoints.Name(response, $"{id}-log.json");
                    return Results.Ok(
                        new LogFile(
                            [.. (await pages.Moments(id)).Select(m => new MomentView(m.Number, m.At, m.Who, m.Words))],
                            await log.Readings(id),
                            await log.Notes(id),
                            await log.Intervals(id)
                        )
                    );
                }
            )
            .WithName("saveLog")
            .Produces<LogFile>()
            .ProducesProblem(404);
        build
            .MapGet("record.zip", Archive)
            .WithName("saveRecord")
            .Produces(200, contentType: "application/zip")
            .ProducesProblem(404);
        app.MapPost("/api/records", Import)
            .WithTags("Log")
            .WithName("importRecord")
            .Produces<ShelfBuild>(201)
            .ProducesProblem(413)
            .ProducesProblem(422);
    }

    private static DateOnly Today(TimeProvider time) => DateOnly.FromDateTime(time.GetLocalNow().DateTime);

    private static string? Nonce(HttpContext context) => context.Items[Doors.Nonce] as string;

    private static async Task<IResult> Book(
        string id,
        BuildPlans plans,
        BuildSheets sheets,
        LogPages pages,
        LogStore log,
        TimeProvider time,
        HttpContext context,
        CancellationToken stop
    )
    {
        var planned = await plans.Planned(id, stop);
        if (planned.Reader is not { } reader)
        {
            return Problems.Of(planned.Refused);
        }
        var last = await log.LastReadings(id);
        // The newest; a book that holds all of a long life would not open.
        var photos = new List<BookPhoto>();
        var all = await pages.Page(id, null, LogStore.MostPhotos, [EntryKind.Photo]);
        foreach (var photo in all)
        {
            if (photos.Sum(p => (long)p.Jpeg.Length) > MostInBook)
            {
                break;
            }
            stop.ThrowIfCancellationRequested();
            photos.Add(new BookPhoto(photo.Words, await log.Photo(id, photo.Number, small: false)));
        }
        var notes = await log.Notes(id);
        var view = await BenchEndpoints.ViewOf(planned, sheets, last, time.GetUtcNow(), stop);
        var text = await Workers.Run(
            () =>
                BuildBook.Write(
                    reader,
                    Today(time),
                    new BookRecord(view.Readings, view.Standings, notes, photos, all.Count - photos.Count),
                    Nonce(context)
                ),
            stop
        );
        return Results.Content(text, $"{Html}; charset=utf-8");
    }

    private static async Task<IResult> BenchSheetPage(
        string id,
        BuildPlans plans,
        BuildSheets sheets,
        TimeProvider time,
        HttpContext context,
        CancellationToken stop
    )
    {
        var planned = await plans.Planned(id, stop);
        if (planned.Reader is null)
        {
            return Problems.Of(planned.Refused);
        }
        var sheet = await sheets.Bench(planned, null, stop);
        var text = await Workers.Run(
            () => BuildBook.Sheet(planned.Stored.Build.Name, sheet, Today(time), Nonce(context)),
            stop
        );
        return Results.Content(text, $"{Html}; charset=utf-8");
    }

    private static async Task<IResult> Share(
        string id,
        BuildPlans plans,
        TimeProvider time,
        HttpResponse response,
        CancellationToken stop
    )
    {
        var planned = await plans.Planned(id, stop);
        if (planned.Reader is not { } reader)
        {
            return Problems.Of(planned.Refused);
        }
        var text = await Workers.Run(() => BuildBook.Write(reader, Today(time), record: null), stop);
        return ExportEndpoints.Text(text, Html, $"{id}.html", response);
    }

    private static async Task<IResult> Archive(
        string id,
        BuildStore builds,
        PartStore parts,
        RecordArchive archive,
        HttpResponse response
    )
    {
        var stored = await builds.Get(id);
        var file = Spool();
        try
        {
            await archive.Write(id, stored.Build, await parts.For(stored.Build), file);
            file.Position = 0;
            ExportEndpoints.Name(response, $"{id}-record.zip");
            return Results.Stream(file, "application/zip");
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }

    private static async Task<IResult> Import(
        HttpRequest request,
        PartStore parts,
        BuildService bench,
        ShelfCards cards,
        RecordArchive archive,
        CancellationToken stop
    )
    {
        await using var file = Spool();
        if (!await LogEndpoints.Copy(request, file, RecordArchive.MostBytes, stop))
        {
            return Problems.Of(413, Sentences.ArchiveTooLargeMaximumMb(RecordArchive.MostBytes / 1024 / 1024));
        }
        file.Position = 0;
        var record = await RecordReader.Read(file, await parts.Everything(), stop);
        // One at a time: a record of many photos writes for seconds, and who takes a note waits for one of them at most.
        await OneImport.WaitAsync(stop);
        try
        {
            return await cards.Created(await bench.Import(record, archive, stop), stop);
        }
        finally
        {
            OneImport.Release();
        }
    }

    private static readonly SemaphoreSlim OneImport = new(1, 1);

    // A record may be large: it goes through a file that is gone when it is closed.
    private static FileStream Spool() =>
        new(
            Path.Combine(Path.GetTempPath(), $"gorvix-{Guid.NewGuid():N}.zip"),
            FileMode.CreateNew,
            FileAccess.ReadWrite,
            FileShare.None,
            64 * 1024,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous
        );
}
