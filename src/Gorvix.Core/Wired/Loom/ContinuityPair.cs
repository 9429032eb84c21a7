using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Loom;

/// <summary>A place for both probes of a meter, without power.</summary>
/// <param name="One">Where one probe goes; the red one, where a diode lies between.</param>
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
)
{
    /// <summary>What a meter must show, in words: "continuity", "4.7 kΩ".</summary>
    public string Expected =>
        Finds switch
        {
            Finds.Beeps => "continuity",
            Finds.Ohms => Numbers.Ohms(Value),
            Finds.Diode => Sentences.VOneWayOpenThe(Value),
            _ => "open",
        };

    /// <summary>True between two supplies, or a supply and ground.</summary>
    public bool IsSupplies { get; init; }

    /// <summary>True for a ground whose device has another one: through it the pair reads continuity, this wire on or off.</summary>
    public bool IsSpareGround { get; init; }

    /// <summary>The point under one probe.</summary>
    public required Node OneAt { get; init; }

    /// <summary>The point under the other.</summary>
    public required Node OtherAt { get; init; }
}

/// <summary>Reads off the circuit what must beep and what must not before anything is powered: supplies first, neighbours of joints, then the wires.</summary>
internal sealed class ContinuityReader(WiredBuild wired, IReadOnlyList<LoomWire> wires, Neighbours neighbours)
{
    private readonly Circuit _circuit = wired.Build.Circuit;
    private readonly IReadOnlyList<BridgeAt> _positions = wired.Positions();
    private readonly Copper _copper = new(wired);

    /// <summary>The pairs, in the order in which they are measured.</summary>
    public IReadOnlyList<ContinuityPair> Pairs() =>
        [
            .. Supplies()
                .Concat(Beside())
                .Concat(AlongWires())
                .Concat(Spare())
                .Concat(BetweenSupplies())
                .DistinctBy(p =>
                    string.Join(' ', new[] { $"{p.OneAt}", $"{p.OtherAt}" }.Order(StringComparer.Ordinal))
                ),
        ];

    private ContinuityPair Between(Pad one, Pad other, Finds finds, double value, string why) =>
        new(WireWords.Of(_circuit, one), WireWords.Of(_circuit, other), finds, value, why, [one.Id, other.Id])
        {
            OneAt = Node.Pad(one.Id),
            OtherAt = Node.Pad(other.Id),
        };

    // One pad of each rail that copper joins to it while the bridges stand as planned.
    private List<(Rail Rail, Pad Pad)> Rails() =>
        [
            .. from rail in wired.Build.Board.Rails
            where rail.Feed != RailFeed.Ground
            let pad = ProbePoints.Of(_circuit, rail, _positions)
            where pad is not null
            select (rail, pad),
        ];

    private IEnumerable<ContinuityPair> Supplies() =>
        ProbePoints.Ground(_circuit) is not { } ground
            ? []
            : Rails()
                .Select(r =>
                    Between(r.Pad, ground, Finds.Silent, 0, Sentences.SteadyBeepIsShortedDo(r.Rail.Label)) with
                    {
                        IsSupplies = true,
                    }
                );

    private IEnumerable<ContinuityPair> BetweenSupplies()
    {
        var rails = Rails();
        return from one in rails.Index()
            from other in rails.Skip(one.Index + 1)
            let found = _copper.Between(Node.Pad(one.Item.Pad.Id), Node.Pad(other.Pad.Id))
            where found.Finds is Finds.Silent
            let back = _copper.Between(Node.Pad(other.Pad.Id), Node.Pad(one.Item.Pad.Id))
            where back.Finds is Finds.Silent
            select Between(
                one.Item.Pad,
                other.Pad,
                Finds.Silent,
                0,
                Sentences.ContinuityMeansIsShortedTo(one.Item.Rail.Label, other.Rail.Label)
            ) with
            {
                IsSupplies = true,
            };
    }

    private IEnumerable<ContinuityPair> Beside()
    {
        foreach (var pad in wires.Where(w => w is { IsJoint: true, Pad: not null }).Select(w => _circuit.Pads[w.Pad!]))
        {
            foreach (var beside in neighbours.Of(pad).Select(n => n.Pad))
            {
                var (finds, value) = _copper.Between(Node.Pad(pad.Id), Node.Pad(beside.Id));
                // Solder between two pads of one copper does no harm.
                if (finds == Finds.Beeps)
                {
                    continue;
                }
                // A diode is measured the way it passes.
                yield return finds == Finds.Silent
                && _copper.Between(Node.Pad(beside.Id), Node.Pad(pad.Id)) is { Finds: Finds.Diode, Value: var drop }
                    ? Between(beside, pad, Finds.Diode, drop, Meaning(Finds.Diode))
                    : Between(pad, beside, finds, value, Meaning(finds));
            }
        }
    }

    private static string Meaning(Finds finds) =>
        finds switch
        {
            Finds.Ohms => Sentences.ContinuityMeansASolderBridge,
            Finds.Diode => Sentences.DiodeDropOneWayOnly,
            _ => Sentences.ContinuityMeansASolderBridge,
        };

    private IEnumerable<ContinuityPair> AlongWires() =>
        from wire in wires
        let lead = wired.LeadOf(new(wire.Device, wire.Lead))
        select new ContinuityPair(
            $"{wire.Label} at {wire.Name}",
            wire.At,
            Finds.Beeps,
            0,
            wire.IsJoint ? Sentences.OpenMeansAColdJoint : Sentences.OpenMeansAContactNot,
            wire.Pad is { } pad ? [pad] : []
        )
        {
            IsSpareGround =
                lead.Lead.Role == LeadRole.Ground
                && wired.Leads.Any(l =>
                    l.Device == lead.Device && l != lead && l is { Lead.Role: LeadRole.Ground, Pad: not null }
                ),
            OneAt = Node.Lead(new(wire.Device, wire.Lead)),
            OtherAt = lead.To is { } to ? Node.Lead(to.At) : Node.Pad(wire.Pad!),
        };

    // What was taken out of a seated plug must not be in it still.
    private IEnumerable<ContinuityPair> Spare() =>
        from seat in wired.Seats
        where seat.Seat.Socket is not null
        let device = wired.Build.Devices.First(d => d.Id == seat.Device).Device
        from lead in wired.Leads
        where lead.Device == seat.Device && lead.State is (LeadState.Lifted or LeadState.Cut)
        let home = Harness.Of(device).HomeOf(lead.Lead.Id)
        where home >= 0 && seat.Seat.Socket!.Pads[home] is not null
        let pad = seat.Seat.Socket!.Pads[home]!
        // A second ground reads continuity through its device, in its pin or out of it.
        where _copper.Between(Node.Lead(new(seat.Device, lead.Lead.Id)), Node.Pad(pad.Id)).Finds == Finds.Silent
        select new ContinuityPair(
            $"{lead.Lead.Label} at {device.Name}",
            WireWords.Of(_circuit, pad),
            Finds.Silent,
            0,
            Sentences.ContinuityMeansThisLeadIs,
            [pad.Id]
        )
        {
            OneAt = Node.Lead(new(seat.Device, lead.Lead.Id)),
            OtherAt = Node.Pad(pad.Id),
        };
}
