namespace Gorvix.Core.Wired.Words;

/// <summary>Measured values as they are read off a meter.</summary>
public static class Numbers
{
    /// <summary>Ohms.</summary>
    public static string Ohms(double ohms) =>
        ohms >= 1_000_000 ? $"{ohms / 1_000_000:0.##} MΩ"
        : ohms >= 1000 ? $"{ohms / 1000:0.##} kΩ"
        : $"{ohms:0.##} Ω";

    /// <summary>Volts.</summary>
    public static string Volts(double volts) => $"{volts:0.00} V";

    /// <summary>A range of volts; one value where both read the same.</summary>
    public static string Volts(double low, double high) =>
        $"{low:0.00}" == $"{high:0.00}" ? Volts(low) : $"{low:0.00}–{high:0.00} V";
}
