using System.Text;
using Microsoft.Data.Sqlite;

namespace Gorvix.Storage;

/// <summary>Tells files of other programs from our own without writing to them.</summary>
internal static class Foreign
{
    // What every SQLite file begins with (source: sqlite.org, Database File Format).
    private static readonly byte[] Header = Encoding.ASCII.GetBytes("SQLite format 3\0");

    // The first form of our data: every file of ours has gone through it.
    private const string FirstMigration = "_First";

    /// <summary>Refuses a file that is none of ours.</summary>
    /// <exception cref="DataFolderException">It is somebody else's; it was not touched.</exception>
    public static async Task Check(DataFolder folder)
    {
        await using (var file = new FileStream(folder.File, FileMode.Open, FileAccess.Read, FileShare.ReadWrite))
        {
            var start = new byte[Header.Length];
            var read = await file.ReadAtLeastAsync(start, start.Length, throwOnEndOfStream: false);
            if (read < start.Length || !start.AsSpan().SequenceEqual(Header))
            {
                throw Refused(folder, Sentences.ItIsNotAnSqlite);
            }
        }
        await using var connection = new SqliteConnection(Looking(folder));
        await connection.OpenAsync();
        await using var command = connection.CreateCommand();
        command.CommandText = "SELECT count(*) FROM sqlite_master WHERE name = '__EFMigrationsHistory'";
        var there = (long)(await command.ExecuteScalarAsync())! > 0;
        if (there)
        {
            command.CommandText =
                $"SELECT count(*) FROM \"__EFMigrationsHistory\" WHERE MigrationId LIKE '%\\{FirstMigration}' ESCAPE '\\'";
            there = (long)(await command.ExecuteScalarAsync())! > 0;
        }
        if (!there)
        {
            throw Refused(folder, Sentences.ItBelongsToAnotherProgram);
        }
    }

    private static DataFolderException Refused(DataFolder folder, string why) =>
        new(Sentences.IsNotAGorvixData(folder.File, why));

    // A file without a log beside it is read as it lies there, so that nothing is made beside it.
    private static string Looking(DataFolder folder) =>
        new SqliteConnectionStringBuilder
        {
            DataSource = File.Exists(folder.File + "-wal")
                ? folder.File
                : $"file:{Uri.EscapeDataString(folder.File).Replace("%2F", "/", StringComparison.Ordinal)}?immutable=1",
            Mode = SqliteOpenMode.ReadOnly,
            Pooling = false,
        }.ToString();
}
