using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>What a part may not say about itself. The checks are in <see cref="PartCheck"/>.</summary>
public static class PartRules
{
    /// <summary>A name that nothing carries.</summary>
    public static readonly Rule UnknownName = new(
        "NAME",
        "Unknown name in a part",
        "{place} names {kind} \"{name}\", which does not exist here. {mend}",
        "A connection that ends nowhere would make pads look dead or free when they are not.",
        SourceNote.Own
    );

    /// <summary>Two things with one id.</summary>
    public static readonly Rule Twin = new(
        "TWIN",
        "Duplicate id",
        "{place} repeats the id \"{name}\", already used by {first}. Change one of them.",
        "Wires, pins and blocks refer to ids; a repeated id is ambiguous.",
        SourceNote.Own
    );

    /// <summary>A pad without a path.</summary>
    public static readonly Rule LostPad = new(
        "PAD-LOST",
        "Pad not connected",
        "Pad \"{label}\" ({place}) has {what}. Give each path exactly one of \"net\" and \"rail\", or mark the pad as uncertain.",
        "A pad of uncertain function must be measured before use; the file must say what it is.",
        SourceNote.Practice
    );

    /// <summary>Two labels alike on one side.</summary>
    public static readonly Rule LabelTwice = new(
        "LABEL-TWICE",
        "Same label on two different pads",
        "{place}: the {side} side already has a pad labelled \"{label}\" ({first}) with another connection. "
            + "Check the manual and give them different labels.",
        "Pads are found by side and label. Pads of one rail may share a label; two signals may not.",
        SourceNote.Practice
    );

    /// <summary>A value outside what can be.</summary>
    public static readonly Rule BadValue = new(
        "VALUE",
        "Invalid value",
        "{place} {problem}. {mend}",
        "A wrong value in a part causes wrong results in every build that uses it.",
        SourceNote.Own
    );

    /// <summary>A mode whose lines do not fit its protocol.</summary>
    public static readonly Rule ModeLines = new(
        "MODE-LINES",
        "Mode lines do not match the protocol",
        "{place}: {protocol} needs {needs}, but this mode has {has}. {mend}",
        "A link without RX or TX loses a function; the mode must list it, or have the line.",
        SourceNote.Own
    );

    /// <summary>A port whose nets do not fit its kind.</summary>
    public static readonly Rule PortNets = new(
        "PORT-NETS",
        "Port nets do not match the port kind",
        "{place}: {problem}. A bus has \"data\" and \"clock\"; every other kind has \"rx\", \"tx\" or both.",
        "The kind sets how a device is wired to the port; without matching nets there is nothing to wire.",
        SourceNote.Own
    )
    {
        Mend = "Add the nets its kind needs, or change its kind.",
    };

    /// <summary>Rails that feed each other.</summary>
    public static readonly Rule RailLoop = new(
        "RAIL-LOOP",
        "Rails powered in a loop",
        "{place}: {rails} are powered from each other in a loop, with no source. Power one of them from the battery.",
        "Each rail is powered from the one before it; a loop has no source.",
        SourceNote.Own
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All =
    [
        UnknownName,
        Twin,
        LostPad,
        LabelTwice,
        BadValue,
        ModeLines,
        PortNets,
        RailLoop,
    ];
}
