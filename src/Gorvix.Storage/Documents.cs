using System.Text.Json;
using Gorvix.Core.Formats;

namespace Gorvix.Storage;

/// <summary>Documents as they stand in the database: the product's own format on one line.</summary>
internal static class Documents
{
    public static string Write<T>(T content) => JsonSerializer.Serialize(content, GorvixJson.Compact);

    public static T Read<T>(string document) => JsonSerializer.Deserialize<T>(document, GorvixJson.Compact)!;
}
