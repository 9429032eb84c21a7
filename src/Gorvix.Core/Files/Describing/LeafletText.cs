using System.Text.RegularExpressions;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Superpower;

namespace Gorvix.Core.Files.Describing;

/// <summary>Something in a leaflet text that cannot be read.</summary>
/// <param name="Line">The line, from 1.</param>
/// <param name="Column">The letter in it, from 1.</param>
/// <param name="Finding">What is wrong and how to mend it.</param>
public sealed record LeafletProblem(int Line, int Column, Finding Finding);

/// <summary>What came of reading a leaflet text.</summary>
/// <param name="Board">The board as far as it is described; lines with a problem are left out. It need not pass <see cref="PartCheck"/>.</param>
/// <param name="Problems">What could not be read, in the order of the text.</param>
/// <param name="Assumed">Rails that only labels speak of.</param>
public sealed record LeafletReading(
    Board Board,
    IReadOnlyList<LeafletProblem> Problems,
    IReadOnlyList<Finding> Assumed
);

/// <summary>
/// The leaflet of a board as text: typed as it is read, shown, copied, read back. docs/board-text.md has the whole notation. The text
/// of a board gives the same board again, to the last member.
/// </summary>
public static partial class LeafletText
{
    /// <summary>The longest text that is looked at, in letters.</summary>
    public const int MostLetters = 100_000;

    /// <summary>The longest line, in letters.</summary>
    public const int MostLine = 8_000;

    /// <summary>The most lines.</summary>
    public const int MostLines = 1_000;

    // A text of another kind breaks in every line; the first ones are what the builder can use.
    private const int MostProblems = 20;

    /// <summary>Reads a text. Each line stands for itself: one that cannot be read takes nothing else with it.</summary>
    /// <param name="text">The text; lines end in LF, CR LF or CR.</param>
    public static LeafletReading Read(string text)
    {
        var assembler = new BoardAssembler();
        var problems = new List<LeafletProblem>();
        if (text.Length > MostLetters)
        {
            problems.Add(
                Problem(1, 1, Sentences.TheTextHasCharacters(text.Length), Sentences.TheLimitIsABoard(MostLetters))
            );
            return new LeafletReading(assembler.Finish().Board, problems, []);
        }
        var lines = EndsOf(LinesOf(text));
        if (lines.Length > MostLines)
        {
            problems.Add(
                Problem(
                    MostLines + 1,
                    1,
                    Sentences.TheTextHasLines(lines.Length),
                    Sentences.TheLimitIsABoard(MostLines)
                )
            );
        }
        foreach (var (i, line) in lines.Take(MostLines).Index())
        {
            if (ReadLine(line, i + 1, out var statement) is { } problem)
            {
                problems.Add(problem);
            }
            else if (statement is not null)
            {
                assembler.Add(statement, i + 1);
            }
        }
        var (board, more, assumed) = assembler.Finish();
        return new LeafletReading(
            board,
            [.. problems.Concat(more).OrderBy(p => p.Line).ThenBy(p => p.Column).Take(MostProblems)],
            assumed
        );
    }

    // Until format version 4 the arrow of an upright board pointed to the "rear": such a text is read as it was meant.
    private static string[] EndsOf(string[] lines) =>
        lines.Any(l => WordsOf(l) is ["arrow", "rear", ..]) ? [.. lines.Select(Turned)] : lines;

    private static string[] WordsOf(string line) =>
        line.Length > MostLine
            ? []
            : line.ToLowerInvariant()
                .Split(' ', 3, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    // What follows usb and arrow, and top and bottom before the colon of a row or a socket: names and free words stay.
    private static string Turned(string line)
    {
        if (line.Length > MostLine)
        {
            return line;
        }
        var colon = line.IndexOf(':', StringComparison.Ordinal);
        var from =
            WordsOf(line) is ["usb" or "arrow", ..] ? 0
            : colon > 0 && Side().Match(line[..colon]) is { Success: true } side ? side.Index
            : line.Length;
        var to = from == 0 ? line.Length : Math.Max(from, colon);
        return line[..from] + End().Replace(line[from..to], e => Same(e.Value, "rear") ? "front" : "rear") + line[to..];
    }

    private static bool Same(string one, string other) => string.Equals(one, other, StringComparison.OrdinalIgnoreCase);

    [GeneratedRegex(@"\b(?:top|bottom)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Side();

    [GeneratedRegex(@"\b(?:front|rear)\b", RegexOptions.IgnoreCase)]
    private static partial Regex End();

    /// <summary>The text of a board.</summary>
    /// <param name="board">A board; it need not be whole.</param>
    public static string Write(Board board) => LeafletWriter.Write(board);

    /// <summary>One way of a pad as text, such as <c>J4=raw &gt; U4.RX</c>.</summary>
    /// <param name="board">The board.</param>
    /// <param name="path">The way.</param>
    public static string Write(Board board, PadPath path) => LeafletWriter.Way(board, path);

    /// <summary>What the lines of a text say, each for itself.</summary>
    internal static (IReadOnlyList<Statement> Statements, IReadOnlyList<LeafletProblem> Problems) Statements(
        string text
    )
    {
        var statements = new List<Statement>();
        var problems = new List<LeafletProblem>();
        foreach (var (i, line) in LinesOf(text).Take(MostLines).Index())
        {
            if (ReadLine(line, i + 1, out var statement) is { } problem)
            {
                problems.Add(problem);
            }
            else if (statement is not null)
            {
                statements.Add(statement);
            }
        }
        return (statements, problems);
    }

    /// <summary>A problem, told of another line.</summary>
    internal static LeafletProblem Moved(LeafletProblem problem, int line)
    {
        var facts = problem.Finding.Facts.ToDictionary(f => f.Name, f => f.Value);
        return Problem(line, problem.Column, facts["problem"], facts["mend"]);
    }

    /// <summary>A problem at a place in a text.</summary>
    internal static LeafletProblem Problem(int line, int column, string problem, string mend)
    {
        var place = $"line {line}, column {column}";
        return new LeafletProblem(
            line,
            column,
            LeafletRules.Line.Found(
                Severity.Stop,
                Subject.Place(place),
                ("place", $"Line {line}, column {column}"),
                ("problem", problem),
                ("mend", mend)
            )
        );
    }

    private static string[] LinesOf(string text) =>
        text.Replace("\r\n", "\n", StringComparison.Ordinal).Replace('\r', '\n').Split('\n');

    private static LeafletProblem? ReadLine(string line, int number, out Statement? statement)
    {
        statement = null;
        var start = LeafletTokens.Tidy(line).TrimStart();
        if (start.Length == 0 || start[0] == '#')
        {
            return null;
        }
        if (line.Length > MostLine)
        {
            return Problem(
                number,
                1,
                Sentences.TheLineHasCharacters(line.Length),
                Sentences.TheLimitIsSplitIt(MostLine)
            );
        }
        var word = start.Split(' ', 2)[0];
        if (TextLines.Find(word) is { } apply)
        {
            return TextLine(line, number, word, apply, out statement);
        }
        var tokens = LeafletTokens.Line.TryTokenize(line);
        if (!tokens.HasValue)
        {
            return Problem(
                number,
                tokens.ErrorPosition.HasValue ? tokens.ErrorPosition.Column : 1,
                tokens.FormatErrorMessageFragment(),
                Sentences.EndQuotedTextWithA
            );
        }
        var grammar = LeafletGrammar.Lines.GetValueOrDefault(word.TrimEnd(':'));
        if (grammar is null && !tokens.Value.Any(t => t.Kind == LeafletToken.Colon))
        {
            return Problem(number, 1, Sentences.StartsWithNoKnownKeyword(Short(start)), Sentences.WriteARowOfPads);
        }
        var read = (grammar ?? LeafletGrammar.Other).AtEnd().TryParse(tokens.Value);
        if (read.HasValue)
        {
            statement = read.Value;
            return null;
        }
        return Problem(
            number,
            read.ErrorPosition.HasValue ? read.ErrorPosition.Column : line.Length + 1,
            read.FormatErrorMessageFragment(),
            Sentences.WriteThisLineAs(Examples.For(word.TrimEnd(':')))
        );
    }

    private static LeafletProblem? TextLine(
        string line,
        int number,
        string word,
        Func<Board, string, Board> apply,
        out Statement? statement
    )
    {
        statement = null;
        var at = line.IndexOf(word, StringComparison.OrdinalIgnoreCase) is >= 0 and var found ? found : 0;
        var rest = line[Math.Min(line.Length, at + word.Length)..];
        if (LeafletTokens.Rest(rest) is not { } value)
        {
            return Problem(
                number,
                at + word.Length + 2,
                Sentences.TheQuotesAreNotClosed,
                Sentences.RemoveTheQuotesOrPut
            );
        }
        if (value == "")
        {
            return Problem(
                number,
                at + word.Length + 1,
                Sentences.NothingFollows(word),
                Sentences.WriteTheValueAfterIt
            );
        }
        statement = new ValueLine(word.ToLowerInvariant(), b => apply(b, value));
        return null;
    }

    private static string Short(string text) => text.Length <= 30 ? text.TrimEnd() : $"{text[..30]}…";
}

/// <summary>Lines that are one text to their end.</summary>
internal static class TextLines
{
    private static readonly Dictionary<string, Func<Board, string, Board>> All = new(StringComparer.OrdinalIgnoreCase)
    {
        ["maker"] = (b, text) => b with { Maker = text },
        ["board"] = (b, text) => b with { Name = text },
        ["revision"] = (b, text) => b with { Revision = text },
        ["recognise"] = (b, text) => b with { Recognise = text },
        ["target"] = (b, text) => b with { Target = text },
        ["id"] = (b, text) => b with { Id = text },
    };

    /// <summary>What a line that begins with this word sets; null for a line of another kind.</summary>
    public static Func<Board, string, Board>? Find(string word) => All.GetValueOrDefault(word);
}

/// <summary>How each line is written, for what is said when one cannot be read.</summary>
internal static class Examples
{
    private static readonly Dictionary<string, string> All = new(StringComparer.OrdinalIgnoreCase)
    {
        ["controller"] = "controller F4, pins max 5 V",
        ["input"] = "input 7 to 26 V",
        ["size"] = "size 36 x 36 mm",
        ["holes"] = "holes 30.5 x 30.5 mm, M3",
        ["usb"] = "usb left",
        ["arrow"] = "arrow front",
        ["rail"] = "rail 5V: 5 V regulator, dropout 1 V, up to 2 A, switching, filtered",
        ["net"] = "net u3tx: max 5 V, chatters",
        ["port"] = "port U3: RX TX, for control",
        ["bridge"] = "bridge J4: raw inverted, default raw, bottom 12,8",
        ["inside"] = "inside \"receiver\" gives control",
        ["top"] = "top left: R1 T1 5V G 4V5",
        ["bottom"] = "bottom front: B+?=BAT DSM=U3.TX",
        ["ways"] = "ways R4: J4=raw > U4.RX | J4=inverted > inverter > U4.RX",
        ["pins"] = "pins NAV (1.0 mm): n1 n2 - n4",
    };

    /// <summary>An example of a line that begins with this word; of a socket for any other.</summary>
    public static string For(string word) => All.GetValueOrDefault(word, Sentences.Air125MmBottom);
}
