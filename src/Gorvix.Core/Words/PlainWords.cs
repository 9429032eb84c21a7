using Gorvix.Core.Builds;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Words;

/// <summary>Names, numbers and lists as the builder reads them; every sentence of the product is made on this floor, in the rules or by its users in Fit.</summary>
public static class PlainWords
{
    /// <summary>A need as the builder says it.</summary>
    public static string Of(Need need) =>
        need switch
        {
            Need.Control => "Control",
            Need.Picture => "Picture",
            Need.PictureText => "Picture text",
            Need.Position => "Position",
            Need.Heading => "Heading",
            Need.Telemetry => "Telemetry",
            Need.EscReadings => "ESC readings",
            Need.BatteryReadings => "Battery readings",
            Need.VideoControl => "Video control",
            Need.Height => "Height",
            Need.CameraControl => "Camera control",
            Need.FlightLog => "Flight log",
            _ => "Phone settings",
        };

    /// <summary>How much a link is wished for.</summary>
    public static string Of(Priority priority) =>
        priority switch
        {
            Priority.Must => "must",
            Priority.Want => "want",
            _ => "nice",
        };

    /// <summary>A kind of device, as one of them.</summary>
    public static string Of(DeviceKind kind) =>
        kind switch
        {
            DeviceKind.Receiver => "receiver",
            DeviceKind.VideoTransmitter => "video transmitter",
            DeviceKind.AirUnit => "air unit",
            DeviceKind.Gnss => "GNSS module",
            DeviceKind.SpeedController => "speed controller",
            DeviceKind.TelemetryRadio => "telemetry radio",
            DeviceKind.Camera => "camera",
            DeviceKind.RangeFinder => "range finder",
            DeviceKind.Recorder => "recorder",
            DeviceKind.WirelessBridge => "wireless bridge",
            DeviceKind.Compass => "compass",
            DeviceKind.Overlay => "overlay board",
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
        : a < 1 ? $"{a * 1000:0.#} mA"
        : $"{a:0.##} A";

    /// <summary>A range of volts; one number when both ends are the same.</summary>
    public static string Of(VoltWindow volts) =>
        volts.Min == volts.Max ? $"{volts.Max:0.0#} V" : $"{volts.Min:0.0#} to {volts.Max:0.0#} V";
}
