using Gorvix.Core.Bench;
using Gorvix.Core.Builds;
using Gorvix.Core.Log;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;
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
}

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
    private const int MostWords = 100;
    private const int MostFound = 200;

    public static void MapClub(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/club", Club).WithTags("Club").WithName("getClub");
        app.MapGet("/api/search", Search)
            .WithTags("Club")
            .WithName("searchAll")
            .Produces<IReadOnlyList<FoundLine>>()
            .ProducesProblem(422);
        app.MapGet("/api/builds/{id}/craft", One)
            .WithTags("Club")
            .WithName("getCraft")
            .Produces<ClubCraft>()
            .ProducesProblem(404);
    }

    private static async Task<IReadOnlyList<ClubCraft>> Club(
        BuildStore builds,
        PartStore parts,
        BuildPlans plans,
        LogStore log,
        FaultStore faults,
        TimeProvider time,
        CancellationToken stop
    )
    {
        var list = new List<ClubCraft>();
        foreach (var shelved in (await builds.All()).Where(b => !b.IsArchived))
        {
            list.Add(
                shelved.Build is { } stored
                    ? await Craft(stored, parts, plans, log, faults, time, stop)
                    : Broken(shelved.Id, shelved.Id, shelved.Problem!)
            );
        }
        return list;
    }

    private static async Task<IResult> One(
        string id,
        BuildStore builds,
        PartStore parts,
        BuildPlans plans,
        LogStore log,
        FaultStore faults,
        TimeProvider time,
        CancellationToken stop
    ) => Results.Ok(await Craft(await builds.Get(id), parts, plans, log, faults, time, stop));

    private static ClubCraft Broken(string id, string name, string problem) =>
        new(id, name, problem, 0, 0, [], [], [], [], 0, []);

    private static async Task<ClubCraft> Craft(
        StoredBuild stored,
        PartStore parts,
        BuildPlans plans,
        LogStore log,
        FaultStore faults,
        TimeProvider time,
        CancellationToken stop
    )
    {
        PlannedBuild planned;
        try
        {
            planned = await plans.Planned(stored, stop);
        }
        catch (UnplannableException problem)
        {
            return Broken(stored.Id, stored.Build.Name, problem.Message);
        }
        if (planned.Reader is null)
        {
            return Broken(stored.Id, stored.Build.Name, planned.Refused[0].Sentence);
        }
        var last = await log.LastReadings(stored.Id);
        var notes = await log.Counted(stored.Id);
        var view = await Workers.Run(() => BenchEndpoints.ViewOf(planned, last, time.GetLocalNow()), stop);
        var titles = view.Checks.ToDictionary(c => c.Id, c => c.Title);
        IReadOnlyList<string> In(CheckState state) =>
            [.. view.Standings.Where(s => s.State == state).Select(s => titles[s.Check])];
        return new ClubCraft(
            stored.Id,
            stored.Build.Name,
            null,
            view.Standings.Count(s => s.State == CheckState.Proved),
            view.Checks.Count,
            In(CheckState.Stopped),
            In(CheckState.Doubtful),
            In(CheckState.DueAgain),
            [
                .. Dues.Of(await log.Intervals(stored.Id), notes, time.GetUtcNow().UtcDateTime)
                    .Where(d => d.IsDue)
                    .Select(d => $"{d.Interval.Words}: {d.Words}"),
            ],
            notes.Sum(n => n.Flights),
            Parts(stored.Build, await parts.For(stored.Build))
        )
        {
            IsSearched = await faults.IsOpen(stored.Id),
        };
    }

    private static List<ClubPart> Parts(Build build, PartsLibrary library)
    {
        var list = new List<ClubPart>();
        if (library.Board(build.Board) is { } board)
        {
            list.Add(new ClubPart(null, "board", board.Id, $"{board.Name}, revision {board.Revision}", null));
        }
        if (build.Firmware is { } firmware && library.Profile(firmware) is { } profile)
        {
            list.Add(new ClubPart(null, "firmware", profile.Id, profile.Name, null));
        }
        foreach (var device in build.Devices)
        {
            if (library.Device(device.Part) is { } part)
            {
                list.Add(
                    new ClubPart(
                        device.Id,
                        Core.Words.PlainWords.Of(part.Kind),
                        part.Id,
                        device.Name is { } called ? $"{part.Name} \"{called}\"" : part.Name,
                        device.Batch
                    )
                );
            }
        }
        return list;
    }

    private static async Task<IResult> Search(
        string? q,
        BuildStore builds,
        PartStore parts,
        LogPages pages,
        CancellationToken stop
    )
    {
        var words = (q ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (words.Length == 0 || q!.Length > MostWords)
        {
            return Problems.Of(422, $"Enter 1 to {MostWords} characters to search.");
        }
        bool Holds(string text) => words.All(w => text.Contains(w, StringComparison.OrdinalIgnoreCase));
        var found = new List<FoundLine>();
        foreach (var shelved in await builds.All())
        {
            stop.ThrowIfCancellationRequested();
            if (shelved.Build is not { } stored)
            {
                continue;
            }
            void Add(string kind, string text, int? number = null, DateTime? at = null)
            {
                if (Holds($"{stored.Build.Name} {text}"))
                {
                    found.Add(new FoundLine(stored.Id, stored.Build.Name, kind, number, at, text));
                }
            }
            var library = await parts.For(stored.Build);
            foreach (var part in Parts(stored.Build, library))
            {
                Add("part", $"{part.Kind} {part.Name}{(part.Batch is { } batch ? $", batch {batch}" : "")}");
            }
            var named = new Core.Words.ChangeWords(stored.Build, library);
            foreach (var want in stored.Build.Wants)
            {
                Add("link", $"{named.Link(want.Link)} of {named.Device(want.Device)}");
            }
            if (stored.Build.Note is { } note)
            {
                Add("note", note);
            }
            // The words are looked for in the database; the name of the build counts with each.
            var rest = words.Where(w => !stored.Build.Name.Contains(w, StringComparison.OrdinalIgnoreCase)).ToList();
            foreach (var entry in await pages.Search(stored.Id, rest, MostFound))
            {
                found.Add(
                    new FoundLine(stored.Id, stored.Build.Name, KindOf(entry.Kind), entry.Number, entry.At, entry.Words)
                );
            }
            if (found.Count >= MostFound)
            {
                break;
            }
        }
        return Results.Ok(found.Take(MostFound));
    }

    private static string KindOf(EntryKind kind) =>
        kind switch
        {
            EntryKind.Change => "change",
            EntryKind.Reading => "reading",
            EntryKind.Text => "dump",
            EntryKind.Photo => "photo",
            _ => "note",
        };
}
