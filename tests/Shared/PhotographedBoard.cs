using SkiaSharp;

namespace Gorvix;

/// <summary>A board as a camera sees it from aside, drawn pad by pad with no map of the product's.</summary>
internal static class PhotographedBoard
{
    /// <summary>The board is square; a side, in millimetres.</summary>
    public const double Size = 36;

    /// <summary>Where a point of the board, in millimetres from its front left corner, lies on a photo taken from aside, in pixels: by hand.</summary>
    public static (double X, double Y) Seen(double x, double y)
    {
        var w = 1 + (0.006 * x) + (0.002 * y);
        return ((160 + (24 * x) - (2 * y)) / w, (110 + (1.5 * x) + (26 * y)) / w);
    }

    /// <summary>Its pads, from left to right and from the front to the rear.</summary>
    public static readonly (double X, double Y)[] Pads =
    [
        .. Enumerable.Range(0, 5).SelectMany(i => new[] { (4.0, 6 + (6.0 * i)), (32.0, 6 + (6.0 * i)) }),
    ];

    /// <summary>The photo, 1000 by 900 pixels: a green board with red pads, each 2 mm wide.</summary>
    public static readonly Lazy<byte[]> Photo = new(() =>
    {
        using var bitmap = new SKBitmap(1000, 900);
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(SKColors.Gray);
        void Fill(SKColor colour, params (double X, double Y)[] corners)
        {
            using var path = new SKPath();
            using var paint = new SKPaint { Color = colour };
            foreach (var (i, at) in corners.Select(c => Seen(c.X, c.Y)).Index())
            {
                if (i == 0)
                {
                    path.MoveTo((float)at.X, (float)at.Y);
                }
                else
                {
                    path.LineTo((float)at.X, (float)at.Y);
                }
            }
            path.Close();
            canvas.DrawPath(path, paint);
        }
        Fill(SKColors.Green, (0, 0), (Size, 0), (Size, Size), (0, Size));
        foreach (var (x, y) in Pads)
        {
            Fill(SKColors.Red, (x - 1, y - 1), (x + 1, y - 1), (x + 1, y + 1), (x - 1, y + 1));
        }
        return bitmap.Encode(SKEncodedImageFormat.Png, 100).ToArray();
    });
}
