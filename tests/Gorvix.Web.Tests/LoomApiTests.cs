using System.Net;
using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>The work for the hands, over the wire.</summary>
public class LoomApiTests
{
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
        Assert.Equal("T6, top side", wire.GetProperty("at").GetString());
        Assert.Equal("control: Relay 16 talks → board hears, U6", wire.GetProperty("job").GetString());
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
            "Relay 16,SBUS,white,\"T6, top side\",top,\"control: Relay 16 talks → board hears, U6\",GND,28,100",
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
                && s.GetProperty("treatment").GetString() == "open, insulated"
        );
        Assert.Contains(
            sheet.GetProperty("wires").EnumerateArray(),
            w => w.GetProperty("at").GetString() == "5V OUT of the Step 5"
        );
    }
}
