using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Hardware.Circuits;

/// <summary>What a lead meets at a pad while the bridges behind it stand in one way.</summary>
/// <param name="Bridges">Where the bridges behind the pad stand; none when nothing depends on them.</param>
/// <param name="Strands">What the pad is joined to then.</param>
public sealed record PadState(IReadOnlyList<BridgeAt> Bridges, IReadOnlyList<Strand> Strands)
{
    /// <summary>Every way in which the bridges behind a pad can stand, in the order of their positions.</summary>
    internal static IReadOnlyList<PadState> Of(Circuit circuit, Pad pad)
    {
        var strands = circuit.From(pad);
        var bridges = strands.SelectMany(s => s.Contacts).Select(c => c.Bridge).Distinct().ToList();
        IEnumerable<IReadOnlyList<BridgeAt>> ways =
        [
            [],
        ];
        foreach (var bridge in circuit.Board.Bridges.Where(b => bridges.Contains(b.Id)))
        {
            ways = ways.SelectMany(w => bridge.Positions.Select(p => w.Append(new BridgeAt(bridge.Id, p)).ToList()));
        }
        return [.. ways.Select(w => new PadState(w, [.. strands.Where(s => s.Conducts(w))]))];
    }
}
