using Gorvix.Core.Findings;

namespace Gorvix.Core.Routing;

/// <summary>What a way that works must be warned of.</summary>
public static class HazardRules
{
    /// <summary>The port also serves USB.</summary>
    public static readonly Rule UsbShared = new(
        "USB-SHARED",
        "A port shared with USB has one talker at a time",
        "{port} also serves the USB socket: unplug {device} or leave it without power while the computer is connected, or both garble.",
        "On boards with two serial units one of them carries USB through a bridge chip on the same wires.",
        SourceNote.Practice
    );

    /// <summary>A label that is not certain.</summary>
    public static readonly Rule Measure = new(
        "MEASURE",
        "A doubtful pad is measured before it is used",
        "The label of pad {pad} is not certain. Measure it before you solder {lead} to it.",
        "B+ can be battery or buzzer, and print can be mirrored or under a part. A pad that is not what it seems burns what hangs on it.",
        SourceNote.Practice
    );

    /// <summary>A level that is hardly enough.</summary>
    public static readonly Rule Margin = new(
        "MARGIN",
        "3.3 V into 5 V logic is marginal",
        "{half} drives 3.3 V, and {lead} wants {needs} V for a high level. It may work on the bench and fail in the cold.",
        "A 5 V CMOS input takes 0.7 times its supply for high, which is 3.5 V.",
        SourceNote.Published("data sheets of 5 V CMOS logic: high input 0.7 × supply; JESD8C for 3.3 V outputs")
    )
    {
        Mend = "Put a level shifter into the lead, or take a device for 3.3 V.",
    };

    /// <summary>Plugs alike with other pins.</summary>
    public static readonly Rule Plug = new(
        "PLUG",
        "Plugs that look alike may carry other pins",
        "Do not plug {device} into {plug} as it comes: its {lead} would sit on {pad}. Move the pins first, by function and never by place.",
        "Plugs of one family fit each other whatever they carry; battery on a data pin kills both sides at once.",
        SourceNote.Practice
    );

    /// <summary>A lead nobody asked for.</summary>
    public static readonly Rule Driver = new(
        "DRIVER",
        "A lead left in its plug still talks",
        "{lead} of {device} stays in {plug} and talks on {pad}: nothing else may use that net.",
        "Two outputs on one wire fight. A receiver soldered there is bound and yet the sticks move now and then or never.",
        SourceNote.Practice
    )
    {
        Mend = "Set the house rule \"unused leads\" to lifting, or pin that lead out of its plug, and the net is free.",
    };

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [UsbShared, Measure, Margin, Plug, Driver];
}
