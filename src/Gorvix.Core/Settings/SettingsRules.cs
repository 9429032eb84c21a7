using Gorvix.Core.Findings;

namespace Gorvix.Core.Settings;

/// <summary>What is wrong or doubtful about settings.</summary>
public static class SettingsRules
{
    /// <summary>The place of flying is not told.</summary>
    public static readonly Rule NoPlace = new(
        "NO-PLACE",
        "A compass needs the declination",
        "Nobody has said where the aircraft of the {device} flies, so the declination is not known and its heading is off by it. Give the place.",
        "Magnetic north is not true north; how far apart they are depends on the place and the year.",
        SourceNote.Published("the World Magnetic Model 2025")
    );

    /// <summary>What was set is not what the plan wants any more.</summary>
    public static readonly Rule Changed = new(
        "SET-OTHERWISE",
        "What is set must be what is wanted",
        "{place} stands at \"{was}\" on the aircraft and must be \"{wanted}\" now. Check it on the aircraft, change it, and tick it here.",
        "A plan that changed leaves the old setting behind.",
        SourceNote.Own
    );

    /// <summary>A channel for the strength that the radio does not send.</summary>
    public static readonly Rule Channel = new(
        "STRENGTH-CHANNEL",
        "The strength needs a channel that is there",
        "{place}: channel {channel} is to carry the signal's strength, but the radio sends {channels}. Take a channel that is sent, or 9, which comes in the mode of 8 channels as well.",
        "The ninth channel still arrives where the radio sends eight.",
        SourceNote.Practice
    );

    /// <summary>A set-up that the module forgets.</summary>
    public static readonly Rule Forgets = new(
        "GNSS-FORGETS",
        "A module without memory is set up at each start",
        "The {device} forgets what it was set to, but the board is not to tell it. Let the board set it up at each start.",
        "Without battery or flash it starts each time as it left the factory.",
        SourceNote.Practice
    );

    /// <summary>The module's line is too full.</summary>
    public static readonly Rule Budget = new(
        "GNSS-LINE",
        "A module's words must fit its line",
        "{hertz} solutions a second of the {device} fill {load} of {port} at {baud} baud. {mend}",
        "What does not fit is lost, whole messages at a time.",
        SourceNote.Published("the GNSS receiver maker's interface description, message lengths; 10 bits a byte")
    );

    /// <summary>A tick for a setting that the sheet has no more.</summary>
    public static readonly Rule Gone = new(
        "SETTING-GONE",
        "A tick needs its setting",
        "{place} is no setting of this build, or not any more: the plan has changed since. Nothing was noted. Look at the sheet again.",
        "A tick says that something is set as the sheet says it.",
        SourceNote.Own
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Gone, NoPlace, Changed, Channel, Forgets, Budget];
}
