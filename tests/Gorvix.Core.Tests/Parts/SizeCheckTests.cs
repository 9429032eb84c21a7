using Gorvix.Core.Files.Formats;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Parts;

/// <summary>Lists and texts that no real part has: told with their place, and nothing else is looked at any more.</summary>
public class SizeCheckTests
{
    private static IReadOnlyList<string> Of(Board board) =>
        [.. PartCheck.Of(board, "boards[0]").Select(f => f.Sentence)];

    private static string Only(Board board) => Assert.Single(Of(board));

    private static Rail RailAfter(int i) =>
        new()
        {
            Id = $"r{i}",
            Label = $"R{i}",
            Feed = RailFeed.Regulator,
            Volts = 5,
            From = i == 0 ? null : $"r{i - 1}",
        };

    [Fact]
    public void Two_thousand_rails_in_a_chain() =>
        Assert.Equal(
            "boards[0].rails has 2000 rails. The limit is 32.",
            Only(Whole("F4", "U1") with { Rails = [.. Enumerable.Range(0, 2000).Select(RailAfter)] })
        );

    [Fact]
    public void Twenty_thousand_nets_and_as_many_pads() =>
        Assert.Equal(
            ["boards[0].nets has 20001 nets. The limit is 300.", "boards[0].pads has 20000 pads. The limit is 256."],
            Of(
                Board("F4", Port("U1", tx: false)) with
                {
                    Nets = [.. Enumerable.Range(0, 20_001).Select(i => new Net { Id = $"n{i}" })],
                    Pads = [.. Enumerable.Range(0, 20_000).Select(i => Pad($"P{i}", $"n{i}"))],
                }
            )
        );

    [Fact]
    public void Twelve_thousand_pins_of_one_plug() =>
        Assert.Equal(
            "boards[0].plugs[0].pins has 12000 pins. The limit is 24.",
            Only(
                Whole("F4", "U1") with
                {
                    Plugs =
                    [
                        new()
                        {
                            Id = "P",
                            Label = "P",
                            Family = "f",
                            Pins = [.. Enumerable.Repeat(new BoardPin { Pad = "r1" }, 12_000)],
                        },
                    ],
                }
            )
        );

    [Fact]
    public void Thirty_thousand_ports() =>
        Assert.Equal(
            "boards[0].ports has 30000 ports. The limit is 32.",
            Only(Whole("F4", "U1") with { Ports = [.. Enumerable.Repeat(new Port { Id = "U" }, 30_000)] })
        );

    [Fact]
    public void A_path_of_a_hundred_elements() =>
        Assert.Equal(
            "boards[0].pads[2].paths[0].through has 100 elements. The limit is 12.",
            Only(Whole("F4", "U1").With(Pad("X", "U1.rx", [.. Enumerable.Repeat(Inverter(), 100)])))
        );

    [Fact]
    public void A_text_that_nobody_reads() =>
        Assert.Equal(
            "boards[0].recognise is 4900000 characters long. The limit is 500.",
            Only(Whole("F4", "U1") with { Recognise = new string('a', 4_900_000) })
        );

    [Fact]
    public void The_form_of_a_firmware_may_be_longer_but_not_for_ever()
    {
        FirmwareProfile With(int length) =>
            new()
            {
                Id = "p",
                Name = "p",
                Jobs = [],
                Template = new string('a', length),
            };
        Assert.Empty(PartCheck.Of(With(20_000), "profiles[0]"));
        Assert.Equal(
            "profiles[0].template is 20001 characters long. The limit is 20000.",
            Assert.Single(PartCheck.Of(With(20_001), "profiles[0]")).Sentence
        );
    }

    [Fact]
    public void A_build_of_thousands_is_told_in_a_line_for_each_list()
    {
        var build = Build(Whole("F4", "U1"), Device("d", Need.RcLink)).Build;
        var many = build with
        {
            Wants = [.. Enumerable.Repeat(build.Wants[0], 9000)],
            Devices = [.. Enumerable.Repeat(build.Devices[0], 8000)],
        };
        Assert.Equal(
            [
                "builds[0].links has 9000 links; the limit is 40. Split the build or remove what you do not need.",
                "builds[0].devices has 8000 devices; the limit is 40. Split the build or remove what you do not need.",
            ],
            BuildCheck.Of(many, new PartsLibrary([], []), "builds[0]").Select(f => f.Sentence)
        );
        var talkative = build with { Note = new string('a', 2001) };
        Assert.Equal(
            "builds[0].note is 2001 characters long. The limit is 2000.",
            Assert.Single(BuildCheck.Of(talkative, new PartsLibrary([], []), "builds[0]")).Sentence
        );
    }

    [Fact]
    public void A_file_of_such_things_is_refused_with_their_places()
    {
        var board = Whole("F4", "U1") with { Rails = [.. Enumerable.Range(0, 500).Select(RailAfter)] };
        var read = GorvixReader.Read(GorvixReader.Write(new GorvixFile { Boards = [board] }), new PartsLibrary([], []));
        Assert.Null(read.File);
        Assert.Equal("boards[0].rails has 500 rails. The limit is 32.", Assert.Single(read.Findings).Sentence);
    }
}
