using Gorvix.Core.Wired.Words;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A craft of the club: what is open, doubtful or due on it, and what flies in it.</summary>
/// <param name="Id">Id of the build.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Problem">Why it cannot be looked at, as a sentence; null where it can.</param>
/// <param name="Proved">How many checks are proved.</param>
/// <param name="Checks">How many there are.</param>
/// <param name="Stopped">Checks that said stop, by their titles.</param>
/// <param name="Doubtful">Doubtful checks, by their titles.</param>
/// <param name="DueAgain">Checks that a change has touched, by their titles.</param>
/// <param name="Dues">What is due by date or flights, in words.</param>
/// <param name="Flights">How many flights were noted.</param>
/// <param name="Parts">What flies in it.</param>
public sealed record ClubCraft(
    string Id,
    string Name,
    string? Problem,
    int Proved,
    int Checks,
    IReadOnlyList<string> Stopped,
    IReadOnlyList<string> Doubtful,
    IReadOnlyList<string> DueAgain,
    IReadOnlyList<string> Dues,
    int Flights,
    IReadOnlyList<ClubPart> Parts
)
{
    /// <summary>True while a fault of it is looked for.</summary>
    public bool IsSearched { get; init; }

    /// <summary>How far the wiring is; null where many builds are asked for.</summary>
    public ClubProgress? Wiring { get; init; }

    /// <summary>How far its settings are; null where many builds are asked for.</summary>
    public ClubProgress? Settings { get; init; }
}

/// <summary>How far something is.</summary>
/// <param name="Done">How many steps are done.</param>
/// <param name="All">How many there are.</param>
public sealed record ClubProgress(int Done, int All);

/// <summary>A part that flies.</summary>
/// <param name="Device">Id within the build; null for the board and the firmware.</param>
/// <param name="Kind">Board, firmware, or what the device is.</param>
/// <param name="Part">Id in the library.</param>
/// <param name="Name">Its name.</param>
/// <param name="Batch">Its batch; null where nobody has noted it.</param>
public sealed record ClubPart(string? Device, string Kind, string Part, string Name, string? Batch);

/// <summary>Something that was found.</summary>
/// <param name="Build">Id of the build.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Kind">Where it was found: part, link, change, reading, note, photo, text.</param>
/// <param name="Number">Number of the entry; null for parts and links.</param>
/// <param name="At">When, UTC; null for parts and links.</param>
/// <param name="Words">What was found.</param>
public sealed record FoundLine(string Build, string Name, string Kind, int? Number, DateTime? At, string Words);

/// <summary>All builds at once.</summary>
internal static class ClubEndpoints
{
    internal const int MostWords = 100;
    private const int MostFound = 200;

    public static void MapClub(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/club", Club).WithTags("Club").WithName("getClub");
        app.MapGet("/api/search", Search).WithTags("Club").Answers<IReadOnlyList<FoundLine>>("searchAll", 422);
        app.MapGet("/api/builds/{id}/craft", One).WithTags("Club").Answers<ClubCraft>("getCraft", 404);
    }

    private static async Task<IReadOnlyList<ClubCraft>> Club(ShelfStore shelf, Fleet fleet, CancellationToken stop) =>
        await fleet.Of([.. (await shelf.All()).Where(b => !b.IsArchived)], stop);

    private static async Task<IResult> One(string id, BuildStore builds, Fleet fleet, CancellationToken stop)
    {
        var stored = await builds.Get(id);
        var shelved = new Shelved(id, stored, null, stored.ChangedAt, stored.IsArchived);
        return Results.Ok(await fleet.WithProgress(stored, (await fleet.Of([shelved], stop))[0], stop));
    }

    private static async Task<IResult> Search(
        string? q,
        ShelfStore shelf,
        PartStore parts,
        LogPages pages,
        CancellationToken stop
    )
    {
        if (Asked(q) is not { } words)
        {
            return Problems.Of(422, Sentences.Enter1ToCharactersTo(MostWords));
        }
        bool Holds(string text) => words.All(w => text.Contains(w, StringComparison.OrdinalIgnoreCase));
        var found = new List<FoundLine>();
        var builds = (await shelf.All()).Select(b => b.Build).OfType<StoredBuild>().ToList();
        var library = await parts.Everything();
        var entries = (await pages.Search([.. builds.Select(b => (b.Id, b.Build.Name))], words, MostFound)).ToLookup(
            e => e.Build,
            e => e.Entry
        );
        foreach (var stored in builds.TakeWhile(_ => found.Count < MostFound))
        {
            stop.ThrowIfCancellationRequested();
            void Add(string kind, string text)
            {
                if (Holds($"{stored.Build.Name} {text}"))
                {
                    found.Add(new FoundLine(stored.Id, stored.Build.Name, kind, null, null, text));
                }
            }
            foreach (var part in Fleet.Parts(stored.Build, library))
            {
                Add("part", $"{part.Kind} {part.Name}{(part.Batch is { } batch ? $", batch {batch}" : "")}");
            }
            var named = new ChangeWords(stored.Build, library);
            foreach (var want in stored.Build.Wants)
            {
                Add("link", $"{named.Link(want.Link)} of {named.Device(want.Device)}");
            }
            if (stored.Build.Note is { } note)
            {
                Add("note", note);
            }
            found.AddRange(
                entries[stored.Id]
                    .Select(e => new FoundLine(stored.Id, stored.Build.Name, KindOf(e.Kind), e.Number, e.At, e.Words))
            );
        }
        return Results.Ok(found.Take(MostFound));
    }

    /// <summary>The words that are looked for; null where there are none, too many, or what nobody types: the database would end a text at a zero.</summary>
    internal static IReadOnlyList<string>? Asked(string? q) =>
        q is { Length: <= MostWords }
        && !q.Any(char.IsControl)
        && q.Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries) is { Length: > 0 } words
            ? words
            : null;

    internal static string KindOf(EntryKind kind) =>
        kind switch
        {
            EntryKind.Change => "change",
            EntryKind.Reading => "reading",
            EntryKind.Text => "dump",
            EntryKind.Photo => "photo",
            _ => "note",
        };
}
