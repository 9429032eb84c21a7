using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;

namespace Gorvix.Core.Tests.Picture;

/// <summary>A wiring picture as whoever opens the file sees it: read from the SVG alone, by nothing that drew it.</summary>
internal sealed partial class PlainPicture
{
    internal readonly record struct Spot(double X, double Y);

    internal readonly record struct Area(double Left, double Top, double Right, double Bottom)
    {
        public bool Meets(Area o, double by = 0) =>
            Left + by < o.Right && o.Left + by < Right && Top + by < o.Bottom && o.Top + by < Bottom;

        public bool Has(Spot s, double by) =>
            s.X >= Left - by && s.X <= Right + by && s.Y >= Top - by && s.Y <= Bottom + by;

        public bool IsWithin(Area o) => Left >= o.Left && Right <= o.Right && Top >= o.Top && Bottom <= o.Bottom;
    }

    internal sealed record Text(string Words, Area Area);

    internal sealed record Line(string Wire, IReadOnlyList<Spot> Points)
    {
        public IEnumerable<(Spot From, Spot To)> Stretches => Points.Zip(Points.Skip(1));
    }

    public PlainPicture(string svg)
    {
        var root = XDocument.Parse(svg).Root!;
        Size = new(0, 0, Number(root, "width", "mm"), Number(root, "height", "mm"));
        foreach (var e in root.Elements())
        {
            string? Data(string name) => e.Attribute($"data-{name}")?.Value;
            if (Data("wire") is { } wire)
            {
                Lines.Add(new(wire, Points(e.Attribute("d")!.Value, Down(e))));
            }
            else if (Data("twist") is { } twisted)
            {
                Twists.Add(twisted, Rect(e));
            }
            else if (Data("pad") is { } pad)
            {
                Pads.Add(pad, Rect(e));
            }
            else if (Data("device") is { } device)
            {
                Devices.Add(device, Rect(e));
            }
            else if (Data("face") is { } face)
            {
                Faces.Add(face, Rect(e));
            }
            else if (e.Name.LocalName == "text")
            {
                Texts.Add(Written(e));
            }
        }
    }

    public Area Size { get; }
    public List<Line> Lines { get; } = [];
    public Dictionary<string, Area> Pads { get; } = [];
    public Dictionary<string, Area> Devices { get; } = [];
    public Dictionary<string, Area> Faces { get; } = [];
    public List<Text> Texts { get; } = [];

    /// <summary>Where it is shown that a wire is twisted with its ground.</summary>
    public Dictionary<string, Area> Twists { get; } = [];

    /// <summary>How often wires cross.</summary>
    public int Crossings()
    {
        var count = 0;
        for (var i = 0; i < Lines.Count; i++)
        {
            for (var j = i + 1; j < Lines.Count; j++)
            {
                count += Lines[i].Stretches.Sum(a => Lines[j].Stretches.Count(b => Cross(a, b)));
            }
        }
        return count;
    }

    private static bool Cross((Spot From, Spot To) a, (Spot From, Spot To) b)
    {
        var (level, upright) = a.From.Y == a.To.Y ? (a, b) : (b, a);
        return level.From.Y == level.To.Y
            && upright.From.X == upright.To.X
            && Between(upright.From.X, level.From.X, level.To.X)
            && Between(level.From.Y, upright.From.Y, upright.To.Y);
    }

    private static bool Between(double x, double a, double b) => Math.Min(a, b) < x && x < Math.Max(a, b);

    /// <summary>True when two stretches run along one another: nearer than a wire is thick.</summary>
    public static bool IsAlong((Spot From, Spot To) a, (Spot From, Spot To) b)
    {
        bool Level((Spot From, Spot To) s) => Math.Abs(s.From.Y - s.To.Y) < 1e-6;
        if (Level(a) != Level(b))
        {
            return false;
        }
        var apart = Level(a) ? Math.Abs(a.From.Y - b.From.Y) : Math.Abs(a.From.X - b.From.X);
        var (a1, a2) = Level(a) ? (a.From.X, a.To.X) : (a.From.Y, a.To.Y);
        var (b1, b2) = Level(a) ? (b.From.X, b.To.X) : (b.From.Y, b.To.Y);
        return apart < 0.5
            && Math.Max(Math.Min(a1, a2), Math.Min(b1, b2)) + 0.01 < Math.Min(Math.Max(a1, a2), Math.Max(b1, b2));
    }

    /// <summary>The strip of paper that a stretch of wire takes.</summary>
    public static Area Of((Spot From, Spot To) s) =>
        new(
            Math.Min(s.From.X, s.To.X) - 0.2,
            Math.Min(s.From.Y, s.To.Y) - 0.2,
            Math.Max(s.From.X, s.To.X) + 0.2,
            Math.Max(s.From.Y, s.To.Y) + 0.2
        );

    private static double Down(XElement e) =>
        e.Attribute("transform")?.Value is { } shift && Shift().Match(shift) is { Success: true } m
            ? double.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture)
            : 0;

    // The corner of a bend is the control point of its curve.
    private static List<Spot> Points(string path, double down)
    {
        var points = new List<Spot>();
        foreach (Match m in Command().Matches(path))
        {
            var numbers = m.Groups[2]
                .Value.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Select(n => double.Parse(n, CultureInfo.InvariantCulture))
                .ToList();
            var isCurve = m.Groups[1].Value == "Q";
            var point = new Spot(numbers[0], numbers[1] + down);
            // Before each curve the line ends short of the corner, and after it goes on from beyond.
            if (isCurve)
            {
                points[^1] = point;
            }
            else
            {
                points.Add(point);
            }
        }
        return points;
    }

    private static Area Rect(XElement e)
    {
        var (x, y) = (Number(e, "x"), Number(e, "y"));
        return new(x, y, x + Number(e, "width"), y + Number(e, "height"));
    }

    // Letters of the shipped mono font are 0.6 of their size wide; a size is what fits between two lines of text.
    private static Text Written(XElement e)
    {
        var (x, y, size) = (Number(e, "x"), Number(e, "y"), Number(e, "font-size"));
        var width = e.Value.Length * 0.6 * size;
        var left = e.Attribute("text-anchor")?.Value switch
        {
            "middle" => x - (width / 2),
            "end" => x - width,
            _ => x,
        };
        // From the line that letters stand on: capitals reach 0.7 of the size above it.
        return e.Attribute("transform") is null
            ? new(e.Value, new(left, y - (0.72 * size), left + width, y + (0.1 * size)))
            : new(e.Value, new(x - (size / 2), y - (width / 2), x + (size / 2), y + (width / 2)));
    }

    private static double Number(XElement e, string name, string unit = "") =>
        double.Parse(e.Attribute(name)!.Value[..^unit.Length], CultureInfo.InvariantCulture);

    [GeneratedRegex(@"translate\(0 ([\d.]+)\)")]
    private static partial Regex Shift();

    [GeneratedRegex(@"([MLQ])([^MLQ]+)")]
    private static partial Regex Command();
}
