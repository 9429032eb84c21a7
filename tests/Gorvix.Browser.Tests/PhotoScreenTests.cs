using System.Globalization;
using System.Text.Json;
using static Gorvix.PhotographedBoard;

namespace Gorvix.Browser.Tests;

/// <summary>A board is described on its photo: straightened by four corners, ten pads put down by clicking, seen on its page and in a build.</summary>
public class PhotoScreenTests
{
    // A click at a place of a drawing, as parts of its width and height.
    private static void ClickAt(Page page, string css, double u, double v)
    {
        page.Find(css);
        page.Run(
            string.Create(
                CultureInfo.InvariantCulture,
                $$"""
                const box = document.querySelector("{{css}}"), r = box.getBoundingClientRect();
                box.dispatchEvent(new MouseEvent('click', { bubbles: true, clientX: r.left + r.width * {{u}}, clientY: r.top + r.height * {{v}} }));
                """
            )
        );
    }

    // In the drawing of the board a millimetre is so wide, its margin included.
    private static void ClickBoard(Page page, double x, double y)
    {
        page.Find(".drawing svg.picking");
        var box = ((string)page.Run("return document.querySelector('.drawing svg').getAttribute('viewBox')")!)
            .Split(' ')
            .Select(n => double.Parse(n, CultureInfo.InvariantCulture))
            .ToList();
        ClickAt(page, ".drawing svg", (x - box[0]) / box[2], (y - box[1]) / box[3]);
    }

    private static JsonElement Json(Page page, string path) =>
        JsonDocument
            .Parse((string)page.RunAsync($"const done = arguments[0]; fetch('{path}').then(r => r.text()).then(done)")!)
            .RootElement;

    [Fact]
    public async Task Ten_pads_are_put_down_on_a_photo_and_lie_where_they_are_on_the_board()
    {
        await using var page = await Page.Open("/library/boards/new", demo: null);
        page.Says(".photos", "Enter the board's size (step 1)");
        foreach (
            var (field, text) in new[]
            {
                ("maker", "Ludstone"),
                ("name", "Plinth F7"),
                ("revision", "1"),
                ("width", "36"),
                ("depth", "36"),
            }
        )
        {
            page.Write($"[data-field='{field}']", text);
        }
        Directory.CreateDirectory(page.Downloads);
        var file = Path.Combine(page.Downloads, "plinth.png");
        await File.WriteAllBytesAsync(file, Photo.Value, TestContext.Current.CancellationToken);
        page.Find("[data-photo='top'] [data-do='photo']");
        page.All(".photos input[type='file']")[0].SendKeys(file);
        foreach (
            var (corner, x, y) in new[]
            {
                ("front left", 0, 0.0),
                ("front right", Size, 0),
                ("rear right", Size, Size),
                ("rear left", 0, Size),
            }
        )
        {
            page.Says("[data-testid='fit']", $"Click {corner} corner on the photo.");
            var at = Seen(x, y);
            ClickAt(page, "[data-testid='photo']", at.X / 1000, at.Y / 900);
        }
        page.Says("[data-testid='fit']", "Fits. Mark a fifth point to see how well.");
        Assert.Equal("", page.Accessibility());
        page.Click("[data-do='use']");
        page.Says("[data-photo='top']", "4 points");
        page.Find(".drawing svg.photo image");

        page.Write("[data-field='pads-line']", "top left: G");
        page.Press(OpenQA.Selenium.Keys.Enter);
        page.Find("[data-chip='g']");
        foreach (var (labels, side) in new[] { ("R1 T1 R2 T2 5V", 0), ("R3 T3 R4 T4 9V", 1) })
        {
            page.Write("[data-field='put-labels']", labels);
            page.Click("[data-do='put']");
            page.Says(".putter", $"Click {labels[..2]}, the first pad");
            ClickBoard(page, Pads[side].X, Pads[side].Y);
            page.Says(".putter", $"Click {labels[^2..]}, the last pad");
            ClickBoard(page, Pads[8 + side].X, Pads[8 + side].Y);
            page.Find($"[data-chip='{labels[..2].ToLowerInvariant()}']");
        }
        // A label that cannot be one changes nothing and says so.
        page.Write("[data-field='put-labels']", "R5:");
        page.Click("[data-do='put']");
        ClickBoard(page, 18, 18);
        page.Find(".wrong");
        page.Write("[data-field='put-labels']", "");

        page.All("[data-field='controller'] button").First(b => b.Text == "F7").Click();
        page.Click("[data-do='save']");
        page.Says("main.part h1", "Ludstone Plinth F7, revision 1");
        page.Find(".drawing svg.photo image");
        var id = page.Driver.Url.Split('/')[^1];
        var pads = Json(page, $"/api/library/boards/{id}/sheet").GetProperty("part").GetProperty("pads");
        var found = pads.EnumerateArray()
            .Where(p => p.GetProperty("id").GetString() != "g")
            .Select(p => (p.GetProperty("x").GetDouble(), Size - p.GetProperty("y").GetDouble()))
            .ToList();
        var meant = Pads.Index().OrderBy(p => p.Index % 2).Select(p => p.Item).ToList();
        Assert.Equal(10, found.Count);
        Assert.All(
            found.Zip(meant),
            p =>
                Assert.True(
                    Math.Abs(p.First.Item1 - p.Second.X) < 0.3 && Math.Abs(p.First.Item2 - p.Second.Y) < 0.3,
                    $"{p}"
                )
        );
        // The file with photos says how large they are before it is made.
        page.Click("[data-do='more']");
        page.Says("[data-do='with-photos']", "Export with photos");
        page.Says("[data-do='with-photos']", "0.1 MB");
        page.Press(OpenQA.Selenium.Keys.Escape);
        page.Gone("[data-do='with-photos']");
        // One key for all faces, and remembered.
        page.Press("i");
        page.Gone(".drawing svg.photo");
        page.Press("i");
        page.Find(".drawing svg.photo image");
        Assert.Equal("", page.Console());
    }
}
