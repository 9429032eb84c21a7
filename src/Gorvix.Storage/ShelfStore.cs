using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>A build on the shelf, or why it cannot be read.</summary>
/// <param name="Id">Id in addresses.</param>
/// <param name="Build">The build, or null.</param>
/// <param name="Problem">Why it cannot be read, or null.</param>
/// <param name="ChangedAt">When it was last written, UTC.</param>
/// <param name="IsArchived">True when it is laid aside.</param>
public sealed record Shelved(string Id, StoredBuild? Build, string? Problem, DateTime ChangedAt, bool IsArchived);

/// <summary>The shelf: all builds at once, and the cards that were made of them.</summary>
public sealed class ShelfStore(GorvixDb db)
{
    /// <summary>All builds on the shelf, by id. One that cannot be read hides no other.</summary>
    public async Task<IReadOnlyList<Shelved>> All()
    {
        var shelf = db.Builds.AsNoTracking().Where(b => b.RemovedAt == null).OrderBy(b => b.Id);
        try
        {
            return await Shelved(shelf, Sentences.TheBuilds);
        }
        catch (UnreadableException)
        {
            // One of them: each by itself.
        }
        var list = new List<Shelved>();
        foreach (var id in await shelf.Select(b => b.Id).ToListAsync())
        {
            try
            {
                list.AddRange(await Shelved(shelf.Where(b => b.Id == id), BuildStore.What(id)));
            }
            catch (UnreadableException problem)
            {
                list.Add(new Shelved(id, null, problem.Message, DateTime.UnixEpoch, false));
            }
        }
        return list;
    }

    private Task<IReadOnlyList<Shelved>> Shelved(IQueryable<BuildRow> some, string what) =>
        Stored.Read<IReadOnlyList<Shelved>>(
            what,
            async () =>
            {
                var rows = await some.ToListAsync();
                // The state that stands, and those beside it: they say what undo and redo would do.
                var near = await db
                    .States.AsNoTracking()
                    .Join(some, s => s.BuildId, b => b.Id, (State, Build) => new { State, Build.Cursor })
                    .Where(n => n.State.Place >= n.Cursor - 1 && n.State.Place <= n.Cursor + 1)
                    .Select(n => n.State)
                    .ToListAsync();
                var of = near.ToLookup(s => s.BuildId);
                return rows.ConvertAll(row => Shelved(row, [.. of[row.Id]]));
            }
        );

    // A document that cannot be read is told on its card.
    private static Shelved Shelved(BuildRow row, IReadOnlyList<StateRow> near)
    {
        var isAside = row.ArchivedAt is not null;
        try
        {
            return new Shelved(row.Id, BuildStore.Read(row, near), null, row.ChangedAt, isAside);
        }
        catch (UnreadableException problem)
        {
            return new Shelved(row.Id, null, problem.Message, row.ChangedAt, isAside);
        }
    }

    /// <summary>The shelf's cards as they were last made, of whatever version.</summary>
    public async Task<IReadOnlyDictionary<string, CardRow>> Cards()
    {
        try
        {
            return await Stored.Read(
                Sentences.TheCards,
                () => db.Cards.AsNoTracking().ToDictionaryAsync(c => c.BuildId)
            );
        }
        catch (UnreadableException)
        {
            // They can all be made again.
            return new Dictionary<string, CardRow>();
        }
    }

    /// <summary>Keeps a card. It can always be made again, so a disk that takes nothing keeps nobody from looking at the shelf.</summary>
    public async Task Keep(CardRow card)
    {
        try
        {
            await db.Database.ExecuteSqlAsync(
                $"INSERT INTO Cards (BuildId, Version, Program, Json) VALUES ({card.BuildId}, {card.Version}, {card.Program}, {card.Json}) ON CONFLICT (BuildId) DO UPDATE SET Version = excluded.Version, Program = excluded.Program, Json = excluded.Json WHERE excluded.Version >= Version"
            );
        }
        catch (Microsoft.Data.Sqlite.SqliteException)
        {
            // Nothing is lost: the next look makes it again.
        }
    }
}
