using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Picture;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Work.Papers;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Picture;

/// <summary>The wiring picture, read from its SVG by <see cref="PlainPicture"/> and held against the wire list.</summary>
public class PictureTests
{
    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void Every_wire_of_a_demo_build_runs_from_its_lead_to_its_pad_over_nothing(string name) =>
        Holds(Demo.Builds.First(b => b.Name == name).Resolve());

    [Fact]
    public void Nor_on_generated_builds_whose_pads_lie_anywhere() =>
        Generated
            .Builds(4, 6)
            .HoldPlanned(
                b =>
                {
                    var scattered = Scattered(b);
                    Assert.Null(Drawn(scattered).Note);
                    Holds(scattered);
                },
                of: 250,
                kept: ["8DzlHhpoQWk_z"]
            );

    [Fact]
    public void Nor_where_no_pad_has_a_place() => Generated.Builds(4, 6).HoldPlanned(Holds, of: 250);

    [Fact]
    public void The_same_build_gives_the_same_picture()
    {
        var build = Demo.RimWalkRook.Resolve();
        Assert.Equal(Svg(build), Svg(build));
    }

    /// <summary>Every order of the devices in both columns is drawn, and none crosses less often than the one that was chosen.</summary>
    [Theory]
    [InlineData("Crusher House Lark")]
    [InlineData("North Face Hare")]
    [InlineData("Weighbridge Wren")]
    [InlineData("Haul Road Heron")]
    public void No_other_order_of_the_devices_crosses_less_often(string name)
    {
        var build = Demo.Builds.First(b => b.Name == name);
        var own = Drawn(build.Resolve());
        var chosen = new PlainPicture(Svg(build.Resolve())).Crossings();
        var columns = own.Devices.GroupBy(d => d.Edge).Select(g => Orders([.. g]).ToList()).ToList();
        var least = int.MaxValue;
        foreach (var one in columns[0])
        {
            foreach (
                var other in columns.Count > 1
                    ? columns[1]
                    :
                    [
                        [],
                    ]
            )
            {
                var spots = one.Index()
                    .Concat(other.Index())
                    .ToDictionary(
                        d => d.Item.Id,
                        d => new PictureSpot
                        {
                            Edge = d.Item.Edge,
                            Place = d.Index,
                            Turned = d.Item.IsTurned,
                        }
                    );
                var asked = build with
                {
                    Devices = [.. build.Devices.Select(d => d with { Picture = spots.GetValueOrDefault(d.Id) })],
                };
                least = Math.Min(least, new PlainPicture(Svg(asked.Resolve())).Crossings());
            }
        }
        Assert.Equal(least, chosen);
    }

    [Fact]
    public void A_device_stands_where_the_builder_put_it_and_turned_as_it_was_turned()
    {
        var build = Demo.CrusherHouseLark;
        var asked = build with
        {
            Devices =
            [
                .. build.Devices.Select(d =>
                    d.Id == "receiver"
                        ? d with
                        {
                            Picture = new PictureSpot
                            {
                                Edge = PictureEdge.Right,
                                Place = 0,
                                Turned = true,
                            },
                        }
                        : d
                ),
            ],
        };
        var device = Drawn(asked.Resolve()).Devices.First(d => d.Edge == PictureEdge.Right);
        Assert.Equal("receiver", device.Id);
        Assert.True(device.IsTurned);
        var usual = Drawn(build.Resolve()).Devices.First(d => d.Id == "receiver");
        Assert.Equal(
            (usual.IsTurned ? usual.Leads : usual.Leads.Reverse()).Select(l => l.Lead),
            device.Leads.Select(l => l.Lead)
        );
        Holds(asked.Resolve());
    }

    [Theory]
    [InlineData(5, 4)]
    [InlineData(13, 5)]
    [InlineData(40, 5)]
    public void Many_devices_with_wires_all_over_the_board_are_drawn(int devices, int wires)
    {
        var wired = CrowdedBuild.Of(devices, wires);
        PictureChecks.Hold(wired, LoomReader.Of(wired));
    }

    /// <summary>What a file may say and no board is: it is drawn all the same, and at once.</summary>
    [Theory]
    [InlineData("dense")]
    [InlineData("row")]
    [InlineData("narrow")]
    [InlineData("corner")]
    [InlineData("one spot")]
    [InlineData("long")]
    [InlineData("odd")]
    public void A_board_that_nobody_would_make_is_drawn(string kind)
    {
        var wired = CrowdedBuild.Of(
            40,
            5,
            b =>
                b with
                {
                    Outline = kind switch
                    {
                        "narrow" => new() { Width = 5, Depth = 200 },
                        "dense" => new() { Width = 12, Depth = 12 },
                        _ => new() { Width = 200, Depth = 200 },
                    },
                    Pads =
                    [
                        .. b
                            .Pads.Index()
                            .Select(p =>
                                p.Item with
                                {
                                    X = kind switch
                                    {
                                        "dense" => 1 + (p.Index % 16 * 0.6),
                                        "row" => 1 + (p.Index * 0.45),
                                        "narrow" => p.Index % 2 * 5,
                                        "corner" => p.Index * 0.5 % 8,
                                        "one spot" => 100,
                                        _ => p.Index % 20 * 10,
                                    },
                                    Y = kind switch
                                    {
                                        "dense" => 1 + (p.Index / 16 * 0.6),
                                        "row" => 100,
                                        "narrow" => p.Index,
                                        "corner" => p.Index / 16 * 0.5,
                                        "one spot" => 100,
                                        _ => p.Index / 20 * 10,
                                    },
                                    Label = kind switch
                                    {
                                        "long" => new string('W', 117) + p.Index,
                                        "odd" => $"\u05d0\u05d1 🛩 {p.Index} \u0301",
                                        _ => p.Item.Label,
                                    },
                                }
                            ),
                    ],
                },
            d =>
                kind switch
                {
                    "long" => d with
                    {
                        Name = new string('x', 120),
                        Leads = [.. d.Leads.Select(l => l with { Label = new string('M', 116) + l.Id })],
                    },
                    "odd" => d with
                    {
                        Name = "\u202eName 🛩 of\u200b many",
                        Leads =
                        [
                            .. d.Leads.Select(l => l with { Label = $"\u4e2d\u6587{l.Id}", Colour = "octarine/plaid" }),
                        ],
                    },
                    _ => d,
                }
        );
        var watch = System.Diagnostics.Stopwatch.StartNew();
        Drawn(wired);
        TestContext.Current.TestOutputHelper?.WriteLine($"{kind}: {watch.Elapsed.TotalMilliseconds:0} ms");
        PictureChecks.Hold(wired, LoomReader.Of(wired));
    }

    private static WiringPicture Drawn(WiredBuild wired) =>
        PictureReader.Of(wired, LoomReader.Of(wired), new Dictionary<LeadAt, double>());

    /// <summary>A part that changes leaves all others where they were.</summary>
    [Fact]
    public void A_small_change_moves_little()
    {
        var build = Demo.CrusherHouseLark;
        var before = Drawn(build.Resolve());
        var after = Drawn((build with { Name = "Another name", Note = "A note." }).Resolve());
        Assert.Equal(before.Devices.Select(d => (d.Id, d.Box)), after.Devices.Select(d => (d.Id, d.Box)));
        var without = BuildEdits.WithoutDevice(build, "spare-gnss");
        Assert.Equal(
            before.Devices.Where(d => d.Id != "spare-gnss").Select(d => (d.Id, d.Edge)),
            Drawn(without.Resolve()).Devices.Select(d => (d.Id, d.Edge))
        );
    }

    [Fact]
    public void Pads_on_top_of_each_other_are_listed_and_that_is_said()
    {
        var board = Whole("F7", "U1", "U2");
        board = board with
        {
            Outline = new() { Width = 30, Depth = 30 },
            Pads = [.. board.Pads.Select(p => p with { X = 5, Y = 5 })],
        };
        var build = Build(board, Device("gnss", Need.Gps, Mode("UBX", Out(), In())));
        Assert.Contains("listed, not drawn to scale", Drawn(build).Note, StringComparison.Ordinal);
        Holds(build);
    }

    [Fact]
    public void A_board_without_wires_and_a_device_without_leads_are_drawn()
    {
        var bare = Build(Whole("F7", "U1"), Array.Empty<Device>());
        Assert.Empty(Drawn(bare).Wires);
        Holds(bare);
        var mute = Device("mute", Need.Gps, Mode("UBX", Out(), In())) with { Leads = [], Functions = [] };
        Holds(
            Resolving.Resolved(
                bare.Build with
                {
                    Devices = [new BuildDevice { Id = "mute", Part = "mute" }],
                },
                new PartsLibrary([bare.Board], [mute])
            )
        );
    }

    /// <summary>Twenty devices whose grounds all share one pad: it is as high as it must be.</summary>
    [Fact]
    public void All_devices_on_one_pad_leave_a_picture_that_can_be_read()
    {
        var board = Whole("F7", [.. Enumerable.Range(1, 8).Select(n => $"U{n}")]);
        board = board with
        {
            Outline = new() { Width = 36, Depth = 36 },
            Rails =
            [
                .. board.Rails,
                new()
                {
                    Id = "gnd",
                    Label = "GND",
                    Feed = RailFeed.Ground,
                },
            ],
        };
        board = board.With(Pad("G", new PadPath { Rail = "gnd", Through = [] })) is var with
            ? with with
            {
                Pads =
                [
                    .. with
                        .Pads.Index()
                        .Select(p => p.Item with { X = 3 + (3 * (p.Index % 2)), Y = 2 + (3 * p.Index / 2) }),
                ],
            }
            : board;
        var devices = Enumerable
            .Range(1, 8)
            .Select(n =>
            {
                var device = Device($"d{n}", Need.Telemetry, Mode("LTM", In($"R{n}")));
                return device with
                {
                    Leads =
                    [
                        .. device.Leads,
                        new Lead
                        {
                            Id = "g",
                            Label = "GND",
                            Role = LeadRole.Ground,
                        },
                    ],
                };
            });
        Holds(Build(board, [.. devices]));
    }

    // A board of its own size with each pad on a spot of its own.
    private static ResolvedBuild Scattered(ResolvedBuild build)
    {
        var board = build.Board;
        var columns = (int)Math.Ceiling(Math.Sqrt(board.Pads.Count));
        var spots = Enumerable.Range(0, columns * columns).ToArray();
        new Random(board.Pads.Count + build.Devices.Count).Shuffle(spots);
        var placed = board with
        {
            Outline = new() { Width = (columns * 3) + 3, Depth = (columns * 3) + 3 },
            Pads =
            [
                .. board
                    .Pads.Index()
                    .Select(p =>
                        p.Item with
                        {
                            X = 3 + (3 * (spots[p.Index] % columns)),
                            Y = 3 + (3 * (spots[p.Index] / columns)),
                        }
                    ),
            ],
        };
        return Resolving.Resolved(
            build.Build,
            new PartsLibrary([placed], [.. build.Devices.Select(d => d.Device).DistinctBy(d => d.Id)])
            {
                Profiles = [.. new[] { build.Firmware }.OfType<FirmwareProfile>()],
            }
        );
    }

    private static (WiredBuild Wired, LoomSheet Sheet) Loom(ResolvedBuild build)
    {
        var wired = new FitReader(build).Wired;
        return (wired, LoomReader.Of(wired));
    }

    private static WiringPicture Drawn(ResolvedBuild build)
    {
        var (wired, sheet) = Loom(build);
        return PictureReader.Of(wired, sheet, new Dictionary<LeadAt, double>());
    }

    private static string Svg(ResolvedBuild build) => PictureDrawing.Draw(build.Build.Name, build.Board, Drawn(build));

    private static IEnumerable<IReadOnlyList<T>> Orders<T>(IReadOnlyList<T> of) =>
        of.Count == 0
            ?
            [
                [],
            ]
            : of.SelectMany(
                (one, i) =>
                    Orders<T>([.. of.Take(i), .. of.Skip(i + 1)]).Select(rest => (IReadOnlyList<T>)[one, .. rest])
            );

    private static void Holds(ResolvedBuild build)
    {
        var (wired, sheet) = Loom(build);
        PictureChecks.Hold(wired, sheet);
    }
}
