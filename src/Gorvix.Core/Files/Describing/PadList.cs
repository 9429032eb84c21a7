using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>The pads and sockets of a leaflet text, in its order.</summary>
/// <param name="problems">Where what does not fit is said.</param>
internal sealed class PadList(List<LeafletProblem> problems)
{
    private sealed record Place(PadName Name, int Line, BoardSide Side, string? Group, SocketLine? Socket);

    private readonly List<Place> _pads = [];
    private readonly List<(SocketLine Line, List<Place?> Cells)> _sockets = [];
    private readonly List<(Lay? Lay, PadPlacer.Strip Strip, List<Place?> Cells)> _strips = [];

    /// <summary>The pads that are read by their labels: those whose ways no line tells.</summary>
    /// <param name="ways">The lines that tell the ways of a pad.</param>
    public IReadOnlyList<PadName> Unwritten(IEnumerable<WaysLine> ways)
    {
        var ids = Ids();
        var told = ways.Select(w => w.Pad.Text).ToHashSet();
        return [.. _pads.Where(p => !told.Contains(ids[p]) && !told.Contains(p.Name.Label.Text)).Select(p => p.Name)];
    }

    /// <summary>Takes a row or a socket; other lines are left alone.</summary>
    public void Add(Statement statement, int line)
    {
        var more =
            statement is RowLine { Pads.Count: var pads } ? pads
            : statement is SocketLine { Pads.Count: var cells } ? cells
            : 0;
        if (_strips.Sum(s => s.Cells.Count) + more > PartCheck.MostPads)
        {
            problems.Add(
                LeafletText.Problem(
                    line,
                    1,
                    Sentences.WithThisLineTheBoard(PartCheck.MostPads),
                    Sentences.NoBoardHasThatMany
                )
            );
            return;
        }
        if (statement is RowLine row)
        {
            Take(
                row.Lay,
                new PadPlacer.Strip(row.Side, row.Name, row.Pads.Count, null),
                row.Pads,
                line,
                row.Name,
                null
            );
        }
        else if (statement is SocketLine socket)
        {
            var strip = new PadPlacer.Strip(
                socket.Side,
                socket.Name,
                socket.Pads.Count,
                PadPlacer.DrawnPitch(socket.Family)
            );
            _sockets.Add((socket, Take(socket.Lay, strip, socket.Pads, line, socket.Group, socket)));
        }
    }

    private List<Place?> Take(
        Lay? lay,
        PadPlacer.Strip strip,
        IReadOnlyList<PadName?> names,
        int line,
        string? group,
        SocketLine? socket
    )
    {
        var cells = names.Select(n => n is null ? null : new Place(n, line, strip.Side, group, socket)).ToList();
        _pads.AddRange(cells.OfType<Place>());
        _strips.Add((lay, strip, cells));
        return cells;
    }

    /// <summary>The board with its pads and sockets.</summary>
    /// <param name="board">The board with all else.</param>
    /// <param name="ways">The lines that tell the ways of a pad.</param>
    /// <param name="pins">The lines that make a socket of pads in rows.</param>
    public Board Finish(
        Board board,
        IReadOnlyList<(WaysLine Line, int Number)> ways,
        IReadOnlyList<(PinsLine Line, int Number)> pins
    )
    {
        var ids = Ids();
        var spots = Spots(board);
        var own = Ways(board, ids, ways);
        var pads = _pads.Select(p => PadOf(board, p, ids[p], spots[p], own.GetValueOrDefault(ids[p]))).ToList();
        var plugs = new List<BoardPlug>();
        foreach (var (line, cells) in _sockets)
        {
            plugs.Add(
                Plug(plugs, line.Label.Text, line.Id, line.Family, [.. cells.Select(c => c is null ? null : ids[c])])
            );
        }
        foreach (var (line, number) in pins)
        {
            var cells = line.Pads.Select(n => n is null ? null : Find(ids, n, number)).ToList();
            plugs.Add(Plug(plugs, line.Label.Text, line.Id, line.Family, cells));
        }
        return board with { Pads = pads, Plugs = plugs };
    }

    private Dictionary<Place, string> Ids()
    {
        var ids = new Dictionary<Place, string>(ReferenceEqualityComparer.Instance);
        var taken = new HashSet<string>();
        foreach (var pad in _pads.Where(p => p.Name.Id is not null))
        {
            ids[pad] = pad.Name.Id!;
            taken.Add(pad.Name.Id!);
        }
        foreach (var pad in _pads.Where(p => p.Name.Id is null))
        {
            var prefix = pad.Socket is { } socket ? $"{socket.Id ?? socket.Label.Text} " : "";
            ids[pad] = Slug.Free(prefix + pad.Name.Label.Text, taken.Contains);
            taken.Add(ids[pad]);
        }
        return ids;
    }

    private Dictionary<Place, Spot> Spots(Board board)
    {
        var spots = new Dictionary<Place, Spot>(ReferenceEqualityComparer.Instance);
        var laid = _strips.Where(s => s.Lay is null).ToList();
        foreach (var (strip, places) in laid.Zip(PadPlacer.Place(board.Outline, [.. laid.Select(s => s.Strip)])))
        {
            foreach (var (cell, spot) in strip.Cells.Zip(places).Where(c => c.First is not null))
            {
                spots[cell!] = spot;
            }
        }
        foreach (var (lay, _, cells) in _strips.Where(s => s.Lay is not null))
        {
            foreach (var (i, cell) in cells.Index().Where(c => c.Item is not null))
            {
                spots[cell!] = Along(lay!, i);
            }
        }
        foreach (var pad in _pads.Where(p => p.Name.At is not null))
        {
            spots[pad] = pad.Name.At!;
        }
        return spots;
    }

    /// <summary>The place so many steps along a row.</summary>
    public static Spot Along(Lay lay, int steps) =>
        new(Math.Round(lay.From.X + (steps * lay.Step.X), 3), Math.Round(lay.From.Y + (steps * lay.Step.Y), 3));

    private Dictionary<string, IReadOnlyList<PadPath>> Ways(
        Board board,
        Dictionary<Place, string> ids,
        IReadOnlyList<(WaysLine Line, int Number)> ways
    )
    {
        var own = new Dictionary<string, IReadOnlyList<PadPath>>();
        foreach (var (line, number) in ways)
        {
            if (Find(ids, line.Pad, number) is not { } pad)
            {
                continue;
            }
            if (!own.TryAdd(pad, [.. line.Ways.Select(w => PathOf(board, w, number)).OfType<PadPath>()]))
            {
                problems.Add(
                    LeafletText.Problem(
                        number,
                        line.Pad.Column,
                        Sentences.AlreadyHasAWaysLine(line.Pad.Text),
                        Sentences.MergeBothIntoOneLine
                    )
                );
            }
        }
        return own;
    }

    private string? Find(Dictionary<Place, string> ids, Named name, int line)
    {
        var found = _pads.Where(p => ids[p] == name.Text).Select(p => ids[p]).ToList();
        if (found.Count == 0)
        {
            found = [.. _pads.Where(p => p.Name.Label.Text == name.Text).Select(p => ids[p])];
        }
        if (found.Count == 1)
        {
            return found[0];
        }
        problems.Add(
            found.Count == 0
                ? LeafletText.Problem(line, name.Column, Sentences.NoRowOrSocketHas(name.Text), Sentences.AddItToARow)
                : LeafletText.Problem(
                    line,
                    name.Column,
                    Sentences.SeveralPadsAreLabelled(name.Text),
                    Sentences.UseTheIdOfThe(string.Join(", ", found.Take(8)))
                )
        );
        return null;
    }

    private Pad PadOf(Board board, Place place, string id, Spot spot, IReadOnlyList<PadPath>? ways)
    {
        var name = place.Name;
        var (meaning, paths) = (ways, name) switch
        {
            ({ } own, _) => (PadMeaning.Sure, own),
            (_, { NotConnected: true }) => (PadMeaning.NotConnected, []),
            (_, { End: { } end }) when PathOf(board, new Way([], end), place.Line) is { } path => (
                PadMeaning.Sure,
                [path]
            ),
            (_, { End: not null } or { Doubt: true }) => (PadMeaning.Uncertain, []),
            _ => Read(board, name.Label.Text),
        };
        return new Pad
        {
            Id = id,
            Label = name.Label.Text,
            Meaning =
                name.NotConnected ? PadMeaning.NotConnected
                : name.Doubt ? PadMeaning.Uncertain
                : meaning,
            Side = place.Side,
            X = spot.X,
            Y = spot.Y,
            Group = place.Group,
            Paths = paths,
        };
    }

    private static (PadMeaning, IReadOnlyList<PadPath>) Read(Board board, string label)
    {
        var read = LabelReader.Read(board, label);
        return (read.Meaning, read.Path is { } path ? [path] : []);
    }

    private PadPath? PathOf(Board board, Way way, int line)
    {
        var end = way.End;
        if (end.Net)
        {
            return new PadPath { Through = way.Through, Net = end.Name };
        }
        if (end.Half is { } half && board.Ports.FirstOrDefault(p => Same(p.Id, end.Name)) is { } port)
        {
            var net = PortGrammar.HalfOf(half) switch
            {
                "RX" => port.Rx,
                "TX" => port.Tx,
                "SDA" => port.Data,
                "SCL" => port.Clock,
                _ => null,
            };
            if (net is not null)
            {
                return new PadPath { Through = way.Through, Net = net };
            }
            problems.Add(
                LeafletText.Problem(
                    line,
                    end.Column,
                    Sentences.PortHasNo(port.Id, half),
                    Sentences.AddItAsInPort(port.Id)
                )
            );
            return null;
        }
        var whole = end.Half is null ? end.Name : $"{end.Name}.{end.Half}";
        var rail =
            board.Rails.FirstOrDefault(r => r.Id == whole)
            ?? board.Rails.FirstOrDefault(r => Same(r.Label, whole))
            ?? Meant(board, whole);
        if (rail is not null)
        {
            return new PadPath { Through = way.Through, Rail = rail.Id };
        }
        problems.Add(
            end.Half is null
                ? LeafletText.Problem(
                    line,
                    end.Column,
                    Sentences.ThereIsNoRail(whole),
                    Sentences.AddItsLineOrUse(Examples.For("rail"))
                )
                : LeafletText.Problem(
                    line,
                    end.Column,
                    Sentences.ThereIsNoPort(end.Name),
                    Sentences.AddItsLinePortRx(end.Name)
                )
        );
        return null;
    }

    // BAT, GND, 5V and their like are understood whatever the rail's own line calls it.
    private static Rail? Meant(Board board, string name) =>
        LabelBook.Read(name) is { Trust: LabelTrust.Certain, Meanings: [var meaning] }
        && LabelReader.End(board, meaning)?.Rail is { } id
            ? board.Rails.First(r => r.Id == id)
            : null;

    private static BoardPlug Plug(
        List<BoardPlug> there,
        string label,
        string? id,
        string? family,
        IReadOnlyList<string?> cells
    ) =>
        new()
        {
            Id = id ?? Slug.Free(label, s => there.Any(p => p.Id == s)),
            Label = label,
            Family = FamilyOf(family, cells.Count),
            Pins = [.. cells.Select(c => new BoardPin { Pad = c })],
        };

    /// <summary>The family of a socket: its pitch with the number of its pins, or the text in quotes word for word.</summary>
    private static string FamilyOf(string? written, int pins) =>
        written switch
        {
            null => PlugFamily.Unknown(pins),
            ['=', .. var text] => text,
            _ when PadPlacer.PitchOf(written) is not null && !written.Contains(',', StringComparison.Ordinal) =>
                $"{written}, {pins} pins",
            _ => written,
        };

    private static bool Same(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}
