using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Bench;

/// <summary>Everything that proves a build, in the order that risks least.</summary>
/// <param name="Checks">The checks, in order.</param>
/// <param name="Assumed">What is taken for granted because nobody has told it, in sentences.</param>
public sealed record BenchSheet(IReadOnlyList<BenchCheck> Checks, IReadOnlyList<string> Assumed)
{
    /// <summary>What would be destroyed by power as the build is planned and soldered: nothing dangerous is done while one stands, as sentences.</summary>
    public IReadOnlyList<string> Unsafe { get; init; } = [];

    /// <summary>What the build must be told before the rest of the checks can be computed, as a sentence; null where nothing lacks.</summary>
    public string? Waits { get; init; }
}

/// <summary>Reads the checks off a wired build: its copper, its rails, its settings.</summary>
public static class BenchReader
{
    /// <summary>The checks of a build.</summary>
    /// <param name="wired">The build as it is meant.</param>
    /// <param name="settings">Its settings.</param>
    /// <param name="sourceVolts">What the source was measured at, in volts; null while it was not.</param>
    public static BenchSheet Of(WiredBuild wired, SettingsSheet settings, double? sourceVolts)
    {
        var scope = new Scope(wired, settings);
        var power = new PowerChecks(wired, scope, sourceVolts);
        var links = new LinkChecks(wired, settings, scope, power.Power);
        List<BenchCheck> checks =
        [
            .. new ColdChecks(wired, scope).Of(LoomReader.Of(wired).Continuity),
            .. power.First(),
            .. power.Volts(),
            .. power.Usb(),
            .. links.Settings(),
            .. links.Each(),
            .. links.Linkless(),
            .. power.Last(),
            // Without a battery nothing is known of its volts and currents, and no motor is run from USB.
            .. power.Power.Free is null ? [] : links.Together().Concat(links.Lost()),
        ];
        return new BenchSheet(
            [.. checks.Select((c, i) => c.IsDangerous ? c with { After = [.. Before(checks.Take(i))] } : c)],
            RailReader.Assumed(wired)
        )
        {
            Unsafe = [.. Unsafe(wired, power).Select(f => f.Sentence).Distinct()],
            Waits = power.Power.Free is null ? Sentences.NoBatteryChosenFirstPower : null,
        };
    }

    // What burns; what is only too little, or too much for a regulator, is measured and told then.
    private static IEnumerable<Finding> Unsafe(WiredBuild wired, PowerChecks power) =>
        BuiltCheck
            .Of(wired)
            .Concat(WiringCheck.Grounds(wired))
            .Where(f => f.Severity == Severity.Stop)
            .Concat(power.Unsafe());

    // Power is let in after all that is measured without it, and each way of letting it in after the gentler ones.
    private static IEnumerable<string> Before(IEnumerable<BenchCheck> earlier) =>
        earlier.Where(c => c.Phase == BenchPhase.Cold || c.IsDangerous).Select(c => c.Id);
}

/// <summary>What is looked at once everything lives: settings, each link, all of them, and what happens when the link is lost.</summary>
internal sealed class LinkChecks(WiredBuild wired, SettingsSheet settings, Scope scope, BenchPower power)
{
    private readonly Situation _live = power.Proving ?? power.Usb;

    private IEnumerable<Link> Carried =>
        wired
            .Build.Links.Where(l => wired.Ports.Any(p => p.Link == l.Id) || wired.Rides.Any(r => r.Link == l.Id))
            .OrderBy(l => l.Function.Need);

    /// <summary>The settings, read back.</summary>
    public IEnumerable<BenchCheck> Settings()
    {
        var printed = settings.Settings.Where(s => s.IsPrinted && s.Value.Length > 0).ToList();
        if (printed.Count == 0)
        {
            yield break;
        }
        yield return new BenchCheck(
            "settings.read",
            BenchPhase.Settings,
            Asks.Sign,
            Sentences.SettingsReadBack,
            Sentences.SaveLetTheBoardRestart,
            Sentences.AllSettingsMatchThePlan(printed.Count),
            Sentences.TheBoardIsSetAs,
            [],
            [
                new(Answer.Yes, new(Mark.Good, Sentences.TheBoardIsSetAs)),
                new(
                    Answer.No,
                    new(Mark.Doubtful, Sentences.AWrongPortSettingIs, Sentences.CorrectWhatDiffersSaveReconnect)
                ),
                new(Answer.Unsure, new(Mark.Doubtful, Sentences.NotReadBackYet, Sentences.ReadItBackUnderSettings)),
            ],
            Scope.Of([scope.Board], printed.Select(Scope.Set))
        )
        {
            Probing = new PrintProbing(),
        };
    }

    /// <summary>Each link by itself, what the flight needs most first.</summary>
    public IEnumerable<BenchCheck> Each()
    {
        var signs = Carried.SelectMany(link =>
        {
            var all = LinkSigns.Of(link, wired).ToList();
            return all.Select(s => (Link: link, Sign: s, ProvedBefore: all.TakeWhile(b => b != s).ToList()));
        });
        // Where nothing arms without a fix, what needs arming comes after the module has shown that it gets one.
        return NeedsFix
            ? signs
                .OrderBy(s => s.Sign.Arms)
                .Select(s =>
                    Of(
                        s.Link,
                        s.Sign.Arms ? s.Sign with { Do = Sentences.OutdoorsWithAGpsFix(s.Sign.Do) } : s.Sign,
                        s.ProvedBefore
                    )
                )
            : signs.Select(s => Of(s.Link, s.Sign, s.ProvedBefore));
    }

    private bool NeedsFix =>
        wired.Build.Build.House.Arming == ArmingFix.FixRequired && Carried.Any(l => l.Function.Need == Need.Gps);

    private BenchCheck Of(Link link, Sign sign, IReadOnlyList<Sign> before)
    {
        var must = link.Want.Priority == Priority.Required;
        var need = Phrase.Lower(PlainWords.Of(link.Function.Need));
        return new BenchCheck(
            $"link.{link.Id}.{sign.Id}",
            BenchPhase.Links,
            Asks.Sign,
            $"{sign.Title} ({link.Device.Name})",
            sign.Do,
            sign.Seen,
            ProofOf(link, sign.Needs),
            [],
            [
                new(Answer.Yes, new(Mark.Good, ProofOf(link, sign.Needs))),
                new(
                    Answer.No,
                    new(
                        must ? Mark.Stop : Mark.Doubtful,
                        must ? Sentences.RequiredLinkNotWorkingDo(need) : Sentences.NoSignThatTheLink,
                        NextLook(link, sign.Needs, before)
                    )
                ),
                new(Answer.Unsure, new(Mark.Doubtful, Sentences.NotConfirmed, Sentences.RepeatSlowlyAndWatchFor)),
            ],
            Scope.Of([scope.Board], scope.Link(link.Id))
        )
        {
            Link = link.Id,
            Device = link.Want.Device,
            Mind = [.. MindOf(link)],
            Probing = new LinkProbing(link.Id, sign.Needs, _live),
        };
    }

    private static string ProofOf(Link link, SignNeeds needs) =>
        needs switch
        {
            SignNeeds.Fed => Sentences.HasPower(link.Device.Name),
            SignNeeds.Linked => Sentences.HasPowerAndIsLinked(link.Device.Name),
            SignNeeds.Hears => Sentences.TheBoardReceivesFrom(link.Device.Name),
            SignNeeds.Says => Sentences.ReceivesFromTheBoard(link.Device.Name),
            _ => Sentences.BoardAndCommunicateBothWays(link.Device.Name),
        };

    // The trade's order: power and ground, the wires, the port's number, protocol and polarity, baud, a conflict, another port, the part (common practice).
    // A line that a sign before this one has shown to work is not the next look.
    private string NextLook(Link link, SignNeeds needs, IReadOnlyList<Sign> before)
    {
        if (needs is SignNeeds.Fed or SignNeeds.Linked)
        {
            return Sentences.MeasureTheVoltageBetweenSupply(link.Device.Name);
        }
        var carrier = wired.CarrierOf(link.Id);
        var port = wired.Ports.FirstOrDefault(p => p.Link == carrier);
        if (port is null)
        {
            return Sentences.ReadBackItsSettings;
        }
        var lines = port.Mode.Lines.Where(l => needs.Covers(l.Flow)).ToList();
        var open = lines.Where(l => !before.Any(b => b.Needs > SignNeeds.Linked && b.Needs.Covers(l.Flow))).ToList();
        var wires = wired
            .Leads.Where(l =>
                l.Link == carrier
                && l.Pad is not null
                && (open.Count > 0 ? open : lines).Exists(x => x.Lead == l.Lead.Id)
            )
            .Select(l => $"{l.Lead.Label} to {WireWords.Of(wired.Build.Circuit, l.Pad!)}")
            .ToList();
        return wires.Count == 0
            ? Sentences.ReadBack(port.Port.Name)
            : Sentences.DisconnectBatteryAndUsbCheck(string.Join(Sentences.AndFrom, wires), port.Port.Name);
    }

    private static IEnumerable<string> MindOf(Link link)
    {
        if (link.Function.Need is Need.EscTelemetry or Need.FlightLog or Need.Osd or Need.Telemetry)
        {
            yield return Sentences.PropellersOffMotorsMaySpin;
        }
        if (Cautions.Radiates(link.Device.Kind))
        {
            yield return Cautions.Antenna;
        }
    }

    /// <summary>Devices that no link speaks for: a camera, a regulator, a part that is only fed.</summary>
    public IEnumerable<BenchCheck> Linkless()
    {
        var spoken = Carried.Select(l => l.Want.Device).ToHashSet();
        return from device in wired.Build.Devices
            where !spoken.Contains(device.Id)
            where
                wired.Leads.Any(l =>
                    l.Device == device.Id
                    && l is { Lead.Role: LeadRole.Supply } and ({ Pad: not null } or { To: not null })
                )
            let name = device.Device.Name
            select new BenchCheck(
                $"lives.{device.Id}",
                BenchPhase.Links,
                Asks.Sign,
                Sentences.HasPowerTitle(name),
                Sentences.LookAt(name),
                LinkSigns.Seen(device.Device, SignState.Powered) is { } seen
                    ? Sentences.ItsLedIs(seen)
                    : Sentences.ASignOfPowerLed,
                Sentences.HasPower(name),
                [],
                [
                    new(Answer.Yes, new(Mark.Good, Sentences.HasPower(name))),
                    new(
                        Answer.No,
                        new(Mark.Doubtful, Sentences.ItHasVoltageButShows, Sentences.MeasureTheVoltageAtThe)
                    ),
                    new(
                        Answer.Unsure,
                        new(Mark.Doubtful, Sentences.NotConfirmedAPartWithout, Sentences.MeasureItsOutput)
                    ),
                ],
                Scope.Of([scope.Board], scope.Feed(device.Id))
            )
            {
                Device = device.Id,
                Probing = new LifeProbing(device.Id, _live),
            };
    }

    /// <summary>All links at once.</summary>
    public IEnumerable<BenchCheck> Together()
    {
        var links = Carried.ToList();
        if (links.Count == 0)
        {
            yield break;
        }
        var kinds = links.Select(l => Phrase.Lower(PlainWords.Of(l.Function.Need))).Distinct().ToList();
        yield return new BenchCheck(
            "all",
            BenchPhase.Together,
            Asks.Sign,
            Sentences.EverythingTogether,
            Sentences.RadioGogglesAndBatteryOn,
            kinds is [var only]
                ? Sentences.WorksThroughoutNothingRestartsNothing(only)
                : Sentences.WorkTogetherNothingRestartsNothing(Phrase.Join(kinds)),
            Sentences.NoLinkDisturbsAnotherAnd,
            [],
            [
                new(Answer.Yes, new(Mark.Good, Sentences.TheyWorkTogether)),
                new(
                    Answer.No,
                    new(Mark.Doubtful, Sentences.LinksThatFailOnlyTogether, Sentences.UnplugDevicesOneByOne)
                ),
                new(Answer.Unsure, new(Mark.Doubtful, Sentences.WatchItLonger, Sentences.WatchAllOfThemFor)),
            ],
            Scope.Of(scope.Everything())
        )
        {
            Mind =
            [
                Sentences.PropellersOff,
                .. wired.Build.Devices.Any(d => Cautions.Radiates(d.Device.Kind)) ? new[] { Cautions.Antenna } : [],
            ],
            Probing = new AllProbing(power.Free ?? _live),
        };
    }

    /// <summary>What happens when the link is lost.</summary>
    public IEnumerable<BenchCheck> Lost()
    {
        if (Carried.FirstOrDefault(l => l.Function.Need == Need.RcLink) is not { } control)
        {
            yield break;
        }
        var chosen = settings.Settings.FirstOrDefault(s => s.Key == "failsafe");
        yield return new BenchCheck(
            "failsafe",
            BenchPhase.Failsafe,
            Asks.Sign,
            Sentences.RadioOff,
            Sentences.PropellersOffAircraftTiedDown(NeedsFix ? Sentences.OutdoorsWithAFix : ""),
            // Tied down it flies nowhere: what it does about home is seen in the air.
            chosen?.Value == "return-home"
                ? Sentences.WithinASecondOrTwo
                : Sentences.TheMotorsStopWithinA,
            Sentences.LinkLossTriggersTheFailsafe,
            [],
            Final(Sentences.LinkLossTriggersTheFailsafe, Sentences.DoNotFlySetThe),
            Scope.Of([scope.Board], scope.Link(control.Id), chosen is null ? [] : [Scope.Set(chosen)])
        )
        {
            Link = control.Id,
            IsDangerous = true,
            Mind = [Sentences.PropellersOffMotorsSpin, Sentences.KeepClearNoOneLeans],
            Probing = new LinkProbing(control.Id, SignNeeds.Hears, _live),
        };
        if (Carried.FirstOrDefault(l => l.Function.Need == Need.Gps) is { } position)
        {
            yield return new BenchCheck(
                "return-home",
                BenchPhase.Failsafe,
                Asks.Sign,
                "Return-to-home",
                Sentences.InAnOpenSafePlace,
                Sentences.ItTurnsClimbsAndFlies,
                Sentences.HomePositionAndHeadingAre,
                [],
                Final(Sentences.ReturnToHomeWorksIn, Sentences.TakeOverAndLandCheck),
                Scope.Of([scope.Board], scope.Link(control.Id), scope.Link(position.Id))
            )
            {
                Link = position.Id,
                IsDangerous = true,
                Mind = [Sentences.FollowLocalRulesAndYour, Sentences.ReturnToHomeIsNo],
                Probing = new LinkProbing(position.Id, SignNeeds.Hears, _live),
            };
        }
    }

    private static IReadOnlyList<Judged> Final(string good, string look) =>
        [
            new(Answer.Yes, new(Mark.Good, good)),
            new(Answer.No, new(Mark.Stop, Sentences.ItDidNotActAs, look)),
            new(Answer.Unsure, new(Mark.Doubtful, Sentences.NotConfirmedItMustBe, Sentences.RepeatTheSameSteps)),
        ];
}
