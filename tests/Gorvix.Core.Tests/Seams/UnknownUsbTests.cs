using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Drills;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Seams;

/// <summary>Whether USB powers a rail is unknown where nobody has said; no reader says that it does, and none that it does not.</summary>
public class UnknownUsbTests
{
    private static FitReader On(RailFeed feed, ReceiverSupply school = ReceiverSupply.LiveOnUsb)
    {
        var board = Whole("F7", "U1").Powered("5V", "GND");
        board = board with { Rails = [.. board.Rails.Select(r => r.Label == "5V" ? r with { Feed = feed } : r)] };
        var rx = Device("rx", Need.RcLink, Mode("CRSF", Out(), In())).Fed(4.5, 5.5, 0.1).Leads("G");
        return PlugBench.Fit4S(board, [rx], ["!rx"], b => b with { House = new HouseRules { Receiver = school } });
    }

    [Theory]
    [InlineData(RailFeed.Regulator, ReceiverSupply.LiveOnUsb, 1)]
    [InlineData(RailFeed.Regulator, ReceiverSupply.OffOnUsb, 0)]
    [InlineData(RailFeed.RegulatorOrUsb, ReceiverSupply.LiveOnUsb, 0)]
    [InlineData(RailFeed.RegulatorOrUsb, ReceiverSupply.OffOnUsb, 1)]
    [InlineData(RailFeed.RegulatorUsbUnknown, ReceiverSupply.LiveOnUsb, 1)]
    [InlineData(RailFeed.RegulatorUsbUnknown, ReceiverSupply.OffOnUsb, 1)]
    public void Neither_school_is_kept_by_what_nobody_knows(RailFeed feed, ReceiverSupply school, int against) =>
        Assert.Equal(against, On(feed, school).Plan.Feeds.Single().Feed!.AgainstHouse);

    [Theory]
    [InlineData(RailFeed.Regulator, LeadFeed.Silent, "rx is off on USB: 5V is powered from the battery only.")]
    [InlineData(
        RailFeed.RegulatorUsbUnknown,
        LeadFeed.UsbUnknown,
        "rx is not checked on USB: unknown whether USB powers 5V."
    )]
    [InlineData(RailFeed.RegulatorOrUsb, LeadFeed.Good, null)]
    public void Rails_Bench_and_Drill_say_the_same(RailFeed feed, LeadFeed state, string? said)
    {
        var wired = On(feed).Wired;
        var usb = RailReader.Read(wired, Situation.Of(wired.Build.Build).First(s => s.Group == SituationGroup.Usb));
        Assert.Equal(state, usb.Leads.Single().State);
        Assert.Equal(said, RailCheck.Of(usb).FirstOrDefault(f => f.Rule == "USB-SILENT")?.Sentence);
        var isKnown = feed != RailFeed.RegulatorUsbUnknown;
        var sheet = BenchReader.Of(wired, SettingsReader.Of(wired, new DateOnly(2026, 11, 30)), null);
        Assert.Equal(isKnown, sheet.Checks.Any(c => c.Id == "usb.rx"));
        Assert.Equal(
            isKnown,
            !sheet.Assumed.Any(a => a.StartsWith("Unknown whether USB powers 5V", StringComparison.Ordinal))
        );
        Assert.Equal(isKnown, new BurnCards(wired).All().Any(c => c.Id == "usb:rx"));
    }
}
