using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>The builder's pins and bans in words: those in force, those in vain, and those that stand in the way of a link.</summary>
internal sealed class WishReader(PlanSpace space, Plan plan)
{
    private readonly ResolvedBuild _build = space.Build;
    private readonly IReadOnlyList<LinkWays> _ways = space.Ways;

    /// <summary>All pins and bans in force.</summary>
    public IReadOnlyList<Wish> All() => Wishes(_build.Build.Pins, _build.Build.Bans);

    /// <summary>A finding for each pin that the plan leaves aside.</summary>
    public IEnumerable<Finding> VainPins() => _build.Build.Pins.Where(p => !plan.Keeps(p)).Select(VainPin);

    /// <summary>Why a link that is left out cannot be carried.</summary>
    /// <param name="link">The link.</param>
    /// <param name="budget">What may be weighed.</param>
    public FitConflict ConflictOf(Link link, SearchBudget budget)
    {
        var conflict = Conflict.Of(space, plan, link, budget);
        var wishes = Wishes(conflict.Pins, conflict.Bans);
        List<Link> links = [link, .. conflict.Links];

        // That a link needs its own device fed goes without saying, unless that is the whole conflict.
        var others = conflict.Supplies.Where(s => links.All(l => l.Want.Device != s.Device.Id)).ToList();
        var supplies = links.Count + others.Count > 1 ? others : conflict.Supplies;
        List<string> members =
        [
            .. links.Select(l => FitWords.Short(l, _build)),
            .. supplies.Select(s => $"the {s.Device.Device.Name} supply"),
        ];
        var names = Phrase.Join(members);
        var verb = supplies.Count == 0 ? "connected" : "provided";
        var held =
            wishes.Count == 0 ? "" : Sentences.WhileTheseApply(string.Join("; ", wishes.Select(w => w.Sentence)));
        names = char.ToUpperInvariant(names[0]) + names[1..];
        if (!conflict.IsMinimal)
        {
            var open = Sentences.CannotAllBeWhichOf(names, verb, held);
            return new FitConflict(link.Id, [.. conflict.Links.Select(l => l.Id)], wishes, open) { IsMinimal = false };
        }
        var alone = supplies.Where(CannotBePowered).Select(s => s.Device.Device.Name).Distinct().ToList();
        var sentence = (members.Count - 1, wishes.Count) switch
        {
            // No other link is in the way of a device that draws more than any supply gives.
            _ when alone.Count > 0 && links.Count == 1 && supplies.All(s => s.Device.Id == link.Want.Device) =>
                Sentences.CannotBeConnectedTheDraws(FitWords.Short(link, _build), alone[0]),
            (0, 0) => Sentences.CannotBeConnectedOnThis(names),
            (0, 1) => Sentences.CannotBeConnectedRemoveThat(names, held),
            (0, _) => Sentences.CannotBeConnectedRemoveAny(names, held),
            (1, 0) => Sentences.CannotBothBeDropOne(names, verb),
            _ => Sentences.CannotAllBeDropAny(names, verb, held),
        };
        return new FitConflict(link.Id, [.. conflict.Links.Select(l => l.Id)], wishes, sentence);
    }

    // Each pad or output that suits it gives less than it draws, with nothing else on it.
    private static bool CannotBePowered(FeedWays supply) =>
        supply.Feeds.Count > 0 && supply.Feeds.All(f => f.Draws.Any(d => d.Typical > d.Budget.Limit));

    private Finding VainPin(WishMatch pin)
    {
        var (who, subject) = pin switch
        {
            RouteMatch route => (PlainWords.Of(LinkOf(route)), Subject.Link(route.Link)),
            SeatMatch seat => ($"the {Name(seat.Device)} plug", Subject.Device(seat.Device)),
            FeedMatch feed => ($"the {Name(feed.Device)} supply", Subject.Lead(new(feed.Device, feed.Lead))),
            LeadMatch lead => (Sentences.ALeadOfThe(Name(lead.Device)), Subject.Lead(new(lead.Device, lead.Lead))),
            _ => ("something", Subject.Build),
        };
        return PlanningRules.PinVain.Found(
            Severity.Warn,
            subject,
            ("link", who),
            ("where", Where(pin)),
            ("reason", pin is RouteMatch match ? Reason(match) : Reason(pin))
        );
    }

    private string Reason(RouteMatch pin)
    {
        var way = _ways.First(w => w.Link.Id == pin.Link);
        var fits = way.Routes.Where(r => r.Matches(pin)).ToList();
        return fits.Count switch
        {
            0 when pin.Port is not null && way.NearestAt(pin.Port) is { } nearest => nearest.Finding.Sentence,
            0 => Sentences.NoRouteLeadsThere,
            _ when fits.All(r => _build.Build.Bans.OfType<RouteMatch>().Any(r.Matches)) =>
                Sentences.YouAlsoBlockedItThere,
            _ => Sentences.AnotherOfYourPinsOccupies,
        };
    }

    private string Reason(WishMatch pin)
    {
        var can = pin switch
        {
            SeatMatch seat => space
                .All.Seats.First(s => s.Device.Id == seat.Device)
                .Ways.Any(w => seat.Socket is null ? w.Seat.Kind == SeatKind.Loose : w.Seat.Socket?.Id == seat.Socket),
            FeedMatch feed => space.Feeds.Any(f => f.Feeds.Any(x => x.Matches(feed))),
            _ => true,
        };
        return can ? Sentences.AnotherOfYourPinsOccupies
            : pin is SeatMatch ? Sentences.ThePlugDoesNotFit
            : pin is FeedMatch { From: not null } ? Sentences.ThatOutputCannotPowerIt
            : Sentences.ThatPadCannotPowerIt;
    }

    private IReadOnlyList<Wish> Wishes(IReadOnlyList<WishMatch> pins, IReadOnlyList<WishMatch> bans) =>
        [
            .. pins.Select(p => new Wish(ChangeKind.Pin, p, Pinned(p), plan.Keeps(p))),
            .. bans.Select(b => new Wish(ChangeKind.Block, b, Banned(b), true)),
        ];

    private string Pinned(WishMatch pin) =>
        pin switch
        {
            RouteMatch route => Sentences.StaysOn(PlainWords.Of(LinkOf(route)), Where(pin)),
            SeatMatch { Socket: null } seat => Sentences.IsDirectSoldered(Name(seat.Device)),
            SeatMatch seat => Sentences.ThePlugStaysIn(Name(seat.Device), Where(pin)),
            FeedMatch feed => Sentences.IsPoweredFrom(Name(feed.Device), Where(pin)),
            _ => Sentences.IsDePinned(Where(pin)),
        };

    private string Banned(WishMatch ban) =>
        ban switch
        {
            RouteMatch route =>
                $"{PlainWords.Of(LinkOf(route))} not {(route is { Port: null, Pad: null, Mode: not null } ? "in" : "on")} {Where(ban)}",
            SeatMatch { Socket: null } seat => Sentences.NotDirectSoldered(Name(seat.Device)),
            SeatMatch seat => Sentences.ThePlugNotIn(Name(seat.Device), Where(ban)),
            FeedMatch feed => Sentences.NotPoweredFrom(Name(feed.Device), Where(ban)),
            _ => Sentences.StaysInItsPlug(Where(ban)),
        };

    private Link LinkOf(RouteMatch match) => _ways.First(w => w.Link.Id == match.Link).Link;

    private string Name(string device) => _build.Devices.First(d => d.Id == device).Device.Name;

    private string PadOf(string pad) => WireWords.Of(_build.Circuit, _build.Circuit.Pads[pad]);

    private string Where(WishMatch match)
    {
        switch (match)
        {
            case SeatMatch { Socket: { } socket }:
                return _build.Circuit.Sockets.First(s => s.Id == socket).Label;
            case SeatMatch:
                return Sentences.NoSocket;
            case FeedMatch { From: { } from } feed:
                var giver = _build.Devices.First(d => d.Id == from).Device;
                return Sentences.OfThe(giver.Leads.First(l => l.Id == feed.FromLead).Label, giver.Name);
            case FeedMatch feed:
                return PadOf(feed.Pad!);
            case LeadMatch lead:
                var device = _build.Devices.First(d => d.Id == lead.Device).Device;
                return Sentences.OfThe(device.Leads.First(l => l.Id == lead.Lead).Label, device.Name);
        }
        var route = (RouteMatch)match;
        var link = LinkOf(route);
        string?[] parts =
        [
            route.Port is null ? null : Port.NameOf(route.Port),
            route.Pad is null ? null : $"pad {PadOf(route.Pad)}",
            route.Mode is null ? null : $"mode \"{link.Function.Modes.First(m => m.Id == route.Mode).Name}\"",
            route.Bridges is null ? null : WorkWords.Jumpers(route.Bridges),
        ];
        var where = string.Join(", ", parts.Where(p => p is not null));
        return where == "" ? Sentences.AnyPort : where;
    }
}
