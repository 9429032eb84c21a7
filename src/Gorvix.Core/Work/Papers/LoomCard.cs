using System.Text;
using Gorvix.Core.Wired.Loom;
using QRCoder;

namespace Gorvix.Core.Work.Papers;

/// <summary>
/// A card of the size of ISO/IEC 7810 ID-1, to keep with the craft: what sits where, and a QR code (ISO/IEC 18004) that carries the wire
/// list itself, so that it can be read in the field without a network.
/// </summary>
public static class LoomCard
{
    /// <summary>Width, millimetres (ISO/IEC 7810, ID-1).</summary>
    public const double Width = 85.6;

    /// <summary>Height, millimetres (ISO/IEC 7810, ID-1).</summary>
    public const double Height = 53.98;

    /// <summary>The most bytes in the code: above that its squares are too small for a phone on so small a card (from memory: a third of a millimetre).</summary>
    public const int MostBytes = 1100;

    private const double Code = 43;
    private const double Margin = 3.5;

    /// <summary>What the code carries: one device a line, each lead with where it goes; supplies and grounds are left out where all is too much.</summary>
    /// <param name="name">What the builder calls the build.</param>
    /// <param name="board">The board, in words.</param>
    /// <param name="sheet">The loom.</param>
    public static string Text(string name, string board, LoomSheet sheet)
    {
        var all = Lines(name, board, sheet.Wires, "");
        if (Encoding.UTF8.GetByteCount(all) <= MostBytes)
        {
            return all;
        }
        var signals = Lines(
            name,
            board,
            [.. sheet.Wires.Where(w => w.Link is not null)],
            Sentences.SuppliesAndGroundsNotListed
        );
        if (Encoding.UTF8.GetByteCount(signals) <= MostBytes)
        {
            return signals;
        }
        var more = Sentences.AndMoreSeeTheList;
        var bytes = Encoding.UTF8.GetBytes(signals);
        var kept = Encoding.UTF8.GetString(bytes, 0, MostBytes - Encoding.UTF8.GetByteCount(more));
        return kept[..Math.Max(0, kept.LastIndexOf('\n'))] + more;
    }

    /// <summary>Draws it.</summary>
    /// <inheritdoc cref="Text"/>
    /// <returns>SVG, in millimetres.</returns>
    public static string Draw(string name, string board, LoomSheet sheet)
    {
        var drawing = new Drawing(Width, Height, Sentences.WiringCard(name));
        drawing.Box(0.1, 0.1, Width - 0.2, Height - 0.2);
        using var code = new QRCodeGenerator().CreateQrCode(
            Text(name, board, sheet),
            QRCodeGenerator.ECCLevel.L,
            forceUtf8: true
        );
        drawing.Path(Squares(code.ModuleMatrix, Width - Code - Margin, (Height - Code) / 2));
        var text = Width - Code - (2 * Margin) - 2;
        drawing.Text(Margin, 7, 3.4, Cut(name, text, 3.4), bold: true);
        drawing.Text(Margin, 10.2, 2, Cut(board, text, 2));
        var top = 14.2;
        foreach (var port in sheet.Ports)
        {
            if (top > Height - 3)
            {
                break;
            }
            drawing.Text(Margin, top, 2.2, Cut($"{port.Port} {port.Protocol}: {port.Device}", text, 2.2));
            top += 3.1;
        }
        return drawing.ToString();
    }

    private static string Lines(string name, string board, IReadOnlyList<LoomWire> wires, string note) =>
        $"{name}\n{board}"
        + string.Concat(
            wires
                .GroupBy(w => w.Name)
                .Select(g => $"\n{g.Key}: {string.Join(" ", g.Select(w => $"{w.Label}>{At(w)}"))}")
        )
        + note;

    private static string At(LoomWire wire) => wire.AtShort.Replace(' ', '_');

    // The quiet zone is in the matrix.
    private static string Squares(List<System.Collections.BitArray> matrix, double left, double top)
    {
        var size = Code / matrix.Count;
        var path = new StringBuilder();
        foreach (var (y, row) in matrix.Index())
        {
            for (var x = 0; x < row.Count; x++)
            {
                if (row[x])
                {
                    path.Append('M')
                        .Append(Drawing.Of(left + (x * size)))
                        .Append(' ')
                        .Append(Drawing.Of(top + (y * size)))
                        .Append('h')
                        .Append(Drawing.Of(size))
                        .Append('v')
                        .Append(Drawing.Of(size))
                        .Append('h')
                        .Append(Drawing.Of(-size))
                        .Append('z');
                }
            }
        }
        return path.ToString();
    }

    // A letter is half as wide as it is high, roughly.
    private static string Cut(string text, double width, double size)
    {
        var most = (int)(width / (size * 0.52));
        return text.Length <= most ? text : $"{text[..(most - 1)]}…";
    }
}
