using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Wired.Words;

/// <summary>What a board and its rails are, as the builder reads it.</summary>
public static class BoardWords
{
    /// <summary>Size, holes, USB side and arrow in a sentence; null when the leaflet says nothing of them.</summary>
    public static string? Shape(Board board)
    {
        string?[] parts =
        [
            board.Outline is { } o ? $"{o.Width:0.#} × {o.Depth:0.#} mm" : null,
            board.Mounting is { } m
                ? $"holes {m.Width:0.#} × {m.Depth:0.#} mm{(m.Bolt is { } bolt ? $" for M{bolt:0.#}" : "")}"
                : null,
            board.UsbSide is { } usb ? $"USB on the {Of(usb)} edge" : null,
            board.Arrow is { } arrow ? $"arrow towards the {Of(arrow)} edge" : null,
        ];
        return parts.OfType<string>().ToList() is { Count: > 0 } known
            ? $"{Phrase.Upper(string.Join(", ", known))}."
            : null;
    }

    /// <summary>What a rail is made of, in a few words; what the leaflet does not say is said to be unknown.</summary>
    public static string Of(Rail rail) => $"{rail.Label}: {Made(rail)}";

    /// <summary>How a rail is made, without its label.</summary>
    public static string Made(Rail rail)
    {
        if (rail.Feed == RailFeed.Battery)
        {
            return "direct from the supply input";
        }
        var made = (rail.Kind, rail.Limit) switch
        {
            (null, null) => "regulator type and limit unknown",
            (null, _) => $"regulator type unknown, limit {PlainWords.Amperes(rail.Limit)}",
            (RegulatorKind.Linear, _) => $"linear, limit {PlainWords.Amperes(rail.Limit)}",
            _ => $"switching, limit {PlainWords.Amperes(rail.Limit)}",
        };
        return $"{made}{Of(rail.Filtering)}";
    }

    /// <summary>Whether something is filtered, after a comma; nothing where that is unknown.</summary>
    public static string Of(Filtering? filtering) =>
        filtering switch
        {
            Filtering.Filtered => ", filtered",
            Filtering.Unfiltered => ", unfiltered",
            _ => "",
        };

    private static string Of(BoardEdge edge) =>
        edge switch
        {
            BoardEdge.Front => "front",
            BoardEdge.Right => "right",
            BoardEdge.Rear => "rear",
            _ => "left",
        };
}
