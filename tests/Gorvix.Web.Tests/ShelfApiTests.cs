using System.Text.Json;
using Gorvix.Core.Files.Formats;
using Gorvix.Storage;
using Microsoft.Data.Sqlite;

namespace Gorvix.Web.Tests;

/// <summary>The shelf, import and export through the API.</summary>
public class ShelfApiTests
{
    [Fact]
    public async Task The_shelf_shows_each_build_with_its_verdict()
    {
        await using var server = await LiveServer.Start();
        var builds = await server.Shelf();
        Assert.Equal(LiveServer.DemoBuilds, builds.Count);
        Assert.Equal(builds.Select(Name).Order(StringComparer.Ordinal), builds.Select(Name));
        var hare = builds.Single(b => Name(b) == "North Face Hare");
        Assert.Equal("All 3 links connected.", hare.GetProperty("verdict").GetProperty("sentence").GetString());
        var owl = builds.Single(b => Name(b) == "Spoil Tip Owl");
        Assert.StartsWith("7 of 8 links connected.", owl.GetProperty("verdict").GetProperty("sentence").GetString());
    }

    [Fact]
    public async Task An_empty_start_has_an_empty_shelf()
    {
        await using var server = await LiveServer.Start(demo: null);
        Assert.Equal(0, await server.Count());
    }

    [Fact]
    public async Task Export_import_export_gives_the_same_bytes_also_on_another_machine()
    {
        await using var here = await LiveServer.Start();
        await here.Change("north-face-hare", 1, "pin", """{"kind":"route","link":"position","port":"U1"}""");
        var file = await here.Client.GetStringAsync("/api/builds/north-face-hare/export");

        await using var there = await LiveServer.Start(demo: null);
        var (status, card) = await there.Post("/api/builds/import", file);
        Assert.Equal((201, "north-face-hare"), (status, card.GetProperty("id").GetString()));
        Assert.Equal(file, await there.Client.GetStringAsync("/api/builds/north-face-hare/export"));
        Assert.Equal("U3 U4 U1", LiveServer.Ports(await there.Get("/api/builds/north-face-hare/fit")));
    }

    [Fact]
    public async Task The_same_file_twice_gives_two_builds()
    {
        await using var server = await LiveServer.Start();
        var file = await server.Client.GetStringAsync("/api/builds/north-face-hare/export");
        Assert.Equal(
            "north-face-hare-2",
            (await server.Post("/api/builds/import", file)).Body.GetProperty("id").GetString()
        );
        Assert.Equal(
            "north-face-hare-3",
            (await server.Post("/api/builds/import", file)).Body.GetProperty("id").GetString()
        );
        Assert.Equal(LiveServer.DemoBuilds + 2, await server.Count());
    }

    [Fact]
    public async Task Imports_at_the_same_time_get_ids_of_their_own()
    {
        await using var server = await LiveServer.Start();
        var file = await server.Client.GetStringAsync("/api/builds/north-face-hare/export");
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => server.Post("/api/builds/import", file)));
        Assert.Equal(6, answers.Select(a => a.Body.GetProperty("id").GetString()).Distinct().Count());
    }

    [Fact]
    public async Task A_file_whose_part_differs_from_the_librarys_is_refused_whole()
    {
        await using var server = await LiveServer.Start();
        var file = await server.Client.GetStringAsync("/api/builds/north-face-hare/export");
        var other = file.Replace("\"name\": \"North Face Hare\"", "\"name\": \"Copy\"")
            .Replace("\"label\": \"DSM\"", "\"label\": \"T3\"");
        var (status, problem) = await server.Post("/api/builds/import", other);
        Assert.Equal(422, status);
        var finding = problem.GetProperty("findings")[0];
        Assert.Equal(
            ("PART-DIFFERS", "boards[0]"),
            (finding.GetProperty("rule").GetString(), finding.GetProperty("subject").GetProperty("id").GetString())
        );
        Assert.Equal(LiveServer.DemoBuilds, await server.Count());
    }

    [Fact]
    public async Task A_file_with_a_contradictory_board_is_refused_and_nothing_is_stored()
    {
        await using var server = await LiveServer.Start(demo: null);
        var file = await File.ReadAllTextAsync(
            Path.Combine(AppContext.BaseDirectory, "demo", "parts", "askerdale-pinion-f4.json")
        );
        var (status, problem) = await server.Post(
            "/api/builds/import",
            file.Replace("\"net\": \"u3tx\"", "\"net\": \"nowhere\"")
        );
        Assert.Equal(422, status);
        Assert.Contains("boards[0].pads[3].paths[0].net", problem.GetProperty("detail").GetString());
        await using var db = new DataFolder(server.Data).Connect();
        Assert.Empty(db.Parts);
    }

    [Theory]
    [InlineData("", 422, "FILE-SHAPE")]
    [InlineData("{\"format\":\"gorvix\",\"version\":9}", 422, "FILE-VERSION")]
    [InlineData("{\"format\":\"gorvix\",\"version\":1}", 422, "FILE-NO-BUILD")]
    public async Task A_file_that_cannot_be_taken_is_refused_with_its_rule(string file, int status, string rule)
    {
        await using var server = await LiveServer.Start();
        var answer = await server.Post("/api/builds/import", file);
        Assert.Equal(status, answer.Status);
        Assert.Equal(rule, answer.Body.GetProperty("findings")[0].GetProperty("rule").GetString());
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task Too_large_a_file_is_refused_before_parsing_also_when_its_length_is_not_told(bool chunked)
    {
        await using var server = await LiveServer.Start();
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/builds/import")
        {
            Content = new ByteArrayContent(new byte[GorvixReader.MostBytes + 100]),
        };
        request.Headers.TransferEncodingChunked = chunked;
        request.Headers.ExpectContinue = true;
        // A client that does not wait for leave sends on into a door that is shut already.
        using var patient = new HttpClient(
            new SocketsHttpHandler { Expect100ContinueTimeout = Timeout.InfiniteTimeSpan }
        )
        {
            BaseAddress = server.Client.BaseAddress,
        };
        using var answer = await patient.SendAsync(request);
        Assert.Equal(413, (int)answer.StatusCode);
        var problem = JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync());
        Assert.StartsWith(
            chunked
                ? "The file is more than 5 MB; the limit is 5 MB."
                : "The file is 5,242,980 bytes; the limit is 5,242,880 bytes.",
            problem.GetProperty("detail").GetString()
        );
    }

    [Fact]
    public async Task A_stored_build_that_can_no_longer_be_planned_says_so_and_hides_no_other()
    {
        await using var server = await LiveServer.Start();
        await using (var db = new DataFolder(server.Data).Connect())
        {
            db.Parts.Remove(db.Parts.Single(p => p.Id == "ewhurst-fix-10"));
            db.SaveChanges();
        }
        var builds = await server.Shelf();
        Assert.Equal(LiveServer.DemoBuilds, builds.Count);
        var hare = builds.Single(b => b.GetProperty("id").GetString() == "north-face-hare");
        Assert.Contains("ewhurst-fix-10", hare.GetProperty("verdict").GetProperty("sentence").GetString());
        Assert.Equal(422, (int)(await server.Client.GetAsync("/api/builds/north-face-hare/fit")).StatusCode);
    }

    [Fact]
    public async Task A_removed_build_is_off_the_shelf_and_can_be_put_back()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(204, (await server.Post("/api/builds/north-face-hare/remove", "")).Status);
        Assert.Equal(LiveServer.DemoBuilds - 1, await server.Count());
        Assert.Equal(404, (int)(await server.Client.GetAsync("/api/builds/north-face-hare/fit")).StatusCode);
        Assert.Equal(204, (await server.Post("/api/builds/north-face-hare/restore", "")).Status);
        Assert.Equal(LiveServer.DemoBuilds, await server.Count());
    }

    [Fact]
    public async Task The_rules_behind_the_codes_can_be_read()
    {
        await using var server = await LiveServer.Start();
        var rules = (await server.Get("/api/rules")).EnumerateArray().ToList();
        Assert.Equal(RuleBook.All.Count, rules.Count);
        Assert.All(rules, r => Assert.NotEmpty(r.GetProperty("reason").GetString()!));
    }

    [Fact]
    public async Task The_data_file_is_in_write_ahead_mode()
    {
        await using var server = await LiveServer.Start();
        await using var connection = new SqliteConnection(new DataFolder(server.Data).ConnectionString);
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA journal_mode";
        Assert.Equal("wal", await command.ExecuteScalarAsync());
    }

    private static string Name(JsonElement build) => build.GetProperty("name").GetString()!;
}
