using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Tests.Findings;

/// <summary>Pieces of sentences.</summary>
public class PhraseTests
{
    [Theory]
    [InlineData("", "")]
    [InlineData("a", "a")]
    [InlineData("a b", "a and b")]
    [InlineData("a b c", "a, b and c")]
    public void Words_are_joined_as_one_says_them(string words, string said) =>
        Assert.Equal(said, Phrase.Join(words.Split(' ', StringSplitOptions.RemoveEmptyEntries)));

    [Fact]
    public void Or_stands_where_one_of_them_is_meant() => Assert.Equal("a, b or c", Phrase.Or(["a", "b", "c"]));

    [Theory]
    [InlineData("RC link", "RC link")]
    [InlineData("ESC telemetry", "ESC telemetry")]
    [InlineData("A", "a")]
    public void An_abbreviation_keeps_its_capitals_inside_a_sentence(string words, string said) =>
        Assert.Equal(said, Phrase.Lower(words));

    [Theory]
    [InlineData(1, null, "1 link")]
    [InlineData(2, null, "2 links")]
    [InlineData(0, null, "0 links")]
    [InlineData(2, "link ends", "2 link ends")]
    public void A_number_has_its_thing_in_the_right_form(int number, string? several, string said) =>
        Assert.Equal(said, Phrase.Count(number, "link", several));

    [Fact]
    public void The_first_of_several_sentences_is_whole() =>
        Assert.Equal("It is so.", Phrase.First("It is so. And more."));
}
