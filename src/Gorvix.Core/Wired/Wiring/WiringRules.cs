using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>What there is to say about the joints of a build.</summary>
public static class WiringRules
{
    /// <summary>A socket that a plug must not go into.</summary>
    public static readonly Rule KeepOut = new(
        "KEEP-OUT",
        "Plug fits the wrong socket",
        "Do not plug {device} into {plug}, although it fits: its {lead} would {what} {pad}.",
        "Plugs of one family mate whatever their pinout; battery voltage on a data pin destroys both sides instantly, and two outputs on one wire fight.",
        SourceNote.Practice
    );

    /// <summary>A device whose part file names no ground.</summary>
    public static readonly Rule NoGroundLead = new(
        "NO-GROUND",
        "A device needs a ground",
        "The part file of the {device} lists no ground lead. Nothing works without one: find it on the device and wire it to GND.",
        "Every level is a voltage relative to ground; a device with signal wires but no ground misbehaves or is destroyed.",
        SourceNote.Practice
    );

    /// <summary>No pad for a ground.</summary>
    public static readonly Rule NoGroundPad = new(
        "NO-GND-PAD",
        "No free ground pad",
        "The {device} has no ground: no ground pad is free on the {board}. {how}",
        "Current that returns through a signal shifts every level on the link and may destroy the pin.",
        SourceNote.Practice
    )
    {
        Mend = "Splice its ground to another device's ground lead before applying any power.",
    };

    /// <summary>A plug larger than the socket of its family.</summary>
    public static readonly Rule PlugSize = new(
        "PLUG-SIZE",
        "Plug has more pins than its socket",
        "The {device} plug has {pins} pins, {plug} has {has}, yet both are listed as \"{family}\". One part file is wrong; the plug is treated as not fitting.",
        "All plugs of one family have the same number of pins.",
        SourceNote.Own
    )
    {
        Mend = "Measure the plug and the socket, and correct the wrong part file.",
    };

    /// <summary>A lead that is in no cavity.</summary>
    public static readonly Rule Flying = new(
        "FLYING",
        "Lead outside the plug",
        "{lead} of the {device} is not in its plug: solder it separately, even when the plug is used.",
        "Some modules have a lead or two outside the plug.",
        SourceNote.Practice
    )
    {
        Mend = "Solder it to the pad in the plan after the plug is in.",
    };

    /// <summary>Two sockets of one family.</summary>
    public static readonly Rule TwoSockets = new(
        "TWO-SOCKETS",
        "Identical sockets are easily mixed up",
        "{one} and {two} fit the same plugs but have different pinouts: mark which is which before plugging anything in.",
        "It is easy to use the nearest socket that fits; only one of them is right.",
        SourceNote.Practice
    );

    /// <summary>Several wires on one pad.</summary>
    public static readonly Rule Joined = new(
        "JOINED",
        "Several wires on one pad",
        "{wires} share {pad}: join them to one wire first, then solder that wire.",
        "Devices that transmit only when polled can share a wire; a pad holds one good joint, not four.",
        SourceNote.Practice
    );

    /// <summary>Something is soldered or plugged in where the plan does not want it.</summary>
    public static readonly Rule Soldered = new(
        "SOLDERED",
        "Soldered but not in the plan",
        "{built}, but not in the plan. Remove it, or pin it there; Loom gives the order.",
        "A wire left on a pad keeps driving it, whatever the settings say.",
        SourceNote.Practice
    );

    /// <summary>Two drivers on one wire.</summary>
    public static readonly Rule Fight = new(
        "TWO-TALKERS",
        "Two transmitters on one wire",
        "{lead} of the {device} {does} on {pad}, where {other} is connected: the two fight.",
        "One receiver survives it, another shows a link without stick movement; a pin can be damaged.",
        SourceNote.Practice
    )
    {
        Mend = "De-pin or unsolder the lead that nothing uses, and insulate it.",
    };

    /// <summary>Something that is soldered or plugged in would be destroyed, or destroy something.</summary>
    public static readonly Rule Destroys = new(
        "BUILT-HARM",
        "As built, power destroys something",
        "{built}: {harm}.",
        "What is on the aircraft is powered as it is, whatever the plan says.",
        SourceNote.Practice
    )
    {
        Mend = "No battery, no USB until it is removed; then check the device before using it again.",
    };

    /// <summary>Something is built whose part is gone.</summary>
    public static readonly Rule Orphan = new(
        "BUILT-GONE",
        "Built, but its part is gone",
        "{built}, but {why}. Remove it; if it is already gone, tick it off in Loom.",
        "The as-built record does not match the parts: one of the two is out of date.",
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
        Destroys,
        Fight,
        Orphan,
    ];
}
