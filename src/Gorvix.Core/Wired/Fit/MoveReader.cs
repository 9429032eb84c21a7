using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>What moved between two plans, and why.</summary>
internal sealed class MoveReader(PlanSpace space, Plan plan)
{
    /// <summary>One sentence for each link or supply that sits elsewhere than before, or is new, or is gone.</summary>
    public IReadOnlyList<string> Since(Plan earlier)
    {
        var gone = earlier.Placements.Where(p => plan.Placements.All(q => q.Link.Id != p.Link.Id));
        return
        [
            .. gone.Select(p => Sentences.IsNoLongerInThe(PlainWords.Of(p.Link))),
            .. plan.Since(earlier)
                .Select(m => FitWords.Of(m) is var words && Why(m) is { } why ? $"{words} {why}" : FitWords.Of(m)),
            .. plan.Seats.Select(now => PlugMove(earlier, now)).OfType<string>(),
            .. plan.Feeds.Select(now => SupplyMove(earlier, now)).OfType<string>(),
        ];
    }

    /// <summary>A plan that costs less than an earlier one, in a sentence that is short however much has moved.</summary>
    public string Better(Plan earlier)
    {
        var moves = plan.Since(earlier);
        var carried =
            plan.Placements.Count(p => p.Route is not null) - earlier.Placements.Count(p => p.Route is not null);
        var more = carried > 0 ? $" {Phrase.Count(carried, Sentences.MoreLink)} connected." : "";
        return moves.Count == 0
            ? Sentences.BetterPlanFoundSuppliesPlugs
            : Sentences.BetterPlanFoundMoved(
                Phrase.Count(moves.Count, "link"),
                moves.Count == 1 ? "has" : "have",
                more
            );
    }

    private static string? PlugMove(Plan earlier, SeatPlacement now)
    {
        var device = now.Ways.Device;
        var was = earlier.Seats.FirstOrDefault(s => s.Ways.Device.Id == device.Id);
        return was is null || was.Way.Seat == now.Way.Seat
            ? null
            : Sentences.ThePlugWasAndIs(device.Device.Name, WireWords.Of(was.Way.Seat), WireWords.Of(now.Way.Seat));
    }

    private static string? SupplyMove(Plan earlier, FeedPlacement now)
    {
        var was = earlier.Feeds.FirstOrDefault(f =>
            f.Ways.Device.Id == now.Ways.Device.Id && f.Ways.Supply.Lead == now.Ways.Supply.Lead
        );
        return (was?.Feed, now.Feed) is ({ Place: { } from }, { Place: { } to } feed) && !SamePlace(was.Feed, feed)
            ? Sentences.TheSupplyMovedFromTo(now.Ways.Device.Device.Name, from, to)
            : null;
    }

    private static bool SamePlace(Feed was, Feed now) =>
        was.Pad?.Id == now.Pad?.Id && was.From?.Device == now.From?.Device && was.From?.Lead.Id == now.From?.Lead.Id;

    // Why a link left its port: it cannot be there any more, somebody else needs it, or the builder said so.
    private string? Why(Move move)
    {
        if (move.From is not { } from || from.Port.Id == move.To?.Port.Id)
        {
            return null;
        }
        var wishes = space.Build.Build;
        if (move.To is { } to && wishes.Pins.OfType<RouteMatch>().Any(to.Matches))
        {
            return Sentences.YouPinnedItThere;
        }
        var way = space.Ways.First(w => w.Link.Id == move.Link.Id);
        var still = way.Routes.FirstOrDefault(r => r.Port.Id == from.Port.Id && r.Mode.Id == from.Mode.Id);
        if (still is null)
        {
            return way.NearestAt(from.Port.Id)?.Finding.Sentence;
        }
        if (wishes.Bans.OfType<RouteMatch>().Any(still.Matches))
        {
            return Sentences.YouBlockedItThere;
        }
        var others = plan.On(from.Port.Id);
        return others.Count == 0
            ? null
            : Sentences.IsNowUsedBy(
                from.Port.Name,
                Phrase.Join([.. others.Select(o => FitWords.Short(o, space.Build))])
            );
    }
}
