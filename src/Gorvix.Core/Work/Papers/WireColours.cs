namespace Gorvix.Core.Work.Papers;

/// <summary>Colours of insulation as they are drawn.</summary>
public static class WireColours
{
    /// <summary>Each by its word, as #rrggbb.</summary>
    public static readonly IReadOnlyDictionary<string, string> All = new Dictionary<string, string>
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

    /// <summary>The colour of a word; null for one that is not known.</summary>
    public static string? Of(string word) => All.GetValueOrDefault(word);

    /// <summary>True for a colour that needs an edge on white paper.</summary>
    public static bool IsLight(string word)
    {
        if (Of(word) is not { } hex)
        {
            return false;
        }
        double Part(int at) => Convert.ToInt32(hex.Substring(at, 2), 16) / 255.0;
        // How bright the eye finds it.
        return (0.3 * Part(1)) + (0.59 * Part(3)) + (0.11 * Part(5)) > 0.6;
    }
}
