using System.Net;
using System.Text.Json;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Gnss;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Work.Bench;
using Gorvix.Core.Work.Log;
using Gorvix.Core.Work.Papers;
using Gorvix.Storage;
using Gorvix.Web.Features;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.FileProviders;

namespace Gorvix.Web.Hosting;

/// <summary>Serves the built client; every address that is not a file or the API is the one page.</summary>
internal static class ClientFiles
{
    // Bounds that the fields of the page hold to: the server's own, so that they stand once.
    private static readonly string Limits = WebUtility.HtmlEncode(
        JsonSerializer.Serialize(
            new
            {
                name = BuildCheck.MostName,
                note = BuildCheck.MostNote,
                entry = LogStore.MostWords,
                reason = ReadingTaker.MostReason,
                template = SheetForm.MostTemplate,
                dump = TextStore.MostText,
                dumpNote = TextEndpoints.MostWords,
                person = Author.MostName,
                search = ClubEndpoints.MostWords,
                task = Dues.MostWords,
                pins = PartCheck.MostPins,
                harnesses = PartCheck.MostHarnesses,
                drillCode = DrillOrder.MostSeed,
                ports = PathPattern.UsualPorts,
                logicVolts = Lead.UsualDriveVolts,
                gnssBauds = MessageBudget.Bauds,
                meterBauds = SerialMeter.Bauds,
                wireColours = WireColours.All,
            }
        )
    );

    public static void UseClient(this WebApplication app, string folder, IPAddress? club)
    {
        var index = Path.Combine(folder, "index.html");
        if (!File.Exists(index))
        {
            app.MapGet("/", () => Results.Text(Sentences.TheWebClientHasNot));
            return;
        }

        // The style that the component library adds at run time is let in by the request's nonce.
        var page = File.ReadAllText(index);
        app.Use(
            (context, next) =>
            {
                if (context.Request.Path != "/index.html")
                {
                    return next(context);
                }
                // The page is written for each request; as a file it is not finished.
                context.Response.Redirect("/");
                return Task.CompletedTask;
            }
        );
        app.UseStaticFiles(
            new StaticFileOptions
            {
                FileProvider = new PhysicalFileProvider(folder),
                ContentTypeProvider = new FileExtensionContentTypeProvider(),
                OnPrepareResponse = file =>
                    file.Context.Response.Headers.CacheControl = file.Context.Request.Path.StartsWithSegments("/assets")
                        ? Sentences.PublicMaxAge31536000Immutable
                        : "no-cache",
            }
        );
        Task Page(HttpContext context)
        {
            context.Response.ContentType = "text/html; charset=utf-8";
            context.Response.Headers.CacheControl = "no-store";
            return context.Response.WriteAsync(
                page.Replace("__NONCE__", (string)context.Items[Doors.Nonce]!)
                    .Replace("__LIMITS__", Limits)
                    .Replace("__DOOR__", Doors.IsGuest(context, club) ? "club" : "own")
            );
        }
        string[] looks = ["GET", "HEAD"];
        app.MapMethods("/", looks, Page);
        // What the API does not know is told by the API.
        app.MapFallback("{*path:regex(^(?!api(/|$)).*$):nonfile}", Page).WithMetadata(new HttpMethodMetadata(looks));
    }
}
