using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.Tables;

namespace Gorvix.Core.Tests.Words;

/// <summary>One name for each thing, and the names of earlier versions still read.</summary>
public class PlainNamesTests
{
    [Theory]
    [InlineData("U3", "UART3")]
    [InlineData("U10", "UART10")]
    [InlineData("U", "U")]
    [InlineData("USB", "USB")]
    [InlineData("I2C1", "I2C1")]
    [InlineData("S1", "S1")]
    [InlineData("U3x", "U3x")]
    [InlineData("U٣", "U٣")]
    [InlineData("", "")]
    public void A_UART_is_called_by_its_full_name(string id, string name) => Assert.Equal(name, Port.NameOf(id));

    // BIPM, SI Brochure, 9th edition, 5.4.4: digits may be parted in groups of three; four digits usually are not.
    [Theory]
    [InlineData(9_600, "9600 baud")]
    [InlineData(19_200, "19 200 baud")]
    [InlineData(115_200, "115 200 baud")]
    [InlineData(2_000_000, "2 000 000 baud")]
    public void A_baud_is_written_in_groups_of_three_digits(int baud, string said) =>
        Assert.Equal(said, Phrase.Baud(baud));

    [Theory]
    [InlineData("CRSF", "CRSF")]
    [InlineData("Picture out", "Video out")]
    [InlineData("Level in", "Analogue in")]
    [InlineData("ESC", "ESC telemetry")]
    public void A_protocol_is_called_what_a_builder_calls_it(string id, string name)
    {
        Assert.Equal(name, ProtocolCatalogue.NameOf(id));
        Assert.Equal(name, ProtocolCatalogue.Find(id)!.Name);
    }

    [Fact]
    public void No_two_protocols_have_one_name() =>
        Assert.Equal(
            ProtocolCatalogue.All.Count,
            ProtocolCatalogue.All.Select(p => p.Name).Distinct(StringComparer.OrdinalIgnoreCase).Count()
        );

    [Fact]
    public void Board_text_of_earlier_versions_is_read_and_written_in_todays_words()
    {
        const string Today = """
            maker Fenby
            board Fen
            revision 1
            controller F4, pins max 4.5 V
            rail 5V: 5 V regulator, quiescent 0.005 A
            rail GND: ground
            port U1: RX TX, for rc-link
            port CAM video: RX
            net u1tx: max 3.3 V, chatters
            inside "receiver" gives rc-link
            bridge J1: raw inverted, default inverted
            top left: R1 T1 5V GND
            ways R1: J1=raw > U1.RX | J1=inverted > inverter max 5.5 V > U1.RX

            """;
        var old = Today
            .Replace("pins max", "pins stand")
            .Replace("quiescent", "itself")
            .Replace("rc-link", "control")
            .Replace("CAM video", "CAM picture")
            .Replace("u1tx: max", "u1tx: stands")
            .Replace("default inverted", "comes inverted")
            .Replace("inverter max", "inverter stands");
        var (today, before) = (LeafletText.Read(Today), LeafletText.Read(old));
        Assert.Empty(today.Problems);
        Assert.Empty(before.Problems);
        var written = LeafletText.Write(before.Board);
        Assert.Equal(LeafletText.Write(today.Board), written);
        Assert.All(
            [
                "pins max 4.5 V",
                "quiescent 0.005 A",
                "for rc-link",
                "video",
                "max 3.3 V",
                "gives rc-link",
                "default inverted",
                "inverter max 5.5 V",
            ],
            words => Assert.Contains(words, written)
        );
    }

    [Fact]
    public void Lists_of_earlier_versions_are_read_as_well()
    {
        const string Today = """
            device,maker,name,kind,lead,label,role,min v,max v,does
            fen-one,Fenby,One,esc,,5V,supply,4.5,5.5,
            fen-one,,,,,GND,ground,,,
            fen-one,,,,,TX,signal,,,escTelemetry/esc ESC out
            fen-two,Fenby,Two,flightLogger,,5V,supply,4.5,5.5,
            fen-two,,,,,GND,ground,,,
            fen-two,,,,,RX,signal,,,flightLog/log Flight log in
            fen-cam,Fenby,Cam,camera,,5V,supply,4.5,5.5,
            fen-cam,,,,,GND,ground,,,
            fen-cam,,,,,VID,video,,,video/out Picture in out
            """;
        var old = Today
            .Replace(",esc,", ",speed controller,")
            .Replace("flightLogger", "recorder")
            .Replace("VID,video", "VID,picture");
        var (today, before) = (ListReader.Read(Today, Demo.Library), ListReader.Read(old, Demo.Library));
        Assert.Empty(today.Findings);
        Assert.Empty(before.Findings);
        Assert.Equal(DeviceTable.Write(today.File!.Devices), DeviceTable.Write(before.File!.Devices));
        var named = ListReader.Read(Today.Replace("escTelemetry/esc", "escReadings/esc"), Demo.Library);
        Assert.Equal(Need.EscTelemetry, named.File!.Devices[0].Functions[0].Need);
    }

    [Theory]
    [InlineData(null, "unknown")]
    [InlineData(0.0025, "2.5 mA")]
    [InlineData(0.4667, "467 mA")]
    [InlineData(0.9994, "999 mA")]
    [InlineData(0.9996, "1 A")]
    [InlineData(1.26, "1.26 A")]
    public void A_current_has_the_decimals_that_matter(double? amps, string words) =>
        Assert.Equal(words, PlainWords.Amperes(amps));
}
