using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Picture;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>A part on its page.</summary>
/// <param name="Leaflet">What its leaflet says.</param>
/// <param name="UsedIn">The builds on the shelf that have it.</param>
/// <param name="Version">To be sent back with a change.</param>
/// <param name="IsArchived">True when it is laid aside: builds keep it, new ones are not offered it.</param>
/// <param name="History">Its states, the newest first; empty for one that is as it came.</param>
public sealed record PartPage(
    Leaflet Leaflet,
    IReadOnlyList<PartUse> UsedIn,
    int Version,
    bool IsArchived,
    IReadOnlyList<PartStep> History
);

/// <summary>A build that has a part.</summary>
/// <param name="Id">Id in addresses.</param>
/// <param name="Name">What the builder calls it.</param>
public sealed record PartUse(string Id, string Name);

/// <summary>The parts library, to be looked at.</summary>
internal static class LibraryEndpoints
{
    public static void MapLibrary(this IEndpointRouteBuilder app)
    {
        var library = app.MapGroup("/api/library").WithTags("Library");
        library.MapGet("", All).WithName("listParts");
        library.MapGet("boards/{id}", Board).Answers<PartPage>("getBoard", 404);
        library.MapGet("devices/{id}", Device).Answers<PartPage>("getDevice", 404);
        library
            .MapGet(
                "boards/{id}/picture",
                async (string id, PartKeeper keeper) =>
                    SmallPicture.Of((await keeper.Get<Board>(PartKind.Board, id)).Part)
            )
            .Answers<SmallPicture>("getBoardPicture", 404);
        library
            .MapGet(
                "devices/{id}/picture",
                async (string id, PartKeeper keeper) =>
                    SmallPicture.Of((await keeper.Get<Device>(PartKind.Device, id)).Part)
            )
            .Answers<SmallPicture>("getDevicePicture", 404);
    }

    // Those laid aside too: builds that have them must still be told what they are.
    private static async Task<IReadOnlyList<PartLine>> All(PartStore parts)
    {
        var (all, aside) = (await parts.Everything(), await parts.Aside());
        return
        [
            .. all.Boards.Select(b =>
                BoardLeaflet.Line(b) with
                {
                    IsArchived = aside.Contains((PartKind.Board, b.Id)),
                }
            ),
            .. all.Devices.Select(d =>
                DeviceLeaflet.Line(d) with
                {
                    IsArchived = aside.Contains((PartKind.Device, d.Id)),
                }
            ),
        ];
    }

    private static async Task<PartPage> Board(string id, PartStore parts, PartKeeper keeper, ShelfStore shelf)
    {
        var stored = await keeper.Get<Board>(PartKind.Board, id);
        return new PartPage(
            BoardLeaflet.Of(stored.Part, await parts.Everything()),
            await Uses(shelf, b => b.Board == id),
            stored.Version,
            stored.IsArchived,
            await keeper.History(PartKind.Board, id)
        );
    }

    private static async Task<PartPage> Device(string id, PartKeeper keeper, ShelfStore shelf)
    {
        var stored = await keeper.Get<Device>(PartKind.Device, id);
        return new PartPage(
            DeviceLeaflet.Of(stored.Part),
            await Uses(shelf, b => b.Devices.Any(d => d.Part == id)),
            stored.Version,
            stored.IsArchived,
            await keeper.History(PartKind.Device, id)
        );
    }

    private static async Task<IReadOnlyList<PartUse>> Uses(ShelfStore shelf, Func<Build, bool> uses) =>
        [
            .. (await shelf.All())
                .Where(s => s.Build is { } stored && uses(stored.Build))
                .Select(s => new PartUse(s.Id, s.Build!.Build.Name)),
        ];
}
