using Gorvix.Core.Describing;
using Gorvix.Core.Parts;
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
        var boards = app.MapGroup("/api/library/boards").WithTags("Library");
        boards
            .MapGet("{id}/sheet", async (string id, PartKeeper keeper) => await BoardOf(id, keeper))
            .WithName("getBoardSheet")
            .ProducesProblem(404);
        boards
            .MapPost("", (Board board, PartBench bench) => Make(board, bench))
            .WithName("createBoard")
            .Produces<PartMade>(201)
            .ProducesProblem(409)
            .ProducesProblem(422);
        boards
            .MapPut(
                "{id}",
                (string id, BoardChange change, PartBench bench, CancellationToken stop) =>
                    bench.Put(PartKind.Board, id, change.Version, change.Part with { Id = id }, null, stop)
            )
            .WithName("changeBoard")
            .Produces<PartMade>()
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        boards
            .MapPost(
                "{id}/foretold",
                (string id, Board board, PartBench bench, CancellationToken stop) =>
                    bench.Foretell(PartKind.Board, id, board with { Id = id }, stop)
            )
            .WithName("foretellBoard")
            .ProducesProblem(422);
        boards
            .MapPost(
                "{id}/back",
                async (string id, PartBack back, PartKeeper keeper, PartBench bench, CancellationToken stop) =>
                    await bench.Put(
                        PartKind.Board,
                        id,
                        back.Version,
                        await keeper.At<Board>(PartKind.Board, id, back.To),
                        Back(back),
                        stop
                    )
            )
            .WithName("bringBoardBack")
            .Produces<PartMade>()
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        Common(boards, PartKind.Board);

        var devices = app.MapGroup("/api/library/devices").WithTags("Library");
        devices
            .MapGet("{id}/sheet", async (string id, PartKeeper keeper) => await DeviceOf(id, keeper))
            .WithName("getDeviceSheet")
            .ProducesProblem(404);
        devices
            .MapPost("", (Device device, PartBench bench) => Make(device, bench))
            .WithName("createDevice")
            .Produces<PartMade>(201)
            .ProducesProblem(409)
            .ProducesProblem(422);
        devices
            .MapPut(
                "{id}",
                (string id, DeviceChange change, PartBench bench, CancellationToken stop) =>
                    bench.Put(PartKind.Device, id, change.Version, change.Part with { Id = id }, null, stop)
            )
            .WithName("changeDevice")
            .Produces<PartMade>()
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        devices
            .MapPost(
                "{id}/foretold",
                (string id, Device device, PartBench bench, CancellationToken stop) =>
                    bench.Foretell(PartKind.Device, id, device with { Id = id }, stop)
            )
            .WithName("foretellDevice")
            .ProducesProblem(422);
        devices
            .MapPost(
                "{id}/back",
                async (string id, PartBack back, PartKeeper keeper, PartBench bench, CancellationToken stop) =>
                    await bench.Put(
                        PartKind.Device,
                        id,
                        back.Version,
                        await keeper.At<Device>(PartKind.Device, id, back.To),
                        Back(back),
                        stop
                    )
            )
            .WithName("bringDeviceBack")
            .Produces<PartMade>()
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        Common(devices, PartKind.Device);
    }

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
            .WithName($"archive{kind}")
            .Produces(204)
            .ProducesProblem(404);
        group
            .MapPost(
                "{id}/unarchive",
                async (string id, PartKeeper keeper) =>
                {
                    await keeper.Archive(kind, id, aside: false);
                    return Results.NoContent();
                }
            )
            .WithName($"unarchive{kind}")
            .Produces(204)
            .ProducesProblem(404);
        group
            .MapDelete("{id}", ([FromRoute] string id, PartBench bench) => bench.Remove(kind, id))
            .WithName($"remove{kind}")
            .Produces(204)
            .ProducesProblem(404)
            .ProducesProblem(409);
    }

    // A new part is called after what it is, unless its file says otherwise.
    private static Task<IResult> Make(Board board, PartBench bench)
    {
        var id = board.Id == "" ? Slug.OfBoard(board.Maker, board.Name, board.Revision) : board.Id;
        return bench.Create(PartKind.Board, id, board with { Id = id }, "New", $"/api/library/boards/{id}");
    }

    private static Task<IResult> Make(Device device, PartBench bench)
    {
        var id = device.Id == "" ? Slug.Of($"{device.Maker} {device.Name}") : device.Id;
        return bench.Create(PartKind.Device, id, device with { Id = id }, "New", $"/api/library/devices/{id}");
    }

    private static string Back(PartBack back) => $"Back to version {back.To}";

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
