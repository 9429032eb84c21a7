using System.Text;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Work.Tables;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>Parts and the whole library as files, and as lists for a spreadsheet.</summary>
internal static class ExportEndpoints
{
    public static void MapExports(this IEndpointRouteBuilder app)
    {
        var files = app.MapGroup("/api/files").WithTags("Files");
        Map(files, "library", "exportLibrary", Whole);
        Map(
            files,
            "boards/{id}",
            "exportBoard",
            async (
                string id,
                bool? photos,
                PartKeeper keeper,
                BoardPhotoStore store,
                HttpResponse response,
                CancellationToken stop
            ) =>
            {
                var board = await BoardOf(id, keeper);
                return Gorvix(
                    new GorvixFile
                    {
                        Boards = [board],
                        Photos = photos == true ? await BoardPhotoEndpoints.InFile(board, store, stop) : [],
                    },
                    id,
                    response
                );
            }
        );
        Map(
            files,
            "devices/{id}",
            "exportDevice",
            async (string id, PartKeeper keeper, HttpResponse response) =>
                Gorvix(new GorvixFile { Devices = [await DeviceOf(id, keeper)] }, id, response)
        );
        MapList(
            files,
            "lists/pads",
            "listAllPads",
            async (PartStore parts, HttpResponse response) =>
                List(PadTable.Write((await parts.All()).Boards), "pads", response)
        );
        MapList(
            files,
            "lists/devices",
            "listAllDevices",
            async (PartStore parts, HttpResponse response) =>
                List(DeviceTable.Write((await parts.All()).Devices), "devices", response)
        );
        MapList(
            files,
            "lists/boards/{id}",
            "listPads",
            async (string id, PartKeeper keeper, HttpResponse response) =>
                List(PadTable.Write([await BoardOf(id, keeper)]), $"{id}-pads", response)
        );
        MapList(
            files,
            "lists/devices/{id}",
            "listLeads",
            async (string id, PartKeeper keeper, HttpResponse response) =>
                List(DeviceTable.Write([await DeviceOf(id, keeper)]), $"{id}-leads", response)
        );
    }

    private static void Map(RouteGroupBuilder files, string path, string name, Delegate handler) =>
        files.MapGet(path, handler).AnswersFile(name, "application/json", 404);

    private static void MapList(RouteGroupBuilder files, string path, string name, Delegate handler) =>
        files.MapGet(path, handler).AnswersFile(name, Csv, 404);

    private const string Csv = "text/csv";

    private static async Task<Board> BoardOf(string id, PartKeeper keeper) =>
        (await keeper.Get<Board>(PartKind.Board, id)).Part;

    private static async Task<Device> DeviceOf(string id, PartKeeper keeper) =>
        (await keeper.Get<Device>(PartKind.Device, id)).Part;

    private static async Task<IResult> Whole(PartStore parts, HttpResponse response)
    {
        var all = await parts.All();
        return Gorvix(
            new GorvixFile
            {
                Boards = all.Boards,
                Devices = all.Devices,
                Profiles = all.Profiles,
            },
            "library",
            response
        );
    }

    private static IResult Gorvix(GorvixFile file, string name, HttpResponse response)
    {
        Name(response, $"{name}.gorvix.json");
        return Results.Bytes(GorvixReader.Write(file), "application/json");
    }

    // With the mark by which spreadsheets know UTF-8.
    internal static IResult List(string list, string name, HttpResponse response) =>
        Text(list, Csv, $"{name}.csv", response);

    /// <summary>A text as a file. A list for a spreadsheet begins with the mark by which one knows UTF-8.</summary>
    internal static IResult Text(string text, string type, string file, HttpResponse response)
    {
        Name(response, file);
        var mark = type == Csv ? Encoding.UTF8.Preamble : [];
        return Results.Bytes([.. mark, .. Encoding.UTF8.GetBytes(text)], $"{type}; charset=utf-8");
    }

    internal static void Name(HttpResponse response, string name) =>
        response.Headers.ContentDisposition =
            $"attachment; filename=\"{string.Concat(name.Where(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_' or '.'))}\"";
}
