using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Tests.Protocols;

/// <summary>Framings and bit times against their published descriptions.</summary>
public class FramingTests
{
    [Theory]
    // Any UART reference (for instance reference manual RM0090, USART character description): one start bit,
    // the data bits, an optional parity bit, the stop bits.
    [InlineData(8, ParityBit.None, 1, 10, "8N1")]
    [InlineData(8, ParityBit.None, 2, 11, "8N2")]
    [InlineData(8, ParityBit.Even, 1, 11, "8E1")]
    [InlineData(8, ParityBit.Even, 2, 12, "8E2")]
    [InlineData(7, ParityBit.Odd, 1, 10, "7O1")]
    [InlineData(9, ParityBit.None, 1, 11, "9N1")]
    public void A_character_has_a_start_bit_its_data_its_parity_and_its_stop_bits(
        int data,
        ParityBit parity,
        int stop,
        int bits,
        string name
    )
    {
        var framing = new Framing(data, parity, stop);
        Assert.Equal(bits, framing.BitsPerCharacter);
        Assert.Equal(name, framing.ToString());
    }

    [Theory]
    [InlineData(4, 1)]
    [InlineData(10, 1)]
    [InlineData(8, 0)]
    [InlineData(8, 3)]
    public void A_framing_that_no_controller_has_cannot_be_made(int data, int stop) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => new Framing(data, ParityBit.None, stop));

    [Theory]
    [InlineData(-1, 9600)]
    [InlineData(1, 0)]
    [InlineData(1, -9600)]
    public void A_time_needs_characters_and_a_speed(int characters, int baud) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Framing.EightN1.MicrosecondsFor(characters, baud));

    [Theory]
    // SBUS, common practice: 25 bytes of 12 bits at 100 000 take 3.0 ms, a byte 120 µs.
    [InlineData("SBUS", 1, 120.0)]
    [InlineData("SBUS", 25, 3000.0)]
    // CRSF, published in the open CRSF specification: 8N1, frames of at most 64 bytes; 26 bytes at 420 000 take 0.62 ms.
    [InlineData("CRSF", 26, 619.05)]
    [InlineData("CRSF", 64, 1523.81)]
    // IBUS, from memory: 32 bytes of 10 bits at 115 200.
    [InlineData("IBUS", 32, 2777.78)]
    // NMEA 0183 / IEC 61162-1: 8N1; UBX rides on the same line. A 100-byte NAV-PVT frame (92 + 8) at 115 200.
    [InlineData("UBX", 100, 8680.56)]
    // S.Port, from memory: 57 600, 8N1; an 8-byte answer.
    [InlineData("S.Port", 8, 1388.89)]
    // Video control, from memory: VC-4800 4 800 with two stop bits, VC-9600 9 600 with one.
    [InlineData("VC-4800", 1, 2291.67)]
    [InlineData("VC-9600", 16, 16666.67)]
    // ESC telemetry, from memory: 10 bytes at 115 200.
    [InlineData("ESC", 10, 868.06)]
    // DSMX, from memory: 16 bytes at 115 200, well inside the 11 ms between frames.
    [InlineData("DSMX", 16, 1388.89)]
    // NMEA 0183 (IEC 61162-1): a sentence has at most 82 characters; at 9 600 that is 85 ms, twelve in a second.
    [InlineData("NMEA", 82, 85416.67)]
    // MAVLink 2, the protocol's own guide: 12 to 280 bytes; the longest takes 48.6 ms at 57 600.
    [InlineData("MAVLink", 12, 2083.33)]
    [InlineData("MAVLink", 280, 48611.11)]
    public void Time_on_the_wire_is_bits_over_baud(string protocol, int characters, double microseconds)
    {
        var p = ProtocolCatalogue.Find(protocol)!;
        Assert.Equal(microseconds, p.Framing!.MicrosecondsFor(characters, p.Bauds[0]), 0.01);
    }

    [Fact]
    public void A_slow_CRSF_line_cannot_keep_a_500_Hz_link()
    {
        // Common practice: at 115 200 the 26-byte frame takes 2.26 ms, longer than the 2 ms between packets.
        var crsf = ProtocolCatalogue.Find("CRSF")!;
        Assert.InRange(crsf.FrameMicroseconds(420_000)!.Value, 0, 2000);
        Assert.Equal(2256.94, crsf.Framing!.MicrosecondsFor(crsf.FrameBytes!.Value, 115_200), 0.01);
    }

    [Theory]
    // SBUS, S.Port: inverted in their usual form (from memory). CRSF: not inverted (the open CRSF specification).
    [InlineData("SBUS", "8E2", Polarity.Inverted, LineUse.DeviceToBoard)]
    [InlineData("S.Port", "8N1", Polarity.Inverted, LineUse.OneWire)]
    [InlineData("IBUS", "8N1", Polarity.Normal, LineUse.DeviceToBoard)]
    [InlineData("CRSF", "8N1", Polarity.Normal, LineUse.TwoWires)]
    [InlineData("MSP", "8N1", Polarity.Normal, LineUse.TwoWires)]
    [InlineData("UBX", "8N1", Polarity.Normal, LineUse.TwoWires)]
    [InlineData("VC-4800", "8N2", Polarity.Normal, LineUse.OneWire)]
    [InlineData("VC-9600", "8N1", Polarity.Normal, LineUse.OneWire)]
    [InlineData("ESC", "8N1", Polarity.Normal, LineUse.DeviceToBoard)]
    [InlineData("DSMX", "8N1", Polarity.Normal, LineUse.DeviceToBoard)]
    [InlineData("SRXL2", "8N1", Polarity.Normal, LineUse.OneWire)]
    [InlineData("SUMD", "8N1", Polarity.Normal, LineUse.DeviceToBoard)]
    [InlineData("GHST", "8N1", Polarity.Normal, LineUse.TwoWires)]
    [InlineData("F.Port", "8N1", Polarity.Inverted, LineUse.OneWire)]
    [InlineData("NMEA", "8N1", Polarity.Normal, LineUse.TwoWires)]
    [InlineData("MAVLink", "8N1", Polarity.Normal, LineUse.TwoWires)]
    [InlineData("LTM", "8N1", Polarity.Normal, LineUse.BoardToDevice)]
    [InlineData("Camera control", "8N1", Polarity.Normal, LineUse.TwoWires)]
    [InlineData("Range finder", "8N1", Polarity.Normal, LineUse.DeviceToBoard)]
    [InlineData("Flight log", "8N1", Polarity.Normal, LineUse.BoardToDevice)]
    [InlineData("MSP host", "8N1", Polarity.Normal, LineUse.TwoWires)]
    // No characters: pulses, a bus (UM10204) and the picture.
    [InlineData("PPM", "", Polarity.Inverted, LineUse.DeviceToBoard)]
    [InlineData("PWM", "", Polarity.Inverted, LineUse.WirePerChannel)]
    [InlineData("I²C", "", Polarity.Normal, LineUse.SharedBus)]
    [InlineData("Picture in", "", Polarity.Normal, LineUse.DeviceToBoard)]
    [InlineData("Picture out", "", Polarity.Normal, LineUse.BoardToDevice)]
    public void Each_protocol_has_its_framing_polarity_and_wires(string id, string framing, Polarity idle, LineUse use)
    {
        var protocol = ProtocolCatalogue.Find(id)!;
        Assert.Equal((framing, idle, use), ($"{protocol.Framing}", protocol.Idle, protocol.Use));
    }

    [Fact]
    public void Every_protocol_says_where_its_numbers_come_from() =>
        Assert.All(ProtocolCatalogue.All, p => Assert.NotEmpty(p.Source.ToString()));

    [Fact]
    public void An_unknown_protocol_is_not_found() => Assert.Null(ProtocolCatalogue.Find("sbus"));
}
