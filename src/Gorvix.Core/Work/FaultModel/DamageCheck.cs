using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Rails;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>What would be destroyed if a build were fed as it is.</summary>
public static class DamageCheck
{
    // A logic input stands this much more than its own supply (data sheets' absolute maximum ratings, "VDD + 0.3 V", from memory). Whether
    // a pin of 3.3 V stands 5 V only its data sheet tells, so it is not taken for granted.
    private const double AboveLogic = 0.3;

    private const double Slack = 0.1;

    // A regulator that is lifted by another supply beyond this gives up, or what hangs on it does (our own choice).
    private const double Lifted = 1.15;

    /// <summary>What would be destroyed in a situation, each as a sentence; a source that is limited spares what too much current destroys.</summary>
    /// <param name="wired">The build as it is.</param>
    /// <param name="situation">What feeds it.</param>
    public static IReadOnlyList<string> Of(WiredBuild wired, Situation situation) =>
        Of(wired, RailReader.Read(wired, situation), new Copper(wired));

    /// <summary>What would be destroyed in a situation that is solved already.</summary>
    /// <param name="wired">The build as it is.</param>
    /// <param name="sheet">What it gets.</param>
    /// <param name="copper">What joins its points.</param>
    internal static IReadOnlyList<string> Of(WiredBuild wired, RailSheet sheet, Copper copper)
    {
        var situation = sheet.Situation;
        var spared = situation.InLine != InLine.Nothing || situation.InputVolts is null;
        return
        [
            .. Burnt(wired, sheet),
            .. Pins(wired, sheet, copper),
            .. spared
                ? []
                : sheet.Ties.Select(t =>
                    $"{string.Join(" and ", t)} are tied together: one of them will be destroyed."
                ),
        ];
    }

    private static IEnumerable<string> Burnt(WiredBuild wired, RailSheet sheet)
    {
        if (sheet.Problem is { } problem)
        {
            yield return $"Result at {problem.Place} is unknown: {problem.Why}.";
        }
        foreach (var lead in sheet.Leads.Where(l => l.State == LeadFeed.Burns || l.Volts < -0.3))
        {
            yield return $"{lead.Label} of {lead.Name} gets {(lead.Volts < 0 ? lead.Volts : lead.MostVolts):0.0} V.";
        }
        foreach (
            var rail in sheet.Rails.Where(r =>
                wired.Build.Circuit.Rails.GetValueOrDefault(r.Id)?.Volts is { } made && r.Volts > made * Lifted
            )
        )
        {
            yield return $"{rail.Label} rail is back-fed to {rail.Volts:0.0} V.";
        }
        if (sheet.Input is { } input && input.Window.IsOver(input.MostVolts))
        {
            yield return $"{input.Board} input gets {input.MostVolts:0.0} V.";
        }
    }

    // A pin of no port is called by the pad that leads to it.
    private static string PinOf(ResolvedBuild build, string net) =>
        build.Board.Ports.FirstOrDefault(p => p.Nets.Contains(net)) is { } port
            ? PortWords.Of(port, net) ?? port.Name
            : $"at {build.Circuit.To(net).First().Pad.Label}";

    private static IEnumerable<string> Pins(WiredBuild wired, RailSheet sheet, Copper copper)
    {
        var nets = wired.Build.Circuit.Nets;
        foreach (var rail in sheet.Rails.Where(r => wired.Build.Circuit.Rails.ContainsKey(r.Id)))
        {
            foreach (var point in copper.With(Node.Rail(rail.Id)))
            {
                if (point.Kind == NodeKind.Net && rail.Volts > nets[point.Id].MaxVolts + Slack)
                {
                    yield return $"Controller pin {PinOf(wired.Build, point.Id)} gets {rail.Volts:0.0} V.";
                }
                if (
                    point.Kind == NodeKind.Lead
                    && wired.LeadOf(new(point.Device, point.Id)).Lead
                        is { Role: LeadRole.Signal or LeadRole.Sense or LeadRole.Video } lead
                    && rail.Volts > lead.DriveVolts + AboveLogic
                )
                {
                    var device = wired.Build.Devices.First(d => d.Id == point.Device).Device.Name;
                    yield return $"{lead.Label} of {device} gets {rail.Volts:0.0} V.";
                }
            }
        }
    }
}
