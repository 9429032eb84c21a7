using System.Globalization;
using System.Text;
using Superpower;
using Superpower.Display;
using Superpower.Model;
using Superpower.Parsers;
using Superpower.Tokenizers;

namespace Gorvix.Core.Files.Describing;

/// <summary>The words and signs of a leaflet text.</summary>
internal enum LeafletToken
{
    [Token(Description = "a word")]
    Word,

    [Token(Description = "quoted text")]
    Text,

    [Token(Example = ":")]
    Colon,

    [Token(Example = "=")]
    Equal,

    [Token(Example = "?")]
    Doubt,

    [Token(Example = "[")]
    Open,

    [Token(Example = "]")]
    Close,

    [Token(Example = "(")]
    Left,

    [Token(Example = ")")]
    Right,

    [Token(Example = ",")]
    Comma,

    [Token(Example = "|")]
    Or,

    [Token(Example = ">")]
    To,
}

/// <summary>
/// Cuts a line of a leaflet text into words and signs. Text that was copied out of a printed page is taken as it is meant: odd
/// spaces part words, odd dashes are dashes, soft hyphens and marks without width are nothing, curly quotes are quotes. What
/// stands in quotes is taken letter by letter.
/// </summary>
internal static class LeafletTokens
{
    private const string Signs = ":=?[](),|>";
    private const string Quotes = "\"\u201C\u201D\u201E";
    private const string Dashes = "\u2010\u2011\u2012\u2013\u2014\u2015\u2212\uFE58\uFE63\uFF0D";

    private static readonly TextParser<char> Escaped = Character
        .EqualTo('\\')
        .IgnoreThen(
            Character
                .EqualTo('n')
                .Value('\n')
                .Or(Character.EqualTo('r').Value('\r'))
                .Or(Character.EqualTo('t').Value('\t'))
                .Or(
                    Character
                        .EqualTo('u')
                        .IgnoreThen(Character.HexDigit.Repeat(4))
                        .Select(hex =>
                            (char)int.Parse(new string(hex), NumberStyles.HexNumber, CultureInfo.InvariantCulture)
                        )
                )
                .Or(Character.In('"', '\\'))
        )
        .Named("one of \\\" \\\\ \\n \\r \\t \\u and four digits");

    private static readonly TextParser<string> Quoted = Character
        .Matching(c => Quotes.Contains(c), "a quote")
        .IgnoreThen(Escaped.Or(Character.Matching(c => !Quotes.Contains(c) && c != '\\', "a character")).Many())
        .Then(body => Character.Matching(c => Quotes.Contains(c), "a closing quote").Value(new string(body)));

    /// <summary>The tokenizer of one line.</summary>
    public static readonly Tokenizer<LeafletToken> Line = new TokenizerBuilder<LeafletToken>()
        .Ignore(Span.MatchedBy(Character.Matching(IsSpace, "a space").AtLeastOnce()))
        .Match(Span.MatchedBy(Quoted), LeafletToken.Text)
        .Match(Character.EqualTo(':'), LeafletToken.Colon)
        .Match(Character.EqualTo('='), LeafletToken.Equal)
        .Match(Character.EqualTo('?'), LeafletToken.Doubt)
        .Match(Character.EqualTo('['), LeafletToken.Open)
        .Match(Character.EqualTo(']'), LeafletToken.Close)
        .Match(Character.EqualTo('('), LeafletToken.Left)
        .Match(Character.EqualTo(')'), LeafletToken.Right)
        .Match(Character.EqualTo(','), LeafletToken.Comma)
        .Match(Character.EqualTo('|'), LeafletToken.Or)
        .Match(Character.EqualTo('>'), LeafletToken.To)
        .Match(Span.MatchedBy(Character.Matching(IsLetter, "a character").AtLeastOnce()), LeafletToken.Word)
        .Build();

    /// <summary>What a token in quotes says.</summary>
    public static string Unquote(Token<LeafletToken> token) => Quoted.Parse(token.ToStringValue());

    /// <summary>A text that may stand in quotes, as the rest of a line: the text, or null when its quotes are not right.</summary>
    public static string? Rest(string line)
    {
        var tidy = Tidy(line).Trim();
        return tidy.Length == 0 || !Quotes.Contains(tidy[0]) ? tidy
            : Quoted.AtEnd().TryParse(line.Trim()) is { HasValue: true } read ? read.Value
            : null;
    }

    /// <summary>A word without marks that have no width, with plain dashes and spaces.</summary>
    public static string Tidy(string word)
    {
        var tidy = new StringBuilder(word.Length);
        foreach (var c in word)
        {
            if (!IsNothing(c))
            {
                tidy.Append(
                    Dashes.Contains(c) ? '-'
                    : IsSpace(c) ? ' '
                    : c
                );
            }
        }
        return tidy.ToString();
    }

    /// <summary>Writes a name so that it is read back: as a word where it can be one, else in quotes.</summary>
    /// <param name="name">The name.</param>
    /// <param name="taken">Words that mean something where it stands.</param>
    public static string Name(string name, params ReadOnlySpan<string> taken)
    {
        var plain =
            name.Length > 0 && name.All(IsLetter) && Tidy(name) == name && name[0] is not ('#' or '~') && name != "-";
        foreach (var word in taken)
        {
            plain &= !string.Equals(word, name, StringComparison.OrdinalIgnoreCase);
        }
        return plain ? name : Quote(name);
    }

    /// <summary>A text to the end of the line: in quotes only where it would not be read back without.</summary>
    public static string ToLineEnd(string text) =>
        Rest(text) == text && text.Length > 0 && !Quotes.Contains(text[0]) ? text : Quote(text);

    /// <summary>A text in quotes.</summary>
    public static string Quote(string text)
    {
        var quoted = new StringBuilder("\"");
        foreach (var c in text)
        {
            quoted.Append(
                c switch
                {
                    '"' => "\\\"",
                    '\\' => "\\\\",
                    '\n' => "\\n",
                    '\r' => "\\r",
                    '\t' => "\\t",
                    _ when char.IsControl(c) || Quotes.Contains(c) || c is '\u2028' or '\u2029' => $"\\u{(int)c:x4}",
                    _ => $"{c}",
                }
            );
        }
        return quoted.Append('"').ToString();
    }

    private static bool IsLetter(char c) => !IsSpace(c) && !Signs.Contains(c) && !Quotes.Contains(c);

    private static bool IsSpace(char c) => char.IsWhiteSpace(c) || char.IsControl(c);

    // Soft hyphen, zero-width space and its relatives, byte order mark.
    private static bool IsNothing(char c) => c is '\u00AD' or '\uFEFF' or >= '\u200B' and <= '\u200F' or '\u2060';
}
