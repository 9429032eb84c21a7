using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Picture;

/// <summary>A lead as it is drawn at the edge of its device.</summary>
/// <param name="lead">The lead.</param>
/// <param name="fate">What becomes of it where it is joined to nothing; null where a wire begins at it.</param>
/// <param name="pieces">How many wires it is.</param>
internal sealed class Row(Lead lead, string? fate, int pieces)
{
    /// <summary>The height of letters beside leads.</summary>
    public const double Letters = 2.1;

    public Lead Lead { get; } = lead;

    /// <summary>What becomes of it where it is joined to nothing; null where a wire begins at it.</summary>
    public string? Fate { get; } = fate;

    public string Label => pieces > 1 ? $"{Lead.Label} ×{pieces}" : Lead.Label;

    /// <summary>Its colour, or what becomes of it.</summary>
    public string? Beside => Fate ?? Lead.Colour;

    /// <summary>How many wires end at it: an output of a device may supply several others.</summary>
    public int Ends { get; set; } = 1;

    /// <summary>The height of each of them, from the top.</summary>
    public IReadOnlyList<double> Heights { get; set; } = [0];

    /// <summary>The height of its label: in the middle of its wires.</summary>
    public double Y => (Heights[0] + Heights[^1]) / 2;
}

/// <summary>A device as it is drawn: its name, and its leads at the edge that looks at the board.</summary>
internal sealed class Body
{
    /// <summary>The height of letters of a name.</summary>
    public const double Letters = 2.5;

    /// <summary>Between two bodies of a column.</summary>
    public const double Gap = 3.6;

    // Between two leads, at first and at least, and between two wires of one; a name is broken where it is longer.
    private const double Usual = 3.2;
    private const double Least = 2.6;
    private const double OfOne = LaneFinder.Pitch;
    private const double MostName = 40;
    private const double Line = 3;

    /// <summary>A body.</summary>
    public Body(string id, string name, IReadOnlyList<Row> rows)
    {
        (Id, Rows) = (id, rows);
        Name = [.. Lines(name)];
        var beside = rows.Where(r => r.Beside is not null)
            .Select(r => Box.WidthOf(r.Label, Row.Letters) + Box.WidthOf(r.Beside!, Row.Letters * 0.85) + 4.5);
        Width = Math.Max(
            18,
            Name.Select(n => Box.WidthOf(n, Letters) + 3)
                .Concat(beside)
                .Concat(rows.Select(r => Box.WidthOf(r.Label, Row.Letters) + 3))
                .Max()
        );
    }

    public string Id { get; }

    public IReadOnlyList<string> Name { get; }

    public IReadOnlyList<Row> Rows { get; private set; }

    public double Width { get; }

    public PictureEdge Edge { get; set; }

    public bool IsTurned { get; private set; }

    public double Top { get; private set; }

    /// <summary>Its height before its leads are moved out of the way of others.</summary>
    public double Height => Head + Rows.Sum(r => Usual + ((r.Ends - 1) * OfOne)) + 1.2;

    public double Bottom => Rows.Count == 0 ? Top + Head + 1 : Rows[^1].Heights[^1] + 2;

    private double Head => (Name.Count * Line) + 1.6;

    public void Turn()
    {
        Rows = [.. Rows.Reverse()];
        IsTurned = !IsTurned;
    }

    /// <summary>Puts it where it stands; each lead keeps out of the way of what passes at its height.</summary>
    /// <param name="top">Its upper edge.</param>
    /// <param name="isFree">True where no other wire passes.</param>
    /// <returns>Its lower edge.</returns>
    public double Put(double top, Func<double, bool> isFree)
    {
        Top = top;
        var next = top + Head + (Usual / 2);
        foreach (var row in Rows)
        {
            var (y, heights) = (next, new List<double>());
            for (var i = 0; i < row.Ends; i++, y += OfOne)
            {
                while (row.Fate is null && !isFree(y))
                {
                    y += 0.1;
                }
                heights.Add(y);
            }
            row.Heights = heights;
            next = heights[^1] + (heights[0] - next > Usual - Least ? Least : Usual);
        }
        return Bottom;
    }

    /// <summary>Its name, written.</summary>
    public IEnumerable<PictureText> NameAt(double left, double width) =>
        Name.Select(
            (line, i) =>
                new PictureText(line, left + (width / 2), Top + 0.9 + ((i + 0.5) * Line), Letters, TextAnchor.Middle)
        );

    // Broken between words; a word that is too long by itself is broken too.
    private static IEnumerable<string> Lines(string name)
    {
        var most = (int)(MostName / (Letters * 0.6));
        var line = "";
        foreach (var word in name.Split(' ', StringSplitOptions.RemoveEmptyEntries).SelectMany(w => w.Chunk(most)))
        {
            var text = new string(word);
            if (line.Length > 0 && line.Length + 1 + text.Length > most)
            {
                yield return line;
                line = "";
            }
            line = line.Length == 0 ? text : $"{line} {text}";
        }
        yield return line;
    }
}

/// <summary>Places bodies one below the other, each as near to where its wires are as the others leave room.</summary>
internal static class Column
{
    /// <summary>
    /// The upper edges at which the sum of squared ways is least: isotonic regression by pooling neighbours that violate the order (R. Barlow and
    /// others, "Statistical inference under order restrictions", 1972).
    /// </summary>
    /// <param name="bodies">From the top: the height of each and the upper edge that it would like.</param>
    public static double[] Places(IReadOnlyList<(double Height, double Wish)> bodies)
    {
        var pools = new List<(double Sum, int Count)>();
        var offset = 0.0;
        var offsets = new double[bodies.Count];
        for (var i = 0; i < bodies.Count; i++)
        {
            offsets[i] = offset;
            pools.Add((bodies[i].Wish - offset, 1));
            while (pools is [.., var before, var last] && before.Sum / before.Count > last.Sum / last.Count)
            {
                pools.RemoveRange(pools.Count - 2, 2);
                pools.Add((before.Sum + last.Sum, before.Count + last.Count));
            }
            offset += bodies[i].Height + Body.Gap;
        }
        var means = pools.SelectMany(p => Enumerable.Repeat(p.Sum / p.Count, p.Count)).ToList();
        return [.. means.Select((m, i) => m + offsets[i])];
    }
}
