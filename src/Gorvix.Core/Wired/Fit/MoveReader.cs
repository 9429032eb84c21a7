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
            .. gone.Select(p => $"{PlainWords.Of(p.Link)} is no longer in the build."),
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
        var more = carried > 0 ? $" {Phrase.Count(carried, "more link")} connected." : "";
        return moves.Count == 0
            ? "Better plan found: supplies, plugs or pads changed; every link keeps its port."
            : $"Better plan found: {Phrase.Count(moves.Count, "link")} {(moves.Count == 1 ? "has" : "have")} moved.{more}";
    }

    private static string? PlugMove(Plan earlier, SeatPlacement now)
    {
        var device = now.Ways.Device;
        var was = earlier.Seats.FirstOrDefault(s => s.Ways.Device.Id == device.Id);
        return was is null || was.Way.Seat == now.Way.Seat
            ? null
            : $"The {device.Device.Name} plug was {WireWords.Of(was.Way.Seat)} and is now {WireWords.Of(now.Way.Seat)}.";
    }

    private static string? SupplyMove(Plan earlier, FeedPlacement now)
    {
        var was = earlier.Feeds.FirstOrDefault(f =>
            f.Ways.Device.Id == now.Ways.Device.Id && f.Ways.Supply.Lead == now.Ways.Supply.Lead
        );
        return (was?.Feed, now.Feed) is ({ Place: { } from }, { Place: { } to } feed) && !SamePlace(was.Feed, feed)
            ? $"The {now.Ways.Device.Device.Name} supply moved from {from} to {to}."
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
            return "You pinned it there.";
        }
        var way = space.Ways.First(w => w.Link.Id == move.Link.Id);
        var still = way.Routes.FirstOrDefault(r => r.Port.Id == from.Port.Id && r.Mode.Id == from.Mode.Id);
        if (still is null)
        {
            return way.NearestAt(from.Port.Id)?.Finding.Sentence;
        }
        if (wishes.Bans.OfType<RouteMatch>().Any(still.Matches))
        {
            return "You blocked it there.";
        }
        var others = plan.On(from.Port.Id);
        return others.Count == 0
            ? null
            : $"{from.Port.Name} is now used by {Phrase.Join([.. others.Select(o => FitWords.Short(o, space.Build))])}.";
    }
}
