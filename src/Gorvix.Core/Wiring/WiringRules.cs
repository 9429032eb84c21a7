using Gorvix.Core.Findings;

namespace Gorvix.Core.Wiring;

/// <summary>What there is to say about the joints of a build.</summary>
public static class WiringRules
{
    /// <summary>A socket that a plug must not go into.</summary>
    public static readonly Rule KeepOut = new(
        "KEEP-OUT",
        "A plug stays out of a socket that fits it",
        "Keep the plug of {device} out of {plug}, although it fits: its {lead} would {what} {pad}.",
        "Plugs of one family fit each other whatever they carry; battery on a data pin kills both sides at once, and two outputs on one wire fight.",
        SourceNote.Practice
    );

    /// <summary>A device whose part file names no ground.</summary>
    public static readonly Rule NoGroundLead = new(
        "NO-GROUND",
        "A device needs a ground",
        "The part file of the {device} names no ground lead. Nothing works without one: find it on the device and wire it to GND.",
        "Every level is a voltage against ground; a device that hangs on its signal wires alone misbehaves or burns.",
        SourceNote.Practice
    );

    /// <summary>No pad for a ground.</summary>
    public static readonly Rule NoGroundPad = new(
        "NO-GND-PAD",
        "A ground needs a pad",
        "The {device} finds no free ground on the {board}: join its ground to the ground lead of another device.",
        "Ground is common, so any ground does electrically; the nearest is quieter.",
        SourceNote.Practice
    );

    /// <summary>A plug larger than the socket of its family.</summary>
    public static readonly Rule PlugSize = new(
        "PLUG-SIZE",
        "A plug has no more pins than its socket",
        "The plug of the {device} has {pins} pins and {plug} has {has}, although both are called \"{family}\". One of the two part files is wrong; the plug is treated as not fitting.",
        "Plugs of one family have one number of pins.",
        SourceNote.Own
    )
    {
        Mend = "Measure the plug and the socket, and correct the part file that is wrong.",
    };

    /// <summary>A lead that is in no cavity.</summary>
    public static readonly Rule Flying = new(
        "FLYING",
        "A lead beside the plug is soldered by itself",
        "{lead} of the {device} is in no pin of its plug: it is soldered by itself, even where the plug is seated.",
        "Some modules bring a lead or two beside the plug.",
        SourceNote.Practice
    )
    {
        Mend = "Solder it to the pad that the plan names, after the plug is in.",
    };

    /// <summary>Two sockets of one family.</summary>
    public static readonly Rule TwoSockets = new(
        "TWO-SOCKETS",
        "Two sockets alike are mixed up easily",
        "{one} and {two} take the same plugs and carry other pins: mark which is which before you plug anything in.",
        "The hand finds the nearest socket that fits; the plan means one of them.",
        SourceNote.Practice
    );

    /// <summary>Several wires on one pad.</summary>
    public static readonly Rule Joined = new(
        "JOINED",
        "Wires that answer in turn share one pad",
        "{wires} go to {pad} together: join them to one wire first, and solder that one.",
        "What talks only when it is asked can share its wire; a pad carries one good joint, not four.",
        SourceNote.Practice
    );

    /// <summary>Something is soldered or plugged in where the plan does not want it.</summary>
    public static readonly Rule Soldered = new(
        "SOLDERED",
        "What is soldered and not planned comes off",
        "{built}, and the plan does not want it there. Take it off, or pin it there; the Loom says in which order.",
        "A wire that is left on a pad goes on driving it, whatever the settings say.",
        SourceNote.Practice
    );

    /// <summary>Something is built whose part is gone.</summary>
    public static readonly Rule Orphan = new(
        "BUILT-GONE",
        "What is built must have its part",
        "{built}, but {why}. Take it off; where nothing is there any more, tick it off in the Loom.",
        "The record of the aircraft says more than its parts: one of the two is out of date.",
        SourceNote.Own
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All =
    [
        KeepOut,
        NoGroundLead,
        NoGroundPad,
        PlugSize,
        Flying,
        TwoSockets,
        Joined,
        Soldered,
        Orphan,
    ];
}
