using System.Text.Json.Nodes;
using Gorvix.Core.Files.Formats;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Tests;

/// <summary>Documents of older, newer and no known format versions, in files and in the database.</summary>
public class FormatApiTests
{
    private const string Hare = "north-face-hare";

    [Fact]
    public async Task A_version_1_file_is_imported_planned_and_exported_in_the_newest_form()
    {
        await using var server = await LiveServer.Start();
        var (status, card) = await server.Post("/api/builds/import", Kept(1));
        Assert.Equal((201, "old-heron"), (status, card.GetProperty("id").GetString()));
        var export = await server.Client.GetStringAsync("/api/builds/old-heron/export");
        Assert.Contains("\"version\": 4,", export);
        Assert.Contains("\"kind\": \"route\",", export);
        Assert.Contains("\"VC-4800\"", export);
    }

    // Documents as the versions stored them: taken from the kept files, put into the rows of a database of today with their version.
    [Theory]
    [InlineData(1, "old-heron", "control", 3)]
    [InlineData(2, "rim-walk-rook", "control", 0)]
    public async Task Rows_of_older_versions_are_read_changed_and_undone(
        int version,
        string id,
        string link,
        int wishes
    )
    {
        var kept = JsonNode.Parse(Kept(version))!;
        await using var server = await LiveServer.Start();
        if (version == 1)
        {
            await server.Post("/api/builds/import", Kept(version));
        }
        await server.Sql("DELETE FROM Cards");
        var build = kept["builds"]!.AsArray().Single(b => Slug((string)b!["name"]!) == id)!;
        await server.Sql($"UPDATE States SET Format = {version}, Document = {Quoted(build)} WHERE BuildId = '{id}'");
        foreach (var part in new[] { "boards", "devices", "profiles" }.SelectMany(l => kept[l]!.AsArray()))
        {
            await server.Sql(
                $"UPDATE Parts SET Format = {version}, Document = {Quoted(part!)} WHERE Id = '{(string)part!["id"]!}'"
            );
        }
        await server.DisposeAsync();
        await using var again = await LiveServer.Start(server.Data);
        var fit = await again.Get($"/api/builds/{id}/fit");
        Assert.Equal(wishes, fit.GetProperty("sheet").GetProperty("wishes").GetArrayLength());
        Assert.Equal($"{version}", await again.Sql($"SELECT '' || max(Format) FROM States WHERE BuildId = '{id}'"));
        var before = fit.GetProperty("version").GetInt32();
        var (status, _) = await again.Change(
            id,
            before,
            "block",
            $$"""{"kind":"route","link":"{{link}}","port":"U1"}"""
        );
        Assert.Equal(200, status);
        var (undone, back) = await again.Post($"/api/builds/{id}/undo", $$"""{"version":{{before + 1}}}""");
        Assert.Equal((200, wishes), (undone, back.GetProperty("sheet").GetProperty("wishes").GetArrayLength()));
    }

    private static string Kept(int version) =>
        File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "versions", $"version-{version}.gorvix.json"));

    private static string Slug(string name) => name.ToLowerInvariant().Replace(' ', '-');

    private static string Quoted(JsonNode document) => $"'{document.ToJsonString().Replace("'", "''")}'";

    [Fact]
    public async Task A_stored_build_of_an_unknown_version_is_refused_left_untouched_and_hides_no_other()
    {
        await using var server = await LiveServer.Start();
        await server.Sql(
            $"UPDATE States SET Format = 9, Document = '{{\"of\":\"tomorrow\"}}' WHERE BuildId = '{Hare}'"
        );
        var builds = await server.Shelf();
        Assert.Equal(LiveServer.DemoBuilds, builds.Count);
        var card = builds.Single(b => b.GetProperty("id").GetString() == Hare);
        Assert.Contains(
            "Build \"north-face-hare\" is stored in format 9; this Gorvix reads formats 1 to 4.",
            card.GetProperty("verdict").GetProperty("sentence").GetString()
        );
        foreach (var (path, body) in new[] { ("changes", Pin), ("undo", """{"version":1}"""), ("fit", null) })
        {
            using var answer = body is null
                ? await server.Client.GetAsync($"/api/builds/{Hare}/{path}")
                : await server.Client.PostAsync($"/api/builds/{Hare}/{path}", Json(body));
            Assert.Equal(422, (int)answer.StatusCode);
            Assert.Contains("stored in format 9", await answer.Content.ReadAsStringAsync());
        }
        Assert.Equal(
            "{\"of\":\"tomorrow\"}|9",
            await server.Sql($"SELECT Document || '|' || Format FROM States WHERE BuildId = '{Hare}'")
        );
    }

    [Fact]
    public async Task Undo_needs_only_the_state_that_it_leads_to()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(200, (await server.Post($"/api/builds/{Hare}/changes", Pin)).Status);
        await server.Sql($"UPDATE States SET Format = 9, Document = 'rubbish' WHERE BuildId = '{Hare}' AND Place = 1");
        await server.DisposeAsync();
        await using var again = await LiveServer.Start(server.Data);
        Assert.Equal(422, (int)(await again.Client.GetAsync($"/api/builds/{Hare}/fit")).StatusCode);
        var (status, fit) = await again.Post($"/api/builds/{Hare}/undo", """{"version":2}""");
        Assert.Equal((200, "U3 U1 U4"), (status, LiveServer.Ports(fit)));
        Assert.Equal(200, (int)(await again.Client.GetAsync($"/api/builds/{Hare}/fit")).StatusCode);
    }

    [Fact]
    public async Task Undo_needs_no_plan_of_the_state_that_it_leaves()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(200, (await server.Post($"/api/builds/{Hare}/changes", Pin)).Status);
        await server.Sql(
            $"UPDATE States SET Document = replace(Document, 'askerdale-pinion-f4-r2', 'gone') WHERE BuildId = '{Hare}' AND Place = 1"
        );
        await server.DisposeAsync();
        await using var again = await LiveServer.Start(server.Data);
        Assert.Equal(422, (int)(await again.Client.GetAsync($"/api/builds/{Hare}/fit")).StatusCode);
        Assert.Equal(200, (await again.Post($"/api/builds/{Hare}/undo", """{"version":2}""")).Status);
    }

    [Fact]
    public async Task A_state_that_cannot_be_planned_is_not_walked_to()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(200, (await server.Post($"/api/builds/{Hare}/changes", Pin)).Status);
        await server.Sql(
            $"UPDATE States SET Document = replace(Document, 'askerdale-pinion-f4-r2', 'gone') WHERE BuildId = '{Hare}' AND Place = 0"
        );
        var (status, problem) = await server.Post($"/api/builds/{Hare}/undo", """{"version":2}""");
        Assert.Equal(422, status);
        Assert.Contains("\"gone\"", problem.GetProperty("detail").GetString());
        var fit = await server.Get($"/api/builds/{Hare}/fit");
        Assert.Equal(2, fit.GetProperty("version").GetInt32());
    }

    [Fact]
    public async Task The_schema_of_the_files_is_served()
    {
        await using var server = await LiveServer.Start();
        using var answer = await server.Client.GetAsync("/api/format/schema");
        Assert.Equal("application/schema+json", answer.Content.Headers.ContentType!.MediaType);
        Assert.Equal(FileSchema.Text(CoreDocs.Beside()), await answer.Content.ReadAsStringAsync());
    }

    private const string Pin =
        """{"version":1,"change":{"kind":"pin","match":{"kind":"route","link":"position","port":"U1"}}}""";

    private static StringContent Json(string body) => new(body, System.Text.Encoding.UTF8, "application/json");
}
