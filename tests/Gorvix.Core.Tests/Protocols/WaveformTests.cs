using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Tests.Protocols;

/// <summary>What a wire looks like: the drawing must be the protocol's own.</summary>
public class WaveformTests
{
    private static string Bits(string protocol) =>
        string.Concat(
            Waveform
                .Of(ProtocolCatalogue.Find(protocol)!)
                .SkipWhile(s => s.High)
                .SkipLast(1)
                .Select(s => new string(s.High ? '1' : '0', (int)s.Length))
        );

    // 0x4C from its lowest bit: 0 0 1 1 0 0 1 0 (a start bit before it; three ones, so even parity is a one).
    [Theory]
    [InlineData("CRSF", "0" + "00110010" + "1")]
    [InlineData("VC-4800", "0" + "00110010" + "11")]
    [InlineData("SBUS", "0" + "00110010" + "1" + "11")]
    public void A_character_has_its_start_its_data_from_the_lowest_bit_its_parity_and_its_stop_bits(
        string protocol,
        string bits
    ) => Assert.Equal(bits, Bits(protocol));

    [Fact]
    public void Every_serial_protocol_takes_as_many_bits_as_its_framing_says() =>
        Assert.All(
            ProtocolCatalogue.All.Where(p => p.Framing is not null),
            p => Assert.Equal(p.Framing!.BitsPerCharacter, Bits(p.Id).Length)
        );

    [Fact]
    public void A_bus_starts_and_stops_while_the_clock_is_high_and_changes_only_while_it_is_low()
    {
        // UM10204, 3.1.3 to 3.1.6: a start is data that falls while the clock is high, a stop is data that rises then; eight bits and an
        // acknowledge lie between them, each with a clock.
        var (data, clock) = (Waveform.Of(ProtocolCatalogue.Find("I²C")!), Waveform.Clock());
        Assert.Equal(9 + 1, clock.Count(s => !s.High));
        Assert.Equal(data.Sum(s => s.Length), clock.Sum(s => s.Length));
        var changes = Enumerable
            .Range(1, data.Count - 1)
            .Where(i => data[i].High != data[i - 1].High)
            .Select(i => data.Take(i).Sum(s => s.Length))
            .ToList();
        Assert.True(HighAt(clock, changes[0]) && HighAt(clock, changes[^1]) && data[^1].High);
        Assert.All(changes.Skip(1).SkipLast(1), at => Assert.False(HighAt(clock, at)));
    }

    [Fact]
    public void Pulses_have_one_long_gap_and_what_is_no_train_has_nothing()
    {
        var gaps = Waveform
            .Of(ProtocolCatalogue.Find("PPM")!)
            .Where(s => s.High)
            .Skip(1)
            .Select(s => s.Length)
            .ToList();
        Assert.Equal(gaps.Max(), gaps[^1]);
        Assert.Empty(Waveform.Of(ProtocolCatalogue.Find("Picture in")!));
        Assert.Empty(Waveform.Of(ProtocolCatalogue.Find("Level in")!));
    }

    private static bool HighAt(IReadOnlyList<WaveStep> steps, double time)
    {
        foreach (var step in steps)
        {
            if (time < step.Length)
            {
                return step.High;
            }
            time -= step.Length;
        }
        return steps[^1].High;
    }
}
