using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Words;
using static Gorvix.Core.Tests.Handmade;
using static Gorvix.Core.Tests.PlugBench;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>A lead that leaves its pin says why, where the pin is what it must leave.</summary>
public class PinReasonTests
{
    private static readonly Device Receiver = Device("receiver", Need.RcLink, Mode("SBUS", Out()))
        .Fed(4.5, 8.4)
        .Leads("G");

    private static Device Air(double min, double max) =>
        Device("air", Need.Osd, Mode("MSP", Out(), In()))
            .Fed(min, max)
            .Plugged("air", "V", "G", "TX", "RX", "S")
            .Talking("S");

    private static readonly Board Board = Handmade
        .Board("F7", Port("U1"), Port("U2", tx: false))
        .With(Pad("R2", "U2.rx"), Pad("R1", "U1.rx"))
        .Powered("5V", "GND")
        .Socket("AIR", "air", "BAT", "GND", "U1.rx", "U1.tx", "U2.rx");

    private static string Work(FitReader fit, string lead) =>
        WorkWords.Of(fit.Wired.Work.Single(w => w.Device == "air" && w.Lead == lead), fit.Wired.Build);

    private static FitReader Fit(Device air) =>
        Fit4S(
            Board,
            [air, Receiver],
            ["!receiver", "!air"],
            b => b with { Pins = [new SeatMatch { Device = "air", Socket = "AIR" }] }
        );

    // By hand: pin 5 of the socket is U2's RX, where the receiver sits; the air unit's own output would fight it there.
    [Fact]
    public void A_lead_that_would_fight_names_whom()
    {
        var fit = Fit(Air(7, 26));
        Assert.Equal(
            "De-pin S (pin 5) from the air's plug and insulate it: it would transmit on AIR5, where TX of the receiver is connected.",
            Work(fit, "S")
        );
        Assert.EndsWith(
            "Insulate S. Pin 5: it would transmit on AIR5, where TX of the receiver is connected.",
            LoomReader.Of(fit.Wired).Steps.Single(s => s.Id == "plug air").Words
        );
    }

    // By hand: four full cells are 16.8 V on pin 1.
    [Fact]
    public void A_supply_that_would_be_destroyed_names_the_volts()
    {
        Assert.Contains(
            ": BAT has up to 16.8 V, V of the air is rated 5.5 V maximum.",
            Work(Fit(Air(4.5, 5.5)), "V"),
            StringComparison.Ordinal
        );
    }

    // By hand: pin 1 has 5 V and the air unit needs 7.
    [Fact]
    public void A_supply_that_would_not_start_names_them_too()
    {
        var board = Handmade
            .Board("F7", Port("U1"), Port("U2", tx: false))
            .With(Pad("R2", "U2.rx"), Pad("R1", "U1.rx"))
            .Powered("BAT", "5V", "GND")
            .Socket("AIR", "air", "5V", "GND", "U1.rx", "U1.tx", "U2.rx");
        var fit = Fit4S(
            board,
            [Air(7, 26), Receiver],
            ["!receiver", "!air"],
            b => b with { Pins = [new SeatMatch { Device = "air", Socket = "AIR" }] }
        );
        Assert.Contains(": 5V has 5.0 V, V needs 7.0 V.", Work(fit, "V"), StringComparison.Ordinal);
    }
}
