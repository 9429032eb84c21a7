using System.Text.Json;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>
/// Finds lists and texts that are longer than any real part or build has, before anything is compared with anything: what is checked after
/// it is small.
/// </summary>
public static class SizeCheck
{
    /// <summary>The longest text that has no limit of its own, in characters.</summary>
    public const int MostText = 500;

    /// <summary>The longest list that has no limit of its own.</summary>
    public const int MostItems = 300;

    /// <summary>More rails of a board than this are refused; the largest have about eight.</summary>
    public const int MostRails = 32;

    /// <summary>More nets of a board than this are refused.</summary>
    public const int MostNets = 300;

    /// <summary>More elements on one path than this are refused.</summary>
    public const int MostElements = 12;

    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web)
    {
        MaxDepth = 64,
        NumberHandling = System.Text.Json.Serialization.JsonNumberHandling.AllowNamedFloatingPointLiterals,
        DefaultIgnoreCondition = System.Text.Json.Serialization.JsonIgnoreCondition.WhenWritingNull,
    };

    private static readonly Dictionary<string, (int Most, string Things)> Lists = new()
    {
        ["rails"] = (MostRails, "rails"),
        ["nets"] = (MostNets, "nets"),
        ["ports"] = (PartCheck.MostPorts, "ports"),
        ["pads"] = (PartCheck.MostPads, "pads"),
        ["jumpers"] = (PartCheck.MostBridges, "jumpers"),
        ["positions"] = (PartCheck.MostPositions, "positions"),
        ["plugs"] = (PartCheck.MostSockets, "sockets"),
        ["pins"] = (PartCheck.MostPins, "pins"),
        ["paths"] = (PartCheck.MostPaths, "paths"),
        ["through"] = (MostElements, "elements"),
        ["channels"] = (PartCheck.MostPins, "channels"),
        ["alternatives"] = (PartCheck.MostPinChoices, "alternative pins"),
        ["addresses"] = (PartCheck.MostAddresses, "addresses"),
        ["straps"] = (PartCheck.MostAddresses, "straps"),
        ["bauds"] = (PartCheck.MostBauds, "bauds"),
        ["modes"] = (PartCheck.MostModes, "modes"),
        ["harnesses"] = (PartCheck.MostHarnesses, "harnesses"),
        ["leads"] = (PartCheck.MostLeads, "leads"),
        ["shares"] = (PartCheck.MostShares, "pairs"),
    };

    private static readonly Dictionary<string, int> Texts = new()
    {
        ["template"] = FirmwareProfile.MostForm,
        ["pattern"] = FirmwareProfile.MostForm,
    };

    /// <summary>Reports what is too long; true when there is something.</summary>
    /// <param name="list">Takes the findings.</param>
    /// <param name="part">A board, device or profile.</param>
    /// <param name="place">Where it stands in its file.</param>
    public static bool IsBroken(this CheckList list, object part, string place) =>
        list.IsBroken(part, place, Lists, Texts);

    /// <summary>The same with other limits of lists and texts, by the name of the member.</summary>
    public static bool IsBroken(
        this CheckList list,
        object thing,
        string place,
        IReadOnlyDictionary<string, (int Most, string Things)> lists,
        IReadOnlyDictionary<string, int> texts
    )
    {
        var before = list.Findings.Count;
        Look(JsonSerializer.SerializeToElement(thing, thing.GetType(), Plain), "", place);
        return list.Findings.Count > before;

        void Look(JsonElement element, string name, string where)
        {
            switch (element.ValueKind)
            {
                case JsonValueKind.Object:
                    foreach (var member in element.EnumerateObject())
                    {
                        Look(member.Value, member.Name, $"{where}.{member.Name}");
                    }
                    break;
                case JsonValueKind.Array:
                    var (most, things) = lists.GetValueOrDefault(name, (MostItems, "items"));
                    list.Count(element.GetArrayLength(), most, things, where);
                    foreach (var (i, item) in element.EnumerateArray().Take(most).Index())
                    {
                        Look(item, name, $"{where}[{i}]");
                    }
                    break;
                case JsonValueKind.String:
                    list.Length(element.GetString()!, texts.GetValueOrDefault(name, MostText), where);
                    break;
            }
        }
    }
}
