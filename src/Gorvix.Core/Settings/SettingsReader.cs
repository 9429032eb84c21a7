using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Settings;

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
        Setting[] all = [.. ports.Settings(), .. whole.OfBoard(), .. whole.OfDevices(), .. whole.OfRadio()];
        return new SettingsSheet(
            [.. all.Select(WithTick)],
            [.. ports.Untouched()],
            new TelemetryReader(wired, whole.SensesCurrent).Values(),
            TelemetryReader.Notes(wired),
            TimingReader.Of(wired),
            [
                "Save what is there as two texts, everything and the difference from default, with the date and the firmware's version.",
                "Set the ports first, in one go; two jobs on one port empty the whole page. Leave the port that carries the USB link as it is.",
                "Save, let the board restart, connect again.",
                "Then the rest of the board; save and connect again.",
                "Read back what the board prints, and compare it.",
                "Then devices and radio.",
            ],
            [.. Cautions(wired)],
            SettingsCheck.Of(wired)
        );
    }

    private static IEnumerable<string> Cautions(WiredBuild wired)
    {
        yield return "Propellers off while the computer is plugged in.";
        if (wired.Build.Devices.Any(d => d.Device.Kind is DeviceKind.AirUnit or DeviceKind.VideoTransmitter))
        {
            yield return "Antenna on and air over every transmitter before the battery is plugged in.";
        }
        if (wired.Ports.Any(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == Need.Position))
        {
            yield return "Return-home is no promise of rescue: test it in an open, safe place, by your local rules.";
        }
    }
}
