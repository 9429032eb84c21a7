using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Picture;

namespace Gorvix.Core.Work.Papers;

/// <summary>The wiring picture on paper: SVG that needs nothing but itself and looks the same in a browser and in print.</summary>
public static class PictureDrawing
{
    private const double Head = 14;
    private const double Bend = 1.1;
    private const string Ink = "#1c1c1c";
    private const string Faint = "#8a8a8a";

    /// <summary>Draws it.</summary>
    /// <param name="name">What the builder calls the build.</param>
    /// <param name="board">The board.</param>
    /// <param name="picture">The picture.</param>
    /// <returns>SVG, in millimetres.</returns>
    public static string Draw(string name, Board board, WiringPicture picture)
    {
        var drawing = new Drawing(picture.Width, picture.Height + Head, Sentences.WiringOnThe(name, board.Name));
        drawing.Text(4, 7, 4.4, name, bold: true);
        drawing.Text(4, 11.6, 2.6, $"{board.Maker} {board.Name}, revision {board.Revision}");
        drawing.Down(Head);
        foreach (var face in picture.Faces)
        {
            Face(drawing, face);
        }
        foreach (var device in picture.Devices)
        {
            Device(drawing, device);
        }
        foreach (var wire in picture.Wires)
        {
            Wire(drawing, wire);
        }
        // Pads lie over the ends of their wires, and texts over all.
        foreach (var pad in picture.Faces.SelectMany(f => f.Pads))
        {
            drawing.Box(
                pad.X - pad.HalfWidth,
                pad.Y - pad.HalfHeight,
                2 * pad.HalfWidth,
                2 * pad.HalfHeight,
                pad.IsUsed ? "#ddd" : "#fff",
                ("pad", pad.Id),
                pad.IsUsed ? Ink : Faint
            );
            Word(drawing, pad.Label);
        }
        foreach (var wire in picture.Wires)
        {
            Marks(drawing, wire, picture.Devices.First(d => d.Id == wire.Device).Edge);
        }
        return drawing.ToString();
    }

    private static void Face(Drawing drawing, PictureFace face)
    {
        Word(drawing, face.Title, bold: true);
        drawing.Box(
            face.X,
            face.Y,
            face.Width,
            face.Height,
            "#fff",
            ("face", face.Side == BoardSide.Top ? "top" : "bottom"),
            Ink,
            0.35
        );
        foreach (var hole in face.Holes)
        {
            drawing.Circle(hole.X, hole.Y, 2.6, Faint);
        }
        if (face.Usb is { } usb)
        {
            drawing.Box(usb.X, usb.Y, usb.Width, usb.Height, "#fff", null, Faint);
            drawing.Text(
                usb.X + (usb.Width / 2),
                usb.Y + (usb.Height / 2),
                1.5,
                "USB",
                "middle",
                fill: Faint,
                isMiddle: true,
                turned: usb.Height > usb.Width
            );
        }
        if (face.Arrow is { } arrow)
        {
            drawing.Line(
                FormattableString.Invariant($"M{arrow.X} {arrow.Y + 2.2}v-4.4m-1.4 1.6l1.4 -1.6l1.4 1.6"),
                Faint,
                0.35
            );
        }
        foreach (var socket in face.Sockets)
        {
            drawing.Box(
                socket.Box.X,
                socket.Box.Y,
                socket.Box.Width,
                socket.Box.Height,
                "none",
                ("socket", socket.Id),
                Ink
            );
            Word(drawing, socket.Name, fill: "#555");
            if (socket.First is { } first)
            {
                drawing.Text(first.X, first.Y, 1.2, "1", "middle", bold: true, isMiddle: true);
            }
        }
        foreach (var jumper in face.Jumpers)
        {
            Word(drawing, jumper.Name, fill: "#555");
            for (var i = 0; i < jumper.Pads; i++)
            {
                drawing.Box(
                    jumper.X + ((i - (jumper.Pads / 2.0)) * 1.8),
                    jumper.Y - 0.9,
                    1.4,
                    1.8,
                    "#fff",
                    ("jumper", jumper.Id)
                );
            }
            if (jumper.Closed is { } closed)
            {
                drawing.Box(
                    jumper.X + ((closed - (jumper.Pads / 2.0)) * 1.8) + 0.7,
                    jumper.Y - 0.4,
                    1.8,
                    0.8,
                    Ink,
                    ("closed", jumper.Id)
                );
            }
        }
    }

    private static void Device(Drawing drawing, PictureDevice device)
    {
        drawing.Box(
            device.Box.X,
            device.Box.Y,
            device.Box.Width,
            device.Box.Height,
            "#fff",
            ("device", device.Id),
            Ink,
            0.3
        );
        foreach (var line in device.Name)
        {
            Word(drawing, line, bold: true);
        }
        foreach (var lead in device.Leads)
        {
            Word(drawing, lead.Label, fill: lead.IsSpare ? Faint : Ink);
            Word(drawing, lead.Colour, fill: Faint);
        }
    }

    // A light line beneath each wire shows which of two that cross is above.
    private static void Wire(Drawing drawing, PictureWire wire)
    {
        var path = Rounded(wire.Points);
        drawing.Line(path, "#fff", 1.3);
        var first = wire.Colours is [var one, ..] ? WireColours.Of(one) : null;
        if (first is null)
        {
            drawing.Line(path, "#666", 0.45, "1.4 0.8", ("wire", wire.Id));
            return;
        }
        if (WireColours.IsLight(wire.Colours[0]))
        {
            drawing.Line(path, "#666", 0.8);
        }
        drawing.Line(path, first, 0.5, null, ("wire", wire.Id));
        if (wire.Colours is [_, var two] && WireColours.Of(two) is { } second)
        {
            drawing.Line(path, second, 0.5, "1.6 1.6");
        }
    }

    private static void Marks(Drawing drawing, PictureWire wire, PictureEdge edge)
    {
        foreach (var tag in wire.Tags)
        {
            var box = WidthOf(tag);
            drawing.Box(tag.X - (box / 2), tag.Y - 1, box, 2, "#fff", ("tag", wire.Id), "none");
            Word(drawing, tag, bold: true);
        }
        var toBoard = edge == PictureEdge.Left ? 1 : -1;
        var (x, y) = (wire.FlowAt.X, wire.FlowAt.Y);
        if (wire.Flow is WireFlow.ToBoard or WireFlow.Both)
        {
            Head1(drawing, x + (wire.Flow == WireFlow.Both ? 0.2 * toBoard : -0.6 * toBoard), y, toBoard);
        }
        if (wire.Flow is WireFlow.ToDevice or WireFlow.Both)
        {
            Head1(drawing, x - (wire.Flow == WireFlow.Both ? 0.2 * toBoard : -0.6 * toBoard), y, -toBoard);
        }
        if (wire.Inverted is { } at)
        {
            drawing.Box(at.X - 2.7, at.Y - 1, 5.4, 2, "#fff", ("inverted", wire.Id), "none");
            drawing.Line(
                FormattableString.Invariant($"M{at.X - 2.5} {at.Y + 0.7}h1v-1.4h1v1.4h1v-1.4h1v1.4h1"),
                Ink,
                0.3
            );
        }
        if (wire.Twist is { } twist)
        {
            drawing.Box(twist.At.X - 1.8, twist.At.Y - 1, 3.6, 2, "#fff", ("twist", wire.Id), "none");
            Strand(drawing, twist.At, -1.3, wire.Colours);
            Strand(drawing, twist.At, 1.3, twist.Colours);
        }
    }

    // One of two strands wound round each other.
    private static void Strand(Drawing drawing, PicturePoint at, double rise, IReadOnlyList<string> colours)
    {
        var path = FormattableString.Invariant($"M{at.X - 1.8} {at.Y}q.45 {rise} .9 0t.9 0t.9 0t.9 0");
        if (colours is [var first, ..] && WireColours.IsLight(first))
        {
            drawing.Line(path, "#666", 0.6);
        }
        drawing.Line(path, (colours is [var one, ..] ? WireColours.Of(one) : null) ?? "#666", 0.36);
    }

    private static void Head1(Drawing drawing, double x, double y, int way) =>
        drawing.Path(FormattableString.Invariant($"M{x} {y - 0.75}l{1.2 * way} 0.75l{-1.2 * way} 0.75z"));

    private static double WidthOf(PictureText text) => (text.Text.Length * text.Size * 0.6) + 0.5;

    private static void Word(Drawing drawing, PictureText? text, bool bold = false, string fill = Ink)
    {
        if (text is not null)
        {
            var anchor = text.Anchor switch
            {
                TextAnchor.Start => "start",
                TextAnchor.Middle => "middle",
                _ => "end",
            };
            drawing.Text(text.X, text.Y, text.Size, text.Text, anchor, bold, fill, isMiddle: true);
        }
    }

    /// <summary>A line whose bends are round.</summary>
    internal static string Rounded(IReadOnlyList<PicturePoint> points)
    {
        var path = new System.Text.StringBuilder(FormattableString.Invariant($"M{points[0].X} {points[0].Y}"));
        for (var i = 1; i < points.Count; i++)
        {
            var at = points[i];
            if (i == points.Count - 1)
            {
                path.Append(FormattableString.Invariant($"L{at.X} {at.Y}"));
                break;
            }
            var (before, after) = (points[i - 1], points[i + 1]);
            var bend = Math.Min(Bend, Math.Min(Way(before, at), Way(at, after)) / 2);
            var (from, to) = (Toward(at, before, bend), Toward(at, after, bend));
            path.Append(
                FormattableString.Invariant($"L{from.X:0.###} {from.Y:0.###}Q{at.X} {at.Y} {to.X:0.###} {to.Y:0.###}")
            );
        }
        return path.ToString();
    }

    private static double Way(PicturePoint a, PicturePoint b) => Math.Abs(a.X - b.X) + Math.Abs(a.Y - b.Y);

    private static PicturePoint Toward(PicturePoint from, PicturePoint to, double by) =>
        Way(from, to) is var way && way == 0
            ? from
            : new(from.X + ((to.X - from.X) * by / way), from.Y + ((to.Y - from.Y) * by / way));
}
