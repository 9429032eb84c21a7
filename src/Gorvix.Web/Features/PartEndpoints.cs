using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Storage;
using Microsoft.AspNetCore.Mvc;

namespace Gorvix.Web.Features;

/// <summary>A board as it can be changed.</summary>
/// <param name="Part">What it says.</param>
/// <param name="Version">To be sent back with a change.</param>
/// <param name="IsArchived">True when it is laid aside.</param>
/// <param name="History">Its states, the newest first; empty for one that is as it came.</param>
public sealed record BoardSheet(Board Part, int Version, bool IsArchived, IReadOnlyList<PartStep> History);

/// <summary>A device as it can be changed.</summary>
/// <inheritdoc cref="BoardSheet"/>
public sealed record DeviceSheet(Device Part, int Version, bool IsArchived, IReadOnlyList<PartStep> History);

/// <summary>A changed board.</summary>
/// <param name="Version">The version that it was made from.</param>
/// <param name="Part">The new state; its id is the one in the address.</param>
public sealed record BoardChange(int Version, Board Part);

/// <summary>A changed device.</summary>
/// <inheritdoc cref="BoardChange"/>
public sealed record DeviceChange(int Version, Device Part);

/// <summary>A step back to an earlier state of a part.</summary>
/// <param name="Version">The version that the writer has seen.</param>
/// <param name="To">The version to bring back.</param>
public sealed record PartBack(int Version, int To);

/// <summary>Making, changing, laying aside and removing parts of the library.</summary>
internal static class PartEndpoints
{
    public static void MapParts(this IEndpointRouteBuilder app)
    {
        Map(
            app.MapGroup("/api/library/boards").WithTags("Library"),
            PartKind.Board,
            sheet: async (string id, PartKeeper keeper) => await BoardOf(id, keeper),
            make: (Board board, PartService bench) => Make(board, bench),
            change: (string id, BoardChange change, PartService bench, CancellationToken stop) =>
                bench.Put(PartKind.Board, id, change.Version, change.Part with { Id = id }, null, stop),
            preview: (string id, Board board, PartService bench, CancellationToken stop) =>
                bench.Preview(PartKind.Board, id, board with { Id = id }, stop),
            back: async (string id, PartBack back, PartKeeper keeper, PartService bench, CancellationToken stop) =>
                await bench.Put(
                    PartKind.Board,
                    id,
                    back.Version,
                    await keeper.At<Board>(PartKind.Board, id, back.To),
                    Back(back),
                    stop
                )
        );
        Map(
            app.MapGroup("/api/library/devices").WithTags("Library"),
            PartKind.Device,
            sheet: async (string id, PartKeeper keeper) => await DeviceOf(id, keeper),
            make: (Device device, PartService bench) => Make(device, bench),
            change: (string id, DeviceChange change, PartService bench, CancellationToken stop) =>
                bench.Put(PartKind.Device, id, change.Version, change.Part with { Id = id }, null, stop),
            preview: (string id, Device device, PartService bench, CancellationToken stop) =>
                bench.Preview(PartKind.Device, id, device with { Id = id }, stop),
            back: async (string id, PartBack back, PartKeeper keeper, PartService bench, CancellationToken stop) =>
                await bench.Put(
                    PartKind.Device,
                    id,
                    back.Version,
                    await keeper.At<Device>(PartKind.Device, id, back.To),
                    Back(back),
                    stop
                )
        );
    }

    // Boards and devices have the same ways; only what a request carries is of another type.
    private static void Map(
        RouteGroupBuilder group,
        PartKind kind,
        Delegate sheet,
        Delegate make,
        Delegate change,
        Delegate preview,
        Delegate back
    )
    {
        group.MapGet("{id}/sheet", sheet).WithName($"get{kind}Sheet").ProducesProblem(404);
        group.MapPost("", make).Creates<PartMade>($"create{kind}", 409, 422);
        Changes(group.MapPut("{id}", change).WithName($"change{kind}"));
        group.MapPost("{id}/preview", preview).WithName($"preview{kind}").ProducesProblem(422);
        Changes(group.MapPost("{id}/back", back).WithName($"bring{kind}Back"));
        Common(group, kind);
    }

    private static void Changes(RouteHandlerBuilder route) =>
        route.Produces<PartMade>().ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);

    private static void Common(RouteGroupBuilder group, PartKind kind)
    {
        group
            .MapPost(
                "{id}/archive",
                async (string id, PartKeeper keeper) =>
                {
                    await keeper.Archive(kind, id, aside: true);
                    return Results.NoContent();
                }
            )
            .AnswersNothing($"archive{kind}", 404);
        group
            .MapPost(
                "{id}/unarchive",
                async (string id, PartKeeper keeper) =>
                {
                    await keeper.Archive(kind, id, aside: false);
                    return Results.NoContent();
                }
            )
            .AnswersNothing($"unarchive{kind}", 404);
        group
            .MapDelete("{id}", ([FromRoute] string id, PartService bench) => bench.Remove(kind, id))
            .AnswersNothing($"remove{kind}", 404, 409);
    }

    // A new part is called after what it is, unless its file says otherwise.
    private static Task<IResult> Make(Board board, PartService bench)
    {
        var id = board.Id == "" ? Slug.OfBoard(board.Maker, board.Name, board.Revision) : board.Id;
        return bench.Create(PartKind.Board, id, board with { Id = id }, "Created", $"/api/library/boards/{id}");
    }

    private static Task<IResult> Make(Device device, PartService bench)
    {
        var id = device.Id == "" ? Slug.Of($"{device.Maker} {device.Name}") : device.Id;
        return bench.Create(PartKind.Device, id, device with { Id = id }, "Created", $"/api/library/devices/{id}");
    }

    private static string Back(PartBack back) => Sentences.RestoreVersionAlone(back.To);

    private static async Task<BoardSheet> BoardOf(string id, PartKeeper keeper)
    {
        var stored = await keeper.Get<Board>(PartKind.Board, id);
        return new BoardSheet(stored.Part, stored.Version, stored.IsArchived, await keeper.History(PartKind.Board, id));
    }

    private static async Task<DeviceSheet> DeviceOf(string id, PartKeeper keeper)
    {
        var stored = await keeper.Get<Device>(PartKind.Device, id);
        return new DeviceSheet(
            stored.Part,
            stored.Version,
            stored.IsArchived,
            await keeper.History(PartKind.Device, id)
        );
    }
}
