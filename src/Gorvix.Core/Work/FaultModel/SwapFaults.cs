using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>Two wires of one device on each other's pads.</summary>
internal static class SwapFaults
{
    public static readonly IReadOnlyList<FaultKindInfo> Kinds =
    [
        new(FaultKind.Crossed, "RX and TX swapped", 4),
        new(FaultKind.Exchanged, "two other wires swapped", 0.3),
    ];

    public static IEnumerable<PlantedFault> Of(FaultGround ground) =>
        from device in ground.Used.GroupBy(l => l.Device)
        let leads = device.ToList()
        from one in leads.Index()
        from other in leads.Skip(one.Index + 1)
        where one.Item.Pad!.Id != other.Pad!.Id
        // Two grounds, or two leads of one supply, are the same.
        where one.Item.Lead.Role != other.Lead.Role || one.Item.Lead.Role == LeadRole.Signal
        select Of(ground, one.Item, other);

    private static PlantedFault Of(FaultGround ground, WiredLead first, WiredLead second)
    {
        var (device, one, other) = (first.Device, first.Lead.Id, second.Lead.Id);
        return new PlantedFault(
            $"swap.{device}.{one}.{other}",
            $"{ground.Label(first)} and {ground.Name(second)} swapped",
            new SwapWires(device, one, other)
        )
        {
            Kind =
                first.Link is { } link && link == second.Link && first.Lead.Role == LeadRole.Signal
                    ? FaultKind.Crossed
                    : FaultKind.Exchanged,
            Place = FaultGround.At(first, second.Pad!.Id),
            Cure = g =>
                Cure.ByHand(
                    $"Move {g.Lead(first.At)} to {g.Home(first.At)} and {g.Lead(second.At)} to {g.Home(second.At)}."
                ),
        };
    }
}
