using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Routing;

/// <summary>What feeds a device, at the full and the empty end of the pack.</summary>
public class FeederTests
{
    [Theory]
    // Common practice: 4.20 V full (4.35 V the high-voltage kind), flown to 3.3 V a cell. A 17 V camera stands a full 4S
    // by 0.2 V; a 7–26 V transmitter is inside on 6S (25.2 V).
    [InlineData(4, Chemistry.Lithium, 13.2, 16.8)]
    [InlineData(6, Chemistry.Lithium, 19.8, 25.2)]
    [InlineData(1, Chemistry.HighVoltage, 3.3, 4.35)]
    public void A_pack_gives_this_many_volts(int cells, Chemistry chemistry, double empty, double full)
    {
        var volts = new Pack { Cells = cells, Chemistry = chemistry }.Volts();
        Assert.Equal((empty, full), (Math.Round(volts.Min, 2), Math.Round(volts.Max, 2)));
    }

    [Theory]
    [InlineData(4, 7, 17, "BAT")]
    [InlineData(4, 7, 16.7, "OVER-VOLTAGE")]
    [InlineData(6, 7, 17, "OVER-VOLTAGE")]
    [InlineData(6, 7, 26, "BAT")]
    [InlineData(2, 7, 26, "UNDER-VOLTAGE")]
    [InlineData(2, 4.6, 5.5, "5V")]
    [InlineData(2, 3.1, 3.6, "3V3")]
    [InlineData(2, 4.4, 4.6, "4V5")]
    // At little current a diode drops next to nothing: behind it 5 V must be stood, and what is left at the most be enough.
    [InlineData(2, 4.3, 4.9, "4V5")]
    [InlineData(2, 4.0, 5.1, "4V5 5V 5V less a diode")]
    public void A_window_is_held_against_what_each_pad_gives_full_and_empty(
        int cells,
        double min,
        double max,
        string said
    )
    {
        var ways = WaysOf(new Pack { Cells = cells }, min, max);
        var pads = ways.Feeds.Select(f => f.Pad!.Label).ToList();
        if (said is "OVER-VOLTAGE" or "UNDER-VOLTAGE")
        {
            Assert.Empty(pads);
            Assert.Equal(said, ways.Rejections.Single(r => r.Pad?.Label == "BAT").Finding.Rule);
        }
        else
        {
            Assert.Equal(said, string.Join(' ', pads.Order(StringComparer.Ordinal)));
        }
    }

    [Fact]
    public void A_regulator_gives_its_volts_less_dropout_and_a_booster_gives_them_from_less()
    {
        double[] Of(Rail rail, double low, double high)
        {
            var v = Trace.Gives(
                Circuit.Of(Rails with { Rails = [.. Rails.Rails, rail] }),
                rail,
                new() { Min = low, Max = high }
            );
            return [Math.Round(v.Min, 3), Math.Round(v.Max, 3)];
        }
        var ten = Rail("10v", 10, RailFeed.Regulator) with { Dropout = 1.5 };
        Assert.Equal([8.4, 10.0], Of(ten, 9.9, 12.6));
        Assert.Equal([0.0, 0.0], Of(ten, 1, 1.2));
        Assert.Equal([5.0, 5.0], Of(Rail("up", 5, RailFeed.Booster), 3.3, 4.35));
        var chained = Rail("3v3b", 3.3, RailFeed.Regulator) with { From = "5v", Dropout = 0.3 };
        Assert.Equal([3.3, 3.3], Of(chained, 7, 12));
        Assert.Equal([0.0, 0.0], Of(Rail("g", 0, RailFeed.Ground), 7, 12));
    }

    [Fact]
    public void Video_is_fed_from_a_regulated_rail_first_unless_the_house_allows_the_battery()
    {
        var kestrel = Demo.EastBenchKestrel;
        Assert.Equal("9V", FeedOf(kestrel, "air-unit").Feed!.Pad!.Label);
        var rail = FeedOf(kestrel with { House = new() { Video = VideoSupply.BatteryAllowed } }, "air-unit").Feed!;
        Assert.Equal(0, rail.AgainstHouse);
        var heron = FeedOf(Demo.HaulRoadHeron, "transmitter");
        Assert.Equal(("BAT", 1), (heron.Feed!.Pad!.Label, heron.Feed!.AgainstHouse));
    }

    [Fact]
    public void Of_equal_pads_the_pin_of_the_plug_is_taken_that_the_device_sits_in()
    {
        var feed = FeedOf(Demo.EastBenchKestrel, "air-unit");
        Assert.Equal(["p1"], feed.Feed!.Pads.Select(p => p.Id));
    }

    [Fact]
    public void Nothing_is_judged_before_the_pack_is_chosen_and_the_page_says_so()
    {
        var build = Demo.NorthFaceHare with { Pack = null };
        Assert.Empty(build.Plan().Feeds);
        Assert.Contains(Demo.Fit(build).Sheet().Findings, f => f.Rule == "NO-PACK");
    }

    [Fact]
    public void A_device_that_no_pad_feeds_is_named_with_every_reason()
    {
        var build = Demo.On(Demo.Nib, "fallowby-furlong/telemetry", "brindlow-lantern-25/video-control") with
        {
            Pack = new Pack { Cells = 2 },
        };
        var finding = Assert.Single(Demo.Fit(build).Sheet().Findings, f => f.Rule == "UNFED");
        Assert.Equal(
            "No pad can power the Lantern 25. 5V has 5.0 V; the Lantern 25 needs 7.0 V. "
                + "BAT drops to 6.6 V on an empty battery; the Lantern 25 needs 7.0 V.",
            finding.Sentence
        );
    }

    private static readonly Board Rails = Whole("F4", "U1") with
    {
        Rails =
        [
            Rail("bat", null, RailFeed.Battery),
            Rail("5v", 5, RailFeed.Regulator),
            Rail("4v5", 4.5, RailFeed.RegulatorOrUsb),
            Rail("3v3", 3.3, RailFeed.Regulator),
            Rail("gnd", 0, RailFeed.Ground),
        ],
    };

    private static FeedWays WaysOf(Pack pack, double min, double max)
    {
        static Pad On(string label, string rail, params PathElement[] through) =>
            Pad(label, new PadPath { Rail = rail, Through = through });
        var board = Rails.With(
            On("BAT", "bat"),
            On("5V", "5v"),
            On("4V5", "4v5"),
            On("3V3", "3v3"),
            On("GND", "gnd"),
            On("5V less a diode", "5v", new Diode { Direction = Passage.ToPad, Volts = 0.8 })
        );
        var device = Device("device", Need.RcLink, Mode("IBUS", Out())).Fed(min, max);
        var made = Build(board, device).Build with { Pack = pack };
        return Router.WaysOf(Resolved(made, new PartsLibrary([board], [device]))).Feeds.Single();
    }

    private static Rail Rail(string id, double? volts, RailFeed feed) =>
        new()
        {
            Id = id,
            Label = id,
            Volts = volts,
            Feed = feed,
        };

    private static FeedPlacement FeedOf(Build build, string device) =>
        build.Plan().Feeds.Single(f => f.Ways.Device.Id == device);
}
