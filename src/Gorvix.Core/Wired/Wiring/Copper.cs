using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>What a meter finds between two points.</summary>
public enum Finds
{
    /// <summary>Copper: it beeps.</summary>
    Beeps,

    /// <summary>Nothing: it stays silent.</summary>
    Silent,

    /// <summary>A resistance.</summary>
    Ohms,

    /// <summary>A diode that the meter's current passes, red on the first point; the other way it blocks.</summary>
    Diode,
}

/// <summary>What joins the points of a wired build while nothing feeds it, read off the strands of every pad.</summary>
public sealed class Copper
{
    private readonly Dictionary<Node, Node> _group = [];

    // Each piece of copper by the point that stands for it.
    private readonly Dictionary<Node, List<Node>> _pieces = [];

    // By the piece that it begins at, every element once for each way that it passes a current: a resistor both, a diode one.
    private readonly ILookup<Node, (Node To, double Ohms, double Volts)> _through;

    /// <summary>Looks at a build.</summary>
    /// <param name="wired">The build as it is wired.</param>
    public Copper(WiredBuild wired)
        : this(wired, wired.Circuit()) { }

    /// <summary>Looks at a build whose circuit is there already.</summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="circuit">What <see cref="WiredBuild.Circuit"/> gave.</param>
    internal Copper(WiredBuild wired, Circuit circuit)
        : this(circuit, wired.Positions(), Joints(wired)) { }

    /// <summary>Looks at a circuit.</summary>
    /// <param name="circuit">The circuit.</param>
    /// <param name="positions">Where its bridges stand.</param>
    /// <param name="joints">Points that solder or a plug joins.</param>
    public Copper(Circuit circuit, IReadOnlyList<BridgeAt> positions, IEnumerable<(Node One, Node Other)> joints)
    {
        var through = new List<(Node From, Node To, double Ohms, double Volts)>();
        foreach (var (one, other) in joints)
        {
            Join(one, other);
        }
        foreach (var pad in circuit.Board.Pads)
        {
            foreach (var strand in circuit.From(pad).Where(s => s.Conducts(positions)))
            {
                if (strand.IsPlain)
                {
                    Join(strand.From, strand.To);
                }
                // An inverter is no copper; a divider is a resistance nobody tells.
                else if (strand.Components.All(c => c.Kind is StepKind.Resistor or StepKind.Diode))
                {
                    var drop = strand.Components.Where(c => c.Kind == StepKind.Diode).Sum(c => c.Value);
                    if (strand.PassesOut)
                    {
                        through.Add((strand.From, strand.To, strand.Ohms, drop));
                    }
                    if (strand.PassesBack)
                    {
                        through.Add((strand.To, strand.From, strand.Ohms, drop));
                    }
                }
            }
        }
        foreach (var point in _group.Keys)
        {
            var root = Root(point);
            if (!_pieces.TryGetValue(root, out var piece))
            {
                _pieces.Add(root, piece = []);
            }
            piece.Add(point);
        }
        _through = through.ToLookup(t => Root(t.From), t => (t.To, t.Ohms, t.Volts));
    }

    /// <summary>What a meter finds, with the ohms of a resistance or the volts of a diode; the easiest way counts. Through a diode that blocks, nothing.</summary>
    /// <param name="one">Where the red probe goes: a pad or a lead.</param>
    /// <param name="other">Where the black one goes.</param>
    public (Finds Finds, double Value) Between(Node one, Node other)
    {
        var (from, to) = (Root(one), Root(other));
        if (from == to)
        {
            return (Finds.Beeps, 0);
        }
        var reached = new Dictionary<Node, (double Volts, double Ohms)>();
        var next = new PriorityQueue<(Node Node, double Volts, double Ohms), (double, double)>();
        next.Enqueue((from, 0, 0), (0, 0));
        while (next.TryDequeue(out var at, out _))
        {
            if (!reached.TryAdd(at.Node, (at.Volts, at.Ohms)))
            {
                continue;
            }
            foreach (var (end, ohms, volts) in _through[at.Node])
            {
                var (v, o) = (at.Volts + volts, at.Ohms + ohms);
                next.Enqueue((Root(end), v, o), (v, o));
            }
        }
        return !reached.TryGetValue(to, out var found) ? (Finds.Silent, 0)
            : found.Volts > 0 ? (Finds.Diode, found.Volts)
            : (Finds.Ohms, found.Ohms);
    }

    /// <summary>Everything that is one piece of copper with a point, the point itself too.</summary>
    /// <param name="point">A pad, a lead, a net or a rail.</param>
    public IReadOnlyList<Node> With(Node point) => _pieces.TryGetValue(Root(point), out var piece) ? piece : [point];

    private static IEnumerable<(Node, Node)> Joints(WiredBuild wired) =>
        wired
            .Joined.Select(l => (Node.Lead(l.At), Node.Pad(l.Pad!.Id)))
            .Concat(
                from l in wired.Leads
                where l.To is not null
                select (Node.Lead(l.At), Node.Lead(new(l.To!.Device, l.To.Lead.Id)))
            )
            .Concat(wired.Blobs.Select(b => (Node.Pad(b.One), Node.Pad(b.Other))))
            .Concat(wired.Build.Devices.SelectMany(d => Inside(wired, d.Id, d.Device)));

    // In a device its grounds are one piece (common practice), and an output that follows its supply is that supply: of several the first
    // that is joined, as the solver has it.
    private static IEnumerable<(Node, Node)> Inside(WiredBuild wired, string id, Device device)
    {
        var grounds = device.Leads.Where(l => l.Role == LeadRole.Ground).ToList();
        var passing = device.Outputs.Where(o => o.Volts is null).ToList();
        var supply =
            passing.Count == 0
                ? null
                : device.Supplies.FirstOrDefault(s =>
                    wired.Leads.Any(l =>
                        l.Device == id && l.Lead.Id == s.Lead && (l.Pad is not null || l.To is not null)
                    )
                );
        return grounds
            .Skip(1)
            .Select(g => (grounds[0].Id, g.Id))
            .Concat(supply is null ? [] : passing.Select(o => (supply.Lead, o.Lead)))
            .Select(p => (Node.Lead(new(id, p.Item1)), Node.Lead(new(id, p.Item2))));
    }

    private Node Root(Node node)
    {
        while (_group.TryGetValue(node, out var up) && up != node)
        {
            node = up;
        }
        return node;
    }

    private void Join(Node one, Node other)
    {
        _group.TryAdd(one, one);
        _group.TryAdd(other, other);
        _group[Root(one)] = Root(other);
    }
}
