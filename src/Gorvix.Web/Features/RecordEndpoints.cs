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
        build.MapGet("book.html", Book).AnswersFile("printBook", Html, 404);
        build.MapGet("bench-sheet.html", BenchSheetPage).AnswersFile("printBenchSheet", Html, 404);
        build.MapGet("share.html", Share).AnswersFile("shareBuild", Html, 404);
        build
            .MapGet(
                "log.csv",
                async (string id, BuildStore builds, LogStore log, HttpResponse response) =>
                {
                    await builds.VersionOf(id);
                    return ExportEndpoints.List(LogTable.Write(await log.Readings(id)), $"{id}-log", response);
                }
            )
            .AnswersFile("listReadings", "text/csv", 404);
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
            .Answers<LogFile>("saveLog", 404);
        build.MapGet("record.zip", Archive).AnswersFile("saveRecord", "application/zip", 404);
        app.MapPost("/api/records", Import).WithTags("Log").Creates<ShelfBuild>("importRecord", 413, 422);
    }

    private static string? Nonce(HttpContext context) => context.Items[Doors.Nonce] as string;

    private static async Task<IResult> Book([AsParameters] AskedBuild asked, LogPages pages, HttpContext context)
    {
        var (planned, view) = await asked.Bench();
        // The newest; a book that holds all of a long life would not open.
        var photos = new List<BookPhoto>();
        var all = await pages.Page(asked.Id, null, LogStore.MostPhotos, [EntryKind.Photo]);
        foreach (var photo in all)
        {
            if (photos.Sum(p => (long)p.Jpeg.Length) > MostInBook)
            {
                break;
            }
            asked.Stop.ThrowIfCancellationRequested();
            photos.Add(new BookPhoto(photo.Words, await asked.Log.Photo(asked.Id, photo.Number, small: false)));
        }
        var record = new BookRecord(
            view.Readings,
            view.Standings,
            await asked.Log.Notes(asked.Id),
            photos,
            all.Count - photos.Count
        );
        var text = await Workers.Run(
            () => BuildBook.Write(planned.Reader, asked.Today, record, Nonce(context)),
            asked.Stop
        );
        return Results.Content(text, $"{Html}; charset=utf-8");
    }

    private static async Task<IResult> BenchSheetPage([AsParameters] AskedBuild asked, HttpContext context)
    {
        var planned = await asked.Planned();
        var sheet = await asked.Sheets.Bench(planned, null, asked.Stop);
        var text = await Workers.Run(
            () => BuildBook.Sheet(planned.Stored.Build.Name, sheet, asked.Today, Nonce(context)),
            asked.Stop
        );
        return Results.Content(text, $"{Html}; charset=utf-8");
    }

    private static async Task<IResult> Share([AsParameters] AskedBuild asked, HttpResponse response)
    {
        var planned = await asked.Planned();
        var text = await Workers.Run(() => BuildBook.Write(planned.Reader, asked.Today, record: null), asked.Stop);
        return ExportEndpoints.Text(text, Html, $"{asked.Id}.html", response);
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
