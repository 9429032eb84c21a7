using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Files.Describing;

/// <summary>What labels mean on a board whose ports and rails are known. Nothing is made up here.</summary>
internal static class LabelReader
{
    /// <summary>A label on a board.</summary>
    /// <param name="Reading">What the dictionary says.</param>
    /// <param name="Ends">What each of its meanings leads to on this board; null where the board has nothing of the kind.</param>
    /// <param name="Meaning">What follows for the pad.</param>
    /// <param name="Path">Where it leads, or null.</param>
    public sealed record OnBoard(LabelReading Reading, IReadOnlyList<PadPath?> Ends, PadMeaning Meaning, PadPath? Path)
    {
        /// <summary>Whether the label speaks of something that the board does not have yet, and that it would be given for it.</summary>
        public bool Makes =>
            Meaning == PadMeaning.Uncertain
            && Reading.Meanings.Zip(Ends).Any(m => m.Second is null && Tells(Reading, m.First));
    }

    /// <summary>Whether a label says of this meaning that the board has it: it is certain, or names the number of a port.</summary>
    public static bool Tells(LabelReading reading, LabelMeaning meaning) =>
        reading.Trust == LabelTrust.Certain || meaning is { Number: > 0, Kind: LabelKind.Rx or LabelKind.Tx };

    /// <summary>Reads a label.</summary>
    /// <param name="board">The board, with its ports, nets and rails.</param>
    /// <param name="label">As printed.</param>
    public static OnBoard Read(Board board, string label)
    {
        var reading = LabelBook.Read(label);
        var ends = reading.Meanings.Select(m => End(board, m)).ToList();
        if (board.Rails.FirstOrDefault(r => Same(r.Label, label)) is { } rail)
        {
            // What the leaflet calls a rail is that rail, whatever others mean by the word.
            return new OnBoard(reading, ends, PadMeaning.Sure, new PadPath { Rail = rail.Id });
        }
        if (reading is { Trust: LabelTrust.Certain, Meanings: [{ Kind: LabelKind.Nothing }] })
        {
            return new OnBoard(reading, ends, PadMeaning.NotConnected, null);
        }
        var first = ends.FirstOrDefault(e => e is not null);
        var one = first is not null && ends.All(e => e is not null && e.Net == first.Net && e.Rail == first.Rail);
        var sure = one && (reading.Trust == LabelTrust.Certain || ends.Count > 1);
        return new OnBoard(reading, ends, sure ? PadMeaning.Sure : PadMeaning.Uncertain, first);
    }

    /// <summary>Where a meaning leads on this board; null when it has nothing of the kind.</summary>
    public static PadPath? End(Board board, LabelMeaning meaning)
    {
        var (net, rail) = meaning.Kind switch
        {
            LabelKind.Rx => (Unit(board, meaning.Number)?.Rx, null),
            LabelKind.Tx => (Unit(board, meaning.Number)?.Tx, null),
            LabelKind.Data => (Bus(board, meaning.Number)?.Data, null),
            LabelKind.Clock => (Bus(board, meaning.Number)?.Clock, null),
            LabelKind.Ground => (null, board.Rails.FirstOrDefault(r => r.Feed == RailFeed.Ground)?.Id),
            LabelKind.Battery => (null, board.Rails.FirstOrDefault(r => r.Feed == RailFeed.Battery)?.Id),
            LabelKind.Supply => (
                null,
                board
                    .Rails.FirstOrDefault(r =>
                        r.Feed != RailFeed.Ground && r.Volts is { } v && Math.Abs(v - meaning.Volts) < 0.05
                    )
                    ?.Id
            ),
            LabelKind.PictureIn => (Only(board, PortKind.Video)?.Rx, null),
            LabelKind.PictureOut => (Only(board, PortKind.Video)?.Tx, null),
            LabelKind.Current => (Level(board, "CUR")?.Rx, null),
            LabelKind.Strength => (Level(board, "RSSI")?.Rx, null),
            LabelKind.Keys => (Level(board, "KEY")?.Tx, null),
            _ => (NetOf(meaning) is { } own && board.Nets.Any(n => n.Id == own) ? own : null, (string?)null),
        };
        return net is null && rail is null ? null : new PadPath { Net = net, Rail = rail };
    }

    /// <summary>The net of a thing that is no port: buzzer, lights, a motor; null for anything else.</summary>
    public static string? NetOf(LabelMeaning meaning) =>
        meaning.Kind switch
        {
            LabelKind.Buzzer => "bz",
            LabelKind.Lights => "led",
            LabelKind.Motor => $"m{meaning.Number}",
            _ => null,
        };

    /// <summary>The serial unit of a number, such as U3 or UART3; null when there is none.</summary>
    public static Port? Unit(Board board, int number) =>
        number == 0 ? null : board.Ports.FirstOrDefault(p => p.Kind == PortKind.Uart && NumberOf(p.Id) == number);

    /// <summary>The bus of a number, or the only one where the label has none.</summary>
    public static Port? Bus(Board board, int number) =>
        number == 0
            ? Only(board, PortKind.Bus)
            : board.Ports.FirstOrDefault(p => p.Kind == PortKind.Bus && NumberOf(p.Id) == number);

    private static Port? Only(Board board, PortKind kind) =>
        board.Ports.Where(p => p.Kind == kind).Take(2).ToList() is [var one] ? one : null;

    private static Port? Level(Board board, string id) =>
        board.Ports.FirstOrDefault(p => p.Kind == PortKind.Analogue && Same(p.Id, id));

    private static int NumberOf(string id)
    {
        var digits = id.Reverse().TakeWhile(char.IsAsciiDigit).Reverse().ToArray();
        return digits.Length is > 0 and < 4 ? int.Parse(digits, System.Globalization.CultureInfo.InvariantCulture) : -1;
    }

    private static bool Same(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}
