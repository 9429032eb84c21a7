using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using static Gorvix.Core.Work.FaultModel.PlantedFaults;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>What goes wrong with wires: off, loose, exchanged, on another pad; leads left in, harnesses of other units, solder where none belongs.</summary>
internal sealed class WireFaults(WiredBuild wired)
{
    // A pin list that is one cavity off, or read from the other end.
    private static readonly IReadOnlyList<int?> Otherwise = [null, 1, -1];

    private readonly Neighbours _near = new(wired.Build.Circuit);

    public IEnumerable<PlantedFault> All() =>
        [
            .. Open(),
            .. Weak(),
            .. Swapped(),
            .. Beside(),
            .. OneCavityOff(),
            .. Elsewhere(),
            .. LeftIn(),
            .. Harnesses(),
            .. Blobs(),
        ];

    private IEnumerable<WiredLead> Used => wired.Leads.Where(l => l.IsUsed && l.Pad is not null);

    private static FaultPlace At(WiredLead lead, params IEnumerable<string> more) =>
        new(lead.Device, lead.Lead.Id, [.. lead.Pad is { } pad ? new[] { pad.Id } : [], .. more]);

    private IEnumerable<PlantedFault> Open() =>
        Used.Select(l => new PlantedFault(
            $"open.{l.Device}.{l.Lead.Id}",
            $"{Name(wired, l)}: open joint",
            new OpenWire(l.Device, l.Lead.Id)
        )
        {
            Kind = FaultKind.Open,
            Place = At(l),
        });

    private IEnumerable<PlantedFault> Weak() =>
        Used.Select(l => new PlantedFault(
            $"weak.{l.Device}.{l.Lead.Id}",
            $"{Name(wired, l)}: poor contact",
            new WeakJoint(l.Device, l.Lead.Id)
        )
        {
            Kind = FaultKind.Weak,
            Place = At(l),
        });

    private IEnumerable<PlantedFault> Swapped() =>
        from device in Used.GroupBy(l => l.Device)
        let leads = device.ToList()
        from one in leads.Index()
        from other in leads.Skip(one.Index + 1)
        where one.Item.Pad!.Id != other.Pad!.Id
        // Two grounds, or two leads of one supply, are the same.
        where one.Item.Lead.Role != other.Lead.Role || one.Item.Lead.Role == LeadRole.Signal
        select new PlantedFault(
            $"swap.{device.Key}.{one.Item.Lead.Id}.{other.Lead.Id}",
            $"{Label(wired, one.Item)} and {Name(wired, other)} swapped",
            new SwapWires(device.Key, one.Item.Lead.Id, other.Lead.Id)
        )
        {
            Kind =
                one.Item.Link is { } link && link == other.Link && one.Item.Lead.Role == LeadRole.Signal
                    ? FaultKind.Crossed
                    : FaultKind.Exchanged,
            Place = At(one.Item, other.Pad!.Id),
        };

    private IEnumerable<PlantedFault> Beside() =>
        from lead in Used
        where lead.State == LeadState.Soldered
        from pad in _near.Of(lead.Pad!)
        select Moved(lead, pad.Pad, "beside", FaultKind.Beside);

    // A contact in the empty cavity beside its own.
    private IEnumerable<PlantedFault> OneCavityOff() =>
        from lead in Used
        where lead is { State: LeadState.InPlace or LeadState.Moved, Socket: not null, Cavity: not null }
        from step in new[] { -1, 1 }
        let cavity = lead.Cavity!.Value + step
        where cavity >= 1 && cavity <= lead.Socket!.Pads.Count
        let pad = lead.Socket!.Pads[cavity - 1]
        where pad is not null
        where !wired.Leads.Any(l => l.Socket == lead.Socket && l.Cavity == cavity)
        select Moved(lead, pad, "cavity", FaultKind.Harness);

    private PlantedFault Moved(WiredLead lead, Pad pad, string id, FaultKind kind) =>
        new(
            $"{id}.{lead.Device}.{lead.Lead.Id}.{pad.Id}",
            $"{Name(wired, lead)} is on {WireWords.Of(wired.Build.Circuit, pad)}",
            new WireOnPad(lead.Device, lead.Lead.Id, pad.Id)
        )
        {
            Kind = kind,
            Place = At(lead, pad.Id),
        };

    // A signal on a pad of another port, or of its own behind another inverter: the right kind of label, the wrong number.
    private IEnumerable<PlantedFault> Elsewhere() =>
        from lead in Used
        where lead is { State: LeadState.Soldered, Lead.Role: LeadRole.Signal }
        let own = NetsOf(lead.Pad!)
        where own.Count > 0
        let near = _near.Of(lead.Pad!).Select(n => n.Pad.Id).ToHashSet()
        from pad in wired.Build.Board.Pads
        where pad.Id != lead.Pad!.Id && !near.Contains(pad.Id) && !wired.Build.Circuit.SocketOf.ContainsKey(pad.Id)
        let nets = NetsOf(pad)
        where nets.Any(n => own.Any(o => o.IsRx == n.IsRx))
        select Moved(lead, pad, "other", FaultKind.OtherPort);

    // The nets of serial ports that a pad leads to, and on which half of the port each is.
    private List<(string Net, bool IsRx)> NetsOf(Pad pad) =>
        [
            .. from strand in wired.Build.Circuit.From(pad)
            where strand.To.Kind == NodeKind.Net
            from port in wired.Build.Board.Ports
            where port.Kind == PortKind.Uart
            from pins in port.PinChoices
            where strand.To.Id == pins.Rx || strand.To.Id == pins.Tx
            select (strand.To.Id, strand.To.Id == pins.Rx),
        ];

    private IEnumerable<PlantedFault> LeftIn() =>
        from seat in wired.Seats
        where seat.Seat.Socket is not null
        let harness = Harness.Of(wired.Build.Devices.First(d => d.Id == seat.Device).Device)
        from lead in wired.Leads
        where lead.Device == seat.Device && lead.State is (LeadState.Lifted or LeadState.Cut)
        let home = harness.HomeOf(lead.Lead.Id)
        where home >= 0 && seat.Seat.Socket!.Pads[home] is not null
        select new PlantedFault(
            $"left.{lead.Device}.{lead.Lead.Id}",
            $"{Name(wired, lead)} is still in its plug",
            new LeadLeftIn(lead.Device, lead.Lead.Id)
        )
        {
            Kind = FaultKind.LeftIn,
            Place = new(lead.Device, lead.Lead.Id, [seat.Seat.Socket!.Pads[home]!.Id]),
        };

    private IEnumerable<PlantedFault> Harnesses() =>
        from seat in wired.Seats
        where seat.Seat.Socket is { Pads.Count: > 1 }
        from shift in Otherwise
        select new PlantedFault(
            $"harness.{seat.Device}.{shift?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "turned"}",
            shift is null
                ? $"{Name(wired, seat.Device)}: wrong harness, its plug has the pins in reverse order"
                : $"{Name(wired, seat.Device)}: every contact in its plug is one pin too {(shift > 0 ? "high" : "low")}",
            new HarnessOtherwise(seat.Device, shift)
        )
        {
            Kind = FaultKind.Harness,
            Place = new(seat.Device, Pads: [.. seat.Seat.Socket!.Pads.OfType<Pad>().Select(p => p.Id)]),
        };

    private IEnumerable<PlantedFault> Blobs() =>
        (
            from lead in Used
            where lead.State is LeadState.Soldered or LeadState.OnTail
            from pad in _near.Of(lead.Pad!)
            select (One: lead.Pad!, Other: pad.Pad)
        )
            .DistinctBy(p =>
                string.CompareOrdinal(p.One.Id, p.Other.Id) < 0 ? (p.One.Id, p.Other.Id) : (p.Other.Id, p.One.Id)
            )
            .Select(p => new PlantedFault(
                $"blob.{p.One.Id}.{p.Other.Id}",
                $"solder bridge between {p.One.Label} and {p.Other.Label}",
                new SolderBlob(p.One.Id, p.Other.Id)
            )
            {
                Kind = FaultKind.Blob,
                Place = new(Pads: [p.One.Id, p.Other.Id]),
            });
}
