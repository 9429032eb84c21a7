using System.Text.Json.Serialization;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>What a link gives the pilot. Order: the more the flight depends on it, the earlier (common practice).</summary>
public enum Need
{
    /// <summary>Stick commands.</summary>
    RcLink,

    /// <summary>The analogue picture, with the text laid over it by the board.</summary>
    Video,

    /// <summary>Text in the picture of a digital air unit, and "armed" back to it.</summary>
    Osd,

    /// <summary>Position and time.</summary>
    Gps,

    /// <summary>Which way the nose points: a compass.</summary>
    Compass,

    /// <summary>Values back to the radio.</summary>
    Telemetry,

    /// <summary>Readings of the speed controllers.</summary>
    EscTelemetry,

    /// <summary>Voltage of the pack, or the current out of it, as a level that the board measures.</summary>
    BatterySensing,

    /// <summary>Power and channel of the video transmitter from the radio.</summary>
    VtxControl,

    /// <summary>Height above ground.</summary>
    Rangefinder,

    /// <summary>Buttons and settings of a camera.</summary>
    CameraControl,

    /// <summary>Recording of the flight.</summary>
    FlightLog,

    /// <summary>Settings from a phone.</summary>
    WirelessConfiguration,
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
    Esc,

    /// <summary>Telemetry radio.</summary>
    TelemetryRadio,

    /// <summary>Camera.</summary>
    Camera,

    /// <summary>Range finder or flow sensor.</summary>
    Rangefinder,

    /// <summary>Flight recorder.</summary>
    FlightLogger,

    /// <summary>Wireless bridge to a phone.</summary>
    WirelessBridge,

    /// <summary>Compass on its own.</summary>
    Compass,

    /// <summary>Board that lays text over an analogue picture.</summary>
    Osd,

    /// <summary>Regulator: it takes a supply and offers another one.</summary>
    Regulator,

    /// <summary>Filter in a supply.</summary>
    Filter,

    /// <summary>Adapter between two plugs or levels.</summary>
    Adapter,
}

/// <summary>Anything that is wired to the board.</summary>
public sealed record Device
{
    /// <summary>Id in the library.</summary>
    public required string Id { get; init; }

    /// <summary>Maker.</summary>
    public required string Maker { get; init; }

    /// <summary>Name as sold.</summary>
    public required string Name { get; init; }

    /// <summary>Type of device.</summary>
    public required DeviceKind Kind { get; init; }

    /// <summary>Leads, in plug order.</summary>
    public required IReadOnlyList<Lead> Leads { get; init; }

    /// <summary>The plug on its leads, or null for bare leads and pads.</summary>
    public DevicePlug? Plug { get; init; }

    /// <summary>Supply leads, each with its range; empty if not given.</summary>
    public IReadOnlyList<SupplyInput> Supplies { get; init; } = [];

    /// <summary>Leads that power other devices.</summary>
    public IReadOnlyList<SupplyOutput> Outputs { get; init; } = [];

    /// <summary>Number of identical units, such as the four ESCs of a four-in-one; 1 to 8.</summary>
    [JsonPropertyName("units")]
    [Usual(1)]
    public int Pieces { get; init; } = 1;

    /// <summary>Whether it saves settings without power; null if the manual does not say.</summary>
    public SetupMemory? Memory { get; init; }

    /// <summary>Harnesses it comes with, if leads differ between them; empty if there is no choice.</summary>
    public IReadOnlyList<DeviceHarness> Harnesses { get; init; } = [];

    /// <summary>Status lights; empty if the manual does not say.</summary>
    public IReadOnlyList<DeviceSign> Signs { get; init; } = [];

    /// <summary>Functions, each with its modes.</summary>
    public required IReadOnlyList<DeviceFunction> Functions { get; init; }
}

/// <summary>A state that a device shows.</summary>
public enum SignState
{
    /// <summary>It has power and nothing else yet.</summary>
    Powered,

    /// <summary>It looks for the other end of its link.</summary>
    Searching,

    /// <summary>It has the other end of its link.</summary>
    Linked,

    /// <summary>It waits to be bound.</summary>
    Binding,

    /// <summary>It is in its loader.</summary>
    Bootloader,

    /// <summary>It waits for an update over the air.</summary>
    Update,

    /// <summary>It has a position.</summary>
    Fix,

    /// <summary>Something is wrong with it.</summary>
    Fault,
}

/// <summary>How a device shows a state.</summary>
public sealed record DeviceSign
{
    /// <summary>The state.</summary>
    public required SignState State { get; init; }

    /// <summary>What you see, such as "solid green"; 1 to 120 characters.</summary>
    public required string Seen { get; init; }
}

/// <summary>A lead that offers a supply to others: a transmitter's 5 V, the output of a regulator. It is never tied to another supply.</summary>
public sealed record SupplyOutput
{
    /// <summary>Id of the lead.</summary>
    public required string Lead { get; init; }

    /// <summary>Output voltage; null if it follows the device's supply.</summary>
    public double? Volts { get; init; }

    /// <summary>Current limit in amperes; null if the manual does not say.</summary>
    public double? Limit { get; init; }

    /// <summary>Whether it is filtered; null if the manual does not say.</summary>
    public Filtering? Filtering { get; init; }

    /// <summary>Type of regulator; null if the manual does not say: losses are then not computed.</summary>
    public RegulatorKind? Kind { get; init; }

    /// <summary>Dropout in volts; null if the manual does not say: none is then subtracted.</summary>
    public double? Dropout { get; init; }

    /// <summary>Efficiency, above 0.3 and up to 1; null if the manual does not say: losses are then not computed.</summary>
    public double? Efficiency { get; init; }

    /// <summary>Quiescent current in amperes, 0 to 1; null if the manual does not say: none is then added.</summary>
    public double? Quiescent { get; init; }
}

/// <summary>Whether a device remembers its set-up without power.</summary>
public enum SetupMemory
{
    /// <summary>It keeps it.</summary>
    Saves,

    /// <summary>It has neither battery nor flash and must be told at each start.</summary>
    Loses,
}

/// <summary>A harness of a device: the leads that are there when it is used.</summary>
public sealed record DeviceHarness
{
    /// <summary>Id within the device.</summary>
    public required string Id { get; init; }

    /// <summary>The name shown to the builder.</summary>
    public required string Name { get; init; }

    /// <summary>Ids of its leads.</summary>
    public required IReadOnlyList<string> Leads { get; init; }

    /// <summary>The plug on it, or null for bare leads.</summary>
    public DevicePlug? Plug { get; init; }
}

/// <summary>A lead that feeds a device.</summary>
public sealed record SupplyInput
{
    /// <summary>Id of the lead.</summary>
    public required string Lead { get; init; }

    /// <summary>Supply range.</summary>
    public required VoltWindow Window { get; init; }

    /// <summary>Typical current in amperes; null if the manual does not say.</summary>
    public double? Typical { get; init; }

    /// <summary>Peak current in amperes; null if the manual does not say.</summary>
    public double? Peak { get; init; }

    /// <summary>
    /// Voltage the currents are given at, if its input power is constant: with a converter inside, half the voltage draws twice the
    /// current; null if its current does not depend on the voltage.
    /// </summary>
    public double? PowerAt { get; init; }

    /// <summary>The least that it can draw as a rule, in amperes: 0 when nothing is told.</summary>
    /// <param name="volts">What it has, in volts.</param>
    public double Rule(double volts) => At(Typical ?? 0, volts);

    /// <summary>The least that it can draw at most, in amperes: 0 when nothing is told.</summary>
    /// <param name="volts">What it has, in volts.</param>
    public double Most(double volts) => At(Math.Max(Peak ?? 0, Typical ?? 0), volts);

    private double At(double amps, double volts) => PowerAt is { } at && volts > 0 ? amps * at / volts : amps;
}

/// <summary>When a lead drives its wire.</summary>
public enum TalkHabit
{
    /// <summary>The manual does not say: judged by its protocol, and where that tells nothing taken for one that transmits.</summary>
    Unknown,

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
    Video,

    /// <summary>An analogue level: the current of the motors, the pack's voltage, a camera's keys.</summary>
    Sense,

    /// <summary>A supply that the device offers to others.</summary>
    Output,
}

/// <summary>One lead or pad of a device.</summary>
public sealed record Lead
{
    /// <summary>Id within the device.</summary>
    public required string Id { get; init; }

    /// <summary>Label as printed.</summary>
    public required string Label { get; init; }

    /// <summary>Role.</summary>
    public required LeadRole Role { get; init; }

    /// <summary>Usual colour, or null. A habit, not a standard.</summary>
    public string? Colour { get; init; }

    /// <summary>What a signal lead drives where nothing is said, in volts (common practice).</summary>
    public const double UsualDriveVolts = 3.3;

    /// <summary>Logic level it drives, in volts; 3.3 if not given.</summary>
    [Usual(UsualDriveVolts)]
    public double DriveVolts { get; init; } = UsualDriveVolts;

    /// <summary>Logic-high threshold in volts; null for ordinary 3.3 V logic.</summary>
    public double? HighFromVolts { get; init; }

    /// <summary>When it transmits.</summary>
    public TalkHabit Talks { get; init; }

    /// <summary>Level it needs while the board starts.</summary>
    public BootNeed AtBoot { get; init; }

    /// <summary>Number of wires where the device is several units.</summary>
    public PieceWires Wires { get; init; }
}

/// <summary>How many wires a lead is where its device stands for several pieces.</summary>
public enum PieceWires
{
    /// <summary>One wire that the pieces share inside.</summary>
    Shared,

    /// <summary>One wire from each piece; they are joined at the pad.</summary>
    Each,
}

/// <summary>One thing that a device gives.</summary>
public sealed record DeviceFunction
{
    /// <summary>Id within the device.</summary>
    public required string Id { get; init; }

    /// <summary>What the function is.</summary>
    [JsonPropertyName("gives")]
    public required Need Need { get; init; }

    /// <summary>Modes with wires of their own, the usual one first.</summary>
    public required IReadOnlyList<Mode> Modes { get; init; }

    /// <summary>All ways in which it can be had: by a link of its own, and inside other links of its device.</summary>
    /// <param name="device">The device that it is a function of.</param>
    public IReadOnlyList<Mode> ModesIn(Device device) =>
        [
            .. Modes,
            .. from function in device.Functions
            from mode in function.Modes
            from rider in mode.Carries
            where rider.Function == Id
            select new Mode
            {
                Id = $"in-{function.Id}-{mode.Id}",
                Name = Sentences.InBandOver(mode.Name),
                Protocol = mode.Protocol,
                Lines = [],
                Loses = rider.Loses,
                Inside = new Ride(function.Id, mode.Id),
            },
        ];
}
