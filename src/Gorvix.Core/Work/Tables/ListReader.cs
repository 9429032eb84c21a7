using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Work.Tables;

/// <summary>What came of reading a pad list beside a board.</summary>
/// <param name="Board">The board with the pads of the list, or null when something is wrong.</param>
/// <param name="Problem">What is wrong, or null.</param>
public sealed record PadReading(Board? Board, Finding? Problem);

/// <summary>Files on their way in, whatever they are: Gorvix files, and lists of pads or devices as CSV.</summary>
public static class ListReader
{
    /// <summary>Reads a text as what it is.</summary>
    /// <param name="text">The text.</param>
    /// <param name="library">The parts that it may name besides its own.</param>
    public static ReadResult Read(string text, PartsLibrary library)
    {
        var columns = Sheet.Header(text);
        var pads = columns.Contains("board");
        if (!pads && !columns.Contains("device"))
        {
            return GorvixReader.Read(System.Text.Encoding.UTF8.GetBytes(text), library);
        }
        if (GorvixReader.TooLarge(System.Text.Encoding.UTF8.GetByteCount(text)) is { } size)
        {
            return new ReadResult(null, [size]);
        }
        try
        {
            var file = pads
                ? new GorvixFile { Boards = PadTable.Read(text, library.Board) }
                : new GorvixFile { Devices = DeviceTable.Read(text, library.Device) };
            var findings = file
                .Boards.SelectMany(b =>
                    PartCheck.Of(b, "board").Select(f => Said(b.Id, f, PlaceWords.Replace(b, f.Sentence)))
                )
                .Concat(
                    file.Devices.SelectMany(d =>
                        PartCheck.Of(d, "device").Select(f => Said(d.Id, f, PlaceWords.Replace(d, f.Sentence)))
                    )
                )
                .Take(GorvixReader.MostFindings)
                .ToList();
            return new ReadResult(findings.Count == 0 ? file : null, findings);
        }
        catch (TableException wrong)
        {
            return new ReadResult(null, [wrong.Finding]);
        }
    }

    /// <summary>Reads a pad list beside a board that is being described.</summary>
    /// <param name="text">The list.</param>
    /// <param name="board">The board; it need not be whole.</param>
    public static PadReading ReadPads(string text, Board board)
    {
        try
        {
            return new PadReading(PadTable.ReadFor(text, board), null);
        }
        catch (TableException wrong)
        {
            return new PadReading(null, wrong.Finding);
        }
    }

    // A list has no document: what is wrong is told of the part's pads and leads by their labels.
    private static Finding Said(string part, Finding finding, string sentence) =>
        TableRules.Part.Found(finding.Severity, Subject.Place(part), ("place", part), ("sentence", sentence));
}
