using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Leaflets;

/// <summary>A board as its leaflet tells it.</summary>
public static class BoardLeaflet
{
    /// <summary>A board in a list.</summary>
    /// <param name="board">A board that passes <see cref="PartCheck"/>.</param>
    public static PartLine Line(Board board)
    {
        var circuit = Circuit.Of(board);
        var whole = board.Ports.Count(p => p.Kind == PortKind.Uart && circuit.ShapeOf(p) == PortShape.Whole);
        var half = board.Ports.Count(p =>
            p.Kind == PortKind.Uart && circuit.ShapeOf(p) is PortShape.RxOnly or PortShape.TxOnly
        );
        string?[] brief =
        [
            $"{board.Controller}-class",
            board.Input is { } input ? $"input {PlainWords.Of(input)}" : null,
            Phrase.Count(whole, Sentences.FullUart),
            half == 0 ? null : Phrase.Count(half, Sentences.RxOrTxOnlyUart),
            board.Plugs.Count == 0 ? null : Phrase.Count(board.Plugs.Count, "socket"),
            .. board.BuiltIns.Select(b => b.Name),
        ];
        return new PartLine(
            board.Id,
            true,
            $"{board.Maker} {board.Name}, revision {board.Revision}",
            "board",
            string.Join(", ", brief.OfType<string>()),
            [
                board.Controller,
                .. board.Ports.Where(p => p.Kind != PortKind.Usb).Select(p => TraitOf(p.Kind)).Distinct(),
            ],
            $"{board.Maker} {board.Name}",
            board.Revision,
            board.Input is null ? null : LeafletWords.CellsIn(board.Input)
        );
    }

    /// <summary>A board on its page.</summary>
    /// <param name="board">A board that passes <see cref="PartCheck"/>.</param>
    /// <param name="library">The library, for its sisters.</param>
    public static Leaflet Of(Board board, PartsLibrary library)
    {
        var circuit = Circuit.Of(board);
        return new Leaflet(
            Line(board),
            [
                new LeafletFact("Controller", $"{board.Controller}-class"),
                new LeafletFact(Sentences.FirmwareTarget, board.Target ?? LeafletWords.Unknown),
                new LeafletFact(Sentences.HowToIdentifyIt, board.Recognise ?? LeafletWords.Unknown),
                new LeafletFact(
                    Sentences.SupplyInput,
                    board.Input is { } input
                        ? $"{PlainWords.Of(input)} ({LeafletWords.Of(LeafletWords.CellsIn(input))})"
                        : LeafletWords.Unknown
                ),
                new LeafletFact("Size", BoardWords.Shape(board) ?? LeafletWords.Unknown),
                .. board.BuiltIns.Select(b => new LeafletFact(
                    Sentences.BuiltIn,
                    $"{b.Name}: {PlainWords.Of(b.Gives)}"
                )),
            ],
            [
                .. Tables(
                    new LeafletTable(
                        "Ports",
                        ["Port", "Type", "Pads", Sentences.RecommendedFor],
                        [.. board.Ports.Select(p => PortRow(p, circuit))]
                    ),
                    new LeafletTable(
                        "Rails",
                        ["Rail", "Voltage", "Type", Sentences.OnUsbPower],
                        [.. board.Rails.Where(r => r.Feed != RailFeed.Ground).Select(RailRow)]
                    ),
                    new LeafletTable(
                        "Sockets",
                        ["Socket", "Connector", Sentences.PinsFromTheMarkedEnd],
                        [.. circuit.Sockets.Select(PlugRow)]
                    ),
                    new LeafletTable(
                        Sentences.SolderJumpers,
                        ["Jumper", "Positions", Sentences.FromFactory, Sentences.SetBy],
                        [.. board.Bridges.Select(BridgeRow)]
                    )
                ),
            ],
            Sisters(board, library),
            FaceReader.Of(board)
        );
    }

    private static string TraitOf(PortKind kind) =>
        kind switch
        {
            PortKind.Uart => "UARTs",
            PortKind.Software => Sentences.SoftwareSerial,
            PortKind.Pulse => Sentences.PulseInput,
            PortKind.Bus => "I²C bus",
            PortKind.Video => Sentences.AnalogueOsd,
            _ => Sentences.AnaloguePins,
        };

    /// <summary>Other revisions of a board in the library.</summary>
    public static IReadOnlyList<Sister> Sisters(Board board, PartsLibrary library) =>
        [
            .. library
                .Boards.Where(b => b.Id != board.Id && b.Maker == board.Maker && b.Name == board.Name)
                .Select(b => new Sister(b.Id, b.Revision, b.Recognise)),
        ];

    private static IEnumerable<LeafletTable> Tables(params LeafletTable[] tables) =>
        tables.Where(t => t.Rows.Count > 0);

    private static string[] PortRow(Port port, Circuit circuit)
    {
        var what = port switch
        {
            { HeldBy: { } holder } => Sentences.InUseOnTheBoard(holder),
            { Kind: PortKind.Uart } => circuit.ShapeOf(port) switch
            {
                PortShape.Whole => Sentences.UartRxAndTx,
                PortShape.RxOnly => Sentences.UartRxOnly,
                PortShape.TxOnly => Sentences.UartTxOnly,
                _ => Sentences.UartWithoutPads,
            },
            _ => PortWords.Label(port),
        };
        var pads = port.Nets.Distinct().SelectMany(circuit.To).Select(s => s.Pad).Distinct();
        return
        [
            port.Id,
            what,
            string.Join(" · ", pads.Select(p => WireWords.Of(circuit, p))) is { Length: > 0 } places ? places : "none",
            string.Join(", ", port.AdvisedFor.Select(n => Phrase.Lower(PlainWords.Of(n)))),
        ];
    }

    private static string[] RailRow(Rail rail) =>
        [
            rail.Label,
            rail.Volts is { } volts ? $"{volts:0.0#} V" : Sentences.InputVoltage,
            BoardWords.Made(rail),
            rail.Feed switch
            {
                RailFeed.RegulatorOrUsb => "on",
                RailFeed.RegulatorUsbUnknown => "unknown",
                _ => "off",
            },
        ];

    private static string[] PlugRow(Socket socket) =>
        [
            socket.Label,
            socket.Family,
            string.Join(", ", socket.Pads.Index().Select(p => $"{p.Index + 1} {p.Item?.Label ?? "empty"}")),
        ];

    private static string[] BridgeRow(Bridge bridge) =>
        [
            bridge.Id,
            string.Join(", ", bridge.Positions),
            bridge.Default,
            bridge.MovedBy == MovedBy.Solder ? "soldering" : Sentences.FirmwareSetting,
        ];
}
