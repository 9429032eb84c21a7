using System.Globalization;

namespace Gorvix.Core.Wired.Picture;

/// <summary>Path data of SVG 2 (section 9.3), to a tenth of a millimetre.</summary>
internal static class PathData
{
    /// <summary>A rectangle.</summary>
    public static string Box(Box box) =>
        $"M{Number(box.Left)} {Number(box.Top)}H{Number(box.Right)}V{Number(box.Bottom)}H{Number(box.Left)}Z";

    /// <inheritdoc cref="Box(Picture.Box)"/>
    public static string Box(PictureBox box) => Box(new Box(box.X, box.Y, box.X + box.Width, box.Y + box.Height));

    /// <summary>A circle, of two arcs.</summary>
    public static string Circle(PicturePoint at, double radius)
    {
        var (r, wide) = (Number(radius), Number(2 * radius));
        return $"M{Number(at.X - radius)} {Number(at.Y)}a{r} {r} 0 1 0 {wide} 0a{r} {r} 0 1 0 -{wide} 0Z";
    }

    /// <summary>A line through points.</summary>
    public static string Line(IReadOnlyList<PicturePoint> points) =>
        string.Concat(points.Select((p, i) => $"{(i == 0 ? "M" : "L")}{Number(p.X)} {Number(p.Y)}"));

    /// <summary>An arrow that points up, its middle at a point.</summary>
    public static string UpArrow(PicturePoint at) =>
        Line([new(at.X, at.Y + 2.6), new(at.X, at.Y - 2.6)])
        + Line([new(at.X - 1.6, at.Y - 1), new(at.X, at.Y - 2.6), new(at.X + 1.6, at.Y - 1)]);

    private static string Number(double value) => (Math.Round(value, 1) + 0.0).ToString(CultureInfo.InvariantCulture);
}
