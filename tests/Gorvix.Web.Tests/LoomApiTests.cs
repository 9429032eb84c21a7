using System.Net;
using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>The work for the hands, over the wire.</summary>
public class LoomApiTests
{
    [Theory]
    [InlineData("cell=2.5", HttpStatusCode.OK)]
    [InlineData("cell=4.5&at=charge", HttpStatusCode.OK)]
    [InlineData("at=nonsense", HttpStatusCode.OK)]
    [InlineData("cell=2.49", HttpStatusCode.UnprocessableEntity)]
    [InlineData("cell=4.51", HttpStatusCode.UnprocessableEntity)]
    [InlineData("cell=NaN", HttpStatusCode.UnprocessableEntity)]
    public async Task The_picture_is_asked_for_with_a_charge_that_a_cell_can_have(string query, HttpStatusCode status)
    {
        await using var server = await LiveServer.Start();
        var answer = await server.Client.GetAsync(
            new Uri($"/api/builds/crusher-house-lark/picture?{query}", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(status, answer.StatusCode);
    }

    [Fact]
    public async Task Wires_plugs_steps_and_pairs_of_a_build_are_told_with_its_version()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get("/api/builds/crusher-house-lark/loom");
        Assert.Equal(1, view.GetProperty("version").GetInt32());
        var sheet = view.GetProperty("sheet");
        var wire = sheet
            .GetProperty("wires")
            .EnumerateArray()
            .First(w => w.GetProperty("id").GetString() == "receiver sbus");
        Assert.Equal("T6 (top)", wire.GetProperty("at").GetString());
        Assert.Equal("RC link: TX → UART6 RX", wire.GetProperty("job").GetString());
        Assert.Equal(JsonValueKind.Null, wire.GetProperty("amps").ValueKind);
        Assert.Equal(2, sheet.GetProperty("faces").GetArrayLength());
        Assert.Equal("backup", sheet.GetProperty("steps")[0].GetProperty("id").GetString());
        Assert.Equal("silent", sheet.GetProperty("continuity")[0].GetProperty("finds").GetString());
        Assert.Equal(4, view.GetProperty("cautions").GetArrayLength());
    }

    [Fact]
    public async Task The_wire_list_is_a_file_for_a_spreadsheet()
    {
        await using var server = await LiveServer.Start();
        var answer = await server.Client.GetAsync(
            new Uri("/api/builds/crusher-house-lark/wires.csv", UriKind.Relative)
        );
        Assert.Equal("text/csv", answer.Content.Headers.ContentType?.MediaType);
        Assert.Contains("crusher-house-lark-wires.csv", answer.Content.Headers.ContentDisposition?.ToString());
        Assert.Contains(
            "Relay 16,SBUS,white,T6 (top),top,RC link: TX → UART6 RX,GND,28,100",
            await answer.Content.ReadAsStringAsync()
        );
    }

    [Fact]
    public async Task A_build_that_is_not_there_has_no_loom()
    {
        await using var server = await LiveServer.Start();
        var answer = await server.Client.GetAsync(new Uri("/api/builds/nobody/loom", UriKind.Relative));
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }

    [Fact]
    public async Task Half_a_plan_is_work_for_what_has_a_place()
    {
        await using var server = await LiveServer.Start();
        var sheet = (await server.Get("/api/builds/tip-track-pipit/loom")).GetProperty("sheet");
        Assert.Contains(
            sheet.GetProperty("spare").EnumerateArray(),
            s =>
                s.GetProperty("device").GetString() == "spare"
                && s.GetProperty("treatment").GetString() == "not fitted: none of its links is connected"
        );
        Assert.Contains(
            sheet.GetProperty("wires").EnumerateArray(),
            w => w.GetProperty("at").GetString() == "5V OUT of Step 5"
        );
    }

    [Fact]
    public async Task A_tick_is_stored_with_its_time_shown_on_Fit_and_taken_back_by_undo()
    {
        await using var server = await LiveServer.Start();
        var fit = await Tick(server, "joint receiver sbus");
        Assert.Equal("Done: SBUS (white) of Relay 16 is on T6 (top)", fit.GetProperty("undo").GetString());
        var done = await Step(server, "joint receiver sbus");
        Assert.True(done.GetProperty("isDone").GetBoolean());
        Assert.Equal(JsonValueKind.String, done.GetProperty("doneOn").ValueKind);
        var cell = fit.GetProperty("sheet")
            .GetProperty("links")
            .EnumerateArray()
            .SelectMany(l => l.GetProperty("cells").EnumerateArray())
            .Single(c => c.GetProperty("soldered").GetBoolean());
        Assert.Equal("U6", cell.GetProperty("port").GetString());

        var again = await Tick(server, "joint receiver sbus");
        Assert.Equal(fit.GetProperty("version").GetInt32(), again.GetProperty("version").GetInt32());
        await server.Post(
            "/api/builds/crusher-house-lark/undo",
            $$"""{"version":{{again.GetProperty("version").GetInt32()}}}"""
        );
        Assert.False((await Step(server, "joint receiver sbus")).GetProperty("isDone").GetBoolean());
    }

    [Fact]
    public async Task Ticks_of_many_tabs_at_once_are_all_kept()
    {
        await using var server = await LiveServer.Start();
        var steps = (await server.Get("/api/builds/crusher-house-lark/loom"))
            .GetProperty("sheet")
            .GetProperty("steps")
            .EnumerateArray()
            .Where(s => s.GetProperty("topic").GetString() == "joint")
            .Select(s => s.GetProperty("id").GetString()!)
            .Take(4)
            .ToList();
        await Task.WhenAll(steps.Select(s => Tick(server, s)));
        foreach (var step in steps)
        {
            Assert.True((await Step(server, step)).GetProperty("isDone").GetBoolean(), step);
        }
    }

    [Theory]
    [InlineData("joint nobody tx", null, "STEP-GONE")]
    [InlineData("backup", "t4", "OTHER-PAD")]
    [InlineData("joint receiver sbus", "t99", "OTHER-PAD")]
    public async Task A_tick_that_cannot_be_says_why_and_stores_nothing(string step, string? pad, string rule)
    {
        await using var server = await LiveServer.Start();
        var (status, body) = await server.Post(
            "/api/builds/crusher-house-lark/loom/ticks",
            JsonSerializer.Serialize(
                new
                {
                    step,
                    isDone = true,
                    pad,
                }
            )
        );
        Assert.Equal(422, status);
        Assert.Contains(rule, body.ToString(), StringComparison.Ordinal);
        Assert.Equal(1, (await server.Get("/api/builds/crusher-house-lark/loom")).GetProperty("version").GetInt32());
    }

    [Fact]
    public async Task What_is_built_goes_into_the_file_and_comes_back_with_it()
    {
        await using var server = await LiveServer.Start();
        await Tick(server, "joint receiver sbus");
        await Tick(server, "plug air-unit");
        var file = await server.Client.GetStringAsync("/api/builds/crusher-house-lark/export");
        var (status, body) = await server.Post("/api/builds/import", file);
        Assert.Equal(201, status);
        var id = body.GetProperty("id").GetString();
        var steps = (await server.Get($"/api/builds/{id}/loom")).GetProperty("sheet").GetProperty("steps");
        Assert.Equal(2, steps.EnumerateArray().Count(s => s.GetProperty("isDone").GetBoolean()));
    }

    private static async Task<JsonElement> Tick(LiveServer server, string step)
    {
        var (status, body) = await server.Post(
            "/api/builds/crusher-house-lark/loom/ticks",
            JsonSerializer.Serialize(new { step, isDone = true })
        );
        Assert.True(status == 200, body.ToString());
        return body;
    }

    private static async Task<JsonElement> Step(LiveServer server, string id) =>
        (await server.Get("/api/builds/crusher-house-lark/loom"))
            .GetProperty("sheet")
            .GetProperty("steps")
            .EnumerateArray()
            .First(s => s.GetProperty("id").GetString() == id);
}
