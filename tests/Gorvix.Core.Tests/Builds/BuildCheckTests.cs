using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Tests.Builds;

/// <summary>A build whose names lead nowhere is not planned.</summary>
public class BuildCheckTests
{
    private static Build Hare => Demo.NorthFaceHare;

    public static TheoryData<string, string, Func<Build, Build>> Broken =>
        new()
        {
            { "NAME", "build.board", b => b with { Board = "nowhere" } },
            {
                "NAME",
                "build.devices[0].part",
                b => b with { Devices = [b.Devices[0] with { Part = "x" }, .. b.Devices.Skip(1)] }
            },
            { "NAME", "build.links[0].device", b => b with { Wants = [b.Wants[0] with { Device = "x" }] } },
            { "NAME", "build.links[0].function", b => b with { Wants = [b.Wants[0] with { Function = "x" }] } },
            { "NAME", "build.pins[0].link", b => b with { Pins = [new RouteMatch { Link = "x" }] } },
            {
                "NAME",
                "build.pins[0].port",
                b => b with { Pins = [new RouteMatch { Link = "control", Port = "U99" }] }
            },
            { "NAME", "build.blocks[0].pad", b => b with { Bans = [new RouteMatch { Link = "control", Pad = "x" }] } },
            {
                "NAME",
                "build.blocks[0].mode",
                b => b with { Bans = [new RouteMatch { Link = "control", Mode = "x" }] }
            },
            { "NAME", "build.pins[0].from", b => Fed(b, new() { From = "x", FromLead = "o" }) },
            { "NAME", "build.pins[0].fromLead", b => Fed(b, new() { From = "receiver", FromLead = "o" }) },
            { "VALUE", "build.pins[0].pad", b => Fed(b, new()) },
            { "NAME", "build.wires[0].device", b => Cut(b, "x", "v", 28, 100) },
            { "NAME", "build.wires[0].lead", b => Cut(b, "gnss", "tx", 28, 100) },
            { "VALUE", "build.wires[0].gauge", b => Cut(b, "gnss", "v", 41, 100) },
            { "VALUE", "build.wires[0].millimetres", b => Cut(b, "gnss", "v", 28, double.NaN) },
            {
                "VALUE",
                "build.pack.milliohms",
                b =>
                    b with
                    {
                        Pack = new Pack { Cells = 4, Milliohms = -1 },
                    }
            },
            { "VALUE", "build.power.bulbVolts", b => b with { Power = new PowerSide { LampVolts = 0 } } },
            { "VALUE", "build.power.bulbWatts", b => b with { Power = new PowerSide { LampWatts = 1e9 } } },
            { "VALUE", "build.power.limiterAmps", b => b with { Power = new PowerSide { LimiterAmps = 0 } } },
            {
                "VALUE",
                "build.power.bench.volts",
                b =>
                    b with
                    {
                        Power = new PowerSide
                        {
                            Bench = new() { Volts = 0, Amps = 1 },
                        },
                    }
            },
            {
                "VALUE",
                "build.power.bench.amps",
                b =>
                    b with
                    {
                        Power = new PowerSide
                        {
                            Bench = new() { Volts = 5, Amps = 0 },
                        },
                    }
            },
            { "NAME", "build.pins[0].device", b => b with { Pins = [new SeatMatch { Device = "x" }] } },
            {
                "NAME",
                "build.pins[0].socket",
                b => b with { Pins = [new SeatMatch { Device = "gnss", Socket = "x" }] }
            },
            { "NAME", "build.blocks[0].lead", b => b with { Bans = [new LeadMatch { Device = "gnss", Lead = "x" }] } },
            {
                "NAME",
                "build.pins[0].lead",
                b =>
                    b with
                    {
                        Pins =
                        [
                            new FeedMatch
                            {
                                Device = "gnss",
                                Lead = "tx",
                                Pad = "5v-a",
                            },
                        ],
                    }
            },
            {
                "NAME",
                "build.pins[0].pad",
                b =>
                    b with
                    {
                        Pins =
                        [
                            new FeedMatch
                            {
                                Device = "gnss",
                                Lead = "v",
                                Pad = "x",
                            },
                        ],
                    }
            },
            { "TWIN", "build.links[3]", b => b with { Wants = [.. b.Wants, b.Wants[0]] } },
            { "TWIN", "build.devices[3]", b => b with { Devices = [.. b.Devices, b.Devices[0]] } },
            { "VALUE", "build.name", b => b with { Name = " " } },
            {
                "BUILD-SIZE",
                "build.devices",
                b =>
                    b with
                    {
                        Devices =
                        [
                            .. b.Devices,
                            .. Enumerable.Range(0, 38).Select(i => b.Devices[2] with { Id = $"d{i}" }),
                        ],
                    }
            },
            {
                "BUILD-SIZE",
                "build.links",
                b => b with { Wants = [.. Enumerable.Range(0, 41).Select(i => b.Wants[0] with { Link = $"l{i}" })] }
            },
        };

    [Theory]
    [MemberData(nameof(Broken), DisableDiscoveryEnumeration = true)]
    public void Each_name_must_lead_somewhere(string rule, string place, Func<Build, Build> breaking)
    {
        var finding = Assert.Single(BuildCheck.Of(breaking(Hare), Demo.Library, "build"));
        Assert.Equal((rule, place), (finding.Rule, finding.Subject.Id));
        Assert.Null(ResolvedBuild.Of(breaking(Hare), Demo.Library).Build);
    }

    [Fact]
    public void More_signal_leads_than_any_controller_has_pins_are_refused()
    {
        var module = Demo.Library.Device("ewhurst-fix-10")!;
        var leads = Enumerable.Range(0, 60).Select(i => module.Leads[2] with { Id = $"s{i}" });
        var hydra = module with { Id = "hydra", Leads = [.. module.Leads, .. leads] };
        var build = Hare with
        {
            Devices = [.. Hare.Devices, new() { Id = "a", Part = "hydra" }, new() { Id = "b", Part = "hydra" }],
        };
        var library = Demo.Library.With(new PartsLibrary([], [hydra]));
        var finding = Assert.Single(BuildCheck.Of(build, library, "build"));
        Assert.Equal(
            "build.devices has 131 signal leads; the limit is 128. Split the build or remove what you do not need.",
            finding.Sentence
        );
    }

    [Fact]
    public void Forty_links_are_allowed_and_planned()
    {
        var build = Hare with
        {
            Wants = [.. Enumerable.Range(0, 40).Select(i => Hare.Wants[2] with { Link = $"l{i}" })],
        };
        var verdict = Demo.Fit(build).Verdict();
        Assert.Equal((1, 40), (verdict.Carried, verdict.Wanted));
    }

    [Fact]
    public void A_build_with_a_board_that_contradicts_itself_is_not_planned()
    {
        var board = Demo.Library.Board(Hare.Board)!;
        var broken = Demo.Library with { Boards = [board with { Pads = [board.Pads[0] with { Paths = [] }] }] };
        var resolution = ResolvedBuild.Of(Hare, broken);
        Assert.Null(resolution.Build);
        Assert.Contains(resolution.Findings, f => f.Rule == "PAD-LOST");
    }

    private readonly record struct Origin(string? From, string? FromLead);

    private static Build Fed(Build build, Origin origin) =>
        build with
        {
            Pins =
            [
                new FeedMatch
                {
                    Device = "gnss",
                    Lead = "v",
                    From = origin.From,
                    FromLead = origin.FromLead,
                },
            ],
        };

    private static Build Cut(Build build, string device, string lead, int gauge, double millimetres) =>
        build with
        {
            Wires =
            [
                new WireCut
                {
                    Device = device,
                    Lead = lead,
                    Gauge = gauge,
                    Millimetres = millimetres,
                },
            ],
        };

    private static JointFact Joint(string lead, string? pad) =>
        new()
        {
            Device = "receiver",
            Part = "corvane-sedge-2",
            Lead = lead,
            Board = Demo.NorthFaceHare.Board,
            Pad = pad,
        };

    [Fact]
    public void Facts_of_what_is_built_say_where_and_each_thing_once()
    {
        string Says(params BuiltFact[] facts) =>
            string.Join(
                " ",
                BuildCheck.Of(Demo.NorthFaceHare with { Built = facts }, Demo.Library, "build").Select(f => f.Sentence)
            );
        Assert.Equal("", Says(Joint("tx", "r1"), Joint("rx", "t1"), Joint("g", "no longer has this pad")));
        Assert.Contains(
            "build.built[1] covers the same",
            Says(Joint("tx", "r1"), Joint("tx", "r2")),
            StringComparison.Ordinal
        );
        Assert.Contains("names neither a pad nor a lead", Says(Joint("tx", null)), StringComparison.Ordinal);
        Assert.Contains(
            "The limit is 2000",
            Says(Joint("tx", "r1") with { Words = new string('x', 2001) }),
            StringComparison.Ordinal
        );
        var cavity = new CavityFact
        {
            Device = "receiver",
            Part = "corvane-sedge-2",
            Lead = "tx",
        };
        Assert.Equal("", Says(cavity with { Cavity = 100 }));
        Assert.Contains(
            "cavity is 0. It must be 1 to 100.",
            Says(cavity with { Cavity = 0 }),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "cavity is 101. It must be 1 to 100.",
            Says(cavity with { Cavity = 101 }),
            StringComparison.Ordinal
        );
        Assert.Equal("", Says([.. Enumerable.Range(0, 1000).Select(i => Joint($"l{i}", "r1"))]));
        Assert.Contains(
            "has 1001 as-built entries",
            Says([.. Enumerable.Range(0, 1001).Select(i => Joint($"l{i}", "r1"))]),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_device_is_1_to_5000_mm_away_and_no_more_than_500_mm_are_added()
    {
        string Says(double away, double added) =>
            string.Join(
                " ",
                BuildCheck
                    .Of(
                        Demo.NorthFaceHare with
                        {
                            Allowance = added,
                            Devices = [.. Demo.NorthFaceHare.Devices.Select(d => d with { Away = away })],
                        },
                        Demo.Library,
                        "build"
                    )
                    .Select(f => f.Sentence)
            );
        Assert.Equal("", Says(1, 0));
        Assert.Equal("", Says(5000, 500));
        Assert.Contains("devices[0].distance is 0.5 mm", Says(0.5, 0), StringComparison.Ordinal);
        Assert.Contains("devices[0].distance is 5001 mm", Says(5001, 0), StringComparison.Ordinal);
        Assert.Contains("slack is 501 mm", Says(1, 501), StringComparison.Ordinal);
        Assert.Contains("slack is -1 mm", Says(1, -1), StringComparison.Ordinal);
    }
}
