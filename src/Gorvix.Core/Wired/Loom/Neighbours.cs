using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Loom;

/// <summary>A pad beside another.</summary>
/// <param name="Pad">The pad.</param>
/// <param name="Millimetres">From middle to middle; null where the leaflet tells no positions.</param>
internal sealed record Neighbour(Pad Pad, double? Millimetres);

/// <summary>Which pads lie beside a pad, so that solder could join them.</summary>
internal sealed class Neighbours
{
    /// <summary>Pads farther than this from middle to middle are not joined by a blob (our own choice), in millimetres.</summary>
    public const double Reach = 3.2;

    /// <summary>Pads nearer than this are worked on with a fine tip (our own choice), in millimetres.</summary>
    public const double Crowded = 2.2;

    private const int Most = 4;

    private readonly Board _board;

    /// <summary>The pads of a board.</summary>
    public Neighbours(Circuit circuit)
    {
        _board = circuit.Board;
        HasPositions = _board.Pads.Any(p => p.X != 0 || p.Y != 0);
    }

    /// <summary>Whether the leaflet tells where the pads lie.</summary>
    public bool HasPositions { get; }

    /// <summary>The pads beside a pad on its side, the nearest first; without positions those printed before and after it in its row.</summary>
    public IReadOnlyList<Neighbour> Of(Pad pad) => HasPositions ? ByPlace(pad) : ByRow(pad);

    private List<Neighbour> ByPlace(Pad pad) =>
        [
            .. _board
                .Pads.Where(p => p.Side == pad.Side && p.Id != pad.Id)
                .Select(p => new Neighbour(p, PadDistance.Between(_board, pad, p)))
                .Where(n => n.Millimetres <= Reach)
                .OrderBy(n => n.Millimetres)
                .Take(Most),
        ];

    private List<Neighbour> ByRow(Pad pad)
    {
        var row = _board.Pads.Where(p => p.Side == pad.Side && p.Group is not null && p.Group == pad.Group).ToList();
        var at = row.FindIndex(p => p.Id == pad.Id);
        return at < 0
            ? []
            :
            [
                .. new[] { at - 1, at + 1 }
                    .Where(i => i >= 0 && i < row.Count)
                    .Select(i => new Neighbour(row[i], null)),
            ];
    }
}
