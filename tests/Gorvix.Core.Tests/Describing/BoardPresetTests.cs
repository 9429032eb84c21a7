using Gorvix.Core.Files.Describing;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Tests.Describing;

/// <summary>A board is begun from a preset: each is a board that can be saved as soon as its name is told, and states no limit.</summary>
public class BoardPresetTests
{
    public static TheoryData<string> Ids => [.. BoardPreset.All.Select(p => p.Id)];

    private static LeafletReading Read(string id) =>
        LeafletText.Read($"maker M\nboard B\nrevision 1\n{BoardPreset.All.Single(p => p.Id == id).Lines}");

    [Fact]
    public void There_are_six_and_each_is_called_by_its_own_id_and_name()
    {
        Assert.Equal(6, BoardPreset.All.Count);
        Assert.Equal(6, BoardPreset.All.Select(p => p.Id).Distinct().Count());
        Assert.Equal(6, BoardPreset.All.Select(p => p.Name).Distinct().Count());
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void It_is_read_without_a_problem_and_can_be_saved(string id)
    {
        var read = Read(id);
        Assert.Empty(read.Problems);
        Assert.DoesNotContain(BoardCheck.Of(read.Board, "board"), f => f.Severity == Severity.Stop);
        // The order of a socket's pins differs from maker to maker: a pin is measured until the builder has said what it is, and no plug fits before.
        var pins = Circuit.Of(read.Board).SocketOf;
        Assert.All(read.Board.Pads, p => Assert.Equal(pins.ContainsKey(p.Id), p.Meaning == PadMeaning.Uncertain));
        Assert.All(read.Board.Plugs, p => Assert.Equal(PlugFamily.Unknown(p.Pins.Count), p.Family));
        // All pads lie on the board, apart from each other.
        var size = read.Board.Outline!;
        Assert.All(
            read.Board.Pads,
            p => Assert.True(p.X is > 0 && p.X < size.Width && p.Y is > 0 && p.Y < size.Depth, $"{p.Label} {p.X},{p.Y}")
        );
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void It_states_no_limit_that_only_a_manual_knows(string id)
    {
        var board = Read(id).Board;
        Assert.Null(board.Input);
        Assert.All(board.Rails, r => Assert.Null(r.Limit));
        Assert.All(board.Rails, r => Assert.Null(r.Dropout));
        Assert.All(
            board.Rails.Where(r => r.Feed is not (RailFeed.Ground or RailFeed.Battery)),
            r => Assert.Equal(RailFeed.RegulatorUsbUnknown, r.Feed)
        );
        Assert.Null(board.UsbSide);
        Assert.Null(board.Arrow);
    }

    [Theory]
    [InlineData("small-all-in-one", "F4", 2, 0, 25.5)]
    [InlineData("stack-20", "F4", 3, 1, 20.0)]
    [InlineData("stack-30", "F7", 4, 1, 30.5)]
    [InlineData("f4-inverter", "F4", 3, 0, 30.5)]
    [InlineData("f7-sockets", "F7", 1, 3, 30.5)]
    [InlineData("h7-sockets", "H7", 2, 4, 30.5)]
    public void It_has_what_its_name_says(string id, string controller, int full, int sockets, double holes)
    {
        var board = Read(id).Board;
        Assert.Equal(controller, board.Controller);
        Assert.Equal(full, board.Ports.Count(p => p.Id[0] == 'U' && Circuit.Of(board).ShapeOf(p) == PortShape.Whole));
        Assert.Equal(sockets, board.Plugs.Count);
        Assert.Equal(holes, board.Mounting!.Width);
    }

    [Fact]
    public void On_the_board_with_an_inverter_SBUS_reaches_the_port_turned_and_a_normal_protocol_does_not()
    {
        var circuit = Circuit.Of(Read("f4-inverter").Board);
        var pad = circuit.Pads.Values.Single(p => p.Label == "SBUS");
        var way = circuit.From(pad).Single();
        Assert.Equal((1, Polarity.Inverted), (way.Inverters, way.Turn));
    }
}
