using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>A build as it stands in the database.</summary>
/// <param name="Id">Id in addresses.</param>
/// <param name="Version">Grows by one with every write.</param>
/// <param name="Build">What it says now.</param>
/// <param name="Undo">What undo would take back, in words, or null.</param>
/// <param name="Redo">What redo would bring back, in words, or null.</param>
/// <param name="ChangedAt">When it was last written, UTC.</param>
/// <param name="IsArchived">True when it is laid aside.</param>
public sealed record StoredBuild(
    string Id,
    int Version,
    Build Build,
    string? Undo,
    string? Redo,
    DateTime ChangedAt,
    bool IsArchived
);

/// <summary>The builds in the database. Every change is saved at once and can be undone.</summary>
public sealed class BuildStore(GorvixDb db, PartStore parts, TimeProvider time, Author author)
{
    // Enough for an evening's work; older steps fall off so that the file does not grow for ever.
    private const int MostSteps = 200;

    internal static string What(string id) => $"Build \"{id}\"";

    /// <summary>The version of a build, without reading it.</summary>
    /// <exception cref="NotFoundException">It is not on the shelf.</exception>
    public async Task<int> VersionOf(string id) =>
        await Stored.Read(
            What(id),
            () =>
                db
                    .Builds.AsNoTracking()
                    .Where(b => b.Id == id && b.RemovedAt == null)
                    .Select(b => (int?)b.Version)
                    .FirstOrDefaultAsync()
        ) ?? throw NotFoundException.Build(id);

    /// <summary>One build.</summary>
    /// <exception cref="NotFoundException">It is not on the shelf.</exception>
    /// <exception cref="UnreadableException">It is stored in a format version that is not known.</exception>
    public async Task<StoredBuild> Get(string id) => await Read(await Row(id));

    /// <summary>Stores the build of a file with its parts, all or nothing.</summary>
    /// <param name="file">A file that was read without findings.</param>
    /// <returns>The stored build, or what stands against it.</returns>
    public Task<StoredBuild> Import(GorvixFile file) => Import(file, fill: null);

    /// <summary>Stores a record with its parts, all or nothing.</summary>
    /// <param name="record">A record that was read.</param>
    /// <param name="archive">Who stores what happened to it.</param>
    public Task<StoredBuild> Import(ReadRecord record, RecordArchive archive) =>
        Import(record.File, row => archive.Fill(row, record.Rows));

    private async Task<StoredBuild> Import(GorvixFile file, Func<BuildRow, Task>? fill)
    {
        if (file.Builds.Count != 1)
        {
            throw new UnfitException([
                FileRules.NoBuild.Found(Severity.Stop, Subject.Place("builds"), ("builds", $"{file.Builds.Count}")),
            ]);
        }

        // The write lock is taken first, so no other import can choose the same id in between.
        await using var transaction = await db.Database.BeginTransactionAsync();
        var findings = await parts.Add(file);
        if (findings.Count > 0)
        {
            throw new UnfitException(findings);
        }
        var row = await Add(file.Builds[0], "import");
        if (fill is not null)
        {
            await fill(row);
            row = await db.Builds.FirstAsync(b => b.Id == row.Id);
        }
        await transaction.CommitAsync();
        return await Read(row);
    }

    /// <summary>Stores a new build under a free id. Whoever calls this has planned it.</summary>
    /// <param name="build">The build.</param>
    /// <param name="words">What led here, in words.</param>
    public async Task<StoredBuild> Create(Build build, string words)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        var row = await Add(build, words);
        await transaction.CommitAsync();
        return Written(row, build, null);
    }

    /// <summary>Lays a build aside, or puts it in front again. What it says stays as it is.</summary>
    /// <param name="id">The build.</param>
    /// <param name="aside">True to lay it aside.</param>
    /// <exception cref="NotFoundException">It is not on the shelf.</exception>
    public async Task Archive(string id, bool aside)
    {
        var row = await Row(id);
        row.ArchivedAt = aside ? Now() : null;
        await db.SaveChangesAsync();
    }

    // The write lock is held, so no other build can choose the same id in between.
    internal async Task<BuildRow> Add(Build build, string words)
    {
        var row = new BuildRow
        {
            Id = await FreeId(build.Name),
            Version = 1,
            Cursor = 0,
            ChangedAt = Now(),
        };
        db.Builds.Add(row);
        db.States.Add(State(row, words, words, Documents.Write(build)));
        await db.SaveChangesAsync();
        return row;
    }

    /// <summary>Stores a new state of a build. Whoever calls this has planned it.</summary>
    /// <param name="id">The build.</param>
    /// <param name="version">The version that the new state was made from.</param>
    /// <param name="words">The change in words, for undo.</param>
    /// <param name="after">The new state.</param>
    /// <exception cref="NotFoundException">It is not on the shelf.</exception>
    /// <exception cref="ConflictException">The version is not the newest.</exception>
    public async Task<StoredBuild> Put(string id, int version, string words, Build after)
    {
        // The write lock is held from the reading on: a refused write leaves the states as they were.
        await using var transaction = await db.Database.BeginTransactionAsync();
        var row = await Row(id, version);

        // A change after an undo starts a new branch; what was undone cannot come back. In the log it stays.
        var left = db.States.Where(s =>
            s.BuildId == id && s.Place != null && (s.Place > row.Cursor || s.Place <= row.Cursor - MostSteps)
        );
        await left.Where(s => s.Version < 0).ExecuteDeleteAsync();
        await left.ExecuteUpdateAsync(s =>
            s.SetProperty(x => x.Place, (int?)null).SetProperty(x => x.Step, (string?)null)
        );
        Move(row, row.Cursor + 1);
        db.States.Add(State(row, words, words, Documents.Write(after)));
        await Save();
        await transaction.CommitAsync();
        return Written(row, after, words);
    }

    /// <summary>The state that a step back or forward leads to, or null when there is none. Nothing is written.</summary>
    /// <param name="id">The build.</param>
    /// <param name="version">The version that the writer knows.</param>
    /// <param name="direction">-1 for undo, 1 for redo.</param>
    /// <exception cref="NotFoundException">It is not on the shelf.</exception>
    /// <exception cref="ConflictException">The version is not the newest.</exception>
    /// <exception cref="UnreadableException">That state is stored in a format version that is not known.</exception>
    public async Task<Build?> Beside(string id, int version, int direction)
    {
        var target = (await Row(id, version)).Cursor + direction;
        var state = await db.States.AsNoTracking().FirstOrDefaultAsync(s => s.BuildId == id && s.Place == target);
        return state is null ? null : Read(state);
    }

    /// <summary>Goes one step back or forward, to a state that <see cref="Beside"/> gave.</summary>
    /// <inheritdoc cref="Beside"/>
    public async Task<StoredBuild> Walk(string id, int version, int direction)
    {
        var row = await Row(id, version);
        var near = await Near(row).ToListAsync();
        var (was, to) = (
            near.FirstOrDefault(s => s.Place == row.Cursor) ?? throw Damaged(row),
            near.FirstOrDefault(s => s.Place == row.Cursor + direction) ?? throw Stale()
        );
        var (place, step) = (to.Place!.Value, to.Step ?? to.Words);
        Move(row, place);
        db.States.Add(State(row, direction < 0 ? $"Undo: {was.Step}" : $"Redo: {step}", step, to.Document, to.Format));
        Leave(to);
        await Save();
        return await Read(row);
    }

    /// <summary>Takes a state out of the row that undo and redo walk along: another one has its place now.</summary>
    private void Leave(StateRow state)
    {
        if (state.Version < 0)
        {
            db.States.Remove(state);
        }
        (state.Place, state.Step) = (null, null);
    }

    /// <summary>Takes a build off the shelf; <see cref="Restore"/> puts it back.</summary>
    /// <exception cref="NotFoundException">It is not on the shelf.</exception>
    public async Task Remove(string id)
    {
        var row = await Row(id);
        row.RemovedAt = Now();
        await db.SaveChangesAsync();
    }

    /// <summary>Puts a removed build back on the shelf.</summary>
    /// <exception cref="NotFoundException">There never was such a build.</exception>
    public async Task Restore(string id)
    {
        var row = await db.Builds.FindAsync(id) ?? throw NotFoundException.Build(id);
        row.RemovedAt = null;
        await db.SaveChangesAsync();
    }

    /// <summary>The parts of a build were changed in the library: a version of its own, in the place of the one before.</summary>
    internal async Task Follow(BuildRow row, string words)
    {
        var now = await db.States.FirstAsync(s => s.BuildId == row.Id && s.Place == row.Cursor);
        row.Version++;
        db.States.Add(State(row, words, now.Step ?? now.Words, now.Document, now.Format));
        Leave(now);
    }

    private StateRow State(
        BuildRow row,
        string words,
        string step,
        string document,
        int format = FormatMigrations.Newest
    ) =>
        new()
        {
            BuildId = row.Id,
            Version = row.Version,
            At = Now(),
            Who = author.Name,
            Words = words,
            Place = row.Cursor,
            Step = step,
            Document = document,
            Format = format,
        };

    private void Move(BuildRow row, int place)
    {
        row.Cursor = place;
        row.Version++;
        row.ChangedAt = Now();
    }

    private async Task Save()
    {
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException problem) when (StorageFault.IsContent(problem))
        {
            // Another writer came between our read and our write.
            throw Stale();
        }
    }

    // The state in force and those beside it: they say what undo and redo would do.
    private IQueryable<StateRow> Near(BuildRow row) =>
        db.States.Where(s => s.BuildId == row.Id && s.Place >= row.Cursor - 1 && s.Place <= row.Cursor + 1);

    // A state that has just become the newest: nothing can be redone.
    private static StoredBuild Written(BuildRow row, Build build, string? undo) =>
        new(row.Id, row.Version, build, undo, null, row.ChangedAt, row.ArchivedAt is not null);

    private async Task<BuildRow> Row(string id, int? version = null)
    {
        var row = await Stored.Read(What(id), async () => await db.Builds.FindAsync(id));
        if (row is null || row.RemovedAt is not null)
        {
            throw NotFoundException.Build(id);
        }
        return version is null || row.Version == version ? row : throw Stale();
    }

    // What was read is forgotten, so that whoever tries again reads what is stored now.
    private ConflictException Stale()
    {
        db.ChangeTracker.Clear();
        return ConflictException.Build();
    }

    private async Task<StoredBuild> Read(BuildRow row) =>
        Read(row, await Stored.Read(What(row.Id), () => Near(row).AsNoTracking().ToListAsync()));

    internal static StoredBuild Read(BuildRow row, IReadOnlyList<StateRow> near)
    {
        var now = near.FirstOrDefault(s => s.Place == row.Cursor) ?? throw Damaged(row);
        var undo = near.Any(s => s.Place == row.Cursor - 1) ? now.Step : null;
        var redo = near.FirstOrDefault(s => s.Place == row.Cursor + 1)?.Step;
        return new StoredBuild(row.Id, row.Version, Read(now), undo, redo, row.ChangedAt, row.ArchivedAt is not null);
    }

    private static UnreadableException Damaged(BuildRow row) => new(What(row.Id), null);

    /// <summary>What is stored of a build, to the letter, with its format version; for one that cannot be read.</summary>
    /// <exception cref="NotFoundException">It is not on the shelf.</exception>
    /// <exception cref="UnreadableException">Nothing of it is there.</exception>
    public async Task<(string Document, int Format)> Raw(string id)
    {
        var row = await Row(id);
        var state =
            await Stored.Read(
                What(id),
                () => db.States.AsNoTracking().FirstOrDefaultAsync(s => s.BuildId == id && s.Place == row.Cursor)
            ) ?? throw Damaged(row);
        return (state.Document, state.Format);
    }

    private static Build Read(StateRow state) =>
        Documents.Read<Build>(state.Document, state.Format, What(state.BuildId));

    private async Task<string> FreeId(string name)
    {
        var slug = name.Any(char.IsAsciiLetterOrDigit) ? Slug.Of(name) : "build";
        slug = slug[..Math.Min(slug.Length, 60)];
        var taken = await db.Builds.AsNoTracking().Select(b => b.Id).Where(id => id.StartsWith(slug)).ToListAsync();
        var id = slug;
        for (var n = 2; taken.Contains(id); n++)
        {
            id = $"{slug}-{n}";
        }
        return id;
    }

    private DateTime Now() => time.GetUtcNow().UtcDateTime;
}
