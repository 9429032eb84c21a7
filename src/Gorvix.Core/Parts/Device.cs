using Gorvix.Core.Protocols;

namespace Gorvix.Core.Parts;

/// <summary>What a link gives the pilot. Order: the more the flight depends on it, the earlier (common practice).</summary>
public enum Need
{
    /// <summary>Stick commands.</summary>
    Control,

    /// <summary>The analogue picture, with the text laid over it by the board.</summary>
    Picture,

    /// <summary>Text in the picture of a digital air unit, and "armed" back to it.</summary>
    PictureText,

    /// <summary>Position and time.</summary>
    Position,

    /// <summary>Which way the nose points: a compass.</summary>
    Heading,

    /// <summary>Values back to the radio.</summary>
    Telemetry,

    /// <summary>Readings of the speed controllers.</summary>
    EscReadings,

    /// <summary>Power and channel of the video transmitter from the radio.</summary>
    VideoControl,

    /// <summary>Height above ground.</summary>
    Height,

    /// <summary>Buttons and settings of a camera.</summary>
    CameraControl,

    /// <summary>Recording of the flight.</summary>
    FlightLog,

    /// <summary>Settings from a phone.</summary>
    HostData,
}

/// <summary>What a device is.</summary>
public enum DeviceKind
{
    /// <summary>Radio control receiver.</summary>
    Receiver,

    /// <summary>Analogue video transmitter.</summary>
    VideoTransmitter,

    /// <summary>Digital air unit.</summary>
    AirUnit,

    /// <summary>GNSS module.</summary>
    Gnss,

    /// <summary>Electronic speed controller.</summary>
    SpeedController,

    /// <summary>Telemetry radio.</summary>
    TelemetryRadio,

    /// <summary>Camera.</summary>
    Camera,

    /// <summary>Range finder or flow sensor.</summary>
    RangeFinder,

    /// <summary>Flight recorder.</summary>
    Recorder,

    /// <summary>Wireless bridge to a phone.</summary>
    WirelessBridge,

    /// <summary>Compass on its own.</summary>
    Compass,
}

/// <summary>Anything that is wired to the board.</summary>
public sealed record Device
{
    /// <summary>Id in the library.</summary>
    public required string Id { get; init; }

    /// <summary>Who makes it.</summary>
    public required string Maker { get; init; }

    /// <summary>Its name on the box.</summary>
    public required string Name { get; init; }

    /// <summary>What it is.</summary>
    public required DeviceKind Kind { get; init; }

    /// <summary>Its leads, in the order of its plug.</summary>
    public required IReadOnlyList<Lead> Leads { get; init; }

    /// <summary>The plug at the end of its leads, or null for bare leads and pads.</summary>
    public DevicePlug? Plug { get; init; }

    /// <summary>The leads that feed it, each with the volts that it takes; empty when the file does not say.</summary>
    public IReadOnlyList<SupplyInput> Supplies { get; init; } = [];

    /// <summary>What it can give, each with its modes.</summary>
    public required IReadOnlyList<DeviceFunction> Functions { get; init; }
}

/// <summary>A lead that feeds a device.</summary>
public sealed record SupplyInput
{
    /// <summary>Id of the lead.</summary>
    public required string Lead { get; init; }

    /// <summary>The volts that it takes.</summary>
    public required VoltWindow Window { get; init; }
}

/// <summary>When a lead drives its wire.</summary>
public enum TalkHabit
{
    /// <summary>Only in a mode that uses it.</summary>
    Asked,

    /// <summary>Whenever the device has power, asked or not.</summary>
    Always,
}

/// <summary>What a lead must see while the board starts.</summary>
public enum BootNeed
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>A high line; a low or chattering one drops the device into its loader.</summary>
    High,
}

/// <summary>What a lead is for.</summary>
public enum LeadRole
{
    /// <summary>Supply.</summary>
    Supply,

    /// <summary>Ground.</summary>
    Ground,

    /// <summary>A serial signal.</summary>
    Signal,

    /// <summary>The analogue picture.</summary>
    Picture,

    /// <summary>An analogue reading, such as the current of the motors.</summary>
    Sense,
}

/// <summary>One lead or pad of a device.</summary>
public sealed record Lead
{
    /// <summary>Id within the device.</summary>
    public required string Id { get; init; }

    /// <summary>Its label as printed by the device's maker.</summary>
    public required string Label { get; init; }

    /// <summary>What it is for.</summary>
    public required LeadRole Role { get; init; }

    /// <summary>Its usual colour, or null. A habit, not a standard.</summary>
    public string? Colour { get; init; }

    /// <summary>High level that it drives, in volts; 3.3 when the file does not say.</summary>
    public double DriveVolts { get; init; } = 3.3;

    /// <summary>The least that it takes for a high level, in volts; null for ordinary 3.3 V logic.</summary>
    public double? HighFromVolts { get; init; }

    /// <summary>When it drives its wire.</summary>
    public TalkHabit Talks { get; init; }

    /// <summary>What it must see while the board starts.</summary>
    public BootNeed AtBoot { get; init; }
}

/// <summary>One thing that a device gives.</summary>
public sealed record DeviceFunction
{
    /// <summary>Id within the device.</summary>
    public required string Id { get; init; }

    /// <summary>What it gives.</summary>
    public required Need Need { get; init; }

    /// <summary>The ways in which it can be had, the usual one first.</summary>
    public required IReadOnlyList<Mode> Modes { get; init; }
}

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

    /// <summary>The firmware from which it is there, or null.</summary>
    public string? Firmware { get; init; }

    /// <summary>The setting of the device that must be changed for it, or null.</summary>
    public string? Setting { get; init; }

    /// <summary>What is lost in this mode, in words; empty when it is whole.</summary>
    public IReadOnlyList<string> Loses { get; init; } = [];
}

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
