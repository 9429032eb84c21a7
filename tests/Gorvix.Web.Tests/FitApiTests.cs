using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>Planning, pins, bans and undo through the API.</summary>
public class FitApiTests
{
    private const string Hare = "north-face-hare";
    private const string GnssOnU1 = """{"kind":"route","link":"position","port":"U1"}""";

    [Fact]
    public async Task The_strand_of_a_cell_is_told_when_it_is_asked_for_with_the_wave_of_its_protocol()
    {
        await using var server = await LiveServer.Start();
        var strand = await server.Get("/api/builds/north-face-hare/strand?link=control&port=U3");
        var lane = strand.GetProperty("lanes")[0];
        Assert.Equal("device → board", lane.GetProperty("flow").GetString());
        Assert.Contains(
            "inverter",
            lane.GetProperty("hops").EnumerateArray().Select(h => h.GetProperty("words").GetString())
        );
        Assert.True(lane.GetProperty("wave").GetArrayLength() > 10);
        using var nowhere = await server.Client.GetAsync("/api/builds/north-face-hare/strand?link=control&port=U99");
        Assert.Equal(404, (int)nowhere.StatusCode);
        var problem = JsonSerializer.Deserialize<JsonElement>(await nowhere.Content.ReadAsStringAsync());
        Assert.Contains("port \"U99\" is not in this build", problem.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task The_F4_build_is_carried_in_full_and_every_other_cell_says_why()
    {
        await using var server = await LiveServer.Start();
        var fit = await server.Get($"/api/builds/{Hare}/fit");
        Assert.Equal("U3 U1 U4", LiveServer.Ports(fit));
        var cells = fit.GetProperty("sheet")
            .GetProperty("links")
            .EnumerateArray()
            .SelectMany(l => l.GetProperty("cells").EnumerateArray());
        Assert.All(cells, c => Assert.NotEmpty(c.GetProperty("sentence").GetString()!));
    }

    [Fact]
    public async Task A_pin_replans_says_what_moved_and_is_kept()
    {
        await using var server = await LiveServer.Start();
        var (status, fit) = await server.Change(Hare, 1, "pin", GnssOnU1);
        Assert.Equal(200, status);
        Assert.Equal("U3 U4 U1", LiveServer.Ports(fit));
        Assert.Equal(2, fit.GetProperty("moved").GetArrayLength());
        Assert.Equal(2, fit.GetProperty("version").GetInt32());

        await server.DisposeAsync();

        await using var again = await LiveServer.Start(server.Data);
        Assert.Equal("U3 U4 U1", LiveServer.Ports(await again.Get($"/api/builds/{Hare}/fit")));
    }

    [Fact]
    public async Task Undo_and_redo_walk_the_steps_and_outlive_a_restart()
    {
        await using var server = await LiveServer.Start();
        await server.Change(Hare, 1, "pin", GnssOnU1);
        await server.Change(Hare, 2, "block", """{"kind":"route","link":"control","mode":"crsf-inverted"}""");
        await server.DisposeAsync();
        await using var again = await LiveServer.Start(server.Data);
        var undone = (await again.Post($"/api/builds/{Hare}/undo", """{"version":3}""")).Body;
        Assert.Equal("U3 U4 U1", LiveServer.Ports(undone));
        Assert.Equal("Block RC link: mode \"CRSF, output inverted\"", undone.GetProperty("redo").GetString());
        Assert.Equal("Pin GPS: UART1", undone.GetProperty("undo").GetString());
        var redone = (await again.Post($"/api/builds/{Hare}/redo", """{"version":4}""")).Body;
        Assert.Equal("2 of 3 links connected. No port for OSD (Beacon D6).", Verdict(redone));
    }

    [Fact]
    public async Task A_plan_is_chosen_in_one_step_that_undo_takes_back()
    {
        await using var server = await LiveServer.Start();
        const string wren = "weighbridge-wren";
        Assert.Equal("CPPM U2 I2C1 U1", LiveServer.Ports(await server.Get($"/api/builds/{wren}/fit")));
        var (status, fit) = await server.Post($"/api/builds/{wren}/choose", """{"version":1,"plan":2}""");
        Assert.Equal((200, "CPPM U1 I2C1 U2"), (status, LiveServer.Ports(fit)));
        Assert.Equal("Choose plan 2", fit.GetProperty("undo").GetString());
        Assert.Equal(2, fit.GetProperty("sheet").GetProperty("wishes").GetArrayLength());
        var undone = (await server.Post($"/api/builds/{wren}/undo", """{"version":2}""")).Body;
        Assert.Equal(0, undone.GetProperty("sheet").GetProperty("wishes").GetArrayLength());
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-3)]
    [InlineData(2)]
    [InlineData(2_000_000_000)]
    public async Task A_plan_that_is_not_shown_cannot_be_chosen(int plan)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post($"/api/builds/{Hare}/choose", $"{{\"version\":1,\"plan\":{plan}}}");
        Assert.Equal(
            (422, $"Plan {plan} is not available. Choose one of those shown."),
            (status, problem.GetProperty("detail").GetString())
        );
    }

    [Fact]
    public async Task Undo_at_the_first_step_changes_nothing()
    {
        await using var server = await LiveServer.Start();
        var (status, fit) = await server.Post($"/api/builds/{Hare}/undo", """{"version":1}""");
        Assert.Equal((200, 1), (status, fit.GetProperty("version").GetInt32()));
        Assert.Equal(JsonValueKind.Null, fit.GetProperty("undo").ValueKind);
    }

    [Fact]
    public async Task A_change_after_undo_drops_what_was_undone()
    {
        await using var server = await LiveServer.Start();
        await server.Change(Hare, 1, "pin", GnssOnU1);
        await server.Post($"/api/builds/{Hare}/undo", """{"version":2}""");
        var fit = (await server.Change(Hare, 3, "block", GnssOnU1)).Body;
        Assert.Equal(JsonValueKind.Null, fit.GetProperty("redo").ValueKind);
        Assert.Equal("Block GPS: UART1", fit.GetProperty("undo").GetString());
    }

    [Fact]
    public async Task The_second_writer_is_told_and_nothing_is_overwritten()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(200, (await server.Change(Hare, 1, "pin", GnssOnU1)).Status);
        var (status, problem) = await server.Change(Hare, 1, "block", GnssOnU1);
        Assert.Equal(409, status);
        Assert.Contains("changed in another tab", problem.GetProperty("detail").GetString());
        Assert.Equal("U3 U4 U1", LiveServer.Ports(await server.Get($"/api/builds/{Hare}/fit")));
    }

    [Fact]
    public async Task Of_many_writers_at_once_exactly_one_wins()
    {
        await using var server = await LiveServer.Start();
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 8).Select(i => server.Change(Hare, 1, i % 2 == 0 ? "pin" : "block", GnssOnU1))
        );
        Assert.Equal(1, answers.Count(a => a.Status == 200));
        Assert.Equal(7, answers.Count(a => a.Status == 409));
        Assert.Equal(2, (await server.Get($"/api/builds/{Hare}/fit")).GetProperty("version").GetInt32());
    }

    [Fact]
    public async Task A_pin_that_cannot_be_is_taken_as_a_wish_and_answered()
    {
        await using var server = await LiveServer.Start();
        var (status, fit) = await server.Change(Hare, 1, "pin", """{"kind":"route","link":"position","port":"U6"}""");
        Assert.Equal(200, status);
        Assert.Equal("U3 U1 U4", LiveServer.Ports(fit));
        Assert.Equal("PIN", fit.GetProperty("sheet").GetProperty("findings")[0].GetProperty("rule").GetString());
    }

    [Theory]
    [InlineData(
        """{"kind":"route","link":"wings","port":"U1"}""",
        "change.link names link \"wings\", which does not exist here. Known: control, picture-text, position."
    )]
    [InlineData(
        """{"kind":"route","link":"control","port":"U99"}""",
        "change.port names port \"U99\", which does not exist here. Known: U1, U3, U4, U6."
    )]
    [InlineData(
        """{"kind":"route","link":"control","mode":"x"}""",
        "change.mode names mode \"x\", which does not exist here. Known: crsf, crsf-inverted."
    )]
    public async Task An_unknown_id_is_refused_with_what_is_known(string match, string sentence)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Change(Hare, 1, "pin", match);
        Assert.Equal(422, status);
        Assert.Equal(sentence, problem.GetProperty("detail").GetString());
    }

    [Theory]
    [InlineData("{}")]
    [InlineData("nonsense")]
    [InlineData("""{"version":1}""")]
    [InlineData("""{"version":1,"change":{"kind":"paint","match":{"kind":"route","link":"control"}}}""")]
    [InlineData("""{"version":"1","change":{"kind":"pin","match":{"kind":"route","link":"control"}}}""")]
    [InlineData("""{"version":1,"change":{"kind":"pin","match":null}}""")]
    [InlineData("""{"version":1,"change":{"kind":"pin","match":{"kind":"route","link":null}}}""")]
    public async Task A_request_of_another_shape_is_refused_in_words(string body)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post($"/api/builds/{Hare}/changes", body);
        Assert.Equal(400, status);
        Assert.StartsWith("Invalid request", problem.GetProperty("detail").GetString());
    }

    [Theory]
    [InlineData("/api/builds/nobody/undo", """{"version":1}""")]
    [InlineData(
        "/api/builds/nobody/changes",
        """{"version":1,"change":{"kind":"pin","match":{"kind":"route","link":"control"}}}"""
    )]
    [InlineData("/api/builds/nobody/remove", "")]
    [InlineData("/api/builds/nobody/restore", "")]
    public async Task A_build_that_is_not_there_is_said_to_be_missing(string path, string body)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post(path, body);
        Assert.Equal(404, status);
        Assert.StartsWith("No build \"nobody\".", problem.GetProperty("detail").GetString());
    }

    private static string? Verdict(JsonElement fit) =>
        fit.GetProperty("sheet").GetProperty("verdict").GetProperty("sentence").GetString();
}
