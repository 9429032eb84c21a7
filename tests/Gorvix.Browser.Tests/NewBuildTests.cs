using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>From nothing to a plan, with the mouse and with keys alone.</summary>
public class NewBuildTests
{
    [Fact]
    public async Task A_build_is_made_with_the_mouse()
    {
        await using var page = await Page.Open("/");
        page.Click("#new");
        page.Says(".so-far", "Choose a board first");
        page.Choose("[data-field='board']", "Askerdale Pinion F4, revision 1");
        page.Says("[data-field='revision']", "Small 2 beside the arrow; revision 1 has no jumper J4.");
        page.Says("[data-field='revision']", "No number beside the arrow");
        page.All("[data-field='revision'] input")[1].Click();
        page.Says("[data-testid='so-far']", "No links added yet.");
        Device(page, "relay 16", "Dunmerrow Relay 16");
        Device(page, "air unit", "Brindlow Beacon D4");
        Device(page, "gnss 20c", "Ewhurst Fix 20C");
        page.Says("[data-testid='so-far']", "links connected");
        page.Choose("[data-field='cells']", "4S");
        page.Says(".wishes", "RC link");
        page.Find("[data-priority='0 control required'].v-btn--active");
        page.Find("[data-priority='2 position wanted'].v-btn--active");
        page.Click("[data-priority='2 heading none']");
        page.Says("[data-testid='so-far']", "3 of 4 links connected. No port for telemetry (Relay 16).");
        page.Write("[data-field='name']", "Quarry Lip Finch");
        page.Shot("new");
        page.Click("#make");
        page.Says("#verdict", "3 of 4 links connected.");
        Assert.EndsWith("/builds/quarry-lip-finch/fit", new Uri(page.Driver.Url).AbsolutePath);
        page.Says(".build", "Quarry Lip Finch");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Without_a_board_in_the_library_it_leads_to_one()
    {
        await using var page = await Page.Open("/new", demo: null);
        page.Says("h2", "No boards in the library");
        page.Click("a[href='/library/boards/new']");
        page.Says("main h1", "New board");
        page.Says("figcaption", "No pads yet.");
        Assert.Empty(page.All("[data-testid='told']"));
        page.Driver.Navigate().Back();
        page.Click("a[href='/take-in']");
        page.Says("main h1", "Import");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_build_is_made_with_keys_alone()
    {
        await using var page = await Page.Open("/");
        page.Find("#new");
        page.Press("n");
        page.Until(_ => Focused(page) == "board" ? "yes" : null, "the board's field to have the focus");
        Type(page, "thornwick spindle", "Thornwick Spindle F7");
        page.Press(Keys.Tab);
        Assert.Equal("devices", Focused(page));
        Type(page, "relay 16", "Dunmerrow Relay 16");
        page.Says(".taken", "Dunmerrow Relay 16");
        Type(page, "fix 10", "Ewhurst Fix 10");
        page.Says(".taken", "Ewhurst Fix 10");
        page.Press(Keys.Control + Keys.Enter);
        page.Says("#verdict", "links connected.");
        Assert.EndsWith("/builds/spindle-f7/fit", new Uri(page.Driver.Url).AbsolutePath);
        page.At("");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_choice_that_would_burn_is_refused_with_its_reason_and_taken_only_when_insisted_on()
    {
        await using var page = await Page.Open("/new");
        page.Choose("[data-field='board']", "Cobbold Mote F1");
        Device(page, "reed 6", "Dunmerrow Reed 6");
        page.Choose("[data-field='cells']", "4S");
        page.Says("#refused", "Mote F1 needs 4.5–5.5 V but gets 16.8 V (full battery).");
        Assert.Equal("", page.Accessibility());
        Assert.DoesNotContain("Problem:", page.Text(".so-far"));
        page.Click("[data-insist]");
        page.Says(".so-far", "Problem: Mote F1 needs 4.5–5.5 V but gets 16.8 V (full battery).");
        page.Gone("#refused");
        page.Choose("[data-field='board']", "Thornwick Spindle F7");
        page.Until(
            _ => page.Text(".so-far").Contains("Stop:", StringComparison.Ordinal) ? null : "yes",
            "a board that takes the pack to be taken"
        );
        page.Choose("[data-field='board']", "Cobbold Mote F1");
        page.Says("#refused", "Mote F1 needs 4.5–5.5 V but gets 16.8 V (full battery).");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task What_is_chosen_outlives_a_server_that_goes_away_and_a_page_that_is_loaded_again()
    {
        await using var page = await Page.Open("/new");
        page.Choose("[data-field='board']", "Askerdale Trunnion F4");
        Device(page, "relay 16", "Dunmerrow Relay 16");
        page.Says("[data-testid='so-far']", "connected");
        await page.StopServer();
        page.Click("[aria-label='Add one Dunmerrow Relay 16']");
        page.Says(".so-far", "Gorvix is not responding.");
        page.Click("#make");
        page.Says(".so-far", "Connection lost – draft kept");
        page.Says(".taken", "2");
        await page.StartServer();
        page.Click("#make");
        page.Says("#verdict", "links connected.");

        // What the browser noted are the calls that found no server, and nothing else.
        Assert.All(page.Console().Split('\n'), line => Assert.Contains("ERR_CONNECTION_REFUSED", line));
        page.Go("/new");
        page.Choose("[data-field='board']", "Askerdale Gantry F7");
        page.Driver.Navigate().Refresh();
        page.Says("[data-testid='so-far']", "No links added yet.");
    }

    private static void Device(Page page, string search, string name)
    {
        var field = page.Find("[data-field='devices'] input");
        field.Click();
        field.SendKeys(search);
        page.Says(".v-overlay--active .v-list-item", name);
        page.Click(".v-overlay--active .v-list-item");
        page.Says(".taken", name);
    }

    private static void Type(Page page, string search, string name)
    {
        page.Press(search);
        page.Says(".v-overlay--active .v-list-item", name);
        page.Press(Keys.Enter);
    }

    private static string? Focused(Page page) =>
        page.Run("return document.activeElement.closest('[data-field]')?.dataset.field ?? null") as string;
}
