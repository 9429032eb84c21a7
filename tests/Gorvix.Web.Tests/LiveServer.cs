using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text;
using System.Text.Json;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.AspNetCore.Builder;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Gorvix.Web.Tests;

/// <summary>The program in this process, on a port of its own, with a real SQLite file in a new folder.</summary>
public sealed class LiveServer : IAsyncDisposable
{
    private readonly WebApplication _app;

    private LiveServer(WebApplication app, string data)
    {
        (_app, Data) = (app, data);
        Client = new HttpClient { BaseAddress = new Uri(app.Urls.First()) };
    }

    public HttpClient Client { get; }

    public string Data { get; }

    public static async Task<LiveServer> Start(
        string? data = null,
        string? demo = "demo",
        IPAddress? club = null,
        string? client = null
    )
    {
        data ??= demo == "demo" ? await Served.DemoData() : Served.NewFolder();
        var demoFolder = demo is null ? null : Path.Combine(AppContext.BaseDirectory, demo);
        // Two addresses cannot both be given a port by the system.
        var port = club is null ? 0 : FreePort();
        var options = new StartOptions(port, data, demoFolder, client ?? Path.Combine(data, "no-client"))
        {
            Club = club,
        };
        return new LiveServer(await Served.Start(options), data);
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    public async ValueTask DisposeAsync()
    {
        Client.Dispose();
        await _app.DisposeAsync();
    }

    /// <summary>
    /// Says something to the connection that the next request will get: the pool gives the one that came back last. A limit on pages is a full
    /// disk to SQLite, a connection that only reads a disk that is read-only.
    /// </summary>
    public async Task Pragma(string pragma)
    {
        await using var scope = _app.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<GorvixDb>();
        await db.Database.OpenConnectionAsync();
        await using var command = db.Database.GetDbConnection().CreateCommand();
        command.CommandText = $"PRAGMA {pragma}";
        await command.ExecuteNonQueryAsync();
    }

    public async Task<JsonElement> Get(string path) => await Client.GetFromJsonAsync<JsonElement>(path);

    /// <summary>A hand in the database.</summary>
    public async Task<string?> Sql(string sql)
    {
        await using var connection = new SqliteConnection(new DataFolder(Data).ConnectionString);
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
        command.CommandText = sql;
        return await command.ExecuteScalarAsync() as string;
    }

    /// <summary>What a refused request is told.</summary>
    public async Task<string?> Refusal(string path)
    {
        using var answer = await Client.GetAsync(path);
        var problem = JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync());
        return problem.GetProperty("detail").GetString();
    }

    /// <summary>Another part in place of a device.</summary>
    public Task<(int Status, JsonElement Body)> Swap(string build, int version, string device, string part)
    {
        var change = new
        {
            kind = "takePart",
            device,
            part,
        };
        return Post($"{build}/parts", JsonSerializer.Serialize(new { version, change }));
    }

    public Task<(int Status, JsonElement Body)> Post(string path, string body) => Send(HttpMethod.Post, path, body);

    public Task<(int Status, JsonElement Body)> Put(string path, string body) => Send(HttpMethod.Put, path, body);

    public Task<(int Status, JsonElement Body)> Delete(string path) => Send(HttpMethod.Delete, path, null);

    private async Task<(int Status, JsonElement Body)> Send(HttpMethod method, string path, string? body)
    {
        using var request = new HttpRequestMessage(method, path);
        request.Content = body is null ? null : new StringContent(body, Encoding.UTF8, "application/json");
        using var answer = await Client.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        return ((int)answer.StatusCode, text == "" ? default : JsonSerializer.Deserialize<JsonElement>(text));
    }

    public Task<(int Status, JsonElement Body)> Change(string build, int version, string kind, string match) =>
        Post(
            $"/api/builds/{build}/changes",
            $"{{\"version\":{version},\"change\":{{\"kind\":\"{kind}\",\"match\":{match}}}}}"
        );

    /// <summary>How many builds the demo has.</summary>
    public static int DemoBuilds { get; } =
        Directory.GetFiles(Path.Combine(AppContext.BaseDirectory, "demo", "builds"), "*.json").Length;

    /// <summary>The shelf with every card planned, as a reader has it after a moment.</summary>
    public async Task<IReadOnlyList<JsonElement>> Shelf()
    {
        var cards = new List<JsonElement>();
        foreach (var card in (await Get("/api/builds")).EnumerateArray())
        {
            cards.Add(
                card.GetProperty("isPending").GetBoolean()
                    ? await Get($"/api/builds/{card.GetProperty("id").GetString()}/card")
                    : card
            );
        }
        return cards;
    }

    /// <summary>How many builds are on the shelf.</summary>
    public async Task<int> Count() => (await Get("/api/builds")).GetArrayLength();

    public static string Ports(JsonElement fit) =>
        string.Join(
            " ",
            fit.GetProperty("sheet")
                .GetProperty("links")
                .EnumerateArray()
                .Select(l => l.GetProperty("port").GetString() ?? "-")
        );
}
