using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Formats;

/// <summary>The straightened photo of one side of a board in the file.</summary>
public sealed record FilePhoto
{
    /// <summary>The most characters of a picture.</summary>
    public const int MostLength = 2 * 1024 * 1024;

    /// <summary>Id of the board, which is in the same file.</summary>
    public required string Board { get; init; }

    /// <summary>The side that it shows.</summary>
    public required BoardSide Side { get; init; }

    /// <summary>
    /// The picture in base64 (RFC 4648): a baseline JPEG without other data, as this program writes it. Its corners are those of the board as the
    /// side is seen, front up.
    /// </summary>
    public required string Jpeg { get; init; }

    /// <summary>The picture; null where its text is no base64.</summary>
    public byte[]? Picture()
    {
        var bytes = new byte[Jpeg.Length];
        return Convert.TryFromBase64String(Jpeg, bytes, out var length) && length > 0 ? bytes[..length] : null;
    }

    /// <summary>What is wrong with the photos of a file: the member and a sentence.</summary>
    /// <param name="file">The file.</param>
    internal static IEnumerable<(string Member, string Problem)> Against(GorvixFile file)
    {
        var seen = new HashSet<(string, BoardSide)>();
        foreach (var (i, photo) in file.Photos.Index())
        {
            if (!file.Boards.Any(b => b.Id == photo.Board))
            {
                yield return ($"photos[{i}].board", Sentences.PhotoOfNoBoard);
            }
            else if (!Enum.IsDefined(photo.Side))
            {
                yield return ($"photos[{i}].side", Sentences.PhotoSide);
            }
            else if (!seen.Add((photo.Board, photo.Side)))
            {
                yield return ($"photos[{i}]", Sentences.PhotoTwice);
            }
            else if (photo.Jpeg.Length > MostLength || photo.Picture() is null)
            {
                yield return ($"photos[{i}].jpeg", Sentences.PhotoNoPicture(MostLength / 1024 / 1024));
            }
        }
    }
}
