using System.Text.Json;
using System.Text.Json.Nodes;

namespace Gorvix.Web.Tests;

/// <summary>Parts that are being described: looked at, never stored, and bounded.</summary>
public class DescribeApiTests
{
    [Fact]
    public async Task A_list_of_pads_is_read_into_a_board_that_is_being_described()
    {
        await using var server = await LiveServer.Start();
        var text = "maker A\nboard B\nrevision 1\nsize 36 x 36 mm\ncontroller F4\n";
        var (status, answer) = await server.Post(
            "/api/describe/board",
            JsonSerializer.Serialize(
                new
                {
                    board = (string?)null,
                    text,
                    lines = (string?)null,
                    pads = "label;group\nR1;left\n5V;left\n",
                }
            )
        );
        Assert.Equal(200, status);
        var board = answer.GetProperty("look").GetProperty("board");
        Assert.Equal("A", board.GetProperty("maker").GetString());
        Assert.Equal(2, board.GetProperty("pads").GetArrayLength());
        var (refused, problem) = await server.Post(
            "/api/describe/board",
            JsonSerializer.Serialize(
                new
                {
                    board = (string?)null,
                    text,
                    lines = (string?)null,
                    pads = "label,leads to\nR1,U1 >\n",
                }
            )
        );
        Assert.Equal(422, refused);
        Assert.StartsWith(
            "Row 2: cannot read where pad R1 leads: unexpected `>`.",
            problem.GetProperty("detail").GetString()
        );
    }

    [Fact]
    public async Task Lines_are_read_beside_a_board_and_told_where_they_cannot_be()
    {
        await using var server = await LiveServer.Start(demo: null);
        var (_, empty) = await Look(server, text: "controller F4\ntop left: R1 T1");
        var board = JsonNode.Parse(empty.GetProperty("look").GetProperty("board").GetRawText());
        var (_, more) = await Look(server, board: board, lines: "top right: R2 B+");
        Assert.Equal(["r2", "b"], more.GetProperty("added").EnumerateArray().Select(a => a.GetString()));
        var (status, wrong) = await Look(server, board: board, lines: "top right: R2\nrail 5V 5");
        Assert.Equal(200, status);
        var problem = Assert.Single(wrong.GetProperty("problems").EnumerateArray());
        Assert.Equal((2, 9), (problem.GetProperty("line").GetInt32(), problem.GetProperty("column").GetInt32()));
        Assert.Empty((await server.Get("/api/library")).EnumerateArray());
    }

    [Theory]
    [InlineData("pads", 257, "{\"id\":\"#\",\"label\":\"#\",\"side\":\"top\",\"x\":0,\"y\":0,\"paths\":[]}")]
    [InlineData("ports", 33, "{\"id\":\"#\"}")]
    [InlineData("rails", 33, "{\"id\":\"#\",\"label\":\"#\",\"feed\":\"battery\"}")]
    public async Task A_board_that_no_maker_makes_is_refused_before_it_is_looked_at(string list, int count, string item)
    {
        await using var server = await LiveServer.Start(demo: null);
        var board = JsonNode.Parse(
            "{\"id\":\"\",\"maker\":\"\",\"name\":\"\",\"revision\":\"\",\"controller\":\"F4\",\"nets\":[],\"ports\":[],\"pads\":[]}"
        )!;
        board[list] = new JsonArray([
            .. Enumerable.Range(0, count).Select(n => JsonNode.Parse(item.Replace("#", $"n{n}"))),
        ]);
        var (status, problem) = await Look(server, board: board);
        Assert.Equal(422, status);
        Assert.Contains($"Too many {list}: {count}", problem.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task A_leaflet_of_a_hundred_thousand_letters_is_answered()
    {
        await using var server = await LiveServer.Start(demo: null);
        var (status, answer) = await Look(
            server,
            text: string.Join('\n', Enumerable.Repeat("top: " + string.Join(' ', Enumerable.Repeat("G", 95)), 490))
        );
        Assert.Equal(200, status);
        Assert.Contains("exceeds 256 pads", answer.GetProperty("problems")[0].GetProperty("sentence").GetString());
    }

    [Fact]
    public async Task Patterns_and_words_for_devices_are_told_and_each_pattern_can_be_looked_at()
    {
        await using var server = await LiveServer.Start(demo: null);
        var choices = await server.Get("/api/describe/device/choices");
        Assert.Contains(
            choices.GetProperty("protocols").EnumerateArray(),
            p => p.GetProperty("id").GetString() == "I²C" && p.GetProperty("bus").GetBoolean()
        );
        foreach (var pattern in choices.GetProperty("patterns").EnumerateArray())
        {
            var (status, look) = await server.Post("/api/describe/device", pattern.GetProperty("device").GetRawText());
            Assert.Equal(200, status);
            Assert.Equal(
                2,
                look.GetProperty("notes").EnumerateArray().Count(n => n.GetProperty("severity").GetString() == "stop")
            );
        }
        Assert.Equal(6, (await server.Get("/api/describe/board/choices")).GetProperty("classes").GetArrayLength());
    }

    [Theory]
    [InlineData("size 1e308 x 1e308 mm")]
    [InlineData("holes 99999999999999999999999 x -1 mm")]
    [InlineData("input 1e400 to nan V")]
    [InlineData("rail 5V: 999999999999999 V regulator")]
    [InlineData("top at -1e9,1e9 step 1e300,-0: G G")]
    public async Task A_number_that_no_manual_states_is_told_as_a_line_that_cannot_be_read(string line)
    {
        await using var server = await LiveServer.Start(demo: null);
        var (status, answer) = await Look(server, text: $"maker A\nboard B\nrevision 1\n{line}");
        Assert.Equal(200, status);
        Assert.NotEmpty(answer.GetProperty("problems").EnumerateArray());
    }

    private static Task<(int Status, JsonElement Body)> Look(
        LiveServer server,
        JsonNode? board = null,
        string? text = null,
        string? lines = null
    ) =>
        server.Post(
            "/api/describe/board",
            new JsonObject
            {
                ["board"] = board?.DeepClone(),
                ["text"] = text,
                ["lines"] = lines,
            }.ToJsonString()
        );
}
