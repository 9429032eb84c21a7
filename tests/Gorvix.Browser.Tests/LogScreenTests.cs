using OpenQA.Selenium;

namespace Gorvix.Browser.Tests;

/// <summary>The record of a build: written, looked through, compared, brought back, put on paper; and the club.</summary>
public class LogScreenTests
{
    private const string Hare = "/builds/north-face-hare";

    [Fact]
    public async Task Notes_flights_and_what_is_done_stand_on_the_time_line_with_a_name()
    {
        await using var page = await Page.Open($"{Hare}/bench");
        page.Says("#to-log", "2");
        page.Click("#to-log");
        page.Says("[data-entry='note-6']", "3 flights: wind, cut short");
        page.Write("[data-field='who']", "Odile");
        page.Write("[data-field='note']", "New propellers");
        page.Click("[data-do='note']");
        page.Says("[data-entry='note-7']", "New propellers, Odile");
        page.Click("[data-do='flights']");
        page.Says("[data-entry='note-8']", "One flight");
        page.Click("[data-due='screws'] .v-btn");
        page.Says("[data-due='screws']", "in 60 days or 12 flights");
        page.Shot("log");
        page.Click("[data-do='papers']");
        page.Find(".v-list a[target='_blank'][href$='/north-face-hare/book.html']");
        page.Find(".v-list a[download][href$='/north-face-hare/record.zip']");
        page.Press(Keys.Escape);
        page.Gone(".v-menu.v-overlay--active");
        page.Click("[data-kind='reading']");
        page.Gone("[data-entry='note-7']");
        Assert.Contains("kind=reading", page.Driver.Url);
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_photo_is_put_in_and_what_is_none_is_refused_with_a_sentence()
    {
        await using var page = await Page.Open($"{Hare}/log");
        page.Find("[data-entry='note-6']");
        var folder = Directory.CreateTempSubdirectory("gorvix-").FullName;
        var (good, bad) = (Path.Combine(folder, "top.png"), Path.Combine(folder, "bad.png"));
        await File.WriteAllBytesAsync(
            good,
            Convert.FromBase64String(
                "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=="
            )
        );
        await File.WriteAllTextAsync(bad, "no picture");
        // The dialog that a button opens is the browser's own; the field behind it takes the file.
        void Pick(string file)
        {
            page.Run(
                """
                HTMLInputElement.prototype.click = function () { if (this.type === 'file') { this.id = 'picked'; document.body.append(this) } }
                """
            );
            page.Click("[data-do='photo']");
            page.Driver.FindElement(By.CssSelector("#picked")).SendKeys(file);
            page.Run("document.querySelector('#picked')?.remove()");
        }
        page.Write("[data-field='note']", "after the crash");
        page.Choose("[data-field='place']", "Fix 10: solder 5V (red)", typed: "5V (red)");
        Pick(good);
        page.Says("[data-entry='photo-1']", "after the crash – Fix 10: solder 5V (red) → 5V (top).");
        page.Until(
            d =>
                (bool?)page.Run("return document.querySelector('[data-entry=\"photo-1\"] img')?.naturalWidth > 0")
                == true
                    ? "yes"
                    : null,
            "the photo is shown"
        );
        Pick(bad);
        page.Says("[role='alert']", "Cannot read this photo");
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Two_moments_are_compared_and_the_earlier_plan_comes_back()
    {
        await using var page = await Page.Open($"{Hare}/parts");
        page.Click("[data-device='gnss'] [aria-label^='Edit name']");
        page.Write("[data-field='device-batch']", "9");
        page.Says("[data-device='gnss']", "batch 9");
        page.Click("[data-remove='air-unit']");
        page.Gone("[data-device='air-unit']");
        page.Click("#to-log");
        page.Click("[data-kind='change']");
        page.Click("[data-compare='1']");
        page.Says("[data-testid='difference']", "batch 9");
        Assert.Contains("from=1&to=3", page.Driver.Url);
        page.Click("[data-restore='1']");
        page.Says("[data-entry='change-4']", "Restore version 1");
        // The plan comes back, the batch of a piece stays: it is a fact of the aircraft, not of the plan.
        page.Go($"{Hare}/log?from=2&to=4");
        page.Says("[data-testid='difference']", "No differences.");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task The_build_book_prints_and_the_club_tells_what_flies_where()
    {
        await using var page = await Page.Open("/api/builds/north-face-hare/book.html");
        page.Says("body", "All 3 links connected.");
        page.Says("body", "Keep an eye on it.");
        page.Find("svg");
        Assert.True(page.Print().Length > 20_000);
        // The style is let in: the page is black on white, no wider than paper.
        Assert.Equal("rgba(255, 255, 255, 1)", page.Find("body").GetCssValue("background-color"));
        page.Go("/api/builds/north-face-hare/bench-sheet.html");
        page.Says("body", "Before power: nothing connected");
        Assert.Equal("", page.Console());

        page.Go("/club");
        page.Says("[data-craft='north-face-hare']", "52 of 52");
        page.Says("[data-craft='north-face-hare']", "Check screws and connectors");
        page.Says(".flies", "East Bench Kestrel, Haul Road Heron");
        page.Shot("club");
        page.Press("/");
        page.Press("gnss batch 3");
        page.Says("[data-testid='found']", "Haul Road Heron");
        Assert.Contains("q=gnss", page.Driver.Url);
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }
}
