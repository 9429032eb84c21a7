using System.Globalization;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Work.Tables;

/// <summary>
/// The pads of boards as a list, a row a pad. What a row does not say of its board (supply, class, ports, bridges) is as the board has
/// it; where a pad leads is written as in leaflet text, and a cell that is left empty is read from the label.
/// </summary>
public static class PadTable
{
    internal static readonly string[] Columns =
    [
        "board",
        "pad",
        "label",
        "meaning",
        "leads to",
        "side",
        "x",
        "y",
        "group",
        "socket",
        "family",
        "pin",
    ];

    /// <summary>The list of the pads of boards.</summary>
    /// <param name="boards">The boards.</param>
    public static string Write(IReadOnlyList<Board> boards) => Sheet.Write(Columns, boards.SelectMany(Rows));

    /// <summary>The boards with the pads of a list.</summary>
    /// <param name="text">The list.</param>
    /// <param name="find">The board of an id; null where there is none.</param>
    /// <returns>The boards that it names, in its order; each with the pads and sockets of the list in place of its own.</returns>
    /// <exception cref="TableException">It cannot be read.</exception>
    internal static IReadOnlyList<Board> Read(string text, Func<string, Board?> find)
    {
        var sheet = Sheet.Read(text, Columns, ["board", "label"]);
        return
        [
            .. sheet
                .Rows.GroupBy(r => r.Needed("board"))
                .Select(rows =>
                    find(rows.Key) is { } board
                        ? Read(board, [.. rows])
                        : throw rows.First()
                            .Wrong("board", Sentences.NamesWhichIsNotIn(rows.Key), Sentences.AddTheBoardFirstIts)
                ),
        ];
    }

    /// <summary>A board with the pads of a list; what stands under "board" does not matter.</summary>
    /// <param name="text">The list.</param>
    /// <param name="board">The board; it need not be whole.</param>
    /// <exception cref="TableException">It cannot be read.</exception>
    internal static Board ReadFor(string text, Board board) => Read(board, Sheet.Read(text, Columns, ["label"]).Rows);

    private static IEnumerable<string?[]> Rows(Board board) =>
        from pad in board.Pads
        let socket = board.Plugs.FirstOrDefault(p => p.Pins.Any(pin => pin.Pad == pad.Id))
        let pin = socket?.Pins.Index().First(p => p.Item.Pad == pad.Id).Index + 1
        select new[]
        {
            board.Id,
            pad.Id,
            pad.Label,
            SheetRow.WordOf(pad.Meaning),
            string.Join(" | ", pad.Paths.Select(p => LeafletText.Write(board, p))),
            SheetRow.WordOf(pad.Side),
            Number(pad.X),
            Number(pad.Y),
            pad.Group,
            socket?.Id,
            socket?.Family,
            pin?.ToString(CultureInfo.InvariantCulture),
        };

    private static Board Read(Board board, IReadOnlyList<SheetRow> rows)
    {
        if (rows.Count > PartCheck.MostPads)
        {
            throw rows[0].Wrong(Sentences.TheBoardHasPads(rows.Count), Sentences.TheLimitIs(PartCheck.MostPads));
        }
        var pads = new List<PadTold>();
        foreach (var row in rows)
        {
            var label = row.Needed("label");
            var id = row["pad"] ?? IdOf(board, label, row["socket"], pads);
            if (pads.Any(p => p.Id == id))
            {
                throw row.Wrong("pad", Sentences.RepeatsFromARowAbove(id), Sentences.GiveEachPadAUnique);
            }
            pads.Add(
                new PadTold(
                    row.Number,
                    id,
                    label,
                    row.Word<PadMeaning>("meaning"),
                    row[Sentences.LeadsTo],
                    row.Word<BoardSide>("side") ?? BoardSide.Top,
                    row.Amount("x") is { } x && row.Amount("y") is { } y ? (x, y) : null,
                    row["group"]
                )
            );
        }
        var (read, problems) = PadsTold.Board(board, pads, SocketsOf(board, rows, pads));
        if (problems is [var first, ..])
        {
            var facts = first.Finding.Facts.ToDictionary(f => f.Name, f => f.Value);
            throw rows.First(r => r.Number >= first.Line).Wrong(facts["problem"], facts["mend"]);
        }
        return read;
    }

    // A pad that the board has keeps its id, so that what was decided about it still holds.
    private static string IdOf(Board board, string label, string? socket, List<PadTold> above)
    {
        var taken = above.Select(p => p.Id).ToHashSet();
        var there = board.Pads.Where(p => p.Label == label && !taken.Contains(p.Id)).ToList();
        return there is [var one] ? one.Id : Slug.Free(socket is null ? label : $"{socket} {label}", taken.Contains);
    }

    private static List<BoardPlug> SocketsOf(Board board, IReadOnlyList<SheetRow> rows, List<PadTold> pads)
    {
        var sockets = new List<BoardPlug>();
        foreach (var group in rows.Zip(pads).GroupBy(r => r.First["socket"]).Where(g => g.Key is not null))
        {
            var there = board.Plugs.FirstOrDefault(p => p.Id == group.Key);
            var cells = new SortedDictionary<int, string>();
            foreach (var (row, pad) in group)
            {
                var pin = row.Count("pin", PartCheck.MostPins) ?? cells.Keys.LastOrDefault() + 1;
                if (!cells.TryAdd(pin, pad.Id))
                {
                    throw row.Wrong("pin", Sentences.SaysButPadIsAlready(pin, cells[pin]), Sentences.OnePadPerPin);
                }
            }
            var family = group.Select(g => g.First["family"]).FirstOrDefault(f => f is not null) ?? there?.Family;
            var count = Math.Max(
                cells.Keys.Last(),
                family == there?.Family ? there?.Pins.Count ?? 0 : PlugFamily.PinsOf(family) ?? 0
            );
            sockets.Add(
                new BoardPlug
                {
                    Id = group.Key!,
                    Label = there?.Label ?? group.Key!,
                    Family = family ?? PlugFamily.Unknown(count),
                    Pins =
                    [
                        .. Enumerable.Range(1, count).Select(n => new BoardPin { Pad = cells.GetValueOrDefault(n) }),
                    ],
                }
            );
        }
        // Sockets stay in the order in which the board has them; one without any pad has no row that could speak of it.
        var order = board.Plugs.Select(p => p.Id).ToList();
        return
        [
            .. sockets
                .Concat(board.Plugs.Where(p => p.Pins.All(pin => pin.Pad is null) && sockets.All(s => s.Id != p.Id)))
                .OrderBy(s => order.IndexOf(s.Id) is >= 0 and var at ? at : int.MaxValue),
        ];
    }

    private static string Number(double value) => value.ToString("0.###", CultureInfo.InvariantCulture);
}
