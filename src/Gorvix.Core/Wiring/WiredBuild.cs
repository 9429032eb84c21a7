using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Wiring;

/// <summary>A wire from a device's lead to a pad.</summary>
/// <param name="Link">Id of the link that it serves.</param>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">The lead.</param>
/// <param name="Pad">The pad.</param>
public sealed record Wire(string Link, string Device, Lead Lead, Pad Pad);

/// <summary>A wire from a supply pad to a device.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">The supply lead.</param>
/// <param name="Pad">The pad.</param>
public sealed record SupplyWire(string Device, Lead Lead, Pad Pad);

/// <summary>A bridge in its position.</summary>
/// <param name="Bridge">The bridge.</param>
/// <param name="Position">Where it stands.</param>
public sealed record BridgeSet(Bridge Bridge, string Position)
{
    /// <summary>True when the builder has to solder.</summary>
    public bool IsWork => Position != Bridge.Default;
}

/// <summary>A port with what it is set to.</summary>
/// <param name="Link">Id of the link that it carries.</param>
/// <param name="Port">The port.</param>
/// <param name="Settings">What it is set to.</param>
public sealed record PortSet(string Link, Port Port, PortSettings Settings);

/// <summary>A lead that stays without a wire.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">The lead.</param>
public sealed record OpenLead(string Device, Lead Lead);

/// <summary>
/// The board and its devices with the wires, bridge positions and port settings of a plan. Everything that
/// comes after planning reads this and keeps no copy of it.
/// </summary>
/// <param name="Build">The build.</param>
/// <param name="Plan">The plan it follows.</param>
/// <param name="Wires">Signal wires, link by link.</param>
/// <param name="Bridges">Every bridge of the board in its position.</param>
/// <param name="Ports">The ports in use.</param>
/// <param name="Open">Signal leads that no wire takes.</param>
public sealed record WiredBuild(
    ResolvedBuild Build,
    Plan Plan,
    IReadOnlyList<Wire> Wires,
    IReadOnlyList<BridgeSet> Bridges,
    IReadOnlyList<PortSet> Ports,
    IReadOnlyList<OpenLead> Open
)
{
    /// <summary>Supply wires; empty before the pack is chosen.</summary>
    public IReadOnlyList<SupplyWire> Supplies { get; init; } = [];

    /// <summary>Wires a build as its plan says.</summary>
    public static WiredBuild From(ResolvedBuild build, Plan plan)
    {
        var routes = plan.Placements.Select(p => p.Route).OfType<Route>().ToList();
        List<Wire> wires =
        [
            .. from route in routes
            from walk in route.Walks
            select new Wire(route.Link.Id, route.Link.Want.Device, walk.Lead, walk.Pad),
        ];
        var contacts = routes
            .SelectMany(r => r.Bridges)
            .Concat(plan.Feeds.SelectMany(f => f.Feed?.Bridges ?? []))
            .ToList();
        return new WiredBuild(
            build,
            plan,
            wires,
            [
                .. build.Board.Bridges.Select(b => new BridgeSet(
                    b,
                    contacts.FirstOrDefault(c => c.Bridge == b.Id)?.Position ?? b.Default
                )),
            ],
            [.. routes.Select(r => new PortSet(r.Link.Id, r.Port, r.Settings))],
            [
                .. from link in build.Links.DistinctBy(l => l.Want.Device)
                from lead in link.Device.Leads
                where lead.Role == LeadRole.Signal
                where !wires.Any(w => w.Device == link.Want.Device && w.Lead.Id == lead.Id)
                select new OpenLead(link.Want.Device, lead),
            ]
        )
        {
            Supplies =
            [
                .. from feed in plan.Feeds
                where feed.Pad is not null
                let device = feed.Ways.Device
                let lead = device.Device.Leads.First(l => l.Id == feed.Ways.Supply.Lead)
                select new SupplyWire(device.Id, lead, feed.Pad!),
            ],
        };
    }
}
