using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Settings;

/// <summary>Tells which values will be on the radio's screen, and why the others will not (common practice).</summary>
internal sealed class TelemetryReader(WiredBuild wired, bool sensesCurrent)
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
            return $"inside the control link, by {carrier.Settings.Protocol}";
        }
        if (wired.Ports.FirstOrDefault(p => links[p.Link].Function.Need == Need.Telemetry) is { } own)
        {
            return $"by {own.Settings.Protocol} on {own.Port.Id}";
        }
        // A link that talks both ways brings values back although nobody has asked for them.
        return
            wired.Ports.FirstOrDefault(p => links[p.Link].Function.Need == Need.Control) is { } control
            && control.Mode.Carries.Count > 0
            && control.Mode.Lines.Any(l => l.Flow != Flow.Out)
            ? $"inside the control link, by {control.Settings.Protocol}"
            : null;
    }

    /// <summary>How to read the radio's screen; nothing where nothing comes back.</summary>
    public static IReadOnlyList<string> Notes(WiredBuild wired) =>
        WayOf(wired) is null
            ? []
            :
            [
                "A value whose mark blinks is alive; one that stands still is the last one remembered. Entries with a minus or plus are the lowest and highest seen.",
                "Where each value comes once and never again, the receiver's firmware is old: it updates once only until it is renewed.",
            ];

    /// <summary>Every value, those that come first.</summary>
    public IReadOnlyList<TelemetryValue> Values()
    {
        var way = WayOf(wired);
        TelemetryValue Value(string name, string from, string? lacks) =>
            new(
                name,
                from,
                lacks is null ? way : null,
                way is null
                    ? "Nothing comes back: the link to the radio is one way, or its telemetry has no port."
                    : lacks
            );
        string? Without(Need need, string mend) =>
            wired.Ports.Any(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == need) ? null : mend;
        var position = Without(Need.Position, "No GNSS module has a port.");
        var esc = Without(Need.EscReadings, "No speed controller reports to a port.");
        List<TelemetryValue> all =
        [
            Value("link quality and strength", "the receiver", null),
            Value("battery voltage", "the board, on its supply wire", null),
            Value(
                "battery current and used charge",
                "the speed controllers' sensor",
                sensesCurrent ? null : "No lead brings the current's level to the board."
            ),
            Value("pitch, roll and turn", "the board", null),
            Value("flight mode", "the board", null),
            Value("position, speed and course", "the GNSS module", position),
            Value("satellites", "the GNSS module", position),
            Value(
                "height",
                position is null ? "the GNSS module, or a barometer on the board" : "a barometer on the board",
                position is null
                    ? null
                    : "No GNSS module has a port; whether the board has a barometer its leaflet does not tell."
            ),
            Value("heading", "the compass", Without(Need.Heading, "No compass is carried.")),
            Value("motor speed and temperature", "the speed controllers", esc),
        ];
        if (wired.Ports.Any(p => p.Settings.Job == PortJob.RangeFinder))
        {
            all.Add(Value("height above ground", "the range finder", null));
        }
        return [.. all.OrderBy(v => v.Missing is not null)];
    }
}
