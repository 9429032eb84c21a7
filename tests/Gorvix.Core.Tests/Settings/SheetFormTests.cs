using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Settings;

namespace Gorvix.Core.Tests.Settings;

/// <summary>Templates and patterns of the builder: what they make, and what they may not do.</summary>
public class SheetFormTests
{
    private sealed record Desk(Board Board, SettingsSheet Sheet);

    private static Desk At(Build build)
    {
        var wired = new FitReader(Resolved(build, Demo.Library)).Wired;
        return new Desk(wired.Build.Board, SettingsReader.Of(wired, new DateOnly(2026, 11, 26)));
    }

    [Fact]
    public void The_shipped_plain_form_is_the_neutral_one_and_all_shipped_forms_fill()
    {
        var desk = At(Demo.CrusherHouseLark);
        var plain = SheetForm.Fill(SheetForm.Shipped["plain"], "Lark", desk.Board, desk.Sheet).Text!;
        Assert.Equal(
            NeutralForm.Read(NeutralForm.Write(desk.Board, desk.Sheet)).Lines.Select(l => (l.Key, l.Value)),
            NeutralForm.Read(plain).Lines.Select(l => (l.Key, l.Value))
        );
        Assert.All(
            SheetForm.Shipped.Values,
            form => Assert.Null(SheetForm.Fill(form, "Lark", desk.Board, desk.Sheet).Error)
        );
    }

    [Theory]
    [InlineData("a\nb {% if %}\nc", 2)]
    [InlineData("{% for s in settings %}\n{{ s.key | }}\n{% endfor %}", 2)]
    [InlineData("{{ 'x", 1)]
    public void A_template_that_is_not_understood_is_told_with_its_line(string template, int line)
    {
        var desk = At(Demo.CrusherHouseLark);
        var result = SheetForm.Fill(template, "Lark", desk.Board, desk.Sheet);
        Assert.Null(result.Text);
        Assert.Equal(line, result.Line);
        Assert.StartsWith("The template has an error", result.Error!, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("{% for a in (1..100000) %}{% for b in (1..100000) %}x{% endfor %}{% endfor %}")]
    [InlineData("{% for a in (1..2000000000) %}{% endfor %}")]
    [InlineData("{% assign s = 'xxxxxxxxxx' %}{% for a in (1..30) %}{% assign s = s | append: s %}{% endfor %}{{ s }}")]
    [InlineData("{% capture x %}{% for a in (1..900) %}xxxxxxxxxxxxx{% endfor %}{% endcapture %}{{ x }}")]
    [InlineData("{% assign n = 2000000000 %}{% for a in (1..n) %}{% endfor %}")]
    [InlineData("{{ settings | concat: settings | join: 'long long long' | replace: 'o', 'long long long long' }}")]
    [InlineData("{% for a in (1..900) %}{% for b in (1..900) %}{% assign x = a %}{% endfor %}{% endfor %}")]
    [InlineData("{% include 'passwd' %}")]
    [InlineData("{% for s in settings %}{{ s.key | times: 'a' | divided_by: 0 }}{% endfor %}")]
    public void A_template_that_loops_throws_or_reaches_out_ends_with_a_sentence(string template)
    {
        var desk = At(Demo.CrusherHouseLark);
        var result = SheetForm.Fill(template, "Lark", desk.Board, desk.Sheet);
        Assert.NotNull(result.Error);
        Assert.EndsWith(".", result.Error, StringComparison.Ordinal);
    }

    // Each of these sends a reader that goes down with its text out of its stack, and the program with it.
    public static TheoryData<string> Deep =>
        [
            $"{{% if {new string('(', 5000)} %}}",
            $"{{{{ {new string('[', 5000)} }}}}",
            $"{{% if {string.Concat(Enumerable.Repeat("a or ", 3000))} a %}}x{{% endif %}}",
            $"{{{{ 'a' {string.Concat(Enumerable.Repeat("| a ", 4000))} }}}}",
            string.Concat(Enumerable.Repeat("{% if a %}", 1900)),
            string.Concat(Enumerable.Repeat("{%- for a in settings -%}", 800)),
            $"{{% liquid\n{string.Concat(Enumerable.Repeat("if a\n", 3000))}%}}",
            string.Concat(Enumerable.Repeat("{{", 9000)),
            string.Concat(Enumerable.Repeat("{%", 9000)),
            // An end inside quotes is none: what follows it stands in the tag.
            $"{{{{ \"}}}}\" | append: {string.Concat(Enumerable.Repeat("a[", 6000))}1{new string(']', 6000)} }}}}",
            $"{{{{ '}}}}' | append: {new string('(', 6000)} }}}}",
            $"{{{{ \"\\\"}}}}\" | append: {string.Concat(Enumerable.Repeat("a[", 6000))}1 }}}}",
            $"{{% if \"%}}\" == {new string('(', 6000)} %}}{{% endif %}}",
            $"{{% if '%}}' or {string.Concat(Enumerable.Repeat("a or ", 3000))} a %}}x{{% endif %}}",
            // Closed in quotes, they would count as none.
            $"{{% if {string.Concat(Enumerable.Repeat("(')'", 90))} %}}{{% endif %}}",
        ];

    [Theory]
    [MemberData(nameof(Deep))]
    public void A_template_that_is_too_deep_is_refused_before_it_is_read(string template)
    {
        var desk = At(Demo.CrusherHouseLark);
        var result = SheetForm.Fill(template, "Lark", desk.Board, desk.Sheet);
        Assert.Null(result.Text);
        Assert.EndsWith(".", result.Error, StringComparison.Ordinal);
        Assert.NotNull(result.Line);
    }

    /// <summary>A range of a hundred million takes all memory, wherever it stands.</summary>
    [Theory]
    [InlineData("{{ settings[(1..100000000)] }}")]
    [InlineData("{{ settings[0][settings[(1..100000000)]] }}")]
    [InlineData("{{ (1..100000000) | size }}")]
    [InlineData("{{ 'a' | append: (1..100000000) }}")]
    [InlineData("{{ 'a' | slice: settings[(1..100000000)], 1 }}")]
    [InlineData("{% assign a = (1..100000000) %}")]
    [InlineData("{% assign a = settings[(1..100000000)] %}")]
    [InlineData("{% for a in (1..100000000) %}{% endfor %}")]
    [InlineData("{% for a in settings limit: settings[(1..100000000)] %}{% endfor %}")]
    [InlineData("{% for a in settings offset: settings[(1..100000000)] %}{% endfor %}")]
    [InlineData("{% if settings[(1..100000000)] %}{% endif %}")]
    [InlineData("{% if a == settings[(1..100000000)] or b %}{% endif %}")]
    [InlineData("{% if a %}{% elsif settings[(1..100000000)] %}{% endif %}")]
    [InlineData("{% unless settings[(1..100000000)] %}{% endunless %}")]
    [InlineData("{% case settings[(1..100000000)] %}{% when 1 %}{% endcase %}")]
    [InlineData("{% case 1 %}{% when settings[(1..100000000)] %}{% endcase %}")]
    [InlineData("{% cycle settings[(1..100000000)], 'b' %}")]
    [InlineData("{% tablerow a in (1..100000000) %}{% endtablerow %}")]
    [InlineData("{% tablerow a in settings cols: settings[(1..100000000)] %}{% endtablerow %}")]
    [InlineData("{% echo settings[(1..100000000)] %}")]
    [InlineData("{% ifchanged %}{{ settings[(1..100000000)] }}{% endifchanged %}")]
    public void A_long_range_is_refused_wherever_it_stands(string template)
    {
        var before = GC.GetTotalAllocatedBytes();
        var desk = At(Demo.NorthFaceHare);
        var result = SheetForm.Fill(template, "Hare", desk.Board, desk.Sheet);
        Assert.Null(result.Text);
        Assert.True(GC.GetTotalAllocatedBytes() - before < 500_000_000, "It was made.");
    }

    [Fact]
    public void A_quoted_end_of_a_tag_is_text()
    {
        var desk = At(Demo.NorthFaceHare);
        Assert.Equal(
            "}}%}",
            SheetForm.Fill("{{ \"}}\" }}{% if '%}' %}%}{% endif %}", "Hare", desk.Board, desk.Sheet).Text
        );
        // As deep as may be, and read at once: no way of reading is tried twice at each bracket.
        var deep = $"{{% if {new string('(', 40)}build{new string(')', 40)} %}}x{{% endif %}}";
        Assert.NotNull(SheetForm.Fill(deep, "Hare", desk.Board, desk.Sheet));
    }

    /// <summary>Worked out by hand from the template language: quotes hold what they hold, text outside tags is text.</summary>
    [Theory]
    [InlineData("{{ \"a}}b\" }}", "a}}b")]
    [InlineData("{{ 'a%}b' }}", "a%}b")]
    [InlineData("{{ \"it's\" }}", "it's")]
    [InlineData("{{ 'say \"}}\"' }}", "say \"}}\"")]
    [InlineData("don't {{ build }}", "don't Hare")]
    [InlineData("\"{{ build }}\"", "\"Hare\"")]
    [InlineData("}} %} {{ build }}", "}} %} Hare")]
    [InlineData("{% if build == \"it's\" %}a{% else %}b{% endif %}", "b")]
    [InlineData("{{ '((((((((((((((((((((((((((((((((((((((((((((((((((((' | size }}", "52")]
    [InlineData("{% for i in (1..3) %}{{ i }}{% endfor %}", "123")]
    [InlineData("{{ settings[0].key | append: \"}}\" | slice: -2, 2 }}", "}}")]
    public void A_template_is_read_as_the_language_says(string template, string text)
    {
        var desk = At(Demo.NorthFaceHare);
        var made = SheetForm.Fill(template, "Hare", desk.Board, desk.Sheet);
        Assert.Equal((text, null), (made.Text, made.Error));
    }

    [Fact]
    public void A_pattern_has_two_seconds_for_all_lines_together()
    {
        var watch = System.Diagnostics.Stopwatch.StartNew();
        var line = new string('a', 400);
        var (_, error) = SheetForm.Read(
            "^(?<port>(a|aa|aaa)*)(?<job>(a|aa)*)(?<baud>a*)(?<rx>(a?){50})$",
            string.Join('\n', Enumerable.Repeat(line, 60_000))
        );
        Assert.Contains("too slow on line", error, StringComparison.Ordinal);
        Assert.True(watch.Elapsed < TimeSpan.FromSeconds(60), $"{watch.Elapsed}");
    }

    [Fact]
    public void What_is_just_not_too_deep_is_read()
    {
        var desk = At(Demo.CrusherHouseLark);
        string Nested(int n) =>
            string.Concat(Enumerable.Repeat("{% if build %}", n))
            + "x"
            + string.Concat(Enumerable.Repeat("{% endif %}", n));
        Assert.Equal("x", SheetForm.Fill(Nested(40), "Lark", desk.Board, desk.Sheet).Text);
        Assert.NotNull(SheetForm.Fill(Nested(41), "Lark", desk.Board, desk.Sheet).Error);
        var wide = $"{{% if {string.Concat(Enumerable.Repeat("build or ", 50))}build %}}y{{% endif %}}";
        Assert.Equal("y", SheetForm.Fill(wide, "Lark", desk.Board, desk.Sheet).Text);
    }

    [Fact]
    public void A_pattern_reads_a_form_of_the_boards_own()
    {
        var desk = At(Demo.CrusherHouseLark);
        const string Pattern =
            @"^serial (?<port>\S+) is (?<job>\S+) by (?<protocol>\S+)( at (?<baud>\d+))?( hears (?<rx>\S+))?( says (?<tx>\S+))?( crossed (?<swap>\S+))?$|^let (?<key>\S+) be (?<value>.+)$";
        var template =
            "{% for s in settings %}{% if s.printed %}{% if s.port %}serial {{ s.port }} is {{ s.job }} by {{ s.protocol | replace: ' ', '-' }}{% if s.baud %} at {{ s.baud }}{% endif %}{% if s.rx %} hears {{ s.rx }}{% endif %}{% if s.tx %} says {{ s.tx }}{% endif %}{% if s.swapped %} crossed yes{% endif %}{% else %}let {{ s.key }} be {{ s.value }}{% endif %}\n{% endif %}{% endfor %}";
        var text = SheetForm.Fill(template, "Lark", desk.Board, desk.Sheet).Text!;
        var (printed, error) = SheetForm.Read(Pattern, text);
        Assert.Null(error);
        Assert.Empty(printed!.Strange);
        Assert.True(ReadBack.Compare(desk.Board, desk.Sheet, printed).IsClean);
    }

    [Theory]
    [InlineData("(", "not a usable regular expression")]
    [InlineData("^x$", "has no named group")]
    [InlineData(@"(?<port>a)\1", "not a usable regular expression")]
    public void A_pattern_that_is_of_no_use_is_told(string pattern, string words) =>
        Assert.Contains(words, SheetForm.Read(pattern, "x").Error!, StringComparison.Ordinal);

    [Fact]
    public void A_pattern_of_many_brackets_ends_with_a_word_or_with_a_sentence()
    {
        foreach (
            var pattern in new[]
            {
                "(?<port>((((a{1000}){1000}){1000}){1000}){1000})",
                $"(?<port>{string.Concat(Enumerable.Repeat("[a-z]{0,900}", 900))})",
                $"(?<port>{new string('(', 9000)}a{new string(')', 9000)})",
                $"(?<port>{string.Concat(Enumerable.Repeat("(a|", 4000))}b{new string(')', 4000)})",
                $"(?<port>{string.Concat(Enumerable.Repeat("(a?", 2000))}{string.Concat(Enumerable.Repeat("){99}", 2000))})",
            }
        )
        {
            var (printed, error) = SheetForm.Read(pattern, "aaaa\nbbbb");
            Assert.True(printed is null != error is null);
        }
    }

    // Goes back without end where a reader goes back; this one does not.
    [Fact]
    public void A_pattern_that_would_run_for_years_ends() =>
        Assert.NotNull(SheetForm.Read("^(?<port>(a+)+)$", new string('a', 50_000) + "!").Printout);
}
