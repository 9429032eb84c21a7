namespace Gorvix.Core.Hardware.Supply;

/// <summary>How a regulator makes its volts.</summary>
public enum Conversion
{
    /// <summary>What goes in comes out: the volts that are too much become heat.</summary>
    Linear,

    /// <summary>The power that goes in comes out, less its losses; at the end of its range it passes what it gets.</summary>
    Switching,

    /// <summary>The power that goes in comes out at more volts.</summary>
    Boosting,
}

/// <summary>
/// A regulator: it holds its output at its volts, or at what it gets less its dropout, and never takes current back. The output has
/// 10 mΩ (our own choice: 10 mV an ampere), so that two outputs at the same volts share.
/// </summary>
/// <param name="Input">Where it is fed.</param>
/// <param name="Output">What it feeds.</param>
/// <param name="Volts">What it holds, in volts.</param>
public sealed record Regulating(int Input, int Output, double Volts)
{
    /// <summary>The resistance of its output, in ohms.</summary>
    public const double Ohms = 0.01;

    /// <summary>How it makes them.</summary>
    public Conversion Conversion { get; init; }

    /// <summary>How much more than its output it needs, in volts; a booster needs none.</summary>
    public double Dropout { get; init; }

    /// <summary>The part of the power that arrives, above 0 and up to 1; for one that switches.</summary>
    public double Efficiency { get; init; } = 1;

    /// <summary>What it takes for itself, in amperes.</summary>
    public double Quiescent { get; init; }

    // Below the first a booster stands still, from the second on it works; between them it comes up, so that nothing jumps.
    private const double Stirs = 0.4;
    private const double Works = 1;

    // Below this its own circuit takes less and less.
    private const double Wakes = 0.5;

    /// <summary>What it aims at with so many volts at its input, and how that changes with them.</summary>
    internal (double Volts, double Slope) Aim(double input) =>
        Conversion == Conversion.Boosting
            ? input >= Works
                ? (Volts, 0)
                : input > Stirs
                    ? (Volts * (input - Stirs) / (Works - Stirs), Volts / (Works - Stirs))
                    : (0, 0)
            : input - Dropout >= Volts
                ? (Volts, 0)
                : input > Dropout
                    ? (input - Dropout, 1)
                    : (0, 0);

    /// <summary>What flows out and in, in amperes, each with how it changes with the volts at the input and at the output.</summary>
    internal (double Out, double OutByIn, double OutByOut, double In, double InByIn, double InByOut) At(
        double input,
        double output
    )
    {
        var (aim, slope) = Aim(input);
        var amps = (aim - output) / Ohms;
        var (byIn, byOut) = (slope / Ohms, -1 / Ohms);
        var (drawn, drawnBy) = input >= Wakes ? (Quiescent, 0) : (Quiescent * input / Wakes, Quiescent / Wakes);
        if (amps < 0)
        {
            // It lets nothing back, and nothing through to its source; the little that is left ties its output to something.
            return (amps * 1e-9, byIn * 1e-9, byOut * 1e-9, drawn, drawnBy, 0);
        }
        if (Conversion == Conversion.Linear)
        {
            return (amps, byIn, byOut, amps + drawn, byIn + drawnBy, byOut);
        }
        // The power that goes out comes in, whether it holds its volts or follows its source.
        var floor = Math.Max(input, 0.1);
        var ratio = output / (Efficiency * floor);
        var byRatio = input > 0.1 ? -amps * ratio / floor : 0;
        return (
            amps,
            byIn,
            byOut,
            (amps * ratio) + drawn,
            (byIn * ratio) + byRatio + drawnBy,
            (byOut * ratio) + (amps / (Efficiency * floor))
        );
    }
}
