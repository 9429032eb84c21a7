using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Gorvix.Web.Tests;

/// <summary>Parts of the library are made, changed, laid aside, brought back and removed; builds that have them are never left behind.</summary>
public class PartApiTests
{
    private const string Pinion = "/api/library/boards/askerdale-pinion-f4-r2";

    [Fact]
    public async Task Two_revisions_are_compared_by_what_a_build_comes_to_with_each()
    {
        await using var server = await LiveServer.Start();
        var tried = await server.Get(
            "/api/library/compare/in/north-face-hare?board=askerdale-pinion-f4-r1&board=askerdale-pinion-f4-r2"
        );
        Assert.Equal([false, true], tried.EnumerateArray().Select(t => t.GetProperty("hasIt").GetBoolean()));
        Assert.NotEmpty(tried[0].GetProperty("preview").GetProperty("moved").EnumerateArray());
        Assert.Empty(tried[1].GetProperty("preview").GetProperty("moved").EnumerateArray());
        // The same as exchanging the board on the Parts screen foretells.
        var (_, foretold) = await server.Post(
            "/api/builds/north-face-hare/parts/preview",
            """{"version":1,"change":{"kind":"takeBoard","part":"askerdale-pinion-f4-r1"}}"""
        );
        Assert.Equal(foretold.GetRawText(), tried[0].GetProperty("preview").GetRawText());
    }

    [Theory]
    [InlineData("/api/library/compare/in/north-face-hare?board=askerdale-pinion-f4-r1", 422)]
    [InlineData("/api/library/compare/in/north-face-hare?board=askerdale-pinion-f4-r1&board=nowhere", 404)]
    [InlineData("/api/library/compare/in/nowhere?board=askerdale-pinion-f4-r1&board=askerdale-pinion-f4-r2", 404)]
    public async Task What_cannot_be_compared_is_said(string address, int status)
    {
        await using var server = await LiveServer.Start();
        using var answer = await server.Client.GetAsync(address, TestContext.Current.CancellationToken);
        Assert.Equal(status, (int)answer.StatusCode);
    }

    [Fact]
    public async Task A_new_board_is_called_after_what_it_is_and_can_be_chosen_at_once()
    {
        await using var server = await LiveServer.Start();
        var board = await BoardOf(
            server,
            "maker Holm\nboard Sill F4\nrevision 1\ncontroller F4\ntop left: R1 T1 5V G BAT"
        );
        board["id"] = "";
        var (status, made) = await server.Post("/api/library/boards", board.ToJsonString());
        Assert.Equal((201, "holm-sill-f4-r1"), (status, made.GetProperty("id").GetString()));
        var again = await server.Post("/api/library/boards", board.ToJsonString());
        Assert.Equal(409, again.Status);
        Assert.Contains("\"holm-sill-f4-r1\" is already in the library.", again.Body.GetProperty("detail").GetString());
        Assert.Contains(
            (await server.Get("/api/library")).EnumerateArray(),
            l => l.GetProperty("id").GetString() == "holm-sill-f4-r1"
        );
    }

    // What is stored must go out as a file and come in again.
    [Fact]
    public async Task The_longest_names_make_an_id_that_a_file_may_have()
    {
        await using var server = await LiveServer.Start(demo: null);
        var name = new string('n', 120);
        var board = await BoardOf(server, $"maker {name}\nboard {name}\nrevision 1\ncontroller F4\ntop left: R1 T1");
        board["id"] = "";
        var (status, made) = await server.Post("/api/library/boards", board.ToJsonString());
        Assert.Equal(201, status);
        var file = await server.Client.GetStringAsync(
            $"/api/files/boards/{made.GetProperty("id").GetString()}",
            TestContext.Current.CancellationToken
        );
        var asked = new JsonObject { ["file"] = file, ["decisions"] = new JsonArray() }.ToJsonString();
        Assert.Equal(200, (await server.Post("/api/files/look", asked)).Status);
        board["id"] = new string('i', 121);
        Assert.Equal(422, (await server.Post("/api/library/boards", board.ToJsonString())).Status);
    }

    [Fact]
    public async Task A_part_that_contradicts_itself_is_not_stored()
    {
        await using var server = await LiveServer.Start();
        var board = await BoardOf(server, "maker Holm\nboard Sill F4\ncontroller F4\ntop left: R1 T1");
        var (status, problem) = await server.Post("/api/library/boards", board.ToJsonString());
        Assert.Equal(
            (422, "board.revision is empty. Write 1 to 120 characters."),
            (status, problem.GetProperty("detail").GetString())
        );
    }

    [Fact]
    public async Task A_change_is_previewed_for_each_build_and_then_plans_them_anew()
    {
        await using var server = await LiveServer.Start();
        var sheet = await Sheet(server, Pinion);
        var board = sheet["part"]!;
        var held = board["ports"]!.AsArray().First(p => (string?)p!["id"] == "U1")!;
        held["heldBy"] = "the recorder inside";
        var (status, told) = await server.Post($"{Pinion}/preview", board.ToJsonString());
        Assert.Equal(200, status);
        var touched = told.EnumerateArray().Single(t => t.GetProperty("id").GetString() == "north-face-hare");
        Assert.Equal(
            "All 3 links connected.",
            touched.GetProperty("preview").GetProperty("before").GetProperty("sentence").GetString()
        );
        Assert.Contains(
            "2 of 3 links connected.",
            touched.GetProperty("preview").GetProperty("after").GetProperty("sentence").GetString()
        );

        var before = await server.Get("/api/builds/north-face-hare/fit");
        Assert.Equal("All 3 links connected.", Verdict(before));
        Assert.Equal(200, (await Put(server, Pinion, 1, board)).Status);
        var after = await server.Get("/api/builds/north-face-hare/fit");
        Assert.Contains("2 of 3 links connected.", Verdict(after));
        Assert.Equal(before.GetProperty("version").GetInt32() + 1, after.GetProperty("version").GetInt32());
        var card = (await server.Shelf()).Single(b => b.GetProperty("id").GetString() == "north-face-hare");
        Assert.Contains("2 of 3 links connected.", card.GetProperty("verdict").GetProperty("sentence").GetString());
    }

    [Fact]
    public async Task A_change_that_leaves_a_build_without_a_plan_is_refused_by_name()
    {
        await using var server = await LiveServer.Start();
        const string Relay = "/api/library/devices/dunmerrow-relay-16";
        var sheet = await Sheet(server, Relay);
        sheet["part"]!["functions"] = new JsonArray();
        var (status, problem) = await Put(server, Relay, 1, sheet["part"]!);
        Assert.Equal(422, status);
        Assert.Contains("could no longer be planned", problem.GetProperty("detail").GetString());
        Assert.Contains("another revision", problem.GetProperty("detail").GetString());
        Assert.Equal(1, (await Sheet(server, Relay))["version"]!.GetValue<int>());
    }

    [Fact]
    public async Task Two_tabs_that_change_one_part_do_not_overwrite_each_other()
    {
        await using var server = await LiveServer.Start();
        var first = (await Sheet(server, Pinion))["part"]!;
        var second = (await Sheet(server, Pinion))["part"]!;
        first["target"] = "ONE";
        second["target"] = "TWO";
        var answers = await Task.WhenAll(Put(server, Pinion, 1, first), Put(server, Pinion, 1, second));
        Assert.Equal([200, 409], answers.Select(a => a.Status).Order());
        Assert.Contains(
            "was changed in another tab",
            answers.Single(a => a.Status == 409).Body.GetProperty("detail").GetString()
        );
        Assert.Equal(2, (await Sheet(server, Pinion))["version"]!.GetValue<int>());
    }

    [Fact]
    public async Task Every_state_of_a_part_is_kept_and_can_be_brought_back()
    {
        await using var server = await LiveServer.Start();
        var board = (await Sheet(server, Pinion))["part"]!;
        var was = board.ToJsonString();
        board["target"] = "OTHER";
        board["recognise"] = "blue";
        await Put(server, Pinion, 1, board);
        var history = (await Sheet(server, Pinion))["history"]!.AsArray();
        Assert.Equal(["Changed: recognise, target", "Original"], history.Select(h => (string?)h!["words"]));
        var (status, _) = await server.Post($"{Pinion}/back", "{\"version\":2,\"to\":1}");
        Assert.Equal(200, status);
        var sheet = await Sheet(server, Pinion);
        Assert.Equal(was, sheet["part"]!.ToJsonString());
        Assert.Equal(
            (3, "Restore version 1"),
            (sheet["version"]!.GetValue<int>(), (string?)sheet["history"]![0]!["words"])
        );
        Assert.Equal(404, (await server.Post($"{Pinion}/back", "{\"version\":3,\"to\":9}")).Status);
    }

    [Fact]
    public async Task What_is_not_changed_makes_no_new_version()
    {
        await using var server = await LiveServer.Start();
        var (status, made) = await Put(server, Pinion, 1, (await Sheet(server, Pinion))["part"]!);
        Assert.Equal((200, 1), (status, made.GetProperty("version").GetInt32()));
    }

    [Fact]
    public async Task A_part_laid_aside_is_not_offered_and_builds_keep_it()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(204, (await server.Post($"{Pinion}/archive", "")).Status);
        Assert.True(Pinions(await server.Get("/api/library")).Single().GetProperty("isArchived").GetBoolean());
        var (refused, _) = await server.Post("/api/drafts/look", """{"board":"askerdale-pinion-f4-r2"}""");
        Assert.Equal(422, refused);
        Assert.Equal("All 3 links connected.", Verdict(await server.Get("/api/builds/north-face-hare/fit")));
        Assert.True((await server.Get(Pinion)).GetProperty("isArchived").GetBoolean());
        await server.Post($"{Pinion}/unarchive", "");
        Assert.False(Pinions(await server.Get("/api/library")).Single().GetProperty("isArchived").GetBoolean());
    }

    private static IEnumerable<JsonElement> Pinions(JsonElement list) => list.EnumerateArray().Where(IsPinion);

    /// <summary>A build with parts that are laid aside is still changed, swept and unlocked like every other one.</summary>
    [Fact]
    public async Task A_build_of_parts_laid_aside_can_still_be_changed()
    {
        await using var server = await LiveServer.Start();
        await server.Post($"{Pinion}/archive", "");
        await server.Post("/api/library/devices/brindlow-beacon-d6/archive", "");
        var (status, after) = await server.Post(
            "/api/builds/north-face-hare/parts",
            """{"version":1,"change":{"kind":"setNote","text":"still flies"}}"""
        );
        Assert.Equal((200, "still flies"), (status, after.GetProperty("note").GetString()));
        var sweep = await server.Client.GetStringAsync(
            "/api/builds/north-face-hare/sweep",
            TestContext.Current.CancellationToken
        );
        Assert.Contains("askerdale-pinion-f4-r1", sweep);
        // What is laid aside is not offered to a build that does not have it.
        var (refused, _) = await server.Post(
            "/api/builds/haul-road-heron/parts",
            """{"version":1,"change":{"kind":"takeBoard","part":"askerdale-pinion-f4-r2"}}"""
        );
        Assert.Equal(422, refused);
    }

    [Fact]
    public async Task Only_a_part_that_no_build_has_is_taken_out()
    {
        await using var server = await LiveServer.Start();
        using var used = await server.Client.DeleteAsync(Pinion, TestContext.Current.CancellationToken);
        Assert.Equal(409, (int)used.StatusCode);
        Assert.Contains(
            "Archive the part instead",
            await used.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
        );
        var device = JsonNode.Parse(
            "{\"id\":\"\",\"maker\":\"Holm\",\"name\":\"Reed\",\"kind\":\"camera\",\"leads\":[],\"functions\":[]}"
        )!;
        Assert.Equal(201, (await server.Post("/api/library/devices", device.ToJsonString())).Status);
        using var free = await server.Client.DeleteAsync(
            "/api/library/devices/holm-reed",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(204, (int)free.StatusCode);
        Assert.StartsWith(
            "No device \"holm-reed\" in the library.",
            await server.Refusal("/api/library/devices/holm-reed")
        );
    }

    private static bool IsPinion(JsonElement line) => line.GetProperty("id").GetString() == "askerdale-pinion-f4-r2";

    private static string Verdict(JsonElement fit) =>
        fit.GetProperty("sheet").GetProperty("verdict").GetProperty("sentence").GetString()!;

    private static async Task<JsonNode> Sheet(LiveServer server, string part) =>
        JsonNode.Parse(await server.Client.GetStringAsync($"{part}/sheet"))!;

    private static async Task<JsonNode> BoardOf(LiveServer server, string text)
    {
        var (_, answer) = await server.Post(
            "/api/describe/board",
            new JsonObject
            {
                ["board"] = null,
                ["text"] = text,
                ["lines"] = null,
            }.ToJsonString()
        );
        return JsonNode.Parse(answer.GetProperty("look").GetProperty("board").GetRawText())!;
    }

    private static async Task<(int Status, JsonElement Body)> Put(
        LiveServer server,
        string part,
        int version,
        JsonNode content
    )
    {
        using var answer = await server.Client.PutAsJsonAsync(
            part,
            new JsonObject { ["version"] = version, ["part"] = content.DeepClone() }
        );
        return ((int)answer.StatusCode, await answer.Content.ReadFromJsonAsync<JsonElement>());
    }
}
