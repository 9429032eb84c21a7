using System.Text.Json;
using Gorvix.Core.Files.Formats;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>Evenings on which several play the same drills, with what each has scored.</summary>
public sealed class EveningStore(GorvixDb db, DrillStore drills, TimeProvider time)
{
    /// <summary>The most drills of an evening.</summary>
    public const int MostDrills = 12;

    /// <summary>The most evenings that are kept.</summary>
    public const int MostEvenings = 100;

    /// <summary>The most players of an evening.</summary>
    public const int MostPlayers = 50;

    /// <summary>The longest name, in characters.</summary>
    public const int MostName = 60;

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    /// <summary>Makes an evening.</summary>
    /// <exception cref="UnfitException">There are too many.</exception>
    public async Task<EveningRow> Make(string name, DrillAbout about, IReadOnlyList<DrillOrder> orders)
    {
        if (await db.Evenings.CountAsync() >= MostEvenings)
        {
            throw new UnfitException(Sentences.SessionLimitReachedDeleteAn(MostEvenings));
        }
        var row = new EveningRow
        {
            Id = DrillStore.NewId(),
            Name = name,
            Build = about.Name,
            Deck = about.Deck,
            Source = about.Source,
            Orders = JsonSerializer.Serialize(orders, Json),
            MadeAt = time.GetUtcNow().UtcDateTime,
        };
        await using var transaction = await db.Database.BeginTransactionAsync();
        await drills.KeepSource(about);
        db.Evenings.Add(row);
        await db.SaveChangesAsync();
        await transaction.CommitAsync();
        return row;
    }

    /// <summary>An evening.</summary>
    /// <exception cref="NotFoundException">There is none.</exception>
    public async Task<EveningRow> Find(string id) =>
        await db.Evenings.AsNoTracking().FirstOrDefaultAsync(e => e.Id == id)
        ?? throw NotFoundException.Drill("session");

    /// <summary>All evenings, the last one first.</summary>
    public Task<List<EveningRow>> All() =>
        db.Evenings.AsNoTracking().OrderByDescending(e => e.MadeAt).ThenBy(e => e.Id).ToListAsync();

    /// <summary>The orders of an evening.</summary>
    public static IReadOnlyList<DrillOrder> OrdersOf(EveningRow row) =>
        JsonSerializer.Deserialize<List<DrillOrder>>(row.Orders, Json)!;

    /// <summary>Everything that is played or was played on an evening.</summary>
    public Task<List<DrillRow>> Played(string id) =>
        db.Drills.AsNoTracking().Where(d => d.Evening == id).OrderBy(d => d.StartedAt).ToListAsync();

    /// <summary>True where somebody plays already, or may begin to.</summary>
    public async Task<bool> HasRoom(string id, string player)
    {
        var players = await db.Drills.Where(d => d.Evening == id).Select(d => d.Player).Distinct().ToListAsync();
        return players.Count < MostPlayers || players.Contains(player);
    }

    /// <summary>Closes an evening: what was begun may be ended, nothing new is begun.</summary>
    public async Task Close(string id)
    {
        var row = await db.Evenings.FirstOrDefaultAsync(e => e.Id == id) ?? throw NotFoundException.Drill("session");
        row.ClosedAt ??= time.GetUtcNow().UtcDateTime;
        await db.SaveChangesAsync();
    }

    /// <summary>Removes an evening with its scores.</summary>
    public async Task Remove(string id)
    {
        if (await db.Evenings.Where(e => e.Id == id).ExecuteDeleteAsync() == 0)
        {
            throw NotFoundException.Drill("session");
        }
        await drills.Sweep();
    }
}
