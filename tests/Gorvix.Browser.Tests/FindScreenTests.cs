using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>Finding one's way: search from every page, the tour, the glossary, the menu, and on from step to step.</summary>
public class FindScreenTests
{
    private const string Lark = "/builds/crusher-house-lark";

    [Fact]
    public async Task What_is_searched_for_opens_where_it_is()
    {
        await using var page = await Page.Read("/");
        page.Find("[data-build='crusher-house-lark']");
        page.Press("k");
        Type(page, "hare");
        page.Says("[data-found='Builds']", "North Face Hare");
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        page.Says("#verdict", "All 3 links connected.");

        // Inside a build: its pads, steps and checks as well; walked by the arrows.
        page.Go($"{Lark}/rails");
        page.Find("[data-testid='lead']");
        page.Press("k");
        Type(page, "t6");
        page.Says("[role='option'][aria-selected='true']", "T6, top side");
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.ArrowDown);
        page.Says("[role='option'][aria-selected='true']", "solder SBUS (white) → T6");
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.Enter);
        page.Says("[data-row='joint receiver sbus'].chosen", "T6");
        Assert.Contains("at=joint", page.Driver.Url, StringComparison.Ordinal);

        // A field that is typed in keeps its letters; with Ctrl the search opens from there too.
        page.Go("/library");
        page.Find("[data-field='search'] input, input[data-field='search']");
        page.Run("document.querySelector('[data-field=\"search\"] input, input[data-field=\"search\"]').focus()");
        page.Driver.SwitchTo().ActiveElement().SendKeys("k");
        Assert.Empty(page.All("#found"));
        page.Driver.SwitchTo().ActiveElement().SendKeys(Keys.Control + "k");
        Type(page, "inverted");
        page.Says("[data-found='Glossary']", "Inverted");
        Assert.Equal("", page.Accessibility());
        Type(page, "idle high at");
        page.Says("[data-found='Rules']", "Line must idle high at the controller");
        Type(page, "qqqq");
        page.Says(".find", "Nothing found");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_tour_stops_at_four_screens_and_is_not_offered_again()
    {
        await using var page = await Page.Read("/");
        page.Click("[data-do='tour']");
        foreach (var stop in new[] { "Parts", "Fit", "Loom", "Bench" })
        {
            page.Says("[data-testid='tour'] h2", stop);
            page.Until(
                d => d.Url.Contains($"/{stop.ToLowerInvariant()}", StringComparison.Ordinal) ? "there" : null,
                $"the screen of {stop}"
            );
            Assert.Equal("", page.Accessibility());
            page.Click("[data-do='tour-on']");
        }
        page.Gone("[data-testid='tour']");
        page.Go("/");
        page.Find("[data-build='crusher-house-lark']");
        Assert.Empty(page.All("[data-do='tour']"));
        // It is there again when it is asked for.
        page.Click("#menu");
        page.Click("[data-do='tour']");
        page.Says("[data-testid='tour'] h2", "Parts");
        page.Click("[data-do='tour-off']");
        page.Gone("[data-testid='tour']");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_term_is_explained_beside_it_and_in_the_glossary_with_its_pulse_train()
    {
        await using var page = await Page.Read($"{Lark}/fit?link=control&port=U6");
        page.Click("[data-ask='inverted']");
        page.Says(".means", "rests at 0 V and pulses high");
        page.Find(".means svg");
        Assert.Equal("", page.Accessibility());
        page.Click(".means a");
        page.Says("[data-term='inverted'].chosen", "idles low");
        page.Until(
            _ =>
                page.Run(
                    "const b = document.querySelector('.chosen').getBoundingClientRect(); return b.top >= 48 && b.bottom <= innerHeight"
                )
                    is true
                    ? "seen"
                    : null,
            "the term in sight"
        );
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_menu_leads_everywhere_and_chooses_light_or_dark()
    {
        await using var page = await Page.Read($"{Lark}/loom", width: 390, height: 844);
        page.Find("[data-testid='lead']");
        page.Click("#menu");
        page.Find("[data-do='export']");
        Assert.Equal("", page.Accessibility());
        page.Click("[data-look='dark']");
        page.Until(_ => page.Ground() == "rgb(20, 24, 27)" ? "yes" : null, "the dark look");
        page.Click("[data-to='library']");
        page.Says("h1", "library");
        page.Click("#menu");
        Assert.Empty(page.All("[data-do='export']"));
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Each_step_says_how_far_it_is_and_leads_on_to_the_next()
    {
        await using var page = await Page.Open($"{Lark}/parts");
        foreach (
            var (step, lead) in new[]
            {
                ("parts", "5 devices, 5 links"),
                ("fit", ""),
                ("rails", "All supplies in range"),
                ("loom", "0 of 16 done"),
                ("settings", "0 of 23 set"),
                ("bench", "0 of 65 passed"),
                ("log", "Nothing due"),
            }
        )
        {
            page.Until(d => d.Url.Contains($"/{step}", StringComparison.Ordinal) ? "there" : null, step);
            if (lead.Length > 0)
            {
                page.Says("[data-testid='lead']", lead);
                // The verdict of the plan is at hand, and not the largest.
                Assert.NotEqual("H1", page.Find("#verdict").TagName.ToUpperInvariant());
            }
            page.Says("#verdict", "All 5 links connected. 3 warnings.");
            if (step != "log")
            {
                page.Click("[data-do='onward']");
            }
        }
        Assert.Empty(page.All("[data-do='onward']"));
        page.Says("#to-loom", "0/16");
        page.Says("#to-settings", "0/23");
        page.Says("#to-bench", "0/65");
        page.Go($"{Lark}/loom");
        page.Find("[data-row='backup'].chosen");
        page.Press("d");
        page.Says("#to-loom", "1/16");
        page.Says("[data-testid='lead']", "1 of 16 done");
        Assert.Equal("", page.Console());
    }

    private static void Type(Page page, string words)
    {
        page.Find("#found");
        page.Until(
            d => d.SwitchTo().ActiveElement().GetAttribute("data-field") == "find" ? "ready" : null,
            "the field of the search"
        );
        var field = page.Driver.SwitchTo().ActiveElement();
        field.SendKeys(Keys.Control + "a");
        field.SendKeys(words);
    }
}
