using Gorvix.Core.Findings;

namespace Gorvix.Core.Routing;

/// <summary>
/// Why a link cannot take a way through the board. Listed in the order in which a walk meets them:
/// the later the rule, the nearer the way came to working.
/// </summary>
public static class RoutingRules
{
    /// <summary>The port is of another kind.</summary>
    public static readonly Rule Kind = new(
        "KIND",
        "Each kind of line has its own kind of port",
        "{protocol} needs {needs}; {port} is {kind}.",
        "Serial lines, pulses, buses and the picture are read by different parts of the controller.",
        SourceNote.Practice
    )
    {
        Mend = "Take a port of the kind that it needs, or a mode that this kind can carry.",
        Brief = "another kind of line",
    };

    /// <summary>The link to the computer.</summary>
    public static readonly Rule Usb = new(
        "USB",
        "The port that carries USB is never touched",
        "{port} carries the link to the computer. Changing it would lock you out of the settings.",
        "Whoever gives its job away can no longer reach the board to take it back.",
        SourceNote.Practice
    )
    {
        Mend = "Take another port; this one stays as it is.",
        Brief = "carries USB",
    };

    /// <summary>The port is used inside the board.</summary>
    public static readonly Rule Held = new(
        "HELD",
        "A port used inside the board is not free",
        "{port} is used inside the board: {holder}.",
        "A part that is soldered to the port inside the board talks on it; a second one would garble both.",
        SourceNote.Practice
    )
    {
        Mend = "Take another port, or a board on which nothing sits there.",
        Brief = "used inside the board",
    };

    /// <summary>The firmware lacks the job.</summary>
    public static readonly Rule Job = new(
        "JOB",
        "The firmware must know the job",
        "{firmware} cannot set a port to {job}.",
        "A port is set to one of the jobs that the firmware offers; an older generation offers fewer.",
        SourceNote.Practice
    )
    {
        Mend = "Take another generation of the board's firmware under Parts, or a mode whose job it knows.",
        Brief = "the firmware lacks the job",
    };

    /// <summary>The address is in use.</summary>
    public static readonly Rule Address = new(
        "ADDRESS",
        "Devices on a bus are told apart by their address",
        "The {device} answers at {address} on {port}, and so does {by} inside the board.",
        "A bus is shared by all who have an address of their own; two at one address answer at once, and neither is understood.",
        SourceNote.Published("UM10204, the I²C-bus specification: 7-bit addresses")
    )
    {
        Mend = "Strap the device to another address, or take another bus.",
        Brief = "its address is in use inside the board",
    };

    /// <summary>The lead is in another harness.</summary>
    public static readonly Rule Harness = new(
        "HARNESS",
        "A wire is there only with the harness that has it",
        "{mode} of the {device} needs a wire that only its harness \"{harness}\" has.",
        "Some devices come with two harnesses, one for pulses and one for serial.",
        SourceNote.Practice
    )
    {
        Mend = "Take that harness under Parts.",
        Brief = "needs another harness of the device",
    };

    /// <summary>A device that forgets must be told.</summary>
    public static readonly Rule Forgets = new(
        "FORGETS",
        "What forgets its set-up must be told it at each start",
        "The {device} forgets its set-up without power, and in {mode} the board never talks to it: it stays as it left the factory.",
        "A module without battery or flash wakes up at its factory rate; the board sets it at each start, over a wire of its own.",
        SourceNote.Practice
    )
    {
        Mend = "Wire both ways, so that the board sets it at each start.",
        Brief = "the device forgets and is never told",
    };

    /// <summary>What rides needs its carrier.</summary>
    public static readonly Rule Rides = new(
        "RIDES",
        "What rides inside a link needs that link",
        "{link} rides inside {carrier}, and nobody wishes for that.",
        "A two-way control link brings telemetry back on its own wires; without the link there is nothing to ride in.",
        SourceNote.Practice
    )
    {
        Mend = "Wish for that link too, or for a link of its own.",
        Brief = "the link in which it rides is not wished for",
    };

    /// <summary>The bay of the radio is too slow.</summary>
    public static readonly Rule Bay = new(
        "BAY",
        "The radio's bay must keep up with the link",
        "The bay of the radio keeps up with {bay} baud, and {protocol} needs at least {least}.",
        "The radio talks to the module in its bay over a line of its own; what that line cannot keep is lost, telemetry first.",
        SourceNote.Practice
    )
    {
        Mend = "Take a module for a faster bay, or lower its line rate where the module can.",
        Brief = "the radio's bay is too slow",
    };

    /// <summary>Software serial is not wanted or not there.</summary>
    public static readonly Rule Soft = new(
        "SOFT",
        "Software serial is off",
        "{port} is serial in code, and {reason}.",
        "Serial in code takes roughly 30 to 40 % of the processor at high loop rates.",
        SourceNote.Practice
    )
    {
        Mend = "Change the house rule \"software serial\" under Parts, or take a serial unit.",
        Brief = "software serial is off",
    };

    /// <summary>Too fast for software serial.</summary>
    public static readonly Rule SoftFast = new(
        "SOFT-FAST",
        "Software serial is slow",
        "{lead} talks at {baud} baud; {port} is serial in code, which keeps up to 57600.",
        "Each bit is timed by the processor between its other work. 19200 and below is better still.",
        SourceNote.Memory
    )
    {
        Mend = "Set the device to 57600 baud or less where it can, or take a serial unit.",
        Brief = "too fast for software serial",
    };

    /// <summary>The divider cannot make the baud.</summary>
    public static readonly Rule Baud = new(
        "BAUD",
        "The clock must make the baud",
        "{port} is fed by {clock} MHz and {makes} for {baud} baud; ±2 % is the most that works.",
        "The controller divides its clock by a whole number; what is left over adds up over the bits of a character.",
        SourceNote.Published(
            "the controllers' reference manuals, fractional baud rate generation and its error tables; application notes on UART clock accuracy"
        )
    )
    {
        Mend = "Set the device to another baud, or take a port with another clock.",
        Brief = "its clock cannot make the baud",
    };

    /// <summary>Frames longer than their period.</summary>
    public static readonly Rule Frame = new(
        "FRAME",
        "A frame must fit its period",
        "On {port}, a frame of {protocol} takes {takes} ms at {baud} baud; {rate} frames a second leave {period} ms for each.",
        "Bytes times bits per byte, divided by the baud: what does not fit is lost, telemetry first.",
        SourceNote.Practice
    )
    {
        Mend = "Lower the frame rate of the device, or raise its baud.",
        Brief = "its frames do not fit",
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
        Mend = "Take a port with an RX pad.",
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
        Mend = "Take a port with a TX pad, or a mode that only talks to the board.",
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
        Mend = "Take a port with a TX pad, or a mode on two wires.",
        Brief = "no TX pad",
    };

    /// <summary>Two wires on one pin.</summary>
    public static readonly Rule OnePin = new(
        "1-PIN",
        "One pin cannot talk and listen at once",
        "{link} talks and listens at the same time, and {port} has one pin.",
        "Both ways at once take two wires. A mode that uses one way only, or both in turn, fits.",
        SourceNote.Practice
    )
    {
        Mend = "Take a port with two pins, or a mode that uses one.",
        Brief = "has one pin only",
    };

    /// <summary>An element passes one way only.</summary>
    public static readonly Rule Way = new(
        "WAY",
        "An inverter or a diode passes one way only",
        "Pad {pad} passes signals only {passage}; {lead} needs {needed}.",
        "An inverter has an input and an output, a diode conducts one way and a divider loses the level backwards.",
        SourceNote.Practice
    )
    {
        Mend = "Take a pad without that part, or a mode that goes the other way only.",
        Brief = "it passes the other way only",
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
        Mend = "Let the device turn its output over, or take a pad with the right number of inverters.",
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
        Mend = "Take a pin that stands it, a pad behind a divider, or a level shifter on the lead.",
        Brief = "stands less than the device drives",
    };

    /// <summary>Too low a level for the pin.</summary>
    public static readonly Rule Faint = new(
        "FAINT",
        "A high level must be high enough",
        "{from} brings {level} V to {to}; below {least} V is not surely high.",
        "What dividers and diodes take is missing at the other end, whichever side talks.",
        SourceNote.Published("JESD8C, 3.3 V LVTTL and LVCMOS: a high input is 2.0 V or more")
    )
    {
        Mend = "Take a pad without that divider or diode, or a level shifter on the lead.",
        Brief = "too low a level",
    };

    /// <summary>A pad that is joined to a rail.</summary>
    public static readonly Rule OnRail = new(
        "ON-RAIL",
        "A pad on a rail carries no signal",
        "Pad {pad} is joined to {rail} as well; {lead} would be held there.",
        "A rail holds the line at its own volts: nothing is heard, and an output that works against it burns.",
        SourceNote.Practice
    )
    {
        Mend = "Open the bridge to the rail, or take another pad.",
        Brief = "joined to a rail",
    };

    /// <summary>A pin that would drop the device into its loader.</summary>
    public static readonly Rule Boot = new(
        "BOOT",
        "Some receivers wake up in their loader",
        "{half} {behaves} while the board starts, and {lead} must see a high line then, or the device stays in its loader.",
        "A receiver that finds its RX low at power-up waits for new firmware: solid light with the radio off. "
            + "Cures: another port, or a pull-up resistor (house rule \"boot trap\").",
        SourceNote.Practice
    )
    {
        Mend = "Take another port, or set the house rule \"boot trap\" to a pull-up resistor.",
        Brief = "drops the device into its loader",
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
        Mend = "Take two pads that need the bridge in one position.",
        Brief = "would need one bridge in two positions",
    };

    /// <summary>No seat of the plug allows it.</summary>
    public static readonly Rule Seat = new(
        "SEAT",
        "A lead reaches a pad only as its plug allows",
        "{lead} of the {device} cannot reach {pad} in any seat of its plug that you allow.",
        "A plug sits in one socket or in none; a lead that stays in its cavity meets what is there, and nothing else.",
        SourceNote.Own
    )
    {
        Mend = "Lift the pin or ban that holds the plug or the lead, or take another pad.",
        Brief = "no seat of the plug allows it",
    };

    /// <summary>The device has no supply.</summary>
    public static readonly Rule Unfed = new(
        "UNFED",
        "A device has no supply",
        "No pad can feed the {device}.{because}",
        "Every supply pad was tried in every position of its selector, together with everything else that hangs on that selector.",
        SourceNote.Own
    )
    {
        Mend = "Lift what holds the pad, take a part with another window, or feed it from a regulator of its own.",
        Brief = "its device has no supply",
    };

    /// <summary>The rules from the first that a walk can meet to the last.</summary>
    public static readonly IReadOnlyList<Rule> All =
    [
        Kind,
        Usb,
        Held,
        Job,
        Rides,
        Bay,
        Address,
        Harness,
        Forgets,
        Soft,
        SoftFast,
        Baud,
        Frame,
        NoRx,
        NoTx,
        OneWire,
        OnePin,
        Way,
        Parity,
        OnRail,
        Level,
        Faint,
        Boot,
        Bridge,
        Seat,
        Unfed,
    ];

    /// <summary>How far a walk came before this rule stopped it; a higher number is nearer to working.</summary>
    public static int StageOf(string ruleId) => Stages[ruleId];

    // Where not every way was tried, one may work: nothing is nearer than that.
    private static readonly Dictionary<string, int> Stages = All.Append(LimitRules.TooMany)
        .Index()
        .ToDictionary(r => r.Item.Id, r => r.Index);
}
