using CsCheck;
using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Loom;

/// <summary>From plan to wires: what the hands are told gives what was planned.</summary>
public class LoomTests
{
    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    private static WiredBuild Wired(string name) => Wired(Demo.Builds.First(b => b.Name == name));

    private static WiredBuild Wired(Build build) => new FitReader(Resolved(build, Demo.Library)).Wired;

    // "Camera control, camera control, Pane" said the same twice.
    [Fact]
    public void A_port_is_told_by_protocol_and_function_and_once_where_they_are_called_alike() =>
        Assert.Equal(
            [
                "UART6: SBUS, RC link, Relay 16, 100 000 baud, RX inverted, RX/TX swapped",
                "UART4: Camera control, Pane, 115 200 baud",
            ],
            LoomReader
                .Of(Wired(Demo.CrusherHouseLark))
                .Ports.Where(p => p.Port is "U6" or "U4")
                .Select(p => p.Words.Replace('\u202f', ' ').Replace('\u00a0', ' '))
        );

    [Theory]
    [MemberData(nameof(Names))]
    public void Followed_on_the_bare_parts_the_list_gives_what_was_planned(string name) => Follows(Wired(name));

    [Fact]
    public void So_it_does_on_generated_builds() =>
        Generated
            .Builds(4, 5)
            .Holds(build => Follows(WiredBuild.From(build, Planner.Best(build))), of: 400, print: Generated.Print);

    // With nothing but the sheet in hand: plugs are changed move by move and seated, joints are soldered.
    internal static void Follows(WiredBuild wired)
    {
        var sheet = LoomReader.Of(wired);
        var touches = new Dictionary<(string, string), string>();
        foreach (var face in sheet.Faces)
        {
            var now = face.Cavities.Select(c => c.Comes?.Lead).ToArray();
            foreach (var move in face.Moves)
            {
                if (move.From is { } from)
                {
                    Assert.Equal(move.Lead, now[from - 1]);
                    now[from - 1] = null;
                }
                if (move.To is { } to)
                {
                    Assert.Null(now[to - 1]);
                    now[to - 1] = move.Lead;
                }
            }
            var socket = wired.Build.Circuit.Sockets.First(s => s.Label == face.Socket);
            foreach (var (at, lead) in now.Index().Where(l => l.Item is not null && socket.Pads[l.Index] is not null))
            {
                touches.Add((face.Device, lead!), socket.Pads[at]!.Id);
            }
        }
        foreach (var wire in sheet.Wires.Where(w => w is { IsJoint: true, Pad: not null }))
        {
            touches.Add((wire.Device, wire.Lead), wire.Pad!);
        }
        Assert.Equal(
            wired.Joined.Select(l => (l.Device, l.Lead.Id, l.Pad!.Id)).Order(),
            touches.Select(t => (t.Key.Item1, t.Key.Item2, t.Value)).Order()
        );

        // Every lead is told of once, and every joint is one step.
        Assert.Equal(
            wired.Leads.Where(l => l.State != LeadState.Feeding).Select(l => $"{l.Device} {l.Lead.Id}").Order(),
            sheet
                .Wires.Select(w => w.Id)
                .Concat(sheet.Spare.Select(s => $"{s.Device} {s.Lead}"))
                .Except(wired.Leads.Where(l => l.State == LeadState.Feeding).Select(l => $"{l.Device} {l.Lead.Id}"))
                .Order()
        );
        Assert.Equal(
            sheet.Wires.Where(w => w.IsJoint).Select(w => $"joint {w.Id}").Order(),
            sheet.Steps.Select(s => s.Id).Where(i => i.StartsWith("joint ", StringComparison.Ordinal)).Order()
        );
        Assert.Equal(sheet.Steps.Count, sheet.Steps.Select(s => s.Id).Distinct().Count());
        Assert.All(
            wired.Bridges.Where(b => b is { IsWork: true, Bridge.MovedBy: MovedBy.Solder }),
            b => Assert.Contains(sheet.Steps, s => s.Id == $"bridge {b.Bridge.Id}")
        );
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void The_board_is_turned_once_and_the_battery_is_soldered_last_on_its_side(string name)
    {
        var wired = Wired(name);
        var steps = LoomReader.Of(wired).Steps.Where(s => s.Topic == StepTopic.Joint).ToList();
        Assert.True(steps.Index().Skip(1).Count(s => s.Item.Side != steps[s.Index - 1].Side) <= 1);
        foreach (var side in steps.GroupBy(s => s.Side))
        {
            var feeds = side.Select(s => OnBattery(wired, s.Pads[0])).ToList();
            Assert.Equal([.. feeds.Order()], feeds);
        }
    }

    private static bool OnBattery(WiredBuild wired, string pad) =>
        wired
            .Build.Circuit.From(wired.Build.Circuit.Pads[pad])
            .Any(s =>
                s.Conducts(wired.Positions())
                && s.To.Kind == NodeKind.Rail
                && wired.Build.Circuit.Rails[s.To.Id].Feed == RailFeed.Battery
            );

    [Fact]
    public void The_unasked_wire_of_an_air_unit_leaves_its_plug_and_what_it_would_do_is_said()
    {
        var face = LoomReader.Of(Wired(Demo.CrusherHouseLark)).Faces.First(f => f.Device == "air-unit");
        Assert.Equal([new PlugMove(PlugDeed.TakeOut, "sbus", 6, null)], face.Moves);
        Assert.Equal("SBUS transmits on AIR R2, where nothing should", face.Cavities[5].Wrong);
        Assert.All(face.Cavities.Take(5), c => Assert.Equal((c.Comes, null), (c.Needs, c.Wrong)));
    }

    [Fact]
    public void Battery_in_the_cavity_of_a_5_V_lead_is_told_with_its_volts()
    {
        var face = LoomReader.Of(Wired(Demo.CrusherHouseLark)).Faces.First(f => f.Device == "gnss");
        Assert.Equal("BAT, 13.2–16.8 V, on 5V", face.Cavities[5].Wrong);
        Assert.Null(face.Cavities[5].Needs);
    }

    [Theory]
    [InlineData("Tip Track Pipit", "JT3", "closed", "Solder jumper JT3: close \"closed\" (now at \"open\").")]
    [InlineData(
        "Drill Shed Gull",
        "JP",
        "5V",
        "Solder jumper JP: close \"5V\" (now at \"BAT\"). Close one side only: never BAT as well."
    )]
    public void The_other_side_of_a_bridge_is_one_that_joins_something(
        string name,
        string bridge,
        string position,
        string words
    )
    {
        var wired = Wired(name).With(new BridgeClosed(bridge, [position]));
        Assert.Equal(words, LoomReader.Of(wired).Steps.First(s => s.Id == $"bridge {bridge}").Words);
    }

    [Fact]
    public void A_signal_is_told_by_who_talks_and_who_hears()
    {
        var wires = LoomReader.Of(Wired(Demo.CrusherHouseLark)).Wires.ToDictionary(w => w.Id);
        Assert.Equal("OSD: TX → UART1 RX", wires["air-unit tx"].Job);
        Assert.Equal("OSD: RX ← UART1 TX", wires["air-unit rx"].Job);
        Assert.Equal("compass: I2C1 SCL", wires["gnss scl"].Job);
        Assert.Equal("supply, BAT rail", wires["air-unit v"].Job);
        Assert.Equal("air-unit g2", wires["air-unit tx"].Twist);
    }

    [Fact]
    public void A_lead_of_which_each_piece_has_its_own_is_cut_and_soldered_as_often()
    {
        var sheet = LoomReader.Of(Wired(Demo.TipTrackPipit));
        var readings = sheet.Wires.Single(w => w is { Device: "esc", Label: "TLM" });
        Assert.Equal(4, readings.Pieces);
        var step = sheet.Steps.Single(s => s.Id == $"joint {readings.Id}");
        Assert.StartsWith("Torque set 48: solder TLM (white), ", step.Words, StringComparison.Ordinal);
        Assert.StartsWith("4 wires share this pad", step.Iron, StringComparison.Ordinal);
        var white = sheet.Cuts.Where(c => c.Colour == "white").Sum(c => c.Pieces);
        Assert.Equal(sheet.Wires.Where(w => w is { IsJoint: true, Colour: "white" }).Sum(w => w.Pieces), white);
    }

    [Fact]
    public void What_hangs_on_a_device_counts_in_the_wire_that_feeds_it()
    {
        var sheet = LoomReader.Of(Wired(Demo.TipTrackPipit));
        Assert.Equal(0.1, sheet.Wires.First(w => w.Id == "regulator v").Amps);
        // What goes out comes back: the ground of what feeds others carries their current too.
        Assert.Equal(0.1, sheet.Wires.First(w => w.Id == "regulator g").Amps);
        Assert.Contains(
            sheet.Steps,
            s =>
                s.Topic == StepTopic.Splice
                && s.Id == "joint caption v"
                && s.Iron.StartsWith("Heat-shrink over the wire first", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_bridge_is_worked_on_with_its_side_up_and_is_drawn_where_it_lies()
    {
        var wired = Wired(Demo.DrillShedGull);
        var steps = LoomReader.Of(wired).Steps;
        var bridge = steps.Single(s => s.Topic == StepTopic.Bridge);
        Assert.Equal((BoardSide.Bottom, "JP"), (bridge.Side, bridge.Bridge));
        var onBoard = steps.Where(s => s.Topic is StepTopic.Bridge or StepTopic.Joint).ToList();
        Assert.Same(bridge, onBoard[0]);
        Assert.True(onBoard.Skip(1).Index().Count(s => s.Item.Side != onBoard[s.Index].Side) <= 1);
        var drawn = FaceReader.Of(wired.Build.Board).Bridges.Single();
        Assert.Equal(("JP", BoardSide.Bottom, 15, 4, 3), (drawn.Id, drawn.Side, drawn.X, drawn.Y, drawn.Pads));
    }

    [Fact]
    public void On_each_side_bridges_are_closed_before_wires_are_in_the_way()
    {
        var steps = LoomReader.Of(Wired(Demo.SpoilTipOwl)).Steps;
        var top = steps
            .Where(s => s is { Side: BoardSide.Top, Topic: StepTopic.Bridge or StepTopic.Joint })
            .Select(s => s.Topic == StepTopic.Joint)
            .ToList();
        Assert.Contains(true, top);
        Assert.Contains(false, top);
        Assert.Equal(top.Order(), top);
    }

    /// <summary>From the device to the board's edge, on to the pad, and the allowance, rounded up to what one cuts.</summary>
    [Fact]
    public void A_wire_is_as_long_as_its_device_is_away_and_its_pad_lies_inside_the_edge()
    {
        var plain = Demo.RimWalkRook;
        var device = plain.Devices[0].Id;
        var build = plain with
        {
            Allowance = 30,
            Devices = [.. plain.Devices.Select(d => d.Id == device ? d with { Away = 124 } : d)],
        };
        var wired = Wired(build);
        var size = wired.Build.Board.Outline!;
        var wires = LoomReader.Of(wired).Wires.Where(w => w is { IsJoint: true, Pad: not null }).ToList();
        Assert.Contains(wires, w => w.Device == device);
        Assert.All(
            wires,
            w =>
            {
                var pad = wired.Build.Circuit.Pads[w.Pad!];
                double[] edges = [pad.X, pad.Y, size.Width - pad.X, size.Depth - pad.Y];
                var least = w.Device == device ? 124 + edges.Min() + 30 : 100;
                Assert.InRange(w.Millimetres, least, least + 5);
                Assert.True(w.Device != device || w.Millimetres % 5 == 0);
            }
        );
        // What was cut and told stands.
        var cut = new WireCut
        {
            Device = device,
            Lead = wired.Leads.First(l => l.Device == device && l.Lead.Role == LeadRole.Supply).Lead.Id,
            Millimetres = 77,
        };
        Assert.Equal(
            77,
            LoomReader
                .Of(Wired(build with { Wires = [cut] }))
                .Wires.First(w => w.Id == $"{device} {cut.Lead}")
                .Millimetres
        );
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void What_must_beep_is_one_copper_and_what_must_not_is_none(string name)
    {
        var wired = Wired(name);
        var copper = new PlainCopper(wired);
        var pairs = LoomReader.Of(wired).Continuity;
        Assert.NotEmpty(pairs);
        Assert.All(
            pairs.Where(p => p.Pads.Count == 2),
            p => Assert.Equal(p.Finds == Finds.Beeps, copper.IsOne(p.Pads[0], p.Pads[1]))
        );
        Assert.Contains(
            pairs,
            p => p is { Finds: Finds.Silent, Why: var why } && why.Contains("do not power up", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_resistor_in_a_pad_reads_its_ohms_against_what_lies_behind_it()
    {
        var board = Handmade
            .Board("F4")
            .With(
                new Pad
                {
                    Id = "a",
                    Label = "A",
                    Side = BoardSide.Top,
                    Paths = [new PadPath { Rail = "5v" }],
                },
                new Pad
                {
                    Id = "b",
                    Label = "B",
                    Side = BoardSide.Top,
                    Paths = [new PadPath { Rail = "5v", Through = [new Resistor { Ohms = 150 }] }],
                },
                new Pad
                {
                    Id = "c",
                    Label = "C",
                    Side = BoardSide.Top,
                    Paths =
                    [
                        new PadPath { Rail = "5v", Through = [new Diode { Volts = 0.3, Direction = Passage.ToPad }] },
                    ],
                }
            ) with
        {
            Rails =
            [
                new Rail
                {
                    Id = "5v",
                    Label = "5V",
                    Volts = 5,
                    Feed = RailFeed.Regulator,
                },
            ],
        };
        var copper = new Copper(Circuit.Of(board), [], []);
        Assert.Equal((Finds.Ohms, 150), copper.Between(Node.Pad("a"), Node.Pad("b")));
        // The diode passes from the rail to its pad: red on the rail's side reads its drop, red on the pad's side nothing.
        Assert.Equal((Finds.Diode, 0.3), copper.Between(Node.Pad("a"), Node.Pad("c")));
        Assert.Equal((Finds.Silent, 0), copper.Between(Node.Pad("c"), Node.Pad("a")));
        Assert.Equal((Finds.Beeps, 0), copper.Between(Node.Pad("a"), Node.Pad("a")));
    }

    // Written from the board alone: pads, nets and rails that plain paths and closed bridges join.
    private sealed class PlainCopper
    {
        private readonly Dictionary<string, string> _group = [];

        public PlainCopper(WiredBuild wired)
        {
            var closed = wired.Bridges.SelectMany(b => b.Positions.Select(p => (b.Bridge.Id, p))).ToHashSet();
            foreach (var pad in wired.Build.Board.Pads)
            {
                foreach (var path in pad.Paths)
                {
                    if (path.Through.All(e => e is Contact c && closed.Contains((c.Bridge, c.Position))))
                    {
                        _group[Root($"pad {pad.Id}")] = Root(
                            path.Rail is { } rail ? $"rail {rail}" : $"net {path.Net}"
                        );
                    }
                }
            }
        }

        public bool IsOne(string one, string other) => Root($"pad {one}") == Root($"pad {other}");

        private string Root(string at) => _group.TryGetValue(at, out var up) && up != at ? Root(up) : at;
    }
}
