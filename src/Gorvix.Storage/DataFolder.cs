using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Gorvix.Storage;

/// <summary>The data cannot be opened; the message is one line for the person who starts the program.</summary>
public sealed class DataFolderException(string message, Exception? inner = null) : Exception(message, inner);

/// <summary>The folder that holds the SQLite file.</summary>
/// <param name="Path">The folder.</param>
/// <param name="Name">The file's name in it.</param>
public sealed record DataFolder(string Path, string Name = DataFolder.UsualName)
{
    /// <summary>What the file is called.</summary>
    public const string UsualName = "gorvix.db";

    /// <summary>What a file is called while it is made; it becomes the file only when it is complete.</summary>
    public const string MakingName = "gorvix.making.db";

    /// <summary>The SQLite file.</summary>
    public string File => System.IO.Path.Combine(Path, Name);

    /// <summary>The folder of the log files.</summary>
    public string Logs => System.IO.Path.Combine(Path, "log");

    /// <summary>How to connect to it. Foreign keys are on; a busy file is waited for.</summary>
    public string ConnectionString =>
        new SqliteConnectionStringBuilder
        {
            DataSource = File,
            ForeignKeys = true,
            DefaultTimeout = 10,
        }.ToString();

    /// <summary>A context for this file.</summary>
    public GorvixDb Connect() => new(new DbContextOptionsBuilder<GorvixDb>().UseSqlite(ConnectionString).Options);

    /// <summary>Closes what is kept open of the file for the next who asks.</summary>
    public void LetGo()
    {
        using var connection = new SqliteConnection(ConnectionString);
        SqliteConnection.ClearPool(connection);
    }

    /// <summary>Removes the file with what SQLite keeps beside it.</summary>
    internal void Remove()
    {
        foreach (var end in new[] { "", "-wal", "-shm", "-journal" })
        {
            System.IO.File.Delete(File + end);
        }
    }
}
