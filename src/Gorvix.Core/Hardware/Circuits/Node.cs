using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Hardware.Circuits;

/// <summary>What a node is.</summary>
public enum NodeKind
{
    /// <summary>A net at a pin of the controller, or one that leads to no port.</summary>
    Net,

    /// <summary>A supply rail, ground among them.</summary>
    Rail,

    /// <summary>A pad to solder to, or the pin of a socket.</summary>
    Pad,

    /// <summary>A lead of a device.</summary>
    Lead,

    /// <summary>A point between two elements.</summary>
    Between,

    /// <summary>What feeds the supply input: the pack, or what stands in its place.</summary>
    Source,
}

/// <summary>A point of the circuit: one piece of copper.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Id">Id of the net, rail, pad or lead; for a point between two elements the pad and a number.</param>
/// <param name="Device">Id within the build of the device that a lead belongs to; empty for the board's nodes.</param>
public readonly record struct Node(NodeKind Kind, string Id, string Device = "")
{
    /// <summary>The supply input.</summary>
    public static readonly Node Source = new(NodeKind.Source, "source");

    /// <summary>A net of the board.</summary>
    public static Node Net(string id) => new(NodeKind.Net, id);

    /// <summary>A rail of the board.</summary>
    public static Node Rail(string id) => new(NodeKind.Rail, id);

    /// <summary>A pad of the board.</summary>
    public static Node Pad(string id) => new(NodeKind.Pad, id);

    /// <summary>A lead of a device.</summary>
    public static Node Lead(LeadAt at) => new(NodeKind.Lead, at.Lead, at.Device);
}
