namespace Gorvix.Core.Plans.Builds;

/// <summary>What the floor Builds says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string TheDeviceIsNoLonger => "the device is no longer in the build";
    public static string TheDeviceHasBeenSwapped => "the device has been swapped";
    public static string TheDeviceNoLongerHas => "the device no longer has this lead";
    public static string TheBoardHasBeenSwapped => "the board has been swapped";
    public static string TheBoardNoLongerHas => "the board no longer has this pad";
    public static string TheOtherDeviceNoLonger => "the other device no longer has this lead";
    public static string TheBoardNoLongerHasThis => "the board no longer has this socket";
    public static string TheDeviceNoLongerHasA => "the device no longer has a plug";
    public static string ThePlugHasFewerPins => "the plug has fewer pins";
    public static string TheBoardNoLongerHasThisJumper => "the board no longer has this jumper position";
    public static string AsBuiltEntries => "as-built entries";
    public static string FirmwareProfile => "firmware profile";
    public static string NamesNeitherAPadNor => "names neither a pad nor a lead of another device";
    public static string SignalLeads => "signal leads";
    public static string SupplyLeads => "supply leads";
    public static string SupplyOrGroundLead => "supply or ground lead";
    public static string SupplyLead => "supply lead";
    public static string DeviceInTheBuild => "device in the build";
    public static string JumperPosition => "jumper position";

    public static string OfIsOn(string lead, string device, string pad) => $"{lead} of {device} is on {pad}";

    public static string InPin(int at) => $"in pin {at}";

    public static string ThePlugOfIsIn(string device, string socket) => $"the plug of {device} is in {socket}";

    public static string IsSetTo(string bridge, string position) => $"{bridge} is set to {position}";

    public static string IsButOnlyDevicesAre(int device, int count) =>
        $"is {device}, but only {count} devices are chosen";

    public static string DeviceNumbersStartAt0 => "Device numbers start at 0.";

    public static string OverchargedAboveVPerCell(double full) =>
        $"Overcharged, above {full:0.00} V per cell: do not charge or fly it. Leave it outside, away from anything flammable.";

    public static string DamagedBelowVPerCell(double damagedCell) =>
        $"Damaged, below {damagedCell:0.0} V per cell: never charge it again; dispose of it by local rules.";

    public static string PossiblyDamagedBelowVPer(double emptyCell) =>
        $"Possibly damaged, below {emptyCell:0.0} V per cell: do not fly it. Charge it only if its maker allows it: slowly, never unattended.";

    public static string EmptyLandByVPer(double landCell) => $"Empty: land by {landCell:0.0} V per cell.";

    public static string FullDoNotStoreIt => "Full. Do not store it like this for days.";

    public static string LandByVPerCell(double landCell) => $"Land by {landCell:0.0} V per cell.";

    public static string DoesNotSupportOneOf => "does not support one of the device's links";
    public static string RemoveThatLinkFirstOr => "Remove that link first, or choose a part that supports it.";
}
