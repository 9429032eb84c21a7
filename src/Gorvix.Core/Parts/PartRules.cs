using Gorvix.Core.Findings;

namespace Gorvix.Core.Parts;

/// <summary>What a part may not say about itself. The checks are in <see cref="PartCheck"/>.</summary>
public static class PartRules
{
    /// <summary>A name that nothing carries.</summary>
    public static readonly Rule UnknownName = new(
        "NAME",
        "A part names something that is not there",
        "{place} names {kind} \"{name}\", which does not exist here. {mend}",
        "Parts are graphs: an edge that ends nowhere would make pads look dead or free that are not.",
        SourceNote.Own
    );

    /// <summary>Two things with one id.</summary>
    public static readonly Rule Twin = new(
        "TWIN",
        "Two things with the same id",
        "{place} repeats the id \"{name}\", which {first} already has. Give one of them another id.",
        "Wires, pins and bans point at ids; a repeated id would point at two things.",
        SourceNote.Own
    );

    /// <summary>A pad without a path.</summary>
    public static readonly Rule LostPad = new(
        "PAD-LOST",
        "A pad leads nowhere",
        "Pad \"{label}\" ({place}) is on no net and on no rail. Give each path exactly one of \"net\" and \"rail\", or mark the pad as doubtful.",
        "A pad whose meaning is not certain must be measured before it is used; the file must say what it is.",
        SourceNote.Practice
    );

    /// <summary>Two labels alike on one side.</summary>
    public static readonly Rule LabelTwice = new(
        "LABEL-TWICE",
        "Two pads on one side read the same but are not the same",
        "{place}: the {side} side already has a pad labelled \"{label}\" ({first}) that leads elsewhere. "
            + "Check the leaflet and tell them apart in the label.",
        "The builder finds a pad by side and label. Several pads of one rail may share a label; two signals may not.",
        SourceNote.Practice
    );

    /// <summary>A value outside what can be.</summary>
    public static readonly Rule BadValue = new(
        "VALUE",
        "A value cannot be",
        "{place} {problem}. {mend}",
        "A wrong number in a part would give a wrong answer in every build that uses it.",
        SourceNote.Own
    );

    /// <summary>A mode whose lines do not fit its protocol.</summary>
    public static readonly Rule ModeLines = new(
        "MODE-LINES",
        "A mode does not have the lines of its protocol",
        "{place}: {protocol} needs {needs}, this mode has {has}. {mend}",
        "A link with a missing half loses something; the mode must say what, or have the line.",
        SourceNote.Own
    );

    /// <summary>A port whose nets do not fit its kind.</summary>
    public static readonly Rule PortNets = new(
        "PORT-NETS",
        "A port does not have the nets of its kind",
        "{place}: {problem}. A bus has \"data\" and \"clock\"; every other kind has \"rx\", \"tx\" or both.",
        "The kind says how a device is wired to it; with other nets there is nothing to wire.",
        SourceNote.Own
    )
    {
        Mend = "Add the nets that its kind has, or change its kind.",
    };

    /// <summary>Rails that feed each other.</summary>
    public static readonly Rule RailLoop = new(
        "RAIL-LOOP",
        "Rails feed each other in a ring",
        "{place}: {rails} hang on each other in a ring, so nothing feeds them. Let one of them hang on the battery.",
        "Each rail takes its volts from the one before it; a ring has no first one.",
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
