using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Plans.Planning;

/// <summary>
/// What it costs to take off what is soldered already: for each wire its minutes, given back by whatever uses it where it is. At most
/// one choice of a plan does, since a lead is in one place; so one row may carry the minutes, and any row may give them back.
/// </summary>
internal static class UndoCost
{
    /// <summary>Lays the weight of what is built on the rows.</summary>
    /// <param name="build">The build.</param>
    /// <param name="rows">The rows.</param>
    public static void LayOn(ResolvedBuild build, List<PlanDraft> rows)
    {
        if (rows.Count == 0)
        {
            return;
        }
        var undo = PlanCost.Of(CostTerm.HandWork, WorkMinutes.Undo);
        foreach (var joint in build.Built.Joints.Where(j => Weighs(build, j)))
        {
            Lay(rows, Math.Max(0, rows.FindIndex(r => r.Choices.Any(c => Keeps(c.Hookup, joint)))), undo);
            foreach (var row in rows)
            {
                for (var i = 0; i < row.Choices.Count; i++)
                {
                    if (Keeps(row.Choices[i].Hookup, joint))
                    {
                        row.Choices[i] = row.Choices[i] with { Cost = row.Choices[i].Cost - undo };
                    }
                }
            }
        }
    }

    /// <summary>
    /// True for a wire that one plan can use and another one not. A ground stays wherever its device does, and a device that is left off
    /// is dearer by a weightier term; what has lost its part comes off in every plan alike.
    /// </summary>
    public static bool Weighs(ResolvedBuild build, JointFact joint) =>
        build.Built.Joints.Contains(joint) && !IsGround(build, joint);

    /// <summary>True when a way uses a wire where it is soldered.</summary>
    public static bool Keeps(Hookup way, JointFact joint) =>
        way switch
        {
            Route route => route.Link.Want.Device == joint.Device
                && route.Walks.Any(w => w.Lead.Id == joint.Lead && w.Pad.Id == joint.Pad),
            Feed { Feeds: true } feed => new LeadAt(feed.Device, feed.Lead.Id) == new LeadAt(joint.Device, joint.Lead)
                && (
                    feed.From is { } from
                        ? (from.Device, from.Lead.Id) == (joint.To, joint.ToLead)
                        : feed.Pads.Any(p => p.Id == joint.Pad)
                ),
            _ => false,
        };

    private static bool IsGround(ResolvedBuild build, JointFact joint) =>
        joint.Pad is { } pad
        && build.Devices.First(d => d.Id == joint.Device).Device.Leads.First(l => l.Id == joint.Lead).Role
            == LeadRole.Ground
        && build.Circuit.IsGround(build.Circuit.Pads[pad]);

    private static void Lay(List<PlanDraft> rows, int at, PlanCost undo)
    {
        var row = rows[at];
        for (var i = 0; i < row.Choices.Count; i++)
        {
            row.Choices[i] = row.Choices[i] with { Cost = row.Choices[i].Cost + undo };
        }
        rows[at] = row.Unmet is { } unmet ? row with { Unmet = unmet + undo } : row;
    }
}
