using System.Text.Json.Serialization;

namespace Gorvix.Core.Plans.Builds;

/// <summary>One aircraft on the bench: a board, its devices, and what the builder wishes.</summary>
public sealed record Build
{
    /// <summary>The name shown to the builder.</summary>
    public required string Name { get; init; }

    /// <summary>A note, or null.</summary>
    public string? Note { get; init; }

    /// <summary>Id of its board.</summary>
    public required string Board { get; init; }

    /// <summary>Id of the firmware profile, or null to allow every port function.</summary>
    public string? Firmware { get; init; }

    /// <summary>The battery, or null: battery-powered supplies are then not checked.</summary>
    public Pack? Pack { get; init; }

    /// <summary>Voltage at the board's supply input where it is not the battery, such as 5 V from an external regulator.</summary>
    public double? InputVolts { get; init; }

    /// <summary>The radio's side of the RC link, or null: it is then not checked.</summary>
    public RadioSide? Radio { get; init; }

    /// <summary>Bench equipment that powers the build.</summary>
    public PowerSide Power { get; init; } = PowerSide.Usual;

    /// <summary>Supply wires of known length or gauge; all others use the defaults.</summary>
    public IReadOnlyList<WireCut> Wires { get; init; } = [];

    /// <summary>Slack added to each wire for stripping and routing, in millimetres, 0 to 500; null for 20.</summary>
    [JsonPropertyName("slack")]
    public double? Allowance { get; init; }

    /// <summary>Settings that the plan alone does not decide.</summary>
    public BuildSettings Settings { get; init; } = BuildSettings.None;

    /// <summary>House rules: the builder's choice where builders disagree.</summary>
    [JsonPropertyName("houseRules")]
    public HouseRules House { get; init; } = HouseRules.Default;

    /// <summary>Its devices.</summary>
    public required IReadOnlyList<BuildDevice> Devices { get; init; }

    /// <summary>The links, each with its priority.</summary>
    [JsonPropertyName("links")]
    public required IReadOnlyList<Want> Wants { get; init; }

    /// <summary>Pins: what the plan must keep.</summary>
    public IReadOnlyList<WishMatch> Pins { get; init; } = [];

    /// <summary>Blocks: what the plan must not use.</summary>
    [JsonPropertyName("blocks")]
    public IReadOnlyList<WishMatch> Bans { get; init; } = [];

    /// <summary>The aircraft as built so far, in the order noted.</summary>
    public IReadOnlyList<BuiltFact> Built { get; init; } = [];
}

/// <summary>A device in a build.</summary>
public sealed record BuildDevice
{
    /// <summary>Id within the build, such as <c>receiver</c>.</summary>
    public required string Id { get; init; }

    /// <summary>Id of the device in the library.</summary>
    public required string Part { get; init; }

    /// <summary>The builder's name for it, such as "second GNSS"; null to use the part's name.</summary>
    public string? Name { get; init; }

    /// <summary>Batch or serial number as printed, 1 to 100 characters; null if not noted.</summary>
    public string? Batch { get; init; }

    /// <summary>How many times it was replaced by another unit, 0 to 10000. Noting the first batch number is not a replacement.</summary>
    [JsonPropertyName("replaced")]
    public int Piece { get; init; }

    /// <summary>Cable run from the board's edge to the device, in millimetres, 1 to 5000; null if not measured.</summary>
    [JsonPropertyName("distance")]
    public double? Away { get; init; }

    /// <summary>Id of the harness used; null for the device's first or only one.</summary>
    public string? Harness { get; init; }

    /// <summary>Where the builder has put it in the wiring picture; null to let the picture choose.</summary>
    public PictureSpot? Picture { get; init; }
}

/// <summary>The radio's side of the control link.</summary>
public sealed record RadioSide
{
    /// <summary>The fastest baud the radio's module bay can run, 9600 to 6000000.</summary>
    public required int BayBaud { get; init; }

    /// <summary>Packet rate of the link in Hz, 4 to 1000.</summary>
    public required int PacketHertz { get; init; }
}

/// <summary>How much a link is wished for.</summary>
public enum Priority
{
    /// <summary>Without it the aircraft does not fly.</summary>
    Required,

    /// <summary>Wanted.</summary>
    Wanted,

    /// <summary>Nice to have.</summary>
    Optional,
}

/// <summary>A link wished for: one function of one device.</summary>
public sealed record Want
{
    /// <summary>Id of the link within the build, such as <c>gnss</c>.</summary>
    public required string Link { get; init; }

    /// <summary>Id of the device within the build.</summary>
    public required string Device { get; init; }

    /// <summary>Id of the function within the device.</summary>
    public required string Function { get; init; }

    /// <summary>Its priority.</summary>
    public required Priority Priority { get; init; }
}
