using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>Grounds that are on the aircraft already.</summary>
internal static class BuiltGround
{
    /// <summary>The ground to which a ground lead is soldered, or null. It stays there: one more does no harm.</summary>
    /// <param name="built">What is done.</param>
    /// <param name="circuit">The board.</param>
    /// <param name="device">Id within the build of the device.</param>
    /// <param name="lead">One of its leads.</param>
    public static Pad? GroundOf(this AsBuilt built, Circuit circuit, string device, Lead lead) =>
        lead.Role == LeadRole.Ground
        && built.JointOf(new(device, lead.Id))?.Pad is { } pad
        && circuit.Pads[pad] is var here
        && circuit.IsGround(here)
            ? here
            : null;
}
