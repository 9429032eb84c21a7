using System.Net.ServerSentEvents;
using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>Set-up, parts, unlocks and sweep through the API.</summary>
public class SetupApiTests
{
    private const string Hare = "/api/builds/north-face-hare";
    private const string Owl = "/api/builds/spoil-tip-owl";

    [Fact]
    public async Task A_house_rule_replans_says_what_moved_and_is_kept()
    {
        await using var server = await LiveServer.Start();
        var (status, fit) = await server.Post(
            $"{Owl}/setup",
            """{"version":1,"setup":{"firmware":"older","pack":{"cells":3},"house":{"softwareSerial":"allowed"}}}"""
        );
        Assert.Equal(200, status);
        Assert.Equal("VTX control (Lantern 10) is now connected on S1.", fit.GetProperty("moved")[0].GetString());
        Assert.Equal("Change setup", fit.GetProperty("undo").GetString());
        await server.DisposeAsync();
        await using var again = await LiveServer.Start(server.Data);
        var kept = (await again.Get($"{Owl}/fit")).GetProperty("setup").GetProperty("house");
        Assert.Equal("allowed", kept.GetProperty("softwareSerial").GetString());
    }

    [Theory]
    [InlineData("""{"pack":{"cells":0}}""", "build.pack.cells")]
    [InlineData("""{"pack":{"cells":99}}""", "build.pack.cells")]
    [InlineData("""{"inputVolts":-5}""", "build.inputVolts")]
    [InlineData("""{"inputVolts":1e300}""", "build.inputVolts")]
    [InlineData("""{"firmware":"tomorrow"}""", "build.firmware names firmware profile \"tomorrow\"")]
    public async Task A_setup_that_cannot_be_is_refused_and_nothing_is_stored(string setup, string said)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post($"{Hare}/setup", $"{{\"version\":1,\"setup\":{setup}}}");
        Assert.Equal(422, status);
        Assert.StartsWith(said, problem.GetProperty("detail").GetString());
        Assert.Equal(1, (await server.Get($"{Hare}/fit")).GetProperty("version").GetInt32());
    }

    [Theory]
    [InlineData("setup", """{"version":1,"setup":{"house":{"softwareSerial":"sometimes"}}}""")]
    [InlineData("setup", """{"version":1,"setup":{"pack":{}}}""")]
    [InlineData("setup", """{"version":1}""")]
    [InlineData("parts", """{"version":1,"change":{"kind":"paint"}}""")]
    [InlineData("unlock", """{"version":1}""")]
    public async Task A_request_of_another_shape_is_refused_in_words(string path, string body)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post($"{Hare}/{path}", body);
        Assert.Equal(400, status);
        Assert.StartsWith("Invalid request", problem.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task The_second_writer_of_a_setup_is_told()
    {
        await using var server = await LiveServer.Start();
        await server.Post($"{Hare}/setup", """{"version":1,"setup":{"pack":{"cells":6}}}""");
        var (status, _) = await server.Post($"{Hare}/setup", """{"version":1,"setup":{"pack":{"cells":3}}}""");
        Assert.Equal(409, status);
    }

    [Fact]
    public async Task Parts_are_exchanged_added_and_removed_and_undo_brings_them_back()
    {
        await using var server = await LiveServer.Start();
        var board = await Parts(server, 1, """{"kind":"takeBoard","part":"thornwick-spindle-f7-r1"}""");
        Assert.Equal("thornwick-spindle-f7-r1", board.GetProperty("boardPart").GetString());
        var more = await Parts(server, 2, """{"kind":"addDevice","part":"fallowby-ledger"}""");
        Assert.Equal("Flight logger (Ledger) is now connected on UART6.", more.GetProperty("moved")[0].GetString());
        var less = await Parts(server, 3, """{"kind":"removeDevice","device":"flightlogger"}""");
        Assert.Equal("Flight logger (Ledger) is no longer in the build.", less.GetProperty("moved")[0].GetString());
        var undone = (await server.Post($"{Hare}/undo", """{"version":4}""")).Body;
        Assert.Equal(4, undone.GetProperty("devices").GetArrayLength());
        Assert.Equal("Remove Ledger", undone.GetProperty("redo").GetString());
    }

    [Fact]
    public async Task A_part_that_is_not_in_the_library_is_refused_with_what_is_known()
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post(
            $"{Hare}/parts",
            """{"version":1,"change":{"kind":"takeBoard","part":"nothing"}}"""
        );
        Assert.Equal(422, status);
        Assert.StartsWith("change.part names board \"nothing\"", problem.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task The_choices_name_every_part_and_the_reason_of_every_school()
    {
        await using var server = await LiveServer.Start();
        var choices = await server.Get("/api/choices");
        Assert.Contains(
            choices.GetProperty("boards").EnumerateArray(),
            b => b.GetProperty("name").GetString() == "Askerdale Pinion F4, revision 2"
        );
        Assert.Equal(2, choices.GetProperty("profiles").GetArrayLength());
        Assert.All(
            choices.GetProperty("disputes").EnumerateArray(),
            d =>
                Assert.All(
                    d.GetProperty("schools").EnumerateArray(),
                    s => Assert.NotEmpty(s.GetProperty("reason").GetString()!)
                )
        );
    }

    [Fact]
    public async Task An_unlock_is_offered_applied_in_one_step_and_taken_back()
    {
        await using var server = await LiveServer.Start();
        var first = (await server.Get($"{Owl}/unlocks"))[0].GetProperty("ways")[0];
        Assert.Equal("House rule \"Port sharing\": split RX and TX", first.GetProperty("words").GetString());
        var id = first.GetProperty("id").GetString();
        var body = JsonSerializer.Serialize(new { version = 1, unlock = id });
        var (status, fit) = await server.Post($"{Owl}/unlock", body);
        Assert.Equal(200, status);
        Assert.StartsWith("All 8 links connected.", Verdict(fit));
        var undone = (await server.Post($"{Owl}/undo", """{"version":2}""")).Body;
        Assert.StartsWith("7 of 8 links connected.", Verdict(undone));

        // Offered then, gone now.
        await server.Post($"{Owl}/redo", """{"version":3}""");
        var late = await server.Post($"{Owl}/unlock", body.Replace("\"version\":1", "\"version\":4"));
        Assert.Equal(422, late.Status);
        Assert.StartsWith("This change is no longer available", late.Body.GetProperty("detail").GetString());
    }

    // What is computed once is kept with its plan and the parts that can be had: a part that goes or comes back is heard.
    [Fact]
    public async Task Unlocks_follow_the_library()
    {
        await using var server = await LiveServer.Start();
        async Task<IReadOnlyList<string>> Ways() =>
            [
                .. (await server.Get("/api/builds/drill-shed-gull/unlocks"))[0]
                    .GetProperty("ways")
                    .EnumerateArray()
                    .Select(w => w.GetProperty("words").GetString()!),
            ];
        var first = await Ways();
        Assert.Equal(first, await Ways());
        var swaps = first.Where(w => w.StartsWith("Swap board", StringComparison.Ordinal)).ToList();
        Assert.NotEmpty(swaps);
        var boards = (await server.Get("/api/library"))
            .EnumerateArray()
            .Where(p => p.GetProperty("kind").GetString() == "board")
            .Select(b => b.GetProperty("id").GetString()!)
            .ToList();
        foreach (var board in boards)
        {
            await server.Post($"/api/library/boards/{board}/archive", "{}");
        }
        Assert.DoesNotContain(await Ways(), w => swaps.Contains(w));
        foreach (var board in boards)
        {
            await server.Post($"/api/library/boards/{board}/unarchive", "{}");
        }
        Assert.Equal(first, await Ways());
    }

    [Fact]
    public async Task A_build_that_is_carried_in_full_has_nothing_to_unlock()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(0, (await server.Get($"{Hare}/unlocks")).GetArrayLength());
    }

    [Theory]
    [InlineData("", "askerdale-pinion-f4-r2")]
    [InlineData("?device=receiver", "corvane-sedge-2")]
    public async Task A_sweep_sends_one_line_for_each_candidate_and_counts_them(string query, string now)
    {
        await using var server = await LiveServer.Start();
        using var answer = await server.Client.GetAsync($"{Hare}/sweep{query}");
        Assert.Equal("text/event-stream", answer.Content.Headers.ContentType!.MediaType);
        var events = SseParser.Create(await answer.Content.ReadAsStreamAsync()).Enumerate().ToList();
        Assert.Equal("end", events[^1].EventType);
        Assert.All(events.SkipLast(1), e => Assert.Equal("step", e.EventType));
        var steps = events.SkipLast(1).Select(e => JsonSerializer.Deserialize<JsonElement>(e.Data)).ToList();
        Assert.Equal(steps[0].GetProperty("of").GetInt32(), steps.Count);
        Assert.Equal(Enumerable.Range(1, steps.Count), steps.Select(s => s.GetProperty("done").GetInt32()));
        var line = Assert.Single(steps.Select(s => s.GetProperty("line")), l => l.GetProperty("now").GetBoolean());
        Assert.Equal((now, "All 3 links connected."), (line.GetProperty("part").GetString(), Text(line, "verdict")));
    }

    [Fact]
    public async Task A_sweep_over_a_device_that_is_not_there_is_refused()
    {
        await using var server = await LiveServer.Start();
        using var answer = await server.Client.GetAsync($"{Hare}/sweep?device=wings");
        Assert.Equal(422, (int)answer.StatusCode);
        Assert.Contains("Choose one of receiver, air-unit, gnss.", await answer.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task A_reader_who_goes_away_leaves_the_server_answering()
    {
        await using var server = await LiveServer.Start();
        using (var answer = await server.Client.GetAsync($"{Owl}/sweep", HttpCompletionOption.ResponseHeadersRead))
        {
            using var reader = new StreamReader(await answer.Content.ReadAsStreamAsync());
            Assert.Equal("event: step", await reader.ReadLineAsync());
            Assert.StartsWith("data: {\"done\":1", await reader.ReadLineAsync());
        }
        Assert.Equal(LiveServer.DemoBuilds, await server.Count());
    }

    private static async Task<JsonElement> Parts(LiveServer server, int version, string change)
    {
        var (status, fit) = await server.Post($"{Hare}/parts", $"{{\"version\":{version},\"change\":{change}}}");
        Assert.Equal(200, status);
        return fit;
    }

    private static string? Verdict(JsonElement fit) =>
        Text(fit.GetProperty("sheet").GetProperty("verdict"), "sentence");

    private static string? Text(JsonElement element, string name) => element.GetProperty(name).GetString();
}
