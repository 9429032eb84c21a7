namespace Gorvix.Core.Plans.Routing;

/// <summary>What the floor Routing says: every sentence with what it is filled with.</summary>
internal static class Sentences
{
    public static string OfThe(string label, string name) => $"{label} of the {name}";

    public static string ReachesVOnAFull(double max) => $"reaches {max:0.0#} V on a full battery";

    public static string DropsToVOnAn(double min) => $"drops to {min:0.0#} V on an empty battery";

    public static string AnInverter => "an inverter";
    public static string ABlockingDiode => "a blocking diode";
    public static string BottomSide => "bottom side";
    public static string ByTheController => "by the controller";
    public static string InSoftware => "in software";

    public static string TheInverterBefore(string half) => $"the inverter before {half}";

    public static string IsLow => "is low";
    public static string IsDrivenLow => "is driven low";
    public static string TheBoard => "the board";
    public static string TowardsTheController => "towards the controller";
    public static string TowardsThePad => "towards the pad";
    public static string BothWays => "both ways";
    public static string TheOtherWay => "the other way";
    public static string NoInverter => "no inverter";
    public static string OneInverter => "one inverter";

    public static string AnClassControllerCannotInvert(string id) => $"an {id}-class controller cannot invert";

    public static string CannotBeInverted(string kind) => $"{kind} cannot be inverted";

    public static string SetTheModuleBayTo(string baud) => $"set the module bay to {baud}";

    public static string SetThePacketRateTo(int? mostHertz, int packetHertz) =>
        $"set the packet rate to {mostHertz} Hz or less (now {packetHertz} Hz)";

    public static string DoesNotSupportIt(string name) => $"{name} does not support it";

    public static string YourHouseRuleForbidsIt => "your house rule forbids it";
    public static string YourHouseRuleAllowsIt => "your house rule allows it for telemetry only";
    public static string IsTooSlow => "is too slow";

    public static string ItsFunction(string function) => $"its function \"{function}\"";

    public static string MoreDevices(int count) => $"{count} more devices";

    public static string CouldBut(string place, string list) => $" {place} could, but {list}.";

    public static string EverySourceThatCouldIs => " Every source that could is blocked, or ruled out by your pins.";
    public static string MayTransmit => "may transmit";
    public static string AnEmptyPin => "an empty pin";
}
