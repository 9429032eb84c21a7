using System.Text.RegularExpressions;
using Gorvix.Shared;

namespace Gorvix.Core.Tests.Words;

/// <summary>docs/words.txt, which has every word of the screens, against the voice that it should have.</summary>
public partial class WordsFileTests
{
    private static readonly string[] Lines = File.ReadAllLines(
        Path.Combine(AppContext.BaseDirectory, "docs", "words.txt")
    );

    // Lines that show what is printed by a board or is a text to be copied: no sentences.
    private static bool IsPrinted(string line) =>
        line.StartsWith("port ", StringComparison.Ordinal)
        || line.StartsWith("set ", StringComparison.Ordinal)
        || line.Contains("job=", StringComparison.Ordinal)
        || line.Contains("{%", StringComparison.Ordinal)
        // Ids of rules stay what they are.
        || RuleId().IsMatch(line);

    [Fact]
    public void It_has_every_screen() =>
        Assert.Equal(
            [
                "Builds",
                "New build",
                "Parts",
                "Fit",
                "Before you buy",
                "Rails",
                "Loom",
                "Wiring picture",
                "Settings",
                "Bench",
                "Faults",
                "Log",
                "Practice",
                "Fleet",
                "Library",
                "Board and device editors",
                "Import",
                "In the client's source: states, errors and spoken names as well",
            ],
            Lines.Where(l => l.StartsWith("## ", StringComparison.Ordinal)).Select(l => l[3..])
        );

    public static TheoryData<string> Traces => [.. Dialect.Traces];

    [Theory]
    [MemberData(nameof(Traces))]
    public void It_has_no_trace_of_the_old_dialect(string trace)
    {
        var regex = new Regex(trace, RegexOptions.IgnoreCase);
        Assert.Equal([], Lines.Where(l => !IsPrinted(l) && regex.IsMatch(l)));
    }

    [Fact]
    public void It_has_no_double_space_or_stop_and_no_space_before_a_comma() =>
        Assert.Equal([], Lines.Where(l => !IsPrinted(l) && Slips().IsMatch(l)));

    [Fact]
    public void A_UART_is_called_UART_in_a_sentence() =>
        Assert.Equal([], Lines.Where(l => !IsPrinted(l) && ShortUart().IsMatch(l)));

    [Fact]
    public void No_sentence_has_more_than_thirty_words() =>
        Assert.Equal(
            [],
            Lines
                .Where(l => !IsPrinted(l))
                .SelectMany(l => l.Split(". "))
                .Where(s => Word().Count(s) > 30 && !List().IsMatch(s))
        );

    /// <summary>Verb and object on a button, a noun phrase on a field: three words, four where one is small.</summary>
    [Theory]
    [InlineData("button", 4)]
    [InlineData("label", 4)]
    public void Buttons_and_labels_are_short(string kind, int most)
    {
        var lines = Lines.Where(l => l.Contains($", {kind}\t", StringComparison.Ordinal)).ToList();
        Assert.True(lines.Count > 40);
        Assert.Equal([], lines.Where(l => Word().Count(l[(l.IndexOf('\t', StringComparison.Ordinal) + 1)..]) > most));
    }

    [GeneratedRegex(@"\bUNDER-VOLTAGE\b")]
    private static partial Regex RuleId();

    [GeneratedRegex(@"  |\.\.(?!\.)(?<!\.\.\.)| ,|,,|;;")]
    private static partial Regex Slips();

    // "to U3", "on U3": a head of a column may be short, a sentence not.
    [GeneratedRegex(@"\b(on|to|from|of|at) U\d\b")]
    private static partial Regex ShortUart();

    // A list of many things is no sentence.
    [GeneratedRegex(@" · |(,[^,]*){3}")]
    private static partial Regex List();

    [GeneratedRegex(@"\p{L}[\p{L}\p{N}'’-]*")]
    private static partial Regex Word();
}
