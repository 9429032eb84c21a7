using CsCheck;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>Every plan is looked at again by somebody who does not know how it was found.</summary>
public class ValidationTests
{
    [Fact]
    public void No_plan_has_a_dead_or_burning_wire() =>
        Generated
            .Builds(8, 10)
            .HoldPlanned(
                build => Assert.Empty(PlainWalker.Complaints(WiredBuild.From(build, Planner.Best(build)))),
                of: 1000
            );

    [Fact]
    public void Nor_one_of_which_a_part_is_done() =>
        Generated
            .HalfBuilt(6, 8)
            .HoldPlanned(
                build =>
                {
                    var plan = Planner.Best(build);
                    var wired = WiredBuild.From(build, plan);
                    Assert.Empty(PlainWalker.Complaints(wired));
                    // What comes off in every plan alike is work, and decides nothing.
                    var alike = BuiltCheck.Undone(wired).OfType<JointFact>().Count(j => !UndoCost.Weighs(build, j));
                    IsPaid(plan.Cost[CostTerm.HandWork] + (alike * WorkMinutes.Undo), wired);
                },
                of: 500
            );

    [Fact]
    public void What_is_banned_is_not_done_and_nothing_else_breaks() =>
        Generated
            .Builds(4, 6)
            .Holds(
                build =>
                {
                    var first = WiredBuild.From(build, Planner.Best(build));
                    foreach (var ban in Bans(first).ToList())
                    {
                        var banned = build.WithWishes(build.Build.Pins, [.. build.Build.Bans, ban]);
                        var plan = Planner.Best(banned);
                        var wired = WiredBuild.From(banned, plan);
                        Assert.Empty(PlainWalker.Complaints(wired));
                        Assert.DoesNotContain(ban, Bans(wired));

                        // A ban can make a pin vain, which is no loss then; and talking leads are lifted by the house, not by price.
                        if (build.Build.Pins.Count == 0 && ban is not LeadMatch)
                        {
                            Assert.True(Planner.Best(build).Cost <= plan.Cost);
                        }
                    }
                },
                of: 200,
                print: Generated.Print
            );

    [Fact]
    public void What_is_pinned_alone_is_done_unless_another_solver_cannot_do_it_either() =>
        Generated
            .Builds(3, 5)
            .Holds(
                build =>
                {
                    var ways = Router.WaysOf(build.WithWishes([], build.Build.Bans));
                    IEnumerable<WishMatch> pins =
                    [
                        .. ways
                            .Seats.SelectMany(s => s.Ways)
                            .Where(w => w.Seat.Kind is SeatKind.Seated or SeatKind.Loose)
                            .Select(w => new SeatMatch { Device = w.Device.Id, Socket = w.Seat.Socket?.Id }),
                        .. from feeds in ways.Feeds
                        from pad in feeds.Feeds.SelectMany(f => f.Pads).Distinct()
                        select new FeedMatch
                        {
                            Device = feeds.Device.Id,
                            Lead = feeds.Supply.Lead,
                            Pad = pad.Id,
                        },
                        .. from feeds in ways.Feeds
                        from output in feeds.Feeds.Select(f => f.From).OfType<OutputAt>()
                        select new FeedMatch
                        {
                            Device = feeds.Device.Id,
                            Lead = feeds.Supply.Lead,
                            From = output.Device,
                            FromLead = output.Lead.Id,
                        },
                        .. from device in build.Devices
                        from lead in device.Device.Leads
                        select new LeadMatch { Device = device.Id, Lead = lead.Id },
                        .. ways
                            .Links.SelectMany(l => l.Routes)
                            .Select(r => new RouteMatch
                            {
                                Link = r.Link.Id,
                                Port = r.Port.Id,
                                Mode = r.Mode.Id,
                            }),
                    ];
                    foreach (var pin in pins.Distinct())
                    {
                        var pinned = build.WithWishes([pin], build.Build.Bans);
                        var plan = Planner.Best(pinned);
                        var wired = WiredBuild.From(pinned, plan);
                        Assert.Empty(PlainWalker.Complaints(wired));
                        Assert.True(Does(wired, pin) == plan.Keeps(pin), $"{pin}");
                        // A way may be open and yet no feed go with it, where both hang on one bridge.
                        Assert.True(
                            plan.Keeps(pin)
                                || CpSatModel.BestCost(Router.WaysOf(pinned))[CostTerm.PinsBroken]
                                    == plan.Cost[CostTerm.PinsBroken],
                            $"{pin}"
                        );
                    }
                },
                of: 100,
                print: Generated.Print
            );

    [Fact]
    public void The_list_of_work_is_what_the_plan_has_paid_for() =>
        Generated
            .Builds(6, 8)
            .HoldPlanned(
                build =>
                {
                    var plan = Planner.Best(build);
                    IsPaid(plan.Cost[CostTerm.HandWork], WiredBuild.From(build, plan));
                },
                of: 500
            );

    // What is left out was weighed, so that it could be powered, and is not done.
    private static void IsPaid(int paid, WiredBuild wired)
    {
        var work = wired.Work.Sum(w => w.Minutes);
        if (wired.LeftOut.Count == 0)
        {
            Assert.Equal(paid, work);
        }
        else
        {
            Assert.True(work <= paid || wired.Build.Build.Built.Count > 0);
            Assert.DoesNotContain(
                wired.Work,
                w => w is { Device: { } id, Action: not WorkAction.Undo } && wired.LeftOut.Contains(id)
            );
        }
    }

    private static bool Does(WiredBuild wired, WishMatch pin) =>
        pin switch
        {
            SeatMatch seat => wired.Seats.Single(s => s.Device == seat.Device).Seat.Socket?.Id == seat.Socket,
            FeedMatch feed => wired.Leads.Single(l => l.Device == feed.Device && l.Lead.Id == feed.Lead) is var fed
                && fed.Pad?.Id == feed.Pad
                && fed.To?.Device == feed.From,
            LeadMatch lead => wired.Leads.Single(l => l.Device == lead.Device && l.Lead.Id == lead.Lead).State
                is not (LeadState.InPlace or LeadState.Moved),
            RouteMatch route => wired.Ports.Any(p =>
                p.Link == route.Link && p.Port.Id == route.Port && p.Mode.Id == route.Mode
            )
                || wired.Rides.Any(r =>
                    r.Link == route.Link && wired.Ports.Any(p => p.Link == r.In && p.Port.Id == route.Port)
                ),
            _ => false,
        };

    // Everything that a wired build does and that can be banned.
    private static IEnumerable<WishMatch> Bans(WiredBuild wired) =>
        [
            .. wired
                .Seats.Where(s => s.Seat.Kind is SeatKind.Seated or SeatKind.Loose)
                .Select(s => new SeatMatch { Device = s.Device, Socket = s.Seat.Socket?.Id }),
            .. wired
                .Leads.Where(l => l.To is not null)
                .Select(l => new FeedMatch
                {
                    Device = l.Device,
                    Lead = l.Lead.Id,
                    From = l.To!.Device,
                    FromLead = l.To.Lead.Id,
                }),
            .. wired
                .Leads.Where(l => l is { Lead.Role: LeadRole.Supply, IsUsed: true, Pad: not null })
                .Select(l => new FeedMatch
                {
                    Device = l.Device,
                    Lead = l.Lead.Id,
                    Pad = l.Pad!.Id,
                }),
            .. wired
                .Leads.Where(l => l.State is LeadState.Moved or LeadState.Lifted or LeadState.Cut)
                .Select(l => new LeadMatch { Device = l.Device, Lead = l.Lead.Id }),
            .. wired.Ports.Select(p => new RouteMatch { Link = p.Link, Port = p.Port.Id }),
        ];

    [Fact]
    public void Nor_have_the_demo_builds() =>
        Assert.All(Demo.Builds, b => Assert.Empty(PlainWalker.Complaints(Wired(b))));

    [Fact]
    public void Nor_has_any_demo_build_on_any_demo_board_under_any_house() =>
        Assert.All(
            from build in Demo.Builds
            from board in Demo.Library.Boards
            from unused in Enum.GetValues<UnusedLeads>()
            from sharing in Enum.GetValues<PortSharing>()
            select BuildEdits.WithBoard(build, board.Id) with
            {
                House = new HouseRules
                {
                    Unused = unused,
                    Sharing = sharing,
                    Software = SoftwareUse.Allowed,
                    BootTrap = sharing == PortSharing.OnePerPort ? BootCure.AnotherPort : BootCure.PullUp,
                },
            },
            b => Assert.Empty(PlainWalker.Complaints(Wired(b)))
        );

    [Fact]
    public void The_friend_does_complain_when_something_is_wrong()
    {
        var good = Wired(Demo.NorthFaceHare);
        IReadOnlyList<string> With(WiringEdit edit) => PlainWalker.Complaints(good.With(edit));

        Assert.Contains("tx of gnss reaches u4rx in 0 ways", With(new WireOnPad(new("gnss", "tx"), "t4")));
        Assert.Contains("u3rx has two users", With(new WireOnPad(new("gnss", "tx"), "sbus")));
        Assert.Contains(
            "tx of gnss reaches u4rx in 0 ways",
            With(new OpenWire(new("gnss", "tx"))).Select(c => c.Replace("touches 0 pads", "reaches u4rx in 0 ways"))
        );
        Assert.Contains("tx of gnss reaches u4rx in 0 ways", With(new SwapWires("gnss", "tx", "rx")));
        Assert.Equal(["tx of gnss idles low at the controller"], With(new BridgeClosed("J4", ["inverted"])));
        Assert.Contains("tx of gnss reaches u4rx in 2 ways", With(new BridgeClosed("J4", ["raw", "inverted"])));
        Assert.Contains("v of gnss on T1: a supply meets a net or ground", With(new WireOnPad(new("gnss", "v"), "t1")));
        Assert.Contains("gnss has no ground", With(new OpenWire(new("gnss", "g"))));
        Assert.Contains("gnss carries a link and is not fed", With(new OpenWire(new("gnss", "v"))));
        var set = good.Ports.Single(p => p.Link == "position").Settings;
        Assert.Contains("this controller cannot invert", With(new PortSetTo("position", set with { InvertTx = true })));
        var held = good with
        {
            Ports = [.. good.Ports.Select(p => p with { Port = p.Port with { HeldBy = "a recorder" } })],
        };
        Assert.Contains("U3 is held inside", PlainWalker.Complaints(held));
    }

    private static WiredBuild Wired(Build build)
    {
        var resolved = Resolved(build, Demo.Library);
        return WiredBuild.From(resolved, Planner.Best(resolved));
    }
}
