using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>From the plan to settings that stand: read off, given to a board, read back; the module and the compass.</summary>
public class SettingsScreenTests
{
    private const string Lark = "/builds/crusher-house-lark";

    [Fact]
    public async Task The_sheet_is_read_off_and_ticked_by_keys_and_by_mouse()
    {
        await using var page = await Page.Open($"{Lark}/loom");
        page.Click("#to-settings");
        page.Says("[data-row='port.U1'].chosen", "UART1 connects to Beacon D6: digital OSD, MSP at 115 200 baud");
        page.Says("[data-testid='lead']", "0 of");
        page.Press("d");
        page.Says("[data-testid='lead']", "1 of");
        page.Press(Keys.ArrowDown);
        page.Press(Keys.ArrowDown);
        page.Says("[data-row='port.U6'].chosen", "can invert it back in the settings");
        page.Shot("settings");
        page.Click("[data-row='port.U6'] .tick");
        page.Says("[data-testid='lead']", "2 of");
        page.Press("o");
        page.Gone("[data-row='port.U6']");
        page.Press("z");
        page.Says("[data-row='port.U6']", "SBUS at 100 000");
        page.Says("[data-testid='telemetry']", "one-way");
        Assert.Contains("open=1", page.Driver.Url);
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task At_arms_length_settings_are_set_one_by_one_by_keys_and_taken_back()
    {
        await using var page = await Page.Open($"{Lark}/settings", width: 768, height: 1024);
        page.Says("[data-testid='lead']", "0 of 23 set");
        page.Press("b");
        page.Says("[data-testid='large-card']", "UART1 connects to Beacon D6");
        page.Press("d");
        page.Says(".progress", "1 of 23 set");
        page.Until(
            d =>
                d.FindElement(By.CssSelector("[data-testid='large-card']")).Text.Contains("UART1 connects")
                    ? null
                    : "yes",
            "the next setting"
        );
        // A stray touch of what is read sets nothing.
        page.Click("[data-testid='large-card'] .said");
        page.Says(".progress", "1 of 23 set");
        page.Click("[data-do='undo']");
        page.Says(".progress", "0 of 23 set");
        Assert.Equal("", page.Accessibility());
        page.Press("b");
        page.Says("[data-testid='lead']", "0 of 23 set");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_simulated_board_reads_back_clean_and_a_forced_double_job_is_found()
    {
        await using var page = await Page.Open($"{Lark}/settings");
        page.Press("2");
        page.Click("[data-testid='simulated'] summary");
        page.Click("[data-do='sim-take']");
        page.Says("[data-testid='replies']", "Not saved");
        page.Click("[data-do='sim-save']");
        page.Says("[data-testid='verdict']", "All settings match the plan.");
        page.Click("[data-do='keep']");
        page.Says("[data-testid='kept']", "read-back");
        page.Click("[data-do='tick-same']");
        Assert.Equal("", page.Accessibility());

        // One more line, with a second job for a port that has one.
        page.Run(
            """
            const field = document.querySelector('[data-field="printout"] textarea, textarea[data-field="printout"]')
            field.value += '\nport U6 job=gnss protocol=UBX baud=115200'
            field.dispatchEvent(new Event('input', { bubbles: true }))
            """
        );
        page.Click("[data-do='sim-take']");
        page.Click("[data-do='sim-save']");
        page.Says("[data-testid='verdict']", "two functions on one port");
        page.Says("[data-read='port.U6']", "UART6 has no function; should be: UART6 receives from Relay 16");
        page.Press(Keys.Escape);
        page.Click("[data-part='sheet']");
        page.Says("[data-testid='lead']", "22 of 23 set");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_module_that_forgot_is_found_set_up_and_proved_kept()
    {
        await using var page = await Page.Open($"{Lark}/settings?part=gnss");
        page.Says("[data-testid='load']", "11 %");
        // What has not answered cannot be configured.
        page.Gone("[data-do='module-set']");
        page.Click("[data-do='module-look']");
        page.Click("[data-do='module-wait']");
        page.Says("[data-testid='heard']", "3D fix");
        page.Says("[data-testid='log']", "This is the older generation.");
        page.Click("[data-do='module-set']");
        page.Says("[data-testid='log']", "All settings accepted and saved.");
        page.Shot("gnss");
        page.Click("[data-do='module-prove']");
        page.Says("[data-testid='log']", "The module has kept its settings.");
        page.Choose("[data-field='line']", "simulated: TX and RX not crossed");
        page.Click("[data-do='module-look']");
        page.Says("[data-testid='log'] .trouble", "Swap the two wires");
        page.Choose("[data-field='hertz']", "25");
        page.Says("[data-testid='load']", "%");
        page.Choose("[data-field='gnss-baud']", "9");
        page.Says("[data-testid='load']", "whole messages are lost");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_compass_is_turned_and_the_place_gives_the_declination()
    {
        await using var page = await Page.Open($"{Lark}/settings?part=compass");
        page.Says("[data-testid='declination']", "World Magnetic Model 2025");
        page.Choose("[data-field='turn']", "arrow to right");
        page.Says("main", "90° clockwise");
        page.Write("[data-field='latitude']", "95");
        page.Says("main", "Enter -90 to 90 degrees, e.g.");
        page.Write("[data-field='latitude']", "90");
        page.Says("[data-testid='declination']", "Declination: none at a pole.");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task An_own_form_is_written_while_one_looks_at_it()
    {
        await using var page = await Page.Open($"{Lark}/settings?part=form");
        page.Says("[data-testid='form-text']", "port U6 job=receiverInput");
        page.Run(
            """
            const field = document.querySelector('[data-field="template"] textarea, textarea[data-field="template"]')
            field.value = 'one\n{% for s in settings %}'
            field.dispatchEvent(new Event('input', { bubbles: true }))
            """
        );
        page.Says("[data-testid='form-error']", "The template has an error");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }
}
