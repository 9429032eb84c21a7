using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>What has become of a lead.</summary>
public enum LeadState
{
    /// <summary>In the cavity in which it came, in a seated plug.</summary>
    InPlace,

    /// <summary>In another cavity of its seated plug.</summary>
    Moved,

    /// <summary>Soldered to a pad.</summary>
    Soldered,

    /// <summary>Soldered to the output of another device.</summary>
    Spliced,

    /// <summary>An output that leads of other devices are soldered to.</summary>
    Feeding,

    /// <summary>Soldered to a tail: a mating plug with bare wires in a socket.</summary>
    OnTail,

    /// <summary>Taken out of its plug and insulated.</summary>
    Lifted,

    /// <summary>Cut off and insulated.</summary>
    Cut,

    /// <summary>In a plug that sits nowhere.</summary>
    InHarness,

    /// <summary>Not in a plug, and joined to nothing: insulated.</summary>
    Open,
}

/// <summary>A lead with what it is joined to.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">The lead.</param>
/// <param name="State">What has become of it.</param>
/// <param name="Pad">The pad that it touches; null where it touches none.</param>
/// <param name="Socket">The socket in which it, or its tail, sits; null for a pad to solder to.</param>
/// <param name="Cavity">The cavity of that socket, counted from 1.</param>
/// <param name="Link">Id of the link that it serves; null for supply, ground and leads that nobody asked for.</param>
public sealed record WiredLead(
    string Device,
    Lead Lead,
    LeadState State,
    Pad? Pad = null,
    Socket? Socket = null,
    int? Cavity = null,
    string? Link = null
)
{
    /// <summary>Which it is.</summary>
    public LeadAt At => new(Device, Lead.Id);

    /// <summary>True when something is meant to flow in it: a link, a supply, the ground.</summary>
    public bool IsUsed { get; init; }

    /// <summary>The lead of another device that it is soldered to; null where it touches a pad, or nothing.</summary>
    public OtherLead? To { get; init; }
}

/// <summary>A lead of another device.</summary>
/// <param name="Device">Id of that device within the build.</param>
/// <param name="Lead">The lead.</param>
public sealed record OtherLead(string Device, Lead Lead)
{
    /// <summary>Which it is.</summary>
    public LeadAt At => new(Device, Lead.Id);
}

/// <summary>Where the plug of a device sits.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Seat">The seat.</param>
public sealed record WiredSeat(string Device, Seat Seat);

/// <summary>A bridge with the positions in which it is closed.</summary>
/// <param name="Bridge">The bridge.</param>
/// <param name="Positions">One as a rule; none for a missing bridge, two for one that shorts its sides.</param>
public sealed record BridgeSet(Bridge Bridge, IReadOnlyList<string> Positions)
{
    /// <summary>True when the builder has to solder.</summary>
    public bool IsWork => Positions is not [var only] || only != Bridge.Default;
}

/// <summary>A port with what it is set to.</summary>
/// <param name="Link">Id of the link that it carries.</param>
/// <param name="Port">The port.</param>
/// <param name="Mode">The mode in which the device works there.</param>
/// <param name="Settings">What it is set to.</param>
public sealed record PortSet(string Link, Port Port, Mode Mode, PortSettings Settings);

/// <summary>A link without wires of its own.</summary>
/// <param name="Link">Id of the link.</param>
/// <param name="In">Id of the link that it rides in.</param>
public sealed record WiredRide(string Link, string In);

/// <summary>Solder between two pads that nobody meant.</summary>
/// <param name="One">Id of a pad.</param>
/// <param name="Other">Id of another one.</param>
public sealed record Blob(string One, string Other);

/// <summary>What feeds the build.</summary>
/// <param name="Input">What the supply input gets from the empty to the full pack, or null while it is not known.</param>
/// <param name="Pack">The pack, or null.</param>
public sealed record Sources(VoltWindow? Input, Pack? Pack);

/// <summary>
/// The board and its devices as they are joined: seats, leads, bridge positions, port settings and sources. It knows no plan;
/// everything that comes after planning reads this and keeps no copy of it.
/// </summary>
/// <param name="Build">The build.</param>
/// <param name="Seats">Every plug in its seat, in the builder's order.</param>
/// <param name="Leads">Every lead of every device, in the order of the devices and their leads.</param>
/// <param name="Bridges">Every bridge of the board.</param>
/// <param name="Ports">The ports in use.</param>
/// <param name="Sources">What feeds it.</param>
public sealed record WiredBuild(
    ResolvedBuild Build,
    IReadOnlyList<WiredSeat> Seats,
    IReadOnlyList<WiredLead> Leads,
    IReadOnlyList<BridgeSet> Bridges,
    IReadOnlyList<PortSet> Ports,
    Sources Sources
)
{
    /// <summary>Ids of rails that give nothing, whatever feeds them.</summary>
    public IReadOnlySet<string> DeadRails { get; init; } = new HashSet<string>();

    /// <summary>Ids within the build of devices that do nothing.</summary>
    public IReadOnlySet<string> DeadDevices { get; init; } = new HashSet<string>();

    /// <summary>What is wrong besides where everything stands.</summary>
    public Defects Defects { get; init; } = Defects.None;

    /// <summary>Ids within the build of devices that stay off the aircraft: what they are wanted for has no place in the plan, and nobody is powered from them.</summary>
    public IReadOnlySet<string> LeftOut { get; init; } = new HashSet<string>();

    /// <summary>Solder between pads that nobody meant.</summary>
    public IReadOnlyList<Blob> Blobs { get; init; } = [];

    /// <summary>Links that ride inside others.</summary>
    public IReadOnlyList<WiredRide> Rides { get; init; } = [];

    /// <summary>What the hands have to do to get here, each once; an edit leaves it as it was.</summary>
    public IReadOnlyList<Work> Work { get; init; } = [];

    /// <summary>The link that carries another: itself where it rides in none.</summary>
    /// <param name="link">Id of a link.</param>
    public string CarrierOf(string link) => Rides.FirstOrDefault(r => r.Link == link)?.In ?? link;

    /// <summary>What the port of a link, or of its carrier, is set to; null where it has none.</summary>
    /// <param name="link">Id of a link.</param>
    public PortSet? PortOf(string link) => Ports.FirstOrDefault(p => p.Link == CarrierOf(link));

    /// <summary>A lead of a device of this build.</summary>
    /// <param name="at">Which.</param>
    public WiredLead LeadOf(LeadAt at) => Leads.First(l => l.At == at);

    /// <summary>The leads that touch a pad.</summary>
    public IEnumerable<WiredLead> Joined => Leads.Where(l => l.Pad is not null);

    /// <summary>The board's circuit with every lead that touches a pad.</summary>
    public Circuit Circuit() =>
        Build.Circuit.With(
            Joined
                .Select(l => new Edge(
                    Node.Lead(l.At),
                    Node.Pad(l.Pad!.Id),
                    l.State is LeadState.InPlace or LeadState.Moved ? Origin.Plug : Origin.Wire
                ))
                .Concat(
                    from l in Leads
                    where l.To is not null
                    let to = l.To!
                    select new Edge(Node.Lead(l.At), Node.Lead(to.At), Origin.Wire)
                )
                .Concat(Blobs.Select(b => new Edge(Node.Pad(b.One), Node.Pad(b.Other), Origin.Wire)))
        );

    /// <summary>Where every bridge stands.</summary>
    public IReadOnlyList<BridgeAt> Positions() =>
        [.. Bridges.SelectMany(b => b.Positions.Select(p => new BridgeAt(b.Bridge.Id, p)))];

    /// <summary>Every lead that is joined to a net or rail while the bridges stand as they do, with its strand.</summary>
    /// <param name="kind">Net or rail.</param>
    /// <param name="id">Its id.</param>
    public IEnumerable<(WiredLead Lead, Strand Strand)> On(NodeKind kind, string id)
    {
        var (circuit, positions) = (Circuit(), Positions());
        return
        [
            .. from lead in Joined
            from strand in Trace.Joined(circuit, Node.Lead(lead.At), positions)
            where strand.To.Kind == kind && strand.To.Id == id
            select (lead, strand),
        ];
    }

    /// <summary>This build with one thing changed.</summary>
    /// <param name="edit">The change; what it names must be there.</param>
    /// <exception cref="InvalidOperationException">It names what is not there.</exception>
    public WiredBuild With(WiringEdit edit) => edit.ApplyTo(this);

    /// <summary>Wires a build as its plan says.</summary>
    public static WiredBuild From(ResolvedBuild build, Plan plan) => new WireMaker(build, plan).Make();
}
