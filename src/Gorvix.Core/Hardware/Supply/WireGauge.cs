namespace Gorvix.Core.Hardware.Supply;

/// <summary>Which gauge a wire wants: thick enough for its current, and for what may be lost on the way.</summary>
public static class WireGauge
{
    /// <summary>The part of the volts that may be lost on the way there and back (common practice: 3 %).</summary>
    public const double MostDrop = 0.03;

    // What a single wire carries, in amperes: of two published tables the lower figure (both from memory): the "chassis wiring" column of the
    // handbook of electronic tables and formulas for American wire gauge, and the derating table for single wires of NASA EEE-INST-002,
    // section W1. Thinner than 30 is not soldered to pads by hand.
    private static readonly (int Gauge, double Amps)[] Carries =
    [
        (30, 0.86),
        (28, 1.4),
        (26, 2.2),
        (24, 3.3),
        (22, 4.5),
        (20, 6.5),
        (18, 9.2),
        (16, 13),
        (14, 19),
        (12, 25),
        (10, 33),
    ];

    /// <summary>The gauge for a wire that carries a signal, or a current that no leaflet tells (common practice).</summary>
    public const int Usual = 28;

    /// <summary>What a single wire of a gauge carries, in amperes.</summary>
    /// <param name="gauge">AWG: an even number from 10 to 30; between two, the thinner one counts.</param>
    public static double Ampacity(int gauge) => Carries.Last(c => c.Gauge >= Math.Min(gauge, Carries[0].Gauge)).Amps;

    /// <summary>The thinnest gauge that is thick enough, and never thinner than the usual one.</summary>
    /// <param name="amps">What flows at most, in amperes.</param>
    /// <param name="millimetres">Its length one way, in millimetres.</param>
    /// <param name="volts">The least that the device takes, in volts.</param>
    /// <returns>AWG; 10 where even that is too thin.</returns>
    public static int For(double amps, double millimetres, double volts) =>
        Carries
            .Where(c => c.Gauge <= Usual)
            .Where(c => c.Amps >= amps && new Wire(c.Gauge, millimetres).Drop(amps) <= MostDrop * volts)
            .Select(c => c.Gauge)
            .FirstOrDefault(Carries[^1].Gauge);
}
