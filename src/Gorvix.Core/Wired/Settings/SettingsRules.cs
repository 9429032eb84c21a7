using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Wired.Settings;

/// <summary>What is wrong or doubtful about settings.</summary>
public static class SettingsRules
{
    /// <summary>The place of flying is not told.</summary>
    public static readonly Rule NoPlace = new(
        "NO-PLACE",
        "Declination not set",
        "Flying location for {device} is not set: declination is unknown, so the heading is uncorrected. Enter the location.",
        "Magnetic north is not true north; the difference depends on the place and the year.",
        SourceNote.Published("the World Magnetic Model 2025")
    );

    /// <summary>What was set is not what the plan wants any more.</summary>
    public static readonly Rule Changed = new(
        "SET-OTHERWISE",
        "Setting differs from plan",
        "{place} is \"{was}\" on the aircraft and must now be \"{wanted}\". Check it on the aircraft, change it, and tick it here.",
        "A changed plan leaves the old setting behind.",
        SourceNote.Own
    );

    /// <summary>Return-to-home without a position.</summary>
    public static readonly Rule NoPosition = new(
        "HOME-NO-GPS",
        "Return-to-home needs GPS",
        "The house rule asks for return-to-home, but no GPS is connected: failsafe is set to motors off.",
        "Without a position the aircraft cannot know where home is; it would fly on or fall.",
        SourceNote.Practice
    )
    {
        Mend = "Connect a GNSS module, or choose \"motors off\" under Parts, House rules.",
    };

    /// <summary>A channel for the strength that the radio does not send.</summary>
    public static readonly Rule Channel = new(
        "STRENGTH-CHANNEL",
        "RSSI channel not sent",
        "{place}: RSSI is set to channel {channel}, but the radio sends {channels} channels. Use a channel that is sent, or 9, which also arrives in 8-channel mode.",
        "Channel 9 still arrives when the radio sends 8 channels.",
        SourceNote.Practice
    );

    /// <summary>A set-up that the module forgets.</summary>
    public static readonly Rule Forgets = new(
        "GNSS-FORGETS",
        "Module without memory",
        "{device} loses settings without power, but the board is not set to configure it. Let the board configure it at each start.",
        "Without battery or flash it starts each time with factory settings.",
        SourceNote.Practice
    );

    /// <summary>The module's line is too full.</summary>
    public static readonly Rule Budget = new(
        "GNSS-LINE",
        "GNSS messages overload UART",
        "{device} at {hertz} Hz fills {load} of {port} at {baud}. {mend}",
        "Messages that do not fit are lost whole.",
        SourceNote.Published("the GNSS receiver maker's interface description, message lengths; 10 bits per byte")
    );

    /// <summary>A tick for a setting that the sheet has no more.</summary>
    public static readonly Rule Gone = new(
        "SETTING-GONE",
        "Setting no longer exists",
        "{place} is not a setting of this build, or no longer one: the plan has changed. Nothing was saved. Reload the sheet.",
        "A tick records that a setting was set as listed.",
        SourceNote.Own
    );

    /// <summary>All rules of this floor.</summary>
    public static readonly IReadOnlyList<Rule> All = [Gone, NoPlace, Changed, NoPosition, Channel, Forgets, Budget];
}
