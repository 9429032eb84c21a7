using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace Gorvix.Storage;

/// <summary>
/// Looks before each command whether the file is still where it was. A file that is deleted while it is open goes on working for who has it
/// open, and is gone with him: what was stored in it would be lost without a word.
/// </summary>
/// <param name="folder">The folder.</param>
public sealed class DataWatch(DataFolder folder) : DbCommandInterceptor, IDbConnectionInterceptor
{
    /// <inheritdoc/>
    public ValueTask<InterceptionResult> ConnectionOpeningAsync(
        DbConnection connection,
        ConnectionEventData eventData,
        InterceptionResult result,
        CancellationToken cancellationToken = default
    ) => new(Look(result));

    /// <inheritdoc/>
    public override ValueTask<InterceptionResult<int>> NonQueryExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<int> result,
        CancellationToken cancellationToken = default
    ) => new(Look(result));

    /// <inheritdoc/>
    public override ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<DbDataReader> result,
        CancellationToken cancellationToken = default
    ) => new(Look(result));

    /// <inheritdoc/>
    public override ValueTask<InterceptionResult<object>> ScalarExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<object> result,
        CancellationToken cancellationToken = default
    ) => new(Look(result));

    private T Look<T>(T result) => File.Exists(folder.File) ? result : throw new DataGoneException(folder.File);
}
