namespace Gorvix.Core.Hardware.Parts;

/// <summary>
/// Words of older files, lists and board texts beside those of today (format version 3 brought most of them): what is read accepts both, what is
/// written has today's. A word never comes back with another meaning in the same place.
/// </summary>
public static class OldWords
{
    /// <summary>What a link or a built-in part does.</summary>
    public static readonly IReadOnlyDictionary<string, string> Needs = new Dictionary<string, string>(
        StringComparer.OrdinalIgnoreCase
    )
    {
        ["control"] = "rcLink",
        ["picture"] = "video",
        ["pictureText"] = "osd",
        ["position"] = "gps",
        ["heading"] = "compass",
        ["escReadings"] = "escTelemetry",
        ["batteryReadings"] = "batterySensing",
        ["videoControl"] = "vtxControl",
        ["height"] = "rangefinder",
        ["hostData"] = "wirelessConfiguration",
    };

    /// <summary>Types of devices.</summary>
    public static readonly IReadOnlyDictionary<string, string> Kinds = new Dictionary<string, string>(
        StringComparer.OrdinalIgnoreCase
    )
    {
        ["speedController"] = "esc",
        ["recorder"] = "flightLogger",
        ["overlay"] = "osd",
        ["rangeFinder"] = "rangefinder",
    };

    /// <summary>Roles of leads and kinds of ports.</summary>
    public static readonly IReadOnlyDictionary<string, string> Lines = new Dictionary<string, string>(
        StringComparer.OrdinalIgnoreCase
    )
    {
        ["picture"] = "video",
    };

    /// <summary>How sure a label is.</summary>
    public static readonly IReadOnlyDictionary<string, string> Meanings = new Dictionary<string, string>(
        StringComparer.OrdinalIgnoreCase
    )
    {
        ["doubtful"] = "uncertain",
    };

    /// <summary>Today's word for a value of an enumeration; the word itself where it is no old one.</summary>
    /// <typeparam name="T">The enumeration.</typeparam>
    /// <param name="word">A word of a list or a text, in any case and with or without dashes.</param>
    public static string Now<T>(string word)
        where T : struct, Enum
    {
        var words =
            typeof(T) == typeof(Need) ? Needs
            : typeof(T) == typeof(DeviceKind) ? Kinds
            : typeof(T) == typeof(LeadRole) || typeof(T) == typeof(PortKind) ? Lines
            : typeof(T) == typeof(PadMeaning) ? Meanings
            : null;
        return words?.GetValueOrDefault(word, word) ?? word;
    }
}
