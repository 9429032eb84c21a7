using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>What leaflets say, where a builder sees it and can change it.</summary>
public class LeafletScreenTests
{
    private const string Rook = "/builds/rim-walk-rook/fit";

    [Fact]
    public async Task A_ride_a_shared_wire_the_work_in_minutes_and_the_room_left_are_on_the_page()
    {
        await using var page = await Page.Open(Rook);
        page.Says("#verdict", "All 12 links connected. 2 warnings.");
        page.Says(
            ".findings",
            "INSIDE Telemetry (Sedge 4) is in-band over the RC link on UART1: no separate port or wire."
        );
        page.Says(".findings", "share R3: join them to one wire first");
        page.Says("[data-testid='room']", "Free: 2\u00A0×\u00A0battery sensing (CUR, VBAT)");
        page.Says(".notes", "one lead de-pinned, three settings and one address strap, about 11 min");
        page.Says(
            ".notes",
            "36 × 36 mm, holes 30.5 × 30.5 mm for M3, USB on the left edge, arrow towards the front edge."
        );
        page.Find("[data-cell='telemetry U1']").Click();
        page.Says(".panel", "in-band over the RC link: no separate port or wire");
        Assert.DoesNotContain("Wires", page.Find(".panel").Text);
        page.Find("[data-cell='telemetry U4']").Click();
        page.Press(Keys.Enter);
        page.Says("[data-testid='moved']", "Telemetry (Sedge 4) is now in-band over CRSF.");
        page.Says("[data-cell='control U4']", "R4B · T4B");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_radios_side_is_set_by_keys_and_half_of_it_is_asked_for_the_other_half()
    {
        await using var page = await Page.Open("/builds/rim-walk-rook/parts");
        page.Says("[data-testid='work']", "three settings and one address strap, about 11 min");
        page.Write("[data-field='bay']", "");
        page.Says("[data-section='radio']", "Fill in both or neither.");
        page.Write("[data-field='bay']", "fast");
        page.Says("[data-field='bay']", "Enter a whole number, e.g. 400000 baud");
        page.Write("[data-field='bay']", "400000");
        page.Says("[data-testid='work']", "one lead de-pinned, one setting and one address strap, about 7 min");
        page.Write("[data-field='bay']", "12");
        page.Says("body", "radio.bayBaud is 12 baud. It must be 9600 to 6000000 baud.");

        // The browser itself notes that the server refused, and nothing else.
        Assert.All(page.Console().Split('\n'), line => Assert.Contains("422", line));
    }

    [Fact]
    public async Task Another_harness_is_taken_and_the_blocked_cell_says_which_wire_it_lacks_and_what_helps()
    {
        await using var page = await Page.Open("/builds/tip-track-pipit/parts");
        page.Says("#verdict", "6 of 7 links connected. No port for RC link (Reed 10).");
        page.Click("[data-remove='spare']");
        page.Says("#verdict", "All 6 links connected.");
        page.Choose("[data-harness='receiver']", "3-wire, PWM");
        page.Says("#verdict", "No port for RC link (Relay 8H).");
        page.Click("#to-fit");
        page.Find("[data-cell='control U2']").Click();
        page.Says(
            "[data-testid='sentence']",
            "HARNESS SBUS on the Relay 8H needs a wire that only its \"3-wire, serial\" harness has."
        );
        page.Says("[data-testid='mend']", "Choose that harness under Parts.");
        page.Click("[data-unlock='swapHarness']");
        page.Says("#verdict", "All 6 links connected.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_hand_that_is_careful_takes_longer()
    {
        await using var page = await Page.Open("/builds/rim-walk-rook/parts");
        page.Says("[data-testid='work']", "about 11 min");
        page.Find("[data-rule='pace'] input:checked").SendKeys(Keys.ArrowDown);
        page.Says("[data-testid='work']", "about 17 min");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_sweep_is_sorted_by_the_room_that_is_left()
    {
        await using var page = await Page.Open("/builds/haul-road-heron/sweep");
        page.Says("[data-testid='progress']", "all 13 checked");
        page.Says("[data-part='askerdale-gantry-f7-r1']", "free: U6");
        Assert.Equal("thornwick-spindle-f7-r1", page.All(".rows > li")[0].GetAttribute("data-part"));
        page.Click("[data-order='room']");
        page.Says(".rows > li:first-child", "Askerdale Derrick H7");
        page.Says("[data-part='askerdale-trunnion-f4-r1']", "free: I2C1 VID CUR VBAT KEY");
        page.Click("[data-order='best']");
        page.Says(".rows > li:first-child", "Thornwick Spindle F7");
        Assert.Equal("", page.Console());
    }
}
