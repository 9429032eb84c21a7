using System.Globalization;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Storage;

namespace Gorvix.Web.Features;

/// <summary>What to fit a photo with.</summary>
/// <param name="Width">Width of the photo, in points.</param>
/// <param name="Height">Height of the photo, in points.</param>
/// <param name="Depth">Depth of the board from rear to front, in millimetres.</param>
/// <param name="Marks">Which points of the board were found on it.</param>
public sealed record PhotoToFit(int Width, int Height, double Depth, IReadOnlyList<PhotoMark> Marks);

/// <summary>A photo of a side of a board.</summary>
/// <param name="Photo">The photo.</param>
/// <param name="Stamp">Another one whenever the straightened photo is: to be sent along with a request for it.</param>
public sealed record BoardPhotoLine(BoardPhoto Photo, string Stamp);

/// <summary>Photos of boards: made, straightened, kept.</summary>
internal static class BoardPhotoEndpoints
{
    private const string Jpeg = "image/jpeg";

    public static void MapBoardPhotos(this IEndpointRouteBuilder app)
    {
        var describe = app.MapGroup("/api/describe/photo").WithTags("Library");
        describe
            .MapPost(
                "",
                async (HttpRequest request, CancellationToken stop) =>
                    Results.Bytes((await Made(request, stop)).Picture, Jpeg)
            )
            .AnswersFile("readPhoto", Jpeg, 422);
        describe.MapPost("fit", (PhotoToFit asked) => Fitted(asked)).Answers<PhotoFit>("fitPhoto", 422);
        describe
            .MapPost(
                "straight",
                async (string marks, double width, double depth, HttpRequest request, CancellationToken stop) =>
                    Results.Bytes(await Straight(await Made(request, stop), Marks(marks), width, depth, stop), Jpeg)
            )
            .AnswersFile("straightenPhoto", Jpeg, 422);

        var photos = app.MapGroup("/api/library/boards/{id}/photos").WithTags("Library");
        photos.MapGet("", List).Answers<IReadOnlyList<BoardPhotoLine>>("listBoardPhotos");
        photos
            .MapGet(
                "{side}",
                async (string id, string side, BoardPhotoStore store) =>
                    Results.Bytes((await store.Get(id, SideOf(side))).Picture, Jpeg)
            )
            .AnswersFile("getBoardPhoto", Jpeg, 404);
        photos.MapGet("{side}/face", Face).AnswersFile("getBoardPhotoFace", Jpeg, 404, 422);
        photos
            .MapPut(
                "{side}",
                async (
                    string id,
                    string side,
                    string marks,
                    HttpRequest request,
                    PartKeeper parts,
                    BoardPhotoStore store,
                    CancellationToken stop
                ) =>
                {
                    var face = FaceReader.Of((await parts.Get<Board>(PartKind.Board, id)).Part);
                    var (photo, found) = (await Made(request, stop), Marks(marks));
                    var straight = await Straight(photo, found, face.Width, face.Depth, stop);
                    await store.Put(id, SideOf(side), photo, found, straight.Length);
                    return Results.NoContent();
                }
            )
            .AnswersNothing("putBoardPhoto", 404, 422);
        photos
            .MapDelete(
                "{side}",
                async (string id, string side, BoardPhotoStore store) =>
                {
                    await store.Remove(id, SideOf(side));
                    return Results.NoContent();
                }
            )
            .AnswersNothing("removeBoardPhoto", 404);
    }

    // A board that is not in this library has none; most have none.
    private static async Task<IReadOnlyList<BoardPhotoLine>> List(string id, PartKeeper parts, BoardPhotoStore store)
    {
        var photos = await store.Of(id);
        if (photos.Count == 0)
        {
            return [];
        }
        var face = FaceReader.Of((await parts.Get<Board>(PartKind.Board, id)).Part);
        return
        [
            .. photos.Select(p => new BoardPhotoLine(
                p,
                string.Create(CultureInfo.InvariantCulture, $"{p.Print}.{face.Width}.{face.Depth}")
            )),
        ];
    }

    /// <summary>The photos of a board as they travel in a file: straightened.</summary>
    public static async Task<IReadOnlyList<FilePhoto>> InFile(
        Board board,
        BoardPhotoStore store,
        CancellationToken stop
    )
    {
        var (face, photos) = (FaceReader.Of(board), new List<FilePhoto>());
        foreach (var side in (await store.Of(board.Id)).Select(p => p.Side))
        {
            var (photo, picture) = await store.Get(board.Id, side);
            var straight = await Straight(
                new MadePhoto(photo.Width, photo.Height, picture, []),
                photo.Marks,
                face.Width,
                face.Depth,
                stop
            );
            photos.Add(
                new FilePhoto
                {
                    Board = board.Id,
                    Side = side,
                    Jpeg = Convert.ToBase64String(straight),
                }
            );
        }
        return photos;
    }

    private static BoardSide SideOf(string text) =>
        Enum.TryParse<BoardSide>(text, ignoreCase: true, out var side) && Enum.IsDefined(side)
            ? side
            : throw new UnfitException(Sentences.SideUnknown);

    // As the board is now: its size may have been changed since the photo was marked.
    private static async Task<IResult> Face(
        string id,
        string side,
        PartKeeper parts,
        BoardPhotoStore store,
        HttpResponse response,
        CancellationToken stop
    )
    {
        var face = FaceReader.Of((await parts.Get<Board>(PartKind.Board, id)).Part);
        var (photo, picture) = await store.Get(id, SideOf(side));
        var straight = await Straight(
            new MadePhoto(photo.Width, photo.Height, picture, []),
            photo.Marks,
            face.Width,
            face.Depth,
            stop
        );
        // Whoever asks names the stamp.
        response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return Results.Bytes(straight, Jpeg);
    }

    // What this program wrote is kept as it is; it loses by each writing.
    private static async Task<MadePhoto> Made(HttpRequest request, CancellationToken stop)
    {
        using var body = new MemoryStream();
        if (!await LogEndpoints.Copy(request, body, PhotoMaker.MostBytes, stop))
        {
            throw new UnfitException(Sentences.PhotoTooLargeMaximumMb(PhotoMaker.MostBytes / 1024 / 1024));
        }
        var file = body.ToArray();
        return PhotoMaker.IsOwn(file) ? await PhotoMaker.Again(file, stop) : await PhotoMaker.Make(file, stop);
    }

    private static IReadOnlyList<PhotoMark> Marks(string text) =>
        PhotoMark.Read(text) ?? throw new UnfitException(Sentences.MarksUnreadable);

    private static PhotoFit Fitted(PhotoToFit asked)
    {
        if (asked is not { Width: > 0, Height: > 0, Depth: > 0 and <= PhotoFit.MostBoard })
        {
            throw new UnfitException(Sentences.BoardSizeMissing);
        }
        var (fit, problem) = PhotoFit.Of(asked.Marks, asked.Width, asked.Height, asked.Depth);
        return fit ?? throw new UnfitException(problem!);
    }

    private static Task<byte[]> Straight(
        MadePhoto photo,
        IReadOnlyList<PhotoMark> marks,
        double width,
        double depth,
        CancellationToken stop
    )
    {
        if (width is not (> 0 and <= PhotoFit.MostBoard))
        {
            throw new UnfitException(Sentences.BoardSizeMissing);
        }
        var fit = Fitted(new(photo.Width, photo.Height, depth, marks));
        return PhotoMaker.Straighten(photo.Picture, fit.Map, width, depth, stop);
    }
}
