using Gorvix.Core.Circuits;
using Gorvix.Core.Parts;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Loom;

/// <summary>A place for both probes of a meter, without power.</summary>
/// <param name="One">Where one probe goes.</param>
/// <param name="Other">Where the other goes.</param>
/// <param name="Finds">What it must find.</param>
/// <param name="Value">Ohms of a resistance, volts of a diode; 0 else.</param>
/// <param name="Why">What it means if it is otherwise.</param>
/// <param name="Pads">Ids of the pads under the probes.</param>
public sealed record ContinuityPair(
    string One,
    string Other,
    Finds Finds,
    double Value,
    string Why,
    IReadOnlyList<string> Pads
);

/// <summary>Reads off the circuit what must beep and what must not before anything is powered: supplies first, neighbours of joints, then the wires.</summary>
internal sealed class ContinuityReader(WiredBuild wired, IReadOnlyList<LoomWire> wires, Neighbours neighbours)
{
    private readonly Circuit _circuit = wired.Build.Circuit;
    private readonly IReadOnlyList<BridgeAt> _positions = wired.Positions();
    private readonly CopperBetween _between = new(wired.Build.Circuit, wired.Positions());

    /// <summary>The pairs, in the order in which they are measured.</summary>
    public IReadOnlyList<ContinuityPair> Pairs() =>
        [
            .. Supplies()
                .Concat(Beside())
                .Concat(AlongWires())
                .Concat(BetweenSupplies())
                .DistinctBy(p => string.Join(' ', new[] { p.One, p.Other }.Order(StringComparer.Ordinal))),
        ];

    private string At(Pad pad) => WireWords.Of(_circuit, pad);

    // One pad of each rail that copper joins to it while the bridges stand as planned.
    private List<(Rail Rail, Pad Pad)> Rails() =>
        [
            .. from rail in wired.Build.Board.Rails
            where rail.Feed != RailFeed.Ground
            let pad = wired
                .Build.Board.Pads.Where(p => p.Meaning == PadMeaning.Sure)
                .FirstOrDefault(p =>
                    _circuit.From(p).Any(s => s.IsPlain && s.Conducts(_positions) && s.To == Node.Rail(rail.Id))
                )
            where pad is not null
            select (rail, pad),
        ];

    private Pad? Ground() =>
        wired.Build.Board.Pads.FirstOrDefault(p => p.Meaning == PadMeaning.Sure && _circuit.IsGround(p));

    private IEnumerable<ContinuityPair> Supplies() =>
        Ground() is not { } ground
            ? []
            : Rails()
                .Select(r => new ContinuityPair(
                    At(r.Pad),
                    At(ground),
                    Finds.Silent,
                    0,
                    $"A beep that stays is a short on {r.Rail.Label}: it would burn at switch-on. One short chirp is a capacitor.",
                    [r.Pad.Id, ground.Id]
                ));

    private IEnumerable<ContinuityPair> BetweenSupplies()
    {
        var rails = Rails();
        return from one in rails.Index()
            from other in rails.Skip(one.Index + 1)
            let found = _between.Of(one.Item.Pad, other.Pad)
            where found.Finds is Finds.Silent
            select new ContinuityPair(
                At(one.Item.Pad),
                At(other.Pad),
                Finds.Silent,
                0,
                $"A beep ties {one.Item.Rail.Label} to {other.Rail.Label}.",
                [one.Item.Pad.Id, other.Pad.Id]
            );
    }

    private IEnumerable<ContinuityPair> Beside()
    {
        foreach (var pad in wires.Where(w => w is { IsJoint: true, Pad: not null }).Select(w => _circuit.Pads[w.Pad!]))
        {
            foreach (var beside in neighbours.Of(pad).Select(n => n.Pad))
            {
                var (finds, value) = _between.Of(pad, beside);
                yield return new ContinuityPair(At(pad), At(beside), finds, value, Meaning(finds), [pad.Id, beside.Id]);
            }
        }
    }

    private static string Meaning(Finds finds) =>
        finds switch
        {
            Finds.Beeps => "They are one copper on the board: a bridge of solder between them does no harm.",
            Finds.Ohms => "A beep is a bridge of solder between them.",
            Finds.Diode => "A drop one way only. A beep is a bridge of solder between them.",
            _ => "A beep is a bridge of solder between them.",
        };

    private IEnumerable<ContinuityPair> AlongWires() =>
        from wire in wires
        select new ContinuityPair(
            $"{wire.Label} at the {wire.Name}",
            wire.At,
            Finds.Beeps,
            0,
            wire.IsJoint
                ? "Silence is a cold joint or a broken wire."
                : "Silence is a lead that is not home in its cavity.",
            wire.Pad is { } pad ? [pad] : []
        );
}
