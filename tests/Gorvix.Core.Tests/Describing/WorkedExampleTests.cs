using Gorvix.Core.Files.Describing;
using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Tests.Describing;

/// <summary>The worked example of docs/board-text.md: its text is the board of its file.</summary>
public class WorkedExampleTests
{
    private static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "docs", "examples");

    [Fact]
    public void The_leaflet_of_the_example_is_the_board_of_its_file()
    {
        var read = LeafletText.Read(File.ReadAllText(Path.Combine(Folder, "quoin-f4.txt")));
        Assert.Empty(read.Problems);
        Assert.Empty(read.Assumed);
        var file = GorvixReader.Read(
            File.ReadAllBytes(Path.Combine(Folder, "quoin-f4.gorvix.json")),
            PartsLibrary.Empty
        );
        Assert.Empty(file.Findings);
        Assert.Equal(Sorted(file.File!.Boards[0]), Sorted(read.Board));
    }

    // Typed line by line or read at once: ports, nets and rails are met in another order, and are the same.
    private static string Sorted(Board board) =>
        LeafletTextTests.Json(
            board with
            {
                Nets = [.. board.Nets.OrderBy(n => n.Id)],
                Ports = [.. board.Ports.OrderBy(p => p.Id)],
                Rails = [.. board.Rails.OrderBy(r => r.Id)],
            }
        );

    [Fact]
    public void It_has_24_pads_two_sockets_an_inverter_bridge_and_a_selector()
    {
        var board = LeafletText.Read(File.ReadAllText(Path.Combine(Folder, "quoin-f4.txt"))).Board;
        Assert.Equal(
            (24, 2, 2),
            (board.Pads.Count - board.Plugs.Sum(p => p.Pins.Count), board.Plugs.Count, board.Bridges.Count)
        );
        Assert.DoesNotContain(board.Pads, p => p.Meaning == PadMeaning.Uncertain);
    }
}
