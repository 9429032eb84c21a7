using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Loom;

/// <summary>
/// Finds the other ways to the wiring at a plug: an adapter, two harnesses joined, or the iron. All bring the same lead to the same
/// copper; what differs is what is cut, bought and soldered (common practice).
/// </summary>
internal sealed class OtherWayReader(WiredBuild wired, IReadOnlyList<LoomWire> wires, IReadOnlyList<PlugFace> faces)
{
    private readonly Circuit _circuit = wired.Build.Circuit;
    private readonly FactMaker _facts = new(wired);
    private readonly Copper _copper = new(wired);

    /// <summary>Every way, plug by plug; none for a plug that goes in as it comes.</summary>
    public IReadOnlyList<OtherWay> Ways() =>
        [
            .. from seat in wired.Seats
            where seat.Seat.Socket is not null && faces.Any(f => f.Device == seat.Device && f.Moves.Count > 0)
            from way in At(seat.Device, seat.Seat.Socket!, isTail: false)
            select way,
            .. from lead in wired.Leads
            where lead.State == LeadState.OnTail && lead.Lead.Role != LeadRole.Output
            group lead by (lead.Device, lead.Socket) into tail
            where tail.Any(l => wired.Build.Built.JointOf(new(l.Device, l.Lead.Id)) is null)
            from way in At(tail.Key.Device, tail.Key.Socket!, isTail: true)
            select way,
        ];

    private sealed record Line(WiredLead Lead, LoomWire? Wire, int? From)
    {
        public int To => Lead.Cavity!.Value;
    }

    private IEnumerable<OtherWay> At(string device, Socket socket, bool isTail)
    {
        var part = wired.Build.Devices.First(d => d.Id == device).Device;
        var harness = Harness.Of(part);
        var lines = wired
            .Leads.Where(l => l.Device == device && l.Socket == socket && l is { Cavity: not null, Pad: not null })
            .Select(l => new Line(
                l,
                wires.FirstOrDefault(w => w.Id == WireReader.IdOf(l)),
                harness.HomeOf(l.Lead.Id) is >= 0 and var home ? home + 1 : null
            ))
            .OrderBy(l => l.To)
            .ToList();
        var joined = lines.FindAll(l => l.Wire is not null);
        if (joined.Count == 0)
        {
            yield break;
        }
        OtherWay Make(OtherWayKind kind, string words, int minutes, IEnumerable<OtherWayRow> rows, List<string> mind) =>
            new(
                $"otherwise {device} {socket.Id} {Phrase.Lower($"{kind}")}",
                kind,
                device,
                part.Name,
                socket.Label,
                words,
                WorkWords.About(minutes, wired.Build),
                [.. rows],
                mind
            );
        var plug = harness.Family is { } family && PlugFamily.IsKnown(family) ? $" ({family})" : "";
        var socketPlug = PlugFamily.IsKnown(socket.Family) ? $" ({socket.Family})" : "";
        List<string> colours = [.. Colours(joined)];

        // A lead that is soldered elsewhere must leave the plug all the same.
        var whole = wired.Leads.Where(l => l.Device == device && harness.HomeOf(l.Lead.Id) >= 0).ToList();
        if (
            harness.Family is not null
            && lines.All(l => l.From is not null)
            && whole.All(l =>
                lines.Any(x => x.Lead == l)
                // Over an empty pin of the socket it meets nothing.
                || l is { State: LeadState.InPlace, Pad: null }
                || l.State is LeadState.Lifted or LeadState.Cut or LeadState.InHarness or LeadState.Open
            )
        )
        {
            var empty = harness
                .Cavities.Index()
                .Where(c => c.Item is not null && lines.All(l => l.Lead.Lead.Id != c.Item.Id))
                .Select(c => $"{c.Index + 1} ({c.Item!.Label})")
                .ToList();
            yield return Make(
                OtherWayKind.Adapter,
                Sentences.AdapterLeadMatingPlugFor(plug, socket.Label, socketPlug),
                (2 * WorkMinutes.Tail) + (lines.Count * WorkMinutes.Solder),
                lines.Select(RowOf),
                [
                    .. empty.Count == 0
                        ? []
                        : new[]
                        {
                            Sentences.LeaveHarnessUnconnected(empty.Count == 1 ? "pin" : "pins", Phrase.Join(empty)),
                        },
                ]
            ) with
            {
                Facts = isTail
                    ?
                    [
                        FactMaker.OfTail(socket),
                        .. joined.Select(l => _facts.OfJoint(l.Wire!) with { Words = Through(l) }),
                    ]
                    :
                    [
                        .. _facts
                            .OfPlug(device)
                            .Select(f =>
                                f with
                                {
                                    End = LeadEnd.Contact,
                                    Words = lines.Find(l => l.Lead.Lead.Id == f.Lead) is { } line
                                        ? Through(line)
                                        : Sentences.IsUnconnectedInTheAdapter(LabelOf(part, f.Lead)),
                                }
                            ),
                    ],
            };
        }
        if (harness.Family is not null || isTail)
        {
            var rest = whole
                .Where(l =>
                    joined.TrueForAll(x => x.Lead != l)
                    && l.State is not (LeadState.Soldered or LeadState.OnTail or LeadState.Spliced)
                )
                .ToList();
            var off = harness.Family is null ? "" : Sentences.CutThePlugOffThe(part.Name);
            yield return Make(
                OtherWayKind.Splice,
                Sentences.SpliceTwoHarnessesTakeA(off, socket.Label, socketPlug),
                WorkMinutes.Tail + (joined.Count * (WorkMinutes.Lift + WorkMinutes.Solder)),
                joined.Select(RowOf),
                [
                    .. colours,
                    Sentences.PigtailColoursDifferCheckWith,
                    .. rest.Count == 0
                        ? []
                        : new[]
                        {
                            Sentences.InsulateEachOneSeparately(Phrase.Join([.. rest.Select(l => l.Lead.Label)])),
                        },
                ]
            ) with
            {
                IsPlanned = isTail,
                Facts =
                [
                    FactMaker.OfTail(socket),
                    .. joined.Select(l => _facts.OfJoint(l.Wire!)),
                    .. whole.Select(_facts.OfCut),
                ],
            };
        }
        if (Pads(joined) is { } pads)
        {
            yield return Make(
                OtherWayKind.Solder,
                Sentences.WithoutDePinEachLead(isTail ? Sentences.ThePigtail : Sentences.TheSocket),
                joined.Count * (WorkMinutes.Lift + WorkMinutes.Solder),
                joined.Select(
                    (l, i) => RowOf(l) with { To = null, Pad = pads[i].Label, At = WireWords.Of(_circuit, pads[i]) }
                ),
                colours
            ) with
            {
                Facts =
                [
                    .. joined.Select((l, i) => _facts.OfJoint(l.Wire!, pads[i])),
                    .. joined.Where(l => l.From is not null).SelectMany(l => _facts.Before(l.Wire!)),
                ],
            };
        }
    }

    private static string LabelOf(Device part, string lead) => part.Leads.First(l => l.Id == lead).Label;

    private static string Through(Line line) => Sentences.GoesToPinThroughAn(line.Lead.Lead.Label, line.To);

    private OtherWayRow RowOf(Line line)
    {
        var pad = line.Lead.Pad!;
        return new(
            line.Lead.Lead.Id,
            line.Lead.Lead.Label,
            line.Lead.Lead.Colour,
            line.From,
            line.Wire?.Job ?? Sentences.ConnectedByThePlug,
            pad.Label,
            line.To,
            WireWords.Of(_circuit, pad)
        );
    }

    // Colours are a habit, not a standard: what contradicts the habit, and what cannot be told apart.
    private static IEnumerable<string> Colours(List<Line> lines)
    {
        foreach (var (lead, colour) in lines.Select(l => (l.Lead.Lead, l.Lead.Lead.Colour)))
        {
            if (colour == "red" && lead.Role is not (LeadRole.Supply or LeadRole.Output))
            {
                yield return Sentences.RedIsNotASupply(lead.Label);
            }
            else if (colour == "black" && lead.Role != LeadRole.Ground)
            {
                yield return Sentences.BlackIsNotGroundHere(lead.Label);
            }
        }
        foreach (
            var same in lines
                .Select(l => l.Lead.Lead)
                .Where(l => l.Colour is not null)
                .GroupBy(l => l.Colour)
                .Where(g => g.Count() > 1)
        )
        {
            yield return Sentences.AreAllMarkEachOne(Phrase.Join([.. same.Select(l => l.Label)]), same.Key);
        }
    }

    // A pad for each line: the same copper as its pin, nothing else on it where it carries a signal; null when one has none.
    private List<Pad>? Pads(List<Line> lines)
    {
        var taken = wired
            .Leads.Where(l => l.Pad is not null && lines.TrueForAll(x => x.Lead != l))
            .Select(l => l.Pad!.Id)
            .ToHashSet();
        var pads = new List<Pad>();
        foreach (var line in lines)
        {
            var pin = line.Lead.Pad!;
            var isSignal = line.Lead.Lead.Role is not (LeadRole.Ground or LeadRole.Supply);
            var same = _circuit
                .Board.Pads.Where(p => !_circuit.SocketOf.ContainsKey(p.Id) && p.Meaning == PadMeaning.Sure)
                .Where(p => !isSignal || (!taken.Contains(p.Id) && !pads.Contains(p)))
                .Where(p => _copper.Between(Node.Pad(pin.Id), Node.Pad(p.Id)).Finds == Finds.Beeps)
                .OrderBy(p => taken.Contains(p.Id) || pads.Contains(p))
                .FirstOrDefault();
            if (same is null)
            {
                return null;
            }
            pads.Add(same);
        }
        return pads;
    }
}
