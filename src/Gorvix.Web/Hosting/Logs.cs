using System.Globalization;
using System.Reflection;
using Serilog;
using Serilog.Events;
using Serilog.Formatting.Compact;

namespace Gorvix.Web.Hosting;

/// <summary>
/// What the program logs: warnings and faults, to the console in a line and to a file a day in the data folder, each with the number that the
/// answer carried. Nothing of what a build contains, and no place on this machine, is in it.
/// </summary>
internal static class Logs
{
    private const int Days = 7;
    private const int MostBytes = 10 * 1024 * 1024;

    public static void Use(WebApplicationBuilder builder, StartOptions options)
    {
        builder.Logging.ClearProviders();
        if (options.IsQuiet)
        {
            return;
        }
        builder.Services.AddSerilog(
            log =>
                log.MinimumLevel.Warning()
                    // Every failure of the start is told in one line by Program; a refused write is an answer, not an event.
                    .MinimumLevel.Override("Microsoft.Extensions.Hosting", LevelAlias.Off)
                    .MinimumLevel.Override("Microsoft.EntityFrameworkCore", LevelAlias.Off)
                    .MinimumLevel.Override(
                        "Microsoft.AspNetCore.Diagnostics.ExceptionHandlerMiddleware",
                        LevelAlias.Off
                    )
                    .WriteTo.Console(
                        formatProvider: CultureInfo.InvariantCulture,
                        outputTemplate: "{Timestamp:HH:mm:ss} {Level:u3} {Message:lj} ({TraceId}){NewLine}{Exception}"
                    )
                    .WriteTo.File(
                        new CompactJsonFormatter(),
                        Path.Combine(options.Folder.Logs, "gorvix-.log"),
                        rollingInterval: RollingInterval.Day,
                        retainedFileCountLimit: Days,
                        fileSizeLimitBytes: MostBytes,
                        rollOnFileSizeLimit: true
                    ),
            // Several programs in one process, as in tests, log each to its own folder.
            preserveStaticLogger: true
        );
    }
}

/// <summary>A fault that was told to somebody.</summary>
/// <param name="At">When, UTC.</param>
/// <param name="Number">The number that the answer carried, as in the log.</param>
/// <param name="What">The request.</param>
/// <param name="Words">What kind of fault.</param>
public sealed record ToldFault(DateTime At, string Number, string What, string Words);

/// <summary>The last faults of this run, for who looks at the page about Gorvix.</summary>
internal sealed class ErrorBook(TimeProvider time)
{
    private const int Most = 20;

    private readonly Lock _lock = new();
    private readonly Queue<ToldFault> _told = new();

    /// <summary>The last ones, the newest first.</summary>
    public IReadOnlyList<ToldFault> Last
    {
        get
        {
            lock (_lock)
            {
                return [.. _told.Reverse()];
            }
        }
    }

    /// <summary>Notes a fault.</summary>
    public void Note(HttpContext context, Exception? problem)
    {
        lock (_lock)
        {
            _told.Enqueue(
                new ToldFault(
                    time.GetUtcNow().UtcDateTime,
                    System.Diagnostics.Activity.Current?.Id ?? context.TraceIdentifier,
                    $"{context.Request.Method} {context.Request.Path}",
                    (problem?.InnerException ?? problem)?.GetType().Name ?? "unknown"
                )
            );
            if (_told.Count > Most)
            {
                _told.Dequeue();
            }
        }
    }
}

/// <summary>Which Gorvix this is.</summary>
internal static class ThisProgram
{
    /// <summary>Its version.</summary>
    public static string Version { get; } =
        Short(
            typeof(ThisProgram)
                .Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()
                ?.InformationalVersion
                ?? "unknown"
        );

    // Of the state of the source a few letters tell enough.
    private static string Short(string version) =>
        version.Split('+') is [var number, { Length: > 8 } state] ? $"{number} ({state[..8]})" : version;
}
