namespace Gorvix.Core.Plans.Builds;

/// <summary>What a change does with the routes it names.</summary>
public enum ChangeKind
{
    /// <summary>The link goes there; its earlier pin falls, and blocks that would forbid exactly this.</summary>
    Pin,

    /// <summary>The pin falls.</summary>
    Unpin,

    /// <summary>The link does not go there; a pin that says the same place falls.</summary>
    Block,

    /// <summary>The block falls.</summary>
    Unblock,
}

/// <summary>One change of a build by the builder.</summary>
/// <param name="Kind">What to do.</param>
/// <param name="Match">Which routes it is about.</param>
public sealed record BuildChange(ChangeKind Kind, WishMatch Match)
{
    /// <summary>The build after the change. The same build comes back when there is nothing to change.</summary>
    public Build ApplyTo(Build build)
    {
        IReadOnlyList<WishMatch> Without(IReadOnlyList<WishMatch> list) =>
            list.Contains(Match) ? [.. list.Where(m => m != Match)] : list;

        return Kind switch
        {
            // One link has one place, and so has a plug: a new pin takes the place of the old one.
            ChangeKind.Pin => build.Pins.Contains(Match)
                ? build
                : build with
                {
                    Pins = [.. build.Pins.Where(p => !p.IsAboutTheSame(Match)), Match],
                    Bans = Without(build.Bans),
                },
            ChangeKind.Unpin => Kept(build, build with { Pins = Without(build.Pins) }),
            ChangeKind.Block => build.Bans.Contains(Match)
                ? build
                : build with
                {
                    Pins = Without(build.Pins),
                    Bans = [.. build.Bans, Match],
                },
            _ => Kept(build, build with { Bans = Without(build.Bans) }),
        };
    }

    private static Build Kept(Build before, Build after) =>
        ReferenceEquals(before.Pins, after.Pins) && ReferenceEquals(before.Bans, after.Bans) ? before : after;
}
