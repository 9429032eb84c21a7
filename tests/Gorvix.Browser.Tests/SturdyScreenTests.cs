using Gorvix.Core.Tests.Planning;
using Gorvix.Storage;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Browser.Tests;

/// <summary>What is far too much, and what is damaged, on the screen.</summary>
public class SturdyScreenTests
{
    [Fact]
    public async Task A_build_at_the_limits_shows_its_best_plan_so_far_and_what_a_longer_look_comes_to()
    {
        await using var page = await Page.Open("/");
        page.TakeIn(AtTheLimits.Of(AtTheLimits.SoonImproved));
        page.Go($"/builds/at-the-limits-{AtTheLimits.SoonImproved}/fit");
        page.Says("[data-testid='proof']", "Searching for a better plan…");
        page.Says("#verdict", "12 of 18 links connected.");
        page.Until(
            d => d.FindElements(OpenQA.Selenium.By.CssSelector(".working")).Count == 0 ? "yes" : null,
            "the longer look"
        );
        page.Says("[data-testid='moved']", "Better plan found: 6 links have moved.");
        page.Says("#verdict", "of 18 links connected.");

        // Going on before it is done stops it, and the next screen is there at once.
        page.Go("/");
        page.Says($"[data-build='at-the-limits-{AtTheLimits.SoonImproved}']", "of 18 links connected.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task Very_many_findings_and_links_leave_room_for_what_the_screen_is_for()
    {
        await using var page = await Page.Open("/");
        page.TakeIn(AtTheLimits.Of(18));
        page.Go("/builds/at-the-limits-18/fit");
        page.Says(".desk [data-do='more-findings']", " more");
        Assert.Equal(8, Seen(page));
        page.Click(".desk [data-do='more-findings']");
        page.Says(".desk [data-do='more-findings']", "Show first 8");
        Assert.InRange(Seen(page), 13, 99);
        Assert.Equal("", page.Accessibility(but: ".grid tbody tr:nth-child(n + 4)"));

        // On paper there is room for all.
        page.Click(".desk [data-do='more-findings']");
        page.Says(".desk [data-do='more-findings']", " more");
        page.AsPrinted();
        Assert.InRange(Seen(page), 13, 99);
        page.Go("/");
        page.Says("[data-build='at-the-limits-18'] .others", "25 more");
        Assert.Equal("", page.Console());
    }

    // In one go, for the longer look may draw them anew.
    private static long Seen(Page page) =>
        (long)
            page.Run(
                "return [...document.querySelectorAll('.desk .findings .code')].filter(e => e.checkVisibility()).length"
            )!;

    [Fact]
    public async Task A_damaged_build_is_one_card_that_can_be_taken_out_as_it_stands_and_removed()
    {
        await using var page = await Page.Open("/");
        page.Says("[data-build='north-face-hare']", "All 3 links connected.");
        await using (var db = new DataFolder(page.Data).Connect())
        {
            await db.Database.ExecuteSqlRawAsync(
                "UPDATE States SET Document = '[' WHERE BuildId = 'north-face-hare'",
                TestContext.Current.CancellationToken
            );
        }
        page.Go("/");
        page.Says("[data-build='north-face-hare']", "the stored data is damaged. Nothing was changed.");
        page.Says("[data-build='north-face-hare'] a[download]", "Export stored data");
        page.Says("[data-build='spoil-tip-owl']", "7 of 8 links connected.");
        page.Click("[data-build='north-face-hare'] a[download]");
        var file = Path.Combine(page.Downloads, "north-face-hare.stored-4.txt");
        page.Until(_ => File.Exists(file) ? file : null, "the download");
        Assert.Equal("[", await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken));
        page.Click("[data-build='north-face-hare'] [data-more]");
        page.Click("[data-do='remove']");
        page.Gone("[data-build='north-face-hare']");
        Assert.Equal("", page.Console());
    }
}
