using System.Diagnostics;
using System.Text;
using System.Text.Json;
using Gorvix.Web.Hosting;
using Gorvix.Web.Tests;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Gorvix.Benchmarks;

/// <summary>
/// What a click costs besides time: statements asked of the database, and memory allocated by server and client together (the client's part is the
/// same whatever the server does). Server and client share this process.
/// </summary>
internal static class ClickRuns
{
    private const string Build = "/api/builds/haul-road-heron";
    private const int Shelf = 300;

    public static async Task Run()
    {
        var data = await Served.DemoData();
        await using var app = await Served.Start(
            new StartOptions(0, data, Path.Combine(AppContext.BaseDirectory, "demo"), Path.Combine(data, "none"))
        );
        using var http = new HttpClient { BaseAddress = new Uri(app.Urls.First()) };
        var counter = new Counter();
        using var listening = DiagnosticListener.AllListeners.Subscribe(counter);

        async Task<JsonElement> Get(string path) =>
            JsonSerializer.Deserialize<JsonElement>(await http.GetStringAsync(path));
        async Task<JsonElement> Post(string path, string body)
        {
            using var content = new StringContent(body, Encoding.UTF8, "application/json");
            using var answer = await http.PostAsync(path, content);
            return JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync());
        }
        async Task Click(string name, Func<int, Task> click)
        {
            const int Times = 20;
            for (var i = 0; i < 10; i++)
            {
                await click(i);
            }
            var (asked, before) = (counter.Many, GC.GetTotalAllocatedBytes(precise: true));
            for (var i = 10; i < 10 + Times; i++)
            {
                await click(i);
            }
            var bytes = (GC.GetTotalAllocatedBytes(precise: true) - before) / Times;
            Console.WriteLine($"{name}: {(counter.Many - asked) / (double)Times:0.#} statements, {bytes / 1000} kB");
        }

        var checks = (await Get($"{Build}/bench")).GetProperty("checks");
        var sign = checks.EnumerateArray().First(c => c.GetProperty("asks").GetString() == "sign");
        var (check, print) = (sign.GetProperty("id").GetString(), sign.GetProperty("print").GetString());
        var step = (await Get($"{Build}/loom"))
            .GetProperty("sheet")
            .GetProperty("steps")[0]
            .GetProperty("id")
            .GetString();
        var link = (await Get($"{Build}/fit"))
            .GetProperty("sheet")
            .GetProperty("links")[0]
            .GetProperty("id")
            .GetString();
        await Click("a look at the Bench", _ => Get($"{Build}/bench"));
        await Click(
            "a reading",
            i =>
                Post(
                    $"{Build}/bench/readings",
                    $$"""{"key":"k{{i}}","check":"{{check}}","answer":"unsure","print":"{{print}}"}"""
                )
        );
        await Click("a badge", _ => Get($"{Build}/craft"));
        await Click(
            "a tick",
            i => Post($"{Build}/loom/ticks", $$"""{"step":"{{step}}","isDone":{{(i % 2 == 0 ? "true" : "false")}}}""")
        );
        var version = (await Get($"{Build}/fit")).GetProperty("version").GetInt32();
        await Click(
            "a pin",
            async i =>
                version = (
                    await Post(
                        $"{Build}/changes",
                        JsonSerializer.Serialize(
                            new
                            {
                                version,
                                change = new
                                {
                                    kind = i % 2 == 0 ? "pin" : "unpin",
                                    match = new { kind = "route", link },
                                },
                            }
                        )
                    )
                )
                    .GetProperty("version")
                    .GetInt32()
        );
        for (var n = (await Get("/api/builds")).GetArrayLength(); n < Shelf; n++)
        {
            await Post("/api/builds/ramp-swift/duplicate", "");
        }
        // A look makes the cards that are not made yet, behind it.
        for (var looks = 0; looks < 20; looks++)
        {
            await Get("/api/builds");
            await Task.Delay(200);
        }
        await Click($"Builds, {Shelf} of them", _ => Get("/api/builds"));
    }

    private sealed class Counter : IObserver<DiagnosticListener>, IObserver<KeyValuePair<string, object?>>
    {
        private int _many;

        public int Many => _many;

        public void OnNext(DiagnosticListener value)
        {
            if (value.Name == "Microsoft.EntityFrameworkCore")
            {
                value.Subscribe(this, name => name == RelationalEventId.CommandExecuted.Name);
            }
        }

        public void OnNext(KeyValuePair<string, object?> value) => Interlocked.Increment(ref _many);

        public void OnCompleted() { }

        public void OnError(Exception error) { }
    }
}
