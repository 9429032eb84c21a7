namespace Gorvix.Core.Hardware.Parts;

/// <summary>How far it is from pad to pad for a wire.</summary>
public static class PadDistance
{
    // On a board of unknown size the other side is farther than anything on this one.
    private const double OtherSide = 100;

    /// <summary>Straight on one side; from side to side round the nearest edge of the board. In millimetres.</summary>
    /// <param name="board">The board.</param>
    /// <param name="a">One of its pads.</param>
    /// <param name="b">Another one.</param>
    public static double Between(Board board, Pad a, Pad b)
    {
        if (a.Side == b.Side)
        {
            return Hypotenuse(a.X - b.X, a.Y - b.Y);
        }
        if (board.Outline is not { } size)
        {
            return Hypotenuse(a.X - b.X, a.Y - b.Y) + OtherSide;
        }
        // Each side is measured from its own left edge: turned over, left is right.
        var x = size.Width - b.X;
        double[] round =
        [
            Hypotenuse(a.X + x, a.Y - b.Y),
            Hypotenuse((2 * size.Width) - a.X - x, a.Y - b.Y),
            Hypotenuse(a.X - x, a.Y + b.Y),
            Hypotenuse(a.X - x, (2 * size.Depth) - a.Y - b.Y),
        ];
        return round.Min();
    }

    private static double Hypotenuse(double a, double b) => Math.Sqrt((a * a) + (b * b));
}
