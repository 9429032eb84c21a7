using System.Text.Json.Serialization;

namespace Gorvix.Core.Plans.Builds;

/// <summary>
/// Something that is done on the aircraft itself, whatever the plan says: a wire on a pad, a lead in another cavity, a plug in its
/// socket, a bridge. The planner takes it as it is, and weighs what undoing it would cost. In a file, <c>kind</c> says what it is.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(JointFact), "joint")]
[JsonDerivedType(typeof(CavityFact), "pin")]
[JsonDerivedType(typeof(SeatFact), "plug")]
[JsonDerivedType(typeof(BridgeFact), "jumper")]
[JsonDerivedType(typeof(DeedFact), "task")]
[JsonDerivedType(typeof(SetFact), "setting")]
public abstract record BuiltFact
{
    /// <summary>When it was done, UTC; null if not noted.</summary>
    public DateTime? On { get; init; }

    /// <summary>A description, written when it was done; kept even if the parts it names are deleted.</summary>
    public string Words { get; init; } = "";

    /// <summary>It in words; in ids where nobody has noted words.</summary>
    [JsonIgnore]
    public string Told => Words.Length > 0 ? Words : InIds;

    /// <summary>It in ids, for want of words.</summary>
    [JsonIgnore]
    protected abstract string InIds { get; }

    /// <summary>True when both are about one thing, so that the newer one takes the place of the older.</summary>
    public abstract bool IsAboutTheSame(BuiltFact other);

    /// <summary>True when both say the same of it, whenever it was done and however it was put.</summary>
    public bool Says(BuiltFact other) => this with { On = null, Words = "" } == other with { On = null, Words = "" };
}

/// <summary>A lead is soldered to a pad, to the tail in a socket, or to a lead of another device.</summary>
public sealed record JointFact : BuiltFact
{
    /// <summary>Id within the build of the device.</summary>
    public required string Device { get; init; }

    /// <summary>Id of the part that the device was at the time.</summary>
    public required string Part { get; init; }

    /// <summary>Id of the lead.</summary>
    public required string Lead { get; init; }

    /// <summary>Id of the board that has the pad.</summary>
    public required string Board { get; init; }

    /// <summary>Id of the pad, or of the socket pin if a pigtail is plugged in; null if soldered to another lead.</summary>
    public string? Pad { get; init; }

    /// <summary>Id of the device whose lead it is soldered to; null for a pad.</summary>
    public string? To { get; init; }

    /// <summary>Id of the lead it is soldered to; null for a pad.</summary>
    public string? ToLead { get; init; }

    /// <inheritdoc/>
    protected override string InIds => Sentences.OfIsOn(Lead, Device, Pad ?? $"{ToLead} of {To}");

    /// <inheritdoc/>
    public override bool IsAboutTheSame(BuiltFact other) =>
        other is JointFact joint && (joint.Device, joint.Part, joint.Lead) == (Device, Part, Lead);
}

/// <summary>What is at the end of a lead that came in a plug.</summary>
public enum LeadEnd
{
    /// <summary>Its contact: it goes into a cavity again.</summary>
    Contact,

    /// <summary>Nothing: it was cut off.</summary>
    CutOff,
}

/// <summary>A lead is in another cavity than it came in, or out of its plug.</summary>
public sealed record CavityFact : BuiltFact
{
    /// <summary>Id within the build of the device.</summary>
    public required string Device { get; init; }

    /// <summary>Id of the part that the device was at the time.</summary>
    public required string Part { get; init; }

    /// <summary>Id of the lead.</summary>
    public required string Lead { get; init; }

    /// <summary>The plug pin it is in, from 1 at the marked end; null if de-pinned.</summary>
    [JsonPropertyName("pin")]
    public int? Cavity { get; init; }

    /// <summary>What is on its end.</summary>
    public LeadEnd End { get; init; }

    /// <inheritdoc/>
    protected override string InIds =>
        $"{Lead} of {Device} is {(Cavity is { } at ? Sentences.InPin(at) : "de-pinned")}";

    /// <inheritdoc/>
    public override bool IsAboutTheSame(BuiltFact other) =>
        other is CavityFact cavity && (cavity.Device, cavity.Part, cavity.Lead) == (Device, Part, Lead);
}

/// <summary>The plug of a device sits in a socket.</summary>
public sealed record SeatFact : BuiltFact
{
    /// <summary>Id within the build of the device.</summary>
    public required string Device { get; init; }

    /// <summary>Id of the part that the device was at the time.</summary>
    public required string Part { get; init; }

    /// <summary>Id of the board that has the socket.</summary>
    public required string Board { get; init; }

    /// <summary>Id of the socket.</summary>
    public required string Socket { get; init; }

    /// <inheritdoc/>
    protected override string InIds => Sentences.ThePlugOfIsIn(Device, Socket);

    /// <inheritdoc/>
    public override bool IsAboutTheSame(BuiltFact other) =>
        other is SeatFact seat && (seat.Device, seat.Part) == (Device, Part);
}

/// <summary>A bridge of the board stands in a position.</summary>
public sealed record BridgeFact : BuiltFact
{
    /// <summary>Id of the board.</summary>
    public required string Board { get; init; }

    /// <summary>Id of the jumper.</summary>
    [JsonPropertyName("jumper")]
    public required string Bridge { get; init; }

    /// <summary>Its position.</summary>
    public required string Position { get; init; }

    /// <inheritdoc/>
    protected override string InIds => Sentences.IsSetTo(Bridge, Position);

    /// <inheritdoc/>
    public override bool IsAboutTheSame(BuiltFact other) =>
        other is BridgeFact bridge && (bridge.Board, bridge.Bridge) == (Board, Bridge);
}

/// <summary>What can be done besides wires, plugs and bridges.</summary>
public enum BuiltDeed
{
    /// <summary>The settings of the board are saved.</summary>
    Backup,

    /// <summary>A resistor from a lead to the device's 3.3 V.</summary>
    PullUp,

    /// <summary>A device is strapped to an address.</summary>
    Address,

    /// <summary>A tail is ready for a socket.</summary>
    Pigtail,
}

/// <summary>Something else is done.</summary>
public sealed record DeedFact : BuiltFact
{
    /// <summary>What was done.</summary>
    [JsonPropertyName("task")]
    public required BuiltDeed Deed { get; init; }

    /// <summary>Id within the build of the device; null for the board.</summary>
    public string? Device { get; init; }

    /// <summary>Id in the library of what the device was then; null for the board.</summary>
    public string? Part { get; init; }

    /// <summary>Id of the lead with the pull-up, or null.</summary>
    public string? Lead { get; init; }

    /// <summary>The address, or null.</summary>
    public int? Address { get; init; }

    /// <summary>Id of the socket that the pigtail fits, or null.</summary>
    public string? Socket { get; init; }

    /// <summary>Fingerprint of the settings planned when a backup was made; null for anything else, and for older backups.</summary>
    public string? Plan { get; init; }

    /// <inheritdoc/>
    protected override string InIds => $"{Deed} on {Device}";

    /// <inheritdoc/>
    public override bool IsAboutTheSame(BuiltFact other) =>
        other is DeedFact deed
        && (deed.Deed, deed.Device, deed.Part, deed.Lead, deed.Socket) == (Deed, Device, Part, Lead, Socket);
}

/// <summary>A setting stands as it is told, on the board, a device or the radio.</summary>
public sealed record SetFact : BuiltFact
{
    /// <summary>Setting key, as in the settings: "port.U3", "telemetry".</summary>
    public required string Key { get; init; }

    /// <summary>Its value.</summary>
    public required string Value { get; init; }

    /// <inheritdoc/>
    protected override string InIds => $"{Key} is {Value}";

    /// <inheritdoc/>
    public override bool IsAboutTheSame(BuiltFact other) => other is SetFact set && set.Key == Key;
}
