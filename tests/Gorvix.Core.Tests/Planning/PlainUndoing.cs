using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Tests.Planning;

/// <summary>What is soldered already and would have to come off, counted from the words of docs/rules.md.</summary>
internal sealed partial class PlainObjective
{
    /// <summary>Minutes for one wire that comes off.</summary>
    public const int UndoMinutes = 3;

    /// <summary>The wires of signals and supplies that may have to come off, each with whether a way lets it be.</summary>
    public IEnumerable<Func<Hookup, bool>> Soldered() =>
        from joint in _build.Build.Built.OfType<JointFact>()
        where !_build.Built.Orphans.Any(o => o.Fact == joint) && !IsGround(joint)
        select (Func<Hookup, bool>)(way => LetsBe(way, joint));

    private bool IsGround(JointFact joint) =>
        Part(joint.Device).Leads.First(l => l.Id == joint.Lead).Role == LeadRole.Ground
        && _build
            .Board.Pads.First(p => p.Id == joint.Pad)
            .Paths.Any(p =>
                p.Through.Count == 0 && _build.Board.Rails.Any(r => r.Id == p.Rail && r.Feed == RailFeed.Ground)
            );

    private PlanCost Undoing(IReadOnlyCollection<Hookup?> choice) =>
        PlanCost.Of(CostTerm.HandWork, UndoMinutes * Soldered().Count(lets => !choice.OfType<Hookup>().Any(lets)));

    private static bool LetsBe(Hookup way, JointFact joint) =>
        way is Route route && route.Link.Want.Device == joint.Device
            ? route.Walks.Any(w => w.Lead.Id == joint.Lead && w.Pad.Id == joint.Pad)
            : way is Feed feed
                && feed.Device == joint.Device
                && feed.Lead.Id == joint.Lead
                && (
                    feed.From is { } from
                        ? from.Device == joint.To && from.Lead.Id == joint.ToLead
                        : feed.Pads.Any(p => p.Id == joint.Pad)
                );
}
