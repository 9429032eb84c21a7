using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>What of a link a sign needs.</summary>
internal enum SignNeeds
{
    /// <summary>The device has power.</summary>
    Fed,

    /// <summary>The device has found its other end, on the ground.</summary>
    Linked,

    /// <summary>The board hears the device.</summary>
    Hears,

    /// <summary>The device hears the board.</summary>
    Says,

    /// <summary>Both ways.</summary>
    Both,
}

/// <summary>What a need comes to.</summary>
internal static class SignNeedsLines
{
    /// <summary>True where a sign needs a line of this direction.</summary>
    public static bool Covers(this SignNeeds needs, Flow flow) =>
        needs switch
        {
            SignNeeds.Hears => flow != Flow.In,
            SignNeeds.Says => flow != Flow.Out,
            SignNeeds.Both => true,
            _ => false,
        };
}

/// <summary>What is seen of a sign.</summary>
internal enum Seen
{
    /// <summary>It is not there.</summary>
    No,

    /// <summary>It comes and goes.</summary>
    Flickers,

    /// <summary>It is there.</summary>
    Yes,
}

/// <summary>What a device's light says.</summary>
internal enum LightSays
{
    /// <summary>It is dark.</summary>
    Dark,

    /// <summary>It comes and goes.</summary>
    Flickers,

    /// <summary>It waits in its loader.</summary>
    Loader,

    /// <summary>It has power and looks for its other end.</summary>
    Searching,

    /// <summary>It has power, and its other end where it has one.</summary>
    Well,
}
