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
        page.Says("#verdict", "7 of 8 links connected. No port for VTX control (Lantern 10). 1 warning.");
        page.Says(
            "[data-testid='conflict']",
            "VTX control, RC link, GPS, compass, telemetry and ESC telemetry cannot all be connected."
        );
        Assert.Equal(5, page.All("td.clash").Count);
        page.Says("main", "House rule \"Software serial\": allowed");
        page.Says("main", "VTX control on S1 · about 30 % CPU load");
        page.Click("[data-cell='video-control U2']");
        page.Driver.FindElement(By.XPath("//*[@data-unlock='houseRule'][contains(., 'allowed')]")).Click();
        page.Says("#verdict", "All 8 links connected.");
        page.Says("[data-testid='moved']", "VTX control (Lantern 10) is now connected on S1.");
        page.Gone(".unmet");

        // The card is gone, and the keys are on the grid again.
        page.Until(d => d.FindElements(By.CssSelector("td:focus")).FirstOrDefault(), "the grid to have the focus");
        page.Find("[data-cell='video-control S1']").Click();
        page.Press("z");
        page.Says("#verdict", "7 of 8 links connected.");
        page.Find("[data-unlock='houseRule']");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_house_rule_is_chosen_by_keys_with_both_reasons_at_hand()
    {
        await using var page = await Page.Open(Owl);
        page.Says("#verdict", "7 of 8");
        page.Find("[data-cell='control U1']").Click();
        page.Press("p");
        page.Says("[data-rule='softwareSerial']", "It adds 30–40 % CPU load");
        Assert.DoesNotContain("A slow link", page.Text("[data-rule='softwareSerial']"), StringComparison.Ordinal);
        page.Click("[data-testid='reasons']");
        page.Says("[data-rule='softwareSerial']", "A slow link on a spare pad beats no link");
        page.Press("h");
        page.Until(_ => page.Run("return document.activeElement.type") as string == "radio" ? "yes" : null, "rules");
        page.All("[data-rule='softwareSerial'] input:checked")[0].SendKeys(Keys.ArrowDown + Keys.ArrowDown);
        page.Says("#verdict", "All 8 links connected.");
        page.Says("[data-rule='softwareSerial'] .chosen", "Allowed");
        page.Driver.Navigate().Refresh();
        page.Says("#verdict", "All 8 links connected.");
        page.Press("f");
        page.At("control U1");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Supply_and_firmware_are_set_and_a_number_that_is_none_is_refused_in_place()
    {
        await using var page = await Page.Open("/builds/weighbridge-wren/parts");
        page.Write("[data-field='input-volts']", "much");
        page.Says("[data-section='supply'] [data-field='input-volts']", "Enter a voltage above 0");
        page.Write("[data-field='input-volts']", "");
        page.Says(".findings", "INPUT Mote F1 needs 4.5–5.5 V but gets 8.4 V (full battery).");
        page.Says("#to-parts", "1");
        page.Choose("[data-field='firmware']", "newer generation");
        page.Says("#verdict", "No port for RC link (Reed 6).");
        page.Says("[data-section='firmware']", "No software serial.");
        page.Click("#undo");
        page.Says(".findings", "Mote F1 needs");
        page.Choose("[data-field='cells']", "not set");
        page.Says(".findings", "No battery chosen yet");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Before_you_buy_ranks_every_board_and_every_receiver_and_takes_one()
    {
        await using var page = await Page.Open("/builds/north-face-hare/fit");
        page.Click("#to-sweep");
        page.Says("[data-testid='progress']", "all 13 checked");
        Assert.Equal(13, page.All(".rows > li").Count);
        page.Says("[data-part='askerdale-pinion-f4-r2']", "current");
        page.Says(
            "[data-part='cobbold-mote-f1-r5']",
            "Problem: Mote F1 needs 4.5–5.5 V but gets 16.8 V (full battery)."
        );
        page.Shot("sweep");
        page.Click("[data-subject='receiver']");
        page.Says("[data-part='dunmerrow-relay-16']", "All 3 links connected.");
        Assert.Contains("device=receiver", page.Driver.Url);
        page.Click("[data-part='dunmerrow-relay-16'] button");
        page.Says("#verdict", "All 3 links connected.");
        page.Says("tbody", "Dunmerrow Relay 16");
        page.Click("#undo");
        page.Says("tbody", "Corvane Sedge 2");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_sweep_can_be_stopped_and_tried_again()
    {
        await using var page = await Page.Open("/builds/north-face-hare/sweep");
        page.Says("[data-testid='progress']", "all 13 checked");

        // A library of thirteen is too quick for a hand, so what comes after the first line is held back.
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
        page.Says("[data-testid='progress']", "1 of 13 checked");
        page.Click("#stop");
        page.Says("[data-testid='progress']", "stopped at 1 of 13");
        Assert.Single(page.All(".rows > li"));
        page.Run("window.giveBack()");
        page.Click("#again");
        page.Says("[data-testid='progress']", "all 13 checked");
    }

    [Fact]
    public async Task A_code_opens_its_rule_and_back_returns_to_the_cell()
    {
        await using var page = await Page.Open("/builds/north-face-hare/fit?link=position&port=U3");
        page.Says("[data-testid='sentence']", "POL");
        page.Click("[data-testid='sentence'] a");
        page.Says("article h1", "Line must idle high at the controller");
        page.Says("article", "two inversions cancel");
        page.Says("article", "Source: any UART reference");
        page.Driver.Navigate().Back();
        page.Says("[data-testid='sentence']", "TX would idle low at UART3 RX");
        page.At("position U3");
        page.Find("td[tabindex='0']").Click();
        page.Press("r");
        page.Says("article h1", "Line must idle high");
        page.Find("[type='search']").SendKeys("loader");
        page.Gone(".list a[href='/rules/POL']");
        page.Click(".list a[href='/rules/BOOT']");
        page.Says("article h1", "Receiver may start in its bootloader");
        page.Find("[type='search']").SendKeys("xyz");
        page.Says(".list", "No rule matches");
        page.Go("/rules/NONSENSE");
        page.Says("article h1", "Rule NONSENSE not found");
        Assert.Equal("", page.Console());
    }
}
