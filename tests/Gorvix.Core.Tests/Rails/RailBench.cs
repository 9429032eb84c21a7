using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Rails;

/// <summary>A board with every sort of rail, and one device on the pad that is asked for.</summary>
internal static class RailBench
{
    public static readonly Board Board = LeafletText
        .Read(
            """
            maker Bench
            board Rails
            revision 1
            controller F7
            rail BAT: battery
            rail GND: ground
            rail 5V: 5 V regulator, dropout 1 V, up to 2 A, switching
            rail 5E: 5 V regulator, up to 2 A, switching, efficiency 80 %, itself 0.01 A
            rail 5L: 5 V regulator, dropout 1 V, up to 1 A, linear
            rail 9V: 9 V regulator, dropout 1 V, up to 1 A, switching
            rail 4V5: 4.5 V regulator or USB
            top left: G BAT 5V 5L=5L 5E 9V 4V5 R1 T1
            """
        )
        .Board;

    public static WiredBuild Of(
        int cells,
        string pad,
        double min,
        double max,
        double? amps,
        Func<Build, Build>? with = null
    ) => Of(Board, cells, pad, min, max, amps, with);

    /// <summary>The same on another board, which has pads G and R1.</summary>
    public static WiredBuild Of(
        Board board,
        int cells,
        string pad,
        double min,
        double max,
        double? amps,
        Func<Build, Build>? with = null
    )
    {
        var device = new Device
        {
            Id = "part",
            Maker = "Bench",
            Name = "Load",
            Kind = DeviceKind.Camera,
            Leads =
            [
                new Lead
                {
                    Id = "v",
                    Label = "V",
                    Role = LeadRole.Supply,
                },
                new Lead
                {
                    Id = "g",
                    Label = "G",
                    Role = LeadRole.Ground,
                },
                new Lead
                {
                    Id = "t",
                    Label = "T",
                    Role = LeadRole.Signal,
                },
            ],
            Supplies =
            [
                new SupplyInput
                {
                    Lead = "v",
                    Window = new VoltWindow { Min = min, Max = max },
                    Typical = amps,
                    Peak = amps,
                },
            ],
            Functions = [],
        };
        var build = new Build
        {
            Name = "bench",
            Board = board.Id,
            Pack = new Pack { Cells = cells },
            Devices = [new BuildDevice { Id = "d", Part = "part" }],
            Wants = [],
        };
        var (resolved, findings) = ResolvedBuild.Of(with?.Invoke(build) ?? build, new PartsLibrary([board], [device]));
        Assert.True(resolved is not null, string.Join('\n', findings.Select(f => f.Sentence)));
        var wired = new FitReader(resolved).Wired;
        Pad PadOf(string label) => board.Pads.First(p => p.Label == label);
        return wired with
        {
            Leads =
            [
                new WiredLead("d", device.Leads[0], LeadState.Soldered, PadOf(pad)),
                new WiredLead("d", device.Leads[1], LeadState.Soldered, PadOf("G")),
                new WiredLead("d", device.Leads[2], LeadState.Soldered, PadOf("R1")),
            ],
        };
    }

    public static Pad PadOf(string label) => Board.Pads.First(p => p.Label == label);

    public static RailSheet Read(WiredBuild wired, string situation) =>
        RailReader.Read(wired, Situation.All(wired).First(s => s.Id == situation));
}
