using System.Text;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Work.Drills;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A kind of drill, for somebody.</summary>
/// <param name="Kind">What is practised.</param>
/// <param name="Level">How hard the next one is.</param>
/// <param name="Due">How many of his cards are due.</param>
/// <param name="Played">How many he has played.</param>
/// <param name="Last">What the last one came to; null where there was none.</param>
public sealed record DrillKindView(DrillKind Kind, int Level, int Due, int Played, DrillPlayed? Last);

/// <summary>A drill that was played.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Kind">What was practised.</param>
/// <param name="Level">How hard it was.</param>
/// <param name="Name">What the build is called.</param>
/// <param name="At">When it ended, or was begun where it goes on, UTC.</param>
/// <param name="Score">0 to 100; null while it goes on.</param>
/// <param name="Minutes">Minutes of a bench that it took; null where none was needed.</param>
/// <param name="Best">Minutes that the best tester needs; null where none was needed.</param>
public sealed record DrillPlayed(
    string Id,
    DrillKind Kind,
    int Level,
    string Name,
    DateTime At,
    int? Score,
    double? Minutes,
    double? Best
);

/// <summary>What there is to practise.</summary>
/// <param name="Player">Who plays; empty where nobody said.</param>
/// <param name="Kinds">Each kind.</param>
/// <param name="Open">Drills that were begun, the last one first.</param>
/// <param name="Played">Drills that were played, the last one first.</param>
public sealed record DrillHall(
    string Player,
    IReadOnlyList<DrillKindView> Kinds,
    IReadOnlyList<DrillPlayed> Open,
    IReadOnlyList<DrillPlayed> Played
);

/// <summary>A drill to begin.</summary>
/// <param name="Kind">What is practised.</param>
/// <param name="Build">Id of the build.</param>
/// <param name="Level">How hard, 1 to 5; as hard as the player is good where nothing is said.</param>
/// <param name="Seed">What it is drawn by; anything where nothing is said, and then old mistakes come first.</param>
public sealed record DrillRequest(DrillKind Kind, string Build, int? Level = null, int? Seed = null);

/// <summary>A drill as it stands.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Step">To be sent back with what is done next.</param>
/// <param name="Order">The order.</param>
/// <param name="Name">What the build is called.</param>
/// <param name="Build">Id of the build on the shelf; null where it came with a file.</param>
/// <param name="Player">Who plays.</param>
/// <param name="Evening">The evening that it is part of, or null.</param>
/// <param name="Number">Its place in the evening, or null.</param>
/// <param name="Face">The board; it does not tell where its pads lead.</param>
/// <param name="Sheet">How it stands.</param>
/// <param name="Before">What the player's last one of the kind and level came to; null where there was none.</param>
/// <param name="Doubt">Why it may not be the drill that was sent; null where it is.</param>
public sealed record DrillView(
    string Id,
    int Step,
    DrillOrder Order,
    string Name,
    string? Build,
    string Player,
    string? Evening,
    int? Number,
    BoardFace Face,
    DrillSheet Sheet,
    DrillPlayed? Before,
    string? Doubt
);

/// <summary>Something that is done in a drill.</summary>
/// <param name="Step">How often it was written when the sender saw it.</param>
/// <param name="Act">What is done.</param>
public sealed record DrillActRequest(int Step, DrillAct Act);

/// <summary>A file with drills.</summary>
/// <param name="File">Its text.</param>
public sealed record DrillFileRequest(string File);

/// <summary>What became of a file with drills.</summary>
/// <param name="Drill">The drill that it began; null where it holds several.</param>
/// <param name="Evening">The evening that several became; null where it holds one.</param>
public sealed record DrillFileTaken(string? Drill, string? Evening);

/// <summary>The Drill screens.</summary>
internal static class DrillEndpoints
{
    private const int MostPlayed = 30;

    public static void MapDrills(this IEndpointRouteBuilder app)
    {
        var drills = app.MapGroup("/api/drills").WithTags("Drills");
        drills.MapGet("", Hall).WithName("getDrillHall").ForGuests();
        drills.MapPost("", Begin).Creates<DrillView>("beginDrill", 404, 422);
        drills.MapPost("file", Take).Creates<DrillFileTaken>("takeDrillFile", 422);
        drills
            .MapDelete("", async (DrillStore store, Author who) => await store.Forget(who.Name))
            .WithName("forgetDrills");
        drills.MapGet("{id}", Get).Answers<DrillView>("getDrill", 404).ForGuests();
        drills.MapPost("{id}", Do).Answers<DrillView>("doInDrill", 403, 404, 409, 422).ForGuests();
        drills.MapDelete("{id}", async (string id, DrillStore store) => await store.Drop(id)).WithName("dropDrill");
        drills.MapGet("{id}/file", File).WithName("getDrillFile").ProducesProblem(404);
    }

    private static async Task<DrillHall> Hall(DrillStore store, Author who)
    {
        var ended = await store.Ended(who.Name);
        var due = await store.Due(who.Name);
        return new DrillHall(
            who.Name,
            [
                .. Enum.GetValues<DrillKind>()
                    .Select(kind =>
                    {
                        var own = ended.Where(d => d.Kind == kind).ToList();
                        return new DrillKindView(
                            kind,
                            LevelOf(own),
                            due.Where(d => d.Kind == kind).Sum(d => d.Count),
                            own.Count,
                            own is [var last, ..] ? Played(last) : null
                        );
                    }),
            ],
            [.. (await store.Open(who.Name)).Take(MostPlayed).Select(Played)],
            [.. ended.Take(MostPlayed).Select(Played)]
        );
    }

    private static async Task<IResult> Begin(
        DrillRequest request,
        DrillService room,
        DrillStore store,
        Author who,
        CancellationToken stop
    )
    {
        var about = await room.About(request.Build, stop);
        var order = new DrillOrder
        {
            Kind = request.Kind,
            Level = request.Level ?? LevelOf([.. (await store.Ended(who.Name)).Where(d => d.Kind == request.Kind)]),
            Seed = request.Seed ?? Random.Shared.Next(DrillOrder.MostSeed + 1),
        };
        if (order.Against().FirstOrDefault() is { Member: { } member } problem)
        {
            return Problems.Of(422, $"{member}: {problem.Problem}");
        }
        // Who names the seed wants that drill and no other.
        if (request.Seed is null)
        {
            order = await room.Due(who.Name, about, order, stop);
        }
        return await Begun(about, order, null, room, store, who, stop);
    }

    /// <summary>Draws a drill, and only then keeps it as begun.</summary>
    internal static async Task<IResult> Begun(
        DrillAbout about,
        DrillOrder order,
        (string Id, int Number)? evening,
        DrillService room,
        DrillStore store,
        Author who,
        CancellationToken stop
    )
    {
        var drill = await room.Drawn(about, order, stop);
        var row = await store.Begin(who.Name, about, order with { Mark = order.Mark ?? drill.Mark }, evening);
        return Results.Created($"/api/drills/{row.Id}", await View(row, room, store, stop));
    }

    private static async Task<IResult> Take(
        DrillFileRequest request,
        DrillService room,
        DrillStore store,
        EveningStore evenings,
        PartStore parts,
        Author who,
        CancellationToken stop
    )
    {
        var (file, findings) = GorvixReader.Read(Encoding.UTF8.GetBytes(request.File), await parts.Everything());
        if (file is null)
        {
            return Problems.Of(findings);
        }
        if (file.Drills.Count == 0)
        {
            return Problems.Of(422, Sentences.NoDrillInThisFile);
        }
        var whole = GorvixFile.Of(file.Builds[0], file.Parts().With(await parts.Everything()));
        var about = DrillStore.About(whole, null);
        foreach (var order in file.Drills)
        {
            await room.Drawn(about, order, stop);
        }
        if (file.Drills is not [var only])
        {
            if (file.Drills.Count > EveningStore.MostDrills)
            {
                return Problems.Of(422, Sentences.TooManyDrillsInThis(EveningStore.MostDrills));
            }
            var evening = await evenings.Make(Shorter($"Imported: {about.Name}"), about, file.Drills);
            return Results.Created($"/api/evenings/{evening.Id}", new DrillFileTaken(null, evening.Id));
        }
        var row = await store.Begin(who.Name, about, only);
        return Results.Created($"/api/drills/{row.Id}", new DrillFileTaken(row.Id, null));
    }

    private static async Task<IResult> Get(string id, DrillService room, DrillStore store, CancellationToken stop) =>
        Results.Ok(await View(await store.Find(id), room, store, stop));

    private static async Task<IResult> Do(
        string id,
        DrillActRequest request,
        DrillService room,
        DrillStore store,
        Author who,
        StartOptions options,
        HttpContext context,
        CancellationToken stop
    )
    {
        var row = await store.Find(id);
        if (row.Player != who.Name && Doors.IsGuest(context, options.Club))
        {
            return Problems.Of(403, Sentences.ThisDrillIsPlayedBy(row.Player));
        }
        var act = request.Act;
        if (act.On.Length > DrillAct.MostId || act.Value.Length > DrillAct.MostId || !double.IsFinite(act.Seconds))
        {
            return Problems.Of(422, Sentences.ThisActionIsNotValid);
        }
        if (row.Step != request.Step)
        {
            throw ConflictException.Drill();
        }
        var (drill, _) = await room.Drawn(row, stop);
        var done = DrillStore.ActsOf(row);
        if (await Workers.Run(() => drill.Against(done, act), stop) is { } why)
        {
            return Problems.Of(422, why);
        }
        List<DrillAct> acts = [.. done, act];
        // What follows is computed first: what cannot be is not kept.
        var sheet = await Workers.Run(() => drill.Sheet(acts), stop);
        row = await store.Keep(id, request.Step, acts, sheet.Result);
        return Results.Ok(await View(row, room, store, stop));
    }

    private static async Task<DrillView> View(DrillRow row, DrillService room, DrillStore store, CancellationToken stop)
    {
        var order = DrillStore.OrderOf(row);
        var (drill, ground) = await room.Drawn(row, stop);
        var before = await store.Before(row);
        return new DrillView(
            row.Id,
            row.Step,
            order,
            row.Name,
            row.Deck.StartsWith("file/", StringComparison.Ordinal) ? null : row.Deck,
            row.Player,
            row.Evening,
            row.Number,
            // Played on the drawing: guests may not ask for photos, and its board need not be in this library.
            ground.Face with
            {
                Board = "",
            },
            await Workers.Run(() => drill.Sheet(DrillStore.ActsOf(row)), stop),
            before is null ? null : Played(before),
            order.Mark is null || order.Mark == drill.Mark ? null : Sentences.MadeWithAnotherVersionOf
        );
    }

    private static async Task<IResult> File(string id, DrillStore store)
    {
        var row = await store.Find(id);
        var file = await store.Source(row.Source) with { Drills = [DrillStore.OrderOf(row)] };
        return Results.File(
            GorvixReader.Write(file),
            "application/json",
            $"drill-{row.Kind}-{DrillStore.OrderOf(row).Seed}.gorvix.json".ToLowerInvariant()
        );
    }

    private static string Shorter(string name) =>
        name.Length > EveningStore.MostName ? name[..EveningStore.MostName] : name;

    // From the first to the last.
    private static int LevelOf(IReadOnlyList<DrillRow> own) =>
        DifficultyLevel.After(own.Reverse().Select(d => (d.Level, d.Score ?? 0)));

    private static DrillPlayed Played(DrillRow row) =>
        new(row.Id, row.Kind, row.Level, row.Name, row.EndedAt ?? row.StartedAt, row.Score, row.Minutes, row.Best);
}
