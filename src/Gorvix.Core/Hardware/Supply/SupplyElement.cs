namespace Gorvix.Core.Hardware.Supply;

/// <summary>
/// Something between two nodes of a supply, by the current that flows through it at given volts. Everything is told as a current,
/// so that the solver knows one kind of equation: what flows into a node flows out of it.
/// </summary>
/// <param name="From">The node from which the current comes.</param>
/// <param name="To">The node into which it flows; 0 is ground.</param>
public abstract record SupplyElement(int From, int To)
{
    /// <summary>The current from <see cref="From"/> to <see cref="To"/>, in amperes, and how it changes with the volts between them.</summary>
    /// <param name="volts">Volts of <see cref="From"/> less those of <see cref="To"/>.</param>
    internal abstract (double Amps, double Slope) At(double volts);
}

/// <summary>A pack, USB or a bench supply: volts behind a resistance.</summary>
/// <param name="Plus">The node that it feeds.</param>
/// <param name="Volts">What it gives without a load, in volts.</param>
/// <param name="Ohms">Its internal resistance; 0 is taken as 0.1 mΩ.</param>
public sealed record VoltSource(int Plus, double Volts, double Ohms = 0) : SupplyElement(0, Plus)
{
    private const double Least = 1e-4;

    internal override (double Amps, double Slope) At(double volts)
    {
        var siemens = 1 / Math.Max(Ohms, Least);
        return ((Volts + volts) * siemens, siemens);
    }
}

/// <summary>A wire, a resistor, a closed contact.</summary>
/// <param name="From">One end.</param>
/// <param name="To">The other end.</param>
/// <param name="Ohms">Its resistance, above 0.</param>
public sealed record Ohmic(int From, int To, double Ohms) : SupplyElement(From, To)
{
    internal override (double Amps, double Slope) At(double volts) => (volts / Ohms, 1 / Ohms);
}

/// <summary>
/// A diode after Shockley (source: W. Shockley, "The theory of p-n junctions", 1949): I = Is (exp(V / Vt) - 1), at 27 °C, with Is
/// such that it drops its forward volts at 0.1 A.
/// </summary>
/// <param name="From">Its anode.</param>
/// <param name="To">Its cathode.</param>
/// <param name="Forward">What it drops at 0.1 A, in volts.</param>
public sealed record Junction(int From, int To, double Forward) : SupplyElement(From, To)
{
    /// <summary>k T / q at 27 °C, in volts (CODATA 2018: k = 1.380649e-23 J/K, q = 1.602176634e-19 C).</summary>
    public const double Thermal = 1.380649e-23 * 300.15 / 1.602176634e-19;

    /// <summary>The current at which a leaflet's forward volts are taken to hold, in amperes (our own choice).</summary>
    public const double Reference = 0.1;

    /// <summary>Its saturation current, in amperes.</summary>
    public double Saturation { get; } = Reference / (Math.Exp(Forward / Thermal) - 1);

    /// <summary>What it drops at 0.1 A, in volts.</summary>
    public double Forward { get; } = Forward;

    // Beyond 20 A the curve goes on straight, so that a step that is too long does not overflow.
    private readonly double _knee = Thermal * Math.Log((20 / Reference * (Math.Exp(Forward / Thermal) - 1)) + 1);

    internal override (double Amps, double Slope) At(double volts)
    {
        var grown = Saturation * Math.Exp(Math.Min(volts, _knee) / Thermal);
        var (amps, slope) = (grown - Saturation, grown / Thermal);
        return volts <= _knee ? (amps, slope) : (amps + (slope * (volts - _knee)), slope);
    }
}

/// <summary>A device that draws the same current whatever it gets; below half a volt it draws in proportion.</summary>
/// <param name="From">Where it is fed.</param>
/// <param name="To">Its ground.</param>
/// <param name="Amps">What it draws, in amperes.</param>
public sealed record CurrentLoad(int From, int To, double Amps) : SupplyElement(From, To)
{
    /// <summary>Below this, in volts, nothing works that draws a current of its own.</summary>
    public const double Wakes = 0.5;

    internal override (double Amps, double Slope) At(double volts) =>
        volts >= Wakes ? (Amps, 0) : (Amps * volts / Wakes, Amps / Wakes);
}

/// <summary>A device that draws the same power whatever it gets; below one volt it draws like a resistor.</summary>
/// <param name="From">Where it is fed.</param>
/// <param name="To">Its ground.</param>
/// <param name="Watts">What it draws, in watts.</param>
public sealed record PowerLoad(int From, int To, double Watts) : SupplyElement(From, To)
{
    /// <summary>Below this, in volts, its converter does not start.</summary>
    public const double Starts = 1;

    internal override (double Amps, double Slope) At(double volts) =>
        volts >= Starts
            ? (Watts / volts, -Watts / (volts * volts))
            : (Watts * volts / (Starts * Starts), Watts / (Starts * Starts));
}

/// <summary>
/// A filament lamp in the line, the builder's oldest limiter: its resistance grows as it glows. Above 3 % of its volts the current
/// goes with the 0.55th power of the volts (from memory: the usual law of tungsten lamps), below it is a resistor.
/// </summary>
/// <param name="From">The side of the source.</param>
/// <param name="To">The side of the build.</param>
/// <param name="Volts">What it is made for, in volts.</param>
/// <param name="Watts">What it takes there, in watts.</param>
public sealed record Lamp(int From, int To, double Volts, double Watts) : SupplyElement(From, To)
{
    /// <summary>The power law of its current.</summary>
    public const double Law = 0.55;

    /// <summary>The part of its volts below which it is cold.</summary>
    public const double Cold = 0.03;

    internal override (double Amps, double Slope) At(double volts)
    {
        var (full, size) = (Watts / Volts, Math.Abs(volts) / Volts);
        if (size < Cold)
        {
            var siemens = full * Math.Pow(Cold, Law - 1) / Volts;
            return (volts * siemens, siemens);
        }
        var amps = full * Math.Pow(size, Law);
        return (Math.Sign(volts) * amps, Law * amps / Math.Abs(volts));
    }
}

/// <summary>A limiter that holds a current: 10 mΩ until it has it, and then almost no more.</summary>
/// <param name="From">The side of the source.</param>
/// <param name="To">The side of the build.</param>
/// <param name="Most">The current at which it holds, in amperes.</param>
public sealed record Limiter(int From, int To, double Most) : SupplyElement(From, To)
{
    private const double Ohms = 0.01;
    private const double Leak = 1e-4;

    internal override (double Amps, double Slope) At(double volts)
    {
        var knee = Most * Ohms;
        return volts > knee ? (Most + ((volts - knee) * Leak), Leak)
            : volts < -knee ? (-Most + ((volts + knee) * Leak), Leak)
            : (volts / Ohms, 1 / Ohms);
    }
}
