using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Scheduling;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Storage;
using Gorvix.Web.Hosting;
using Microsoft.AspNetCore.Mvc;

namespace Gorvix.Web.Features;

/// <summary>What one of the compared boards comes to in a build.</summary>
/// <param name="Board">Id of the board.</param>
/// <param name="HasIt">Whether it is the board that the build has.</param>
/// <param name="Preview">What the build would come to with it; null when it cannot be planned.</param>
/// <param name="Refused">Why it cannot be planned; null when it can.</param>
public sealed record BoardTried(string Board, bool HasIt, ChangePreview? Preview, string? Refused);

/// <summary>Parts side by side: by what their leaflets say, and boards by what they come to in a build.</summary>
internal static class CompareEndpoints
{
    public static void MapComparing(this IEndpointRouteBuilder app)
    {
        var compare = app.MapGroup("/api/library/compare").WithTags("Library");
        compare.MapGet("", Compare).Answers<Comparison>("compareParts", 404, 422);
        compare.MapGet("in/{build}", CompareIn).Answers<IReadOnlyList<BoardTried>>("compareBoardsInBuild", 404, 422);
    }

    private static async Task<IResult> CompareIn(
        string build,
        [FromQuery] string[] board,
        PartStore parts,
        BuildStore builds,
        CancellationToken stop
    )
    {
        if (board.Length is < 2 or > Comparison.Most)
        {
            return Problems.Of(422, Sentences.Choose2ToBoardsIn(Comparison.Most));
        }
        var all = await parts.Everything();
        if (board.FirstOrDefault(id => all.Board(id) is null) is { } missing)
        {
            return Missing(PartKind.Board, missing);
        }
        var stored = (await builds.Get(build)).Build;
        var was = ResolvedBuild.Plannable(stored, await parts.For(stored));
        return Results.Ok(await Workers.Run(() => Tried(was, stored, board, all, stop), stop));
    }

    private static IReadOnlyList<BoardTried> Tried(
        ResolvedBuild was,
        Build stored,
        IReadOnlyList<string> boards,
        PartsLibrary all,
        CancellationToken stop
    )
    {
        var reader = new FitReader(was, Effort.Quick, stop);
        return [.. boards.Select(Try)];

        BoardTried Try(string board)
        {
            var change = new PartsChange { Kind = PartsChangeKind.TakeBoard, Part = board };
            IReadOnlyList<Finding> findings = change.Check(stored, all);
            ResolvedBuild? then = null;
            if (findings.Count == 0)
            {
                (then, findings) = ResolvedBuild.Of(change.ApplyTo(stored, all), all);
            }
            return new BoardTried(
                board,
                stored.Board == board,
                then is null ? null : ChangePreview.Of(reader, new FitReader(then, Effort.Quick, stop)),
                then is null ? findings[0].Sentence : null
            );
        }
    }

    // Boards or devices: what one kind says, the other does not.
    private static async Task<IResult> Compare([FromQuery] string[] board, [FromQuery] string[] device, PartStore parts)
    {
        var asked = board.Length + device.Length;
        if (asked is < 2 or > Comparison.Most || (board.Length > 0 && device.Length > 0))
        {
            return Problems.Of(422, Sentences.Choose2ToBoardsOr(Comparison.Most));
        }
        var all = await parts.Everything();
        var missing =
            board.FirstOrDefault(id => all.Board(id) is null) ?? device.FirstOrDefault(id => all.Device(id) is null);
        return missing is not null
            ? Missing(board.Length > 0 ? PartKind.Board : PartKind.Device, missing)
            : Results.Ok(
                Comparison.Of([
                    .. board.Select(id => BoardLeaflet.Of(all.Board(id)!, all)),
                    .. device.Select(id => DeviceLeaflet.Of(all.Device(id)!)),
                ])
            );
    }

    private static IResult Missing(PartKind kind, string id) =>
        Problems.Of(404, NotFoundException.Part(kind, id).Message);
}
