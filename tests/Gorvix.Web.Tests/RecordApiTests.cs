using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Gorvix.Storage;
using static Gorvix.Web.Tests.LogSteps;

namespace Gorvix.Web.Tests;

/// <summary>The whole record as an archive, the pictures in it, and what is refused of both.</summary>
public class RecordApiTests
{
    [Fact]
    public async Task The_whole_record_goes_through_an_archive_byte_for_byte()
    {
        await using var server = await LiveServer.Start();
        await Send(server, $"{Hare}/log/photos?words=top", Png.Value);
        await server.Post(
            $"{Hare}/texts",
            """{"kind":"difference","words":"4.5","text":"a line\nÜ \u0000 another\r\n"}"""
        );
        var version = (await server.Get($"{Hare}/fit")).GetProperty("version").GetInt32();
        await server.Post(
            $"{Hare}/parts",
            JsonSerializer.Serialize(new { version, change = new { kind = "setNote", text = "moved" } })
        );
        var archive = await Bytes(server, $"{Hare}/record.zip");
        var (status, body) = await Send(server, "/api/records", archive);
        Assert.Equal(HttpStatusCode.Created, status);
        var copy = JsonDocument.Parse(body).RootElement.GetProperty("id").GetString();
        Assert.Equal(archive, await Bytes(server, $"/api/builds/{copy}/record.zip"));

        // On another machine as well.
        await using var other = await LiveServer.Start(demo: null);
        var (there, made) = await Send(other, "/api/records", archive);
        Assert.True(there == HttpStatusCode.Created, made);
        Assert.Equal(archive, await Bytes(other, $"{Hare}/record.zip"));
        Assert.Equal(version + 1, (await other.Get($"{Hare}/fit")).GetProperty("version").GetInt32());
    }

    private static byte[] Changed(byte[] archive, Action<ZipArchive> change)
    {
        using var stream = new MemoryStream();
        stream.Write(archive);
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Update, leaveOpen: true))
        {
            change(zip);
        }
        return stream.ToArray();
    }

    private static void Put(ZipArchive zip, string name, byte[] bytes)
    {
        zip.GetEntry(name)?.Delete();
        using var entry = zip.CreateEntry(name).Open();
        entry.Write(bytes);
    }

    private static string Read(ZipArchive zip, string name)
    {
        using var reader = new StreamReader(zip.GetEntry(name)!.Open());
        return reader.ReadToEnd();
    }

    // One letter of a word in a list that is stored as it is, so that it unfolds to something else.
    private static byte[] Flipped(byte[] archive)
    {
        using var stream = new MemoryStream();
        using (var from = new ZipArchive(new MemoryStream(archive)))
        using (var to = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var entry in from.Entries)
            {
                using var into = to.CreateEntry(entry.FullName, CompressionLevel.NoCompression).Open();
                using var of = entry.Open();
                of.CopyTo(into);
            }
        }
        var bytes = stream.ToArray();
        var at = bytes.AsSpan().IndexOf("weighbridge"u8);
        Assert.True(at > 0);
        bytes[at] = (byte)'W';
        return bytes;
    }

    // A second head before the picture's own.
    private static byte[] Stuffed(byte[] photo) =>
        [.. photo[..2], 0xFF, 0xE0, 0xEA, 0x60, .. new byte[0xEA60 - 2], .. photo[2..]];

    // Its first table a hundred times over.
    private static byte[] Tables(byte[] photo)
    {
        var at = photo.AsSpan().IndexOf(new byte[] { 0xFF, 0xDB });
        var table = photo[at..(at + 2 + ((photo[at + 2] << 8) | photo[at + 3]))];
        return [.. photo[..at], .. Enumerable.Repeat(table, 100).SelectMany(t => t), .. photo[at..]];
    }

    // The picture with its scan many times over (source: ITU-T T.81, B.2.2), and something between them.
    private static byte[] Scans(byte[] photo, int many, byte[] between)
    {
        var scan = photo.AsSpan().IndexOf(new byte[] { 0xFF, 0xDA });
        return
        [
            .. photo[..scan],
            .. Enumerable.Repeat<byte[]>([.. between, .. photo[scan..^2]], many).SelectMany(s => s),
            0xFF,
            0xD9,
        ];
    }

    /// <summary>What a decoder passes by between two scans hides none of them: fill bytes, a stray byte, a restart, an empty comment.</summary>
    [Theory]
    [InlineData("")]
    [InlineData("FF")]
    [InlineData("FFFFFF")]
    [InlineData("00")]
    [InlineData("1234")]
    [InlineData("FFD0")]
    [InlineData("FF01")]
    [InlineData("FFFE0002")]
    public async Task A_picture_of_many_scans_is_refused_before_it_is_decoded(string between)
    {
        await using var server = await LiveServer.Start();
        await Send(server, $"{Hare}/log/photos?words=top", Png.Value);
        var photo = await Bytes(server, $"{Hare}/log/photos/1");
        // Its frame says 6000 by 6000 points.
        var frame = photo.AsSpan().IndexOf(new byte[] { 0xFF, 0xC0 });
        (photo[frame + 5], photo[frame + 6], photo[frame + 7], photo[frame + 8]) = (0x17, 0x70, 0x17, 0x70);
        var many = Scans(photo, 20, Convert.FromHexString(between));
        var (status, body) = await Send(server, $"{Hare}/log/photos", many);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Contains(
            "20 scans of 6000 × 6000 pixels",
            JsonDocument.Parse(body).RootElement.GetProperty("detail").GetString()
        );
    }

    [Fact]
    public async Task Hostile_archives_are_refused_with_a_sentence_and_nothing_is_stored()
    {
        await using var server = await LiveServer.Start();
        await Send(server, $"{Hare}/log/photos?words=top", Png.Value);
        var archive = await Bytes(server, $"{Hare}/record.zip");
        var before = await server.Count();
        var photo = await Bytes(server, $"{Hare}/log/photos/1");
        (string What, byte[] Bytes)[] hostile =
        [
            ("nothing", []),
            ("Not a record archive", Encoding.UTF8.GetBytes("PK but no archive")),
            ("cut off", archive[..(archive.Length / 2)]),
            ("out of the folder", Changed(archive, z => Put(z, "../../evil.json", [1]))),
            ("a drive", Changed(archive, z => Put(z, "C:\\evil.json", [1]))),
            ("twice", Changed(archive, z => z.CreateEntry("notes.json"))),
            ("stray", Changed(archive, z => Put(z, "photos/9999.jpg", photo))),
            ("a bomb", Changed(archive, z => Put(z, "notes.json", new byte[80 * 1024 * 1024]))),
            (
                "another format",
                Changed(
                    archive,
                    z => Put(z, "manifest.json", """{"format":"other","version":1,"name":"x"}"""u8.ToArray())
                )
            ),
            (
                "a later version",
                Changed(
                    archive,
                    z => Put(z, "manifest.json", """{"format":"gorvix-record","version":9,"name":"x"}"""u8.ToArray())
                )
            ),
            ("no build", Changed(archive, z => z.GetEntry("build.gorvix.json")!.Delete())),
            ("null entries", Changed(archive, z => Put(z, "notes.json", "[null]"u8.ToArray()))),
            (
                "unknown members",
                Changed(
                    archive,
                    z => Put(z, "notes.json", """[{"kind":"note","at":"2026-01-01T00:00:00Z","evil":1}]"""u8.ToArray())
                )
            ),
            (
                "a text from elsewhere",
                Changed(
                    archive,
                    z =>
                        Put(
                            z,
                            "texts.json",
                            """[{"file":"../../etc/passwd","kind":"everything","at":"2026-01-01T00:00:00Z"}]"""u8.ToArray()
                        )
                )
            ),
            (
                "a broken moment",
                Changed(
                    archive,
                    z =>
                        Put(
                            z,
                            "moments.json",
                            """[{"version":1,"at":"2026-01-01T00:00:00Z","words":"x","format":1,"document":"{"}]"""u8.ToArray()
                        )
                )
            ),
            (
                "the year 9999",
                Changed(
                    archive,
                    z =>
                        Put(
                            z,
                            "notes.json",
                            """[{"kind":"done","at":"9999-12-31T00:00:00Z","words":"x","interval":"screws"}]"""u8.ToArray()
                        )
                )
            ),
            (
                "a version without a next",
                Changed(
                    archive,
                    z =>
                        Put(
                            z,
                            "moments.json",
                            Encoding.UTF8.GetBytes(
                                Regex.Replace(
                                    Read(z, "moments.json"),
                                    "\"version\": ?[0-9]+(?![\\s\\S]*\"version\")",
                                    "\"version\":2147483647"
                                )
                            )
                        )
                )
            ),
            (
                "an interval of no days",
                Changed(archive, z => Put(z, "intervals.json", """[{"id":"x","words":"x","days":0}]"""u8.ToArray()))
            ),
            (
                "a kind of dump that is a number",
                Changed(
                    archive,
                    z =>
                    {
                        Put(
                            z,
                            "texts.json",
                            """[{"file":"texts/0001.txt","kind":"999","at":"2026-01-01T00:00:00Z"}]"""u8.ToArray()
                        );
                        Put(z, "texts/0001.txt", "a line"u8.ToArray());
                    }
                )
            ),
            (
                "too many notes",
                Changed(
                    archive,
                    z =>
                        Put(
                            z,
                            "notes.json",
                            Encoding.UTF8.GetBytes(
                                $"[{string.Join(',', Enumerable.Repeat("""{"kind":"note","at":"2026-01-01T00:00:00Z"}""", 20_001))}]"
                            )
                        )
                )
            ),
            (
                "too many files",
                Changed(
                    archive,
                    z =>
                    {
                        for (var i = 0; i < 9000; i++)
                        {
                            z.CreateEntry($"texts/{i:0000}.txt");
                        }
                    }
                )
            ),
            ("a wrong checksum", Flipped(archive)),
            ("a photo with room for more", Changed(archive, z => Put(z, "photos/0001.jpg", Stuffed(photo)))),
            ("a list that is none", Changed(archive, z => Put(z, "notes.json", "null"u8.ToArray()))),
            ("tables that hide", Changed(archive, z => Put(z, "photos/0001.jpg", Tables(photo)))),
            ("two scans", Changed(archive, z => Put(z, "photos/0001.jpg", Scans(photo, 2, [])))),
            (
                "a last version that is another build",
                Changed(
                    archive,
                    z =>
                    {
                        const string name = "North Face Hare";
                        var text = Read(z, "moments.json");
                        var at = text.LastIndexOf(name, StringComparison.Ordinal);
                        Put(z, "moments.json", Encoding.UTF8.GetBytes($"{text[..at]}South{text[(at + 5)..]}"));
                    }
                )
            ),
            ("no moments", Changed(archive, z => Put(z, "moments.json", "[]"u8.ToArray()))),
            ("a polyglot", Changed(archive, z => Put(z, "photos/0001.jpg", [.. photo, .. "<script>"u8]))),
            ("Cannot read this photo", Changed(archive, z => Put(z, "photos/0001.jpg", "GIF89a"u8.ToArray()))),
        ];
        var taken = new List<string>();
        foreach (var (what, bytes) in hostile)
        {
            var (status, body) = await Send(server, "/api/records", bytes);
            if (
                status != HttpStatusCode.UnprocessableEntity
                || JsonDocument.Parse(body).RootElement.GetProperty("detail").GetString() is not { Length: > 20 }
            )
            {
                taken.Add($"{what}: {status}");
            }
        }
        Assert.True(taken.Count == 0, string.Join(", ", taken));
        Assert.Equal(before, await server.Count());
    }

    [Fact]
    public async Task Hostile_pictures_are_refused_and_what_is_kept_is_the_picture_alone()
    {
        await using var server = await LiveServer.Start();
        // A PNG that says it has 60 000 by 60 000 points: the head of one, sum and all (source: ISO/IEC 15948).
        var bomb = Png.Value.ToArray();
        (bomb[18], bomb[19], bomb[22], bomb[23]) = (0xEA, 0x60, 0xEA, 0x60);
        uint crc = 0xFFFFFFFF;
        foreach (var b in bomb.AsSpan(12, 17))
        {
            crc ^= b;
            for (var k = 0; k < 8; k++)
            {
                crc = (crc & 1) != 0 ? (crc >> 1) ^ 0xEDB88320 : crc >> 1;
            }
        }
        crc ^= 0xFFFFFFFF;
        (bomb[29], bomb[30], bomb[31], bomb[32]) = ((byte)(crc >> 24), (byte)(crc >> 16), (byte)(crc >> 8), (byte)crc);
        (string What, byte[] Bytes)[] hostile =
        [
            ("nothing", []),
            ("a page", "<html><script>alert(1)</script>"u8.ToArray()),
            ("a GIF", Convert.FromBase64String("R0lGODlhAQABAAAAACw=")),
            ("cut off", Png.Value[..40]),
            ("a bomb", bomb),
            ("an SVG", "<svg xmlns='http://www.w3.org/2000/svg'/>"u8.ToArray()),
        ];
        foreach (var (what, bytes) in hostile)
        {
            var (status, body) = await Send(server, $"{Hare}/log/photos", bytes);
            Assert.True(status == HttpStatusCode.UnprocessableEntity, $"{what}: {status} {body}");
        }
        // What hides behind a good picture does not come along.
        var (kept, _) = await Send(server, $"{Hare}/log/photos", [.. Png.Value, .. "PK hidden <script>"u8]);
        Assert.Equal(HttpStatusCode.OK, kept);
        var photo = await Bytes(server, $"{Hare}/log/photos/1");
        Assert.True(PhotoMaker.IsOwn(photo));
        Assert.False(PhotoMaker.IsOwn([.. photo, 0]));
        Assert.DoesNotContain("hidden", Encoding.Latin1.GetString(photo));
        var (large, _) = await Send(server, $"{Hare}/log/photos", new byte[PhotoMaker.MostBytes + 1]);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, large);
    }
}
