using System.Net;

namespace Gorvix.Web.Tests;

/// <summary>One field that finds everything: what is found for words whose answers can be read in the demo's files.</summary>
public class FindApiTests
{
    [Theory]
    // Of all builds: by a part of the name, in any case.
    [InlineData("LARK", null, "build crusher-house-lark")]
    [InlineData("house crusher", null, "build crusher-house-lark")]
    // What begins so before what holds it.
    [InlineData("tip", null, "build tip-track-pipit, build spoil-tip-owl")]
    [InlineData("fix 20", null, "device ewhurst-fix-20c")]
    [InlineData("cog", null, "board cobbold-cog-f7-r1")]
    // Inside the build that is open: the pad by its label, then what is done and checked at it.
    [InlineData("t6", "crusher-house-lark", "pad U6, step joint receiver sbus")]
    [InlineData("compass", "crusher-house-lark", "link heading")]
    // Nobody's: wildcards of the database are letters, and an unknown build is none.
    [InlineData("100%_", null, "")]
    [InlineData("t6", "nobody", "")]
    public async Task What_is_called_so_comes_first(string words, string? build, string first)
    {
        await using var server = await LiveServer.Start();
        var found = await Found(server, words, build);
        Assert.StartsWith(first, string.Join(", ", found), StringComparison.Ordinal);
        if (first.Length == 0)
        {
            Assert.Empty(found);
        }
    }

    [Fact]
    public async Task Of_each_kind_six_are_told_and_all_words_are_in_each()
    {
        await using var server = await LiveServer.Start();
        var found = await server.Get("/api/find?q=f&build=crusher-house-lark");
        var kinds = found.EnumerateArray().GroupBy(f => f.GetProperty("kind").GetString()).ToList();
        Assert.All(kinds, k => Assert.InRange(k.Count(), 1, 6));
        Assert.Contains(kinds, k => k.Count() == 6);
        Assert.All(
            found.EnumerateArray(),
            f =>
                Assert.Contains(
                    "f",
                    $"{f.GetProperty("title").GetString()} {f.GetProperty("about").GetString()}",
                    StringComparison.OrdinalIgnoreCase
                )
        );
    }

    [Fact]
    public async Task An_entry_of_the_log_is_found_in_its_own_build_alone()
    {
        await using var server = await LiveServer.Start();
        await server.Post(
            "/api/builds/north-face-hare/log/notes",
            """{"kind":"note","words":"Quokka on the antenna"}"""
        );
        Assert.Equal(["log note"], await Found(server, "quokka antenna", "north-face-hare"));
        Assert.Empty(await Found(server, "quokka antenna", "crusher-house-lark"));
        Assert.Empty(await Found(server, "quokka antenna", null));
        // A word of how entries are stored, and of the build's name, is no word of this entry.
        Assert.DoesNotContain("log note", await Found(server, "kind", "north-face-hare"));
        Assert.DoesNotContain("log note", await Found(server, "hare antenna", "north-face-hare"));
    }

    [Theory]
    [InlineData("%20")]
    [InlineData("")]
    [InlineData("too long")]
    [InlineData("%00")]
    [InlineData("a%0Ab")]
    public async Task Nothing_and_too_much_are_refused(string words)
    {
        await using var server = await LiveServer.Start();
        var asked = words == "too long" ? new string('x', 101) : words;
        var answer = await server.Client.GetAsync(
            new Uri($"/api/find?q={asked}&build=north-face-hare", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        var fleet = await server.Client.GetAsync(
            new Uri($"/api/search?q={asked}", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, fleet.StatusCode);
    }

    [Fact]
    public async Task A_build_tells_how_far_its_wiring_and_settings_are()
    {
        await using var server = await LiveServer.Start();
        const string Lark = "/api/builds/crusher-house-lark";
        var steps = (await server.Get($"{Lark}/loom")).GetProperty("sheet").GetProperty("steps");
        Assert.Equal((0, steps.GetArrayLength()), await Far("wiring"));
        var step = steps[0].GetProperty("id").GetString();
        Assert.Equal(200, (await server.Post($"{Lark}/loom/ticks", $$"""{"step":"{{step}}","isDone":true}""")).Status);
        Assert.Equal((1, steps.GetArrayLength()), await Far("wiring"));
        Assert.Equal(0, (await Far("settings")).Done);

        async Task<(int Done, int All)> Far(string what)
        {
            var far = (await server.Get($"{Lark}/craft")).GetProperty(what);
            return (far.GetProperty("done").GetInt32(), far.GetProperty("all").GetInt32());
        }
    }

    private static async Task<string[]> Found(LiveServer server, string words, string? build) =>
        [
            .. (
                await server.Get($"/api/find?q={Uri.EscapeDataString(words)}{(build is null ? "" : $"&build={build}")}")
            )
                .EnumerateArray()
                .Select(f => $"{f.GetProperty("kind").GetString()} {f.GetProperty("id").GetString()}"),
        ];
}
