using Gorvix.Core.Findings;

namespace Gorvix.Core.Routing;

/// <summary>
/// Why a link cannot take a way through the board. Listed in the order in which a walk meets them:
/// the later the rule, the nearer the way came to working.
/// </summary>
public static class RoutingRules
{
    /// <summary>The port is used inside the board.</summary>
    public static readonly Rule Held = new(
        "HELD",
        "A port used inside the board is not free",
        "{port} is used inside the board: {holder}.",
        "A part that is soldered to the port inside the board talks on it; a second one would garble both.",
        SourceNote.Practice
    )
    {
        Brief = "used inside the board",
    };

    /// <summary>A device that talks needs an RX.</summary>
    public static readonly Rule NoRx = new(
        "NO-RX",
        "What talks needs an RX pad",
        "{lead} talks, so it needs an RX, and no pad leads to {port} RX.",
        "Serial links cross: the device's TX goes to the board's RX.",
        SourceNote.Practice
    )
    {
        Brief = "no RX pad",
    };

    /// <summary>A device that listens needs a TX.</summary>
    public static readonly Rule NoTx = new(
        "NO-TX",
        "What listens needs a TX pad",
        "{lead} listens, so it needs a TX, and no pad leads to {port} TX.",
        "Serial links cross: the device's RX goes to the board's TX.",
        SourceNote.Practice
    )
    {
        Brief = "no TX pad",
    };

    /// <summary>One-wire links go on TX.</summary>
    public static readonly Rule OneWire = new(
        "1-WIRE",
        "A one-wire link goes on a TX pad",
        "{lead} talks and listens on one wire, which the controller does on its TX, and no pad leads to {port} TX.",
        "The controller's single-wire mode joins receiver and transmitter on the TX pin.",
        SourceNote.Published(
            "the controllers' reference manuals, USART_CR3.HDSEL: in half-duplex, TX and RX are joined on the TX pin"
        )
    )
    {
        Brief = "no TX pad",
    };

    /// <summary>An element passes one way only.</summary>
    public static readonly Rule Way = new(
        "WAY",
        "An inverter passes one way only",
        "Pad {pad} passes signals only {passage}; {lead} needs {needed}.",
        "An inverter has an input and an output. A signal that comes in at its output meets a driven line.",
        SourceNote.Practice
    )
    {
        Brief = "its inverter passes the other way",
    };

    /// <summary>The parity of the path is wrong.</summary>
    public static readonly Rule Parity = new(
        "POL",
        "The line must idle high where the controller reads it",
        "{lead} would idle low at {half}: {controller} and pad {pad} has {inverters}.",
        "Device output, inverters on the way and the controller's own inversion must come out normal together; "
            + "two inversions cancel.",
        SourceNote.Published("any UART reference: a line idles high and a start bit pulls it low")
    )
    {
        Brief = "wrong polarity",
    };

    /// <summary>Too high a level for the pin.</summary>
    public static readonly Rule Level = new(
        "LEVEL",
        "A pin stands only so many volts",
        "{lead} drives {drive} V into {half}, which stands {limit} V.",
        "A 5 V output kills a pin that is made for 3.3 V, at once or after a while.",
        SourceNote.Published("the controllers' data sheets, absolute maximum ratings; 3.3 V levels: JESD8C")
    )
    {
        Brief = "stands less than the device drives",
    };

    /// <summary>Two leads of one link want one bridge in two positions.</summary>
    public static readonly Rule Bridge = new(
        "BRIDGE",
        "A bridge stands in one position",
        "{first} needs bridge {bridge} at \"{one}\" and {second} needs it at \"{two}\".",
        "A solder bridge closed on both sides shorts them.",
        SourceNote.Practice
    )
    {
        Brief = "would need one bridge in two positions",
    };

    /// <summary>The rules from the first that a walk can meet to the last.</summary>
    public static readonly IReadOnlyList<Rule> All = [Held, NoRx, NoTx, OneWire, Way, Parity, Level, Bridge];

    /// <summary>How far a walk came before this rule stopped it; a higher number is nearer to working.</summary>
    public static int StageOf(string ruleId) => All.Select(r => r.Id).ToList().IndexOf(ruleId);
}
