using System.Text.Json;
using System.Text.Json.Nodes;

namespace Gorvix.Web.Tests;

/// <summary>Plugs, supplies and grounds through the API; builds as large as the format allows; nothing stored that is not planned.</summary>
public class CircuitApiTests
{
    private const string Wren = "weighbridge-wren";

    [Fact]
    public async Task A_seat_a_supply_pad_and_a_lead_are_pinned_banned_and_undone()
    {
        await using var server = await LiveServer.Start();
        var (id, device) = await Seated(server);
        var seat = device.GetProperty("seats").EnumerateArray().First(s => s.GetProperty("chosen").GetBoolean());
        var match = seat.GetProperty("match").GetRawText();
        var (status, fit) = await server.Change(id, 1, "block", match);
        Assert.Equal(200, status);
        var now = Device(fit, device.GetProperty("id").GetString()!);
        Assert.NotEqual(device.GetProperty("where").GetString(), now.GetProperty("where").GetString());
        Assert.Contains(now.GetProperty("seats").EnumerateArray(), s => s.GetProperty("banned").GetBoolean());

        var undone = (await server.Post($"/api/builds/{id}/undo", """{"version":2}""")).Body;
        var back = Device(undone, device.GetProperty("id").GetString()!);
        Assert.Equal(device.GetProperty("where").GetString(), back.GetProperty("where").GetString());

        var lead = back.GetProperty("leads")
            .EnumerateArray()
            .First(l => l.GetProperty("out").ValueKind == JsonValueKind.Object);
        var pinned = (await server.Change(id, 3, "pin", lead.GetProperty("out").GetRawText())).Body;
        var after = Device(pinned, device.GetProperty("id").GetString()!)
            .GetProperty("leads")
            .EnumerateArray()
            .First(l => l.GetProperty("id").GetString() == lead.GetProperty("id").GetString());
        Assert.True(
            after.GetProperty("outPinned").GetBoolean() || after.GetProperty("out").ValueKind == JsonValueKind.Null
        );
    }

    [Theory]
    [InlineData(
        """{"kind":"plug","device":"nobody","socket":"x"}""",
        "change.device names device in the build \"nobody\""
    )]
    [InlineData("""{"kind":"plug","device":"receiver","socket":"nowhere"}""", "change.socket names socket \"nowhere\"")]
    [InlineData(
        """{"kind":"supply","device":"receiver","lead":"tx","pad":"x"}""",
        "change.lead names supply lead \"tx\""
    )]
    [InlineData("""{"kind":"lead","device":"receiver","lead":"tail"}""", "change.lead names lead \"tail\"")]
    public async Task What_is_not_there_is_refused_with_what_is_known(string match, string sentence)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Change(Wren, 1, "pin", match);
        Assert.Equal(422, status);
        Assert.Contains(sentence, problem.GetProperty("detail").GetString());
        Assert.Equal(1, (await server.Get($"/api/builds/{Wren}/fit")).GetProperty("version").GetInt32());
    }

    [Theory]
    [InlineData("""{"kind":"wing","device":"receiver"}""")]
    [InlineData("""{"device":"receiver","socket":"x"}""")]
    [InlineData("""{"kind":"plug"}""")]
    [InlineData("""{"kind":"supply","device":"receiver"}""")]
    public async Task A_match_of_another_shape_is_refused_in_words(string match)
    {
        await using var server = await LiveServer.Start();
        var (status, problem) = await server.Change(Wren, 1, "pin", match);
        Assert.Equal(400, status);
        Assert.StartsWith("Invalid request", problem.GetProperty("detail").GetString());
    }

    [Fact]
    public async Task The_largest_build_that_is_allowed_is_planned_under_either_school_and_undone()
    {
        await using var server = await LiveServer.Start();
        var (status, card) = await server.Post("/api/builds/import", Large().ToJsonString());
        Assert.Equal(201, status);
        var id = card.GetProperty("id").GetString();
        Assert.StartsWith("All 40 links connected.", card.GetProperty("verdict").GetProperty("sentence").GetString());

        // Split halves make two resources of every port and several states of each.
        var halves = await server.Post(
            $"/api/builds/{id}/setup",
            """{"version":1,"setup":{"house":{"sharing":"splitHalves"}}}"""
        );
        Assert.Equal(200, halves.Status);
        Assert.StartsWith(
            "All 40 links connected.",
            halves.Body.GetProperty("sheet").GetProperty("verdict").GetProperty("sentence").GetString()
        );
        Assert.Equal(200, (await server.Post($"/api/builds/{id}/undo", """{"version":2}""")).Status);
    }

    [Fact]
    public async Task A_build_whose_pieces_together_are_too_much_is_planned_with_what_is_weighed_of_it_and_says_so()
    {
        await using var server = await LiveServer.Start();
        var file = Large();
        var device = file["devices"]![0]!;
        var modes = device["functions"]![0]!["modes"]!.AsArray();
        for (var i = 2; i <= 16; i++)
        {
            var mode = modes[0]!.DeepClone();
            mode["id"] = $"m{i}";
            modes.Add(mode);
        }
        var (status, card) = await server.Post("/api/builds/import", file.ToJsonString());
        Assert.Equal(201, status);
        Assert.StartsWith("All 40 links connected.", card.GetProperty("verdict").GetProperty("sentence").GetString());
        var fit = await server.Get($"/api/builds/{card.GetProperty("id").GetString()}/fit");
        var proof = fit.GetProperty("sheet").GetProperty("proof").GetProperty("sentence").GetString()!;
        Assert.Contains("Too many routes for ", proof);
        Assert.EndsWith(
            ": only about 120 per link are checked, fewest jumpers and least manual work first. A skipped route could be better.",
            proof
        );
    }

    [Theory]
    [InlineData("setup", """{"version":1,"setup":{"firmware":"nobody","house":{}}}""")]
    [InlineData("setup", """{"version":1,"setup":{"pack":{"cells":99},"house":{}}}""")]
    [InlineData("parts", """{"version":1,"change":{"kind":"board","part":"nobody"}}""")]
    public async Task A_change_that_cannot_be_planned_is_refused_and_nothing_is_stored(string path, string body)
    {
        await using var server = await LiveServer.Start();
        var before = await server.Client.GetStringAsync($"/api/builds/{Wren}/fit");
        var (status, _) = await server.Post($"/api/builds/{Wren}/{path}", body);
        Assert.InRange(status, 400, 422);
        Assert.Equal(before, await server.Client.GetStringAsync($"/api/builds/{Wren}/fit"));
    }

    // 40 receivers of one wire each on 32 ports: the rest share halves of none, so every second one only listens elsewhere.
    private static JsonObject Large()
    {
        static JsonObject Pad(string id, string net) =>
            new()
            {
                ["id"] = id,
                ["label"] = id,
                ["side"] = "top",
                ["x"] = 1,
                ["y"] = 1,
                ["paths"] = new JsonArray(new JsonObject { ["net"] = net }),
            };
        static JsonArray List<T>(IEnumerable<T> items)
            where T : JsonNode => new([.. items]);
        var ports = Enumerable.Range(1, 32).ToList();
        var buses = 8;
        return new JsonObject
        {
            ["format"] = "gorvix",
            ["version"] = 4,
            ["builds"] = new JsonArray(
                new JsonObject
                {
                    ["name"] = "Large",
                    ["board"] = "large",
                    ["devices"] = List(
                        Enumerable
                            .Range(0, 40)
                            .Select(i => new JsonObject
                            {
                                ["id"] = $"d{i}",
                                ["part"] = i < 32 - 1 ? "talker" : $"sensor{i}",
                            })
                    ),
                    ["links"] = List(
                        Enumerable
                            .Range(0, 40)
                            .Select(i => new JsonObject
                            {
                                ["link"] = $"l{i}",
                                ["device"] = $"d{i}",
                                ["function"] = "f",
                                ["priority"] = "wanted",
                            })
                    ),
                }
            ),
            ["boards"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = "large",
                    ["maker"] = "Test",
                    ["name"] = "Large",
                    ["revision"] = "1",
                    ["controller"] = "H7",
                    ["nets"] = List(
                        ports
                            .SelectMany(p => p == 32 ? new[] { "sda", "scl" } : [$"r{p}", $"t{p}"])
                            .Select(n => new JsonObject { ["id"] = n })
                    ),
                    ["ports"] = List(
                        ports.Select(p =>
                            p == 32
                                ? new JsonObject
                                {
                                    ["id"] = "I1",
                                    ["kind"] = "bus",
                                    ["data"] = "sda",
                                    ["clock"] = "scl",
                                }
                                : new JsonObject
                                {
                                    ["id"] = $"U{p}",
                                    ["rx"] = $"r{p}",
                                    ["tx"] = $"t{p}",
                                }
                        )
                    ),
                    ["pads"] = List(
                        ports.SelectMany(p =>
                            p == 32
                                ? new[] { Pad("SDA", "sda"), Pad("SCL", "scl") }
                                : [Pad($"R{p}", $"r{p}"), Pad($"T{p}", $"t{p}")]
                        )
                    ),
                }
            ),
            ["devices"] = List(
                Enumerable
                    .Range(0, buses + 1)
                    .Select(i => i == 0 ? Talker() : Sensor(30 + i, 20 + i))
                    .Append(Sensor(39, 40))
            ),
        };
    }

    private static JsonObject Part(string id, string kind, string need, JsonObject mode, params string[] leads) =>
        new()
        {
            ["id"] = id,
            ["maker"] = "Test",
            ["name"] = id,
            ["kind"] = kind,
            ["leads"] = new JsonArray([
                .. leads.Select(l => new JsonObject
                {
                    ["id"] = l,
                    ["label"] = l,
                    ["role"] = "signal",
                }),
            ]),
            ["functions"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = "f",
                    ["gives"] = need,
                    ["modes"] = new JsonArray(mode),
                }
            ),
        };

    private static JsonObject Talker() =>
        Part(
            "talker",
            "rangefinder",
            "rangefinder",
            new JsonObject
            {
                ["id"] = "range",
                ["name"] = "range",
                ["protocol"] = "Range finder",
                ["lines"] = new JsonArray(new JsonObject { ["lead"] = "TX", ["flow"] = "out" }),
            },
            "TX"
        );

    private static JsonObject Sensor(int number, int address) =>
        Part(
            $"sensor{number}",
            "compass",
            "compass",
            new JsonObject
            {
                ["id"] = "bus",
                ["name"] = "bus",
                ["protocol"] = "I²C",
                ["lines"] = new JsonArray(
                    new JsonObject { ["lead"] = "SDA", ["flow"] = "both" },
                    new JsonObject { ["lead"] = "SCL", ["flow"] = "in" }
                ),
                ["address"] = address,
            },
            "SDA",
            "SCL"
        );

    private static JsonElement Device(JsonElement fit, string id) =>
        fit.GetProperty("sheet")
            .GetProperty("devices")
            .EnumerateArray()
            .First(d => d.GetProperty("id").GetString() == id);

    // The first demo build with a plug that sits in a socket.
    private static async Task<(string Id, JsonElement Device)> Seated(LiveServer server)
    {
        foreach (var build in await server.Shelf())
        {
            var id = build.GetProperty("id").GetString()!;
            var fit = await server.Get($"/api/builds/{id}/fit");
            foreach (var device in fit.GetProperty("sheet").GetProperty("devices").EnumerateArray())
            {
                if (device.GetProperty("where").GetString()!.StartsWith("in ", StringComparison.Ordinal))
                {
                    return (id, device);
                }
            }
        }
        throw new InvalidOperationException("No demo build has a plug in a socket.");
    }
}
