using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What a way that works must be warned of.</summary>
public static class HazardRules
{
    /// <summary>The port also serves USB.</summary>
    public static readonly Rule UsbShared = new(
        "USB-SHARED",
        "Port shared with USB",
        "{port} is shared with USB: unplug {device} or keep it unpowered while the computer is connected, or both garble.",
        "On boards with two UARTs, one carries USB through a USB-serial chip on the same wires.",
        SourceNote.Practice
    );

    /// <summary>A label that is not certain.</summary>
    public static readonly Rule Measure = new(
        "MEASURE",
        "Measure an uncertain pad first",
        "The label of pad {pad} is not certain. Measure it before soldering {lead} to it.",
        "B+ can be battery or buzzer; silkscreen can be mirrored or under a part. A misread pad destroys whatever is connected to it.",
        SourceNote.Practice
    );

    /// <summary>A level that is hardly enough.</summary>
    public static readonly Rule Margin = new(
        "MARGIN",
        "3.3 V into 5 V logic is marginal",
        "{half} drives 3.3 V, but {lead} needs {needs} V for a high level. It may work on the bench and fail in the cold.",
        "A 5 V CMOS input needs 0.7 × its supply for a high level: 3.5 V.",
        SourceNote.Published("datasheets of 5 V CMOS logic: high input 0.7 × supply; JESD8C for 3.3 V outputs")
    )
    {
        Mend = "Fit a level shifter in the lead, or use a 3.3 V device.",
    };

    /// <summary>Plugs alike with other pins.</summary>
    public static readonly Rule Plug = new(
        "PLUG",
        "Same plug, different pinout",
        "Re-pin before plugging {device} into {plug}: its {lead} would reach {pad}. Match signals, never positions.",
        "Plugs of one family mate whatever their pinout; battery voltage on a data pin destroys both sides instantly.",
        SourceNote.Practice
    );

    /// <summary>A lead nobody asked for.</summary>
    public static readonly Rule Driver = new(
        "DRIVER",
        "A lead left in its plug still transmits",
        "{lead} of {device} stays in {plug} and {transmits} on {pad}: nothing else may use that net.",
        "Two outputs on one wire fight. A receiver soldered there binds, but the sticks respond intermittently or never.",
        SourceNote.Practice
    )
    {
        Mend = "To free the net, set the house rule \"unused leads\" to De-pin, or pin this lead as de-pinned.",
    };

    /// <summary>Nobody has said what a pin or a lead stands for.</summary>
    public static readonly Rule ReadsUnknown = new(
        "READS-UNKNOWN",
        "What an analogue pin reads is not given",
        "Not judged: {unknown} does not say what it {does}. Check that both are for the same reading before soldering {lead} to {port}.",
        "A pin scaled for current does not read battery voltage, and the other way round.",
        SourceNote.Practice
    )
    {
        Mend = "Say in the part whether it reads current, battery voltage or RSSI.",
    };

    /// <summary>All rules of this list.</summary>
    public static readonly IReadOnlyList<Rule> All = [UsbShared, Measure, Margin, Plug, Driver, ReadsUnknown];
}
