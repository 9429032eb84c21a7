using System.Buffers.Binary;
using System.IO.Compression;
using System.IO.Hashing;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Work.Log;

namespace Gorvix.Storage;

/// <summary>The record of a build that was read from an archive: the build with its parts, and everything that happened to it.</summary>
/// <param name="File">The build with its parts.</param>
/// <param name="Rows">What is stored for it.</param>
public sealed record ReadRecord(GorvixFile File, RecordRows Rows);

/// <summary>What is stored for a build besides itself.</summary>
public sealed record RecordRows(
    IReadOnlyList<ArchivedMoment> Moments,
    IReadOnlyList<LoggedReading> Readings,
    IReadOnlyList<LoggedNote> Notes,
    IReadOnlyList<Interval> Intervals,
    IReadOnlyList<(ArchivedText Meta, string Text)> Texts,
    IReadOnlyList<(ArchivedPhoto Meta, MadePhoto Photo)> Photos
);

/// <summary>Reads the archive of a record, whoever it comes from: only names that a record has, unfolded no further than one holds, each list checked.</summary>
public static partial class RecordReader
{
    /// <summary>The most files in it.</summary>
    public const int MostFiles = 1500;

    // No build is changed so often: a version at the top of its range would have no next one.
    private const int MostVersion = 1_000_000;

    // Before there were such aircraft, and after all who build them: due dates are reckoned from these times.
    private const int FirstYear = 2000;
    private const int LastYear = 2100;

    // A line of the directory has 46 bytes and a name.
    private const int MostDirectory = MostFiles * 256;

    // What it may unfold to, file by file and together.
    private const int MostJson = 64 * 1024 * 1024;
    private const long MostUnfolded = 400L * 1024 * 1024;

    /// <summary>Reads an archive and checks everything in it; nothing is stored.</summary>
    /// <param name="from">The archive; it can be gone back in.</param>
    /// <param name="library">The parts that its build may name besides its own.</param>
    /// <param name="stop">Tells that nobody waits any more.</param>
    /// <exception cref="UnfitException">It is none, or not to be trusted.</exception>
    public static async Task<ReadRecord> Read(Stream from, PartsLibrary library, CancellationToken stop)
    {
        try
        {
            await Bounded(from, stop);
            using var zip = new ZipArchive(from, ZipArchiveMode.Read, leaveOpen: true);
            return await Read(new Unfolded(zip, stop), library, stop);
        }
        catch (InvalidDataException)
        {
            throw new UnfitException(Sentences.NotARecordArchiveOr);
        }
        catch (JsonException problem)
        {
            throw new UnfitException(
                Sentences.CannotReadAListIn(problem.Path is { Length: > 0 } path ? $" at {path}" : "")
            );
        }
    }

    // The library makes an entry of each line of the directory at the end before any can be counted, and a hostile archive has millions: so its length
    // is looked at first (source: PKWARE's APPNOTE 6.3.10, 4.3.16). One that needs larger numbers than these is larger than a record may be.
    private static async Task Bounded(Stream from, CancellationToken stop)
    {
        const int Shortest = 22;
        var tail = new byte[Math.Min(from.Length, Shortest + ushort.MaxValue)];
        from.Position = from.Length - tail.Length;
        await from.ReadExactlyAsync(tail, stop);
        from.Position = 0;
        var at = tail.AsSpan().LastIndexOf("PK\u0005\u0006"u8);
        if (at < 0 || at + Shortest > tail.Length)
        {
            return;
        }
        var (begin, end) = (
            BinaryPrimitives.ReadUInt32LittleEndian(tail.AsSpan(at + 16)),
            from.Length - tail.Length + at
        );
        if (end - begin is < 0 or > MostDirectory)
        {
            throw new UnfitException(Sentences.TooManyFilesInThe(MostFiles));
        }
    }

    private static async Task<ReadRecord> Read(Unfolded files, PartsLibrary library, CancellationToken stop)
    {
        var manifest = await files.Json<RecordManifest>("manifest.json");
        if (manifest.Format != RecordManifest.FormatName)
        {
            throw new UnfitException(Sentences.ThisArchiveIsNotA);
        }
        if (manifest.Version is < 1 or > RecordManifest.Newest)
        {
            throw new UnfitException(Sentences.TheRecordHasVersionThis(manifest.Version, RecordManifest.Newest));
        }
        var read = GorvixReader.Read(await files.Bytes("build.gorvix.json", GorvixReader.MostBytes), library);
        if (read.File is not { Builds.Count: 1 } file)
        {
            throw new UnfitException(
                Sentences.CannotReadTheBuildIn(
                    read.Findings.Count > 0 ? read.Findings[0].Sentence : Sentences.ThereIsNoBuildInIt
                )
            );
        }
        var moments = await files.List<ArchivedMoment>("moments.json", 100_000);
        Build? last = null;
        foreach (var moment in moments)
        {
            if (moment.Format is < 1 or > FormatMigrations.Newest)
            {
                throw new UnfitException(
                    Sentences.VersionOfTheBuildIs(moment.Version, moment.Format, FormatMigrations.Newest)
                );
            }
            try
            {
                last = Documents.Read<Build>(moment.Document, moment.Format, "A build");
            }
            catch (UnreadableException)
            {
                throw new UnfitException(Sentences.VersionOfTheBuildIn(moment.Version));
            }
        }
        if (
            moments.Count == 0
            || moments.Zip(moments.Skip(1)).Any(p => p.First.Version >= p.Second.Version)
            || moments[0].Version < 1
            || moments[^1].Version > MostVersion
        )
        {
            throw new UnfitException(Sentences.TheBuildVersionsInThe);
        }
        if (Documents.Write(last) != Documents.Write(file.Builds[0]))
        {
            throw new UnfitException(Sentences.TheLastVersionInThe);
        }
        var readings = await files.List<LoggedReading>("readings.json", LogStore.MostReadings);
        if (
            readings.Select(r => r.Key).Distinct().Count() < readings.Count
            || readings.Any(r => r.Key.Length is 0 or > LogStore.MostKey)
        )
        {
            throw new UnfitException(Sentences.TwoReadingsInTheRecord);
        }
        var notes = await files.List<LoggedNote>("notes.json", LogStore.MostNotes);
        if (notes.Any(n => n.Words.Length > 2 * LogStore.MostWords || n.Flights is < 0 or > 1000))
        {
            throw new UnfitException(Sentences.ANoteInTheRecord);
        }
        var intervals = await files.List<Interval>("intervals.json", Dues.MostIntervals);
        if (Dues.Against(intervals) is { } against)
        {
            throw new UnfitException($"intervals.json: {against}");
        }
        var texts = new List<(ArchivedText, string)>();
        foreach (var meta in await files.List<ArchivedText>("texts.json", TextStore.MostTexts))
        {
            // A number would pass for a name.
            if (!Enum.GetNames<TextKind>().Contains(meta.Kind, StringComparer.OrdinalIgnoreCase))
            {
                throw new UnfitException(Sentences.ADumpInTheRecord(meta.Kind));
            }
            texts.Add((meta, Encoding.UTF8.GetString(await files.Bytes(meta.File, 4 * TextStore.MostText))));
        }
        var photos = new List<(ArchivedPhoto, MadePhoto)>();
        foreach (var meta in await files.List<ArchivedPhoto>("photos.json", LogStore.MostPhotos))
        {
            photos.Add((meta, await Photo(meta.File, await files.Bytes(meta.File, PhotoMaker.MostBytes), stop)));
        }
        files.NothingElse();
        InTime("moments.json", moments.Select(m => m.At));
        InTime("readings.json", readings.SelectMany(r => new[] { r.At, r.Struck ?? r.At }));
        InTime("notes.json", notes.Select(n => n.At));
        InTime("texts.json", texts.Select(t => t.Item1.At));
        InTime("photos.json", photos.Select(p => p.Item1.At));
        return new ReadRecord(file, new RecordRows(moments, readings, notes, intervals, texts, photos));
    }

    private static void InTime(string name, IEnumerable<DateTime> times)
    {
        foreach (var at in times)
        {
            if (at.Year is < FirstYear or > LastYear)
            {
                throw new UnfitException(Sentences.HasAnEntryOfThe(name, at.Year, FirstYear, LastYear));
            }
        }
    }

    // Kept as it is, so that it comes out as it went in; therefore it must be a picture and nothing else.
    private static async Task<MadePhoto> Photo(string name, byte[] bytes, CancellationToken stop)
    {
        try
        {
            return await PhotoMaker.Again(bytes, stop);
        }
        catch (UnfitException problem)
        {
            throw new UnfitException($"{name}: {problem.Message}");
        }
    }

    // The files of an archive, unfolded no further than they may be.
    private sealed class Unfolded
    {
        private readonly Dictionary<string, ZipArchiveEntry> _files = [];
        private readonly HashSet<string> _read = [];
        private readonly CancellationToken _stop;
        private long _unfolded;

        public Unfolded(ZipArchive zip, CancellationToken stop)
        {
            _stop = stop;
            if (zip.Entries.Count > MostFiles)
            {
                throw new UnfitException(Sentences.TooManyFilesInTheArchive(zip.Entries.Count, MostFiles));
            }
            foreach (var entry in zip.Entries)
            {
                if (!Name().IsMatch(entry.FullName))
                {
                    throw new UnfitException(Sentences.TheArchiveContainsAFile);
                }
                if (!_files.TryAdd(entry.FullName, entry))
                {
                    throw new UnfitException(Sentences.IsInTheArchiveTwice(entry.FullName));
                }
            }
        }

        public async Task<byte[]> Bytes(string name, int most)
        {
            if (!_files.TryGetValue(name, out var entry))
            {
                throw new UnfitException(
                    Name().IsMatch(name) ? Sentences.IsMissingFromTheArchive(name) : Sentences.AListInTheArchive
                );
            }
            _read.Add(name);
            using var bytes = new MemoryStream();
            await using var stream = entry.Open();
            var buffer = new byte[64 * 1024];
            for (int read; (read = await stream.ReadAsync(buffer, _stop)) > 0; )
            {
                _unfolded += read;
                if (bytes.Length + read > most || _unfolded > MostUnfolded)
                {
                    throw new UnfitException(Sentences.IsTooLargeWhenUnpacked(name));
                }
                bytes.Write(buffer, 0, read);
            }
            var all = bytes.ToArray();
            // The archive's reader leaves the checksum to whoever reads.
            return Crc32.HashToUInt32(all) == entry.Crc32
                ? all
                : throw new UnfitException(Sentences.IsDamagedItsChecksumDoes(name));
        }

        public async Task<T> Json<T>(string name) =>
            JsonSerializer.Deserialize<T>(await Bytes(name, MostJson), GorvixJson.File)
            ?? throw new UnfitException(Sentences.InTheArchiveIsEmpty(name));

        public async Task<List<T>> List<T>(string name, int most)
        {
            // Counted as they come: a list of millions is not made first.
            var list = new List<T>();
            var text = await Bytes(name, MostJson);
            // The reader of streams takes nothing at all for a list of nothing.
            if (!text.AsSpan().TrimStart(" \t\r\n"u8).StartsWith("["u8))
            {
                throw new UnfitException(Sentences.InTheArchiveIsNot(name));
            }
            using var bytes = new MemoryStream(text);
            await foreach (var entry in JsonSerializer.DeserializeAsyncEnumerable<T>(bytes, GorvixJson.File, _stop))
            {
                if (list.Count == most)
                {
                    throw new UnfitException(Sentences.TooManyEntriesInMaximum(name, most));
                }
                list.Add(entry ?? throw new UnfitException(Sentences.ContainsAnEmptyEntryExport(name)));
            }
            return list;
        }

        public void NothingElse()
        {
            if (_files.Keys.FirstOrDefault(f => !_read.Contains(f)) is { } stray)
            {
                throw new UnfitException(Sentences.IsInTheArchiveBut(stray));
            }
        }
    }

    [GeneratedRegex(@"\A(?:[a-z]+(?:\.gorvix)?\.json|texts/[0-9]{4}\.txt|photos/[0-9]{4}\.jpg)\z")]
    private static partial Regex Name();
}
