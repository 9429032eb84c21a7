using System.Text.Json;
using System.Text.Json.Nodes;

namespace Gorvix.Web.Tests;

/// <summary>Files are looked at before they are taken in, whole or not at all; the library and each part go out as files.</summary>
public class IntakeApiTests
{
    private static readonly string[] Choices = ["keepMine", "takeTheirs", "asCopy"];

    [Fact]
    public async Task The_whole_library_of_one_goes_into_an_empty_one()
    {
        await using var from = await LiveServer.Start();
        await using var to = await LiveServer.Start(demo: null);
        var file = await from.Client.GetStringAsync("/api/files/library", TestContext.Current.CancellationToken);
        var (_, look) = await to.Post("/api/files/look", Asked(file));
        Assert.All(
            look.GetProperty("parts").EnumerateArray(),
            p => Assert.Equal("new", p.GetProperty("state").GetString())
        );
        Assert.Empty((await to.Get("/api/library")).EnumerateArray());
        var (status, done) = await to.Post("/api/files/take", Asked(file));
        Assert.Equal((201, look.GetProperty("parts").GetArrayLength()), (status, done.GetProperty("parts").GetInt32()));
        Assert.Equal(file, await to.Client.GetStringAsync("/api/files/library", TestContext.Current.CancellationToken));
        var (_, again) = await to.Post("/api/files/look", Asked(file));
        Assert.All(
            again.GetProperty("parts").EnumerateArray(),
            p => Assert.Equal("same", p.GetProperty("state").GetString())
        );
    }

    [Theory]
    [InlineData("keepMine", "PINIONF4R2", null)]
    [InlineData("takeTheirs", "OTHER", null)]
    [InlineData("asCopy", "PINIONF4R2", "OTHER")]
    public async Task A_part_that_differs_is_kept_replaced_or_copied_as_decided(
        string choice,
        string mine,
        string? copy
    )
    {
        Assert.Contains(choice, Choices);
        await using var server = await LiveServer.Start();
        var file = (
            await server.Client.GetStringAsync(
                "/api/builds/north-face-hare/export",
                TestContext.Current.CancellationToken
            )
        ).Replace("PINIONF4R2", "OTHER");
        var (_, look) = await server.Post("/api/files/look", Asked(file));
        var differs = look.GetProperty("parts")
            .EnumerateArray()
            .Single(p => p.GetProperty("state").GetString() == "differs");
        Assert.Equal("[\"target\"]", differs.GetProperty("members").GetRawText());
        var (status, done) = await server.Post(
            "/api/files/take",
            Asked(file, ("board", "askerdale-pinion-f4-r2", choice))
        );
        Assert.Equal(201, status);
        Assert.Equal("north-face-hare-2", done.GetProperty("builds")[0].GetString());
        Assert.Equal(mine, await Target(server, "askerdale-pinion-f4-r2"));
        if (copy is not null)
        {
            Assert.Equal(copy, await Target(server, "askerdale-pinion-f4-r2-2"));
        }
        var fit = await server.Get("/api/builds/north-face-hare-2/fit");
        Assert.Equal(
            copy is null ? "askerdale-pinion-f4-r2" : "askerdale-pinion-f4-r2-2",
            fit.GetProperty("boardPart").GetString()
        );
    }

    /// <summary>Out of one Gorvix, through a spreadsheet, into the same one: nothing is new.</summary>
    [Theory]
    [InlineData("/api/files/lists/pads", 13)]
    [InlineData("/api/files/lists/devices", 33)]
    [InlineData("/api/files/lists/boards/askerdale-pinion-f4-r2", 1)]
    [InlineData("/api/files/lists/devices/brindlow-pane", 1)]
    public async Task A_list_comes_back_and_says_the_same(string address, int parts)
    {
        await using var server = await LiveServer.Start();
        using var answer = await server.Client.GetAsync(address, TestContext.Current.CancellationToken);
        Assert.Equal("text/csv", answer.Content.Headers.ContentType?.MediaType);
        Assert.EndsWith(".csv", answer.Content.Headers.ContentDisposition?.FileName?.Trim('"'));
        var list = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        var (status, look) = await server.Post("/api/files/look", Asked(list));
        Assert.Equal(200, status);
        var states = look.GetProperty("parts")
            .EnumerateArray()
            .Select(p => p.GetProperty("state").GetString())
            .ToList();
        Assert.Equal(Enumerable.Repeat("same", parts), states);
    }

    [Fact]
    public async Task A_pad_that_a_list_moves_is_told_before_it_is_stored_and_then_stored()
    {
        await using var server = await LiveServer.Start();
        var list = await server.Client.GetStringAsync(
            "/api/files/lists/boards/askerdale-pinion-f4-r2",
            TestContext.Current.CancellationToken
        );
        var lines = list.TrimStart('\uFEFF').Split("\r\n");
        var cells = lines[1].Split(',');
        cells[6] = "1.5";
        lines[1] = string.Join(',', cells);
        var moved = string.Join("\r\n", lines);
        var (_, look) = await server.Post("/api/files/look", Asked(moved));
        var part = look.GetProperty("parts")[0];
        Assert.Equal("differs", part.GetProperty("state").GetString());
        Assert.Equal("[\"pads\"]", part.GetProperty("members").GetRawText());
        var decided = Asked(moved, ("board", "askerdale-pinion-f4-r2", "takeTheirs"));
        Assert.Equal(201, (await server.Post("/api/files/take", decided)).Status);
        var after = await server.Client.GetStringAsync(
            "/api/files/lists/boards/askerdale-pinion-f4-r2",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(moved, after.TrimStart('\uFEFF'));
    }

    [Fact]
    public async Task A_list_that_cannot_be_read_is_told_by_its_row()
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post("/api/files/look", Asked("board,label\r\nnowhere,R1\r\n"));
        Assert.Equal(422, status);
        Assert.StartsWith("Row 2: ", problem.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task A_file_that_would_leave_a_build_without_a_plan_stores_nothing()
    {
        await using var server = await LiveServer.Start();
        var tree = JsonNode.Parse(
            await server.Client.GetStringAsync(
                "/api/files/devices/dunmerrow-relay-16",
                TestContext.Current.CancellationToken
            )
        )!;
        tree["devices"]![0]!["functions"] = new JsonArray();
        var file = tree.ToJsonString();
        var (_, look) = await server.Post(
            "/api/files/look",
            Asked(file, ("device", "dunmerrow-relay-16", "takeTheirs"))
        );
        Assert.Contains(
            look.GetProperty("touched").EnumerateArray(),
            t => t.GetProperty("refused").ValueKind == JsonValueKind.String
        );
        var (status, problem) = await server.Post(
            "/api/files/take",
            Asked(file, ("device", "dunmerrow-relay-16", "takeTheirs"))
        );
        Assert.Equal(422, status);
        Assert.Contains("Keep your part, or import theirs as a copy", problem.GetProperty("detail").GetString());
        Assert.Equal(
            201,
            (await server.Post("/api/files/take", Asked(file, ("device", "dunmerrow-relay-16", "asCopy")))).Status
        );
    }

    [Fact]
    public async Task A_file_that_cannot_be_read_is_refused_with_its_place()
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post(
            "/api/files/look",
            Asked("{\"format\":\"gorvix\",\n\"version\":4,\"boards\":[{}]}")
        );
        Assert.Equal(422, status);
        Assert.Contains("line 2 (boards[0])", problem.GetProperty("detail").GetString());
        Assert.StartsWith("No board \"none\" in the library.", await server.Refusal("/api/files/boards/none"));
    }

    [Fact]
    public async Task More_builds_than_are_planned_in_one_go_are_refused()
    {
        await using var server = await LiveServer.Start();
        var tree = JsonNode.Parse(
            await server.Client.GetStringAsync(
                "/api/builds/north-face-hare/export",
                TestContext.Current.CancellationToken
            )
        )!;
        var one = tree["builds"]![0]!;
        var many = Enumerable
            .Range(0, 61)
            .Select(n =>
            {
                var build = one.DeepClone();
                build["name"] = $"Hare {n}";
                return build;
            });
        tree["builds"] = new JsonArray([.. many]);
        var (status, problem) = await server.Post("/api/files/take", Asked(tree.ToJsonString()));
        Assert.Equal(422, status);
        Assert.StartsWith("The file has 61 builds; the limit is 60.", problem.GetProperty("detail").GetString());
    }

    private static async Task<string?> Target(LiveServer server, string board) =>
        (await server.Get($"/api/library/boards/{board}/sheet")).GetProperty("part").GetProperty("target").GetString();

    private static string Asked(string file, params (string Kind, string Id, string Choice)[] decisions) =>
        new JsonObject
        {
            ["file"] = file,
            ["decisions"] = new JsonArray([
                .. decisions.Select(d => new JsonObject
                {
                    ["kind"] = d.Kind,
                    ["id"] = d.Id,
                    ["choice"] = d.Choice,
                }),
            ]),
        }.ToJsonString();
}
