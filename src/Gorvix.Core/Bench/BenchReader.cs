using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Loom;
using Gorvix.Core.Parts;
using Gorvix.Core.Settings;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Bench;

/// <summary>Everything that proves a build, in the order that risks least.</summary>
/// <param name="Checks">The checks, in order.</param>
/// <param name="Assumed">What is taken for granted because nobody has told it, in sentences.</param>
public sealed record BenchSheet(IReadOnlyList<BenchCheck> Checks, IReadOnlyList<string> Assumed);

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
            .. links.Together(),
            .. links.Lost(),
        ];
        return new BenchSheet(
            [.. checks.Select((c, i) => c.IsDangerous ? c with { After = [.. Before(checks.Take(i))] } : c)],
            Rails.RailReader.Assumed(wired)
        );
    }

    // Power is let in after all that is measured without it, and each way of letting it in after the gentler ones.
    private static IEnumerable<string> Before(IEnumerable<BenchCheck> earlier) =>
        earlier.Where(c => c.Phase == BenchPhase.Cold || c.IsDangerous).Select(c => c.Id);
}

/// <summary>What is looked at once everything lives: settings, each link, all of them, and what happens when the link is lost.</summary>
internal sealed class LinkChecks(WiredBuild wired, SettingsSheet settings, Scope scope, BenchPower power)
{
    private readonly Rails.Situation _live = power.Proving ?? power.Usb;

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
            "Settings read back",
            "Save, let the board restart, connect again, and compare what it prints under Settings.",
            $"all {printed.Count} settings stand as wanted",
            "The board is set as the plan needs it.",
            [],
            [
                new(Answer.Yes, new(Mark.Good, "The board is set as the plan needs it.")),
                new(
                    Answer.No,
                    new(
                        Mark.Doubtful,
                        "A port that is set otherwise is a dead link; two jobs on one port empty the whole page.",
                        "Set what differs, save, connect again, read back."
                    )
                ),
                new(
                    Answer.Unsure,
                    new(Mark.Doubtful, "What is not read back is not known.", "Read it back under Settings.")
                ),
            ],
            Scope.Of([scope.Board], printed.Select(Scope.Set))
        )
        {
            Probing = new PrintProbing(),
        };
    }

    /// <summary>Each link by itself, what the flight needs most first.</summary>
    public IEnumerable<BenchCheck> Each() =>
        Carried.SelectMany(link => LinkSigns.Of(link, wired).Select(s => Of(link, s)));

    private BenchCheck Of(Link link, Sign sign)
    {
        var must = link.Want.Priority == Priority.Must;
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
                        must ? $"Without {need} it does not fly." : $"The link does not show that it works.",
                        NextLook(link, sign.Needs)
                    )
                ),
                new(
                    Answer.Unsure,
                    new(
                        Mark.Doubtful,
                        "A sign that is not sure is none.",
                        "Do it again, slowly, and watch for the change."
                    )
                ),
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
            SignNeeds.Fed => $"The {link.Device.Name} lives.",
            SignNeeds.Linked => $"The {link.Device.Name} lives and has found its other end.",
            SignNeeds.Hears => $"The board hears the {link.Device.Name}.",
            SignNeeds.Says => $"The {link.Device.Name} hears the board.",
            _ => $"Board and {link.Device.Name} understand each other, both ways.",
        };

    // The trade's order: power and ground, the wires, the port's number, protocol and polarity, baud, a conflict, another port, the part (common practice).
    private string NextLook(Link link, SignNeeds needs)
    {
        if (needs is SignNeeds.Fed or SignNeeds.Linked)
        {
            return $"Measure volts between the supply and ground leads of the {link.Device.Name}, at its end.";
        }
        var carrier = wired.CarrierOf(link.Id);
        var port = wired.Ports.FirstOrDefault(p => p.Link == carrier);
        var lead = wired.Leads.FirstOrDefault(l => l.Link == carrier && l.Pad is not null);
        return lead is null || port is null
            ? "Read its settings back."
            : $"Beep {lead.Lead.Label} to {WireWords.Of(wired.Build.Circuit, lead.Pad!)}, then read back {port.Port.Id}.";
    }

    private static IEnumerable<string> MindOf(Link link) =>
        link.Function.Need is Need.EscReadings or Need.FlightLog or Need.PictureText
            ? ["Propellers off: motors may turn."]
            : [];

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
                $"{name} lives",
                $"Look at the {name}.",
                LinkSigns.Seen(device.Device, SignState.Fed) is { } seen
                    ? $"its light is {seen}"
                    : "it shows that it has power: a light, a picture, warmth, what it feeds",
                $"The {name} lives.",
                [],
                [
                    new(Answer.Yes, new(Mark.Good, $"The {name} lives.")),
                    new(
                        Answer.No,
                        new(
                            Mark.Doubtful,
                            "It has its volts and shows nothing.",
                            "Measure volts at its end, then try it by itself."
                        )
                    ),
                    new(
                        Answer.Unsure,
                        new(Mark.Doubtful, "A part without a light does not tell.", "Measure what comes out of it.")
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
        yield return new BenchCheck(
            "all",
            BenchPhase.Together,
            Asks.Sign,
            "Everything at once",
            "Radio, goggles and pack on, for two minutes, air over the transmitter.",
            $"{Phrase.Join([.. links.Select(l => Phrase.Lower(PlainWords.Of(l.Function.Need))).Distinct()])} work together; nothing restarts, nothing drops out",
            "No link takes another one's place, and the supply carries all of them.",
            [],
            [
                new(Answer.Yes, new(Mark.Good, "They work together.")),
                new(
                    Answer.No,
                    new(
                        Mark.Doubtful,
                        "What works alone and not together shares something: a supply, a port, a place.",
                        "Unplug one device after the other and watch what comes back."
                    )
                ),
                new(Answer.Unsure, new(Mark.Doubtful, "Watch it longer.", "Two minutes more, one eye on each.")),
            ],
            Scope.Of(scope.Everything())
        )
        {
            Mind = ["Propellers off."],
            Probing = new AllProbing(power.Free ?? _live),
        };
    }

    /// <summary>What happens when the link is lost.</summary>
    public IEnumerable<BenchCheck> Lost()
    {
        if (Carried.FirstOrDefault(l => l.Function.Need == Need.Control) is not { } control)
        {
            yield break;
        }
        var chosen = settings.Settings.FirstOrDefault(s => s.Key == "failsafe");
        yield return new BenchCheck(
            "failsafe",
            BenchPhase.Failsafe,
            Asks.Sign,
            "Radio off",
            "Propellers off, craft tied down: arm, raise the throttle a little, switch the radio off.",
            chosen is null
                ? "the motors stop within a second or two"
                : $"within a second or two it does what is set: {Phrase.Lower(chosen.Words)}",
            "A lost link ends as it is set to end.",
            [],
            Final(
                "A lost link ends as it is set to end.",
                "Do not fly it: set the failsafe of receiver and board, read back, try again."
            ),
            Scope.Of([scope.Board], scope.Link(control.Id), chosen is null ? [] : [Scope.Set(chosen)])
        )
        {
            Link = control.Id,
            IsDangerous = true,
            Mind = ["Propellers off: motors turn.", "Nobody leans over the craft."],
            Probing = new LinkProbing(control.Id, SignNeeds.Hears, _live),
        };
        if (Carried.FirstOrDefault(l => l.Function.Need == Need.Position) is { } position)
        {
            yield return new BenchCheck(
                "return-home",
                BenchPhase.Failsafe,
                Asks.Sign,
                "Return-home",
                "In an open, safe place, with a fix from before take-off: call return-home from thirty metres, thumb on the switch that ends it.",
                "it turns, climbs and comes towards where it took off",
                "It knows where it took off, and which way it points.",
                [],
                Final(
                    "It comes home in a safe place; that is no promise of rescue.",
                    "Take over and land. Look at compass, turn of the module, and the fix before take-off."
                ),
                Scope.Of([scope.Board], scope.Link(control.Id), scope.Link(position.Id))
            )
            {
                Link = position.Id,
                IsDangerous = true,
                Mind =
                [
                    "By your local rules and licence: place, height, people, line of sight.",
                    "Return-home is no promise of rescue.",
                ],
                Probing = new LinkProbing(position.Id, SignNeeds.Hears, _live),
            };
        }
    }

    private static IReadOnlyList<Judged> Final(string good, string look) =>
        [
            new(Answer.Yes, new(Mark.Good, good)),
            new(Answer.No, new(Mark.Stop, "It does not do what it is set to do.", look)),
            new(Answer.Unsure, new(Mark.Doubtful, "It must be seen without doubt.", "Once more, by the same steps.")),
        ];
}
