using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>Settings over the wire: read off, ticked, given to a simulated board and read back, kept.</summary>
public class SettingsApiTests
{
    private const string Lark = "/api/builds/crusher-house-lark";

    private static async Task<JsonElement> Desk(LiveServer server, string act, string text = "")
    {
        var (status, body) = await server.Post(
            $"{Lark}/settings/simulated",
            JsonSerializer.Serialize(new { @do = act, text })
        );
        Assert.Equal(200, status);
        return body;
    }

    private static async Task<(int Status, JsonElement Body)> Read(LiveServer server, string text, bool keep = false) =>
        await server.Post(
            $"{Lark}/settings/read",
            JsonSerializer.Serialize(
                new
                {
                    text,
                    keep,
                    words = "",
                }
            )
        );

    private static async Task<string> Wanted(LiveServer server) =>
        await server.Client.GetStringAsync(new Uri($"{Lark}/settings.txt", UriKind.Relative));

    [Fact]
    public async Task From_the_sheet_to_the_simulated_board_and_back_it_is_clean_and_a_double_job_is_found()
    {
        await using var server = await LiveServer.Start();
        var wanted = await Wanted(server);
        await Desk(server, "take", wanted);
        var saved = await Desk(server, "save");
        var (_, clean) = await Read(server, saved.GetProperty("printed").GetString()!, keep: true);
        Assert.True(clean.GetProperty("isClean").GetBoolean());

        await Desk(server, "take", wanted + "port U6 job=gnss protocol=UBX baud=115200\n");
        saved = await Desk(server, "save");
        var (_, lost) = await Read(server, saved.GetProperty("printed").GetString()!);
        Assert.False(lost.GetProperty("isClean").GetBoolean());
        Assert.Contains("two functions on one port", lost.GetProperty("words").GetString());

        var texts = (await server.Get($"{Lark}/settings")).GetProperty("texts");
        var kept = Assert.Single(texts.EnumerateArray());
        Assert.Equal("readBack", kept.GetProperty("kind").GetString());
        Assert.Equal("All settings match the plan.", kept.GetProperty("words").GetString());
        var number = kept.GetProperty("number").GetInt32();
        var text = await server.Client.GetStringAsync(new Uri($"{Lark}/texts/{number}", UriKind.Relative));
        Assert.StartsWith("board thornwick-pawl-f7-r2", text, StringComparison.Ordinal);

        // Nobody reaches a text through another build.
        Assert.Equal(
            404,
            (int)
                (
                    await server.Client.GetAsync(
                        new Uri($"/api/builds/north-face-hare/texts/{number}", UriKind.Relative)
                    )
                ).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await server.Client.DeleteAsync(new Uri($"{Lark}/texts/{number}", UriKind.Relative))).StatusCode
        );
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await server.Client.DeleteAsync(new Uri($"{Lark}/texts/{number}", UriKind.Relative))).StatusCode
        );
    }

    [Fact]
    public async Task A_tick_is_stored_and_taken_back_and_several_tabs_lose_none()
    {
        await using var server = await LiveServer.Start();
        string[] keys = ["port.U1", "port.U3", "port.U6", "telemetry"];
        await Task.WhenAll(
            keys.Select(k =>
                server.Post(
                    $"{Lark}/settings/ticks",
                    JsonSerializer.Serialize(new { keys = new[] { k }, isDone = true })
                )
            )
        );
        string[] Done(JsonElement view) =>
            [
                .. view.GetProperty("sheet")
                    .GetProperty("settings")
                    .EnumerateArray()
                    .Where(s => s.GetProperty("isDone").GetBoolean())
                    .Select(s => s.GetProperty("key").GetString()!)
                    .Order(StringComparer.Ordinal),
            ];
        Assert.Equal(keys.Order(StringComparer.Ordinal), Done(await server.Get($"{Lark}/settings")));
        await server.Post($"{Lark}/settings/ticks", JsonSerializer.Serialize(new { keys, isDone = false }));
        Assert.Empty(Done(await server.Get($"{Lark}/settings")));
        var (status, gone) = await server.Post(
            $"{Lark}/settings/ticks",
            JsonSerializer.Serialize(new { keys = new[] { "port.U99" }, isDone = true })
        );
        Assert.Equal(422, status);
        Assert.Contains("port.U99 is not a setting of this build,", gone.GetProperty("detail").GetString());
        Assert.Equal(422, (await server.Post($"{Lark}/settings/ticks", """{"keys":[null],"isDone":true}""")).Status);
    }

    [Fact]
    public async Task What_is_chosen_is_stored_with_the_build_and_undone()
    {
        await using var server = await LiveServer.Start();
        var fit = await server.Get($"{Lark}/fit");
        var setup = JsonSerializer.Deserialize<Dictionary<string, JsonElement>>(fit.GetProperty("setup"))!;
        setup["settings"] = JsonSerializer.SerializeToElement(new { canvas = "wide", gnssHertz = 10 });
        var (status, after) = await server.Post(
            $"{Lark}/setup",
            JsonSerializer.Serialize(new { version = fit.GetProperty("version").GetInt32(), setup })
        );
        Assert.Equal(200, status);
        Assert.Contains("set canvas.grid wide", await Wanted(server));
        Assert.Equal(10, (await server.Get($"{Lark}/settings")).GetProperty("gnss").GetProperty("hertz").GetInt32());
        setup["settings"] = JsonSerializer.SerializeToElement(new { gnssHertz = 99 });
        var (refused, why) = await server.Post(
            $"{Lark}/setup",
            JsonSerializer.Serialize(new { version = after.GetProperty("version").GetInt32(), setup })
        );
        Assert.Equal(422, refused);
        Assert.Contains("gnssHertz", why.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task An_own_form_is_looked_at_kept_with_the_firmware_and_reads_back()
    {
        await using var server = await LiveServer.Start();
        const string Template =
            "{% for s in settings %}{% if s.printed %}{{ s.key }} := {{ s.value }}\n{% endif %}{% endfor %}";
        const string Pattern = @"^(?<key>\S+) := (?<value>.+)$";
        var (_, filled) = await server.Post(
            $"{Lark}/settings/form",
            JsonSerializer.Serialize(new { template = Template })
        );
        var text = filled.GetProperty("text").GetString()!;
        Assert.Contains("telemetry := off", text);
        var put = await server.Client.PutAsJsonAsync(
            new Uri($"{Lark}/settings/form", UriKind.Relative),
            new { template = Template, pattern = Pattern }
        );
        Assert.Equal(HttpStatusCode.OK, put.StatusCode);
        var view = await server.Get($"{Lark}/settings");
        Assert.Equal(Template, view.GetProperty("form").GetString());
        Assert.Equal(Pattern, view.GetProperty("pattern").GetString());
        var (_, read) = await Read(server, text);
        Assert.True(read.GetProperty("isClean").GetBoolean(), read.GetProperty("words").GetString());

        var (_, wrong) = await server.Post($"{Lark}/settings/form", """{"template":"a\n{% if %}"}""");
        Assert.Equal(2, wrong.GetProperty("line").GetInt32());
        foreach (var bad in new[] { ("{% if %}", Pattern), (Template, "("), (Template, "^x$") })
        {
            var refused = await server.Client.PutAsJsonAsync(
                new Uri($"{Lark}/settings/form", UriKind.Relative),
                new { template = bad.Item1, pattern = bad.Item2 }
            );
            Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        }
    }

    [Theory]
    [InlineData("settings.txt", "text/plain", "board thornwick-pawl-f7-r2")]
    [InlineData("settings.md", "text/markdown", "# Crusher House Lark: settings")]
    [InlineData("settings.csv", "text/csv", "where,key,value,words,why,done")]
    [InlineData("settings.json", "application/json", "\"key\":\"port.U1\"")]
    public async Task The_sheet_is_a_file_in_several_forms(string file, string type, string has)
    {
        await using var server = await LiveServer.Start();
        var answer = await server.Client.GetAsync(new Uri($"{Lark}/{file}", UriKind.Relative));
        Assert.Equal(type, answer.Content.Headers.ContentType?.MediaType);
        Assert.Contains(has, await answer.Content.ReadAsStringAsync());
        Assert.Contains($"crusher-house-lark-{file}", answer.Content.Headers.ContentDisposition?.ToString());
    }

    [Fact]
    public async Task A_text_that_cannot_be_kept_is_refused_with_its_reason()
    {
        await using var server = await LiveServer.Start();
        async Task<string?> Keep(object text, string build = Lark) =>
            (await server.Post($"{build}/texts", JsonSerializer.Serialize(text)))
                .Body.GetProperty("detail")
                .GetString();
        Assert.Contains(
            "Nothing to save",
            await Keep(
                new
                {
                    kind = "everything",
                    words = "",
                    text = "  ",
                }
            )
        );
        Assert.Contains(
            "maximum 262144",
            await Keep(
                new
                {
                    kind = "everything",
                    words = "",
                    text = new string('x', 300_000),
                }
            )
        );
        Assert.Contains(
            "maximum 500",
            await Keep(
                new
                {
                    kind = "everything",
                    words = new string('x', 501),
                    text = "x",
                }
            )
        );
        Assert.NotNull(
            await Keep(
                new
                {
                    kind = "everything",
                    words = "",
                    text = "x",
                },
                "/api/builds/nobody"
            )
        );
    }

    [Fact]
    public async Task A_module_that_forgot_is_set_up_and_one_that_keeps_is_proved()
    {
        await using var server = await LiveServer.Start();
        async Task<JsonElement> Work(string line, string act) =>
            (
                await server.Post(
                    $"/api/gnss/lines/{line}",
                    JsonSerializer.Serialize(
                        new
                        {
                            @do = act,
                            baud = 57_600,
                            hertz = 5,
                        }
                    )
                )
            ).Body;
        Assert.True((await Work("simulated-older", "setUp")).GetProperty("isGood").GetBoolean());
        Assert.True((await Work("simulated-older", "prove")).GetProperty("isGood").GetBoolean());
        await Work("simulated-forgetful", "setUp");
        var forgot = await Work("simulated-forgetful", "prove");
        Assert.False(forgot.GetProperty("isGood").GetBoolean());
        Assert.Contains(
            "Let the board configure it",
            forgot.GetProperty("log").EnumerateArray().Last().GetProperty("words").GetString()
        );
        Assert.Contains(
            (await server.Get("/api/gnss/lines")).EnumerateArray(),
            l => l.GetProperty("isSimulated").GetBoolean()
        );
    }

    [Fact]
    public async Task Set_up_frames_are_told_and_saved_and_nonsense_is_refused()
    {
        await using var server = await LiveServer.Start();
        var frames = await server.Get("/api/gnss/setup?generation=older&baud=9600&hertz=5");
        var bytes = await server.Client.GetByteArrayAsync(
            new Uri("/api/gnss/setup.bin?generation=older&baud=9600&hertz=5", UriKind.Relative)
        );
        Assert.Equal(frames.GetProperty("bytes").GetInt32(), bytes.Length);
        Assert.Equal(
            string.Join(
                ' ',
                frames.GetProperty("frames").EnumerateArray().Select(f => f.GetProperty("hex").GetString())
            ),
            string.Join(' ', bytes.Select(b => $"{b:X2}"))
        );
        Assert.Equal(
            "It fits, with 89 % of the UART to spare.",
            (await server.Get("/api/gnss/budget?protocol=UBX&generation=older&satellites=20&hertz=5&baud=115200"))
                .GetProperty("words")
                .GetString()
        );
        foreach (
            var bad in new[]
            {
                "/api/gnss/setup?generation=older&baud=1&hertz=5",
                "/api/gnss/setup?generation=older&baud=9600&hertz=0",
                "/api/gnss/setup?generation=7&baud=9600&hertz=5",
                "/api/gnss/budget?protocol=UBX&generation=x&satellites=20&hertz=5&baud=115200",
            }
        )
        {
            var answer = await server.Client.GetAsync(new Uri(bad, UriKind.Relative));
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
        }
        var (status, gone) = await server.Post("/api/gnss/lines/port-nowhere", """{"do":"look"}""");
        Assert.Equal(404, status);
        Assert.Contains("Plug it in", gone.GetProperty("detail").GetString());
    }
}
