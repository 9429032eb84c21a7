using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Picture;

/// <summary>Draws a wired build. The same build always gives the same picture.</summary>
public static class PictureReader
{
    /// <summary>The picture of a build.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="sheet">Its wires and steps.</param>
    /// <param name="volts">What each supply lead has, in volts; those that are missing are not told.</param>
    public static WiringPicture Of(WiredBuild wired, LoomSheet sheet, IReadOnlyDictionary<LeadAt, double> volts) =>
        new PictureMaker(wired, sheet, volts).Make();
}

/// <summary>
/// Makes one picture. In turn: which side of the board each device stands at; how each wire leaves the board (<see cref="FacePlan"/>); in which order
/// the devices stand (<see cref="ColumnOrder"/>) and where (<see cref="Column"/>); which track each wire takes between them (<see cref="Channel"/>).
/// </summary>
internal sealed class PictureMaker(WiredBuild wired, LoomSheet sheet, IReadOnlyDictionary<LeadAt, double> volts)
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
        var spare = sheet.Spare.Where(s => s.Device == device.Id).ToDictionary(s => s.Lead, s => s.Treatment);
        var rows = device
            .Device.Leads.Index()
            .OrderBy(l => harness.HomeOf(l.Item.Id) is >= 0 and var home ? home : 1000 + l.Index)
            .Select(l => new Row(
                l.Item,
                wired.LeadOf(new(device.Id, l.Item.Id)) is { IsUsed: true, State: not LeadState.Open }
                    ? null
                    : "unused",
                l.Item.Wires == PieceWires.Each ? device.Device.Pieces : 1
            ));
        return new Body(device.Id, device.Device.Name, [.. rows]);
    }

    private Strip StripOf(LoomWire wire, Body body) => new(wire, body, body.Rows.First(r => r.Lead.Id == wire.Lead));

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
            var plan = FacePlan.Of(_face, side, [.. mine.Select(s => (s.Wire.Pad!, s.Body.Edge))]);
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
                    : FacePlan.Of(_face, plan.Side, [.. mine.Select(s => (s.Wire.Pad!, s.Body.Edge))], scale);
            foreach (var (strip, way) in mine.Zip(plans[i].Ways))
            {
                strip.Way = way;
            }
        }
        var width = plans.Max(p => p.Width);
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
        var levels = strips.Where(s => s.To is null).Select(s => (s, s.Far)).ToList();
        var least = double.NegativeInfinity;
        foreach (var (body, place) in order.Zip(places))
        {
            least =
                body.Put(
                    Math.Max(place, least),
                    (y, row) =>
                        levels.All(l =>
                            (
                                l.s.Body == body
                                && l.s.Row == row
                                && strips.Count(s => s.Row == row) == 1
                                && Math.Abs(l.Far - y) < 1e-9
                            )
                            || Math.Abs(l.Far - y) >= Clear
                        )
                ) + (Body.Gap * 0.8);
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
            .Select(
                (s, i) =>
                    new ChannelWire(i, s.To is { } to ? [s.Row.Y, to.Row.Y] : [s.Row.Y], s.To is null ? s.Far : null)
            )
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

    private WiringPicture Drawn(List<(FacePlan Plan, double X, double Y)> plans)
    {
        var labels = plans
            .SelectMany(p =>
                p.Plan.Labels(_strips.Select(s => s.Wire.Pad).OfType<string>().ToHashSet())
                    .Select(l => (l.Key, Text: l.Value with { X = l.Value.X + p.X, Y = l.Value.Y + p.Y }))
            )
            .ToDictionary(l => l.Key, l => l.Text);
        var sides = Enum.GetValues<PictureEdge>().ToDictionary(e => e, e => new SidePlan(this, e, labels));
        var left = Margin + sides[PictureEdge.Left].Total;
        var width = left + _width + sides[PictureEdge.Right].Total + Margin;
        var tops = _bodies.Select(b => b.Top).Concat(plans.Select(p => p.Y + p.Plan.Reach.Top - TitleRoom));
        var down = Margin - tops.Min();
        var bottoms = _bodies.Select(b => b.Bottom).Concat(plans.Select(p => p.Y + p.Plan.Reach.Bottom));
        var height = bottoms.Max() + down + Margin;
        PicturePoint At(PicturePoint p) => new(Round(p.X + left), Round(p.Y + down));
        PictureText Text(PictureText t) => t with { X = Round(t.X + left), Y = Round(t.Y + down) };
        return new WiringPicture(
            Round(width),
            Round(height),
            [.. plans.Select(p => FaceOf(p.Plan, p.X, p.Y, labels, At, Text))],
            [.. sides.Values.SelectMany(s => s.Bodies).Select(b => DeviceOf(b, sides[b.Edge], At, Text))],
            [.. _strips.Select(s => WireOf(s, sides[s.Body.Edge], At, Text))],
            plans.All(p => p.Plan.IsToScale) ? _face.Note : Sentences.PadsOverlapOrHaveNo
        );
    }

    private static double Round(double value) => Math.Round(value, 2);

    /// <summary>One side of the board: how wide its tags, tracks and bodies are.</summary>
    private sealed class SidePlan
    {
        public SidePlan(PictureMaker maker, PictureEdge edge, Dictionary<string, PictureText> labels)
        {
            Edge = edge;
            Bodies = [.. maker._bodies.Where(b => b.Edge == edge).OrderBy(b => b.Top)];
            var strips = maker._strips.Where(s => s.Body.Edge == edge).ToList();
            foreach (var strip in strips)
            {
                NearTags[strip] = maker.NearTag(strip);
                FarTags[strip] =
                    strip.Wire.Pad is { } pad && !labels.ContainsKey(pad)
                        ? $"{maker._face.Pads.First(p => p.Id == pad).Label} {strip.Tag}".Trim()
                        : strip.Tag;
            }
            double Room(IEnumerable<string> tags) =>
                tags.Select(t => Box.WidthOf(t, Letters) + 1).DefaultIfEmpty(0).Max();
            NearRoom = Room(NearTags.Values);
            FarRoom = Room(FarTags.Values);
            FlowRoom = strips.Any(s => maker.FlowOf(s) != WireFlow.None) ? 2.6 : 0;
            PulseRoom = strips.Any(maker.IsInverted) ? 6 : 0;
            Tracks = strips.Select(s => s.Track + 1).DefaultIfEmpty(0).Max();
            BodyWidth = Bodies.Select(b => b.Width).DefaultIfEmpty(0).Max();
            BoardWidth = maker._width;
        }

        public PictureEdge Edge { get; }
        public List<Body> Bodies { get; }
        public Dictionary<Strip, string> NearTags { get; } = [];
        public Dictionary<Strip, string> FarTags { get; } = [];
        public double NearRoom { get; }
        public double FarRoom { get; }
        public double FlowRoom { get; }
        public double PulseRoom { get; }
        public int Tracks { get; }
        public double BodyWidth { get; }
        public double BoardWidth { get; }

        /// <summary>From the board's edge to the outer edge of the bodies.</summary>
        public double Total => Bodies.Count == 0 ? LaneFinder.Reach : Lead + BodyWidth;

        /// <summary>From the board's edge to the leads.</summary>
        public double Lead => Wiring + NearRoom + FlowRoom + PulseRoom + 1;

        private double Wiring => LaneFinder.Reach + FarRoom + ((Tracks + 1) * TrackPitch);

        /// <summary>A place so far from the board's edge.</summary>
        public double X(double away) => Edge == PictureEdge.Left ? -away : BoardWidth + away;

        public double TrackX(int track) => X(Wiring - ((track + 1) * TrackPitch));

        public double FarTagX => X(LaneFinder.Reach + (FarRoom / 2));

        public double NearTagX => X(Lead - 0.6 - (NearRoom / 2));

        public double FlowX => X(Lead - 0.6 - NearRoom - (FlowRoom / 2));

        public double PulseX => X(Lead - 0.6 - NearRoom - FlowRoom - (PulseRoom / 2));
    }

    private string NearTag(Strip strip) =>
        strip.Row.Lead.Role == LeadRole.Supply
        && volts.TryGetValue(new(strip.Wire.Device, strip.Wire.Lead), out var has)
            ? FormattableString.Invariant($"{strip.Tag} {has:0.0#} V").Trim()
            : strip.Tag;

    private ModeLine? LineOf(Strip strip) =>
        strip.Wire.Link is { } link
            ? wired.PortOf(link)?.Mode.Lines.FirstOrDefault(l => l.Lead == strip.Wire.Lead)
            : null;

    private WireFlow FlowOf(Strip strip) =>
        LineOf(strip)?.Flow switch
        {
            Flow.Out => WireFlow.ToBoard,
            Flow.In => WireFlow.ToDevice,
            Flow.Both => WireFlow.Both,
            _ => WireFlow.None,
        };

    private bool IsInverted(Strip strip) =>
        LineOf(strip) is { } line
        && (line.Polarity ?? ProtocolCatalogue.Find(wired.PortOf(strip.Wire.Link!)!.Mode.Protocol)?.Idle)
            == Polarity.Inverted;

    private PictureDevice DeviceOf(
        Body body,
        SidePlan side,
        Func<PicturePoint, PicturePoint> at,
        Func<PictureText, PictureText> text
    )
    {
        var isLeft = body.Edge == PictureEdge.Left;
        var edge = side.X(side.Lead);
        var left = isLeft ? edge - body.Width : edge;
        var (inner, outer) = isLeft ? (edge - 1, left + 1) : (edge + 1, left + body.Width - 1);
        var (begin, end) = isLeft ? (TextAnchor.End, TextAnchor.Start) : (TextAnchor.Start, TextAnchor.End);
        var corner = at(new(left, body.Top));
        return new PictureDevice(
            body.Id,
            new(corner.X, corner.Y, Round(body.Width), Round(body.Bottom - body.Top)),
            body.Edge,
            body.IsTurned,
            [.. body.NameAt(left, body.Width).Select(text)],
            [
                .. body.Rows.Select(r => new PictureLead(
                    r.Lead.Id,
                    text(new(r.Label, inner, r.Y, Row.Letters, begin)),
                    r.Beside is { } beside ? text(new(beside, outer, r.Y, Row.Letters * 0.85, end)) : null,
                    at(new(edge, r.Y)),
                    r.Fate is not null
                )),
            ]
        );
    }

    private PictureWire WireOf(
        Strip strip,
        SidePlan side,
        Func<PicturePoint, PicturePoint> at,
        Func<PictureText, PictureText> text
    )
    {
        var (lead, track) = (side.X(side.Lead), side.TrackX(strip.Track));
        var (from, step) = (strip.Row.Y, _steps.GetValueOrDefault(strip.Wire.Id));
        List<PicturePoint> points = [new(lead, from), new(track, from)];
        List<PictureText> tags = [];
        void Tag(string tag, double x, double y)
        {
            if (tag.Length > 0)
            {
                tags.Add(text(new(tag, x, y, Letters, TextAnchor.Middle)));
            }
        }
        Tag(side.NearTags[strip], side.NearTagX, from);
        if (strip.To is { } to)
        {
            points.AddRange([new(track, to.Row.Y), new(lead, to.Row.Y)]);
            Tag(strip.Tag, side.NearTagX, to.Row.Y);
        }
        else
        {
            points.Add(new(track, strip.Far));
            points.AddRange(strip.Way.Reverse());
            Tag(side.FarTags[strip], side.FarTagX, strip.Far);
        }
        return new PictureWire(
            strip.Wire.Id,
            strip.Wire.Device,
            strip.Wire.Lead,
            strip.Wire.Pad,
            strip.Wire.Link,
            strip.Row.Lead.Role,
            ColoursOf(strip.Wire.Colour),
            Straightened([.. points.Select(at)]),
            tags,
            FlowOf(strip),
            at(new(side.FlowX, from)),
            IsInverted(strip) ? at(new(side.PulseX, from)) : null,
            strip.Wire.Twist,
            step.Number == 0 ? null : step.Number,
            step.IsDone
        );
    }

    // Points where nothing turns go.
    private static List<PicturePoint> Straightened(IReadOnlyList<PicturePoint> points)
    {
        var kept = new List<PicturePoint>();
        foreach (var point in points)
        {
            if (kept.Count > 0 && kept[^1] == point)
            {
                continue;
            }
            if (
                kept is [.., var before, var last]
                && ((before.X == last.X && last.X == point.X) || (before.Y == last.Y && last.Y == point.Y))
            )
            {
                kept.RemoveAt(kept.Count - 1);
            }
            kept.Add(point);
        }
        return kept;
    }

    private static IReadOnlyList<string> ColoursOf(string? colour) =>
        colour is null
            ? []
            :
            [
                .. colour
                    .ToLowerInvariant()
                    .Split(['/', '-', '+', ' '], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                    .Take(2),
            ];

    private PictureFace FaceOf(
        FacePlan plan,
        double x,
        double y,
        Dictionary<string, PictureText> labels,
        Func<PicturePoint, PicturePoint> at,
        Func<PictureText, PictureText> text
    )
    {
        var corner = at(new(x, y));
        PicturePoint Here(PicturePoint p) => at(new(p.X + x, p.Y + y));
        PictureText Word(PictureText t) => text(t with { X = t.X + x, Y = t.Y + y });
        PictureBox Box(Box b)
        {
            var from = Here(new(b.Left, b.Top));
            return new(from.X, from.Y, Round(b.Right - b.Left), Round(b.Bottom - b.Top));
        }
        var used = _strips.Select(s => s.Wire.Pad).OfType<string>().ToHashSet();
        var title = plan.Side == BoardSide.Top ? Sentences.TopSideFrontUp : Sentences.BottomSideFrontUp;
        return new PictureFace(
            plan.Side,
            Word(new(title, 0, plan.Reach.Top - (TitleRoom / 2), Body.Letters, TextAnchor.Start)),
            corner.X,
            corner.Y,
            Round(plan.Width),
            Round(plan.Height),
            [
                .. plan.Pads.Select(p =>
                {
                    var spot = Here(new(p.X, p.Y));
                    return new PicturePad(
                        p.Id,
                        spot.X,
                        spot.Y,
                        Round(p.HalfX),
                        Round(p.HalfY),
                        used.Contains(p.Id),
                        labels.TryGetValue(p.Id, out var label) ? text(label) : null
                    );
                }),
            ],
            [
                .. plan.Sockets.Select(s => new PictureSocket(
                    s.Socket,
                    Box(s.Box),
                    s.Name is { } name ? Word(name) : null,
                    First(plan, s.Socket) is { } first ? Here(first) : null
                )),
            ],
            [.. plan.Jumpers.Select(j => JumperOf(j.Bridge, Here(j.At)))],
            plan.IsToScale ? [.. plan.Face.Holes.Select(h => Here(plan.HoleAt(h)))] : [],
            plan.Usb is { } usb ? Box(usb) : null,
            plan.Arrow is { } arrow ? Here(arrow) : null
        );
    }

    private PicturePoint? First(FacePlan plan, string socket) =>
        wired.Build.Circuit.Sockets.FirstOrDefault(s => s.Label == socket)?.Pads is [{ } pin, ..]
        && plan.Pads.FirstOrDefault(p => p.Id == pin.Id) is { } spot
            ? new(spot.X, spot.Y)
            : null;

    private PictureJumper JumperOf(FaceBridge bridge, PicturePoint at)
    {
        var set = wired.Bridges.FirstOrDefault(b => b.Bridge.Id == bridge.Id);
        var joining = wired.Build.Circuit.JoiningPositions(bridge.Id);
        int? closed =
            set?.Positions is [var position, ..]
            && set.Bridge.Positions.Where(joining.Contains).ToList().IndexOf(position) is >= 0 and var index
                ? index
                : null;
        var step = sheet
            .Steps.Index()
            .Where(s => s.Item.Bridge == bridge.Id)
            .Select(s => (int?)s.Index + 1)
            .FirstOrDefault();
        return new PictureJumper(bridge.Id, at.X, at.Y, bridge.Pads, closed, step, null);
    }

    // The step that joins each wire: by what is true when it is done.
    private static Dictionary<string, (int Number, bool IsDone)> StepsOf(WiredBuild wired, LoomSheet sheet)
    {
        var steps = new Dictionary<string, (int, bool)>();
        foreach (var (i, step) in sheet.Steps.Index())
        {
            foreach (var fact in step.Facts)
            {
                switch (fact)
                {
                    case JointFact joint:
                        steps.TryAdd($"{joint.Device} {joint.Lead}", (i + 1, step.IsDone));
                        break;
                    case SeatFact seat:
                        foreach (
                            var lead in wired.Leads.Where(l =>
                                l.Device == seat.Device && l.State is LeadState.InPlace or LeadState.Moved
                            )
                        )
                        {
                            steps.TryAdd(WireId(lead), (i + 1, step.IsDone));
                        }
                        break;
                }
            }
        }
        return steps;
    }

    private static string WireId(WiredLead lead) => $"{lead.Device} {lead.Lead.Id}";
}
