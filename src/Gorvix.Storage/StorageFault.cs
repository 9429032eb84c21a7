using Microsoft.Data.Sqlite;

namespace Gorvix.Storage;

/// <summary>Why something could not be stored or read, told truly.</summary>
/// <param name="Status">The status of an answer that tells it.</param>
/// <param name="Sentence">It for who works with the page: what has happened, and what becomes of what he did.</param>
/// <param name="Start">It for who starts the program.</param>
public sealed record StorageFault(int Status, string Sentence, string Start)
{
    // Result codes of SQLite (source: sqlite.org, Result and Error Codes).
    private const int Busy = 5;
    private const int Locked = 6;
    private const int ReadOnly = 8;
    private const int InOut = 10;
    private const int Corrupt = 11;
    private const int Full = 13;
    private const int CannotOpen = 14;
    private const int NoDatabase = 26;

    private const string Kept = "Your change was not saved; this page keeps it to send again.";

    /// <summary>The fault of an exception, or of what lies within it; null where storage is not to blame.</summary>
    public static StorageFault? Of(Exception? problem) =>
        problem switch
        {
            null => null,
            DataGoneException => new(
                503,
                $"The data folder was moved or deleted while Gorvix was running. {Kept} Put it back, or restart Gorvix.",
                problem.Message
            ),
            SqliteException sqlite => Of(sqlite),
            _ => Of(problem.InnerException),
        };

    /// <summary>True where a write was refused because of what it says, not of where it goes.</summary>
    public static bool IsContent(Exception problem) => Of(problem) is null;

    private static StorageFault? Of(SqliteException problem) =>
        problem.SqliteErrorCode switch
        {
            Full => new(
                507,
                $"The disk is full. {Kept} Free some space, then try again.",
                "the disk is full. Free some space, then start again."
            ),
            ReadOnly => new(
                503,
                $"Cannot write the data file: it or its folder is read-only. {Kept} Make it writable, then try again.",
                "it is read-only. Make it writable, or choose another folder with --data DIR."
            ),
            InOut => new(
                503,
                $"Disk read or write error. {Kept} Check the disk before you continue.",
                "disk read or write error. Check the disk before you continue."
            ),
            Corrupt or NoDatabase => new(
                500,
                "The data file is damaged. Stop Gorvix, run ./start --check, then restore a backup with ./start --restore FILE.",
                "it is damaged or not a Gorvix file. Nothing was changed. Restore a backup with ./start --restore FILE, move the file, or choose another folder with --data DIR."
            ),
            CannotOpen => new(
                503,
                $"Cannot open the data file: it was moved or is no longer readable. {Kept} Put it back or check its permissions.",
                "no permission to read it. Check the folder's permissions."
            ),
            Busy or Locked => new(
                503,
                $"Another program is using the data file. {Kept} Close it, then try again.",
                "another program is using it. Close that program, then start again."
            ),
            _ => null,
        };
}

/// <summary>The data file is not where it was when it was opened.</summary>
public sealed class DataGoneException(string file) : Exception($"Data file {file} is missing.");
