using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Picture;

/// <summary>Many devices whose wires all go to pads of their own: made by hand, for pictures and what they cost.</summary>
internal static class CrowdedBuild
{
    /// <summary>Devices with some wires each, on a board with a pad for each along its four edges.</summary>
    public static WiredBuild Of(
        int devices,
        int wires,
        Func<Board, Board>? board = null,
        Func<Device, Device>? device = null
    ) => Wired(devices, wires, board ?? (b => b), device ?? (d => d));

    private static WiredBuild Wired(int devices, int wires, Func<Board, Board> change, Func<Device, Device> changed)
    {
        var pads = devices * wires;
        var side = (pads + 3) / 4;
        Pad PadAt(int i)
        {
            var (along, edge) = (4 + (i % side * 1.6), i / side);
            var far = (side * 1.6) + 8;
            var (x, y) = edge switch
            {
                0 => (2, along),
                1 => (far - 2, along),
                2 => (along, 2),
                _ => (along, far - 2),
            };
            return new Pad
            {
                Id = $"p{i}",
                Label = $"P{i}",
                Side = BoardSide.Top,
                X = x,
                Y = y,
                Paths = [new PadPath { Net = $"n{i}", Through = [] }],
            };
        }
        var board = new Board
        {
            Id = "crowded",
            Maker = "Test",
            Name = "Crowded",
            Revision = "1",
            Controller = "F7",
            Outline = new() { Width = (side * 1.6) + 8, Depth = (side * 1.6) + 8 },
            Nets = [.. Enumerable.Range(0, pads).Select(i => new Net { Id = $"n{i}" })],
            Pads = [.. Enumerable.Range(0, pads).Select(PadAt)],
            Ports = [],
            Plugs = [],
            Bridges = [],
            Rails = [],
        };
        board = change(board);
        var device = new Device
        {
            Id = "many",
            Maker = "Test",
            Name = "Many",
            Kind = DeviceKind.Gnss,
            Leads =
            [
                .. Enumerable
                    .Range(0, wires)
                    .Select(i => new Lead
                    {
                        Id = $"l{i}",
                        Label = $"L{i}",
                        // A build has 128 signal leads at most.
                        Role = i < 3 ? LeadRole.Signal : LeadRole.Sense,
                        Colour = i % 2 == 0 ? "white" : "blue",
                    }),
            ],
            Functions = [],
        };
        device = changed(device);
        var build = ResolvedBuild.Plannable(
            new Build
            {
                Name = "Crowded",
                Board = board.Id,
                Devices =
                [
                    .. Enumerable.Range(0, devices).Select(i => new BuildDevice { Id = $"d{i}", Part = "many" }),
                ],
                Wants = [],
            },
            new PartsLibrary([board], [device])
        );
        // Each takes pads all over the board, so that they cross.
        return new WiredBuild(
            build,
            [],
            [
                .. from d in Enumerable.Range(0, devices)
                from l in Enumerable.Range(0, wires)
                select new WiredLead(
                    $"d{d}",
                    device.Leads[l],
                    LeadState.Soldered,
                    board.Pads[((d * wires) + (l * 7 * wires)) % pads]
                )
                {
                    IsUsed = true,
                },
            ],
            [],
            [],
            new Sources(null, null)
        );
    }
}
