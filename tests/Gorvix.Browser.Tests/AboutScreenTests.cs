namespace Gorvix.Browser.Tests;

/// <summary>What is told of this Gorvix and its data, and what becomes of an edit that cannot be stored.</summary>
public class AboutScreenTests
{
    [Fact]
    public async Task Where_the_data_lies_and_how_it_stands_is_told_on_a_page()
    {
        await using var page = await Page.Open("/");
        page.Click(".about a");
        page.Says("[data-testid='facts']", page.Data);
        page.Says("[data-testid='facts']", "OK");
        page.Says("[data-testid='facts']", "none");
        page.Says("[aria-label='Errors']", "None.");
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task An_edit_that_cannot_be_stored_waits_with_a_true_sentence_and_is_stored_when_it_can()
    {
        await using var page = await Page.Open("/builds/north-face-hare/fit?link=position&port=U1");
        page.Find("[data-cell='position U1']").Click();
        var file = Path.Combine(page.Data, "gorvix.db");
        File.Move(file, file + ".away");
        page.Click("#pin");
        page.Says("[role='alert']", "The data folder was moved or deleted while Gorvix was running.");
        page.Says("[role='alert']", "1 change waiting to be saved");
        page.Says("[role='alert']", "Log reference:");
        File.Move(file + ".away", file);
        page.Click("#resend");
        page.Says("[data-cell='position U1']", "pin");
        page.Gone("[role='alert']");
        page.Go("/about");
        page.Says("[aria-label='Errors']", "POST /api/builds/north-face-hare/changes");
        Assert.Equal("", page.Accessibility());
    }
}
