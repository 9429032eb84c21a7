using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>What rails and leads really get, over the wire.</summary>
public class RailsApiTests
{
    [Fact]
    public async Task Every_situation_has_every_rail_and_every_supply_lead()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get("/api/builds/spoil-tip-owl/rails");
        var at = view.GetProperty("at").EnumerateArray().ToList();
        Assert.Equal(
            ["full", "nominal", "land", "empty", "usb", "both", "lamp", "limiter"],
            at.Select(a => a.GetProperty("sheet").GetProperty("situation").GetProperty("id").GetString())
        );
        Assert.All(at, a => Assert.Equal(3, a.GetProperty("sheet").GetProperty("rails").GetArrayLength()));
        Assert.All(at, a => Assert.Equal(5, a.GetProperty("sheet").GetProperty("leads").GetArrayLength()));
        Assert.Contains(
            at[0].GetProperty("findings").EnumerateArray(),
            f => f.GetProperty("rule").GetString() == "RAIL-LIMIT"
        );
        Assert.Equal(3, view.GetProperty("charge").GetProperty("cells").GetInt32());
        Assert.Equal("Supply wires are taken as 10 cm of AWG 28.", view.GetProperty("assumed")[0].GetString());
    }

    [Fact]
    public async Task A_charge_that_is_asked_for_comes_first()
    {
        await using var server = await LiveServer.Start();
        var view = await server.Get("/api/builds/spoil-tip-owl/rails?cell=3.8");
        var first = view.GetProperty("at")[0].GetProperty("sheet");
        Assert.Equal("charge", first.GetProperty("situation").GetProperty("id").GetString());
        Assert.Equal(11.4, Rail(first, "bat").GetProperty("volts").GetDouble(), 2);
    }

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
