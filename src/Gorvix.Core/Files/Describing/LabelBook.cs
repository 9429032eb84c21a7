using System.Globalization;
using System.Text.RegularExpressions;

namespace Gorvix.Core.Files.Describing;

/// <summary>
/// The dictionary of labels that boards carry. All of it is common practice without a published source: makers print what
/// they like, so what can mean two things is doubtful here and must be measured before it is used.
/// </summary>
public static partial class LabelBook
{
    /// <summary>One line of the dictionary.</summary>
    /// <param name="Pattern">The labels, without spaces and in capitals; <c>#</c> stands for a number.</param>
    /// <param name="Trust">How sure it is.</param>
    /// <param name="Meanings">What it means, the usual one first.</param>
    /// <param name="Why">Where it is doubtful, why.</param>
    public sealed record Entry(
        IReadOnlyList<string> Pattern,
        LabelTrust Trust,
        IReadOnlyList<LabelMeaning> Meanings,
        string Why = ""
    );

    /// <summary>The dictionary. Numbers in labels are those of units, buses and motors; volts are read by <see cref="VoltsIn"/>.</summary>
    public static readonly IReadOnlyList<Entry> Entries =
    [
        Sure(LabelKind.Rx, "R#", "RX#", "U#R", "U#RX", "UART#RX", "RXD#"),
        Sure(LabelKind.Tx, "T#", "TX#", "U#T", "U#TX", "UART#TX", "TXD#"),
        Sure(LabelKind.Data, "SDA", "SDA#", "I2CSDA"),
        Sure(LabelKind.Clock, "SCL", "SCL#", "I2CSCL"),
        Sure(LabelKind.Ground, "G", "GND", "GROUND", "0V"),
        Sure(LabelKind.Battery, "BAT", "VBAT", "BATT"),
        Sure(LabelKind.PictureIn, "VI", "CAM", "VIDEO", "VIDIN", "CAMIN"),
        Sure(LabelKind.PictureOut, "VO", "VTX", "VID", "VIDOUT"),
        Sure(LabelKind.Current, "CUR", "CURR", "CURRENT"),
        Sure(LabelKind.Strength, "RSSI"),
        Sure(LabelKind.Keys, "CC", "CAMCTL"),
        Sure(LabelKind.Buzzer, "BZ", "BZ-", "BUZ", "BUZ-", "BUZZER"),
        Sure(LabelKind.Lights, "LED", "LEDS", "LEDSTRIP"),
        Sure(LabelKind.Motor, "M#", "S#"),
        Sure(LabelKind.Nothing, "NC", "N/C", "N.C."),
        Unsure("battery on many boards, buzzer + on others", ["B+"], Of(LabelKind.Battery), Of(LabelKind.Buzzer)),
        Unsure("a supply, but the label states no voltage", ["VCC", "+", "V+", "PWR"], Volts(5), Of(LabelKind.Battery)),
        Unsure(
            "buzzer + is typically 5 V, but battery voltage on some boards",
            ["BZ+", "BUZ+"],
            Volts(5),
            Of(LabelKind.Battery)
        ),
        Unsure(
            "it can be video from the camera or an analogue input",
            ["C"],
            Of(LabelKind.PictureIn),
            Of(LabelKind.Current)
        ),
        Unsure("it can be video in or a supply input", ["VIN"], Of(LabelKind.PictureIn), Of(LabelKind.Battery)),
        Unsure("it can be video out or a supply output", ["VOUT"], Of(LabelKind.PictureOut), Of(LabelKind.Battery)),
        Unsure(
            "the label does not name the port, and there may be an inverter behind it",
            ["SBUS", "S.BUS"],
            Of(LabelKind.Rx)
        ),
        Unsure("the label does not name the port", ["IBUS", "PPM", "RC", "RX"], Of(LabelKind.Rx)),
        Unsure("the label does not name the port", ["TX"], Of(LabelKind.Tx)),
        Unsure(
            "it can be RX or TX of a port that the label does not name",
            ["DSM", "DSMX", "SPEK"],
            Of(LabelKind.Rx),
            Of(LabelKind.Tx)
        ),
        Unsure(
            "it can be telemetry out or ESC telemetry in, and the label does not name the port",
            ["TLM", "TELEM", "TELE"],
            Of(LabelKind.Tx),
            Of(LabelKind.Rx)
        ),
        Unsure("the label does not name the port", ["ETLM", "ESCTLM"], Of(LabelKind.Rx)),
        Unsure("it can be an I²C line or something maker-specific", ["DA"], Of(LabelKind.Data)),
        Unsure("it can be an I²C line or something maker-specific", ["CL", "CK"], Of(LabelKind.Clock)),
    ];

    private static readonly IReadOnlyList<(Regex Regex, Entry Entry)> Patterns =
    [
        .. Entries.SelectMany(e =>
            e.Pattern.Select(p => (new Regex($"^{Regex.Escape(p).Replace("\\#", "([0-9]{1,2})")}$"), e))
        ),
    ];

    /// <summary>Reads a label.</summary>
    /// <param name="label">As printed.</param>
    public static LabelReading Read(string label)
    {
        if (label.Split('/', StringSplitOptions.RemoveEmptyEntries) is { Length: > 1 } parts && Find(label) is null)
        {
            // Two jobs of one pad, as R3/SDA: which one is in force is a setting of the board.
            var several = parts.SelectMany(p => Read(p).Meanings).Distinct().ToList();
            return new LabelReading(label, several.Count == 0 ? LabelTrust.Unknown : LabelTrust.Doubtful, several);
        }
        if (VoltsIn(Plain(label)) is { } volts)
        {
            return new LabelReading(label, LabelTrust.Certain, [Volts(volts)]);
        }
        return Find(label) is var (entry, number)
            ? new LabelReading(label, entry.Trust, [.. entry.Meanings.Select(m => m with { Number = number })])
            : new LabelReading(label, LabelTrust.Unknown, []);
    }

    /// <summary>Why a label is doubtful, in a part of a sentence.</summary>
    /// <param name="label">As printed.</param>
    public static string WhyDoubtful(string label) =>
        Find(label) is var (entry, _) ? entry.Why
        : label.Contains('/', StringComparison.Ordinal)
            ? "it has two functions, selected by a setting or a solder jumper"
        : "the label is not recognised";

    /// <summary>The lines of the dictionary that a label fits; more than one would be a fault of the dictionary.</summary>
    internal static IEnumerable<Entry> Fitting(string label) =>
        Patterns.Where(p => p.Regex.IsMatch(Plain(label))).Select(p => p.Entry).Distinct();

    /// <summary>The volts that a label names, such as 5V, 3V3, 4.5V or 10V2; null for any other label.</summary>
    internal static double? VoltsIn(string label)
    {
        var match = VoltLabel().Match(label);
        if (!match.Success || label == "0V")
        {
            return null;
        }
        var whole = match.Groups[1].Value.Replace(',', '.');
        var tenths = match.Groups[2].Value;
        var volts = double.Parse(tenths == "" ? whole : $"{whole}.{tenths}", CultureInfo.InvariantCulture);
        return volts is >= 1 and <= 60 ? volts : null;
    }

    private static (Entry Entry, int Number)? Find(string label)
    {
        var plain = Plain(label);
        foreach (var (regex, entry) in Patterns)
        {
            if (regex.Match(plain) is { Success: true } match)
            {
                var number =
                    match.Groups.Count > 1 ? int.Parse(match.Groups[1].Value, CultureInfo.InvariantCulture) : 0;
                return (entry, number);
            }
        }
        return null;
    }

    private static string Plain(string label) =>
        new([.. label.Where(c => !char.IsWhiteSpace(c) && c != '_').Select(char.ToUpperInvariant)]);

    private static Entry Sure(LabelKind kind, params string[] labels) => new(labels, LabelTrust.Certain, [Of(kind)]);

    private static Entry Unsure(string why, string[] labels, params LabelMeaning[] meanings) =>
        new(labels, LabelTrust.Doubtful, meanings, why);

    private static LabelMeaning Of(LabelKind kind) => new(kind);

    private static LabelMeaning Volts(double volts) => new(LabelKind.Supply, 0, volts);

    // "5V", "3V3", "4.5V", "+5V"; a second digit after the V is tenths.
    [GeneratedRegex(@"^\+?([0-9]{1,2}(?:[.,][0-9])?)V([0-9]?)$")]
    private static partial Regex VoltLabel();
}
