namespace Gorvix.Core.Hardware.Supply;

/// <summary>
/// A copper wire by its gauge. Diameters after ASTM B258: 0.127 mm for AWG 36, 11.684 mm for 4/0, 39 equal ratios between. Resistance
/// from IEC 60028: annealed copper has 1.7241e-8 Ωm at 20 °C.
/// </summary>
/// <param name="Gauge">AWG, 10 to 40.</param>
/// <param name="Millimetres">Its length, one way.</param>
public sealed record Wire(int Gauge, double Millimetres)
{
    /// <summary>Ohms times metres of annealed copper at 20 °C.</summary>
    public const double Resistivity = 1.7241e-8;

    /// <summary>The thickest gauge of a wire on a board's pads.</summary>
    public const int Thickest = 10;

    /// <summary>The thinnest gauge.</summary>
    public const int Thinnest = 40;

    /// <summary>Diameter of the copper, in millimetres.</summary>
    public static double Diameter(int gauge) => 0.127 * Math.Pow(92, (36 - gauge) / 39.0);

    /// <summary>Area of the copper, in square millimetres.</summary>
    public static double Area(int gauge) => Math.PI / 4 * Math.Pow(Diameter(gauge), 2);

    /// <summary>Its resistance one way, in ohms.</summary>
    public double Ohms => Resistivity * (Millimetres / 1000) / (Area(Gauge) * 1e-6);

    /// <summary>What is lost on the way there and back, in volts.</summary>
    /// <param name="amps">The current.</param>
    public double Drop(double amps) => amps * Ohms * 2;
}
