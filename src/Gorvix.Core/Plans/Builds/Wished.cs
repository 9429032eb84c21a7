using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>How much a link is wished for until the builder says otherwise.</summary>
public static class Wished
{
    /// <summary>
    /// The order of needs (common practice): without control nothing flies; then the picture with its text, position and what
    /// comes back to the radio; comforts last.
    /// </summary>
    /// <param name="need">What the link gives.</param>
    public static Priority For(Need need) =>
        need switch
        {
            Need.RcLink => Priority.Required,
            Need.Rangefinder or Need.CameraControl or Need.FlightLog or Need.WirelessConfiguration => Priority.Optional,
            _ => Priority.Wanted,
        };
}
