using System.Text.Json;
using System.Text.Json.Nodes;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Storage;

/// <summary>A stored document cannot be read: its format version is not known, or it is damaged. It is left as it is.</summary>
public sealed class UnreadableException : Exception
{
    /// <summary>A format version that this program does not know.</summary>
    /// <param name="what">What it is, such as "The build \"x\"".</param>
    /// <param name="format">Its version.</param>
    public UnreadableException(string what, int format)
        : base(
            $"{what} is stored in format {format}; this Gorvix reads formats 1 to {FormatMigrations.Newest}. "
                + "Nothing was changed. Update this Gorvix, or use the one that wrote it."
        ) { }

    /// <summary>A damaged document.</summary>
    /// <param name="what">What it is, such as "The build \"x\"".</param>
    /// <param name="problem">What was met; null where a part of it is missing.</param>
    public UnreadableException(string what, Exception? problem)
        : base(
            $"{what}: the stored data is damaged. Nothing was changed. Export it as stored, restore a backup, or delete it.",
            problem
        ) { }
}

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
