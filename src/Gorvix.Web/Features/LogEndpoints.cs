using System.Globalization;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Work.Log;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.AspNetCore.Http.Features;

namespace Gorvix.Web.Features;

/// <summary>The log of a build, a page of it.</summary>
/// <param name="Entries">Entries, the newest first.</param>
/// <param name="Older">What to ask with for older ones; null where there are none.</param>
/// <param name="Counts">How many there are of each kind.</param>
/// <param name="Dues">What is done again and again, and how it stands.</param>
public sealed record LogView(
    IReadOnlyList<LogEntry> Entries,
    string? Older,
    IReadOnlyDictionary<EntryKind, int> Counts,
    IReadOnlyList<Due> Dues
)
{
    /// <summary>What is usual to do again and again, to begin with.</summary>
    public IReadOnlyList<Interval> Usual => Core.Work.Log.Dues.Usual;
}

/// <summary>A line for the log.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Words">What to write.</param>
/// <param name="At">When it was, UTC; null for now.</param>
/// <param name="Flights">How many flights, for flights.</param>
/// <param name="Interval">What was done, of those with an interval.</param>
/// <param name="Tied">What it is tied to.</param>
/// <param name="TiedId">The id of that.</param>
public sealed record NoteRequest(
    NoteKind Kind,
    string Words = "",
    DateTime? At = null,
    int Flights = 0,
    string? Interval = null,
    TiedTo Tied = TiedTo.Build,
    string? TiedId = null
);

/// <summary>What is done again and again.</summary>
/// <param name="Intervals">All of it.</param>
public sealed record IntervalsRequest(IReadOnlyList<Interval> Intervals);

/// <summary>Whether a reading counts.</summary>
/// <param name="Key">The key that its sender made.</param>
/// <param name="Struck">True to strike it out as mistaken; false to let it stand again.</param>
public sealed record StrikeRequest(string Key, bool Struck);

/// <summary>A photo that was kept.</summary>
/// <param name="Number">Its number.</param>
public sealed record PhotoKept(int Number);

/// <summary>The Log screen.</summary>
internal static class LogEndpoints
{
    private const int MostPage = 500;
    private const int MostTied = 200;

    public static void MapLog(this IEndpointRouteBuilder app)
    {
        var log = app.MapGroup("/api/builds/{id}/log").WithTags("Log");
        log.MapGet("", Get).Answers<LogView>("getLog", 404, 422);
        log.MapPost("notes", Note).AnswersNothing("keepNote", 404, 422);
        log.MapDelete(
                "notes/{number:int}",
                async (string id, int number, LogStore store) =>
                {
                    await store.RemoveNote(id, number);
                    return Results.NoContent();
                }
            )
            .AnswersNothing("removeNote", 404);
        log.MapPut(
                "readings/struck",
                async (string id, StrikeRequest request, LogStore store) =>
                {
                    await store.Strike(id, request.Key, request.Struck);
                    return Results.NoContent();
                }
            )
            .AnswersNothing("strikeReading", 404);
        log.MapPut("intervals", Intervals).AnswersNothing("putIntervals", 404, 422);
        log.MapPost("photos", Photo).Answers<PhotoKept>("keepPhoto", 404, 413, 422);
        log.MapGet(
                "photos/{number:int}",
                async (string id, int number, bool? small, LogStore store, HttpResponse response) =>
                {
                    var picture = await store.Photo(id, number, small == true);
                    // A photo is never changed.
                    response.Headers.CacheControl = "private, max-age=31536000, immutable";
                    return Results.Bytes(picture, "image/jpeg");
                }
            )
            .AnswersFile("getPhoto", "image/jpeg", 404);
        log.MapDelete(
                "photos/{number:int}",
                async (string id, int number, LogStore store) =>
                {
                    await store.RemovePhoto(id, number);
                    return Results.NoContent();
                }
            )
            .AnswersNothing("removePhoto", 404);
        log.MapMoments();
    }

    private static async Task<IResult> Get(
        string id,
        string? before,
        int? most,
        string? kinds,
        BuildStore builds,
        LogPages pages,
        LogStore store,
        TimeProvider time
    )
    {
        await builds.VersionOf(id);
        if (most is < 1 or > MostPage)
        {
            return Problems.Of(422, Sentences.AskFor1ToEntries(MostPage));
        }
        if (Cursor(before) is not { } cursor)
        {
            return Problems.Of(422, Sentences.ThisPositionInTheLog);
        }
        if (Kinds(kinds) is not { } asked)
        {
            return Problems.Of(
                422,
                Sentences.IsNotATypeOf(kinds, Phrase.Join([.. Enum.GetNames<EntryKind>().Select(Phrase.Lower)]))
            );
        }
        var page = most ?? 100;
        var entries = await pages.Page(id, cursor.At, page + 1, asked.Only);
        var more = entries.Count > page;
        entries = more ? [.. entries.Take(page)] : entries;
        return Results.Ok(
            new LogView(
                entries,
                more ? $"{entries[^1].At.Ticks}-{(int)entries[^1].Kind}-{entries[^1].Number}" : null,
                await pages.Count(id),
                Dues.Of(await store.Intervals(id), await store.Counted(id), time.GetUtcNow().UtcDateTime)
            )
        );
    }

    // A place in the log; with nothing in it for the newest, null for nonsense.
    private static (bool IsOne, (DateTime At, EntryKind Kind, int Number)? At)? Cursor(string? before)
    {
        if (string.IsNullOrEmpty(before))
        {
            return (true, null);
        }
        var parts = before.Split('-');
        return
            parts.Length == 3
            && long.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var ticks)
            && ticks <= DateTime.MaxValue.Ticks
            && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var kind)
            && Enum.IsDefined((EntryKind)kind)
            && int.TryParse(parts[2], NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? (true, (new DateTime(ticks, DateTimeKind.Utc), (EntryKind)kind, number))
            : null;
    }

    private static (bool IsOne, IReadOnlyCollection<EntryKind>? Only)? Kinds(string? kinds)
    {
        if (string.IsNullOrEmpty(kinds))
        {
            return (true, null);
        }
        var list = new List<EntryKind>();
        foreach (var word in kinds.Split(','))
        {
            if (!Enum.TryParse<EntryKind>(word, ignoreCase: true, out var kind) || !Enum.IsDefined(kind))
            {
                return null;
            }
            list.Add(kind);
        }
        return (true, list);
    }

    private static async Task<IResult> Note(
        string id,
        NoteRequest note,
        LogStore store,
        BuildStore builds,
        TimeProvider time
    )
    {
        await builds.VersionOf(id);
        var words = note.Words.Trim();
        if (note.Kind == NoteKind.Note && words.Length == 0)
        {
            return Problems.Of(422, Sentences.TheNoteIsEmptyType);
        }
        if (note.Kind == NoteKind.Flight && note.Flights is < 1 or > 1000)
        {
            return Problems.Of(422, Sentences.CannotLogFlightsAtOnce(note.Flights));
        }
        if (note.TiedId?.Length > MostTied)
        {
            return Problems.Of(422, Sentences.ThePadDeviceOrStep);
        }
        if (note.Kind == NoteKind.Done)
        {
            if ((await store.Intervals(id)).FirstOrDefault(i => i.Id == note.Interval) is not { } interval)
            {
                return Problems.Of(422, Sentences.ThisMaintenanceItemIsGone);
            }
            words = words.Length > 0 ? $"{interval.Words}: {words}" : interval.Words;
        }
        await store.Keep(
            id,
            new LoggedNote
            {
                Kind = note.Kind,
                At = note.At ?? time.GetUtcNow().UtcDateTime,
                Words = words,
                Flights = note.Kind == NoteKind.Flight ? note.Flights : 0,
                Interval = note.Kind == NoteKind.Done ? note.Interval : null,
                Tied = note.Tied,
                TiedId = note.Tied == TiedTo.Build ? null : note.TiedId,
            }
        );
        return Results.NoContent();
    }

    private static async Task<IResult> Intervals(string id, IntervalsRequest request, LogStore store)
    {
        if (Dues.Against(request.Intervals) is { } against)
        {
            return Problems.Of(422, against);
        }
        await store.Put(id, request.Intervals);
        return Results.NoContent();
    }

    private static async Task<IResult> Photo(
        string id,
        string? words,
        string? tied,
        string? tiedId,
        HttpRequest request,
        LogStore store,
        BuildStore builds,
        CancellationToken stop
    )
    {
        await builds.VersionOf(id);
        if (words?.Length > LogStore.MostWords || tiedId?.Length > MostTied)
        {
            return Problems.Of(422, Sentences.PhotoNoteTooLongMaximum(LogStore.MostWords));
        }
        var to = TiedTo.Build;
        if (!string.IsNullOrEmpty(tied) && (!Enum.TryParse(tied, ignoreCase: true, out to) || !Enum.IsDefined(to)))
        {
            return Problems.Of(422, Sentences.APhotoMustBeAbout);
        }
        if (await Body(request, PhotoMaker.MostBytes, stop) is not { } file)
        {
            return Problems.Of(413, Sentences.PhotoTooLargeMaximumMb(PhotoMaker.MostBytes / 1024 / 1024));
        }
        var photo = await PhotoMaker.Make(file, stop);
        return Results.Ok(
            new PhotoKept(await store.Keep(id, photo, words?.Trim() ?? "", to, to == TiedTo.Build ? null : tiedId))
        );
    }

    private static async Task<byte[]?> Body(HttpRequest request, int most, CancellationToken stop)
    {
        using var body = new MemoryStream();
        return await Copy(request, body, most, stop) ? body.ToArray() : null;
    }

    /// <summary>Copies the body of a request, which may be larger than others; false where it is larger than it may be.</summary>
    internal static async Task<bool> Copy(HttpRequest request, Stream into, int most, CancellationToken stop)
    {
        if (request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } size)
        {
            size.MaxRequestBodySize = most + 1L;
        }
        if (request.ContentLength > most)
        {
            return false;
        }
        var buffer = new byte[64 * 1024];
        var copied = 0L;
        for (int read; (read = await request.Body.ReadAsync(buffer, stop)) > 0; )
        {
            copied += read;
            if (copied > most)
            {
                return false;
            }
            await into.WriteAsync(buffer.AsMemory(0, read), stop);
        }
        return true;
    }
}
