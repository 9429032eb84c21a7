namespace Gorvix.Core.Wired.Picture;

/// <summary>A rectangle by its edges.</summary>
/// <param name="Left">Its left edge.</param>
/// <param name="Top">Its upper edge.</param>
/// <param name="Right">Its right edge.</param>
/// <param name="Bottom">Its lower edge.</param>
internal readonly record struct Box(double Left, double Top, double Right, double Bottom)
{
    /// <summary>A rectangle round a point.</summary>
    public static Box Round(double x, double y, double halfX, double halfY) =>
        new(x - halfX, y - halfY, x + halfX, y + halfY);

    /// <summary>The rectangle of a text in the shipped mono font, or at most that of one in the shipped sans.</summary>
    public static Box Of(PictureText text)
    {
        var width = WidthOf(text.Text, text.Size);
        var left = text.Anchor switch
        {
            TextAnchor.Start => text.X,
            TextAnchor.Middle => text.X - (width / 2),
            _ => text.X - width,
        };
        return new(left, text.Y - (text.Size * 0.6), left + width, text.Y + (text.Size * 0.6));
    }

    /// <summary>The width of a text: 0.6 of its size a letter, as in the shipped mono font; letters of other scripts may be as wide as high.</summary>
    public static double WidthOf(string text, double size) => text.Sum(c => c < 0x250 ? 0.6 : 1.0) * size;

    /// <summary>True when the two share more than an edge.</summary>
    public bool Meets(Box other) =>
        Left < other.Right && other.Left < Right && Top < other.Bottom && other.Top < Bottom;

    /// <summary>Larger on every side.</summary>
    public Box Grown(double by) => new(Left - by, Top - by, Right + by, Bottom + by);

    /// <summary>Elsewhere.</summary>
    public Box Moved(double x, double y) => new(Left + x, Top + y, Right + x, Bottom + y);

    /// <summary>The smallest that holds two points.</summary>
    public static Box Between(PicturePoint a, PicturePoint b) =>
        new(Math.Min(a.X, b.X), Math.Min(a.Y, b.Y), Math.Max(a.X, b.X), Math.Max(a.Y, b.Y));
}
