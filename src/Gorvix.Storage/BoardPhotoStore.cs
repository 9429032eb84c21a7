using System.Security.Cryptography;
using System.Text;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>A photo of one side of a board, as it was written by this program: JPEG without anything but the picture.</summary>
public sealed class BoardPhotoRow
{
    /// <summary>The board.</summary>
    public required string Board { get; init; }

    /// <summary>The side that it shows.</summary>
    public required BoardSide Side { get; init; }

    /// <summary>A short print of the photo and its marks, so that none is shown for another.</summary>
    public required string Print { get; set; }

    /// <summary>Its width, in points.</summary>
    public required int Width { get; set; }

    /// <summary>Its height, in points.</summary>
    public required int Height { get; set; }

    /// <summary>The size of the straightened photo in a file, in bytes.</summary>
    public required int FaceBytes { get; set; }

    /// <summary>Which points of the board were found on it, as <see cref="PhotoMark.Write"/> writes them.</summary>
    public required string Marks { get; set; }

    /// <summary>The photo, JPEG.</summary>
    public required byte[] Picture { get; set; }
}

/// <summary>A photo of a side of a board.</summary>
/// <param name="Side">The side.</param>
/// <param name="Print">A short print of the photo and its marks: no other photo has the same.</param>
/// <param name="Width">Its width, in points.</param>
/// <param name="Height">Its height, in points.</param>
/// <param name="Bytes">Its size.</param>
/// <param name="FaceBytes">The size of the straightened one, in bytes, as it was when it was kept.</param>
/// <param name="Marks">Which points of the board were found on it.</param>
public sealed record BoardPhoto(
    BoardSide Side,
    string Print,
    int Width,
    int Height,
    int Bytes,
    int FaceBytes,
    IReadOnlyList<PhotoMark> Marks
);

/// <summary>Photos of boards: one a side.</summary>
public sealed class BoardPhotoStore(GorvixDb db)
{
    /// <summary>The photos of a board, without their pictures.</summary>
    /// <exception cref="UnreadableException">What is stored of one is damaged.</exception>
    public async Task<IReadOnlyList<BoardPhoto>> Of(string board) =>
        await Stored.Read<IReadOnlyList<BoardPhoto>>(
            Sentences.PhotoOfBoard(board),
            async () =>
                [
                    .. (
                        await db
                            .BoardPhotos.AsNoTracking()
                            .Where(p => p.Board == board)
                            .OrderBy(p => p.Side)
                            .Select(p => new
                            {
                                p.Side,
                                p.Print,
                                p.Width,
                                p.Height,
                                p.Picture.Length,
                                p.FaceBytes,
                                p.Marks,
                            })
                            .ToListAsync()
                    ).Select(p => new BoardPhoto(
                        p.Side,
                        p.Print,
                        p.Width,
                        p.Height,
                        p.Length,
                        p.FaceBytes,
                        Marks(p.Marks)
                    )),
                ]
        );

    /// <summary>A photo with its picture.</summary>
    /// <exception cref="NotFoundException">There is none of that side.</exception>
    /// <exception cref="UnreadableException">What is stored of it is damaged.</exception>
    public Task<(BoardPhoto Photo, byte[] Picture)> Get(string board, BoardSide side) =>
        Stored.Read(
            Sentences.PhotoOfBoard(board),
            async () =>
                await Row(board, side) is { } row
                    ? (
                        new BoardPhoto(
                            row.Side,
                            row.Print,
                            row.Width,
                            row.Height,
                            row.Picture.Length,
                            row.FaceBytes,
                            Marks(row.Marks)
                        ),
                        row.Picture
                    )
                    : throw NoPhoto()
        );

    /// <summary>Keeps a photo in place of the one there is.</summary>
    /// <param name="board">The board.</param>
    /// <param name="side">The side that it shows.</param>
    /// <param name="photo">The photo.</param>
    /// <param name="marks">Which points of the board were found on it.</param>
    /// <param name="faceBytes">The size of the straightened one, in bytes.</param>
    /// <exception cref="NotFoundException">The board is not in the library.</exception>
    public async Task Put(string board, BoardSide side, MadePhoto photo, IReadOnlyList<PhotoMark> marks, int faceBytes)
    {
        // Under the write lock: of two who keep one at once the later one's stays, and none outlives its board.
        await using var own = db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync() : null;
        if (!await db.Parts.AnyAsync(p => p.Kind == PartKind.Board && p.Id == board))
        {
            throw NotFoundException.Part(PartKind.Board, board);
        }
        var row = await db.BoardPhotos.FirstOrDefaultAsync(p => p.Board == board && p.Side == side);
        if (row is null)
        {
            row = new BoardPhotoRow
            {
                Board = board,
                Side = side,
                Print = "",
                Width = 0,
                Height = 0,
                FaceBytes = 0,
                Marks = "",
                Picture = [],
            };
            db.BoardPhotos.Add(row);
        }
        (row.Width, row.Height, row.Picture) = (photo.Width, photo.Height, photo.Picture);
        (row.Marks, row.FaceBytes) = (PhotoMark.Write(marks), faceBytes);
        row.Print = PrintOf(row);
        await db.SaveChangesAsync();
        if (own is not null)
        {
            await own.CommitAsync();
        }
    }

    /// <summary>Keeps the straightened photo of a file: its corners are those of the board.</summary>
    /// <param name="board">The board.</param>
    /// <param name="side">The side that it shows.</param>
    /// <param name="photo">The photo.</param>
    /// <param name="width">Width of the board, in millimetres.</param>
    /// <param name="depth">Depth of the board, in millimetres.</param>
    public Task PutFace(string board, BoardSide side, MadePhoto photo, double width, double depth) =>
        Put(
            board,
            side,
            photo,
            [new(0, depth, 0, 0), new(width, depth, 1, 0), new(width, 0, 1, 1), new(0, 0, 0, 1)],
            photo.Picture.Length
        );

    /// <summary>Whether there is a photo of a side.</summary>
    public Task<bool> Has(string board, BoardSide side) =>
        db.BoardPhotos.AnyAsync(p => p.Board == board && p.Side == side);

    /// <summary>Removes a photo.</summary>
    /// <exception cref="NotFoundException">There is none of that side.</exception>
    public async Task Remove(string board, BoardSide side)
    {
        if (await db.BoardPhotos.Where(p => p.Board == board && p.Side == side).ExecuteDeleteAsync() == 0)
        {
            throw NoPhoto();
        }
    }

    private Task<BoardPhotoRow?> Row(string board, BoardSide side) =>
        db.BoardPhotos.AsNoTracking().FirstOrDefaultAsync(p => p.Board == board && p.Side == side);

    private static string PrintOf(BoardPhotoRow row) =>
        Convert.ToHexStringLower(SHA256.HashData([.. row.Picture, .. Encoding.UTF8.GetBytes(row.Marks)]))[..16];

    private static NotFoundException NoPhoto() => new(Sentences.NoPhotoOfThisSide);

    private static IReadOnlyList<PhotoMark> Marks(string text) =>
        PhotoMark.Read(text) ?? throw new FormatException(text);
}
