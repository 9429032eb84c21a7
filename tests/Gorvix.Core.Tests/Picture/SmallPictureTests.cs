using System.Globalization;
using System.Text.RegularExpressions;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Picture;
using SkiaSharp;

namespace Gorvix.Core.Tests.Picture;

/// <summary>Small pictures: what is on them is counted and measured in their path data, which SkiaSharp reads as any browser does.</summary>
public partial class SmallPictureTests
{
    public static TheoryData<string> Builds => [.. Demo.Builds.Select(b => b.Name)];

    public static TheoryData<string> Boards => [.. Demo.Library.Boards.Select(b => b.Id)];

    public static TheoryData<string> Devices => [.. Demo.Library.Devices.Select(d => d.Id)];

    private static int Count(SmallPicture picture, params SmallKind[] kinds) =>
        picture.Shapes.Where(s => kinds.Contains(s.Kind)).Sum(s => s.Path.Count(c => c == 'M'));

    // All of it can be read, and lies within the frame.
    private static void IsSound(SmallPicture picture)
    {
        Assert.True(picture is { Width: > 5, Height: > 5 });
        Assert.Distinct(picture.Shapes.Select(s => (s.Kind, s.Colour)));
        foreach (var shape in picture.Shapes)
        {
            var path = SKPath.ParseSvgPathData(shape.Path);
            Assert.NotNull(path);
            var box = path.TightBounds;
            Assert.True(
                box.Left >= -0.1
                    && box.Top >= -0.1
                    && box.Right <= picture.Width + 0.1
                    && box.Bottom <= picture.Height + 0.1,
                $"{shape.Kind}: {box} in {picture.Width} × {picture.Height}"
            );
        }
    }

    [Theory]
    [MemberData(nameof(Builds))]
    public void A_build_has_every_device_and_every_wire(string name)
    {
        var fit = Demo.Fit(Demo.Builds.First(b => b.Name == name));
        var loom = LoomReader.Of(fit.Wired);
        var whole = fit.Picture(loom, TestContext.Current.CancellationToken);
        var picture = SmallPicture.Of(whole);
        IsSound(picture);
        Assert.Equal(fit.Wired.Build.Devices.Count - fit.Wired.LeftOut.Count, Count(picture, SmallKind.Body));
        Assert.Equal(loom.Wires.Count, Count(picture, SmallKind.Supply, SmallKind.Ground, SmallKind.Signal));
        Assert.Equal(loom.Wires.Select(w => w.Pad).OfType<string>().Distinct().Count(), Count(picture, SmallKind.Used));
        // A card is light: at most a few kilobytes.
        Assert.True(picture.Shapes.Sum(s => s.Path.Length) < 12_000);
    }

    [Theory]
    [MemberData(nameof(Boards))]
    public void A_board_shows_the_side_that_has_more_pads(string id)
    {
        var board = Demo.Library.Boards.First(b => b.Id == id);
        var picture = SmallPicture.Of(board);
        IsSound(picture);
        Assert.Equal(board.Pads.GroupBy(p => p.Side).Max(g => g.Count()), Count(picture, SmallKind.Pad));
        Assert.Equal(board.Mounting is null ? 0 : 4, Count(picture, SmallKind.Hole));
        Assert.Empty(picture.Texts);
    }

    [Theory]
    [MemberData(nameof(Devices))]
    public void A_device_shows_its_leads_in_the_order_of_its_plug(string id)
    {
        var device = Demo.Library.Devices.First(d => d.Id == id);
        var picture = SmallPicture.Of(device);
        IsSound(picture);
        Assert.Equal(device.Leads.Count, Count(picture, SmallKind.Supply, SmallKind.Ground, SmallKind.Signal));
        var inPlug = (device.Plug?.Pins ?? [])
            .Where(p => p.Lead is not null)
            .Select(p => device.Leads.First(l => l.Id == p.Lead).Label)
            .ToList();
        Assert.Equal(inPlug.Count > 0 ? 1 : 0, Count(picture, SmallKind.Plug));
        Assert.Equal(inPlug, picture.Texts.Select(t => t.Text).Take(inPlug.Count));
        Assert.Equal(picture.Texts.Select(t => t.Y).Order(), picture.Texts.Select(t => t.Y));
    }

    [Fact]
    public void A_lead_keeps_its_colour_and_one_without_says_so()
    {
        var picture = SmallPicture.Of(
            Handmade.Device("rx", Need.RcLink, Handmade.Mode("CRSF", Handmade.Out(), Handmade.In())) is var d
                ? d with
                {
                    Leads = [d.Leads[0] with { Colour = "White / Blue" }, d.Leads[1] with { Colour = null }],
                }
                : null!
        );
        Assert.Equal(
            ["", "white"],
            picture.Shapes.Where(s => s.Kind == SmallKind.Signal).Select(s => s.Colour!).Order()
        );
    }

    // The bottom has three pads, the top two; the arrow points left as seen from above, so the front comes up by a quarter turn.
    [Fact]
    public void The_front_is_up()
    {
        var board = LeafletText
            .Read(
                "maker A\nboard B\nrevision 1\ncontroller F7\nrail GND: ground\nsize 40 x 30 mm\narrow left\ntop left: G=GND R1 T1\nbottom left: R2 T2\n"
            )
            .Board;
        var picture = SmallPicture.Of(board);
        IsSound(picture);
        Assert.Equal(3, Count(picture, SmallKind.Pad));
        Assert.True(picture.Height > picture.Width);
        // What was at the left edge is at the top now.
        var pads = picture.Shapes.Single(s => s.Kind == SmallKind.Pad).Path;
        Assert.All(
            Upper().Matches(pads),
            m => Assert.True(double.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture) < picture.Height / 2)
        );
    }

    [GeneratedRegex("M[-0-9.]+ ([-0-9.]+)")]
    private static partial Regex Upper();
}
