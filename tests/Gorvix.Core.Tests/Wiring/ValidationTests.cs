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
                build => Assert.Empty(PlainValidator.Complaints(WiredBuild.From(build, Planner.Best(build)))),
                iter: 1000,
                print: Generated.Print
            );

    [Fact]
    public void Nor_have_the_demo_builds() =>
        Assert.All(Demo.Builds, b => Assert.Empty(PlainValidator.Complaints(Wired(b))));

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
            b => Assert.Empty(PlainValidator.Complaints(Wired(b)))
        );

    [Fact]
    public void The_friend_does_complain_when_something_is_wrong()
    {
        var good = Wired(Demo.NorthFaceHare);
        var gnss = good.Wires.Single(w => w.Link == "position" && w.Lead.Label == "TX");
        var board = good.Build.Board;
        WiredBuild Moved(string pad) =>
            good with
            {
                Wires =
                [
                    .. good.Wires.Select(w => w == gnss ? w with { Pad = board.Pads.Single(p => p.Id == pad) } : w),
                ],
            };

        Assert.Contains("TX is on the wrong half", PlainValidator.Complaints(Moved("t4")));
        Assert.Contains("u3rx has two users", PlainValidator.Complaints(Moved("sbus")));
        Assert.Contains("TX idles low at the controller", PlainValidator.Complaints(Moved("sbus")));
        var turned = good with { Bridges = [good.Bridges[0] with { Position = "inverted" }] };
        Assert.Equal(["TX idles low at the controller"], PlainValidator.Complaints(turned));
        var hot = gnss with { Lead = gnss.Lead with { DriveVolts = 12 } };
        var burning = good with { Wires = [.. good.Wires.Select(w => w == gnss ? hot : w)] };
        Assert.Equal(["TX burns u4rx"], PlainValidator.Complaints(burning));
        var inverting = good with
        {
            Ports = [.. good.Ports.Select(p => p with { Settings = p.Settings with { InvertTx = true } })],
        };
        Assert.Contains("this controller cannot invert", PlainValidator.Complaints(inverting));
        var held = good with
        {
            Ports = [.. good.Ports.Select(p => p with { Port = p.Port with { HeldBy = "a recorder" } })],
        };
        Assert.Contains("U3 is held inside", PlainValidator.Complaints(held));
    }

    private static WiredBuild Wired(Build build)
    {
        var resolved = ResolvedBuild.Create(build, Demo.Library);
        return WiredBuild.From(resolved, Planner.Best(resolved));
    }
}
