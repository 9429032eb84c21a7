using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>Plugs, supplies and grounds on the Fit screen, as a builder uses them.</summary>
public class PlugsPanelTests
{
    private const string Lark = "/builds/crusher-house-lark/fit";

    [Fact]
    public async Task A_builder_sees_where_each_plug_sits_what_burns_and_what_every_lead_does()
    {
        await using var page = await Page.Open(Lark);
        page.Says("#verdict", "All 5 links connected. 3 warnings.");
        page.Says(
            "body",
            "KEEP-OUT Do not plug the Fix 20C spare-gnss into NAV, although it fits: its 5V would reach NAV BAT."
        );
        page.Says(
            "body",
            "KEEP-OUT Do not plug the Beacon D6 into AUX, although it fits: its BAT would reach AUX GND."
        );
        page.Says("[data-device='air-unit'] header", "in AIR");
        page.Says("[data-device='air-unit'] [data-lead='v']", "stays in pin 1 (AIR BAT)");
        page.Says(
            "[data-device='air-unit'] [data-lead='v']",
            "has 13.2–16.8 V (BAT: direct from the supply input), needs 7.4–26.0 V (800 mA typical, 1.3 A peak)"
        );
        page.Says("[data-device='gnss'] [data-lead='v']", "to pad 5V (top)");
        page.Says("[data-device='gnss'] [data-lead='g']", "stays in pin 1 (NAV GND)");
        page.Says("[data-device='spare-gnss'] header", "not plugged in: direct-soldered");
        page.Says("[data-device='camera'] [data-lead='v']", "to pad 5V");
        page.Run("document.querySelector('[data-testid=plugs]').scrollIntoView()");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task By_mouse_a_plug_is_kept_out_of_its_socket_and_undo_puts_it_back()
    {
        await using var page = await Page.Open(Lark);
        page.Click("[aria-label='Block AIR']");
        page.Says("[data-device='air-unit'] header", "in AUX");
        page.Says("body", "Plug a pigtail (a mating plug with bare wires) into AIR.");
        page.Find("[aria-label='Unblock AIR']");
        page.Click("[data-device='air-unit'] [aria-label='Block AUX']");
        page.Says("[data-device='air-unit'] header", "not plugged in: direct-soldered");
        page.Says("body", "The Beacon D6 plug not in AUX");
        page.Click("#undo");
        page.Says("[data-device='air-unit'] header", "in AUX");
        page.Click("#undo");
        page.Says("[data-device='air-unit'] header", "in AIR");

        page.Click("[aria-label='Pin the supply pad of Beacon D6 BAT']");
        page.Find("[aria-label='Unpin the supply pad of Beacon D6 BAT']");
        page.Says(".wishes", "Beacon D6 is powered from AIR pin 1 (AIR BAT)");
        page.Click("[aria-label='Unpin the supply pad of Beacon D6 BAT']");
        page.Gone(".wishes");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task By_keys_a_lead_is_taken_out_of_its_plug_and_left_to_the_plan_again()
    {
        await using var page = await Page.Open(Lark);
        page.Says("[data-device='air-unit'] [data-lead='tx']", "stays in pin 4 (AIR R1)");
        page.Run("document.querySelector(\"[aria-label='De-pin: Beacon D6 TX']\").focus()");
        page.Press(Keys.Enter);
        page.Says("[data-device='air-unit'] [data-lead='tx']", "to pad");
        page.Find("[aria-label='Undo de-pin: Beacon D6 TX']");
        page.Press("z");
        page.Says("[data-device='air-unit'] [data-lead='tx']", "stays in pin 4 (AIR R1)");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_device_that_nothing_can_feed_leads_the_verdict_and_is_marked()
    {
        await using var page = await Page.Open("/");
        page.Says("[data-build='drill-shed-gull']", "Problem: No pad can power the Lantern 25.");
        page.Click("[data-build='drill-shed-gull'] h2 a");
        page.Says(
            "#verdict",
            "Problem: No pad can power the Lantern 25. 1 of 2 links connected. No supply for VTX control (Lantern 25)."
        );
        page.Says("[data-device='transmitter'] [data-lead='v']", "no supply pad");
        page.Says("body", "VTX control and the Reed 10 supply cannot both be provided.");
        Assert.Equal("", page.Console());
    }
}
