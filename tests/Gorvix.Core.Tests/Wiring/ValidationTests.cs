using CsCheck;
using Gorvix.Core.Builds;
using Gorvix.Core.Planning;
using Gorvix.Core.Tests.Planning;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Tests.Wiring;

/// <summary>Every plan is looked at again by somebody who does not know how it was found.</summary>
public class ValidationTests
{
    [Fact]
    public void No_plan_has_a_dead_or_burning_wire() =>
        Generated
            .Builds(8, 10)
            .Sample(
                build => Assert.Empty(PlainWalker.Complaints(WiredBuild.From(build, Planner.Best(build)))),
                iter: 1000,
                print: Generated.Print
            );

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
                    BootTrap = sharing == PortSharing.Strict ? BootCure.AnotherPort : BootCure.PullUp,
                },
            },
            b => Assert.Empty(PlainWalker.Complaints(Wired(b)))
        );

    [Fact]
    public void The_friend_does_complain_when_something_is_wrong()
    {
        var good = Wired(Demo.NorthFaceHare);
        IReadOnlyList<string> With(WiringEdit edit) => PlainWalker.Complaints(good.With(edit));

        Assert.Contains("tx of gnss reaches u4rx in 0 ways", With(new WireOnPad("gnss", "tx", "t4")));
        Assert.Contains("u3rx has two users", With(new WireOnPad("gnss", "tx", "sbus")));
        Assert.Contains(
            "tx of gnss reaches u4rx in 0 ways",
            With(new OpenWire("gnss", "tx")).Select(c => c.Replace("touches 0 pads", "reaches u4rx in 0 ways"))
        );
        Assert.Contains("tx of gnss reaches u4rx in 0 ways", With(new SwapWires("gnss", "tx", "rx")));
        Assert.Equal(["tx of gnss idles low at the controller"], With(new BridgeClosed("J4", ["inverted"])));
        Assert.Contains("tx of gnss reaches u4rx in 2 ways", With(new BridgeClosed("J4", ["raw", "inverted"])));
        Assert.Contains("v of gnss on T1: a supply meets a net or ground", With(new WireOnPad("gnss", "v", "t1")));
        Assert.Contains("gnss has no ground", With(new OpenWire("gnss", "g")));
        Assert.Contains("gnss carries a link and is not fed", With(new OpenWire("gnss", "v")));
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
