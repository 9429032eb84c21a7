namespace Gorvix.Browser.Tests;

/// <summary>The shelf: import, export, removal, and its empty and error states.</summary>
public class ShelfTests
{
    [Fact]
    public async Task A_build_goes_out_as_a_file_and_comes_back_as_the_same_build()
    {
        await using var page = await Page.Open("/");
        page.Says("[data-build='north-face-hare']", "All 3 links connected.");
        page.Shot("shelf");
        page.Click("[data-build='north-face-hare'] a[download]");
        var file = Path.Combine(page.Downloads, "north-face-hare.gorvix.json");
        page.Until(_ => File.Exists(file) ? file : null, "the download");
        Import(page, file);
        page.Says("[data-build='North Face Hare']", "All 3 links connected.");
        page.Says("main", "4 parts already in your library, identical.");
        page.Click("#take-in");
        page.Says("#verdict", "All 3 links connected.");
        Assert.EndsWith("/builds/north-face-hare-2/fit", new Uri(page.Driver.Url).AbsolutePath);
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_file_dropped_on_the_page_is_imported()
    {
        await using var page = await Page.Open("/");
        page.Find("[data-build='north-face-hare']");
        page.Run(
            """
            fetch('/api/builds/north-face-hare/export').then((r) => r.text()).then((text) => {
              const data = new DataTransfer()
              data.items.add(new File([text], 'hare.json', { type: 'application/json' }))
              const drop = (type) => new DragEvent(type, { bubbles: true, cancelable: true, dataTransfer: data })
              const main = document.querySelector('main')
              for (const type of ['dragenter', 'dragover', 'drop']) main.dispatchEvent(drop(type))
            })
            """
        );
        page.Says("[data-build='North Face Hare']", "All 3 links connected.");
        page.Click("#take-in");
        page.Says("#verdict", "All 3 links connected.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_damaged_file_is_refused_with_its_place_and_nothing_is_stored()
    {
        await using var page = await Page.Open("/");
        page.Find("[data-build='north-face-hare']");
        var file = Path.Combine(Directory.CreateTempSubdirectory("gorvix-").FullName, "damaged.json");
        await File.WriteAllTextAsync(file, "{\"format\":\"gorvix\",\n\"version\":4,\n\"boards\":[{\"id\":\"x\"}]}");
        Import(page, file);
        page.Says("[role='alert']", "damaged.json not imported. Nothing was saved.");
        page.Says("[role='alert']", "line 3 (boards[0])");
        Assert.Empty(page.All("#take-in"));
        await File.WriteAllTextAsync(file, "{\"format\":\"gorvix\",\"version\":7}");
        Import(page, file, "#choose");
        page.Says("[role='alert']", "format version 7");
    }

    [Fact]
    public async Task A_build_is_taken_off_the_shelf_and_put_back()
    {
        await using var page = await Page.Open("/");
        Do(page, "north-face-hare", "remove");
        page.Gone("[data-build='north-face-hare']");
        page.Click("#restore");
        page.Find("[data-build='north-face-hare']");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_build_is_named_noted_duplicated_and_laid_aside_and_each_is_taken_back()
    {
        await using var page = await Page.Open("/");
        Do(page, "north-face-hare", "rename");
        page.Write("[role='dialog'] [data-field='name']", "");
        page.Says("[role='dialog']", "Enter a build name.");
        page.Write("[role='dialog'] [data-field='name']", "שפן הצוק");
        page.Write("[role='dialog'] [data-field='note']", new string('n', 300));
        page.Click("#save-name");
        page.Says("[data-build='north-face-hare'] h2", "שפן הצוק");
        Assert.Equal(1280L, page.Run("return document.documentElement.scrollWidth"));
        Do(page, "north-face-hare", "duplicate");
        page.Says("[data-build='copy'] h2", "שפן הצוק(copy)");
        page.Click("#restore");
        page.Gone("[data-build='copy']");
        Do(page, "north-face-hare", "archive");
        page.Gone("[data-build='north-face-hare']");
        page.Click("[data-aside='true']");
        page.Says("[data-build='north-face-hare']", "All 3 links connected.");
        Assert.Single(page.All("article"));
        page.Click("#restore");
        page.Gone("[data-aside]");
        page.Says("[data-build='north-face-hare']", "All 3 links connected.");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task A_long_shelf_is_searched_and_ordered_and_shows_as_many_as_are_asked_for()
    {
        await using var page = await Page.Open("/");
        page.Find("[data-build='north-face-hare']");
        page.RunAsync(
            """
            const done = arguments[0]
            const copy = () => fetch('/api/builds/spoil-tip-owl/duplicate', { method: 'POST' })
            Promise.all(Array.from({ length: 45 }, copy)).then(() => done(null))
            """
        );
        page.Driver.Navigate().Refresh();
        page.Says(".more", "Showing 48 of 55.");
        page.Gone("[aria-busy='true']");
        page.Click("#more");
        page.Gone(".more");
        Assert.Equal(55, page.All("article").Count);
        page.Press("/");
        page.Press("mote stop");
        page.Says("main", "No active build matches. Try fewer words.");
        page.Write("[data-field='search']", "mote f1");
        page.Until(_ => page.All("article").Count == 1 ? "yes" : null, "one build");
        page.Says("article", "Weighbridge Wren");
        page.Write("[data-field='search']", "");
        page.Choose("[data-field='order']", "most problems");
        page.Says("article:first-child", "Problem: No pad can power the Lantern 25.");
        page.Choose("[data-field='order']", "name");
        page.Says("article:first-child", "Crusher House Lark");
        Assert.Equal("", page.Console());
    }

    [Fact]
    public async Task An_empty_shelf_says_what_to_do()
    {
        await using var page = await Page.Open("/", demo: null);
        page.Says("h2", "No builds yet");
        Assert.True(page.Find("#import").Displayed);
        Assert.Equal("", page.Console());
    }

    private static void Do(Page page, string build, string what)
    {
        page.Click($"[data-build='{build}'] [data-more]");
        page.Click($".v-overlay--active [data-do='{what}']");
    }

    [Fact]
    public async Task A_part_that_the_library_has_otherwise_is_decided_by_the_builder()
    {
        await using var page = await Page.Open("/");
        page.Find("[data-build='north-face-hare']");
        var text = (string)
            page.RunAsync(
                "const done = arguments[0]; fetch('/api/builds/north-face-hare/export').then(r => r.text()).then(done)"
            )!;
        var file = Path.Combine(Directory.CreateTempSubdirectory("gorvix-").FullName, "theirs.json");
        await File.WriteAllTextAsync(
            file,
            text.Replace("PINIONF4R2", "OTHER").Replace("\"name\": \"North Face Hare\"", "\"name\": \"Their Hare\"")
        );
        Import(page, file);
        page.Says("[data-differs='askerdale-pinion-f4-r2']", "differs in target");
        page.Find("[data-choice='askerdale-pinion-f4-r2 keepMine'].v-btn--active");
        page.Click("[data-choice='askerdale-pinion-f4-r2 takeTheirs']");
        page.Says("[data-testid='touched']", "North Face Hare");
        Assert.Equal("", page.Accessibility());
        page.Click("[data-choice='askerdale-pinion-f4-r2 asCopy']");
        page.Gone("[data-testid='touched']");
        page.Click("#take-in");
        page.Says("#verdict", "All 3 links connected.");
        page.Go("/library/boards/askerdale-pinion-f4-r2-2");
        page.Says("main", "Their Hare");
        page.Says("main", "OTHER");
        Assert.Equal("", page.Console());
    }

    private static void Import(Page page, string file, string button = "#import")
    {
        // The page makes its file field on the click, outside the document; the test catches it as it is clicked.
        page.Run(
            "HTMLInputElement.prototype.click = function () { this.id = 'picked'; this.style.display = 'block'; document.body.append(this) }"
        );
        page.Click(button);
        page.Find("#picked").SendKeys(file);
        page.Run("document.getElementById('picked')?.remove()");
    }
}
