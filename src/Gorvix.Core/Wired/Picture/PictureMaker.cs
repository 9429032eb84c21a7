using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Picture;

/// <summary>
/// Makes one picture. In turn: which side of the board each device stands at; how each wire leaves the board (<see cref="FacePlan"/>); in which order
/// the devices stand (<see cref="ColumnOrder"/>) and where (<see cref="Column"/>); which track each wire takes between them (<see cref="Channel"/>).
/// </summary>
internal sealed partial class PictureMaker(
    WiredBuild wired,
    LoomSheet sheet,
    IReadOnlyDictionary<LeadAt, double> volts,
    CancellationToken stop
)
{
    private const double Letters = 1.8;
    private const double TrackPitch = 1.5;
    private const double Margin = 4;
    private const double FaceGap = 4;
    private const double TitleRoom = 5;

    // A lead and a wire of another device that pass at one height are this far apart at least.
    private const double Clear = 0.95;

    private readonly BoardFace _face = FaceReader.Of(wired.Build.Board);
    private readonly Dictionary<string, (int Number, bool IsDone)> _steps = StepsOf(wired, sheet);
    private List<Body> _bodies = [];
    private List<Strip> _strips = [];

    /// <summary>A wire on its way through the picture.</summary>
    private sealed class Strip(LoomWire wire, Body body, Row row)
    {
        public LoomWire Wire { get; } = wire;
        public Body Body { get; } = body;
        public Row Row { get; } = row;

        /// <summary>The lead that it goes to where it goes to no pad.</summary>
        public (Body Body, Row Row)? To { get; set; }

        /// <summary>Which of the wires at that lead it is, from the top.</summary>
        public int ToEnd { get; set; }

        /// <summary>The height at which it ends there.</summary>
        public double ToY => To!.Value.Row.Heights[ToEnd];

        /// <summary>From its pad to beyond the edge of the board, in the picture.</summary>
        public PicturePoint[] Way { get; set; } = [];

        /// <summary>The height at which it leaves the board.</summary>
        public double Far => Way[^1].Y;

        public int Track { get; set; }

        public string Tag { get; set; } = "";
    }

    public WiringPicture Make()
    {
        _bodies = [.. wired.Build.Devices.Where(d => !wired.LeftOut.Contains(d.Id)).Select(BodyOf)];
        var bodies = _bodies.ToDictionary(b => b.Id);
        _strips = [.. sheet.Wires.Where(w => bodies.ContainsKey(w.Device)).Select(w => StripOf(w, bodies[w.Device]))];
        foreach (var strip in _strips.Where(s => s.Wire.Pad is null))
        {
            var to = wired.LeadOf(new(strip.Wire.Device, strip.Wire.Lead)).To!;
            strip.To = (bodies[to.Device], bodies[to.Device].Rows.First(r => r.Lead.Id == to.Lead.Id));
        }
        foreach (var joined in _strips.Where(s => s.To is not null).GroupBy(s => s.To!.Value.Row))
        {
            joined.Key.Ends = joined.Count();
        }
        Assign();
        var plans = Faces();
        foreach (var edge in Enum.GetValues<PictureEdge>())
        {
            Stand(edge);
        }
        return Drawn(plans);
    }

    private Body BodyOf(DeviceInBuild device)
    {
        var harness = Harness.Of(device.Device);
        var rows = device
            .Device.Leads.Index()
            .OrderBy(l => harness.HomeOf(l.Item.Id) is >= 0 and var home ? home : 1000 + l.Index)
            .Select(l => new Row(
                l.Item,
                FateOf(wired.LeadOf(new(device.Id, l.Item.Id))),
                l.Item.Wires == PieceWires.Each ? device.Device.Pieces : 1
            ));
        return new Body(device.Id, device.Device.Name, [.. rows]);
    }

    // What became of a lead to which no wire is drawn.
    private static string? FateOf(WiredLead lead) =>
        lead.State switch
        {
            LeadState.Feeding => null,
            _ when lead.IsUsed && (lead.Pad is not null || lead.To is not null) => null,
            LeadState.InPlace or LeadState.Moved => Sentences.InItsPlug,
            LeadState.Lifted => Sentences.DePinned,
            LeadState.Cut => Sentences.CutOff,
            LeadState.InHarness => Sentences.NotPluggedIn,
            _ => Sentences.Insulated,
        };

    private static Strip StripOf(LoomWire wire, Body body) =>
        new(wire, body, body.Rows.First(r => r.Lead.Id == wire.Lead));

    // Each device stands where its pads are nearer; devices that are joined stand together; a column that is much longer than the other gives up
    // those that mind least.
    private void Assign()
    {
        var groups = Groups();
        var costs = groups
            .Select(g => (Group: g, Left: Cost(g, PictureEdge.Left), Right: Cost(g, PictureEdge.Right)))
            .ToList();
        foreach (var (group, left, right) in costs)
        {
            var fixedAt = group.Select(b => Asked(b)?.Edge).FirstOrDefault(e => e is not null);
            Put(group, fixedAt ?? (left <= right ? PictureEdge.Left : PictureEdge.Right));
        }
        // A column may be as long as the board is high.
        var sides = Math.Max(1, _strips.Select(s => s.Wire.Side).OfType<BoardSide>().Distinct().Count());
        var most = Math.Max(80, sides * ((_face.Depth * FacePlan.UsualScale(_face)) + 12));
        while (true)
        {
            var (left, right) = (Length(PictureEdge.Left), Length(PictureEdge.Right));
            var (from, to) =
                left > right ? (PictureEdge.Left, PictureEdge.Right) : (PictureEdge.Right, PictureEdge.Left);
            var over = Math.Abs(left - right);
            var moving = costs
                .Where(c => c.Group[0].Edge == from && c.Group.All(b => Asked(b)?.Edge is null))
                .Where(c => LengthOf(c.Group) < over - 1)
                .OrderBy(c => from == PictureEdge.Left ? c.Right - c.Left : c.Left - c.Right)
                .FirstOrDefault();
            if (moving.Group is null || Math.Max(left, right) <= most)
            {
                break;
            }
            Put(moving.Group, to);
        }
        foreach (var body in _bodies.Where(b => Asked(b)?.Turned == true))
        {
            body.Turn();
        }
    }

    private static void Put(IReadOnlyList<Body> group, PictureEdge edge)
    {
        foreach (var body in group)
        {
            body.Edge = edge;
        }
    }

    private double Length(PictureEdge edge) => LengthOf([.. _bodies.Where(b => b.Edge == edge)]);

    private static double LengthOf(IReadOnlyList<Body> bodies) => bodies.Sum(b => b.Height + Body.Gap);

    private List<List<Body>> Groups()
    {
        var groups = _bodies.Select(b => new List<Body> { b }).ToList();
        foreach (var strip in _strips.Where(s => s.To is not null))
        {
            var one = groups.First(g => g.Contains(strip.Body));
            var other = groups.First(g => g.Contains(strip.To!.Value.Body));
            if (!ReferenceEquals(one, other))
            {
                one.AddRange(other);
                groups.Remove(other);
            }
        }
        return groups;
    }

    // The ways over the board, in its own millimetres.
    private double Cost(IReadOnlyList<Body> group, PictureEdge edge) =>
        _strips
            .Where(s => s.Wire.Pad is not null && group.Contains(s.Body))
            .Sum(s =>
            {
                var pad = _face.Pads.First(p => p.Id == s.Wire.Pad);
                var x = Across(pad);
                return edge == PictureEdge.Left ? x : 1 - x;
            });

    // From the left edge of the drawing, as a part of its width.
    private double Across(FacePad pad)
    {
        var (x, y) = (pad.X / Math.Max(1, _face.Width), pad.Y / Math.Max(1, _face.Depth));
        var seen = pad.Side == BoardSide.Top;
        return _face.Arrow switch
        {
            BoardEdge.Rear => 1 - x,
            BoardEdge.Left => seen ? y : 1 - y,
            BoardEdge.Right => seen ? 1 - y : y,
            _ => x,
        };
    }

    // The sides of the board that are worked on, one below the other, each with the ways of its wires.
    private List<(FacePlan Plan, double X, double Y)> Faces()
    {
        var byPad = _face.Pads.ToDictionary(p => p.Id);
        var plans = new List<FacePlan>();
        foreach (var side in Enum.GetValues<BoardSide>())
        {
            var mine = _strips.Where(s => s.Wire.Pad is { } pad && byPad[pad].Side == side).ToList();
            if (
                mine.Count == 0
                && !_face.Bridges.Any(b => b.Side == side && sheet.Steps.Any(s => s.Bridge == b.Id))
                && !(side == BoardSide.Top && _strips.All(s => s.Wire.Pad is null))
            )
            {
                continue;
            }
            var plan = FacePlan.Of(_face, side, [.. mine.Select(s => (s.Wire.Pad!, s.Body.Edge))], null, stop);
            plans.Add(plan);
        }
        // Both sides of a board are as large.
        var scale = plans.Where(p => p.IsToScale).Select(p => p.Scale).DefaultIfEmpty(1).Max();
        foreach (var (i, plan) in plans.ToList().Index())
        {
            var mine = _strips.Where(s => s.Wire.Pad is { } pad && byPad[pad].Side == plan.Side).ToList();
            plans[i] =
                !plan.IsToScale || plan.Scale == scale
                    ? plan
                    : FacePlan.Of(_face, plan.Side, [.. mine.Select(s => (s.Wire.Pad!, s.Body.Edge))], scale, stop);
            foreach (var (strip, way) in mine.Zip(plans[i].Ways))
            {
                strip.Way = way;
            }
        }
        // Nothing runs beside a board where its title stands.
        var width = plans.Max(p => Math.Max(p.Width, Box.WidthOf(TitleOf(p.Side), Body.Letters) + 1));
        var top = 0.0;
        var placed = new List<(FacePlan, double, double)>();
        foreach (var plan in plans)
        {
            var (x, y) = ((width - plan.Width) / 2, top + TitleRoom - plan.Reach.Top);
            foreach (var strip in _strips.Where(s => plan.Ways.Contains(s.Way)).ToList())
            {
                var way = strip.Way.Select(p => new PicturePoint(p.X + x, p.Y + y)).ToArray();
                way[^1] = new(
                    strip.Body.Edge == PictureEdge.Left ? -LaneFinder.Reach : width + LaneFinder.Reach,
                    way[^1].Y
                );
                strip.Way = way;
            }
            placed.Add((plan, x, y));
            top = y + plan.Reach.Bottom + FaceGap;
        }
        _width = width;
        return placed;
    }

    private double _width;

    // The order of a column, where each device stands, and the tracks beside it.
    private void Stand(PictureEdge edge)
    {
        var column = _bodies.Where(b => b.Edge == edge).ToList();
        var strips = _strips.Where(s => s.Body.Edge == edge).ToList();
        var ends = column.ToDictionary(b => b, b => strips.Where(s => s.Body == b && s.To is null).ToList());
        foreach (var body in column.Where(b => Asked(b)?.Turned is null))
        {
            if (Inversions(body, ends[body], isTurned: true) < Inversions(body, ends[body], isTurned: false))
            {
                body.Turn();
            }
        }
        double Middle(Body body) => ends[body].Select(s => s.Far).DefaultIfEmpty(0).Average();
        // Who has no wire to the board stands beside what it is joined to.
        double Near(Body body) =>
            ends[body].Count > 0 ? Middle(body)
            : strips.FirstOrDefault(s => s.To?.Body == body) is { } from ? Middle(from.Body)
            : strips.FirstOrDefault(s => s.Body == body && s.To is not null) is { } to ? Middle(to.To!.Value.Body)
            : double.MaxValue;
        var usual = column.Index().OrderBy(b => Near(b.Item)).ThenBy(b => b.Index).Select(b => b.Index).ToList();
        var crossings = new int[column.Count, column.Count];
        for (var i = 0; i < column.Count; i++)
        {
            for (var j = 0; j < column.Count; j++)
            {
                crossings[i, j] = i == j ? 0 : ends[column[i]].Sum(a => ends[column[j]].Count(b => a.Far > b.Far));
            }
        }
        var order = ColumnOrder.Best(crossings, usual).Select(i => column[i]).ToList();
        foreach (var body in column.Where(b => Asked(b)?.Place is not null).OrderBy(b => Asked(b)!.Place))
        {
            order.Remove(body);
            order.Insert(Math.Clamp(Asked(body)!.Place!.Value, 0, order.Count), body);
        }
        var places = Column.Places([
            .. order.Select(b =>
                (
                    b.Height,
                    ends[b].Count > 0 ? Middle(b) - (b.Height / 2)
                    : Near(b) is < double.MaxValue and var near ? near - (b.Height / 2)
                    : 0
                )
            ),
        ]);
        var levels = strips.Where(s => s.To is null).Select(s => s.Far).ToList();
        var least = double.NegativeInfinity;
        foreach (var (body, place) in order.Zip(places))
        {
            least =
                body.Put(Math.Max(place, least), y => levels.All(far => Math.Abs(far - y) >= Clear)) + (Body.Gap * 0.8);
        }
        // Wires to one lead nest: from above the nearest first, from below the farthest.
        foreach (var joined in strips.Where(s => s.To is not null).GroupBy(s => s.To!.Value.Row))
        {
            var nested = joined.OrderBy(s => s.Row.Y > joined.Key.Y).ThenByDescending(s => s.Row.Y);
            foreach (var (end, strip) in nested.Index())
            {
                strip.ToEnd = end;
            }
        }
        Wire(strips);
    }

    private PictureSpot? Asked(Body body) => wired.Build.Build.Devices.First(d => d.Id == body.Id).Picture;

    private static int Inversions(Body body, List<Strip> strips, bool isTurned)
    {
        var rows = (isTurned ? body.Rows.Reverse() : body.Rows).ToList();
        var heights = strips.OrderBy(s => rows.IndexOf(s.Row)).Select(s => s.Far).ToList();
        return heights.Index().Sum(h => heights.Skip(h.Index + 1).Count(o => o < h.Item));
    }

    private void Wire(List<Strip> strips)
    {
        var wires = strips
            .Select(s => new ChannelWire(s.To is null ? [s.Row.Y] : [s.Row.Y, s.ToY], s.To is null ? s.Far : null))
            .ToList();
        foreach (var (strip, track) in strips.Zip(Channel.Tracks(wires)))
        {
            strip.Track = track;
        }
        // Wires of one step on one pad are told apart by letters.
        foreach (var same in strips.GroupBy(s => (s.Wire.Pad, _steps.GetValueOrDefault(s.Wire.Id).Number)))
        {
            var alone = same.Count() == 1;
            foreach (var (i, strip) in same.Index())
            {
                var number = same.Key.Number;
                strip.Tag =
                    number == 0 ? ""
                    : alone ? $"{number}"
                    : $"{number}{(char)('a' + (i % 26))}";
            }
        }
    }
}
