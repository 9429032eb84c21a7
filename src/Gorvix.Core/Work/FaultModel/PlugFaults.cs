using System.Globalization;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>Plugs whose contacts sit otherwise than the socket's: a lead left in, one pin off, the harness of another unit.</summary>
internal static class PlugFaults
{
    public static readonly IReadOnlyList<FaultKindInfo> Kinds =
    [
        new(FaultKind.LeftIn, "lead left in its plug", 3),
        new(FaultKind.Harness, "plug wired for another unit", 0.7),
    ];

    // A pin list that is one cavity off, or read from the other end.
    private static readonly IReadOnlyList<int?> Otherwise = [null, 1, -1];

    /// <summary>A contact in the empty cavity beside its own.</summary>
    public static IEnumerable<PlantedFault> OneCavityOff(FaultGround ground) =>
        from lead in ground.Used
        where lead is { State: LeadState.InPlace or LeadState.Moved, Socket: not null, Cavity: not null }
        from step in new[] { -1, 1 }
        let cavity = lead.Cavity!.Value + step
        where cavity >= 1 && cavity <= lead.Socket!.Pads.Count
        let pad = lead.Socket!.Pads[cavity - 1]
        where pad is not null
        where !ground.Wired.Leads.Any(l => l.Socket == lead.Socket && l.Cavity == cavity)
        select ground.Moved(lead, pad, "cavity", FaultKind.Harness);

    public static IEnumerable<PlantedFault> LeftIn(FaultGround ground) =>
        from seat in ground.Wired.Seats
        where seat.Seat.Socket is not null
        let harness = Harness.Of(ground.Wired.Build.Devices.First(d => d.Id == seat.Device).Device)
        from lead in ground.Wired.Leads
        where lead.Device == seat.Device && lead.State is (LeadState.Lifted or LeadState.Cut)
        let home = harness.HomeOf(lead.Lead.Id)
        where home >= 0 && seat.Seat.Socket!.Pads[home] is not null
        select LeftIn(ground, lead, seat.Seat.Socket!.Pads[home]!);

    private static PlantedFault LeftIn(FaultGround ground, WiredLead wire, Pad pad)
    {
        var at = wire.At;
        return new PlantedFault(
            $"left.{at.Device}.{at.Lead}",
            $"{ground.Name(wire)} is still in its plug",
            new LeadLeftIn(at)
        )
        {
            Kind = FaultKind.LeftIn,
            Place = new(at.Device, at.Lead, [pad.Id]),
            Cure = g => Cure.ByHand($"De-pin {g.Lead(at)} as shown in the plug drawing; insulate it."),
        };
    }

    public static IEnumerable<PlantedFault> Harnesses(FaultGround ground) =>
        from seat in ground.Wired.Seats
        where seat.Seat.Socket is { Pads.Count: > 1 }
        from shift in Otherwise
        select Wrong(ground, seat.Device, seat.Seat.Socket!, shift);

    private static PlantedFault Wrong(FaultGround ground, string device, Socket socket, int? shift) =>
        new(
            $"harness.{device}.{shift?.ToString(CultureInfo.InvariantCulture) ?? "turned"}",
            shift is null
                ? $"{ground.Name(device)}: wrong harness, its plug has the pins in reverse order"
                : $"{ground.Name(device)}: every contact in its plug is one pin too {(shift > 0 ? "high" : "low")}",
            new HarnessOtherwise(device, shift)
        )
        {
            Kind = FaultKind.Harness,
            Place = new(device, Pads: [.. socket.Pads.OfType<Pad>().Select(p => p.Id)]),
            Cure = g =>
                Cure.ByHand(
                    $"Unplug the {g.Name(device)} and re-pin its plug as shown in the plug drawing. Match signals, not positions.",
                    "Check continuity of every pin before plugging it in again."
                ),
        };
}
