using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Builds;

/// <summary>The builder's choice wherever practitioners disagree. What each school says stands in <see cref="HouseSchools"/>.</summary>
[Usual(nameof(Default))]
public sealed record HouseRules
{
    /// <summary>The defaults.</summary>
    public static readonly HouseRules Default = new();

    /// <summary>Port sharing.</summary>
    public PortSharing Sharing { get; init; }

    /// <summary>Use of software serial.</summary>
    [JsonPropertyName("softwareSerial")]
    public SoftwareUse Software { get; init; }

    /// <summary>Supply of the receiver.</summary>
    [JsonPropertyName("receiverPower")]
    public ReceiverSupply Receiver { get; init; }

    /// <summary>Supply of video devices.</summary>
    [JsonPropertyName("videoPower")]
    public VideoSupply Video { get; init; }

    /// <summary>What to do where the board's power-up would put a receiver into its bootloader.</summary>
    [JsonPropertyName("bootloaderTrap")]
    public BootCure BootTrap { get; init; }

    /// <summary>What to do with unused leads.</summary>
    [JsonPropertyName("unusedLeads")]
    public UnusedLeads Unused { get; init; }

    /// <summary>Whether arming needs a GPS fix.</summary>
    public ArmingFix Arming { get; init; }

    /// <summary>What the aircraft does on failsafe.</summary>
    public LossAct Failsafe { get; init; }

    /// <summary>Work speed: scales the minutes shown.</summary>
    [JsonPropertyName("pace")]
    public HandPace Hand { get; init; }
}

/// <summary>Whether arming needs a GPS fix.</summary>
public enum ArmingFix
{
    /// <summary>Never.</summary>
    FixRequired,

    /// <summary>They may.</summary>
    FixOptional,
}

/// <summary>What the aircraft does on failsafe.</summary>
public enum LossAct
{
    /// <summary>It flies back, where it can.</summary>
    ReturnToHome,

    /// <summary>The motors stop.</summary>
    Drop,
}

/// <summary>How fast the builder's hands are: what the table of minutes is multiplied with.</summary>
public enum HandPace
{
    /// <summary>As in the table.</summary>
    Normal,

    /// <summary>Half as long again.</summary>
    Careful,

    /// <summary>Two thirds of it.</summary>
    Quick,
}

/// <summary>Port sharing.</summary>
public enum PortSharing
{
    /// <summary>One device, one port.</summary>
    OnePerPort,

    /// <summary>Two one-way users may have its halves.</summary>
    SplitHalves,
}

/// <summary>Use of software serial.</summary>
public enum SoftwareUse
{
    /// <summary>Not at all.</summary>
    Never,

    /// <summary>For telemetry only.</summary>
    TelemetryOnly,

    /// <summary>For any link that is slow enough.</summary>
    Allowed,
}

/// <summary>Supply of the receiver.</summary>
public enum ReceiverSupply
{
    /// <summary>A pad that is alive on USB.</summary>
    LiveOnUsb,

    /// <summary>A pad that is dead on USB.</summary>
    OffOnUsb,
}

/// <summary>Supply of video devices.</summary>
public enum VideoSupply
{
    /// <summary>A regulated rail where there is one that fits.</summary>
    RegulatedFirst,

    /// <summary>The battery as readily.</summary>
    BatteryAllowed,
}

/// <summary>What to do where the board's power-up would put a receiver into its bootloader.</summary>
public enum BootCure
{
    /// <summary>Another port.</summary>
    AnotherPort,

    /// <summary>A pull-up resistor on the receiver's RX.</summary>
    PullUp,
}

/// <summary>What to do with unused leads.</summary>
public enum UnusedLeads
{
    /// <summary>Lifted out of the plug and insulated; they can go back.</summary>
    DePin,

    /// <summary>Cut off and insulated.</summary>
    Cut,

    /// <summary>Left in the plug.</summary>
    Leave,
}
