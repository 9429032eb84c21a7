using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Settings;

/// <summary>What became of a wanted setting.</summary>
public enum ReadVerdict
{
    /// <summary>It stands as it was wanted.</summary>
    Same,

    /// <summary>It stands otherwise.</summary>
    Differs,

    /// <summary>It is not printed.</summary>
    Missing,

    /// <summary>It is printed and nobody wants it.</summary>
    Extra,
}

/// <summary>A setting as it was wanted and as it stands.</summary>
/// <param name="Key">What is set.</param>
/// <param name="Wanted">To what it was to be set; null where nobody wants it.</param>
/// <param name="Found">What is printed; null where it is not.</param>
/// <param name="Line">The number of its line in the printout; null where it is not printed.</param>
/// <param name="Verdict">What became of it.</param>
/// <param name="Words">It in a sentence.</param>
public sealed record ReadLine(string Key, string? Wanted, string? Found, int? Line, ReadVerdict Verdict, string Words);

/// <summary>A printout compared with what was wanted.</summary>
/// <param name="IsClean">True when everything stands as it was wanted.</param>
/// <param name="Words">What came of it, as a sentence.</param>
/// <param name="Lines">Line by line, differences first.</param>
/// <param name="Strange">Numbers of lines that were not understood.</param>
public sealed record ReadReport(bool IsClean, string Words, IReadOnlyList<ReadLine> Lines, IReadOnlyList<int> Strange);

/// <summary>Compares what the board prints with what was wanted: a conflict empties the page without a word, so only reading back tells.</summary>
public static class ReadBack
{
    /// <summary>Compares.</summary>
    /// <param name="board">The board that was meant.</param>
    /// <param name="sheet">What was wanted.</param>
    /// <param name="printed">What the board printed.</param>
    public static ReadReport Compare(Board board, SettingsSheet sheet, Printout printed)
    {
        // What stands last counts, as it does on the board.
        var found = printed.Lines.GroupBy(l => l.Key).ToDictionary(g => g.Key, g => g.Last());
        var lines = new List<ReadLine>();
        foreach (var setting in sheet.Settings.Where(s => s.IsPrinted && s.Value.Length > 0))
        {
            var line = found.GetValueOrDefault(setting.Key);
            lines.Add(
                // Some boards print only ports that have a function.
                line is null
                && setting.Value == NeutralForm.Free
                    ? new ReadLine(setting.Key, setting.Value, null, null, ReadVerdict.Same, $"{setting.Words}.")
                : line is null
                    ? new ReadLine(
                        setting.Key,
                        setting.Value,
                        null,
                        null,
                        ReadVerdict.Missing,
                        Sentences.IsNotInTheDump(NameOf(setting.Key), setting.Words)
                    )
                : SettingsSheet.Stands(setting, line.Value) || Same(line.Value, setting.Value)
                    ? new ReadLine(
                        setting.Key,
                        setting.Value,
                        line.Value,
                        line.Number,
                        ReadVerdict.Same,
                        $"{setting.Words}."
                    )
                : new ReadLine(
                    setting.Key,
                    setting.Value,
                    line.Value,
                    line.Number,
                    ReadVerdict.Differs,
                    Told(setting, line.Value)
                )
            );
        }
        var wanted = sheet.Settings.Select(s => s.Key).ToHashSet();
        foreach (var line in found.Values.Where(l => IsJob(l) && !wanted.Contains(l.Key)))
        {
            lines.Add(
                new ReadLine(
                    line.Key,
                    null,
                    line.Value,
                    line.Number,
                    ReadVerdict.Extra,
                    Sentences.HasAnUnplannedFunctionRemove(NameOf(line.Key), line.Value)
                )
            );
        }
        var worst = lines.Where(l => l.Verdict != ReadVerdict.Same).ToList();
        var isOther = printed.Board is { } other && other != board.Id;
        return new ReadReport(
            worst.Count == 0 && !isOther && printed.Lines.Count > 0,
            Sum(board, printed, lines, worst),
            [.. lines.OrderBy(l => l.Verdict == ReadVerdict.Same).ThenBy(l => l.Line ?? int.MaxValue)],
            printed.Strange
        );
    }

    private static bool IsJob(PrintedLine line) => IsPort(line.Key) && line.Value != NeutralForm.Free;

    private static bool IsPort(string key) => key.StartsWith("port.", StringComparison.Ordinal);

    /// <summary>What a setting is called in a sentence.</summary>
    /// <param name="key">Its key.</param>
    public static string NameOf(string key) => IsPort(key) ? Port.NameOf(key[5..]) : key;

    // The order of a port's values does not matter.
    private static bool Same(string one, string other) =>
        one.Split(' ').Order(StringComparer.Ordinal).SequenceEqual(other.Split(' ').Order(StringComparer.Ordinal));

    private static string Told(Setting setting, string found)
    {
        if (found == NeutralForm.Free)
        {
            return Sentences.HasNoFunctionShouldBe(NameOf(setting.Key), setting.Words);
        }
        if (setting.Value == NeutralForm.Free)
        {
            return Sentences.StillHasAFunctionClear(NameOf(setting.Key), found);
        }
        var (one, other) = (Parts(setting.Value), Parts(found));
        var differs = one
            .Keys.Union(other.Keys)
            .Where(k => one.GetValueOrDefault(k) != other.GetValueOrDefault(k))
            .Select(k =>
                Sentences.IsShouldBe(
                    k.Length > 0 ? $"{k} " : "",
                    other.GetValueOrDefault(k) ?? Sentences.NotSetThere,
                    one.GetValueOrDefault(k) ?? Sentences.NotSetThere
                )
            )
            .ToList();
        return $"{NameOf(setting.Key)}: {Phrase.Join(differs)}.";
    }

    private static Dictionary<string, string> Parts(string value) =>
        value
            .Split(' ')
            .Select(p => p.Split('=', 2))
            .GroupBy(p => p.Length == 2 ? p[0] : "")
            .ToDictionary(g => g.Key, g => g.Last()[^1]);

    private static string Sum(Board board, Printout printed, List<ReadLine> lines, List<ReadLine> worst)
    {
        if (printed.Board is { } other && other != board.Id)
        {
            return Sentences.ThisDumpIsFromAnother(other, board.Id);
        }
        if (printed.Lines.Count == 0)
        {
            return Sentences.NothingRecognisedPasteTheBoards;
        }
        var ports = lines.Where(l => l.Wanted is not (null or NeutralForm.Free) && IsPort(l.Key)).ToList();
        if (ports.Count > 1 && ports.All(l => l.Found is null or NeutralForm.Free))
        {
            return Sentences.NoPortHasAFunction;
        }
        return worst.Count == 0
            ? Sentences.AllSettingsMatchThePlan
            : Sentences.FromThePlan(Phrase.Count(worst.Count, Sentences.SettingDiffers, Sentences.SettingsDiffer));
    }
}
