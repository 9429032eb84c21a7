using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.Bench;

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
        where set.Bridge.MovedBy == MovedBy.Solder
        let joins = _circuit.JoiningPositions(set.Bridge.Id)
        let stands = set.Positions.Count > 0 ? set.Positions[0] : set.Bridge.Default
        let seen = joins.Contains(stands) ? $"closed at \"{stands}\" only" : "open (no solder)"
        select new BenchCheck(
            $"bridge.{set.Bridge.Id}",
            BenchPhase.Cold,
            Asks.Sign,
            $"Solder jumper {set.Bridge.Id}",
            $"Inspect {set.Bridge.Id} under magnification.",
            seen,
            $"Solder jumper {set.Bridge.Id} is as planned.",
            [],
            [
                new(Answer.Yes, new(Mark.Good, $"{set.Bridge.Id} is {seen}.")),
                new(
                    Answer.No,
                    new(
                        Mark.Stop,
                        $"{set.Bridge.Id} must be {seen}, or its circuit gets the wrong voltage or signal.",
                        "Fix it with iron and flux, then inspect again."
                    )
                ),
                new(
                    Answer.Unsure,
                    new(
                        Mark.Doubtful,
                        "Not confirmed.",
                        "Clean it, use more magnification, or check continuity across it."
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
                Asks.Ohms => "Nothing plugged in. Measure resistance.",
                Asks.Diode =>
                    "Nothing plugged in. Diode mode, red on the first point; then swap probes, which must read open.",
                _ when pair.IsSupplies =>
                    "Nothing plugged in. Hold the probes 3 s: is there a steady tone? A short chirp is a capacitor.",
                _ => "Nothing plugged in. Is there a steady tone?",
            },
            pair.Expected,
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
            MustPass = pair is { IsSupplies: true, Finds: Finds.Silent },
            Probing = new CopperProbing(pair.OneAt, pair.OtherAt),
            Mind = pair.IsSpareGround ? ["The device's other ground reads the same: tug this wire too."] : [],
        };
    }

    // In a title the side is told where it is not the one that is looked at first.
    private string Short(Node node, string words) =>
        node.Kind == NodeKind.Pad && !_circuit.SocketOf.ContainsKey(node.Id)
            ? $"{_circuit.Pads[node.Id].Label}{(_circuit.Pads[node.Id].Side == BoardSide.Bottom ? " (bottom)" : "")}"
            : words;

    /// <summary>The id of the check between two points.</summary>
    private static string IdOf(ContinuityPair pair) => $"cold.{IdOf(pair.OneAt)}.{IdOf(pair.OtherAt)}";

    private static string IdOf(Node node) => node.Kind == NodeKind.Lead ? $"{node.Device}-{node.Id}" : node.Id;

    // The end of a lead lies at its device, not on the board.
    private static string? PadOf(Node node) => node.Kind == NodeKind.Pad ? node.Id : null;

    private static string ProvesOf(ContinuityPair pair) =>
        pair.Finds switch
        {
            Finds.Beeps => $"{pair.One} and {pair.Other} are connected.",
            Finds.Silent => $"{pair.One} and {pair.Other} are not connected.",
            _ => $"Only the board's own part is between {pair.One} and {pair.Other}, no solder bridge.",
        };

    private static IEnumerable<Band> BandsOf(ContinuityPair pair)
    {
        var bad = new Judgement(Mark.Stop, $"{pair.Why} Fix it before powering up.", LookOf(pair));
        switch (pair.Finds)
        {
            case Finds.Beeps:
                yield return new(Joined, new(Mark.Good, "They are connected."));
                yield return new(
                    Apart,
                    new(
                        Mark.Doubtful,
                        "Too much resistance for a joint: the probe slips, or the joint is cold.",
                        "Press the probes into bare metal; if it reads the same, reflow the joint."
                    )
                );
                yield return new(null, bad);
                break;
            case Finds.Ohms:
                yield return new(Math.Min(Joined, pair.Value / 2), bad);
                yield return new(pair.Value * (1 - Off), Other(pair));
                yield return new(pair.Value * (1 + Off), new(Mark.Good, "Only the board's own resistor."));
                yield return new(null, Other(pair));
                break;
            case Finds.Diode:
                yield return new(0.03, bad);
                yield return new(Math.Max(0.04, pair.Value - DropOff), Other(pair));
                yield return new(pair.Value + DropOff, new(Mark.Good, "Only the board's own diode."));
                yield return new(null, Other(pair));
                break;
            default:
                yield return new(Joined, bad);
                yield return new(
                    Apart,
                    new(
                        Mark.Doubtful,
                        "Too low for open, too high for solder: flux, a stray strand, or a charging capacitor.",
                        "Hold the probes on for 3 s; clean between the points; measure again."
                    )
                );
                yield return new(null, new(Mark.Good, "They are not connected."));
                break;
        }
    }

    private static Judgement Other(ContinuityPair pair) =>
        new(
            Mark.Doubtful,
            $"Expected from the datasheet: {pair.Expected}.",
            "Swap the probes and measure again; then check the board's revision against its datasheet."
        );

    private static IEnumerable<Judged> AnswersOf(ContinuityPair pair)
    {
        var bad = new Judgement(Mark.Stop, $"{pair.Why} Fix it before powering up.", LookOf(pair));
        var unsure = new Judgement(
            Mark.Doubtful,
            "Not confirmed.",
            "Touch the probes together to check the meter, then press them into bare metal."
        );
        yield return new(
            Answer.Yes,
            pair.Finds == Finds.Beeps ? new(Mark.Good, "They are connected.")
                // Most meters beep below some tens of ohms (common practice), and a small resistor is no fault then.
                : pair.Finds == Finds.Ohms && pair.Value <= Apart
                    ? new(Mark.Doubtful, "A meter may beep across a resistor this small.", "Measure the resistance.")
                : bad
        );
        yield return new(
            Answer.No,
            pair.Finds switch
            {
                Finds.Beeps => bad,
                Finds.Diode => new(Mark.Good, "No solder bridge across the diode."),
                Finds.Ohms => new(Mark.Good, "No solder bridge across the resistor."),
                _ => new(Mark.Good, "They are not connected."),
            }
        );
        yield return new(Answer.Unsure, unsure);
    }

    private static string LookOf(ContinuityPair pair) =>
        pair.Finds == Finds.Beeps
            ? "Tug the wire, check where it really goes, then reflow the joint."
            : "Inspect between the two points under magnification; wick off any solder bridge.";
}
