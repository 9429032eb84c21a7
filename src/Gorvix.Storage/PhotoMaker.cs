using SkiaSharp;

namespace Gorvix.Storage;

/// <summary>A photo as it is kept.</summary>
/// <param name="Width">Its width, in points.</param>
/// <param name="Height">Its height, in points.</param>
/// <param name="Picture">The picture, JPEG.</param>
/// <param name="Small">The picture, small, JPEG.</param>
public sealed record MadePhoto(int Width, int Height, byte[] Picture, byte[] Small);

/// <summary>
/// Photos as they are kept: decoded by a library (SkiaSharp) and written anew, so that nothing stays but the picture: no place, no camera, no
/// name, and nothing that hides behind it.
/// </summary>
public static class PhotoMaker
{
    /// <summary>The largest file, in bytes.</summary>
    public const int MostBytes = 20 * 1024 * 1024;

    /// <summary>The most points that are decoded: a camera's 50 million are, a bomb's are not.</summary>
    public const long MostPoints = 60_000_000;

    // Points of all scans together: a camera writes one scan, a page's picture ten.
    private const long MostDecoded = 10 * MostPoints;

    // JFIF without a small picture (source: ITU-T T.871, 10.1), and the tables of one.
    private const int JfifLength = 16;
    private const int MostHead = 4096;

    /// <summary>The longest side that is kept, in points.</summary>
    public const int MostSide = 2400;

    /// <summary>The longest side of the small one, in points.</summary>
    public const int SmallSide = 320;

    // The longest side of a straightened one, and how finely it is drawn at most: points for a millimetre.
    private const double StraightSide = 1600;
    private const double MostPerMillimetre = 60;

    private const int Quality = 86;

    private static readonly SKEncodedImageFormat[] Known =
    [
        SKEncodedImageFormat.Jpeg,
        SKEncodedImageFormat.Png,
        SKEncodedImageFormat.Webp,
    ];

    // Decoding takes four bytes a point: one at a time.
    private static readonly SemaphoreSlim One = new(1, 1);

    /// <summary>Makes a photo of a file.</summary>
    /// <param name="file">The file: JPEG, PNG or WebP.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    /// <exception cref="UnfitException">It is none of these, or too large.</exception>
    public static Task<MadePhoto> Make(byte[] file, CancellationToken stop) => Make(file, MostPoints, stop);

    /// <summary>Looks at a photo that this program wrote before: it is kept as it is, and only the small one is made anew.</summary>
    /// <param name="file">The file.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    /// <exception cref="UnfitException">It is not as this program writes photos.</exception>
    public static async Task<MadePhoto> Again(byte[] file, CancellationToken stop) =>
        IsOwn(file)
            ? (await Make(file, (long)MostSide * MostSide, stop)) with
            {
                Picture = file,
            }
            : throw new UnfitException(Sentences.ThisPhotoWasNotWritten);

    private static async Task<MadePhoto> Make(byte[] file, long mostPoints, CancellationToken stop)
    {
        if (file.Length > MostBytes)
        {
            throw new UnfitException(
                Sentences.PhotoTooLargeMbMaximum(file.Length / 1024 / 1024, MostBytes / 1024 / 1024)
            );
        }
        await One.WaitAsync(stop);
        try
        {
            return await Task.Run(() => Make(file, mostPoints), stop);
        }
        finally
        {
            One.Release();
        }
    }

    /// <summary>Straightens a photo of a board: the board as it is drawn, its upper left corner in that of the picture.</summary>
    /// <param name="file">The photo, as this program wrote it.</param>
    /// <param name="map">The matrix that brings its points onto the board, in millimetres, row by row.</param>
    /// <param name="width">Width of the board, in millimetres.</param>
    /// <param name="depth">Depth of the board, in millimetres.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    /// <returns>JPEG.</returns>
    /// <exception cref="UnfitException">It is not as this program writes photos.</exception>
    public static async Task<byte[]> Straighten(
        byte[] file,
        IReadOnlyList<double> map,
        double width,
        double depth,
        CancellationToken stop
    )
    {
        if (!IsOwn(file))
        {
            throw new UnfitException(Sentences.ThisPhotoWasNotWritten);
        }
        await One.WaitAsync(stop);
        try
        {
            return await Task.Run(() => Straight(file, map, width, depth), stop);
        }
        finally
        {
            One.Release();
        }
    }

    private static byte[] Straight(byte[] file, IReadOnlyList<double> map, double width, double depth)
    {
        using var photo = Decoded(file, (long)MostSide * MostSide).Bitmap;
        var scale = Math.Min(MostPerMillimetre, StraightSide / Math.Max(width, depth));
        var info = new SKImageInfo(
            Math.Max(1, (int)Math.Round(width * scale)),
            Math.Max(1, (int)Math.Round(depth * scale)),
            SKColorType.Rgba8888,
            SKAlphaType.Opaque
        );
        using var straight = new SKBitmap(info);
        using var canvas = new SKCanvas(straight);
        canvas.Clear(SKColors.White);
        canvas.Scale((float)(info.Width / width), (float)(info.Height / depth));
        var m = map.Select(n => (float)n).ToArray();
        canvas.Concat(new SKMatrix(m[0], m[1], m[2], m[3], m[4], m[5], m[6], m[7], m[8]));
        using var image = SKImage.FromBitmap(photo);
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        return Jpeg(straight);
    }

    /// <summary>True for a file that this program could have written: a JPEG of one scan with the picture and nothing else, before it or behind it.</summary>
    /// <param name="file">The file.</param>
    public static bool IsOwn(ReadOnlySpan<byte> file)
    {
        var (at, scans) = (2, 0);
        while (Segment(file, ref at) is { } segment)
        {
            if (segment.Marker == 0xD9)
            {
                return scans == 1 && at == file.Length;
            }
            // What a picture needs: JFIF, tables, frame, scan, restart interval (source: ITU-T T.81, table B.1). No comment, no other application
            // data, and no more of all this than tables take.
            if (
                segment.Marker is not (0xE0 or 0xDB or 0xC0 or 0xC1 or 0xC4 or 0xDA or 0xDD)
                || (segment.Marker == 0xE0 && segment.Length != JfifLength)
                || (scans == 0 && at > MostHead && segment.Marker != 0xDA)
            )
            {
                return false;
            }
            scans += segment.Marker == 0xDA ? 1 : 0;
        }
        return false;
    }

    // How many scans a JPEG has: each of a progressive one is decoded over the whole picture. A decoder passes by what is no marker (source: ITU-T
    // T.81, B.1.1.2), and so does this.
    private static int Scans(ReadOnlySpan<byte> file)
    {
        var (at, scans) = (2, 0);
        while (at + 1 < file.Length)
        {
            if (file[at] != 0xFF || file[at + 1] is 0xFF or 0 or 1 or (>= 0xD0 and <= 0xD9))
            {
                at++;
            }
            else if (Segment(file, ref at) is not { } segment)
            {
                break;
            }
            else if (segment.Marker == 0xDA)
            {
                scans++;
            }
        }
        return scans;
    }

    // The next segment of a JPEG with its length, a scan with all that follows it up to the next marker; null at what is none.
    private static (byte Marker, int Length)? Segment(ReadOnlySpan<byte> file, ref int at)
    {
        if (
            file.Length is < 4 or > MostBytes
            || file[0] != 0xFF
            || file[1] != 0xD8
            || at + 2 > file.Length
            || file[at] != 0xFF
        )
        {
            return null;
        }
        var marker = file[at + 1];
        if (marker == 0xD9)
        {
            at += 2;
            return (marker, 0);
        }
        if (at + 4 > file.Length || ((file[at + 2] << 8) | file[at + 3]) is not (>= 2 and var length))
        {
            return null;
        }
        at += 2 + length;
        if (marker == 0xDA)
        {
            // The scan: up to a marker that is neither stuffing nor a restart.
            while (at + 1 < file.Length && !(file[at] == 0xFF && file[at + 1] is not (0 or (>= 0xD0 and <= 0xD7))))
            {
                at++;
            }
        }
        return (marker, length);
    }

    private static MadePhoto Make(byte[] file, long mostPoints)
    {
        var (decoded, turned) = Decoded(file, mostPoints);
        using var bitmap = decoded;
        using var kept = Drawn(bitmap, turned, MostSide);
        using var small = Drawn(bitmap, turned, SmallSide);
        return new MadePhoto(kept.Width, kept.Height, Jpeg(kept), Jpeg(small));
    }

    private static (SKBitmap Bitmap, SKEncodedOrigin Turned) Decoded(byte[] file, long mostPoints)
    {
        using var data = SKData.CreateCopy(file);
        using var codec = SKCodec.Create(data);
        if (codec is null || !Known.Contains(codec.EncodedFormat))
        {
            throw new UnfitException(Sentences.CannotReadThisPhotoUse);
        }
        var (width, height) = (codec.Info.Width, codec.Info.Height);
        if (width < 1 || height < 1 || (long)width * height > mostPoints)
        {
            throw new UnfitException(Sentences.PhotoTooLargePixelsMaximum(width, height, mostPoints / 1_000_000));
        }
        var scans = codec.EncodedFormat == SKEncodedImageFormat.Jpeg ? Scans(file) : 0;
        if (scans * (long)width * height > MostDecoded)
        {
            throw new UnfitException(Sentences.PhotoTooSlowToRead(scans, width, height));
        }
        var info = new SKImageInfo(width, height, SKColorType.Rgba8888, SKAlphaType.Premul);
        var decoded = new SKBitmap(info);
        if (codec.GetPixels(info, decoded.GetPixels()) is not SKCodecResult.Success and var result)
        {
            decoded.Dispose();
            throw new UnfitException(
                result == SKCodecResult.IncompleteInput
                    ? Sentences.ThePhotoFileIsIncomplete
                    : Sentences.ThePhotoIsDamagedAnd
            );
        }
        return (decoded, codec.EncodedOrigin);
    }

    // Upright, on white, no larger than it is kept.
    private static SKBitmap Drawn(SKBitmap from, SKEncodedOrigin turned, int side)
    {
        var isTurned = turned >= SKEncodedOrigin.LeftTop;
        var (width, height) = isTurned ? (from.Height, from.Width) : (from.Width, from.Height);
        var scale = Math.Min(1, (double)side / Math.Max(width, height));
        var (w, h) = (Math.Max(1, (int)Math.Round(width * scale)), Math.Max(1, (int)Math.Round(height * scale)));
        var drawn = new SKBitmap(new SKImageInfo(w, h, SKColorType.Rgba8888, SKAlphaType.Opaque));
        using var canvas = new SKCanvas(drawn);
        canvas.Clear(SKColors.White);
        canvas.Scale((float)w / width, (float)h / height);
        canvas.Concat(Upright(turned, width, height));
        using var image = SKImage.FromBitmap(from);
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        return drawn;
    }

    // The eight ways a camera can be held (source: CIPA DC-008 Exif 2.32, tag Orientation).
    private static SKMatrix Upright(SKEncodedOrigin turned, float width, float height) =>
        turned switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, width, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, width, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, width, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, width, -1, 0, height, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, height, 0, 0, 1),
            _ => SKMatrix.Identity,
        };

    private static byte[] Jpeg(SKBitmap bitmap)
    {
        using var encoded = bitmap.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return encoded.ToArray();
    }
}
