using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>What the builder must know of plugs, sockets and grounds before anything is plugged in.</summary>
public static class WiringCheck
{
    /// <summary>The findings of a wired build, device by device.</summary>
    public static IReadOnlyList<Finding> Of(WiredBuild wired) =>
        [
            .. Alike(wired),
            .. Joined(wired),
            .. wired.Build.Devices.SelectMany(d => Of(wired, d)),
            .. Grounds(wired),
            .. Fights(wired),
        ];

    /// <summary>Leads that nothing uses and that transmit, or may, on a wire that something uses: left in a plug, or soldered there already.</summary>
    /// <param name="wired">The build.</param>
    public static IEnumerable<Finding> Fights(WiredBuild wired)
    {
        Talkers? talkers = null;
        return wired
            .Joined.Where(l => !l.IsUsed && l.Lead.Role == LeadRole.Signal)
            .Select(l => (talkers ??= new Talkers(wired)).FightOf(Subject.Lead(l.At), l.Device, l.Lead, l.Pad!))
            .OfType<Finding>();
    }

    /// <summary>Devices that are joined to something and have no ground.</summary>
    /// <param name="wired">The build.</param>
    public static IEnumerable<Finding> Grounds(WiredBuild wired) =>
        wired.Build.Devices.SelectMany(d => Grounds(wired, d));

    // Signals that meet at one pad: of several devices, or of the pieces that one device stands for.
    private static IEnumerable<Finding> Joined(WiredBuild wired)
    {
        Device PartOf(WiredLead lead) => wired.Build.Devices.First(d => d.Id == lead.Device).Device;
        int WiresOf(WiredLead lead) => lead.Lead.Wires == PieceWires.Each ? PartOf(lead).Pieces : 1;
        string NameOf(WiredLead lead) =>
            WiresOf(lead) > 1
                ? Sentences.TheWiresOfThe(WiresOf(lead), lead.Lead.Label, PartOf(lead).Name)
                : Sentences.OfThe(lead.Lead.Label, PartOf(lead).Name);
        return
        [
            .. from pad in wired.Joined.Where(l => l.Link is not null).GroupBy(l => l.Pad!.Id)
            let link = wired.Build.Links.First(l => l.Id == pad.First().Link)
            where !wired.Ports.Any(p => p.Link == link.Id && p.Port.Kind == PortKind.Bus)
            where pad.Sum(WiresOf) > 1
            select WiringRules.Joined.Found(
                Severity.Note,
                Subject.Pad(pad.Key),
                ("wires", Phrase.Upper(Phrase.Join([.. pad.Select(NameOf)]))),
                ("pad", pad.First().Pad!.Label)
            ),
        ];
    }

    private static IEnumerable<Finding> Of(WiredBuild wired, DeviceInBuild device)
    {
        var seat = wired.Seats.First(s => s.Device == device.Id).Seat;
        var harness = Harness.Of(device.Device);
        foreach (var socket in harness.Fits(wired.Build.Circuit))
        {
            if (Trouble(wired, device, harness, socket) is not var (lead, pad, what))
            {
                continue;
            }
            if (seat.Socket != socket)
            {
                yield return WiringRules.KeepOut.Found(
                    Severity.Warn,
                    Subject.Socket(socket.Id, device.Id),
                    ("device", $"the {device.Device.Name}"),
                    ("plug", socket.Label),
                    ("lead", lead.Label),
                    ("what", what == Mishap.Sits ? "reach" : Sentences.TransmitOn),
                    ("pad", pad.Label)
                );
            }
            else if (what == Mishap.Sits)
            {
                yield return HazardRules.Plug.Found(
                    Severity.Warn,
                    Subject.Socket(socket.Id, device.Id),
                    ("device", $"the {device.Device.Name}"),
                    ("plug", socket.Label),
                    ("lead", lead.Label),
                    ("pad", pad.Label)
                );
            }
        }
        foreach (
            var socket in wired.Build.Circuit.Sockets.Where(s =>
                PlugFamily.Fits(s.Family, harness.Family) && s.Pads.Count < harness.Cavities.Count
            )
        )
        {
            yield return WiringRules.PlugSize.Found(
                Severity.Warn,
                Subject.Socket(socket.Id, device.Id),
                ("device", device.Device.Name),
                ("pins", $"{harness.Cavities.Count}"),
                ("plug", socket.Label),
                ("has", $"{socket.Pads.Count}"),
                ("family", socket.Family)
            );
        }
        // A lead that was taken out is no news.
        var taken = wired.Build.Built.Stands.OfType<CavityFact>().Where(f => f.Device == device.Id).Select(f => f.Lead);
        var beside = device
            .Device.Leads.Where(l => harness.Family is not null && harness.HomeOf(l.Id) < 0)
            .Where(l => wired.Build.Built.JointOf(new(device.Id, l.Id)) is null);
        foreach (var lead in beside.ExceptBy(taken, l => l.Id))
        {
            yield return WiringRules.Flying.Found(
                Severity.Note,
                Subject.Lead(new(device.Id, lead.Id)),
                ("lead", lead.Label),
                ("device", device.Device.Name)
            );
        }
    }

    private enum Mishap
    {
        Sits,
        Talks,
    }

    // The first lead that would do harm were the plug put in as it comes: what burns before what talks.
    private static (Lead Lead, Pad Pad, Mishap What)? Trouble(
        WiredBuild wired,
        DeviceInBuild device,
        Harness harness,
        Socket socket
    )
    {
        var touches = harness
            .Cavities.Index()
            .Where(c => c.Item is not null && socket.Pads[c.Index] is not null)
            .Select(c =>
                (
                    Lead: c.Item!,
                    Pad: socket.Pads[c.Index]!,
                    Touch: PadContact
                        .Of(wired.Build.Circuit, device.Device, c.Item!, socket.Pads[c.Index], wired.Sources.Input)
                        .FirstOrDefault(t => t.State.Bridges.All(wired.Positions().Contains))
                )
            )
            .ToList();
        var harms = touches.Where(t => t.Touch?.End == ContactEnd.Harms).ToList();
        if (harms.Count > 0)
        {
            var worst = harms
                .OrderBy(h =>
                    Array.IndexOf([LeadRole.Supply, LeadRole.Signal], h.Lead.Role) switch
                    {
                        < 0 => 2,
                        var place => place,
                    }
                )
                .First();
            return (worst.Lead, worst.Pad, Mishap.Sits);
        }
        var talks = touches.FirstOrDefault(t =>
            t.Touch is { End: not ContactEnd.Harms } touch
            && (touch.End == ContactEnd.Talks || PadContact.TransmitsUnasked(device.Device, t.Lead) != false)
            && touch
                .State.Strands.Where(s => s.To.Kind == NodeKind.Net && s.PassesOut)
                .Any(s => Others(wired, device, s.To.Id))
        );
        return talks.Lead is null ? null : (talks.Lead, talks.Pad, Mishap.Talks);
    }

    private static bool Others(WiredBuild wired, DeviceInBuild device, string net) =>
        wired.On(NodeKind.Net, net).Any(l => l.Lead.IsUsed && l.Lead.Device != device.Id);

    private static IEnumerable<Finding> Grounds(WiredBuild wired, DeviceInBuild device)
    {
        var leads = wired.Leads.Where(l => l.Device == device.Id).ToList();
        if (leads.All(l => l.Pad is null && l.To is null))
        {
            yield break;
        }
        var grounds = leads.Where(l => l.Lead.Role == LeadRole.Ground).ToList();
        if (grounds.Count == 0)
        {
            yield return WiringRules.NoGroundLead.Found(
                Severity.Warn,
                Subject.Device(device.Id),
                ("device", device.Device.Name)
            );
        }
        else if (grounds.All(l => l.Pad is null))
        {
            // A supply that is joined drives its current back through whatever else is.
            var supplied = leads.Any(l => l.Lead.Role == LeadRole.Supply && (l.Pad is not null || l.To is not null));
            var signals = leads
                .Where(l => l.Pad is not null && l.Lead.Role is not (LeadRole.Supply or LeadRole.Output))
                .Select(l => l.Lead.Label)
                .ToList();
            yield return WiringRules.NoGroundPad.Found(
                supplied ? Severity.Stop : Severity.Warn,
                Subject.Device(device.Id),
                ("device", device.Device.Name),
                ("board", wired.Build.Board.Name),
                (
                    "how",
                    signals.Count == 0 ? Sentences.NoCurrentFlowsAndIt
                    : supplied ? Sentences.SupplyCurrentWouldReturnThrough(Phrase.Join(signals))
                    : Sentences.WouldHaveNoReference(Phrase.Join(signals))
                )
            );
        }
    }

    private static IEnumerable<Finding> Alike(WiredBuild wired)
    {
        var used = wired.Seats.Where(s => s.Seat.Socket is not null).Select(s => s.Seat.Socket!.Family).ToHashSet();
        return
        [
            .. from family in wired.Build.Circuit.Sockets.GroupBy(s => s.Family)
            where used.Contains(family.Key) && family.Count() > 1
            let two = family.Take(2).ToList()
            select WiringRules.TwoSockets.Found(
                Severity.Note,
                Subject.Socket(two[0].Id),
                ("one", two[0].Label),
                ("two", two[1].Label)
            ),
        ];
    }
}
