namespace Gorvix.Core.Hardware.Protocols;

/// <summary>The parity bit of a character.</summary>
public enum ParityBit
{
    /// <summary>No parity bit.</summary>
    None,

    /// <summary>Even parity.</summary>
    Even,

    /// <summary>Odd parity.</summary>
    Odd,
}

/// <summary>The shape of one character on an asynchronous line, such as 8N1 or 8E2.</summary>
public sealed record Framing
{
    /// <summary>Eight data bits, no parity, one stop bit: 10 bits on the wire.</summary>
    public static readonly Framing EightN1 = new(8, ParityBit.None, 1);

    /// <summary>Eight data bits, no parity, two stop bits: 11 bits on the wire.</summary>
    public static readonly Framing EightN2 = new(8, ParityBit.None, 2);

    /// <summary>Eight data bits, even parity, two stop bits: 12 bits on the wire.</summary>
    public static readonly Framing EightE2 = new(8, ParityBit.Even, 2);

    /// <summary>Makes a framing.</summary>
    /// <param name="dataBits">5 to 9.</param>
    /// <param name="parity">The parity bit.</param>
    /// <param name="stopBits">1 or 2.</param>
    /// <exception cref="ArgumentOutOfRangeException">A number outside its range.</exception>
    public Framing(int dataBits, ParityBit parity, int stopBits)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(dataBits, 5);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(dataBits, 9);
        ArgumentOutOfRangeException.ThrowIfLessThan(stopBits, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(stopBits, 2);
        (DataBits, Parity, StopBits) = (dataBits, parity, stopBits);
    }

    /// <summary>Data bits, 5 to 9.</summary>
    public int DataBits { get; }

    /// <summary>The parity bit.</summary>
    public ParityBit Parity { get; }

    /// <summary>Stop bits, 1 or 2.</summary>
    public int StopBits { get; }

    /// <summary>Bits on the wire for one character: the start bit, data, parity and stop bits.</summary>
    public int BitsPerCharacter => 1 + DataBits + (Parity == ParityBit.None ? 0 : 1) + StopBits;

    /// <summary>Time on the wire in microseconds.</summary>
    /// <param name="characters">How many characters follow each other without a pause; not negative.</param>
    /// <param name="baud">Bits per second, above zero.</param>
    /// <exception cref="ArgumentOutOfRangeException">A number outside its range.</exception>
    public double MicrosecondsFor(int characters, int baud)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(characters);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(baud);
        return characters * BitsPerCharacter * 1_000_000.0 / baud;
    }

    /// <summary>The usual short form, such as 8N1.</summary>
    public override string ToString() => $"{DataBits}{Parity.ToString()[0]}{StopBits}";
}
