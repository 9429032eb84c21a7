using System.Globalization;
using System.Text;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>Writes the pads of a board as rows and sockets, in the order of its list.</summary>
/// <param name="board">The board.</param>
/// <param name="laid">Whether rows say where they lie in millimetres; if not, their names say it.</param>
internal sealed class RowWriter(Board board, bool laid)
{
    private readonly Dictionary<string, BoardPlug> _plugOf = board
        .Plugs.SelectMany(p => p.Pins.Select(pin => (pin.Pad, Plug: p)))
        .Where(p => p.Pad is not null)
        .DistinctBy(p => p.Pad)
        .ToDictionary(p => p.Pad!, p => p.Plug);

    /// <summary>Adds rows, sockets and sockets made of pads in rows.</summary>
    public void Write(StringBuilder text)
    {
        var runs = Runs();
        // Sockets stand among the rows only if all of them do, and in the order of the board's list.
        var whole =
            runs.Where(r => r.Plug is not null).Select(r => r.Plug!).SequenceEqual(board.Plugs)
            && board.Plugs.All(Together);
        _written = IdsToWrite(whole);
        foreach (var run in whole ? runs : Runs(sockets: false))
        {
            text.Append(whole && run.Plug is { } plug ? Socket(plug, run.Pads) : Row(run.Pads));
        }
        if (whole)
        {
            return;
        }
        foreach (var (i, plug) in board.Plugs.Index())
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"pins {Head(plug, i)}: {string.Join(' ', plug.Pins.Select(p => p.Pad is null ? "-" : LeafletTokens.Name(p.Pad)))}\n"
            );
        }
    }

    /// <summary>Whether a pad's own word says where it leads; if not, it needs a line of ways.</summary>
    public static bool SaysItsWay(Pad pad) =>
        pad.Paths.Count == 0
            ? pad.Meaning != PadMeaning.Sure
            : pad.Paths is [{ Through.Count: 0 }] && pad.Meaning != PadMeaning.NotConnected;

    // Pads that stand side by side in the list and belong together.
    private List<(BoardPlug? Plug, List<Pad> Pads)> Runs(bool sockets = true)
    {
        var runs = new List<(BoardPlug? Plug, List<Pad> Pads)>();
        foreach (var pad in board.Pads)
        {
            var plug = sockets ? _plugOf.GetValueOrDefault(pad.Id) : null;
            if (
                runs.Count > 0
                && runs[^1] is var last
                && last.Plug == plug
                && last.Pads[0].Side == pad.Side
                && last.Pads[0].Group == pad.Group
            )
            {
                last.Pads.Add(pad);
            }
            else
            {
                runs.Add((plug, [pad]));
            }
        }
        return runs;
    }

    // All pads of the socket in the order of its pins, none of them elsewhere.
    private bool Together(BoardPlug plug)
    {
        var own = plug.Pins.Select(p => p.Pad).OfType<string>().ToList();
        var first = board.Pads.Index().FirstOrDefault(p => p.Item.Id == own.FirstOrDefault()).Index;
        return own.Count > 0 && board.Pads.Skip(first).Take(own.Count).Select(p => p.Id).SequenceEqual(own);
    }

    private string Row(List<Pad> pads)
    {
        var lay = LayOf([.. pads.Select(p => (Spot?)new Spot(p.X, p.Y))]);
        var name = pads[0].Group is { } group ? $" {(IsPlace(group) ? group : LeafletTokens.Quote(group))}" : "";
        var head = $"{Side(pads[0])}{name}{At(lay)}";
        return $"{head}: {string.Join(' ', pads.Select((p, i) => Word(p, lay, i)))}\n";
    }

    private string Socket(BoardPlug plug, List<Pad> pads)
    {
        var byId = pads.ToDictionary(p => p.Id);
        var cells = plug.Pins.Select(p => p.Pad is null ? null : byId[p.Pad]).ToList();
        var lay = LayOf([.. cells.Select(c => c is null ? null : new Spot(c.X, c.Y))]);
        var group = pads[0].Group is { } name ? $" group {LeafletTokens.Quote(name)}" : "";
        var place = laid ? At(lay) : EdgeOf(pads);
        var words = cells.Select((c, i) => c is null ? "-" : Word(c, lay, i));
        return $"{Head(plug, board.Plugs.ToList().IndexOf(plug))} {Side(pads[0])}{place}{group}: {string.Join(' ', words)}\n";
    }

    private string Head(BoardPlug plug, int index)
    {
        var before = board.Plugs.Take(index).ToList();
        var id =
            plug.Id == Slug.Free(plug.Label, s => before.Any(p => p.Id == s))
                ? ""
                : $" [{LeafletTokens.Name(plug.Id)}]";
        return $"{LeafletTokens.Name(plug.Label, Keywords)}{id}{Family(plug)}";
    }

    private static string Family(BoardPlug plug)
    {
        var tail = $", {plug.Pins.Count} pins";
        return plug.Family == PlugFamily.Unknown(plug.Pins.Count) ? ""
            : PadPlacer.PitchOf(plug.Family) is not null
            && plug.Family.EndsWith(" mm" + tail, StringComparison.Ordinal)
            && plug.Family.IndexOf(',', StringComparison.Ordinal) == plug.Family.Length - tail.Length
                ? $" ({plug.Family[..^tail.Length]})"
            : $" ({LeafletTokens.Quote(plug.Family)})";
    }

    private string Word(Pad pad, Lay? lay, int index)
    {
        var text = new StringBuilder(LeafletTokens.Name(pad.Label));
        var read = LabelReader.Read(board, pad.Label);
        var usual = read.Path is { } path ? [path] : (IReadOnlyList<PadPath>)[];
        if (!SaysItsWay(pad))
        {
            text.Append(
                pad.Meaning switch
                {
                    PadMeaning.Uncertain => "?",
                    PadMeaning.NotConnected => "=nc",
                    _ => "",
                }
            );
        }
        else if (read.Makes || pad.Meaning != read.Meaning || !LikeEach(pad.Paths, usual))
        {
            text.Append(pad.Meaning == PadMeaning.Uncertain ? "?" : "");
            text.Append(
                pad.Meaning == PadMeaning.NotConnected ? "=nc"
                : pad.Paths is [var way] ? $"={LeafletWriter.End(board, way)}"
                : ""
            );
        }
        if (_written.Contains(pad.Id))
        {
            text.Append(CultureInfo.InvariantCulture, $"[{LeafletTokens.Name(pad.Id)}]");
        }
        if (laid && (lay is null || PadList.Along(lay, index) != new Spot(pad.X, pad.Y)))
        {
            text.Append(CultureInfo.InvariantCulture, $"({LeafletWriter.Number(pad.X)},{LeafletWriter.Number(pad.Y)})");
        }
        return text.ToString();
    }

    private HashSet<string> _written = [];

    // The ids that the reader would not make by itself. Those that are written are taken first, which can change what is left to the others.
    private HashSet<string> IdsToWrite(bool inSockets)
    {
        var plain = board
            .Pads.Select(p =>
                (Pad: p, Prefix: inSockets && _plugOf.TryGetValue(p.Id, out var plug) ? $"{plug.Id} " : "")
            )
            .ToList();
        var written = new HashSet<string>();
        while (true)
        {
            var taken = new HashSet<string>(written);
            var wrong = false;
            foreach (var (pad, prefix) in plain.Where(p => !written.Contains(p.Pad.Id)))
            {
                var id = Slug.Free(prefix + pad.Label, taken.Contains);
                taken.Add(id);
                if (id != pad.Id)
                {
                    written.Add(pad.Id);
                    wrong = true;
                    break;
                }
            }
            if (!wrong)
            {
                return written;
            }
        }
    }

    private static bool LikeEach(IReadOnlyList<PadPath> a, IReadOnlyList<PadPath> b) =>
        a.Count == b.Count && a.Zip(b).All(p => p.First.Net == p.Second.Net && p.First.Rail == p.Second.Rail);

    // The first pad and the step that most of them keep to.
    private static Lay? LayOf(IReadOnlyList<Spot?> spots)
    {
        var known = spots.Index().Where(s => s.Item is not null).ToList();
        if (known.Count == 0)
        {
            return null;
        }
        var (at, first) = known[0];
        var pairs = known.Zip(known.Skip(1)).Concat(known.Zip(known.Skip(2)));
        var lays =
            from pair in pairs
            let n = pair.Second.Index - pair.First.Index
            let step = new Spot(
                Math.Round((pair.Second.Item!.X - pair.First.Item!.X) / n, 3),
                Math.Round((pair.Second.Item.Y - pair.First.Item.Y) / n, 3)
            )
            select new Lay(
                new Spot(Math.Round(first!.X - (at * step.X), 3), Math.Round(first.Y - (at * step.Y), 3)),
                step
            );
        return lays.Distinct()
                .OrderByDescending(lay => known.Count(s => PadList.Along(lay, s.Index) == s.Item))
                .ThenBy(lay => Math.Abs(lay.Step.X) + Math.Abs(lay.Step.Y))
                .FirstOrDefault()
            ?? new Lay(first!, new Spot(0, 0));
    }

    private string At(Lay? lay)
    {
        if (!laid || lay is null)
        {
            return "";
        }
        var step = lay.Step is { X: 0, Y: 0 } ? "" : $" step {Point(lay.Step)}";
        return $" at {Point(lay.From)}{step}";
    }

    private static string Point(Spot spot) => $"{LeafletWriter.Number(spot.X)},{LeafletWriter.Number(spot.Y)}";

    // Without millimetres a socket lies at the edge that it is nearest to.
    private string EdgeOf(List<Pad> pads)
    {
        var (width, depth) = (board.Outline?.Width ?? PadPlacer.Nominal, board.Outline?.Depth ?? PadPlacer.Nominal);
        var (x, y) = (pads.Average(p => p.X), pads.Average(p => p.Y));
        (double Far, string Name)[] edges = [(x, "left"), (width - x, "right"), (y, "rear"), (depth - y, "front")];
        return $" {edges.MinBy(e => e.Far).Name}";
    }

    private static string Side(Pad pad) => pad.Side == BoardSide.Top ? "top" : "bottom";

    private static bool IsPlace(string group) => group.Split(' ').All(w => w is "left" or "right" or "front" or "rear");

    private static readonly string[] Keywords =
    [
        .. LeafletGrammar.Lines.Keys,
        "maker",
        "board",
        "revision",
        "recognise",
        "target",
        "id",
    ];
}
