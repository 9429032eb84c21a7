using System.Text;
using System.Text.Json;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Tests.Planning;

namespace Gorvix.Web.Tests;

/// <summary>What the server does with what is far too much, or damaged: it answers, says what it knows, and hides nothing else.</summary>
public class SturdyApiTests
{
    private const string Hare = "/api/builds/north-face-hare";

    private static string FileOf(int seed)
    {
        var (build, library) = AtTheLimits.Of(seed);
        return Encoding.UTF8.GetString(GorvixReader.Write(GorvixFile.Of(build, library)));
    }

    [Fact]
    public async Task The_shelf_tells_at_once_what_it_told_last_and_plans_a_card_when_it_is_asked_for()
    {
        await using var server = await LiveServer.Start();
        JsonElement Card(IEnumerable<JsonElement> cards) =>
            cards.Single(c => c.GetProperty("id").GetString() == "north-face-hare");
        string Told(JsonElement card) => card.GetProperty("verdict").GetProperty("sentence").GetString()!;
        bool IsPending(JsonElement card) => card.GetProperty("isPending").GetBoolean();

        var first = Card((await server.Get("/api/builds")).EnumerateArray());
        Assert.Equal(("Planning…", true), (Told(first), IsPending(first)));
        var made = await server.Get($"{Hare}/card");
        Assert.Equal(("All 3 links connected.", false), (Told(made), IsPending(made)));
        var again = Card((await server.Get("/api/builds")).EnumerateArray());
        Assert.Equal(("All 3 links connected.", false), (Told(again), IsPending(again)));

        // Changed, the last verdict stands there with the new name until it is planned anew.
        await server.Post($"{Hare}/parts", """{"version":1,"change":{"kind":"nameBuild","text":"Hare 2"}}""");
        var stale = Card((await server.Get("/api/builds")).EnumerateArray());
        Assert.Equal(
            ("Hare 2", "All 3 links connected.", true),
            (stale.GetProperty("name").GetString(), Told(stale), IsPending(stale))
        );
        Assert.False(IsPending(await server.Get($"{Hare}/card")));

        // Another program may judge otherwise; what it cannot read is made anew.
        await server.Sql("UPDATE Cards SET Program = 'other'");
        Assert.True(IsPending(Card((await server.Get("/api/builds")).EnumerateArray())));
        await server.Sql("UPDATE Cards SET Json = 'nonsense'");
        Assert.Equal("Planning…", Told(Card((await server.Get("/api/builds")).EnumerateArray())));
        Assert.Equal(404, (int)(await server.Client.GetAsync("/api/builds/nothing/card")).StatusCode);
    }

    [Theory]
    [InlineData("UPDATE States SET Document = '{\"name\":' WHERE BuildId = 'north-face-hare'", "{\"name\":")]
    [InlineData("UPDATE States SET Document = 'null' WHERE BuildId = 'north-face-hare'", "null")]
    [InlineData("UPDATE States SET Document = '{\"links\":7}' WHERE BuildId = 'north-face-hare'", "{\"links\":7}")]
    [InlineData("DELETE FROM States WHERE BuildId = 'north-face-hare'", null)]
    public async Task A_build_that_is_damaged_is_one_card_that_can_be_exported_as_it_stands_and_removed(
        string damage,
        string? raw
    )
    {
        await using var server = await LiveServer.Start();
        await server.Sql(damage);
        var cards = await server.Shelf();
        Assert.Equal(LiveServer.DemoBuilds, cards.Count);
        var card = cards.Single(c => c.GetProperty("id").GetString() == "north-face-hare");
        Assert.Equal((0, false), (card.GetProperty("version").GetInt32(), card.GetProperty("isPending").GetBoolean()));
        Assert.StartsWith(
            "Build \"north-face-hare\": the stored data is damaged.",
            card.GetProperty("verdict").GetProperty("sentence").GetString()
        );
        Assert.Equal(200, (int)(await server.Client.GetAsync($"{Hare}/card")).StatusCode);
        Assert.Equal(422, (int)(await server.Client.GetAsync($"{Hare}/fit")).StatusCode);
        using var export = await server.Client.GetAsync($"{Hare}/export");
        if (raw is null)
        {
            Assert.Equal(422, (int)export.StatusCode);
        }
        else
        {
            Assert.Equal(raw, await export.Content.ReadAsStringAsync());
            Assert.Equal("north-face-hare.stored-4.txt", export.Content.Headers.ContentDisposition!.FileName);
        }
        Assert.Equal(204, (await server.Post($"{Hare}/remove", "")).Status);
        Assert.Equal(LiveServer.DemoBuilds - 1, await server.Count());
    }

    [Fact]
    public async Task A_part_that_is_damaged_hides_no_other_and_its_builds_say_so()
    {
        await using var server = await LiveServer.Start();
        var before = (await server.Get("/api/library")).GetArrayLength();
        await server.Sql("UPDATE Parts SET Document = '[' WHERE Id = 'ewhurst-fix-10'");
        // What was read before is kept by its text, so another text is read anew.
        Assert.Equal(before - 1, (await server.Get("/api/library")).GetArrayLength());
        var craft = (await server.Get("/api/club")).EnumerateArray().ToList();
        Assert.Equal(LiveServer.DemoBuilds, craft.Count);
        Assert.Equal(
            ["haul-road-heron", "north-face-hare", "tip-track-pipit"],
            craft
                .Where(c => c.GetProperty("problem").ValueKind != JsonValueKind.Null)
                .Select(c => c.GetProperty("id").GetString())
        );
        Assert.NotEqual(0, (await server.Get("/api/search?q=foam")).GetArrayLength());
        var hare = (await server.Shelf()).Single(c => c.GetProperty("id").GetString() == "north-face-hare");
        Assert.Contains(
            "ewhurst-fix-10",
            hare.GetProperty("verdict").GetProperty("sentence").GetString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_build_at_the_limits_is_taken_in_says_how_far_it_is_proved_and_is_thought_about_for_who_waits()
    {
        await using var server = await LiveServer.Start(demo: null);
        var (status, card) = await server.Post("/api/builds/import", FileOf(AtTheLimits.SoonImproved));
        Assert.Equal(201, status);
        var path = $"/api/builds/{card.GetProperty("id").GetString()}";
        var quick = (await server.Get($"{path}/fit")).GetProperty("sheet");
        Assert.True(quick.GetProperty("proof").GetProperty("isWorking").GetBoolean());
        using (var gone = new CancellationTokenSource())
        {
            var left = server.Client.GetAsync($"{path}/fit/patient?version=1", gone.Token);
            await gone.CancelAsync();
            await Assert.ThrowsAnyAsync<OperationCanceledException>(() => left);
        }
        var told = await server.Get($"{path}/fit/patient?version=1");
        var patient = told.GetProperty("sheet");
        Assert.StartsWith(
            "Better plan found: ",
            told.GetProperty("moved").EnumerateArray().Single().GetString(),
            StringComparison.Ordinal
        );
        Assert.False(
            patient.GetProperty("proof") is { ValueKind: JsonValueKind.Object } proof
                && proof.GetProperty("isWorking").GetBoolean()
        );

        // Whoever looks now sees what came of it, as the plan that it is.
        var now = await server.Get($"{path}/fit");
        Assert.Equal(patient.GetRawText(), now.GetProperty("sheet").GetRawText());
        Assert.Equal(0, now.GetProperty("moved").GetArrayLength());
        Assert.Equal(409, (int)(await server.Client.GetAsync($"{path}/fit/patient?version=2")).StatusCode);
    }

    [Fact]
    public async Task What_is_proved_at_once_is_not_thought_about_again()
    {
        await using var server = await LiveServer.Start();
        var first = await server.Client.GetStringAsync($"{Hare}/fit");
        Assert.Equal(first, await server.Client.GetStringAsync($"{Hare}/fit/patient?version=1"));
        Assert.Equal(
            JsonValueKind.Null,
            JsonSerializer.Deserialize<JsonElement>(first).GetProperty("sheet").GetProperty("proof").ValueKind
        );
    }

    [Fact]
    public async Task Removing_and_putting_back_at_once_from_many_sides_is_never_a_fault()
    {
        await using var server = await LiveServer.Start();
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 60)
                .Select(i =>
                    server.Post(
                        i % 3 == 0 ? $"{Hare}/remove"
                            : i % 3 == 1 ? $"{Hare}/restore"
                            : $"{Hare}/archive",
                        ""
                    )
                )
        );
        Assert.All(answers, a => Assert.Contains(a.Status, new[] { 204, 404, 409 }));
    }

    [Fact]
    public async Task Who_waits_goes_before_what_takes_long_and_no_owner_has_every_thread()
    {
        var stop = TestContext.Current.CancellationToken;
        using var gate = new ManualResetEventSlim();
        var many = 4 * Math.Max(2, Environment.ProcessorCount);
        // Long work of many owners, and as much of one build that somebody waits for.
        var busy = Enumerable
            .Range(0, many)
            .SelectMany(i =>
                new[]
                {
                    Workers.Run(() => gate.Wait(TimeSpan.FromMinutes(5)), new WorkOf($"{i}", WorkPace.Long), stop),
                    Workers.Run(() => gate.Wait(TimeSpan.FromMinutes(5)), new WorkOf("hard"), stop),
                }
            )
            .ToList();
        // Another build is answered all the same.
        Assert.Equal(7, await Workers.Run(() => 7, new WorkOf("other"), stop));
        gate.Set();
        Assert.All(await Task.WhenAll(busy), Assert.True);
    }
}
