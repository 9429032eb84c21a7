namespace Gorvix.Core.Hardware.Findings;

/// <summary>What the floor Findings says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string CommonPractice => "common practice";
    public static string FromMemory => "from memory";
    public static string GorvixsOwnRule => "Gorvix's own rule";

    public static string CommonPracticeWith(string text) => $"common practice; {text}";

    public static string FromMemoryWith(string text) => $"from memory; {text}";
}
