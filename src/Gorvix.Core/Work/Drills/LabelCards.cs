using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Words;
using Half = Gorvix.Core.Plans.Routing.Half;

namespace Gorvix.Core.Work.Drills;

/// <summary>Questions about labels: which pad leads there, where does it lead, and can a link go on that port.</summary>
internal sealed class LabelCards(ResolvedBuild build, FitSheet sheet)
{
    private const int OtherChoices = 3;

    // What holds for every link of the kind is the easiest of the reasons.
    private static readonly string[] OfTheKind =
    [
        RoutingRules.Kind.Id,
        RoutingRules.Usb.Id,
        RoutingRules.Held.Id,
        PlanningRules.NoMode.Id,
    ];

    private static readonly string[] OfThePlan = [PlanningRules.Taken.Id, PlanningRules.Banned.Id];

    private readonly Circuit _circuit = build.Circuit;

    // Ends that name the port that they are of.
    private readonly HashSet<string> _ofPorts =
    [
        .. build
            .Board.Ports.Where(p => p.Kind is PortKind.Uart or PortKind.Software or PortKind.Bus)
            .SelectMany(EndsOf)
            .Select(e => e.Words),
    ];

    /// <summary>All of them, in the order of the board.</summary>
    public IEnumerable<Card> All() => [.. Halves(), .. Ends(), .. Ways()];

    // "Which pad leads to the RX of U3?"
    private IEnumerable<Card> Halves() =>
        from port in build.Board.Ports
        where port is { Kind: PortKind.Uart or PortKind.Bus, HeldBy: null }
        from end in EndsOf(port)
        let pads = _circuit.To(end.Net).Select(s => s.Pad).DistinctBy(p => p.Id).ToList()
        where pads.Count > 0
        select new Card(
            $"half:{port.Id}/{end.Half}",
            pads.Min(p => Hardness(p, end.Words, isOfPort: true)),
            Sentences.WhichPadConnectsTo(end.Words),
            [],
            pads.Select(p => p.Id).ToHashSet(),
            Sentences.PadFor(end.Words, Phrase.Join([.. pads.Select(p => WireWords.Of(_circuit, p))]))
        );

    // "Where does the pad LED lead?"
    private IEnumerable<Card> Ends()
    {
        var all = build
            .Board.Ports.Where(p => p.Kind != PortKind.Usb)
            .SelectMany(EndsOf)
            .Select(e => e.Words)
            .Concat(build.Board.Rails.Select(r => $"{r.Label} rail"))
            .Distinct()
            .ToList();
        foreach (var pad in build.Board.Pads.Where(p => p.Meaning != PadMeaning.NotConnected))
        {
            var ends = WhereTo(pad).ToList();
            // A pad that is called by its rail gives the answer away.
            if (ends.Count == 0 || ends.Contains($"{pad.Label} rail"))
            {
                continue;
            }
            var right = Phrase.Or(ends);
            var id = $"pad:{pad.Id}";
            var others = Cards.DiceOf(id).Shuffled(all.Where(e => !ends.Contains(e))).Take(OtherChoices);
            yield return new Card(
                id,
                Hardness(pad, ends[0], _ofPorts.Contains(ends[0])),
                Sentences.WhatDoesPadConnectTo(WireWords.Of(_circuit, pad)),
                [.. others.Prepend(right).Select(w => new CardChoice(w, Phrase.Upper(w)))],
                new HashSet<string> { right },
                Why(pad, right)
            )
            {
                Pads = [pad.Id],
                IsMixed = true,
            };
        }
    }

    // "Can the GNSS go on U4?"
    private IEnumerable<Card> Ways() =>
        from link in sheet.Links
        from cell in link.Cells
        where cell.Code is null || !OfThePlan.Contains(cell.Code)
        let can = cell.State != CellState.Blocked
        select new Card(
            $"way:{link.Id}@{cell.Port}",
            can ? 2
                : OfTheKind.Contains(cell.Code) ? 1
                : 4,
            Sentences.OfTheWouldItWork(Phrase.Upper(link.Need), link.Device, Port.NameOf(cell.Port)),
            [new CardChoice("yes", "Yes"), new CardChoice("no", "No")],
            new HashSet<string> { can ? "yes" : "no" },
            cell.Sentence
        );

    private IEnumerable<string> WhereTo(Pad pad)
    {
        var nodes = _circuit.From(pad).Select(s => s.To).Distinct().ToList();
        return nodes
            .SelectMany(n =>
                n.Kind == NodeKind.Rail ? [$"{_circuit.Rails[n.Id].Label} rail"]
                : n.Kind == NodeKind.Net
                    ? build.Board.Ports.SelectMany(EndsOf).Where(e => e.Net == n.Id).Select(e => e.Words)
                : []
            )
            .Distinct();
    }

    private string Why(Pad pad, string right)
    {
        var inverter = _circuit.From(pad).Any(s => s.Turn == Polarity.Inverted);
        var bridges = _circuit.From(pad).SelectMany(s => s.Contacts).Select(c => c.Bridge).Distinct().ToList();
        return Sentences.ItConnectsTo(
            right,
            inverter ? Sentences.ThroughAnInverter : "",
            bridges.Count > 0 ? Sentences.AsIsSet(Phrase.Join([.. bridges.Select(b => $"jumper {b}")])) : ""
        );
    }

    private static IEnumerable<(string Net, string Half, string Words)> EndsOf(Port port)
    {
        (string?, string, string)[] ends = port.Kind switch
        {
            PortKind.Uart or PortKind.Software =>
            [
                (port.Rx, "rx", PortWords.Of(port, Half.Rx)),
                (port.Tx, "tx", PortWords.Of(port, Half.Tx)),
            ],
            PortKind.Bus =>
            [
                (port.Data, "data", PortWords.Of(port, Half.Data)),
                (port.Clock, "clock", PortWords.Of(port, Half.Clock)),
            ],
            PortKind.Video =>
            [
                (port.Rx, "in", Sentences.VideoFromTheCamera),
                (port.Tx, "out", Sentences.VideoToTheVtx),
            ],
            PortKind.Pulse => [(port.Rx, "in", Sentences.PulseInput(port.Name))],
            _ =>
            [
                (port.Rx, "in", Sentences.AnalogueInput(port.Name)),
                (port.Tx, "out", Sentences.AnalogueOutput(port.Name)),
            ],
        };
        return from e in ends where e.Item1 is not null select (e.Item1!, e.Item2, e.Item3);
    }

    // A label that says it is easy; one that says nothing is harder; one that says something else is hardest.
    private static int Hardness(Pad pad, string end, bool isOfPort)
    {
        var reading = LabelBook.Read(pad.Label);
        return reading.Meanings.Any(m => m.Words == end)
            ? reading.Trust == LabelTrust.Certain
                ? 1
                : 2
            : reading.Trust == LabelTrust.Certain && isOfPort
                ? 5
                : reading.Trust == LabelTrust.Unknown
                    ? 3
                    : 4;
    }
}
