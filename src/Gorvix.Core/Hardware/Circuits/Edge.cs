using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Hardware.Circuits;

/// <summary>A bridge in a position.</summary>
/// <param name="Bridge">The bridge's label.</param>
/// <param name="Position">Where it stands.</param>
public readonly record struct BridgeAt(string Bridge, string Position);

/// <summary>Where an edge comes from, and so who can change it.</summary>
public enum Origin
{
    /// <summary>Copper and parts of the board: nobody changes them.</summary>
    Board,

    /// <summary>A contact of a solder bridge: iron changes it.</summary>
    Bridge,

    /// <summary>A regulator or a diode that feeds a rail of the board.</summary>
    Regulator,

    /// <summary>A lead in a cavity of a plug that is seated: the hand changes it.</summary>
    Plug,

    /// <summary>A wire soldered by the builder: iron changes it.</summary>
    Wire,
}

/// <summary>An element between two nodes.</summary>
/// <param name="A">The end nearer to the pad, the lead or the rail that is fed.</param>
/// <param name="B">The end nearer to the net or to the source.</param>
/// <param name="Origin">Where it comes from.</param>
public sealed record Edge(Node A, Node B, Origin Origin)
{
    /// <summary>What lies there: null is plain copper.</summary>
    internal PathElement? Element { get; init; }

    /// <summary>The position of the bridge in which it conducts; null when it always does.</summary>
    public BridgeAt? Contact => Element is Contact c ? new BridgeAt(c.Bridge, c.Position) : null;
}

/// <summary>What a step of a strand is.</summary>
public enum StepKind
{
    /// <summary>Plain copper: a wire, a plug's contact, a track.</summary>
    Copper,

    /// <summary>A contact of a bridge.</summary>
    Contact,

    /// <summary>An inverter.</summary>
    Inverter,

    /// <summary>A series resistor.</summary>
    Resistor,

    /// <summary>Two resistors that bring the level down.</summary>
    Divider,

    /// <summary>A diode.</summary>
    Diode,
}

/// <summary>One edge of a strand, seen in the direction of the walk.</summary>
/// <param name="Edge">The edge.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Passage">Which way it lets a signal through: to the controller is along the walk from a pad.</param>
/// <param name="Turn">What it does to the polarity.</param>
/// <param name="Value">Ohms of a resistor, ratio of a divider, volts of a diode, volts that an inverter drives; 0 where nothing is known.</param>
public sealed record Step(Edge Edge, StepKind Kind, Passage Passage, Polarity Turn, double Value)
{
    /// <summary>The highest voltage that its input stands, in volts; null where it passes what comes, or nothing is known.</summary>
    public double? Stands { get; init; }
}
