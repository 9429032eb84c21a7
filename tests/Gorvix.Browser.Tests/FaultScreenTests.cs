using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>A fault is looked for as a builder does: by mouse from plain words, by keys at the simulated bench, taken back, mended, noted.</summary>
public class FaultScreenTests
{
    private const string Hare = "/builds/north-face-hare";
    private const string Kestrel = "/builds/east-bench-kestrel";

    [Fact]
    public async Task From_plain_words_to_the_cause_by_mouse()
    {
        await using var page = await Page.Open($"{Kestrel}/bench");
        page.Click("#to-faults");
        page.Says("main", "Symptoms");
        page.Write("[data-field='say']", "0.0");
        page.Until(
            d => d.FindElements(By.CssSelector("[data-sign]")).Count == 2 ? "yes" : null,
            "two signs with these words"
        );
        page.Click("[data-sign='link.picture-text.volts'] [data-outcome='no']");
        page.Says("[data-testid='verdict']", "causes remain");
        page.Write("[data-field='say']", "");
        page.Click("[data-do='rest']");
        page.Says("main", "normal");
        page.Says("[data-cause]", "TX of Beacon D6: open joint");
        Assert.Equal("", page.Accessibility());
        page.Shot("faults");

        page.Says(".card[data-test]", "TX at Beacon D6 to AIR pin 4 (RX1)");
        page.Click(".card [data-outcome='silent']");
        page.Says(".card[data-test]", "RX at Beacon D6 to AIR pin 3 (TX1)");
        page.Click(".card [data-outcome='beeps']");
        page.Says("[data-testid='verdict'][data-state='found']", "TX of Beacon D6: open joint.");
        page.Says(".cause", "Connect TX of Beacon D6 to AIR pin 4 (RX1).");
        Assert.Contains("RX1", page.Text("aside"));
        page.Click("[data-do='mended']");
        page.Says("main", "Symptoms");
        page.Click("#to-log");
        page.Says("[data-entry^='note-']", "Fault found and fixed: TX of Beacon D6: open joint.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_hidden_fault_is_found_by_keys_at_the_simulated_bench()
    {
        await using var page = await Page.Open($"{Hare}/faults");
        page.Find("[data-sign]");
        page.Run("document.querySelector('.stand-in summary').click()");
        page.Choose("[data-field='fault']", "UART3 has no function", typed: "UART3 has no function");
        page.Run("document.activeElement.blur()");
        page.Press("s");
        page.Says("[data-testid='verdict']", "causes remain");
        for (var tests = 0; page.All("[data-state='found']").Count == 0; tests++)
        {
            Assert.True(tests < 5, "found in few tests");
            var test = page.Find(".card[data-test]").GetAttribute("data-test");
            page.Press("s");
            page.Until(
                d =>
                    d.FindElements(By.CssSelector($".card[data-test='{test}']")).Count == 0
                    || d.FindElements(By.CssSelector("[data-state='found']")).Count > 0
                        ? "yes"
                        : null,
                "the next test"
            );
        }
        page.Says("[data-testid='verdict']", "UART3 has no function");
        page.Press("z");
        page.Says("[data-testid='verdict'][data-state='searching']", "remain.");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task At_arms_length_one_test_a_screen_is_answered_and_taken_back()
    {
        await using var page = await Page.Open($"{Hare}/faults");
        page.Click("[data-sign='link.control.sticks'] [data-outcome='no']");
        page.Says("[data-testid='verdict']", "causes remain");
        page.Click("[data-do='large']");
        var first = page.Find("[data-testid='large-card'] .card").GetAttribute("data-test");
        Assert.Equal("", page.Accessibility());
        page.Press("1");
        page.Gone($"[data-testid='large-card'] .card[data-test='{first}']");
        page.Click("[data-do='undo']");
        page.Find($"[data-testid='large-card'] .card[data-test='{first}']");
        page.Press("b");
        page.Says("[data-testid='verdict']", "causes remain");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task What_cannot_be_done_gives_way_and_what_contradicts_is_named()
    {
        await using var page = await Page.Open($"{Hare}/faults");
        page.Click("[data-sign='link.control.sticks'] [data-outcome='no']");
        var test = page.Find(".card[data-test]").GetAttribute("data-test");
        page.Press("c");
        page.Gone($".card[data-test='{test}']");
        page.Click("[data-do='bring-back']");
        page.Find($".card[data-test='{test}']");
        page.Click("[data-sign='link.picture-text.volts'] [data-outcome='no']");
        page.Click("[data-sign='link.picture-text.armed'] [data-outcome='yes']");
        page.Says("main", "check again");
        page.Click("[data-unsay='link.picture-text.armed']");
        page.Until(d => d.FindElements(By.CssSelector(".doubt")).Count == 0 ? "yes" : null, "nothing contradicts");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_failed_check_of_the_bench_leads_here_with_what_is_known()
    {
        await using var page = await Page.Open($"{Hare}/bench?at=link.control.sticks");
        page.Click(".card [data-answer='no']");
        page.Click("[data-do='faults']");
        page.Says("[aria-label='Abnormal']", "Stick bars (Sedge 2) stick bars do not move (Bench)");
        page.Says("[data-testid='verdict']", "causes remain");
        // With nothing else said, nothing is left to look for without it.
        page.Click("[data-do='uses-bench'] label");
        page.Says("main", "Symptoms");
        Assert.Equal("", page.Console());
    }
}
