using System.Buffers;
using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Work.Tables;

/// <summary>What a row of a list says that cannot be understood.</summary>
internal sealed class TableException(Finding finding) : Exception(finding.Sentence)
{
    /// <summary>What is wrong, where, and how to mend it.</summary>
    public Finding Finding { get; } = finding;

    /// <summary>The file as a whole is no list that is known.</summary>
    public static TableException Shape(string problem, string mend) =>
        new(
            TableRules.Shape.Found(
                Severity.Stop,
                Subject.Place(Sentences.TheList),
                ("place", Sentences.TheListTitle),
                ("problem", problem),
                ("mend", mend)
            )
        );
}

/// <summary>
/// A list as text: comma-separated values as RFC 4180 has them (header, CR LF, quotes where they are needed), read and written by
/// CsvHelper. Lists that a spreadsheet saved with semicolons or tabs are read too.
/// </summary>
internal sealed class Sheet
{
    /// <summary>The most rows.</summary>
    public const int MostRows = 10_000;

    // What a spreadsheet would take for a formula. A cell that begins so is written behind an apostrophe, which is taken off again.
    private const string Formula = "=+-@'\t\r";

    private static readonly SearchValues<char> Quoted = SearchValues.Create(",\"\r\n");

    private readonly IReadOnlyList<string> _columns;

    private Sheet(IReadOnlyList<string> columns, IReadOnlyList<SheetRow> rows)
    {
        _columns = columns;
        Rows = rows;
    }

    /// <summary>Its rows, the header not counted.</summary>
    public IReadOnlyList<SheetRow> Rows { get; }

    /// <summary>Whether it has a column.</summary>
    public bool Has(string column) => _columns.Contains(column);

    /// <summary>The names of the columns of a text that may be a list, in small letters; empty for one that is none.</summary>
    public static IReadOnlyList<string> Header(string text)
    {
        var line = text.TrimStart('\uFEFF').Split('\n', 2)[0].TrimEnd('\r');
        return line.Length > 2_000 ? [] : [.. line.Split(Separator(line)).Select(c => Name(c.Trim().Trim('"')))];
    }

    /// <summary>Reads a list.</summary>
    /// <param name="text">The text, with its header.</param>
    /// <param name="known">The columns that it may have; it must have those that <paramref name="needed"/> names.</param>
    /// <param name="needed">The columns that it must have.</param>
    /// <exception cref="TableException">It is none.</exception>
    public static Sheet Read(string text, IReadOnlyList<string> known, IReadOnlyList<string> needed)
    {
        if (text.Contains('\uFFFD', StringComparison.Ordinal))
        {
            throw TableException.Shape(Sentences.ItHasCharactersThatAre, Sentences.SaveItAgainAsCsv);
        }
        text = text.TrimStart('\uFEFF');
        var separator = Separator(text.Split('\n', 2)[0]);
        using var parser = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = separator.ToString(),
                BadDataFound = bad =>
                    throw TableException.Shape(
                        Sentences.TheQuotesInRowAre(bad.Context.Parser?.Row),
                        Sentences.QuoteTheWholeCellAnd
                    ),
                MaxFieldSize = 20_000,
            }
        );
        try
        {
            if (!parser.Read())
            {
                throw TableException.Shape(Sentences.ItIsEmpty, Sentences.TheFirstRowMustName);
            }
            var columns = parser.Record!.Select(Name).ToList();
            CheckColumns(columns, known, needed);
            var rows = new List<SheetRow>();
            while (parser.Read())
            {
                if (rows.Count == MostRows)
                {
                    throw TableException.Shape(Sentences.ItHasMoreThanRows(MostRows), Sentences.SplitIt);
                }
                var row = new SheetRow(parser.Row, columns, parser.Record!, separator != ',');
                if (!row.IsEmpty)
                {
                    rows.Add(row);
                }
            }
            return new Sheet(columns, rows);
        }
        catch (MaxFieldSizeException)
        {
            throw TableException.Shape(Sentences.ACellInRowHas(parser.Row), Sentences.LookForAnUnclosedQuote);
        }
    }

    /// <summary>Writes a list.</summary>
    /// <param name="columns">Its columns.</param>
    /// <param name="rows">Its rows, each with a cell for every column; null for an empty one.</param>
    public static string Write(IReadOnlyList<string> columns, IEnumerable<IReadOnlyList<string?>> rows)
    {
        var text = new StringBuilder();
        using var writer = new CsvWriter(
            new StringWriter(text, CultureInfo.InvariantCulture),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                NewLine = "\r\n",
                // The library's own answer looks for CR LF only; a lone LF in a label would end the row.
                ShouldQuote = cell => cell.Field?.AsSpan().ContainsAny(Quoted) == true,
            }
        );
        foreach (var row in rows.Prepend(columns))
        {
            foreach (var cell in row)
            {
                writer.WriteField(cell is { Length: > 0 } && Formula.Contains(cell[0]) ? $"'{cell}" : cell);
            }
            writer.NextRecord();
        }
        writer.Flush();
        return text.ToString();
    }

    /// <summary>A cell as it was before it was written.</summary>
    internal static string Plain(string cell) =>
        cell.Length > 1 && cell[0] == '\'' && Formula.Contains(cell[1]) ? cell[1..] : cell;

    private static void CheckColumns(List<string> columns, IReadOnlyList<string> known, IReadOnlyList<string> needed)
    {
        var all = string.Join(", ", known);
        if (columns.FirstOrDefault(c => !known.Contains(c)) is { } stranger)
        {
            throw TableException.Shape(
                Sentences.IsNotAColumnOf(stranger.Length > 40 ? stranger[..40] + "…" : stranger),
                Sentences.ItsColumns(all)
            );
        }
        if (columns.GroupBy(c => c).FirstOrDefault(g => g.Count() > 1) is { } twin)
        {
            throw TableException.Shape(Sentences.ColumnAppearsTwice(twin.Key), Sentences.KeepOneOfTheTwo);
        }
        if (needed.FirstOrDefault(c => !columns.Contains(c)) is { } missing)
        {
            throw TableException.Shape(Sentences.ColumnIsMissing(missing), Sentences.ItsColumns(all));
        }
    }

    private static string Name(string cell) => cell.Trim().ToLowerInvariant();

    private static char Separator(string line) => ",;\t".MaxBy(c => line.Count(l => l == c));
}

/// <summary>A row of a list.</summary>
/// <param name="number">Its number in the file, the header being 1.</param>
/// <param name="columns">The names of the columns.</param>
/// <param name="cells">What stands in it.</param>
/// <param name="commas">Whether a comma parts the decimals of its numbers.</param>
internal sealed class SheetRow(int number, IReadOnlyList<string> columns, IReadOnlyList<string> cells, bool commas)
{
    /// <summary>Its number in the file, the header being 1.</summary>
    public int Number => number;

    /// <summary>Whether nothing stands in it.</summary>
    public bool IsEmpty => cells.All(string.IsNullOrWhiteSpace);

    /// <summary>A cell, or null for an empty one.</summary>
    public string? this[string column]
    {
        get
        {
            var at = columns.TakeWhile(c => c != column).Count();
            return at >= cells.Count || string.IsNullOrWhiteSpace(cells[at]) ? null : Sheet.Plain(cells[at].Trim());
        }
    }

    /// <summary>A cell that must say something.</summary>
    /// <exception cref="TableException">It is empty.</exception>
    public string Needed(string column) => this[column] ?? throw Wrong(column, Sentences.IsEmpty, Sentences.FillItIn);

    /// <summary>A number, or null for an empty cell.</summary>
    /// <exception cref="TableException">There is something else.</exception>
    public double? Amount(string column) =>
        this[column] is not { } cell ? null
        : double.TryParse(
            commas ? cell.Replace(',', '.') : cell,
            NumberStyles.Float,
            CultureInfo.InvariantCulture,
            out var value
        ) && double.IsFinite(value)
            ? value
        : throw Wrong(column, $"says \"{Short(cell)}\"", Sentences.EnterANumberWithoutIts);

    /// <summary>A whole number from 1 on, or null for an empty cell.</summary>
    /// <exception cref="TableException">There is something else.</exception>
    public int? Count(string column, int most) =>
        this[column] is not { } cell ? null
        : int.TryParse(cell, NumberStyles.None, CultureInfo.InvariantCulture, out var value)
        && value >= 1
        && value <= most
            ? value
        : throw Wrong(column, $"says \"{Short(cell)}\"", Sentences.EnterAWholeNumberFrom(most));

    /// <summary>A word of a list, or null for an empty cell.</summary>
    /// <exception cref="TableException">There is another word.</exception>
    public T? Word<T>(string column)
        where T : struct, Enum =>
        this[column] is not { } cell ? null
        : Enum.GetValues<T>().Cast<T?>().FirstOrDefault(v => Same(v!.Value, cell)) is { } value ? value
        : throw Wrong(
            column,
            $"says \"{Short(cell)}\"",
            $"Known: {string.Join(", ", Enum.GetValues<T>().Select(WordOf))}."
        );

    /// <summary>What is wrong with a cell.</summary>
    public TableException Wrong(string column, string problem, string mend) => Wrong($"\"{column}\" {problem}", mend);

    /// <summary>What is wrong with the row.</summary>
    public TableException Wrong(string problem, string mend) =>
        new(
            TableRules.Row.Found(
                Severity.Stop,
                Subject.Place($"row {number}"),
                ("place", $"Row {number}"),
                ("problem", problem),
                ("mend", mend)
            )
        );

    /// <summary>A word as it is written in lists and files.</summary>
    public static string WordOf<T>(T value)
        where T : struct, Enum => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName($"{value}");

    private static bool Same<T>(T value, string cell)
        where T : struct, Enum =>
        string.Equals(
            $"{value}",
            OldWords.Now<T>(cell.Replace(" ", "", StringComparison.Ordinal)),
            StringComparison.OrdinalIgnoreCase
        );

    private static string Short(string text) => text.Length <= 40 ? text : $"{text[..40]}…";
}
