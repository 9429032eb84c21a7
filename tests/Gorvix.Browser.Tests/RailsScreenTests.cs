using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>The rails of a build, looked at as before the first power.</summary>
public class RailsScreenTests
{
    [Fact]
    public async Task What_burns_starves_and_is_left_is_told_in_each_situation_by_mouse_and_by_keys()
    {
        await using var page = await Page.Open("/builds/spoil-tip-owl/fit");
        page.Says("[data-testid='supply']", "4V5 rail");
        page.Click("#to-rails");
        page.Says("[data-rail='5v']", "250 mA of 1 A spare");
        page.Says(".findings", "5V of Furlong gets 4.47 V");
        page.Says("[data-window='radio v']", "marginal");
        page.Says("[data-window='receiver v']", "OK");
        page.Says("[data-testid='readings']", "GND at Sedge 3");
        page.Says("[data-figure='Peak draw']", "A");
        page.Shot("rails");

        // What is chosen shows its way and its pad.
        page.Click("[data-window='receiver v']");
        page.Says("[data-testid='way']", "4V5 rail");
        Assert.Contains("lead=receiver", page.Driver.Url);

        page.Click("[data-situation='usb']");
        page.Says(".findings", "is off on USB");
        page.Says("[data-figure='USB draw']", "A");
        page.Says("[data-rail='bat']", "off");
        page.Press(Keys.Escape);
        page.Run("document.activeElement.blur()");
        page.Press("-");
        page.Says(".charge", "4.15 V per cell");
        page.Says("[data-testid='pack-says']", "about 94 % remaining");
        Assert.Contains("cell=4.15", page.Driver.Url);
        page.Press(Keys.ArrowDown);
        page.Says("[data-testid='way']", "Fix 20C");
        page.Press(Keys.ArrowRight);
        page.Says("[data-situation='full'].v-btn--active", "full battery");
        // The slider shows the charge of the situation that is looked at.
        page.Click("[data-situation='empty']");
        page.Says(".charge", "3.30 V per cell");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    /// <summary>A selector on the battery, and one with solder on both sides, are seen before the iron is warm.</summary>
    [Fact]
    public async Task What_a_selector_would_do_is_told_with_its_word_and_shape()
    {
        await using var page = await Page.Open("/builds/drill-shed-gull/rails?at=JP-BAT");
        page.Says("[data-window='receiver v']", "OVER-VOLTAGE");
        page.Says(".findings", "5V of Reed 10 gets 16.8 V (JP at \"BAT\"),");
        page.Go("/builds/drill-shed-gull/rails?at=JP-");
        page.Says(".findings", "TIED 5V rail and BAT rail are tied together (JP closed on every side).");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_wire_and_the_bench_are_written_and_change_the_answer_at_once()
    {
        await using var page = await Page.Open("/builds/spoil-tip-owl/rails");
        page.Says("[data-window='radio v']", "marginal");
        // Shorter wires lose less; a rail of 4.5 V stays marginal for what needs 4.5 V.
        page.Says(".findings", "gets 4.47 V (full battery), needs 4.5 V.");
        page.Write("[data-wire='radio v']", "2");
        page.Says("main", "Other supply wires: assumed 10 cm long and sized for their current");
        page.Write("[data-wire='radio g']", "2");
        page.Says(".findings", "gets 4.49 V (full battery), needs 4.5 V.");
        page.Says("[data-window='radio v']", "marginal");
        page.Write("[data-wire='radio v']", "0");
        page.Says("[data-section='wires']", "Enter a length of 0.1 to 500 cm.");
        page.Write("[data-field='limiterAmps']", "0.3");
        page.Click("[data-situation='limiter']");
        page.Says(".findings", "The 300 mA current limiter trips at power-up");
        page.Press(Keys.Escape);
        page.Run("document.activeElement.blur()");
        page.Press("z");
        page.Until(
            _ => page.Text(".findings").Contains("trips at power-up", StringComparison.Ordinal) ? null : "",
            "the limiter to let the build start"
        );
        Assert.Equal("", page.Console());
    }

    /// <summary>The worked case of the trade: a 9 V regulator does not hold on two cells, and what hangs on it starves.</summary>
    [Fact]
    public async Task A_9_V_regulator_on_two_cells_is_seen_to_follow_the_pack_down()
    {
        await using var page = await Page.Open("/builds/east-bench-kestrel/parts");
        page.Choose("[data-field='cells']", "2S");
        page.Says("main", "9V drops to 6.1 V on an empty battery; the Beacon D6 needs 7.4 V.");
        page.Click("#to-rails");
        page.Says("[data-rail='9v']", "7.90 V");
        page.Says(".findings", "No pad can power the Beacon D6.");
        page.Says(".findings", "INPUT Spindle F7 needs 9.5–26.0 V but gets 8.4 V (full battery).");
        page.Click("[data-situation='empty']");
        page.Says("[data-rail='9v']", "6.10 V");
        page.Says("[data-window^='air-unit']", "not powered");
        Assert.Equal("", page.Console());
    }
}
