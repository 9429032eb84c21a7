using System.Text.Json;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Leaflets;

namespace Gorvix.Core.Tests.Describing;

/// <summary>A board that is being described: what is said beside its fields, what is drawn, what is offered.</summary>
public class BoardLookTests
{
    private static readonly string[] Named =
    [
        "maker Holm",
        "board Sill F4",
        "Revision 1",
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
        var face = FaceReader.Of(board);
        Assert.Equal(JsonSerializer.Serialize(face.Pads), JsonSerializer.Serialize(look.Face.Pads));
        // A board of unknown size is drawn on the size on which its rows are laid.
        Assert.True(board.Outline is null ? look.Face.Width >= 36 : look.Face.Width == board.Outline.Width);
        Assert.DoesNotContain(look.Notes, n => n.Severity == Severity.Stop);
    }

    [Theory]
    [InlineData("input 26 to 7 V", LeafletStep.Supply, "input.min", "The supply input: minimum is 26 V")]
    [InlineData(
        "rail 5V: battery, linear",
        LeafletStep.Supply,
        "rails[0]",
        "Rail 5V describes a regulator, but nothing regulates it"
    )]
    [InlineData("controller F9", LeafletStep.Controller, "controller", "The board names controller class \"F9\"")]
    [InlineData(
        "top at 40,2: R1",
        LeafletStep.Pads,
        "pads[0].x",
        "Pad R1: distance from the left edge is 40 mm. It must be 0 to 36 mm."
    )]
    [InlineData(
        "top left: R1\nways R1: J=raw > U1.RX",
        LeafletStep.Between,
        "pads[0].paths[0].through[0].bridge",
        "names bridge \"J\""
    )]
    [InlineData("port I2C1 bus: SDA", LeafletStep.Ports, "ports[0]", "Port I2C1: a bus without data and clock")]
    [InlineData("top left: R1=U1.RX R1=U2.RX", LeafletStep.Pads, "pads[1]", "Check the manual")]
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
        var (resolved, findings) = ResolvedBuild.Of(build, library);
        Assert.Empty(findings);
        var sheet = new FitReader(resolved!, TestContext.Current.CancellationToken).Sheet();
        Assert.Contains(sheet.Findings, f => f.Sentence.Contains("R1") && f.Sentence.Contains("easure"));
    }

    [Fact]
    public void A_doubtful_pad_offers_what_it_can_be_here()
    {
        var look = Look([.. Named, "top left: BAT G T1 R1 B+ R3/SDA"]);
        var plus = look.Pads.Single(p => p.Label == "B+");
        Assert.Equal(("BAT rail", "BAT"), (plus.Reads, plus.Ways));
        Assert.Equal([new PadOffer("battery, unregulated", "BAT"), new PadOffer("buzzer", "~bz")], plus.Offers);
        Assert.Contains("buzzer", plus.Doubt);
        Assert.Equal(["U3.RX", "I2C1.SDA"], look.Pads.Single(p => p.Label == "R3/SDA").Offers.Select(o => o.Ways));
    }

    // Each offer can be taken as it is: the board has then what it speaks of.
    [Theory]
    [InlineData("B+")]
    [InlineData("VCC")]
    [InlineData("C")]
    [InlineData("SBUS")]
    [InlineData("TLM")]
    [InlineData("DA")]
    [InlineData("R5/SDA")]
    public void Every_offer_for_a_label_can_be_taken(string label)
    {
        var look = Look([.. Named, $"top left: {label} SCL2=I2C1.SCL"]);
        var offers = look.Pads[0].Offers;
        Assert.NotEmpty(offers);
        foreach (var offer in offers)
        {
            var read = BoardEdit.Add(look.Board, $"ways \"{look.Pads[0].Id}\": {offer.Ways}");
            Assert.Empty(read.Problems);
            Assert.Equal(PadMeaning.Sure, read.Board.Pads[0].Meaning);
            Assert.Equal(offer.Ways, BoardLook.Of(read.Board).Pads[0].Ways);
        }
    }

    [Fact]
    public void A_label_of_an_inverted_protocol_offers_an_inverter_where_the_controller_has_none()
    {
        string[] on(string controller) =>
            [.. Look($"controller {controller}", "top left: SBUS IBUS").Pads[0].Offers.Take(2).Select(o => o.Words)];
        Assert.Equal(["U1 RX, behind an inverter", "U1 RX, non-inverted"], on("F4"));
        Assert.Equal(["U1 RX", "U2 RX"], on("F7"));
        Assert.Equal("U1 RX", Look("controller F4", "top left: SBUS IBUS").Pads[1].Offers[0].Words);
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
        Assert.Equal("UART4 RX, non-inverted or inverted", pad.Reads);
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
}
