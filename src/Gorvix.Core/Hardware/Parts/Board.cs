using System.Text.Json.Serialization;

namespace Gorvix.Core.Hardware.Parts;

/// <summary>A flight controller board of one revision, described as a small electrical graph.</summary>
public sealed record Board
{
    /// <summary>Id in the library, such as <c>askerdale-pinion-f4-r2</c>.</summary>
    public required string Id { get; init; }

    /// <summary>Maker.</summary>
    public required string Maker { get; init; }

    /// <summary>Name as sold.</summary>
    public required string Name { get; init; }

    /// <summary>Revision: pads can differ under the same name.</summary>
    public required string Revision { get; init; }

    /// <summary>How to tell this revision from others, or null.</summary>
    public string? Recognise { get; init; }

    /// <summary>Firmware target with this revision's port map, or null if the manual names none.</summary>
    public string? Target { get; init; }

    /// <summary>Id of its <see cref="ControllerClass"/>.</summary>
    public required string Controller { get; init; }

    /// <summary>Supply input range, or null if the manual does not say.</summary>
    public VoltWindow? Input { get; init; }

    /// <summary>Size, or null if the manual does not say.</summary>
    public BoardOutline? Outline { get; init; }

    /// <summary>Mounting holes, or null if the manual does not say.</summary>
    public Mounting? Mounting { get; init; }

    /// <summary>Edge with the USB socket, or null if the manual does not say.</summary>
    public BoardEdge? UsbSide { get; init; }

    /// <summary>Edge the arrow points to, or null if the manual does not say.</summary>
    public BoardEdge? Arrow { get; init; }

    /// <summary>Built-in parts that do the job of a link, such as an onboard receiver.</summary>
    public IReadOnlyList<BuiltIn> BuiltIns { get; init; } = [];

    /// <summary>Nets: one for each controller pin that matters.</summary>
    public required IReadOnlyList<Net> Nets { get; init; }

    /// <summary>Ports, in the order of the manual.</summary>
    public required IReadOnlyList<Port> Ports { get; init; }

    /// <summary>Supply rails, including ground.</summary>
    public IReadOnlyList<Rail> Rails { get; init; } = [];

    /// <summary>Solder jumpers and voltage jumpers.</summary>
    [JsonPropertyName("jumpers")]
    public IReadOnlyList<Bridge> Bridges { get; init; } = [];

    /// <summary>Pads, including socket pins.</summary>
    public required IReadOnlyList<Pad> Pads { get; init; }

    /// <summary>Sockets.</summary>
    public IReadOnlyList<BoardPlug> Plugs { get; init; } = [];
}

/// <summary>A part inside the board that gives what a link could give.</summary>
public sealed record BuiltIn
{
    /// <summary>Its name in the manual.</summary>
    public required string Name { get; init; }

    /// <summary>What it does. If a link of the build does it instead, a setting must change.</summary>
    public required Need Gives { get; init; }
}

/// <summary>How a pin rests while the controller starts.</summary>
public enum BootLevel
{
    /// <summary>High, as an idle line does.</summary>
    High,

    /// <summary>Low until the firmware runs, not driven: a pull-up raises it.</summary>
    Low,

    /// <summary>It toggles while the bootloader runs.</summary>
    Chatters,

    /// <summary>Driven low until the firmware runs: no pull-up raises it.</summary>
    DrivenLow,
}

/// <summary>One node at a controller pin. One net has one user; several ports that name it are its alternative jobs.</summary>
public sealed record Net
{
    /// <summary>Id within the board.</summary>
    public required string Id { get; init; }

    /// <summary>Maximum voltage on the pin; 3.3 if not given.</summary>
    [Usual(3.3)]
    public double MaxVolts { get; init; } = 3.3;

    /// <summary>Level while the controller starts; matters for pins that drive a device.</summary>
    public BootLevel AtBoot { get; init; }
}

/// <summary>What a port is made of. Each kind is a column of its own.</summary>
public enum PortKind
{
    /// <summary>A serial unit of the controller.</summary>
    Uart,

    /// <summary>Serial in code, on any timer-capable pin: it inverts, and it costs processor time.</summary>
    Software,

    /// <summary>A timer pin that measures pulses.</summary>
    Pulse,

    /// <summary>A bus of two wires that several devices share.</summary>
    Bus,

    /// <summary>The analogue picture: in from the camera, out to the transmitter with the text laid over it.</summary>
    Video,

    /// <summary>A pin that measures a level (pack voltage, current) or gives one (camera keys).</summary>
    Analogue,

    /// <summary>The link to the computer. It is never given to a device.</summary>
    Usb,
}

/// <summary>What an analogue level stands for. Pins are scaled for one of them: battery current on a battery divider reads a tenth.</summary>
public enum AnalogueReading
{
    /// <summary>Battery current, from a current sensor.</summary>
    Current,

    /// <summary>Battery voltage, through the board's divider.</summary>
    BatteryVoltage,

    /// <summary>Signal strength of the receiver.</summary>
    Rssi,
}

/// <summary>Whether a serial unit also serves the USB socket, as on old boards with two units.</summary>
public enum UsbSharing
{
    /// <summary>USB has its own unit.</summary>
    Apart,

    /// <summary>Computer and device talk on the same wires; only one of them at a time.</summary>
    Shared,
}

/// <summary>A port of the board: a serial unit, or one of the other things that a link can go on.</summary>
public sealed record Port
{
    /// <summary>Its id, such as U3: as boards print it, and as heads of columns have room for.</summary>
    public required string Id { get; init; }

    /// <summary>Its name in a sentence, such as UART3.</summary>
    [JsonIgnore]
    public string Name => NameOf(Id);

    /// <summary>Type of port.</summary>
    public PortKind Kind { get; init; }

    /// <summary>Net of RX, the pulse input or video in; null if absent.</summary>
    public string? Rx { get; init; }

    /// <summary>Net of TX or video out; null if absent.</summary>
    public string? Tx { get; init; }

    /// <summary>What an analogue input is scaled for; null if not given, or not an analogue input.</summary>
    public AnalogueReading? Reads { get; init; }

    /// <summary>Net of SDA; null if not a bus.</summary>
    public string? Data { get; init; }

    /// <summary>Net of SCL; null if not a bus.</summary>
    public string? Clock { get; init; }

    /// <summary>Nets of more pulse inputs, for PWM with one wire per channel.</summary>
    public IReadOnlyList<string> Channels { get; init; } = [];

    /// <summary>Other pins the port can be remapped to, one choice at a time.</summary>
    public IReadOnlyList<PinChoice> Alternatives { get; init; } = [];

    /// <summary>Bus addresses in use on the board.</summary>
    public IReadOnlyList<AddressInUse> Addresses { get; init; } = [];

    /// <summary>Clock of its baud generator in MHz; null for the default of the controller class.</summary>
    public double? ClockMegahertz { get; init; }

    /// <summary>Whether it shares its lines with the USB socket.</summary>
    public UsbSharing Usb { get; init; }

    /// <summary>What uses it on the board (a built-in part, the USB-serial chip), or null if free.</summary>
    public string? HeldBy { get; init; }

    /// <summary>What the board's maker recommends it for.</summary>
    public IReadOnlyList<Need> AdvisedFor { get; init; } = [];

    /// <summary>Every net that it names, in the order RX, TX, data, clock, channels, other pins.</summary>
    [JsonIgnore]
    public IEnumerable<string> Nets =>
        new[] { Rx, Tx, Data, Clock }
            .Concat(Channels)
            .Concat(Alternatives.SelectMany(a => new[] { a.Rx, a.Tx }))
            .OfType<string>();

    /// <summary>Its pins as it comes, then the other ones.</summary>
    [JsonIgnore]
    public IEnumerable<PinChoice> PinChoices =>
        Alternatives.Prepend(
            new PinChoice
            {
                Name = "",
                Rx = Rx,
                Tx = Tx,
            }
        );

    /// <summary>A port in a sentence: UART3 for U3, I2C1 as it is.</summary>
    /// <param name="id">Its id.</param>
    public static string NameOf(string id) =>
        id is ['U', .. { Length: > 0 } number] && number.All(char.IsAsciiDigit) ? $"UART{number}" : id;
}

/// <summary>Pins to which a serial unit can be led.</summary>
public sealed record PinChoice
{
    /// <summary>Their name in the firmware or manual; empty for the default pins.</summary>
    public required string Name { get; init; }

    /// <summary>Net of RX, or null.</summary>
    public string? Rx { get; init; }

    /// <summary>Net of TX, or null.</summary>
    public string? Tx { get; init; }
}

/// <summary>An address on a bus that a part inside the board answers at.</summary>
public sealed record AddressInUse
{
    /// <summary>The 7-bit address, 8 to 119.</summary>
    public required int Address { get; init; }

    /// <summary>What answers there, such as "the barometer".</summary>
    public required string By { get; init; }
}

/// <summary>An edge of the board, seen from its top with the print upright.</summary>
public enum BoardEdge
{
    /// <summary>Nearest to the reader.</summary>
    Rear,

    /// <summary>On the right hand.</summary>
    Right,

    /// <summary>Farthest from the reader.</summary>
    Front,

    /// <summary>On the left hand.</summary>
    Left,
}

/// <summary>The size of a board.</summary>
public sealed record BoardOutline
{
    /// <summary>From left to right in millimetres.</summary>
    public required double Width { get; init; }

    /// <summary>From rear to front in millimetres.</summary>
    public required double Depth { get; init; }
}

/// <summary>The mounting holes of a board: a rectangle of four.</summary>
public sealed record Mounting
{
    /// <summary>Between hole centres from left to right in millimetres.</summary>
    public required double Width { get; init; }

    /// <summary>Between hole centres from rear to front in millimetres.</summary>
    public required double Depth { get; init; }

    /// <summary>Screw size in millimetres (3 is M3), or null if the manual does not say.</summary>
    public double? Bolt { get; init; }
}

/// <summary>A solder bridge or selector. It stands in exactly one position.</summary>
public sealed record Bridge
{
    /// <summary>Its label as printed.</summary>
    public required string Id { get; init; }

    /// <summary>Its positions, such as open, raw, inverted.</summary>
    public required IReadOnlyList<string> Positions { get; init; }

    /// <summary>Factory position.</summary>
    public required string Default { get; init; }

    /// <summary>Who sets it.</summary>
    public MovedBy MovedBy { get; init; }

    /// <summary>Where it is on the board; null if the manual does not say.</summary>
    public BridgePlace? Place { get; init; }
}

/// <summary>Where a bridge lies on the board, told as a pad is.</summary>
public sealed record BridgePlace
{
    /// <summary>The side.</summary>
    public required BoardSide Side { get; init; }

    /// <summary>Centre, from the left edge of its side, in millimetres, 0 to 500.</summary>
    public required double X { get; init; }

    /// <summary>Centre, from the rear edge, in millimetres, 0 to 500.</summary>
    public required double Y { get; init; }
}

/// <summary>Who moves a bridge or selector.</summary>
public enum MovedBy
{
    /// <summary>The iron: solder on small pads.</summary>
    Solder,

    /// <summary>The board's firmware: a setting, no iron.</summary>
    Firmware,
}

/// <summary>The side of the board.</summary>
public enum BoardSide
{
    /// <summary>The side with the arrow.</summary>
    Top,

    /// <summary>The other side.</summary>
    Bottom,
}

/// <summary>How far the label of a pad can be trusted.</summary>
public enum PadMeaning
{
    /// <summary>Its meaning is certain.</summary>
    Sure,

    /// <summary>The label can mean two things, is mirrored or under a part: measure before use.</summary>
    Uncertain,

    /// <summary>Marked as not connected: nothing is ever wired to it.</summary>
    NotConnected,
}

/// <summary>A place to solder to, or a pin of a plug.</summary>
public sealed record Pad
{
    /// <summary>Id within the board.</summary>
    public required string Id { get; init; }

    /// <summary>Its label exactly as printed.</summary>
    public required string Label { get; init; }

    /// <summary>Certainty of the label.</summary>
    public PadMeaning Meaning { get; init; }

    /// <summary>Which side it is on.</summary>
    public required BoardSide Side { get; init; }

    /// <summary>Distance from the left edge in millimetres, seen from its side.</summary>
    public double X { get; init; }

    /// <summary>Distance from the rear edge in millimetres.</summary>
    public double Y { get; init; }

    /// <summary>Header, corner or row that it belongs to, or null.</summary>
    public string? Group { get; init; }

    /// <summary>
    /// Paths into the board; none only for a pad that is not connected. Behind a jumper: one for each position that connects.
    /// </summary>
    public IReadOnlyList<PadPath> Paths { get; init; } = [];
}

/// <summary>One way from a pad to a net or a rail.</summary>
public sealed record PadPath
{
    /// <summary>What is in the path, from the pad inwards.</summary>
    public IReadOnlyList<PathElement> Through { get; init; } = [];

    /// <summary>The net it ends on, or null when it ends on a rail.</summary>
    public string? Net { get; init; }

    /// <summary>The rail it ends on, or null when it ends on a net.</summary>
    public string? Rail { get; init; }
}
