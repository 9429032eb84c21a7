namespace Gorvix.Core.Hardware.Findings;

/// <summary>Pieces of sentences put together.</summary>
public static class Phrase
{
    /// <summary>Words joined with commas and an "and".</summary>
    public static string Join(IReadOnlyList<string> words) => Join(words, "and");

    /// <summary>Words joined with commas and an "or".</summary>
    public static string Or(IReadOnlyList<string> words) => Join(words, "or");

    /// <summary>A sentence as a part of another: small first letter, no full stop.</summary>
    public static string Clause(string sentence) => Lower(sentence.TrimEnd('.'));

    /// <summary>The first sentence of several.</summary>
    public static string First(string sentences) =>
        sentences.IndexOf(". ", StringComparison.Ordinal) is >= 0 and var end ? sentences[..(end + 1)] : sentences;

    /// <summary>The first letter in lower case, unless the word is an abbreviation.</summary>
    public static string Lower(string words) =>
        words.Length > 1 && char.IsUpper(words[1]) ? words : char.ToLowerInvariant(words[0]) + words[1..];

    /// <summary>The first letter in upper case.</summary>
    public static string Upper(string words) => char.ToUpperInvariant(words[0]) + words[1..];

    /// <summary>A number with its thing: "1 hazard", "2 hazards".</summary>
    public static string Count(int number, string one, string? several = null) =>
        number == 1 ? $"1 {one}" : $"{number} {several ?? $"{one}s"}";

    /// <summary>A part as a percentage: "42 %".</summary>
    public static string Percent(double part) => $"{Math.Round(100 * part)} %";

    /// <summary>A speed of a line, in bits per second: "9600 baud", "115 200 baud".</summary>
    public static string Baud(int baud) => $"{Spaced(baud)} baud";

    /// <summary>A large number in groups of three digits: "9600", "115 200".</summary>
    public static string Spaced(double number) => number < 10_000 ? $"{number:0}" : $"{number:N0}".Replace(',', ' ');

    private static string Join(IReadOnlyList<string> words, string last) =>
        words.Count < 2 ? string.Concat(words) : $"{string.Join(", ", words.Take(words.Count - 1))} {last} {words[^1]}";
}
