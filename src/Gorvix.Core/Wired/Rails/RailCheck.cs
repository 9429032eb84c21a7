using System.Globalization;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Supply;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Rails;

/// <summary>What there is to say of a build in a situation, and of its wiring in every situation.</summary>
public static class RailCheck
{
    /// <summary>More than this of a linear regulator, in watts, is too hot to touch (common practice).</summary>
    public const double MostHeat = 1;

    /// <summary>More of the pad's volts than this should not stay in the wire (common practice).</summary>
    public const double MostDrop = 0.03;

    /// <summary>A limiter that lets more through than this, in amperes, holds no fault harmless (common practice: 1 to 2 A).</summary>
    public const double MostHarmless = 2;

    /// <summary>A lamp stands this many times its volts for the time of a look; beyond it burns out at once (from memory: life goes with the 13th power).</summary>
    public const double MostGlare = 1.6;

    /// <summary>The findings of a situation, the worst first.</summary>
    /// <param name="sheet">The build in the situation.</param>
    public static IReadOnlyList<Finding> Of(RailSheet sheet) => [.. All(sheet).OrderByDescending(f => f.Severity)];

    /// <summary>What holds whatever feeds the build: thin wires and contacts, and video on a supply with the motors' noise on it.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="sheet">The build in any situation.</param>
    public static IReadOnlyList<Finding> Standing(WiredBuild wired, RailSheet sheet) =>
        [
            .. Thin(wired)
                .Concat(sheet.Leads.Select(l => Noisy(wired, l)).OfType<Finding>())
                .OrderByDescending(f => f.Severity),
        ];

    private static IEnumerable<Finding> All(RailSheet sheet)
    {
        var name = sheet.Situation.Name;
        if (sheet.Problem is { } problem)
        {
            yield return RailRules.Unsettled.Found(
                Severity.Warn,
                Subject.Place(problem.Place),
                ("situation", name),
                ("place", problem.Place),
                ("why", problem.Why)
            );
        }
        if (
            sheet.Input is { } input
            && input.Window.IsOver(input.MostVolts) is var over
            && (over || (Free(sheet) && input.Window.IsUnder(input.Volts)))
        )
        {
            var volts = over ? input.MostVolts : input.Volts;
            yield return FeedRules.Input(input.Board, input.Window, volts, name, sheet.Situation.From);
        }
        foreach (var tied in sheet.Ties)
        {
            yield return SupplyRules.Tied.Found(
                Severity.Stop,
                Subject.Place(tied[0]),
                ("situation", name),
                ("rail", tied[0]),
                ("others", Phrase.Join([.. tied.Skip(1)]))
            );
        }
        foreach (var finding in sheet.Leads.SelectMany(lead => OfLead(sheet, lead, name)))
        {
            yield return finding;
        }
        foreach (var finding in sheet.Rails.SelectMany(rail => OfRail(sheet, rail, name)))
        {
            yield return finding;
        }
        var most = PowerSide.AmpsOf(sheet.Situation.Power.Usb);
        if (sheet.Situation.InputVolts is null && sheet.UsbAmps is { } drawn && drawn.Peak > most)
        {
            var always = drawn.Typical > most;
            var first = sheet.Rails.Where(r => r.Alive).MaxBy(r => r.Typical);
            yield return RailRules.UsbLimit.Found(
                Severity.Warn,
                Subject.Place("USB"),
                ("rail", first?.Label ?? "USB"),
                ("amps", $"{PlainWords.Amperes(always ? drawn.Typical : drawn.Peak)} {(always ? "typical" : "peak")}"),
                ("limit", PlainWords.Amperes(most))
            );
        }
        foreach (var finding in Limiter(sheet))
        {
            yield return finding;
        }
    }

    private static IEnumerable<Finding> OfRail(RailSheet sheet, RailReading rail, string name)
    {
        if (rail.State is RailState.Over or RailState.Strained)
        {
            var always = rail.State == RailState.Over;
            yield return RailRules.Overloaded.Found(
                always ? Severity.Stop : Severity.Warn,
                Subject.Place(rail.Label),
                ("rail", rail.Label),
                ("limit", PlainWords.Amperes(rail.Limit!.Value)),
                ("situation", name),
                ("least", rail.AtLeast ? Sentences.AtLeast : ""),
                ("amps", PlainWords.Amperes(always ? rail.Typical : rail.Peak)),
                ("how", always ? "typical" : "peak")
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

    private static IEnumerable<Finding> OfLead(RailSheet sheet, LeadReading lead, string name)
    {
        Finding Say(Rule rule, Severity severity, params (string, string)[] facts) =>
            rule.Found(
                severity,
                Subject.Lead(new(lead.Device, lead.Lead)),
                [("lead", lead.Label), ("device", lead.Name), .. facts]
            );
        switch (lead.StateIn(sheet.Situation))
        {
            case LeadFeed.Burns:
                yield return Say(
                    SupplyRules.Over,
                    Severity.Stop,
                    ("volts", Figure(lead.MostVolts)),
                    ("situation", name),
                    ("takes", Figure(lead.Window.Max))
                );
                break;
            case LeadFeed.Silent or LeadFeed.UsbUnknown:
                var rail = sheet.Rails.FirstOrDefault(r => r.Id == lead.Rail);
                var isUnknown = lead.StateIn(sheet.Situation) == LeadFeed.UsbUnknown;
                yield return Say(
                    RailRules.Silent,
                    Severity.Note,
                    ("how", isUnknown ? Sentences.NotChecked : "off"),
                    (
                        "why",
                        isUnknown ? Sentences.UnknownWhetherUsbPowers(rail?.Label ?? Sentences.ItsRail)
                        : rail is { Alive: true } ? Sentences.RailHasOnlyVFrom(rail.Label, Figure(lead.LowVolts!.Value))
                        : Sentences.IsPoweredFromTheBattery(rail?.Label ?? Sentences.ItsRail)
                    )
                );
                yield break;
            case LeadFeed.Starves or LeadFeed.Tight when !Free(sheet) && Trips(sheet):
                // It is the limiter that is told of.
                yield break;
            case LeadFeed.Tight:
                yield return Say(
                    SupplyRules.Under,
                    Free(sheet) ? Severity.Warn : Severity.Note,
                    ("volts", Figure(lead.LowVolts!.Value)),
                    ("situation", name),
                    ("takes", Figure(lead.Window.Min))
                );
                break;
            case LeadFeed.Starves:
                yield return Say(
                    SupplyRules.Under,
                    Free(sheet) ? Severity.Stop : Severity.Note,
                    ("volts", Figure(lead.LowVolts!.Value)),
                    ("situation", name),
                    ("takes", Figure(lead.Window.Min))
                );
                break;
            case LeadFeed.Unfed or LeadFeed.Ungrounded:
                yield break;
        }
        // There and back: what the device has between its own leads.
        if (
            lead is { Way: [.., { Volts: > 1 } pad, _], Volts: { } has }
            && pad.Volts - has is var lost
            && lost > MostDrop * pad.Volts
        )
        {
            yield return Say(
                RailRules.Drop,
                Severity.Warn,
                ("pad", pad.What),
                ("volts", Figure(lost)),
                ("situation", name),
                ("percent", $"{100 * lost / pad.Volts:0}")
            );
        }
    }

    // What is in the line to keep a fault harmless: it must let the build start, and hold what a short would draw.
    private static IEnumerable<Finding> Limiter(RailSheet sheet)
    {
        var (situation, power) = (sheet.Situation, sheet.Situation.Power);
        if (situation.InputVolts is not { } input || sheet.Unlimited is not { } free)
        {
            yield break;
        }
        Finding Say(Rule rule, string what, string why) =>
            rule.Found(Severity.Warn, Subject.Place(Sentences.TheSupplyInput), ("place", what), ("why", why));
        var least = sheet.AtLeast ? Sentences.AtLeast : "";
        switch (situation.InLine)
        {
            case InLine.Limiter when Trips(sheet):
                var always = free.Typical > power.LimiterAmps;
                yield return Say(
                    RailRules.LimiterTrips,
                    Sentences.CurrentLimiter(PlainWords.Amperes(power.LimiterAmps)),
                    Sentences.TheBuildDraws(
                        least,
                        PlainWords.Amperes(always ? free.Typical : free.Peak),
                        always ? "typical" : "peak"
                    )
                );
                break;
            case InLine.Limiter when power.LimiterAmps > Math.Max(MostHarmless, 2 * free.Peak) && !sheet.AtLeast:
                yield return Say(
                    RailRules.LimiterVain,
                    Sentences.CurrentLimiter(PlainWords.Amperes(power.LimiterAmps)),
                    Sentences.TheBuildDrawsPeakA(
                        PlainWords.Amperes(free.Peak),
                        PlainWords.Amperes(power.LimiterAmps - free.Peak)
                    )
                );
                break;
            case InLine.Lamp when power.LampVolts < input / MostGlare:
                yield return Say(
                    RailRules.LimiterVain,
                    $"{Figure(power.LampVolts)} V bulb",
                    Sentences.AShortPutsVAcross(Figure(input))
                );
                break;
            case InLine.Lamp
                when power.LampWatts / power.LampVolts > Math.Max(MostHarmless, 2 * free.Peak) && !sheet.AtLeast:
                yield return Say(
                    RailRules.LimiterVain,
                    $"{Figure(power.LampWatts)} W bulb",
                    Sentences.AtAShortItPasses(PlainWords.Amperes(power.LampWatts / power.LampVolts))
                );
                break;
        }
    }

    private static bool Free(RailSheet sheet) => sheet.Situation.InLine == InLine.Nothing;

    private static bool Trips(RailSheet sheet) =>
        sheet.Situation is { InLine: InLine.Limiter, Power.LimiterAmps: var holds } && sheet.Unlimited?.Peak > holds;

    // A wire that was told too thin, and a contact of a plug through which more flows than its kind carries.
    private static IEnumerable<Finding> Thin(WiredBuild wired)
    {
        foreach (var lead in wired.Leads.Where(l => l.Pad is not null || l.To is not null))
        {
            if (WireCuts.Load(wired, lead).Amps is not { } amps)
            {
                continue;
            }
            var name = wired.Build.Devices.First(d => d.Id == lead.Device).Device.Name;
            Finding Say(Rule rule, params (string, string)[] facts) =>
                rule.Found(
                    Severity.Warn,
                    Subject.Lead(lead.At),
                    [("lead", lead.Lead.Label), ("device", name), ("amps", PlainWords.Amperes(amps)), .. facts]
                );
            if (WireCuts.Of(wired, lead).Gauge is { } gauge && amps > WireGauge.Ampacity(gauge))
            {
                yield return Say(
                    RailRules.Thin,
                    ("gauge", $"{gauge}"),
                    ("carries", PlainWords.Amperes(WireGauge.Ampacity(gauge)))
                );
            }
            if (
                lead is { State: LeadState.InPlace or LeadState.Moved or LeadState.OnTail, Socket: { } socket }
                && PlugFamily.AmpsOf(socket.Family) is { } most
                && amps / Sharing(wired, lead) is var each
                && each > most
            )
            {
                amps = each;
                yield return Say(
                    RailRules.Contact,
                    ("plug", socket.Label),
                    ("family", socket.Family),
                    ("carries", PlainWords.Amperes(most))
                );
            }
        }
    }

    // Grounds of one plug carry the current back together.
    private static int Sharing(WiredBuild wired, WiredLead lead) =>
        lead.Lead.Role == LeadRole.Ground
            ? wired.Leads.Count(l =>
                l.Device == lead.Device
                && l.Lead.Role == LeadRole.Ground
                && l.Socket == lead.Socket
                && l.Pad is not null
            )
            : 1;

    // The schools: a regulated rail first, or the battery too, with a capacitor or filter at the transmitter.
    private static Finding? Noisy(WiredBuild wired, LeadReading lead)
    {
        var device = wired.Build.Devices.First(d => d.Id == lead.Device).Device;
        if (
            !Feeder.Video.Contains(device.Kind)
            || wired.Build.Board.Rails.FirstOrDefault(r => r.Id == lead.Rail) is not { } rail
        )
        {
            return null;
        }
        var noisy = rail is { Feed: RailFeed.Battery, Filtering: not Filtering.Filtered };
        var strict = wired.Build.Build.House.Video == VideoSupply.RegulatedFirst;
        return noisy || rail.Filtering == Filtering.Unfiltered
            ? RailRules.Noisy.Found(
                strict && noisy ? Severity.Warn : Severity.Note,
                Subject.Lead(new(lead.Device, lead.Lead)),
                ("device", lead.Name),
                ("rail", rail.Label),
                ("what", noisy ? Sentences.UnfilteredBattery : "unfiltered")
            )
            : null;
    }

    // Nothing is read below a hundredth of a volt.
    private static string Figure(double value) =>
        (Math.Abs(value) < 0.005 ? 0 : value).ToString("0.0#", CultureInfo.InvariantCulture);
}
