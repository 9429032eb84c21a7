using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Text;
using System.Text.Json;

namespace Gorvix.Benchmarks;

/// <summary>
/// A club evening: fifty clients who read and change the demo's builds at once, as fast as a hand can; then the same while a build at the limits is
/// taken in, changed and thought about beside it. Counts what was acknowledged and looks whether it is there.
/// </summary>
internal static class LoadRuns
{
    private const int Clients = 50;

    // A hand does not do more.
    private const int PauseMilliseconds = 500;

    private static readonly string[] Screens =
    [
        "fit",
        "fit",
        "fit",
        "loom",
        "rails",
        "settings",
        "bench",
        "log",
        "unlocks",
        "card",
    ];

    /// <summary>Runs both for so many seconds each.</summary>
    public static async Task Run(int seconds)
    {
        await Evening(seconds, hard: false);
        await Evening(seconds, hard: true);
    }

    private static async Task Evening(int seconds, bool hard)
    {
        using var server = await Server.Start();
        using var http = new HttpClient(new SocketsHttpHandler { MaxConnectionsPerServer = 200 })
        {
            BaseAddress = server.Address,
        };
        var builds = JsonSerializer
            .Deserialize<JsonElement>(await http.GetStringAsync("/api/builds"))
            .EnumerateArray()
            .Select(b => b.GetProperty("id").GetString()!)
            .ToList();
        // Once for each, as the first who comes does: the code is compiled then.
        foreach (var build in builds)
        {
            foreach (var screen in Screens.Distinct())
            {
                (await http.GetAsync($"/api/builds/{build}/{screen}")).Dispose();
            }
        }
        var links = new Dictionary<string, string>();
        foreach (var build in builds)
        {
            var fit = JsonSerializer.Deserialize<JsonElement>(await http.GetStringAsync($"/api/builds/{build}/fit"));
            links[build] = fit.GetProperty("sheet").GetProperty("links")[0].GetProperty("id").GetString()!;
        }
        var times = new ConcurrentBag<double>();
        var statuses = new ConcurrentDictionary<int, int>();
        var acknowledged = new ConcurrentDictionary<string, int>();
        using var end = new CancellationTokenSource();
        var beside = hard ? Hard(http, end.Token) : Task.CompletedTask;
        var watch = Stopwatch.StartNew();
        var clients = Enumerable
            .Range(0, Clients)
            .Select(i =>
                Client(
                    i,
                    http,
                    builds,
                    links,
                    times,
                    statuses,
                    acknowledged,
                    () => watch.Elapsed.TotalSeconds > seconds
                )
            )
            .ToList();
        await Task.Delay(TimeSpan.FromSeconds(seconds / 2.0));
        var halfway = server.Memory;
        await Task.WhenAll(clients);
        var memory = server.Memory;
        await end.CancelAsync();
        await beside;
        var lost = 0;
        foreach (var build in builds)
        {
            var fit = JsonSerializer.Deserialize<JsonElement>(await http.GetStringAsync($"/api/builds/{build}/fit"));
            lost += fit.GetProperty("version").GetInt32() == 1 + acknowledged.GetValueOrDefault(build) ? 0 : 1;
        }
        var sorted = times.Order().ToList();
        Console.WriteLine(
            $"{Clients} clients, {seconds} s{(hard ? ", a build at the limits beside them" : "")}: {sorted.Count} answers, median {sorted[sorted.Count / 2]:0.0} ms, 99 of 100 within {sorted[sorted.Count * 99 / 100]:0} ms, worst {sorted[^1]:0} ms; "
                + $"{acknowledged.Values.Sum()} changes acknowledged, {lost} builds with another number of them; memory {halfway} MB halfway, {memory} MB at the end; {string.Join(", ", statuses.OrderBy(s => s.Key).Select(s => $"{s.Key}: {s.Value}"))}"
        );
    }

    private static async Task Client(
        int number,
        HttpClient http,
        List<string> builds,
        Dictionary<string, string> links,
        ConcurrentBag<double> times,
        ConcurrentDictionary<int, int> statuses,
        ConcurrentDictionary<string, int> acknowledged,
        Func<bool> isOver
    )
    {
        var random = new Random(number);
        var known = builds.ToDictionary(b => b, _ => 1);
        async Task<(HttpStatusCode Status, string Body)> Ask(HttpMethod method, string path, string? body)
        {
            var begun = Stopwatch.GetTimestamp();
            using var request = new HttpRequestMessage(method, path);
            request.Content = body is null ? null : new StringContent(body, Encoding.UTF8, "application/json");
            using var answer = await http.SendAsync(request);
            var text = await answer.Content.ReadAsStringAsync();
            times.Add(Stopwatch.GetElapsedTime(begun).TotalMilliseconds);
            statuses.AddOrUpdate((int)answer.StatusCode, 1, (_, n) => n + 1);
            return (answer.StatusCode, text);
        }
        while (!isOver())
        {
            var build = builds[random.Next(builds.Count)];
            switch (random.Next(10))
            {
                case 0:
                    await Ask(HttpMethod.Get, "/api/builds", null);
                    break;
                case 1 or 2:
                    var kind = random.Next(2) == 0 ? "pin" : "block";
                    var change =
                        $"{{\"kind\":\"{(random.Next(2) == 0 ? kind : "un" + kind)}\",\"match\":{{\"kind\":\"route\",\"link\":\"{links[build]}\"}}}}";
                    var (status, text) = await Ask(
                        HttpMethod.Post,
                        $"/api/builds/{build}/changes",
                        $"{{\"version\":{known[build]},\"change\":{change}}}"
                    );
                    if (status == HttpStatusCode.OK)
                    {
                        // What changes nothing is answered with the version that was sent.
                        var version = VersionOf(text);
                        acknowledged.AddOrUpdate(build, version - known[build], (_, n) => n + version - known[build]);
                        known[build] = version;
                    }
                    break;
                default:
                    var screen = Screens[random.Next(Screens.Length)];
                    var (_, read) = await Ask(HttpMethod.Get, $"/api/builds/{build}/{screen}", null);
                    known[build] = screen == "fit" ? VersionOf(read) : known[build];
                    break;
            }
            await Task.Delay(random.Next(2 * PauseMilliseconds));
        }
    }

    private static int VersionOf(string text) =>
        JsonSerializer.Deserialize<JsonElement>(text).TryGetProperty("version", out var version)
            ? version.GetInt32()
            : 1;

    // Taken in, looked at, changed and thought about, again and again.
    private static async Task Hard(HttpClient http, CancellationToken stop)
    {
        using var file = new ByteArrayContent(LimitRuns.FileOf(41));
        using var made = await http.PostAsync("/api/builds/import", file, stop);
        var path = made.Headers.Location!.ToString().Replace("/fit", "");
        for (var version = 1; !stop.IsCancellationRequested; version++)
        {
            try
            {
                using var late = CancellationTokenSource.CreateLinkedTokenSource(stop);
                late.CancelAfter(TimeSpan.FromSeconds(8));
                (await http.GetAsync($"{path}/fit/patient?version={version}", late.Token)).Dispose();
            }
            catch (OperationCanceledException)
            {
                // The reader goes on.
            }
            using var body = new StringContent(
                $"{{\"version\":{version},\"change\":{{\"kind\":\"{(version % 2 == 1 ? "pin" : "unpin")}\",\"match\":{{\"kind\":\"route\",\"link\":\"d1\"}}}}}}",
                Encoding.UTF8,
                "application/json"
            );
            (await http.PostAsync($"{path}/changes", body, CancellationToken.None)).Dispose();
        }
    }
}
