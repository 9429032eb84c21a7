using Gorvix.Core.Builds;
using Gorvix.Core.Fit;
using Gorvix.Core.Parts;
using Gorvix.Core.Rails;
using Gorvix.Core.Supply;
using Gorvix.Core.Tests.Supply;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Tests.Rails;

/// <summary>What rails and leads of whole builds really get, by the trade's worked cases and against ngspice.</summary>
public class RailReaderTests
{
    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    /// <summary>Every situation of every demo build as a netlist: more than sixty of them, node by node within 1 %.</summary>
    [Theory]
    [MemberData(nameof(Names))]
    public void Every_situation_of_a_demo_build_comes_to_what_ngspice_finds(string name)
    {
        var wired = WiredOf(Demo.Builds.First(b => b.Name == name));
        foreach (var situation in Situation.Of(wired.Build.Build))
        {
            foreach (var level in Enum.GetValues<LoadLevel>())
            {
                var net = RailNet.Of(wired, situation, level).Net;
                var solution = SupplySolver.Solve(net);
                Assert.True(solution.State is not null, $"{situation.Name}: {solution.Problem}");
                if (net.Names.Count == 1)
                {
                    continue;
                }
                var theirs = Spice.Solve(net, solution.State.Volts);
                Assert.NotNull(theirs);
                foreach (var (i, volts) in solution.State.Volts.Index())
                {
                    Assert.True(
                        Math.Abs(volts - theirs[i]) <= Math.Max(0.01, 0.01 * Math.Abs(theirs[i])),
                        $"{situation.Name}, {net.Names[i]}: {volts} V here, {theirs[i]} V there"
                    );
                }
            }
        }
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void What_the_planner_feeds_is_inside_its_window_as_long_as_the_pack_flies(string name)
    {
        var wired = WiredOf(Demo.Builds.First(b => b.Name == name));
        foreach (
            var situation in Situation
                .Of(wired.Build.Build)
                .Where(s => s.Id is "full" or "nominal" or "empty" or "input")
        )
        {
            var sheet = RailReader.Read(wired, situation);
            Assert.All(
                sheet.Leads.Where(l => l.Rail is not null),
                l => Assert.InRange(l.Volts!.Value, l.Window.Min - 0.15, l.Window.Max)
            );
        }
    }

    /// <summary>4S full on a part that takes 17 V passes by 0.2 V (common practice: a worked case of the trade).</summary>
    [Fact]
    public void Four_full_cells_stay_two_tenths_below_17_volts()
    {
        var sheet = Read(Bench(4, "BAT", 5, 17, 0), "full");
        Assert.InRange(sheet.Leads[0].Volts!.Value, 16.79, 16.8);
        Assert.Equal(0.2, sheet.Leads[0].Window.Max - sheet.Leads[0].Volts!.Value, 1);
    }

    /// <summary>6S full is 25.2 V, inside 7 to 26 V.</summary>
    [Fact]
    public void Six_full_cells_are_inside_7_to_26_volts() =>
        Assert.Equal(25.2, Read(Bench(6, "BAT", 7, 26, 0), "full").Leads[0].Volts!.Value, 2);

    /// <summary>A 9 V regulator with 1 V dropout does not hold on 2S: it follows the pack down.</summary>
    [Theory]
    [InlineData("full", 7.4)]
    [InlineData("nominal", 6.4)]
    [InlineData("empty", 5.6)]
    public void A_9_V_regulator_follows_two_cells_down(string situation, double volts) =>
        Assert.Equal(volts, Read(Bench(2, "9V", 7, 17, 0), situation).Rails.First(r => r.Label == "9V").Volts, 1);

    /// <summary>Through half an ampere and a usual wire a good 5 V rail still gives 4.9 V and more.</summary>
    [Fact]
    public void A_device_at_the_end_of_its_wire_gets_a_little_less_than_the_pad()
    {
        var sheet = Read(Bench(4, "5V", 4.5, 5.5, 0.5), "full");
        var lead = sheet.Leads[0];
        Assert.Equal(["rail BAT", "rail 5V", "pad 5V", "lead V"], lead.Way.Select(w => w.What));
        Assert.InRange(lead.Volts!.Value, 4.96, 4.99);
        Assert.True(lead.Way[^1].Volts < lead.Way[^2].Volts);
        Assert.Equal(0.5, sheet.Rails.First(r => r.Label == "5V").Typical, 2);
    }

    [Fact]
    public void On_USB_alone_only_what_hangs_on_a_rail_that_USB_feeds_is_alive()
    {
        var dead = Read(Bench(4, "5V", 4.5, 5.5, 0.1), "usb");
        Assert.Equal(0, dead.Leads[0].Volts!.Value, 2);
        Assert.False(dead.Rails.First(r => r.Label == "5V").Alive);
        Assert.Equal(0, dead.Rails.First(r => r.Label == "5V").Peak);
        var alive = Read(Bench(4, "4V5", 4, 5.5, 0.1), "usb");
        Assert.InRange(alive.Leads[0].Volts!.Value, 4.45, 4.5);
        Assert.Equal(0.1, alive.UsbAmps!.Typical, 2);
    }

    /// <summary>With both there the battery carries the rail: USB gives next to nothing.</summary>
    [Fact]
    public void With_both_plugged_the_battery_carries_what_both_feed()
    {
        var both = Read(Bench(4, "4V5", 4, 5.5, 0.1), "both");
        Assert.Equal(0, both.UsbAmps!.Typical, 2);
        Assert.InRange(both.SourceAmps!.Typical, 0.02, 0.11);
    }

    [Fact]
    public void A_current_that_no_leaflet_tells_makes_the_least_of_what_is_told()
    {
        var rail = Read(Bench(4, "5V", 4.5, 5.5, null), "full").Rails.First(r => r.Label == "5V");
        Assert.True(rail.AtLeast);
        Assert.Equal(0, rail.Typical);
        Assert.False(Read(Bench(4, "5V", 4.5, 5.5, 0.2), "full").Rails.First(r => r.Label == "5V").AtLeast);
    }

    /// <summary>A linear regulator turns (16.8 - 5) V at 0.5 A into 5.9 W of heat.</summary>
    [Fact]
    public void A_linear_regulator_makes_heat_of_what_is_too_much() =>
        Assert.InRange(
            Read(Bench(4, "5L", 4.5, 5.5, 0.5), "full").Rails.First(r => r.Label == "5L").Heat!.Value,
            5.8,
            6
        );

    [Fact]
    public void A_lead_whose_ground_has_come_off_has_no_volts_to_tell()
    {
        var wired = Bench(4, "5V", 4.5, 5.5, 0.5);
        var off = wired.With(new OpenWire("d", "g"));
        Assert.Null(RailReader.Read(off, Situation.Of(off.Build.Build)[0]).Leads[0].Volts);
    }

    [Fact]
    public void A_dead_rail_gives_nothing()
    {
        var dead = Bench(4, "5V", 4.5, 5.5, 0.5).With(new DeadRail("5v"));
        Assert.Equal(0, RailReader.Read(dead, Situation.Of(dead.Build.Build)[0]).Leads[0].Volts!.Value, 2);
    }

    /// <summary>The situations of a pack, of a fixed input, and of neither.</summary>
    [Fact]
    public void A_build_is_looked_at_in_what_can_feed_it()
    {
        var build = Bench(4, "5V", 4.5, 5.5, 0.5).Build.Build;
        Assert.Equal(
            ["full", "nominal", "land", "empty", "usb", "both", "lamp", "limiter"],
            Situation.Of(build).Select(s => s.Id)
        );
        Assert.Equal(14.8, Situation.Of(build)[1].InputVolts!.Value, 3);
        Assert.Equal("charge", Situation.Of(build, 3.8)[0].Id);
        Assert.Equal(["usb"], Situation.Of(build with { Pack = null }).Select(s => s.Id));
        Assert.Equal(
            ["input", "usb", "both", "lamp", "limiter"],
            Situation.Of(build with { Pack = null, InputVolts = 5 }).Select(s => s.Id)
        );
    }

    private static RailSheet Read(WiredBuild wired, string situation) =>
        RailReader.Read(wired, Situation.Of(wired.Build.Build).First(s => s.Id == situation));

    // A board with every sort of rail, and one device on the pad that is asked for.
    private static WiredBuild Bench(int cells, string pad, double min, double max, double? amps)
    {
        var board = Gorvix
            .Core.Describing.LeafletText.Read(
                """
                maker Bench
                board Rails
                revision 1
                controller F7
                rail BAT: battery
                rail GND: ground
                rail 5V: 5 V regulator, dropout 1 V, up to 2 A, switching
                rail 5L: 5 V regulator, dropout 1 V, up to 1 A, linear
                rail 9V: 9 V regulator, dropout 1 V, up to 1 A, switching
                rail 4V5: 4.5 V regulator or USB
                top left: G BAT 5V 5L=5L 9V 4V5 R1 T1
                """
            )
            .Board;
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
        var (resolved, findings) = ResolvedBuild.Of(build, new PartsLibrary([board], [device]));
        Assert.True(resolved is not null, string.Join('\n', findings.Select(f => f.Sentence)));
        var wired = new FitReader(resolved).Wired;
        Pad Of(string label) => board.Pads.First(p => p.Label == label);
        return wired with
        {
            Leads =
            [
                new WiredLead("d", device.Leads[0], LeadState.Soldered, Of(pad)),
                new WiredLead("d", device.Leads[1], LeadState.Soldered, Of("G")),
            ],
        };
    }

    private static WiredBuild WiredOf(Build build)
    {
        var (resolved, _) = ResolvedBuild.Of(build, Demo.Library);
        return new FitReader(resolved!).Wired;
    }
}
