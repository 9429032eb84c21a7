using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Fit;

/// <summary>The builder's pins and bans in words: those in force, those in vain, and those that stand in the way of a link.</summary>
internal sealed class WishReader(PlanSpace space, Plan plan)
{
    private readonly ResolvedBuild _build = space.Build;
    private readonly IReadOnlyList<LinkWays> _ways = space.Ways;

    /// <summary>All pins and bans in force.</summary>
    public IReadOnlyList<Wish> All() => Wishes(_build.Build.Pins, _build.Build.Bans);

    /// <summary>A finding for each pin that the plan leaves aside.</summary>
    public IEnumerable<Finding> VainPins() => _build.Build.Pins.Where(p => !Keeps(p)).Select(VainPin);

    /// <summary>Why a link that is left out cannot be carried.</summary>
    public FitConflict ConflictOf(Link link)
    {
        var conflict = Conflict.Of(space, plan, link);
        var wishes = Wishes(conflict.Pins, conflict.Bans);
        List<string> members =
        [
            .. conflict.Links.Prepend(link).Select(l => FitWords.Short(l, _build)),
            .. conflict.Supplies.Select(s => $"the supply of the {s.Device.Device.Name}"),
        ];
        var links = FitWords.Join(members);
        var held = wishes.Count == 0 ? "" : $" while you hold to: {string.Join("; ", wishes.Select(w => w.Sentence))}";
        var verb = conflict.Supplies.Count == 0 ? "carried" : "had";
        links = char.ToUpperInvariant(links[0]) + links[1..];
        var sentence = (members.Count - 1, wishes.Count) switch
        {
            (0, 0) => $"{links} has no way on this board, whatever else gives way.",
            (0, 1) => $"{links} has no way{held}. Lift that and it fits.",
            (0, _) => $"{links} has no way{held}. Lift any one of these and it fits.",
            _ => $"{links} cannot all be {verb}{held}. If any one of these gives way, the rest fits.",
        };
        return new FitConflict(link.Id, [.. conflict.Links.Select(l => l.Id)], wishes, sentence);
    }

    private bool Keeps(RouteMatch pin) => plan.RouteOf(pin.Link)?.Matches(pin) ?? false;

    private Finding VainPin(RouteMatch pin)
    {
        var way = _ways.First(w => w.Link.Id == pin.Link);
        var fits = way.Routes.Where(r => r.Matches(pin)).ToList();
        var reason = fits.Count switch
        {
            0 when pin.Port is not null && way.NearestAt(pin.Port) is { } nearest => nearest.Finding.Sentence,
            0 => "no way of it leads there.",
            _ when fits.All(r => _build.Build.Bans.Any(r.Matches)) => "you banned it there as well.",
            _ => "another pin holds what it needs.",
        };
        return PlanningRules.PinVain.Found(
            Severity.Warn,
            pin.Link,
            ("link", FitWords.Of(way.Link)),
            ("where", Where(pin)),
            ("reason", reason)
        );
    }

    private IReadOnlyList<Wish> Wishes(IReadOnlyList<RouteMatch> pins, IReadOnlyList<RouteMatch> bans) =>
        [
            .. pins.Select(p => new Wish(ChangeKind.Pin, p, $"{Named(p)} stays on {Where(p)}", Keeps(p))),
            .. bans.Select(b => new Wish(
                ChangeKind.Ban,
                b,
                $"{Named(b)} not {(b is { Port: null, Pad: null, Mode: not null } ? "in" : "on")} {Where(b)}",
                true
            )),
        ];

    private string Named(RouteMatch match) => FitWords.Of(Link(match));

    /// <summary>A pin or ban in words.</summary>
    public string Words(RouteMatch match) => $"{FitWords.Short(Link(match), _build)}, {Where(match)}";

    private Link Link(RouteMatch match) => _ways.First(w => w.Link.Id == match.Link).Link;

    private string Where(RouteMatch match)
    {
        var way = _ways.First(w => w.Link.Id == match.Link);
        string?[] parts =
        [
            match.Port,
            match.Pad is null ? null : $"pad {_build.Board.Pads.First(p => p.Id == match.Pad).Label}",
            match.Mode is null ? null : $"mode \"{way.Link.Function.Modes.First(m => m.Id == match.Mode).Name}\"",
            match.Bridges switch
            {
                null => null,
                "" => "no bridge",
                var positions => $"bridge {positions.Replace("=", " at ")}",
            },
        ];
        var where = string.Join(", ", parts.Where(p => p is not null));
        return where == "" ? "any port" : where;
    }
}
