using System.Globalization;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>
/// A data folder that is in use by this process, from its opening until it is disposed of. A file is there complete or not at all: a new one, and
/// one whose form changes, is made beside and put in its place when it is finished; whatever was left by a start that was cut off is removed.
/// The system lets the lock go when the process ends, however it ends.
/// </summary>
public sealed class DataHold : IDisposable
{
    private const string LockName = "gorvix.lock";
    private const string HolderEnd = ".process";

    private FileStream? _lock;

    /// <summary>Opens a folder: takes it for this process, makes what is missing, brings its form up.</summary>
    /// <param name="folder">The folder.</param>
    /// <param name="fill">Fills a new file, which is not in its place yet; null to leave it empty.</param>
    /// <returns>True when the file is new.</returns>
    /// <exception cref="DataFolderException">It cannot be opened; nothing of it was changed.</exception>
    public async Task<bool> Open(DataFolder folder, Func<DataFolder, Task>? fill = null)
    {
        Take(folder);
        try
        {
            var making = folder with { Name = DataFolder.MakingName };
            // What an earlier try of this process has open is none of the new file.
            making.LetGo();
            making.Remove();
            var isNew = new FileInfo(folder.File) is not { Exists: true, Length: > 0 };
            if (isNew)
            {
                await Make(folder, making, fill);
            }
            else
            {
                await Foreign.Check(folder);
                await Sound(folder);
                await BringUp(folder, making);
            }
            return isNew;
        }
        catch (Exception problem)
        {
            Dispose();
            throw problem switch
            {
                DataFolderException => problem,
                _ when StorageFault.Of(problem) is { } fault => new DataFolderException(
                    Sentences.CannotOpenDataFile(folder.File, fault.Start),
                    problem
                ),
                _ => problem,
            };
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _lock?.Dispose();
        _lock = null;
    }

    internal void Take(DataFolder folder)
    {
        try
        {
            Directory.CreateDirectory(folder.Path);
            var probe = Path.Combine(folder.Path, $".write-{Guid.NewGuid():N}");
            File.WriteAllText(probe, "");
            File.Delete(probe);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException(Sentences.CannotWriteToDataFolder(folder.Path), problem);
        }
        var path = Path.Combine(folder.Path, LockName);
        try
        {
            _lock = new FileStream(path, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException problem)
        {
            throw new DataFolderException(Sentences.AnotherGorvixIsUsingThe(Holder(path), folder.Path), problem);
        }
        // Nobody else may read what is locked: who holds it is told beside.
        File.WriteAllText(path + HolderEnd, $"{Environment.ProcessId}");
    }

    private static string Holder(string path) =>
        File.Exists(path + HolderEnd)
        && int.TryParse(File.ReadAllText(path + HolderEnd), CultureInfo.InvariantCulture, out var process)
            ? $" (process {process})"
            : "";

    private static async Task Make(DataFolder folder, DataFolder making, Func<DataFolder, Task>? fill)
    {
        await using (var db = making.Connect())
        {
            await db.Database.MigrateAsync();
            await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL");
        }
        if (fill is not null)
        {
            await fill(making);
        }
        await Close(making);
        // An empty file, or what SQLite had beside one that was lost, is nobody's.
        folder.Remove();
        File.Move(making.File, folder.File);
    }

    // What stands in the log beside the file goes into it; then the file alone is everything.
    private static async Task Close(DataFolder folder)
    {
        await using (var db = folder.Connect())
        {
            await db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)");
        }
        folder.LetGo();
    }

    private static async Task Sound(DataFolder folder)
    {
        var said = await DataCare.QuickCheck(folder);
        if (said != "ok")
        {
            throw new DataFolderException(Sentences.DataFileIsDamagedNothing(folder.File, said));
        }
    }

    private static async Task BringUp(DataFolder folder, DataFolder making)
    {
        List<string> applied;
        await using (var db = folder.Connect())
        {
            applied = [.. await db.Database.GetAppliedMigrationsAsync()];
            var known = db.Database.GetMigrations().ToList();
            if (applied.Except(known).Any())
            {
                throw new DataFolderException(Sentences.TheDataInWasWritten(folder.Path));
            }
            if (known.Except(applied).Any() is false)
            {
                await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL");
                return;
            }
        }
        // The form changes: on a copy, so that the file is the old one or the new one, and the old one is kept.
        await DataCare.Copy(folder, making.File);
        await using (var db = making.Connect())
        {
            // A start that was cut off while it changed the form has left its lock in there; whoever held it is gone, as the folder is ours.
            await db.Database.ExecuteSqlRawAsync("DROP TABLE IF EXISTS \"__EFMigrationsLock\"");
            await db.Database.MigrateAsync();
            await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL");
        }
        await Close(making);
        await Close(folder);
        var kept = Path.Combine(folder.Path, $"gorvix-before-{Short(applied)}.db");
        await DataCare.Copy(folder, kept + ".part");
        File.Move(kept + ".part", kept, overwrite: true);
        folder.LetGo();
        foreach (var end in new[] { "-wal", "-shm" })
        {
            File.Delete(folder.File + end);
        }
        File.Move(making.File, folder.File, overwrite: true);
    }

    private static string Short(List<string> applied) => applied.Count == 0 ? "first" : applied[^1].Split('_')[0];
}
