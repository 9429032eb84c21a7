using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Work.Drills;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>Drills that are played or were, and when their cards come back.</summary>
public sealed class DrillStore(GorvixDb db, TimeProvider time)
{
    /// <summary>The most things that are done in one drill.</summary>
    public const int MostActs = 400;

    // Older ones teach nobody any more.
    private const int MostKept = 500;

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    /// <summary>The day, where the program runs: what is due is due by the calendar on the wall.</summary>
    public DateOnly Today => DateOnly.FromDateTime(time.GetLocalNow().LocalDateTime);

    /// <summary>What drills on a build are about; nothing is kept by this.</summary>
    /// <param name="file">The build with its parts.</param>
    /// <param name="deck">What its questions belong to; null for the file itself.</param>
    public static DrillAbout About(GorvixFile file, string? deck)
    {
        var document = JsonSerializer.Serialize(file with { Drills = [] }, GorvixJson.Compact);
        var hash = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(document)))[..32];
        return new DrillAbout(hash, deck ?? $"file/{hash}", file.Builds[0].Name, file);
    }

    /// <summary>What an evening's drills are about.</summary>
    public async Task<DrillAbout> About(EveningRow evening) =>
        new(evening.Source, evening.Deck, evening.Build, await Source(evening.Source));

    /// <summary>Keeps a build once for all drills on it; to be called within a transaction, so that nobody removes it meanwhile.</summary>
    internal async Task KeepSource(DrillAbout about)
    {
        if (!await db.DrillSources.AnyAsync(s => s.Hash == about.Source))
        {
            db.DrillSources.Add(
                new DrillSourceRow
                {
                    Hash = about.Source,
                    Document = JsonSerializer.Serialize(about.File with { Drills = [] }, GorvixJson.Compact),
                }
            );
        }
    }

    /// <summary>A build that drills are about, with its parts.</summary>
    public async Task<GorvixFile> Source(string hash)
    {
        var row =
            await db.DrillSources.AsNoTracking().FirstOrDefaultAsync(s => s.Hash == hash)
            ?? throw NotFoundException.Drill("drill");
        return GorvixReader.Read(Encoding.UTF8.GetBytes(row.Document), PartsLibrary.Empty).File
            ?? throw NotFoundException.Drill("drill");
    }

    /// <summary>Begins a drill.</summary>
    /// <param name="player">Who plays.</param>
    /// <param name="about">The build that it is about.</param>
    /// <param name="order">The order.</param>
    /// <param name="evening">The evening that it is part of with its place there, or null.</param>
    public async Task<DrillRow> Begin(
        string player,
        DrillAbout about,
        DrillOrder order,
        (string Id, int Number)? evening = null
    )
    {
        var row = new DrillRow
        {
            Id = NewId(),
            Player = player,
            Kind = order.Kind,
            Level = order.Level,
            Deck = about.Deck,
            Name = about.Name,
            Source = about.Source,
            Order = JsonSerializer.Serialize(order, Json),
            Acts = "[]",
            StartedAt = time.GetUtcNow().UtcDateTime,
            Evening = evening?.Id,
            Number = evening?.Number,
        };
        // SQLite gives the right to write to one at a time, from here on.
        await using var transaction = await db.Database.BeginTransactionAsync();
        await KeepSource(about);
        db.Drills.Add(row);
        try
        {
            await db.SaveChangesAsync();
            await transaction.CommitAsync();
        }
        catch (DbUpdateException problem) when (evening is var (id, number) && StorageFault.IsContent(problem))
        {
            // Begun in two windows at once: there is one try at each drill of an evening.
            db.Entry(row).State = EntityState.Detached;
            return await db
                .Drills.AsNoTracking()
                .FirstAsync(d => d.Evening == id && d.Number == number && d.Player == player);
        }
        await Trim(player);
        return row;
    }

    /// <summary>A drill.</summary>
    /// <exception cref="NotFoundException">There is none.</exception>
    public async Task<DrillRow> Find(string id) =>
        await db.Drills.AsNoTracking().FirstOrDefaultAsync(d => d.Id == id) ?? throw NotFoundException.Drill("drill");

    /// <summary>The order of a drill.</summary>
    public static DrillOrder OrderOf(DrillRow row) => JsonSerializer.Deserialize<DrillOrder>(row.Order, Json)!;

    /// <summary>What was done in a drill.</summary>
    public static IReadOnlyList<DrillAct> ActsOf(DrillRow row) =>
        JsonSerializer.Deserialize<List<DrillAct>>(row.Acts, Json)!;

    /// <summary>Keeps what was done in a drill; where it has ended, what it came to and when its cards come back.</summary>
    /// <param name="id">The drill.</param>
    /// <param name="seen">How often it was written when the writer saw it.</param>
    /// <param name="acts">What was done.</param>
    /// <param name="result">What it came to; null while it goes on.</param>
    /// <exception cref="ConflictException">Somebody else has written it since, or it has ended.</exception>
    public async Task<DrillRow> Keep(string id, int seen, IReadOnlyList<DrillAct> acts, DrillResult? result)
    {
        var row = await db.Drills.FirstOrDefaultAsync(d => d.Id == id) ?? throw NotFoundException.Drill("drill");
        if (row.Step != seen || row.EndedAt is not null)
        {
            throw ConflictException.Drill();
        }
        if (acts.Count > MostActs)
        {
            throw new UnfitException(Sentences.DrillLimitReachedActionsStart(MostActs));
        }
        row.Step++;
        row.Acts = JsonSerializer.Serialize(acts, Json);
        if (result is not null)
        {
            row.EndedAt = time.GetUtcNow().UtcDateTime;
            (row.Score, row.Minutes, row.Best) = (result.Score, result.Minutes, result.Best);
            await Remember(row, result.Cards);
        }
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateConcurrencyException)
        {
            throw ConflictException.Drill();
        }
        return row;
    }

    /// <summary>Drills that somebody has ended, the last one first.</summary>
    /// <param name="player">Who plays.</param>
    /// <param name="most">How many at most.</param>
    public Task<List<DrillRow>> Ended(string player, int most = MostKept) =>
        db
            .Drills.AsNoTracking()
            .Where(d => d.Player == player && d.EndedAt != null)
            .OrderByDescending(d => d.EndedAt)
            .ThenByDescending(d => d.StartedAt)
            .Take(most)
            .ToListAsync();

    /// <summary>The drill of the same kind and level that its player has ended last before it; null where there is none.</summary>
    public Task<DrillRow?> Before(DrillRow row)
    {
        var until = row.EndedAt ?? DateTime.MaxValue;
        return db
            .Drills.AsNoTracking()
            .Where(d =>
                d.Player == row.Player
                && d.Kind == row.Kind
                && d.Level == row.Level
                && d.Id != row.Id
                && d.EndedAt <= until
            )
            .OrderByDescending(d => d.EndedAt)
            .ThenByDescending(d => d.StartedAt)
            .FirstOrDefaultAsync();
    }

    /// <summary>Drills that somebody has begun and not ended, the last one first.</summary>
    public Task<List<DrillRow>> Open(string player) =>
        db
            .Drills.AsNoTracking()
            .Where(d => d.Player == player && d.EndedAt == null)
            .OrderByDescending(d => d.StartedAt)
            .Take(MostKept)
            .ToListAsync();

    /// <summary>Cards that are due, the oldest first.</summary>
    /// <param name="player">Who plays.</param>
    /// <param name="kind">What is practised.</param>
    /// <param name="deck">What they belong to.</param>
    public Task<List<string>> Due(string player, DrillKind kind, string deck)
    {
        var today = Today;
        return db
            .Recalls.Where(r => r.Player == player && r.Kind == kind && r.Deck == deck && (r.Again || r.Due <= today))
            .OrderBy(r => r.Due)
            .ThenBy(r => r.Ease)
            .ThenBy(r => r.Card)
            .Select(r => r.Card)
            .ToListAsync();
    }

    /// <summary>How many cards of each kind and deck are due.</summary>
    public async Task<IReadOnlyList<(DrillKind Kind, string Deck, int Count)>> Due(string player)
    {
        var today = Today;
        var due = await db
            .Recalls.Where(r => r.Player == player && (r.Again || r.Due <= today))
            .GroupBy(r => new { r.Kind, r.Deck })
            .Select(g => new
            {
                g.Key.Kind,
                g.Key.Deck,
                Count = g.Count(),
            })
            .ToListAsync();
        return due.ConvertAll(d => (d.Kind, d.Deck, d.Count));
    }

    /// <summary>Gives a drill up that was never played: it is as if it had not been begun.</summary>
    public Task Drop(string id) => db.Drills.Where(d => d.Id == id && d.EndedAt == null).ExecuteDeleteAsync();

    /// <summary>Forgets what somebody has played, and when his cards come back; evenings keep their scores.</summary>
    public async Task Forget(string player)
    {
        await db.Drills.Where(d => d.Player == player && d.Evening == null).ExecuteDeleteAsync();
        await db.Recalls.Where(r => r.Player == player).ExecuteDeleteAsync();
        await Sweep();
    }

    /// <summary>What a deck is known by among the cards: faults are practised on any build.</summary>
    public static string DeckOf(DrillKind kind, string deck) => kind == DrillKind.Fault ? "" : deck;

    private async Task Remember(DrillRow row, IReadOnlyList<CardResult> cards)
    {
        var deck = DeckOf(row.Kind, row.Deck);
        foreach (var card in cards)
        {
            var known = await db.Recalls.FindAsync(row.Player, row.Kind, deck, card.Card);
            var next = ReviewSchedule.After(
                known is null
                    ? null
                    : new ReviewSchedule(known.Ease, known.Row, known.Days, known.Due, known.Asked, known.Again),
                card.Quality,
                Today
            );
            if (known is null)
            {
                db.Recalls.Add(
                    new RecallRow
                    {
                        Player = row.Player,
                        Kind = row.Kind,
                        Deck = deck,
                        Card = card.Card,
                        Ease = next.Ease,
                        Row = next.Row,
                        Days = next.Days,
                        Due = next.Due,
                        Asked = next.Asked,
                        Again = next.Again,
                    }
                );
            }
            else
            {
                (known.Ease, known.Row, known.Days) = (next.Ease, next.Row, next.Days);
                (known.Due, known.Asked, known.Again) = (next.Due, next.Asked, next.Again);
            }
        }
    }

    private async Task Trim(string player)
    {
        var old = await db
            .Drills.Where(d => d.Player == player && d.Evening == null)
            .OrderByDescending(d => d.StartedAt)
            .Skip(MostKept)
            .Select(d => d.Id)
            .ToListAsync();
        if (old.Count > 0)
        {
            await db.Drills.Where(d => old.Contains(d.Id)).ExecuteDeleteAsync();
            await Sweep();
        }
    }

    /// <summary>Removes builds that no drill and no evening is about any more.</summary>
    internal Task Sweep() =>
        db
            .DrillSources.Where(s =>
                !db.Drills.Any(d => d.Source == s.Hash) && !db.Evenings.Any(e => e.Source == s.Hash)
            )
            .ExecuteDeleteAsync();

    /// <summary>An id that nobody guesses.</summary>
    internal static string NewId() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(8));
}

/// <summary>The build that drills are about.</summary>
/// <param name="Source">Hash of it with its parts.</param>
/// <param name="Deck">What its questions belong to: the id of a build, or the hash of a file.</param>
/// <param name="Name">What it is called.</param>
/// <param name="File">It, with its parts.</param>
public sealed record DrillAbout(string Source, string Deck, string Name, GorvixFile File);
