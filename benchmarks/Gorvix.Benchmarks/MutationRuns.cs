using System.Diagnostics;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Gorvix.Benchmarks;

/// <summary>
/// Damaged files at a server: values exchanged, lists grown, ids doubled, bytes lost. Each is taken in whole or refused with a place; none is a
/// fault, takes long or is half stored. The seed of a file is its number.
/// </summary>
internal static class MutationRuns
{
    private const double Slow = 2000;

    private static readonly JsonNode?[] Odd =
    [
        JsonValue.Create(-1),
        JsonValue.Create(1e308),
        JsonValue.Create(""),
        JsonValue.Create(new string('x', 5_000)),
        JsonValue.Create("\u202Eabc"),
        JsonValue.Create(true),
        new JsonArray(),
        new JsonObject(),
    ];

    /// <summary>Sends so many, from one of them on, and prints.</summary>
    public static async Task Run(int from, int count)
    {
        using var server = await Server.Start();
        using var http = new HttpClient { BaseAddress = server.Address };
        var folder = Path.Combine(AppContext.BaseDirectory, "demo");
        List<string> files =
        [
            .. new[] { "builds", "parts" }
                .SelectMany(d => Directory.GetFiles(Path.Combine(folder, d), "*.json"))
                .Order(StringComparer.Ordinal)
                .Select(File.ReadAllText),
            Encoding.UTF8.GetString(LimitRuns.FileOf(3)),
        ];
        var exports = new List<string>();
        foreach (var build in await Builds(http))
        {
            exports.Add(await http.GetStringAsync($"/api/builds/{build}/export"));
        }
        // Whole builds most of all: what is only parts is refused whatever is done to it.
        files.AddRange(Enumerable.Repeat(exports, 8).SelectMany(e => e));
        var before = (await Builds(http)).Count;
        var (taken, refused, faults, slow, nowhere, worst, memory) = (0, 0, 0, 0, 0, 0.0, 0L);
        for (var number = from; number < from + count; number++)
        {
            var bytes = Damaged(files, number);
            var begun = Stopwatch.GetTimestamp();
            using var body = new ByteArrayContent(bytes);
            using var answer = await http.PostAsync("/api/builds/import", body);
            var text = await answer.Content.ReadAsStringAsync();
            var time = Stopwatch.GetElapsedTime(begun).TotalMilliseconds;
            worst = Math.Max(worst, time);
            memory = Math.Max(memory, server.Memory);
            var status = (int)answer.StatusCode;
            taken += status == 201 ? 1 : 0;
            refused += status is >= 400 and < 500 ? 1 : 0;
            if (status >= 500 || time > Slow)
            {
                (faults, slow) = (faults + (status >= 500 ? 1 : 0), slow + (time > Slow ? 1 : 0));
                Console.WriteLine($"  file {number}: {status} after {time:0} ms: {text[..Math.Min(text.Length, 300)]}");
            }
            if (status is >= 400 and < 500 && !HasPlace(text))
            {
                nowhere++;
                Console.WriteLine($"  file {number}: no place in {text[..Math.Min(text.Length, 300)]}");
            }
            if (status == 201)
            {
                // What was taken in can be looked at, and goes again.
                var id = JsonSerializer.Deserialize<JsonElement>(text).GetProperty("id").GetString();
                using var fit = await http.GetAsync($"/api/builds/{id}/fit");
                faults += (int)fit.StatusCode >= 500 ? 1 : 0;
                (await http.PostAsync($"/api/builds/{id}/remove", null)).Dispose();
            }
        }
        var after = await Builds(http);
        Console.WriteLine(
            $"{count} damaged files: {taken} taken in, {refused} refused, {faults} faults, {nowhere} refused without a place, {slow} over {Slow / 1000:0} s (worst {worst:0} ms); {after.Count - before} builds more than before; memory at most {memory} MB"
        );
    }

    private static async Task<List<string>> Builds(HttpClient http) =>
        [
            .. JsonSerializer
                .Deserialize<JsonElement>(await http.GetStringAsync("/api/builds"))
                .EnumerateArray()
                .Select(b => b.GetProperty("id").GetString()!),
        ];

    private static bool HasPlace(string text) =>
        JsonSerializer.Deserialize<JsonElement>(text).TryGetProperty("findings", out var findings)
        && findings.GetArrayLength() > 0;

    private static byte[] Damaged(List<string> files, int number)
    {
        var random = new Random(number);
        var text = files[random.Next(files.Count)];
        if (random.Next(3) == 0)
        {
            return Bytes(Encoding.UTF8.GetBytes(text), random);
        }
        var tree = JsonNode.Parse(text)!;
        // A part that is otherwise than the library has it is refused for that alone, so often the build alone is damaged.
        var part = random.Next(2) == 0 && tree["builds"] is JsonArray { Count: > 0 } builds ? builds[0]! : tree;
        // Of some the lists alone, so that more of what comes in is planned.
        var lists = random.Next(2) == 0;
        for (var times = random.Next(1, 3); times > 0; times--)
        {
            Tree(part, files, random, lists);
        }
        return Encoding.UTF8.GetBytes(tree.ToJsonString());
    }

    private static byte[] Bytes(byte[] bytes, Random random)
    {
        var at = random.Next(bytes.Length);
        var cut = random.Next(60);
        var more = new byte[random.Next(8)];
        random.NextBytes(more);
        return [.. bytes[..at], .. more, .. bytes[Math.Min(bytes.Length, at + cut)..]];
    }

    private static void Tree(JsonNode tree, List<string> files, Random random, bool lists)
    {
        var places = new List<JsonNode>();
        Walk(tree, places);
        if (lists && places.Any(p => p is JsonArray { Count: > 1 }))
        {
            places.RemoveAll(p => p is not JsonArray { Count: > 1 });
        }
        var place = places[random.Next(places.Count)];
        switch (place)
        {
            case JsonArray { Count: > 0 } list when random.Next(3) == 0:
                // A list far too long, of the same thing again and again.
                for (var n = random.Next(2, 400); n > 0; n--)
                {
                    list.Add(list[0]?.DeepClone());
                }
                break;
            case JsonArray { Count: > 1 } list when random.Next(2) == 0:
                // In another order: mostly as good as before.
                var moved = list[^1];
                list.RemoveAt(list.Count - 1);
                list.Insert(0, moved);
                break;
            case JsonArray { Count: > 0 } list:
                list.RemoveAt(random.Next(list.Count));
                break;
            case JsonObject { Count: > 0 } thing:
                var name = thing.ElementAt(random.Next(thing.Count)).Key;
                if (random.Next(3) == 0)
                {
                    thing.Remove(name);
                }
                else if (random.Next(2) == 0)
                {
                    thing[name] = Odd[random.Next(Odd.Length)]?.DeepClone();
                }
                else
                {
                    // The same member of another file: right in its shape, wrong in its meaning.
                    var others = new List<JsonNode>();
                    Walk(JsonNode.Parse(files[random.Next(files.Count)])!, others);
                    var same = others.OfType<JsonObject>().Where(o => o.ContainsKey(name)).ToList();
                    thing[name] = same.Count == 0 ? null : same[random.Next(same.Count)][name]?.DeepClone();
                }
                break;
        }
    }

    private static void Walk(JsonNode node, List<JsonNode> places)
    {
        places.Add(node);
        foreach (
            var child in node switch
            {
                JsonArray list => list.OfType<JsonNode>(),
                JsonObject thing => thing.Select(m => m.Value).OfType<JsonNode>(),
                _ => [],
            }
        )
        {
            if (child is JsonArray or JsonObject)
            {
                Walk(child, places);
            }
        }
    }
}
