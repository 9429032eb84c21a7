using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Hardware.Circuits;

/// <summary>
/// The one walk through a circuit. It carries polarity, level both ways, direction, ohms and volts, and everything electrical
/// in the product is read off what it brings back.
/// </summary>
public static class Trace
{
    /// <summary>More than this in series, in ohms, and a pad cannot feed anything (our own limit: 0.1 A would lose 1 V).</summary>
    public const double MostFeedOhms = 10;

    /// <summary>Every strand from a node to the first net, rail or lead on its way. Pads and points between elements are passed.</summary>
    /// <param name="circuit">The circuit.</param>
    /// <param name="from">Where to begin: a pad, a lead, a net.</param>
    public static IReadOnlyList<Strand> From(Circuit circuit, Node from)
    {
        var found = new List<Strand>();
        var steps = new List<Step>();
        var seen = new HashSet<Node> { from };
        void Walk(Node here)
        {
            foreach (var edge in circuit.EdgesAt(here).Where(e => e.Origin != Origin.Regulator))
            {
                var forth = edge.A == here;
                var next = forth ? edge.B : edge.A;
                if (!seen.Add(next))
                {
                    continue;
                }
                steps.Add(StepOf(edge, forth));
                if (next.Kind is NodeKind.Pad or NodeKind.Between)
                {
                    Walk(next);
                    seen.Remove(next);
                }
                else
                {
                    found.Add(new Strand(from, next, [.. steps]));
                    seen.Remove(next);
                }
                steps.RemoveAt(steps.Count - 1);
            }
        }
        Walk(from);
        return found;
    }

    /// <summary>Every end that is joined to a node while the bridges stand so, each with its strand.</summary>
    /// <param name="circuit">The circuit.</param>
    /// <param name="from">Where to begin.</param>
    /// <param name="bridges">Every bridge with where it stands.</param>
    public static IEnumerable<Strand> Joined(Circuit circuit, Node from, IReadOnlyCollection<BridgeAt> bridges) =>
        From(circuit, from).Where(s => s.Conducts(bridges));

    /// <summary>
    /// What a rail gives, in volts, from the empty to the full source. A regulator cannot give more than its source less its
    /// dropout.
    /// </summary>
    /// <param name="circuit">A circuit without a ring of rails.</param>
    /// <param name="rail">One of its rails.</param>
    /// <param name="source">What the supply input gets.</param>
    public static VoltWindow Gives(Circuit circuit, Rail rail, VoltWindow source)
    {
        if (rail.Feed == RailFeed.Ground)
        {
            return new VoltWindow { Min = 0, Max = 0 };
        }
        var edge = circuit.EdgesAt(Node.Rail(rail.Id)).First(e => e.Origin == Origin.Regulator && e.A.Id == rail.Id);
        var from = edge.B.Kind == NodeKind.Rail ? Gives(circuit, circuit.Rails[edge.B.Id], source) : source;
        if (rail.Feed == RailFeed.Battery || rail.Volts is not { } volts)
        {
            return from;
        }
        if (rail.Feed == RailFeed.Booster)
        {
            return new VoltWindow { Min = volts, Max = volts };
        }
        double Out(double input) => Math.Max(0, Math.Min(volts, input - (rail.Dropout ?? 0)));
        return new VoltWindow { Min = Out(from.Min), Max = Out(from.Max) };
    }

    /// <summary>Whether USB alone powers a rail, itself or through the rail that it is made from; null where nobody has said.</summary>
    public static bool? OnUsb(Circuit circuit, Rail rail) =>
        rail.Feed == RailFeed.RegulatorOrUsb ? true
        : rail.Feed == RailFeed.RegulatorUsbUnknown ? null
        : circuit.SourceOf(rail) is { } source ? OnUsb(circuit, source)
        : false;

    /// <summary>
    /// What arrives at the beginning of a strand that ends on a rail, in volts; null when nothing can: a diode blocks it, or
    /// an inverter, a divider or a large resistor lies between.
    /// </summary>
    /// <param name="strand">A strand to a rail.</param>
    /// <param name="rail">What the rail gives.</param>
    public static VoltWindow? Arrives(Strand strand, VoltWindow rail)
    {
        var feeds = strand.Steps.All(s =>
            s.Kind is StepKind.Copper or StepKind.Contact
            || (s.Kind == StepKind.Diode && s.Passage != Passage.ToController)
            || (s.Kind == StepKind.Resistor && strand.Ohms <= MostFeedOhms)
        );
        var drop = strand.Steps.Where(s => s.Kind == StepKind.Diode).Sum(s => s.Value);
        return !feeds ? null
            : drop == 0 ? rail
            // A diode drops its volts at its rated current and hardly any at a small one: what can burn is reckoned without it.
            : new VoltWindow { Min = Math.Max(0, rail.Min - drop), Max = rail.Max };
    }

    private static Step StepOf(Edge edge, bool forth)
    {
        Passage Seen(Passage passage) =>
            forth
                ? passage
                : passage switch
                {
                    Passage.ToController => Passage.ToPad,
                    Passage.ToPad => Passage.ToController,
                    _ => Passage.Both,
                };

        return edge.Element switch
        {
            Contact => new(edge, StepKind.Contact, Passage.Both, Polarity.Normal, 0),
            Inverter i => new(edge, StepKind.Inverter, Seen(i.Direction), Polarity.Inverted, i.Drives ?? 0)
            {
                Stands = i.Stands,
            },
            Resistor r => new(edge, StepKind.Resistor, Passage.Both, Polarity.Normal, r.Ohms),
            Divider d => new(edge, StepKind.Divider, Seen(Passage.ToController), Polarity.Normal, d.Ratio),
            Diode d => new(edge, StepKind.Diode, Seen(d.Direction), Polarity.Normal, d.Volts),
            _ => new(edge, StepKind.Copper, Passage.Both, Polarity.Normal, 0),
        };
    }
}
