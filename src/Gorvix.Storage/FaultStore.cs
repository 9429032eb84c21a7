using System.Text.Json;
using Gorvix.Core.Work.FaultModel;
using Gorvix.Core.Work.Faults;
using Gorvix.Core.Work.Log;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>Searches for faults: one that goes on for a build, those that ended, and what they have taught.</summary>
public sealed class FaultStore(GorvixDb db, LogStore log, TimeProvider time)
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    /// <summary>The search that goes on, with how often it was written; an empty one where none does.</summary>
    public Task<(FaultCase Case, int Step)> Open(string build) =>
        Stored.Read(
            What(build),
            async () =>
                await db
                    .FaultCases.AsNoTracking()
                    .Where(c => c.BuildId == build && c.ClosedAt == null)
                    .FirstOrDefaultAsync()
                    is { } row
                    ? (JsonSerializer.Deserialize<FaultCase>(row.Document, Json) ?? throw new JsonException(), row.Step)
                    : (new FaultCase(), 0)
        );

    private static string What(string build) => Sentences.TheFaultSearchOfBuild(build);

    /// <summary>The builds of which a fault is looked for.</summary>
    public async Task<IReadOnlySet<string>> Searched() =>
        (await db.FaultCases.Where(c => c.ClosedAt == null).Select(c => c.BuildId).ToListAsync()).ToHashSet();

    /// <summary>Keeps the search that goes on.</summary>
    /// <param name="build">The build.</param>
    /// <param name="seen">How often it was written when the writer saw it.</param>
    /// <param name="kept">The search.</param>
    /// <returns>How often it was written now.</returns>
    /// <exception cref="ConflictException">Somebody else has written it since.</exception>
    /// <exception cref="NotFoundException">There is no such build.</exception>
    public async Task<int> Keep(string build, int seen, FaultCase kept)
    {
        if (!await db.Builds.AnyAsync(b => b.Id == build && b.RemovedAt == null))
        {
            throw NotFoundException.Build(build);
        }
        var row = await Row(build, seen);
        if (kept is { Said.Count: 0, Refuted.Count: 0, Cannot.Count: 0, UsesBench: true })
        {
            // Where nothing is said any more nothing is looked for.
            if (row is not null)
            {
                db.FaultCases.Remove(row);
                await Save();
            }
            return 0;
        }
        if (row is null)
        {
            db.FaultCases.Add(
                row = new FaultCaseRow
                {
                    BuildId = build,
                    OpenedAt = time.GetUtcNow().UtcDateTime,
                    Document = "",
                }
            );
        }
        row.Step++;
        row.Document = JsonSerializer.Serialize(kept, Json);
        await Save();
        return row.Step;
    }

    /// <summary>When a search of a build ended last, UTC; null for never.</summary>
    public Task<DateTime?> LastEnd(string build) =>
        Stored.Read(What(build), () => db.FaultCases.Where(c => c.BuildId == build).MaxAsync(c => c.ClosedAt));

    /// <summary>Ends the search that goes on, with a line in the log. One that rests on the Bench alone was not written yet.</summary>
    /// <param name="build">The build.</param>
    /// <param name="seen">How often it was written when the writer saw it.</param>
    /// <param name="ended">When the search before it ended, as the writer saw it.</param>
    /// <param name="words">What it ended with.</param>
    /// <param name="kinds">What kinds of thing were found; none where it was given up.</param>
    /// <exception cref="ConflictException">Somebody else has written it since.</exception>
    public async Task Close(string build, int seen, DateTime? ended, string words, IReadOnlyList<FaultKind> kinds)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        // A search that was not written yet has no step to tell that another window has ended it.
        if (await LastEnd(build) != ended)
        {
            throw ConflictException.Search();
        }
        var now = time.GetUtcNow().UtcDateTime;
        var row = await Row(build, seen);
        if (row is null)
        {
            db.FaultCases.Add(
                row = new FaultCaseRow
                {
                    BuildId = build,
                    OpenedAt = now,
                    Document = JsonSerializer.Serialize(new FaultCase(), Json),
                }
            );
        }
        (row.Step, row.ClosedAt) = (row.Step + 1, now);
        db.FaultFound.AddRange(kinds.Select(k => new FaultFoundRow { Kind = k, At = now }));
        await Save();
        await log.Keep(
            build,
            new LoggedNote
            {
                Kind = NoteKind.Note,
                At = now,
                Words = words,
            }
        );
        await transaction.CommitAsync();
    }

    /// <summary>What the builder knows of himself.</summary>
    public async Task<OwnExperience> Experience() =>
        new(
            await db.FaultFound.GroupBy(f => f.Kind).ToDictionaryAsync(g => g.Key, g => g.Count()),
            await db.FaultFactors.ToDictionaryAsync(f => f.Kind, f => f.Factor)
        );

    /// <summary>Says how much likelier than usual a kind is; 1 for as usual.</summary>
    public async Task Weigh(FaultKind kind, double factor)
    {
        var row = await db.FaultFactors.FindAsync(kind);
        if (factor is 1)
        {
            if (row is not null)
            {
                db.FaultFactors.Remove(row);
            }
        }
        else if (row is null)
        {
            db.FaultFactors.Add(new FaultFactorRow { Kind = kind, Factor = factor });
        }
        else
        {
            row.Factor = factor;
        }
        await db.SaveChangesAsync();
    }

    /// <summary>Forgets what was found; what was weighed stays.</summary>
    public Task Forget() => db.FaultFound.ExecuteDeleteAsync();

    private async Task<FaultCaseRow?> Row(string build, int seen)
    {
        var row = await db.FaultCases.Where(c => c.BuildId == build && c.ClosedAt == null).FirstOrDefaultAsync();
        return (row?.Step ?? 0) == seen ? row : throw ConflictException.Search();
    }

    private async Task Save()
    {
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException problem) when (StorageFault.IsContent(problem))
        {
            throw ConflictException.Search();
        }
    }
}
