using System.Text;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Leaflets;

namespace Gorvix.Core.Wired.Picture;

/// <summary>What a line or an area of a small picture is.</summary>
public enum SmallKind
{
    /// <summary>The outline of a board.</summary>
    Board,

    /// <summary>Its sockets and its USB socket.</summary>
    Socket,

    /// <summary>Its mounting holes.</summary>
    Hole,

    /// <summary>Its pads.</summary>
    Pad,

    /// <summary>Pads with a wire.</summary>
    Used,

    /// <summary>The arrow to the front.</summary>
    Arrow,

    /// <summary>Devices.</summary>
    Body,

    /// <summary>Plugs of devices.</summary>
    Plug,

    /// <summary>Supply wires.</summary>
    Supply,

    /// <summary>Ground wires.</summary>
    Ground,

    /// <summary>Signal wires.</summary>
    Signal,
}

/// <summary>Everything of one kind and colour.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Path">As path data of SVG 2, in millimetres.</param>
/// <param name="Colour">The usual colour of a lead, as one word; empty where no manual says it, null where the kind tells enough.</param>
public sealed record SmallShape(SmallKind Kind, string Path, string? Colour);

/// <summary>
/// A build, a board or a device so small that a card or a row of a list has room for it: the geometry of the wiring picture without its words.
/// </summary>
/// <param name="Width">In millimetres.</param>
/// <param name="Height">In millimetres.</param>
/// <param name="Shapes">What lies below comes first.</param>
/// <param name="Texts">Labels of the leads of a device, for where there is room for them; none of builds and boards.</param>
public sealed record SmallPicture(
    double Width,
    double Height,
    IReadOnlyList<SmallShape> Shapes,
    IReadOnlyList<PictureText> Texts
)
{
    private const double Margin = 1;

    // A USB socket reaches over the edge of its board.
    private const double Rim = 2;

    // Of a hole for a screw of 3 mm.
    private const double HoleRadius = 1.6;

    // Between two leads, how long they are drawn, and how deep a plug is.
    private const double LeadPitch = 3.2;
    private const double LeadLength = 14;
    private const double PlugDepth = 4;

    /// <summary>A build.</summary>
    /// <param name="picture">Its wiring picture.</param>
    public static SmallPicture Of(WiringPicture picture)
    {
        var shapes = new ShapeList();
        foreach (var face in picture.Faces)
        {
            shapes.Add(SmallKind.Board, PathData.Box(new PictureBox(face.X, face.Y, face.Width, face.Height)));
            foreach (var box in face.Sockets.Select(s => s.Box).Append(face.Usb).OfType<PictureBox>())
            {
                shapes.Add(SmallKind.Socket, PathData.Box(box));
            }
            foreach (var pad in face.Pads)
            {
                shapes.Add(
                    pad.IsUsed ? SmallKind.Used : SmallKind.Pad,
                    PathData.Box(Box.Round(pad.X, pad.Y, pad.HalfWidth, pad.HalfHeight))
                );
            }
        }
        foreach (var device in picture.Devices)
        {
            shapes.Add(SmallKind.Body, PathData.Box(device.Box));
        }
        foreach (var wire in picture.Wires)
        {
            shapes.Add(KindOf(wire.Role), PathData.Line(wire.Points));
        }
        return new SmallPicture(picture.Width, picture.Height, shapes.All(), []);
    }

    /// <summary>A board: the side that has more pads, front up.</summary>
    /// <param name="board">A board that passes its check.</param>
    public static SmallPicture Of(Board board)
    {
        var face = FaceReader.Of(board);
        var side =
            2 * face.Pads.Count(p => p.Side == BoardSide.Bottom) > face.Pads.Count ? BoardSide.Bottom : BoardSide.Top;
        var plan = FacePlan.Of(face, side, [], null, CancellationToken.None);
        var shapes = new ShapeList();
        void Put(SmallKind kind, Box box) => shapes.Add(kind, PathData.Box(box.Moved(Rim, Rim)));
        Put(SmallKind.Board, new(0, 0, plan.Width, plan.Height));
        foreach (var box in plan.Sockets.Select(s => s.Box).Concat(plan.Usb is { } usb ? [usb] : []))
        {
            Put(SmallKind.Socket, box);
        }
        foreach (var hole in face.Holes.Select(plan.HoleAt))
        {
            shapes.Add(SmallKind.Hole, PathData.Circle(new(hole.X + Rim, hole.Y + Rim), plan.Scale * HoleRadius));
        }
        foreach (var pad in plan.Pads)
        {
            Put(SmallKind.Pad, pad.Box);
        }
        if (plan.Arrow is { } at)
        {
            shapes.Add(SmallKind.Arrow, PathData.UpArrow(new(at.X + Rim, at.Y + Rim)));
        }
        return new SmallPicture(plan.Width + (2 * Rim), plan.Height + (2 * Rim), shapes.All(), []);
    }

    /// <summary>A device: its body, its leads in the order of its plug, the plug.</summary>
    /// <param name="device">A device that passes its check.</param>
    public static SmallPicture Of(Device device)
    {
        var harness = Harness.Of(device);
        var leads = device
            .Leads.Index()
            .OrderBy(l => harness.HomeOf(l.Item.Id) is >= 0 and var home ? home : 1000 + l.Index)
            .Select(l => l.Item)
            .ToList();
        var wide = Math.Max(16, leads.Select(l => Box.WidthOf(l.Label, Row.Letters) + 4).DefaultIfEmpty(0).Max());
        var (shapes, texts) = (new ShapeList(), new List<PictureText>());
        var bottom = Margin + Math.Max(8, (leads.Count * LeadPitch) + 2);
        shapes.Add(SmallKind.Body, PathData.Box(new Box(Margin, Margin, Margin + wide, bottom)));
        double YOf(int index) => Margin + 1 + ((index + 0.5) * LeadPitch);
        var (from, to) = (Margin + wide, Margin + wide + LeadLength);
        foreach (var (i, lead) in leads.Index())
        {
            shapes.Add(
                KindOf(lead.Role),
                PathData.Line([new(from, YOf(i)), new(to, YOf(i))]),
                PictureMaker.ColoursOf(lead.Colour).FirstOrDefault("")
            );
            texts.Add(new PictureText(lead.Label, from - 1, YOf(i), Row.Letters, TextAnchor.End));
        }
        var inPlug = leads.Count(l => harness.HomeOf(l.Id) >= 0);
        if (inPlug > 0)
        {
            var (top, foot) = (YOf(0) - (LeadPitch / 2), YOf(inPlug - 1) + (LeadPitch / 2));
            shapes.Add(SmallKind.Plug, PathData.Box(new Box(to, top, to + PlugDepth, foot)));
        }
        return new SmallPicture(to + PlugDepth + Margin, bottom + Margin, shapes.All(), texts);
    }

    private static SmallKind KindOf(LeadRole role) =>
        role switch
        {
            LeadRole.Supply or LeadRole.Output => SmallKind.Supply,
            LeadRole.Ground => SmallKind.Ground,
            _ => SmallKind.Signal,
        };

    // What is of one kind and colour is one path: a card has ten elements, not two hundred.
    private sealed class ShapeList
    {
        private readonly Dictionary<(SmallKind Kind, string? Colour), StringBuilder> _paths = [];

        public void Add(SmallKind kind, string path, string? colour = null)
        {
            if (!_paths.TryGetValue((kind, colour), out var text))
            {
                _paths[(kind, colour)] = text = new();
            }
            text.Append(path);
        }

        public IReadOnlyList<SmallShape> All() =>
            [
                .. _paths
                    .OrderBy(p => p.Key.Kind)
                    .Select(p => new SmallShape(p.Key.Kind, p.Value.ToString(), p.Key.Colour)),
            ];
    }
}
