using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Words;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>What a thing is that was found.</summary>
public enum FoundKind
{
    /// <summary>A build.</summary>
    Build,

    /// <summary>A link of the build that is open.</summary>
    Link,

    /// <summary>A pad of its board.</summary>
    Pad,

    /// <summary>A step of its wiring.</summary>
    Step,

    /// <summary>A setting of it.</summary>
    Setting,

    /// <summary>A check of it.</summary>
    Check,

    /// <summary>An entry of its log.</summary>
    Log,

    /// <summary>A board of the library.</summary>
    Board,

    /// <summary>A device of the library.</summary>
    Device,
}

/// <summary>A thing that was found.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Title">What it is called.</param>
/// <param name="About">What else is said of it; null for nothing.</param>
/// <param name="Id">Its id; for a pad the first port that it leads to; for a log entry its kind.</param>
/// <param name="Build">Id of the build that it belongs to; null for what is in the library.</param>
public sealed record FoundThing(FoundKind Kind, string Title, string? About, string Id, string? Build);

/// <summary>One field that finds everything: builds, parts, and what is in the build that is open.</summary>
internal static class FindEndpoints
{
    private const int MostOfAKind = 6;
    private const int MostEntries = 50;

    public static void MapFind(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/find", Find).WithTags("Find").Answers<IReadOnlyList<FoundThing>>("find", 422);

    private static async Task<IResult> Find(
        string? q,
        string? build,
        ShelfStore shelf,
        PartStore parts,
        BuildPlans plans,
        BuildSheets sheets,
        LogPages pages,
        CancellationToken stop
    )
    {
        if (ClubEndpoints.Asked(q) is not { } words)
        {
            return Problems.Of(422, Sentences.Enter1ToCharactersTo(ClubEndpoints.MostWords));
        }
        var builds = await shelf.All();
        var found = Ranked(words, builds.Select(Thing)).ToList();
        if (builds.FirstOrDefault(b => b.Id == build)?.Build is { } open)
        {
            found.InsertRange(0, Ranked(words, await Inside(open, plans, sheets, stop)));
            // The database looks through all that is stored of an entry; what is shown of it has to hold the words.
            var entries = await pages.Search([(open.Id, "")], words, MostEntries);
            found.AddRange(
                Ranked(
                    words,
                    entries.Select(e => new FoundThing(
                        FoundKind.Log,
                        e.Entry.Words,
                        e.Entry.At.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
                        ClubEndpoints.KindOf(e.Entry.Kind),
                        open.Id
                    ))
                )
            );
        }
        found.AddRange(Ranked(words, Library(await parts.Everything())));
        return Results.Ok(found);
    }

    /// <summary>Those that hold all words, of each kind the nearest first: called so, beginning so, with it in the name, with it in the rest.</summary>
    public static IEnumerable<FoundThing> Ranked(IReadOnlyList<string> words, IEnumerable<FoundThing> things)
    {
        var whole = string.Join(' ', words);
        int Distance(FoundThing thing) =>
            thing.Title.Equals(whole, StringComparison.OrdinalIgnoreCase) ? 0
            : thing.Title.StartsWith(whole, StringComparison.OrdinalIgnoreCase) ? 1
            : words.All(w => thing.Title.Contains(w, StringComparison.OrdinalIgnoreCase)) ? 2
            : 3;
        return things
            .Where(t => words.All(w => $"{t.Title} {t.About}".Contains(w, StringComparison.OrdinalIgnoreCase)))
            .GroupBy(t => t.Kind)
            .OrderBy(g => g.Key)
            .SelectMany(g => g.OrderBy(Distance).Take(MostOfAKind));
    }

    private static FoundThing Thing(Shelved shelved) =>
        new(
            FoundKind.Build,
            shelved.Build?.Build.Name ?? shelved.Id,
            shelved.IsArchived ? Sentences.Archived : null,
            shelved.Id,
            shelved.Id
        );

    private static async Task<IEnumerable<FoundThing>> Inside(
        StoredBuild stored,
        BuildPlans plans,
        BuildSheets sheets,
        CancellationToken stop
    )
    {
        PlannedBuild planned;
        try
        {
            planned = await plans.Planned(stored, stop);
        }
        catch (Exception problem) when (problem is UnplannableException or UnreadableException)
        {
            // Its own screen says why it cannot be looked at.
            return [];
        }
        var wired = planned.Reader.Wired;
        var id = stored.Id;
        return
        [
            .. wired.Build.Links.Select(l => new FoundThing(
                FoundKind.Link,
                Phrase.Upper(PlainWords.Of(l.Function.Need)),
                l.Device.Name,
                l.Id,
                id
            )),
            .. FaceReader
                .Of(wired.Build.Board)
                .Pads.Select(p => new FoundThing(
                    FoundKind.Pad,
                    p.Label,
                    p.Words,
                    p.Ports is [var port, ..] ? port : "",
                    id
                )),
            .. (await sheets.Loom(planned, stop)).Steps.Select(s => new FoundThing(
                FoundKind.Step,
                s.Words,
                null,
                s.Id,
                id
            )),
            .. (await sheets.Settings(planned, stop)).Settings.Select(s => new FoundThing(
                FoundKind.Setting,
                s.Words,
                s.Why,
                s.Key,
                id
            )),
            .. (await sheets.Bench(planned, null, stop)).Checks.Select(c => new FoundThing(
                FoundKind.Check,
                c.Title,
                c.Do,
                c.Id,
                id
            )),
        ];
    }

    private static IEnumerable<FoundThing> Library(PartsLibrary library) =>
        [
            .. library.Boards.Select(b => new FoundThing(
                FoundKind.Board,
                $"{b.Maker} {b.Name}",
                Sentences.RevisionAndClass(b.Revision, b.Controller.ToString()),
                b.Id,
                null
            )),
            .. library.Devices.Select(d => new FoundThing(
                FoundKind.Device,
                $"{d.Maker} {d.Name}",
                PlainWords.Of(d.Kind),
                d.Id,
                null
            )),
        ];
}
