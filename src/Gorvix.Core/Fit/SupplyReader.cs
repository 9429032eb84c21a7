using Gorvix.Core.Builds;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Planning;
using Gorvix.Core.Routing;

namespace Gorvix.Core.Fit;

/// <summary>What feeds each device, in words, and what there is to say about it.</summary>
internal static class SupplyReader
{
    /// <summary>One row for each supply lead; none before the pack is chosen.</summary>
    public static IReadOnlyList<FitSupply> Rows(Plan plan) =>
        [
            .. plan.Feeds.Select(f => new FitSupply(
                f.Ways.Device.Device.Name,
                f.Ways.Device.Device.Leads.First(l => l.Id == f.Ways.Supply.Lead).Label,
                FitWords.Of(f.Ways.Supply.Window),
                f.Pad?.Label,
                f.Feed is null ? null : FitWords.Of(f.Feed.Volts)
            )),
        ];

    /// <summary>The board's own input, devices that nothing feeds, and doubtful pads.</summary>
    public static IEnumerable<Finding> Findings(ResolvedBuild build, Plan plan)
    {
        if (Feeder.SourceOf(build) is not { } source)
        {
            return build.Devices.Any(d => d.Device.Supplies.Count > 0) || build.Board.Input is not null
                ? [FeedRules.NoPack.Found(Severity.Note, "pack")]
                : [];
        }
        return
        [
            .. BoardInput(build, source),
            .. plan.Feeds.Where(f => f.Feed is null).Select(Unfed),
            .. plan.Feeds.SelectMany(f => f.Feed?.Hazards ?? []),
        ];
    }

    private static IEnumerable<Finding> BoardInput(ResolvedBuild build, VoltWindow source)
    {
        if (build.Board.Input is not { } input || Feeder.InputSuits(build))
        {
            return [];
        }
        var mend =
            source.Max > input.Max
                ? "Feed it from a regulator of its own, and say so under \"input\" in the set-up."
                : "Choose a pack with more cells.";
        return
        [
            FeedRules.BoardInput.Found(
                Severity.Stop,
                "board",
                ("board", build.Board.Name),
                ("min", $"{input.Min:0.0#}"),
                ("max", $"{input.Max:0.0#}"),
                ("low", $"{source.Min:0.0#}"),
                ("high", $"{source.Max:0.0#}"),
                ("mend", mend)
            ),
        ];
    }

    private static Finding Unfed(FeedPlacement feed)
    {
        var because =
            feed.Ways.Feeds.Count > 0
                ? " The selectors that could feed it are needed in another position."
                : string.Concat(feed.Ways.Rejections.Select(r => $" {r.Finding.Sentence}").Distinct());
        return FeedRules.Unfed.Found(
            Severity.Stop,
            feed.Ways.Device.Id,
            ("device", feed.Ways.Device.Device.Name),
            ("because", because)
        );
    }
}
