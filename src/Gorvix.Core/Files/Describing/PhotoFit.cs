using System.Globalization;
using MathNet.Numerics.LinearAlgebra;

namespace Gorvix.Core.Files.Describing;

/// <summary>A point of a board that was found on its photo.</summary>
/// <param name="X">On the board: from the left edge as its side is seen, in millimetres.</param>
/// <param name="Y">On the board: from the rear edge, in millimetres.</param>
/// <param name="U">On the photo: from its left edge, as a part of its width.</param>
/// <param name="V">On the photo: from its upper edge, as a part of its height.</param>
public sealed record PhotoMark(double X, double Y, double U, double V)
{
    /// <summary>Marks as they stand in addresses and in the data file: numbers with commas, marks with semicolons between.</summary>
    public static string Write(IEnumerable<PhotoMark> marks) =>
        string.Join(';', marks.Select(m => string.Join(',', new[] { m.X, m.Y, m.U, m.V }.Select(Number))));

    /// <summary>Reads them; null for what is none, or more than are taken.</summary>
    /// <param name="text">The text.</param>
    public static IReadOnlyList<PhotoMark>? Read(string text)
    {
        var marks = new List<PhotoMark>();
        foreach (var part in text.Length > PhotoFit.Most * 100 ? ["?"] : text.Split(';'))
        {
            var numbers = part.Split(',')
                .Select(n =>
                    double.TryParse(n, NumberStyles.Float, CultureInfo.InvariantCulture, out var v) ? v : double.NaN
                )
                .ToList();
            if (numbers.Count != 4 || !numbers.TrueForAll(double.IsFinite))
            {
                return null;
            }
            marks.Add(new(numbers[0], numbers[1], numbers[2], numbers[3]));
        }
        return marks;
    }

    private static string Number(double value) => value.ToString("R", CultureInfo.InvariantCulture);
}

/// <summary>
/// How a photo lies on a board: a map of points of the photo, in points from its upper left corner, to points of the board as it is drawn, in
/// millimetres from its front left corner, downwards to the rear.
/// </summary>
/// <param name="Map">The nine numbers of its matrix, row by row; the last is 1.</param>
/// <param name="Residual">
/// How far the marks lie from where the map puts them at most, in millimetres; null where there are no more marks than the map needs, so that
/// nothing checks it.
/// </param>
public sealed record PhotoFit(IReadOnlyList<double> Map, double? Residual)
{
    /// <summary>The most marks that are taken.</summary>
    public const int Most = 24;

    /// <summary>The largest board, in millimetres a side.</summary>
    public const double MostBoard = 500;

    // Marks nearer than this are one, in millimetres and as a part of the photo.
    private const double LeastApart = 0.2;
    private const double LeastOnPhoto = 0.002;

    // Below this share of the largest singular value a set of marks says nothing of a direction: they lie on one line.
    private const double LeastRank = 1e-5;

    /// <summary>
    /// Fits a photo: two marks give place, turn and size, three also how it is sheared, four or more how it was seen from aside.
    /// </summary>
    /// <param name="marks">The marks.</param>
    /// <param name="width">Width of the photo, in points.</param>
    /// <param name="height">Height of the photo, in points.</param>
    /// <param name="depth">Depth of the board from rear to front, in millimetres.</param>
    /// <returns>The fit, or a sentence that says why the marks do not tell how it lies.</returns>
    public static (PhotoFit? Fit, string? Problem) Of(
        IReadOnlyList<PhotoMark> marks,
        int width,
        int height,
        double depth
    )
    {
        if (Unfit(marks) is { } why)
        {
            return (null, why);
        }
        var from = marks.Select(m => (X: m.U * width, Y: m.V * height)).ToList();
        var to = marks.Select(m => (m.X, Y: depth - m.Y)).ToList();
        var fitted = marks.Count switch
        {
            2 => Similar(from, to),
            3 => Affine(from, to),
            _ => Projective(from, to),
        };
        if (fitted is not { } map)
        {
            return (null, Sentences.MarksOnOneLine);
        }
        // A mirror, or a corner that lies behind the camera: no photo of this side shows that.
        if (map.Determinant() <= 0 || from.Exists(p => Depth(map, p) <= 0))
        {
            return (null, Sentences.MarksCrossed);
        }
        var off = from.Zip(to, (f, t) => Apart(At(map, f), t)).Max();
        return (
            new PhotoFit(
                [.. Enumerable.Range(0, 9).Select(i => map[i / 3, i % 3] / map[2, 2])],
                marks.Count > 4 ? off : null
            ),
            null
        );
    }

    /// <summary>Where a point of the photo lies on the board as it is drawn, in millimetres.</summary>
    public (double X, double Y) At(double x, double y)
    {
        var w = (Map[6] * x) + (Map[7] * y) + Map[8];
        return (((Map[0] * x) + (Map[1] * y) + Map[2]) / w, ((Map[3] * x) + (Map[4] * y) + Map[5]) / w);
    }

    private static string? Unfit(IReadOnlyList<PhotoMark> marks)
    {
        if (marks.Count is < 2 or > Most)
        {
            return Sentences.MarksNeeded(Most);
        }
        foreach (var (i, one) in marks.Index())
        {
            // A list from outside may hold nothing at a place.
            if (
                one is null
                || !(Math.Abs(one.X) <= MostBoard && Math.Abs(one.Y) <= MostBoard)
                || !(one.U is >= -1 and <= 2 && one.V is >= -1 and <= 2)
            )
            {
                return Sentences.MarkOutside(i + 1);
            }
            foreach (var (j, other) in marks.Index().Take(i))
            {
                if (
                    Apart((one.X, one.Y), (other.X, other.Y)) < LeastApart
                    || Apart((one.U, one.V), (other.U, other.V)) < LeastOnPhoto
                )
                {
                    return Sentences.MarksInOnePlace(j + 1, i + 1);
                }
            }
        }
        return null;
    }

    // Turned, enlarged and moved: a division of complex numbers.
    private static Matrix<double> Similar(List<(double X, double Y)> from, List<(double X, double Y)> to)
    {
        var (p, q) = (from[1].X - from[0].X, from[1].Y - from[0].Y);
        var (r, s) = (to[1].X - to[0].X, to[1].Y - to[0].Y);
        var size = (p * p) + (q * q);
        var (a, b) = (((r * p) + (s * q)) / size, ((s * p) - (r * q)) / size);
        return Matrix<double>.Build.DenseOfArray(
            new[,]
            {
                { a, -b, to[0].X - (a * from[0].X) + (b * from[0].Y) },
                { b, a, to[0].Y - (b * from[0].X) - (a * from[0].Y) },
                { 0, 0, 1 },
            }
        );
    }

    private static Matrix<double>? Affine(List<(double X, double Y)> from, List<(double X, double Y)> to)
    {
        var (intoF, f) = Normal(from);
        var (intoT, t) = Normal(to);
        Matrix<double> Columns(List<(double X, double Y)> points) =>
            Matrix<double>.Build.Dense(
                3,
                3,
                (row, at) =>
                    row == 0 ? points[at].X
                    : row == 1 ? points[at].Y
                    : 1
            );
        var (one, other) = (Columns(f), Columns(t));
        if (Math.Abs(one.Determinant()) < 1e-3 || Math.Abs(other.Determinant()) < 1e-3)
        {
            return null;
        }
        return intoT.Inverse() * other * one.Inverse() * intoF;
    }

    // The normalised direct linear transformation (source: R. Hartley, A. Zisserman, "Multiple View Geometry in Computer Vision", 2nd edition,
    // algorithm 4.2): least squares where there are more than four.
    private static Matrix<double>? Projective(List<(double X, double Y)> from, List<(double X, double Y)> to)
    {
        var (intoF, f) = Normal(from);
        var (intoT, t) = Normal(to);
        var rows = Matrix<double>.Build.Dense(2 * f.Count, 9);
        for (var i = 0; i < f.Count; i++)
        {
            var ((x, y), (u, v)) = (f[i], t[i]);
            rows.SetRow(2 * i, [0, 0, 0, -x, -y, -1, v * x, v * y, v]);
            rows.SetRow((2 * i) + 1, [x, y, 1, 0, 0, 0, -u * x, -u * y, -u]);
        }
        var parts = rows.Svd();
        if (parts.S[7] < LeastRank * parts.S[0])
        {
            return null;
        }
        var last = parts.VT.Row(8);
        var map = intoT.Inverse() * Matrix<double>.Build.Dense(3, 3, (row, at) => last[(3 * row) + at]) * intoF;
        // Three on one line of the photo and not of the board: the map folds everything into a line.
        if (Math.Abs(Matrix<double>.Build.Dense(3, 3, (row, at) => last[(3 * row) + at]).Determinant()) < 1e-7)
        {
            return null;
        }
        return Depth(map, from[0]) < 0 ? -map : map;
    }

    // Moved to their middle and so large that they lie about √2 from it.
    private static (Matrix<double> Into, List<(double X, double Y)> Points) Normal(List<(double X, double Y)> points)
    {
        var (x, y) = (points.Average(p => p.X), points.Average(p => p.Y));
        var far = Math.Sqrt(2) / points.Average(p => Apart(p, (x, y)));
        return (
            Matrix<double>.Build.DenseOfArray(
                new[,]
                {
                    { far, 0, -far * x },
                    { 0, far, -far * y },
                    { 0, 0, 1 },
                }
            ),
            points.ConvertAll(p => ((p.X - x) * far, (p.Y - y) * far))
        );
    }

    private static double Depth(Matrix<double> map, (double X, double Y) at) =>
        (map[2, 0] * at.X) + (map[2, 1] * at.Y) + map[2, 2];

    private static (double X, double Y) At(Matrix<double> map, (double X, double Y) at)
    {
        var w = Depth(map, at);
        return (
            ((map[0, 0] * at.X) + (map[0, 1] * at.Y) + map[0, 2]) / w,
            ((map[1, 0] * at.X) + (map[1, 1] * at.Y) + map[1, 2]) / w
        );
    }

    private static double Apart((double X, double Y) a, (double X, double Y) b) =>
        Math.Sqrt(((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y)));
}
