using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Plans.Routing;

/// <summary>Ports and jobs in words.</summary>
public static class PortWords
{
    private const string Reads = "analogue input";
    private const string Gives = "analogue output";

    /// <summary>What an analogue level stands for.</summary>
    public static string Of(AnalogueReading reading) =>
        reading switch
        {
            AnalogueReading.Current => "battery current",
            AnalogueReading.BatteryVoltage => "battery voltage",
            _ => "RSSI",
        };

    /// <summary>What a port is, as a label; a pin for levels with its direction.</summary>
    public static string Label(Port port) =>
        port switch
        {
            { Kind: PortKind.Analogue, Rx: { }, Tx: null } => Reads,
            { Kind: PortKind.Analogue, Rx: null, Tx: { } } => Gives,
            _ => Label(port.Kind),
        };

    /// <summary>What carries a protocol, as a label.</summary>
    public static string Label(Carrier carrier) =>
        carrier switch
        {
            Carrier.Serial => Label(PortKind.Uart),
            Carrier.Pulse => Label(PortKind.Pulse),
            Carrier.Bus => Label(PortKind.Bus),
            Carrier.Picture => Label(PortKind.Video),
            _ => Label(PortKind.Analogue),
        };

    /// <summary>What a port is, in a sentence.</summary>
    public static string What(Port port) => A(Label(port));

    /// <summary>What a protocol needs, in a sentence; a level with its direction.</summary>
    public static string Needs(Protocol protocol) =>
        A(
            (protocol.Carrier, protocol.Use) switch
            {
                (Carrier.Analogue, LineUse.DeviceToBoard) => Reads,
                (Carrier.Analogue, _) => Gives,
                _ => Label(protocol.Carrier),
            }
        );

    /// <summary>What a kind of port is, in a sentence.</summary>
    public static string Of(PortKind kind) => A(Label(kind));

    private static string Label(PortKind kind) =>
        kind switch
        {
            PortKind.Uart => "UART",
            PortKind.Software => "software serial",
            PortKind.Pulse => "PPM/PWM input",
            PortKind.Bus => "I²C bus",
            PortKind.Video => "video port",
            PortKind.Analogue => "analogue pin",
            _ => "USB port",
        };

    private static string A(string label) =>
        label switch
        {
            "software serial" => label,
            "USB port" => "the USB port",
            ['I' or 'a', ..] => $"an {label}",
            _ => $"a {label}",
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

    /// <summary>The half of a port that a net is; null where it is another pin of the port.</summary>
    public static string? Of(Port port, string net) =>
        net == port.Rx ? Of(port, Half.Rx)
        : net == port.Tx ? Of(port, Half.Tx)
        : net == port.Data ? Of(port, Half.Data)
        : net == port.Clock ? Of(port, Half.Clock)
        : null;

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
