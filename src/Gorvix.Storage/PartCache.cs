using System.Collections.Concurrent;

namespace Gorvix.Storage;

/// <summary>
/// Parts as they were last read. Reading a document takes longer than planning with it; one that did change is read anew.
/// </summary>
public sealed class PartCache
{
    private readonly ConcurrentDictionary<(PartKind, string), (string Document, object Part)> _parts = new();

    /// <summary>The part of a row.</summary>
    /// <exception cref="UnreadableException">It is stored in a version that is not known.</exception>
    internal T Read<T>(PartRow row)
        where T : class
    {
        var key = (row.Kind, row.Id);
        if (_parts.TryGetValue(key, out var known) && known.Document == row.Document)
        {
            return (T)known.Part;
        }
        var part = Documents.Read<T>(row.Document, row.Format, $"Part \"{row.Id}\"");
        _parts[key] = (row.Document, part);
        return part;
    }
}
