using Gorvix.Core.Circuits;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Loom;

/// <summary>What a meter finds between two points.</summary>
public enum Finds
{
    /// <summary>Copper: it beeps.</summary>
    Beeps,

    /// <summary>Nothing: it stays silent.</summary>
    Silent,

    /// <summary>A resistance.</summary>
    Ohms,

    /// <summary>A diode: a drop one way, nothing the other.</summary>
    Diode,
}

/// <summary>What joins two pads of a bare board while its bridges stand as they do, read off the strands from both.</summary>
/// <param name="circuit">The board.</param>
/// <param name="positions">Where the bridges stand.</param>
internal sealed class CopperBetween(Circuit circuit, IReadOnlyList<BridgeAt> positions)
{
    /// <summary>What a meter finds, with the ohms of a resistance or the volts of a diode.</summary>
    public (Finds Finds, double Value) Of(Pad one, Pad other)
    {
        var best = (Finds: Finds.Silent, Value: 0.0);
        foreach (var from in Joined(one))
        {
            foreach (var to in Joined(other).Where(s => s.To == from.To))
            {
                var found = Sum(from.Components.Concat(to.Components).ToList());
                if (found.Finds == Finds.Beeps)
                {
                    return found;
                }
                best = best.Finds == Finds.Silent ? found : best;
            }
        }
        return best;
    }

    private IEnumerable<Strand> Joined(Pad pad) => circuit.From(pad).Where(s => s.Conducts(positions));

    // An inverter is no copper; a divider is a resistance nobody tells.
    private static (Finds Finds, double Value) Sum(List<Step> steps) =>
        steps.Count == 0 ? (Finds.Beeps, 0)
        : steps.Any(s => s.Kind is StepKind.Inverter or StepKind.Divider) ? (Finds.Silent, 0)
        : steps.FirstOrDefault(s => s.Kind == StepKind.Diode) is { } diode ? (Finds.Diode, diode.Value)
        : (Finds.Ohms, steps.Sum(s => s.Value));
}
