using Gorvix.Core.Describing;
using Gorvix.Core.Findings;
using Gorvix.Core.Fit;
using Gorvix.Core.Parts;

namespace Gorvix.Core.Tests.Describing;

/// <summary>A board that is being described: what is said beside its fields, what is drawn, what is offered.</summary>
public class BoardLookTests
{
    private static readonly string[] Named =
    [
        "maker Holm",
        "board Sill F4",
        "revision 1",
        "controller F4",
        "size 36 x 36 mm",
    ];

    public static TheoryData<string> Boards => [.. Demo.Library.Boards.Select(b => b.Id)];

    [Theory]
    [MemberData(nameof(Boards))]
    public void A_board_of_the_library_is_usable_and_is_drawn_as_it_is(string id)
    {
        var board = Demo.Library.Board(id)!;
        var look = BoardLook.Of(board);
        Assert.True(look.Usable);
        Assert.Equal(Leaflets.FaceJson(Gorvix.Core.Leaflets.FaceReader.Of(board)), Leaflets.FaceJson(look.Face));
        Assert.DoesNotContain(look.Notes, n => n.Severity == Severity.Stop);
    }

    [Theory]
    [InlineData("input 26 to 7 V", LeafletStep.Supply, "input.min", "The supply input: the lower end is 26 V")]
    [InlineData("rail 5V: battery, linear", LeafletStep.Supply, "rails[0]", "Rail 5V has a \"kind\"")]
    [InlineData("controller F9", LeafletStep.Controller, "controller", "The board names controller class \"F9\"")]
    [InlineData(
        "top at 40,2: R1",
        LeafletStep.Pads,
        "pads[0].x",
        "Pad R1: the distance from the left edge is 40 mm. It must be 0 to 36 mm."
    )]
    [InlineData(
        "top left: R1\nways R1: J=raw > U1.RX",
        LeafletStep.Between,
        "pads[0].paths[0].through[0].bridge",
        "names bridge \"J\""
    )]
    [InlineData("port I2C1 bus: SDA", LeafletStep.Ports, "ports[0]", "Port I2C1: a bus without data and clock")]
    [InlineData("top left: R1=U1.RX R1=U2.RX", LeafletStep.Pads, "pads[1]", "Check the leaflet")]
    public void Each_contradiction_stands_beside_its_field(string line, LeafletStep step, string field, string says)
    {
        var look = Look([.. Named.Where(n => !n.StartsWith(line.Split(' ')[0], StringComparison.Ordinal)), line]);
        Assert.False(look.Usable);
        var note = Assert.Single(look.Notes, n => n.Severity == Severity.Stop);
        Assert.Equal((step, field), (note.Step, note.Field));
        Assert.Contains(says, note.Sentence);
        Assert.DoesNotContain("board.", note.Sentence);
    }

    [Fact]
    public void What_a_leaflet_does_not_say_is_named_and_stands_in_no_way()
    {
        var look = Look([
            .. Named.Take(4),
            "AIR: BAT G T3 R3",
            "top left: B+",
            "rail 5V: 5 V regulator",
            "port U9: RX",
        ]);
        Assert.True(look.Usable);
        Assert.Equal(
            ["target", "outline", "input", "rails[0]", "pads[4]", "plugs[0]", "ports[0]"],
            look.Notes.Select(n => n.Field)
        );
        Assert.Equal(
            [
                LeafletStep.Identity,
                LeafletStep.Identity,
                LeafletStep.Supply,
                LeafletStep.Supply,
                LeafletStep.Pads,
                LeafletStep.Pads,
                LeafletStep.Ports,
            ],
            look.Notes.Select(n => n.Step)
        );
    }

    [Fact]
    public void A_plan_on_a_half_described_board_names_what_is_doubtful()
    {
        var board = LeafletTextTests.Read([.. Named, "top left: R1?=U1.RX T1 5V G SBUS"]);
        var library = Demo.Library.With(new PartsLibrary([board], []));
        var build = Demo.On(board.Id, "dunmerrow-reed-10/control");
        var (resolved, findings) = Gorvix.Core.Builds.ResolvedBuild.Of(build, library);
        Assert.Empty(findings);
        var sheet = new FitReader(resolved!, TestContext.Current.CancellationToken).Sheet();
        Assert.Contains(sheet.Findings, f => f.Sentence.Contains("R1") && f.Sentence.Contains("easure"));
    }

    [Fact]
    public void A_doubtful_pad_offers_what_it_can_be_here()
    {
        var look = Look([.. Named, "top left: BAT G T1 R1 B+ R3/SDA"]);
        var plus = look.Pads.Single(p => p.Label == "B+");
        Assert.Equal(("rail BAT", "BAT"), (plus.Reads, plus.Ways));
        Assert.Equal([new PadOffer("the battery itself", "BAT")], plus.Offers);
        Assert.Contains("buzzer", plus.Doubt);
        Assert.Equal(["U3.RX"], look.Pads.Single(p => p.Label == "R3/SDA").Offers.Select(o => o.Ways));
    }

    [Fact]
    public void A_way_is_told_station_by_station()
    {
        var look = Look([
            .. Named,
            "bridge J4: raw inverted",
            "top left: R4",
            "ways R4: J4=raw > U4.RX | J4=inverted > inverter > U4.RX",
        ]);
        var pad = Assert.Single(look.Pads);
        Assert.Equal(
            ["J4=raw > U4.RX", "J4=inverted > inverter > U4.RX"],
            pad.Strand.Select(s => string.Join(" > ", s))
        );
        Assert.Equal("RX of U4 or RX of U4, inverted", pad.Reads);
    }

    // Property: whatever the rows, no pad lies outside the edge.
    [Theory]
    [InlineData(20, 20)]
    [InlineData(36, 36)]
    [InlineData(25, 60)]
    public void Rows_and_sockets_without_millimetres_lie_inside_the_edge(int width, int depth)
    {
        foreach (var place in new[] { "left", "right", "front", "rear", "middle" })
        {
            var row = string.Join(' ', Enumerable.Range(1, 24).Select(n => $"M{n}"));
            var board = LeafletTextTests.Read(
                $"size {width} x {depth} mm",
                $"top {place}: {row}",
                $"AIR (1.25 mm) top {place}: G G G G G G G G",
                $"NAV (1.0 mm) top {place}: G",
                $"bottom {place}: BAT"
            );
            Assert.All(
                board.Pads,
                p => Assert.True(p.X >= 0 && p.X <= width && p.Y >= 0 && p.Y <= depth, $"{place} {p.Label} {p.X} {p.Y}")
            );
            Assert.Equal(33, board.Pads.Where(p => p.Side == BoardSide.Top).DistinctBy(p => (p.X, p.Y)).Count());
        }
    }

    [Fact]
    public void A_board_that_names_what_is_not_there_is_drawn_without_it()
    {
        var board = LeafletTextTests.Read([.. Named, "top left: R1 T1"]) with
        {
            Nets = [],
            Rails =
            [
                new Rail
                {
                    Id = "a",
                    Label = "A",
                    Feed = RailFeed.Regulator,
                    From = "a",
                },
            ],
        };
        var look = BoardLook.Of(
            board with
            {
                Plugs =
                [
                    new BoardPlug
                    {
                        Id = "p",
                        Label = "P",
                        Family = "f",
                        Pins = [new BoardPin { Pad = "gone" }],
                    },
                ],
            }
        );
        Assert.False(look.Usable);
        Assert.Equal(2, look.Face.Pads.Count);
    }

    private static BoardLook Look(params string[] lines) =>
        BoardLook.Of(LeafletText.Read(string.Join('\n', lines)).Board);

    private static class Leaflets
    {
        public static string FaceJson(Gorvix.Core.Leaflets.BoardFace face) =>
            System.Text.Json.JsonSerializer.Serialize(face);
    }
}
