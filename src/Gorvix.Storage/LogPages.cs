using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>What an entry of the log is; the order is that of entries of one instant, the newest first.</summary>
public enum EntryKind
{
    /// <summary>A change of the build.</summary>
    Change,

    /// <summary>A reading.</summary>
    Reading,

    /// <summary>A text of settings.</summary>
    Text,

    /// <summary>A photo.</summary>
    Photo,

    /// <summary>A note, flights, or something that was done.</summary>
    Note,
}

/// <summary>An entry of the log.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Number">Its number among its kind; of a change the version of the build.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Who">Who, as typed; empty where nobody said.</param>
/// <param name="Words">What happened, in words.</param>
public sealed record LogEntry(EntryKind Kind, int Number, DateTime At, string Who, string Words)
{
    /// <summary>Of a reading, what it came to.</summary>
    public Mark? Mark { get; init; }

    /// <summary>Of a reading, its check.</summary>
    public string? Check { get; init; }

    /// <summary>Of a reading, its key.</summary>
    public string? Key { get; init; }

    /// <summary>Of a reading, when it was struck out, UTC; null while it stands.</summary>
    public DateTime? Struck { get; init; }

    /// <summary>Of a reading, what was read, in words.</summary>
    public string? Read { get; init; }

    /// <summary>What a note or a photo is tied to.</summary>
    public TiedTo Tied { get; init; }

    /// <summary>The id of that.</summary>
    public string? TiedId { get; init; }
}

/// <summary>The one time line of a build: its pages, its moments, and a search over all of it.</summary>
public sealed class LogPages(GorvixDb db)
{
    /// <summary>Entries of a build, the newest first.</summary>
    /// <param name="build">The build.</param>
    /// <param name="before">Where to begin: behind this entry; null for the newest.</param>
    /// <param name="most">How many.</param>
    /// <param name="kinds">Which kinds; null for all.</param>
    public Task<IReadOnlyList<LogEntry>> Page(
        string build,
        (DateTime At, EntryKind Kind, int Number)? before,
        int most,
        IReadOnlyCollection<EntryKind>? kinds = null
    ) => Stored.Read(What(build), () => Entries(build, before, most, kinds));

    private static string What(string build) => Sentences.TheLogOfBuild(build);

    private async Task<IReadOnlyList<LogEntry>> Entries(
        string build,
        (DateTime At, EntryKind Kind, int Number)? before,
        int most,
        IReadOnlyCollection<EntryKind>? kinds
    )
    {
        var list = new List<LogEntry>();
        foreach (var kind in Enum.GetValues<EntryKind>().Where(k => kinds?.Contains(k) != false))
        {
            list.AddRange(await OfKind(build, kind, before, most));
        }
        return [.. list.OrderByDescending(e => e.At).ThenBy(e => e.Kind).ThenByDescending(e => e.Number).Take(most)];
    }

    private async Task<List<LogEntry>> OfKind(
        string build,
        EntryKind kind,
        (DateTime At, EntryKind Kind, int Number)? before,
        int most
    )
    {
        // Of one instant a later kind comes after an earlier one, and of one kind the lower number after the higher.
        var at = before?.At ?? DateTime.MaxValue;
        var under =
            before is not { } b || kind > b.Kind ? int.MaxValue
            : kind == b.Kind ? b.Number
            : int.MinValue;
        switch (kind)
        {
            case EntryKind.Change:
                return await db
                    .Moments.Where(m => m.BuildId == build && (m.At < at || (m.At == at && m.Version < under)))
                    .OrderByDescending(m => m.At)
                    .ThenByDescending(m => m.Version)
                    .Take(most)
                    .Select(m => new LogEntry(EntryKind.Change, m.Version, m.At, m.Who, m.Words))
                    .ToListAsync();
            case EntryKind.Text:
                return await db
                    .Texts.Where(t => t.BuildId == build && (t.At < at || (t.At == at && t.Number < under)))
                    .OrderByDescending(t => t.At)
                    .ThenByDescending(t => t.Number)
                    .Take(most)
                    .Select(t => new LogEntry(EntryKind.Text, t.Number, t.At, t.Who, t.Words))
                    .ToListAsync();
            case EntryKind.Photo:
                return await db
                    .Photos.Where(p => p.BuildId == build && (p.At < at || (p.At == at && p.Number < under)))
                    .OrderByDescending(p => p.At)
                    .ThenByDescending(p => p.Number)
                    .Take(most)
                    .Select(p => new LogEntry(EntryKind.Photo, p.Number, p.At, p.Who, p.Words)
                    {
                        Tied = p.Tied,
                        TiedId = p.TiedId,
                    })
                    .ToListAsync();
            case EntryKind.Note:
                return
                [
                    .. (
                        await db
                            .Notes.Where(n => n.BuildId == build && (n.At < at || (n.At == at && n.Number < under)))
                            .OrderByDescending(n => n.At)
                            .ThenByDescending(n => n.Number)
                            .Take(most)
                            .ToListAsync()
                    ).Select(Of),
                ];
            default:
                return
                [
                    .. (
                        await db
                            .Readings.Where(r => r.BuildId == build && (r.At < at || (r.At == at && r.Number < under)))
                            .OrderByDescending(r => r.At)
                            .ThenByDescending(r => r.Number)
                            .Take(most)
                            .ToListAsync()
                    ).Select(Of),
                ];
        }
    }

    private static LogEntry Of(ReadingRow row)
    {
        var reading = LogStore.Reading(row);
        return new LogEntry(EntryKind.Reading, row.Number, row.At, reading.Who, reading.Title)
        {
            Mark = row.Mark,
            Check = row.Check,
            Key = row.Key,
            Struck = row.StruckAt,
            Read = reading.Read(),
        };
    }

    private static LogEntry Of(NoteRow row)
    {
        var note = LogStore.Note(row);
        return new LogEntry(EntryKind.Note, row.Number, row.At, note.Who, note.Told())
        {
            Tied = note.Tied,
            TiedId = note.TiedId,
        };
    }

    /// <summary>Every change of a build, the oldest first.</summary>
    public Task<IReadOnlyList<LogEntry>> Moments(string build) =>
        Stored.Read<IReadOnlyList<LogEntry>>(
            What(build),
            async () =>
                await db
                    .Moments.Where(m => m.BuildId == build)
                    .OrderBy(m => m.Version)
                    .Select(m => new LogEntry(EntryKind.Change, m.Version, m.At, m.Who, m.Words))
                    .ToListAsync()
        );

    /// <summary>
    /// Entries that hold every one of some words, the newest of each kind first; the name of a build counts with each of its entries. What is
    /// damaged is not found, and hides nothing of another build.
    /// </summary>
    /// <param name="builds">Ids and names of the builds.</param>
    /// <param name="words">The words, whatever their case.</param>
    /// <param name="most">How many of each kind.</param>
    public Task<IReadOnlyList<(string Build, LogEntry Entry)>> Search(
        IReadOnlyList<(string Id, string Name)> builds,
        IReadOnlyList<string> words,
        int most
    ) =>
        Stored.Each(
            [.. builds.Select(b => b.Id)],
            some => Found([.. builds.Where(b => some.Contains(b.Id))], words, most),
            (_, _) => []
        );

    private async Task<IReadOnlyList<(string Build, LogEntry Entry)>> Found(
        IReadOnlyList<(string Id, string Name)> builds,
        IReadOnlyList<string> words,
        int most
    )
    {
        var ids = builds.Select(b => b.Id).ToList();
        var moments = db.Moments.Where(m => ids.Contains(m.BuildId));
        var readings = db.Readings.AsNoTracking().Where(r => ids.Contains(r.BuildId));
        var notes = db.Notes.AsNoTracking().Where(n => ids.Contains(n.BuildId));
        var photos = db.Photos.AsNoTracking().Where(p => ids.Contains(p.BuildId));
        var texts = db.Texts.AsNoTracking().Where(t => ids.Contains(t.BuildId));
        foreach (var word in words)
        {
            // SQLite folds the case of ASCII letters in LIKE; signs that mean something there are taken as they are.
            var like = $"%{word.Replace("\\", "\\\\").Replace("%", "\\%").Replace("_", "\\_")}%";
            var named = builds
                .Where(b => b.Name.Contains(word, StringComparison.OrdinalIgnoreCase))
                .Select(b => b.Id)
                .ToList();
            moments = moments.Where(m =>
                named.Contains(m.BuildId) || EF.Functions.Like(m.Words + " " + m.Who, like, "\\")
            );
            readings = readings.Where(r => named.Contains(r.BuildId) || EF.Functions.Like(r.Document, like, "\\"));
            notes = notes.Where(n => named.Contains(n.BuildId) || EF.Functions.Like(n.Document, like, "\\"));
            photos = photos.Where(p =>
                named.Contains(p.BuildId) || EF.Functions.Like(p.Words + " " + p.Who, like, "\\")
            );
            texts = texts.Where(t =>
                named.Contains(t.BuildId) || EF.Functions.Like(t.Words + " " + t.Text, like, "\\")
            );
        }
        return await Stored.Read<IReadOnlyList<(string, LogEntry)>>(
            What(builds is [var only] ? only.Id : "…"),
            async () =>
                [
                    .. (await moments.OrderByDescending(m => m.At).Take(most).ToListAsync()).Select(m =>
                        (m.BuildId, new LogEntry(EntryKind.Change, m.Version, m.At, m.Who, m.Words))
                    ),
                    .. (await readings.OrderByDescending(r => r.At).Take(most).ToListAsync()).Select(r =>
                        (r.BuildId, Of(r))
                    ),
                    .. (await notes.OrderByDescending(n => n.At).Take(most).ToListAsync()).Select(n =>
                        (n.BuildId, Of(n))
                    ),
                    .. (
                        await photos
                            .OrderByDescending(p => p.At)
                            .Take(most)
                            .Select(p => new
                            {
                                p.BuildId,
                                Entry = new LogEntry(EntryKind.Photo, p.Number, p.At, p.Who, p.Words),
                            })
                            .ToListAsync()
                    ).Select(p => (p.BuildId, p.Entry)),
                    .. (
                        await texts
                            .OrderByDescending(t => t.At)
                            .Take(most)
                            .Select(t => new
                            {
                                t.BuildId,
                                Entry = new LogEntry(EntryKind.Text, t.Number, t.At, t.Who, t.Words),
                            })
                            .ToListAsync()
                    ).Select(t => (t.BuildId, t.Entry)),
                ]
        );
    }

    /// <summary>How many entries of each kind there are.</summary>
    public async Task<IReadOnlyDictionary<EntryKind, int>> Count(string build) =>
        new Dictionary<EntryKind, int>
        {
            [EntryKind.Change] = await db.Moments.CountAsync(m => m.BuildId == build),
            [EntryKind.Reading] = await db.Readings.CountAsync(r => r.BuildId == build),
            [EntryKind.Text] = await db.Texts.CountAsync(t => t.BuildId == build),
            [EntryKind.Photo] = await db.Photos.CountAsync(p => p.BuildId == build),
            [EntryKind.Note] = await db.Notes.CountAsync(n => n.BuildId == build),
        };

    /// <summary>A moment of a build.</summary>
    /// <exception cref="NotFoundException">There is none of that version.</exception>
    /// <exception cref="UnreadableException">It is stored in a format version that is not known.</exception>
    public async Task<(StateRow Row, Build Build)> Moment(string build, int version)
    {
        var row =
            await Stored.Read(
                What(build),
                () => db.Moments.FirstOrDefaultAsync(m => m.BuildId == build && m.Version == version)
            ) ?? throw NotFoundException.Entry($"version {version}");
        return (row, Documents.Read<Build>(row.Document, row.Format, $"Build \"{build}\", version {version}"));
    }

    /// <summary>Until when a version of a build stood: up to the next one, UTC; null for the newest.</summary>
    public Task<DateTime?> Until(string build, int version) =>
        Stored.Read(
            What(build),
            () =>
                db
                    .Moments.Where(m => m.BuildId == build && m.Version > version)
                    .OrderBy(m => m.Version)
                    .Select(m => (DateTime?)m.At)
                    .FirstOrDefaultAsync()
        );
}
