using System.Globalization;
using System.Text.Json.Serialization;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>Families of plugs: pitch and number of pins, such as "1.0 mm, 6 pins".</summary>
public static class PlugFamily
{
    private const string NotKnown = "pitch unknown";

    /// <summary>The family of a plug whose pitch no leaflet tells.</summary>
    /// <param name="pins">How many pins it has.</param>
    public static string Unknown(int pins) => $"{NotKnown}, {pins} pins";

    /// <summary>Whether the pitch is known.</summary>
    /// <param name="family">The family.</param>
    public static bool IsKnown(string family) => !family.StartsWith(NotKnown, StringComparison.Ordinal);

    /// <summary>How many pins a family says that it has; null where it does not say.</summary>
    /// <param name="family">The family.</param>
    public static int? PinsOf(string? family) =>
        family?.Split(", ")[^1] is { } last
        && last.EndsWith(" pins", StringComparison.Ordinal)
        && int.TryParse(last[..^5], NumberStyles.None, CultureInfo.InvariantCulture, out var pins)
        && pins is > 0 and <= PartCheck.MostPins
            ? pins
            : null;

    /// <summary>What one contact carries, in amperes; null where the pitch is not known.</summary>
    /// <param name="family">The family.</param>
    /// <remarks>Wire-to-board series by their pitch, with their thickest wire, from memory of connector makers' data sheets.</remarks>
    public static double? AmpsOf(string family) =>
        family.Split(" mm")[0] is { Length: > 0 and < 6 } pitch
        && double.TryParse(pitch, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var mm)
            ? mm switch
            {
                < 1.5 => 1,
                < 2.5 => 2,
                _ => 3,
            }
            : null;

    /// <summary>Whether plug and socket fit by their families. One of unknown pitch is said to fit nothing.</summary>
    /// <param name="socket">The family of the socket.</param>
    /// <param name="plug">The family of the plug, or null where there is none.</param>
    public static bool Fits(string socket, string? plug) => socket == plug && IsKnown(socket);
}

/// <summary>A plug of a board. Plugs of one family fit each other whatever their pins carry.</summary>
public sealed record BoardPlug
{
    /// <summary>Id within the board.</summary>
    public required string Id { get; init; }

    /// <summary>Its name in the manual.</summary>
    public required string Label { get; init; }

    /// <summary>Pitch and number of pins, such as "1.0 mm, 6 pins".</summary>
    public required string Family { get; init; }

    /// <summary>Pins, from the marked end.</summary>
    public required IReadOnlyList<BoardPin> Pins { get; init; }
}

/// <summary>A pin of a board's plug.</summary>
public sealed record BoardPin
{
    /// <summary>Id of its pad, or null for an unconnected pin.</summary>
    public string? Pad { get; init; }
}

/// <summary>The plug at the end of a device's leads.</summary>
public sealed record DevicePlug
{
    /// <summary>Pitch and number of pins, such as "1.0 mm, 6 pins".</summary>
    public required string Family { get; init; }

    /// <summary>Pins, from the marked end.</summary>
    public required IReadOnlyList<DevicePin> Pins { get; init; }

    /// <summary>Leads that are out of it as it is now and could go back: their contacts are still on. None as it comes.</summary>
    [JsonIgnore]
    public IReadOnlyList<string> Free { get; init; } = [];

    /// <summary>How many cavities it has.</summary>
    [JsonIgnore]
    public int Cavities => Pins.Count;

    /// <summary>The plug with leads elsewhere than they came.</summary>
    /// <param name="moved">Leads that were moved, each with its cavity from 1, or null for out of the plug.</param>
    /// <param name="gone">Leads that are out of it and cannot go back: soldered, or cut off.</param>
    public DevicePlug With(IReadOnlyDictionary<string, int?> moved, IReadOnlySet<string> gone)
    {
        bool Left(string lead) => moved.ContainsKey(lead) || gone.Contains(lead);
        var pins = Pins.Select(p => p.Lead is { } lead && Left(lead) ? null : p.Lead).ToArray();
        foreach (var (lead, cavity) in moved)
        {
            if (cavity is { } at && !gone.Contains(lead))
            {
                pins[at - 1] = lead;
            }
        }
        // What lost its cavity to another lead is out of the plug as well.
        var free = Pins.Select(p => p.Lead)
            .Concat(moved.Keys)
            .OfType<string>()
            .Distinct()
            .Where(l => !pins.Contains(l) && !gone.Contains(l));
        return this with { Pins = [.. pins.Select(l => new DevicePin { Lead = l })], Free = [.. free] };
    }
}

/// <summary>A pin of a device's plug.</summary>
public sealed record DevicePin
{
    /// <summary>Id of its lead, or null if empty.</summary>
    public string? Lead { get; init; }
}
