using System.Text;
using Gorvix.Core.Formats;
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
        var (build, library) = AtTheLimits.Of(AtTheLimits.SoonImproved);
        var file = Encoding.UTF8.GetString(GorvixReader.Write(GorvixFile.Of(build, library)));
        page.RunAsync(
            """
            const [text, done] = arguments
            const headers = { 'Content-Type': 'application/json' }
            fetch('/api/builds/import', { method: 'POST', headers, body: text }).then(() => done(null))
            """,
            file
        );
        page.Go($"/builds/at-the-limits-{AtTheLimits.SoonImproved}/fit");
        page.Says("[data-testid='proof']", "It is thought about for longer; what comes of it is shown here.");
        page.Says("#verdict", "of 18 links carried.");
        page.Until(
            d => d.FindElements(OpenQA.Selenium.By.CssSelector(".working")).Count == 0 ? "yes" : null,
            "the longer look",
            times: 8
        );
        page.Says("[data-testid='moved']", "A better plan was found: 6 links have another place now.");
        page.Says("#verdict", "of 18 links carried.");

        // Going on before it is done stops it, and the next screen is there at once.
        page.Go("/");
        page.Says($"[data-build='at-the-limits-{AtTheLimits.SoonImproved}']", "of 18 links carried.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_damaged_build_is_one_card_that_can_be_taken_out_as_it_stands_and_removed()
    {
        await using var page = await Page.Open("/");
        page.Says("[data-build='north-face-hare']", "All 3 links carried.");
        await using (var db = new DataFolder(page.Data).Connect())
        {
            await db.Database.ExecuteSqlRawAsync(
                "UPDATE Steps SET Document = '[' WHERE BuildId = 'north-face-hare'",
                TestContext.Current.CancellationToken
            );
        }
        page.Go("/");
        page.Says("[data-build='north-face-hare']", "is damaged where it is stored and cannot be read.");
        page.Says("[data-build='north-face-hare'] a[download]", "Export as stored");
        page.Says("[data-build='spoil-tip-owl']", "7 of 8 links carried.");
        page.Click("[data-build='north-face-hare'] a[download]");
        var file = Path.Combine(page.Downloads, "north-face-hare.stored-2.txt");
        page.Until(_ => File.Exists(file) ? file : null, "the download");
        Assert.Equal("[", await File.ReadAllTextAsync(file, TestContext.Current.CancellationToken));
        page.Click("[data-build='north-face-hare'] [data-more]");
        page.Click("[data-do='remove']");
        page.Gone("[data-build='north-face-hare']");
        Assert.Equal("", page.Console());
    }
}
