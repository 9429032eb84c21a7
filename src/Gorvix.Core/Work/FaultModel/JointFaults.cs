using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>Joints that do not hold: open ones, poor ones.</summary>
internal static class JointFaults
{
    public static readonly IReadOnlyList<FaultKindInfo> Kinds =
    [
        new(FaultKind.Open, "open joint", 2.5),
        new(FaultKind.Weak, "poor contact", 2.5),
    ];

    public static IEnumerable<PlantedFault> Of(FaultGround ground) =>
        ground.Used.Select(l => Open(ground, l)).Concat(ground.Used.Select(l => Weak(ground, l)));

    private static PlantedFault Open(FaultGround ground, WiredLead wire)
    {
        var (device, lead) = (wire.Device, wire.Lead.Id);
        return new PlantedFault($"open.{device}.{lead}", $"{ground.Name(wire)}: open joint", new OpenWire(device, lead))
        {
            Kind = FaultKind.Open,
            Place = FaultGround.At(wire),
            Cure = g => Cure.ByHand($"Connect {g.Lead(device, lead)} to {g.Home(device, lead)}."),
        };
    }

    private static PlantedFault Weak(FaultGround ground, WiredLead wire)
    {
        var (device, lead) = (wire.Device, wire.Lead.Id);
        return new PlantedFault(
            $"weak.{device}.{lead}",
            $"{ground.Name(wire)}: poor contact",
            new WeakJoint(device, lead)
        )
        {
            Kind = FaultKind.Weak,
            Place = FaultGround.At(wire),
            Cure = g =>
                Cure.ByHand(
                    $"Reflow the joint of {g.Lead(device, lead)} at {g.Home(device, lead)} with fresh flux; in a plug, re-crimp the contact.",
                    "Tie the wire down as strain relief for the joint."
                ),
        };
    }
}
