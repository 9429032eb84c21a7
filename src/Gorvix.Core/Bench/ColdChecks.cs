using Gorvix.Core.Circuits;
using Gorvix.Core.Loom;
using Gorvix.Core.Parts;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Bench;

/// <summary>What is measured before anything is plugged in: every pair of the loom, and every bridge by eye.</summary>
internal sealed class ColdChecks(WiredBuild wired, Scope scope)
{
    /// <summary>Below this a meter's two points are one copper, in ohms: leads, probes and joint together (common practice).</summary>
    public const double Joined = 2;

    /// <summary>Above this nothing joins them that could be a blob or a strand of wire, in ohms (our own choice).</summary>
    public const double Apart = 50;

    /// <summary>What a printed resistance may be off, as a part of it (our own choice).</summary>
    public const double Off = 0.25;

    /// <summary>What the drop of a diode may be off, in volts: a meter drives less current than the leaflet's (our own choice).</summary>
    public const double DropOff = 0.25;

    private readonly Circuit _circuit = wired.Build.Circuit;

    /// <summary>The checks, supplies first.</summary>
    /// <param name="pairs">The pairs of the loom.</param>
    public IEnumerable<BenchCheck> Of(IReadOnlyList<ContinuityPair> pairs) => Bridges().Concat(pairs.Select(Pair));

    private IEnumerable<BenchCheck> Bridges() =>
        from set in wired.Bridges
        where set.Bridge.MovedBy == MovedBy.Iron
        let joins = _circuit.JoiningPositions(set.Bridge.Id)
        let stands = set.Positions.Count > 0 ? set.Positions[0] : set.Bridge.Default
        let seen = joins.Contains(stands) ? $"closed at \"{stands}\", and nowhere else" : "open: no solder on it"
        select new BenchCheck(
            $"bridge.{set.Bridge.Id}",
            BenchPhase.Cold,
            Asks.Sign,
            $"Bridge {set.Bridge.Id}",
            $"Look at {set.Bridge.Id} under the glass.",
            seen,
            $"Bridge {set.Bridge.Id} stands as planned.",
            [],
            [
                new(Answer.Yes, new(Mark.Good, $"{set.Bridge.Id} is {seen}.")),
                new(
                    Answer.No,
                    new(
                        Mark.Stop,
                        $"{set.Bridge.Id} must be {seen}: what it decides gets other volts or another signal.",
                        "Mend it with iron and flux, then look again."
                    )
                ),
                new(
                    Answer.Unsure,
                    new(
                        Mark.Doubtful,
                        "What is not seen is not known.",
                        "Clean it, take the stronger glass, or beep across it."
                    )
                ),
            ],
            Scope.Of([scope.Board], [scope.Bridge(set.Bridge.Id)])
        )
        {
            Probing = new BridgeProbing(set.Bridge.Id),
        };

    private BenchCheck Pair(ContinuityPair pair)
    {
        var asks = pair.Finds switch
        {
            Finds.Ohms => Asks.Ohms,
            Finds.Diode => Asks.Diode,
            _ => Asks.Beep,
        };
        return new BenchCheck(
            IdOf(pair),
            BenchPhase.Cold,
            asks,
            $"{Short(pair.OneAt, pair.One)} to {Short(pair.OtherAt, pair.Other)}",
            asks switch
            {
                Asks.Ohms => "Nothing plugged in. Measure ohms.",
                Asks.Diode =>
                    "Nothing plugged in. Diode range, red on the first point; then the other way round, which shows nothing.",
                _ => "Nothing plugged in. Does it beep?",
            },
            ExpectedOf(pair),
            ProvesOf(pair),
            [.. BandsOf(pair)],
            [.. AnswersOf(pair)],
            Scope.Of([scope.Board], scope.Point(pair.OneAt), scope.Point(pair.OtherAt))
        )
        {
            Red = pair.One,
            Black = pair.Other,
            RedPad = PadOf(pair.OneAt),
            BlackPad = PadOf(pair.OtherAt),
            Unit = asks == Asks.Diode ? ReadingUnit.Volts : ReadingUnit.Ohms,
            Computed = asks is Asks.Ohms or Asks.Diode ? pair.Value : null,
            Device = pair.OneAt.Kind == NodeKind.Lead ? pair.OneAt.Device : null,
            Probing = new CopperProbing(pair.OneAt, pair.OtherAt),
        };
    }

    // In a title the side is told where it is not the one that is looked at first.
    private string Short(Node node, string words) =>
        node.Kind == NodeKind.Pad && !_circuit.SocketOf.ContainsKey(node.Id)
            ? $"{_circuit.Pads[node.Id].Label}{(_circuit.Pads[node.Id].Side == BoardSide.Bottom ? " (bottom)" : "")}"
            : words.Replace(", top side", "", StringComparison.Ordinal);

    /// <summary>The id of the check between two points.</summary>
    private static string IdOf(ContinuityPair pair) => $"cold.{IdOf(pair.OneAt)}.{IdOf(pair.OtherAt)}";

    private static string IdOf(Node node) => node.Kind == NodeKind.Lead ? $"{node.Device}-{node.Id}" : node.Id;

    // The end of a lead lies at its device, not on the board.
    private static string? PadOf(Node node) => node.Kind == NodeKind.Pad ? node.Id : null;

    private static string ExpectedOf(ContinuityPair pair) =>
        pair.Finds switch
        {
            Finds.Beeps => "a beep",
            Finds.Ohms => $"{Numbers.Ohms(pair.Value)}",
            Finds.Diode => $"{pair.Value:0.0#} V one way, nothing the other",
            _ => "silence",
        };

    private static string ProvesOf(ContinuityPair pair) =>
        pair.Finds switch
        {
            Finds.Beeps => $"{pair.One} and {pair.Other} are joined.",
            Finds.Silent => $"Nothing joins {pair.One} and {pair.Other}.",
            _ => $"Between {pair.One} and {pair.Other} lies what belongs there, and no solder.",
        };

    private static IEnumerable<Band> BandsOf(ContinuityPair pair)
    {
        var bad = new Judgement(Mark.Stop, $"{pair.Why} Give it no power until it is mended.", LookOf(pair));
        switch (pair.Finds)
        {
            case Finds.Beeps:
                yield return new(Joined, new(Mark.Good, "They are joined."));
                yield return new(
                    Apart,
                    new(
                        Mark.Doubtful,
                        "A joint has less than this: the probe slips, or the joint is cold.",
                        "Press the probes into the metal; else heat the joint once more."
                    )
                );
                yield return new(null, bad);
                break;
            case Finds.Ohms:
                yield return new(Math.Min(Joined, pair.Value / 2), bad);
                yield return new(pair.Value * (1 - Off), Other(pair));
                yield return new(
                    pair.Value * (1 + Off),
                    new(Mark.Good, "The resistor of the board, and nothing beside it.")
                );
                yield return new(null, Other(pair));
                break;
            case Finds.Diode:
                yield return new(0.03, bad);
                yield return new(Math.Max(0.04, pair.Value - DropOff), Other(pair));
                yield return new(
                    pair.Value + DropOff,
                    new(Mark.Good, "The diode of the board, and nothing beside it.")
                );
                yield return new(null, Other(pair));
                break;
            default:
                yield return new(Joined, bad);
                yield return new(
                    Apart,
                    new(
                        Mark.Doubtful,
                        "Too little for two points that nothing joins, too much for solder: flux, a strand, or a capacitor that fills.",
                        "Hold the probes for three seconds; clean between the points; measure again."
                    )
                );
                yield return new(null, new(Mark.Good, "Nothing joins them."));
                break;
        }
    }

    private static Judgement Other(ContinuityPair pair) =>
        new(
            Mark.Doubtful,
            $"The leaflet tells of {ExpectedOf(pair)} here.",
            "Turn the probes round and measure again; then compare the revision of the board with its leaflet."
        );

    private static IEnumerable<Judged> AnswersOf(ContinuityPair pair)
    {
        var bad = new Judgement(Mark.Stop, $"{pair.Why} Give it no power until it is mended.", LookOf(pair));
        var unsure = new Judgement(
            Mark.Doubtful,
            "What is not sure is not known.",
            "Press the probes into bare metal, and beep them against each other first."
        );
        yield return new(
            Answer.Yes,
            pair.Finds == Finds.Beeps ? new(Mark.Good, "They are joined.")
                // Most meters beep below some tens of ohms (common practice), and a small resistor is no fault then.
                : pair.Finds == Finds.Ohms && pair.Value <= Apart
                    ? new(Mark.Doubtful, "A meter may beep across so small a resistor.", "Measure the ohms.")
                : bad
        );
        yield return new(
            Answer.No,
            pair.Finds switch
            {
                Finds.Beeps => bad,
                Finds.Diode => new(Mark.Good, "No solder across the diode."),
                Finds.Ohms => new(Mark.Good, "No solder across the resistor."),
                _ => new(Mark.Good, "Nothing joins them."),
            }
        );
        yield return new(Answer.Unsure, unsure);
    }

    private static string LookOf(ContinuityPair pair) =>
        pair.Finds == Finds.Beeps
            ? "Pull at the wire, look where it really ends, then heat the joint once more."
            : "Look between the two points under the glass; wick away what joins them.";
}
