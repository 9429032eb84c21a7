using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Wired.Loom;

/// <summary>What stands against a tick.</summary>
public static class LoomRules
{
    /// <summary>A step that the loom has no more.</summary>
    public static readonly Rule StepGone = new(
        "STEP-GONE",
        "Step no longer exists",
        "The loom no longer has step \"{step}\": the plan has changed. Nothing was saved. Reload the loom.",
        "A tick records that a step was done as listed.",
        SourceNote.Own
    );

    /// <summary>Another pad for something that is no wire, or a pad that is not there.</summary>
    public static readonly Rule OtherPad = new(
        "OTHER-PAD",
        "Only a wire can go to another pad",
        "\"{pad}\" is not a pad of this board, or this step has no wire. Choose a wire step and a pad of this board.",
        "Every saved entry must match a place on the board.",
        SourceNote.Own
    );

    /// <summary>A plug that would go in as it came.</summary>
    public static readonly Rule Repin = new(
        "REPIN-FIRST",
        "Re-pin the plug before it goes in",
        "Re-pin the {device} plug before it goes in: {work} Nothing was saved.",
        "As it came, one of its pins would meet a supply or an output in that socket.",
        SourceNote.Practice
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [StepGone, OtherPad, Repin];
}
