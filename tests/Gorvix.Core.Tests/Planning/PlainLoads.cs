using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>What the rails of generated boards and the outputs of generated regulators are asked for, added up plainly.</summary>
internal sealed partial class PlainObjective
{
    /// <summary>What a way draws: of what, how much as a rule and at most, and what that gives at most; in milliamperes.</summary>
    public IEnumerable<(string Of, int Typical, int Peak, int Limit)> Draws(Hookup? way)
    {
        if (way is not Feed { Feeds: true } feed)
        {
            yield break;
        }
        var supply = Part(feed.Device).Supplies.First(s => s.Lead == feed.Lead.Id);
        var (typical, peak) = (supply.Typical ?? 0, Math.Max(supply.Peak ?? 0, supply.Typical ?? 0));
        if (feed.From is { } from)
        {
            // The generated regulator hangs on the battery, which knows no limit.
            yield return (
                $"{from.Device} {from.Lead.Id}",
                Milli(typical),
                Milli(peak),
                Milli(from.Output.Limit!.Value)
            );
            yield break;
        }
        var rail = feed.Rail!;
        if (rail.Limit is { } limit)
        {
            yield return (rail.Id, Milli(typical), Milli(peak), Milli(limit));
        }
        // What switches from 5 V to 4.5 V takes nine tenths of its current.
        if (rail is { Id: "4v5", From: "5v" } && _build.Board.Rails.First(r => r.Id == "5v").Limit is { } above)
        {
            yield return ("5v", Milli(typical * 0.9), Milli(peak * 0.9), Milli(above));
        }
    }

    private bool IsOver(IEnumerable<Hookup?> choice) =>
        choice.SelectMany(Draws).GroupBy(d => d.Of).Any(g => g.Sum(d => d.Typical) > g.First().Limit);

    private PlanCost Strains(IEnumerable<Hookup?> choice) =>
        PlanCost.Of(
            CostTerm.Hazards,
            choice.SelectMany(Draws).GroupBy(d => d.Of).Count(g => g.Sum(d => d.Peak) > g.First().Limit)
        );

    private static int Milli(double amps) => (int)Math.Ceiling((amps * 1000) - 1e-6);
}
