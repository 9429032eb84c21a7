using System.Net;
using System.Net.Http.Headers;
using System.Text.Json;
using Gorvix.Storage;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Web.Tests;

/// <summary>When the disk or the file fails while Gorvix runs, each answer says what has happened, and nothing is told to be stored that is not.</summary>
public class StorageFaultTests
{
    private const string Hare = "/api/builds/north-face-hare";

    private static Task<(int Status, JsonElement Body)> Pin(LiveServer server, int version = 1) =>
        server.Change("north-face-hare", version, "pin", """{"kind":"route","link":"position","port":"U4"}""");

    private static string Told((int Status, JsonElement Body) answer) => answer.Body.GetProperty("detail").GetString()!;

    private static async Task<int> Version(LiveServer server) =>
        (await server.Get($"{Hare}/fit")).GetProperty("version").GetInt32();

    [Fact]
    public async Task A_full_disk_is_called_a_full_disk_and_the_edit_can_be_made_again()
    {
        await using var server = await LiveServer.Start();
        await server.Get($"{Hare}/fit");
        // The least that SQLite takes is what the file has; some edits still find room in it.
        await server.Pragma("max_page_count = 1");
        var version = 1;
        var answer = await Pin(server, version);
        while (answer.Status == 200 && version < 200)
        {
            answer = await server.Post(
                $"{Hare}/{(++version % 2 == 0 ? "undo" : "redo")}",
                $$"""{"version":{{version}}}"""
            );
        }
        Assert.Equal(507, answer.Status);
        Assert.StartsWith("The disk is full.", Told(answer));
        await server.Pragma("max_page_count = 1000000");
        Assert.Equal(version, await Version(server));
        Assert.Equal(
            200,
            (
                await server.Post($"{Hare}/{(version % 2 == 0 ? "undo" : "redo")}", $$"""{"version":{{version}}}""")
            ).Status
        );
    }

    [Fact]
    public async Task A_read_only_file_is_called_read_only()
    {
        await using var server = await LiveServer.Start();
        await server.Get($"{Hare}/fit");
        await server.Pragma("query_only = 1");
        var answer = await Pin(server);
        Assert.Equal(503, answer.Status);
        Assert.Contains("is read-only", Told(answer));
        await server.Pragma("query_only = 0");
        Assert.Equal(200, (await Pin(server)).Status);
    }

    [Fact]
    public async Task A_folder_that_is_deleted_while_gorvix_runs_is_noticed_at_the_next_edit()
    {
        await using var server = await LiveServer.Start();
        await server.Get($"{Hare}/fit");
        Directory.Delete(server.Data, recursive: true);
        var answer = await Pin(server);
        Assert.Equal(503, answer.Status);
        Assert.StartsWith("The data folder was moved or deleted", Told(answer));
        Assert.Equal("data file missing", (await server.Get("/api/about")).GetProperty("check").GetString());
    }

    [Theory]
    [InlineData(13, 507, "disk is full")]
    [InlineData(8, 503, "read-only")]
    [InlineData(10, 503, "Disk read or write error")]
    [InlineData(11, 500, "damaged")]
    [InlineData(26, 500, "damaged")]
    [InlineData(14, 503, "Cannot open")]
    [InlineData(5, 503, "Another program is using")]
    public void Each_fault_of_the_file_has_its_own_sentence(int code, int status, string words)
    {
        var fault = StorageFault.Of(new DbUpdateException("", new SqliteException("", code)))!;
        Assert.Equal(status, fault.Status);
        Assert.Contains(words, fault.Sentence);
        Assert.EndsWith(".", fault.Start);
    }

    [Fact]
    public void What_a_write_says_is_no_fault_of_the_file() =>
        // A constraint: 19.
        Assert.True(StorageFault.IsContent(new DbUpdateException("", new SqliteException("", 19))));

    [Fact]
    public async Task A_fault_stands_in_the_log_under_the_number_of_its_answer_without_paths_or_contents()
    {
        await using var server = await LiveServer.Start();
        await server.Get($"{Hare}/fit");
        await server.Pragma("query_only = 1");
        var answer = await Pin(server);
        var number = answer.Body.GetProperty("traceId").GetString()!;
        var told = (await server.Get("/api/about")).GetProperty("faults")[0];
        Assert.Equal(number, told.GetProperty("number").GetString());
        Assert.StartsWith("POST /api/builds/north-face-hare/", told.GetProperty("what").GetString());
        await server.DisposeAsync();
        var log = await File.ReadAllTextAsync(Directory.GetFiles(new DataFolder(server.Data).Logs).Single());
        var line = log.Split('\n').First(l => l.Contains(number.Split('-')[1], StringComparison.Ordinal));
        Assert.Contains("\"@tr\"", line);
        Assert.Contains("SqliteException", line);
        Assert.DoesNotContain("Sedge", log);
        Assert.DoesNotContain(AppContext.BaseDirectory, log);
        Assert.DoesNotContain("/src/Gorvix", log.Replace("./src/Gorvix", ""));
    }

    [Theory]
    [InlineData("DELETE", "/api/builds", null, 405, "DELETE is not allowed at /api/builds.")]
    [InlineData("POST", $"{Hare}/undo", "text/plain", 415, "accepts JSON only")]
    [InlineData("POST", $"{Hare}/undo", "application/json; charset=utf-7", 415, "Send the text as UTF-8")]
    [InlineData("POST", $"{Hare}/undo", "application/json; charset=nonsense", 415, "Send the text as UTF-8")]
    [InlineData("GET", "/api/nothing", null, 404, "Nothing found at /api/nothing. Check the address.")]
    [InlineData("POST", "/", null, 405, "POST is not allowed at /.")]
    public async Task What_the_framework_refuses_is_told_with_its_own_status(
        string method,
        string path,
        string? type,
        int status,
        string words
    )
    {
        var client = Directory.CreateTempSubdirectory("gorvix-").FullName;
        await File.WriteAllTextAsync(Path.Combine(client, "index.html"), "<p>__NONCE__</p>");
        await using var server = await LiveServer.Start(client: client);
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        request.Content = type is null ? null : new StringContent("x");
        if (type is not null)
        {
            request.Content!.Headers.ContentType = MediaTypeHeaderValue.Parse(type);
        }
        using var answer = await server.Client.SendAsync(request);
        Assert.Equal(status, (int)answer.StatusCode);
        Assert.Contains(words, await answer.Content.ReadAsStringAsync());
    }

    [Fact]
    public async Task The_page_is_never_served_unfinished_and_answers_are_never_kept()
    {
        var client = Directory.CreateTempSubdirectory("gorvix-").FullName;
        await File.WriteAllTextAsync(Path.Combine(client, "index.html"), "<p>__NONCE__</p>");
        await using var server = await LiveServer.Start(client: client);
        using var page = await server.Client.GetAsync("/index.html");
        Assert.DoesNotContain("__NONCE__", await page.Content.ReadAsStringAsync());
        Assert.Equal(HttpStatusCode.OK, page.StatusCode);
        using var deep = await server.Client.GetAsync("/builds/north-face-hare/fit");
        Assert.Equal("text/html", deep.Content.Headers.ContentType!.MediaType);
        using var api = await server.Client.GetAsync("/api/builds");
        Assert.True(api.Headers.CacheControl!.NoStore);
    }
}
