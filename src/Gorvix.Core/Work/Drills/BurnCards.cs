using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Work.Drills;

/// <summary>Questions about supplies: which rail feeds a pad, and would a part live there. Each is solved as the Rails screen solves it.</summary>
internal sealed class BurnCards(WiredBuild wired)
{
    private const int OtherChoices = 3;

    // A made-up build with more is not gone through to the end.
    private const int MostLives = 120;

    // Packs that are in use (common practice).
    private static readonly int[] PackCells = [2, 3, 4, 6, 8];

    private static readonly CardChoice[] Fates =
    [
        new("lives", "It works"),
        new("burns", "It is destroyed: over-voltage"),
        new("starves", "It browns out: under-voltage"),
        new("nothing", "It has no power"),
    ];

    private readonly ResolvedBuild _build = wired.Build;
    private readonly Circuit _circuit = wired.Build.Circuit;

    /// <summary>All of them; none about volts while nothing feeds the build.</summary>
    public IEnumerable<Card> All() =>
        [.. Feeds(), .. Lives().Take(MostLives), .. OnUsb(), .. OtherPacks(), .. BoardPacks()];

    // "Which rail feeds the pad VTX?"
    private IEnumerable<Card> Feeds()
    {
        var labels = _build.Board.Rails.Select(r => r.Label).Distinct().ToList();
        foreach (var (pad, ways) in _circuit.ToRails)
        {
            var rails = ways.Select(w => _circuit.Rails[w.To.Id]).Distinct().ToList();
            // A pad that is called by its rail gives the answer away.
            if (rails.Exists(r => r.Feed == RailFeed.Ground || r.Label == pad.Label) || labels.Count < 3)
            {
                continue;
            }
            var right = Phrase.Or([.. rails.Select(r => r.Label)]);
            var id = $"rail:{pad.Id}";
            var others = Cards
                .DiceOf(id)
                .Shuffled(labels.Where(l => rails.TrueForAll(r => r.Label != l)))
                .Take(OtherChoices);
            var bridges = ways.SelectMany(w => w.Contacts).Select(c => c.Bridge).Distinct().ToList();
            yield return new Card(
                id,
                rails.Count > 1 ? 4
                    : LabelBook.Read(pad.Label).Trust == LabelTrust.Certain ? 2
                    : 3,
                Sentences.WhichRailPowersPad(WireWords.Of(_circuit, pad)),
                [.. others.Prepend(right).Select(w => new CardChoice(w, w))],
                new HashSet<string> { right },
                $"{Phrase.Join([.. rails.Select(BoardWords.Of)])}{(bridges.Count > 0 ? Sentences.SelectsIt(Phrase.Join([.. bridges.Select(b => $"jumper {b}")])) : "")}."
            )
            {
                Pads = [pad.Id],
                IsMixed = true,
            };
        }
    }

    // "The 5 V lead of the receiver on the pad BAT: what happens?"
    private IEnumerable<Card> Lives()
    {
        var flight = RailAnswer.Flight(wired).ToList();
        if (flight.Count == 0)
        {
            yield break;
        }
        // One pad for each rail stands for all that it feeds in the same way.
        var pads = _circuit
            .ToRails.Where(p => p.Ways.All(w => _circuit.Rails[w.To.Id].Feed != RailFeed.Ground))
            .DistinctBy(p => string.Join('|', p.Ways.Select(w => w.To.Id).Order(StringComparer.Ordinal)))
            .Select(p => p.Pad)
            .ToList();
        foreach (var lead in Supplies())
        foreach (var pad in pads)
        {
            var sheets = RailReader.Read(wired.With(new WireOnPad(new(lead.Device, lead.Lead.Id), pad.Id)), flight);
            if (Judged(sheets, lead) is { } judged)
            {
                yield return new Card(
                    $"live:{lead.Device}/{lead.Lead.Id}@{pad.Id}",
                    judged.Hardness,
                    Sentences.OfTheIsWiredTo(lead.Lead.Label, Name(lead.Device), WireWords.Of(_circuit, pad), Fed()),
                    Fates,
                    new HashSet<string> { judged.Fate },
                    judged.Why
                )
                {
                    Pads = [pad.Id],
                };
            }
        }
    }

    // "Only USB is plugged in: has the GNSS power?"
    private IEnumerable<Card> OnUsb()
    {
        var usb = Situation.Of(_build.Build).First(s => s.Group == SituationGroup.Usb);
        var sheet = RailReader.Read(wired, usb);
        if (sheet.Problem is not null)
        {
            yield break;
        }
        foreach (var device in Supplies().Select(l => l.Device).Distinct())
        {
            var leads = sheet.Leads.Where(l => l.Device == device).ToList();
            var (alive, silent) = (
                leads.TrueForAll(l => l.State == LeadFeed.Good),
                leads.TrueForAll(l => l.State is LeadFeed.Silent or LeadFeed.Unfed)
            );
            if (alive || silent)
            {
                var gets = leads[0];
                yield return new Card(
                    $"usb:{device}",
                    3,
                    Sentences.WiredAsPlannedOnlyUsb(Name(device)),
                    [new CardChoice("yes", "Yes"), new CardChoice("no", "No")],
                    new HashSet<string> { alive ? "yes" : "no" },
                    gets.Pad is { } pad
                        ? Sentences.PoweredFromOnUsbPower(
                            WireWords.Of(_circuit, _circuit.Pads[pad]),
                            Numbers.Volts(gets.Volts ?? 0),
                            PlainWords.Of(gets.Window)
                        )
                        : Sentences.ItHasOnUsbPower(Numbers.Volts(gets.Volts ?? 0), PlainWords.Of(gets.Window))
                );
            }
        }
    }

    // "The pack is changed for one of six cells: does the camera live?"
    private IEnumerable<Card> OtherPacks()
    {
        if (_build.Build.Pack is not { } pack || _build.Build.InputVolts is not null)
        {
            yield break;
        }
        var full = RailAnswer.Flight(wired).First();
        foreach (var cells in PackCells.Where(c => c != pack.Cells))
        {
            var sheet = RailReader.Read(wired, full with { InputVolts = (pack with { Cells = cells }).Volts().Max });
            // Behind a board that the pack destroys, or of which nobody knows, nothing is told of a device by its own window.
            if (sheet.Input is not { } input || input.Window.IsOver(input.Volts))
            {
                continue;
            }
            foreach (var lead in Supplies())
            {
                if (Judged([sheet], lead) is { } judged)
                {
                    yield return new Card(
                        $"pack:{cells}/{lead.Device}/{lead.Lead.Id}",
                        judged.Hardness,
                        Sentences.WiredAsPlannedButWith(cells, pack.Cells, Name(lead.Device), lead.Lead.Label),
                        Fates,
                        new HashSet<string> { judged.Fate },
                        judged.Why
                    );
                }
            }
        }
    }

    // "The pack is changed for one of eight cells: does the board stand it?"
    private IEnumerable<Card> BoardPacks()
    {
        if (
            _build.Build.Pack is not { } pack
            || _build.Build.InputVolts is not null
            || _build.Board.Input is not { } input
        )
        {
            yield break;
        }
        foreach (var cells in PackCells)
        {
            var gets = (pack with { Cells = cells }).Volts();
            var (fate, times) =
                input.IsOver(gets.Max) ? ("burns", gets.Max / input.Max)
                : input.IsUnder(gets.Min) ? ("starves", input.Min / gets.Min)
                : ("lives", Math.Min(input.Max / gets.Max, gets.Min / Math.Max(input.Min, 0.1)));
            yield return new Card(
                $"input:{cells}",
                Near(times, 1),
                Sentences.ASPackFromFull(cells, _build.Board.Name),
                Fates,
                new HashSet<string> { fate },
                Sentences.ItGetsNeeds(Numbers.Volts(gets.Min, gets.Max), PlainWords.Of(input))
            );
        }
    }

    // What is so near to a bound that leaflets differ by more is no question.
    private static (string Fate, int Hardness, string Why)? Judged(IReadOnlyList<RailSheet> sheets, WiredLead lead)
    {
        if (sheets.Any(s => s.Problem is not null))
        {
            return null;
        }
        var all = sheets
            .Select(s =>
                (s.Situation, Lead: s.Leads.FirstOrDefault(l => l.Device == lead.Device && l.Lead == lead.Lead.Id))
            )
            .ToList();
        if (all.Exists(l => l.Lead?.State is null or LeadFeed.Tight or LeadFeed.Ungrounded))
        {
            return null;
        }
        var leads = all.ConvertAll(l => (l.Situation, Lead: l.Lead!));
        string Gets(Situation at, double volts, VoltWindow window) =>
            Sentences.WithTheItHasNeeds(at.Name, Numbers.Volts(volts), PlainWords.Of(window));
        if (leads.Find(l => l.Lead.State == LeadFeed.Burns) is { Lead: { MostVolts: var high } burns } hot)
        {
            return ("burns", Near(high / burns.Window.Max, 1), Gets(hot.Situation, high, burns.Window));
        }
        if (leads.Find(l => l.Lead.State == LeadFeed.Starves) is { Lead: { LowVolts: { } low } starves } cold)
        {
            return low < 0.1
                ? ("nothing", 2, Sentences.WithTheJumpersAsSet)
                : ("starves", Near(starves.Window.Min / low, 1), Gets(cold.Situation, low, starves.Window));
        }
        if (leads.TrueForAll(l => l.Lead.State == LeadFeed.Unfed))
        {
            return ("nothing", 2, Sentences.WithTheJumpersAsSet);
        }
        if (leads.TrueForAll(l => l.Lead.State == LeadFeed.Good))
        {
            var (top, bottom) = (leads.MaxBy(l => l.Lead.MostVolts), leads.MinBy(l => l.Lead.LowVolts));
            var margin = Math.Min(
                top.Lead.Window.Max / top.Lead.MostVolts,
                bottom.Lead.LowVolts!.Value / bottom.Lead.Window.Min
            );
            return (
                "lives",
                Near(margin, 2),
                Sentences.ItHasNeeds(
                    Numbers.Volts(bottom.Lead.LowVolts.Value, top.Lead.MostVolts),
                    PlainWords.Of(top.Lead.Window)
                )
            );
        }
        return null;
    }

    private static int Near(double times, int least) =>
        Math.Max(
            least,
            times switch
            {
                >= 1.5 => 1,
                >= 1.2 => 2,
                >= 1.1 => 3,
                >= 1.05 => 4,
                _ => 5,
            }
        );

    private string Fed() =>
        _build.Build.InputVolts is { } volts
            ? Sentences.VAtTheSupplyInput(volts)
            : Sentences.SPackFromFullTo(_build.Build.Pack!.Cells);

    private IEnumerable<WiredLead> Supplies() =>
        wired.Leads.Where(l => l.Lead.Role == LeadRole.Supply && (l.Pad is not null || l.To is not null));

    private string Name(string device) => _build.Devices.First(d => d.Id == device).Device.Name;
}
