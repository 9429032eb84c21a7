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
        var at = wire.At;
        return new PlantedFault($"open.{at.Device}.{at.Lead}", $"{ground.Name(wire)}: open joint", new OpenWire(at))
        {
            Kind = FaultKind.Open,
            Place = FaultGround.At(wire),
            Cure = g => Cure.ByHand($"Connect {g.Lead(at)} to {g.Home(at)}."),
        };
    }

    private static PlantedFault Weak(FaultGround ground, WiredLead wire)
    {
        var at = wire.At;
        return new PlantedFault($"weak.{at.Device}.{at.Lead}", $"{ground.Name(wire)}: poor contact", new WeakJoint(at))
        {
            Kind = FaultKind.Weak,
            Place = FaultGround.At(wire),
            Cure = g =>
                Cure.ByHand(
                    $"Reflow the joint of {g.Lead(at)} at {g.Home(at)} with fresh flux; in a plug, re-crimp the contact.",
                    "Tie the wire down as strain relief for the joint."
                ),
        };
    }
}
