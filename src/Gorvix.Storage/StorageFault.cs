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

    /// <summary>The fault of an exception, or of what lies within it; null where storage is not to blame.</summary>
    public static StorageFault? Of(Exception? problem) =>
        problem switch
        {
            null => null,
            DataGoneException => new(503, Sentences.TheDataFolderWasMoved(Sentences.Kept), problem.Message),
            SqliteException sqlite => Of(sqlite),
            _ => Of(problem.InnerException),
        };

    /// <summary>True where a write was refused because of what it says, not of where it goes.</summary>
    public static bool IsContent(Exception problem) => Of(problem) is null;

    private static StorageFault? Of(SqliteException problem) =>
        problem.SqliteErrorCode switch
        {
            Full => new(507, Sentences.TheDiskIsFullFree(Sentences.Kept), Sentences.TheDiskIsFullFreeSome),
            ReadOnly => new(503, Sentences.CannotWriteTheDataFile(Sentences.Kept), Sentences.ItIsReadOnlyMake),
            InOut => new(503, Sentences.DiskReadOrWriteError(Sentences.Kept), Sentences.DiskReadOrWriteErrorCheck),
            Corrupt or NoDatabase => new(500, Sentences.TheDataFileIsDamaged, Sentences.ItIsDamagedOrNot),
            CannotOpen => new(503, Sentences.CannotOpenTheDataFile(Sentences.Kept), Sentences.NoPermissionToReadIt),
            Busy or Locked => new(
                503,
                Sentences.AnotherProgramIsUsingThe(Sentences.Kept),
                Sentences.AnotherProgramIsUsingIt
            ),
            _ => null,
        };
}

/// <summary>The data file is not where it was when it was opened.</summary>
public sealed class DataGoneException(string file) : Exception(Sentences.DataFileIsMissing(file));
