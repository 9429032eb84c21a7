using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Leaflets;

namespace Gorvix.Core.Tests.Leaflets;

/// <summary>Parts as their leaflets tell them: in a list, on a page, and as a face.</summary>
public class LeafletPageTests
{
    private static Leaflet Board(string id) => BoardLeaflet.Of(Demo.Library.Board(id)!, Demo.Library);

    private static Leaflet Device(string id) => DeviceLeaflet.Of(Demo.Library.Device(id)!);

    private static IReadOnlyList<string> Row(Leaflet leaflet, string table, string first) =>
        leaflet.Tables.First(t => t.Title == table).Rows.First(r => r[0] == first);

    private static string Fact(Leaflet leaflet, string name) => leaflet.Facts.First(f => f.Name == name).Words;

    [Fact]
    public void A_board_tells_its_ports_rails_plugs_and_bridges_as_printed()
    {
        var board = Board("askerdale-trunnion-f4-r1");
        Assert.Equal("7.0–27.0 V (3S to 6S)", Fact(board, "Supply input"));
        Assert.Equal(["U2", "UART, RX and TX", "R2 (top) · T2 (top) · VTX pin 5 (X5)", ""], Row(board, "Ports", "U2"));
        Assert.Equal("analogue input", Row(board, "Ports", "CUR")[1]);
        Assert.Equal(["4V5", "4.5 V", "regulator type unknown, limit 500 mA", "on"], Row(board, "Rails", "4V5"));
        Assert.DoesNotContain(board.Tables.First(t => t.Title == "Rails").Rows, r => r[0] == "GND");
        Assert.Equal("1 X1, 2 X2, 3 X3, 4 X4, 5 X5", Row(board, "Sockets", "VTX")[2]);
        Assert.Equal(["JT3", "open, closed", "open", "soldering"], Row(board, "Solder jumpers", "JT3"));
    }

    [Fact]
    public void What_a_leaflet_does_not_say_is_unknown_and_a_port_that_is_taken_says_by_what()
    {
        var board = Board(Demo.Pinion);
        var unmeasured = Demo.Library.Board(Demo.Pinion)! with
        {
            Outline = null,
            Mounting = null,
            UsbSide = null,
            Arrow = null,
        };
        Assert.Equal("unknown", Fact(BoardLeaflet.Of(unmeasured, Demo.Library), "Size"));
        Assert.StartsWith("in use on the board: ", Row(board, "Ports", "U6")[1]);
        Assert.Equal("none", Row(board, "Ports", "U6")[2]);
        var sister = Assert.Single(board.Sisters);
        Assert.Equal(("askerdale-pinion-f4-r1", "1"), (sister.Id, sister.Revision));
        Assert.Empty(Board(Demo.Lever).Sisters);
    }

    [Fact]
    public void A_device_tells_what_it_takes_what_it_gives_and_each_lead()
    {
        var unit = Device("brindlow-beacon-d6");
        Assert.Equal(["BAT", "7.4–26.0 V", "3S to 6S", "800 mA", "1.3 A"], Row(unit, "Supply", "BAT"));
        Assert.Equal("8E2 at 100 000 baud, idles low", Row(unit, "Functions", "RC link")[2]);
        Assert.Equal("8N1 at 115 200 baud, idles high", Row(unit, "Functions", "OSD")[2]);
        Assert.Equal(["SBUS", "signal, transmits unprompted", "yellow", "6", "3.3 V"], Row(unit, "Leads", "SBUS"));
        Assert.Null(unit.Face);

        // The same protocol, told to turn its output.
        var ways = Device("corvane-sedge-2").Tables.First(t => t.Title == "Functions").Rows;
        Assert.Equal("8N1 at 420 000 baud, idles high", ways.First(r => r[1] == "CRSF")[2]);
        Assert.Equal("8N1 at 420 000 baud, idles low", ways.First(r => r[1] == "CRSF, output inverted")[2]);
    }

    [Theory]
    [InlineData("askerdale-gantry-f7-r1", 3, 6)]
    [InlineData("cobbold-nib-f4-r2", 1, 2)]
    public void The_packs_that_a_board_stands_are_those_inside_its_window_full_and_empty(string id, int low, int high)
    {
        // 3.3 V empty and 4.20 V full a cell (common practice).
        var (board, cells) = (Demo.Library.Board(id)!, BoardLeaflet.Line(Demo.Library.Board(id)!).Cells!);
        Assert.Equal((low, high), (cells[0], cells[^1]));
        Assert.True(low * 3.3 >= board.Input!.Min && high * 4.2 <= board.Input.Max);
        Assert.True((low - 1) * 3.3 < board.Input.Min || low == 1);
        Assert.True((high + 1) * 4.2 > board.Input.Max);
    }

    [Fact]
    public void Parts_are_found_by_what_decides()
    {
        var receiver = DeviceLeaflet.Line(Demo.Library.Device("dunmerrow-relay-16")!);
        Assert.Contains("SBUS", receiver.Traits);
        Assert.Contains("RC link", receiver.Traits);
        Assert.Equal("receiver", receiver.Kind);
        Assert.Empty(DeviceLeaflet.Line(Demo.Library.Device("brindlow-lantern-10")!).Cells!);
        var board = BoardLeaflet.Line(Demo.Library.Board(Demo.Mote)!);
        Assert.Contains("F1", board.Traits);
        Assert.Contains("software serial", board.Traits);
        Assert.Contains("2 full UARTs", board.Brief);
    }

    [Fact]
    public void Every_demo_part_has_a_page_whose_rows_fill_their_columns()
    {
        var pages = Demo
            .Library.Boards.Select(b => BoardLeaflet.Of(b, Demo.Library))
            .Concat(Demo.Library.Devices.Select(DeviceLeaflet.Of));
        Assert.All(
            pages.SelectMany(p => p.Tables),
            table => Assert.All(table.Rows, row => Assert.Equal(table.Columns.Count, row.Count))
        );
    }

    [Fact]
    public void A_face_has_the_stated_outline_and_holes_or_says_that_it_was_drawn_round_the_pads()
    {
        var stated = FaceReader.Of(Demo.Library.Board("askerdale-trunnion-f4-r1")!);
        Assert.Equal((36.0, 36.0, null), (stated.Width, stated.Depth, stated.Note));
        // 30.5 mm between centres on 36 mm: 2.75 mm from each edge.
        Assert.Equal([2.75, 2.75, 33.25, 33.25], stated.Holes.Select(h => h.X));
        Assert.Equal([2.75, 33.25, 2.75, 33.25], stated.Holes.Select(h => h.Y));
        Assert.Equal((BoardEdge.Left, BoardEdge.Front), (stated.Usb, stated.Arrow));
        Assert.All(
            Demo.Library.Boards,
            b =>
            {
                var face = FaceReader.Of(b);
                Assert.Equal(b.Outline is null, face.Note is not null);
                Assert.All(face.Pads, p => Assert.True(p.X >= 0 && p.X <= face.Width && p.Y >= 0 && p.Y <= face.Depth));
            }
        );
    }

    [Fact]
    public void A_pad_on_the_face_says_side_plug_port_and_rail_and_whether_to_trust_its_label()
    {
        var face = FaceReader.Of(Demo.Library.Board("askerdale-trunnion-f4-r1")!);
        FacePad Pad(string id) => face.Pads.First(p => p.Id == id);
        Assert.Equal("R1, top side, front left, connects to UART1", Pad("r1").Words);
        Assert.Equal("X5, bottom side, pin 5 of VTX, connects to UART2", Pad("x5").Words);
        Assert.Equal(("VTX", null), (Pad("x5").Plug, Pad("r1").Plug));
        Assert.Equal("4V5, top side, front left, 4V5 rail", Pad("rc5").Words);
        Assert.Empty(Pad("rc5").Ports);
        var doubts = Demo.Library.Boards.SelectMany(b => b.Pads, (b, p) => (Board: b, Pad: p)).ToList();
        Assert.Contains(doubts, d => d.Pad.Meaning == PadMeaning.Uncertain);
        Assert.All(
            doubts,
            d =>
                Assert.Equal(
                    d.Pad.Meaning == PadMeaning.Sure,
                    FaceReader.Of(d.Board).Pads.First(p => p.Id == d.Pad.Id).Doubt is null
                )
        );
    }

    [Fact]
    public void A_pad_leads_on_the_face_where_the_circuit_leads() =>
        Assert.All(
            Demo.Library.Boards,
            board =>
            {
                var circuit = Circuit.Of(board);
                Assert.All(
                    FaceReader.Of(board).Pads,
                    pad =>
                        Assert.All(
                            pad.Ports,
                            port =>
                                Assert.Contains(
                                    board.Ports.First(p => p.Id == port).Nets.SelectMany(circuit.To),
                                    s => s.Pad.Id == pad.Id
                                )
                        )
                );
            }
        );

    [Fact]
    public void Two_revisions_side_by_side_show_what_differs_and_only_that()
    {
        var pair = Comparison.Of([Board("askerdale-pinion-f4-r1"), Board(Demo.Pinion)]);
        Assert.Equal(["askerdale-pinion-f4-r1", Demo.Pinion], pair.Parts.Select(p => p.Id));
        ComparedRow Row(string table, string name) => pair.Rows.First(r => r.Table == table && r.Name == name);
        var target = Row("Facts", "Firmware target");
        Assert.True(target.Differs);
        Assert.Equal("PINIONF4R2", target.Words[1]);
        Assert.False(Row("Facts", "Controller").Differs);
        Assert.Equal(["–", "raw, inverted · raw · soldering"], Row("Solder jumpers", "J4").Words);
        Assert.All(pair.Rows, r => Assert.Equal(r.Words[0] != r.Words[1], r.Differs));
        Assert.DoesNotContain(Comparison.Of([Board(Demo.Pinion), Board(Demo.Pinion)]).Rows, r => r.Differs);
    }

    [Fact]
    public void What_is_said_twice_under_one_name_stands_in_one_row()
    {
        var pair = Comparison.Of([Device("brindlow-beacon-d4"), Device("brindlow-beacon-d6")]);
        Assert.Equal(pair.Rows.Count, pair.Rows.DistinctBy(r => (r.Table, r.Name)).Count());
        Assert.Contains(pair.Rows, r => r.Name == "RC link" && r.Words[0] == "–");
        Assert.Contains("; ", pair.Rows.First(r => r is { Table: "Leads", Name: "GND" }).Words[1]);
    }

    /// <summary>Whole pages of eight parts, read once against their files line by line (tests/golden/leaflets.txt).</summary>
    [Fact]
    public void Pages_say_what_was_read_against_their_files()
    {
        var golden = File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "golden", "leaflets.txt"));
        var lines = golden
            .Split('\n')
            .Where(l => l.StartsWith("== ", StringComparison.Ordinal))
            .Select(l => l[3..])
            .SelectMany(id => Page(Demo.Library.Board(id) is null ? Device(id) : Board(id)));
        Assert.Equal(golden, string.Concat(lines.Select(l => l.TrimEnd() + "\n")));
    }

    private static IEnumerable<string> Page(Leaflet leaflet)
    {
        var line = leaflet.Line;
        string[] about =
        [
            line.IsBoard ? "board" : "device",
            line.Name,
            line.Kind,
            line.Brief,
            string.Join(", ", line.Traits),
            line.Cells is null ? "unknown" : string.Join(' ', line.Cells),
        ];
        return
        [
            $"== {line.Id}",
            string.Join(" | ", about),
            .. leaflet.Facts.Select(f => $"{f.Name}: {f.Words}"),
            .. leaflet.Tables.SelectMany(t =>
                t.Rows.Select(r => string.Join(" | ", r)).Prepend($"[{t.Title}] {string.Join(" | ", t.Columns)}")
            ),
        ];
    }
}
