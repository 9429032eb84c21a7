using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What a hop is.</summary>
public enum HopKind
{
    /// <summary>The device's lead.</summary>
    Lead,

    /// <summary>The board's pad.</summary>
    Pad,

    /// <summary>A contact of a solder bridge.</summary>
    Contact,

    /// <summary>An inverter on the board.</summary>
    Inverter,

    /// <summary>A series resistor, a divider or a diode.</summary>
    Resistor,

    /// <summary>The half of the port: the controller's pin, with its own inversion if that is set.</summary>
    Half,

    /// <summary>The job of the port.</summary>
    Job,
}

/// <summary>One station on the way from the device to the controller.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Label">Its name as the builder reads it.</param>
/// <param name="After">How the line rests on the controller's side of it.</param>
/// <param name="Note">Level, position or setting there; null when there is nothing to say.</param>
public sealed record Hop(HopKind Kind, string Label, Polarity After, string? Note = null);

/// <summary>One half of a port.</summary>
public enum Half
{
    /// <summary>The board listens.</summary>
    Rx,

    /// <summary>The board talks, or both talk on one wire.</summary>
    Tx,

    /// <summary>The data wire of a bus.</summary>
    Data,

    /// <summary>The clock wire of a bus.</summary>
    Clock,
}

/// <summary>One line of a mode, walked from a lead over a pad to a half of a port.</summary>
/// <param name="Line">The line of the mode.</param>
/// <param name="Lead">The lead.</param>
/// <param name="Pad">The pad.</param>
/// <param name="Half">The half of the port whose job it does.</param>
/// <param name="Bridges">The bridge positions that the walk needs.</param>
/// <param name="OwnInversion"><see cref="Polarity.Inverted"/> when the controller must invert this half.</param>
public sealed record LineWalk(
    ModeLine Line,
    Lead Lead,
    Pad Pad,
    Half Half,
    IReadOnlyList<BridgeAt> Bridges,
    Polarity OwnInversion
)
{
    /// <summary>The net at its end.</summary>
    public required string Net { get; init; }

    /// <summary>What lies between pad and net.</summary>
    public required Strand Strand { get; init; }

    /// <summary>True when its pad is joined to nothing but the net, however other bridges stand.</summary>
    public bool IsAlone { get; init; } = true;

    /// <summary>Makes <see cref="Hops"/>: a plan has hundreds of walks, and few are looked at.</summary>
    internal Lazy<IReadOnlyList<Hop>> Stations { get; init; } = new(() => []);

    /// <summary>The stations from the device on; they end where the walk failed.</summary>
    public IReadOnlyList<Hop> Hops => Stations.Value;

    /// <summary>What can go wrong on it although it works.</summary>
    public IReadOnlyList<Finding> Hazards { get; init; } = [];

    /// <summary>What it asks of the builder's hands besides the wire and the bridges.</summary>
    public IReadOnlyList<Work> Work { get; init; } = [];
}

/// <summary>What the port of a route is set to.</summary>
/// <param name="Job">Its one job.</param>
/// <param name="Protocol">Id of the protocol.</param>
/// <param name="Baud">Bits per second, or null where there is no baud.</param>
/// <param name="InvertRx">The controller inverts its RX.</param>
/// <param name="InvertTx">The controller inverts its TX.</param>
/// <param name="HalfDuplex">Both ways on the TX pin.</param>
/// <param name="SwapPins">RX and TX are exchanged.</param>
public sealed record PortSettings(
    PortJob Job,
    string Protocol,
    int? Baud,
    bool InvertRx,
    bool InvertTx,
    bool HalfDuplex,
    bool SwapPins
)
{
    /// <summary>Name of the pins that the unit is led to; null for those on which it comes.</summary>
    public string? Pins { get; init; }

    /// <summary>How many switches of the port differ from how it comes.</summary>
    public int Switches =>
        (HalfDuplex ? (InvertRx || InvertTx ? 1 : 0) : (InvertRx ? 1 : 0) + (InvertTx ? 1 : 0)) + (SwapPins ? 1 : 0);
}

/// <summary>One complete way for a link: a mode, a port, a pad for each lead, bridge positions, port settings and a seat of the plug.</summary>
/// <param name="Link">The link.</param>
/// <param name="Mode">The mode.</param>
/// <param name="Port">The port.</param>
/// <param name="Walks">One walk for each line of the mode.</param>
/// <param name="Bridges">The bridge positions that it needs, each bridge once.</param>
/// <param name="Settings">What the port is set to.</param>
public sealed record Route(
    Link Link,
    Mode Mode,
    Port Port,
    IReadOnlyList<LineWalk> Walks,
    IReadOnlyList<BridgeAt> Bridges,
    PortSettings Settings
) : Hookup
{
    /// <summary>Switches of its port's settings: inverted or swapped pins. Software serial inverts in code, whatever the pin.</summary>
    public int Switches => Port.Kind == PortKind.Software ? 0 : Settings.Switches;

    /// <summary>Tenths of the processor that it takes at high loop rates.</summary>
    public int Processor { get; init; }

    /// <summary>
    /// Where it puts the link: port, mode, bridge positions, and socket where there are several. Routes that differ in nothing else are the same to the
    /// builder.
    /// </summary>
    public string Place => field ??= $"{Port.Id}\n{Mode.Id}\n{RouteMatch.BridgeWords(Bridges)}\n{Choice}";

    /// <summary>The socket, where the plug has a choice of them; else empty.</summary>
    public string Choice { get; init; } = "";

    /// <summary>Id of the link that it rides in, and then it has no wires of its own; else null.</summary>
    public string? RidesIn { get; init; }

    /// <summary>True when another link that answers in turn on the same wire stands for the port.</summary>
    public bool IsShared { get; init; }

    /// <summary>True when a pin or ban speaks about this route.</summary>
    public bool Matches(RouteMatch match) =>
        match.Link == Link.Id
        && (match.Port is null || match.Port == Port.Id)
        && (match.Mode is null || match.Mode == Mode.Id)
        && (match.Pad is null || Walks.Any(w => w.Pad.Id == match.Pad))
        && (match.Bridges is null || match.Bridges == RouteMatch.BridgeWords(Bridges));
}

/// <summary>A combination that cannot be, with the rule that says so.</summary>
/// <param name="Mode">The mode that was tried.</param>
/// <param name="Port">The port that was tried.</param>
/// <param name="Finding">The rule and its facts.</param>
/// <param name="Walk">The line up to where it failed, or null when there is no way at all.</param>
public sealed record Rejection(Mode Mode, Port Port, Finding Finding, LineWalk? Walk);

/// <summary>All ways of one link, and all that are blocked.</summary>
/// <param name="Link">The link.</param>
/// <param name="Routes">The ways that work, in the order mode, port, pad.</param>
/// <param name="Rejections">The combinations that do not, in the same order.</param>
public sealed record LinkWays(Link Link, IReadOnlyList<Route> Routes, IReadOnlyList<Rejection> Rejections)
{
    /// <summary>
    /// The rejection at a port that came nearest to working, or null when nothing was rejected there.
    /// Among equals the device's usual mode speaks.
    /// </summary>
    public Rejection? NearestAt(string port) =>
        Rejections.Where(r => r.Port.Id == port).MaxBy(r => RoutingRules.StageOf(r.Finding.Rule));
}
