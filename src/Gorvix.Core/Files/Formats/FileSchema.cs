using System.Reflection;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Files.Formats;

/// <summary>
/// The file format as a JSON Schema (source: json-schema.org, draft 2020-12), made from the types that read it. It says which
/// members there are, what they hold and how many; what a schema cannot say (names that lead somewhere, paths that end) is
/// found by the checks.
/// </summary>
public static class FileSchema
{
    /// <summary>Where the schema of the newest version is known by; it names no place on the network.</summary>
    public const string Id = "urn:gorvix:format:2";

    // The bounds that the checks keep, by type and member.
    private static readonly Dictionary<(Type, string), (string Keyword, double Value)[]> Bounds = new()
    {
        [(typeof(Pack), "cells")] = [("minimum", 1), ("maximum", Pack.MostCells)],
        [(typeof(Build), "inputVolts")] = [("minimum", 1), ("maximum", 60)],
        [(typeof(Build), "note")] = [("maxLength", BuildCheck.MostNote)],
        [(typeof(Build), "links")] = [("maxItems", BuildCheck.MostLinks)],
        [(typeof(Build), "devices")] = [("maxItems", BuildCheck.MostDevices)],
        [(typeof(Build), "pins")] = [("maxItems", BuildCheck.MostWishes)],
        [(typeof(Build), "blocks")] = [("maxItems", BuildCheck.MostWishes)],
        [(typeof(Board), "ports")] = [("maxItems", PartCheck.MostPorts)],
        [(typeof(Board), "jumpers")] = [("maxItems", PartCheck.MostBridges)],
        [(typeof(Board), "pads")] = [("maxItems", PartCheck.MostPads)],
        [(typeof(Board), "plugs")] = [("maxItems", PartCheck.MostSockets)],
        [(typeof(Board), "rails")] = [("maxItems", SizeCheck.MostRails)],
        [(typeof(Board), "nets")] = [("maxItems", SizeCheck.MostNets)],
        [(typeof(PadPath), "through")] = [("maxItems", SizeCheck.MostElements)],
        [(typeof(BoardOutline), "width")] = [("minimum", 5), ("maximum", PartCheck.MostMillimetres)],
        [(typeof(BoardOutline), "depth")] = [("minimum", 5), ("maximum", PartCheck.MostMillimetres)],
        [(typeof(Bridge), "positions")] = [("minItems", 1), ("maxItems", PartCheck.MostPositions)],
        [(typeof(Pad), "paths")] = [("maxItems", PartCheck.MostPaths)],
        [(typeof(BoardPlug), "pins")] = [("maxItems", PartCheck.MostPins)],
        [(typeof(DevicePlug), "pins")] = [("maxItems", PartCheck.MostPins)],
        [(typeof(Port), "alternatives")] = [("maxItems", PartCheck.MostPinChoices)],
        [(typeof(Port), "addresses")] = [("maxItems", PartCheck.MostAddresses)],
        [(typeof(Device), "leads")] = [("maxItems", PartCheck.MostLeads)],
        [(typeof(Device), "harnesses")] = [("maxItems", PartCheck.MostHarnesses)],
        [(typeof(Device), "units")] = [("minimum", 1), ("maximum", PartCheck.MostPieces)],
        [(typeof(SupplyInput), "typical")] = [("minimum", 0), ("maximum", PartCheck.MostAmperes)],
        [(typeof(SupplyInput), "peak")] = [("minimum", 0), ("maximum", PartCheck.MostAmperes)],
        [(typeof(DeviceFunction), "modes")] = [("maxItems", PartCheck.MostModes)],
        [(typeof(Mode), "bauds")] = [("maxItems", PartCheck.MostBauds)],
        [(typeof(Mode), "straps")] = [("maxItems", PartCheck.MostAddresses)],
        [(typeof(FirmwareProfile), "shares")] = [("maxItems", PartCheck.MostShares)],
        [(typeof(Build), "wires")] = [("maxItems", BuildCheck.MostWires)],
        [(typeof(Build), "built")] = [("maxItems", BuildCheck.MostFacts)],
        [(typeof(Pack), "milliohms")] = [("minimum", 0), ("maximum", 2000)],
        [(typeof(PowerSide), "bulbVolts")] = [("minimum", 3), ("maximum", 60)],
        [(typeof(PowerSide), "bulbWatts")] = [("minimum", 1), ("maximum", 200)],
        [(typeof(PowerSide), "limiterAmps")] = [("minimum", 0.05), ("maximum", 30)],
        [(typeof(BenchSupply), "volts")] = [("minimum", 1), ("maximum", 60)],
        [(typeof(BenchSupply), "amps")] = [("minimum", 0.05), ("maximum", 30)],
        [(typeof(WireCut), "gauge")] = [("minimum", 10), ("maximum", 40)],
        [(typeof(WireCut), "millimetres")] = [("minimum", 1), ("maximum", 5000)],
        [(typeof(Rail), "efficiency")] = [("minimum", 0.3), ("maximum", 1)],
        [(typeof(Rail), "quiescent")] = [("minimum", 0), ("maximum", 1)],
        [(typeof(SupplyOutput), "efficiency")] = [("minimum", 0.3), ("maximum", 1)],
        [(typeof(SupplyOutput), "quiescent")] = [("minimum", 0), ("maximum", 1)],
        [(typeof(RadioSide), "bayBaud")] = [("minimum", 9_600), ("maximum", 6_000_000)],
        [(typeof(GorvixFile), "drills")] = [("maxItems", GorvixFile.MostDrills)],
        [(typeof(DrillOrder), "level")] = [("minimum", 1), ("maximum", DrillOrder.MostLevel)],
        [(typeof(DrillOrder), "seed")] = [("minimum", 0), ("maximum", DrillOrder.MostSeed)],
        [(typeof(DrillOrder), "cards")] = [("maxItems", DrillOrder.MostCards)],
        [(typeof(DrillOrder), "mark")] = [("maxLength", 64)],
        [(typeof(PictureSpot), "place")] = [("minimum", 0), ("maximum", BuildCheck.MostPlace)],
        [(typeof(RadioSide), "packetHertz")] = [("minimum", 4), ("maximum", 1000)],
    };

    /// <summary>The schema, indented, with a line feed at its end.</summary>
    /// <param name="docs">What the members mean.</param>
    public static string Text(MemberDocs docs) => Make(docs).ToJsonString(GorvixJson.File) + "\n";

    /// <summary>The schema.</summary>
    /// <param name="docs">What the members mean.</param>
    public static JsonObject Make(MemberDocs docs)
    {
        var options = new JsonSchemaExporterOptions
        {
            TreatNullObliviousAsNonNullable = true,
            TransformSchemaNode = (context, node) => Transform(context, node, docs),
        };
        var schema = GorvixJson.File.GetJsonSchemaAsNode(typeof(GorvixFile), options).AsObject();
        var properties = schema["properties"]!.AsObject();
        properties["format"] = new JsonObject { ["const"] = GorvixFile.FormatName };
        properties["version"] = new JsonObject { ["const"] = GorvixFile.NewestVersion };
        schema["required"] = new JsonArray("format", "version");
        JsonObject whole = new()
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["$id"] = Id,
            ["title"] = $"A Gorvix file, version {GorvixFile.NewestVersion}",
        };
        foreach (var (name, value) in schema.ToList())
        {
            schema.Remove(name);
            whole[name] = value;
        }
        return whole;
    }

    private static JsonNode Transform(JsonSchemaExporterContext context, JsonNode node, MemberDocs docs)
    {
        if (node is not JsonObject schema)
        {
            return node;
        }
        WithoutNull(schema);
        if (context.PropertyInfo is not { AttributeProvider: MemberInfo member } property)
        {
            return schema;
        }
        // What only points at another place is bounded there.
        if (!schema.ContainsKey("$ref") && Bounds.TryGetValue((member.DeclaringType!, property.Name), out var bounds))
        {
            foreach (var (keyword, value) in bounds)
            {
                schema[keyword] = value;
            }
        }
        if (property.PropertyType == typeof(string) && property.Name is "id" or "name" && !schema.ContainsKey("const"))
        {
            (schema["minLength"], schema["maxLength"]) = (1, CheckList.MostText);
        }
        if (docs.Of(member.DeclaringType!.FullName, member.Name) is { } words)
        {
            // The types say "null" for what a file leaves out.
            schema["description"] = words.Replace("or null", "or left out").Replace("null", "left out");
        }
        return schema;
    }

    // A file has no null: what has no value is left out.
    private static void WithoutNull(JsonObject schema)
    {
        if (schema["type"] is JsonArray types)
        {
            var left = types.Select(t => t!.GetValue<string>()).Where(t => t != "null").ToList();
            schema["type"] = left.Count == 1 ? left[0] : new JsonArray([.. left.Select(t => JsonValue.Create(t))]);
        }
        if (schema["enum"] is JsonArray values)
        {
            schema["enum"] = new JsonArray([.. values.Where(v => v is not null).Select(v => v!.DeepClone())]);
        }
        if (schema["default"] is null && schema.ContainsKey("default"))
        {
            schema.Remove("default");
        }
    }
}
