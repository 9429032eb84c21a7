namespace Gorvix.Core.Hardware.Protocols;

/// <summary>What a controller's divider makes of a baud.</summary>
/// <remarks>
/// The divider is a whole number of clock ticks for a bit, whether it is written as sixteenths or eighths in the register
/// (source: the controllers' reference manuals, "fractional baud rate generation").
/// </remarks>
/// <param name="Divisor">Clock ticks for one bit.</param>
/// <param name="Baud">What really comes out, bits per second.</param>
/// <param name="ErrorPercent">How far that is from what was asked, signed.</param>
public sealed record BaudClock(int Divisor, double Baud, double ErrorPercent)
{
    /// <summary>How far two ends may differ in percent for 8N1 (source: application notes on UART clock accuracy).</summary>
    public const double TolerancePercent = 2;

    /// <summary>The nearest that a clock can do, or null when the clock is too slow for this baud.</summary>
    /// <param name="clockHertz">The clock of the divider, above zero.</param>
    /// <param name="baud">Bits per second, above zero.</param>
    /// <param name="leastDivisor">The smallest divisor of the unit: 16, or 8 when it samples eight times.</param>
    /// <exception cref="ArgumentOutOfRangeException">A number is not above zero.</exception>
    public static BaudClock? Nearest(double clockHertz, int baud, int leastDivisor)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(clockHertz);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(baud);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(leastDivisor);
        var divisor = (int)Math.Round(clockHertz / baud, MidpointRounding.AwayFromZero);
        if (divisor < leastDivisor)
        {
            return null;
        }
        var real = clockHertz / divisor;
        return new BaudClock(divisor, real, ((real / baud) - 1) * 100);
    }
}
