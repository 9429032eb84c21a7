using System.Text.Json;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Work.Log;

namespace Gorvix.Storage;

/// <summary>Loads the demo: part files first, then one build from each build file, with the record that some have.</summary>
public sealed class DemoLoader(GorvixDb db, PartStore parts, BuildStore builds, RecordArchive archive)
{
    /// <summary>Loads every file below a folder.</summary>
    /// <param name="folder">The demo folder, with <c>parts</c>, <c>builds</c> and <c>records</c> in it.</param>
    /// <exception cref="DataFolderException">A demo file cannot be read.</exception>
    public async Task Load(string folder)
    {
        foreach (var path in Files(folder, "parts"))
        {
            await parts.Add(await Read(path));
            await db.SaveChangesAsync();
        }
        foreach (var path in Files(folder, "builds"))
        {
            var file = await Read(path);
            var record = Path.Combine(folder, "records", Path.GetFileNameWithoutExtension(path));
            if (Directory.Exists(record))
            {
                await builds.Import(new ReadRecord(file, await Record(record, file)), archive);
            }
            else
            {
                await builds.Import(file);
            }
        }
    }

    // Readings, notes and intervals as lists; the build came from a file on the day of the first reading.
    private static async Task<RecordRows> Record(string folder, GorvixFile file)
    {
        async Task<List<T>> List<T>(string name) =>
            JsonSerializer.Deserialize<List<T>>(
                await File.ReadAllBytesAsync(Path.Combine(folder, $"{name}.json")),
                GorvixJson.File
            )!;
        var readings = await List<LoggedReading>("readings");
        var first = new ArchivedMoment
        {
            Version = 1,
            At = readings[0].At.Date,
            Who = readings[0].Who,
            Words = "Imported",
            Format = FormatMigrations.Newest,
            Document = Documents.Write(file.Builds[0]),
        };
        return new RecordRows(
            [first],
            readings,
            await List<LoggedNote>("notes"),
            await List<Interval>("intervals"),
            [],
            []
        );
    }

    private static IEnumerable<string> Files(string folder, string kind) =>
        Directory.GetFiles(Path.Combine(folder, kind), "*.json").Order(StringComparer.Ordinal);

    private async Task<GorvixFile> Read(string path)
    {
        var result = GorvixReader.Read(await File.ReadAllBytesAsync(path), await parts.Everything());
        return result.File
            ?? throw new DataFolderException(Sentences.DemoFileIsDamaged(path, result.Findings[0].Sentence));
    }
}
