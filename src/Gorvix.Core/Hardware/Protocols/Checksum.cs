namespace Gorvix.Core.Hardware.Protocols;

/// <summary>How a protocol proves that a frame arrived whole: what the bytes of a frame sum up to.</summary>
/// <remarks>Each takes the bytes that its specification covers and gives the value that stands in the frame.</remarks>
public abstract record Checksum(string Name)
{
    /// <summary>CRC-8 with polynomial 0xD5 (source: the open CRSF specification; CRC catalogue: CRC-8/DVB-S2).</summary>
    public static readonly Checksum Crc8D5 = new Crc("CRC-8, polynomial 0xD5", 8, 0xD5, 0, Reflected: false);

    /// <summary>CRC-16/MCRF4XX (source: the MAVLink guide; CRC catalogue).</summary>
    public static readonly Checksum Crc16Mcrf4xx = new Crc("CRC-16/MCRF4XX", 16, 0x1021, 0xFFFF, Reflected: true);

    /// <summary>CRC-16 with polynomial 0x1021 from zero (source: the open SRXL2 specification; CRC catalogue: CRC-16/XMODEM).</summary>
    public static readonly Checksum Crc16Xmodem = new Crc("CRC-16, polynomial 0x1021", 16, 0x1021, 0, Reflected: false);

    /// <summary>Two running sums of eight bits (source: RFC 1145; the GNSS receiver maker's interface description).</summary>
    public static readonly Checksum Fletcher8 = new Fletcher();

    /// <summary>0xFFFF minus the sum of the bytes (from memory).</summary>
    public static readonly Checksum OnesSum = new Sum();

    /// <summary>Exclusive or of the bytes (source: IEC 61162-1, the two digits after the star).</summary>
    public static readonly Checksum Xor8 = new Xor();

    /// <summary>The value over these bytes; Fletcher's two sums stand as first × 256 + second.</summary>
    public abstract int Over(ReadOnlySpan<byte> bytes);

    /// <summary>A cyclic redundancy check of 8 or 16 bits, bit by bit: frames are short, and this form is the definition.</summary>
    private sealed record Crc(string Name, int Width, int Polynomial, int Start, bool Reflected) : Checksum(Name)
    {
        public override int Over(ReadOnlySpan<byte> bytes)
        {
            var crc = Start;
            foreach (var b in bytes)
            {
                for (var bit = 0; bit < 8; bit++)
                {
                    var next = Reflected ? (b >> bit) & 1 : (b >> (7 - bit)) & 1;
                    var top = (crc >> (Width - 1)) & 1;
                    crc = ((crc << 1) & ((1 << Width) - 1)) ^ (top == next ? 0 : Polynomial);
                }
            }
            return Reflected ? Mirrored(crc) : crc;
        }

        private int Mirrored(int value)
        {
            var turned = 0;
            for (var bit = 0; bit < Width; bit++)
            {
                turned |= ((value >> bit) & 1) << (Width - 1 - bit);
            }
            return turned;
        }
    }

    private sealed record Fletcher() : Checksum(Sentences.Of8BitFletcher)
    {
        public override int Over(ReadOnlySpan<byte> bytes)
        {
            var (a, b) = (0, 0);
            foreach (var value in bytes)
            {
                a = (a + value) & 0xFF;
                b = (b + a) & 0xFF;
            }
            return (a << 8) | b;
        }
    }

    private sealed record Sum() : Checksum(Sentences.Of0xffffMinusTheSum)
    {
        public override int Over(ReadOnlySpan<byte> bytes)
        {
            var sum = 0xFFFF;
            foreach (var value in bytes)
            {
                sum -= value;
            }
            return sum & 0xFFFF;
        }
    }

    private sealed record Xor() : Checksum("XOR")
    {
        public override int Over(ReadOnlySpan<byte> bytes)
        {
            var all = 0;
            foreach (var value in bytes)
            {
                all ^= value;
            }
            return all;
        }
    }
}
