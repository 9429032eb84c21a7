namespace Gorvix.Core.Parts;

/// <summary>A flight controller board of one revision, described as a small electrical graph.</summary>
public sealed record Board
{
    /// <summary>Id in the library, such as <c>askerdale-pinion-f4-r2</c>.</summary>
    public required string Id { get; init; }

    /// <summary>Who makes it.</summary>
    public required string Maker { get; init; }

    /// <summary>Its name on the box.</summary>
    public required string Name { get; init; }

    /// <summary>Its revision: the same name can hide another pad map.</summary>
    public required string Revision { get; init; }

    /// <summary>How to tell this revision from its sisters, or null.</summary>
    public string? Recognise { get; init; }

    /// <summary>Id of its <see cref="ControllerClass"/>.</summary>
    public required string Controller { get; init; }

    /// <summary>Its nets: one node at each controller pin that matters.</summary>
    public required IReadOnlyList<Net> Nets { get; init; }

    /// <summary>Its serial ports, in the order of the leaflet.</summary>
    public required IReadOnlyList<Port> Ports { get; init; }

    /// <summary>Its supply rails, ground among them.</summary>
    public IReadOnlyList<Rail> Rails { get; init; } = [];

    /// <summary>Its solder bridges and selectors.</summary>
    public IReadOnlyList<Bridge> Bridges { get; init; } = [];

    /// <summary>Its pads.</summary>
    public required IReadOnlyList<Pad> Pads { get; init; }
}

/// <summary>One node at a controller pin. One net has one user.</summary>
public sealed record Net
{
    /// <summary>Id within the board.</summary>
    public required string Id { get; init; }

    /// <summary>The highest voltage that the pin stands, in volts; 3.3 when the file does not say.</summary>
    public double MaxVolts { get; init; } = 3.3;
}

/// <summary>A serial port of the controller.</summary>
public sealed record Port
{
    /// <summary>Its name, such as U3.</summary>
    public required string Id { get; init; }

    /// <summary>Net of its RX pin, or null when the pin is not there.</summary>
    public string? Rx { get; init; }

    /// <summary>Net of its TX pin, or null when the pin is not there.</summary>
    public string? Tx { get; init; }

    /// <summary>What holds it inside the board (a built-in part, the USB bridge), or null when it is free.</summary>
    public string? HeldBy { get; init; }

    /// <summary>The needs that the board's maker advises it for.</summary>
    public IReadOnlyList<Need> AdvisedFor { get; init; } = [];
}

/// <summary>A supply rail, in outline.</summary>
public sealed record Rail
{
    /// <summary>Id within the board.</summary>
    public required string Id { get; init; }

    /// <summary>Its name on the leaflet.</summary>
    public required string Label { get; init; }

    /// <summary>What it gives, in volts; 0 for ground, null when it follows the battery.</summary>
    public double? Volts { get; init; }

    /// <summary>Where it is fed from.</summary>
    public required RailFeed Feed { get; init; }
}

/// <summary>What feeds a rail.</summary>
public enum RailFeed
{
    /// <summary>Common ground.</summary>
    Ground,

    /// <summary>The battery itself.</summary>
    Battery,

    /// <summary>A regulator fed by the battery: dead on USB alone.</summary>
    Regulator,

    /// <summary>The battery's regulator, or USB through a diode.</summary>
    RegulatorOrUsb,
}

/// <summary>A solder bridge or selector. It stands in exactly one position.</summary>
public sealed record Bridge
{
    /// <summary>Its label as printed.</summary>
    public required string Id { get; init; }

    /// <summary>Its positions, such as open, raw, inverted.</summary>
    public required IReadOnlyList<string> Positions { get; init; }

    /// <summary>The position in which the board is delivered.</summary>
    public required string Default { get; init; }
}

/// <summary>The side of the board.</summary>
public enum BoardSide
{
    /// <summary>The side with the arrow.</summary>
    Top,

    /// <summary>The other side.</summary>
    Bottom,
}

/// <summary>A place to solder to.</summary>
public sealed record Pad
{
    /// <summary>Id within the board.</summary>
    public required string Id { get; init; }

    /// <summary>Its label exactly as printed.</summary>
    public required string Label { get; init; }

    /// <summary>Which side it is on.</summary>
    public required BoardSide Side { get; init; }

    /// <summary>Distance from the left edge in millimetres, seen from its side.</summary>
    public double X { get; init; }

    /// <summary>Distance from the front edge in millimetres.</summary>
    public double Y { get; init; }

    /// <summary>Its ways into the board. A pad behind a bridge has one for each position that makes one.</summary>
    public required IReadOnlyList<PadPath> Paths { get; init; }
}

/// <summary>One way from a pad to a net or a rail.</summary>
public sealed record PadPath
{
    /// <summary>What lies between, seen from the pad.</summary>
    public IReadOnlyList<PathElement> Through { get; init; } = [];

    /// <summary>The net it ends on, or null when it ends on a rail.</summary>
    public string? Net { get; init; }

    /// <summary>The rail it ends on, or null when it ends on a net.</summary>
    public string? Rail { get; init; }
}
