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

    private const string Kept = "What you did was not stored; this page keeps it and offers it again.";

    /// <summary>The fault of an exception, or of what lies within it; null where storage is not to blame.</summary>
    public static StorageFault? Of(Exception? problem) =>
        problem switch
        {
            null => null,
            DataGoneException => new(
                503,
                $"The data folder is gone: it was moved or deleted while Gorvix ran. {Kept} Put it back, or stop Gorvix and start it again.",
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
                $"The disk is full. {Kept} Make room, then try again.",
                "the disk is full. Make room and start again."
            ),
            ReadOnly => new(
                503,
                $"The data file cannot be written: it, or its folder, is read-only now. {Kept} Make it writable, then try again.",
                "it is read-only. Make it writable, or choose another folder with --data DIR."
            ),
            InOut => new(
                503,
                $"The disk has failed to read or write. {Kept} Look at the disk before you go on.",
                "the disk has failed to read or write it. Look at the disk before you go on."
            ),
            Corrupt or NoDatabase => new(
                500,
                "The data file is damaged. Stop Gorvix, look with ./start --check, and put a back-up in its place with ./start --restore FILE.",
                "it is damaged, or no file of Gorvix. Nothing was changed. Put a back-up in its place with ./start --restore FILE, move it away, or choose another folder with --data DIR."
            ),
            CannotOpen => new(
                503,
                $"The data file cannot be opened: it was moved, or may not be read any more. {Kept}",
                "it may not be read. Look at who may read and write the folder."
            ),
            Busy or Locked => new(
                503,
                $"Another program holds the data file. {Kept} Close that program, then try again.",
                "another program holds it. Close that and start again."
            ),
            _ => null,
        };
}

/// <summary>The data file is not where it was when it was opened.</summary>
public sealed class DataGoneException(string file) : Exception($"The data file {file} is gone.");
