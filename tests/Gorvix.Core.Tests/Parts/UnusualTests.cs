using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Parts;

/// <summary>A slip of the keys is asked back: 5–56 V for 5–6 V, 726 for 7–26, 3040 mm for 30 by 40.</summary>
public class UnusualTests
{
    [Theory]
    [InlineData(DeviceKind.VideoTransmitter, 5, 56, true)]
    [InlineData(DeviceKind.VideoTransmitter, 7, 26, false)]
    [InlineData(DeviceKind.Gnss, 3.3, 55, true)]
    [InlineData(DeviceKind.Gnss, 3.3, 5.5, false)]
    [InlineData(DeviceKind.Receiver, 4, 100, true)]
    [InlineData(DeviceKind.Receiver, 4, 10, false)]
    [InlineData(DeviceKind.Esc, 7, 50.4, false)]
    [InlineData(DeviceKind.Camera, 2, 26, true)]
    public void A_range_that_hardly_any_part_of_its_kind_has_is_asked_back(
        DeviceKind kind,
        double min,
        double max,
        bool asks
    )
    {
        var device = Device("d", Need.RcLink, Mode("CRSF", Out(), In())).Fed(min, max, 0.1) with { Kind = kind };
        var notes = DeviceLook.Of(device).Notes.Where(n => n.Sentence.Contains("typing slip")).ToList();
        Assert.Equal(asks ? 1 : 0, notes.Count);
        Assert.All(notes, n => Assert.Equal(("supplies[0].window", Severity.Warn), (n.Field, n.Severity)));
    }

    [Theory]
    [InlineData(0.25, false)]
    [InlineData(250, true)]
    public void Amperes_typed_as_milliamperes_are_asked_back(double amps, bool asks)
    {
        var device = Device("d", Need.RcLink, Mode("CRSF", Out(), In())).Fed(4.5, 5.5, amps);
        Assert.Equal(asks, DeviceLook.Of(device).Notes.Any(n => n.Sentence.Contains("milliamperes")));
    }

    [Theory]
    [InlineData(30, 40, 30, false)]
    [InlineData(3040, 30, 30, true)]
    [InlineData(30, 40, 72, true)]
    public void A_board_that_hardly_flies_is_asked_back(double width, double depth, double most, bool asks)
    {
        var board = Whole("F7", "U1") with
        {
            Outline = new BoardOutline { Width = width, Depth = depth },
            Input = new VoltWindow { Min = 7, Max = most },
        };
        Assert.Equal(asks, Unusual.Of(board).Any());
    }

    [Fact]
    public void No_part_of_the_demo_is_asked_back()
    {
        Assert.Empty(Demo.Library.Boards.SelectMany(Unusual.Of));
        Assert.Empty(Demo.Library.Devices.SelectMany(Unusual.Of));
    }
}
