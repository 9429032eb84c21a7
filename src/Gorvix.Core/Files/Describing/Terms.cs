using System.Globalization;
using Gorvix.Core.Hardware.Parts;
using Superpower;
using Superpower.Model;
using Superpower.Parsers;
using T = Gorvix.Core.Files.Describing.LeafletToken;

namespace Gorvix.Core.Files.Describing;

/// <summary>The smallest pieces of a line: words, numbers with units, values of enumerations.</summary>
internal static class Terms
{
    /// <summary>What a parser reads, or null where it is not there.</summary>
    public static TokenListParser<T, TRead?> Maybe<TRead>(this TokenListParser<T, TRead> parser)
        where TRead : class => parser.Select(TRead? (read) => read).OptionalOrDefault();

    /// <summary>A word that stands as it is.</summary>
    public static TokenListParser<T, Token<T>> Key(string word) => Word(word).Named($"\"{word}\"");

    /// <summary>A number, with its unit or without.</summary>
    public static TokenListParser<T, double> Number(string unit) =>
        Token
            .EqualTo(T.Word)
            .Where(t => NumberIn(t.ToStringValue(), unit) is not null, unit == "" ? "a number" : $"a number in {unit}")
            .Then(t => Word(unit).OptionalOrDefault().Value(NumberIn(t.ToStringValue(), unit)!.Value));

    /// <summary>One of the values of an enumeration, by its name.</summary>
    public static TokenListParser<T, TValue> OneOf<TValue>(string expected)
        where TValue : struct, Enum =>
        Token.EqualTo(T.Word).Where(t => Value<TValue>(t) is not null, expected).Select(t => Value<TValue>(t)!.Value);

    private static TValue? Value<TValue>(Token<T> token)
        where TValue : struct, Enum
    {
        var word = OldWords.Now<TValue>(token.ToStringValue().Replace("-", "", StringComparison.Ordinal));
        foreach (var name in Enum.GetNames<TValue>())
        {
            if (string.Equals(name, word, StringComparison.OrdinalIgnoreCase))
            {
                return Enum.Parse<TValue>(name);
            }
        }
        return null;
    }

    /// <summary>A word, without a name of its own in what is said when it is missing.</summary>
    public static TokenListParser<T, Token<T>> Word(string word) =>
        Token.EqualTo(T.Word).Where(t => IsWord(t, word), $"\"{word}\"");

    /// <summary>Whether a token is this word, however it is written.</summary>
    public static bool IsWord(Token<T> token, string word) =>
        string.Equals(LeafletTokens.Tidy(token.ToStringValue()), word, StringComparison.OrdinalIgnoreCase);

    // Whatever a leaflet states is far below it; what is drawn or reckoned from it stays a number.
    private const double Most = 1e9;

    /// <summary>The number in a word that may carry its unit, 0x before a bare one in hex; null when it is none, or beyond ±10⁹.</summary>
    public static double? NumberIn(string word, string unit)
    {
        var plain = LeafletTokens.Tidy(word);
        if (unit != "" && plain.EndsWith(unit, StringComparison.OrdinalIgnoreCase))
        {
            plain = plain[..^unit.Length];
        }
        if (
            unit == ""
            && plain.StartsWith("0x", StringComparison.OrdinalIgnoreCase)
            && int.TryParse(plain.AsSpan(2), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out var hex)
        )
        {
            return hex is >= 0 and <= (int)Most ? hex : null;
        }
        return
            double.TryParse(
                plain,
                NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign | NumberStyles.AllowExponent,
                CultureInfo.InvariantCulture,
                out var number
            )
            && Math.Abs(number) <= Most
            ? number
            : null;
    }
}
