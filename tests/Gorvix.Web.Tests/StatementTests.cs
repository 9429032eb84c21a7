using System.Data.Common;
using System.Diagnostics;
using Gorvix.Storage;
using Microsoft.EntityFrameworkCore.Diagnostics;
using static Gorvix.Web.Tests.LogSteps;

namespace Gorvix.Web.Tests;

/// <summary>How many statements a click asks of the database: counted, so that a list of builds never asks once for each of them.</summary>
public class StatementTests
{
    [Theory]
    [InlineData("/api/builds", 3)]
    [InlineData("/api/club", 7)]
    [InlineData("/api/search?q=gnss", 8)]
    [InlineData("/api/find?q=gnss", 5)]
    public async Task What_lists_all_builds_asks_as_often_for_thirty_as_for_ten(string path, int most)
    {
        await using var server = await LiveServer.Start();
        await server.Shelf();
        await server.Get("/api/club");
        Assert.All(await server.Shelf(), card => Assert.NotEqual(0, card.GetProperty("version").GetInt32()));
        var few = await Count(server, () => server.Get(path));
        for (var i = 0; i < 20; i++)
        {
            Assert.Equal(201, (await server.Post($"{Hare}/duplicate", "")).Status);
        }
        await server.Get("/api/club");
        var many = await Count(server, () => server.Get(path));
        Assert.Equal(few, many);
        Assert.InRange(many, 1, most);
    }

    [Fact]
    public async Task A_click_asks_for_little()
    {
        await using var server = await LiveServer.Start();
        await server.Get($"{Hare}/bench");
        await server.Get($"{Hare}/loom");
        var checks = (await server.Get($"{Hare}/bench")).GetProperty("checks");
        var sign = checks.EnumerateArray().First(c => c.GetProperty("asks").GetString() == "sign");
        var body =
            $$"""{"key":"k1","check":"{{sign.GetProperty("id").GetString()}}","answer":"unsure","print":"{{sign.GetProperty("print").GetString()}}"}""";
        var reading = await Count(server, async () => await server.Post($"{Hare}/bench/readings", body));
        var again = await Count(server, async () => await server.Post($"{Hare}/bench/readings", body));
        var bench = await Count(server, async () => await server.Get($"{Hare}/bench"));
        var version = (await server.Get($"{Hare}/fit")).GetProperty("version").GetInt32();
        var pin = await Count(
            server,
            async () =>
                Assert.Equal(
                    200,
                    (
                        await server.Change(
                            "north-face-hare",
                            version,
                            "pin",
                            """{"kind":"route","link":"position","port":"U4"}"""
                        )
                    ).Status
                )
        );
        TestContext.Current.TestOutputHelper!.WriteLine($"reading {reading}, again {again}, bench {bench}, pin {pin}");
        Assert.Equal((4, 5, 2, 8), (reading, again, bench, pin));
    }

    // Those on the file of this server: others run beside.
    private static async Task<int> Count(LiveServer server, Func<Task> click)
    {
        var counter = new Counter(new DataFolder(server.Data).File);
        using (DiagnosticListener.AllListeners.Subscribe(counter))
        {
            await click();
        }
        return counter.Many;
    }

    private sealed class Counter(string file) : IObserver<DiagnosticListener>, IObserver<KeyValuePair<string, object?>>
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

        public void OnNext(KeyValuePair<string, object?> value)
        {
            if (
                value.Value is CommandExecutedEventData { Command.Connection: DbConnection connection }
                && connection.DataSource == file
            )
            {
                Interlocked.Increment(ref _many);
            }
        }

        public void OnCompleted() { }

        public void OnError(Exception error) { }
    }
}
