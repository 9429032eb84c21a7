using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>A space with the builder's pins, bans and limits laid over it: what the search decides, in its order.</summary>
internal sealed class PlanProblem
{
    public PlanProblem(
        PlanSpace space,
        IReadOnlyList<WishMatch> pins,
        IReadOnlyList<WishMatch> bans,
        IReadOnlyList<Limit>? limits
    )
    {
        Space = space;
        var entries = space.Rows.Select((row, i) => EntryOf(row, i, pins, bans, limits)).ToList();

        // The documented order among equals: what the flight depends on most first, rows that take no port last.
        Entries =
        [
            .. entries
                .OrderBy(e => e.IsLoner)
                .ThenBy(e => e.Row.Way is null)
                .ThenBy(e => e.Row.Way?.Link.Want.Priority)
                .ThenBy(e => e.Row.Way?.Link.Function.Need),
        ];
        Weight = Entries.Sum(e => ReferenceEquals(e.Options, e.Row.Undominated) ? 0 : WeightOf(e.Row.Options.Count));
        var places = Entries.Index().ToDictionary(e => e.Item.Number, e => e.Index);
        var guests = new SortedDictionary<int, IReadOnlyList<int>>();
        foreach (var (guest, hosts) in space.Guests)
        {
            guests.Add(places[guest], [.. hosts.Select(h => places[h])]);
        }
        Guests = guests;
        NoHosts = [.. Enumerable.Repeat(PlanNode.Undecided, Entries.Count)];
        NoGuests = [.. Enumerable.Repeat(-1, Entries.Count)];
        IsGuest = [.. Entries.Select((_, i) => guests.ContainsKey(i))];
    }

    /// <summary>What laying wishes and limits over the space has weighed, on the scale of <see cref="SearchBudget"/>.</summary>
    public int Weight { get; }

    /// <summary>The space.</summary>
    public PlanSpace Space { get; }

    /// <summary>In the documented order: by priority, by need, as the builder listed them; rows without a port of their own last.</summary>
    public IReadOnlyList<Entry> Entries { get; }

    /// <summary><see cref="PlanSpace.Guests"/> by their places among the entries, the weightiest first: it is settled first.</summary>
    public IReadOnlyDictionary<int, IReadOnlyList<int>> Guests { get; }

    /// <summary>Columns of the assignment: the ports, and where there are guests a guest's seat at each.</summary>
    public int Columns => Space.Columns * (Guests.Count > 0 ? 2 : 1);

    /// <summary>Nobody is settled: <see cref="PlanNode.Undecided"/> for each entry.</summary>
    public int[] NoHosts { get; }

    /// <summary>No row has a guest: -1 for each entry.</summary>
    public int[] NoGuests { get; }

    /// <summary>True for the rows of <see cref="Guests"/>.</summary>
    public bool[] IsGuest { get; }

    // Each option that is looked at is compared with those that are kept, of which there are few.
    private static int WeightOf(int options) => options * (20 + (options / 8));

    /// <summary>The options that are worth trying, cheapest first: no cheaper one takes and holds as little.</summary>
    internal static List<PlanOption> Undominated(IEnumerable<PlanOption> options)
    {
        var kept = new List<PlanOption>();
        foreach (var option in options.OrderBy(o => o.Cost))
        {
            if (!kept.Any(k => k.IsWithin(option)))
            {
                kept.Add(option);
            }
        }
        return kept;
    }

    private static Entry EntryOf(
        PlanRow row,
        int number,
        IReadOnlyList<WishMatch> pins,
        IReadOnlyList<WishMatch> bans,
        IReadOnlyList<Limit>? limits
    )
    {
        var limit = limits?.ElementAtOrDefault(number) ?? Limit.None;
        if (row.Feed is not null && limit == Limit.Out)
        {
            // The question does not ask about this supply.
            return new Entry(row, number, [], PlanCost.Zero);
        }
        var rowPins = pins.Where(p => Speaks(p, row)).ToList();
        var rowBans = bans.Where(b => Speaks(b, row) || b is SeatMatch).ToList();
        if (rowPins.Count == 0 && rowBans.Count == 0 && limit == Limit.None)
        {
            return new Entry(row, number, row.Undominated, row.Unmet);
        }
        var allowed = row.Options.Where(o => !IsBanned(o, rowBans)).ToList();

        // A pin that no option can keep is a wish that cannot come true; it must not cost the link its place.
        var kept = rowPins.Where(p => allowed.Any(o => Is(p, o))).ToList();
        var options = allowed
            .Where(o => row.Way is null || limit.Allows(o.Route))
            .Where(o => row.Feed is null || limit != Limit.Needed || o.Hookup is Feed { Feeds: true })
            .Select(o => kept.Count == 0 ? o : o.At(o.Cost + Broken(kept.Count(p => !Is(p, o)))));
        var unmet = row.Unmet is { } cost && limit.Allows(null) ? cost + Broken(kept.Count) : (PlanCost?)null;
        return new Entry(row, number, Undominated(options), unmet);
    }

    // A pin is counted by one row; a ban of a seat holds for all rows of its device.
    private static bool Speaks(WishMatch match, PlanRow row) =>
        match switch
        {
            RouteMatch route => row.Way?.Link.Id == route.Link,
            SeatMatch seat => row.Device == seat.Device,
            FeedMatch feed => row.Feed?.Device.Id == feed.Device && row.Feed.Supply.Lead == feed.Lead,
            _ => false,
        };

    private static bool Is(WishMatch match, PlanOption option) =>
        match switch
        {
            RouteMatch route => option.Route?.Matches(route) ?? false,
            FeedMatch feed => option.Hookup is Feed way && way.Matches(feed),
            SeatMatch seat => option.Hookup.DeviceId == seat.Device
                && (
                    seat.Socket is null
                        ? option.Hookup.Seat.Kind == SeatKind.Loose
                        : option.Hookup.Seat.Socket?.Id == seat.Socket
                ),
            _ => false,
        };

    // Equal pads stand in one feed: it is banned when each of them is.
    private static bool IsBanned(PlanOption option, List<WishMatch> bans) =>
        bans.Any(b => b is not FeedMatch && Is(b, option)) || (option.Hookup is Feed feed && feed.IsBanned(bans));

    private static PlanCost Broken(int pins) => PlanCost.OfAtMost(CostTerm.PinsBroken, pins);

    /// <summary>One link or supply lead of the question.</summary>
    /// <param name="Row">Its row of the space.</param>
    /// <param name="Number">The number of that row.</param>
    /// <param name="Options">Those that are allowed and not dominated, cheapest first.</param>
    /// <param name="Unmet">What it costs to take none of them, or null when one must be taken.</param>
    internal sealed record Entry(PlanRow Row, int Number, IReadOnlyList<PlanOption> Options, PlanCost? Unmet)
    {
        /// <summary>True when no option takes a port or net that another row could want.</summary>
        public bool IsLoner { get; } = Options.All(o => o.Column < 0);
    }
}
