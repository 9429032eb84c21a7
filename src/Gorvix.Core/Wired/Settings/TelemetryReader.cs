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
            return Sentences.InBandOverTheRc(carrier.Settings.Protocol);
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
            ? Sentences.InBandOverTheRc(control.Settings.Protocol)
            : null;
    }

    /// <summary>How to read the radio's screen; nothing where nothing comes back.</summary>
    public static IReadOnlyList<string> Notes(WiredBuild wired) =>
        WayOf(wired) is null ? [] : [Sentences.ABlinkingMarkerMeansLiveData, Sentences.IfEachValueArrivesOnly];

    // A receiver whose manual names no telemetry, on a link that talks both ways, may bring it all the same.
    private string Lack() =>
        wired.Ports.FirstOrDefault(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == Need.RcLink)
            is { } control
        && control.Mode.Lines.Any(l => l.Flow == Flow.In)
        && control.Mode.Lines.Any(l => l.Flow == Flow.Out)
            ? Sentences.NotKnownRunsBothWays(control.Settings.Protocol)
        : wired.Build.Links.Any(l => l.Function.Need == Need.Telemetry) ? Sentences.TelemetryIsNotConnected
        : Sentences.NoTelemetryTheRcLink;

    /// <summary>Every value, those that come first.</summary>
    public IReadOnlyList<TelemetryValue> Values()
    {
        var way = WayOf(wired);
        TelemetryValue Value(string name, string from, string? lacks) =>
            new(name, from, lacks is null ? way : null, way is null ? Lack() : lacks);
        string? Without(Need need, string mend) =>
            wired.Ports.Any(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == need) ? null : mend;
        var position = Without(Need.Gps, Sentences.NoGnssModuleConnected);
        var esc = Without(Need.EscTelemetry, Sentences.NoEscTelemetryConnected);
        List<TelemetryValue> all =
        [
            Value(Sentences.LinkQualityAndRssi, "receiver", null),
            Value(Sentences.BatteryVoltage, "board", board.SensesVoltage ? null : Sentences.TheBoardIsNotPowered),
            Value(
                Sentences.BatteryCurrentAndChargeUsed,
                Sentences.EscCurrentSensor,
                board.SensesCurrent ? null : Sentences.NoCurrentSensorLeadReaches
            ),
            Value(Sentences.PitchRollAndYaw, "board", null),
            Value(Sentences.FlightMode, "board", null),
            Value(Sentences.PositionSpeedAndCourse, Sentences.GnssModule, position),
            Value("satellites", Sentences.GnssModule, position),
            Value(
                "altitude",
                position is null ? Sentences.GnssModuleOrOnboardBarometer : Sentences.OnboardBarometer,
                position is null ? null : Sentences.NoGnssModuleConnectedThe
            ),
            Value("heading", "compass", Without(Need.Compass, Sentences.NoCompassConnected)),
            Value(Sentences.MotorRpmAndEscTemperature, "ESCs", esc),
        ];
        if (wired.Ports.Any(p => p.Settings.Job == PortJob.RangeFinder))
        {
            all.Add(Value(Sentences.HeightAboveGround, "rangefinder", null));
        }
        return [.. all.OrderBy(v => v.Missing is not null)];
    }
}
