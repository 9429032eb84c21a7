using System.IO.Compression;
using System.Net;
using System.Text.Json;
using System.Text.Json.Serialization;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Plans.Builds;
using Gorvix.Storage;
using Gorvix.Web.Features;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.AspNetCore.Routing.Constraints;
using Microsoft.EntityFrameworkCore;
using Microsoft.Net.Http.Headers;

namespace Gorvix.Web.Hosting;

/// <summary>Puts the program together.</summary>
internal static class GorvixApp
{
    /// <summary>Makes the web application; nothing is opened yet.</summary>
    public static WebApplication Create(StartOptions options)
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            // Loopback only: the tool has no log-in, so no other machine may reach it. An evening is let in by its own door.
            kestrel.Listen(IPAddress.Loopback, options.Port);
            if (options.Club is { } club)
            {
                kestrel.Listen(club, options.Port);
            }
            kestrel.AddServerHeader = false;
            kestrel.Limits.MaxRequestBodySize = GorvixReader.MostBytes;
        });
        Logs.Use(builder, options);

        // Every failure of the start is told in one line by Program; a refused write is an answer, not an event.
        builder.Logging.AddFilter("Microsoft.Extensions.Hosting", LogLevel.None);
        builder.Logging.AddFilter("Microsoft.EntityFrameworkCore", LogLevel.None);
        builder.Logging.AddFilter("Microsoft.AspNetCore.Diagnostics.ExceptionHandlerMiddleware", LogLevel.None);
        builder.Services.ConfigureHttpJsonOptions(json =>
        {
            json.SerializerOptions.AllowOutOfOrderMetadataProperties = true;
            json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
            json.SerializerOptions.RespectNullableAnnotations = true;
            json.SerializerOptions.RespectRequiredConstructorParameters = true;
            json.SerializerOptions.UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow;
            json.SerializerOptions.Converters.Add(
                new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false)
            );
        });
        builder.Services.AddProblemDetails();
        builder.Services.Configure<RouteOptions>(routes =>
            routes.SetParameterPolicy<RegexInlineRouteConstraint>("regex")
        );

        // Always thrown, not only while developing: the answer must have a sentence.
        builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        builder.Services.AddOpenApi(
            "v1",
            api =>
                api.AddDocumentTransformer(
                    (document, _, _) =>
                    {
                        document.Info = new() { Title = "Gorvix", Version = "1" };
                        return Task.CompletedTask;
                    }
                )
        );
        // The client's own files only: an answer of the API comes from this machine and is not worth the packing.
        builder.Services.AddResponseCompression(pack =>
            pack.MimeTypes = ["text/css", "text/javascript", "application/javascript", "text/html", "image/svg+xml"]
        );
        builder.Services.Configure<BrotliCompressionProviderOptions>(b => b.Level = CompressionLevel.Optimal);
        builder.Services.AddSingleton(TimeProvider.System);
        builder.Services.AddDbContext<GorvixDb>(db =>
            db.UseSqlite(options.Folder.ConnectionString).AddInterceptors(new DataWatch(options.Folder))
        );
        builder.Services.AddSingleton(options);
        builder.Services.AddSingleton<DataHold>();
        builder.Services.AddSingleton<ErrorBook>();
        builder.Services.AddSingleton<PartCache>();
        builder.Services.AddScoped<PartStore>();
        builder.Services.AddScoped<PartKeeper>();
        builder.Services.AddScoped<BoardPhotoStore>();
        builder.Services.AddScoped<PartService>();
        builder.Services.AddScoped<IntakeStore>();
        builder.Services.AddScoped<BuildStore>();
        builder.Services.AddScoped<ShelfStore>();
        builder.Services.AddScoped<TextStore>();
        builder.Services.AddScoped<LogStore>();
        builder.Services.AddScoped<LogPages>();
        builder.Services.AddScoped<Author>();
        builder.Services.AddScoped<RecordArchive>();
        builder.Services.AddScoped<FaultStore>();
        builder.Services.AddScoped<FaultService>();
        builder.Services.AddScoped<DrillStore>();
        builder.Services.AddScoped<EveningStore>();
        builder.Services.AddScoped<DrillService>();
        builder.Services.AddSingleton<DrillGrounds>();
        builder.Services.AddSingleton<SimulatedBenches>();
        builder.Services.AddSingleton<SimulatedBoards>();
        builder.Services.AddSingleton<ModuleLines>();
        builder.Services.AddScoped<DemoLoader>();
        builder.Services.AddSingleton<Memo>();
        builder.Services.AddSingleton<BuildSheets>();
        builder.Services.AddScoped<BuildPlans>();
        builder.Services.AddScoped<BuildService>();
        builder.Services.AddScoped<ShelfCards>();
        builder.Services.AddScoped<Fleet>();

        var app = builder.Build();
        app.UseExceptionHandler(handler => handler.Run(Answer));
        app.UseDoors(options.Club);
        app.UseStatusCodePages(pages => Bare(pages.HttpContext));
        app.Use(InUtf8);
        app.Use(Signed);
        app.UseResponseCompression();
        app.MapShelf();
        app.MapDrafts();
        app.MapLibrary();
        app.MapComparing();
        app.MapParts();
        app.MapBoardPhotos();
        app.MapDescribing();
        app.MapIntake();
        app.MapExports();
        app.MapFit();
        app.MapRails();
        app.MapLoom();
        app.MapSettings();
        app.MapModules();
        app.MapBench();
        app.MapFaults();
        app.MapDrills();
        app.MapEvenings();
        app.MapLog();
        app.MapRecords();
        app.MapClub();
        app.MapFind();
        app.MapSetup();
        app.MapUnlocks();
        app.MapSweep();
        app.MapRules();
        app.MapAbout();
        app.UseClient(options.Client, options.Club);
        return app;
    }

    /// <summary>Takes the data for this program, until it is disposed of; a new file is filled with the demo before it is there.</summary>
    /// <exception cref="DataFolderException">The data cannot be opened.</exception>
    public static Task OpenData(WebApplication app, StartOptions options) =>
        app
            .Services.GetRequiredService<DataHold>()
            .Open(
                options.Folder,
                async making =>
                {
                    if (options.Demo is { } demo)
                    {
                        await using var filler = Create(options with { Name = making.Name, IsQuiet = true });
                        await using var scope = filler.Services.CreateAsyncScope();
                        await scope.ServiceProvider.GetRequiredService<DemoLoader>().Load(demo);
                    }
                }
            );

    // Who writes is a name that the page sends along, percent-encoded because headers are ASCII.
    private static Task Signed(HttpContext context, RequestDelegate next)
    {
        context.RequestServices.GetRequiredService<Author>().Name = Uri.UnescapeDataString(
                context.Request.Headers["Gorvix-Who"].ToString()
            )
            .Trim();
        return next(context);
    }

    // Any other would be met by the reader of the body, as a fault of its own.
    private static Task InUtf8(HttpContext context, Func<Task> next) =>
        MediaTypeHeaderValue.TryParse(context.Request.ContentType, out var type)
        && type.Charset is { HasValue: true } charset
        && !charset.Equals("utf-8", StringComparison.OrdinalIgnoreCase)
        && !charset.Equals("\"utf-8\"", StringComparison.OrdinalIgnoreCase)
            ? Problems.Of(415, Sentences.TheCharacterSetIsNot(charset)).ExecuteAsync(context)
            : next();

    private static Task Answer(HttpContext context)
    {
        var problem = context.Features.Get<IExceptionHandlerFeature>()?.Error;
        if (StorageFault.Of(problem) is { } fault)
        {
            Log(context, problem);
            return Problems.Of(fault.Status, fault.Sentence).ExecuteAsync(context);
        }
        var answer = problem switch
        {
            UnreadableException => Damaged(context, problem),
            UnfitException { Findings: { } findings } => Problems.Of(findings),
            RefusedException refused => Problems.Of(refused.Status, refused.Message),
            UnplannableException unplannable => Problems.Of(unplannable.Findings),
            BadHttpRequestException { StatusCode: 413 } => Problems.Of(
                [
                    context.Request.ContentLength is { } bytes
                        ? GorvixReader.TooLarge(bytes)!
                        : GorvixReader.EndlesslyLarge(),
                ],
                413
            ),
            // A length of a piece of the body that no number holds.
            IOException { InnerException: OverflowException } => Problems.Of(400, Sentences.InvalidRequest),
            BadHttpRequestException bad => Problems.Of(bad.StatusCode, BadRequest(bad)),
            NotSupportedException => Problems.Of(400, Sentences.InvalidRequestAPinOr),
            OperationCanceledException => Results.StatusCode(StatusCodes.Status499ClientClosedRequest),
            _ => Unforeseen(context, problem),
        };
        return answer.ExecuteAsync(context);
    }

    // What the framework refuses by itself, in a sentence.
    private static Task Bare(HttpContext context)
    {
        var (request, status) = (context.Request, context.Response.StatusCode);
        var sentence = status switch
        {
            404 => Sentences.NothingFoundAtCheckThe(request.Path),
            405 => Sentences.IsNotAllowedAt(request.Method, request.Path),
            415 => Sentences.AcceptsJsonOnlySendContent(request.Path),
            _ => Sentences.WasRefused(request.Method, request.Path, status),
        };
        return Problems.Of(status, sentence).ExecuteAsync(context);
    }

    private static string BadRequest(BadHttpRequestException bad) =>
        bad.InnerException is JsonException { Path: { Length: > 2 } path }
            ? Sentences.InvalidRequestAtSeeThe(path[2..])
            : Sentences.InvalidRequest;

    // What stands in the data file is told where it is asked for; what was met is in the log.
    private static IResult Damaged(HttpContext context, Exception problem)
    {
        if (problem.InnerException is not null)
        {
            Log(context, problem);
        }
        return Problems.Of(422, problem.Message);
    }

    private static IResult Unforeseen(HttpContext context, Exception? problem)
    {
        Log(context, problem);
        // A fault after the write leaves it written: what is stored is what the page shows when it is loaded again.
        return Problems.Of(500, Sentences.InternalErrorInGorvixReload);
    }

    private static void Log(HttpContext context, Exception? problem)
    {
        var services = context.RequestServices;
        services.GetRequiredService<ErrorBook>().Note(context, problem);
        services
            .GetRequiredService<ILoggerFactory>()
            .CreateLogger("Gorvix")
            .LogError(problem, "{Method} {Path} failed", context.Request.Method, context.Request.Path);
    }
}
