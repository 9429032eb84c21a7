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
        page.Says("#verdict", "All 5 links carried. 3 warnings.");
        page.Says("body", "Do not plug the Fix 20C gnss into NAV as it comes: its 5V would sit on NAV BAT.");
        page.Says("body", "Beacon D6 out of AUX, although it fits Keep the plug: its BAT would sit on AUX GND.");
        page.Says("[data-device='air-unit'] header", "in AIR");
        page.Says("[data-device='air-unit'] [data-lead='v']", "stays in pin 1 (AIR BAT)");
        page.Says(
            "[data-device='air-unit'] [data-lead='v']",
            "gets 13.2 to 16.8 V (BAT: battery), takes 7.4 to 26.0 V (800 mA, up to 1.3 A)"
        );
        page.Says("[data-device='gnss'] [data-lead='v']", "to pad 5V, top side");
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
        page.Click("[aria-label='Ban AIR']");
        page.Says("[data-device='air-unit'] header", "in AUX");
        page.Says("body", "Plug a pigtail (a mating plug with bare wires) into AIR.");
        page.Find("[aria-label='Allow AIR']");
        page.Click("[data-device='air-unit'] [aria-label='Ban AUX']");
        page.Says("[data-device='air-unit'] header", "not plugged in: direct-soldered");
        page.Says("body", "Keep the plug of the Beacon D6 out of AUX");
        page.Click("#undo");
        page.Says("[data-device='air-unit'] header", "in AUX");
        page.Click("#undo");
        page.Says("[data-device='air-unit'] header", "in AIR");

        page.Click("[aria-label='Pin the supply pad of Beacon D6 BAT']");
        page.Find("[aria-label='Unpin the supply pad of Beacon D6 BAT']");
        page.Says(".wishes", "Beacon D6 is fed from");
        page.Click("[aria-label='Unpin the supply pad of Beacon D6 BAT']");
        page.Gone(".wishes");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task By_keys_a_lead_is_taken_out_of_its_plug_and_left_to_the_plan_again()
    {
        await using var page = await Page.Open(Lark);
        page.Says("[data-device='air-unit'] [data-lead='tx']", "stays in pin 4 (AIR R1)");
        page.Run("plug document.querySelector(\"[aria-label='Take out: Beacon D6 TX']\").focus()");
        page.Press(Keys.Enter);
        page.Says("[data-device='air-unit'] [data-lead='tx']", "to pad");
        page.Find("[aria-label='Leave it to the plan: Beacon D6 TX']");
        page.Press("z");
        page.Says("[data-device='air-unit'] [data-lead='tx']", "stays in pin 4 (AIR R1)");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_device_that_nothing_can_feed_leads_the_verdict_and_is_marked()
    {
        await using var page = await Page.Open("/");
        page.Says("[data-build='drill-shed-gull']", "Stop: No pad can feed the Lantern 25.");
        page.Click("[data-build='drill-shed-gull'] h2 a");
        page.Says(
            "#verdict",
            "Stop: No pad can feed the Lantern 25. 1 of 2 links carried. No supply for video control"
        );
        page.Says("[data-device='transmitter'] [data-lead='v']", "no supply pad");
        page.Says("body", "Video control and the supply of the Reed 10 cannot both be had.");
        Assert.Equal("", page.Console());
    }
}
