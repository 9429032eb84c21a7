using System.Text.Json.Serialization;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Parts;

/// <summary>One way in which a function can be had.</summary>
public sealed record Mode
{
    /// <summary>Id within the function.</summary>
    public required string Id { get; init; }

    /// <summary>What the builder calls it.</summary>
    public required string Name { get; init; }

    /// <summary>Id of its <see cref="Protocols.Protocol"/>.</summary>
    public required string Protocol { get; init; }

    /// <summary>The leads it uses.</summary>
    public required IReadOnlyList<ModeLine> Lines { get; init; }

    /// <summary>The bauds that the device can be set to, the usual one first; empty for the protocol's usual one only.</summary>
    public IReadOnlyList<int> Bauds { get; init; } = [];

    /// <summary>Frames a second that the device sends, or null when it does not matter.</summary>
    public double? PacketHertz { get; init; }

    /// <summary>Its 7-bit address on a bus, 8 to 119, or null.</summary>
    public int? Address { get; init; }

    /// <summary>Other addresses that it can be strapped to.</summary>
    public IReadOnlyList<AddressStrap> Straps { get; init; } = [];

    /// <summary>Functions of the same device that ride inside this mode's link, such as telemetry inside two-way control.</summary>
    public IReadOnlyList<Rider> Carries { get; init; } = [];

    /// <summary>The firmware from which it is there, or null.</summary>
    public string? Firmware { get; init; }

    /// <summary>The setting of the device that must be changed for it, or null.</summary>
    public string? Setting { get; init; }

    /// <summary>What is lost in this mode, in words; empty when it is whole.</summary>
    public IReadOnlyList<string> Loses { get; init; } = [];

    /// <summary>What it was strapped to its address with; null for the address at which it comes. Set by the router, never in a file.</summary>
    [JsonIgnore]
    public AddressStrap? Strapped { get; init; }

    /// <summary>Where it rides inside another link; null for a link of its own. Set by <see cref="DeviceFunction.ModesIn"/>, never in a file.</summary>
    [JsonIgnore]
    public Ride? Inside { get; init; }
}

/// <summary>Another address of a device on a bus.</summary>
public sealed record AddressStrap
{
    /// <summary>The 7-bit address, 8 to 119.</summary>
    public required int Address { get; init; }

    /// <summary>What to do on the device, such as "close the pad ADR".</summary>
    public required string How { get; init; }
}

/// <summary>A function that rides inside the link of another one.</summary>
public sealed record Rider
{
    /// <summary>Id of the function within the same device.</summary>
    public required string Function { get; init; }

    /// <summary>What is less than with a link of its own, in words; empty when nothing is.</summary>
    public IReadOnlyList<string> Loses { get; init; } = [];
}

/// <summary>Where a mode rides.</summary>
/// <param name="Function">Id of the function whose link carries it.</param>
/// <param name="Mode">Id of the mode in which that link must be.</param>
public sealed record Ride(string Function, string Mode);

/// <summary>The way of a signal, seen from the device.</summary>
public enum Flow
{
    /// <summary>The device talks.</summary>
    Out,

    /// <summary>The board talks.</summary>
    In,

    /// <summary>Both, in turn, on one wire.</summary>
    Both,
}

/// <summary>A lead in a mode.</summary>
public sealed record ModeLine
{
    /// <summary>Id of the lead.</summary>
    public required string Lead { get; init; }

    /// <summary>Who talks on it.</summary>
    public required Flow Flow { get; init; }

    /// <summary>How the line rests at the device; null for the protocol's usual form.</summary>
    public Polarity? Polarity { get; init; }
}
