using System.Diagnostics;

namespace Gorvix.Benchmarks;

/// <summary>
/// Clients that ask at once, each time of a server that has just started: its thread pool has not grown and nothing is known yet.
/// Every client pins and unpins on a copy of its own, so every answer is planned and stored.
/// </summary>
internal static class ServerRuns
{
    // So many that the first answers, for which the code is still being compiled, are less than one in a hundred.
    private const int Reads = 2400;
    private const int Changes = 160;

    /// <summary>Runs all demo builds and prints.</summary>
    public static async Task Run()
    {
        var demo = Path.Combine(AppContext.BaseDirectory, "demo");
        foreach (var path in Directory.GetFiles(Path.Combine(demo, "builds"), "*.json").Order(StringComparer.Ordinal))
        {
            var build = Path.GetFileNameWithoutExtension(path);
            var one = await Ask(build, 1);
            var eight = await Ask(build, 8);
            Console.WriteLine(
                $"fresh server, {build}: reading one {one.Read.Rate:0}/s, eight {eight.Read.Rate:0}/s ({eight.Read.Rate / one.Read.Rate:0.0} times), 99 of 100 within {eight.Read.Late:0} ms; "
                    + $"changing one {one.Change.Rate:0}/s, eight {eight.Change.Rate:0}/s ({eight.Change.Rate / one.Change.Rate:0.0} times), 99 of 100 within {eight.Change.Late:0} ms"
            );
        }
    }

    private sealed record Figure(double Rate, double Late);

    private static async Task<(Figure Read, Figure Change)> Ask(string build, int clients)
    {
        using var server = await Server.Start();
        using var http = new HttpClient { BaseAddress = server.Address };
        var file = await http.GetStringAsync($"/api/builds/{build}/export");
        var copies = new List<string>();
        for (var i = 0; i < clients; i++)
        {
            using var body = Json(file);
            using var answer = await http.PostAsync("/api/builds/import", body);
            copies.Add(answer.Headers.Location!.ToString().Split('/')[3]);
        }
        var read = await All(clients, Reads, (i, _) => http.GetAsync($"/api/builds/{build}/fit"));
        var link = System
            .Text.Json.JsonDocument.Parse(file)
            .RootElement.GetProperty("builds")[0]
            .GetProperty("wants")[0]
            .GetProperty("link")
            .GetString();
        var change = await All(
            clients,
            Changes,
            async (i, n) =>
            {
                var kind = n % 2 == 0 ? "pin" : "unpin";
                using var body = Json(
                    $"{{\"version\":{n + 1},\"change\":{{\"kind\":\"{kind}\",\"match\":{{\"kind\":\"route\",\"link\":\"{link}\"}}}}}}"
                );
                return await http.PostAsync($"/api/builds/{copies[i]}/changes", body);
            }
        );
        return (read, change);
    }

    private static async Task<Figure> All(int clients, int asked, Func<int, int, Task<HttpResponseMessage>> ask)
    {
        var each = asked / clients;
        var times = new double[clients][];
        var watch = Stopwatch.StartNew();
        await Task.WhenAll(
            Enumerable
                .Range(0, clients)
                .Select(i =>
                    Task.Run(async () =>
                    {
                        times[i] = new double[each];
                        for (var n = 0; n < each; n++)
                        {
                            var begun = Stopwatch.GetTimestamp();
                            using var answer = await ask(i, n);
                            answer.EnsureSuccessStatusCode();
                            await answer.Content.ReadAsByteArrayAsync();
                            times[i][n] = Stopwatch.GetElapsedTime(begun).TotalMilliseconds;
                        }
                    })
                )
        );
        var seconds = watch.Elapsed.TotalSeconds;
        var sorted = times.SelectMany(t => t).Order().ToList();
        return new Figure(each * clients / seconds, sorted[sorted.Count * 99 / 100]);
    }

    private static StringContent Json(string text) => new(text, System.Text.Encoding.UTF8, "application/json");
}
