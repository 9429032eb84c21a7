using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Plans.Routing;

/// <summary>
/// Why a link cannot take a way through the board. Listed in the order in which a walk meets them:
/// the later the rule, the nearer the way came to working.
/// </summary>
public static class RoutingRules
{
    /// <summary>The port is of another kind.</summary>
    public static readonly Rule Kind = new(
        "KIND",
        "Wrong kind of port",
        "{protocol} needs {needs}; {port} is {kind}.",
        "Serial, PPM/PWM, buses and video use different hardware on the board.",
        SourceNote.Practice
    )
    {
        Mend = "Use the right kind of port, or a mode that suits this one.",
        Brief = "wrong kind of port",
    };

    /// <summary>The link to the computer.</summary>
    public static readonly Rule Usb = new(
        "USB",
        "Never change the USB port",
        "{port} is the USB connection to the computer. Changing it would lock you out of the settings.",
        "Once its function is changed, you can no longer connect to change it back.",
        SourceNote.Practice
    )
    {
        Mend = "Use another port; leave this one unchanged.",
        Brief = "USB port",
    };

    /// <summary>The port is used inside the board.</summary>
    public static readonly Rule Held = new(
        "HELD",
        "Port in use on the board",
        "{port} is in use on the board: {holder}.",
        "An on-board part transmits on this port; a second device would garble both.",
        SourceNote.Practice
    )
    {
        Mend = "Use another port, or a board where this one is free.",
        Brief = "in use on the board",
    };

    /// <summary>The firmware lacks the job.</summary>
    public static readonly Rule Job = new(
        "FUNCTION",
        "Function not supported by the firmware",
        "{firmware} cannot set a port to {job}.",
        "A port can only have a function the firmware offers; older generations offer fewer.",
        SourceNote.Practice
    )
    {
        Mend = "Choose another generation of the board's firmware under Parts, or a mode it supports.",
        Brief = "not supported by the firmware",
    };

    /// <summary>The address is in use.</summary>
    public static readonly Rule Address = new(
        "ADDRESS",
        "I²C address conflict",
        "The {device} and {by} on the board both use address {address} on {port}.",
        "Bus devices need different addresses; two at one address answer at once and neither can be read.",
        SourceNote.Published("UM10204, the I²C-bus specification: 7-bit addresses")
    )
    {
        Mend = "Strap the device to another address, or use another bus.",
        Brief = "address in use on the board",
    };

    /// <summary>The lead is in another harness.</summary>
    public static readonly Rule Harness = new(
        "HARNESS",
        "Wrong harness for this mode",
        "{mode} on the {device} needs a wire that only its \"{harness}\" harness has.",
        "Some devices come with two harnesses, one for PPM/PWM and one for serial.",
        SourceNote.Practice
    )
    {
        Mend = "Choose that harness under Parts.",
        Brief = "needs another harness",
    };

    /// <summary>A device that forgets must be told.</summary>
    public static readonly Rule Forgets = new(
        "FORGETS",
        "Device that loses settings needs board TX",
        "The {device} loses settings without power, and in {mode} the board cannot transmit to it: it stays at factory defaults.",
        "A module without battery or flash powers up at its factory baud; the board must set it at each power-up, over the TX wire.",
        SourceNote.Practice
    )
    {
        Mend = "Wire both RX and TX: the board then sets it at each power-up.",
        Brief = "loses settings, board cannot set it",
    };

    /// <summary>What rides needs its carrier.</summary>
    public static readonly Rule Rides = new(
        "CARRIER",
        "In-band link needs its carrier",
        "{link} needs {carrier}, which is not in the build.",
        "A two-way RC link returns telemetry over the same wires; without that link nothing carries it.",
        SourceNote.Practice
    )
    {
        Mend = "Add that link too, or give this one its own port.",
        Brief = "its carrier link is not in the build",
    };

    /// <summary>The bay of the radio is too slow.</summary>
    public static readonly Rule Bay = new(
        "BAY",
        "Module bay too slow for the link",
        "The radio's module bay is limited to {bay} baud; {protocol} needs at least {least}.",
        "The radio and its module share a serial line; what that line cannot carry is lost, telemetry first.",
        SourceNote.Practice
    )
    {
        Mend = "Use a radio with a faster module bay, or a receiver with another protocol.",
        Brief = "module bay too slow",
    };

    /// <summary>Software serial is not wanted or not there.</summary>
    public static readonly Rule Soft = new(
        "SOFT",
        "Software serial not available",
        "{port} is software serial, but {reason}.",
        "Software serial adds roughly 30–40 % CPU load at high loop rates.",
        SourceNote.Practice
    )
    {
        Mend = "Change the house rule \"software serial\" under Parts, or use a UART.",
        Brief = "software serial not available",
    };

    /// <summary>Too fast for software serial.</summary>
    public static readonly Rule SoftFast = new(
        "SOFT-FAST",
        "Too fast for software serial",
        "{lead} runs at {baud}; {port} is software serial, limited to 57 600 baud.",
        "The CPU times every bit between other tasks. 19 200 baud or less is better still.",
        SourceNote.Memory
    )
    {
        Mend = "Set the device to 57 600 baud or less if it can, or use a UART.",
        Brief = "too fast for software serial",
    };

    /// <summary>The divider cannot make the baud.</summary>
    public static readonly Rule Baud = new(
        "BAUD",
        "Baud error too large",
        "{port} is clocked at {clock} MHz and {makes} for {baud}; the limit is ±2 %.",
        "The controller divides its clock by a whole number; the error adds up over the bits of a character.",
        SourceNote.Published(
            "the controllers' reference manuals, fractional baud rate generation and its error tables; application notes on UART clock accuracy"
        )
    )
    {
        Mend = "Set the device to another baud, or use a port with another clock.",
        Brief = "baud error too large",
    };

    /// <summary>Frames longer than their period.</summary>
    public static readonly Rule Frame = new(
        "FRAME",
        "Frame too long for the frame rate",
        "On {port}, {protocol} needs {takes} ms per frame at {baud}; {rate} Hz leaves {period} ms.",
        "Frame time = bytes × bits per byte ÷ baud. What does not fit is lost, telemetry first.",
        SourceNote.Practice
    )
    {
        Mend = "Lower the device's frame rate, or raise its baud.",
        Brief = "frames do not fit",
    };

    /// <summary>A device that talks needs an RX.</summary>
    public static readonly Rule NoRx = new(
        "NO-RX",
        "No RX pad for this lead",
        "{lead} transmits and needs RX; no pad connects to {port} RX.",
        "Serial links cross: the device's TX goes to the board's RX.",
        SourceNote.Practice
    )
    {
        Mend = "Use a port with an RX pad.",
        Brief = "no RX pad",
    };

    /// <summary>A device that listens needs a TX.</summary>
    public static readonly Rule NoTx = new(
        "NO-TX",
        "No TX pad for this lead",
        "{lead} receives and needs TX; no pad connects to {port} TX.",
        "Serial links cross: the device's RX goes to the board's TX.",
        SourceNote.Practice
    )
    {
        Mend = "Use a port with a TX pad, or a mode that only transmits to the board.",
        Brief = "no TX pad",
    };

    /// <summary>One-wire links go on TX.</summary>
    public static readonly Rule OneWire = new(
        "1-WIRE",
        "One-wire link needs a TX pad",
        "{lead} is half-duplex on one wire, which the controller does on TX; no pad connects to {port} TX.",
        "The controller's single-wire mode joins receiver and transmitter on the TX pin.",
        SourceNote.Published(
            "the controllers' reference manuals, USART_CR3.HDSEL: in half-duplex, TX and RX are joined on the TX pin"
        )
    )
    {
        Mend = "Use a port with a TX pad, or a two-wire mode.",
        Brief = "no TX pad",
    };

    /// <summary>Two wires on one pin.</summary>
    public static readonly Rule OnePin = new(
        "1-PIN",
        "Full duplex needs two pins",
        "{link} is full duplex, but {port} has one pin.",
        "Full duplex needs two wires. A one-way or half-duplex mode fits.",
        SourceNote.Practice
    )
    {
        Mend = "Use a port with two pins, or a mode that uses one.",
        Brief = "only one pin",
    };

    /// <summary>An element passes one way only.</summary>
    public static readonly Rule Way = new(
        "WAY",
        "Inverters and diodes pass one way only",
        "Pad {pad} passes signals only {passage}; {lead} needs {needed}.",
        "An inverter has an input and an output, a diode conducts one way, and a divider loses level in reverse.",
        SourceNote.Practice
    )
    {
        Mend = "Use a pad without that part, or a mode that only runs the way it passes.",
        Brief = "passes the wrong way only",
    };

    /// <summary>The parity of the path is wrong.</summary>
    public static readonly Rule Parity = new(
        "POL",
        "Line must idle high at the controller",
        "{lead} would idle low at {half}: {controller} and pad {pad} has {inverters}.",
        "Device output, inverters in the path and the controller's inversion must add up to non-inverted; "
            + "two inversions cancel.",
        SourceNote.Published("any UART reference: a line idles high and a start bit pulls it low")
    )
    {
        Mend = "Let the device invert its output, or use a pad with the right number of inverters.",
        Brief = "wrong polarity",
    };

    /// <summary>Too high a level for the pin.</summary>
    public static readonly Rule Level = new(
        "LEVEL",
        "Signal above the pin's maximum",
        "{lead} drives {drive} V into {half}, rated {limit} V maximum.",
        "A 5 V output destroys a 3.3 V pin, instantly or over time.",
        SourceNote.Published("the controllers' datasheets, absolute maximum ratings; 3.3 V levels: JESD8C")
    )
    {
        Mend = "Use a pin rated for it, a pad behind a divider, or a level shifter in the lead.",
        Brief = "signal voltage too high",
    };

    /// <summary>Too low a level for the pin.</summary>
    public static readonly Rule Faint = new(
        "FAINT",
        "High level too low",
        "{from} reaches {to} at {level} V; a reliable high needs {least} V.",
        "Dividers and diodes lower the level at the far end, whichever side transmits.",
        SourceNote.Published("JESD8C, 3.3 V LVTTL and LVCMOS: a high input is 2.0 V or more")
    )
    {
        Mend = "Use a pad without that divider or diode, or a level shifter in the lead.",
        Brief = "level too low",
    };

    /// <summary>A pad that is joined to a rail.</summary>
    public static readonly Rule OnRail = new(
        "ON-RAIL",
        "A pad tied to a rail carries no signal",
        "Pad {pad} is also connected to {rail}, which would hold {lead} at the rail voltage.",
        "A rail holds the line at its voltage: no signal gets through, and an output driving against it is destroyed.",
        SourceNote.Practice
    )
    {
        Mend = "Open the jumper to the rail, or use another pad.",
        Brief = "connected to a rail",
    };

    /// <summary>A pin that would drop the device into its loader.</summary>
    public static readonly Rule Boot = new(
        "BOOT",
        "Receiver may start in its bootloader",
        "{half} {behaves} at power-up, but {lead} must see a high level then or the device stays in its bootloader.",
        "A receiver that sees its RX low at power-up waits in its bootloader: solid light with the radio off.",
        SourceNote.Practice
    )
    {
        Mend =
            "Use another port; where the pin is not driven low, a pull-up resistor helps too (house rule \"bootloader trap\").",
        Brief = "holds the device in its bootloader",
    };

    /// <summary>Two leads of one link want one bridge in two positions.</summary>
    public static readonly Rule Bridge = new(
        "JUMPER",
        "A jumper has one position",
        "{first} needs jumper {bridge} at \"{one}\" and {second} needs it at \"{two}\".",
        "A solder jumper closed on both sides shorts them together.",
        SourceNote.Practice
    )
    {
        Mend = "Use two pads that need the jumper in the same position.",
        Brief = "needs one jumper in two positions",
    };

    /// <summary>An analogue level on a pin that is scaled for another.</summary>
    public static readonly Rule Reads = new(
        "READS",
        "Analogue pin is scaled for something else",
        "{port} reads {reads}, but {lead} outputs {gives}.",
        "Their scales differ: a current signal on a 10 k to 1 k divider reads about a tenth, and battery voltage on a current input destroys the pin.",
        SourceNote.Practice
    )
    {
        Mend = "Use a pin made for this reading.",
        Brief = "reads something else",
    };

    /// <summary>No seat of the plug allows it.</summary>
    public static readonly Rule Seat = new(
        "SEAT",
        "Plug does not reach this pad",
        "{lead} of the {device} cannot reach {pad} with its plug in any socket you allow.",
        "A plug is in one socket or none; a lead left in its pin reaches only the matching socket pin.",
        SourceNote.Own
    )
    {
        Mend = "Remove the pin or block on the plug or the lead, or use another pad.",
        Brief = "plug cannot reach it",
    };

    /// <summary>The device has no supply.</summary>
    public static readonly Rule Unfed = new(
        "UNFED",
        "A device has no supply",
        "No pad can power the {device}.{because}",
        "Every supply pad was tried in every position of its voltage jumper, with everything else powered through that jumper.",
        SourceNote.Own
    )
    {
        Mend = "Free the pad, use a part with another supply range, or add a regulator for it.",
        Brief = "device has no supply",
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
        Reads,
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
