using System.Text.Json.Nodes;

namespace Gorvix.Web.Tests;

/// <summary>New builds, the library, and changes that are told before they are done, through the API.</summary>
public class NewBuildApiTests
{
    private const string Hare = "/api/builds/north-face-hare";

    private const string Draft = """
        {"name":"Quarry Lip Finch","board":"thornwick-spindle-f7-r1","pack":{"cells":4},"devices":["dunmerrow-relay-16","ewhurst-fix-10"]}
        """;

    [Fact]
    public async Task A_draft_is_looked_at_and_made_into_a_build_that_outlives_a_restart()
    {
        await using var server = await LiveServer.Start();
        var look = (await server.Post("/api/drafts/look", Draft)).Body;
        var verdict = look.GetProperty("verdict").GetProperty("sentence").GetString();
        var (status, card) = await server.Post("/api/builds", Draft);
        Assert.Equal(201, status);
        Assert.Equal("quarry-lip-finch", card.GetProperty("id").GetString());
        Assert.Equal(verdict, card.GetProperty("verdict").GetProperty("sentence").GetString());
        var (_, twin) = await server.Post("/api/builds", Draft);
        Assert.Equal("quarry-lip-finch-2", twin.GetProperty("id").GetString());
        await server.DisposeAsync();
        await using var again = await LiveServer.Start(server.Data);
        var fit = await again.Get("/api/builds/quarry-lip-finch/fit");
        Assert.Equal("required", fit.GetProperty("wants")[0].GetProperty("priority").GetString());
        Assert.Equal(1, fit.GetProperty("version").GetInt32());
    }

    [Theory]
    [InlineData("/api/drafts/look", """{"board":"nowhere"}""", "draft.board names board \"nowhere\"")]
    [InlineData("/api/drafts/fits", """{"board":"nowhere"}""", "draft.board names board \"nowhere\"")]
    [InlineData("/api/builds", """{"devices":["nothing"]}""", "draft.devices[0] names device \"nothing\"")]
    [InlineData("/api/builds", """{}""", "A build needs a board.")]
    [InlineData("/api/builds", """{"board":"cobbold-mote-f1-r5","pack":{"cells":0}}""", "draft.pack.cells is 0 cells")]
    public async Task A_draft_that_cannot_be_is_refused_and_nothing_is_stored(string path, string draft, string said)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Post(path, draft);
        Assert.Equal(422, status);
        Assert.StartsWith(said, problem.GetProperty("detail").GetString());
        Assert.Equal(LiveServer.DemoBuilds, (await server.Get("/api/builds")).GetArrayLength());
    }

    [Fact]
    public async Task What_does_not_fit_is_named_for_a_board_and_a_pack()
    {
        await using var server = await LiveServer.Start();
        var fits = (await server.Post("/api/drafts/fits", """{"board":"cobbold-nib-f4-r2","pack":{"cells":2}}""")).Body;
        var unit = fits.GetProperty("devices")
            .EnumerateArray()
            .First(d => d.GetProperty("id").GetString() == "brindlow-beacon-d6");
        Assert.Equal("stop", unit.GetProperty("severity").GetString());
        Assert.Contains(
            fits.GetProperty("boards").EnumerateArray(),
            b => b.GetProperty("id").GetString() == "thornwick-lever-f4-r3"
        );
    }

    [Fact]
    public async Task A_change_that_is_previewed_is_not_done()
    {
        await using var server = await LiveServer.Start();
        const string Board = """{"version":1,"change":{"kind":"takeBoard","part":"cobbold-mote-f1-r5"}}""";
        var (status, told) = await server.Post($"{Hare}/parts/preview", Board);
        Assert.Equal(200, status);
        Assert.StartsWith(
            "Mote F1 needs 4.5–5.5 V but gets 16.8 V (full battery).",
            told.GetProperty("stops")[0].GetString()
        );
        Assert.Equal(3, told.GetProperty("before").GetProperty("carried").GetInt32());
        var fit = await server.Get($"{Hare}/fit");
        Assert.Equal(1, fit.GetProperty("version").GetInt32());
        Assert.Equal("askerdale-pinion-f4-r2", fit.GetProperty("boardPart").GetString());
        Assert.Equal(
            422,
            (await server.Post($"{Hare}/parts/preview", Board.Replace("cobbold-mote-f1-r5", "x"))).Status
        );
        Assert.Equal(
            409,
            (await server.Post($"{Hare}/parts/preview", Board.Replace("\"version\":1", "\"version\":9"))).Status
        );
    }

    [Fact]
    public async Task The_library_lists_every_part_and_a_page_tells_where_it_is_used()
    {
        await using var server = await LiveServer.Start();
        var lines = (await server.Get("/api/library")).EnumerateArray().ToList();
        Assert.Equal(13, lines.Count(l => l.GetProperty("isBoard").GetBoolean()));
        foreach (var line in lines)
        {
            var kind = line.GetProperty("isBoard").GetBoolean() ? "boards" : "devices";
            var page = await server.Get($"/api/library/{kind}/{line.GetProperty("id").GetString()}");
            Assert.Equal(
                line.GetProperty("name").GetString(),
                page.GetProperty("leaflet").GetProperty("line").GetProperty("name").GetString()
            );
        }
        var used = await server.Get("/api/library/boards/askerdale-trunnion-f4-r1");
        Assert.Equal(
            ["rim-walk-rook", "tip-track-pipit"],
            used.GetProperty("usedIn").EnumerateArray().Select(u => u.GetProperty("id").GetString()!)
        );
        Assert.StartsWith("No device \"nobody\" in the library.", await server.Refusal("/api/library/devices/nobody"));
    }

    [Fact]
    public async Task A_build_is_duplicated_and_laid_aside_and_its_steps_stay_its_own()
    {
        await using var server = await LiveServer.Start();
        var (status, copy) = await server.Post($"{Hare}/duplicate", "{}");
        Assert.Equal((201, "north-face-hare-copy"), (status, copy.GetProperty("id").GetString()));
        await server.Post(
            "/api/builds/north-face-hare-copy/parts",
            """{"version":1,"change":{"kind":"nameBuild","text":"Twin"}}"""
        );
        Assert.Equal("North Face Hare", (await server.Get($"{Hare}/fit")).GetProperty("name").GetString());
        var copied = await server.Get("/api/builds/north-face-hare-copy/fit");
        Assert.Equal("Twin", copied.GetProperty("name").GetString());
        Assert.Equal(204, (await server.Post($"{Hare}/archive", "{}")).Status);
        bool Aside(System.Text.Json.JsonElement all) =>
            all.EnumerateArray()
                .First(b => b.GetProperty("id").GetString() == "north-face-hare")
                .GetProperty("isArchived")
                .GetBoolean();
        Assert.True(Aside(await server.Get("/api/builds")));
        Assert.Equal(204, (await server.Post($"{Hare}/unarchive", "{}")).Status);
        Assert.False(Aside(await server.Get("/api/builds")));
        Assert.Equal(404, (await server.Post("/api/builds/nobody/archive", "{}")).Status);
        Assert.Equal(404, (await server.Post("/api/builds/nobody/duplicate", "{}")).Status);
    }

    [Fact]
    public async Task A_name_of_the_greatest_length_can_be_duplicated_again_and_again()
    {
        await using var server = await LiveServer.Start();
        var name = new string('n', 120);
        await server.Post($"{Hare}/parts", $$$"""{"version":1,"change":{"kind":"nameBuild","text":"{{{name}}}"}}""");
        var (_, first) = await server.Post($"{Hare}/duplicate", "{}");
        Assert.Equal(120, first.GetProperty("name").GetString()!.Length);
        var (status, second) = await server.Post($"/api/builds/{first.GetProperty("id").GetString()}/duplicate", "{}");
        Assert.Equal(201, status);
        Assert.NotEqual(first.GetProperty("id").GetString(), second.GetProperty("id").GetString());
    }

    [Fact]
    public async Task A_kind_that_nobody_knows_is_refused_before_the_sweep_begins()
    {
        await using var server = await LiveServer.Start();
        Assert.StartsWith(
            "\"kettle\" is not a device type. Choose one of receiver,",
            await server.Refusal($"{Hare}/sweep?add=kettle")
        );
        Assert.Contains("is not a device type", await server.Refusal($"{Hare}/sweep?add=99"));
    }

    [Fact]
    public async Task More_devices_than_a_board_has_leads_for_are_told_and_not_made()
    {
        await using var server = await LiveServer.Start();
        var many = string.Join(',', Enumerable.Repeat("\"fallowby-torque-set-48\"", 40));
        var draft = $$"""{"board":"thornwick-spindle-f7-r1","devices":[{{many}}]}""";
        var look = (await server.Post("/api/drafts/look", draft)).Body;
        Assert.Equal(System.Text.Json.JsonValueKind.Null, look.GetProperty("verdict").ValueKind);
        var said = look.GetProperty("stops")[0].GetString();
        var (status, problem) = await server.Post("/api/builds", draft);
        Assert.Equal((422, said), (status, problem.GetProperty("findings")[0].GetProperty("sentence").GetString()));
        var wishes = string.Join(',', Enumerable.Repeat("""{"device":0,"function":"x"}""", 401));
        Assert.Equal(
            422,
            (await server.Post("/api/drafts/look", $$"""{"devices":["ewhurst-fix-10"],"wishes":[{{wishes}}]}""")).Status
        );
    }

    [Fact]
    public async Task Builds_that_are_made_at_once_all_have_an_id_of_their_own()
    {
        await using var server = await LiveServer.Start();
        var made = await Task.WhenAll(Enumerable.Range(0, 20).Select(_ => server.Post("/api/builds", Draft)));
        Assert.All(made, m => Assert.Equal(201, m.Status));
        Assert.Equal(20, made.Select(m => m.Body.GetProperty("id").GetString()).Distinct().Count());
    }

    [Fact]
    public async Task A_library_of_500_parts_and_a_shelf_of_300_builds_answer_whole()
    {
        await using var server = await LiveServer.Start();
        var file = JsonNode.Parse(await server.Client.GetStringAsync($"{Hare}/export"))!;
        var devices = file["devices"]!.AsArray();
        var gnss = devices.First(d => d!["id"]!.GetValue<string>() == "ewhurst-fix-10")!.ToJsonString();
        for (var i = 0; i < 460; i++)
        {
            var clone = JsonNode.Parse(gnss)!;
            clone["id"] = $"clone-{i}";
            clone["name"] = $"Clone {i}";
            devices.Add(clone);
        }
        Assert.Equal(201, (await server.Post("/api/builds/import", file.ToJsonString())).Status);
        Assert.Equal(506, (await server.Get("/api/library")).GetArrayLength());
        var fits = (
            await server.Post("/api/drafts/fits", """{"board":"cobbold-mote-f1-r5","pack":{"cells":4}}""")
        ).Body;
        Assert.Equal(
            460,
            fits.GetProperty("devices")
                .EnumerateArray()
                .Count(d => d.GetProperty("id").GetString()!.StartsWith("clone-"))
        );
        for (var i = 0; i < 29; i++)
        {
            await Task.WhenAll(Enumerable.Range(0, 10).Select(_ => server.Post($"{Hare}/duplicate", "{}")));
        }
        Assert.Equal(301, await server.Count());
    }

    [Fact]
    public async Task A_build_whose_part_was_removed_elsewhere_says_which_and_hides_no_other()
    {
        await using var server = await LiveServer.Start();
        await server.Sql("DELETE FROM Parts WHERE Id = 'ewhurst-fix-10'");
        Assert.StartsWith(
            "build.devices[2].part names device \"ewhurst-fix-10\", which does not exist here.",
            await server.Refusal($"{Hare}/fit")
        );
        var cards = await server.Shelf();
        Assert.Equal(10, cards.Count);
        Assert.Contains(
            "ewhurst-fix-10",
            cards
                .First(c => c.GetProperty("id").GetString() == "north-face-hare")
                .GetProperty("verdict")
                .GetProperty("sentence")
                .GetString()
        );
        // What cannot be planned is not stored again either.
        Assert.Equal(422, (await server.Post($"{Hare}/duplicate", "{}")).Status);
        Assert.Equal(10, await server.Count());
        var (status, _) = await server.Post(
            $"{Hare}/parts/preview",
            """{"version":1,"change":{"kind":"removeDevice","device":"gnss"}}"""
        );
        Assert.Equal(422, status);
    }

    [Fact]
    public async Task Parts_of_one_kind_stand_side_by_side_and_other_choices_are_refused()
    {
        await using var server = await LiveServer.Start();
        const string Compare = "/api/library/compare?";
        var pair = await server.Get($"{Compare}board=askerdale-pinion-f4-r1&board=askerdale-pinion-f4-r2");
        Assert.Equal(2, pair.GetProperty("parts").GetArrayLength());
        Assert.StartsWith("Choose 2 to 3 boards", await server.Refusal($"{Compare}board=askerdale-pinion-f4-r1"));
        Assert.StartsWith(
            "Choose 2 to 3 boards",
            await server.Refusal($"{Compare}board=askerdale-pinion-f4-r1&device=ewhurst-fix-10")
        );
        Assert.StartsWith(
            "Choose 2 to 3 boards",
            await server.Refusal($"{Compare}device=a&device=b&device=c&device=d")
        );
        Assert.StartsWith(
            "No device \"b\" in the library.",
            await server.Refusal($"{Compare}device=ewhurst-fix-10&device=b")
        );
    }
}
