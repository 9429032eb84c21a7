using System.Net;
using System.Text;
using System.Text.Json;
using Gorvix.Web.Hosting;
using static Gorvix.Web.Tests.DrillSteps;

namespace Gorvix.Web.Tests;

/// <summary>Evenings over the API: several who play the same drills, here and from other machines.</summary>
public class EveningApiTests
{
    private static async Task<JsonElement> Evening(LiveServer server, int drills = 3)
    {
        var (status, evening) = await server.Post(
            "/api/evenings",
            Text(
                new
                {
                    name = "Thursday build night",
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
        Assert.StartsWith("Enter your name first", problem.GetProperty("detail").GetString());
        Be(server, "Ada");
        Assert.Equal(404, (await server.Post($"/api/evenings/{id}/drills/9", "")).Status);
        var file = await server.Client.GetStringAsync($"/api/evenings/{id}/file");
        await server.Post($"/api/evenings/{id}/close", "");
        Assert.StartsWith(
            "This session is closed",
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
    [InlineData("", 3, 2, "label", "Enter a session name of 1 to 60 characters.")]
    [InlineData("x", 0, 2, "label", "Choose 1 to 12 drills for a session.")]
    [InlineData("x", 13, 2, "label", "Choose 1 to 12 drills for a session.")]
    [InlineData("x", 2, 7, "label", "level: it must be 1 to 5.")]
    [InlineData("x", 2, 2, null, "Choose at least one type of drill.")]
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
    [InlineData("POST", "/api/drills/FILE", 403)]
    [InlineData("POST", "/API/Drills/File/", 403)]
    [InlineData("GET", "/api/drills/x/file", 403)]
    [InlineData("GET", "/api/evenings/x/FILE", 403)]
    [InlineData("GET", "/api/openapi", 403)]
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

    [Fact]
    public async Task The_page_is_told_by_which_door_it_comes_in()
    {
        var client = Directory.CreateTempSubdirectory("gorvix-").FullName;
        await File.WriteAllTextAsync(Path.Combine(client, "index.html"), "<p>__NONCE__ __DOOR__</p>");
        await using var server = await LiveServer.Start(club: IPAddress.Parse("127.0.0.2"), client: client);
        Assert.EndsWith(" own</p>", await server.Client.GetStringAsync("/drill"), StringComparison.Ordinal);
        using var guest = new HttpClient();
        var page = await guest.GetStringAsync($"http://127.0.0.2:{server.Client.BaseAddress!.Port}/drill");
        Assert.EndsWith(" club</p>", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_guest_plays_his_own_drills_and_made_up_players_have_an_end()
    {
        await using var server = await LiveServer.Start(club: IPAddress.Parse("127.0.0.2"));
        var (made, evening) = await server.Post(
            "/api/evenings",
            """{"name":"Thursday","build":"north-face-hare","kinds":["label"],"drills":1,"level":1}"""
        );
        Assert.Equal(201, made);
        var id = evening.GetProperty("line").GetProperty("id").GetString();
        using var client = new HttpClient();
        async Task<(int Status, JsonElement Body)> Guest(string who, string path, string body)
        {
            var port = server.Client.BaseAddress!.Port;
            using var request = new HttpRequestMessage(HttpMethod.Post, $"http://127.0.0.2:{port}{path}");
            request.Headers.Add("Gorvix-Who", who);
            request.Content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
            using var answer = await client.SendAsync(request);
            return (
                (int)answer.StatusCode,
                JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync())
            );
        }
        var (_, drill) = await Guest("Ann", $"/api/evenings/{id}/drills/1", "{}");
        var act = $$$"""{"step":{{{drill.GetProperty("step")}}},"act":{"kind":"giveUp"}}""";
        var path = $"/api/drills/{drill.GetProperty("id").GetString()}";
        var (other, why) = await Guest("Mallory", path, act);
        Assert.Equal(
            (403, "This drill is played by Ann. Open your own under the session."),
            (other, why.GetProperty("detail").GetString())
        );
        Assert.Equal(200, (await Guest("Ann", path, act)).Status);
        for (var i = 1; i < 50; i++)
        {
            Assert.Equal(201, (await Guest($"P{i}", $"/api/evenings/{id}/drills/1", "{}")).Status);
        }
        var (full, words) = await Guest("P50", $"/api/evenings/{id}/drills/1", "{}");
        Assert.Equal(422, full);
        Assert.StartsWith("This session is full: 50 players.", words.GetProperty("detail").GetString());
        // Who plays already goes on.
        Assert.Equal(201, (await Guest("Ann", $"/api/evenings/{id}/drills/1", "{}")).Status);
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
