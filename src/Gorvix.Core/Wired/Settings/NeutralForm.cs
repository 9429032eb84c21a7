using System.Globalization;
using System.Text;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Settings;

/// <summary>A line of a printout that says something.</summary>
/// <param name="Number">Its number, from 1.</param>
/// <param name="Key">What is set.</param>
/// <param name="Value">To what.</param>
public sealed record PrintedLine(int Number, string Key, string Value);

/// <summary>A printout as it was read.</summary>
/// <param name="Board">Id of the board that it names; null where it names none.</param>
/// <param name="Lines">What it says, line by line.</param>
/// <param name="Strange">Numbers of lines that say nothing that is understood.</param>
public sealed record Printout(string? Board, IReadOnlyList<PrintedLine> Lines, IReadOnlyList<int> Strange);

/// <summary>
/// Settings as plain text: a line for the board, one for each port, one for each other setting; what follows a hash is for people. It is the
/// product's own form, which the simulated board takes and prints; the builder's own template makes any other one.
/// </summary>
public static class NeutralForm
{
    /// <summary>More text than this is not read, in characters.</summary>
    public const int MostText = 256 * 1024;

    /// <summary>The value of a port without a job.</summary>
    public const string Free = "none";

    /// <summary>Writes what is set on the board.</summary>
    /// <param name="board">The board.</param>
    /// <param name="sheet">The settings.</param>
    public static string Write(Board board, SettingsSheet sheet)
    {
        var text = new StringBuilder();
        text.Append(CultureInfo.InvariantCulture, $"board {board.Id}\n");
        foreach (var setting in sheet.Settings.Where(s => s.IsPrinted))
        {
            text.Append(LineOf(setting.Key, setting.Value)).Append("  # ").Append(setting.Words).Append('\n');
        }
        return text.ToString();
    }

    /// <summary>A line: "port U3 job=gnss …" or "set telemetry on".</summary>
    internal static string LineOf(string key, string value) =>
        key.StartsWith("port.", StringComparison.Ordinal) ? $"port {key[5..]} {value}" : $"set {key} {value}";

    /// <summary>Reads a text in this form. Nothing is refused: what is not understood is told by its number.</summary>
    public static Printout Read(string text)
    {
        string? board = null;
        var (lines, strange) = (new List<PrintedLine>(), new List<int>());
        var number = 0;
        foreach (var raw in text.AsSpan().EnumerateLines())
        {
            number++;
            var line = raw.ToString();
            var hash = line.IndexOf('#', StringComparison.Ordinal);
            var words = (hash < 0 ? line : line[..hash]).Split(
                (char[]?)null,
                3,
                StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
            );
            switch (words)
            {
                case []:
                    break;
                case ["board", var id]:
                    board = id;
                    break;
                case ["port", var port, var value]:
                    lines.Add(new PrintedLine(number, $"port.{port}", Even(value)));
                    break;
                case ["set", var key, var value]:
                    lines.Add(new PrintedLine(number, key, Even(value)));
                    break;
                default:
                    strange.Add(number);
                    break;
            }
        }
        return new Printout(board, lines, strange);
    }

    private static string Even(string value) =>
        string.Join(' ', value.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
}
