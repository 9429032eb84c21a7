using Gorvix.Core.Describing;
using Gorvix.Core.Parts;
using Gorvix.Web.Hosting;

namespace Gorvix.Web.Features;

/// <summary>A board that is being described: as it stands, or as text; and lines typed beside it.</summary>
/// <param name="Board">The board, or null when there is a text.</param>
/// <param name="Text">Its whole leaflet as text, or null when there is a board.</param>
/// <param name="Lines">Lines to be read beside it, or null.</param>
public sealed record BoardDraft(Board? Board, string? Text, string? Lines);

/// <summary>A line that cannot be read.</summary>
/// <param name="Line">The line, from 1.</param>
/// <param name="Column">The letter in it, from 1.</param>
/// <param name="Sentence">What is wrong and how to mend it.</param>
public sealed record LineProblem(int Line, int Column, string Sentence);

/// <summary>A board that is being described, looked at.</summary>
/// <param name="Look">The board with everything that can be said of it; what could not be read is left out.</param>
/// <param name="Problems">Lines that cannot be read.</param>
/// <param name="Assumed">Rails that only labels speak of, in sentences.</param>
/// <param name="Added">Ids of the pads that the lines added.</param>
public sealed record BoardAnswer(
    BoardLook Look,
    IReadOnlyList<LineProblem> Problems,
    IReadOnlyList<string> Assumed,
    IReadOnlyList<string> Added
);

/// <summary>What a board can be described with.</summary>
/// <param name="Classes">Controller classes.</param>
/// <param name="Patterns">What usually lies between a pad and a port.</param>
public sealed record BoardChoices(IReadOnlyList<string> Classes, IReadOnlyList<PathPattern> Patterns);

/// <summary>Parts that are being described. Nothing is stored here.</summary>
internal static class DescribeEndpoints
{
    public static void MapDescribing(this IEndpointRouteBuilder app)
    {
        var describe = app.MapGroup("/api/describe").WithTags("Describing");
        describe.MapGet("board/choices", Choices).WithName("listBoardChoices");
        describe.MapPost("board", Look).WithName("lookAtBoard").Produces<BoardAnswer>().ProducesProblem(422);
    }

    private static BoardChoices Choices() => new([.. ControllerClass.All.Select(c => c.Id)], PathPattern.All);

    private static IResult Look(BoardDraft draft)
    {
        if (draft.Board is { } asked && TooMuch(asked) is { } sentence)
        {
            return Problems.Of(422, sentence);
        }
        var read = draft.Text is { } text
            ? LeafletText.Read(text)
            : new LeafletReading(draft.Board ?? LeafletText.Read("").Board, [], []);
        var before = read.Board.Pads.Select(p => p.Id).ToHashSet();
        if (draft.Lines is { } lines)
        {
            read = BoardEdit.Add(read.Board, lines);
        }
        return Results.Ok(
            new BoardAnswer(
                BoardLook.Of(read.Board),
                [.. read.Problems.Select(p => new LineProblem(p.Line, p.Column, p.Finding.Sentence))],
                [.. read.Assumed.Select(a => a.Sentence)],
                [.. read.Board.Pads.Select(p => p.Id).Where(id => !before.Contains(id))]
            )
        );
    }

    // What no board has is not looked at: its parts are compared with each other.
    private static string? TooMuch(Board board)
    {
        (int Count, int Most, string Things)[] lists =
        [
            (board.Pads.Count, PartCheck.MostPads, "pads"),
            (board.Ports.Count, PartCheck.MostPorts, "ports"),
            (board.Rails.Count, PartCheck.MostPorts, "rails"),
            (board.Nets.Count, PartCheck.MostPads, "pins"),
            (board.Bridges.Count, PartCheck.MostBridges, "bridges"),
            (board.Plugs.Count, PartCheck.MostSockets, "sockets"),
            (board.Plugs.Sum(p => p.Pins.Count), PartCheck.MostPads, "pins of sockets"),
            (board.Pads.Sum(p => p.Paths.Count), PartCheck.MostPads * PartCheck.MostPaths, "ways of pads"),
        ];
        return lists.FirstOrDefault(l => l.Count > l.Most) is { Things: { } things } over
            ? $"The board has {over.Count} {things}; {over.Most} is the most. Leave out what is none."
            : null;
    }
}
