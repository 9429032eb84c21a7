using Microsoft.Data.Sqlite;

namespace Gorvix.Storage;

/// <summary>What is in a data file, as a check finds it.</summary>
/// <param name="Said">"ok", or what is damaged.</param>
/// <param name="Bytes">Its size.</param>
/// <param name="Builds">How many builds, those laid aside too.</param>
/// <param name="Parts">How many parts.</param>
/// <param name="Form">The last change of its form.</param>
public sealed record DataReport(string Said, long Bytes, long Builds, long Parts, string Form);

/// <summary>Looks after a data file: looks whether it is sound, backs it up, puts a back-up in its place.</summary>
public static class DataCare
{
    /// <summary>What the quick check of SQLite says of a file: "ok", or the first thing that is wrong.</summary>
    public static Task<string> QuickCheck(DataFolder folder) => Asked(folder.ConnectionString, "PRAGMA quick_check(1)");

    /// <summary>Looks through a whole file.</summary>
    /// <exception cref="DataFolderException">There is none, or it is none of ours.</exception>
    public static async Task<DataReport> Check(DataFolder folder)
    {
        if (!File.Exists(folder.File))
        {
            throw new DataFolderException(Sentences.NoDataFileInYet(folder.Path));
        }
        try
        {
            await Foreign.Check(folder);
            return new DataReport(
                await Asked(folder.ConnectionString, "PRAGMA integrity_check(1)") is var said and not "ok"
                    ? said
                    : await Keys(folder),
                new FileInfo(folder.File).Length,
                await Counted(folder, "Builds"),
                await Counted(folder, "Parts"),
                await Asked(
                    folder.ConnectionString,
                    "SELECT MigrationId FROM \"__EFMigrationsHistory\" ORDER BY MigrationId DESC LIMIT 1"
                )
            );
        }
        catch (SqliteException problem)
        {
            return new DataReport(problem.Message.TrimEnd('.'), new FileInfo(folder.File).Length, 0, 0, "");
        }
    }

    /// <summary>Copies a file as it stands, also while a Gorvix works with it; the copy is complete or not there.</summary>
    /// <param name="folder">The file's folder.</param>
    /// <param name="to">Where the copy goes.</param>
    /// <exception cref="DataFolderException">It cannot be written there, or is there already.</exception>
    public static async Task BackUp(DataFolder folder, string to)
    {
        if (!File.Exists(folder.File))
        {
            throw new DataFolderException(Sentences.NoDataFileInYet(folder.Path));
        }
        if (File.Exists(to))
        {
            throw new DataFolderException(Sentences.AlreadyExistsChooseAnotherName(to));
        }
        await Foreign.Check(folder);
        var part = to + ".part";
        try
        {
            File.Delete(part);
            await Copy(folder, part);
            File.Move(part, to);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException or SqliteException)
        {
            throw new DataFolderException(
                Sentences.CannotWriteTheBackupTo(to, StorageFault.Of(problem)?.Start ?? problem.Message),
                problem
            );
        }
        await File.WriteAllTextAsync(
            Path.Combine(folder.Path, LastName),
            $"{DateTime.UtcNow:O}\n{Path.GetFullPath(to)}"
        );
    }

    private const string LastName = "gorvix.backup";

    /// <summary>When the last back-up was made, UTC, and where it went; null where none was.</summary>
    public static (DateTime At, string To)? Last(DataFolder folder)
    {
        var path = Path.Combine(folder.Path, LastName);
        return
            File.Exists(path)
            && File.ReadAllLines(path) is [var at, var to]
            && DateTime.TryParse(
                at,
                System.Globalization.CultureInfo.InvariantCulture,
                System.Globalization.DateTimeStyles.RoundtripKind,
                out var when
            )
            ? (when, to)
            : null;
    }

    /// <summary>Puts a back-up in the place of the file, which is kept under another name.</summary>
    /// <param name="folder">The folder.</param>
    /// <param name="from">The back-up.</param>
    /// <returns>Where the file that was there is kept; null where there was none.</returns>
    /// <exception cref="DataFolderException">The back-up is none of ours or damaged, or the folder is in use.</exception>
    public static async Task<string?> Restore(DataFolder folder, string from)
    {
        if (!File.Exists(from))
        {
            throw new DataFolderException(Sentences.FileNotFound(from));
        }
        var source = new DataFolder(Path.GetDirectoryName(Path.GetFullPath(from))!, Path.GetFileName(from));
        await Foreign.Check(source);
        if (await QuickCheck(source) is var said and not "ok")
        {
            throw new DataFolderException(Sentences.BackupIsDamagedNothingWas(from, said));
        }
        using var hold = new DataHold();
        hold.Take(folder);
        var making = folder with { Name = DataFolder.MakingName };
        making.Remove();
        await Copy(source, making.File);
        folder.LetGo();
        string? kept = null;
        if (File.Exists(folder.File))
        {
            kept = Path.Combine(folder.Path, $"gorvix-before-restore-{DateTime.UtcNow:yyyyMMdd-HHmmss}.db");
            // It may be damaged: it is copied with what lies beside it, and not read. Until the back-up takes its place it stays where it is.
            foreach (var end in new[] { "", "-wal", "-shm" })
            {
                if (File.Exists(folder.File + end))
                {
                    File.Copy(folder.File + end, kept + end);
                }
            }
            File.Delete(folder.File + "-wal");
            File.Delete(folder.File + "-shm");
        }
        File.Move(making.File, folder.File, overwrite: true);
        return kept;
    }

    /// <summary>Copies a file by SQLite's own means: what stands in the log beside it is in the copy too.</summary>
    internal static async Task Copy(DataFolder from, string to)
    {
        await using var source = new SqliteConnection(from.ConnectionString + ";Pooling=False");
        await source.OpenAsync();
        await using var target = new SqliteConnection(
            new SqliteConnectionStringBuilder { DataSource = to, Pooling = false }.ToString()
        );
        await target.OpenAsync();
        source.BackupDatabase(target);
    }

    private static async Task<string> Keys(DataFolder folder) =>
        await Asked(folder.ConnectionString, "PRAGMA foreign_key_check") is "" ? "ok" : Sentences.ARowRefersToA;

    private static async Task<long> Counted(DataFolder folder, string table) =>
        long.TryParse(
            await Asked(folder.ConnectionString, $"SELECT count(*) FROM \"{table}\""),
            System.Globalization.CultureInfo.InvariantCulture,
            out var count
        )
            ? count
            : 0;

    private static async Task<string> Asked(string connect, string sql)
    {
        await using var connection = new SqliteConnection(connect + ";Pooling=False");
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
        command.CommandText = sql;
        return $"{await command.ExecuteScalarAsync()}";
    }
}
