using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
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
        let seen = joins.Contains(stands) ? Sentences.ClosedAtOnly(stands) : Sentences.OpenNoSolder
        select new BenchCheck(
            $"bridge.{set.Bridge.Id}",
            BenchPhase.Cold,
            Asks.Sign,
            Sentences.SolderJumper(set.Bridge.Id),
            Sentences.InspectUnderMagnification(set.Bridge.Id),
            seen,
            Sentences.SolderJumperIsAsPlanned(set.Bridge.Id),
            [],
            [
                new(Answer.Yes, new(Mark.Good, $"{set.Bridge.Id} is {seen}.")),
                new(
                    Answer.No,
                    new(Mark.Stop, Sentences.MustBeOrItsCircuit(set.Bridge.Id, seen), Sentences.FixItWithIronAnd)
                ),
                new(Answer.Unsure, new(Mark.Doubtful, Sentences.NotConfirmed, Sentences.CleanItUseMoreMagnification)),
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
                Asks.Ohms => Sentences.NothingPluggedInMeasureResistance,
                Asks.Diode => Sentences.NothingPluggedInDiodeMode,
                _ when pair.IsSupplies => Sentences.NothingPluggedInHoldThe,
                _ => Sentences.NothingPluggedInIsThere,
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
            RedWire = WireOf(pair.OneAt),
            BlackWire = WireOf(pair.OtherAt),
            Unit = asks == Asks.Diode ? ReadingUnit.Volts : ReadingUnit.Ohms,
            Computed = asks is Asks.Ohms or Asks.Diode ? pair.Value : null,
            Device = pair.OneAt.Kind == NodeKind.Lead ? pair.OneAt.Device : null,
            MustPass = pair is { IsSupplies: true, Finds: Finds.Silent },
            Probing = new CopperProbing(pair.OneAt, pair.OtherAt),
            Mind = pair.IsSpareGround ? [Sentences.TheDevicesOtherGroundReads] : [],
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

    /// <summary>The lead that a point is, as its wire is called in the wire list; null for any other.</summary>
    internal static string? WireOf(Node node) =>
        node.Kind == NodeKind.Lead ? WireReader.IdOf(new LeadAt(node.Device, node.Id)) : null;

    // The end of a lead lies at its device, not on the board.
    private static string? PadOf(Node node) => node.Kind == NodeKind.Pad ? node.Id : null;

    private static string ProvesOf(ContinuityPair pair) =>
        pair.Finds switch
        {
            Finds.Beeps => Sentences.AndAreConnected(pair.One, pair.Other),
            Finds.Silent => Sentences.AndAreNotConnected(pair.One, pair.Other),
            _ => Sentences.OnlyTheBoardsOwnPart(pair.One, pair.Other),
        };

    private static IEnumerable<Band> BandsOf(ContinuityPair pair)
    {
        var bad = new Judgement(Mark.Stop, Sentences.FixItBeforePoweringUp(pair.Why), LookOf(pair));
        switch (pair.Finds)
        {
            case Finds.Beeps:
                yield return new(Joined, new(Mark.Good, Sentences.TheyAreConnected));
                yield return new(
                    Apart,
                    new(Mark.Doubtful, Sentences.TooMuchResistanceForA, Sentences.PressTheProbesIntoBare)
                );
                yield return new(null, bad);
                break;
            case Finds.Ohms:
                yield return new(Math.Min(Joined, pair.Value / 2), bad);
                yield return new(pair.Value * (1 - Off), Other(pair));
                yield return new(pair.Value * (1 + Off), new(Mark.Good, Sentences.OnlyTheBoardsOwnResistor));
                yield return new(null, Other(pair));
                break;
            case Finds.Diode:
                yield return new(0.03, bad);
                yield return new(Math.Max(0.04, pair.Value - DropOff), Other(pair));
                yield return new(pair.Value + DropOff, new(Mark.Good, Sentences.OnlyTheBoardsOwnDiode));
                yield return new(null, Other(pair));
                break;
            default:
                yield return new(Joined, bad);
                yield return new(Apart, new(Mark.Doubtful, Sentences.TooLowForOpenToo, Sentences.HoldTheProbesOnFor));
                yield return new(null, new(Mark.Good, Sentences.TheyAreNotConnected));
                break;
        }
    }

    private static Judgement Other(ContinuityPair pair) =>
        new(Mark.Doubtful, Sentences.ExpectedFromTheDatasheet(pair.Expected), Sentences.SwapTheProbesAndMeasure);

    private static IEnumerable<Judged> AnswersOf(ContinuityPair pair)
    {
        var bad = new Judgement(Mark.Stop, Sentences.FixItBeforePoweringUp(pair.Why), LookOf(pair));
        var unsure = new Judgement(Mark.Doubtful, Sentences.NotConfirmed, Sentences.TouchTheProbesTogetherTo);
        yield return new(
            Answer.Yes,
            pair.Finds == Finds.Beeps ? new(Mark.Good, Sentences.TheyAreConnected)
                // Most meters beep below some tens of ohms (common practice), and a small resistor is no fault then.
                : pair.Finds == Finds.Ohms && pair.Value <= Apart
                    ? new(Mark.Doubtful, Sentences.AMeterMayBeepAcross, Sentences.MeasureTheResistance)
                : bad
        );
        yield return new(
            Answer.No,
            pair.Finds switch
            {
                Finds.Beeps => bad,
                Finds.Diode => new(Mark.Good, Sentences.NoSolderBridgeAcrossThe),
                Finds.Ohms => new(Mark.Good, Sentences.NoSolderBridgeAcrossTheResistor),
                _ => new(Mark.Good, Sentences.TheyAreNotConnected),
            }
        );
        yield return new(Answer.Unsure, unsure);
    }

    private static string LookOf(ContinuityPair pair) =>
        pair.Finds == Finds.Beeps ? Sentences.TugTheWireCheckWhere : Sentences.InspectBetweenTheTwoPoints;
}
