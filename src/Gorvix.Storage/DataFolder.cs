using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>The data cannot be opened; the message is one line for the person who starts the program.</summary>
public sealed class DataFolderException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>The folder that holds the SQLite file.</summary>
/// <param name="Path">The folder.</param>
public sealed record DataFolder(string Path)
{
    /// <summary>The SQLite file.</summary>
    public string File => System.IO.Path.Combine(Path, "gorvix.db");

    /// <summary>How to connect to it. Foreign keys are on; a busy file is waited for.</summary>
    public string ConnectionString =>
        new SqliteConnectionStringBuilder
        {
            DataSource = File,
            ForeignKeys = true,
            DefaultTimeout = 10,
        }.ToString();

    /// <summary>Creates or migrates the file and sets it to write-ahead logging.</summary>
    /// <returns>True when the file is new.</returns>
    /// <exception cref="DataFolderException">The folder cannot be written, or the file is newer than this program.</exception>
    public async Task<bool> Open()
    {
        try
        {
            Directory.CreateDirectory(Path);
            var probe = System.IO.Path.Combine(Path, $".write-{Guid.NewGuid():N}");
            await System.IO.File.WriteAllTextAsync(probe, "");
            System.IO.File.Delete(probe);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException(
                $"Cannot write to the data folder {Path}. Choose another with --data DIR.",
                problem
            );
        }
        try
        {
            await using var db = Connect();
            var isNew = !System.IO.File.Exists(File);
            if (!isNew)
            {
                var applied = await db.Database.GetAppliedMigrationsAsync();
                if (applied.Except(db.Database.GetMigrations()).Any())
                {
                    throw new DataFolderException(
                        $"The data in {Path} was written by a newer Gorvix. Update Gorvix or choose another folder with --data DIR."
                    );
                }
            }
            await db.Database.MigrateAsync();
            await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL");
            return isNew;
        }
        catch (SqliteException problem)
        {
            throw new DataFolderException(
                $"The data file {File} cannot be opened ({problem.Message.TrimEnd('.')}). Move it away or choose another folder with --data DIR.",
                problem
            );
        }
    }

    /// <summary>A context for this file.</summary>
    public GorvixDb Connect() => new(new DbContextOptionsBuilder<GorvixDb>().UseSqlite(ConnectionString).Options);
}
