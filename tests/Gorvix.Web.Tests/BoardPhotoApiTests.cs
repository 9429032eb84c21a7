using System.Globalization;
using System.Text.Json;
using SkiaSharp;
using static Gorvix.PhotographedBoard;

namespace Gorvix.Web.Tests;

/// <summary>Photos of boards over the wire. The photo is drawn here, seen from aside, pad by pad, with no map of the product's.</summary>
public class BoardPhotoApiTests
{
    private const string Describe = "/api/describe/photo";

    // The corners of the board; a mark is told from the rear edge.
    private static string Marks(params (double X, double Y)[] at) =>
        string.Join(
            ';',
            at.Select(p =>
            {
                var (u, v) = Seen(p.X, p.Y);
                return string.Create(CultureInfo.InvariantCulture, $"{p.X},{Size - p.Y},{u / 1000},{v / 900}");
            })
        );

    private static readonly string Corners = Marks((0, 0), (Size, 0), (Size, Size), (0, Size));

    private static async Task<(int Status, byte[] Body)> Send(
        LiveServer server,
        HttpMethod method,
        string path,
        byte[]? body = null
    )
    {
        using var request = new HttpRequestMessage(method, path)
        {
            Content = body is null ? null : new ByteArrayContent(body),
        };
        if (body is [(byte)'{', ..])
        {
            request.Content!.Headers.ContentType = new("application/json");
        }
        using var answer = await server.Client.SendAsync(request, TestContext.Current.CancellationToken);
        return (
            (int)answer.StatusCode,
            await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken)
        );
    }

    private static async Task<string> FirstBoard(LiveServer server) =>
        (await server.Get("/api/library"))
            .EnumerateArray()
            .First(p => p.GetProperty("isBoard").GetBoolean())
            .GetProperty("id")
            .GetString()!;

    private static string Sentence(byte[] problem) =>
        JsonDocument.Parse(problem).RootElement.GetProperty("detail").GetString()!;

    private static void IsStraight(byte[] jpeg)
    {
        using var face = SKBitmap.Decode(jpeg);
        Assert.Equal(face.Width, face.Height);
        var scale = face.Width / Size;
        SKColor At(double x, double y) => face.GetPixel((int)(x * scale), (int)(y * scale));
        foreach (var (x, y) in Pads)
        {
            // The pad to a fifth of a millimetre within its edges, the board as far beside them.
            foreach (var off in new[] { -0.8, 0, 0.8 })
            {
                Assert.True(At(x + off, y).Red > 200 && At(x, y + off).Red > 200, $"pad at {x}, {y}");
            }
            foreach (var off in new[] { -1.2, 1.2 })
            {
                Assert.True(At(x + off, y).Red < 60 && At(x, y + off).Red < 60, $"beside {x}, {y}");
            }
        }
    }

    [Fact]
    public async Task A_photo_is_straightened_by_its_corners()
    {
        await using var server = await LiveServer.Start();
        var (status, kept) = await Send(server, HttpMethod.Post, Describe, Photo.Value);
        Assert.Equal(200, status);
        var (straightened, face) = await Send(
            server,
            HttpMethod.Post,
            $"{Describe}/straight?width=36&depth=36&marks={Corners}",
            kept
        );
        Assert.Equal(200, straightened);
        IsStraight(face);
        // By pads as well, without a corner.
        var (byPads, other) = await Send(
            server,
            HttpMethod.Post,
            $"{Describe}/straight?width=36&depth=36&marks={Marks([Pads[0], Pads[1], Pads[5], Pads[8], Pads[9]])}",
            Photo.Value
        );
        Assert.Equal(200, byPads);
        IsStraight(other);
    }

    [Fact]
    public async Task Photos_are_kept_with_their_board_and_go_with_it()
    {
        await using var server = await LiveServer.Start();
        Assert.Equal(0, (await server.Get("/api/library/boards/nobody/photos")).GetArrayLength());
        var id = await FirstBoard(server);
        var at = $"/api/library/boards/{id}/photos";
        Assert.Equal(204, (await Send(server, HttpMethod.Put, $"{at}/top?marks={Corners}", Photo.Value)).Status);
        var first = (await server.Get(at))[0];
        Assert.Equal("top", first.GetProperty("photo").GetProperty("side").GetString());
        Assert.Equal(4, first.GetProperty("photo").GetProperty("marks").GetArrayLength());
        var (_, kept) = await Send(server, HttpMethod.Get, $"{at}/top");
        Assert.Equal(first.GetProperty("photo").GetProperty("bytes").GetInt32(), kept.Length);
        Assert.Equal(200, (await Send(server, HttpMethod.Get, $"{at}/top/face")).Status);
        // What this program wrote is kept to the byte.
        Assert.Equal(204, (await Send(server, HttpMethod.Put, $"{at}/top?marks={Corners}", kept)).Status);
        Assert.Equal(kept, (await Send(server, HttpMethod.Get, $"{at}/top")).Body);
        Assert.Equal(
            first.GetProperty("stamp").GetString(),
            (await server.Get(at))[0].GetProperty("stamp").GetString()
        );

        Assert.Equal(404, (await Send(server, HttpMethod.Get, $"{at}/bottom")).Status);
        Assert.Equal(404, (await Send(server, HttpMethod.Delete, $"{at}/bottom")).Status);
        Assert.Equal(422, (await Send(server, HttpMethod.Get, $"{at}/inside")).Status);
        Assert.Equal(422, (await Send(server, HttpMethod.Get, $"{at}/7")).Status);
        Assert.Equal(204, (await Send(server, HttpMethod.Delete, $"{at}/top")).Status);
        Assert.Equal(0, (await server.Get(at)).GetArrayLength());
    }

    [Fact]
    public async Task What_is_no_photo_or_no_fit_is_refused_in_a_sentence_and_nothing_is_kept()
    {
        await using var server = await LiveServer.Start();
        var id = await FirstBoard(server);
        var at = $"/api/library/boards/{id}/photos/top";
        async Task Refused(string sentence, string path, byte[] body, HttpMethod? method = null)
        {
            var (status, answer) = await Send(server, method ?? HttpMethod.Post, path, body);
            Assert.Equal(422, status);
            Assert.StartsWith(sentence, Sentence(answer), StringComparison.Ordinal);
        }
        await Refused(
            "Point 1 is far outside",
            $"{Describe}/fit",
            """{ "width": 100, "height": 100, "depth": 36, "marks": [null, null] }"""u8.ToArray()
        );
        await Refused("Cannot read this photo", Describe, "not a photo"u8.ToArray());
        await Refused("The points of the photo could not be read", $"{at}?marks=1,2", Photo.Value, HttpMethod.Put);
        await Refused("Mark at least two points", $"{at}?marks=1,2,0.1,0.1", Photo.Value, HttpMethod.Put);
        // As a mirror would show it.
        await Refused(
            "The points are crossed",
            $"{at}?marks=0,36,0.9,0.1;36,36,0.1,0.1;36,0,0.1,0.9;0,0,0.9,0.9",
            Photo.Value,
            HttpMethod.Put
        );
        await Refused(
            "Enter the board's size first",
            $"{Describe}/straight?width=0&depth=36&marks={Corners}",
            Photo.Value
        );
        await Refused(
            "Enter the board's size first",
            $"{Describe}/straight?width=36&depth=NaN&marks={Corners}",
            Photo.Value
        );
        await Refused(
            "Enter the board's size first",
            $"{Describe}/straight?width=1e9&depth=36&marks={Corners}",
            Photo.Value
        );
        Assert.Equal(0, (await server.Get($"/api/library/boards/{id}/photos")).GetArrayLength());
        Assert.Equal(
            404,
            (
                await Send(
                    server,
                    HttpMethod.Put,
                    $"/api/library/boards/nobody/photos/top?marks={Corners}",
                    Photo.Value
                )
            ).Status
        );
    }

    [Fact]
    public async Task Of_several_who_keep_a_photo_at_once_the_last_ones_stays_and_nobody_is_refused()
    {
        await using var server = await LiveServer.Start();
        var at = $"/api/library/boards/{await FirstBoard(server)}/photos";
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 6).Select(_ => Send(server, HttpMethod.Put, $"{at}/top?marks={Corners}", Photo.Value))
        );
        Assert.All(answers, a => Assert.Equal(204, a.Status));
        Assert.Single((await server.Get(at)).EnumerateArray());
    }

    // A browser keeps what it was shown under a stamp for a year.
    [Fact]
    public async Task No_photo_has_the_stamp_of_another_not_even_of_one_that_was_removed()
    {
        await using var server = await LiveServer.Start();
        var at = $"/api/library/boards/{await FirstBoard(server)}/photos";
        async Task<string?> Kept(string marks)
        {
            Assert.Equal(204, (await Send(server, HttpMethod.Put, $"{at}/top?marks={marks}", Photo.Value)).Status);
            var stamp = (await server.Get(at))[0].GetProperty("stamp").GetString();
            Assert.Equal(204, (await Send(server, HttpMethod.Delete, $"{at}/top")).Status);
            return stamp;
        }
        var (one, other, again) = (await Kept(Corners), await Kept(Marks(Pads[0], Pads[9])), await Kept(Corners));
        Assert.NotEqual(one, other);
        Assert.Equal(one, again);
    }

    [Fact]
    public async Task A_drill_is_played_on_the_drawing()
    {
        await using var server = await LiveServer.Start();
        var (status, drill) = await DrillSteps.Begin(server, "label", 1, 7);
        Assert.True(status == 201, drill.ToString());
        Assert.Equal("", drill.GetProperty("face").GetProperty("board").GetString());
    }

    [Fact]
    public async Task A_damaged_photo_is_told_as_such_and_its_board_is_not()
    {
        await using var server = await LiveServer.Start();
        var id = await FirstBoard(server);
        var at = $"/api/library/boards/{id}/photos";
        await Send(server, HttpMethod.Put, $"{at}/top?marks={Corners}", Photo.Value);
        foreach (var damage in new[] { "Marks = 'x'", "Width = 'wide'", "Picture = X'00'", "Side = 'inside'" })
        {
            await server.Sql($"UPDATE BoardPhotos SET {damage}");
            var (status, answer) = await Send(server, HttpMethod.Get, $"{at}/top/face");
            Assert.True(status is 404 or 422 or 500, damage);
            Assert.NotEqual("", Sentence(answer));
            Assert.Equal(200, (await Send(server, HttpMethod.Get, $"/api/library/boards/{id}")).Status);
            Assert.Equal(200, (await Send(server, HttpMethod.Get, "/api/library")).Status);
        }
    }

    [Fact]
    public async Task Photos_travel_in_the_file_of_their_board_only_when_asked()
    {
        await using var server = await LiveServer.Start();
        var id = await FirstBoard(server);
        var at = $"/api/library/boards/{id}/photos";
        await Send(server, HttpMethod.Put, $"{at}/top?marks={Corners}", Photo.Value);
        var without = await Text(server, $"/api/files/boards/{id}");
        Assert.DoesNotContain("photos", without, StringComparison.Ordinal);
        Assert.DoesNotContain("photos", await Text(server, "/api/files/library"), StringComparison.Ordinal);
        var file = await Text(server, $"/api/files/boards/{id}?photos=true");
        var told = (await server.Get(at))[0].GetProperty("photo").GetProperty("faceBytes").GetInt32();
        Assert.InRange(file.Length - without.Length, told * 4 / 3, (told * 4 / 3) + 300);

        await using var other = await LiveServer.Start();
        string Take(string text) => JsonSerializer.Serialize(new { file = text, decisions = Array.Empty<object>() });
        // The board is the same; its photo is new.
        var (looked, view) = await other.Post("/api/files/look", Take(file));
        Assert.Equal(200, looked);
        Assert.Equal(1, view.GetProperty("parts")[0].GetProperty("photos").GetInt32());
        Assert.Equal(201, (await other.Post("/api/files/take", Take(file))).Status);
        var photo = Assert.Single((await other.Get(at)).EnumerateArray()).GetProperty("photo");
        Assert.Equal(told, photo.GetProperty("bytes").GetInt32());
        // Straight already: its corners are those of the board, and it comes out as it went in.
        IsNear(
            (await Send(server, HttpMethod.Get, $"{at}/top/face")).Body,
            (await Send(other, HttpMethod.Get, $"{at}/top/face")).Body
        );
        // Another photo of its own: it stays.
        Assert.Equal(
            204,
            (await Send(other, HttpMethod.Put, $"{at}/top?marks={Marks(Pads[0], Pads[9])}", Photo.Value)).Status
        );
        var own = (await other.Get(at))[0].GetProperty("photo").GetProperty("print").GetString();
        Assert.NotEqual(photo.GetProperty("print").GetString(), own);
        Assert.Equal(201, (await other.Post("/api/files/take", Take(file))).Status);
        Assert.Equal(own, (await other.Get(at))[0].GetProperty("photo").GetProperty("print").GetString());

        // As a copy, the photo goes with the copy.
        var changed = file.Replace("\"revision\": \"", "\"revision\": \"x", StringComparison.Ordinal);
        var asCopy = JsonSerializer.Serialize(
            new
            {
                file = changed,
                decisions = new[]
                {
                    new
                    {
                        kind = "board",
                        id,
                        choice = "asCopy",
                    },
                },
            }
        );
        Assert.Equal(201, (await other.Post("/api/files/take", asCopy)).Status);
        var copy = (await other.Get("/api/library"))
            .EnumerateArray()
            .Select(p => p.GetProperty("id").GetString()!)
            .Single(i => i != id && i.StartsWith(id, StringComparison.Ordinal));
        Assert.Equal(1, (await other.Get($"/api/library/boards/{copy}/photos")).GetArrayLength());
        // It goes with its board.
        Assert.Equal(copy, await other.Sql($"SELECT Board FROM BoardPhotos WHERE Board = '{copy}'"));
        Assert.Equal(204, (await Send(other, HttpMethod.Delete, $"/api/library/boards/{copy}")).Status);
        Assert.Null(await other.Sql($"SELECT Board FROM BoardPhotos WHERE Board = '{copy}'"));
    }

    [Theory]
    [InlineData("photos[0].jpeg: the picture is not base64", "\"jpeg\": \"", "\"jpeg\": \"?")]
    [InlineData(
        "photos[0].board: the photo is of a board that is not in this file.",
        "\"board\": \"",
        "\"board\": \"x"
    )]
    [InlineData("This photo was not written by Gorvix", "\"jpeg\": \"/9j/", "\"jpeg\": \"AAAA")]
    public async Task A_file_with_a_photo_that_is_none_is_refused_whole(string sentence, string was, string now)
    {
        await using var server = await LiveServer.Start();
        var id = await FirstBoard(server);
        var at = $"/api/library/boards/{id}/photos";
        await Send(server, HttpMethod.Put, $"{at}/top?marks={Corners}", Photo.Value);
        var file = (await Text(server, $"/api/files/boards/{id}?photos=true")).Replace(
            was,
            now,
            StringComparison.Ordinal
        );
        await Send(server, HttpMethod.Delete, $"{at}/top");
        var (status, body) = await server.Post(
            "/api/files/take",
            JsonSerializer.Serialize(new { file, decisions = Array.Empty<object>() })
        );
        Assert.Equal(422, status);
        Assert.Contains(sentence, body.GetProperty("detail").GetString(), StringComparison.Ordinal);
        Assert.Equal(0, (await server.Get(at)).GetArrayLength());
    }

    private static async Task<string> Text(LiveServer server, string path) =>
        System.Text.Encoding.UTF8.GetString((await Send(server, HttpMethod.Get, path)).Body);

    // The same picture but for what JPEG loses.
    private static void IsNear(byte[] one, byte[] other)
    {
        using var a = SKBitmap.Decode(one);
        using var b = SKBitmap.Decode(other);
        Assert.Equal((a.Width, a.Height), (b.Width, b.Height));
        for (var x = 5; x < a.Width; x += 97)
        {
            for (var y = 5; y < a.Height; y += 97)
            {
                var (p, q) = (a.GetPixel(x, y), b.GetPixel(x, y));
                Assert.True(Math.Abs(p.Red - q.Red) < 30 && Math.Abs(p.Green - q.Green) < 30, $"{x}, {y}: {p}, {q}");
            }
        }
    }
}
