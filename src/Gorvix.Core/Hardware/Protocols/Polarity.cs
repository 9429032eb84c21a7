namespace Gorvix.Core.Hardware.Protocols;

/// <summary>
/// How a serial line rests. The two values form a group of two under <see cref="PolarityAlgebra.Then"/>:
/// <see cref="Normal"/> changes nothing, two inversions cancel.
/// </summary>
public enum Polarity
{
    /// <summary>Idles high; a start bit pulls it low.</summary>
    Normal = 0,

    /// <summary>Idles low; a start bit pulls it high.</summary>
    Inverted = 1,
}

/// <summary>The parity rule of a signal path.</summary>
public static class PolarityAlgebra
{
    /// <summary>The polarity of a signal after one more stage.</summary>
    /// <param name="signal">What comes in.</param>
    /// <param name="stage"><see cref="Polarity.Inverted"/> for an inverter, <see cref="Polarity.Normal"/> for a wire.</param>
    public static Polarity Then(this Polarity signal, Polarity stage) => signal ^ stage;
}
