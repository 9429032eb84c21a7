using System.Net;
using System.Text;
using System.Text.Json;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Tests;

/// <summary>Drills over the wire: begun, played, kept, sent as a file, and played by several on an evening.</summary>
public class DrillApiTests
{
    private const string Hare = "north-face-hare";

    private static readonly JsonSerializerOptions Plain = new()
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private static string Text(object value) => JsonSerializer.Serialize(value, Plain);

    private static void Be(LiveServer server, string name)
    {
        server.Client.DefaultRequestHeaders.Remove("Gorvix-Who");
        server.Client.DefaultRequestHeaders.Add("Gorvix-Who", Uri.EscapeDataString(name));
    }

    private static Task<(int Status, JsonElement Body)> Begin(
        LiveServer server,
        string kind,
        int? level = null,
        int? seed = null
    ) =>
        server.Post(
            "/api/drills",
            Text(
                new
                {
                    kind,
                    build = Hare,
                    level,
                    seed,
                }
            )
        );

    private static Task<(int Status, JsonElement Body)> Do(
        LiveServer server,
        JsonElement view,
        string kind,
        string on = "",
        string value = ""
    ) =>
        server.Post(
            $"/api/drills/{view.GetProperty("id").GetString()}",
            Text(
                new
                {
                    step = view.GetProperty("step").GetInt32(),
                    act = new
                    {
                        kind,
                        on,
                        value,
                        seconds = 3,
                    },
                }
            )
        );

    private static JsonElement Sheet(JsonElement view) => view.GetProperty("sheet");

    private static bool IsOpen(JsonElement view) =>
        !Sheet(view).TryGetProperty("result", out var r) || r.ValueKind == JsonValueKind.Null;

    private static int Score(JsonElement view) => Sheet(view).GetProperty("result").GetProperty("score").GetInt32();

    // Names one fault after the other until it is the right one.
    private static async Task<(JsonElement View, int Named)> NameAll(LiveServer server, JsonElement view)
    {
        var named = 0;
        foreach (var name in Sheet(view).GetProperty("fault").GetProperty("names").EnumerateArray())
        {
            (var status, view) = await Do(server, view, "name", name.GetProperty("id").GetString()!);
            Assert.Equal(200, status);
            named++;
            if (!IsOpen(view))
            {
                break;
            }
        }
        return (view, named);
    }

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
            (422, "This drill has ended. Begin another one."),
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
        Assert.StartsWith("Another version of Gorvix", same.GetProperty("doubt").GetString());
        // The stranger's shelf is as it was.
        Assert.Equal(0, (await stranger.Get("/api/builds")).GetArrayLength());
    }

    [Theory]
    [InlineData("nonsense", "not JSON")]
    [InlineData("""{"format":"gorvix","version":2}""", "There is no drill in this file")]
    [InlineData(
        """{"format":"gorvix","version":2,"drills":[{"kind":"fault","level":1,"seed":1}]}""",
        "leave one build in it"
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
    [InlineData("\"seed\": 77", "\"seed\": 77, \"cards\": [\"Nothing\"]", "none of what the drill asks")]
    [InlineData("\"seed\": 77", "\"seed\": 77, \"cards\": [\"\"]", "a card has 1 to 200 characters")]
    [InlineData(
        "\"seed\": 77",
        "\"seed\": 77, \"cards\": [\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\",\"a\"]",
        "at most 12 can be asked"
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

    private static async Task<JsonElement> Evening(LiveServer server, int drills = 3)
    {
        var (status, evening) = await server.Post(
            "/api/evenings",
            Text(
                new
                {
                    name = "Thursday at the quarry",
                    build = Hare,
                    kinds = new[] { "label", "burn", "fault" },
                    drills,
                    level = 2,
                    seed = 100,
                }
            )
        );
        Assert.Equal(201, status);
        return evening;
    }

    private static string Id(JsonElement evening) => evening.GetProperty("line").GetProperty("id").GetString()!;

    [Fact]
    public async Task Several_players_play_the_same_evening_at_once_and_stand_on_one_board()
    {
        await using var server = await LiveServer.Start();
        var id = Id(await Evening(server));
        var questions = new Dictionary<string, List<string>>();
        async Task Plays(string name, int choice)
        {
            using var client = new HttpClient { BaseAddress = server.Client.BaseAddress };
            client.DefaultRequestHeaders.Add("Gorvix-Who", name);
            async Task<JsonElement> Send(string path, object? body = null)
            {
                using var content = new StringContent(
                    body is null ? "" : Text(body),
                    Encoding.UTF8,
                    "application/json"
                );
                using var answer = await client.PostAsync(path, body is null ? null : content);
                var text = await answer.Content.ReadAsStringAsync();
                Assert.True(answer.IsSuccessStatusCode, text);
                return JsonSerializer.Deserialize<JsonElement>(text);
            }
            var asked = new List<string>();
            for (var number = 1; number <= 2; number++)
            {
                var view = await Send($"/api/evenings/{id}/drills/{number}");
                while (IsOpen(view))
                {
                    var next = Sheet(view).GetProperty("cards").GetProperty("next");
                    asked.Add(next.GetProperty("card").GetString()!);
                    var choices = next.GetProperty("choices");
                    var value =
                        choices.GetArrayLength() == 0
                            ? view.GetProperty("face").GetProperty("pads")[choice].GetProperty("id").GetString()!
                            : choices[Math.Min(choice, choices.GetArrayLength() - 1)].GetProperty("id").GetString()!;
                    view = await Send(
                        $"/api/drills/{view.GetProperty("id").GetString()}",
                        new
                        {
                            step = view.GetProperty("step").GetInt32(),
                            act = new
                            {
                                kind = "answer",
                                on = asked[^1],
                                value,
                                seconds = 2,
                            },
                        }
                    );
                }
            }
            lock (questions)
            {
                questions[name] = asked;
            }
        }
        await Task.WhenAll(Plays("Ada", 0), Plays("Ben", 1), Plays("Cleo", 2));
        Assert.Equal(questions["Ada"], questions["Ben"]);
        Assert.Equal(questions["Ada"], questions["Cleo"]);
        Be(server, "Ada");
        var board = await server.Get($"/api/evenings/{id}");
        var players = board.GetProperty("players").EnumerateArray().ToList();
        Assert.Equal(3, players.Count);
        var totals = players.Select(p => p.GetProperty("total").GetInt32()).ToList();
        Assert.Equal(totals.OrderDescending(), totals);
        Assert.All(players, p => Assert.Equal(JsonValueKind.Null, p.GetProperty("scores")[2].ValueKind));
        Assert.Equal(1, players[0].GetProperty("rank").GetInt32());
        Assert.NotEqual(JsonValueKind.Null, board.GetProperty("drills")[0].GetProperty("score").ValueKind);
        // There is one try at each.
        var own = board.GetProperty("drills")[0].GetProperty("own").GetString();
        Assert.Equal(own, (await server.Post($"/api/evenings/{id}/drills/1", "")).Body.GetProperty("id").GetString());
    }

    [Fact]
    public async Task An_evening_asks_for_a_name_closes_and_goes_as_a_file()
    {
        await using var server = await LiveServer.Start();
        var id = Id(await Evening(server));
        var (status, problem) = await server.Post($"/api/evenings/{id}/drills/1", "");
        Assert.Equal(422, status);
        Assert.StartsWith("Say who you are first", problem.GetProperty("detail").GetString());
        Be(server, "Ada");
        Assert.Equal(404, (await server.Post($"/api/evenings/{id}/drills/9", "")).Status);
        var file = await server.Client.GetStringAsync($"/api/evenings/{id}/file");
        await server.Post($"/api/evenings/{id}/close", "");
        Assert.StartsWith(
            "This evening is closed",
            (await server.Post($"/api/evenings/{id}/drills/1", "")).Body.GetProperty("detail").GetString()
        );
        var (_, taken) = await server.Post("/api/drills/file", Text(new { file }));
        var other = await server.Get($"/api/evenings/{taken.GetProperty("evening").GetString()}");
        Assert.Equal(3, other.GetProperty("drills").GetArrayLength());
        await server.Delete($"/api/evenings/{id}");
        Assert.Equal(HttpStatusCode.NotFound, (await server.Client.GetAsync($"/api/evenings/{id}")).StatusCode);
        Assert.Equal(1, (await server.Get("/api/evenings")).GetArrayLength());
    }

    [Theory]
    [InlineData("", 3, 2, "label", "An evening needs a name of 1 to 60 characters.")]
    [InlineData("x", 0, 2, "label", "An evening has 1 to 12 drills.")]
    [InlineData("x", 13, 2, "label", "An evening has 1 to 12 drills.")]
    [InlineData("x", 2, 7, "label", "level: it must be 1 to 5.")]
    [InlineData("x", 2, 2, null, "Choose one kind of drill at least.")]
    public async Task An_evening_that_cannot_be_is_refused(string name, int drills, int level, string? kind, string why)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post(
            "/api/evenings",
            Text(
                new
                {
                    name,
                    build = Hare,
                    kinds = kind is null ? [] : new[] { kind },
                    drills,
                    level,
                }
            )
        );
        Assert.Equal((422, why), (status, problem.GetProperty("detail").GetString()));
    }

    [Theory]
    [InlineData("GET", "/api/evenings", 200)]
    [InlineData("GET", "/api/drills", 200)]
    [InlineData("GET", "/api/builds", 403)]
    [InlineData("GET", "/api/builds/north-face-hare", 403)]
    [InlineData("POST", "/api/builds/north-face-hare/remove", 403)]
    [InlineData("POST", "/api/drills", 403)]
    [InlineData("POST", "/api/drills/file", 403)]
    [InlineData("DELETE", "/api/drills", 403)]
    [InlineData("POST", "/api/evenings", 403)]
    [InlineData("DELETE", "/api/evenings/x", 403)]
    [InlineData("POST", "/api/evenings/x/close", 403)]
    [InlineData("POST", "/api/evenings/x/drills/1", 404)]
    [InlineData("GET", "/", 302)]
    public async Task From_another_machine_evenings_can_be_played_and_nothing_else(
        string method,
        string path,
        int status
    )
    {
        await using var server = await LiveServer.Start(club: IPAddress.Parse("127.0.0.2"));
        using var handler = new HttpClientHandler { AllowAutoRedirect = false };
        using var client = new HttpClient(handler);
        var port = server.Client.BaseAddress!.Port;
        using var request = new HttpRequestMessage(new HttpMethod(method), $"http://127.0.0.2:{port}{path}");
        using var answer = await client.SendAsync(request);
        Assert.Equal(status, (int)answer.StatusCode);
        Assert.Equal(LiveServer.DemoBuilds, await server.Count());
        // Another name for the same door is somebody else's page.
        using var other = new HttpRequestMessage(HttpMethod.Get, $"http://127.0.0.2:{port}/api/evenings");
        other.Headers.Host = "evil.example";
        using var refused = await client.SendAsync(other);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
    }

    [Theory]
    [InlineData("0.0.0.0")]
    [InlineData("127.0.0.1")]
    [InlineData("here")]
    public void The_clubs_door_is_one_address_of_the_network(string address) =>
        Assert.StartsWith(
            $"--club {address} is not an address",
            Assert.Throws<StartException>(() => StartOptions.Parse(["--club", address], ".")).Message
        );
}
