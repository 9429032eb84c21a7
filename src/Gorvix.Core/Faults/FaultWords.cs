using Gorvix.Core.Bench;

namespace Gorvix.Core.Faults;

/// <summary>What kinds of faults are called.</summary>
public static class FaultWords
{
    /// <summary>A kind in a few words.</summary>
    public static string Of(FaultKind kind) =>
        kind switch
        {
            FaultKind.Open => "a wire that has come off",
            FaultKind.Weak => "a joint that holds loosely",
            FaultKind.Crossed => "RX and TX exchanged",
            FaultKind.Exchanged => "two other wires exchanged",
            FaultKind.Beside => "a wire on the pad beside",
            FaultKind.OtherPort => "a wire on another port's pad",
            FaultKind.LeftIn => "a lead left in its plug",
            FaultKind.Harness => "the plug of another unit",
            FaultKind.Blob => "solder between two pads",
            FaultKind.Bridge => "a solder bridge set otherwise",
            FaultKind.Port => "a port without its job, or set otherwise",
            FaultKind.Page => "an emptied page of ports",
            FaultKind.Setting => "another setting of the board",
            FaultKind.Rail => "a rail that is dead or low",
            FaultKind.Pin => "a dead pin of the controller",
            FaultKind.Dead => "a dead part",
            FaultKind.Loader => "a part that waits in its loader",
            FaultKind.Unbound => "a part that is not bound",
            FaultKind.DeviceSetting => "a part that is set otherwise",
            FaultKind.Firmware => "a part with old firmware",
            _ => "antenna, sky, or the radio",
        };
}
