using System.Text.Json;
using System.Text.Json.Nodes;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Storage;

/// <summary>Documents as they stand in the database: the product's own format on one line, with its version beside it.</summary>
internal static class Documents
{
    public static string Write<T>(T content) => JsonSerializer.Serialize(content, GorvixJson.Compact);

    /// <summary>Reads a document of any known version.</summary>
    /// <exception cref="UnreadableException">The version is not known, or the document is damaged.</exception>
    public static T Read<T>(string document, int format, string what)
    {
        if (format is < 1 or > FormatMigrations.Newest)
        {
            throw new UnreadableException(what, format);
        }
        try
        {
            return (
                    format == FormatMigrations.Newest
                        ? JsonSerializer.Deserialize<T>(document, GorvixJson.Compact)
                        : Brought<T>(document, format)
                ) ?? throw new UnreadableException(what, null);
        }
        catch (Exception problem)
            when (problem is JsonException or InvalidOperationException or FormatException or NotSupportedException)
        {
            throw new UnreadableException(what, problem);
        }
    }

    private static T? Brought<T>(string document, int format)
    {
        var tree = JsonNode.Parse(document)!.AsObject();
        FormatMigrations.Bring(KindOf<T>(), tree, format);
        return tree.Deserialize<T>(GorvixJson.Compact);
    }

    private static DocumentKind KindOf<T>() =>
        typeof(T) == typeof(Build) ? DocumentKind.Build
        : typeof(T) == typeof(Board) ? DocumentKind.Board
        : typeof(T) == typeof(Device) ? DocumentKind.Device
        : DocumentKind.Profile;
}
