using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Tests.Protocols;

/// <summary>What a divider makes of a baud, against the worked tables of the controllers' reference manuals.</summary>
public class BaudClockTests
{
    [Theory]
    // Source: reference manual RM0090, USART, "Error calculation for programmed baud rates at fPCLK = 42 MHz or 84 MHz,
    // oversampling by 16", lines at 42 MHz. Divisor = the printed BRR value times 16. Written down from memory of the table.
    [InlineData(42, 9_600, 4375, 9_600, 0.00)]
    [InlineData(42, 19_200, 2188, 19_195, 0.02)]
    [InlineData(42, 38_400, 1094, 38_391, 0.02)]
    [InlineData(42, 57_600, 729, 57_613, 0.02)]
    [InlineData(42, 115_200, 365, 115_068, 0.11)]
    [InlineData(42, 230_400, 182, 230_769, 0.16)]
    [InlineData(42, 460_800, 91, 461_538, 0.16)]
    [InlineData(42, 921_600, 46, 913_043, 0.93)]
    // Source: reference manual RM0008, USART, "Error calculation for programmed baud rates", column 36 MHz; the same remark.
    [InlineData(36, 9_600, 3750, 9_600, 0.00)]
    [InlineData(36, 19_200, 1875, 19_200, 0.00)]
    [InlineData(36, 57_600, 625, 57_600, 0.00)]
    [InlineData(36, 230_400, 156, 230_769, 0.16)]
    [InlineData(36, 460_800, 78, 461_538, 0.16)]
    [InlineData(36, 921_600, 39, 923_077, 0.16)]
    public void A_divider_makes_the_baud_of_the_manuals_table(
        double megahertz,
        int baud,
        int divisor,
        double made,
        double percent
    )
    {
        var clock = BaudClock.Nearest(megahertz * 1e6, baud, 16)!;
        Assert.Equal(divisor, clock.Divisor);
        Assert.Equal(made, clock.Baud, 1.0);
        Assert.Equal(percent, Math.Abs(clock.ErrorPercent), 0.01);
    }

    [Fact]
    public void Of_two_equally_near_divisors_either_has_the_error_of_the_table()
    {
        // RM0008 prints 115.384 kbit/s and 0.15 % for 115.2 at 36 MHz: 312.5 lies between two whole divisors.
        Assert.Equal(0.15, Math.Abs(BaudClock.Nearest(36e6, 115_200, 16)!.ErrorPercent), 0.011);
    }

    [Theory]
    [InlineData(8, 420_000, 8, 19)]
    [InlineData(8, 1_000_000, 8, 8)]
    [InlineData(8, 1_000_000, 16, 0)]
    [InlineData(8, 2_000_000, 8, 0)]
    public void A_clock_too_slow_for_a_baud_makes_nothing(double megahertz, int baud, int least, int divisor) =>
        Assert.Equal(divisor, BaudClock.Nearest(megahertz * 1e6, baud, least)?.Divisor ?? 0);

    [Theory]
    [InlineData(0, 9600, 16)]
    [InlineData(1e6, 0, 16)]
    [InlineData(1e6, 9600, 0)]
    public void A_number_that_is_not_above_zero_is_refused(double hertz, int baud, int least) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => BaudClock.Nearest(hertz, baud, least));

    [Fact]
    public void The_usual_clock_of_every_class_keeps_every_usual_baud()
    {
        // Common practice: all of them fly with all of these.
        Assert.All(
            ControllerClass.All,
            c =>
                Assert.All(
                    ProtocolCatalogue.All.Where(p => p.Bauds.Count > 0),
                    p =>
                    {
                        var made = BaudClock.Nearest(c.ClockMegahertz * 1e6, p.Bauds[0], c.LeastDivisor);
                        Assert.InRange(Math.Abs(made!.ErrorPercent), 0, BaudClock.TolerancePercent);
                    }
                )
        );
    }
}
