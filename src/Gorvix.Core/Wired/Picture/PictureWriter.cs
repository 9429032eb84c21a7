using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Picture;

/// <summary>What was placed, as the picture tells it.</summary>
internal sealed partial class PictureMaker
{
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
            _face.Board,
            Round(width),
            Round(height),
            [.. plans.Select(p => FaceOf(p.Plan, p.X, p.Y, labels, At, Text))],
            [.. sides.Values.SelectMany(s => s.Bodies).Select(b => DeviceOf(b, sides[b.Edge], At, Text))],
            [.. _strips.Select(s => WireOf(s, sides[s.Body.Edge], At, Text))],
            plans.All(p => p.Plan.IsToScale) ? _face.Note : Sentences.PadsOverlapOrHaveNo
        );
    }

    private static string TitleOf(BoardSide side) =>
        side == BoardSide.Top ? Sentences.TopSideFrontUp : Sentences.BottomSideFrontUp;

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
            TwistRoom = strips.Any(maker.IsTwisted) ? 4.4 : 0;
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
        public double TwistRoom { get; }
        public int Tracks { get; }
        public double BodyWidth { get; }
        public double BoardWidth { get; }

        /// <summary>From the board's edge to the outer edge of the bodies.</summary>
        public double Total => Bodies.Count == 0 ? LaneFinder.Reach : Lead + BodyWidth;

        /// <summary>From the board's edge to the leads.</summary>
        public double Lead => Wiring + NearRoom + FlowRoom + PulseRoom + TwistRoom + 1;

        private double Wiring => LaneFinder.Reach + FarRoom + ((Tracks + 1) * TrackPitch);

        /// <summary>A place so far from the board's edge.</summary>
        public double X(double away) => Edge == PictureEdge.Left ? -away : BoardWidth + away;

        public double TrackX(int track) => X(Wiring - ((track + 1) * TrackPitch));

        public double FarTagX => X(LaneFinder.Reach + (FarRoom / 2));

        public double NearTagX => X(Lead - 0.6 - (NearRoom / 2));

        public double FlowX => X(Lead - 0.6 - NearRoom - (FlowRoom / 2));

        public double PulseX => X(Lead - 0.6 - NearRoom - FlowRoom - (PulseRoom / 2));

        public double TwistX => X(Lead - 0.6 - NearRoom - FlowRoom - PulseRoom - (TwistRoom / 2));
    }

    private string NearTag(Strip strip) =>
        strip.Row.Lead.Role == LeadRole.Supply
        && volts.TryGetValue(new(strip.Wire.Device, strip.Wire.Lead), out var has)
            ? string.Join(
                " · ",
                new[] { strip.Tag, FormattableString.Invariant($"{has:0.0#} V") }.Where(t => t.Length > 0)
            )
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

    // Only a wire that is cut to length can be twisted with another.
    private LoomWire? TwistOf(LoomWire wire) =>
        wire is { IsJoint: true, Twist: { } twist } ? sheet.Wires.FirstOrDefault(w => w.Id == twist) : null;

    private bool IsTwisted(Strip strip) => TwistOf(strip.Wire) is not null;

    private static PictureDevice DeviceOf(
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
        if (strip.To is not null)
        {
            points.AddRange([new(track, strip.ToY), new(lead, strip.ToY)]);
            Tag(strip.Tag, side.NearTagX, strip.ToY);
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
            TwistOf(strip.Wire) is { } with
                ? new PictureTwist(with.Id, at(new(side.TwistX, from)), ColoursOf(with.Colour))
                : null,
            step.Number == 0 ? null : step.Number,
            step.IsDone,
            WordsOf(strip.Wire, step.Number)
        );
    }

    private string WordsOf(LoomWire wire, int step)
    {
        string?[] parts =
        [
            Sentences.From(wire.Name, wire.Label, wire.At),
            wire.Job,
            wire.Colour,
            wire.IsJoint ? Sentences.GaugeAndLength(wire.Gauge, wire.Millimetres / 10) : Sentences.StaysInItsPlug,
            volts.TryGetValue(new(wire.Device, wire.Lead), out var has) ? Numbers.Volts(has) : null,
            TwistOf(wire) is { } with ? Sentences.TwistWith(with.Label) : null,
            step > 0 ? Sentences.Step(step) : null,
        ];
        return string.Join(" · ", parts.Where(p => !string.IsNullOrEmpty(p)));
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

    internal static IReadOnlyList<string> ColoursOf(string? colour) =>
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
        return new PictureFace(
            plan.Side,
            Word(new(TitleOf(plan.Side), 0, plan.Reach.Top - (TitleRoom / 2), Body.Letters, TextAnchor.Start)),
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
            [.. plan.Jumpers.Select(j => JumperOf(j.Bridge, Here(j.At), j.Name is { } name ? Word(name) : null))],
            plan.IsToScale ? [.. plan.Face.Holes.Select(h => Here(plan.HoleAt(h)))] : [],
            plan.Usb is { } usb ? Box(usb) : null,
            plan.Arrow is { } arrow ? Here(arrow) : null,
            plan.IsToScale ? plan.Turn : null
        );
    }

    private PicturePoint? First(FacePlan plan, string socket) =>
        wired.Build.Circuit.Sockets.FirstOrDefault(s => s.Label == socket)?.Pads is [{ } pin, ..]
        && plan.Pads.FirstOrDefault(p => p.Id == pin.Id) is { } spot
            ? new(spot.X, spot.Y)
            : null;

    private PictureJumper JumperOf(FaceBridge bridge, PicturePoint at, PictureText? name)
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
        return new PictureJumper(bridge.Id, at.X, at.Y, bridge.Pads, closed, step, name);
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
                        steps.TryAdd(WireReader.IdOf(new LeadAt(joint.Device, joint.Lead)), (i + 1, step.IsDone));
                        break;
                    case SeatFact seat:
                        foreach (
                            var lead in wired.Leads.Where(l =>
                                l.Device == seat.Device && l.State is LeadState.InPlace or LeadState.Moved
                            )
                        )
                        {
                            steps.TryAdd(WireReader.IdOf(lead), (i + 1, step.IsDone));
                        }
                        break;
                }
            }
        }
        return steps;
    }
}
