using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Tests.Bench;

/// <summary>
/// What burns, on circuits of this file. The limits are worked out by hand from the absolute maximum ratings of data sheets: a logic
/// input stands 0.3 V more than its own supply (the usual "VDD + 0.3 V", from memory); what is fed beyond its window is lost.
/// </summary>
public class DamageCheckTests
{
    // Rails beside the limits: 3.6 V on a data pin of 3.3 V logic, 5 V lifted by 15 % (5.75 V), a net of the controller that stands 3.3 V.
    private static readonly Board Text = LeafletText
        .Read(
            """
            maker Bench
            board Harm
            revision 1
            controller F7
            rail BAT: battery
            rail GND: ground
            rail 5V: 5 V regulator, dropout 1 V, up to 2 A
            rail LOW: 5.4 V regulator, dropout 1 V, up to 2 A
            rail HIGH: 5.6 V regulator, dropout 1 V, up to 2 A
            rail BELOW: 5.7 V regulator, dropout 1 V, up to 2 A
            rail ABOVE: 5.8 V regulator, dropout 1 V, up to 2 A
            rail 33: 3.3 V regulator, dropout 1 V, up to 1 A
            rail 35: 3.5 V regulator, dropout 1 V, up to 1 A
            rail 37: 3.7 V regulator, dropout 1 V, up to 1 A
            top left: G BAT 5V LOW=LOW HIGH=HIGH BELOW=BELOW ABOVE=ABOVE S33=33 S35=35 S37=37 R1 T1
            """
        )
        .Board;

    private static readonly Board Board = Text with { Nets = [.. Text.Nets.Select(n => n with { MaxVolts = 3.3 })] };

    private static IReadOnlyList<string> Burnt(WiredBuild wired, string situation = "full") =>
        DamageCheck.Of(wired, Situation.All(wired).First(s => s.Id == situation));

    private static WiredBuild Sound(double min = 4.5, double max = 5.5) => RailBench.Of(Board, 4, "5V", min, max, 0.2);

    private static string Id(string label) => Board.Pads.First(p => p.Label == label).Id;

    [Fact]
    public void What_is_wired_as_meant_harms_nothing() => Assert.Empty(Burnt(Sound()));

    [Theory]
    [InlineData("S33", false)]
    [InlineData("S35", false)]
    [InlineData("S37", true)]
    [InlineData("5V", true)]
    [InlineData("BAT", true)]
    public void A_data_pin_stands_its_own_logic_and_a_third_of_a_volt(string pad, bool burns) =>
        Assert.Equal(
            burns,
            Burnt(Sound().With(new WireOnPad(new("d", "t"), Id(pad))))
                .Any(h => h.StartsWith("T of Load", StringComparison.Ordinal))
        );

    [Theory]
    [InlineData("BELOW", false)]
    [InlineData("ABOVE", true)]
    public void A_regulator_is_lifted_by_fifteen_percent_before_it_gives_up(string other, bool burns)
    {
        // Through a limiter, which spares what copper ties together: only the lift itself is left.
        var tied = Sound(4.5, 9).With(new SolderBlob(Id("5V"), Id(other)));
        var harm = Burnt(tied, "limiter");
        Assert.Equal(burns, harm.Any(h => h.StartsWith("5V rail is back-fed to", StringComparison.Ordinal)));
        Assert.Equal(burns ? 1 : 0, harm.Count);
        // With the pack itself one of them burns whatever the difference is.
        Assert.Contains(Burnt(tied), h => h.Contains("are tied", StringComparison.Ordinal));
    }

    // 16.8 V of a full pack, on devices that take as much, a tenth of a volt less, and far less.
    [Theory]
    [InlineData(17, false)]
    [InlineData(16.8, false)]
    [InlineData(16.6, true)]
    [InlineData(5.5, true)]
    public void A_supply_above_its_window_destroys_the_device(double most, bool burns) =>
        Assert.Equal(burns, Burnt(Sound(4.5, most).With(new WireOnPad(new("d", "v"), Id("BAT")))).Count > 0);

    [Fact]
    public void A_supply_the_wrong_way_round_destroys_the_device()
    {
        var wired = Sound().With(new SwapWires("d", "v", "g"));
        Assert.Contains(Burnt(wired), h => h.StartsWith("V of Load gets -", StringComparison.Ordinal));
    }

    // A pin of the controller stands what its leaflet says of its net: 3.3 V, where nothing is said.
    [Theory]
    [InlineData("S33", false)]
    [InlineData("S35", true)]
    [InlineData("5V", true)]
    public void A_pin_of_the_controller_stands_what_its_net_does(string pad, bool burns)
    {
        var blob = Sound().With(new OpenWire(new("d", "t"))).With(new SolderBlob(Id("R1"), Id(pad)));
        Assert.Equal(burns, Burnt(blob).Any(h => h.StartsWith("Controller pin", StringComparison.Ordinal)));
    }

    // A board that takes 13.2 to 16.5 V: a full pack of four cells is 0.3 V too much, one cell less is not.
    [Theory]
    [InlineData(4, 16.5, true)]
    [InlineData(4, 16.8, false)]
    [InlineData(3, 16.5, false)]
    public void The_boards_own_input_has_a_most(int cells, double most, bool burns)
    {
        var board = Board with
        {
            Input = new VoltWindow { Min = 5, Max = most },
        };
        var harm = Burnt(RailBench.Of(board, cells, "5V", 4.5, 5.5, 0.2));
        Assert.Equal(burns, harm.Any(h => h.Contains("input gets", StringComparison.Ordinal)));
    }

    // By hand: BAT has 16.8 V on four full cells; the pin behind CURR is on no port, so only its pad has a name.
    [Fact]
    public void A_pin_of_no_port_is_called_by_its_pad()
    {
        var board = Board with
        {
            Nets = [.. Board.Nets, new Net { Id = "adc7", MaxVolts = 3.3 }],
            Pads =
            [
                .. Board.Pads,
                new Pad
                {
                    Id = "curr",
                    Label = "CURR",
                    Side = BoardSide.Top,
                    Paths = [new PadPath { Net = "adc7" }],
                },
            ],
        };
        var wired = RailBench.Of(board, 4, "5V", 4.5, 5.5, 0.2).With(new SolderBlob("curr", Id("BAT")));
        Assert.Contains("Controller pin at CURR gets 16.8 V.", Burnt(wired));
    }
}
