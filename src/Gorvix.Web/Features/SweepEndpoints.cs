using System.Text.Json;
using Gorvix.Core.Fit;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Gorvix.Web.Features;

/// <summary>One line of a running sweep.</summary>
/// <param name="Done">How many candidates are tried.</param>
/// <param name="Of">How many there are.</param>
/// <param name="Line">The last one.</param>
public sealed record SweepStep(int Done, int Of, SweepLine Line);

/// <summary>Before you buy: the build with every board, or with every part of a kind, as a stream of lines.</summary>
internal static class SweepEndpoints
{
    public static void MapSweep(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/builds/{id}/sweep", Run)
            .WithName("sweep")
            .WithTags("Sweep")
            .Produces<SweepStep>(200, "application/x-ndjson")
            .ProducesProblem(404)
            .ProducesProblem(422);

    // Each candidate is sent as it is found, and a reader that goes away stops the work.
    private static async Task<IResult> Run(
        string id,
        string? device,
        BuildStore builds,
        PartStore parts,
        IOptions<JsonOptions> json,
        HttpResponse response,
        CancellationToken stop
    )
    {
        var build = (await builds.Get(id)).Build;
        var library = await parts.All();
        if (device is not null && build.Devices.All(d => d.Id != device))
        {
            return Problems.Of(
                422,
                $"There is no device \"{device}\" in this build. Known: {string.Join(", ", build.Devices.Select(d => d.Id))}."
            );
        }
        var kind = device is null ? null : library.Device(build.Devices.First(d => d.Id == device).Part)?.Kind;
        var of = device is null ? library.Boards.Count : library.Devices.Count(d => d.Kind == kind);
        var lines = device is null
            ? SweepReader.Boards(build, library, stop)
            : SweepReader.Devices(build, device, library, stop);
        response.ContentType = "application/x-ndjson";
        response.Headers.CacheControl = "no-store";
        var done = 0;
        await foreach (var line in lines.WithCancellation(stop))
        {
            await JsonSerializer.SerializeAsync(
                response.Body,
                new SweepStep(++done, of, line),
                json.Value.SerializerOptions,
                stop
            );
            await response.Body.WriteAsync("\n"u8.ToArray(), stop);
            await response.Body.FlushAsync(stop);
        }
        return Results.Empty;
    }
}
