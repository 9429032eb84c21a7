using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>One way in which a function can be had.</summary>
public sealed record Mode
{
    /// <summary>Id within the function.</summary>
    public required string Id { get; init; }

    /// <summary>The name shown to the builder.</summary>
    public required string Name { get; init; }

    /// <summary>Id of the <see cref="Protocols.Protocol"/>.</summary>
    public required string Protocol { get; init; }

    /// <summary>Leads it uses.</summary>
    public required IReadOnlyList<ModeLine> Lines { get; init; }

    /// <summary>Baud rates it can be set to, default first; empty for the protocol's default only.</summary>
    public IReadOnlyList<int> Bauds { get; init; } = [];

    /// <summary>Frame rate in Hz, or null if it does not matter.</summary>
    public double? PacketHertz { get; init; }

    /// <summary>7-bit bus address, 8 to 119, or null.</summary>
    public int? Address { get; init; }

    /// <summary>Alternative addresses, selected by a strap.</summary>
    public IReadOnlyList<AddressStrap> Straps { get; init; } = [];

    /// <summary>Functions of the same device that are in-band, such as telemetry over a two-way RC link.</summary>
    public IReadOnlyList<Rider> Carries { get; init; } = [];

    /// <summary>What its analogue level stands for; null if not given, or not analogue.</summary>
    public AnalogueReading? Reads { get; init; }

    /// <summary>Lowest firmware that has it, or null.</summary>
    public string? Firmware { get; init; }

    /// <summary>Device setting it needs, or null.</summary>
    public string? Setting { get; init; }

    /// <summary>What this mode lacks, in words; empty for nothing.</summary>
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

    /// <summary>What is lost compared with wires of its own, in words; empty for nothing.</summary>
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

    /// <summary>Direction.</summary>
    public required Flow Flow { get; init; }

    /// <summary>Polarity at the device; null for the protocol's usual one.</summary>
    public Polarity? Polarity { get; init; }
}
