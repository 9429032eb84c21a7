using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Hardware.Circuits;

/// <summary>One way through the circuit from a node to the first net, rail or lead that it meets, with all that lies between.</summary>
public sealed class Strand
{
    internal Strand(Node from, Node to, IReadOnlyList<Step> steps)
    {
        (From, To, Steps) = (from, to, steps);
        Contacts = [.. steps.Select(s => s.Edge.Contact).OfType<BridgeAt>()];
        Turn = steps.Aggregate(Polarity.Normal, (turn, s) => turn.Then(s.Turn));
        Inverters = steps.Count(s => s.Kind == StepKind.Inverter);
        PassesOut = steps.All(s => s.Passage != Passage.ToPad);
        PassesBack = steps.All(s => s.Passage != Passage.ToController);
        Ohms = steps.Where(s => s.Kind == StepKind.Resistor).Sum(s => s.Value);
        Components = [.. steps.Where(s => s.Kind is not (StepKind.Copper or StepKind.Contact))];
        IsPlain = Components.Count == 0;
    }

    /// <summary>Where the walk began.</summary>
    public Node From { get; }

    /// <summary>Where it ended: a net, a rail or a lead.</summary>
    public Node To { get; }

    /// <summary>What lies between, from the beginning on.</summary>
    public IReadOnlyList<Step> Steps { get; }

    /// <summary>What of that is more than copper and contacts.</summary>
    public IReadOnlyList<Step> Components { get; }

    /// <summary>The bridge positions in which it conducts; none when it always does.</summary>
    public IReadOnlyList<BridgeAt> Contacts { get; }

    /// <summary>What it does to the polarity, either way.</summary>
    public Polarity Turn { get; }

    /// <summary>How many inverters lie on it.</summary>
    public int Inverters { get; }

    /// <summary>True when a signal passes from the beginning to the end.</summary>
    public bool PassesOut { get; }

    /// <summary>True when a signal passes from the end to the beginning.</summary>
    public bool PassesBack { get; }

    /// <summary>The resistance in series, in ohms.</summary>
    public double Ohms { get; }

    /// <summary>True when nothing but copper and contacts lies on it.</summary>
    public bool IsPlain { get; }

    /// <summary>True when it conducts while each of these bridges stands there. A bridge that is not named conducts nowhere.</summary>
    public bool Conducts(IEnumerable<BridgeAt> bridges) => Contacts.Count == 0 || Contacts.All(bridges.Contains);

    /// <summary>True when some position of the bridges joins it and these; false when one bridge had to stand in two.</summary>
    public bool Agrees(IEnumerable<BridgeAt> bridges) =>
        Contacts.Count == 0 || !bridges.Any(b => Contacts.Any(c => c.Bridge == b.Bridge && c.Position != b.Position));

    /// <summary>What is left at the end of a high level at the beginning, in volts.</summary>
    public double LevelOut(double volts) => Steps.Aggregate(volts, LevelAfter);

    /// <summary>What is left at the beginning of a high level at the end, in volts.</summary>
    public double LevelBack(double volts) => Steps.Reverse().Aggregate(volts, LevelAfter);

    /// <summary>The first step whose input gets more than it stands from a high level at the beginning, with what it gets; null when there is none.</summary>
    public (Step Step, double Gets)? OverdrivenOut(double volts)
    {
        foreach (var step in Steps)
        {
            if (step.Passage != Passage.ToPad && step.Stands < volts)
            {
                return (step, volts);
            }
            volts = LevelAfter(volts, step);
        }
        return null;
    }

    /// <summary>A high level after one more step, in volts. An inverter drives its own, where that is known.</summary>
    public static double LevelAfter(double volts, Step step) =>
        step.Kind switch
        {
            StepKind.Divider => volts * step.Value,
            StepKind.Diode => volts - step.Value,
            StepKind.Inverter when step.Value > 0 => step.Value,
            _ => volts,
        };
}
