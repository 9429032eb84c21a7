using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Wired.Loom;

/// <summary>What a step is about.</summary>
public enum StepTopic
{
    /// <summary>The settings are saved before anything is changed.</summary>
    Backup,

    /// <summary>What is soldered or plugged in and not needed there any more comes off.</summary>
    Undo,

    /// <summary>Something on a device itself: a strap, a resistor.</summary>
    AtDevice,

    /// <summary>Leads are moved in a plug, or taken out of it.</summary>
    Plug,

    /// <summary>Wire to wire, away from the board.</summary>
    Splice,

    /// <summary>A bridge on the board.</summary>
    Bridge,

    /// <summary>A wire on a pad.</summary>
    Joint,

    /// <summary>A plug goes into its socket.</summary>
    Seat,
}

/// <summary>One thing to do.</summary>
/// <param name="Id">Its id; the same as long as the same thing is to be done.</param>
/// <param name="Topic">What it is about.</param>
/// <param name="Side">The side of the board that lies up; null where the board does not matter.</param>
/// <param name="Words">What to do, as a sentence.</param>
/// <param name="Iron">How: tip, heat, preparation; empty where no iron is needed.</param>
/// <param name="Look">What to look at afterwards; null where there is nothing.</param>
/// <param name="Device">Id within the build of the device; null for the board.</param>
/// <param name="Pads">Ids of the pads that are worked on.</param>
/// <param name="Near">Ids of the pads beside them, which could be bridged.</param>
public sealed record LoomStep(
    string Id,
    StepTopic Topic,
    BoardSide? Side,
    string Words,
    string Iron,
    string? Look,
    string? Device,
    IReadOnlyList<string> Pads,
    IReadOnlyList<string> Near
)
{
    /// <summary>Id of the bridge that is worked on, or null.</summary>
    public string? Bridge { get; init; }

    /// <summary>True when it is done as it stands here.</summary>
    public bool IsDone { get; init; }

    /// <summary>The re-pin that must be done before it, as a sentence; null for nothing.</summary>
    public string? Waits { get; init; }

    /// <summary>When it was done, UTC; null where nobody has noted it, or while it is not done.</summary>
    public DateTime? DoneOn { get; init; }

    /// <summary>What is true of the aircraft when it is done; for what comes off, what is not true any more.</summary>
    [JsonIgnore]
    public IReadOnlyList<BuiltFact> Facts { get; init; } = [];

    /// <summary>What must be true by then as well, and stays so when the step is taken back: a lead that is soldered has left its plug.</summary>
    [JsonIgnore]
    public IReadOnlyList<BuiltFact> Before { get; init; } = [];
}
