using System.Text;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Tests.Protocols;

/// <summary>Checksums against published check values and frames.</summary>
public class ChecksumTests
{
    // Source: the public CRC catalogue (catalogue of parametrised CRC algorithms): "check" is the CRC of "123456789".
    public static TheoryData<string, int> Catalogue =>
        new()
        {
            { "CRSF", 0xBC },
            { "MAVLink", 0x6F91 },
            { "SRXL2", 0x31C3 },
            { "SUMD", 0x31C3 },
        };

    [Theory]
    [MemberData(nameof(Catalogue))]
    public void A_CRC_has_the_check_value_of_the_catalogue(string protocol, int check) =>
        Assert.Equal(check, ProtocolCatalogue.Find(protocol)!.Check!.Over("123456789"u8));

    [Theory]
    // Source: the GNSS receiver maker's interface description; CFG-RATE at 5 Hz and the poll of MON-VER, as widely printed.
    [InlineData("06080600C80001000100", 0xDE6A)]
    [InlineData("0A040000", 0x0E34)]
    public void A_UBX_frame_closes_with_the_two_Fletcher_sums(string body, int sums) =>
        Assert.Equal(sums, ProtocolCatalogue.Find("UBX")!.Check!.Over(Convert.FromHexString(body)));

    [Fact]
    public void A_Fletcher_sum_follows_its_definition()
    {
        // Source: RFC 1145, A(i) = A(i-1) + D(i), B(i) = B(i-1) + A(i), both in eight bits.
        var bytes = Encoding.ASCII.GetBytes("abcde");
        var a = bytes.Sum(x => x) & 0xFF;
        var b = bytes.Select((x, i) => x * (bytes.Length - i)).Sum() & 0xFF;
        Assert.Equal((a << 8) | b, Checksum.Fletcher8.Over(bytes));
    }

    [Theory]
    // Source: sentences printed in many descriptions of NMEA 0183 (IEC 61162-1); the two hexadecimal digits after the star.
    [InlineData("GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,", 0x47)]
    [InlineData("GPRMC,123519,A,4807.038,N,01131.000,E,022.4,084.4,230394,003.1,W", 0x6A)]
    public void An_NMEA_sentence_closes_with_the_exclusive_or_of_its_characters(string sentence, int check) =>
        Assert.Equal(check, ProtocolCatalogue.Find("NMEA")!.Check!.Over(Encoding.ASCII.GetBytes(sentence)));

    [Fact]
    public void An_IBUS_frame_sums_up_to_0xFFFF_with_its_check()
    {
        // From memory: 0xFFFF minus the sum of all bytes before it.
        byte[] frame = [0x20, 0x40, 0xDC, 0x05, 0xDC, 0x05];
        Assert.Equal(0xFFFF - (0x20 + 0x40 + 0xDC + 0x05 + 0xDC + 0x05), Checksum.OnesSum.Over(frame));
        Assert.Equal(0xFFFF, Checksum.OnesSum.Over([]));
    }

    [Fact]
    public void A_CRC_over_a_frame_and_its_own_CRC_is_zero()
    {
        byte[] frame = [0x16, 1, 2, 3, 250, 0, 77];
        var crc = Checksum.Crc8D5.Over(frame);
        Assert.Equal(0, Checksum.Crc8D5.Over([.. frame, (byte)crc]));
        var wide = Checksum.Crc16Xmodem.Over(frame);
        Assert.Equal(0, Checksum.Crc16Xmodem.Over([.. frame, (byte)(wide >> 8), (byte)wide]));
    }

    [Fact]
    public void A_MAVLink_heartbeat_closes_with_its_CRC_and_the_extra_byte_of_its_message()
    {
        // Source: the MAVLink guide, serialization: CRC from the length on, then the message's CRC_EXTRA (50 for HEARTBEAT). A packet as
        // it is widely printed; its bytes from memory, proved by the sum.
        var packet = Convert.FromHexString("FE094E0101000000000002035104031C7F");
        var crc = Checksum.Crc16Mcrf4xx.Over([.. packet[1..^2], 50]);
        Assert.Equal(packet[^2] | (packet[^1] << 8), crc);
        Assert.NotEqual(
            packet[^2] | (packet[^1] << 8),
            Checksum.Crc16Mcrf4xx.Over(packet.AsSpan(1, packet.Length - 3))
        );
    }

    [Fact]
    public void A_CRSF_ping_closes_with_its_CRC_over_type_and_payload()
    {
        // Source: the open CRSF specification, frame construction and device ping (type 0x28 to all from the handset).
        byte[] frame = [0xC8, 0x04, 0x28, 0x00, 0xEA, 0x54];
        Assert.Equal(frame.Length - 2, frame[1]);
        Assert.Equal(frame[^1], Checksum.Crc8D5.Over(frame.AsSpan(2, 3)));
    }
}
