using System.Globalization;
using System.Text.RegularExpressions;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>
/// Lays rows and sockets along the edges that their names tell, where the text gives no millimetres: from front to rear on the left
/// and the right, from left to right at the rear and the front, as one reads a picture with the front at its top. What names no
/// edge lies in rows across the middle.
/// </summary>
internal static partial class PadPlacer
{
    /// <summary>The size that a board is given for the drawing while its leaflet says none, in millimetres.</summary>
    public const double Nominal = 36;

    // From the edge to the middle of a pad, and from the corner to the first one: room for the hole and for the row round the corner.
    private const double Inset = 2;
    private const double Corner = 6.5;
    private const double UsualPitch = 1.25;

    /// <summary>Pads that lie in one line: a row, or a socket with its fixed pitch.</summary>
    /// <param name="Side">The side.</param>
    /// <param name="Name">What the text calls the place, or null.</param>
    /// <param name="Pads">How many places it has.</param>
    /// <param name="Pitch">From place to place in millimetres; null where they are spread.</param>
    public sealed record Strip(BoardSide Side, string? Name, int Pads, double? Pitch);

    /// <summary>The places of every strip, in its order.</summary>
    /// <param name="outline">The size of the board, or null.</param>
    /// <param name="strips">The strips, in the order of the text.</param>
    public static IReadOnlyList<IReadOnlyList<Spot>> Place(BoardOutline? outline, IReadOnlyList<Strip> strips)
    {
        var width = outline?.Width ?? Nominal;
        var depth = outline?.Depth ?? Nominal;
        var spots = new IReadOnlyList<Spot>[strips.Count];
        foreach (var line in strips.Index().GroupBy(s => (s.Item.Side, Edge: EdgeIn(s.Item.Name))))
        {
            var members = line.ToList();
            if (line.Key.Edge is not { } edge)
            {
                foreach (var (row, (index, strip)) in members.Index())
                {
                    var y = depth * (members.Count - row) / (members.Count + 1);
                    spots[index] = [.. Along([strip], width).Single().Select(x => Spot(x, y))];
                }
                continue;
            }
            var upright = edge is BoardEdge.Left or BoardEdge.Right;
            var along = Along([.. members.Select(m => m.Item)], upright ? depth : width);
            foreach (var (m, (index, _)) in members.Index())
            {
                spots[index] =
                [
                    .. along[m]
                        .Select(a =>
                            edge switch
                            {
                                BoardEdge.Left => Spot(Inset, depth - a),
                                BoardEdge.Right => Spot(width - Inset, depth - a),
                                BoardEdge.Rear => Spot(a, Inset),
                                _ => Spot(a, depth - Inset),
                            }
                        ),
                ];
            }
        }
        return spots;
    }

    /// <summary>The first edge that a place names, such as front in "front left"; null when it names none.</summary>
    public static BoardEdge? EdgeIn(string? name)
    {
        foreach (var word in (name ?? "").Split(' '))
        {
            switch (word.ToLowerInvariant())
            {
                case "front":
                    return BoardEdge.Front;
                case "right":
                    return BoardEdge.Right;
                case "rear":
                    return BoardEdge.Rear;
                case "left":
                    return BoardEdge.Left;
            }
        }
        return null;
    }

    /// <summary>The pitch of a family of plugs such as "1.0 mm, 6 pins"; null when it is not known.</summary>
    public static double? PitchOf(string? family) =>
        family is not null && Pitch().Match(family) is { Success: true } match
            ? double.Parse(match.Groups[1].Value, CultureInfo.InvariantCulture)
            : null;

    /// <summary>The pitch at which a socket is drawn.</summary>
    public static double DrawnPitch(string? family) => Math.Clamp(PitchOf(family) ?? UsualPitch, 0.5, 5);

    // Sockets keep their pitch, what is left of the edge is shared out between them and the pads; if it is not enough, all are equally near.
    private static List<List<double>> Along(IReadOnlyList<Strip> strips, double length)
    {
        var corner = Math.Min(Corner, length / 4);
        var room = length - (2 * corner);
        var places = strips.Sum(s => s.Pads);
        var @fixed = strips.Sum(s => s.Pitch is { } p ? p * (s.Pads - 1) : 0);
        var gaps = places - 1 - strips.Sum(s => s.Pitch is null ? 0 : s.Pads - 1);
        var gap = gaps > 0 ? (room - @fixed) / gaps : 0;
        var all = gap < 1 && gaps > 0 || @fixed > room;
        var even = places > 1 ? room / (places - 1) : 0;
        var at = places > 1 && (all || gaps > 0) ? corner : (length - @fixed) / 2;
        var result = new List<List<double>>();
        foreach (var strip in strips)
        {
            var own = new List<double>();
            for (var i = 0; i < strip.Pads; i++)
            {
                own.Add(at);
                at +=
                    all ? even
                    : i < strip.Pads - 1 && strip.Pitch is { } p ? p
                    : gap;
            }
            result.Add(own);
        }
        return result;
    }

    private static Spot Spot(double x, double y) => new(Math.Round(x, 2), Math.Round(y, 2));

    [GeneratedRegex(@"^([0-9]{1,2}(?:\.[0-9]{1,2})?) mm\b")]
    private static partial Regex Pitch();
}
