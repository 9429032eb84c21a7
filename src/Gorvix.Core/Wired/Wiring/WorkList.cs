using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>What the hands have to do, each thing once: bridges, tails, leads that leave their plugs, then settings.</summary>
internal static class WorkList
{
    /// <summary>The list for a wired build and the routes that it follows.</summary>
    public static IEnumerable<Work> Of(WiredBuild wired, IReadOnlyList<Route> routes)
    {
        var bridges = wired
            .Bridges.Where(b => b.IsWork)
            .Select(b => new Work(WorkAction.SetBridge, WorkMinutes.Of(b.Bridge))
            {
                Bridge = b.Bridge.Id,
                Position = b.Positions is [var first, ..] ? first : null,
            });
        var tails = wired
            .Leads.Where(l => l.State == LeadState.OnTail)
            .Select(l => l.Socket!.Id)
            .Distinct()
            .Select(s => new Work(WorkAction.FitTail, WorkMinutes.Tail) { Socket = s });
        var settings = routes
            .SelectMany(r => r.Work)
            .Where(w => w.Action is not (WorkAction.MoveLead or WorkAction.SolderLead or WorkAction.SpliceLead));
        Talkers? talkers = null;
        Talkers Talkers() => talkers ??= new Talkers(wired);
        return
        [
            .. bridges,
            .. tails,
            .. wired.Leads.Select(l => OfLead(wired, l, Talkers)).OfType<Work>(),
            .. settings.Distinct(),
            .. BuiltCheck
                .Undone(wired)
                .Where(f => f is JointFact)
                .Select(f => new Work(WorkAction.Undo, WorkMinutes.Undo) { Done = f.Told }),
        ];
    }

    private static Work? OfLead(WiredBuild wired, WiredLead lead, Func<Talkers> talkers)
    {
        var seat = wired.Seats.First(s => s.Device == lead.Device).Seat;
        var part = wired.Build.Devices.First(d => d.Id == lead.Device).Device;
        var home = Harness.Of(part).HomeOf(lead.Lead.Id);
        Work Make(WorkAction action, int points) =>
            new(action, points)
            {
                Device = lead.Device,
                Lead = lead.Lead.Id,
                Socket = lead.State is LeadState.Soldered or LeadState.InPlace
                    ? null
                    : (lead.Socket ?? seat.Socket)?.Id,
                From = home < 0 ? null : home + 1,
                Because = home < 0 ? null : PinReasons.Of(wired, lead, talkers),
            };
        var leaves = home >= 0 && seat.Kind != SeatKind.Bare;
        var solder =
            (leaves ? WorkMinutes.Lift + WorkMinutes.Solder : 0)
            + (seat.Kind != SeatKind.Bare && Harness.Of(part).IsFree(lead.Lead.Id) ? WorkMinutes.Solder : 0);
        return lead.State switch
        {
            LeadState.Spliced => Make(WorkAction.SpliceLead, WorkMinutes.Splice + solder) with
            {
                Socket = null,
                Other = lead.To!.Device,
                OtherLead = lead.To.Lead.Id,
            },
            LeadState.Moved => Make(WorkAction.MoveLead, WorkMinutes.Lift) with { To = lead.Cavity },
            LeadState.Lifted => Make(WorkAction.LiftLead, WorkMinutes.Lift),
            LeadState.Cut => Make(WorkAction.CutLead, WorkMinutes.Lift),
            LeadState.Soldered or LeadState.OnTail when solder > 0 => Make(WorkAction.SolderLead, solder) with
            {
                Pad = lead.Pad!.Id,
            },
            _ => null,
        };
    }
}
