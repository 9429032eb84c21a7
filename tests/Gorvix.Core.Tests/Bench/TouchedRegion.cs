using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Bench;

namespace Gorvix.Core.Tests.Bench;

/// <summary>
/// Two wirings of one build compared lead by lead, bridge by bridge and port by port, without the scopes of checks: everything that lies on the
/// copper, the rails and the devices of what differs. It reads the paths of the parts themselves.
/// </summary>
internal sealed class TouchedRegion
{
    private readonly HashSet<string> _pads = [];
    private readonly HashSet<string> _rails = [];
    private readonly HashSet<string> _devices = [];
    private readonly HashSet<string> _links = [];
    private readonly HashSet<string> _bridges = [];
    private readonly Board _board;
    private readonly WiredBuild _before;
    private readonly WiredBuild _after;

    public TouchedRegion(WiredBuild before, WiredBuild after)
    {
        (_board, _before, _after) = (before.Build.Board, before, after);
        foreach (var (was, now) in before.Leads.Zip(after.Leads).Where(p => p.First != p.Second))
        {
            _devices.Add(was.Device);
            Add(was.Pad);
            Add(now.Pad);
        }
        foreach (
            var (was, now) in before
                .Bridges.Zip(after.Bridges)
                .Where(p => !p.First.Positions.SequenceEqual(p.Second.Positions))
        )
        {
            _bridges.Add(was.Bridge.Id);
            foreach (
                var pad in _board.Pads.Where(p =>
                    p.Paths.Any(x => x.Through.OfType<Contact>().Any(c => c.Bridge == was.Bridge.Id))
                )
            )
            {
                Add(pad);
            }
        }
        foreach (
            var link in before
                .Ports.Where(p => after.Ports.FirstOrDefault(a => a.Link == p.Link)?.Settings != p.Settings)
                .Select(p => p.Link)
        )
        {
            // A port with two links is set for both.
            var port = before.Ports.First(p => p.Link == link).Port.Id;
            _links.UnionWith(before.Ports.Where(p => p.Port.Id == port).Select(p => p.Link));
        }
        foreach (var lead in before.Leads.Concat(after.Leads).Where(l => l.Pad is { } pad && _pads.Contains(pad.Id)))
        {
            _devices.Add(lead.Device);
        }
        // What is fed by an output of a touched device, however far down.
        for (var many = -1; many != _devices.Count; )
        {
            many = _devices.Count;
            Onward();
        }
    }

    private void Onward()
    {
        foreach (
            var lead in _before.Leads.Concat(_after.Leads).Where(l => l.To is { } to && _devices.Contains(to.Device))
        )
        {
            _devices.Add(lead.Device);
        }
    }

    /// <summary>True when a check looks at anything in the region.</summary>
    public bool Holds(BenchCheck check) =>
        check.Probing switch
        {
            CopperProbing p => Holds(p.One) || Holds(p.Other),
            VoltProbing p => Holds(p.Red) || (p.Red.Kind == NodeKind.Lead && _devices.Contains(p.Red.Device)),
            BridgeProbing p => _bridges.Contains(p.Bridge),
            LifeProbing p => HoldsDevice(p.Device),
            LinkProbing p => _links.Contains(p.Link)
                || _before.Rides.Any(r => r.Link == p.Link && _links.Contains(r.In))
                || HoldsDevice(_before.Build.Links.First(l => l.Id == p.Link).Want.Device)
                // Homecoming needs the sticks as well.
                || (
                    check.Id == "return-home"
                    && _before.Build.Links.Any(l =>
                        l.Function.Need == Need.RcLink && (_links.Contains(l.Id) || HoldsDevice(l.Want.Device))
                    )
                ),
            _ => true,
        };

    private bool HoldsDevice(string device) =>
        _devices.Contains(device)
        || _before
            .Leads.Concat(_after.Leads)
            .Any(l => l.Device == device && l.Pad is { } pad && _pads.Contains(pad.Id));

    private bool Holds(Node node) =>
        node.Kind == NodeKind.Pad
            ? _pads.Contains(node.Id) || RailsOf(_board.Pads.First(p => p.Id == node.Id)).Any(_rails.Contains)
            : _before
                .Leads.Concat(_after.Leads)
                .Any(l =>
                    l.Device == node.Device
                    && l.Lead.Id == node.Id
                    && ((l.Pad is { } pad && _pads.Contains(pad.Id)) || _devices.Contains(node.Device))
                );

    private IEnumerable<string> RailsOf(Pad pad) =>
        pad
            .Paths.Select(p => p.Rail)
            .OfType<string>()
            .Where(r => _board.Rails.First(x => x.Id == r).Feed != RailFeed.Ground);

    // A pad with everything that shares a net or a supply with it, whatever the bridges say.
    private void Add(Pad? pad)
    {
        if (pad is null || !_pads.Add(pad.Id))
        {
            return;
        }
        var rails = RailsOf(pad).ToHashSet();
        for (var more = true; more; )
        {
            more = _board
                .Rails.Where(r => r.Feed != RailFeed.Ground)
                .Where(r =>
                    (r.From is { } up && rails.Contains(up))
                    || _board.Rails.Any(x => x.From == r.Id && rails.Contains(x.Id))
                )
                .ToList()
                .Exists(r => rails.Add(r.Id));
        }
        _rails.UnionWith(rails);
        var nets = pad.Paths.Select(p => p.Net).OfType<string>().ToHashSet();
        foreach (
            var other in _board.Pads.Where(o =>
                o.Paths.Any(p => (p.Net is { } n && nets.Contains(n)) || (p.Rail is { } r && rails.Contains(r)))
            )
        )
        {
            Add(other);
        }
    }
}
