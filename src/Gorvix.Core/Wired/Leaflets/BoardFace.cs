using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Leaflets;

/// <summary>A board as it lies on the bench, in millimetres. Each side is told as it is seen: X from its left, Y from the rear edge.</summary>
/// <param name="Board">Id of the board; empty for one that is not saved yet.</param>
/// <param name="Width">From left to right.</param>
/// <param name="Depth">From rear to front.</param>
/// <param name="Note">What the leaflet does not say and was made up for the drawing, in a sentence; null when it says all.</param>
/// <param name="Holes">Centres of the mounting holes; none where the leaflet does not say.</param>
/// <param name="Usb">The edge with the USB socket, seen from the top, or null.</param>
/// <param name="Arrow">The edge that the arrow points to, seen from the top, or null.</param>
/// <param name="Pads">Every pad.</param>
/// <param name="Bridges">The bridges of which the leaflet says where they lie.</param>
public sealed record BoardFace(
    string Board,
    double Width,
    double Depth,
    string? Note,
    IReadOnlyList<FaceHole> Holes,
    BoardEdge? Usb,
    BoardEdge? Arrow,
    IReadOnlyList<FacePad> Pads,
    IReadOnlyList<FaceBridge> Bridges
);

/// <summary>A bridge on the face.</summary>
/// <param name="Id">Its label.</param>
/// <param name="Side">The side that it is on.</param>
/// <param name="X">From the left edge, seen from its side.</param>
/// <param name="Y">From the rear edge.</param>
/// <param name="Pads">How many pads lie in its row: one more than the positions that join something, two at least.</param>
/// <param name="Words">Label, side and positions, for a reader of the screen.</param>
public sealed record FaceBridge(string Id, BoardSide Side, double X, double Y, int Pads, string Words);

/// <summary>A mounting hole; the same seen from either side.</summary>
/// <param name="X">From the left edge.</param>
/// <param name="Y">From the rear edge.</param>
public sealed record FaceHole(double X, double Y);

/// <summary>A pad on the face.</summary>
/// <param name="Id">Id within the board.</param>
/// <param name="Label">As printed.</param>
/// <param name="Side">The side that it is on.</param>
/// <param name="X">From the left edge, seen from its side.</param>
/// <param name="Y">From the rear edge.</param>
/// <param name="Plug">The plug that it is a pin of, or null.</param>
/// <param name="Ports">The ports that it leads to; several where one wire has several jobs, none for a supply.</param>
/// <param name="Words">Label, side, plug and what it leads to, for a reader of the screen.</param>
/// <param name="Doubt">What to know before it is used, or null.</param>
public sealed record FacePad(
    string Id,
    string Label,
    BoardSide Side,
    double X,
    double Y,
    string? Plug,
    IReadOnlyList<string> Ports,
    string Words,
    string? Doubt
);

/// <summary>Reads the face of a board.</summary>
public static class FaceReader
{
    // Room round the outermost pads where the leaflet gives no outline, in millimetres.
    private const double Margin = 2;

    /// <summary>The face of a board.</summary>
    /// <param name="board">A board that passes <see cref="PartCheck"/>.</param>
    public static BoardFace Of(Board board)
    {
        var circuit = Circuit.Of(board);
        var width = board.Outline?.Width ?? board.Pads.Select(p => p.X).DefaultIfEmpty().Max() + Margin;
        var depth = board.Outline?.Depth ?? board.Pads.Select(p => p.Y).DefaultIfEmpty().Max() + Margin;
        return new BoardFace(
            board.Id,
            width,
            depth,
            board.Outline is null ? Sentences.BoardSizeUnknownTheOutline : null,
            board.Mounting is { } m
                ?
                [
                    .. from x in new[] { (width - m.Width) / 2, (width + m.Width) / 2 }
                    from y in new[] { (depth - m.Depth) / 2, (depth + m.Depth) / 2 }
                    select new FaceHole(x, y),
                ]
                : [],
            board.UsbSide,
            board.Arrow,
            [.. board.Pads.Select(p => PadOf(board, circuit, p))],
            [
                .. from b in board.Bridges
                let place = b.Place
                where place is not null
                let joins = circuit.JoiningPositions(b.Id).Count
                select new FaceBridge(
                    b.Id,
                    place.Side,
                    place.X,
                    place.Y,
                    Math.Max(2, joins + 1),
                    $"jumper {b.Id}, {(place.Side == BoardSide.Top ? "top" : "bottom")} side: {Phrase.Or(b.Positions)}"
                ),
            ]
        );
    }

    private static FacePad PadOf(Board board, Circuit circuit, Pad pad)
    {
        var ends = circuit.From(pad).Select(s => s.To).ToList();
        var nets = ends.Where(n => n.Kind == NodeKind.Net).Select(n => n.Id).ToHashSet();
        var ports = board.Ports.Where(p => p.Nets.Any(nets.Contains)).Select(p => p.Id).ToList();
        var rails = ends.Where(n => n.Kind == NodeKind.Rail)
            .Select(n => board.Rails.First(r => r.Id == n.Id).Label)
            .Distinct();
        var socket = circuit.SocketOf.GetValueOrDefault(pad.Id);
        string?[] words =
        [
            pad.Label,
            pad.Side == BoardSide.Top ? Sentences.TopSide : Sentences.BottomSide,
            socket is null ? pad.Group : $"pin {socket.CavityOf(pad) + 1} of {socket.Label}",
            ports.Count > 0 ? Sentences.ConnectsTo(Phrase.Join([.. ports.Select(Port.NameOf)])) : null,
            rails.Any() ? $"{Phrase.Join([.. rails])} rail" : null,
        ];
        return new FacePad(
            pad.Id,
            pad.Label,
            pad.Side,
            pad.X,
            pad.Y,
            socket?.Label,
            ports,
            string.Join(", ", words.OfType<string>()),
            pad.Meaning switch
            {
                PadMeaning.Uncertain => Sentences.MeasureBeforeUse,
                PadMeaning.NotConnected => Sentences.NotConnectedLeaveUnwired,
                _ => null,
            }
        );
    }
}
