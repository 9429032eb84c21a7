namespace Gorvix.Core.Hardware.Findings;

/// <summary>What the floor Findings says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string CommonPractice => "common practice";
    public static string FromMemory => "from memory";
    public static string GorvixsOwnRule => "Gorvix's own rule";

    public static string CommonPractice2(string text) => $"common practice; {text}";

    public static string FromMemory2(string text) => $"from memory; {text}";
}
