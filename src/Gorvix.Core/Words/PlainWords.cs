using Gorvix.Core.Builds;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Words;

/// <summary>Names, numbers and lists as the builder reads them; every sentence of the product is made on this floor, in the rules or by its users in Fit.</summary>
public static class PlainWords
{
    /// <summary>A USB port with what it gives.</summary>
    public static string Of(UsbPort port) =>
        port switch
        {
            UsbPort.Bare => "a port that grants nothing: 100 mA",
            UsbPort.Fast => "a fast port: 900 mA",
            UsbPort.TypeC15 => "type C that says 1.5 A",
            UsbPort.TypeC30 => "type C that says 3 A",
            _ => "a computer's port: 500 mA",
        };

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

    /// <summary>A state that a device shows.</summary>
    public static string Of(SignState state) =>
        state switch
        {
            SignState.Fed => "has power",
            SignState.Searching => "looks for the other end",
            SignState.Linked => "has the other end",
            SignState.Binding => "waits to be bound",
            SignState.Loader => "is in its loader",
            SignState.Update => "waits for an update over the air",
            SignState.Fix => "has a position",
            _ => "something is wrong",
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
