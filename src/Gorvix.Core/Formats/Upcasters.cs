using System.Text.Json.Nodes;

namespace Gorvix.Core.Formats;

/// <summary>What a document is.</summary>
public enum DocumentKind
{
    /// <summary>A build.</summary>
    Build,

    /// <summary>A board.</summary>
    Board,

    /// <summary>A device.</summary>
    Device,

    /// <summary>A firmware profile.</summary>
    Profile,
}

/// <summary>
/// Brings documents of older format versions up, one version a step. A document says nothing of its version itself: the file or
/// the row that holds it does.
/// </summary>
public static class Upcasters
{
    /// <summary>The newest version, which is the one that is written.</summary>
    public const int Newest = 2;

    private static readonly Action<DocumentKind, JsonObject>[] Steps = [From1];

    /// <summary>Brings a document to the newest version, in place.</summary>
    /// <param name="kind">What it is.</param>
    /// <param name="document">The document. What does not look as its version says is left as it is; reading it will tell.</param>
    /// <param name="version">Its version, 1 to <see cref="Newest"/>.</param>
    /// <exception cref="ArgumentOutOfRangeException">There is no such version.</exception>
    public static void Bring(DocumentKind kind, JsonObject document, int version)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(version, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(version, Newest);
        foreach (var step in Steps.Skip(version - 1))
        {
            step(kind, document);
        }
    }

    /// <summary>Brings every document of a file to the newest version, in place.</summary>
    /// <param name="file">The file.</param>
    /// <param name="version">Its version.</param>
    public static void BringFile(JsonObject file, int version)
    {
        foreach (
            var (list, kind) in new[]
            {
                ("builds", DocumentKind.Build),
                ("boards", DocumentKind.Board),
                ("devices", DocumentKind.Device),
                ("profiles", DocumentKind.Profile),
            }
        )
        {
            foreach (var document in Objects(file, list))
            {
                Bring(kind, document, version);
            }
        }
        file["version"] = Newest;
    }

    // Version 2: pins and bans say what they are about (there were routes only), and the two one-wire video controls are
    // called by what they are instead of by their trade names.
    private static void From1(DocumentKind kind, JsonObject document)
    {
        if (kind == DocumentKind.Build)
        {
            foreach (var match in Objects(document, "pins").Concat(Objects(document, "bans")))
            {
                match.TryAdd("kind", "route");
            }
        }
        else if (kind == DocumentKind.Device)
        {
            foreach (var function in Objects(document, "functions").Where(f => Text(f["need"]) == "videoControl"))
            {
                foreach (var mode in Objects(function, "modes"))
                {
                    mode["protocol"] = Text(mode["protocol"]) switch
                    {
                        ['S', 'm', ..] => "VC-4800",
                        ['T', 'r', ..] => "VC-9600",
                        var other => other,
                    };
                }
            }
        }
    }

    private static IEnumerable<JsonObject> Objects(JsonObject owner, string list) =>
        owner[list] is JsonArray array ? array.OfType<JsonObject>() : [];

    private static string? Text(JsonNode? node) =>
        node is JsonValue value && value.TryGetValue<string>(out var text) ? text : null;
}
