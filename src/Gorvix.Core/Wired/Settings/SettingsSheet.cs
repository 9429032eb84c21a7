using System.Globalization;
using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Settings;

/// <summary>Where a setting is made.</summary>
public enum SettingPlace
{
    /// <summary>On the board: the one job of a port.</summary>
    Port,

    /// <summary>On the board: for the build as a whole.</summary>
    Board,

    /// <summary>On a device.</summary>
    Device,

    /// <summary>On the radio.</summary>
    Radio,
}

/// <summary>One setting.</summary>
/// <param name="Key">Its name in the neutral form: "port.U3", "battery.voltage".</param>
/// <param name="Place">Where it is made.</param>
/// <param name="Value">To what it is set, in the neutral form; empty where only a hand can do it.</param>
/// <param name="Words">It in words, as it is read off.</param>
/// <param name="Why">Why, as a sentence.</param>
public sealed record Setting(string Key, SettingPlace Place, string Value, string Words, string Why)
{
    /// <summary>Id of the link that it is for; null where it is for none.</summary>
    public string? Link { get; init; }

    /// <summary>True when its link shows nothing while it is set otherwise: the receiver's protocol, not the compass's turn.</summary>
    [JsonIgnore]
    public bool IsVital { get; init; } = true;

    /// <summary>Id of the port; null where it is about none.</summary>
    public string? Port { get; init; }

    /// <summary>Id within the build of the device that it is made on; null for the board and the radio.</summary>
    public string? Device { get; init; }

    /// <summary>What the port is set to; null where it is about no port.</summary>
    public PortValues? Values { get; init; }

    /// <summary>True when the board prints it back, so that it can be compared.</summary>
    public bool IsPrinted => Place is SettingPlace.Port or SettingPlace.Board;

    /// <summary>True when somebody has said that it is set so.</summary>
    public bool IsDone { get; init; }

    /// <summary>When that was, UTC; null while it is not.</summary>
    public DateTime? DoneOn { get; init; }
}

/// <summary>What a port is set to, value by value.</summary>
/// <param name="Job">Its one job.</param>
/// <param name="Protocol">Id of the protocol.</param>
/// <param name="Baud">Bits per second; null where there are none.</param>
/// <param name="Rx">How the controller takes what it hears; null where it hears nothing.</param>
/// <param name="Tx">How the controller puts what it says; null where it says nothing.</param>
/// <param name="IsOneWire">True when both ways run over the TX pin.</param>
/// <param name="IsSwapped">True when RX and TX are exchanged.</param>
/// <param name="Pins">Name of the pins that the unit is led to; null for the usual ones.</param>
public sealed record PortValues(
    PortJob Job,
    string Protocol,
    int? Baud,
    Polarity? Rx,
    Polarity? Tx,
    bool IsOneWire,
    bool IsSwapped,
    string? Pins
);

/// <summary>A value on the radio's screen.</summary>
/// <param name="Name">What it tells.</param>
/// <param name="From">Where it comes from, in words.</param>
/// <param name="By">By which link; null where it does not come.</param>
/// <param name="Missing">Why it does not come, as a sentence; null where it does.</param>
public sealed record TelemetryValue(string Name, string From, string? By, string? Missing);

/// <summary>How long a stick takes from the radio's module to the controller.</summary>
/// <param name="Protocol">Id of the protocol.</param>
/// <param name="PacketHertz">Packets a second.</param>
/// <param name="PeriodMs">Time from packet to packet, milliseconds.</param>
/// <param name="BayFrameMs">Time of a frame on the line in the radio's bay; null where nothing is known of it.</param>
/// <param name="FrameMs">Time of a frame on the line from the receiver to the board; null where frames vary.</param>
/// <param name="WorstMs">The longest that a stick waits: a packet's time and both frames.</param>
/// <param name="MostHertz">The most packets a second whose frames fit both lines; null where frames vary.</param>
/// <param name="Words">What comes of it, as a sentence.</param>
public sealed record LinkTiming(
    string Protocol,
    double PacketHertz,
    double PeriodMs,
    double? BayFrameMs,
    double? FrameMs,
    double WorstMs,
    int? MostHertz,
    string Words
);

/// <summary>Every switch that a wired build implies, in the order in which one sets it.</summary>
/// <param name="Settings">The settings.</param>
/// <param name="Untouched">Ports that are never touched, each with why, as sentences.</param>
/// <param name="Telemetry">What will be on the radio's screen, and what will not.</param>
/// <param name="TelemetryNotes">How to read that screen, in sentences.</param>
/// <param name="Timing">How long a stick takes; null while the link's rate is not known.</param>
/// <param name="Order">How to go about it, in sentences.</param>
/// <param name="Cautions">What to mind, in sentences.</param>
/// <param name="Findings">What is wrong or doubtful about it.</param>
public sealed record SettingsSheet(
    IReadOnlyList<Setting> Settings,
    IReadOnlyList<string> Untouched,
    IReadOnlyList<TelemetryValue> Telemetry,
    IReadOnlyList<string> TelemetryNotes,
    LinkTiming? Timing,
    IReadOnlyList<string> Order,
    IReadOnlyList<string> Cautions,
    IReadOnlyList<Finding> Findings
)
{
    /// <summary>Key of the declination.</summary>
    public const string Declination = "compass.declination";

    // No compass is better than this, and the field drifts by a tenth in a year.
    private const double SameDegrees = 0.25;

    /// <summary>True when a value is what a setting asks for; a declination drifts a little from day to day.</summary>
    public static bool Stands(Setting setting, string value) =>
        setting.Value == value
        || (
            setting.Key == Declination
            && double.TryParse(value, NumberStyles.Float, CultureInfo.InvariantCulture, out var was)
            && double.TryParse(setting.Value, NumberStyles.Float, CultureInfo.InvariantCulture, out var wanted)
            && Math.Abs(was - wanted)
                <= (setting.Value.Contains('.', StringComparison.Ordinal) ? SameDegrees : 60 * SameDegrees)
        );

    /// <summary>What a tick of a setting notes.</summary>
    /// <param name="setting">One of the settings.</param>
    public static SetFact FactOf(Setting setting) =>
        new()
        {
            Key = setting.Key,
            Value = setting.Value,
            Words = setting.Words,
        };
}
