namespace Gorvix.Core.Describing;

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
    /// <summary>The usual ones (common practice).</summary>
    public static readonly IReadOnlyList<PathPattern> All =
    [
        new(
            "fixed",
            "Pad with a fixed inverter",
            "The pad is named after an inverted protocol, or the leaflet says \"inverted\" beside it.",
            [PatternAsks.Pad, PatternAsks.Port],
            "ways {pad}: inverter > {port}.RX"
        ),
        new(
            "bridge",
            "Three-pad bridge, raw or inverted",
            "Three small pads side by side; solder joins the middle one with one of the others.",
            [PatternAsks.Pad, PatternAsks.Port, PatternAsks.Bridge],
            "bridge {bridge}: raw inverted\nways {pad}: {bridge}=raw > {port}.RX | {bridge}=inverted > inverter > {port}.RX"
        ),
        new(
            "twoWay",
            "Telemetry pad, inverted both ways",
            "One wire that talks and listens, for a protocol that is inverted.",
            [PatternAsks.Pad, PatternAsks.Port],
            "ways {pad}: inverter both > {port}.TX"
        ),
        new(
            "selector",
            "Supply selector, open as it comes",
            "Pads to bridge beside a supply pad, one for each rail; the pad is dead until one is closed.",
            [PatternAsks.Pad, PatternAsks.Rails, PatternAsks.Bridge],
            "bridge {bridge}: open {first} {second}\nways {pad}: {bridge}={first} > {first} | {bridge}={second} > {second}"
        ),
        new(
            "usb",
            "Supply that USB feeds too, through a diode",
            "Labelled 4V5 as a rule: 5 V less what the diode takes.",
            [PatternAsks.Pad],
            "rail 4V5: 4.5 V regulator or USB\nways {pad}: 4V5"
        ),
        new(
            "divider",
            "Divider that brings a level down",
            "10 k to 1 k for the pack's voltage: a 1/11 of it is left.",
            [PatternAsks.Pad, PatternAsks.Level],
            "ways {pad}: divider 0.0909 > {port}.RX"
        ),
        new(
            "resistor",
            "Resistor in the line",
            "Kept in by many boards on the telemetry of the speed controllers.",
            [PatternAsks.Pad, PatternAsks.Port],
            "ways {pad}: 1000 ohm > {port}.RX"
        ),
        new(
            "straight",
            "Straight: nothing between",
            "The pad is the pin.",
            [PatternAsks.Pad, PatternAsks.Port],
            "ways {pad}: {port}.RX"
        ),
    ];
}
