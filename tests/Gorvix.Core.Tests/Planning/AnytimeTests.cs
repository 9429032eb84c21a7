using CsCheck;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Wiring;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Wiring;
using static Gorvix.Core.Tests.Handmade;

namespace Gorvix.Core.Tests.Planning;

/// <summary>A search that ends before its proof: there is a plan, it is one, and what is said of the best is true.</summary>
public class AnytimeTests
{
    // Fifty rows that must take something and leave each other little: rows in turn come to no end there.
    private const int NarrowRows = 1649;

    [Theory]
    [InlineData(1)]
    [InlineData(300)]
    [InlineData(3000)]
    public void A_search_that_ends_early_gives_a_sound_plan_and_a_bound_that_the_best_plan_keeps(int weighed)
    {
        var open = 0;
        Generated
            .Builds(5, 6)
            .Holds(
                build =>
                {
                    var space = new PlanSpace(build);
                    var best = Planner.Best(space);
                    var early = Planner.Best(space, build.Build.Pins, build.Build.Bans, new SearchBudget(weighed));
                    Assert.True(early.Cost >= best.Cost);
                    Assert.Empty(PlainWalker.Complaints(WiredBuild.From(build, early)));
                    if (early.Gap is not { } gap)
                    {
                        Assert.Equal(best.Cost, early.Cost);
                        return;
                    }
                    Interlocked.Increment(ref open);
                    // Nothing is better in the terms before, and nothing is below the bound in the term itself.
                    foreach (var term in Enum.GetValues<CostTerm>().TakeWhile(t => t < gap.Term))
                    {
                        Assert.Equal(early.Cost[term], best.Cost[term]);
                    }
                    Assert.InRange(best.Cost[gap.Term], gap.AtBest, int.MaxValue);
                    Assert.True(gap.AtBest < gap.Now);
                },
                of: 300,
                print: Generated.Print
            );
        Assert.True(weighed > 1 || open > 30, $"{open}");
    }

    [Fact]
    public void What_is_proved_is_the_same_plan_at_every_effort() =>
        Generated
            .Builds(5, 6)
            .Holds(
                build =>
                {
                    var quick = Planner.Best(new PlanSpace(build, Effort.Quick));
                    Assert.True(quick.Gap is not null || quick.Since(Planner.Best(new PlanSpace(build))).Count == 0);
                },
                of: 200,
                print: Generated.Print
            );

    [Fact]
    public void Every_build_of_the_demo_is_settled_at_the_first_look()
    {
        foreach (var build in Demo.Builds)
        {
            var sheet = new FitReader(build.Resolve(), Effort.Quick).Sheet();
            Assert.True(sheet.Proof is null, $"{build.Name}: {sheet.Proof?.Sentence}");
        }
    }

    /// <summary>The ten slowest of two thousand (benchmarks, <c>limits</c>), one that is proved and one with hardly a way through.</summary>
    [Theory]
    [InlineData(1896)]
    [InlineData(1804)]
    [InlineData(192)]
    [InlineData(1892)]
    [InlineData(1689)]
    [InlineData(508)]
    [InlineData(1423)]
    [InlineData(395)]
    [InlineData(326)]
    [InlineData(793)]
    [InlineData(19)]
    [InlineData(NarrowRows)]
    public void The_worst_builds_at_the_limits_have_a_plan_and_say_how_far_it_is_proved(int seed)
    {
        var build = AtTheLimits.Resolved(seed);
        Assert.InRange(Router.WaysOf(build).Links.Sum(l => l.Routes.Count), 1, 2 * Router.MostWays);
        var reader = new FitReader(build, Effort.Quick);
        var sheet = reader.Sheet();
        Assert.Equal(build.Links.Count, sheet.Verdict.Wanted);
        Assert.InRange(sheet.Verdict.Carried, build.Links.Count / 2, build.Links.Count);
        Assert.NotEqual("", sheet.Proof!.Sentence);
        if (reader.Plan.Gap is not { } gap)
        {
            return;
        }
        Assert.StartsWith("Best plan so far. ", sheet.Proof.Sentence);
        Assert.Contains(" may exist.", sheet.Proof.Sentence);
        Assert.Contains("Best found so far, not proven best.", sheet.Verdict.Sentence);
        Assert.True(sheet.Proof.IsWorking);
        Assert.Empty(sheet.Conflicts);
        if (gap.Term <= CostTerm.NicesUnmet)
        {
            Assert.DoesNotContain(sheet.Findings, f => f.Rule == PlanningRules.Unmet.Id);
            // The verdict names them, and the line under it says how that stands.
            Assert.DoesNotContain(sheet.Findings, f => f.Rule == PlanningRules.UnmetYet.Id);
            Assert.Contains("No port for", sheet.Verdict.Sentence);
            Assert.True(sheet.Verdict.Severity >= Severity.Warn);
            Assert.Empty(reader.Unlocks(new PartsLibrary([build.Board], [])));
        }
    }

    [Fact]
    public void Thought_about_for_longer_a_plan_gets_no_worse()
    {
        var quick = new FitReader(AtTheLimits.Resolved(AtTheLimits.SoonImproved), Effort.Quick);
        var patient = quick.Patiently(TestContext.Current.CancellationToken);
        Assert.Equal(Effort.Patient, patient.Effort);
        Assert.NotEqual(true, patient.Sheet().Proof?.IsWorking);

        // What it has brought is told in a sentence; where it brought nothing, nothing is said.
        Assert.True(patient.Plan.Cost < quick.Plan.Cost);
        Assert.StartsWith("Better plan found: ", Assert.Single(patient.BetterThan(quick.Plan)));
        Assert.Empty(quick.BetterThan(quick.Plan));
        Assert.Empty(quick.BetterThan(patient.Plan));
    }

    [Theory]
    [InlineData(CostTerm.PinsBroken, 2, 0, "One that keeps 2 more pins may exist.")]
    [InlineData(
        CostTerm.MustsUnmet,
        1011,
        505,
        "No plan keeps more of your pins; one that connects up to 1 more required link may exist."
    )]
    [InlineData(
        CostTerm.WantsUnmet,
        506,
        503,
        "No plan keeps more of your pins or connects more required links; one that connects a more important wanted link instead of another may exist."
    )]
    [InlineData(
        CostTerm.HandWork,
        67,
        36,
        "No plan keeps more of your pins, connects more links, powers more devices, has fewer hazards, loses less or needs less CPU; one that needs less manual work (up to 31 minutes less) may exist."
    )]
    public void A_gap_says_in_what_nothing_is_better_and_in_what_something_may_be(
        CostTerm term,
        int now,
        int atBest,
        string words
    ) => Assert.Equal(words, ProofWords.Of(new PlanGap(term, now, atBest)));

    [Fact]
    public void Every_term_of_a_gap_has_its_words() =>
        Assert.All(
            Enum.GetValues<CostTerm>(),
            term => Assert.EndsWith(" may exist.", ProofWords.Of(new PlanGap(term, 3, 1)))
        );

    [Fact]
    public void A_pulse_receiver_whose_every_wire_has_many_ways_is_planned_and_says_what_was_left_out()
    {
        // 24 wires, each with eight pads behind selectors of six positions: 48 to the power of 24 ways.
        var channels = Enumerable.Range(0, 24).ToList();
        var bridges = Enumerable
            .Range(0, 8)
            .Select(b => new Bridge
            {
                Id = $"J{b}",
                Positions = ["0", "1", "2", "3", "4", "5"],
                Default = "0",
            })
            .ToList();
        var board = Board("F4") with
        {
            Nets = [.. channels.Select(c => new Net { Id = $"c{c}" })],
            Ports =
            [
                new Port
                {
                    Id = "PWM",
                    Kind = PortKind.Pulse,
                    Channels = [.. channels.Select(c => $"c{c}")],
                },
            ],
            Bridges = bridges,
            Pads =
            [
                .. from c in channels
                from b in bridges
                select Pad($"P{c}.{b.Id}", [.. b.Positions.Select(p => Path($"c{c}", At(b.Id, p)))]),
            ],
        };
        var receiver = Device("receiver", Need.RcLink, Mode("PWM", [.. channels.Select(c => Out($"C{c}"))]));
        var build = Build(board, receiver);
        var ways = Router.WaysOf(build);
        Assert.Equal(["receiver"], ways.Cut);
        Assert.InRange(ways.Links[0].Routes.Count, 1, 100);
        var sheet = new FitReader(build, Effort.Quick).Sheet();
        Assert.Equal("1 link connected.", sheet.Verdict.Sentence.Split(" 1 warning")[0]);
        Assert.StartsWith("Too many routes for receiver", sheet.Proof!.Sentence);
        Assert.False(sheet.Proof.IsWorking);
    }

    [Fact]
    public void A_place_whose_ways_were_not_all_tried_is_not_called_impossible_for_another_reason()
    {
        // Four wires of eight pads each; the first and the last want one selector in two positions, which is seen only at the last.
        Bridge[] bridges =
        [
            .. Enumerable
                .Range(0, 9)
                .Select(b => new Bridge
                {
                    Id = $"J{b}",
                    Positions = ["0", "1", "2", "3"],
                    Default = "0",
                }),
        ];
        PathElement[] Through(int channel, int pad) =>
            [At($"J{pad}", $"{channel}"), .. channel is 0 or 3 ? new[] { At("J8", $"{channel}") } : []];
        var board = Board("F4") with
        {
            Nets = [.. Enumerable.Range(0, 4).Select(c => new Net { Id = $"c{c}" })],
            Ports =
            [
                new Port
                {
                    Id = "PWM",
                    Kind = PortKind.Pulse,
                    Channels = ["c0", "c1", "c2", "c3"],
                },
            ],
            Bridges = bridges,
            Pads =
            [
                .. from c in Enumerable.Range(0, 4)
                from p in Enumerable.Range(0, 8)
                select Pad($"P{c}.{p}", Path($"c{c}", Through(c, p))),
            ],
        };
        // Its other protocol is impossible there for certain; what is not known comes nearer.
        var receiver = Device(
            "receiver",
            Need.RcLink,
            Mode("PWM", [.. Enumerable.Range(0, 4).Select(c => Out($"C{c}"))]),
            Mode("SBUS", Out("C0"))
        );
        var build = Build(board, receiver);
        var ways = Router.WaysOf(build);
        Assert.Empty(ways.Links[0].Routes);
        Assert.Equal(["receiver"], ways.Cut);
        var sheet = new FitReader(build, Effort.Quick).Sheet();
        Assert.Equal("WAYS", sheet.Links[0].Cells[0].Code);
        Assert.Contains("PWM: too many routes to check.", sheet.Findings.First(f => f.Rule == "UNMET").Sentence);
        Assert.StartsWith("Too many routes for receiver", sheet.Proof!.Sentence);
    }

    [Fact]
    public void A_conflict_that_is_not_settled_claims_no_more_than_is_known()
    {
        var (space, plan, left) = TwoOnOnePort();
        Assert.True(Conflict.Of(space, plan, left).IsMinimal);
        Assert.False(Conflict.Of(space, plan, left, new SearchBudget(0)).IsMinimal);
        Assert.Null(Conflict.Of(space, plan, left).CanBe(space, new SearchBudget(0)));
    }

    [Fact]
    public void Changes_that_were_not_tried_to_the_end_are_counted()
    {
        var (space, plan, left) = TwoOnOnePort();
        var library = new PartsLibrary(
            [space.Build.Board, Whole("F7", "U1", "U2") with { Id = "wider" }],
            [.. space.Build.Devices.Select(d => d.Device)]
        );
        Assert.Equal(0, Unlocks.Of(space, plan, left, library).Open);
        var (found, open) = Unlocks.Of(space, plan, left, library, budget: new SearchBudget(0));
        Assert.Empty(found);
        Assert.True(open > 0);
    }

    private static (PlanSpace Space, Plan Plan, Link Left) TwoOnOnePort()
    {
        var space = new PlanSpace(
            Build(
                Whole("F4", "U1"),
                Device("one", Need.RcLink, Mode("CRSF", Out(), In())),
                Device("two", Need.Gps, Mode("UBX", Out(), In()))
            )
        );
        var plan = Planner.Best(space);
        return (space, plan, plan.Placements.First(p => p.Route is null).Link);
    }
}
