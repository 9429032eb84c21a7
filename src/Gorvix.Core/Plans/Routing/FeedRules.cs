using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What feeds a board's supply input.</summary>
public enum InputFrom
{
    /// <summary>A battery, whose volts fall.</summary>
    Battery,

    /// <summary>A supply of fixed volts: a regulator before the board, or the bench.</summary>
    Fixed,
}

/// <summary>What must suit and what must be known before any supply is judged: the battery, the board's input, the devices' ranges.</summary>
public static class FeedRules
{
    /// <summary>The board's own input does not accept what it gets.</summary>
    public static readonly Rule BoardInput = new(
        "INPUT",
        "Board supply out of range",
        "{board} needs {min}–{max} V but gets {volts} V ({situation}). {mend}",
        "A board without a regulator is 5 V only; battery voltage destroys it instantly.",
        SourceNote.Practice
    );

    /// <summary>No pack chosen.</summary>
    public static readonly Rule NoPack = new(
        "NO-PACK",
        "Supply check needs a battery",
        "No battery chosen yet: supplies are not checked. Choose the cell count under Parts.",
        "A 4S pack is 16.8 V full and 13.2 V empty: pad voltages depend on it.",
        SourceNote.Own
    );

    /// <summary>A supply lead of which no manual tells the volts.</summary>
    public static readonly Rule NotJudged = new(
        "SUPPLY-UNKNOWN",
        "Supply range unknown",
        "Not checked: {lead} of the {device} has no voltage range.",
        "Without a range nothing can say which pad powers it and which destroys it.",
        SourceNote.Own
    )
    {
        Mend = "Enter minimum and maximum from the device's manual under Library; until then do not connect it.",
    };

    /// <summary>A board of which no manual tells the volts of its input.</summary>
    public static readonly Rule InputNotJudged = new(
        "INPUT-UNKNOWN",
        "Board input range unknown",
        "Not checked: the {board} has no supply input range; {high} V would reach it.",
        "Some boards accept 5 V only, and battery voltage destroys them at once.",
        SourceNote.Practice
    )
    {
        Mend = "Enter minimum and maximum from the board's manual under Library before connecting the battery.",
    };

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [BoardInput, NoPack, NotJudged, InputNotJudged];

    /// <summary>A stop for a board whose input does not accept what it gets.</summary>
    /// <param name="board">Its name.</param>
    /// <param name="input">What it accepts.</param>
    /// <param name="volts">What it gets, in volts.</param>
    /// <param name="situation">When: "full battery".</param>
    /// <param name="from">What feeds it.</param>
    public static Finding Input(string board, VoltWindow input, double volts, string situation, InputFrom from) =>
        BoardInput.Found(
            Severity.Stop,
            Subject.Build,
            ("board", board),
            ("min", $"{input.Min:0.0#}"),
            ("max", $"{input.Max:0.0#}"),
            ("volts", $"{volts:0.0#}"),
            ("situation", situation),
            (
                "mend",
                from == InputFrom.Fixed ? "Set that supply to a voltage in this range."
                : input.IsOver(volts)
                    ? "Power it from a separate regulator and enter that voltage under Parts, \"board supply\"."
                : "Choose a battery with more cells."
            )
        );
}
