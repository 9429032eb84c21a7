using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>Something that a line of a leaflet text says. The reader puts them together in <see cref="BoardAssembler"/>.</summary>
internal abstract record Statement;

/// <summary>A name and its place in the line, for what is said of it later.</summary>
/// <param name="Text">The name.</param>
/// <param name="Column">Where it stands, from 1.</param>
internal sealed record Named(string Text, int Column);

/// <summary>Where a way ends: a rail, a half of a port, or (with <see cref="Net"/>) a net by its id.</summary>
internal sealed record EndName(string Name, string? Half, bool Net, int Column);

/// <summary>Identity and other single values of a board; <see cref="Apply"/> sets them.</summary>
/// <param name="Key">The word that begins the line.</param>
/// <param name="Apply">What it does to the board.</param>
internal sealed record ValueLine(string Key, Func<Board, Board> Apply) : Statement;

/// <summary><c>controller F4, pins stand 5 V</c>: <see cref="Stands"/> is what a pin stands unless its own line says otherwise.</summary>
internal sealed record ControllerLine(string Class, double? Stands) : Statement;

/// <summary><c>rail 5V: 5 V regulator from BAT, up to 2 A</c>.</summary>
internal sealed record RailLine(Named Label, string? Id, Rail Rail, Named? From) : Statement;

/// <summary><c>net u3tx: stands 5 V, chatters at boot</c>.</summary>
internal sealed record NetLine(string Id, double? Stands, BootLevel? Boot) : Statement;

/// <summary>A half of a port and its net; null for the net that is named after it.</summary>
internal sealed record HalfName(string Half, string? Net);

/// <summary><c>port U4: RX TX, or ALT (RX TX)</c>.</summary>
internal sealed record PortLine(
    Port Port,
    IReadOnlyList<HalfName> Halves,
    IReadOnlyList<(string Name, IReadOnlyList<HalfName> Halves)> Alternatives
) : Statement;

/// <summary><c>bridge J4: raw inverted, comes raw, bottom 12,8</c>.</summary>
internal sealed record BridgeLine(Bridge Bridge) : Statement;

/// <summary><c>inside "receiver" gives control</c>.</summary>
internal sealed record InsideLine(BuiltIn BuiltIn) : Statement;

/// <summary>A place in millimetres.</summary>
internal sealed record Spot(double X, double Y);

/// <summary>A pad in a row or a cavity of a socket.</summary>
/// <param name="Label">As printed.</param>
/// <param name="Doubt">Whether it is marked as doubtful.</param>
/// <param name="End">What it leads to straight, where the text says so.</param>
/// <param name="NotConnected">Whether the text says that it leads nowhere.</param>
/// <param name="Id">Its id, where it is not made from the label.</param>
/// <param name="At">Where it lies, where the row does not say.</param>
internal sealed record PadName(Named Label, bool Doubt, EndName? End, bool NotConnected, string? Id, Spot? At);

/// <summary>Where a row begins and how far it is from pad to pad; null to be laid along the edge that the row's name tells.</summary>
internal sealed record Lay(Spot From, Spot Step);

/// <summary><c>top left: R1 T1 5V G 4V5</c>; a null is a place that is left free.</summary>
internal sealed record RowLine(BoardSide Side, string? Name, Lay? Lay, IReadOnlyList<PadName?> Pads) : Statement;

/// <summary><c>AIR (1.25 mm) bottom front: BAT G T3 R3 G SBUS</c>; a null is a cavity that leads nowhere.</summary>
internal sealed record SocketLine(
    Named Label,
    string? Id,
    string? Family,
    BoardSide Side,
    string? Name,
    Lay? Lay,
    string? Group,
    IReadOnlyList<PadName?> Pads
) : Statement;

/// <summary><c>pins NAV (1.0 mm): n1 n2 - n4</c>: a socket made of pads that stand in rows.</summary>
internal sealed record PinsLine(Named Label, string? Id, string? Family, IReadOnlyList<Named?> Pads) : Statement;

/// <summary>One way of a pad.</summary>
internal sealed record Way(IReadOnlyList<PathElement> Through, EndName End);

/// <summary><c>ways R4: J4=raw &gt; U4.RX | J4=inverted &gt; inverter &gt; U4.RX</c>.</summary>
internal sealed record WaysLine(Named Pad, IReadOnlyList<Way> Ways) : Statement;
