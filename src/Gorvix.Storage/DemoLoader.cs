using Gorvix.Core.Formats;

namespace Gorvix.Storage;

/// <summary>Loads the demo: part files first, then one build from each build file.</summary>
public sealed class DemoLoader(GorvixDb db, PartStore parts, BuildStore builds)
{
    /// <summary>Loads every file below a folder.</summary>
    /// <param name="folder">The demo folder, with <c>parts</c> and <c>builds</c> in it.</param>
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
            await builds.Import(await Read(path));
        }
    }

    private static IEnumerable<string> Files(string folder, string kind) =>
        Directory.GetFiles(Path.Combine(folder, kind), "*.json").Order(StringComparer.Ordinal);

    private async Task<GorvixFile> Read(string path)
    {
        var result = GorvixReader.Read(await File.ReadAllBytesAsync(path), await parts.Everything());
        return result.File
            ?? throw new DataFolderException($"The demo file {path} is damaged. {result.Findings[0].Sentence}");
    }
}
