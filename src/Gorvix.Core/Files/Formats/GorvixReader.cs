using System.Text.Json;
using System.Text.Json.Nodes;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Files.Formats;

/// <summary>What came of reading a file: the file, or what is wrong with it.</summary>
/// <param name="File">The file, or null when something is wrong.</param>
/// <param name="Findings">What is wrong, in the order of the file; empty when it was read.</param>
public sealed record ReadResult(GorvixFile? File, IReadOnlyList<Finding> Findings);

/// <summary>Reads and writes files in the product's own format. A file is read whole or refused whole.</summary>
public static class GorvixReader
{
    /// <summary>The largest file that is looked at, in bytes.</summary>
    public const int MostBytes = 5 * 1024 * 1024;

    // A damaged file can break in thousands of places; the first ones are what the builder can use.
    internal const int MostFindings = 20;

    /// <summary>Reads a file and checks everything in it.</summary>
    /// <param name="bytes">UTF-8, with or without a byte order mark.</param>
    /// <param name="library">The parts that its builds may name besides its own.</param>
    public static ReadResult Read(ReadOnlyMemory<byte> bytes, PartsLibrary library)
    {
        if (TooLarge(bytes.Length) is { } size)
        {
            return new ReadResult(null, [size]);
        }
        if (NoText(bytes.Span) is { } other)
        {
            return new ReadResult(null, [other]);
        }
        if (bytes.Span.StartsWith("\uFEFF"u8))
        {
            bytes = bytes[3..];
        }
        GorvixFile file;
        var version = FormatMigrations.Newest;
        try
        {
            if (Header(bytes, out version) is { } header)
            {
                return new ReadResult(null, [header]);
            }
            file =
                version == FormatMigrations.Newest
                    ? JsonSerializer.Deserialize<GorvixFile>(bytes.Span, GorvixJson.File)!
                    : Older(bytes, version);
        }
        catch (JsonException problem)
        {
            return new ReadResult(null, [Problem(problem, inTree: version is > 0 and < FormatMigrations.Newest)]);
        }
        catch (NotSupportedException problem)
        {
            // What the library reports in this way: an element of a path, a pin or a ban without its kind.
            var place = JsonFault.PlaceIn(problem.Message);
            var needs = place.Contains("through", StringComparison.Ordinal)
                ? Sentences.AnElementOfAPath
                : Sentences.APinOrABlock;
            return new ReadResult(null, [Shape(place, needs)]);
        }
        var findings = Check(file, library).Take(MostFindings).ToList();
        return new ReadResult(findings.Count == 0 ? file : null, findings);
    }

    /// <summary>The finding for a file of this many bytes, or null when it is not too large.</summary>
    public static Finding? TooLarge(long bytes) =>
        bytes <= MostBytes
            ? null
            : FileRules.Size.Found(
                Severity.Stop,
                Subject.Place("file"),
                ("size", Sized(bytes, bytes - MostBytes)),
                ("most", Sized(MostBytes, bytes - MostBytes))
            );

    /// <summary>The finding for a file whose size nobody has told, and which went on after the most.</summary>
    public static Finding EndlesslyLarge() =>
        FileRules.Size.Found(
            Severity.Stop,
            Subject.Place("file"),
            ("size", Sentences.MoreThanMb(MostBytes / 1024 / 1024)),
            ("most", $"{MostBytes / 1024 / 1024} MB")
        );

    // What is too much by less than megabytes show is told in bytes.
    private static string Sized(long bytes, long above) =>
        above < 1024 * 1024 / 10 ? $"{bytes:N0} bytes" : $"{bytes / 1024.0 / 1024.0:0.#} MB";

    // Files that are none of text, or of text otherwise written; by what they begin with (sources: RFC 1952 for gzip, PKWARE's note on zip files,
    // the Unicode standard on the byte order mark).
    private static Finding? NoText(ReadOnlySpan<byte> bytes) =>
        bytes.StartsWith("PK\u0003\u0004"u8) ? Shape(Sentences.TheStart, Sentences.ItIsAZipImport)
        : bytes.StartsWith((ReadOnlySpan<byte>)[0x1F, 0x8B])
            ? Shape(Sentences.TheStart, Sentences.ItIsGzipCompressedUnpack)
        : bytes.StartsWith((ReadOnlySpan<byte>)[0xFF, 0xFE])
        || bytes.StartsWith((ReadOnlySpan<byte>)[0xFE, 0xFF])
        || bytes is [0, _, ..] or [_, 0, ..]
            ? Shape(Sentences.TheStart, Sentences.ItIsUtf16Text)
        : null;

    /// <summary>Writes a file in its one form, with a line end after the last line.</summary>
    public static byte[] Write(GorvixFile file) =>
        [.. JsonSerializer.SerializeToUtf8Bytes(file, GorvixJson.File), (byte)'\n'];

    // An older file is read as a tree, brought up step by step and read again.
    private static GorvixFile Older(ReadOnlyMemory<byte> bytes, int version)
    {
        var tree = JsonNode.Parse(
            bytes.Span,
            documentOptions: new JsonDocumentOptions
            {
                MaxDepth = GorvixJson.File.MaxDepth,
                AllowDuplicateProperties = false,
            }
        )!;
        FormatMigrations.BringFile(tree.AsObject(), version);
        return tree.Deserialize<GorvixFile>(GorvixJson.File)!;
    }

    // Format and version first: a newer file must be called newer, not broken.
    private static Finding? Header(ReadOnlyMemory<byte> bytes, out int number)
    {
        number = 0;
        if (NullAt(bytes.Span) is { } line)
        {
            return Shape($"line {line}", Sentences.NullIsNotAllowedRemove);
        }
        using var document = JsonDocument.Parse(bytes, new JsonDocumentOptions { MaxDepth = GorvixJson.File.MaxDepth });
        var root = document.RootElement;
        if (root.ValueKind != JsonValueKind.Object)
        {
            return Shape("line 1", Sentences.TheFileIsNotAn);
        }
        if (
            !root.TryGetProperty("format", out var format)
            || format.ValueKind != JsonValueKind.String
            || !format.ValueEquals(GorvixFile.FormatName)
        )
        {
            return Shape("format", Sentences.ItMustBeFormatIs(GorvixFile.FormatName));
        }
        if (
            !root.TryGetProperty("version", out var version)
            || version.ValueKind != JsonValueKind.Number
            || !version.TryGetInt32(out number)
            || number < 1
        )
        {
            return Shape("version", Sentences.ItMustBeAWhole);
        }
        return number <= GorvixFile.NewestVersion
            ? null
            : FileRules.Version.Found(
                Severity.Stop,
                Subject.Place("version"),
                ("version", $"{number}"),
                ("newest", $"{GorvixFile.NewestVersion}")
            );
    }

    // The format has no nulls; the serializer would let them into lists.
    private static int? NullAt(ReadOnlySpan<byte> bytes)
    {
        var reader = new Utf8JsonReader(bytes, new JsonReaderOptions { MaxDepth = GorvixJson.File.MaxDepth });
        while (reader.Read())
        {
            if (reader.TokenType == JsonTokenType.Null)
            {
                return 1 + bytes[..(int)reader.TokenStartIndex].Count((byte)'\n');
            }
        }
        return null;
    }

    private static Finding Problem(JsonException problem, bool inTree)
    {
        var (place, words) = JsonFault.Of(problem, inTree);
        return Shape(place, words);
    }

    private static Finding Shape(string place, string problem) =>
        FileRules.Shape.Found(Severity.Stop, Subject.Place(place), ("place", place), ("problem", problem));

    private static IEnumerable<Finding> Check(GorvixFile file, PartsLibrary library)
    {
        var list = new CheckList();
        list.Ids(file.Boards, "boards", b => b.Id);
        list.Ids(file.Devices, "devices", d => d.Id);
        list.Ids(file.Builds, "builds", b => b.Name);
        list.Ids(file.Profiles, "profiles", p => p.Id);
        var known = file.Parts().With(library);
        return
        [
            .. list.Findings,
            .. file.Boards.SelectMany((b, i) => PartCheck.Of(b, $"boards[{i}]")),
            .. file.Devices.SelectMany((d, i) => PartCheck.Of(d, $"devices[{i}]")),
            .. file.Profiles.SelectMany((p, i) => PartCheck.Of(p, $"profiles[{i}]")),
            .. file.Builds.SelectMany((b, i) => BuildCheck.Of(b, known, $"builds[{i}]")),
            .. FilePhoto.Against(file).Select(p => Shape(p.Member, p.Problem)),
            .. Drills(file),
        ];
    }

    private static IEnumerable<Finding> Drills(GorvixFile file)
    {
        if (file.Drills.Count > GorvixFile.MostDrills)
        {
            return [Shape("drills", Sentences.TheLimitIsPerFile(GorvixFile.MostDrills))];
        }
        return file.Drills.Count > 0 && file.Builds.Count != 1
            ? [Shape("drills", Sentences.DrillsBelongToOneBuild)]
            : file.Drills.SelectMany((d, i) => d.Against().Select(a => Shape($"drills[{i}].{a.Member}", a.Problem)));
    }
}
