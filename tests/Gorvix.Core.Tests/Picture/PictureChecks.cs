using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Picture;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Papers;

namespace Gorvix.Core.Tests.Picture;

/// <summary>What every wiring picture must hold, read from its SVG by <see cref="PlainPicture"/> and held against the wire list.</summary>
internal static class PictureChecks
{
    /// <summary>A picture of a wired build holds all that a picture must.</summary>
    public static void Hold(WiredBuild wired, LoomSheet sheet)
    {
        var drawn = PictureReader.Of(wired, sheet, new Dictionary<LeadAt, double>());
        var picture = new PlainPicture(PictureDrawing.Draw("x", wired.Build.Board, drawn));
        Assert.Equal(sheet.Wires.Select(w => w.Id), picture.Lines.Select(l => l.Wire));
        Ends(wired, sheet, picture);
        Over(sheet, picture);
        Along(picture);
        Twisted(sheet, picture);
        Words(picture);
        Assert.All(picture.Lines.SelectMany(l => l.Points), p => Assert.True(picture.Size.Has(p, 0)));
    }

    // From the label of its lead to its pad, or to the lead of the other device.
    private static void Ends(WiredBuild wired, LoomSheet sheet, PlainPicture picture)
    {
        foreach (var (wire, line) in sheet.Wires.Zip(picture.Lines))
        {
            AtLead(picture, wire.Device, wire.Label, line.Points[0]);
            if (wire.Pad is { } pad)
            {
                Assert.True(picture.Pads[pad].Has(line.Points[^1], 0.05), $"{wire.Id} does not end on {pad}.");
            }
            else
            {
                var to = wired.LeadOf(new(wire.Device, wire.Lead)).To!;
                AtLead(picture, to.Device, to.Lead.Label, line.Points[^1]);
            }
        }
    }

    private static void AtLead(PlainPicture picture, string device, string label, PlainPicture.Spot end)
    {
        var body = picture.Devices[device];
        Assert.True(
            Math.Min(Math.Abs(end.X - body.Left), Math.Abs(end.X - body.Right)) < 0.05
                && end.Y > body.Top
                && end.Y < body.Bottom,
            $"A wire of {label} does not begin at {device}."
        );
        // The nearest of the device's labels at that edge is its own.
        var isLeft = Math.Abs(end.X - body.Left) < 0.05;
        var nearest = picture
            .Texts.Where(t => t.Area.IsWithin(body))
            .Where(t => isLeft ? t.Area.Left - body.Left < 1.2 : body.Right - t.Area.Right < 1.2)
            .MinBy(t => Math.Abs(((t.Area.Top + t.Area.Bottom) / 2) - end.Y))!;
        Assert.StartsWith(label, nearest.Words, StringComparison.Ordinal);
    }

    // No wire over a pad that is not its own, over a body, or over a text beside the number that stands on it.
    private static void Over(LoomSheet sheet, PlainPicture picture)
    {
        foreach (var (wire, line) in sheet.Wires.Zip(picture.Lines))
        {
            foreach (var (i, stretch) in line.Stretches.Index())
            {
                var area = PlainPicture.Of(stretch);
                foreach (var (pad, place) in picture.Pads.Where(p => p.Key != wire.Pad))
                {
                    Assert.False(area.Meets(place), $"{wire.Id} runs over pad {pad}.");
                }
                foreach (var (device, body) in picture.Devices)
                {
                    Assert.False(area.Meets(body, 0.25), $"{wire.Id} runs over {device}.");
                }
                foreach (var text in picture.Texts.Where(t => area.Meets(t.Area, 0.15)))
                {
                    // A number on the wire itself.
                    var middle = (text.Area.Top + text.Area.Bottom) / 2;
                    Assert.True(
                        Math.Abs(stretch.From.Y - stretch.To.Y) < 1e-6 && Math.Abs(middle - stretch.From.Y) < 0.4,
                        $"{wire.Id} runs over \"{text.Words}\"."
                    );
                }
            }
        }
    }

    private static void Along(PlainPicture picture)
    {
        for (var i = 0; i < picture.Lines.Count; i++)
        {
            for (var j = i + 1; j < picture.Lines.Count; j++)
            {
                var (one, other) = (picture.Lines[i], picture.Lines[j]);
                Assert.False(
                    one.Stretches.Any(a => other.Stretches.Any(b => PlainPicture.IsAlong(a, b))),
                    $"{one.Wire} runs along {other.Wire}."
                );
            }
        }
    }

    // Each wire that is cut to length and has a ground beside it shows a twist on itself, clear of all else.
    private static void Twisted(LoomSheet sheet, PlainPicture picture)
    {
        Assert.Equal(
            sheet.Wires.Where(w => w.IsJoint && sheet.Wires.Any(o => o.Id == w.Twist)).Select(w => w.Id),
            picture.Twists.Keys
        );
        foreach (var (wire, twist) in picture.Twists)
        {
            var own = picture.Lines.First(l => l.Wire == wire).Stretches.First();
            Assert.True(PlainPicture.Of(own).Meets(twist), $"The twist of {wire} lies beside it.");
            Assert.DoesNotContain(picture.Texts, t => t.Area.Meets(twist, 0.15));
            Assert.DoesNotContain(
                picture.Lines.Where(l => l.Wire != wire),
                l => l.Stretches.Any(s => PlainPicture.Of(s).Meets(twist, 0.3))
            );
        }
    }

    private static void Words(PlainPicture picture)
    {
        for (var i = 0; i < picture.Texts.Count; i++)
        {
            for (var j = i + 1; j < picture.Texts.Count; j++)
            {
                var (one, other) = (picture.Texts[i], picture.Texts[j]);
                Assert.False(one.Area.Meets(other.Area, 0.02), $"\"{one.Words}\" lies on \"{other.Words}\".");
            }
        }
    }
}
