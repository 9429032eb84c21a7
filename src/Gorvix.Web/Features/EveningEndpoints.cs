using Gorvix.Core.Files.Formats;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>An evening in a list.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Build">What the build is called.</param>
/// <param name="Drills">How many drills it has.</param>
/// <param name="Players">How many play.</param>
/// <param name="MadeAt">When it was made, UTC.</param>
/// <param name="IsClosed">True when nothing new is begun any more.</param>
public sealed record EveningLine(
    string Id,
    string Name,
    string Build,
    int Drills,
    int Players,
    DateTime MadeAt,
    bool IsClosed
);

/// <summary>A drill of an evening.</summary>
/// <param name="Number">Its place, from 1.</param>
/// <param name="Kind">What is practised.</param>
/// <param name="Level">How hard it is.</param>
/// <param name="Own">Id of one's own try; null while there is none.</param>
/// <param name="Score">What one has scored; null while one has not ended it.</param>
public sealed record EveningDrill(int Number, DrillKind Kind, int Level, string? Own, int? Score);

/// <summary>A player of an evening.</summary>
/// <param name="Rank">His place; those that have scored as much share one.</param>
/// <param name="Name">His name.</param>
/// <param name="Total">The sum of his scores.</param>
/// <param name="Minutes">Minutes of a bench that he has used in all.</param>
/// <param name="Scores">His score of each drill; null where he has not ended it.</param>
public sealed record EveningPlayer(int Rank, string Name, int Total, double Minutes, IReadOnlyList<int?> Scores);

/// <summary>An evening as it stands.</summary>
/// <param name="Line">It in a list.</param>
/// <param name="Player">Who asks; empty where nobody said.</param>
/// <param name="Drills">Its drills.</param>
/// <param name="Players">Who plays, the best first.</param>
public sealed record EveningView(
    EveningLine Line,
    string Player,
    IReadOnlyList<EveningDrill> Drills,
    IReadOnlyList<EveningPlayer> Players
);

/// <summary>An evening to make.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Build">Id of the build that is practised on.</param>
/// <param name="Kinds">What is practised, in turn.</param>
/// <param name="Drills">How many drills.</param>
/// <param name="Level">How hard, 1 to 5.</param>
/// <param name="Seed">What they are drawn by; anything where nothing is said.</param>
public sealed record EveningRequest(
    string Name,
    string Build,
    IReadOnlyList<DrillKind> Kinds,
    int Drills,
    int Level,
    int? Seed = null
);

/// <summary>Evenings on which several play the same drills.</summary>
internal static class EveningEndpoints
{
    public static void MapEvenings(this IEndpointRouteBuilder app)
    {
        var evenings = app.MapGroup("/api/evenings").WithTags("Drills");
        evenings.MapGet("", List).WithName("listEvenings").ForGuests();
        evenings.MapPost("", Make).Creates<EveningView>("makeEvening", 404, 422);
        evenings.MapGet("{id}", Get).Answers<EveningView>("getEvening", 404).ForGuests();
        evenings.MapPost("{id}/drills/{number:int}", Play).Creates<DrillView>("playEveningDrill", 404, 422).ForGuests();
        evenings
            .MapPost(
                "{id}/close",
                async (string id, EveningStore store, Author who) =>
                {
                    await store.Close(id);
                    return await View(await store.Find(id), store, who);
                }
            )
            .Answers<EveningView>("closeEvening", 404);
        evenings
            .MapDelete("{id}", async (string id, EveningStore store) => await store.Remove(id))
            .WithName("removeEvening")
            .ProducesProblem(404);
        evenings.MapGet("{id}/file", File).WithName("getEveningFile").ProducesProblem(404);
    }

    private static async Task<IReadOnlyList<EveningLine>> List(EveningStore store)
    {
        var lines = new List<EveningLine>();
        foreach (var row in await store.All())
        {
            lines.Add(Line(row, await store.Played(row.Id)));
        }
        return lines;
    }

    private static async Task<IResult> Make(
        EveningRequest request,
        DrillService room,
        EveningStore store,
        Author who,
        CancellationToken stop
    )
    {
        var name = string.Concat(request.Name.Where(c => !char.IsControl(c))).Trim();
        if (name.Length is 0 or > EveningStore.MostName)
        {
            return Problems.Of(422, Sentences.EnterASessionNameOf(EveningStore.MostName));
        }
        if (request.Drills is < 1 or > EveningStore.MostDrills)
        {
            return Problems.Of(422, Sentences.Choose1ToDrillsFor(EveningStore.MostDrills));
        }
        if (request.Kinds.Count is 0 or > 4)
        {
            return Problems.Of(422, Sentences.ChooseAtLeastOneType);
        }
        var about = await room.About(request.Build, stop);
        var seed = request.Seed ?? Random.Shared.Next(DrillOrder.MostSeed + 1);
        var orders = new List<DrillOrder>();
        for (var i = 0; i < request.Drills; i++)
        {
            var order = new DrillOrder
            {
                Kind = request.Kinds[i % request.Kinds.Count],
                Level = request.Level,
                Seed = (seed + i) % (DrillOrder.MostSeed + 1),
            };
            if (order.Against().FirstOrDefault() is { Member: { } member } problem)
            {
                return Problems.Of(422, $"{member}: {problem.Problem}");
            }
            var drill = await room.Drawn(about, order, stop);
            orders.Add(order with { Mark = drill.Mark });
        }
        var row = await store.Make(name, about, orders);
        return Results.Created($"/api/evenings/{row.Id}", await View(row, store, who));
    }

    private static async Task<IResult> Get(string id, EveningStore store, Author who) =>
        Results.Ok(await View(await store.Find(id), store, who));

    private static async Task<IResult> Play(
        string id,
        int number,
        DrillService room,
        EveningStore store,
        DrillStore drills,
        Author who,
        CancellationToken stop
    )
    {
        var row = await store.Find(id);
        var orders = EveningStore.OrdersOf(row);
        if (who.Name.Length == 0)
        {
            return Problems.Of(422, Sentences.EnterYourNameFirstIt);
        }
        if (number < 1 || number > orders.Count)
        {
            return Problems.Of(404, Sentences.ThisSessionHasDrillsThere(orders.Count, number));
        }
        if (row.ClosedAt is not null)
        {
            return Problems.Of(422, Sentences.ThisSessionIsClosedAnd);
        }
        if (!await store.HasRoom(id, who.Name))
        {
            return Problems.Of(422, Sentences.ThisSessionIsFullPlayers(EveningStore.MostPlayers));
        }
        return await DrillEndpoints.Begun(
            await drills.About(row),
            orders[number - 1],
            (id, number),
            room,
            drills,
            who,
            stop
        );
    }

    private static async Task<EveningView> View(EveningRow row, EveningStore store, Author who)
    {
        var played = await store.Played(row.Id);
        var orders = EveningStore.OrdersOf(row);
        var players = played
            .GroupBy(d => d.Player)
            .Select(p => new EveningPlayer(
                0,
                p.Key,
                p.Sum(d => d.Score ?? 0),
                Math.Round(p.Sum(d => d.Minutes ?? 0), 1),
                [.. orders.Select((_, i) => p.FirstOrDefault(d => d.Number == i + 1)?.Score)]
            ))
            .OrderByDescending(p => p.Total)
            .ThenBy(p => p.Name, StringComparer.Ordinal)
            .ToList();
        return new EveningView(
            Line(row, played),
            who.Name,
            [
                .. orders.Select(
                    (o, i) =>
                    {
                        var own = played.Find(d => d.Number == i + 1 && d.Player == who.Name);
                        return new EveningDrill(i + 1, o.Kind, o.Level, own?.Id, own?.Score);
                    }
                ),
            ],
            [.. players.Select(p => p with { Rank = 1 + players.Count(q => q.Total > p.Total) })]
        );
    }

    private static EveningLine Line(EveningRow row, IReadOnlyList<DrillRow> played) =>
        new(
            row.Id,
            row.Name,
            row.Build,
            EveningStore.OrdersOf(row).Count,
            played.Select(d => d.Player).Distinct().Count(),
            row.MadeAt,
            row.ClosedAt is not null
        );

    private static async Task<IResult> File(string id, EveningStore store, DrillStore drills)
    {
        var row = await store.Find(id);
        var file = await drills.Source(row.Source) with { Drills = EveningStore.OrdersOf(row) };
        return Results.File(GorvixReader.Write(file), "application/json", $"evening-{row.Id}.gorvix.json");
    }
}
