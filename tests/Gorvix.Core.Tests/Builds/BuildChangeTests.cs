using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Tests.Builds;

/// <summary>Pins and bans as the builder sets and lifts them.</summary>
public class BuildChangeTests
{
    private static readonly RouteMatch GnssOnU1 = new() { Link = "position", Port = "U1" };
    private static readonly RouteMatch GnssOnU4 = new() { Link = "position", Port = "U4" };

    private static Build Hare => Demo.NorthFaceHare;

    [Fact]
    public void A_link_has_one_pin_the_newest()
    {
        var build = Apply(Apply(Hare, ChangeKind.Pin, GnssOnU1), ChangeKind.Pin, GnssOnU4);
        Assert.Equal([GnssOnU4], build.Pins);
    }

    [Fact]
    public void A_pin_lifts_the_ban_on_the_same_place_and_a_ban_lifts_the_pin()
    {
        var pinned = Apply(Apply(Hare, ChangeKind.Block, GnssOnU1), ChangeKind.Pin, GnssOnU1);
        Assert.Empty(pinned.Bans);
        var banned = Apply(pinned, ChangeKind.Block, GnssOnU1);
        Assert.Empty(banned.Pins);
        Assert.Equal([GnssOnU1], banned.Bans);
    }

    [Fact]
    public void Lifting_brings_the_build_back()
    {
        Assert.Empty(Apply(Apply(Hare, ChangeKind.Pin, GnssOnU1), ChangeKind.Unpin, GnssOnU1).Pins);
        Assert.Empty(Apply(Apply(Hare, ChangeKind.Block, GnssOnU1), ChangeKind.Unblock, GnssOnU1).Bans);
    }

    [Theory]
    [InlineData(ChangeKind.Unpin)]
    [InlineData(ChangeKind.Unblock)]
    public void Lifting_what_is_not_there_changes_nothing(ChangeKind kind) =>
        Assert.Same(Hare, Apply(Hare, kind, GnssOnU1));

    [Fact]
    public void Saying_it_twice_changes_nothing()
    {
        var pinned = Apply(Hare, ChangeKind.Pin, GnssOnU1);
        Assert.Same(pinned, Apply(pinned, ChangeKind.Pin, GnssOnU1));
        var banned = Apply(Hare, ChangeKind.Block, GnssOnU1);
        Assert.Same(banned, Apply(banned, ChangeKind.Block, GnssOnU1));
    }

    private static Build Apply(Build build, ChangeKind kind, RouteMatch match) =>
        new BuildChange(kind, match).ApplyTo(build);
}
