using System.Reflection;
using System.Text.Json;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Files.Formats;

/// <summary>What the JSON library minds of a file, said so that a builder can mend it: where, what is wrong there, what would be right.</summary>
internal static class JsonFault
{
    // More words than these are looked up.
    private const int MostWords = 16;
    private const string Optional = "System.Nullable`1[";

    // Where the types of the documents stand.
    private static readonly Assembly[] Documents =
    [
        typeof(Pad).Assembly,
        typeof(Build).Assembly,
        typeof(GorvixFile).Assembly,
    ];

    /// <summary>The place and the problem.</summary>
    /// <param name="problem">The library's exception.</param>
    /// <param name="inTree">True where a tree was read: it has no lines, but its paths are those of the file.</param>
    public static (string Place, string Problem) Of(JsonException problem, bool inTree)
    {
        var place = problem.LineNumber is { } line ? $"line {line + 1}" : Sentences.TheStart;
        if (problem.Path is { Length: > 2 } path)
        {
            place = inTree ? path[2..] : $"{place} ({path[2..]})";
        }

        // The library's message repeats path and line in its own way; its first sentence is what helps.
        var text = problem.Message.Split(" Path: ")[0].Split(" LineNumber: ")[0];
        return (place, Plain(text));
    }

    /// <summary>The path that a message names.</summary>
    public static string PlaceIn(string message)
    {
        var parts = message.Split("Path: $.", 2);
        return parts.Length == 2 ? parts[1].Split(' ')[0] : "a path";
    }

    private static string Plain(string message) =>
        message switch
        {
            _ when message.Contains("missing required properties") => Sentences.RequiredMembersMissing(
                After(message, "including: ")
            ),
            _ when message.Contains("could not be mapped") => Sentences.IsNotKnownHereCheck(Quoted(message)),
            _ when message.Contains("could not be converted") => Needed(
                After(message, Sentences.ConvertedTo).TrimEnd('.')
            ),
            _ when message.Contains("type discriminator") => Sentences.IsNotAKnownKind(Quoted(message)),
            _ when message.Contains("duplicate", StringComparison.OrdinalIgnoreCase) => Sentences.AppearsTwice(
                Quoted(message)
            ),
            _ when message.Contains("Gorvix.") || message.Contains("System.") => Sentences.TheContentDoesNotMatch,
            _ => Sentences.ItIsNotValidJson(message.TrimEnd('.')),
        };

    // The message names the type that was wanted.
    private static string Needed(string type)
    {
        if (type.StartsWith("System.Collections", StringComparison.Ordinal))
        {
            return Sentences.AListIsNeeded;
        }
        var name = type.StartsWith(Optional, StringComparison.Ordinal) ? type[Optional.Length..^1] : type;
        var found = Documents.Select(a => a.GetType(name)).FirstOrDefault(t => t is not null) ?? Type.GetType(name);
        return found switch
        {
            { IsEnum: true } when Words(found) is { Count: <= MostWords } words => Sentences.AKnownWordIsNeeded(
                Phrase.Or(words)
            ),
            { IsEnum: true } => Sentences.AKnownWordIsNeededSee,
            _ when found == typeof(string) => Sentences.TextInQuotesIsNeeded,
            _ when found == typeof(bool) => Sentences.TrueOrFalseIsNeeded,
            _ when found == typeof(int) || found == typeof(long) => Sentences.AWholeNumberIsNeeded,
            _ when found == typeof(double) => Sentences.ANumberIsNeeded,
            { IsValueType: false } => Sentences.AnObjectIsNeeded,
            _ => Sentences.TheValueHasTheWrong,
        };
    }

    private static List<string> Words(Type type) =>
        [.. Enum.GetNames(type).Select(n => $"\"{JsonNamingPolicy.CamelCase.ConvertName(n)}\"")];

    private static string After(string text, string mark)
    {
        var at = text.IndexOf(mark, StringComparison.Ordinal);
        return at < 0 ? text : text[(at + mark.Length)..];
    }

    private static string Quoted(string text)
    {
        var parts = text.Split('\'');
        return parts.Length > 1 ? $"\"{parts[1]}\"" : "a member";
    }
}
