using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Hardware.Protocols;

/// <summary>Which wires a protocol needs and who talks on them.</summary>
public enum LineUse
{
    /// <summary>One wire, the device talks.</summary>
    DeviceToBoard,

    /// <summary>One wire, the board talks.</summary>
    BoardToDevice,

    /// <summary>Two wires, one for each way.</summary>
    TwoWires,

    /// <summary>One wire on which both talk in turn.</summary>
    OneWire,

    /// <summary>One wire for each channel, the device talks.</summary>
    WirePerChannel,

    /// <summary>Data and clock, shared with other devices and not crossed.</summary>
    SharedBus,
}

/// <summary>The forms in which a two-way protocol is wired.</summary>
public enum WireForms
{
    /// <summary>As its wires say, and no other.</summary>
    AsListed,

    /// <summary>Also on one wire on which both talk in turn.</summary>
    OneWireToo,
}

/// <summary>When a device talks on its wire.</summary>
public enum Turn
{
    /// <summary>When it likes: it needs the wire alone.</summary>
    Own,

    /// <summary>Only when it is asked, so several of a kind answer on one wire.</summary>
    WhenAsked,
}

/// <summary>What kind of port can carry a protocol.</summary>
public enum Carrier
{
    /// <summary>A serial unit, or serial in code.</summary>
    Serial,

    /// <summary>A pulse input.</summary>
    Pulse,

    /// <summary>A bus of two wires.</summary>
    Bus,

    /// <summary>The analogue picture's way.</summary>
    Picture,

    /// <summary>A pin that measures or gives a level.</summary>
    Analogue,
}

/// <summary>The one job that a port is set to; several protocols can share a job.</summary>
public enum PortJob
{
    /// <summary>Receiver input.</summary>
    ReceiverInput,

    /// <summary>Video canvas: text drawn by the air unit.</summary>
    VideoCanvas,

    /// <summary>Position and time from a GNSS module.</summary>
    Gnss,

    /// <summary>Telemetry out to the radio link.</summary>
    TelemetryOut,

    /// <summary>Power and channel control of a video transmitter.</summary>
    VideoControl,

    /// <summary>Telemetry from the speed controllers.</summary>
    EscTelemetry,

    /// <summary>Buttons and settings of a camera.</summary>
    CameraControl,

    /// <summary>Height above ground or optical flow.</summary>
    RangeFinder,

    /// <summary>Recording of the flight.</summary>
    FlightLog,

    /// <summary>Settings and readings to a phone or computer.</summary>
    HostData,

    /// <summary>Stick commands as pulses.</summary>
    PulseInput,

    /// <summary>Sensors on a bus.</summary>
    BusSensors,

    /// <summary>The analogue picture with text laid over it.</summary>
    PictureOverlay,

    /// <summary>Voltage or current, measured as a level.</summary>
    Sensing,
}

/// <summary>A serial protocol as the controller and the device must both speak it.</summary>
/// <param name="Id">The identifier as printed on pads and data sheets.</param>
/// <param name="Framing">The shape of one character, or null where there are no characters.</param>
/// <param name="Bauds">Bits per second, the usual one first; empty where there is no framing.</param>
/// <param name="Idle">How the line rests where the device drives it in its usual form.</param>
/// <param name="Use">Which wires, and who talks.</param>
/// <param name="Job">The job of the port that carries it.</param>
/// <param name="FrameBytes">Characters in its main frame, or null when frames vary.</param>
/// <param name="Source">Where the numbers come from.</param>
public sealed record Protocol(
    string Id,
    Framing? Framing,
    IReadOnlyList<int> Bauds,
    Polarity Idle,
    LineUse Use,
    PortJob Job,
    int? FrameBytes,
    SourceNote Source
)
{
    /// <summary>What a builder calls it: mostly its id.</summary>
    public string Name => ProtocolCatalogue.NameOf(Id);

    /// <summary>True where the device transmits by itself as soon as it has power: receivers, modules and air units do, what only answers does not (common practice).</summary>
    public bool SendsUnasked =>
        Turn == Turn.Own
        && Use is not (LineUse.BoardToDevice or LineUse.SharedBus)
        && Job is not (PortJob.VideoControl or PortJob.CameraControl);

    /// <summary>What kind of port can carry it.</summary>
    public Carrier Carrier { get; init; }

    /// <summary>Whether it is also spoken on one wire, both ways in turn.</summary>
    public WireForms Forms { get; init; }

    /// <summary>When a device talks: what talks only when asked can share its wire with others of its kind.</summary>
    public Turn Turn { get; init; }

    /// <summary>How a frame proves that it arrived whole, or null where it does not or is not known here.</summary>
    public Checksum? Check { get; init; }

    /// <summary>Time in microseconds that the main frame takes at a baud; null when frames vary.</summary>
    public double? FrameMicroseconds(int baud) =>
        FrameBytes is { } bytes ? Framing?.MicrosecondsFor(bytes, baud) : null;
}
