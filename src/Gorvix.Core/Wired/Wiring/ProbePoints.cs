using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>Where the probes of a meter go.</summary>
public static class ProbePoints
{
    /// <summary>A pad that copper joins to a rail while the bridges stand so; null where no pad is sure to be.</summary>
    /// <param name="circuit">The board.</param>
    /// <param name="rail">One of its rails.</param>
    /// <param name="positions">Where its bridges stand.</param>
    public static Pad? Of(Circuit circuit, Rail rail, IReadOnlyList<BridgeAt> positions) =>
        Sure(circuit)
            .FirstOrDefault(p =>
                circuit.From(p).Any(s => s.IsPlain && s.Conducts(positions) && s.To == Node.Rail(rail.Id))
            );

    /// <summary>A pad that is ground for sure; null where there is none.</summary>
    /// <param name="circuit">The board.</param>
    public static Pad? Ground(Circuit circuit) => Sure(circuit).FirstOrDefault(circuit.IsGround);

    private static IEnumerable<Pad> Sure(Circuit circuit) =>
        circuit.Board.Pads.Where(p => p.Meaning == PadMeaning.Sure);
}
