using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Tests.Rails;
using Gorvix.Core.Work.Drills;

namespace Gorvix.Core.Tests.Drills;

/// <summary>What is asked and what is not, and what an answer is worth.</summary>
public class BoundsTests
{
    // What becomes of a load on a pad, with a pack of so many cells.
    private static string? Fate(int cells, double min, double max, string pad) =>
        new DrillGround(RailBench.Of(cells, "BAT", min, max, 0.2).Build, new DateOnly(2026, 11, 27))
            .Deck(DrillKind.Burn)
            .FirstOrDefault(c => c.Id == $"live:d/v@{RailBench.PadOf(pad).Id}")
            ?.Right.Single();

    // Four cells give 16.8 V full and 13.2 V empty, the regulator 9.0 V all the time. What is less than two in a hundred short of its least is
    // so near to it that leaflets differ by more.
    [Theory]
    [InlineData(7, 26, "BAT", "lives")]
    [InlineData(13, 26, "BAT", "lives")]
    [InlineData(13.3, 26, "BAT", null)]
    [InlineData(8.9, 26, "9V", "lives")]
    [InlineData(9.1, 26, "9V", null)]
    [InlineData(9.3, 26, "9V", "starves")]
    [InlineData(7, 16, "BAT", "burns")]
    public void What_is_too_near_to_the_least_to_be_known_is_no_question(
        double min,
        double max,
        string pad,
        string? fate
    ) => Assert.Equal(fate, Fate(4, min, max, pad));

    // Two cells give 8.4, 7.4, 7.0 and 6.6 V; the regulator follows a volt below. 6.5 V is met, missed by a hair at 6.4 V, missed for certain at 6.0.
    [Fact]
    public void Nor_is_what_is_near_in_one_state_and_plain_in_another() => Assert.Null(Fate(2, 6.5, 26, "9V"));

    [Fact]
    public void A_link_that_works_on_a_dearer_port_is_worth_half()
    {
        var met = 0;
        foreach (var (_, ground) in Grounds.Demos)
        {
            var drill = (PlaceDrill)ground.Drill(Grounds.Order(DrillKind.Place, DrillOrder.MostLevel))!;
            List<DrillAct> planned = [.. ground.Sheet.Links.Select(l => new DrillAct(ActKind.Put, l.Id, l.Port ?? ""))];
            foreach (var link in ground.Sheet.Links)
            {
                foreach (var cell in link.Cells.Where(c => c.Port != link.Port))
                {
                    var sheet = drill.Sheet([
                        .. planned,
                        new DrillAct(ActKind.Put, link.Id, cell.Port),
                        new DrillAct(ActKind.Done),
                    ]);
                    var verdicts = sheet.Place!.Verdicts;
                    var (best, dearer) = (
                        verdicts.Count(v => v.Placing == Placing.Best),
                        verdicts.Count(v => v.Placing == Placing.Dearer)
                    );
                    // One point for each, half a point for what works and costs more.
                    Assert.Equal(
                        (int)Math.Round(100.0 * ((2 * best) + dearer) / (2 * verdicts.Count)),
                        sheet.Result!.Score
                    );
                    met += dearer > 0 ? 1 : 0;
                }
            }
        }
        Assert.True(met > 3, $"{met}");
    }

    // Q18: a port that is taken inside the board has pads that lead nowhere a builder could go.
    [Fact]
    public void A_port_that_the_board_holds_is_not_asked_for()
    {
        var held = 0;
        foreach (var (build, ground) in Grounds.Demos)
        {
            var board = Demo.Library.Board(build.Board)!;
            var asked = ground
                .Deck(DrillKind.Label)
                .Where(c => c.Sort == "half")
                .Select(c => c.Id[5..].Split('/')[0])
                .ToHashSet();
            var free = board
                .Ports.Where(p => p.Kind is PortKind.Uart or PortKind.Bus && p.HeldBy is null)
                .Where(p => board.Pads.Any(x => x.Paths.Any(y => y.Net is { } n && p.Nets.Contains(n))))
                .Select(p => p.Id);
            Assert.Equal(free.Order(), asked.Order());
            held += board.Ports.Count(p => p.HeldBy is not null);
        }
        Assert.True(held > 0);
    }

    // The same of a port whose pads are broken out although something sits on it inside: the board's own recorder talks there.
    [Theory]
    [InlineData("", "U1 U2")]
    [InlineData(", held by \"the recorder\"", "U2")]
    public void Nor_where_its_pads_are_broken_out(string held, string asked)
    {
        var board = LeafletText
            .Read(
                $"""
                maker Bench
                board Held
                revision 1
                controller F7
                port U1: RX TX{held}
                port U2: RX TX
                rail BAT: battery
                rail GND: ground
                top left: G BAT R1 T1 R2 T2
                """
            )
            .Board;
        var ground = new DrillGround(RailBench.Of(board, 4, "BAT", 7, 26, 0.2).Build, new DateOnly(2026, 11, 27));
        Assert.Equal(
            asked,
            string.Join(
                ' ',
                ground
                    .Deck(DrillKind.Label)
                    .Where(c => c.Sort == "half")
                    .Select(c => c.Id[5..].Split('/')[0])
                    .Distinct()
                    .Order()
            )
        );
    }

    // The same port with a pad, without one, and held inside the board.
    [Theory]
    [InlineData("port U1: RX TX", "R1 T1", false)]
    [InlineData("port U1: RX TX", "R2 T2", true)]
    [InlineData("port U1: RX TX, held by \"a receiver\"", "R2 T2", false)]
    public void A_port_that_no_pad_reaches_is_a_gap_unless_the_board_holds_it(string port, string pads, bool isGap)
    {
        var board = LeafletText
            .Read(
                $"""
                maker Bench
                board Gaps
                revision 1
                controller F7
                {port}
                rail GND: ground
                top left: G {pads}
                """
            )
            .Board;
        Assert.Equal(
            isGap,
            BoardLook
                .Of(board)
                .Notes.Any(n => n.Sentence.Contains("No pad connects to UART1", StringComparison.Ordinal))
        );
    }

    // A socket is drawn at its pitch; one that is out of all measure within 0.5 to 5 mm, so that it stays on the board.
    [Theory]
    [InlineData("1.0 mm, 6 pins", 1)]
    [InlineData("5 mm, 6 pins", 5)]
    [InlineData("20 mm, 4 pins", 5)]
    [InlineData("0.2 mm, 4 pins", 0.5)]
    [InlineData(null, 1.25)]
    public void A_socket_is_drawn_no_wider_than_a_board_can_hold(string? family, double pitch) =>
        Assert.Equal(pitch, PadPlacer.DrawnPitch(family));
}
