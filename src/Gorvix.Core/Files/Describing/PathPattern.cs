namespace Gorvix.Core.Files.Describing;

/// <summary>What a pattern asks for.</summary>
public enum PatternAsks
{
    /// <summary>A pad of the board.</summary>
    Pad,

    /// <summary>A serial port.</summary>
    Port,

    /// <summary>The label of a bridge, there already or new.</summary>
    Bridge,

    /// <summary>Two rails, the first one and the second one.</summary>
    Rails,

    /// <summary>A port that measures a level.</summary>
    Level,
}

/// <summary>Something usual between a pad and what it leads to, with the lines of leaflet text that describe it.</summary>
/// <param name="Id">Id of the pattern.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Tells">How to know it on a leaflet.</param>
/// <param name="Asks">What must be chosen.</param>
/// <param name="Lines">Leaflet text; <c>{pad}</c>, <c>{port}</c>, <c>{bridge}</c>, <c>{first}</c> and <c>{second}</c> stand for what is chosen.</param>
public sealed record PathPattern(string Id, string Name, string Tells, IReadOnlyList<PatternAsks> Asks, string Lines)
{
    /// <summary>Serial ports as boards name them (common practice); a pattern may bring one that the board has not yet.</summary>
    public static readonly IReadOnlyList<string> UsualPorts = [.. Enumerable.Range(1, 8).Select(n => $"U{n}")];

    /// <summary>The usual ones (common practice).</summary>
    public static readonly IReadOnlyList<PathPattern> All =
    [
        new(
            "fixed",
            "Pad with a fixed inverter",
            "The pad is labelled with an inverted protocol, or the datasheet marks it \"inverted\".",
            [PatternAsks.Pad, PatternAsks.Port],
            "ways {pad}: inverter > {port}.RX"
        ),
        new(
            "bridge",
            "Three-pad solder jumper, raw or inverted",
            "Three small pads in a row; solder joins the middle one to one neighbour.",
            [PatternAsks.Pad, PatternAsks.Port, PatternAsks.Bridge],
            "bridge {bridge}: raw inverted\nways {pad}: {bridge}=raw > {port}.RX | {bridge}=inverted > inverter > {port}.RX"
        ),
        new(
            "twoWay",
            "Telemetry pad with a bidirectional inverter",
            "One half-duplex wire for an inverted protocol.",
            [PatternAsks.Pad, PatternAsks.Port],
            "ways {pad}: inverter both > {port}.TX"
        ),
        new(
            "selector",
            "Voltage jumper, open from factory",
            "Solder jumpers beside a supply pad, one per rail; the pad is off until one is closed.",
            [PatternAsks.Pad, PatternAsks.Rails, PatternAsks.Bridge],
            "bridge {bridge}: open {first} {second}\nways {pad}: {bridge}={first} > {first} | {bridge}={second} > {second}"
        ),
        new(
            "usb",
            "Supply also powered from USB, through a diode",
            "Typically labelled 4V5: 5 V minus the diode drop.",
            [PatternAsks.Pad],
            "rail 4V5: 4.5 V regulator or USB\nways {pad}: 4V5"
        ),
        new(
            "divider",
            "Voltage divider",
            "10 k to 1 k for battery voltage: 1/11 reaches the pin.",
            [PatternAsks.Pad, PatternAsks.Level],
            "ways {pad}: divider 0.0909 > {port}.RX"
        ),
        new(
            "resistor",
            "Series resistor",
            "On many boards, fitted in the ESC telemetry line.",
            [PatternAsks.Pad, PatternAsks.Port],
            "ways {pad}: 1000 ohm > {port}.RX"
        ),
        new(
            "straight",
            "Direct: nothing in between",
            "The pad connects directly to the pin.",
            [PatternAsks.Pad, PatternAsks.Port],
            "ways {pad}: {port}.RX"
        ),
    ];
}
