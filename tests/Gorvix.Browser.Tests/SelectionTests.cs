namespace Gorvix.Browser.Tests;

/// <summary>One selection on every step: what is chosen on one screen is lit on the next, in the wiring picture and on the board.</summary>
public class SelectionTests
{
    private const string Lark = "/builds/crusher-house-lark";

    [Fact]
    public async Task A_link_of_the_grid_is_lit_on_every_step()
    {
        await using var page = await Page.Read($"{Lark}/fit");
        page.Click("[data-cell='control U6']");
        page.Click("#to-rails");
        // A signal leads to the supply of its device; on the board its pad is lit beside that of the supply.
        page.Says("[data-testid='way']", "Supply path: Relay 16");
        page.Find("[data-testid='drawing'] .pad.lit[data-pad='t6']");
        page.Click("[data-testid='drawing'] [data-view='picture']");
        Lit(page, "receiver sbus");
        page.Says("[data-testid='wire-told']", "RC link: TX → UART6 RX");
        page.Click("#to-loom");
        page.Find("[data-testid='now']");
        Lit(page, "receiver sbus");
        page.Click("#to-bench");
        page.Find(".card[data-check]");
        Lit(page, "receiver sbus");
        page.Click("#to-fit");
        page.At("control U6");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_wire_of_the_picture_is_lit_on_every_step_and_leads_to_its_check()
    {
        await using var page = await Page.Open($"{Lark}/rails?view=picture");
        Press(page, "camera v");
        page.Says("[data-testid='way']", "Supply path: Pane");
        page.Says("[data-testid='wire-told']", "typical");
        // Another source, other volts: in the picture as in the list.
        page.Says("[data-testid='wire-told']", "4.99 V");
        page.Click("[data-situation='usb']");
        page.Says("[data-testid='wire-told']", "0.00 V");
        page.Click("#to-bench");
        page.Find(".card[data-check]");
        Lit(page, "camera v");
        Press(page, "camera v");
        page.Says(".card", "5–17V at Pane");
        page.Find("[data-probe='red']");
        page.Find("[data-probe='black']");
        page.Press("b");
        page.Find(".large [data-probe='red']");
        page.Press("b");

        page.Click("#to-faults");
        page.Click("[data-sign='light.camera'] [data-outcome='dark']");
        page.Says("[data-testid='verdict']", "causes remain");
        Lit(page, "camera v");
        page.Find("[data-wire='camera v'] .share");
        page.Says("[data-testid='wire-told']", "fault here: ");
        Press(page, "camera v");
        page.Says("[aria-pressed='true'][data-cause]", "5–17V of Pane");
        Assert.Equal("", page.Accessibility());
        page.Click("#to-fit");
        page.Find("[data-cell^='camera-control'][aria-selected='true']");
        Assert.Equal("", page.Console());
    }

    // The middle of a line that bends is beside it.
    private static void Press(Page page, string wire)
    {
        page.Find($"[data-wire='{wire}']");
        page.Run(
            $"document.querySelector(\"[data-wire='{wire}']\").dispatchEvent(new MouseEvent('click', {{ bubbles: true }}))"
        );
    }

    // On the new page, not on the one that is left.
    private static void Lit(Page page, string wire) =>
        page.Until(
            _ =>
                page.Run(
                    $"const lit = [...document.querySelectorAll('.wire.lit')]; return lit.length === 1 && lit[0].dataset.wire === '{wire}'"
                )
                    is true
                    ? page
                    : null,
            $"{wire} lit alone"
        );
}
