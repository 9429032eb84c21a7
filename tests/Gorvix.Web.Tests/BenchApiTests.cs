using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>The proof of a build over the wire: taken check by check, stopped before harm, due again after a change.</summary>
public class BenchApiTests
{
    private const string Kestrel = "/api/builds/east-bench-kestrel";
    private const string Hare = "/api/builds/north-face-hare";

    private static async Task<(int Status, JsonElement Body)> Take(LiveServer server, string build, object reading) =>
        await server.Post($"{build}/bench/readings", JsonSerializer.Serialize(reading));

    private static async Task<JsonElement> Shown(LiveServer server, string build, string check)
    {
        var (status, body) = await server.Post(
            $"{build}/bench/simulated/read",
            JsonSerializer.Serialize(new { check })
        );
        Assert.Equal(200, status);
        return body;
    }

    private static string StateOf(JsonElement bench, string check) =>
        bench
            .GetProperty("standings")
            .EnumerateArray()
            .First(s => s.GetProperty("check").GetString() == check)
            .GetProperty("state")
            .GetString()!;

    // As a builder does who reads every check at the simulated bench and stops where it says stop.
    private static async Task<string?> Walk(LiveServer server, string build)
    {
        var bench = await server.Get($"{build}/bench");
        foreach (
            var (i, check) in bench
                .GetProperty("checks")
                .EnumerateArray()
                .Select(c => c.GetProperty("id").GetString()!)
                .Index()
        )
        {
            var shown = await Shown(server, build, check);
            var value = shown.GetProperty("value");
            var answer = shown.GetProperty("answer");
            var (status, after) = await Take(
                server,
                build,
                new
                {
                    key = $"walk-{i}",
                    check,
                    value = value.ValueKind == JsonValueKind.Null ? (double?)null : value.GetDouble(),
                    answer = answer.GetString(),
                }
            );
            Assert.Equal(200, status);
            if (StateOf(after, check) == "stopped")
            {
                return check;
            }
        }
        return null;
    }

    [Fact]
    public async Task A_sound_build_is_proved_from_the_first_beep_to_the_last_sign()
    {
        await using var server = await LiveServer.Start();
        Assert.Null(await Walk(server, Kestrel));
        var craft = await server.Get($"{Kestrel}/craft");
        Assert.Equal(craft.GetProperty("checks").GetInt32(), craft.GetProperty("proved").GetInt32());
        var pack = (await server.Get($"{Kestrel}/bench")).GetProperty("sourceVolts").GetDouble();
        Assert.InRange(pack, 24, 25.2);
    }

    [Fact]
    public async Task A_planted_fault_stops_before_power_and_power_needs_a_reason_then()
    {
        await using var server = await LiveServer.Start();
        var (status, planted) = await server.Post($"{Kestrel}/bench/simulated", """{"fault":"swap.gnss.v.g"}""");
        Assert.Equal(200, status);
        Assert.Equal("swap.gnss.v.g", planted.GetProperty("planted").GetString());
        Assert.Equal("cold.gnss-v.5v", await Walk(server, Kestrel));

        var (refused, why) = await Take(
            server,
            Kestrel,
            new
            {
                key = "power",
                check = "power.limited",
                value = 0.4,
                unit = "amps",
            }
        );
        Assert.Equal(409, refused);
        Assert.StartsWith("\"5V at Fix 20C to 5V\" failed. Fix that first.", why.GetProperty("detail").GetString());
        var (taken, after) = await Take(
            server,
            Kestrel,
            new
            {
                key = "power",
                check = "power.limited",
                value = 0.4,
                unit = "amps",
                reason = "module is unplugged",
            }
        );
        Assert.Equal(200, taken);
        Assert.Equal("proved", StateOf(after, "power.limited"));
        var kept = after.GetProperty("reading");
        Assert.Equal("power.limited", kept.GetProperty("check").GetString());
        Assert.Equal("module is unplugged", kept.GetProperty("reason").GetString());
    }

    [Fact]
    public async Task What_power_would_destroy_holds_back_power_at_the_server_as_well()
    {
        await using var server = await LiveServer.Start();
        var (status, _) = await server.Post($"{Hare}/setup", """{"version":1,"setup":{"pack":{"cells":12}}}""");
        Assert.Equal(200, status);
        var burns = (await server.Get($"{Hare}/bench")).GetProperty("unsafe")[0].GetString()!;
        var reading = new
        {
            key = "power",
            check = "power.limited",
            value = 0.4,
            unit = "amps",
        };
        var (refused, why) = await Take(server, Hare, reading);
        Assert.Equal(409, refused);
        Assert.StartsWith(burns, why.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task A_hidden_fault_is_not_told()
    {
        await using var server = await LiveServer.Start();
        var (_, hidden) = await server.Post($"{Kestrel}/bench/simulated", """{"hidden":true}""");
        Assert.True(hidden.GetProperty("isHidden").GetBoolean());
        Assert.Equal(JsonValueKind.Null, hidden.GetProperty("planted").ValueKind);
        var (status, _) = await server.Post($"{Kestrel}/bench/simulated", """{"fault":"no such"}""");
        Assert.Equal(422, status);
    }

    [Fact]
    public async Task The_record_of_the_demo_stands_and_a_device_exchanged_a_month_later_touches_only_its_own()
    {
        await using var server = await LiveServer.Start();
        var craft = await server.Get($"{Hare}/craft");
        Assert.Equal(craft.GetProperty("checks").GetInt32(), craft.GetProperty("proved").GetInt32());
        Assert.Equal(14, craft.GetProperty("flights").GetInt32());
        var version = (await server.Get($"{Hare}/fit")).GetProperty("version").GetInt32();
        var (status, _) = await server.Swap(Hare, version, "gnss", "ewhurst-fix-30");
        Assert.Equal(200, status);
        var bench = await server.Get($"{Hare}/bench");
        Assert.Equal("dueAgain", StateOf(bench, "link.position.satellites"));
        Assert.Equal("dueAgain", StateOf(bench, "all"));
        Assert.Equal("proved", StateOf(bench, "link.control.sticks"));
        Assert.Equal("proved", StateOf(bench, "volts.receiver.v"));
        var line = bench
            .GetProperty("standings")
            .EnumerateArray()
            .First(s => s.GetProperty("check").GetString() == "cold.gnss-v.5v-a")
            .GetProperty("changed")[0]
            .GetString();
        Assert.StartsWith("was: gnss (ewhurst-fix-10) 5V", line);
    }

    [Theory]
    [InlineData("""{"key":"","check":"source","value":24}""", "its key must have")]
    [InlineData(
        """{"key":"k","check":"nowhere","value":24}""",
        "The build has changed. Reload; this reading was not saved."
    )]
    [InlineData(
        """{"key":"k","check":"source","value":24,"unit":"amps"}""",
        "\"Battery voltage\" is measured in volts, not in amperes."
    )]
    [InlineData("""{"key":"k","check":"source","value":2400}""", "is not possible here")]
    [InlineData("""{"key":"k","check":"cold.gnss-v.5v","value":-3,"unit":"ohms"}""", "is not possible here")]
    [InlineData("""{"key":"k","check":"settings.read","value":3}""", "with yes, no or unsure, not a number")]
    [InlineData("""{"key":"k","check":"settings.read"}""", "Answer yes, no or unsure.")]
    public async Task A_reading_that_cannot_be_is_refused_with_a_sentence(string reading, string says)
    {
        await using var server = await LiveServer.Start();
        var (status, body) = await server.Post($"{Kestrel}/bench/readings", reading);
        Assert.Equal(422, status);
        Assert.Contains(says, body.GetProperty("detail").GetString());
        Assert.Empty((await server.Get($"{Kestrel}/bench")).GetProperty("readings").EnumerateArray());
    }

    [Fact]
    public async Task The_same_reading_from_two_tabs_is_kept_once_and_a_clock_that_jumps_is_not_believed()
    {
        await using var server = await LiveServer.Start();
        var reading = new
        {
            key = "one",
            check = "cold.gnss-v.5v",
            answer = "yes",
            at = "2091-01-01T00:00:00Z",
        };
        var both = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => Take(server, Kestrel, reading)));
        Assert.All(both, r => Assert.Equal(200, r.Status));
        var point = (await server.Get($"{Kestrel}/bench/points/cold.gnss-v.5v")).GetProperty("readings");
        var kept = Assert.Single(point.EnumerateArray());
        Assert.True(kept.GetProperty("at").GetDateTime() < DateTime.UtcNow.AddMinutes(1));
    }

    [Fact]
    public async Task A_reading_of_a_wiring_that_was_changed_since_is_not_taken_for_the_one_of_now()
    {
        await using var server = await LiveServer.Start();
        string PrintOf(JsonElement bench) =>
            bench
                .GetProperty("checks")
                .EnumerateArray()
                .First(c => c.GetProperty("id").GetString() == "cold.gnss-v.5v")
                .GetProperty("print")
                .GetString()!;
        var seen = PrintOf(await server.Get($"{Kestrel}/bench"));
        // Another tab exchanges the module; the reading was taken of the one before.
        var version = (await server.Get($"{Kestrel}/fit")).GetProperty("version").GetInt32();
        await server.Post(
            $"{Kestrel}/parts",
            JsonSerializer.Serialize(
                new
                {
                    version,
                    change = new
                    {
                        kind = "setBatch",
                        device = "gnss",
                        text = "8",
                    },
                }
            )
        );
        object Reading(string key, string print) =>
            new
            {
                key,
                check = "cold.gnss-v.5v",
                answer = "yes",
                print,
            };
        var (status, why) = await Take(server, Kestrel, Reading("late", seen));
        Assert.Equal(409, status);
        Assert.Contains("has changed since it was measured", why.GetProperty("detail").GetString());
        var now = PrintOf(await server.Get($"{Kestrel}/bench"));
        Assert.NotEqual(seen, now);
        Assert.Equal(200, (await Take(server, Kestrel, Reading("again", now))).Status);
    }
}
