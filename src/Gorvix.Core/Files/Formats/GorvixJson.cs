using System.Collections;
using System.Reflection;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Formats;

/// <summary>
/// How the product writes JSON: one form for one content. Members stand in the order of their types, empty
/// lists and values that equal their default are left out, lines end in LF, and unknown members are refused.
/// </summary>
public static class GorvixJson
{
    /// <summary>For files: indented.</summary>
    public static readonly JsonSerializerOptions File = Make(indented: true);

    /// <summary>For the database: on one line.</summary>
    public static readonly JsonSerializerOptions Compact = Make(indented: false);

    private static JsonSerializerOptions Make(bool indented)
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Strict)
        {
            PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
            DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
            AllowOutOfOrderMetadataProperties = true,
            Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
            WriteIndented = indented,
            NewLine = "\n",
            MaxDepth = 24,
            TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { LeaveOutEmpty } },
        };
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        options.MakeReadOnly();
        return options;
    }

    private static void LeaveOutEmpty(JsonTypeInfo type)
    {
        foreach (var property in type.Properties)
        {
            if (property is { IsRequired: false } && typeof(IEnumerable).IsAssignableFrom(property.PropertyType))
            {
                property.ShouldSerialize = (_, value) => value is string { Length: > 0 } or ICollection { Count: > 0 };
            }
            else if (UsualOf(property) is { } usual)
            {
                property.ShouldSerialize = (_, value) => !usual.Equals(value);
            }
            else if (property is { IsRequired: false, PropertyType.IsValueType: true })
            {
                var zero = Activator.CreateInstance(property.PropertyType);
                property.ShouldSerialize = (_, value) => value is not null && !value.Equals(zero);
            }
        }
    }

    // Where a member or its type says what it has when nothing is said.
    private static object? UsualOf(JsonPropertyInfo property) =>
        property.AttributeProvider?.GetCustomAttributes(typeof(UsualAttribute), false) is [UsualAttribute own]
            ? own.Value
        : property.PropertyType.GetCustomAttribute<UsualAttribute>() is { Value: string name }
            ? property.PropertyType.GetField(name, BindingFlags.Public | BindingFlags.Static)!.GetValue(null)
        : null;
}
