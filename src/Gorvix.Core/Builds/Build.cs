namespace Gorvix.Core.Builds;

/// <summary>One aircraft on the bench: a board, its devices, and what the builder wishes.</summary>
public sealed record Build
{
    /// <summary>What the builder calls it.</summary>
    public required string Name { get; init; }

    /// <summary>A line about it, or null.</summary>
    public string? Note { get; init; }

    /// <summary>Id of its board.</summary>
    public required string Board { get; init; }

    /// <summary>Id of the firmware profile, or null for one that can do everything.</summary>
    public string? Firmware { get; init; }

    /// <summary>The battery, or null while it is not chosen: then supplies that hang on it are not judged.</summary>
    public Pack? Pack { get; init; }

    /// <summary>What feeds the board's supply input in place of the pack, such as a regulator of 5 V; in volts.</summary>
    public double? InputVolts { get; init; }

    /// <summary>The radio's side of the control link, or null while it is not known: then nothing is said about it.</summary>
    public RadioSide? Radio { get; init; }

    /// <summary>What is on the bench to feed it with.</summary>
    public PowerSide Power { get; init; } = PowerSide.Usual;

    /// <summary>Supply wires whose length or gauge is known; the others are taken as they are usually cut.</summary>
    public IReadOnlyList<WireCut> Wires { get; init; } = [];

    /// <summary>What is added to a wire at its ends for stripping and slack, in millimetres; 0 to 500, null for the usual 20.</summary>
    public double? Allowance { get; init; }

    /// <summary>What is chosen where settings do not follow from the plan alone.</summary>
    public BuildSettings Settings { get; init; } = BuildSettings.None;

    /// <summary>The builder's choice where practitioners disagree.</summary>
    public HouseRules House { get; init; } = HouseRules.Default;

    /// <summary>Its devices.</summary>
    public required IReadOnlyList<BuildDevice> Devices { get; init; }

    /// <summary>The links wished for.</summary>
    public required IReadOnlyList<Want> Wants { get; init; }

    /// <summary>What must be as the builder says.</summary>
    public IReadOnlyList<WishMatch> Pins { get; init; } = [];

    /// <summary>What the builder does not want.</summary>
    public IReadOnlyList<WishMatch> Bans { get; init; } = [];

    /// <summary>What is done on the aircraft already, in the order in which it was noted.</summary>
    public IReadOnlyList<BuiltFact> Built { get; init; } = [];
}

/// <summary>A device in a build.</summary>
public sealed record BuildDevice
{
    /// <summary>Id within the build, such as <c>receiver</c>.</summary>
    public required string Id { get; init; }

    /// <summary>Id of the device in the library.</summary>
    public required string Part { get; init; }

    /// <summary>What the builder calls it, such as "second GNSS"; null where the part's name will do.</summary>
    public string? Name { get; init; }

    /// <summary>Its batch or serial number, as printed on it; null where nobody has noted it; 1 to 100 characters.</summary>
    public string? Batch { get; init; }

    /// <summary>How often it was exchanged for another one of its kind; 0 to 10000. Noting its batch for the first time is no exchange.</summary>
    public int Piece { get; init; }

    /// <summary>How far it sits from the edge of the board, along the way of its wires, in millimetres; 1 to 5000, null where nobody has measured.</summary>
    public double? Away { get; init; }

    /// <summary>Id of the harness that is used; null for the first of the device, or where it has no choice.</summary>
    public string? Harness { get; init; }
}

/// <summary>The radio's side of the control link.</summary>
public sealed record RadioSide
{
    /// <summary>The most that the line between the radio and the module in its bay keeps up with, in bits per second; 9600 to 6000000.</summary>
    public required int BayBaud { get; init; }

    /// <summary>The packets a second to which the link is set; 4 to 1000.</summary>
    public required int PacketHertz { get; init; }
}

/// <summary>How much a link is wished for.</summary>
public enum Priority
{
    /// <summary>Without it the aircraft does not fly.</summary>
    Must,

    /// <summary>Wanted.</summary>
    Want,

    /// <summary>Nice to have.</summary>
    Nice,
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

    /// <summary>How much it is wished for.</summary>
    public required Priority Priority { get; init; }
}
