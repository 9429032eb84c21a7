using System.Text.Json;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Work.Log;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>What the fleet wants to know of a build's log.</summary>
/// <param name="Build">Id of the build.</param>
/// <param name="Last">The last reading of each check, the oldest first.</param>
/// <param name="Counted">Flights, and what was done; the oldest first.</param>
/// <param name="Intervals">What is done again and again.</param>
/// <param name="Problem">Why it cannot be read, as a sentence; null where it can.</param>
public sealed record FleetLog(
    string Build,
    IReadOnlyList<LoggedReading> Last,
    IReadOnlyList<LoggedNote> Counted,
    IReadOnlyList<Interval> Intervals,
    string? Problem
);

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

    /// <summary>The last reading of each check that was not struck out, the oldest first.</summary>
    /// <param name="build">The build.</param>
    /// <param name="until">Only those up to this time, UTC; null for all.</param>
    public Task<IReadOnlyList<LoggedReading>> LastReadings(string build, DateTime? until = null) =>
        Read(build, Last(db.Readings.Where(r => r.BuildId == build && (until == null || r.At <= until))), Reading);

    private IQueryable<ReadingRow> Last(IQueryable<ReadingRow> of)
    {
        var last = of.Where(r => r.StruckAt == null)
            .GroupBy(r => new { r.BuildId, r.Check })
            .Select(g => g.Max(r => r.Number));
        return db.Readings.Where(r => last.Contains(r.Number)).OrderBy(r => r.Number);
    }

    private static Task<IReadOnlyList<T>> Read<TRow, T>(string build, IQueryable<TRow> rows, Func<TRow, T> read)
        where TRow : class =>
        Stored.Read<IReadOnlyList<T>>(
            Sentences.TheLogOfBuild(build),
            async () => (await rows.AsNoTracking().ToListAsync()).ConvertAll(row => read(row))
        );

    /// <summary>What the fleet wants to know of the logs of some builds, in their order; one that is damaged says so and hides no other.</summary>
    /// <param name="builds">Ids of the builds.</param>
    public Task<IReadOnlyList<FleetLog>> Fleet(IReadOnlyList<string> builds) =>
        Stored.Each(builds, Logs, (id, problem) => [new FleetLog(id, [], [], [], problem.Message)]);

    private async Task<IReadOnlyList<FleetLog>> Logs(IReadOnlyList<string> builds)
    {
        var name = builds is [var only] ? only : "…";
        var readings = await Read(
            name,
            Last(db.Readings.Where(r => builds.Contains(r.BuildId))),
            row => (row.BuildId, Reading: Reading(row))
        );
        var notes = await Read(
            name,
            db.Notes.Where(n => builds.Contains(n.BuildId) && n.Kind != NoteKind.Note).OrderBy(n => n.Number),
            row => (row.BuildId, Note: Note(row))
        );
        var intervals = await Read(
            name,
            db.Intervals.Where(i => builds.Contains(i.BuildId)).OrderBy(i => i.Place),
            row => (row.BuildId, Interval: Interval(row))
        );
        return
        [
            .. builds.Select(id => new FleetLog(
                id,
                [.. readings.Where(r => r.BuildId == id).Select(r => r.Reading)],
                [.. notes.Where(n => n.BuildId == id).Select(n => n.Note)],
                [.. intervals.Where(i => i.BuildId == id).Select(i => i.Interval)],
                null
            )),
        ];
    }

    /// <summary>Every reading of one check that stands, the oldest first.</summary>
    public Task<IReadOnlyList<LoggedReading>> Readings(string build, string check) =>
        Read(
            build,
            db.Readings.Where(r => r.BuildId == build && r.Check == check && r.StruckAt == null)
                .OrderBy(r => r.At)
                .ThenBy(r => r.Number),
            Reading
        );

    /// <summary>Every reading, those that were struck out as well, the oldest first.</summary>
    public Task<IReadOnlyList<LoggedReading>> Readings(string build) =>
        Read(build, db.Readings.Where(r => r.BuildId == build).OrderBy(r => r.Number), Reading);

    /// <summary>True when a reading of this key is kept already.</summary>
    public Task<bool> Has(string build, string key) => db.Readings.AnyAsync(r => r.BuildId == build && r.Key == key);

    /// <summary>Keeps a reading. One that is kept already is left as it is.</summary>
    /// <exception cref="NotFoundException">There is no such build.</exception>
    /// <exception cref="UnfitException">There are too many.</exception>
    public async Task Keep(string build, LoggedReading reading)
    {
        var row = Row(build, reading with { At = Time(reading.At), Who = author.Name });
        // In one go: a second tab that sends the same one, or takes the last room, cannot come in between.
        var kept = await db.Database.ExecuteSqlAsync(
            $"INSERT INTO Readings (BuildId, \"Key\", \"Check\", At, Mark, Document) SELECT {row.BuildId}, {row.Key}, {row.Check}, {row.At}, {Enum.GetName(row.Mark)}, {row.Document} WHERE EXISTS (SELECT 1 FROM Builds WHERE Id = {build} AND RemovedAt IS NULL) AND (SELECT count(*) FROM Readings WHERE BuildId = {build}) < {MostReadings} ON CONFLICT (BuildId, \"Key\") DO NOTHING"
        );
        if (kept == 0 && !await Has(build, reading.Key))
        {
            await Room(build, db.Readings.CountAsync(r => r.BuildId == build), MostReadings, "readings");
        }
    }

    /// <summary>Strikes out a reading that was a mistake, or lets it stand again. It stays in the log either way.</summary>
    /// <param name="build">The build.</param>
    /// <param name="key">The key that its sender made.</param>
    /// <param name="struck">True to strike it out.</param>
    /// <exception cref="NotFoundException">There is none.</exception>
    public async Task Strike(string build, string key, bool struck)
    {
        var at = struck ? time.GetUtcNow().UtcDateTime : (DateTime?)null;
        var rows = await db
            .Readings.Where(r => r.BuildId == build && r.Key == key)
            // The first strike counts: sent again it is the same one.
            .ExecuteUpdateAsync(r =>
                r.SetProperty(x => x.StruckAt, x => struck && x.StruckAt != null ? x.StruckAt : at)
            );
        if (rows == 0)
        {
            throw NotFoundException.Entry(Sentences.SuchReading);
        }
    }

    /// <summary>The notes of a build, the oldest first.</summary>
    public Task<IReadOnlyList<LoggedNote>> Notes(string build) =>
        Read(build, db.Notes.Where(n => n.BuildId == build).OrderBy(n => n.Number), Note);

    /// <summary>What counts for what is due: flights, and what was done; the oldest first.</summary>
    public Task<IReadOnlyList<LoggedNote>> Counted(string build) =>
        Read(build, db.Notes.Where(n => n.BuildId == build && n.Kind != NoteKind.Note).OrderBy(n => n.Number), Note);

    /// <summary>Keeps a note.</summary>
    /// <exception cref="NotFoundException">There is no such build.</exception>
    /// <exception cref="UnfitException">There are too many, or it is too long.</exception>
    public async Task Keep(string build, LoggedNote note)
    {
        if (note.Words.Length > MostWords)
        {
            throw new UnfitException(Sentences.NoteTooLongCharactersMaximum(note.Words.Length, MostWords));
        }
        await Room(build, db.Notes.CountAsync(n => n.BuildId == build), MostNotes, "notes");
        db.Notes.Add(Row(build, note with { At = Time(note.At), Who = author.Name }));
        await db.SaveChangesAsync();
    }

    /// <summary>Removes a note.</summary>
    /// <exception cref="NotFoundException">There is none.</exception>
    public async Task RemoveNote(string build, int number)
    {
        if (await db.Notes.Where(n => n.BuildId == build && n.Number == number).ExecuteDeleteAsync() == 0)
        {
            throw NotFoundException.Entry($"note {number}");
        }
    }

    /// <summary>Keeps a photo.</summary>
    /// <returns>Its number.</returns>
    /// <exception cref="NotFoundException">There is no such build.</exception>
    /// <exception cref="UnfitException">There are too many.</exception>
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
    /// <exception cref="NotFoundException">There is none.</exception>
    public async Task<byte[]> Photo(string build, int number, bool small)
    {
        var asked = db.Photos.Where(p => p.BuildId == build && p.Number == number);
        return await (small ? asked.Select(p => p.Small) : asked.Select(p => p.Picture)).FirstOrDefaultAsync()
            ?? throw NotFoundException.Entry($"photo {number}");
    }

    /// <summary>Removes a photo.</summary>
    /// <exception cref="NotFoundException">There is none.</exception>
    public async Task RemovePhoto(string build, int number)
    {
        if (await db.Photos.Where(p => p.BuildId == build && p.Number == number).ExecuteDeleteAsync() == 0)
        {
            throw NotFoundException.Entry($"photo {number}");
        }
    }

    /// <summary>What is done to a build again and again.</summary>
    public Task<IReadOnlyList<Interval>> Intervals(string build) =>
        Read(build, db.Intervals.Where(i => i.BuildId == build).OrderBy(i => i.Place), Interval);

    /// <summary>Keeps all intervals of a build, in place of those that it has.</summary>
    /// <exception cref="NotFoundException">There is no such build.</exception>
    public async Task Put(string build, IReadOnlyList<Interval> intervals)
    {
        await Room(build, Task.FromResult(0), 1, "intervals");
        await using var transaction = await db.Database.BeginTransactionAsync();
        await db.Intervals.Where(i => i.BuildId == build).ExecuteDeleteAsync();
        db.Intervals.AddRange(intervals.Select((i, place) => Row(build, i, place)));
        await db.SaveChangesAsync();
        await transaction.CommitAsync();
    }

    internal static Interval Interval(IntervalRow row) =>
        new()
        {
            Id = row.Id,
            Words = row.Words,
            Days = row.Days,
            Flights = row.Flights,
        };

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
            StruckAt = reading.Struck,
            Document = JsonSerializer.Serialize(reading with { Struck = null }, GorvixJson.Compact),
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
        JsonSerializer.Deserialize<LoggedReading>(row.Document, GorvixJson.Compact)! with
        {
            Struck = row.StruckAt,
        };

    internal static LoggedNote Note(NoteRow row) =>
        JsonSerializer.Deserialize<LoggedNote>(row.Document, GorvixJson.Compact)!;

    private async Task Room(string build, Task<int> many, int most, string what)
    {
        if (!await db.Builds.AnyAsync(b => b.Id == build && b.RemovedAt == null))
        {
            throw NotFoundException.Build(build);
        }
        if (await many >= most)
        {
            throw new UnfitException(Sentences.LimitReachedForThisBuild(most, what));
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
