using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>From plan to soldered wires, with the iron in one hand.</summary>
public class LoomScreenTests
{
    [Fact]
    public async Task The_work_is_walked_step_by_step_by_keys_and_by_mouse_and_the_board_shows_each_pad()
    {
        await using var page = await Page.Open("/builds/crusher-house-lark/rails");
        page.Click("#to-loom");
        page.Says("[data-step='backup']", "difference from default");
        page.Says("[data-testid='cautions']", "Propellers off");
        page.Press(Keys.ArrowDown);
        page.Says("[data-step='plug air-unit'].chosen", "SBUS out of 6. Insulate SBUS.");
        Assert.Contains("step=plug", page.Driver.Url);

        page.Click("[data-step='joint receiver sbus'] button");
        page.Says("[data-step='joint receiver sbus']", "nothing between T6 and T4");
        page.Says(".lit", "T6");
        page.Shot("loom");

        // From the board back to the list: the pad is pressed, its step is chosen.
        page.Click("[data-pad='t4']");
        page.Says("[data-step='joint camera rx'].chosen", "board talks → Pane hears");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_plug_is_drawn_pin_by_pin_and_turned_round()
    {
        await using var page = await Page.Open("/builds/crusher-house-lark/loom");
        page.Says("[data-plug='gnss']", "Left in pin 6: BAT, 13.2 to 16.8 V, on 5V.");
        page.Says("[data-plug='gnss'] li:first-child", "NAV GND");
        page.Click("[data-testid='plugs'] .v-btn:last-child");
        page.Says("[data-plug='gnss'] li:first-child", "NAV BAT");
        page.Says("[data-testid='plugs']", "the right");
        page.Says("[data-testid='continuity']", "it would burn at switch-on");
        page.Says("[data-testid='spare']", "SBUS of the Beacon D6");
        Assert.Equal("", page.Console());
    }
}
