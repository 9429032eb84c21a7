using Gorvix.Core.Findings;

namespace Gorvix.Core.Loom;

/// <summary>What stands against a tick.</summary>
public static class LoomRules
{
    /// <summary>A step that the loom has no more.</summary>
    public static readonly Rule StepGone = new(
        "STEP-GONE",
        "A tick needs its step",
        "The loom has no step \"{step}\" any more: the plan has changed since. Nothing was noted. Look at the loom again.",
        "A tick says that something is done as the loom says it.",
        SourceNote.Own
    );

    /// <summary>Another pad for something that is no wire, or a pad that is not there.</summary>
    public static readonly Rule OtherPad = new(
        "OTHER-PAD",
        "Only a wire can be on another pad",
        "\"{pad}\" is no pad of this board, or the step is none with a wire. Choose a wire's step and one of the board's pads.",
        "What is noted must be found again on the board.",
        SourceNote.Own
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [StepGone, OtherPad];
}
