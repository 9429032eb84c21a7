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
                Sentences.SaveTwoDumpsFirstFull,
                .. cleared.Where(s => !s.IsDone).Take(1).Select(_ => Sentences.ClearThePortsThatLose),
                Sentences.SetThePortsFirstIn,
                Sentences.SaveLetTheBoardRestart,
                Sentences.ThenSetTheRestOf,
                Sentences.ReadBackTheBoardsDump,
                Sentences.ThenSetDevicesAndRadio,
            ],
            [.. Cautions(wired)],
            SettingsCheck.Of(wired)
        );
    }

    private static IEnumerable<string> Cautions(WiredBuild wired)
    {
        yield return Sentences.PropellersOffWhileTheComputer;
        if (wired.Build.Devices.Any(d => d.Device.Kind is DeviceKind.AirUnit or DeviceKind.VideoTransmitter))
        {
            yield return Sentences.AntennaOnEveryTransmitterAnd;
        }
        if (wired.Ports.Any(p => wired.Build.Links.First(l => l.Id == p.Link).Function.Need == Need.Gps))
        {
            yield return Sentences.ReturnToHomeIsNo;
        }
    }
}
