namespace Gorvix.Browser.Tests;

/// <summary>The rails of a build, looked at as before the first power.</summary>
public class RailsScreenTests
{
    [Fact]
    public async Task What_burns_starves_and_is_left_is_told_in_each_situation_by_mouse_and_by_keys()
    {
        await using var page = await Page.Open("/builds/spoil-tip-owl/fit");
        page.Click("#to-rails");
        page.Says("[data-rail='5v']", "asked of 1.00 A");
        page.Says(".findings", "Rail 5V gives 1.0 A at most");
        page.Says("[data-window='receiver v']", "good");
        page.Shot("rails");

        // What is chosen shows its way and its pad.
        page.Click("[data-window='receiver v']");
        page.Says("[data-testid='way']", "rail 4V5");
        Assert.Contains("lead=receiver", page.Driver.Url);

        page.Click("[data-situation='usb']");
        page.Says(".findings", "silent on USB alone");
        page.Says("[data-rail='bat']", "dead here");
        page.Press(OpenQA.Selenium.Keys.Escape);
        page.Run("document.activeElement.blur()");
        page.Press("-");
        page.Says(".charge", "4.15 V a cell");
        Assert.Contains("cell=4.15", page.Driver.Url);
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }
}
