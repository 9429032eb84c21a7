using System.Text;
using Gorvix.Core.Wired.Gnss;
using Gorvix.Core.Work.Bench;

namespace Gorvix.Core.Tests.Bench;

/// <summary>Lines as meters print them: numbers of IEEE 488.2 (NR1, NR2, NR3), prefixes, overload (SCPI 1999: 9.9E37 is infinity).</summary>
public class SerialMeterTests
{
    [Theory]
    [InlineData("+4.98200E+00", 4.982, null)]
    [InlineData("+4.982E+00 VDC", 4.982, ReadingUnit.Volts)]
    [InlineData("DC: 4.98 V", 4.98, ReadingUnit.Volts)]
    [InlineData("-12", -12.0, null)]
    [InlineData("345 mA", 0.345, ReadingUnit.Amps)]
    [InlineData("1.2 kOhm", 1200.0, ReadingUnit.Ohms)]
    [InlineData("0.47 MΩ", 470_000.0, ReadingUnit.Ohms)]
    [InlineData(".5V", 0.5, ReadingUnit.Volts)]
    public void A_line_is_read_with_prefix_and_unit(string line, double value, ReadingUnit? unit)
    {
        var shows = SerialMeter.Read(line)!;
        Assert.Equal(value, shows.Value!.Value, 1e-9);
        Assert.Equal(unit, shows.Unit);
    }

    [Theory]
    [InlineData("OL")]
    [InlineData("+OL MOhm")]
    [InlineData("+9.90000000E+37")]
    public void Overload_is_no_number(string line) => Assert.Null(SerialMeter.Read(line)!.Value);

    [Theory]
    [InlineData("")]
    [InlineData("READY")]
    [InlineData("\u0001\u0002garbage")]
    public void What_is_no_reading_is_none(string line) => Assert.Null(SerialMeter.Read(line));

    [Theory]
    [InlineData(4.98, ReadingUnit.Volts)]
    [InlineData(-0.0021, ReadingUnit.Amps)]
    [InlineData(470_000.0, ReadingUnit.Ohms)]
    public void What_the_stand_in_prints_is_read_back(double value, ReadingUnit unit)
    {
        var shows = SerialMeter.Read(SerialMeter.Print(value, unit))!;
        Assert.Equal(value, shows.Value!.Value, Math.Abs(value) * 1e-4);
        Assert.Equal(unit, shows.Unit);
    }

    [Fact]
    public void The_end_of_a_line_that_was_on_its_way_is_not_believed_and_a_silent_meter_is_given_up()
    {
        var line = new Typed(".98 V\r\n5.01 V\r\n");
        Assert.Equal(5.01, SerialMeter.Listen(line, 9600, TimeSpan.FromSeconds(4), default)!.Value);
        Assert.Null(SerialMeter.Listen(new Typed(""), 9600, TimeSpan.FromSeconds(4), default));
        Assert.Null(SerialMeter.Listen(new Typed(new string('9', 5000)), 9600, TimeSpan.FromSeconds(1), default));
    }

    private sealed class Typed(string text) : ISerialLine
    {
        private readonly byte[] _bytes = Encoding.UTF8.GetBytes(text);
        private int _at;

        public string Name => "typed";

        public void SetBaud(int baud) => Assert.Equal(9600, baud);

        public void Write(ReadOnlySpan<byte> bytes) => Assert.Fail("A meter is listened to.");

        public int Read(Span<byte> into)
        {
            var count = Math.Min(into.Length, Math.Min(7, _bytes.Length - _at));
            _bytes.AsSpan(_at, count).CopyTo(into);
            _at += count;
            return count;
        }

        public void Wait(TimeSpan time) { }

        public bool TryCyclePower() => false;
    }
}
