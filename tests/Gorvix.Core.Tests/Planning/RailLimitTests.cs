using CsCheck;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>What a rail gives binds the plan; what is drawn at times is a hazard; outputs of devices feed what the board cannot.</summary>
public class RailLimitTests
{
    /// <summary>Loads add up (common practice): 0.6 A and 0.5 A do not fit on 1 A, so one of them goes to the other rail.</summary>
    [Fact]
    public void Two_loads_that_do_not_fit_on_one_rail_are_parted()
    {
        var plan = Of(Board(1, 1), Part("a", 0.6), Part("b", 0.5)).Plan;
        Assert.Equal(["5A", "5B"], plan.Feeds.Select(f => f.Feed!.Rail!.Label).Order());
        Assert.All(plan.Placements, p => Assert.NotNull(p.Route));
    }

    /// <summary>At the limit itself it fits; a milliampere more and it does not.</summary>
    [Theory]
    [InlineData(0.5, 2)]
    [InlineData(0.501, 1)]
    public void A_rail_takes_its_limit_and_not_a_milliampere_more(double amps, int fed)
    {
        var reader = Of(Board(1, null), Part("a", 0.5), Part("b", amps));
        Assert.Equal(fed, reader.Plan.Feeds.Count(f => f.Feed is not null));
        Assert.Equal(fed, reader.Plan.Placements.Count(p => p.Route is not null));
    }

    [Fact]
    public void What_stays_without_supply_because_of_a_limit_is_told_so()
    {
        var sheet = Of(Board(1, null), Part("a", 0.5), Part("b", 0.8)).Sheet();
        Assert.Contains(
            sheet.Findings,
            f =>
                f.Rule == "UNFED"
                && f.Sentence.Contains("Pad 5A could, but 5A is limited to 1 A and would have to supply 1.3 A")
        );
    }

    /// <summary>Peaks beyond the limit are a hazard, and a plan without it is preferred.</summary>
    [Fact]
    public void Peaks_beyond_a_limit_are_a_hazard_that_another_rail_avoids()
    {
        var alone = Of(Board(1, null), Part("a", 0.4, 0.8), Part("b", 0.4, 0.8));
        Assert.Equal(1, alone.Plan.Cost[CostTerm.Hazards]);
        Assert.Contains(alone.Sheet().Findings, f => f.Rule == "RAIL-LIMIT" && f.Sentence.Contains("1.6 A peak"));
        Assert.Equal(1, alone.Sheet().Open.Rails);
        var two = Of(Board(1, 1), Part("a", 0.4, 0.8), Part("b", 0.4, 0.8));
        Assert.Equal(0, two.Plan.Cost[CostTerm.Hazards]);
        Assert.DoesNotContain(two.Sheet().Findings, f => f.Rule == "RAIL-LIMIT");
    }

    /// <summary>A rail behind another one draws from it: 0.5 A at 3.3 V are 0.33 A at 5 V when it switches, 0.5 A when it is linear.</summary>
    [Theory]
    [InlineData(RegulatorKind.Switching, 0.33, 2)]
    [InlineData(RegulatorKind.Switching, 0.32, 1)]
    [InlineData(RegulatorKind.Linear, 0.5, 2)]
    [InlineData(RegulatorKind.Linear, 0.49, 1)]
    public void A_rail_behind_another_one_counts_there_too(RegulatorKind kind, double left, int fed)
    {
        var (board, low) = Behind(left, kind);
        Assert.Equal(fed, Of(board, Part("a", 0.4), low).Plan.Feeds.Count(f => f.Feed is not null));
    }

    /// <summary>0.5 A at 3.3 V through 80 % are 0.4125 A at 5 V; what it takes for itself comes on top.</summary>
    [Theory]
    [InlineData(0.413, 0, 2)]
    [InlineData(0.412, 0, 1)]
    [InlineData(0.423, 0.01, 2)]
    [InlineData(0.422, 0.01, 1)]
    public void What_a_regulator_loses_counts_too(double left, double itself, int fed)
    {
        var (board, low) = Behind(left, RegulatorKind.Switching, 0.8, itself);
        var reader = Of(board, Part("a", 0.4), low);
        Assert.Equal(fed, reader.Plan.Feeds.Count(f => f.Feed is not null));
        Assert.DoesNotContain(RailAnswer.Of(reader.Wired), f => f.Rule == "RAIL-LIMIT");
    }

    /// <summary>A linear one takes in what it gives, whatever its volts: 0.5 A at 5 V out of 16.8 V are 0.5 A.</summary>
    [Theory]
    [InlineData(RegulatorKind.Linear, 0.499, 0)]
    [InlineData(RegulatorKind.Linear, 0.5, 1)]
    [InlineData(RegulatorKind.Switching, 0.499, 1)]
    public void An_output_asks_its_rail_for_what_its_kind_needs(RegulatorKind kind, double limit, int fed)
    {
        var board = Board(null, null, five: false);
        board = board with { Rails = [board.Rails[0] with { Limit = limit }] };
        var step = Step(2) with { Outputs = [Step(2).Outputs[0] with { Kind = kind }] };
        Assert.Equal(fed, Of(board, Part("a", 0.5), step).Plan.Feeds.Count(f => f.Feed?.From is not null));
    }

    /// <summary>What is planned within the limits is solved within them, on boards and devices that nobody has thought of.</summary>
    [Fact]
    public void The_solver_finds_no_limit_passed_that_the_planner_kept() =>
        Generated
            .Builds(4, 6)
            .Holds(
                build =>
                {
                    var reader = new FitReader(build);
                    Assert.DoesNotContain(
                        RailAnswer.Of(reader.Wired),
                        f => f is { Rule: "RAIL-LIMIT", Severity: Severity.Stop }
                    );
                },
                of: 200,
                print: Generated.Print
            );

    [Fact]
    public void A_regulator_in_the_build_feeds_what_no_pad_can()
    {
        var reader = Of(Board(null, null, five: false), Part("a", 0.5), Step(2));
        var feed = reader.Plan.Feeds.First(f => f.Ways.Device.Id == "a").Feed!;
        Assert.Equal(("step", "5V OUT of the step"), (feed.From!.Device, feed.Place));
        var lead = reader.Wired.Leads.First(l => l is { Device: "a", Lead.Id: "V" });
        Assert.Equal((LeadState.Spliced, "step", "o"), (lead.State, lead.To!.Device, lead.To.Lead.Id));
        Assert.Equal(LeadState.Feeding, reader.Wired.Leads.First(l => l is { Device: "step", Lead.Id: "o" }).State);
        Assert.Contains("Solder V of the a to 5V OUT of the step, heat-shrink on first.", reader.Sheet().Work);
        var got = RailReader.Read(reader.Wired, Situation.All(reader.Wired)[0]).Leads.First(l => l.Device == "a");
        Assert.Equal(["BAT rail", "pad BAT", "lead IN", "5V OUT of step", "lead V"], got.Way.Select(w => w.What));
        Assert.InRange(got.Volts!.Value, 4.9, 5);
    }

    /// <summary>An output has a limit as a rail has.</summary>
    [Theory]
    [InlineData(1, 2)]
    [InlineData(0.9, 1)]
    public void An_output_gives_its_limit_and_no_more(double limit, int fed) =>
        Assert.Equal(
            fed,
            Of(Board(null, null, five: false), Part("a", 0.5), Part("b", 0.5), Step(limit))
                .Plan.Feeds.Count(f => f.Feed?.From is not null)
        );

    /// <summary>A filter passes on what feeds it, volts and current.</summary>
    /// <summary>What the board draws for itself is gone before a device draws; behind a linear regulator the same current again.</summary>
    [Theory]
    [InlineData(1, 0.3, 0, 0.7, 1)]
    [InlineData(1, 0.3, 0, 0.701, 0)]
    [InlineData(1, 0, 0.2, 0.8, 1)]
    [InlineData(1, 0, 0.2, 0.801, 0)]
    [InlineData(1, 0.3, 0.2, 0.5, 1)]
    [InlineData(1, 0.3, 0.2, 0.501, 0)]
    public void The_boards_own_current_counts(double limit, double own, double behind, double device, int fed)
    {
        var board = Board(limit, null);
        board = board with
        {
            Rails =
            [
                .. board.Rails.Select(r => r.Id == "5a" && own > 0 ? r with { Own = own } : r),
                new()
                {
                    Id = "3v3",
                    Label = "3V3",
                    Volts = 3.3,
                    Feed = RailFeed.Regulator,
                    From = "5a",
                    Kind = RegulatorKind.Linear,
                    Own = behind > 0 ? behind : null,
                },
            ],
        };
        Assert.Equal(fed, Of(board, Part("a", device)).Plan.Feeds.Count(f => f.Feed is not null));
        var reader = Of(board, Part("a", 0.1));
        var rail = RailReader
            .Read(reader.Wired, Situation.Of(reader.Wired.Build.Build)[0])
            .Rails.First(r => r.Id == "5a");
        Assert.Equal(0.1 + own + behind, rail.Typical, 3);
        Assert.Equal(own > 0, rail.Loads.Any(l => l.Name == "Board itself" && Math.Abs(l.Typical!.Value - own) < 1e-9));
    }

    /// <summary>0.75 A at 12 V are 9 W: 1 A at 9 V, 0.536 A at 16.8 V. P = U · I.</summary>
    [Theory]
    [InlineData(0.75, 1)]
    [InlineData(0.751, 0)]
    public void A_load_of_constant_power_draws_more_at_less_volts(double amps, int fed)
    {
        var board = Board(null, null, five: false);
        board = board with
        {
            Rails =
            [
                board.Rails[0],
                new()
                {
                    Id = "9v",
                    Label = "9V",
                    Volts = 9,
                    Feed = RailFeed.Regulator,
                    Limit = 1,
                },
            ],
        };
        board = (board with { Pads = [.. board.Pads.Where(p => p.Label != "BAT")] }).With(
            Pad("9V", new PadPath { Rail = "9v", Through = [] })
        );
        var part = Part("a", amps) with
        {
            Supplies =
            [
                Part("a", amps).Supplies[0] with
                {
                    Window = new() { Min = 7, Max = 26 },
                    PowerAt = 12,
                },
            ],
        };
        var reader = Of(board, part);
        Assert.Equal(fed, reader.Plan.Feeds.Count(f => f.Feed is not null));
        if (fed == 1)
        {
            var load = RailReader
                .Read(reader.Wired, Situation.Of(reader.Wired.Build.Build)[0])
                .Rails.First(r => r.Id == "9v")
                .Loads.Single();
            // The wire drops a little, so it draws a little more.
            Assert.InRange(load.Typical!.Value, 1.0, 1.02);
        }
    }

    /// <summary>What lies near and is no supply is named, the battery and a transmitter's camera output alike: not to be tried.</summary>
    [Fact]
    public void Where_no_pad_can_power_a_device_the_battery_and_outputs_of_other_devices_are_named()
    {
        var passing = Step(2) with { Outputs = [new() { Lead = "o", Volts = null }] };
        var fixedNine = Step(2) with { Id = "nine", Name = "nine", Outputs = [new() { Lead = "o", Volts = 9 }] };
        var finding = Of(Board(null, null, five: false), Part("a", 0.5), passing, fixedNine)
            .Sheet()
            .Findings.First(f => f.Rule == "UNFED");
        Assert.Contains("BAT reaches 16.8 V on a full battery; the a is rated 5.5 V maximum.", finding.Sentence);
        Assert.Contains("of the step reaches 16.8 V on a full battery; the a is rated", finding.Sentence);
        Assert.Contains("of the nine has 9.0 V; the a is rated 5.5 V maximum.", finding.Sentence);
    }

    [Fact]
    public void A_filter_passes_on_what_feeds_it()
    {
        var filter = Step(2) with
        {
            Kind = DeviceKind.Filter,
            Outputs = [new() { Lead = "o", Filtering = Filtering.Filtered }],
        };
        var camera = Part("a", 0.5) with
        {
            Kind = DeviceKind.Camera,
            Supplies =
            [
                Part("a", 0.5).Supplies[0] with
                {
                    Window = new() { Min = 7, Max = 26 },
                },
            ],
        };
        var reader = Of(Board(1, null), camera, filter);
        // The battery itself is against the house for video, the filter is not.
        Assert.Equal("BAT", reader.Plan.Feeds.First(f => f.Ways.Device.Id == "a").Feed!.Pad?.Label);
        var pinned = reader.With(
            [
                new FeedMatch
                {
                    Device = "a",
                    Lead = "V",
                    From = "step",
                    FromLead = "o",
                },
            ],
            [],
            Effort.Patient
        );
        var feed = pinned.Plan.Feeds.First(f => f.Ways.Device.Id == "a").Feed!;
        Assert.Equal((13.2, 0), (Math.Round(feed.Volts!.Min, 1), feed.AgainstHouse));
        var sheet = RailReader.Read(pinned.Wired, Situation.All(pinned.Wired)[0]);
        Assert.Equal(0.5, sheet.Rails.First(r => r.Id == "step:o").Typical, 3);
        Assert.Equal(0.5, sheet.Rails.First(r => r.Id == "bat").Typical, 3);
        Assert.Empty(sheet.Ties);
    }

    [Fact]
    public void A_regulator_of_the_library_is_offered_where_nothing_feeds_a_link()
    {
        var (board, part, step) = (Board(null, null, five: false), Part("a", 0.5), Step(2));
        var build = Build(board, part).Build with { Pack = new Pack { Cells = 4 } };
        var library = new PartsLibrary([board], [part, step]);
        var reader = new FitReader(Resolved(build, library));
        var unlock = Assert.Single(reader.Unlocks(library).Single().Ways);
        Assert.Equal(
            (UnlockKind.AddRegulator, "Add the Test step and power the device from it"),
            (unlock.Kind, unlock.Words)
        );
        Assert.Contains("one part to buy", unlock.Price);
        var (_, after) = reader.Unlocked(library, unlock.Id)!.Value;
        Assert.Equal(["a", "step"], after.Devices.Select(d => d.Part));

        // One that gives too little is none.
        var weak = new PartsLibrary([board], [part, Step(0.4)]);
        Assert.Empty(new FitReader(Resolved(build, weak)).Unlocks(weak).Single().Ways);
    }

    // A board with the battery and two rails of 5 V, each with a limit, or without the second.
    private static Board Board(double? first, double? second, bool five = true)
    {
        Rail Of(string id, double? limit) =>
            new()
            {
                Id = id,
                Label = id.ToUpperInvariant(),
                Volts = 5,
                Feed = RailFeed.Regulator,
                Kind = RegulatorKind.Switching,
                Limit = limit,
            };
        var rails = new List<Rail>
        {
            new()
            {
                Id = "bat",
                Label = "BAT",
                Feed = RailFeed.Battery,
            },
        };
        if (five)
        {
            rails.Add(Of("5a", first));
        }
        if (second is not null)
        {
            rails.Add(Of("5b", second));
        }
        return (Whole("F7", "U1", "U2", "U3") with { Rails = rails }).With([
            .. rails.Select(r => Pad(r.Label, new PadPath { Rail = r.Id, Through = [] })),
        ]);
    }

    // A 3.3 V rail behind the 5 V one that has so much left, and who takes 0.5 A of it.
    private static (Board Board, Device Low) Behind(
        double left,
        RegulatorKind kind,
        double? efficiency = null,
        double? itself = null
    )
    {
        var board = Board(0.4 + left, null);
        var rail = new Rail
        {
            Id = "3v3",
            Label = "3V3",
            Volts = 3.3,
            Feed = RailFeed.Regulator,
            From = "5a",
            Kind = kind,
            Efficiency = efficiency,
            Quiescent = itself,
        };
        var part = Part("b", 0.5);
        return (
            (board with { Rails = [.. board.Rails, rail] }).With(
                Pad("3V3", new PadPath { Rail = "3v3", Through = [] })
            ),
            part with
            {
                Supplies =
                [
                    part.Supplies[0] with
                    {
                        Window = new() { Min = 3, Max = 3.6 },
                    },
                ],
            }
        );
    }

    private static Device Part(string id, double typical, double? peak = null) =>
        Device(id, Need.Gps, Mode("LTM", In($"R{id}"))).Fed(4.5, 5.5, typical, peak) with
        {
            Kind = DeviceKind.Gnss,
        };

    private static Device Step(double limit) =>
        new()
        {
            Id = "step",
            Maker = "Test",
            Name = "step",
            Kind = DeviceKind.Regulator,
            Leads =
            [
                new()
                {
                    Id = "v",
                    Label = "IN",
                    Role = LeadRole.Supply,
                },
                new()
                {
                    Id = "o",
                    Label = "5V OUT",
                    Role = LeadRole.Output,
                },
            ],
            Supplies =
            [
                new()
                {
                    Lead = "v",
                    Window = new() { Min = 7, Max = 26 },
                },
            ],
            Outputs =
            [
                new()
                {
                    Lead = "o",
                    Volts = 5,
                    Limit = limit,
                },
            ],
            Functions = [],
        };

    private static FitReader Of(Board board, params Device[] devices)
    {
        var made = Build(board, [.. devices.Where(d => d.Functions.Count > 0)]).Build;
        var build = made with
        {
            Pack = new Pack { Cells = 4 },
            Devices = [.. devices.Select(d => new BuildDevice { Id = d.Id, Part = d.Id })],
        };
        return new FitReader(Resolved(build, new PartsLibrary([board], devices)));
    }
}
