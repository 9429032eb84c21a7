namespace Gorvix.Core.Parts;

/// <summary>How much of a port is broken out.</summary>
public enum PortShape
{
    /// <summary>Both halves (RX and TX, data and clock) have pads.</summary>
    Whole,

    /// <summary>Only the listening half has a pad.</summary>
    RxOnly,

    /// <summary>Only the talking half has a pad.</summary>
    TxOnly,

    /// <summary>Used inside the board.</summary>
    Held,

    /// <summary>No pad leads to it.</summary>
    Buried,
}

/// <summary>Reads the shape of a port off the board.</summary>
public static class Shape
{
    /// <summary>The shape of a port.</summary>
    public static PortShape Of(Board board, Port port) =>
        (
            port.HeldBy,
            PadsOf(board, port.Rx ?? port.Data).Count > 0,
            PadsOf(board, port.Tx ?? port.Clock).Count > 0
        ) switch
        {
            ({ }, _, _) => PortShape.Held,
            (_, true, true) => PortShape.Whole,
            (_, true, false) => PortShape.RxOnly,
            (_, false, true) => PortShape.TxOnly,
            _ => PortShape.Buried,
        };

    /// <summary>The pads that lead to a net, in the order of the board; none when there is no net.</summary>
    public static IReadOnlyList<Pad> PadsOf(Board board, string? net) =>
        net is null
            ? []
            :
            [
                .. board.Pads.Where(pad =>
                    pad.Meaning != PadMeaning.NotConnected && pad.Paths.Any(path => path.Net == net)
                ),
            ];
}
