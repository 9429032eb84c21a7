using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Routing;

/// <summary>Ports and jobs in words.</summary>
public static class PortWords
{
    private const string Reads = "an analogue input";
    private const string Gives = "an analogue output";

    /// <summary>What a port is, in a sentence; a pin for levels with its way.</summary>
    public static string What(Port port) =>
        port switch
        {
            { Kind: PortKind.Analogue, Rx: { }, Tx: null } => Reads,
            { Kind: PortKind.Analogue, Rx: null, Tx: { } } => Gives,
            _ => Of(port.Kind),
        };

    /// <summary>What a protocol needs, in a sentence; a level with its way.</summary>
    public static string Needs(Protocol protocol) =>
        (protocol.Carrier, protocol.Use) switch
        {
            (Carrier.Analogue, LineUse.DeviceToBoard) => Reads,
            (Carrier.Analogue, _) => Gives,
            _ => Of(protocol.Carrier),
        };

    /// <summary>What a kind of port is, in a sentence.</summary>
    public static string Of(PortKind kind) =>
        kind switch
        {
            PortKind.Uart => "a UART",
            PortKind.Software => "software serial",
            PortKind.Pulse => "a PPM/PWM input",
            PortKind.Bus => "an I²C bus",
            PortKind.Video => "a video port",
            PortKind.Analogue => "an analogue pin",
            _ => "the USB port",
        };

    /// <summary>What carries a protocol, in a sentence.</summary>
    public static string Of(Carrier carrier) =>
        carrier switch
        {
            Carrier.Serial => "a UART",
            Carrier.Pulse => "a PPM/PWM input",
            Carrier.Bus => "an I²C bus",
            Carrier.Picture => "a video port",
            _ => "an analogue pin",
        };

    /// <summary>A job as the settings page might call it, in neutral words.</summary>
    public static string Of(PortJob job) =>
        job switch
        {
            PortJob.ReceiverInput => "receiver input",
            PortJob.VideoCanvas => "digital OSD",
            PortJob.Gnss => "GNSS",
            PortJob.TelemetryOut => "telemetry output",
            PortJob.VideoControl => "VTX control",
            PortJob.EscTelemetry => "ESC telemetry",
            PortJob.CameraControl => "camera control",
            PortJob.RangeFinder => "rangefinder",
            PortJob.FlightLog => "flight logger",
            PortJob.HostData => "wireless configuration",
            PortJob.PulseInput => "PPM/PWM input",
            PortJob.BusSensors => "I²C sensors",
            PortJob.Sensing => "sensing",
            _ => "analogue OSD",
        };

    /// <summary>A job with its protocol, said once where both have one name.</summary>
    public static string Of(PortJob job, string protocol) =>
        (Of(job), ProtocolCatalogue.NameOf(protocol)) is var (words, name)
        && words.Contains(name, StringComparison.OrdinalIgnoreCase)
            ? words
            : $"{words}, {name}";

    /// <summary>A half of a port.</summary>
    public static string Of(Port port, Half half) =>
        (port.Kind, half) switch
        {
            (PortKind.Video, Half.Rx) => $"{port.Name} in",
            (PortKind.Video, _) => $"{port.Name} out",
            (PortKind.Pulse or PortKind.Analogue, _) => port.Id,
            (_, Half.Rx) => $"{port.Name} RX",
            (_, Half.Tx) => $"{port.Name} TX",
            (_, Half.Data) => $"{port.Name} SDA",
            _ => $"{port.Name} SCL",
        };

    /// <summary>What a mode asks of the device, or null.</summary>
    public static string? Condition(Mode mode) => Condition(mode.Setting, mode.Firmware);

    /// <summary>A setting of a device and the firmware that has it, or null when neither is asked for.</summary>
    public static string? Condition(string? setting, string? firmware) =>
        (setting, firmware) switch
        {
            (null, null) => null,
            ({ }, null) => setting,
            (null, { }) => $"firmware {firmware} or later",
            _ => $"{setting} (firmware {firmware} or later)",
        };

    /// <summary>True when this kind of port can carry it; a level asks for the half that goes its way.</summary>
    public static bool Carries(this Port port, Protocol protocol) =>
        (port.Kind, protocol.Carrier) switch
        {
            (PortKind.Uart or PortKind.Software, Carrier.Serial) => true,
            (PortKind.Pulse, Carrier.Pulse) => true,
            (PortKind.Bus, Carrier.Bus) => true,
            (PortKind.Video, Carrier.Picture) => true,
            (PortKind.Analogue, Carrier.Analogue) => (protocol.Use == LineUse.DeviceToBoard ? port.Rx : port.Tx)
                is not null,
            _ => false,
        };
}
