using System.Net;
using System.Text;
using System.Text.Json;
using static Gorvix.Web.Tests.DrillSteps;

namespace Gorvix.Web.Tests;

/// <summary>Drills over the wire: begun, played, kept and sent as a file.</summary>
public class DrillApiTests
{
    [Fact]
    public async Task A_hidden_fault_is_looked_for_named_and_told_and_it_outlives_the_page()
    {
        await using var server = await LiveServer.Start();
        var (status, view) = await Begin(server, "fault", 1, 21);
        Assert.Equal(201, status);
        Assert.DoesNotContain("debrief", Text(Sheet(view).GetProperty("fault")).Replace("\"debrief\":null", ""));
        var test = Sheet(view).GetProperty("fault").GetProperty("tests")[0].GetProperty("id").GetString()!;
        (_, view) = await Do(server, view, "test", test);
        var again = await server.Get($"/api/drills/{view.GetProperty("id").GetString()}");
        Assert.Equal(Text(Sheet(view)), Text(Sheet(again)));
        var (done, named) = await NameAll(server, again);
        Assert.True(Score(done) is > 0 and < 100 || named == 1);
        Assert.NotEmpty(
            Sheet(done).GetProperty("fault").GetProperty("debrief").GetProperty("faults").EnumerateArray().ToList()
        );
        var (ended, refused) = await Do(server, done, "giveUp");
        Assert.Equal(
            (422, "This drill is over. Start another one."),
            (ended, refused.GetProperty("detail").GetString())
        );
        var hall = await server.Get("/api/drills");
        Assert.Equal(1, hall.GetProperty("played").GetArrayLength());
        Assert.Equal(0, hall.GetProperty("open").GetArrayLength());
    }

    [Fact]
    public async Task Two_windows_cannot_both_go_on_with_a_drill()
    {
        await using var server = await LiveServer.Start();
        var (_, view) = await Begin(server, "place", 5, 1);
        var link = Sheet(view).GetProperty("place").GetProperty("links")[0].GetProperty("id").GetString()!;
        var both = await Task.WhenAll(Do(server, view, "put", link), Do(server, view, "put", link));
        Assert.Equal([200, 409], both.Select(b => b.Status).Order());
        Assert.Contains("another window", both.First(b => b.Status == 409).Body.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task What_was_answered_wrongly_comes_back_first_and_can_be_forgotten()
    {
        await using var server = await LiveServer.Start();
        Be(server, "Ada");
        var (_, view) = await Begin(server, "burn", 2, 5);
        var asked = new List<string>();
        while (IsOpen(view))
        {
            var next = Sheet(view).GetProperty("cards").GetProperty("next");
            asked.Add(next.GetProperty("card").GetString()!);
            (_, view) = await Do(
                server,
                view,
                "answer",
                asked[^1],
                next.GetProperty("choices")[0].GetProperty("id").GetString()!
            );
        }
        var wrong = Sheet(view)
            .GetProperty("cards")
            .GetProperty("answered")
            .EnumerateArray()
            .Where(a => !a.GetProperty("isRight").GetBoolean())
            .Select(a => a.GetProperty("asked").GetProperty("card").GetString())
            .ToList();
        Assert.NotEmpty(wrong);
        (_, view) = await Begin(server, "burn");
        var cards = view.GetProperty("order").GetProperty("cards").EnumerateArray().Select(c => c.GetString()).ToList();
        Assert.NotEmpty(cards);
        Assert.Subset(wrong.ToHashSet(), cards.ToHashSet());
        int Due(JsonElement hall) =>
            hall.GetProperty("kinds")
                .EnumerateArray()
                .First(k => k.GetProperty("kind").GetString() == "burn")
                .GetProperty("due")
                .GetInt32();
        Assert.Equal(wrong.Count, Due(await server.Get("/api/drills")));
        // Another player has mistakes of his own.
        Be(server, "Ben");
        Assert.Equal(0, Due(await server.Get("/api/drills")));
        Be(server, "Ada");
        await server.Delete("/api/drills");
        var cleared = await server.Get("/api/drills");
        Assert.Equal((0, 0), (Due(cleared), cleared.GetProperty("played").GetArrayLength()));
    }

    [Fact]
    public async Task Levels_rise_with_the_scores()
    {
        await using var server = await LiveServer.Start();
        var build = await server.Get($"/api/builds/{Hare}/fit");
        async Task<int> Placed()
        {
            var (_, view) = await Begin(server, "place");
            foreach (var link in Sheet(view).GetProperty("place").GetProperty("links").EnumerateArray())
            {
                if (link.GetProperty("isAsked").GetBoolean())
                {
                    var id = link.GetProperty("id").GetString()!;
                    var planned = build
                        .GetProperty("sheet")
                        .GetProperty("links")
                        .EnumerateArray()
                        .First(l => l.GetProperty("id").GetString() == id);
                    (_, view) = await Do(server, view, "put", id, planned.GetProperty("port").GetString() ?? "");
                }
            }
            (_, view) = await Do(server, view, "done");
            Assert.Equal(100, Score(view));
            return view.GetProperty("order").GetProperty("level").GetInt32();
        }
        var levels = new List<int> { await Placed(), await Placed(), await Placed() };
        Assert.Equal([1, 2, 3], levels);
    }

    [Fact]
    public async Task A_drill_goes_as_a_file_to_a_stranger_who_plays_the_same()
    {
        await using var server = await LiveServer.Start();
        var (_, view) = await Begin(server, "fault", 3, 77);
        var text = await server.Client.GetStringAsync($"/api/drills/{view.GetProperty("id").GetString()}/file");
        Assert.InRange(Encoding.UTF8.GetByteCount(text), 1000, 200_000);
        await using var stranger = await LiveServer.Start(demo: null);
        var (status, taken) = await stranger.Post("/api/drills/file", Text(new { file = text }));
        Assert.Equal(201, status);
        var same = await stranger.Get($"/api/drills/{taken.GetProperty("drill").GetString()}");
        Assert.Equal(
            Text(Sheet(view).GetProperty("fault").GetProperty("seen")),
            Text(Sheet(same).GetProperty("fault").GetProperty("seen"))
        );
        Assert.Equal(JsonValueKind.Null, same.GetProperty("doubt").ValueKind);
        Assert.Equal(JsonValueKind.Null, same.GetProperty("build").ValueKind);
        // Of another version, where the same seed draws otherwise, it says so.
        var mark = view.GetProperty("order").GetProperty("mark").GetString()!;
        (_, taken) = await stranger.Post("/api/drills/file", Text(new { file = text.Replace(mark, "000000000000") }));
        same = await stranger.Get($"/api/drills/{taken.GetProperty("drill").GetString()}");
        Assert.StartsWith("Made with another version of Gorvix", same.GetProperty("doubt").GetString());
        // The stranger's shelf is as it was.
        Assert.Equal(0, (await stranger.Get("/api/builds")).GetArrayLength());
    }

    [Theory]
    [InlineData("nonsense", "not valid JSON")]
    [InlineData("""{"format":"gorvix","version":2}""", "No drill in this file")]
    [InlineData(
        """{"format":"gorvix","version":2,"drills":[{"kind":"fault","level":1,"seed":1}]}""",
        "keep exactly one build in the file"
    )]
    [InlineData("""{"format":"gorvix","version":2,"drills":[{"kind":"chess","level":1,"seed":1}]}""", "drills[0].kind")]
    public async Task A_file_that_is_no_drill_is_refused_with_its_place(string file, string why)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post("/api/drills/file", Text(new { file }));
        Assert.Equal(422, status);
        Assert.Contains(why, problem.GetProperty("detail").GetString());
    }

    [Theory]
    [InlineData("\"level\":", "\"level\": 9, \"x\":", "drills[0]")]
    [InlineData("\"level\": 3", "\"level\": 9", "it must be 1 to 5")]
    [InlineData("\"seed\": 77", "\"seed\": -1", "it must be 0 to 999999")]
    [InlineData("\"seed\": 77", "\"seed\": 77, \"cards\": [\"Nothing\"]", "does not match this build")]
    [InlineData("\"seed\": 77", "\"seed\": 77, \"cards\": [\"\"]", "have 1 to 200 characters.")]
    [InlineData(
        "\"seed\": 77",
        "\"seed\": 77, \"cards\": [\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\"]",
        "no more than 12 cards"
    )]
    public async Task A_hostile_drill_file_is_refused_and_nothing_is_begun(string from, string to, string why)
    {
        await using var server = await LiveServer.Start();
        var (_, view) = await Begin(server, "fault", 3, 77);
        var text = await server.Client.GetStringAsync($"/api/drills/{view.GetProperty("id").GetString()}/file");
        Assert.Contains(from, text);
        var at = text.LastIndexOf("\"drills\"", StringComparison.Ordinal);
        at = at < 0 ? 0 : at;
        var changed = text[..at] + text[at..].Replace(from, to);
        var (status, problem) = await server.Post("/api/drills/file", Text(new { file = changed }));
        Assert.Equal(422, status);
        Assert.Contains(why, problem.GetProperty("detail").GetString());
        Assert.Equal(1, (await server.Get("/api/drills")).GetProperty("open").GetArrayLength());
    }

    [Theory]
    [InlineData("fault", 9, 1, "level: it must be 1 to 5.")]
    [InlineData("fault", 1, -1, "seed: it must be 0 to 999999.")]
    public async Task A_drill_that_cannot_be_is_refused(string kind, int level, int seed, string why)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await Begin(server, kind, level, seed);
        Assert.Equal((422, why), (status, problem.GetProperty("detail").GetString()));
        Assert.Equal(404, (await server.Post("/api/drills", """{"kind":"fault","build":"none"}""")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync("/api/drills/none")).StatusCode);
    }

    [Fact]
    public async Task A_drill_stays_as_it_was_begun_when_the_build_changes_or_goes()
    {
        await using var server = await LiveServer.Start();
        var (_, view) = await Begin(server, "fault", 2, 4);
        var before = Text(Sheet(view));
        await server.Client.PostAsync($"/api/builds/{Hare}/remove", null);
        var after = await server.Get($"/api/drills/{view.GetProperty("id").GetString()}");
        Assert.Equal(before, Text(Sheet(after)));
        Assert.Equal(200, (await Do(server, after, "giveUp")).Status);
    }
}
