using Gorvix.Core.Circuits;
using Gorvix.Core.Loom;
using Gorvix.Core.Parts;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Bench;

/// <summary>A fault that can be planted in the simulated bench.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Words">It in words.</param>
/// <param name="Edit">What is other than it was meant.</param>
public sealed record PlantedFault(
    string Id,
    string Words,
    [property: System.Text.Json.Serialization.JsonIgnore] WiringEdit Edit
);

/// <summary>What goes wrong at a bench: wires off, exchanged, on the pad beside; leads left in; solder where none belongs; bridges, settings, parts.</summary>
public static class PlantedFaults
{
    /// <summary>Every fault that this build can have, each by itself.</summary>
    /// <param name="wired">The build as it is meant.</param>
    public static IReadOnlyList<PlantedFault> Of(WiredBuild wired) =>
        [
            .. Open(wired),
            .. Swapped(wired),
            .. Beside(wired),
            .. LeftIn(wired),
            .. Blobs(wired),
            .. Bridges(wired),
            .. Ports(wired),
            .. Dead(wired),
        ];

    private static IEnumerable<WiredLead> Used(WiredBuild wired) =>
        wired.Leads.Where(l => l.IsUsed && l.Pad is not null);

    private static bool IsFed(WiredLead lead) =>
        lead.Lead.Role == LeadRole.Supply && (lead.Pad is not null || lead.To is not null);

    private static string Name(WiredBuild wired, WiredLead lead) =>
        $"{lead.Lead.Label} of the {wired.Build.Devices.First(d => d.Id == lead.Device).Device.Name}";

    private static IEnumerable<PlantedFault> Open(WiredBuild wired) =>
        Used(wired)
            .Select(l => new PlantedFault(
                $"open.{l.Device}.{l.Lead.Id}",
                $"{Name(wired, l)} has come off",
                new OpenWire(l.Device, l.Lead.Id)
            ));

    private static IEnumerable<PlantedFault> Swapped(WiredBuild wired) =>
        from device in Used(wired).GroupBy(l => l.Device)
        let leads = device.ToList()
        from one in leads.Index()
        from other in leads.Skip(one.Index + 1)
        where one.Item.Pad!.Id != other.Pad!.Id
        select new PlantedFault(
            $"swap.{device.Key}.{one.Item.Lead.Id}.{other.Lead.Id}",
            $"{one.Item.Lead.Label} and {Name(wired, other)} are exchanged",
            new SwapWires(device.Key, one.Item.Lead.Id, other.Lead.Id)
        );

    private static IEnumerable<PlantedFault> Beside(WiredBuild wired)
    {
        var near = new Neighbours(wired.Build.Circuit);
        return from lead in Used(wired)
            where lead.State == LeadState.Soldered
            from pad in near.Of(lead.Pad!)
            select new PlantedFault(
                $"beside.{lead.Device}.{lead.Lead.Id}.{pad.Pad.Id}",
                $"{Name(wired, lead)} sits on {WireWords.Of(wired.Build.Circuit, pad.Pad)}",
                new WireOnPad(lead.Device, lead.Lead.Id, pad.Pad.Id)
            );
    }

    private static IEnumerable<PlantedFault> LeftIn(WiredBuild wired) =>
        from seat in wired.Seats
        where seat.Seat.Socket is not null
        let harness = Harness.Of(wired.Build.Devices.First(d => d.Id == seat.Device).Device)
        from lead in wired.Leads
        where lead.Device == seat.Device && lead.State is (LeadState.Lifted or LeadState.Cut)
        let home = harness.HomeOf(lead.Lead.Id)
        where home >= 0 && seat.Seat.Socket!.Pads[home] is not null
        select new PlantedFault(
            $"left.{lead.Device}.{lead.Lead.Id}",
            $"{Name(wired, lead)} sits in its plug still",
            new LeadLeftIn(lead.Device, lead.Lead.Id)
        );

    private static IEnumerable<PlantedFault> Blobs(WiredBuild wired)
    {
        var near = new Neighbours(wired.Build.Circuit);
        return (
            from lead in Used(wired)
            where lead.State is LeadState.Soldered or LeadState.OnTail
            from pad in near.Of(lead.Pad!)
            select (One: lead.Pad!, Other: pad.Pad)
        )
            .DistinctBy(p =>
                string.CompareOrdinal(p.One.Id, p.Other.Id) < 0 ? (p.One.Id, p.Other.Id) : (p.Other.Id, p.One.Id)
            )
            .Select(p => new PlantedFault(
                $"blob.{p.One.Id}.{p.Other.Id}",
                $"solder lies between {p.One.Label} and {p.Other.Label}",
                new SolderBlob(p.One.Id, p.Other.Id)
            ));
    }

    private static IEnumerable<PlantedFault> Bridges(WiredBuild wired)
    {
        foreach (var set in wired.Bridges.Where(b => b.Bridge.MovedBy == MovedBy.Iron))
        {
            foreach (var position in set.Bridge.Positions.Except(set.Positions))
            {
                yield return new PlantedFault(
                    $"bridge.{set.Bridge.Id}.{position}",
                    $"bridge {set.Bridge.Id} stands at \"{position}\"",
                    new BridgeClosed(set.Bridge.Id, [position])
                );
            }
            if (set.Bridge.Positions.Count > 1)
            {
                yield return new PlantedFault(
                    $"bridge.{set.Bridge.Id}",
                    $"solder lies on every side of bridge {set.Bridge.Id}",
                    new BridgeClosed(set.Bridge.Id, set.Bridge.Positions)
                );
            }
        }
    }

    private static IEnumerable<PlantedFault> Ports(WiredBuild wired)
    {
        foreach (var port in wired.Ports)
        {
            yield return new PlantedFault(
                $"unset.{port.Link}",
                $"{port.Port.Id} has no job",
                new PortSetTo(port.Link, null)
            );
            if (port.Port.Kind == PortKind.Uart)
            {
                yield return new PlantedFault(
                    $"inverted.{port.Link}",
                    $"{port.Port.Id} is set to the other polarity",
                    new PortSetTo(
                        port.Link,
                        port.Settings with
                        {
                            InvertRx = !port.Settings.InvertRx,
                            InvertTx = !port.Settings.InvertTx,
                        }
                    )
                );
            }
        }
    }

    private static IEnumerable<PlantedFault> Dead(WiredBuild wired)
    {
        foreach (var rail in wired.Build.Board.Rails.Where(r => r.Feed is not (RailFeed.Ground or RailFeed.Battery)))
        {
            yield return new PlantedFault($"rail.{rail.Id}", $"rail {rail.Label} is dead", new DeadRail(rail.Id));
        }
        // What is wired to nothing is missed by nobody.
        foreach (var device in wired.Build.Devices.Where(d => wired.Leads.Any(l => l.Device == d.Id && IsFed(l))))
        {
            yield return new PlantedFault(
                $"dead.{device.Id}",
                $"the {device.Device.Name} is dead",
                new DeadDevice(device.Id)
            );
        }
    }
}
