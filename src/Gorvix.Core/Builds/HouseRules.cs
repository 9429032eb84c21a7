namespace Gorvix.Core.Builds;

/// <summary>The builder's choice wherever practitioners disagree. What each school says stands in <see cref="HouseSchools"/>.</summary>
public sealed record HouseRules
{
    /// <summary>The defaults.</summary>
    public static readonly HouseRules Default = new();

    /// <summary>Who may share a port.</summary>
    public PortSharing Sharing { get; init; }

    /// <summary>Whether serial in code is used.</summary>
    public SoftwareUse Software { get; init; }

    /// <summary>Where the receiver is fed from.</summary>
    public ReceiverSupply Receiver { get; init; }

    /// <summary>Where video is fed from.</summary>
    public VideoSupply Video { get; init; }

    /// <summary>What is done where a starting board would drop a receiver into its loader.</summary>
    public BootCure BootTrap { get; init; }

    /// <summary>What is done with leads that no link uses.</summary>
    public UnusedLeads Unused { get; init; }

    /// <summary>Whether the motors may start without a fix.</summary>
    public ArmingFix Arming { get; init; }

    /// <summary>What the aircraft does when the radio is lost.</summary>
    public LossAct Failsafe { get; init; }

    /// <summary>How fast the builder's hands are.</summary>
    public HandPace Hand { get; init; }
}

/// <summary>Whether the motors may start without a fix.</summary>
public enum ArmingFix
{
    /// <summary>Never.</summary>
    Required,

    /// <summary>They may.</summary>
    Optional,
}

/// <summary>What the aircraft does when the radio is lost.</summary>
public enum LossAct
{
    /// <summary>It flies back, where it can.</summary>
    ReturnHome,

    /// <summary>The motors stop.</summary>
    Drop,
}

/// <summary>How fast the builder's hands are: what the table of minutes is multiplied with.</summary>
public enum HandPace
{
    /// <summary>As in the table.</summary>
    Usual,

    /// <summary>Half as long again.</summary>
    Careful,

    /// <summary>Two thirds of it.</summary>
    Quick,
}

/// <summary>Who may share a port.</summary>
public enum PortSharing
{
    /// <summary>One device, one port.</summary>
    Strict,

    /// <summary>Two one-way users may have its halves.</summary>
    SplitHalves,
}

/// <summary>Whether serial in code is used.</summary>
public enum SoftwareUse
{
    /// <summary>Not at all.</summary>
    Never,

    /// <summary>For telemetry only.</summary>
    TelemetryOnly,

    /// <summary>For any link that is slow enough.</summary>
    Allowed,
}

/// <summary>Where the receiver is fed from.</summary>
public enum ReceiverSupply
{
    /// <summary>A pad that is alive on USB.</summary>
    AliveOnUsb,

    /// <summary>A pad that is dead on USB.</summary>
    DeadOnUsb,
}

/// <summary>Where video is fed from.</summary>
public enum VideoSupply
{
    /// <summary>A regulated rail where there is one that fits.</summary>
    RegulatedFirst,

    /// <summary>The battery as readily.</summary>
    BatteryAllowed,
}

/// <summary>What is done where a starting board would drop a receiver into its loader.</summary>
public enum BootCure
{
    /// <summary>Another port.</summary>
    AnotherPort,

    /// <summary>A pull-up resistor on the receiver's RX.</summary>
    PullUp,
}

/// <summary>What is done with leads that no link uses.</summary>
public enum UnusedLeads
{
    /// <summary>Lifted out of the plug and insulated; they can go back.</summary>
    Lift,

    /// <summary>Cut off and insulated.</summary>
    Cut,

    /// <summary>Left in the plug.</summary>
    Leave,
}
