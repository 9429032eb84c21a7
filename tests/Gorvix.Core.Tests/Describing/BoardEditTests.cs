using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Tests.Describing;

/// <summary>Lines typed beside a board that is already described.</summary>
public class BoardEditTests
{
    private static readonly Board Board = LeafletTextTests.Read(
        "maker Holm",
        "board Sill F4",
        "Revision 1",
        "controller F4",
        "rail GND: ground",
        "rail 5V: 5 V regulator",
        "rail BAT: battery",
        "top left: R1 T1 5V G BAT B+"
    );

    [Fact]
    public void A_row_is_added_and_the_ports_that_it_speaks_of()
    {
        var read = BoardEdit.Add(Board, "bottom right: R2 T2");
        Assert.Empty(read.Problems);
        Assert.Equal(["U1", "U2"], read.Board.Ports.Select(p => p.Id));
        Assert.Equal(Board.Pads.Select(p => p.Id), read.Board.Pads.Take(6).Select(p => p.Id));
    }

    // T2 in the first row, R2 in the next: together one whole port.
    [Fact]
    public void A_later_row_adds_the_other_half_of_a_port()
    {
        var once = BoardEdit.Add(Board, "bottom right: T2 SCL").Board;
        var twice = BoardEdit.Add(once, "bottom left: R2 SDA").Board;
        Assert.Equal(
            ["U1 uart u1rx u1tx ", "U2 uart u2rx u2tx "],
            twice.Ports.Select(p => $"{p.Id} {p.Kind.ToString().ToLowerInvariant()} {p.Rx} {p.Tx} {p.Data}")
        );
        Assert.All(twice.Pads.Where(p => p.Label is "T2" or "R2"), p => Assert.Equal(PadMeaning.Sure, p.Meaning));
    }

    [Fact]
    public void What_is_told_anew_replaces_what_was_told_and_keeps_its_place()
    {
        var read = BoardEdit.Add(Board, "rail 5V: 5 V regulator, up to 3 A, switching\nrevision 2\ninput 7 to 26 V");
        Assert.Empty(read.Problems);
        Assert.Equal(["gnd", "5v", "bat"], read.Board.Rails.Select(r => r.Id));
        Assert.Equal(3, read.Board.Rails[1].Limit);
        Assert.Equal("2", read.Board.Revision);
        Assert.Equal(26, read.Board.Input?.Max);
    }

    [Theory]
    [InlineData("ways B+: BAT")]
    [InlineData("ways b: BAT")]
    public void The_ways_of_a_pad_are_said_anew_and_it_is_certain_then(string line)
    {
        Assert.Equal(PadMeaning.Uncertain, Board.Pads[5].Meaning);
        var pad = BoardEdit.Add(Board, line).Board.Pads[5];
        Assert.Equal((PadMeaning.Sure, "bat"), (pad.Meaning, pad.Paths[0].Rail));
    }

    [Fact]
    public void A_socket_of_the_same_name_takes_the_place_of_the_old_one()
    {
        var once = BoardEdit.Add(Board, "AIR: BAT G T3 R3").Board;
        var twice = BoardEdit.Add(once, "AIR (1.25 mm): BAT G R3 T3").Board;
        Assert.Equal(["1.25 mm, 4 pins"], twice.Plugs.Select(p => p.Family));
        Assert.Equal(10, twice.Pads.Count);
    }

    [Fact]
    public void Problems_have_the_places_of_the_typed_lines()
    {
        var read = BoardEdit.Add(Board, "bottom right: R2\nways R9: U1.RX\nusb up");
        Assert.Equal([(2, 6), (3, 5)], read.Problems.Select(p => (p.Line, p.Column)));
        Assert.Contains("Line 3, column 5", read.Problems[1].Finding.Sentence);
        Assert.Equal(7, read.Board.Pads.Count);
    }

    public static TheoryData<string> Patterns => [.. PathPattern.All.Select(p => p.Id)];

    [Theory]
    [MemberData(nameof(Patterns))]
    public void Each_pattern_makes_a_board_that_passes(string id)
    {
        var pattern = PathPattern.All.Single(p => p.Id == id);
        var lines = pattern
            .Lines.Replace("{pad}", "B+")
            .Replace("{port}", "U1")
            .Replace("{bridge}", "J4")
            .Replace("{first}", "5V")
            .Replace("{second}", "BAT");
        var read = BoardEdit.Add(Board, lines);
        Assert.Empty(read.Problems);
        Assert.Empty(PartCheck.Of(read.Board, "b"));
        Assert.Equal(PadMeaning.Sure, read.Board.Pads[5].Meaning);
        Assert.NotEmpty(read.Board.Pads[5].Paths);
        Assert.DoesNotContain("{", lines);
        Assert.Equal(pattern.Asks.Contains(PatternAsks.Bridge), read.Board.Bridges.Count == 1);
    }
}
