using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Gorvix.Core.Files.Formats;

/// <summary>The tables of docs/format.md, made from the schema: each member with what it holds and what it means.</summary>
public static partial class FormatPage
{
    /// <summary>The page with its tables made anew; what stands outside their marks is left as it is.</summary>
    /// <param name="page">The page, in which <c>&lt;!-- members of boards --&gt;</c> opens a place for tables and <c>&lt;!-- end --&gt;</c> closes it.</param>
    /// <param name="docs">What the members mean.</param>
    public static string Renew(string page, MemberDocs docs)
    {
        var lists = FileSchema.Make(docs)["properties"]!.AsObject();
        return Place()
            .Replace(
                page,
                m =>
                {
                    var list = m.Groups[1].Value;
                    return Sentences.MembersOfEnd(list, Tables(lists[list]!["items"]!.AsObject(), list));
                }
            );
    }

    // A table for the list itself, then one for each thing that stands in it, in the order in which they are met.
    private static string Tables(JsonObject root, string list)
    {
        var text = new StringBuilder();
        var waiting = new Queue<(string Name, JsonObject Schema)>([(list, root)]);
        while (waiting.TryDequeue(out var next))
        {
            if (next.Name != list)
            {
                text.Append(CultureInfo.InvariantCulture, $"\n`{next.Name}`\n\n");
            }
            text.Append("| member | type | meaning |\n|---|---|---|\n");
            var needed = next.Schema["required"]?.AsArray().Select(n => n!.GetValue<string>()).ToHashSet() ?? [];
            foreach (var (name, member) in next.Schema["properties"]!.AsObject())
            {
                var schema = member!.AsObject();
                text.Append(
                    CultureInfo.InvariantCulture,
                    $"| `{name}{(needed.Contains(name) || schema.ContainsKey("const") ? "" : "?")}` | {Holds(schema)} | {schema["description"]?.GetValue<string>()} |\n"
                );
                // What a pin and a ban are is told once.
                foreach (var (kind, inner) in name == "blocks" ? [] : Inner(schema))
                {
                    waiting.Enqueue(($"{(next.Name == list ? "" : next.Name + ".")}{name}{kind}", inner));
                }
            }
        }
        return text.ToString();
    }

    private static IEnumerable<(string Kind, JsonObject Schema)> Inner(JsonObject schema)
    {
        var item = schema["items"]?.AsObject();
        var mark = item is null ? "" : "[]";
        var own = item ?? schema;
        if (own["properties"] is not null)
        {
            yield return (mark, own);
        }
        foreach (var choice in own["anyOf"]?.AsArray() ?? [])
        {
            yield return ($"{mark} {choice!["properties"]!["kind"]!["const"]}", choice.AsObject());
        }
    }

    private static string Holds(JsonObject schema) =>
        schema["const"] is { } word ? $"`{word}`"
        : schema["enum"] is JsonArray words ? string.Join(", ", words.Select(w => $"`{w}`"))
        : schema["items"] is JsonObject item
            ? Sentences.ListOf(Many(item), schema["maxItems"] is { } most ? $", at most {most}" : "")
        : schema["anyOf"] is not null || schema["properties"] is not null || schema["$ref"] is not null
            ? Sentences.SeeBelow
        : Plain(schema);

    private static string Many(JsonObject item) =>
        item["enum"] is not null
            ? Holds(item)
            : item["type"]?.GetValue<string>() switch
            {
                "string" => "texts",
                "integer" => Sentences.WholeNumbers,
                "number" => "numbers",
                _ => "objects",
            };

    private static string Plain(JsonObject schema)
    {
        var (low, high) = (schema["minimum"], schema["maximum"]);
        var range = low is not null && high is not null ? $", {low} to {high}" : "";
        return schema["type"]?.GetValue<string>() switch
        {
            "integer" => Sentences.WholeNumber(range),
            "number" => $"number{range}",
            "boolean" => Sentences.TrueOrFalse,
            _ => schema["maxLength"] is { } most ? Sentences.TextOfUpToCharacters(most) : "text",
        };
    }

    [GeneratedRegex(@"<!-- members of ([a-z]+) -->.*?<!-- end -->", RegexOptions.Singleline)]
    private static partial Regex Place();
}
