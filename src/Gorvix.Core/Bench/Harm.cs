using Gorvix.Core.Circuits;
using Gorvix.Core.Parts;
using Gorvix.Core.Rails;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Bench;

/// <summary>What would be destroyed if a build were fed as it is.</summary>
public static class Harm
{
    // A data pin of a device stands a little more than its own logic (common practice: 5 V into 5 V-tolerant pins, and no more).
    private const double MostOnData = 5.5;

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
            yield return $"{lead.Label} of {lead.Name} gets {lead.Volts:0.0} V.";
        }
        foreach (
            var rail in sheet.Rails.Where(r =>
                wired.Build.Circuit.Rails.GetValueOrDefault(r.Id)?.Volts is { } made && r.Volts > made * Lifted
            )
        )
        {
            yield return $"{rail.Label} rail is back-fed to {rail.Volts:0.0} V.";
        }
        if (sheet.Input is { } input && input.Volts > input.Window.Max + Slack)
        {
            yield return $"{input.Board} input gets {input.Volts:0.0} V.";
        }
    }

    private static IEnumerable<string> Pins(WiredBuild wired, RailSheet sheet, Copper copper)
    {
        var nets = wired.Build.Circuit.Nets;
        foreach (var rail in sheet.Rails.Where(r => wired.Build.Circuit.Rails.ContainsKey(r.Id)))
        {
            foreach (var point in copper.With(Node.Rail(rail.Id)))
            {
                if (point.Kind == NodeKind.Net && rail.Volts > nets[point.Id].MaxVolts + Slack)
                {
                    yield return $"Controller pin {point.Id} gets {rail.Volts:0.0} V.";
                }
                if (
                    point.Kind == NodeKind.Lead
                    && rail.Volts > MostOnData
                    && wired.Leads.First(l => l.Device == point.Device && l.Lead.Id == point.Id).Lead.Role
                        is LeadRole.Signal
                            or LeadRole.Sense
                            or LeadRole.Video
                )
                {
                    yield return $"{point.Id} of {point.Device} gets {rail.Volts:0.0} V.";
                }
            }
        }
    }
}
