using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>The Fit screen as a builder uses it.</summary>
public class FitScreenTests
{
    private const string Hare = "/builds/north-face-hare/fit";

    [Fact]
    public async Task A_builder_reads_the_verdict_walks_the_grid_pins_undoes_and_finds_it_kept()
    {
        await using var page = await Page.Open("/");
        page.Click("[data-build='north-face-hare'] h2 a");
        page.Says("#verdict", "All 3 links connected.");
        page.At("control U3");
        page.Says(
            "[data-testid='sentence']",
            "RC link (Sedge 2) connects here: TX → pad SBUS (top) and RX → pad DSM (bottom)."
        );
        page.Shot("fit");

        // By keys to a blocked cell: the sentence says why not.
        page.Find("td[tabindex='0']").Click();
        page.Press(Keys.ArrowDown);
        page.Press(Keys.ArrowDown);
        page.Says("[data-testid='sentence']", "TX would idle low at UART3 RX");
        page.At("position U3");
        page.Says(".lane", "blocked here");
        page.Shot("fit-blocked");

        // To a possible one, and pin it there.
        page.Press(Keys.ArrowLeft);
        page.Says("[data-testid='sentence']", "that displaces OSD to UART4");
        page.Press(Keys.Enter);
        page.Says("[data-testid='moved']", "OSD (Beacon D6) moved from UART1 to UART4.");
        Assert.Contains("R1 · T1", page.CellText("position", "U1"));
        Assert.Contains("pin", page.CellText("position", "U1"));
        page.At("position U1");

        page.Press("z");
        page.Says("[data-testid='moved']", "OSD (Beacon D6) moved from UART4 to UART1.");
        page.Press("y");
        page.Says("[data-testid='moved']", "OSD (Beacon D6) moved from UART1 to UART4.");

        page.Driver.Navigate().Refresh();
        page.Says("[data-cell='position U1']", "pin");
        page.At("position U1");
        Assert.Contains("link=position&port=U1", page.Driver.Url);
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_same_by_mouse()
    {
        await using var page = await Page.Open(Hare);
        page.Click("[data-cell='position U1']");
        page.Click("#pin");
        page.Says("[data-testid='moved']", "GPS (Fix 10) moved from UART4 to UART1.");
        page.Click("#ban");
        page.Says("[data-cell='position U1']", "BLOCK");
        page.Says("[data-testid='moved']", "GPS (Fix 10) moved from UART1 to UART4.");
        page.Says(".wishes", "GPS (Fix 10) not on UART1");
        page.Click(".wishes button");
        page.Gone(".wishes");
        page.Click("#undo");
        page.Says(".wishes", "GPS (Fix 10) not on UART1");
        page.Click("#redo");
        page.Gone(".wishes");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task With_the_inverting_mode_banned_the_page_names_the_link_that_is_left_and_why()
    {
        await using var page = await Page.Open(Hare);
        page.Click("[data-mode='crsf-inverted']");
        page.Says("#verdict", "2 of 3 links connected. No port for GPS (Fix 10).");
        page.Says(".wishes", "mode \"CRSF, output inverted\"");
        page.Says("th.row", "GPS – no port");
        page.Says("th.row", "OSD – conflicts");
        page.Says("[data-testid='conflict']", "GPS, RC link and OSD cannot all be connected while these apply");
        page.Click("[data-cell='position U1']");
        page.Click("[data-unlock='liftBan']");
        page.Says("#verdict", "All 3 links connected.");
        page.Press("z");
        page.Says("#verdict", "2 of 3 links connected.");
        page.Click("[data-cell='control U3']");
        page.Says("[data-mode='crsf-inverted']", "Unblock mode");
        page.Click("[data-mode='crsf-inverted']");
        page.Says("#verdict", "All 3 links connected.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Where_nothing_helps_the_page_leads_to_other_boards()
    {
        await using var page = await Page.Read("/builds/tip-track-pipit/fit");
        page.Click("[data-none] .v-btn");
        page.Says("h1", "with other parts");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_pin_that_cannot_be_kept_is_shown_as_a_wish_with_the_reason()
    {
        await using var page = await Page.Open($"{Hare}?link=position&port=U6");
        page.Find("[data-cell='position U6']").Click();
        page.Press(Keys.Enter);
        page.Says("#verdict", "All 3 links connected. 1 warning.");
        page.Says(".findings", "You pinned GPS (Fix 10) to UART6, which is not possible");
        page.Says(".wishes", "not possible");
        page.Press("x");
        page.Says(".wishes", "not on UART6");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_best_plans_stand_side_by_side_and_one_is_chosen_by_key_or_mouse()
    {
        await using var page = await Page.Open("/builds/weighbridge-wren/fit");
        page.Says("[data-plan='1']", "current plan");
        page.Says("[data-plan='2']", "GPS to UART1, wireless configuration to UART2");
        page.Says("[data-plan='2']", "same cost");
        page.Find("td[tabindex='0']").Click();
        page.Press("2");
        page.Says("[data-cell='position U1']", "pin");
        page.Says("#verdict", "All 4 links connected.");
        page.Press("z");
        page.Gone(".wishes");
        page.Click("[data-plan='2']");
        page.Says(".wishes", "GPS (Fix 20C) stays on UART1");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_signal_flips_at_the_inverter_and_nowhere_else()
    {
        await using var page = await Page.Read(Hare);
        page.Find(".lane");
        var first = page.All(".lane")[0];
        Assert.Equal(
            ["idles low", "idles low", "idles high", "idles high"],
            first.FindElements(By.CssSelector(".idle")).Select(e => e.Text)
        );
        var paths = first.FindElements(By.CssSelector(".run path")).Select(p => p.GetAttribute("d")).ToList();
        Assert.Equal(paths[0], paths[1]);
        Assert.NotEqual(paths[1], paths[2]);
        Assert.Equal(paths[2], paths[3]);
    }

    [Fact]
    public async Task Two_tabs_the_second_writer_is_told_and_can_load_the_newer_one()
    {
        await using var page = await Page.Open(Hare);
        page.Says("#verdict", "All 3 links connected.");
        var first = page.Driver.CurrentWindowHandle;
        page.Driver.SwitchTo().NewWindow(WindowType.Tab);
        page.Resize(1280, 800);
        page.Go($"{Hare}?link=position&port=U1");
        page.Find("[data-cell='position U1']").Click();
        page.Click("#pin");
        page.Says("[data-cell='position U1']", "pin");

        page.Driver.SwitchTo().Window(first);
        page.Click("[data-cell='control U1']");
        page.Click("#ban");
        page.Says("[role='alert']", "Nothing was overwritten");
        page.Click("#drop");
        page.Says("[data-cell='position U1']", "pin");
        page.Gone("[role='alert']");
        Assert.DoesNotContain("BLOCK", page.CellText("control", "U1"));

        // Once more, and this time the change is not given up: it is done in the newer build.
        var other = page.Driver.WindowHandles.Last();
        page.Driver.SwitchTo().Window(other);
        page.Click("#pin");
        page.Says("#pin", "Pin here");
        page.Driver.SwitchTo().Window(first);
        page.Click("#ban");
        page.Click("#resend");
        page.Says("[data-cell='control U1']", "BLOCK");
        page.Gone("[role='alert']");
        Assert.DoesNotContain("pin", page.CellText("position", "U1"));
    }

    [Fact]
    public async Task What_is_changed_while_the_server_is_gone_waits_and_is_saved_when_it_is_back()
    {
        await using var page = await Page.Open($"{Hare}?link=position&port=U1");
        page.Says("#verdict", "All 3 links connected.");
        await page.StopServer();
        page.Click("#pin");
        page.Says("[role='alert']", "1 change waiting to be saved");
        page.Says(".saved", "Waiting to save");
        await page.StartServer();
        page.Says("[data-cell='position U1']", "pin");
        page.Gone("[role='alert']");
        page.Says(".saved", "Saved");
        page.Go(Hare);
        page.Says("[data-cell='position U1']", "pin");
        Assert.All(page.Console().Split('\n'), line => Assert.Contains("ERR_CONNECTION_REFUSED", line));
    }

    [Fact]
    public async Task The_keys_are_listed_and_every_one_has_a_control()
    {
        await using var page = await Page.Read(Hare);
        page.Find("td[tabindex='0']").Click();
        page.Press("?");
        page.Says(".v-dialog", "pin or unpin link here");
        page.Press(Keys.Escape);
        page.Gone(".v-overlay--active");
        Assert.All(["#pin", "#ban", "#undo", "#redo", "#keys"], id => Assert.NotNull(page.Find(id)));
        page.Press(Keys.End);
        page.At("control U6");
        page.Press(Keys.Home);
        page.At("control U1");
        page.Press(Keys.ArrowUp);
        page.At("control U1");
    }

    [Fact]
    public async Task The_arrows_walk_the_grid_from_the_first_moment_and_letters_can_be_switched_off()
    {
        await using var page = await Page.Open(Hare);
        page.Until(d => d.FindElements(By.CssSelector("td:focus")).FirstOrDefault(), "the grid to have the focus");
        page.Press(Keys.ArrowDown);
        page.At("picture-text");
        page.Find("td[tabindex='0']:focus");
        Assert.Equal(0L, Convert.ToInt64(page.Run("return window.scrollY")));
        page.Press("x");
        page.Says(".wishes", "OSD");
        page.Press("z");
        page.Gone(".wishes");
        page.Click("#keys");
        page.All(".v-switch input")[0].SendKeys(Keys.Space);
        page.Press(Keys.Escape);
        page.Gone(".v-overlay--active");
        page.Press("x");
        page.Press("p");
        page.Press(Keys.ArrowDown);
        page.At("position");
        page.Gone(".wishes");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Back_leaves_the_build_and_a_build_that_is_gone_is_said_to_be_missing()
    {
        await using var page = await Page.Read("/");
        page.Click("[data-build='haul-road-heron'] h2 a");
        page.Says("#verdict", "All 5 links connected.");
        page.Driver.Navigate().Back();
        page.Says("h1", "Builds");
        page.Go("/builds/nobody/fit");
        page.Says("[role='alert']", "No build \"nobody\".");
        page.Go("/somewhere/else");
        page.Says("h1", "Page not found");
    }
}
