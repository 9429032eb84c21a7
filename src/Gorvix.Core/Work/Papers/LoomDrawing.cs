using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Loom;

namespace Gorvix.Core.Work.Papers;

/// <summary>The loom as a drawing: each side of the board with the pads in use filled and numbered, and what goes on each beside it.</summary>
public static class LoomDrawing
{
    private const double Width = 190;

    // A side fills the sheet, but is never drawn more than four times as large as it is.
    private const double MostScale = 4;
    private const double FaceWidth = 170;
    private const double Row = 4.2;

    /// <summary>Draws it.</summary>
    /// <param name="name">What the builder calls the build.</param>
    /// <param name="board">The board.</param>
    /// <param name="sheet">The loom.</param>
    /// <returns>SVG, in millimetres.</returns>
    public static string Draw(string name, Board board, LoomSheet sheet)
    {
        var face = FaceReader.Of(board);
        var scale = Math.Min(MostScale, FaceWidth / Math.Max(1, face.Width));
        var wires = sheet.Wires.Where(w => w.Pad is not null).ToList();
        var numbers = wires.Select((w, i) => (w.Pad, Number: i + 1)).ToLookup(w => w.Pad!, w => w.Number);
        var used = face.Pads.Where(p => numbers.Contains(p.Id)).ToList();
        // Where no positions are told, every pad stands on the same spot: then the list is the drawing.
        var placed = face.Pads.Select(p => (p.X, p.Y)).Distinct().Count() > 1;
        var worked = face.Bridges.Where(b => sheet.Steps.Any(s => s.Bridge == b.Id)).Select(b => b.Side);
        List<BoardSide> sides = placed ? [.. used.Select(p => p.Side).Concat(worked).Distinct().Order()] : [];
        var faceHeight = sides.Count == 0 ? 0 : (face.Depth * scale) + 14;
        var rest = sheet.Wires.Where(w => w.Pad is null).ToList();
        var height = 16 + (sides.Count * faceHeight) + ((wires.Count + rest.Count + 1) * Row) + 6;
        var drawing = new Drawing(Width, height, Sentences.WiringOnThe(name, board.Name));
        drawing.Text(4, 8, 5, name, bold: true);
        drawing.Text(4, 13, 3, $"{board.Maker} {board.Name}, revision {board.Revision}");
        var top = 16.0;
        foreach (var side in sides)
        {
            drawing.Text(
                4,
                top + 5,
                3,
                side == BoardSide.Top ? Sentences.TopSide : Sentences.BottomSideBoardFlipped,
                bold: true
            );
            var (left, upper) = ((Width - (face.Width * scale)) / 2, top + 8);
            drawing.Box(left, upper, face.Width * scale, face.Depth * scale);
            foreach (var pad in face.Pads.Where(p => p.Side == side))
            {
                var (x, y) = (left + (pad.X * scale), upper + ((face.Depth - pad.Y) * scale));
                var mine = numbers[pad.Id].ToList();
                // Pins of a plug stand close; each keeps its own square.
                var half = pad.Plug is null ? 1.7 : Math.Min(1.7, PitchOf(face, pad) * scale * 0.45);
                drawing.Box(x - half, y - half, 2 * half, 2 * half, mine.Count > 0 ? "#000" : "#fff", ("pad", pad.Id));
                if (mine.Count > 0)
                {
                    drawing.Text(
                        x,
                        y + 0.8,
                        Math.Min(2.2, half * 1.3),
                        $"{mine[0]}",
                        "middle",
                        bold: true,
                        fill: "#fff"
                    );
                }
                if (pad.Plug is null)
                {
                    drawing.Text(x + half + 0.6, y + 0.7, 2, pad.Label);
                }
            }
            foreach (var bridge in face.Bridges.Where(b => b.Side == side))
            {
                var (x, y) = (left + (bridge.X * scale), upper + ((face.Depth - bridge.Y) * scale));
                var meant = sheet.Steps.Any(s => s.Bridge == bridge.Id);
                for (var i = 0; i < bridge.Pads; i++)
                {
                    drawing.Box(
                        x + ((i - (bridge.Pads / 2.0)) * 1.8),
                        y - 0.9,
                        1.4,
                        1.8,
                        meant ? "#000" : "#fff",
                        ("bridge", bridge.Id)
                    );
                }
                drawing.Text(x + (bridge.Pads * 0.9) + 0.6, y + 0.7, 2, bridge.Id, bold: meant);
            }
            top += faceHeight;
        }
        foreach (var (i, wire) in wires.Concat(rest).Index())
        {
            top += Row;
            drawing.Text(10, top, 3, wire.Pad is null ? "–" : $"{i + 1}", "end", bold: true);
            drawing.Text(
                13,
                top,
                3,
                Sentences.OfThe(wire.Label, wire.Colour is { } colour ? $" ({colour})" : "", wire.Name)
            );
            drawing.Text(78, top, 3, $"→ {wire.At}");
            drawing.Text(124, top, 3, wire.Job);
        }
        return drawing.ToString();
    }

    private static double PitchOf(BoardFace face, FacePad pad) =>
        face
            .Pads.Where(p => p.Side == pad.Side && p.Id != pad.Id)
            .Select(p => Math.Sqrt(((p.X - pad.X) * (p.X - pad.X)) + ((p.Y - pad.Y) * (p.Y - pad.Y))))
            .DefaultIfEmpty(1)
            .Min();
}
