using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Rails;

/// <summary>Will anything burn, will anything starve: the answer in one, for everybody who has no room for every situation.</summary>
public static class RailAnswer
{
    /// <summary>
    /// The stops and warnings of a wired build over its flight, from the full to the empty pack; each thing once, at its worst. Empty
    /// while nothing feeds it.
    /// </summary>
    /// <param name="wired">The build as it is wired.</param>
    /// <param name="stop">Tells that nobody waits for the answer any more.</param>
    public static IReadOnlyList<Finding> Of(WiredBuild wired, CancellationToken stop = default) =>
        [
            .. RailReader
                .Read(wired, [.. Flight(wired)], stop)
                .SelectMany(RailCheck.Of)
                .Where(f => f.Severity > Severity.Note)
                .OrderByDescending(f => f.Severity)
                .DistinctBy(f => (f.Rule, f.Subject)),
        ];

    /// <summary>The situations of a flight.</summary>
    internal static IEnumerable<Situation> Flight(WiredBuild wired) =>
        Situation.Of(wired.Build.Build).Where(s => s.Group == SituationGroup.Pack);

    /// <summary>True when something would burn, starve, be overloaded or shorted.</summary>
    /// <param name="findings">What <see cref="Of(WiredBuild, CancellationToken)"/> gave.</param>
    public static bool Stops(IReadOnlyList<Finding> findings) => findings.Any(f => f.Severity == Severity.Stop);

    /// <summary>What stands over a situation in which nothing is wrong, as a sentence; null where something is, or where nothing is known.</summary>
    /// <param name="sheet">The build in the situation.</param>
    /// <param name="findings">All that there is to say of it, what holds in every situation included.</param>
    public static string? Clear(RailSheet sheet, IEnumerable<Finding> findings) =>
        sheet.Problem is not null
        || findings.Any(f => f.Severity > Severity.Note)
        || sheet.Leads.All(l => l.State == LeadFeed.Unfed)
        || sheet.Leads.Any(l => l.State is LeadFeed.Burns or LeadFeed.Starves or LeadFeed.Tight)
            ? null
        : sheet.AtLeast ? Sentences.AllSuppliesInRangeAs
        : Sentences.AllSuppliesInRange;

    /// <summary>The findings of a situation; where something is other than planned, those that it brings.</summary>
    /// <param name="sheet">The build in the situation.</param>
    /// <param name="usual">The findings of the build as planned.</param>
    public static IReadOnlyList<Finding> Of(RailSheet sheet, IReadOnlyList<Finding> usual)
    {
        var findings = RailCheck.Of(sheet);
        if (sheet.Situation.Group is not (SituationGroup.Selector or SituationGroup.Unplugged))
        {
            return findings;
        }
        var known = usual.Select(f => (f.Rule, f.Subject, f.Severity)).ToHashSet();
        return [.. findings.Where(f => !known.Contains((f.Rule, f.Subject, f.Severity)))];
    }
}
