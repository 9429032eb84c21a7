using CsCheck;
using Gorvix.Core.Builds;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;
using static Gorvix.Core.Tests.Bench;

namespace Gorvix.Core.Tests.Planning;

/// <summary>Builds made up by the property engine: boards with inverters, shared bridges, half, held and advised ports.</summary>
internal static class Generated
{
    private static readonly string[] Classes = ["F4", "F7"];

    private static readonly Gen<PathElement[]> Elements = Gen.OneOfConst<PathElement[]>(
        [],
        [],
        [Inverter()],
        [Inverter(Passage.Both)],
        [At("J", "left")],
        [At("J", "right"), Inverter()],
        [At("K", "right")]
    );

    private static readonly Gen<Mode> Modes = Gen.OneOfConst(
        Mode("CRSF", Out(), In()),
        Mode("CRSF", Out(polarity: Polarity.Inverted), In()) with
        {
            Id = "turned",
            Setting = "invert",
            Firmware = "2",
        },
        Mode("CRSF", Out()) with
        {
            Id = "deaf",
            Loses = ["telemetry"],
        },
        Mode("SBUS", Out()),
        Mode("IBUS", Out()),
        Mode("S.Port", Both()),
        Mode("SmartAudio", Both())
    );

    private static readonly Gen<Device> Devices = Gen.Select(
        Gen.Enum<Need>(),
        Modes.Array[1, 2].Select(m => m.DistinctBy(x => x.Id).ToArray()),
        (need, modes) => Device("d", need, modes)
    );

    /// <summary>Builds of at most so many ports and links.</summary>
    public static Gen<ResolvedBuild> Builds(int ports, int links) =>
        Gen.Select(
            Boards(ports),
            Gen.Select(Devices, Gen.Enum<Priority>()).Array[1, links],
            Gen.Int[-2, 3],
            (board, devices, pin) =>
            {
                var build = Build(board, [.. devices.Select((d, i) => (d.Item1 with { Id = $"d{i}" }, d.Item2))]);
                return pin >= 0 && pin < board.Ports.Count
                    ? build.Pinned(new RouteMatch { Link = "d0", Port = board.Ports[pin].Id })
                    : build;
            }
        );

    /// <summary>A build in a few words, for a failure.</summary>
    public static string Print(ResolvedBuild build) =>
        $"{build.Board.Controller}, {build.Board.Ports.Count} ports: "
        + string.Join(", ", build.Links.Select(l => string.Join("/", l.Function.Modes.Select(m => m.Id))));

    private static Gen<Board> Boards(int most) =>
        Gen.Select(
            Gen.OneOfConst(Classes),
            Gen.Select(Elements, Elements, Gen.Int[0, 9], Gen.Enum<Need>()).Array[1, most],
            (controller, ports) => BoardOf(controller, ports)
        );

    // The number says what is broken out: mostly both halves, sometimes one, now and then a held or an advised port.
    private static Board BoardOf(
        string controller,
        (PathElement[] Rx, PathElement[] Tx, int Shape, Need Advised)[] ports
    )
    {
        var board = Board(
            controller,
            [
                .. ports.Select(
                    (p, i) =>
                        Port($"U{i}", heldBy: p.Shape == 9 ? "a recorder" : null) with
                        {
                            AdvisedFor = p.Shape == 8 ? [p.Advised] : [],
                        }
                ),
            ]
        );
        foreach (var (i, (rx, tx, shape, _)) in ports.Index())
        {
            board = board.With(shape == 0 ? [] : [Pad($"R{i}", $"U{i}.rx", rx)]);
            board = board.With(shape == 1 ? [] : [Pad($"T{i}", $"U{i}.tx", tx)]);
        }
        return board with { Bridges = [.. new[] { "J", "K" }.Select(TwoWay)] };
    }

    private static Bridge TwoWay(string id) =>
        new()
        {
            Id = id,
            Positions = ["left", "right"],
            Default = "left",
        };
}
