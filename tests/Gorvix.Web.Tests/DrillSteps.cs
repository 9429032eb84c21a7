using System.Text.Json;

namespace Gorvix.Web.Tests;

/// <summary>A drill as somebody plays it over the API.</summary>
internal static class DrillSteps
{
    public const string Hare = "north-face-hare";

    private static readonly JsonSerializerOptions Plain = new()
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static string Text(object value) => JsonSerializer.Serialize(value, Plain);

    public static void Be(LiveServer server, string name)
    {
        server.Client.DefaultRequestHeaders.Remove("Gorvix-Who");
        server.Client.DefaultRequestHeaders.Add("Gorvix-Who", Uri.EscapeDataString(name));
    }

    public static Task<(int Status, JsonElement Body)> Begin(
        LiveServer server,
        string kind,
        int? level = null,
        int? seed = null
    ) =>
        server.Post(
            "/api/drills",
            Text(
                new
                {
                    kind,
                    build = Hare,
                    level,
                    seed,
                }
            )
        );

    public static Task<(int Status, JsonElement Body)> Do(
        LiveServer server,
        JsonElement view,
        string kind,
        string on = "",
        string value = ""
    ) =>
        server.Post(
            $"/api/drills/{view.GetProperty("id").GetString()}",
            Text(
                new
                {
                    step = view.GetProperty("step").GetInt32(),
                    act = new
                    {
                        kind,
                        on,
                        value,
                        seconds = 3,
                    },
                }
            )
        );

    public static JsonElement Sheet(JsonElement view) => view.GetProperty("sheet");

    public static bool IsOpen(JsonElement view) =>
        !Sheet(view).TryGetProperty("result", out var r) || r.ValueKind == JsonValueKind.Null;

    public static int Score(JsonElement view) => Sheet(view).GetProperty("result").GetProperty("score").GetInt32();

    // Names one fault after the other until it is the right one.
    public static async Task<(JsonElement View, int Named)> NameAll(LiveServer server, JsonElement view)
    {
        var named = 0;
        foreach (var name in Sheet(view).GetProperty("fault").GetProperty("names").EnumerateArray())
        {
            (var status, view) = await Do(server, view, "name", name.GetProperty("id").GetString()!);
            Assert.Equal(200, status);
            named++;
            if (!IsOpen(view))
            {
                break;
            }
        }
        return (view, named);
    }
}
