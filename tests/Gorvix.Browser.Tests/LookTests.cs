using System.Text.Json.Nodes;

namespace Gorvix.Browser.Tests;

/// <summary>What holds for every screen: contrast and names, no sideways scrolling, and the grid in one glance.</summary>
public class LookTests
{
    [Theory]
    [InlineData("/")]
    [InlineData("/new")]
    [InlineData("/builds/north-face-hare/fit?link=position&port=U3")]
    [InlineData("/builds/haul-road-heron/fit")]
    [InlineData("/builds/spoil-tip-owl/parts")]
    [InlineData("/builds/east-bench-kestrel/parts?take=add")]
    [InlineData("/builds/east-bench-kestrel/parts?take=board")]
    [InlineData("/builds/weighbridge-wren/fit")]
    [InlineData("/builds/spoil-tip-owl/sweep")]
    [InlineData("/library?search=f7")]
    [InlineData("/library")]
    [InlineData("/library/boards/thornwick-pawl-f7-r2")]
    [InlineData("/library/devices/brindlow-beacon-d6")]
    [InlineData("/rules/POL")]
    [InlineData("/builds/nobody/fit")]
    [InlineData("/library/boards/nobody")]
    public async Task A_screen_has_contrast_names_and_roles(string path)
    {
        await using var page = await Page.Read(path);
        page.Find("main h1, main h2");
        page.Rests();
        Assert.Equal("", page.Accessibility());
        Assert.Equal("", page.Contrast("dark"));
    }

    [Fact]
    public async Task The_evening_look_is_dark_and_stays_chosen()
    {
        await using var page = await Page.Open("/builds/north-face-hare/fit", look: "dark");
        page.Says("#verdict", "All 3");
        Assert.Equal("rgb(20, 24, 27)", page.Ground());
        page.Click("#menu");
        page.Click("[data-look='light']");
        page.Until(_ => page.Ground() == "rgb(243, 241, 231)" ? "yes" : null, "the light look");
        page.Driver.Navigate().Refresh();
        page.Says("#verdict", "All 3");
        Assert.Equal("rgb(243, 241, 231)", page.Ground());
    }

    [Fact]
    public async Task Eight_links_by_eight_ports_fit_without_scrolling()
    {
        await using var page = await Page.Open("/", demo: Full());
        page.Click("h2 a");
        page.Says("#verdict", "links connected");
        Assert.Equal(64, page.All("[role='gridcell']").Count);
        Assert.Equal(
            "",
            page.Run(
                "const s = document.querySelector('.scroll'); return s.scrollWidth <= s.clientWidth ? '' : `${s.scrollWidth} of ${s.clientWidth}: ${[...document.querySelectorAll('[role=columnheader]')].map((h) => h.offsetWidth)}`"
            )
        );
        Assert.Equal(
            true,
            page.Run("return document.querySelector('table.grid').getBoundingClientRect().bottom <= 800")
        );
    }

    // The F7 demo board with two more ports, and three more links: eight by eight.
    private static string Full()
    {
        var demo = Path.Combine(AppContext.BaseDirectory, "demo");
        var full = Directory.CreateTempSubdirectory("gorvix-").FullName;
        Directory.CreateDirectory(Path.Combine(full, "builds"));
        Directory.CreateDirectory(Path.Combine(full, "parts"));
        foreach (var part in Directory.GetFiles(Path.Combine(demo, "parts")))
        {
            File.Copy(part, Path.Combine(full, "parts", Path.GetFileName(part)));
        }
        var boardFile = Path.Combine(full, "parts", "askerdale-gantry-f7.json");
        var parts = JsonNode.Parse(File.ReadAllText(boardFile))!;
        var board = parts["boards"]![0]!;
        foreach (var port in new[] { "8", "9" })
        {
            foreach (var (half, label) in new[] { ("rx", "R"), ("tx", "T") })
            {
                var net = $"u{port}{half}";
                board["nets"]!.AsArray().Add(JsonNode.Parse($$"""{"id":"{{net}}"}"""));
                board["pads"]!
                    .AsArray()
                    .Add(
                        JsonNode.Parse(
                            $$"""{"id":"{{net}}","label":"{{label}}{{port}}","side":"bottom","x":3,"y":3,"paths":[{"net":"{{net}}"}]}"""
                        )
                    );
            }
            board["ports"]!
                .AsArray()
                .Add(JsonNode.Parse($$"""{"id":"U{{port}}","rx":"u{{port}}rx","tx":"u{{port}}tx"}"""));
        }
        File.WriteAllText(boardFile, parts.ToJsonString());

        var file = JsonNode.Parse(File.ReadAllText(Path.Combine(demo, "builds", "haul-road-heron.json")))!;
        var build = file["builds"]![0]!;
        build["name"] = "Full Bench";
        foreach (
            var (id, part, function) in new[]
            {
                ("air-unit", "brindlow-beacon-d6", "text"),
                ("spare", "ewhurst-fix-10", "position"),
                ("old", "dunmerrow-reed-10", "control"),
            }
        )
        {
            build["devices"]!.AsArray().Add(JsonNode.Parse($$"""{"id":"{{id}}","part":"{{part}}"}"""));
            build["links"]!
                .AsArray()
                .Add(
                    JsonNode.Parse(
                        $$"""{"link":"{{id}}","device":"{{id}}","function":"{{function}}","priority":"wanted"}"""
                    )
                );
        }
        File.WriteAllText(Path.Combine(full, "builds", "full.json"), file.ToJsonString());
        return full;
    }
}
