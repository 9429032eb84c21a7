using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Words;

/// <summary>Names, numbers and lists as the builder reads them; every sentence of the product is made on this floor, in the rules or by its users in Fit.</summary>
public static class PlainWords
{
    /// <summary>A USB port with what it gives.</summary>
    public static string Of(UsbPort port) =>
        port switch
        {
            UsbPort.Unconfigured => "unconfigured USB port: 100 mA",
            UsbPort.Usb3 => "USB 3 port: 900 mA",
            UsbPort.TypeC15 => "USB-C port advertising 1.5 A",
            UsbPort.TypeC30 => "USB-C port advertising 3 A",
            _ => "USB 2.0 port: 500 mA",
        };

    /// <summary>A need as the builder says it.</summary>
    public static string Of(Need need) =>
        need switch
        {
            Need.RcLink => "RC link",
            Need.Video => "Video",
            Need.Osd => "OSD",
            Need.Gps => "GPS",
            Need.Compass => "Compass",
            Need.Telemetry => "Telemetry",
            Need.EscTelemetry => "ESC telemetry",
            Need.BatterySensing => "Battery sensing",
            Need.VtxControl => "VTX control",
            Need.Rangefinder => "Rangefinder",
            Need.CameraControl => "Camera control",
            Need.FlightLog => "Flight logger",
            _ => "Wireless configuration",
        };

    /// <summary>A state that a device shows.</summary>
    public static string Of(SignState state) =>
        state switch
        {
            SignState.Powered => "powered",
            SignState.Searching => "searching",
            SignState.Linked => "linked",
            SignState.Binding => "in bind mode",
            SignState.Bootloader => "in bootloader",
            SignState.Update => "waiting for wireless update",
            SignState.Fix => "GPS fix",
            _ => "fault",
        };

    /// <summary>How much a link is wished for.</summary>
    public static string Of(Priority priority) =>
        priority switch
        {
            Priority.Required => "required",
            Priority.Wanted => "wanted",
            _ => "optional",
        };

    /// <summary>A kind of device, as one of them.</summary>
    public static string Of(DeviceKind kind) =>
        kind switch
        {
            DeviceKind.Receiver => "receiver",
            DeviceKind.VideoTransmitter => "VTX",
            DeviceKind.AirUnit => "air unit",
            DeviceKind.Gnss => "GNSS module",
            DeviceKind.Esc => "ESC",
            DeviceKind.TelemetryRadio => "telemetry radio",
            DeviceKind.Camera => "camera",
            DeviceKind.Rangefinder => "rangefinder",
            DeviceKind.FlightLogger => "flight logger",
            DeviceKind.WirelessBridge => "wireless bridge",
            DeviceKind.Compass => "compass",
            DeviceKind.Osd => "OSD board",
            DeviceKind.Regulator => "regulator",
            DeviceKind.Filter => "filter",
            _ => "adapter",
        };

    /// <summary>A link in a sentence.</summary>
    public static string Of(Link link) =>
        link.Tag is { } tag
            ? $"{Of(link.Function.Need)} \"{tag}\" ({link.Device.Name})"
            : $"{Of(link.Function.Need)} ({link.Device.Name})";

    /// <summary>A current; "unknown" where the leaflet does not say.</summary>
    public static string Amperes(double? amperes) =>
        amperes is not { } a ? "unknown"
        : a < 0.01 ? $"{a * 1000:0.#} mA"
        : a < 0.9995 ? $"{a * 1000:0} mA"
        : $"{a:0.##} A";

    /// <summary>A range of volts; one number when both ends are the same.</summary>
    public static string Of(VoltWindow volts) =>
        volts.Min == volts.Max ? $"{volts.Max:0.0#} V" : $"{volts.Min:0.0#}–{volts.Max:0.0#} V";
}
