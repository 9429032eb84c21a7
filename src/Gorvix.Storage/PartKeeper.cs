using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>A part with its standing in the library.</summary>
/// <param name="Part">What it says.</param>
/// <param name="Version">Grows by one with every change.</param>
/// <param name="IsArchived">True when it is laid aside.</param>
public sealed record StoredPart<T>(T Part, int Version, bool IsArchived);

/// <summary>One state of a part.</summary>
/// <param name="Version">The version in which it was so.</param>
/// <param name="Words">What led there.</param>
/// <param name="At">When, UTC; null where it is not known.</param>
public sealed record PartStep(int Version, string Words, DateTime? At);

/// <summary>
/// Parts as they are made and changed. Every state is kept. With a part every build that has it gets a new version, so nothing
/// that was planned with the old one is shown as true.
/// </summary>
public sealed class PartKeeper(GorvixDb db, PartCache cache, TimeProvider time, BuildStore states)
{
    /// <summary>A part.</summary>
    /// <exception cref="NotFoundException">It is not in the library.</exception>
    /// <exception cref="UnreadableException">It is stored in a format version that is not known.</exception>
    public async Task<StoredPart<T>> Get<T>(PartKind kind, string id)
        where T : class
    {
        var row = await Row(kind, id);
        return new StoredPart<T>(cache.Read<T>(row), row.Version, row.ArchivedAt is not null);
    }

    /// <summary>Adds a part.</summary>
    /// <exception cref="ConflictException">The library has one of this id.</exception>
    public async Task Create<T>(PartKind kind, string id, T part, string words)
    {
        if (await db.Parts.AnyAsync(p => p.Kind == kind && p.Id == id))
        {
            throw ConflictException.PartThere(id);
        }
        var row = new PartRow
        {
            Kind = kind,
            Id = id,
            Document = Documents.Write(part),
        };
        db.Parts.Add(row);
        db.PartSteps.Add(Step(row, words));
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException problem) when (StorageFault.IsContent(problem))
        {
            // Another writer took the id between our look and our write.
            throw ConflictException.PartThere(id);
        }
    }

    /// <summary>Stores a new state of a part. Whoever calls this has planned every build that has it.</summary>
    /// <param name="kind">Board, device or profile.</param>
    /// <param name="id">The part.</param>
    /// <param name="version">The version that the new state was made from.</param>
    /// <param name="part">The new state.</param>
    /// <param name="words">What was changed.</param>
    /// <param name="uses">Whether a build has it; looked at under the write lock, so that none is missed.</param>
    /// <exception cref="NotFoundException">It is not in the library.</exception>
    /// <exception cref="ConflictException">The version is not the newest.</exception>
    public async Task Put<T>(PartKind kind, string id, int version, T part, string words, Func<Build, bool> uses)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        await Replace(kind, id, version, part, words, uses);
        await transaction.CommitAsync();
    }

    /// <summary>The same inside a transaction of the caller's.</summary>
    internal async Task Replace<T>(PartKind kind, string id, int version, T part, string words, Func<Build, bool> uses)
    {
        var row = await Row(kind, id);
        if (row.Version != version)
        {
            throw ConflictException.Part();
        }
        if (!await db.PartSteps.AnyAsync(s => s.Kind == kind && s.PartId == id))
        {
            db.PartSteps.Add(Step(row, "Original", at: null));
        }
        row.Document = Documents.Write(part);
        row.Format = FormatMigrations.Newest;
        row.Version++;
        db.PartSteps.Add(Step(row, words));
        var builds = (await Uses(uses)).Select(u => u.Id).ToList();
        foreach (var build in await db.Builds.Where(b => builds.Contains(b.Id)).ToListAsync())
        {
            await states.Follow(build, Sentences.InTheLibrary(id, words));
        }
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException problem) when (StorageFault.IsContent(problem))
        {
            throw ConflictException.Part();
        }
    }

    /// <summary>The states of a part, the newest first; empty for one that is as it came.</summary>
    public async Task<IReadOnlyList<PartStep>> History(PartKind kind, string id) =>
        await db
            .PartSteps.AsNoTracking()
            .Where(s => s.Kind == kind && s.PartId == id)
            .OrderByDescending(s => s.Version)
            .Select(s => new PartStep(s.Version, s.Words, s.At))
            .ToListAsync();

    /// <summary>A part as it was.</summary>
    /// <exception cref="NotFoundException">There is no such state of it.</exception>
    public async Task<T> At<T>(PartKind kind, string id, int version)
    {
        var step =
            await db
                .PartSteps.AsNoTracking()
                .FirstOrDefaultAsync(s => s.Kind == kind && s.PartId == id && s.Version == version)
            ?? throw NotFoundException.Part(kind, $"{id}, version {version}");
        return Documents.Read<T>(step.Document, step.Format, $"Part \"{id}\", version {version}");
    }

    /// <summary>The parts that a build names, as they were at a time; what has no history is as it is.</summary>
    /// <param name="build">The build.</param>
    /// <param name="now">The same parts as they are now; one that is gone from the library is not there.</param>
    /// <param name="at">The time, UTC.</param>
    public async Task<PartsLibrary> As(Build build, PartsLibrary now, DateTime at)
    {
        async Task<T> Was<T>(PartKind kind, string id, T part)
            where T : class
        {
            var step = await db
                .PartSteps.AsNoTracking()
                .Where(s => s.Kind == kind && s.PartId == id && (s.At == null || s.At <= at))
                .OrderByDescending(s => s.Version)
                .FirstOrDefaultAsync();
            return step is null ? part : Documents.Read<T>(step.Document, step.Format, $"Part \"{id}\"");
        }
        var boards = new List<Board>();
        foreach (var board in now.Boards.Where(b => b.Id == build.Board))
        {
            boards.Add(await Was(PartKind.Board, board.Id, board));
        }
        var devices = new List<Device>();
        foreach (var device in now.Devices)
        {
            devices.Add(await Was(PartKind.Device, device.Id, device));
        }
        var profiles = new List<FirmwareProfile>();
        foreach (var profile in now.Profiles)
        {
            profiles.Add(await Was(PartKind.Profile, profile.Id, profile));
        }
        return new PartsLibrary(boards, devices) { Profiles = profiles };
    }

    /// <summary>Lays a part aside, or puts it back among those that can be chosen. Builds keep it.</summary>
    /// <exception cref="NotFoundException">It is not in the library.</exception>
    public async Task Archive(PartKind kind, string id, bool aside)
    {
        var row = await Row(kind, id);
        row.ArchivedAt = aside ? Now() : null;
        await db.SaveChangesAsync();
    }

    /// <summary>Takes a part out of the library, with its history.</summary>
    /// <exception cref="NotFoundException">It is not in the library.</exception>
    public async Task Remove(PartKind kind, string id)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        db.Parts.Remove(await Row(kind, id));
        await db.SaveChangesAsync();
        if (kind == PartKind.Board)
        {
            await db.BoardPhotos.Where(p => p.Board == id).ExecuteDeleteAsync();
        }
        await transaction.CommitAsync();
    }

    /// <summary>Every build that names a part, those taken off the shelf too.</summary>
    /// <param name="uses">Whether a build names it.</param>
    public async Task<IReadOnlyList<(string Id, Build Build, bool IsRemoved)>> Uses(Func<Build, bool> uses)
    {
        var rows = await db
            .Builds.AsNoTracking()
            .Join(
                db.States,
                b => new { Id = b.Id, Place = (int?)b.Cursor },
                s => new { Id = s.BuildId, s.Place },
                (b, s) => new { b.RemovedAt, State = s }
            )
            .ToListAsync();
        return
        [
            .. rows.Where(r => r.State.Format is >= 1 and <= FormatMigrations.Newest)
                .Select(r =>
                    (
                        r.State.BuildId,
                        Build: Documents.Read<Build>(r.State.Document, r.State.Format, r.State.BuildId),
                        r.RemovedAt is not null
                    )
                )
                .Where(r => uses(r.Build))
                .OrderBy(r => r.BuildId, StringComparer.Ordinal),
        ];
    }

    private async Task<PartRow> Row(PartKind kind, string id) =>
        await db.Parts.FirstOrDefaultAsync(p => p.Kind == kind && p.Id == id) ?? throw NotFoundException.Part(kind, id);

    private PartStepRow Step(PartRow row, string words) => Step(row, words, Now());

    private static PartStepRow Step(PartRow row, string words, DateTime? at) =>
        new()
        {
            Kind = row.Kind,
            PartId = row.Id,
            Version = row.Version,
            Words = words,
            At = at,
            Document = row.Document,
            Format = row.Format,
        };

    private DateTime Now() => time.GetUtcNow().UtcDateTime;
}
