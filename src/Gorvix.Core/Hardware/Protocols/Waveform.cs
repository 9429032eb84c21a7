namespace Gorvix.Core.Hardware.Protocols;

/// <summary>A stretch of a signal at one level.</summary>
/// <param name="High">The level on a line that rests high; an inverted line shows the other one.</param>
/// <param name="Length">How long, in bits of the line; for pulses in hundreds of microseconds.</param>
public sealed record WaveStep(bool High, double Length);

/// <summary>What a protocol looks like on its wires, in the shortest piece that tells it from others.</summary>
/// <remarks>
/// A serial line shows one character as its framing has it: a start bit, the data from the lowest bit, parity, stop bits
/// (source: any UART reference). A bus shows a start, seven bits of address with the bit of
/// direction, the acknowledge and a stop (source: UM10204, 3.1). Pulse trains have a pulse of 300 µs before each gap that says a
/// channel, and a long gap at the end (from memory).
/// </remarks>
public static class Waveform
{
    // Neither all ones nor all zeros, and odd in its count of ones, so that a parity bit shows.
    private const int Example = 0x4C;

    private const int ExampleAddress = 0x1E;

    /// <summary>The piece on the wire of data; empty where there is no train: a picture and a level have none.</summary>
    /// <param name="protocol">The protocol.</param>
    public static IReadOnlyList<WaveStep> Of(Protocol protocol) =>
        protocol switch
        {
            { Framing: { } framing } => Character(framing),
            { Carrier: Carrier.Bus } => Data(),
            { Carrier: Carrier.Pulse } => Pulses(),
            _ => [],
        };

    /// <summary>The same moment on the clock wire of a bus.</summary>
    public static IReadOnlyList<WaveStep> Clock() =>
        [
            new(true, 1.5),
            .. Enumerable.Repeat<WaveStep[]>([new(false, 0.5), new(true, 0.5)], 9).SelectMany(b => b),
            new(false, 0.5),
            new(true, 1.5),
        ];

    private static List<WaveStep> Character(Framing framing)
    {
        var data = Enumerable.Range(0, framing.DataBits).Select(bit => ((Example >> bit) & 1) == 1).ToList();
        var odd = data.Count(one => one) % 2 == 1;
        bool[] parity = framing.Parity switch
        {
            ParityBit.Even => [odd],
            ParityBit.Odd => [!odd],
            _ => [],
        };
        return
        [
            new(true, 1.5),
            new(false, 1),
            .. data.Concat(parity).Select(one => new WaveStep(one, 1)),
            new(true, framing.StopBits),
            new(true, 1.5),
        ];
    }

    // Data falls while the clock is high: a start. It rises while the clock is high: a stop. Between them it changes only while the clock is low.
    private static List<WaveStep> Data() =>
        [
            new(true, 1),
            new(false, 0.75),
            .. Enumerable.Range(0, 7).Select(bit => new WaveStep(((ExampleAddress >> (6 - bit)) & 1) == 1, 1)),
            new(false, 1),
            new(false, 1.75),
            new(true, 1),
        ];

    private static List<WaveStep> Pulses()
    {
        double[] channels = [12, 8, 15, 12];
        return
        [
            new(true, 8),
            .. channels.SelectMany(gap => new WaveStep[] { new(false, 3), new(true, gap) }),
            new(false, 3),
            new(true, 24),
        ];
    }
}
