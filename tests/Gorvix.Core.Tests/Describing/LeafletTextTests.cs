using System.Text.Json;
using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Tests.Describing;

/// <summary>The leaflet of a board as text: it is read as it is meant, and every board can be written and read back.</summary>
public class LeafletTextTests
{
    public static TheoryData<string> Boards => [.. Demo.Library.Boards.Select(b => b.Id)];

    [Theory]
    [MemberData(nameof(Boards))]
    public void The_text_of_a_board_gives_the_same_board_again(string id)
    {
        var board = Demo.Library.Board(id)!;
        var text = LeafletText.Write(board);
        var read = LeafletText.Read(text);
        Assert.Empty(read.Problems);
        Assert.Equal(Json(board), Json(read.Board));
        Assert.Equal(text, LeafletText.Write(read.Board));
    }

    /// <summary>A text of before, whose arrow pointed to what was called the rear, is the same board.</summary>
    [Fact]
    public void A_text_with_its_arrow_to_the_rear_is_read_as_it_was_meant()
    {
        string[] now =
        [
            "size 36 x 36 mm",
            "usb rear",
            "arrow front",
            "top front left: R1 T1 G",
            "bottom rear: R2 T2",
            "AIR (1.25 mm) bottom front: BAT G",
        ];
        var old = now.Select(l =>
            l.Replace("front", "?", StringComparison.Ordinal)
                .Replace("rear", "front", StringComparison.Ordinal)
                .Replace("?", "rear", StringComparison.Ordinal)
        );
        Assert.Equal(Json(Read(now)), Json(Read([.. old])));
        Assert.Equal(BoardEdge.Front, Read([.. old]).Arrow);
        // Without an arrow nothing tells; the words are today's.
        Assert.True(Read("size 36 x 36 mm", "top front: R1").Pads[0].Y > 18);
    }

    [Fact]
    public void Names_and_free_words_of_a_text_of_before_stay_as_they_are()
    {
        var board = Read("arrow rear", "recognise 2 beside the top rear arrow", "REAR (1.25 mm) bottom rear: BAT G");
        Assert.Equal("2 beside the top rear arrow", board.Recognise);
        Assert.Equal("REAR", board.Plugs[0].Label);
        Assert.Equal(BoardEdge.Front, board.Arrow);
    }

    /// <summary>As long a line as may be sent: it is answered, and not walked over and over.</summary>
    [Fact]
    public void A_line_of_a_hundred_thousand_letters_beside_an_old_arrow_is_refused_at_once() =>
        Assert.NotEmpty(
            LeafletText.Read("arrow rear\n" + string.Concat(Enumerable.Repeat(" top", 24_000)) + "\n").Problems
        );

    [Fact]
    public void What_is_new_in_a_text_is_read_and_written_again()
    {
        var board = Read(
            "controller F4",
            "rail 5V: 5 V regulator, USB unknown, board 0.2 A",
            "port ADC1 analogue: RX, reads battery-voltage",
            "port I2C1 bus: SDA SCL, address 0x76 \"the barometer\"",
            "net u1tx: driven-low",
            "top left: R1 T1 5V G CUR ADC1.RX SDA SCL"
        );
        Assert.Equal(
            (RailFeed.RegulatorUsbUnknown, 0.2),
            (board.Rails.First(r => r.Label == "5V").Feed, board.Rails.First(r => r.Label == "5V").Own)
        );
        Assert.Equal(AnalogueReading.BatteryVoltage, board.Ports.First(p => p.Id == "ADC1").Reads);
        Assert.Equal(AnalogueReading.Current, board.Ports.First(p => p.Id == "CUR").Reads);
        Assert.Equal(118, board.Ports.First(p => p.Id == "I2C1").Addresses.Single().Address);
        Assert.Equal(BootLevel.DrivenLow, board.Nets.First(n => n.Id == "u1tx").AtBoot);
        Assert.Equal(Json(board), Json(LeafletText.Read(LeafletText.Write(board)).Board));
    }

    [Fact]
    public void A_row_as_printed_makes_ports_and_rails()
    {
        var board = Read("controller F4", "top left: R1 T1 5V G 4V5");
        Assert.Equal(["U1: u1rx u1tx"], board.Ports.Select(p => $"{p.Id}: {p.Rx} {p.Tx}"));
        Assert.Equal(
            ["4V5 RegulatorOrUsb", "5V RegulatorUsbUnknown", "GND Ground"],
            board.Rails.Select(r => $"{r.Label} {r.Feed}").Order(StringComparer.Ordinal)
        );
        Assert.Equal(
            ["R1 u1rx", "T1 u1tx", "5V 5v", "G gnd", "4V5 4v5"],
            board.Pads.Select(p => $"{p.Label} {p.Paths[0].Net ?? p.Paths[0].Rail}")
        );
        Assert.All(
            board.Pads,
            p => Assert.Equal((BoardSide.Top, "left", PadMeaning.Sure), (p.Side, p.Group, p.Meaning))
        );
        Assert.Empty(PartCheck.Of(board with { Maker = "m", Name = "n", Revision = "1" }, "b"));
    }

    [Fact]
    public void A_named_line_is_a_socket_with_its_cavities()
    {
        var board = Read("controller F4", "AIR: BAT G T3 R3 G SBUS=U2.RX", "NAV (1.0 mm) bottom front: G - 5V");
        Assert.Equal(
            [
                "AIR pitch unknown, 6 pins: air-bat air-g air-t3 air-r3 air-g-2 air-sbus",
                "NAV 1.0 mm, 3 pins: nav-g - nav-5v",
            ],
            board.Plugs.Select(p => $"{p.Label} {p.Family}: {string.Join(' ', p.Pins.Select(n => n.Pad ?? "-"))}")
        );
        Assert.Equal("u2rx", board.Pads.Single(p => p.Id == "air-sbus").Paths[0].Net);
        Assert.Equal(BoardSide.Bottom, board.Pads.Single(p => p.Id == "nav-5v").Side);
    }

    [Fact]
    public void A_half_under_another_name_makes_one_whole_port()
    {
        var board = Read("controller F4", "top left: SBUS DSM=U3.TX", "ways SBUS: inverter > U3.RX");
        Assert.Equal(["U3: u3rx u3tx"], board.Ports.Select(p => $"{p.Id}: {p.Rx} {p.Tx}"));
        Assert.IsType<Inverter>(Assert.Single(board.Pads[0].Paths[0].Through));
        Assert.Equal(PadMeaning.Sure, board.Pads[0].Meaning);
    }

    [Fact]
    public void What_can_mean_two_things_is_measured_before_use()
    {
        var board = Read("controller F4", "top left: BAT G B+ SBUS XQ NC VCC");
        Assert.Equal(
            [
                "BAT Sure bat",
                "G Sure gnd",
                "B+ Uncertain bat",
                "SBUS Uncertain ",
                "XQ Uncertain ",
                "NC NotConnected ",
                "VCC Uncertain bat",
            ],
            board.Pads.Select(p => $"{p.Label} {p.Meaning} {(p.Paths is [var way] ? way.Rail : "")}")
        );
    }

    [Theory]
    [InlineData("B+=BAT", PadMeaning.Sure, "bat")]
    [InlineData("B+?", PadMeaning.Uncertain, null)]
    [InlineData("R1?=BAT", PadMeaning.Uncertain, "bat")]
    [InlineData("BAT=nc", PadMeaning.NotConnected, null)]
    public void The_builder_says_what_a_label_means(string pad, PadMeaning meaning, string? rail)
    {
        var board = Read("rail BAT: battery", $"top left: {pad}");
        Assert.Equal(
            (meaning, rail),
            (board.Pads[0].Meaning, board.Pads[0].Paths.Count == 0 ? null : board.Pads[0].Paths[0].Rail)
        );
    }

    [Theory]
    [InlineData("B+[plus]=BAT")]
    [InlineData("B+=BAT[plus]")]
    public void An_id_stands_before_or_behind_what_a_pad_leads_to(string pad) =>
        Assert.Equal("plus", Read("rail BAT: battery", $"top left: {pad}").Pads[0].Id);

    [Fact]
    public void A_rail_that_only_a_label_speaks_of_is_said_to_be_assumed()
    {
        var read = LeafletText.Read("rail 5V: 5 V regulator, up to 2 A\ntop left: 5V 9V G BAT");
        Assert.Equal(["RAIL-ASSUMED 9V"], read.Assumed.Select(a => $"{a.Rule} {a.Facts[0].Value}"));
    }

    // Odd dashes, hard spaces, tabs, soft hyphens, curly quotes: as they come out of a printed page.
    [Fact]
    public void Text_out_of_a_printed_page_is_read_as_it_is_meant()
    {
        var plain = Read(
            "maker Holm",
            "size 36 x 36 mm",
            "AIR: BAT G - R3",
            "top at 3,8 step 0,-3: R1 T1",
            "inside \"rx\" gives control"
        );
        var pasted = Read(
            "\uFEFFmaker\u00A0Holm",
            "size\t36\u2009×\u200936\u00A0mm",
            "AIR\u200B:\u00A0BAT\tG \u2013 R\u00AD3",
            "top at 3,8 step 0,\u22123: R1\u2003T1\r",
            "inside \u201Crx\u201D gives control"
        );
        Assert.Equal(Json(plain), Json(pasted));
    }

    [Theory]
    [InlineData("top left: R1 [", 1, 15, "top left: R1 T1")]
    [InlineData("\n\nrail 5V: 5 W regulator", 3, 12, "rail 5V: 5 V regulator")]
    [InlineData("R1 T1 5V", 1, 1, "AIR: BAT G T3 R3")]
    [InlineData("usb up", 1, 5, "usb left")]
    [InlineData("maker", 1, 6, "remove the line")]
    [InlineData("maker Holm\nmaker Holm", 2, 1, "Keep one of the two")]
    [InlineData("top left: \"R1", 1, 11, "End quoted text with a quote")]
    [InlineData("ways R9: U1.RX", 1, 6, "Add it to a row first")]
    [InlineData("top left: A=U1.SDA", 1, 13, "port U1: RX TX")]
    [InlineData("top left: A=6X", 1, 13, "Add its line")]
    [InlineData("top left: A A\nways A: U1.RX", 2, 6, "a, a-2")]
    [InlineData("top left: A\nways A: U1.RX\nways A: U2.RX", 3, 6, "with | between")]
    [InlineData("rail 5V: 5 V regulator from 9V", 1, 29, "Add a line for it")]
    [InlineData("maker \"Holm", 1, 7, "Remove the quotes")]
    public void What_cannot_be_read_is_told_by_line_and_column_with_a_mend(
        string text,
        int line,
        int column,
        string mend
    )
    {
        var problem = Assert.Single(LeafletText.Read(text).Problems);
        Assert.Equal((line, column), (problem.Line, problem.Column));
        Assert.StartsWith($"Line {line}, column {column}: ", problem.Finding.Sentence);
        Assert.Contains(mend, problem.Finding.Sentence);
    }

    [Fact]
    public void A_line_that_cannot_be_read_takes_no_other_with_it()
    {
        var read = LeafletText.Read("maker Holm\nrail 5V 5 V\ntop left: R1 T1\nnothing of the kind");
        Assert.Equal([2, 4], read.Problems.Select(p => p.Line));
        Assert.Equal(("Holm", 2), (read.Board.Maker, read.Board.Pads.Count));
    }

    [Fact]
    public void A_text_that_is_no_leaflet_is_answered_shortly()
    {
        Assert.Equal(20, LeafletText.Read(string.Join('\n', Enumerable.Repeat("lorem ipsum", 500))).Problems.Count);
        Assert.Contains(
            "The limit is",
            Assert.Single(LeafletText.Read(new string('x', 100_001)).Problems).Finding.Sentence
        );
        Assert.Contains(
            "The limit is 8000",
            Assert.Single(LeafletText.Read("top: " + new string('x', 8_000)).Problems).Finding.Sentence
        );
    }

    [Fact]
    public void A_pad_that_lies_elsewhere_than_its_row_says_so_by_itself()
    {
        var board = Read("size 30 x 30 mm", "top left at 2,20 step 0,-3: R1 T1(5,5) 5V");
        Assert.Equal([(2, 20), (5, 5), (2, 14)], board.Pads.Select(p => ((int)p.X, (int)p.Y)));
        Assert.Contains("T1(5,5)", LeafletText.Write(board));
    }

    internal static Board Read(params string[] lines)
    {
        var read = LeafletText.Read(string.Join('\n', lines));
        Assert.True(read.Problems.Count == 0, string.Join('\n', read.Problems.Select(p => p.Finding.Sentence)));
        return read.Board;
    }

    internal static string Json(Board board) => JsonSerializer.Serialize(board, GorvixJson.File);
}
