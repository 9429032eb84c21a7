using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Gnss;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Settings;

/// <summary>Finds what is wrong or doubtful about the settings of a build.</summary>
public static class SettingsCheck
{
    /// <summary>As many satellites as a good sky shows; what is planned must fit them.</summary>
    public const int GoodSky = 20;

    /// <summary>Every finding.</summary>
    /// <param name="wired">The build as it is wired.</param>
    public static IReadOnlyList<Finding> Of(WiredBuild wired) =>
        [.. All(wired, new BoardSettingsReader(wired, null), wired.Build.Built.Stands.OfType<SetFact>())];

    private static IEnumerable<Finding> All(WiredBuild wired, BoardSettingsReader whole, IEnumerable<SetFact> noted)
    {
        var chosen = wired.Build.Build.Settings;
        if (whole.LacksPosition)
        {
            yield return SettingsRules.NoPosition.Found(Severity.Warn, Subject.Build);
        }
        if (whole.Compass is { } compass && chosen.Place is null)
        {
            yield return SettingsRules.NoPlace.Found(
                Severity.Note,
                Subject.Link(compass.Link),
                ("device", wired.Build.Links.First(l => l.Id == compass.Link).Device.Name)
            );
        }
        if (chosen is { StrengthChannel: { } channel, Channels: { } channels } && channel > channels && channel != 9)
        {
            yield return SettingsRules.Channel.Found(
                Severity.Warn,
                Subject.Build,
                ("place", Sentences.BuildSettings),
                ("channel", $"{channel}"),
                ("channels", $"{channels}")
            );
        }
        if (whole.Gnss is { } gnss)
        {
            foreach (var finding in OfModule(wired, whole, gnss))
            {
                yield return finding;
            }
        }
        var ports = new PortSettingsReader(wired);
        var wanted = ports.Cleared(noted).Concat(ports.Settings()).Concat(whole.OfBoard()).ToDictionary(s => s.Key);
        foreach (var fact in noted)
        {
            if (wanted.TryGetValue(fact.Key, out var setting) && setting.Value != fact.Value)
            {
                yield return SettingsRules.Changed.Found(
                    Severity.Warn,
                    setting.Link is { } link ? Subject.Link(link) : Subject.Build,
                    ("place", ReadBack.NameOf(fact.Key)),
                    ("was", fact.Value),
                    ("wanted", setting.Value)
                );
            }
        }
    }

    private static IEnumerable<Finding> OfModule(WiredBuild wired, BoardSettingsReader whole, PortSet gnss)
    {
        var link = wired.Build.Links.First(l => l.Id == gnss.Link);
        if (whole.WayOf(link.Device).Way == GnssWay.Stored && link.Device.Memory == SetupMemory.Loses)
        {
            yield return SettingsRules.Forgets.Found(
                Severity.Warn,
                Subject.Device(link.Want.Device),
                ("device", link.Device.Name)
            );
        }
        if (gnss.Settings.Baud is not { } baud)
        {
            yield break;
        }
        var chosen = wired.Build.Build.Settings;
        var budget = MessageBudget.Of(
            gnss.Settings.Protocol,
            chosen.Gnss ?? GnssGeneration.Older,
            GoodSky,
            chosen.GnssHertz ?? GnssUsual.UsualHertz,
            baud,
            gnss.Mode.Bauds
        );
        if (budget.Load > MessageBudget.Full)
        {
            yield return SettingsRules.Budget.Found(
                budget.Load > 1 ? Severity.Warn : Severity.Note,
                Subject.Link(gnss.Link),
                ("hertz", $"{budget.Hertz}"),
                ("device", link.Device.Name),
                ("load", Phrase.Percent(budget.Load)),
                ("port", gnss.Port.Name),
                ("baud", Phrase.Baud(baud)),
                ("mend", budget.Mend)
            );
        }
    }
}
