using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Gorvix.Web.Tests;

/// <summary>What rails and leads really get, over the wire.</summary>
public class RailsApiTests
{
    [Fact]
    public async Task Every_situation_is_listed_and_one_is_told_in_full()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get("/api/builds/spoil-tip-owl/rails");
        Assert.Equal(
            ["full", "nominal", "land", "empty", "usb", "both", "lamp", "limiter", "JV-5V", "JV-BAT", "JV-"],
            view.GetProperty("situations").EnumerateArray().Take(11).Select(s => s.GetProperty("id").GetString())
        );
        var now = view.GetProperty("now");
        Assert.Equal("full", now.GetProperty("sheet").GetProperty("situation").GetProperty("id").GetString());
        Assert.Equal(3, now.GetProperty("sheet").GetProperty("rails").GetArrayLength());
        Assert.Equal(5, now.GetProperty("sheet").GetProperty("leads").GetArrayLength());
        Assert.Equal(
            "tight",
            now.GetProperty("sheet")
                .GetProperty("leads")
                .EnumerateArray()
                .First(l => l.GetProperty("device").GetString() == "radio")
                .GetProperty("state")
                .GetString()
        );
        Assert.Contains(
            now.GetProperty("findings").EnumerateArray(),
            f => f.GetProperty("rule").GetString() == "UNDER-VOLTAGE"
        );
        Assert.Equal(8, now.GetProperty("readings").GetArrayLength());
        Assert.Equal(3, view.GetProperty("charge").GetProperty("cells").GetInt32());
        Assert.Equal(
            "Supply wires: assumed 10 cm long and sized for their current, AWG 28 or thicker.",
            view.GetProperty("assumed")[0].GetString()
        );
    }

    [Fact]
    public async Task A_selector_soldered_across_is_told_with_what_it_brings_and_nothing_else()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get("/api/builds/spoil-tip-owl/rails?at=JV-");
        var rules = view.GetProperty("now")
            .GetProperty("findings")
            .EnumerateArray()
            .Select(f => f.GetProperty("rule").GetString())
            .ToList();
        Assert.Contains("TIED", rules);
        Assert.Contains("OVER-VOLTAGE", rules);
        Assert.DoesNotContain("UNDER-VOLTAGE", rules);
        Assert.Equal(
            "stop",
            view.GetProperty("situations")
                .EnumerateArray()
                .First(s => s.GetProperty("id").GetString() == "JV-")
                .GetProperty("worst")
                .GetString()
        );
    }

    [Fact]
    public async Task A_charge_that_is_asked_for_comes_first_and_says_what_is_left()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get("/api/builds/spoil-tip-owl/rails?cell=3.8");
        var first = view.GetProperty("now").GetProperty("sheet");
        Assert.Equal("charge", first.GetProperty("situation").GetProperty("id").GetString());
        Assert.Equal(11.4, Rail(first, "bat").GetProperty("volts").GetDouble(), 2);
        Assert.Equal(40, view.GetProperty("charge").GetProperty("says").GetProperty("percent").GetInt32());
    }

    [Fact]
    public async Task A_situation_that_is_gone_falls_back_to_the_first()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get("/api/builds/spoil-tip-owl/rails?at=without-nobody");
        Assert.Equal(
            "full",
            view.GetProperty("now").GetProperty("sheet").GetProperty("situation").GetProperty("id").GetString()
        );
    }

    [Fact]
    public async Task Wires_and_the_bench_are_stored_and_change_what_is_read()
    {
        await using var server = await LiveServer.Start();
        var version = (await server.Get("/api/builds/spoil-tip-owl/rails")).GetProperty("version").GetInt32();
        var wire = new
        {
            version,
            change = new
            {
                kind = "cutWire",
                wire = new
                {
                    device = "radio",
                    lead = "v",
                    millimetres = 20,
                    gauge = 24,
                },
            },
        };
        using (var cut = await server.Client.PostAsJsonAsync("/api/builds/spoil-tip-owl/parts", wire, Stop))
        {
            Assert.Equal(HttpStatusCode.OK, cut.StatusCode);
        }
        var view = await server.Get("/api/builds/spoil-tip-owl/rails");
        var told = view.GetProperty("wires").EnumerateArray().Single(w => w.GetProperty("told").GetBoolean());
        Assert.Equal(24, told.GetProperty("cut").GetProperty("gauge").GetInt32());
        Assert.StartsWith("Other supply wires", view.GetProperty("assumed")[0].GetString());

        var setup = JsonNode.Parse(
            (await server.Get("/api/builds/spoil-tip-owl/fit")).GetProperty("setup").GetRawText()
        )!;
        setup["power"]!["bench"] = JsonNode.Parse("""{ "volts": 12, "amps": 0.1 }""");
        setup["pack"]!["milliohms"] = 50;
        var body = new { version = version + 1, setup };
        using (var set = await server.Client.PostAsJsonAsync("/api/builds/spoil-tip-owl/setup", body, Stop))
        {
            Assert.Equal(HttpStatusCode.OK, set.StatusCode);
        }
        var bench = await server.Get("/api/builds/spoil-tip-owl/rails?at=bench");
        Assert.Contains(
            bench.GetProperty("now").GetProperty("findings").EnumerateArray(),
            f => f.GetProperty("rule").GetString() == "LIMITER-TRIPS"
        );
        Assert.DoesNotContain(
            bench.GetProperty("assumed").EnumerateArray(),
            a => a.GetString()!.StartsWith("Battery resistance", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData("""{ "kind": "cutWire", "wire": { "device": "radio", "lead": "v", "gauge": 9 } }""", "wires[0].gauge")]
    [InlineData(
        """{ "kind": "cutWire", "wire": { "device": "radio", "lead": "v", "millimetres": 0 } }""",
        "wires[0].millimetres"
    )]
    [InlineData("""{ "kind": "cutWire", "wire": { "device": "radio", "lead": "rx", "gauge": 24 } }""", "wires[0].lead")]
    [InlineData("""{ "kind": "cutWire", "wire": { "device": "nobody", "lead": "v", "gauge": 24 } }""", "change.wire")]
    [InlineData("""{ "kind": "cutWire" }""", "change.wire")]
    public async Task A_wire_that_cannot_be_is_refused_with_the_place(string change, string place)
    {
        await using var server = await LiveServer.Start();
        var version = (await server.Get("/api/builds/spoil-tip-owl/rails")).GetProperty("version").GetInt32();
        using var content = new StringContent(
            $$"""{ "version": {{version}}, "change": {{change}} }""",
            Encoding.UTF8,
            "application/json"
        );
        using var answer = await server.Client.PostAsync("/api/builds/spoil-tip-owl/parts", content, Stop);
        Assert.Equal(422, (int)answer.StatusCode);
        Assert.Contains(place, await answer.Content.ReadAsStringAsync(Stop));
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("/api/builds/spoil-tip-owl/rails?cell=42", 422)]
    [InlineData("/api/builds/spoil-tip-owl/rails?cell=NaN", 422)]
    [InlineData("/api/builds/spoil-tip-owl/rails?cell=x", 400)]
    [InlineData("/api/builds/nowhere/rails", 404)]
    public async Task What_cannot_be_shown_is_said(string address, int status)
    {
        await using var server = await LiveServer.Start();
        using var answer = await server.Client.GetAsync(address, TestContext.Current.CancellationToken);
        Assert.Equal(status, (int)answer.StatusCode);
    }

    private static JsonElement Rail(JsonElement sheet, string id) =>
        sheet.GetProperty("rails").EnumerateArray().Single(r => r.GetProperty("id").GetString() == id);
}
