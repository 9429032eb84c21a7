using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>Unlocks, house rules, parts, sweep and rule pages as a builder uses them.</summary>
public class SetupScreenTests
{
    private const string Owl = "/builds/spoil-tip-owl/fit";

    [Fact]
    public async Task A_link_without_a_port_is_explained_carried_by_a_card_and_taken_back()
    {
        await using var page = await Page.Open(Owl);
        page.Says("#verdict", "7 of 8 links carried. No place for video control (Lantern 10).");
        page.Says(
            "[data-testid='conflict']",
            "Video control, control, position, heading, telemetry and ESC readings cannot all be carried."
        );
        Assert.Equal(5, page.All("td.clash").Count);
        page.Says("[data-unlock='houseRule']", "House rule \"Software serial\": allowed");
        page.Says("[data-unlock='houseRule']", "video control on S1 · about 30 % of the processor");
        page.Click("[data-cell='video-control U2']");
        page.Shot("fit-unlock");
        page.Click("[data-unlock='houseRule']");
        page.Says("#verdict", "All 8 links carried.");
        page.Says("[data-testid='moved']", "Video control (Lantern 10) is carried now, on S1.");
        page.Gone(".unmet");
        page.Find("[data-cell='video-control S1']").Click();
        page.Press("z");
        page.Says("#verdict", "7 of 8 links carried.");
        page.Find("[data-unlock='houseRule']");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_house_rule_is_chosen_by_keys_with_both_reasons_in_sight()
    {
        await using var page = await Page.Open(Owl);
        page.Says("#verdict", "7 of 8");
        page.Find("[data-cell='control U1']").Click();
        page.Press("h");
        page.Says("[data-rule='software']", "It takes 30 to 40 % of the processor");
        page.Says("[data-rule='software']", "A slow link on a spare pad is better than no link");
        page.Shot("setup");
        page.All("[data-rule='software'] input:checked")[0].SendKeys(Keys.ArrowDown + Keys.ArrowDown);
        page.Says("#verdict", "All 8 links carried.");
        page.Says("[data-rule='software'] .chosen", "Allowed");
        page.Press(Keys.Escape);
        page.Gone("aside");
        page.Driver.Navigate().Refresh();
        page.Says("#verdict", "All 8 links carried.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Supply_and_firmware_are_set_and_a_number_that_is_none_is_refused_in_place()
    {
        await using var page = await Page.Open("/builds/weighbridge-wren/fit?panel=setup");
        page.Write("[data-field='input-volts']", "much");
        page.Says("aside [data-field='input-volts']", "Volts are a number above zero");
        page.Write("[data-field='input-volts']", "");
        page.Says(".findings", "The Mote F1 takes 4.5 to 5.5 V, and it would get 6.6 to 8.4 V.");
        page.Choose("[data-field='firmware']", "newer generation");
        page.Says("#verdict", "No place for control (Reed 6)");
        page.Says("aside", "It has no serial in code.");
        page.Click("#panel-undo");
        page.Says(".findings", "The Mote F1 takes");
        page.Choose("[data-field='cells']", "not chosen yet");
        page.Says(".findings", "No pack is chosen yet");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Parts_are_exchanged_added_weighed_and_removed_and_the_page_says_what_moved()
    {
        await using var page = await Page.Open("/builds/north-face-hare/fit");
        page.Says("#verdict", "All 3");
        page.Click("#open-parts");
        page.Says("aside", "Small 2 beside the arrow");
        page.Shot("parts");
        page.Choose("[data-field='add-device']", "Fallowby Ledger");
        page.Click("#add");
        page.Says("#verdict", "3 of 4 links carried. No place for flight log (Ledger).");
        page.Choose("[data-field='board']", "Thornwick Spindle F7, revision 1");
        page.Says("#verdict", "All 4 links carried.");
        page.Says("[data-testid='moved']", "Flight log (Ledger) is carried now, on U6.");
        page.Click("[data-device='recorder'] [data-priority$=' nice']");
        page.Says("th.row:last-child, tr:last-child th.row", "nice");
        page.Click("[aria-label='Remove recorder']");
        page.Says("[data-testid='moved']", "Flight log (Ledger) is no longer wished for.");
        page.Click("[data-wish='air-unit control']");
        page.Says("#verdict", "3 of 4 links carried. No place for control (Beacon D6).");
        page.Press(Keys.Escape);
        page.Gone("aside");
        Assert.Equal("open-parts", page.Driver.SwitchTo().ActiveElement().GetAttribute("id"));
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_build_without_links_leads_to_the_parts()
    {
        await using var page = await Page.Open("/builds/north-face-hare/fit?panel=parts");
        foreach (var device in new[] { "receiver", "air-unit", "gnss" })
        {
            page.Click($"[aria-label='Remove {device}']");
            page.Gone($"[data-device='{device}']");
        }
        page.Says("#verdict", "No link is wished for yet.");
        page.Press(Keys.Escape);
        page.Says("main", "This build wishes for no link yet. Add a device under Parts.");
        page.Click("#to-parts");
        page.Find("[data-field='add-device']");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Before_you_buy_ranks_every_board_and_every_receiver_and_takes_one()
    {
        await using var page = await Page.Open("/builds/north-face-hare/fit");
        page.Click("#to-sweep");
        page.Says("[data-testid='progress']", "all 10 tried");
        Assert.Equal(10, page.All(".rows > li").Count);
        page.Says("[data-part='askerdale-pinion-f4-r2']", "you have it");
        page.Says("[data-part='cobbold-mote-f1-r5']", "Stop: The Mote F1 takes 4.5 to 5.5 V");
        page.Shot("sweep");
        page.Click("[data-subject='receiver']");
        page.Says("[data-part='dunmerrow-relay-16']", "All 3 links carried.");
        Assert.Contains("device=receiver", page.Driver.Url);
        page.Click("[data-part='dunmerrow-relay-16'] button");
        page.Says("#verdict", "All 3 links carried.");
        page.Says("tbody", "Dunmerrow Relay 16");
        page.Click("#undo");
        page.Says("tbody", "Corvane Sedge 2");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_sweep_can_be_stopped_and_tried_again()
    {
        await using var page = await Page.Open("/builds/north-face-hare/sweep");
        page.Says("[data-testid='progress']", "all 10 tried");

        // A library of ten is too quick for a hand, so what comes after the first line is held back.
        page.Run(
            """
            const Real = window.EventSource
            window.EventSource = class extends Real {
              addEventListener(name, listener) {
                let seen = 0
                super.addEventListener(name, (event) => { if (name === 'step' && seen++ === 0) listener(event) })
              }
            }
            window.giveBack = () => { window.EventSource = Real }
            """
        );
        page.Click("#again");
        page.Says("[data-testid='progress']", "1 of 10 tried");
        page.Click("#stop");
        page.Says("[data-testid='progress']", "stopped after 1 of 10");
        Assert.Single(page.All(".rows > li"));
        page.Run("window.giveBack()");
        page.Click("#again");
        page.Says("[data-testid='progress']", "all 10 tried");
    }

    [Fact]
    public async Task A_code_opens_its_rule_and_back_returns_to_the_cell()
    {
        await using var page = await Page.Open("/builds/north-face-hare/fit?link=position&port=U3");
        page.Says("[data-testid='sentence']", "POL");
        page.Click("[data-testid='sentence'] a");
        page.Says("article h1", "The line must idle high where the controller reads it");
        page.Says("article", "two inversions cancel");
        page.Says("article", "Source: any UART reference");
        page.Shot("rule");
        page.Driver.Navigate().Back();
        page.Says("[data-testid='sentence']", "TX would idle low at U3 RX");
        Assert.Equal("position U3", page.Cell());
        page.Find("td[tabindex='0']").Click();
        page.Press("r");
        page.Says("article h1", "The line must idle high");
        page.Find("[type='search']").SendKeys("loader");
        page.Gone(".list a[href='/rules/POL']");
        page.Click(".list a[href='/rules/BOOT']");
        page.Says("article h1", "Some receivers wake up in their loader");
        page.Find("[type='search']").SendKeys("xyz");
        page.Says(".list", "No rule has");
        page.Go("/rules/NONSENSE");
        page.Says("article h1", "There is no rule NONSENSE.");
        Assert.Equal("", page.Console());
    }
}
