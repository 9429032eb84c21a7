using System.Text;
using System.Text.Json;
using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>Drills as they are played: by mouse and by keys, alone and on an evening, begun by a seed and from a file.</summary>
public class DrillScreenTests
{
    private const string OnHare = "/drill?build=north-face-hare";

    // On every machine this seed draws the same at level 1: RX of Beacon D6: open joint
    private const string Seed = "10";

    private static async Task<Page> Hall(string path = OnHare)
    {
        var page = await Page.Open(path);
        page.Find("[data-kind='burn'] .v-btn:not([disabled])");
        return page;
    }

    private static void Asked(Page page, string before) =>
        page.Until(
            d =>
                d.FindElements(By.CssSelector("[data-testid='question']")).FirstOrDefault()?.GetAttribute("data-card")
                    is { } card
                    && card != before
                || d.FindElements(By.CssSelector("[aria-label='Answers']")).Count > 0
                    ? "yes"
                    : null,
            "the next question"
        );

    [Fact]
    public async Task A_hidden_fault_is_found_by_mouse_and_what_there_is_to_learn_is_told()
    {
        await using var page = await Hall();
        page.Write("[data-field='seed']", Seed);
        page.Click("[data-kind='fault'] .v-btn");
        page.Says("[aria-label='Observed so far']", "0 s bench time");
        page.Says(".left", "RX of Beacon D6: open joint");
        page.Write("[data-field='find']", "magnification beacon");
        page.Click("[data-test]");
        page.Says(".how", "magnification");
        page.Click("[data-do='test']");
        page.Says("[aria-label='Observed so far']", "RX connects to nothing");
        Assert.Equal("2", page.Find("[data-testid='clock']").GetAttribute("data-minutes"));
        page.Write("[data-field='name']", "tx of beacon d6: open joint");
        page.Click("[data-name]");
        page.Says(".named", "Not the fault: TX of Beacon D6: open joint");
        page.Write("[data-field='name']", "rx of beacon d6: open joint");
        page.Click("[data-name]");
        // 2 minutes for the test, 11 in vain, 1 to say it, where 3 do.
        page.Find("[data-testid='end'][data-score='21']");
        page.Says("[aria-label='Solution']", "RX of Beacon D6: open joint");
        page.Says("[aria-label='Solution']", "Connect RX of Beacon D6");
        Assert.Equal("", page.Accessibility());
        page.Shot("drill");
        // It stays: who comes back reads the same.
        page.Driver.Navigate().Refresh();
        page.Find("[data-testid='end'][data-score='21']");
        page.Click(".head a[href='/drill']");
        page.Says("[aria-label='Finished']", "Hidden fault, North Face Hare");
        page.Says("[data-kind='fault']", "1 to repeat today.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_hidden_fault_is_found_by_keys_as_the_best_tester_does()
    {
        await using var page = await Hall();
        page.Write("[data-field='seed']", Seed);
        page.Run("document.activeElement.blur()");
        page.Press("1");
        page.Find("[data-testid='clock']");
        page.Press("/");
        page.Press("magnification beacon" + Keys.Escape);
        page.Press("n");
        page.Find(".how");
        page.Press("t");
        page.Says("[aria-label='Observed so far']", "RX connects to nothing");
        page.Press("w");
        page.Press("rx of beacon d6: open joint");
        page.Says("[aria-label='Name the fault']", "Press Enter to answer.");
        page.Press(Keys.Enter);
        page.Find("[data-testid='end'][data-score='100']");
        page.Press("a");
        page.Says("[aria-label='Observed so far']", "0 s bench time");
        page.Press("g");
        page.Click("[data-do='sure']");
        page.Find("[data-testid='end'][data-score='0']");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Questions_are_answered_by_keys_and_what_was_wrong_comes_back()
    {
        await using var page = await Hall();
        page.Press("4");
        for (var i = 1; i <= 8; i++)
        {
            page.Says("[aria-label='Question']", $"{i} of 8");
            var card = page.Find("[data-testid='question']").GetAttribute("data-card")!;
            page.Press("1");
            page.Find("[data-testid='told-answer']");
            page.Press("n");
            Asked(page, card);
        }
        page.Find("[data-testid='end']");
        Assert.Equal("", page.Accessibility());
        var wrong = page.All(".line.no").Count;
        Assert.InRange(wrong, 1, 8);
        page.Click(".head a[href='/drill']");
        page.Says("[data-kind='burn']", wrong == 1 ? "1 to repeat today" : $"{wrong} to repeat today");
        page.Click("[data-do='forget']");
        page.Click("[data-do='forget-sure']");
        page.Says("[data-kind='burn']", "Not tried yet.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_pad_is_pointed_at_on_the_board_by_mouse_and_by_keys()
    {
        await using var page = await Hall();
        // An order of two questions, each for a pad, as a file would bring it.
        var answer = (string)
            page.RunAsync(
                """
                const done = arguments[arguments.length - 1];
                (async () => {
                  const begun = await (await fetch('/api/drills', { method: 'POST', headers: { 'Content-Type': 'application/json' },
                    body: JSON.stringify({ kind: 'label', build: 'north-face-hare', level: 1, seed: 3 }) })).json();
                  const file = await (await fetch(`/api/drills/${begun.id}/file`)).json();
                  file.drills = [{ kind: 'label', level: 1, seed: 3, cards: ['half:U1/rx', 'half:U1/tx', 'half:U3/rx', 'half:U3/tx', 'half:U4/rx', 'half:U4/tx'] }];
                  const taken = await (await fetch('/api/drills/file', { method: 'POST', headers: { 'Content-Type': 'application/json' },
                    body: JSON.stringify({ file: JSON.stringify(file) }) })).json();
                  done(taken.drill);
                })();
                """
            )!;
        page.Go($"/drill/{answer}");
        var pointed = 0;
        for (var i = 0; i < 8 && pointed < 2; i++)
        {
            var card = page.Find("[data-testid='question']").GetAttribute("data-card")!;
            if (card.StartsWith("half:", StringComparison.Ordinal))
            {
                if (pointed++ == 0)
                {
                    page.Run(
                        "document.querySelector('[data-pad]').dispatchEvent(new MouseEvent('click', { bubbles: true }))"
                    );
                    page.Click("[data-do='that-pad']:not([disabled])");
                }
                else
                {
                    page.Run("document.querySelector('[data-pad][tabindex=\"0\"]').focus()");
                    page.Press(Keys.ArrowDown);
                    // Jumpers are drawn first and have a stop of their own: the arrows stay on the pads.
                    Assert.NotNull(page.Run("return document.activeElement.dataset.pad"));
                    page.Press(Keys.Enter);
                    page.Find("[data-do='that-pad']:not([disabled])");
                    page.Press("t");
                }
                page.Says("[data-testid='told-answer']", "Pad for ");
            }
            else
            {
                page.Press("1");
                page.Find("[data-testid='told-answer']");
            }
            page.Press("n");
            Asked(page, card);
        }
        Assert.Equal(2, pointed);
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Links_are_placed_by_keys_and_the_plans_reasons_stand_beside_them()
    {
        await using var page = await Hall();
        page.Write("[data-field='seed']", "1");
        page.Run("document.activeElement.blur()");
        page.Press("2");
        page.Says(".place", "to assign.");
        var asked = page.Find("tr[data-link]:not(.given)").GetAttribute("data-link");
        page.Run($"document.querySelector('tr[data-link=\"{asked}\"] [data-port]').focus()");
        page.Press(Keys.ArrowRight);
        page.Press(Keys.Enter);
        page.Says(".place", "All assigned.");
        page.Press("x");
        page.Find($"tr[data-link='{asked}'] [data-port=''][aria-pressed='true']");
        page.Press("d");
        page.Find("[data-testid='end'][data-score='0']");
        page.Says(".place", "Left unconnected, but it can be connected.");
        page.Find($"tr[data-link='{asked}'] .plan");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task An_evening_is_made_and_played_and_the_board_follows_the_others_by_itself()
    {
        await using var page = await Hall();
        page.Write("[data-field='who']", "Ada");
        page.Run("document.activeElement.blur()");
        page.Click(".maker summary");
        page.Write("[data-field='evening']", "Thursday build night");
        page.Click("[data-do='make-evening']");
        page.Says("h1", "Thursday build night");
        page.Says("[aria-label='Scores']", "No scores yet.");
        var id = new Uri(page.Driver.Url).Segments[^1];

        // Another one plays at another window.
        using var client = new HttpClient { BaseAddress = new Uri(page.Root) };
        client.DefaultRequestHeaders.Add("Gorvix-Who", "Ben");
        using var none = new StringContent("");
        using var begun = await client.PostAsync($"/api/evenings/{id}/drills/1", none);
        var drill = JsonSerializer.Deserialize<JsonElement>(await begun.Content.ReadAsStringAsync());
        using var act = new StringContent(
            """{"step":0,"act":{"kind":"giveUp","on":"","value":"","seconds":0}}""",
            Encoding.UTF8,
            "application/json"
        );
        using var ended = await client.PostAsync($"/api/drills/{drill.GetProperty("id").GetString()}", act);
        Assert.True(ended.IsSuccessStatusCode);
        page.Says("[data-testid='scores']", "Ben");

        page.Press("n");
        page.Find("[data-testid='clock']");
        page.Press("g");
        page.Click("[data-do='sure']");
        page.Find("[data-testid='end']");
        page.Click($".head a[href='/drill/evenings/{id}']");
        page.Says("[data-testid='scores']", "Ada");
        Assert.Equal("", page.Accessibility());
        page.Click("[data-do='close']");
        page.Says(".head", "closed");
        page.Click("[data-do='remove']");
        page.Says("h1", "Practice");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_strangers_file_and_a_seed_that_is_none_are_told_what_is_wrong_with_them()
    {
        await using var page = await Hall();
        page.Write("[data-field='seed']", "abc");
        page.Click("[data-kind='fault'] .v-btn");
        page.Says("[role='alert']", "\"abc\" is not a drill code.");
        page.Run(
            "HTMLInputElement.prototype.click = function () { this.id = 'picked'; this.style.display = 'block'; document.body.append(this) }"
        );
        page.Click("[data-do='file']");
        var path = Path.Combine(page.Data, "stranger.json");
        await File.WriteAllTextAsync(path, """{"format":"gorvix","version":2}""");
        page.Find("#picked").SendKeys(path);
        page.Run("document.getElementById('picked')?.remove()");
        page.Says("[role='alert']", "No drill in this file.");
        Assert.Equal("", page.Accessibility());
    }
}
