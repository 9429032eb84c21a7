using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>The search for a fault over the wire: kept, taken back, ended with a line in the log, and what it has taught.</summary>
public class FaultApiTests
{
    private const string Hare = "/api/builds/north-face-hare";

    private static async Task<(int Status, JsonElement Body)> Say(
        LiveServer server,
        JsonElement view,
        params (string Test, string Outcome)[] said
    ) =>
        await server.Put(
            $"{Hare}/faults",
            JsonSerializer.Serialize(
                new
                {
                    step = view.GetProperty("step").GetInt32(),
                    @case = new
                    {
                        said = said.Select(s => new { test = s.Test, outcome = s.Outcome }),
                        cannot = Array.Empty<string>(),
                        refuted = Array.Empty<string>(),
                        usesBench = true,
                    },
                }
            )
        );

    private static JsonElement Sheet(JsonElement view) => view.GetProperty("sheet");

    private static string State(JsonElement view) => Sheet(view).GetProperty("state").GetString()!;

    [Fact]
    public async Task A_fault_that_is_planted_blind_is_found_from_its_signs_and_its_end_stands_in_the_log()
    {
        await using var server = await LiveServer.Start();
        await server.Post($"{Hare}/bench/simulated", """{"fault":"open.air-unit.tx"}""");
        var view = await server.Get($"{Hare}/faults");
        Assert.Equal("open", State(view));
        async Task<string> Shows(string test)
        {
            var (status, shown) = await server.Post($"{Hare}/faults/simulated", JsonSerializer.Serialize(new { test }));
            Assert.Equal(200, status);
            return shown.GetProperty("outcome").GetString()!;
        }
        var said = new List<(string, string)>();
        foreach (var sign in Sheet(view).GetProperty("signs").EnumerateArray())
        {
            var id = sign.GetProperty("id").GetString()!;
            said.Add((id, await Shows(id)));
        }
        (_, view) = await Say(server, view, [.. said]);
        var tests = 0;
        while (State(view) == "searching")
        {
            var test = Sheet(view).GetProperty("next")[0].GetProperty("test").GetProperty("id").GetString()!;
            said.Add((test, await Shows(test)));
            tests++;
            (_, view) = await Say(server, view, [.. said]);
        }
        Assert.Equal("found", State(view));
        Assert.InRange(tests, 0, 4);
        var cause = Sheet(view).GetProperty("causes")[0];
        Assert.Equal("open.air-unit.tx", cause.GetProperty("id").GetString());
        Assert.Equal("r1", cause.GetProperty("pads")[0].GetString());
        Assert.Contains("Connect TX", cause.GetProperty("cure")[0].GetProperty("steps")[0].GetString());

        // It outlives the page: who comes back goes on where it stood.
        Assert.Equal(
            said.Count,
            (await server.Get($"{Hare}/faults")).GetProperty("case").GetProperty("said").GetArrayLength()
        );
        Assert.True((await server.Get($"{Hare}/craft")).GetProperty("isSearched").GetBoolean());
        var (ended, after) = await server.Post(
            $"{Hare}/faults/end",
            JsonSerializer.Serialize(
                new
                {
                    step = view.GetProperty("step").GetInt32(),
                    cause = "open.air-unit.tx",
                    words = "cold joint",
                }
            )
        );
        Assert.Equal(200, ended);
        Assert.Equal("open", State(after));
        var entry = (await server.Get($"{Hare}/log?kinds=note"))
            .GetProperty("entries")[0]
            .GetProperty("words")
            .GetString();
        Assert.StartsWith(
            "Fault found and fixed: TX of Beacon D6: open joint.",
            entry,
            StringComparison.OrdinalIgnoreCase
        );
        Assert.EndsWith("cold joint", entry);

        var kinds = await server.Get("/api/fault-kinds");
        int Found(JsonElement list) =>
            list.EnumerateArray()
                .First(k => k.GetProperty("kind").GetString() == "open")
                .GetProperty("found")
                .GetInt32();
        Assert.Equal(1, Found(kinds));
        Assert.Equal(0, Found((await server.Delete("/api/fault-kinds/found")).Body));
    }

    [Fact]
    public async Task A_failed_check_of_the_bench_is_handed_over_with_what_is_known_good()
    {
        await using var server = await LiveServer.Start();
        foreach (
            var (key, check, answer) in new[]
            {
                ("a", "link.control.sticks", "no"),
                ("b", "cold.receiver-tx.sbus", "yes"),
            }
        )
        {
            await server.Post(
                $"{Hare}/bench/readings",
                JsonSerializer.Serialize(
                    new
                    {
                        key,
                        check,
                        answer,
                    }
                )
            );
        }
        var view = await server.Get($"{Hare}/faults");
        var seen = Sheet(view).GetProperty("seen").EnumerateArray().ToList();
        Assert.Contains(
            seen,
            s =>
                s.GetProperty("test").GetString() == "link.control.sticks"
                && s.GetProperty("on").ValueKind != JsonValueKind.Null
        );
        Assert.Equal("searching", State(view));
        Assert.DoesNotContain(
            Sheet(view).GetProperty("causes").EnumerateArray(),
            c => c.GetProperty("id").GetString() == "open.receiver.tx"
        );
    }

    [Fact]
    public async Task A_search_that_rests_on_the_Bench_alone_can_be_ended_once_and_what_was_read_before_does_not_come_back()
    {
        await using var server = await LiveServer.Start();
        await server.Post($"{Hare}/bench/readings", """{"key":"a","check":"link.control.light","answer":"no"}""");
        var view = await server.Get($"{Hare}/faults");
        // A look of the bench that failed is handed over, though it does not say how.
        var seen = Assert.Single(
            Sheet(view).GetProperty("seen").EnumerateArray(),
            s => s.GetProperty("test").GetString() == "light.receiver"
        );
        Assert.Equal("not as expected", seen.GetProperty("words").GetString());
        Assert.False(seen.GetProperty("isSound").GetBoolean());
        Assert.Equal(0, view.GetProperty("step").GetInt32());
        var cause = Sheet(view).GetProperty("causes")[0].GetProperty("id").GetString();
        var end = JsonSerializer.Serialize(new { step = 0, cause });
        var (ended, after) = await server.Post($"{Hare}/faults/end", end);
        Assert.Equal(200, ended);
        Assert.Equal("open", State(after));
        Assert.Equal("open", State(await server.Get($"{Hare}/faults")));
        var (again, _) = await server.Post($"{Hare}/faults/end", end);
        Assert.Equal(409, again);
        var notes = (await server.Get($"{Hare}/log?kinds=note")).GetProperty("entries").EnumerateArray();
        Assert.Single(
            notes,
            n => n.GetProperty("words").GetString()!.Contains("Fault found and fixed", StringComparison.Ordinal)
        );
        // What is read after it belongs to the next one.
        await server.Post($"{Hare}/bench/readings", """{"key":"b","check":"link.control.light","answer":"no"}""");
        Assert.NotEqual("open", State(await server.Get($"{Hare}/faults")));
    }

    [Fact]
    public async Task Of_several_windows_that_end_it_at_once_one_does()
    {
        await using var server = await LiveServer.Start();
        await server.Post($"{Hare}/bench/readings", """{"key":"a","check":"link.control.light","answer":"no"}""");
        await server.Get($"{Hare}/faults");
        var ends = await Task.WhenAll(
            Enumerable.Range(0, 6).Select(_ => server.Post($"{Hare}/faults/end", """{"step":0}"""))
        );
        Assert.Equal([200, 409, 409, 409, 409, 409], ends.Select(e => e.Status).Order());
        Assert.Single(
            (await server.Get($"{Hare}/log?kinds=note")).GetProperty("entries").EnumerateArray(),
            n => n.GetProperty("words").GetString()!.Contains("Fault search stopped", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task Two_windows_at_one_search_do_not_write_over_each_other()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get($"{Hare}/faults");
        var (first, _) = await Say(server, view, ("link.control.sticks", "no"));
        var (second, why) = await Say(server, view, ("link.position.satellites", "no"));
        Assert.Equal(200, first);
        Assert.Equal(409, second);
        Assert.Contains("another window", why.GetProperty("detail").GetString());
        var open = (await server.Get($"{Hare}/faults")).GetProperty("case").GetProperty("said");
        Assert.Equal("link.control.sticks", Assert.Single(open.EnumerateArray()).GetProperty("test").GetString());
    }

    [Fact]
    public async Task What_cannot_be_said_is_refused_and_what_was_said_of_another_wiring_counts_nothing()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get($"{Hare}/faults");
        var (status, why) = await Say(server, view, ("link.control.sticks", "sideways"));
        Assert.Equal(422, status);
        Assert.Contains("Choose a listed result", why.GetProperty("detail").GetString());
        var (many, most) = await Say(server, view, [.. Enumerable.Range(0, 300).Select(i => ($"link.{i}", "no"))]);
        Assert.Equal(422, many);
        Assert.Contains("maximum 200", most.GetProperty("detail").GetString());
        var (endless, _) = await Say(server, view, (new string('x', 5000), "no"));
        Assert.Equal(422, endless);
        var (fine, after) = await Say(server, view, ("link.of.old", "no"), ("link.control.sticks", "no"));
        Assert.Equal(200, fine);
        Assert.Contains(
            "from earlier wiring",
            Sheet(after).GetProperty("seen").EnumerateArray().First().GetProperty("words").GetString()
        );
        var (odd, factor) = await server.Put("/api/fault-kinds", """{"kind":"open","factor":1000}""");
        Assert.Equal(422, odd);
        Assert.Contains("Likelihood must be", factor.GetProperty("detail").GetString());
        var (none, sentence) = await server.Post($"{Hare}/faults/end", """{"step":1,"cause":"nothing.of.it"}""");
        Assert.Equal(422, none);
        Assert.Contains("has been ruled out", sentence.GetProperty("detail").GetString());
        Assert.Equal(404, (await server.Post("/api/builds/none/faults/simulated", """{"test":"x"}""")).Status);
    }

    [Fact]
    public async Task What_a_builder_takes_for_likelier_comes_first()
    {
        await using var server = await LiveServer.Start();
        var (_, before) = await Say(server, await server.Get($"{Hare}/faults"), ("link.control.sticks", "no"));
        double Share(JsonElement view) =>
            Sheet(view)
                .GetProperty("causes")
                .EnumerateArray()
                .Where(c => c.GetProperty("id").GetString() == "unset.control")
                .Select(c => c.GetProperty("share").GetDouble())
                .FirstOrDefault();
        await server.Put("/api/fault-kinds", """{"kind":"port","factor":10}""");
        Assert.True(Share(await server.Get($"{Hare}/faults")) > 2 * Share(before));
    }
}
