using System.Text.Json;
using Gorvix.Core.Bench;
using Gorvix.Core.Builds;
using Gorvix.Core.Formats;
using Gorvix.Core.Log;
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

    /// <summary>Of a reading, what was read, in words.</summary>
    public string? Read { get; init; }

    /// <summary>What a note or a photo is tied to.</summary>
    public TiedTo Tied { get; init; }

    /// <summary>The id of that.</summary>
    public string? TiedId { get; init; }
}

/// <summary>There are too many entries, or one is too long.</summary>
public sealed class LogLimitException(string message) : Exception(message);

/// <summary>There is no such entry.</summary>
public sealed class NoSuchEntryException(string what)
    : Exception($"There is no {what} in the log of this build; it may have been removed.");

/// <summary>What happened to builds: changes, readings, texts, photos, notes; each with its day and who, as typed.</summary>
public sealed class LogStore(GorvixDb db, TimeProvider time, Author author)
{
    /// <summary>The most readings of a build.</summary>
    public const int MostReadings = 50_000;

    /// <summary>The most notes of a build.</summary>
    public const int MostNotes = 20_000;

    /// <summary>The most photos of a build.</summary>
    public const int MostPhotos = 1000;

    /// <summary>The longest note, in characters.</summary>
    public const int MostWords = 4000;

    /// <summary>The longest key of a reading, in characters.</summary>
    public const int MostKey = 64;

    // A clock beyond these is wrong: then the time of arrival counts.
    private static readonly TimeSpan Ahead = TimeSpan.FromMinutes(5);
    private static readonly TimeSpan Behind = TimeSpan.FromDays(60);

    /// <summary>Entries of a build, the newest first.</summary>
    /// <param name="build">The build.</param>
    /// <param name="before">Where to begin: behind this entry; null for the newest.</param>
    /// <param name="most">How many.</param>
    /// <param name="kinds">Which kinds; null for all.</param>
    public async Task<IReadOnlyList<LogEntry>> Page(
        string build,
        (DateTime At, EntryKind Kind, int Number)? before,
        int most,
        IReadOnlyCollection<EntryKind>? kinds = null
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
        var reading = Reading(row);
        return new LogEntry(EntryKind.Reading, row.Number, row.At, reading.Who, reading.Title)
        {
            Mark = row.Mark,
            Check = row.Check,
            Read = reading.Read(),
        };
    }

    private static LogEntry Of(NoteRow row)
    {
        var note = Note(row);
        return new LogEntry(EntryKind.Note, row.Number, row.At, note.Who, note.Told())
        {
            Tied = note.Tied,
            TiedId = note.TiedId,
        };
    }

    /// <summary>Every change of a build, the oldest first.</summary>
    public async Task<IReadOnlyList<LogEntry>> Moments(string build) =>
        await db
            .Moments.AsNoTracking()
            .Where(m => m.BuildId == build)
            .OrderBy(m => m.Version)
            .Select(m => new LogEntry(EntryKind.Change, m.Version, m.At, m.Who, m.Words))
            .ToListAsync();

    /// <summary>Entries that hold every one of some words, the newest of each kind first.</summary>
    /// <param name="build">The build.</param>
    /// <param name="words">The words, whatever their case.</param>
    /// <param name="most">How many of each kind.</param>
    public async Task<IReadOnlyList<LogEntry>> Search(string build, IReadOnlyList<string> words, int most)
    {
        var moments = db.Moments.AsNoTracking().Where(m => m.BuildId == build);
        var readings = db.Readings.AsNoTracking().Where(r => r.BuildId == build);
        var notes = db.Notes.AsNoTracking().Where(n => n.BuildId == build);
        var photos = db.Photos.AsNoTracking().Where(p => p.BuildId == build);
        var texts = db.Texts.AsNoTracking().Where(t => t.BuildId == build);
        foreach (var word in words)
        {
            // SQLite folds the case of ASCII letters in LIKE; signs that mean something there are taken as they are.
            var like = $"%{word.Replace("\\", "\\\\").Replace("%", "\\%").Replace("_", "\\_")}%";
            moments = moments.Where(m => EF.Functions.Like(m.Words + " " + m.Who, like, "\\"));
            readings = readings.Where(r => EF.Functions.Like(r.Document, like, "\\"));
            notes = notes.Where(n => EF.Functions.Like(n.Document, like, "\\"));
            photos = photos.Where(p => EF.Functions.Like(p.Words + " " + p.Who, like, "\\"));
            texts = texts.Where(t => EF.Functions.Like(t.Words + " " + t.Text, like, "\\"));
        }
        var list = new List<LogEntry>();
        list.AddRange(
            await moments
                .OrderByDescending(m => m.At)
                .Take(most)
                .Select(m => new LogEntry(EntryKind.Change, m.Version, m.At, m.Who, m.Words))
                .ToListAsync()
        );
        list.AddRange((await readings.OrderByDescending(r => r.At).Take(most).ToListAsync()).Select(Of));
        list.AddRange((await notes.OrderByDescending(n => n.At).Take(most).ToListAsync()).Select(Of));
        list.AddRange(
            await photos
                .OrderByDescending(p => p.At)
                .Take(most)
                .Select(p => new LogEntry(EntryKind.Photo, p.Number, p.At, p.Who, p.Words))
                .ToListAsync()
        );
        list.AddRange(
            await texts
                .OrderByDescending(t => t.At)
                .Take(most)
                .Select(t => new LogEntry(EntryKind.Text, t.Number, t.At, t.Who, t.Words))
                .ToListAsync()
        );
        return list;
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
    /// <exception cref="NoSuchEntryException">There is none of that version.</exception>
    /// <exception cref="UnknownFormatException">It is stored in a format version that is not known.</exception>
    public async Task<(MomentRow Row, Build Build)> Moment(string build, int version)
    {
        var row =
            await db.Moments.AsNoTracking().FirstOrDefaultAsync(m => m.BuildId == build && m.Version == version)
            ?? throw new NoSuchEntryException($"moment {version}");
        return (row, Documents.Read<Build>(row.Document, row.Format, $"The build \"{build}\", version {version}"));
    }

    /// <summary>Until when a version of a build stood: up to the next one, UTC; null for the newest.</summary>
    public async Task<DateTime?> Until(string build, int version) =>
        await db
            .Moments.Where(m => m.BuildId == build && m.Version > version)
            .OrderBy(m => m.Version)
            .Select(m => (DateTime?)m.At)
            .FirstOrDefaultAsync();

    /// <summary>The last reading of each check, the oldest first.</summary>
    /// <param name="build">The build.</param>
    /// <param name="until">Only those up to this time, UTC; null for all.</param>
    public async Task<IReadOnlyList<LoggedReading>> LastReadings(string build, DateTime? until = null)
    {
        var asked = db.Readings.AsNoTracking().Where(r => r.BuildId == build && (until == null || r.At <= until));
        var last = await asked.GroupBy(r => r.Check).Select(g => g.Max(r => r.Number)).ToListAsync();
        var rows = await db
            .Readings.AsNoTracking()
            .Where(r => last.Contains(r.Number))
            .OrderBy(r => r.Number)
            .ToListAsync();
        return [.. rows.Select(Reading)];
    }

    /// <summary>Every reading of one check, the oldest first.</summary>
    public async Task<IReadOnlyList<LoggedReading>> Readings(string build, string check) =>
        [
            .. (
                await db
                    .Readings.AsNoTracking()
                    .Where(r => r.BuildId == build && r.Check == check)
                    .OrderBy(r => r.At)
                    .ThenBy(r => r.Number)
                    .ToListAsync()
            ).Select(Reading),
        ];

    /// <summary>Every reading, the oldest first.</summary>
    public async Task<IReadOnlyList<LoggedReading>> Readings(string build) =>
        [
            .. (
                await db.Readings.AsNoTracking().Where(r => r.BuildId == build).OrderBy(r => r.Number).ToListAsync()
            ).Select(Reading),
        ];

    /// <summary>True when a reading of this key is kept already.</summary>
    public Task<bool> Has(string build, string key) => db.Readings.AnyAsync(r => r.BuildId == build && r.Key == key);

    /// <summary>Keeps a reading. One that is kept already is left as it is.</summary>
    /// <exception cref="NoSuchBuildException">There is no such build.</exception>
    /// <exception cref="LogLimitException">There are too many.</exception>
    public async Task Keep(string build, LoggedReading reading)
    {
        await Room(build, db.Readings.CountAsync(r => r.BuildId == build), MostReadings, "readings");
        if (await Has(build, reading.Key))
        {
            return;
        }
        var kept = reading with { At = Time(reading.At), Who = author.Name };
        db.Readings.Add(Row(build, kept));
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException) when (db.Readings.Any(r => r.BuildId == build && r.Key == reading.Key))
        {
            // Another tab sent the same one.
            db.ChangeTracker.Clear();
        }
    }

    /// <summary>The notes of a build, the oldest first.</summary>
    public async Task<IReadOnlyList<LoggedNote>> Notes(string build) =>
        [
            .. (
                await db.Notes.AsNoTracking().Where(n => n.BuildId == build).OrderBy(n => n.Number).ToListAsync()
            ).Select(Note),
        ];

    /// <summary>What counts for what is due: flights, and what was done; the oldest first.</summary>
    public async Task<IReadOnlyList<LoggedNote>> Counted(string build) =>
        [
            .. (
                await db
                    .Notes.AsNoTracking()
                    .Where(n => n.BuildId == build && n.Kind != NoteKind.Note)
                    .OrderBy(n => n.Number)
                    .ToListAsync()
            ).Select(Note),
        ];

    /// <summary>Keeps a note.</summary>
    /// <exception cref="NoSuchBuildException">There is no such build.</exception>
    /// <exception cref="LogLimitException">There are too many, or it is too long.</exception>
    public async Task Keep(string build, LoggedNote note)
    {
        if (note.Words.Length > MostWords)
        {
            throw new LogLimitException($"The note has {note.Words.Length} characters; {MostWords} are the most.");
        }
        await Room(build, db.Notes.CountAsync(n => n.BuildId == build), MostNotes, "notes");
        db.Notes.Add(Row(build, note with { At = Time(note.At), Who = author.Name }));
        await db.SaveChangesAsync();
    }

    /// <summary>Removes a note.</summary>
    /// <exception cref="NoSuchEntryException">There is none.</exception>
    public async Task RemoveNote(string build, int number)
    {
        if (await db.Notes.Where(n => n.BuildId == build && n.Number == number).ExecuteDeleteAsync() == 0)
        {
            throw new NoSuchEntryException($"note {number}");
        }
    }

    /// <summary>Keeps a photo.</summary>
    /// <returns>Its number.</returns>
    /// <exception cref="NoSuchBuildException">There is no such build.</exception>
    /// <exception cref="LogLimitException">There are too many.</exception>
    public async Task<int> Keep(string build, MadePhoto photo, string words, TiedTo tied, string? tiedId)
    {
        await Room(build, db.Photos.CountAsync(p => p.BuildId == build), MostPhotos, "photos");
        var row = new PhotoRow
        {
            BuildId = build,
            At = Now(),
            Who = author.Name,
            Words = words,
            Tied = tied,
            TiedId = tiedId,
            Width = photo.Width,
            Height = photo.Height,
            Picture = photo.Picture,
            Small = photo.Small,
        };
        db.Photos.Add(row);
        await db.SaveChangesAsync();
        return row.Number;
    }

    /// <summary>A photo.</summary>
    /// <param name="build">The build.</param>
    /// <param name="number">Its number.</param>
    /// <param name="small">Whether the small one will do.</param>
    /// <exception cref="NoSuchEntryException">There is none.</exception>
    public async Task<byte[]> Photo(string build, int number, bool small)
    {
        var asked = db.Photos.Where(p => p.BuildId == build && p.Number == number);
        return await (small ? asked.Select(p => p.Small) : asked.Select(p => p.Picture)).FirstOrDefaultAsync()
            ?? throw new NoSuchEntryException($"photo {number}");
    }

    /// <summary>Removes a photo.</summary>
    /// <exception cref="NoSuchEntryException">There is none.</exception>
    public async Task RemovePhoto(string build, int number)
    {
        if (await db.Photos.Where(p => p.BuildId == build && p.Number == number).ExecuteDeleteAsync() == 0)
        {
            throw new NoSuchEntryException($"photo {number}");
        }
    }

    /// <summary>What is done to a build again and again.</summary>
    public async Task<IReadOnlyList<Interval>> Intervals(string build) =>
        await db
            .Intervals.AsNoTracking()
            .Where(i => i.BuildId == build)
            .OrderBy(i => i.Place)
            .Select(i => new Interval
            {
                Id = i.Id,
                Words = i.Words,
                Days = i.Days,
                Flights = i.Flights,
            })
            .ToListAsync();

    /// <summary>Keeps all intervals of a build, in place of those that it has.</summary>
    /// <exception cref="NoSuchBuildException">There is no such build.</exception>
    public async Task Put(string build, IReadOnlyList<Interval> intervals)
    {
        await Room(build, Task.FromResult(0), 1, "intervals");
        await using var transaction = await db.Database.BeginTransactionAsync();
        await db.Intervals.Where(i => i.BuildId == build).ExecuteDeleteAsync();
        db.Intervals.AddRange(intervals.Select((i, place) => Row(build, i, place)));
        await db.SaveChangesAsync();
        await transaction.CommitAsync();
    }

    internal static IntervalRow Row(string build, Interval interval, int place) =>
        new()
        {
            BuildId = build,
            Id = interval.Id,
            Place = place,
            Words = interval.Words,
            Days = interval.Days,
            Flights = interval.Flights,
        };

    internal static ReadingRow Row(string build, LoggedReading reading) =>
        new()
        {
            BuildId = build,
            Key = reading.Key,
            Check = reading.Check,
            At = reading.At,
            Mark = reading.Mark,
            Document = JsonSerializer.Serialize(reading, GorvixJson.Compact),
        };

    internal static NoteRow Row(string build, LoggedNote note) =>
        new()
        {
            BuildId = build,
            Kind = note.Kind,
            At = note.At,
            Document = JsonSerializer.Serialize(note, GorvixJson.Compact),
        };

    internal static LoggedReading Reading(ReadingRow row) =>
        JsonSerializer.Deserialize<LoggedReading>(row.Document, GorvixJson.Compact)!;

    internal static LoggedNote Note(NoteRow row) =>
        JsonSerializer.Deserialize<LoggedNote>(row.Document, GorvixJson.Compact)!;

    private async Task Room(string build, Task<int> many, int most, string what)
    {
        if (!await db.Builds.AnyAsync(b => b.Id == build && b.RemovedAt == null))
        {
            throw new NoSuchBuildException(build);
        }
        if (await many >= most)
        {
            throw new LogLimitException(
                $"{most} {what} are kept for this build; that is the most. Save the record as an archive and remove what is old."
            );
        }
    }

    // A clock that jumps is not believed.
    private DateTime Time(DateTime told)
    {
        var now = Now();
        return told > now + Ahead || told < now - Behind ? now : told;
    }

    private DateTime Now() => time.GetUtcNow().UtcDateTime;
}
