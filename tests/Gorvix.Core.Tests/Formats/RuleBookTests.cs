using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Tests.Formats;

/// <summary>The list of rules is whole and its page is current.</summary>
public class RuleBookTests
{
    [Fact]
    public void Docs_rules_is_current()
    {
        var page = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "docs", "rules.md"));
        Assert.True(page == RuleBook.Page(), "docs/rules.md is not what the code says; ./test --write rewrites it.");
    }

    [Fact]
    public void Every_rule_in_the_code_is_in_the_book()
    {
        var inCode =
            from type in Storeys.Types
            from field in type.GetFields()
            where field.IsStatic && field.FieldType == typeof(Rule)
            select (Rule)field.GetValue(null)!;
        Assert.Equal(inCode.Select(r => r.Id).Order(), RuleBook.All.Select(r => r.Id).Order());
    }

    [Fact]
    public void No_two_rules_share_an_id() =>
        Assert.Equal(RuleBook.All.Count, RuleBook.All.Select(r => r.Id).Distinct().Count());

    [Fact]
    public void Every_rule_says_why_and_from_where() =>
        Assert.All(
            RuleBook.All,
            r =>
            {
                Assert.NotEmpty(r.Title);
                Assert.EndsWith(".", r.Reason);
                Assert.NotEmpty(r.Source.ToString());
            }
        );

    // What, where and how to mend: a fact of the case, the place that it is about, and something to do.
    [Fact]
    public void Every_sentence_names_what_and_where_and_how_to_mend()
    {
        string[] places =
        [
            "place",
            "rail",
            "port",
            "pad",
            "half",
            "plug",
            "device",
            "board",
            "bridge",
            "lead",
            "link",
            "family",
            "bay",
            "firmware",
            "one",
            "built",
            "step",
        ];
        string[] deeds =
        [
            "{mend}",
            "Re-pin ",
            "Do not plug ",
            "splice ",
            "Remove ",
            "Reload ",
            "Enter ",
            "Use ",
            "Change ",
            "Power ",
            "Add ",
            "Check ",
            "Choose ",
            "Export ",
            "Give ",
            "Keep ",
            "Leave ",
            "Let ",
            "Look ",
            "Measure ",
            "Move ",
            "Pin ",
            "Split ",
            "Take ",
            "Update ",
            "find it ",
            "join ",
            "mark ",
            "unplug ",
        ];
        // These speak of a build or a file as a whole.
        string[] whole =
        [
            "NO-PACK",
            "HOME-NO-GPS",
            "WAYS",
            "SEARCH",
            "FILE-SIZE",
            "FILE-VERSION",
            "FILE-NO-BUILD",
            "FILE-BUILDS",
        ];
        Assert.All(
            RuleBook.All,
            r =>
            {
                Assert.True(
                    whole.Contains(r.Id) || r.Names().Intersect(places).Any() || r.Names().Contains("from"),
                    $"{r.Id} does not say where: {r.Sentence}"
                );
                Assert.True(
                    r.Mend == "" ? deeds.Any(r.Sentence.Contains) : r.Mend.EndsWith('.') && char.IsUpper(r.Mend[0]),
                    $"{r.Id} does not say how to mend it: {r.Sentence} {r.Mend}"
                );
            }
        );
    }

    [Fact]
    public void A_sentence_without_its_facts_is_not_said()
    {
        var rule = new Rule("X", "x", "{lead} meets {pad}.", "Because.", SourceNote.Practice);
        Assert.Equal("TX meets R1.", rule.Say([new("lead", "TX"), new("pad", "R1")]));
        Assert.Throws<ArgumentException>(() => rule.Say([new("lead", "TX")]));
    }

    [Fact]
    public void A_label_with_braces_is_only_a_label() =>
        Assert.Equal(
            "{pad} meets R1.",
            new Rule("X", "x", "{lead} meets {pad}.", "Because.", SourceNote.Practice).Say([
                new("pad", "R1"),
                new("lead", "{pad}"),
            ])
        );

    [Theory]
    [InlineData(Standing.Published, "a book", "a book")]
    [InlineData(Standing.CommonPractice, "", "common practice")]
    [InlineData(Standing.FromMemory, "a frame", "from memory; a frame")]
    [InlineData(Standing.OwnRule, "", "Gorvix's own rule")]
    public void A_source_says_how_far_it_can_be_trusted(Standing standing, string text, string said) =>
        Assert.Equal(said, new SourceNote(standing, text).ToString());
}
