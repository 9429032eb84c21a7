using System.Globalization;
using Gorvix.Core.Findings;

namespace Gorvix.Core.Rails;

/// <summary>What there is to say of a build in a situation.</summary>
public static class RailCheck
{
    /// <summary>More than this of a linear regulator, in watts, is too hot to touch (common practice).</summary>
    public const double MostHeat = 1;

    /// <summary>More of the pad's volts than this should not stay in the wire (common practice).</summary>
    public const double MostDrop = 0.03;

    // A meter and a leaflet agree to about this, in volts.
    private const double Slack = 0.02;

    /// <summary>The findings of a situation, the worst first.</summary>
    /// <param name="sheet">The build in the situation.</param>
    public static IReadOnlyList<Finding> Of(RailSheet sheet) => [.. All(sheet).OrderByDescending(f => f.Severity)];

    private static IEnumerable<Finding> All(RailSheet sheet)
    {
        var name = sheet.Situation.Name;
        if (sheet.Problem is { } problem)
        {
            var parts = problem.Split(" finds ", 2);
            yield return RailRules.Unsettled.Found(
                Severity.Warn,
                Subject.Place(parts[0]),
                ("situation", name),
                ("place", parts[0]),
                ("why", parts.Length > 1 ? $"it finds {parts[1]}" : problem)
            );
        }
        var usb = sheet.Situation.InputVolts is null;
        foreach (var lead in sheet.Leads.Where(l => l.Pad is not null))
        {
            foreach (var finding in OfLead(sheet, lead, name, usb))
            {
                yield return finding;
            }
        }
        foreach (var rail in sheet.Rails)
        {
            if (rail.Limit is { } limit && rail.Peak > limit)
            {
                var always = rail.Typical > limit;
                yield return RailRules.Overloaded.Found(
                    always ? Severity.Stop : Severity.Warn,
                    Subject.Place(rail.Label),
                    ("rail", rail.Label),
                    ("limit", Amps(limit)),
                    ("situation", name),
                    ("least", rail.AtLeast ? "at least " : ""),
                    ("amps", Amps(always ? rail.Typical : rail.Peak)),
                    ("how", always ? "are drawn all the time" : "are drawn at times")
                );
            }
            if (rail.Heat > MostHeat)
            {
                yield return RailRules.Heat.Found(
                    Severity.Warn,
                    Subject.Place(rail.Label),
                    ("rail", rail.Label),
                    ("watts", rail.Heat.Value.ToString("0.0", CultureInfo.InvariantCulture)),
                    ("situation", name)
                );
            }
        }
        if (usb && sheet.UsbAmps is { } drawn && drawn.Typical > Situation.UsbAmps)
        {
            var first = sheet.Rails.Where(r => r.Alive).MaxBy(r => r.Typical);
            yield return RailRules.UsbLimit.Found(
                Severity.Warn,
                Subject.Place("USB"),
                ("rail", first?.Label ?? "USB"),
                ("amps", Amps(drawn.Typical)),
                ("limit", Amps(Situation.UsbAmps))
            );
        }
    }

    private static IEnumerable<Finding> OfLead(RailSheet sheet, LeadReading lead, string name, bool usb)
    {
        Finding Say(Rule rule, Severity severity, params (string, string)[] facts) =>
            rule.Found(
                severity,
                Subject.Lead(lead.Device, lead.Lead),
                [("lead", lead.Label), ("device", lead.Name), .. facts]
            );
        if (lead.Volts is not { } volts || lead.LowVolts is not { } low)
        {
            // That no ground is joined is said of the wiring.
            yield break;
        }
        if (volts > lead.Window.Max + Slack)
        {
            yield return Say(
                RailRules.Over,
                Severity.Stop,
                ("volts", Volts(volts)),
                ("situation", name),
                ("takes", Volts(lead.Window.Max))
            );
        }
        if (low < lead.Window.Min - Slack)
        {
            if (usb)
            {
                var rail = sheet.Rails.FirstOrDefault(r => r.Id == lead.Rail);
                yield return Say(
                    RailRules.Silent,
                    Severity.Note,
                    (
                        "why",
                        rail is { Alive: true }
                            ? $"rail {rail.Label} gives only {Volts(low)} V from there"
                            : $"rail {rail?.Label ?? "behind it"} is fed by the battery only"
                    )
                );
                yield break;
            }
            yield return Say(
                RailRules.Under,
                sheet.Situation.InLine == InLine.Nothing ? Severity.Stop : Severity.Note,
                ("volts", Volts(low)),
                ("situation", name),
                ("takes", Volts(lead.Window.Min))
            );
        }
        if (
            lead.Way.Count >= 2
            && lead.Way[^2].Volts is var pad
            && pad - lead.Way[^1].Volts > MostDrop * pad
            && pad > 1
        )
        {
            yield return Say(
                RailRules.Drop,
                Severity.Warn,
                ("pad", lead.Way[^2].What),
                ("volts", Volts(pad - lead.Way[^1].Volts)),
                ("situation", name),
                ("percent", $"{100 * (pad - lead.Way[^1].Volts) / pad:0}")
            );
        }
    }

    private static string Volts(double value) => value.ToString("0.0#", CultureInfo.InvariantCulture);

    private static string Amps(double value) => value.ToString("0.0#", CultureInfo.InvariantCulture);
}
