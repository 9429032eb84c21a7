using Gorvix.Core.Hardware.Parts;
using Superpower;

namespace Gorvix.Core.Files.Describing;

/// <summary>A pad that is told of by itself, as a row of a list does.</summary>
/// <param name="Line">Where it is told.</param>
/// <param name="Id">Its id.</param>
/// <param name="Label">As printed.</param>
/// <param name="Meaning">How far it can be trusted; null to be read from the label.</param>
/// <param name="LeadsTo">Its ways, as in leaflet text; null to be read from the label.</param>
/// <param name="Side">The side that it lies on.</param>
/// <param name="At">Where it lies, in millimetres; null to be laid along the edge that its group names.</param>
/// <param name="Group">The row, corner or header in which it stands.</param>
public sealed record PadTold(
    int Line,
    string Id,
    string Label,
    PadMeaning? Meaning,
    string? LeadsTo,
    BoardSide Side,
    (double X, double Y)? At,
    string? Group
);

/// <summary>A board whose pads are told one by one. They are read and laid as those of a leaflet text are.</summary>
public static class PadsTold
{
    /// <summary>The board with these pads in place of its own.</summary>
    /// <param name="board">The board; it need not be whole.</param>
    /// <param name="pads">Its pads.</param>
    /// <param name="sockets">Its sockets, whose pins name those pads.</param>
    /// <returns>The board, and what could not be read.</returns>
    public static (Board Board, IReadOnlyList<LeafletProblem> Problems) Board(
        Board board,
        IReadOnlyList<PadTold> pads,
        IReadOnlyList<BoardPlug> sockets
    )
    {
        var assembler = new BoardAssembler();
        foreach (
            var (i, statement) in LeafletText
                .Statements(LeafletText.Write(board with { Pads = [], Plugs = [] }))
                .Statements.Index()
        )
        {
            assembler.Add(statement, i + 1);
        }
        var problems = new List<LeafletProblem>();
        var row = new List<PadName>();
        foreach (var (i, pad) in pads.Index())
        {
            var ways = pad.LeadsTo is null ? [] : WaysOf(pad, problems);
            row.Add(NameOf(pad, ways));
            // Pads that no place is told of stand side by side, as in a typed row.
            if (i + 1 == pads.Count || pad.At is not null || !Beside(pad, pads[i + 1]))
            {
                var lay = pad.At is var (x, y) ? new Lay(new Spot(x, y), new Spot(0, 0)) : null;
                assembler.Add(new RowLine(pad.Side, pad.Group, lay, [.. row]), pad.Line);
                row.Clear();
            }
            if (ways.Count > 0 && EndOf(pad, ways) is null)
            {
                assembler.Add(new WaysLine(new Named(pad.Id, 1), ways), pad.Line);
            }
        }
        var (read, more, _) = assembler.Finish();
        return (read with { Plugs = sockets }, [.. problems.Concat(more).OrderBy(p => p.Line)]);
    }

    private static bool Beside(PadTold pad, PadTold next) =>
        next.At is null && next.Side == pad.Side && next.Group == pad.Group;

    private static PadName NameOf(PadTold pad, IReadOnlyList<Way> ways) =>
        new(
            new Named(pad.Label, 1),
            pad.Meaning == PadMeaning.Uncertain,
            EndOf(pad, ways),
            pad.Meaning == PadMeaning.NotConnected,
            pad.Id,
            null
        );

    // A way without anything between stands beside the label; others have a line of their own.
    private static EndName? EndOf(PadTold pad, IReadOnlyList<Way> ways) =>
        ways is [{ Through.Count: 0, End: var end }] && pad.Meaning != PadMeaning.NotConnected ? end : null;

    private static IReadOnlyList<Way> WaysOf(PadTold pad, List<LeafletProblem> problems)
    {
        var tokens = LeafletTokens.Line.TryTokenize(pad.LeadsTo!);
        if (tokens.HasValue)
        {
            var read = LeafletGrammar.PadWays.AtEnd().TryParse(tokens.Value);
            if (read.HasValue)
            {
                return read.Value;
            }
            problems.Add(
                LeafletText.Problem(
                    pad.Line,
                    1,
                    Sentences.CannotReadWherePadLeads(pad.Label, read.FormatErrorMessageFragment()),
                    Sentences.WriteItAsBoardText
                )
            );
            return [];
        }
        problems.Add(
            LeafletText.Problem(
                pad.Line,
                1,
                Sentences.CannotReadWherePadLeads(pad.Label, tokens.FormatErrorMessageFragment()),
                Sentences.CloseTheQuotesOrRemove
            )
        );
        return [];
    }
}
