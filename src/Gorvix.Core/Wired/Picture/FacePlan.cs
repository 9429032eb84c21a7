using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Leaflets;

namespace Gorvix.Core.Wired.Picture;

/// <summary>
/// One side of a board as it is drawn: how large, where its pads lie, and how each wire leaves it. The face is enlarged until all wires find a way;
/// where that does not help, or where pads lie on one another, the pads in use are drawn one below the other instead. From its own upper left corner.
/// </summary>
internal sealed class FacePlan
{
    /// <summary>The height of letters on the board.</summary>
    public const double Letters = 2;

    // Half of a pad at most; how wide a board is drawn to begin with; how often and by how much it is enlarged.
    private const double MostHalf = 1.25;
    private const double Usual = 72;
    private const double MostScale = 4;
    private const int MostTries = 9;
    private const double Enlarging = 1.2;

    // Pads nearer than this, in millimetres of the board, cannot be told apart.
    private const double LeastPitch = 0.4;

    private readonly List<PadSpot> _pads = [];
    private readonly List<Box> _marks = [];
    private readonly Dictionary<string, Box> _sockets = [];

    private FacePlan(BoardFace face, BoardSide side, double scale)
    {
        (Face, Side, Scale) = (face, side, scale);
        Turn = (face.Arrow, side) switch
        {
            (BoardEdge.Rear, _) => 2,
            (BoardEdge.Left, BoardSide.Top) or (BoardEdge.Right, BoardSide.Bottom) => 1,
            (BoardEdge.Right, BoardSide.Top) or (BoardEdge.Left, BoardSide.Bottom) => 3,
            _ => 0,
        };
        (Width, Height) =
            Turn % 2 == 0 ? (face.Width * scale, face.Depth * scale) : (face.Depth * scale, face.Width * scale);
    }

    public BoardFace Face { get; }

    public BoardSide Side { get; }

    /// <summary>Millimetres of the drawing for one of the board.</summary>
    public double Scale { get; }

    /// <summary>Quarter turns clockwise that bring the front up.</summary>
    public int Turn { get; }

    public double Width { get; private set; }

    public double Height { get; private set; }

    /// <summary>False where the pads are drawn one below the other.</summary>
    public bool IsToScale { get; private set; } = true;

    public IReadOnlyList<PadSpot> Pads => _pads;

    /// <summary>The way of each wire, in the order of the demands.</summary>
    public IReadOnlyList<PicturePoint[]> Ways { get; private set; } = [];

    /// <summary>The USB socket; null where no manual says where it is.</summary>
    public Box? Usb { get; private set; }

    /// <summary>The arrow's middle; null where no manual says where the front is.</summary>
    public PicturePoint? Arrow { get; private set; }

    /// <summary>The names of sockets, by their pads.</summary>
    public List<(string Socket, Box Box, PictureText? Name, PicturePoint? First)> Sockets { get; } = [];

    /// <summary>The jumpers, each with the middle of its row, and its name where there is room.</summary>
    public List<(FaceBridge Bridge, PicturePoint At, PictureText? Name)> Jumpers { get; } = [];

    /// <summary>From the highest to the lowest that belongs to it.</summary>
    public (double Top, double Bottom) Reach =>
        (
            Math.Min(-1, Ways.SelectMany(w => w).Select(p => p.Y - 1).DefaultIfEmpty(0).Min()),
            Math.Max(Height + 1, Ways.SelectMany(w => w).Select(p => p.Y + 1).DefaultIfEmpty(0).Max())
        );

    /// <summary>Draws a side.</summary>
    /// <param name="face">The board.</param>
    /// <param name="side">The side.</param>
    /// <param name="wires">What leaves it: the pad and the edge of each.</param>
    /// <param name="least">The scale to begin with; null for the usual one.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    public static FacePlan Of(
        BoardFace face,
        BoardSide side,
        IReadOnlyList<(string Pad, PictureEdge Edge)> wires,
        double? least,
        CancellationToken stop
    )
    {
        if (!ArePlaced(face, side))
        {
            return Listed(face, side, wires);
        }
        var scale = least ?? UsualScale(face);
        for (var tries = 0; tries < MostTries; tries++, scale *= Enlarging)
        {
            var plan = new FacePlan(face, side, scale);
            plan.Place();
            if (plan.Route(wires, stop))
            {
                return plan;
            }
        }
        return Listed(face, side, wires);
    }

    /// <summary>How large a board is drawn to begin with.</summary>
    public static double UsualScale(BoardFace face) =>
        Math.Min(MostScale, Usual / Math.Max(1, Math.Max(face.Width, face.Depth * 0.8)));

    // Two pads on one spot, or none placed at all.
    private static bool ArePlaced(BoardFace face, BoardSide side)
    {
        var pads = face.Pads.Where(p => p.Side == side).OrderBy(p => p.X).ToList();
        for (var i = 0; i < pads.Count; i++)
        {
            for (var j = i + 1; j < pads.Count && pads[j].X - pads[i].X < LeastPitch; j++)
            {
                if (Math.Abs(pads[j].Y - pads[i].Y) < LeastPitch)
                {
                    return false;
                }
            }
        }
        return true;
    }

    private void Place()
    {
        var mine = Face.Pads.Where(p => p.Side == Side).Select(p => (Pad: p, At: At(p.X, p.Y))).ToList();
        foreach (var (pad, at) in mine)
        {
            var near = mine.Where(o => o.Pad.Id != pad.Id)
                .Select(o => Math.Max(Math.Abs(o.At.X - at.X), Math.Abs(o.At.Y - at.Y)))
                .DefaultIfEmpty(double.PositiveInfinity)
                .Min();
            var half = Math.Max(0.3, Math.Min(MostHalf, near * 0.36));
            _pads.Add(new PadSpot(pad.Id, at.X, at.Y, half, half));
        }
        foreach (var bridge in Face.Bridges.Where(b => b.Side == Side))
        {
            var at = At(bridge.X, bridge.Y);
            var box = Box.Round(at.X, at.Y, bridge.Pads, 1);
            var name = Room(bridge.Id, box);
            Jumpers.Add((bridge, at, name));
            _marks.Add(box.Grown(0.5));
            if (name is not null)
            {
                _marks.Add(Box.Of(name).Grown(0.3));
            }
        }
        if (Face.Usb is { } usb)
        {
            Usb = UsbAt(OnDrawing(usb));
            _marks.Add(Usb.Value.Grown(0.5));
        }
        foreach (var socket in mine.Where(p => p.Pad.Plug is not null).GroupBy(p => p.Pad.Plug!))
        {
            var spots = _pads.Where(p => socket.Any(s => s.Pad.Id == p.Id)).ToList();
            var box = new Box(
                spots.Min(p => p.X - p.HalfX),
                spots.Min(p => p.Y - p.HalfY),
                spots.Max(p => p.X + p.HalfX),
                spots.Max(p => p.Y + p.HalfY)
            ).Grown(0.7);
            // Pins that lie all over the board are no socket that can be drawn.
            if (Math.Min(box.Right - box.Left, box.Bottom - box.Top) > (4 * spots.Max(p => p.HalfX)) + 5)
            {
                continue;
            }
            foreach (var spot in spots)
            {
                _sockets[spot.Id] = box;
            }
            var name = Room(socket.Key, box);
            if (name is not null)
            {
                _marks.Add(Box.Of(name).Grown(0.3));
            }
            Sockets.Add((socket.Key, box, name, null));
        }
        if (Face.Arrow is not null)
        {
            var middle = new PicturePoint(Width / 2, Height / 2);
            if (IsBare(Box.Round(middle.X, middle.Y, 1.6, 2.6)))
            {
                Arrow = middle;
                _marks.Add(Box.Round(middle.X, middle.Y, 1.6, 2.6));
            }
        }
    }

    private PicturePoint At(double x, double y)
    {
        var (u, v) = (x * Scale, (Face.Depth - y) * Scale);
        var (width, height) = (Face.Width * Scale, Face.Depth * Scale);
        return Turn switch
        {
            1 => new(height - v, u),
            2 => new(width - u, height - v),
            3 => new(v, width - u),
            _ => new(u, v),
        };
    }

    /// <summary>A hole, where it is drawn.</summary>
    public PicturePoint HoleAt(FaceHole hole) => At(hole.X, hole.Y);

    private static readonly BoardEdge[] Clockwise = [BoardEdge.Front, BoardEdge.Right, BoardEdge.Rear, BoardEdge.Left];

    // Edges are told as seen from the top.
    private BoardEdge OnDrawing(BoardEdge edge)
    {
        var seen =
            Side == BoardSide.Top ? edge
            : edge == BoardEdge.Left ? BoardEdge.Right
            : edge == BoardEdge.Right ? BoardEdge.Left
            : edge;
        return Clockwise[(Array.IndexOf(Clockwise, seen) + Turn) % 4];
    }

    private Box UsbAt(BoardEdge edge)
    {
        var (along, deep) = (4.5, 1.6);
        return edge switch
        {
            BoardEdge.Front => Box.Round(Width / 2, 0, along, deep),
            BoardEdge.Rear => Box.Round(Width / 2, Height, along, deep),
            BoardEdge.Left => Box.Round(0, Height / 2, deep, along),
            _ => Box.Round(Width, Height / 2, deep, along),
        };
    }

    /// <summary>A place for a text beside a box, on the board, over nothing; null where there is none.</summary>
    private PictureText? Room(string text, Box beside) =>
        Beside(text, beside, Letters).FirstOrDefault(t => IsOnBoard(Box.Of(t)) && IsBare(Box.Of(t).Grown(0.25)));

    private bool IsOnBoard(Box box) =>
        box.Left > 0.4 && box.Top > 0.4 && box.Right < Width - 0.4 && box.Bottom < Height - 0.4;

    private bool IsBare(Box box) => !_pads.Any(p => p.Box.Meets(box)) && !_marks.Any(m => m.Meets(box));

    // The wider half of the board first.
    private IEnumerable<PictureText> Beside(string text, Box box, double size)
    {
        var (x, y) = ((box.Left + box.Right) / 2, (box.Top + box.Bottom) / 2);
        PictureText right = new(text, box.Right + 0.6, y, size, TextAnchor.Start);
        PictureText left = new(text, box.Left - 0.6, y, size, TextAnchor.End);
        PictureText below = new(text, x, box.Bottom + 0.4 + (size * 0.6), size, TextAnchor.Middle);
        PictureText above = new(text, x, box.Top - 0.4 - (size * 0.6), size, TextAnchor.Middle);
        PictureText[] sides = x < Width / 2 ? [right, left] : [left, right];
        PictureText[] ends = y < Height / 2 ? [below, above] : [above, below];
        return box.Right - box.Left > 2 * (box.Bottom - box.Top) ? [.. ends, .. sides] : [.. sides, .. ends];
    }

    private bool Route(IReadOnlyList<(string Pad, PictureEdge Edge)> wires, CancellationToken stop)
    {
        var spots = _pads.ToDictionary(p => p.Id);
        if (
            new LaneFinder(_pads, _marks, Width, Height).Find(
                [.. wires.Select(w => new LaneDemand(spots[w.Pad], w.Edge))],
                stop
            )
            is not { } ways
        )
        {
            return false;
        }
        Ways = ways;
        return true;
    }

    // The pads in use one below the other, each as high as its wires need.
    private static FacePlan Listed(BoardFace face, BoardSide side, IReadOnlyList<(string Pad, PictureEdge Edge)> wires)
    {
        var used = face.Pads.Where(p => p.Side == side && wires.Any(w => w.Pad == p.Id)).ToList();
        var wide = used.Select(p => Box.WidthOf(p.Label, Letters)).DefaultIfEmpty(0).Max() + 2;
        var plan = new FacePlan(face, side, 1) { IsToScale = false, Width = Math.Max(30, wide + 12) };
        var ways = new PicturePoint[wires.Count][];
        var top = 2.0;
        foreach (var pad in used)
        {
            var mine = wires.Index().Where(w => w.Item.Pad == pad.Id).ToLookup(w => w.Item.Edge, w => w.Index);
            var rows = Math.Max(1, mine.Max(g => g.Count()));
            var half = Math.Max(MostHalf, rows * LaneFinder.Pitch / 2);
            plan._pads.Add(new PadSpot(pad.Id, plan.Width / 2, top + half, wide / 2, half));
            foreach (var edge in mine)
            {
                foreach (var (row, wire) in edge.Index())
                {
                    var y = top + half + ((row - ((edge.Count() - 1) / 2.0)) * LaneFinder.Pitch);
                    ways[wire] =
                        edge.Key == PictureEdge.Left
                            ? [new((plan.Width - wide) / 2, y), new(-LaneFinder.Reach, y)]
                            : [new((plan.Width + wide) / 2, y), new(plan.Width + LaneFinder.Reach, y)];
                }
            }
            top += (2 * half) + 1.4;
        }
        plan.Height = Math.Max(12, top + 0.6);
        plan.Ways = ways;
        return plan;
    }

    // The label of a pin stands beside its socket.
    private Box Housing(PadSpot spot) =>
        !_sockets.TryGetValue(spot.Id, out var socket) ? spot.Box
        : socket.Right - socket.Left < socket.Bottom - socket.Top
            ? spot.Box with
            {
                Left = socket.Left,
                Right = socket.Right,
            }
        : spot.Box with { Top = socket.Top, Bottom = socket.Bottom };

    /// <summary>The labels of the pads in use, each where it covers nothing; those for which there is no room are missing.</summary>
    /// <param name="used">Ids of the pads in use.</param>
    public Dictionary<string, PictureText> Labels(IReadOnlySet<string> used)
    {
        var labels = new Dictionary<string, PictureText>();
        var lines = Ways.SelectMany(w => w.Zip(w.Skip(1), Box.Between)).Select(b => b.Grown(0.3)).ToList();
        foreach (var pad in Face.Pads.Where(p => p.Side == Side && used.Contains(p.Id)))
        {
            var spot = _pads.First(p => p.Id == pad.Id);
            if (!IsToScale)
            {
                labels[pad.Id] = new(pad.Label, spot.X, spot.Y, Letters, TextAnchor.Middle);
                continue;
            }
            foreach (var text in Beside(pad.Label, Housing(spot), Letters))
            {
                var box = Box.Of(text);
                if (IsOnBoard(box) && IsBare(box.Grown(0.2)) && !lines.Any(l => l.Meets(box)))
                {
                    labels[pad.Id] = text;
                    _marks.Add(box);
                    break;
                }
            }
        }
        return labels;
    }
}
