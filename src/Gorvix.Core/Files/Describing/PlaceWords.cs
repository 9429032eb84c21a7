using System.Globalization;
using System.Text.RegularExpressions;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>Places in a document, such as <c>board.pads[3].x</c>, as somebody reads them who sees fields and no document.</summary>
internal static partial class PlaceWords
{
    /// <summary>A sentence with its places in words.</summary>
    /// <param name="board">The board that it speaks of.</param>
    /// <param name="sentence">The sentence.</param>
    public static string Replace(Board board, string sentence) =>
        Place().Replace(sentence, m => m.Index == 0 ? Phrase.Upper(Of(board, m)) : Of(board, m));

    /// <summary>A sentence about a device with its places in words.</summary>
    public static string Replace(Device device, string sentence) =>
        Place().Replace(sentence, m => m.Index == 0 ? Phrase.Upper(Of(device, m)) : Of(device, m));

    private static string Of(Device device, Match match)
    {
        var index = Index(match);
        var thing = match.Groups[1].Value switch
        {
            "leads" => $"lead {At(device.Leads, index, l => l.Label)}",
            "supplies" => $"the supply on {At(device.Supplies, index, s => s.Lead)}",
            "outputs" => $"the output on {At(device.Outputs, index, s => s.Lead)}",
            "functions"
                when Mode(match) is { } mode
                    && index is { } f
                    && f < device.Functions.Count
                    && mode < device.Functions[f].Modes.Count => $"mode {device.Functions[f].Modes[mode].Name}",
            "functions" => $"function {At(device.Functions, index, f => f.Id)}",
            var other => $"the {other}",
        };
        return thing;
    }

    private static string Of(Board board, Match match)
    {
        var index = Index(match);
        var tail = match.Groups[3].Value;
        var member =
            tail.Split('.', StringSplitOptions.RemoveEmptyEntries) is [.., var last]
            && !last.Contains('[', StringComparison.Ordinal)
                ? last
                : "";
        var detail = member switch
        {
            "x" => ": distance from the left edge",
            "y" => ": distance from the rear edge",
            "min" => ": minimum",
            "max" => ": maximum",
            "" or "id" => "",
            _ => $": {member}",
        };
        var thing = match.Groups[1].Value switch
        {
            "pads" => $"pad {At(board.Pads, index, p => p.Label)}",
            "rails" => $"rail {At(board.Rails, index, r => r.Label)}",
            "ports" => $"port {At(board.Ports, index, p => p.Id)}",
            "jumpers" => $"jumper {At(board.Bridges, index, b => b.Id)}",
            "plugs" => $"socket {At(board.Plugs, index, p => p.Label)}",
            "nets" => $"pin {At(board.Nets, index, n => n.Id)}",
            "builtIns" => "the built-in device",
            "input" => "the supply input",
            "outline" => "the board size",
            "mounting" => "the mounting hole pattern",
            "controller" => "the board",
            var other => $"the {other}",
        };
        return thing + detail;
    }

    private static int? Index(Match match) =>
        match.Groups[2].Success
        && int.TryParse(match.Groups[2].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var index)
            ? index
            : null;

    private static int? Mode(Match match) =>
        ModePlace().Match(match.Groups[3].Value) is { Success: true } mode
        && int.TryParse(mode.Groups[1].Value, NumberStyles.None, CultureInfo.InvariantCulture, out var index)
            ? index
            : null;

    private static string At<T>(IReadOnlyList<T> list, int? index, Func<T, string> name) =>
        index is { } i && i < list.Count
            ? name(list[i]) is { Length: > 0 } known
                ? known
                : $"number {i + 1}"
            : "";

    [GeneratedRegex(@"\b(?:board|device)\.([A-Za-z]+)(?:\[([0-9]+)\])?((?:\.[A-Za-z]+(?:\[[0-9]+\])?)*)")]
    private static partial Regex Place();

    [GeneratedRegex(@"\.modes\[([0-9]+)\]")]
    private static partial Regex ModePlace();
}
