using Gorvix.Core.Files.Describing;

namespace Gorvix.Core.Tests.Describing;

/// <summary>The dictionary of labels. What it says is common practice, without a published source.</summary>
public class LabelBookTests
{
    public static TheoryData<string> Labels =>
        [
            .. LabelBook
                .Entries.SelectMany(e => e.Pattern)
                .SelectMany(p => p.Contains('#') ? ["1", "3", "12"] : new[] { "" }, (p, n) => p.Replace("#", n))
                .Concat(["5V", "3V3", "4.5V", "4V5", "10V", "+12V"])
                .Distinct(),
        ];

    [Theory]
    [MemberData(nameof(Labels))]
    public void No_label_has_two_certain_meanings(string label)
    {
        Assert.True(LabelBook.Fitting(label).Count() + (LabelBook.VoltsIn(label) is null ? 0 : 1) == 1, label);
        var reading = LabelBook.Read(label);
        Assert.True(reading.Meanings.Count == 1 || reading.Trust == LabelTrust.Doubtful);
        Assert.True(reading.Trust == LabelTrust.Certain || LabelBook.WhyDoubtful(label).Length > 10);
    }

    [Theory]
    [InlineData("T3", LabelKind.Tx, 3)]
    [InlineData("tx 3", LabelKind.Tx, 3)]
    [InlineData("U3TX", LabelKind.Tx, 3)]
    [InlineData("RX_2", LabelKind.Rx, 2)]
    [InlineData("UART6RX", LabelKind.Rx, 6)]
    [InlineData("G", LabelKind.Ground, 0)]
    [InlineData("VBAT", LabelKind.Battery, 0)]
    [InlineData("VI", LabelKind.PictureIn, 0)]
    [InlineData("VO", LabelKind.PictureOut, 0)]
    [InlineData("CURR", LabelKind.Current, 0)]
    [InlineData("RSSI", LabelKind.Strength, 0)]
    [InlineData("BZ-", LabelKind.Buzzer, 0)]
    [InlineData("LED", LabelKind.Lights, 0)]
    [InlineData("SDA", LabelKind.Data, 0)]
    [InlineData("SCL2", LabelKind.Clock, 2)]
    [InlineData("M4", LabelKind.Motor, 4)]
    [InlineData("n/c", LabelKind.Nothing, 0)]
    public void What_the_trade_agrees_on_is_certain(string label, LabelKind kind, int number)
    {
        var reading = LabelBook.Read(label);
        Assert.Equal(
            (LabelTrust.Certain, new LabelMeaning(kind, number)),
            (reading.Trust, Assert.Single(reading.Meanings))
        );
    }

    [Theory]
    [InlineData("5V", 5)]
    [InlineData("3V3", 3.3)]
    [InlineData("4V5", 4.5)]
    [InlineData("3.3V", 3.3)]
    [InlineData("+12V", 12)]
    [InlineData("10 V", 10)]
    public void A_label_of_volts_is_a_supply(string label, double volts) =>
        Assert.Equal(new LabelMeaning(LabelKind.Supply, 0, volts), Assert.Single(LabelBook.Read(label).Meanings));

    [Theory]
    [InlineData("B+", 2)]
    [InlineData("VCC", 2)]
    [InlineData("+", 2)]
    [InlineData("SBUS", 1)]
    [InlineData("DSM", 2)]
    [InlineData("TLM", 2)]
    [InlineData("C", 2)]
    [InlineData("R3/SDA", 2)]
    public void What_can_mean_several_things_or_names_no_port_is_doubtful(string label, int meanings)
    {
        var reading = LabelBook.Read(label);
        Assert.Equal((LabelTrust.Doubtful, meanings), (reading.Trust, reading.Meanings.Count));
    }

    [Theory]
    [InlineData("XQ")]
    [InlineData("0V3")]
    [InlineData("99V")]
    [InlineData("R")]
    [InlineData("R123")]
    [InlineData("")]
    [InlineData("/")]
    public void What_nobody_knows_is_unknown(string label) =>
        Assert.Equal(LabelTrust.Unknown, LabelBook.Read(label).Trust);
}
