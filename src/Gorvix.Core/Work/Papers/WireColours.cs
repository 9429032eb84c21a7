namespace Gorvix.Core.Work.Papers;

/// <summary>Colours of insulation as they are drawn on paper.</summary>
internal static class WireColours
{
    private static readonly Dictionary<string, string> Known = new()
    {
        ["black"] = "#1c1c1c",
        ["red"] = "#c62828",
        ["white"] = "#ffffff",
        ["yellow"] = "#e8c400",
        ["green"] = "#2e7d32",
        ["blue"] = "#1f5fbf",
        ["grey"] = "#8a8a8a",
        ["gray"] = "#8a8a8a",
        ["silver"] = "#b4b4b4",
        ["brown"] = "#7a4a21",
        ["orange"] = "#e07000",
        ["purple"] = "#7b3fa0",
        ["violet"] = "#7b3fa0",
        ["pink"] = "#e58fb4",
        ["turquoise"] = "#1e9e9e",
        ["cyan"] = "#1e9e9e",
    };

    private static readonly string[] Light = ["white", "yellow", "silver", "pink"];

    /// <summary>The colour of a word; null for one that is not known.</summary>
    public static string? Of(string word) => Known.GetValueOrDefault(word);

    /// <summary>True for a colour that needs an edge on white paper.</summary>
    public static bool IsLight(string word) => Light.Contains(word);
}
