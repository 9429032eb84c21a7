using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Settings;

/// <summary>Reads every switch that a wired build implies.</summary>
public static class SettingsReader
{
    /// <summary>The sheet of a build.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="today">The day, for the declination.</param>
    public static SettingsSheet Of(WiredBuild wired, DateOnly today)
    {
        var (ports, whole) = (new PortSettingsReader(wired), new BoardSettingsReader(wired, today));
        var noted = wired.Build.Built.Stands.OfType<SetFact>().ToDictionary(f => f.Key);
        Setting WithTick(Setting setting) =>
            noted.TryGetValue(setting.Key, out var fact) && SettingsSheet.Stands(setting, fact.Value)
                ? setting with
                {
                    IsDone = true,
                    DoneOn = fact.On,
                }
                : setting;
        Setting[] cleared = [.. ports.Cleared(noted.Values).Select(WithTick)];
        Setting[] all = [.. cleared, .. ports.Settings(), .. whole.OfBoard(), .. whole.OfDevices(), .. whole.OfRadio()];
        return new SettingsSheet(
            [.. all.Select(WithTick)],
            [.. ports.Untouched()],
            new TelemetryReader(wired, whole).Values(),
            TelemetryReader.Notes(wired),
            TimingReader.Of(wired),
            [
                "Save two dumps first, full and diff from default, with the date and the firmware version.",
                .. cleared.Where(s => !s.IsDone).Take(1).Select(_ => "Clear the ports that lose their function."),
                "Set the ports first, in one go; two functions on one port clear all port settings. Leave the USB link's port as it is.",
                "Save, let the board restart, reconnect.",
                "Then set the rest of the board; save and reconnect.",
                "Read back the board's dump and compare it.",
                "Then set devices and radio.",
            ],
            [.. Cautions(wired)],
            SettingsCheck.Of(wired)
        );
    }

    private static IEnumerable<string> Cautions(WiredBuild wired)
    {
        yield return "Propellers off while the computer is connected.";
        if (wired.Build.Devices.Any(d => d.Device.Kind is DeviceKind.AirUnit or DeviceKind.VideoTransmitter))
        {
            yield return "Antenna on every transmitter and airflow over it before connecting the battery.";
        }
        if (wired.Ports.Any(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == Need.Gps))
        {
            yield return "Return-to-home is no guarantee of rescue: test it in an open, safe place, by your local rules.";
        }
    }
}
