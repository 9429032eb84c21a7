using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>
/// Lines typed beside a board that is already described. What they tell replaces what was told of the same thing: a rail, port or
/// bridge of the same name, the ways of the same pad; rows and sockets are added.
/// </summary>
public static class BoardEdit
{
    /// <summary>The board with the lines.</summary>
    /// <param name="board">The board as it stands.</param>
    /// <param name="lines">Lines of leaflet text.</param>
    /// <returns>The board; problems have the places of the typed lines. With a problem, what could be read is there all the same.</returns>
    public static LeafletReading Add(Board board, string lines)
    {
        var alone = LeafletText.Statements(lines);
        var told = alone.Statements;
        var rails = told.OfType<RailLine>().Select(r => r.Label.Text).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var ports = told.OfType<PortLine>().Select(p => p.Port.Id).ToHashSet();
        var bridges = told.OfType<BridgeLine>().Select(b => b.Bridge.Id).ToHashSet();
        var values = told.OfType<ValueLine>().Select(v => v.Key).ToHashSet();
        var sockets = told.OfType<SocketLine>().Select(s => s.Label.Text).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var ways = told.OfType<WaysLine>().Select(w => w.Pad.Text).ToHashSet();
        var gone = board
            .Plugs.Where(p => sockets.Contains(p.Label))
            .SelectMany(p => p.Pins)
            .Select(p => p.Pad)
            .OfType<string>()
            .ToHashSet();
        var kept = board with
        {
            Maker = values.Contains("maker") ? "" : board.Maker,
            Name = values.Contains("board") ? "" : board.Name,
            Revision = values.Contains("revision") ? "" : board.Revision,
            Recognise = values.Contains("recognise") ? null : board.Recognise,
            Target = values.Contains("target") ? null : board.Target,
            Input = values.Contains("input") ? null : board.Input,
            Outline = values.Contains("size") ? null : board.Outline,
            Mounting = values.Contains("holes") ? null : board.Mounting,
            UsbSide = values.Contains("usb") ? null : board.UsbSide,
            Arrow = values.Contains("arrow") ? null : board.Arrow,
            Controller = told.Any(t => t is ControllerLine) ? "" : board.Controller,
            Rails = [.. board.Rails.Where(r => !rails.Contains(r.Label))],
            Ports = [.. board.Ports.Where(p => !ports.Contains(p.Id))],
            Bridges = [.. board.Bridges.Where(b => !bridges.Contains(b.Id))],
            Plugs = [.. board.Plugs.Where(p => !sockets.Contains(p.Label))],
            Pads =
            [
                .. board
                    .Pads.Where(p => !gone.Contains(p.Id))
                    .Select(p =>
                        ways.Contains(p.Id)
                        || (ways.Contains(p.Label) && board.Pads.Count(o => o.Label == p.Label) == 1)
                            ? p with
                            {
                                Paths = [],
                                Meaning = PadMeaning.Sure,
                            }
                            : p
                    ),
            ],
        };
        var text = LeafletText.Write(kept);
        var before = text.Count(c => c == '\n');
        var read = LeafletText.Read(text + lines);
        var back = read.Board with { Rails = InOrder(board, read.Board) };
        return read with
        {
            Board = back,
            Problems =
            [
                .. read.Problems.Where(p => p.Line > before).Select(p => LeafletText.Moved(p, p.Line - before)),
            ],
        };
    }

    // A rail that was told anew stays where it stood.
    private static List<Rail> InOrder(Board was, Board now) =>
        [
            .. now.Rails.OrderBy(r =>
                was.Rails.ToList().FindIndex(w => w.Id == r.Id) is >= 0 and var at ? at : int.MaxValue
            ),
        ];
}
