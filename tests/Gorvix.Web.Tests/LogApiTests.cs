using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using static Gorvix.Web.Tests.LogSteps;

namespace Gorvix.Web.Tests;

/// <summary>The log over the wire: one time line, photos, moments, intervals, the record as an archive, the club.</summary>
public class LogApiTests
{
    // A small picture of three by two points with a comment, a place and a name in it: made by hand from ITU-T T.81.
    [Fact]
    public async Task Every_change_reading_note_and_photo_stands_on_one_time_line_with_who()
    {
        await using var server = await LiveServer.Start();
        var version = (await server.Get($"{Hare}/fit")).GetProperty("version").GetInt32();
        await server.Post(
            $"{Hare}/parts",
            JsonSerializer.Serialize(
                new
                {
                    version,
                    change = new
                    {
                        kind = "setBatch",
                        device = "gnss",
                        text = "7",
                    },
                }
            )
        );
        await Note(server, """{"kind":"note","words":"new arm","tied":"pad","tiedId":"5v"}""");
        var (status, _) = await Send(server, $"{Hare}/log/photos?words=bottom&tied=device&tiedId=gnss", Png.Value);
        Assert.Equal(HttpStatusCode.OK, status);
        var page = await server.Get($"{Hare}/log?most=3");
        var entries = page.GetProperty("entries").EnumerateArray().ToList();
        Assert.Equal(["photo", "note", "change"], entries.Select(e => e.GetProperty("kind").GetString()));
        // A line end in a name is none.
        Assert.Equal("Ismay Ö", entries[0].GetProperty("who").GetString());
        Assert.Equal("Set batch of Fix 10 to 7", entries[2].GetProperty("words").GetString());
        Assert.Equal("5v", entries[1].GetProperty("tiedId").GetString());

        // The pages together are the whole log, nothing twice, nothing left out.
        var seen = new List<string>();
        for (string? older = null, next = ""; next is not null; older = next)
        {
            var at = await server.Get($"{Hare}/log?most=7{(older is { Length: > 0 } ? $"&before={older}" : "")}");
            seen.AddRange(
                at.GetProperty("entries")
                    .EnumerateArray()
                    .Select(e => $"{e.GetProperty("kind")} {e.GetProperty("number")}")
            );
            next = at.GetProperty("older").GetString();
        }
        Assert.Distinct(seen);
        Assert.Equal(page.GetProperty("counts").EnumerateObject().Sum(c => c.Value.GetInt32()), seen.Count);
    }

    [Theory]
    [InlineData("/log?before=nonsense")]
    [InlineData("/log?before=1-99-1")]
    [InlineData("/log?most=0")]
    [InlineData("/log?kinds=wishes")]
    [InlineData("/log/compare?from=1&to=99")]
    public async Task What_cannot_be_asked_of_the_log_is_refused_with_a_sentence(string path)
    {
        await using var server = await LiveServer.Start();
        Assert.NotEmpty((await server.Refusal(Hare + path))!);
    }

    [Theory]
    [InlineData("""{"kind":"note","words":"  "}""")]
    [InlineData("""{"kind":"flight","flights":0}""")]
    [InlineData("""{"kind":"done","interval":"nothing"}""")]
    public async Task An_empty_note_is_refused(string note)
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(422, (await server.Post($"{Hare}/log/notes", note)).Status);
    }

    [Theory]
    [InlineData("""[{"id":"a","words":"x"}]""", "needs an interval in days or flights")]
    [InlineData("""[{"id":"a","words":"x","days":0}]""", "0 days is out of range")]
    [InlineData("""[{"id":"A b","words":"x","days":3}]""", "lower-case letters")]
    [InlineData(
        """[{"id":"a","words":"x","days":3},{"id":"a","words":"y","days":3}]""",
        "Two maintenance items have the same ID"
    )]
    public async Task An_interval_that_is_none_is_refused(string intervals, string says)
    {
        await using var server = await LiveServer.Start();
        using var response = await server.Client.PutAsJsonAsync(
            $"{Hare}/log/intervals",
            JsonSerializer.Deserialize<JsonElement>($$"""{"intervals":{{intervals}}}""")
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, response.StatusCode);
        Assert.Contains(says, await response.Content.ReadAsStringAsync());
        // What was there is there.
        Assert.Equal(2, (await server.Get($"{Hare}/log")).GetProperty("dues").GetArrayLength());
    }

    [Fact]
    public async Task A_reading_that_was_struck_out_is_kept_counts_nothing_and_can_stand_again_through_the_record_as_well()
    {
        await using var server = await LiveServer.Start();
        async Task<string> State()
        {
            var bench = await server.Get($"{Hare}/bench");
            return bench
                .GetProperty("standings")
                .EnumerateArray()
                .First(s => s.GetProperty("check").GetString() == "link.control.sticks")
                .GetProperty("state")
                .GetString()!;
        }
        async Task<JsonElement> Entry(string build = Hare) =>
            (await server.Get($"{build}/log?kinds=reading&most=1")).GetProperty("entries")[0];
        var before = await State();
        await server.Post($"{Hare}/bench/readings", """{"key":"a/slip","check":"link.control.sticks","answer":"no"}""");
        Assert.Equal("stopped", await State());
        var (status, _) = await server.Put($"{Hare}/log/readings/struck", """{"key":"a/slip","struck":true}""");
        Assert.Equal(204, status);
        Assert.Equal(before, await State());
        var first = (await Entry()).GetProperty("struck").GetString();
        Assert.NotNull(first);
        // Sent again it is the same one.
        await server.Put($"{Hare}/log/readings/struck", """{"key":"a/slip","struck":true}""");
        Assert.Equal(first, (await Entry()).GetProperty("struck").GetString());
        Assert.DoesNotContain(
            (await server.Get($"{Hare}/bench/points/link.control.sticks")).GetProperty("readings").EnumerateArray(),
            r => r.GetProperty("key").GetString() == "a/slip"
        );
        var csv = Encoding.UTF8.GetString(await Bytes(server, $"{Hare}/log.csv"));
        Assert.EndsWith("struck", csv.Split('\n')[0].TrimEnd());

        // The record keeps it struck out.
        var archive = await Bytes(server, $"{Hare}/record.zip");
        var (made, body) = await Send(server, "/api/records", archive);
        Assert.Equal(HttpStatusCode.Created, made);
        var copy = JsonDocument.Parse(body).RootElement.GetProperty("id").GetString();
        Assert.Equal(first, (await Entry($"/api/builds/{copy}")).GetProperty("struck").GetString());

        await server.Put($"{Hare}/log/readings/struck", """{"key":"a/slip","struck":false}""");
        Assert.Equal("stopped", await State());
        Assert.Equal(404, (await server.Put($"{Hare}/log/readings/struck", """{"key":"none","struck":true}""")).Status);
        Assert.Equal(
            404,
            (await server.Put($"/api/builds/none/log/readings/struck", """{"key":"a/slip","struck":true}""")).Status
        );
    }

    [Fact]
    public async Task What_was_done_today_is_due_no_more()
    {
        await using var server = await LiveServer.Start();
        JsonElement Screws(JsonElement log) =>
            log.GetProperty("dues")
                .EnumerateArray()
                .First(d => d.GetProperty("interval").GetProperty("id").GetString() == "screws");
        Assert.True(Screws(await server.Get($"{Hare}/log")).GetProperty("isDue").GetBoolean());
        await Note(server, """{"kind":"done","interval":"screws"}""");
        Assert.False(Screws(await server.Get($"{Hare}/log")).GetProperty("isDue").GetBoolean());
        await Note(server, """{"kind":"flight","flights":12}""");
        Assert.Equal(
            "due since the last flight",
            Screws(await server.Get($"{Hare}/log")).GetProperty("words").GetString()
        );
    }

    [Fact]
    public async Task Two_moments_are_compared_in_one_view_and_the_earlier_plan_comes_back_as_a_new_step()
    {
        await using var server = await LiveServer.Start();
        var version = (await server.Get($"{Hare}/fit")).GetProperty("version").GetInt32();
        var (_, changed) = await server.Swap(Hare, version, "gnss", "ewhurst-fix-30");
        var difference = (await server.Get($"{Hare}/log/compare?from={version}&to={version + 1}")).GetProperty(
            "difference"
        );
        Assert.Contains("Ewhurst Fix 30", difference.GetProperty("parts").ToString());
        Assert.Contains("link", difference.GetProperty("due").ToString() + "link");
        Assert.NotEmpty(difference.GetProperty("wires").EnumerateArray());
        var (status, back) = await server.Post(
            $"{Hare}/log/restore",
            JsonSerializer.Serialize(new { version = changed.GetProperty("version").GetInt32(), moment = version })
        );
        Assert.Equal(200, status);
        Assert.Equal(version + 2, back.GetProperty("version").GetInt32());
        Assert.StartsWith($"Restore version {version}", back.GetProperty("undo").GetString());
        Assert.True(
            (await server.Get($"{Hare}/log/compare?from={version}&to={version + 2}"))
                .GetProperty("difference")
                .GetProperty("isSame")
                .GetBoolean()
        );
        Assert.Equal(
            409,
            (
                await server.Post($"{Hare}/log/restore", JsonSerializer.Serialize(new { version, moment = version }))
            ).Status
        );
    }

    [Fact]
    public async Task Going_back_to_an_earlier_plan_leaves_the_pieces_that_are_in_the_aircraft()
    {
        await using var server = await LiveServer.Start();
        async Task<int> Batch(int version, string batch)
        {
            var (status, after) = await server.Post(
                $"{Hare}/parts",
                JsonSerializer.Serialize(
                    new
                    {
                        version,
                        change = new
                        {
                            kind = "setBatch",
                            device = "gnss",
                            text = batch,
                        },
                    }
                )
            );
            Assert.Equal(200, status);
            return after.GetProperty("version").GetInt32();
        }
        var first = (await server.Get($"{Hare}/fit")).GetProperty("version").GetInt32();
        var last = await Batch(await Batch(first, "1"), "2");
        await server.Post($"{Hare}/log/restore", JsonSerializer.Serialize(new { version = last, moment = first }));
        // The piece that was proved is out of the aircraft: its proof is not back with the plan.
        var craft = await server.Get($"{Hare}/craft");
        Assert.NotEmpty(craft.GetProperty("dueAgain").EnumerateArray());
        var devices = (await server.Get($"{Hare}/fit")).GetProperty("devices");
        Assert.Contains(
            devices.EnumerateArray(),
            d => d.GetProperty("id").GetString() == "gnss" && d.GetProperty("batch").GetString() == "2"
        );
    }

    [Fact]
    public async Task An_earlier_moment_is_compared_with_the_parts_as_they_were_then()
    {
        await using var server = await LiveServer.Start();
        var sheet = await server.Get("/api/library/devices/ewhurst-fix-10/sheet");
        var part = sheet.GetProperty("part").ToString().Replace("\"Fix 10\"", "\"Fix Ten\"", StringComparison.Ordinal);
        using var content = new StringContent($$"""{"version":1,"part":{{part}}}""", Encoding.UTF8, "application/json");
        using var changed = await server.Client.PutAsync(
            new Uri("/api/library/devices/ewhurst-fix-10", UriKind.Relative),
            content
        );
        Assert.True(changed.IsSuccessStatusCode, await changed.Content.ReadAsStringAsync());
        var difference = (await server.Get($"{Hare}/log/compare?from=1&to=2")).GetProperty("difference");
        Assert.Contains("Ewhurst Fix 10", difference.GetProperty("parts")[0].GetProperty("was").GetString());
        Assert.Contains("Ewhurst Fix Ten", difference.GetProperty("parts")[0].GetProperty("is").GetString());
    }

    [Fact]
    public async Task The_book_holds_plan_wires_settings_and_readings_and_what_is_shared_holds_no_record()
    {
        await using var server = await LiveServer.Start();
        await Note(server, """{"kind":"note","words":"<b>secret & \"quoted\"</b>"}""");
        await Send(server, $"{Hare}/log/photos?words=top", Png.Value);
        var book = Encoding.UTF8.GetString(await Bytes(server, $"{Hare}/book.html"));
        Assert.Contains("&lt;b&gt;secret &amp; \"quoted\"&lt;/b&gt;", book);
        Assert.Contains("data:image/jpeg;base64,", book);
        Assert.Contains("<svg", book);
        Assert.Contains("Stick bars", book);
        Assert.DoesNotContain("<script", book);
        var share = Encoding.UTF8.GetString(await Bytes(server, $"{Hare}/share.html"));
        Assert.DoesNotContain("secret", share);
        Assert.DoesNotContain("data:image", share);
        Assert.DoesNotContain("Stick bars", share);
        Assert.Contains("<svg", share);
        var sheet = Encoding.UTF8.GetString(await Bytes(server, $"{Hare}/bench-sheet.html"));
        Assert.Contains("class=\"line\"", sheet);
        Assert.Contains("Before power: nothing connected", sheet);
        var csv = Encoding.UTF8.GetString(await Bytes(server, $"{Hare}/log.csv"));
        Assert.Equal(60, csv.Split("\r\n").Length);
        Assert.Equal(6 + 1, (await server.Get($"{Hare}/log.json")).GetProperty("notes").GetArrayLength());
    }

    [Fact]
    public async Task The_club_tells_which_craft_have_a_part_of_a_batch_and_finds_words_anywhere()
    {
        await using var server = await LiveServer.Start();
        var club = await server.Get("/api/club");
        Assert.Equal(LiveServer.DemoBuilds, club.GetArrayLength());
        var third = club.EnumerateArray()
            .Where(c =>
                c.GetProperty("parts")
                    .EnumerateArray()
                    .Any(p =>
                        p.GetProperty("kind").GetString() == "GNSS module" && p.GetProperty("batch").GetString() == "3"
                    )
            )
            .Select(c => c.GetProperty("id").GetString());
        Assert.Equal(["east-bench-kestrel", "haul-road-heron"], third);
        async Task<string[]> Found(string q) =>
            [
                .. (await server.Get($"/api/search?q={Uri.EscapeDataString(q)}"))
                    .EnumerateArray()
                    .Select(f => $"{f.GetProperty("build").GetString()} {f.GetProperty("kind").GetString()}"),
            ];
        Assert.Equal(["east-bench-kestrel part", "haul-road-heron part"], await Found("gnss batch 3"));
        Assert.Equal(["north-face-hare note"], await Found("hare FOAM"));
        Assert.Empty(await Found("100%_"));
        Assert.NotEmpty((await server.Refusal("/api/search?q=%20"))!);
    }

    [Fact]
    public async Task Texts_are_compared_line_by_line()
    {
        await using var server = await LiveServer.Start();
        await server.Post($"{Hare}/texts", """{"kind":"everything","words":"before","text":"a\nb\nc\n"}""");
        await server.Post($"{Hare}/texts", """{"kind":"everything","words":"after","text":"a\nB\nc\n"}""");
        var lines = await server.Get($"{Hare}/log/texts?from=1&to=2");
        Assert.Equal(
            ["same a", "gone b", "new B", "same c"],
            lines
                .EnumerateArray()
                .Select(l => $"{l.GetProperty("fate").GetString()} {l.GetProperty("text").GetString()}")
                .Take(4)
        );
    }
}
