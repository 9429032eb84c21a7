using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Loom;

/// <summary>A build as it is wired by hand: every lead accounted for, in working order, with what to look at and what to measure.</summary>
/// <param name="Ports">The ports in use.</param>
/// <param name="Wires">Every lead that is joined to something on purpose, device by device.</param>
/// <param name="Spare">Every other lead, with what is done with it.</param>
/// <param name="Faces">Every plug that is seated, cavity by cavity.</param>
/// <param name="OtherWays">Other ways to the same wiring where a plug does not go in as it comes.</param>
/// <param name="Steps">What to do, in order.</param>
/// <param name="Continuity">What must beep and what must not, before anything is powered.</param>
/// <param name="Cuts">What to cut from which reel.</param>
public sealed record LoomSheet(
    IReadOnlyList<LoomPort> Ports,
    IReadOnlyList<LoomWire> Wires,
    IReadOnlyList<SpareLead> Spare,
    IReadOnlyList<PlugFace> Faces,
    IReadOnlyList<OtherWay> OtherWays,
    IReadOnlyList<LoomStep> Steps,
    IReadOnlyList<ContinuityPair> Continuity,
    IReadOnlyList<WireCutLine> Cuts
);

/// <summary>A port in use.</summary>
/// <param name="Port">Id of the port.</param>
/// <param name="Protocol">The protocol on it.</param>
/// <param name="Need">What it gives, in words.</param>
/// <param name="Device">What the builder calls the device.</param>
/// <param name="Switches">How it is set besides, in words: "100 000 baud", "RX inverted".</param>
public sealed record LoomPort(string Port, string Protocol, string Need, string Device, IReadOnlyList<string> Switches)
{
    /// <summary>In one line: "UART6: SBUS, RC link, Relay 16, 100 000 baud, RX inverted"; a protocol that is called as what it gives is said once.</summary>
    public string Words =>
        $"{Hardware.Parts.Port.NameOf(Port)}: {string.Join(", ", new[] { Protocol, Need }.Distinct(StringComparer.OrdinalIgnoreCase).Concat([Device, .. Switches]))}";
}

/// <summary>A wire: a lead with what it is joined to.</summary>
/// <param name="Id">Its id in addresses: device and lead.</param>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Name">What the builder calls the device.</param>
/// <param name="Lead">Id of the lead.</param>
/// <param name="Label">Its label as printed.</param>
/// <param name="Colour">Its usual colour; null when the leaflet does not say.</param>
/// <param name="State">How it is joined.</param>
/// <param name="Pad">Id of the pad that it is joined to; null for a lead of another device.</param>
/// <param name="Side">The side on which that is; null for a lead of another device.</param>
/// <param name="At">Where it goes, as it is found on the bench.</param>
/// <param name="Job">What it is for, in words.</param>
/// <param name="Link">Id of the link that it serves; null for supply and ground.</param>
/// <param name="Amps">The most that flows in it, in amperes; null while no leaflet tells, or for a signal.</param>
/// <param name="Gauge">The gauge to take, AWG.</param>
/// <param name="Millimetres">Its length, in millimetres.</param>
/// <param name="Twist">Id of the wire to twist it with; null for none.</param>
public sealed record LoomWire(
    string Id,
    string Device,
    string Name,
    string Lead,
    string Label,
    string? Colour,
    LeadState State,
    string? Pad,
    BoardSide? Side,
    string At,
    string Job,
    string? Link,
    double? Amps,
    int Gauge,
    double Millimetres,
    string? Twist
)
{
    /// <summary>How many wires it is: one from each piece where every piece of the device has its own, such as four speed controllers.</summary>
    public int Pieces { get; init; } = 1;

    /// <summary>Where it goes, where there is little room: "T3/b" for a pad on the bottom.</summary>
    internal string AtShort { get; init; } = At;

    /// <summary>True when an iron is needed for it.</summary>
    public bool IsJoint => State is LeadState.Soldered or LeadState.OnTail or LeadState.Spliced;
}

/// <summary>A lead that is joined to nothing on purpose.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Name">What the builder calls the device.</param>
/// <param name="Lead">Id of the lead.</param>
/// <param name="Label">Its label as printed.</param>
/// <param name="Colour">Its usual colour; null when the leaflet does not say.</param>
/// <param name="Treatment">What becomes of it, in words.</param>
public sealed record SpareLead(string Device, string Name, string Lead, string Label, string? Colour, string Treatment);

/// <summary>Wires of one gauge and colour.</summary>
/// <param name="Gauge">AWG.</param>
/// <param name="Colour">The colour; null where any will do.</param>
/// <param name="Pieces">How many.</param>
/// <param name="Millimetres">Together, in millimetres.</param>
public sealed record WireCutLine(int Gauge, string? Colour, int Pieces, double Millimetres);
