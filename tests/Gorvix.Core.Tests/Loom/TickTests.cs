using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Wired.Fit;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Loom;

/// <summary>What is done is taken as it is: ticks, what was done otherwise, and what a change asks of the hands.</summary>
public class TickTests
{
    private static readonly DateTime Now = new(2026, 11, 26, 18, 30, 0, DateTimeKind.Utc);

    public static TheoryData<string> Names => [.. Demo.Builds.Select(b => b.Name)];

    private static WiredBuild Wired(Build build, PartsLibrary? library = null) =>
        new FitReader(Resolved(build, library ?? Demo.Library)).Wired;

    private static LoomSheet Loom(Build build) => LoomReader.Of(Wired(build));

    private static Build Ticked(Build build, string step, bool done = true, string? pad = null) =>
        Ticks.Apply(Wired(build), new Tick(step, done, pad), Now) is { Build: { } after }
            ? after
            : throw new InvalidOperationException(step);

    // Until nothing is left; a bridge or a lead that is done can bring nothing new.
    private static Build Finished(Build build, Random? dice = null)
    {
        for (var most = 200; most > 0; most--)
        {
            var open = Loom(build).Steps.Where(s => !s.IsDone).ToList();
            if (open.Count == 0)
            {
                return build;
            }
            // A plug that must be re-pinned waits for it.
            var free = open.Where(s => s.Waits is null).ToList();
            build = Ticked(build, free[dice?.Next(free.Count) ?? 0].Id);
        }
        throw new InvalidOperationException("There is always one step more.");
    }

    private static string[] Facts(Build build) => [.. build.Built.Select(f => $"{f with { On = null }}").Order()];

    [Theory]
    [MemberData(nameof(Names))]
    public void Ticked_to_the_end_in_any_order_it_comes_to_the_same_and_the_plan_stays(string name)
    {
        var build = Demo.Builds.First(b => b.Name == name);
        var (first, plan) = (Finished(build), build.Plan());
        foreach (var seed in new[] { 1, 2, 3 })
        {
            var other = Finished(build, new Random(seed));
            Assert.Equal(Facts(first), Facts(other));
            Assert.Empty(other.Plan().Since(plan));
        }
        Assert.Equal(
            Wired(build).Leads.Select(l => (l.Device, l.Lead.Id, l.Pad?.Id, l.To?.Device)),
            Wired(first).Leads.Select(l => (l.Device, l.Lead.Id, l.Pad?.Id, l.To?.Device))
        );
        Assert.Empty(BuiltCheck.Undone(Wired(first)));
        Assert.All(Loom(first).Steps, s => Assert.Equal(Now, s.DoneOn));
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Ticks_taken_away_in_any_order_leave_nothing(string name)
    {
        var build = Finished(Demo.Builds.First(b => b.Name == name), new Random(7));
        var dice = new Random(11);
        for (var most = 200; build.Built.Count > 0 && most > 0; most--)
        {
            var done = Loom(build).Steps.Where(s => s.IsDone).ToList();
            build = Ticked(build, done[dice.Next(done.Count)].Id, done: false);
        }
        Assert.Empty(build.Built);
    }

    [Fact]
    public void A_plug_cannot_be_noted_as_plugged_in_before_its_re_pin()
    {
        var waiting = 0;
        foreach (var build in Demo.Builds)
        {
            foreach (var seat in Loom(build).Steps.Where(s => s is { Topic: StepTopic.Seat, IsDone: false }))
            {
                var plug = Loom(build).Steps.FirstOrDefault(s => s.Topic == StepTopic.Plug && s.Device == seat.Device);
                var result = Ticks.Apply(Wired(build), new Tick(seat.Id, true), Now);
                if (plug is null)
                {
                    Assert.NotNull(result.Build);
                    continue;
                }
                waiting++;
                Assert.Null(result.Build);
                Assert.Equal(["REPIN-FIRST"], result.Findings.Select(f => f.Rule));
                Assert.Contains($"before it goes in: {plug.Words}", result.Findings[0].Sentence);
                Assert.NotNull(Ticks.Apply(Wired(Ticked(build, plug.Id)), new Tick(seat.Id, true), Now).Build);
            }
        }
        Assert.True(waiting > 0);
    }

    [Fact]
    public void A_back_up_is_due_again_when_other_settings_are_planned()
    {
        var saved = Ticked(Demo.RampSwift, "backup");
        bool IsDone(Build build) => Loom(build).Steps.First(s => s.Id == "backup").IsDone;
        Assert.True(IsDone(saved));
        // A wire more soldered changes no setting.
        Assert.True(
            IsDone(Ticked(saved, Loom(saved).Steps.First(s => s.Id.StartsWith("joint", StringComparison.Ordinal)).Id))
        );
        // Another port for the log does, and so does a back-up of which nobody knows what it was for.
        var fit = new FitReader(Resolved(saved, Demo.Library));
        var log = fit.Plan.Placements.First(p => p.Link.Function.Need == Need.FlightLog);
        var other = saved with { Bans = [new RouteMatch { Link = log.Link.Id, Port = log.Route!.Port.Id }] };
        Assert.NotEqual(other.Plan().RouteOf(log.Link.Id)?.Port.Id, log.Route.Port.Id);
        Assert.False(IsDone(other));
        Assert.False(
            IsDone(saved with { Built = [.. saved.Built.Select(f => f is DeedFact d ? d with { Plan = null } : f)] })
        );
    }

    [Fact]
    public void A_tick_twice_is_one_and_no_tick_is_none()
    {
        var once = Ticked(Demo.RampSwift, "backup");
        Assert.Same(once, Ticked(once, "backup"));
        Assert.Same(Demo.RampSwift, Ticked(Demo.RampSwift, "backup", done: false));
        Assert.Equal(
            ["STEP-GONE"],
            Ticks.Apply(Wired(Demo.RampSwift), new Tick("joint none tx", true), Now).Findings.Select(f => f.Rule)
        );
        Assert.Equal(
            ["OTHER-PAD"],
            Ticks.Apply(Wired(Demo.RampSwift), new Tick("backup", true, "t1"), Now).Findings.Select(f => f.Rule)
        );
    }

    [Fact]
    public void Half_done_the_list_still_leads_from_the_parts_as_they_are_to_the_plan() =>
        Generated
            .HalfBuilt(4, 5)
            .Holds(
                build => LoomTests.Follows(WiredBuild.From(build, Planner.Best(build))),
                of: 400,
                print: Generated.Print
            );

    [Fact]
    public void A_wire_that_was_put_on_another_pad_is_where_the_plan_has_it_from_then_on()
    {
        var moved = 0;
        foreach (var build in Demo.Builds)
        {
            foreach (var feed in build.Plan().Feeds.Select(f => f.Feed).OfType<Feed>().Where(f => f.Pads.Count > 1))
            {
                var id = $"{feed.Device} {feed.Lead.Id}";
                var other = feed.Pads.First(p => p.Id != Loom(build).Wires.First(w => w.Id == id).Pad);
                var after = Ticked(build, $"joint {id}", pad: other.Id);
                Assert.Equal(other.Id, Loom(after).Wires.First(w => w.Id == id).Pad);
                Assert.True(Loom(after).Steps.First(s => s.Id == $"joint {id}").IsDone);
                Assert.Empty(BuiltCheck.Undone(Wired(after)));
                moved++;
            }
        }
        Assert.True(moved > 0);
    }

    [Fact]
    public void A_wire_on_a_pad_that_cannot_carry_it_is_a_finding_until_it_is_off()
    {
        var build = Demo.NorthFaceHare;
        var wire = Loom(build).Wires.First(w => w is { IsJoint: true, Link: not null });
        var ground = Wired(build).Build.Board.Pads.First(Wired(build).Build.Circuit.IsGround);
        var after = Ticked(build, $"joint {wire.Id}", pad: ground.Id);
        var finding = Assert.Single(
            new FitReader(Resolved(after, Demo.Library)).Sheet().Findings,
            f => f.Rule == "BUILT-HARM"
        );
        Assert.EndsWith(": it would be shorted to ground.", finding.Sentence, StringComparison.Ordinal);
        Assert.StartsWith(wire.Label, finding.Sentence, StringComparison.Ordinal);
        var off = Assert.Single(Loom(after).Steps, s => s.Topic == StepTopic.Undo);
        Assert.Equal([ground.Id], off.Pads);
        var clean = Ticked(after, off.Id);
        Assert.Empty(clean.Built);
        Assert.DoesNotContain(Loom(clean).Steps, s => s.Topic == StepTopic.Undo);
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void After_a_device_was_exchanged_only_its_own_wires_come_off_and_nothing_else_is_touched(string name)
    {
        var build = Finished(Demo.Builds.First(b => b.Name == name));
        var exchanged = 0;
        foreach (var device in build.Devices)
        {
            // The same part under another id: another one of the kind, as far as the record knows.
            var twin = Demo.Library.Device(device.Part)! with
            {
                Id = "twin",
                Name = "Twin",
            };
            var library = Demo.Library.With(new PartsLibrary([], [twin]));
            var after = BuildEdits.WithPart(build, device.Id, twin, library)!;
            var wired = Wired(after, library);
            var steps = LoomReader.Of(wired).Steps;
            Assert.All(steps.Where(s => s.Topic == StepTopic.Undo), s => Assert.Equal(device.Part, PartOf(s.Facts[0])));
            Assert.Equal(
                build.Built.Count(f =>
                    f is JointFact or SeatFact && PartOf(f) == device.Part && DeviceOf(f) == device.Id
                ),
                steps.Count(s => s.Topic == StepTopic.Undo)
            );
            Assert.All(
                LoomReader.Of(Wired(build)).Steps.Where(s => s.Device is { } of && of != device.Id),
                s => Assert.True(steps.First(x => x.Id == s.Id).IsDone, s.Id)
            );
            exchanged++;
        }
        Assert.Equal(build.Devices.Count, exchanged);
    }

    // Exactness is shown on generated builds in ExactnessTests; here a whole build, finished, with one device exchanged for another kind.
    [Fact]
    public void The_change_after_an_exchange_is_the_smallest_that_another_solver_finds()
    {
        var tried = 0;
        foreach (var build in Demo.Builds.Where(b => b.Devices.Count is > 2 and < 8))
        {
            var finished = Finished(build);
            foreach (var device in build.Devices)
            {
                var kind = Demo.Library.Device(device.Part)!.Kind;
                foreach (var part in Demo.Library.Devices.Where(p => p.Kind == kind && p.Id != device.Part))
                {
                    if (BuildEdits.WithPart(finished, device.Id, part, Demo.Library) is { } after)
                    {
                        var ways = Router.WaysOf(Resolved(after, Demo.Library));
                        Assert.Equal(CpSatModel.BestCost(ways), Planner.Best(new PlanSpace(ways)).Cost);
                        tried++;
                    }
                }
            }
        }
        Assert.True(tried > 10, $"{tried}");
    }

    [Fact]
    public void What_the_board_knows_no_more_is_said_and_can_be_ticked_off()
    {
        var build = Finished(Demo.RampSwift);
        var joint = build.Built.OfType<JointFact>().First();
        var board = Demo.Library.Board(build.Board)!;
        Build Renamed(string from) =>
            build with
            {
                Built = [.. build.Built.Select(f => f is JointFact j && j == joint ? j with { Pad = from } : f)],
            };
        var after = Renamed("gone");
        var finding = Assert.Single(BuiltCheck.Of(Wired(after)), f => f.Rule == "BUILT-GONE");
        Assert.Contains("no longer has this pad", finding.Sentence, StringComparison.Ordinal);
        var off = Loom(after).Steps.Single(s => s.Topic == StepTopic.Undo);
        Assert.Equal(build.Built.Count - 1, Ticked(after, off.Id).Built.Count);

        // A plug that has fewer cavities than somebody has noted.
        var cavity = new CavityFact
        {
            Device = "receiver",
            Part = build.Devices.First(d => d.Id == "receiver").Part,
            Lead = "none",
            Cavity = 40,
        };
        var noted = build with { Built = [.. build.Built, cavity] };
        Assert.Contains(
            "no longer has this lead",
            Assert.Single(BuiltCheck.Of(Wired(noted))).Sentence,
            StringComparison.Ordinal
        );
        Assert.Equal(Facts(build), Facts(Ticked(noted, "forget receiver none")));

        // On another board everything that was soldered to this one comes off.
        var moved = BuildEdits.WithBoard(build, Demo.Library.Boards.First(b => b.Id != board.Id).Id);
        Assert.Equal(
            build.Built.Count(f => f is JointFact or SeatFact),
            BuiltCheck.Of(Wired(moved)).Count(f => f.Rule == "BUILT-GONE")
        );
    }

    [Fact]
    public void What_was_done_to_a_device_is_not_done_to_the_one_that_takes_its_place()
    {
        var part = Demo.RampSwift.Devices.First(d => d.Id == "receiver").Part;
        var deed = new DeedFact
        {
            Deed = BuiltDeed.PullUp,
            Device = "receiver",
            Part = part,
            Lead = Demo.Library.Device(part)!.Leads[0].Id,
        };
        bool IsDone(DeedFact fact) =>
            Resolved(Demo.RampSwift with { Built = [fact] }, Demo.Library)
                .Built.IsDone(BuiltDeed.PullUp, "receiver", deed.Lead, null);
        Assert.True(IsDone(deed));
        Assert.False(IsDone(deed with { Part = "another" }));
    }

    [Fact]
    public void To_take_a_tick_away_that_is_not_there_leaves_what_is_noted_otherwise()
    {
        var plain = Wired(Demo.NorthFaceHare);
        var wire = LoomReader.Of(plain).Wires.First(w => w is { IsJoint: true, Link: not null });
        var ground = plain.Build.Board.Pads.First(plain.Build.Circuit.IsGround);
        var after = Ticked(Demo.NorthFaceHare, $"joint {wire.Id}", pad: ground.Id);
        Assert.Same(after, Ticked(after, $"joint {wire.Id}", done: false));
    }

    [Fact]
    public void A_lead_that_was_taken_out_is_not_said_to_come_beside_its_plug() =>
        Assert.DoesNotContain(
            new FitReader(Resolved(Finished(Demo.CrusherHouseLark), Demo.Library)).Sheet().Findings,
            f => f.Rule == WiringRules.Flying.Id
        );

    [Fact]
    public void A_lead_that_was_taken_out_goes_back_when_it_is_wanted_again()
    {
        var build = Demo.RimWalkRook;
        var lead = Wired(build).Leads.First(l => l is { State: LeadState.InPlace, IsUsed: true, Link: not null });
        var out_ = build with { Pins = [.. build.Pins, new LeadMatch { Device = lead.Device, Lead = lead.Lead.Id }] };
        var taken = Ticked(out_, $"plug {lead.Device}");
        var again = Wired(taken with { Pins = build.Pins });
        Assert.Equal(
            (LeadState.Moved, lead.Pad, lead.Cavity),
            again
                .Leads.Where(l => (l.Device, l.Lead.Id) == (lead.Device, lead.Lead.Id))
                .Select(l => (l.State, l.Pad, l.Cavity))
                .Single()
        );
        var step = LoomReader.Of(again).Steps.Single(s => s.Id == $"plug {lead.Device}");
        Assert.Contains($"insert {lead.Lead.Label} into pin {lead.Cavity}", step.Words, StringComparison.Ordinal);

        // Cut off, it has no contact any more: then it is soldered.
        var cut = taken with
        {
            Pins = build.Pins,
            Built =
            [
                .. taken.Built.Select(f =>
                    f is CavityFact c && c.Lead == lead.Lead.Id ? c with { End = LeadEnd.CutOff } : f
                ),
            ],
        };
        Assert.DoesNotContain(
            Wired(cut).Leads,
            l => (l.Device, l.Lead.Id) == (lead.Device, lead.Lead.Id) && l.State is LeadState.Moved or LeadState.InPlace
        );
    }

    [Fact]
    public void A_thousand_wires_of_devices_that_left_change_no_plan()
    {
        var joint = new JointFact
        {
            Device = "gone",
            Part = "gone",
            Lead = "",
            Board = Demo.CrusherHouseLark.Board,
            Pad = "t1",
        };
        var build = Demo.CrusherHouseLark with
        {
            Built = [.. Enumerable.Range(0, 1000).Select(i => joint with { Lead = $"l{i}" })],
        };
        Assert.Equal(Demo.CrusherHouseLark.Plan().Cost, build.Plan().Cost);
    }

    private static string? PartOf(BuiltFact fact) =>
        fact switch
        {
            JointFact joint => joint.Part,
            SeatFact seat => seat.Part,
            _ => null,
        };

    private static string? DeviceOf(BuiltFact fact) =>
        fact switch
        {
            JointFact joint => joint.Device,
            SeatFact seat => seat.Device,
            _ => null,
        };

    /// <summary>Common practice: a plug that is in pulls at the wires that are unsoldered, so it comes out before them.</summary>
    [Fact]
    public void Plugs_are_pulled_before_wires_are_taken_off()
    {
        var mixed = 0;
        foreach (var build in Demo.Builds)
        {
            var bare = Finished(build) with { Devices = [], Wants = [], Pins = [], Bans = [], Wires = [] };
            var off = Loom(bare).Steps.Where(s => s.Topic == StepTopic.Undo).Select(s => s.Facts[0]).ToList();
            var firstWire = off.FindIndex(f => f is JointFact);
            var lastPlug = off.FindLastIndex(f => f is SeatFact);
            Assert.True(firstWire < 0 || lastPlug < firstWire);
            mixed += firstWire > 0 ? 1 : 0;
        }
        Assert.True(mixed > 2, $"{mixed}");
    }
}
