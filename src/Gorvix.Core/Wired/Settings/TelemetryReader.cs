using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Settings;

/// <summary>Tells which values will be on the radio's screen, and why the others will not (common practice).</summary>
internal sealed class TelemetryReader(WiredBuild wired, BoardSettingsReader board)
{
    /// <summary>How values come back to the radio, in words: "inside the control link, by CRSF"; null where no link does it.</summary>
    public static string? WayOf(WiredBuild wired)
    {
        var links = wired.Build.Links.ToDictionary(l => l.Id);
        if (
            wired.Rides.FirstOrDefault(r => links[r.Link].Function.Need == Need.Telemetry) is { } ride
            && wired.Ports.FirstOrDefault(p => p.Link == ride.In) is { } carrier
        )
        {
            return $"in-band over the RC link, {carrier.Settings.Protocol}";
        }
        if (wired.Ports.FirstOrDefault(p => links[p.Link].Function.Need == Need.Telemetry) is { } own)
        {
            return $"over {own.Settings.Protocol} on {own.Port.Name}";
        }
        // A link that talks both ways brings values back although nobody has asked for them.
        return
            wired.Ports.FirstOrDefault(p => links[p.Link].Function.Need == Need.RcLink) is { } control
            && control.Mode.Carries.Count > 0
            && control.Mode.Lines.Any(l => l.Flow != Flow.Out)
            ? $"in-band over the RC link, {control.Settings.Protocol}"
            : null;
    }

    /// <summary>How to read the radio's screen; nothing where nothing comes back.</summary>
    public static IReadOnlyList<string> Notes(WiredBuild wired) =>
        WayOf(wired) is null
            ? []
            :
            [
                "A blinking marker means live data; a steady marker is only the last value. Sensors with a minus or plus show the lowest and highest seen.",
                "If each value arrives only once, the receiver has old firmware: values update once only until you update it.",
            ];

    // A receiver whose manual names no telemetry, on a link that talks both ways, may bring it all the same.
    private string Lack() =>
        wired.Ports.FirstOrDefault(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == Need.RcLink)
            is { } control
        && control.Mode.Lines.Any(l => l.Flow == Flow.In)
        && control.Mode.Lines.Any(l => l.Flow == Flow.Out)
            ? $"Not known: {control.Settings.Protocol} runs both ways, but the receiver's part file names no telemetry."
        : wired.Build.Links.Any(l => l.Function.Need == Need.Telemetry) ? "Telemetry is not connected."
        : "No telemetry: the RC link is one-way.";

    /// <summary>Every value, those that come first.</summary>
    public IReadOnlyList<TelemetryValue> Values()
    {
        var way = WayOf(wired);
        TelemetryValue Value(string name, string from, string? lacks) =>
            new(name, from, lacks is null ? way : null, way is null ? Lack() : lacks);
        string? Without(Need need, string mend) =>
            wired.Ports.Any(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == need) ? null : mend;
        var position = Without(Need.Gps, "No GNSS module connected.");
        var esc = Without(Need.EscTelemetry, "No ESC telemetry connected.");
        List<TelemetryValue> all =
        [
            Value("link quality and RSSI", "receiver", null),
            Value(
                "battery voltage",
                "board",
                board.SensesVoltage ? null : "The board is not powered from the battery and does not see its voltage."
            ),
            Value(
                "battery current and charge used",
                "ESC current sensor",
                board.SensesCurrent ? null : "No current sensor lead reaches the board."
            ),
            Value("pitch, roll and yaw", "board", null),
            Value("flight mode", "board", null),
            Value("position, speed and course", "GNSS module", position),
            Value("satellites", "GNSS module", position),
            Value(
                "altitude",
                position is null ? "GNSS module or onboard barometer" : "onboard barometer",
                position is null
                    ? null
                    : "No GNSS module connected; the board's datasheet does not say whether it has a barometer."
            ),
            Value("heading", "compass", Without(Need.Compass, "No compass connected.")),
            Value("motor RPM and ESC temperature", "ESCs", esc),
        ];
        if (wired.Ports.Any(p => p.Settings.Job == PortJob.RangeFinder))
        {
            all.Add(Value("height above ground", "rangefinder", null));
        }
        return [.. all.OrderBy(v => v.Missing is not null)];
    }
}
