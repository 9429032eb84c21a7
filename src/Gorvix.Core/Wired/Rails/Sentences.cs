namespace Gorvix.Core.Wired.Rails;

/// <summary>What the floor Rails says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string AnyGround => "any ground";
    public static string AllSuppliesInRangeAs => "All supplies in range, as far as currents are known.";
    public static string AllSuppliesInRange => "All supplies in range.";
    public static string AtLeast => "at least ";
    public static string NotChecked => "not checked";

    public static string UnknownWhetherUsbPowers(string rail) => $"unknown whether USB powers {rail}";

    public static string RailHasOnlyVFrom(string label, string figure) => $"{label} rail has only {figure} V from USB";

    public static string IsPoweredFromTheBattery(string rail) => $"{rail} is powered from the battery only";

    public static string TheSupplyInput => "the supply input";

    public static string CurrentLimiter(string amperes) => $"{amperes} current limiter";

    public static string TheBuildDraws(string least, string amperes, string which) =>
        $"the build draws {least}{amperes} {which}";

    public static string TheBuildDrawsPeakA(string amperes, string amperes2) =>
        $"the build draws {amperes} peak; a fault can draw {amperes2} more before it limits";

    public static string AShortPutsVAcross(string figure) => $"a short puts {figure} V across it and it burns out";

    public static string AtAShortItPasses(string amperes) => $"at a short it passes {amperes}";

    public static string UnfilteredBattery => "unfiltered battery";
    public static string TheSupply => "the supply";

    public static string APointAfter(string namesAt) => $"a point after {namesAt}";

    public static string WiresAssumedCmLongAnd(string which, double usualMillimetres, int usual) =>
        $"{which} wires: assumed {usualMillimetres:0} cm long and sized for their current, AWG {usual} or thicker.";

    public static string BatteryResistanceIsUnknownVoltage =>
        "Battery resistance is unknown: voltage sag is not computed.";

    public static string UnknownWhetherUsbPowersShown(string list) =>
        $"Unknown whether USB powers {list}: shown off, and not checked on USB.";

    public static string TheBoardsOwnCurrentIs => "The board's own current is unknown and not counted.";

    public static string NoDatasheetCurrentForRail(string list) =>
        $"No datasheet current for {list}: rail loads shown are minimums.";

    public static string RegulatorsWithoutADatasheetEfficiency =>
        "Regulators without a datasheet efficiency count as lossless: the real supply current is at least the figure shown.";
    public static string BoardItself => "Board itself";

    public static string VAtTheInput(double fixedVolts) => $"{fixedVolts:0.##} V at the input";

    public static string VPerCell(double wanted) => $"{wanted:0.00} V per cell";

    public static string FullBattery => "full battery";
    public static string HalfBattery => "half battery";
    public static string BatteryAtLanding => "battery at landing";
    public static string EmptyBattery => "empty battery";
    public static string UsbOnly => "USB only";
    public static string UsbAndSupply => "USB and supply";
    public static string FirstPowerUpThroughA => "first power-up through a bulb";
    public static string FirstPowerUpThroughACurrent => "first power-up through a current limiter";

    public static string BenchSupplyAtV(double volts) => $"bench supply at {volts:0.##} V";

    public static string ClosedOnEverySide(string id) => $"{id} closed on every side";

    public static string ItsRail => "its rail";
    public static string OtherSupply => "Other supply";
}
