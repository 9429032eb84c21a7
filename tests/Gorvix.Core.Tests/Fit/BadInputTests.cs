using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Fit;

/// <summary>What cannot be is answered with a finding, never with a hang or a blank.</summary>
public class BadInputTests
{
    private static readonly Mode Crsf = Mode("CRSF", Out(), In());
    private static readonly Device Receiver = Device("receiver", Need.RcLink, Crsf);

    [Theory]
    [InlineData(0, "No links added yet.")]
    [InlineData(1, "1 link connected.")]
    [InlineData(2, "Both links connected.")]
    [InlineData(3, "All 3 links connected.")]
    public void All_links_are_counted_as_people_count(int links, string words) =>
        Assert.Equal(words, FindingReader.AllConnected(links));

    [Fact]
    public void Pins_and_bans_that_contradict_each_other_are_told_one_by_one()
    {
        var here = new RouteMatch { Link = "receiver", Port = "U1" };
        var sheet = Sheet(Build(Whole("F4", "U1"), Receiver).Pinned(here).Banned(here));
        Assert.Equal("0 of 1 links connected. No port for RC link (receiver). 1 warning.", sheet.Verdict.Sentence);
        Assert.Contains("you also blocked it there", Assert.Single(sheet.Findings, f => f.Rule == "PIN").Sentence);
        Assert.Equal(here, Assert.Single(Assert.Single(sheet.Conflicts).Wishes).Match);
    }

    [Fact]
    public void House_rules_that_forbid_everything_name_themselves()
    {
        var board = Board(
            "F4",
            new Port
            {
                Id = "S1",
                Kind = PortKind.Software,
                Rx = "a",
                Tx = "b",
            }
        ) with
        {
            Nets = [new() { Id = "a" }, new() { Id = "b" }],
            Pads = [Pad("A", "a"), Pad("B", "b")],
        };
        var gnss = Device("gnss", Need.Gps, Mode("NMEA", Out(), In()));
        var build = Build(board, gnss);
        var reader = new FitReader(build);
        Assert.Contains("software serial not available", Assert.Single(reader.Sheet().Findings).Sentence);
        var unlock = Assert.Single(Assert.Single(reader.Unlocks(new PartsLibrary([board], [gnss]))).Ways);
        Assert.Equal("House rule \"Software serial\": allowed", unlock.Words);
    }

    [Fact]
    public void A_device_with_no_usable_mode_is_told_so_in_every_cell()
    {
        var sheet = Sheet(Build(Whole("F4", "U1", "U2"), Device("dumb", Need.RcLink)));
        Assert.All(sheet.Links[0].Cells, c => Assert.Equal("NO-MODE", c.Code));
        Assert.Equal(
            "RC link cannot be connected on this board with your house rules, firmware and parts; no other link is in the way.",
            sheet.Conflicts[0].Sentence
        );
        Assert.Equal(Severity.Stop, sheet.Verdict.Severity);
    }

    [Fact]
    public void A_board_with_no_ports_carries_nothing_and_says_so()
    {
        var sheet = Sheet(Build(Board("F4"), Receiver));
        Assert.Empty(sheet.Ports);
        Assert.Equal("0 of 1 links connected. No port for RC link (receiver).", sheet.Verdict.Sentence);
        Assert.Single(sheet.Conflicts);
    }

    [Fact]
    public void Forty_links_are_answered_and_forty_one_refused()
    {
        Device[] Many(int count) =>
            [.. Enumerable.Range(0, count).Select(i => Device($"r{i}", Need.Gps, Mode("UBX", Out(), In())))];
        var sheet = Sheet(Build(Whole("F7", "U1", "U2", "U3"), Many(40)));
        Assert.Equal(3, sheet.Verdict.Carried);
        Assert.Equal(37, sheet.Links.Count(l => l.Port is null));
        Assert.Equal(FitReader.MostExplained, sheet.Conflicts.Count);
        var many = Build(Whole("F7", "U1"), Many(40));
        var unlocks = new FitReader(many).Unlocks(new PartsLibrary([many.Board], []));
        Assert.Equal(["r1", "r2", "r3", "r4", "r5", "r6"], unlocks.Select(u => u.Link));
        Assert.Contains(
            "build.links has 41 links; the limit is 40.",
            Against(() => Build(Whole("F7", "U1"), Many(41)))
        );
    }

    [Fact]
    public void Forty_receivers_are_answered_with_the_one_that_a_board_can_have()
    {
        Device[] many = [.. Enumerable.Range(0, 40).Select(i => Receiver with { Id = $"r{i}" })];
        Assert.Equal(
            1,
            Sheet(Build(Whole("F7", [.. Enumerable.Range(1, 32).Select(i => $"U{i}")]), many)).Verdict.Carried
        );
    }

    [Fact]
    public void Forty_speed_controllers_answer_on_one_wire()
    {
        Device[] many =
        [
            .. Enumerable.Range(0, 40).Select(i => Device($"e{i}", Need.EscTelemetry, Mode("ESC", Out()))),
        ];
        var sheet = Sheet(Build(Whole("F7", "U1", "U2"), many));
        Assert.Equal(40, sheet.Verdict.Carried);
        Assert.Single(sheet.Links.Select(l => l.Port).Distinct());
    }

    [Fact]
    public void Forty_links_that_could_all_share_halves_fill_every_half()
    {
        var talks = Mode("Range finder", Out());
        var listens = Mode("Flight log", In());
        Device[] devices =
        [
            .. Enumerable.Range(0, 40).Select(i => Device($"d{i}", (Need)(i % 7), i % 2 == 0 ? talks : listens)),
        ];
        var board = Whole("F4", [.. Enumerable.Range(1, 12).Select(i => $"U{i}")]);
        var made = Build(board, devices);
        var split = made.Build with { House = new HouseRules { Sharing = PortSharing.SplitHalves } };
        var build = Resolved(split, new PartsLibrary([board], devices));
        Assert.Equal(24, Planner.Best(build).Placements.Count(p => p.Route is not null));
    }

    [Fact]
    public void Rails_that_feed_each_other_in_a_ring_are_refused_with_their_names()
    {
        static Rail Rail(string id, string from) =>
            new()
            {
                Id = id,
                Label = id,
                Feed = RailFeed.Regulator,
                Volts = 5,
                From = from,
            };
        var board = Whole("F4", "U1") with { Rails = [Rail("a", "b"), Rail("b", "c"), Rail("c", "a")] };
        Assert.Contains("a, b, c are powered from each other in a", Against(() => Build(board, Receiver)));
    }

    [Fact]
    public void A_regulator_that_feeds_itself_is_refused_with_its_name()
    {
        var five = new Rail
        {
            Id = "5v",
            Label = "5V",
            Feed = RailFeed.Regulator,
            Volts = 5,
            From = "5v",
        };
        var said = Against(() => Build(Whole("F4", "U1") with { Rails = [five] }, Receiver));
        Assert.StartsWith("board.rails[0]: 5V are powered from each other in a loop, with no source.", said);
    }

    [Fact]
    public void A_bridge_with_no_position_is_refused()
    {
        var bridge = new Bridge
        {
            Id = "J",
            Positions = [],
            Default = "open",
        };
        var said = Against(() => Build(Whole("F4", "U1") with { Bridges = [bridge] }, Receiver));
        Assert.StartsWith("board.jumpers[0]", said);
    }

    [Fact]
    public void A_pin_on_a_bridge_position_that_the_board_lacks_is_refused_with_what_is_known()
    {
        var build = Demo.NorthFaceHare;
        string Said(string bridges) =>
            string.Join(
                ' ',
                BuildCheck
                    .Of(new RouteMatch { Link = "position", Bridges = bridges }, build, Demo.Library, "change")
                    .Select(f => f.Sentence)
            );
        Assert.Equal("", Said("J4=raw"));
        Assert.Equal("", Said(""));
        Assert.Contains("change.jumpers names jumper position \"J4=up\"", Said("J4=up"));
        Assert.Contains("Known: J4=raw, J4=inverted", Said("nonsense"));
    }

    private static string Against(Action build) => Assert.Throws<ArgumentException>(build).Message;

    private static FitSheet Sheet(ResolvedBuild build) => new FitReader(build).Sheet();
}
