using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>From the first beep to the build book with the simulated bench, by keys, by mouse, by a tap, and with the server out of reach.</summary>
public class BenchScreenTests
{
    private const string Kestrel = "/builds/east-bench-kestrel";
    private const string Hare = "/builds/north-face-hare";

    // Reads the check at hand at the simulated bench and waits until the next one, or its stop, is there.
    private static bool Simulate(Page page)
    {
        var check = page.Find(".card").GetAttribute("data-check");
        page.Press("s");
        return page.Until(
                d =>
                    d.FindElement(By.CssSelector(".card")) is var card && card.GetAttribute("data-check") != check
                        ? "next"
                    : card.GetAttribute("data-state") is "stopped" or "doubtful" ? "stop"
                    : null,
                $"a reading of {check}"
            ) == "next";
    }

    [Fact]
    public async Task A_planted_fault_is_stopped_before_power_and_power_asks_for_a_reason()
    {
        await using var page = await Page.Open($"{Kestrel}/settings");
        page.Click("#to-bench");
        page.Says(".card", "9V to GND");
        page.Says("[data-testid='lead']", "0 of 82 passed");
        page.Run("document.querySelector('.stand-in summary').click()");
        page.Choose("[data-field='fault']", "5V and GND of Fix 20C swapped", typed: "5V and GND of");
        page.Run("document.activeElement.blur()");
        while (Simulate(page)) { }
        page.Says(".card[data-state='stopped']", "Fix it before powering up.");
        page.Says("[data-testid='look']", "Next: Tug the wire");
        page.Says("[data-testid='lead']", "1 failed");
        Assert.Equal("", page.Accessibility());
        page.Shot("bench");

        page.Click("[data-row='power.limited'] button");
        page.Says("[data-testid='against']", "failed. Fix that first.");
        page.Click(".card [data-answer='yes']");
        page.Says(".card .error", "Give a reason to proceed.");
        page.Write("[data-field='reason']", "module is unplugged");
        page.Click(".card [data-answer='yes']");
        page.Until(
            d =>
                d.FindElements(By.CssSelector("[data-row='power.limited'] svg[aria-label='passed']")).Count == 1
                    ? "yes"
                    : null,
            "the reason was taken"
        );
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_last_reading_is_taken_back_in_the_list_and_at_arms_length_and_stays_in_the_log_struck_out()
    {
        await using var page = await Page.Open($"{Hare}/bench?large=1");
        var check = page.Find(".card").GetAttribute("data-check")!;
        Assert.False(page.Find("[data-do='undo']").Enabled);
        page.Click(".card [data-answer='no']");
        page.Find($".card[data-check='{check}'][data-state='stopped']");
        page.Click("[data-do='undo']");
        page.Gone($".card[data-check='{check}'][data-state='stopped']");
        Assert.False(page.Find("[data-do='undo']").Enabled);
        // By its key, in the list.
        page.Click("[data-do='leave-large']");
        page.Click($"[data-row='{check}'] button");
        page.Click(".card [data-answer='no']");
        page.Find($".card[data-check='{check}'][data-state='stopped']");
        page.Run("document.activeElement.blur()");
        page.Press("u");
        page.Gone($".card[data-check='{check}'][data-state='stopped']");

        page.Click("#to-log");
        page.Find(".struck");
        page.Says("[data-entry^='reading']", "struck out, does not count");
        page.Click("[data-strike]");
        page.Until(d => d.FindElements(By.CssSelector(".struck")).Count == 1 ? "yes" : null, "one stands again");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task At_arms_length_one_key_or_button_goes_on_a_stray_tap_does_not_and_a_number_is_judged_while_it_is_typed()
    {
        await using var page = await Page.Open($"{Kestrel}/bench?large=1");
        page.Resize(768, 1024);
        page.Says("[data-testid='large-card']", "9V to GND");
        page.Press("g");
        page.Says("[data-testid='large-card']", "5V to GND");
        page.Click("[data-testid='large-card'] h3");
        page.Says("[data-testid='large-card']", "5V to GND");
        page.Click("[data-testid='large-card'] [data-answer='no']");
        page.Says("[data-testid='large-card']", "4V5 to GND");
        page.Press("1");
        page.Says("[data-testid='judged']", "do not power up");
        page.Press("2");
        page.Says("[data-testid='large-card']", "3V3 to GND");
        page.Go($"{Kestrel}/bench?large=1&at=volts.rail.5v");
        page.Says("[data-testid='large-card']", "5V rail");
        page.Press("v");
        page.Press("5,61");
        page.Says("[data-testid='forecast']", "Unplug it before it is destroyed");
        page.Press(Keys.Enter);
        page.Says("[data-state='stopped'] [data-testid='judged']", "5.61 V");
        page.Press(Keys.Escape);
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task With_the_server_out_of_reach_the_bench_goes_on_and_what_was_read_is_sent_after()
    {
        await using var page = await Page.Open($"{Kestrel}/bench?large=1");
        page.Says("[data-testid='large-card']", "9V to GND");
        await page.StopServer();
        page.Press("g");
        page.Says("[data-testid='large-card']", "5V to GND");
        page.Press("g");
        page.Press("g");
        page.Says("[data-testid='offline']", "3 readings are kept");
        // A page that is loaded anew has them still: they wait in the browser.
        await page.StartServer();
        page.Gone("[data-testid='offline']");
        page.Go($"{Kestrel}/bench");
        page.Says("[data-testid='lead']", "3 of 82 passed");
    }

    [Fact]
    public async Task A_device_exchanged_a_month_later_brings_back_only_what_it_touches()
    {
        await using var page = await Page.Open($"{Hare}/bench");
        page.Says("[data-testid='lead']", "52 of 52 passed");
        page.Click("[data-row='volts.rail.5v'] button");
        page.Find("[data-testid='plot'] circle");
        page.Go($"{Hare}/parts");
        page.Click("[data-device='gnss'] [aria-label^='Edit name']");
        page.Write("[data-field='device-batch']", "9");
        page.Says("[data-device='gnss']", "batch 9");
        page.Go($"{Hare}/bench");
        // Noting which piece it is is no exchange.
        page.Says("[data-testid='lead']", "52 of 52 passed");
        page.Go($"{Hare}/parts");
        page.Click("[data-device='gnss'] [aria-label^='Edit name']");
        page.Write("[data-field='device-batch']", "10");
        page.Says("[data-device='gnss']", "batch 10");
        page.Click("#to-bench");
        page.Says("[data-testid='changed']", "now: gnss was exchanged once");
        page.Press("o");
        page.Find("[data-row='link.position.satellites']");
        page.Gone("[data-row='link.control.sticks']");
        Assert.Equal("", page.Console());
    }
}
