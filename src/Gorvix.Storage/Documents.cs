using System.Text.Json;
using System.Text.Json.Nodes;
using Gorvix.Core.Builds;
using Gorvix.Core.Formats;
using Gorvix.Core.Parts;

namespace Gorvix.Storage;

/// <summary>A stored document has a format version that this program does not know. It is left as it is.</summary>
/// <param name="what">What it is, such as "The build \"x\"".</param>
/// <param name="format">Its version.</param>
public sealed class UnknownFormatException(string what, int format)
    : Exception(
        $"{what} is stored in format version {format}; this Gorvix knows versions 1 to {Upcasters.Newest}. "
            + "Nothing was changed: open it with the Gorvix that wrote it, or update this one."
    );

/// <summary>Documents as they stand in the database: the product's own format on one line, with its version beside it.</summary>
internal static class Documents
{
    public static string Write<T>(T content) => JsonSerializer.Serialize(content, GorvixJson.Compact);

    /// <summary>Reads a document of any known version.</summary>
    /// <exception cref="UnknownFormatException">The version is not known.</exception>
    public static T Read<T>(string document, int format, string what)
    {
        if (format is < 1 or > Upcasters.Newest)
        {
            throw new UnknownFormatException(what, format);
        }
        if (format == Upcasters.Newest)
        {
            return JsonSerializer.Deserialize<T>(document, GorvixJson.Compact)!;
        }
        var tree = JsonNode.Parse(document)!.AsObject();
        Upcasters.Bring(KindOf<T>(), tree, format);
        return tree.Deserialize<T>(GorvixJson.Compact)!;
    }

    private static DocumentKind KindOf<T>() =>
        typeof(T) == typeof(Build) ? DocumentKind.Build
        : typeof(T) == typeof(Board) ? DocumentKind.Board
        : typeof(T) == typeof(Device) ? DocumentKind.Device
        : DocumentKind.Profile;
}
