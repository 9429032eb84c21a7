using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>The Parts step, the library and the board's face as a builder uses them.</summary>
public class PartsScreenTests
{
    private const string Hare = "/builds/north-face-hare/parts";

    [Fact]
    public async Task Parts_are_added_exchanged_weighed_and_removed_and_what_it_does_is_told_before()
    {
        await using var page = await Page.Open(Hare);
        page.Says(".board", "Small 2 beside the arrow");
        page.Says(".board", "Or revision 1? No number beside the arrow");
        page.Shot("parts");
        page.Press("a");
        page.Write("[data-field='search']", "ledger");
        page.Click("[data-candidate='fallowby-ledger']");
        page.Says("#told", "Result: 3 of 4 links connected. No port for flight logger (Ledger).");
        page.Says("#verdict", "All 3 links connected.");
        page.Click("#take");
        page.Says("#verdict", "3 of 4 links connected. No port for flight logger (Ledger).");
        page.Gone("aside");
        page.Until(
            d => d.FindElements(By.CssSelector("[data-exchange='add']:focus")).FirstOrDefault(),
            "the focus to go back to where it came from"
        );

        page.Click("[data-exchange='board']");
        page.Says(
            "[data-candidate='cobbold-mote-f1-r5']",
            "Problem: Mote F1 needs 4.5–5.5 V but gets 16.8 V (full battery)."
        );
        page.Click("[data-candidate='cobbold-mote-f1-r5']");
        page.Says("#told", "Problem: Mote F1 needs 4.5–5.5 V but gets 16.8 V (full battery).");
        page.Says("#take", "Use this part anyway");
        Assert.Equal("", page.Accessibility());
        page.Click("[data-candidate='thornwick-spindle-f7-r1']");
        page.Says("#told", "Flight logger (Ledger) is now connected on UART6.");
        page.Click("#take");
        page.Says("#verdict", "All 4 links connected.");
        page.Says("[data-testid='moved']", "Flight logger (Ledger) is now connected on UART6.");

        page.Click("[data-priority='flightlogger log wanted']");
        page.Find("[data-priority='flightlogger log wanted'].v-btn--active");
        page.Click("[data-remove='flightlogger']");
        page.Says("[data-testid='moved']", "Flight logger (Ledger) is no longer in the build.");
        page.Click("[data-priority='air-unit control wanted']");
        page.Says("#verdict", "3 of 4 links connected. No port for RC link (Beacon D6).");
        page.Click("[data-priority='air-unit control none']");
        page.Says("#verdict", "All 3 links connected.");
        page.Press("z");
        page.Says("#verdict", "3 of 4 links connected.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_device_has_a_name_of_the_builders_own_and_sentences_use_it()
    {
        await using var page = await Page.Open(Hare);
        page.Click("[data-device='gnss'] [aria-label^='Edit name']");
        page.Press("tail GNSS" + Keys.Enter);
        page.Says("[data-device='gnss'] h3", "tail GNSS");
        page.Click("[data-priority='air-unit control required']");
        page.Says("#verdict", "3 of 4");
        page.Press("f");
        page.Says("tbody", "GNSS\"");
        page.Click("#to-parts");
        page.Click("[data-device='gnss'] [aria-label^='Edit name']");
        page.Press("other" + Keys.Escape);
        page.Says("[data-device='gnss'] h3", "tail GNSS");
        page.Write("[data-field='name']", "");
        page.Says(".names", "Enter a build name.");
        page.Write("[data-field='name']", "Hare of the north face");
        page.Says(".v-app-bar .build", "Hare of the north face");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_build_without_devices_says_what_comes_first()
    {
        await using var page = await Page.Open(Hare);
        foreach (var device in new[] { "receiver", "air-unit", "gnss" })
        {
            page.Click($"[data-remove='{device}']");
            page.Gone($"[data-device='{device}']");
        }
        page.Says("#verdict", "No links added yet.");
        page.Until(
            _ => page.Run("return document.activeElement.dataset.exchange ?? null") as string,
            "the focus to be on what comes next"
        );
        page.Says("main", "Add the receiver first.");
        page.Press("f");
        page.Says("main", "No links yet. Add a device under Parts.");
        page.Click("#go-parts");
        page.Press("a");
        page.Find("[data-field='search']");
        page.Press(Keys.Escape);
        page.Gone("aside");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Before_you_buy_adds_a_kind_that_the_build_lacks()
    {
        await using var page = await Page.Open("/builds/haul-road-heron/sweep");
        page.Says("[data-testid='progress']", "all 13 checked");
        page.Choose("[data-field='add']", "flight logger");
        page.Says("[data-part='fallowby-ledger']", "links connected");
        Assert.Contains("add=flightLogger", page.Driver.Url);
        page.Click("[data-part='fallowby-ledger'] button");
        page.Says("tbody", "Fallowby Ledger");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_library_is_narrowed_by_what_decides_and_a_part_tells_its_facts_and_where_it_is_used()
    {
        await using var page = await Page.Open("/library");
        page.Says("[data-testid='count']", "46 of 46 parts");
        page.Shot("library");
        page.Choose("[data-field='kind']", "receiver");
        page.Choose("[data-field='can']", "CRSF");
        page.Says("[data-testid='count']", "3 of 46 parts");
        Assert.All(page.All(".rows > li"), row => Assert.Contains("CRSF", row.Text));
        page.Driver.Navigate().Refresh();
        page.Says("[data-testid='count']", "3 of 46 parts");
        Assert.All(page.All(".rows > li"), row => Assert.Contains("CRSF", row.Text));
        page.Choose("[data-field='kind']", "board");
        page.Choose("[data-field='pack']", "2S");
        page.Says("[data-testid='count']", "3 of 46 parts");
        page.Click("[data-part='cobbold-nib-f4-r2'] a");
        page.Says("main", "built-in receiver");
        page.Says("main", "Ramp Swift");
        page.Go("/library/boards/askerdale-pinion-f4-r2");
        page.Says("main", "Revision 1: No number beside the arrow");
        page.Find("[data-pad]").Click();
        page.Says("[data-testid='told']", "side");
    }

    [Fact]
    public async Task Two_revisions_are_put_side_by_side_from_the_library_and_what_differs_is_first()
    {
        await using var page = await Page.Open("/library?search=pinion");
        page.Says("[data-testid='count']", "2 of 46 parts");
        page.Click("[aria-label='Compare Askerdale Pinion F4, revision 1']");
        page.Says(".compare", "Select 1 or 2 more.");
        page.Click("[aria-label='Compare Askerdale Pinion F4, revision 2']");
        page.Click("#compare");
        page.Says("[data-row='Facts Firmware target']", "PINIONF4R2");
        page.Gone("[data-row='Facts Controller']");
        page.Click("[data-show='all']");
        page.Says("[data-row='Facts Controller']", "F4-class");
        Assert.Equal("", page.Accessibility());
        page.Driver.Navigate().Refresh();
        page.Says("[data-row='Facts Firmware target']", "PINIONF4R2");
        page.Go("/library/compare?board=nothing&board=askerdale-pinion-f4-r2");
        page.Says("[role='alert']", "No board \"nothing\" in the library.");
    }

    [Fact]
    public async Task The_face_flips_turns_and_grows_its_pads_tell_their_link_and_keys_walk_them()
    {
        await using var page = await Page.Open("/builds/rim-walk-rook/fit");
        page.Says("#verdict", "All 12");
        Assert.Equal("top", page.Find(".face svg").GetAttribute("data-side"));
        Assert.Equal(["r1", "t1"], Lit(page));
        page.Find("[data-cell='heading I2C1']").Click();
        page.Until(_ => Lit(page) is ["scl", "sda"] ? "yes" : null, "the bus's pads");
        Assert.Equal("bottom", page.Find(".face svg").GetAttribute("data-side"));
        page.Run("document.querySelector('.face').scrollIntoView({ block: 'end' })");

        // A pad that is in use selects its link; one that is free, where the link in sight would go on its port.
        page.Click("[data-pad='r3']");
        page.At("esc");
        page.Click(".face [value='top']");
        var before = page.Find("[data-pad='r1']").Location;
        page.Click("[data-face='turn']");
        Assert.Equal("90", page.Find(".face svg").GetAttribute("data-turn"));
        Assert.NotEqual(before, page.Find("[data-pad='r1']").Location);
        var width = page.Find(".face svg").Size.Width;
        page.Click("[data-zoom='more']");
        Assert.True(page.Find(".face svg").Size.Width > 1.4 * width);
        page.Click("[data-zoom='less']");

        page.Run("document.querySelector('.face [tabindex=\"0\"]').focus()");
        var first = Focused(page);
        page.Press(Keys.ArrowRight);
        page.Until(_ => Focused(page) is { } now && now != first ? "yes" : null, "the next pad");
        page.Says("[data-testid='told']", "top side");
        page.Press(Keys.Enter);
        Assert.Equal("", page.Console());
    }

    private static string[] Lit(Page page) =>
        [.. page.All(".face .lit").Select(p => p.GetAttribute("data-pad")!).Order(StringComparer.Ordinal)];

    private static string? Focused(Page page) =>
        page.Run("return document.activeElement.dataset.pad ?? null") as string;
}
