using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Faults;

/// <summary>What kinds of faults are called.</summary>
public static class FaultWords
{
    /// <summary>A kind in a few words.</summary>
    public static string Of(FaultKind kind) =>
        kind switch
        {
            FaultKind.Open => "open joint",
            FaultKind.Weak => "poor contact",
            FaultKind.Crossed => "RX and TX swapped",
            FaultKind.Exchanged => "two other wires swapped",
            FaultKind.Beside => "wire on the adjacent pad",
            FaultKind.OtherPort => "wire on another port's pad",
            FaultKind.LeftIn => "lead left in its plug",
            FaultKind.Harness => "plug wired for another unit",
            FaultKind.Blob => "solder bridge between two pads",
            FaultKind.Bridge => "solder jumper set wrong",
            FaultKind.Port => "port function missing or set wrong",
            FaultKind.Page => "port settings cleared",
            FaultKind.Setting => "other board setting wrong",
            FaultKind.Rail => "rail dead or low",
            FaultKind.Pin => "dead controller pin",
            FaultKind.Dead => "dead part",
            FaultKind.Loader => "part stuck in bootloader",
            FaultKind.Unbound => "part not bound",
            FaultKind.DeviceSetting => "part set wrong",
            FaultKind.Firmware => "part with old firmware",
            _ => "antenna, sky view or radio",
        };
}
