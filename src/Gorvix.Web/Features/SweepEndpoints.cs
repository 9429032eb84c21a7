using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Fit;
using Gorvix.Storage;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>One line of a running sweep.</summary>
/// <param name="Done">How many candidates are tried.</param>
/// <param name="Of">How many there are.</param>
/// <param name="Line">The last one.</param>
public sealed record SweepStep(int Done, int Of, SweepLine Line);

/// <summary>
/// Before you buy: the build with every board, with every part of a kind in place of one that it has, or with one more, as server-sent events: a <c>step</c> for each
/// candidate as it is found, and one <c>end</c> without data, after which the reader closes.
/// </summary>
internal static class SweepEndpoints
{
    public static void MapSweep(this IEndpointRouteBuilder app) =>
        app.MapGet("/api/builds/{id}/sweep", Run)
            .WithName("sweep")
            .WithTags("Sweep")
            .Produces<SweepStep>(200, "text/event-stream")
            .ProducesProblem(404)
            .ProducesProblem(422);

    private static async Task<IResult> Run(
        string id,
        string? device,
        string? add,
        BuildStore builds,
        PartStore parts,
        CancellationToken stop
    )
    {
        var build = (await builds.Get(id)).Build;
        var library = await parts.Offered(build);
        if (device is not null && build.Devices.All(d => d.Id != device))
        {
            return Problems.Of(
                422,
                Sentences.NoDeviceInThisBuild(device, string.Join(", ", build.Devices.Select(d => d.Id)))
            );
        }
        var kind = device is null ? null : library.Device(build.Devices.First(d => d.Id == device).Part)?.Kind;
        if (device is null && add is not null)
        {
            if (!Enum.TryParse<DeviceKind>(add, ignoreCase: true, out var named) || !Enum.IsDefined(named))
            {
                return Problems.Of(
                    422,
                    Sentences.IsNotADeviceType(
                        add,
                        string.Join(", ", Enum.GetValues<DeviceKind>().Select(SetupEndpoints.Written))
                    )
                );
            }
            kind = named;
        }
        var of = kind is null ? library.Boards.Count : library.Devices.Count(d => d.Kind == kind);
        var lines =
            device is not null ? SweepReader.Devices(build, device, library, stop)
            : kind is { } added ? SweepReader.Additions(build, added, library, stop)
            : SweepReader.Boards(build, library, stop);
        return TypedResults.ServerSentEvents(Events(lines, of, stop));
    }

    // A reader that goes away stops the work.
    private static async IAsyncEnumerable<SseItem<SweepStep?>> Events(
        IAsyncEnumerable<SweepLine> lines,
        int of,
        [EnumeratorCancellation] CancellationToken stop
    )
    {
        var done = 0;
        await foreach (var line in lines.WithCancellation(stop))
        {
            yield return new SseItem<SweepStep?>(new SweepStep(++done, of, line), "step");
        }
        yield return new SseItem<SweepStep?>(null, "end");
    }
}
