using Gorvix.Core.Builds;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Words;

/// <summary>Names, numbers and lists as the builder reads them; every sentence of the product is made on this floor, in the rules or by its users in Fit.</summary>
public static class PlainWords
{
    /// <summary>A need as the builder says it.</summary>
    public static string Of(Need need) =>
        need switch
        {
            Need.Control => "Control",
            Need.Picture => "Picture",
            Need.PictureText => "Picture text",
            Need.Position => "Position",
            Need.Heading => "Heading",
            Need.Telemetry => "Telemetry",
            Need.EscReadings => "ESC readings",
            Need.VideoControl => "Video control",
            Need.Height => "Height",
            Need.CameraControl => "Camera control",
            Need.FlightLog => "Flight log",
            _ => "Phone settings",
        };

    /// <summary>A link in a sentence.</summary>
    public static string Of(Link link) => $"{Of(link.Function.Need)} ({link.Device.Name})";

    /// <summary>"1 point of hand work", "3 points of hand work".</summary>
    public static string Points(int points) => points == 1 ? "1 point of hand work" : $"{points} points of hand work";

    /// <summary>Words joined with commas and an "and".</summary>
    public static string Join(IReadOnlyList<string> words) =>
        words.Count < 2 ? string.Concat(words) : $"{string.Join(", ", words.Take(words.Count - 1))} and {words[^1]}";

    /// <summary>A sentence as a part of another: small first letter, no full stop.</summary>
    public static string Clause(string sentence) => Lower(sentence.TrimEnd('.'));

    /// <summary>The first sentence of several.</summary>
    public static string First(string sentences) =>
        sentences.IndexOf(". ", StringComparison.Ordinal) is >= 0 and var end ? sentences[..(end + 1)] : sentences;

    /// <summary>A range of volts; one number when both ends are the same.</summary>
    public static string Of(VoltWindow volts) =>
        volts.Min == volts.Max ? $"{volts.Max:0.0#} V" : $"{volts.Min:0.0#} to {volts.Max:0.0#} V";

    /// <summary>The first letter in lower case, unless the word is an abbreviation.</summary>
    public static string Lower(string words) =>
        words.Length > 1 && char.IsUpper(words[1]) ? words : char.ToLowerInvariant(words[0]) + words[1..];

    /// <summary>The first letter in upper case.</summary>
    public static string Upper(string words) => char.ToUpperInvariant(words[0]) + words[1..];
}
