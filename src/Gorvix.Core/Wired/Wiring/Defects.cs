using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>What ails a device although every wire of it is right.</summary>
public enum DefectKind
{
    /// <summary>It waits in its loader for new firmware.</summary>
    InLoader,

    /// <summary>It does not know its other end: the radio, the goggles.</summary>
    NotBound,

    /// <summary>It is set to another protocol, polarity or rate than its port.</summary>
    SpeaksOtherwise,

    /// <summary>Its firmware is old: what came later it does not do.</summary>
    OldFirmware,

    /// <summary>It has forgotten its set-up.</summary>
    ForgotSetup,

    /// <summary>Its antenna is off.</summary>
    NoAntenna,

    /// <summary>It sees no sky.</summary>
    Indoors,

    /// <summary>The radio's bay is too slow for its telemetry.</summary>
    SlowBay,

    /// <summary>The radio shows values that it remembers.</summary>
    Remembered,
}

/// <summary>What ails a device.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="What">What.</param>
public readonly record struct DeviceDefect(string Device, DefectKind What);

/// <summary>What is wrong with an aircraft besides where its wires, bridges and settings of ports stand.</summary>
public sealed record Defects
{
    /// <summary>None.</summary>
    public static Defects None { get; } = new();

    /// <summary>What ails devices.</summary>
    public IReadOnlyList<DeviceDefect> Devices { get; init; } = [];

    /// <summary>Joints that hold loosely: they come and go, and under load they lose volts.</summary>
    public IReadOnlyList<LeadAt> Weak { get; init; } = [];

    /// <summary>Ids of nets whose pin of the controller is dead.</summary>
    public IReadOnlyList<string> DeadPins { get; init; } = [];

    /// <summary>Ids of rails that give too little.</summary>
    public IReadOnlyList<string> Sagging { get; init; } = [];

    /// <summary>Keys of settings of the board, besides those of ports, that stand otherwise than wanted.</summary>
    public IReadOnlyList<string> Settings { get; init; } = [];

    /// <summary>True when USB alone feeds it, although its source is thought to.</summary>
    public bool IsOnUsbAlone { get; init; }

    /// <summary>True when a device has an ailment.</summary>
    public bool Has(string device, DefectKind what) => Devices.Contains(new DeviceDefect(device, what));
}
