using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Loom;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>What the families of faults look at: the build as it is meant, and what several of them ask of it.</summary>
internal sealed class FaultGround(WiredBuild wired)
{
    private static readonly DateOnly AnyDay = new(2026, 1, 1);
    private readonly Lazy<IReadOnlyList<Setting>> _settings = new(() => SettingsReader.Of(wired, AnyDay).Settings);

    public WiredBuild Wired { get; } = wired;

    /// <summary>Pads that a slip of the iron joins.</summary>
    public Neighbours Near { get; } = new(wired.Build.Circuit);

    /// <summary>Leads that do something and sit on a pad.</summary>
    public IEnumerable<WiredLead> Used => Wired.Leads.Where(l => l.IsUsed && l.Pad is not null);

    /// <summary>Its settings, of any day.</summary>
    public IReadOnlyList<Setting> Settings => _settings.Value;

    public string Name(WiredLead lead) => PlantedFaults.Name(Wired, lead);

    public string Label(WiredLead lead) => PlantedFaults.Label(Wired, lead);

    public string Name(string device) => PlantedFaults.Name(Wired, device);

    /// <summary>Where a lead sits, with more pads to look at.</summary>
    public static FaultPlace At(WiredLead lead, params IEnumerable<string> more) =>
        new(lead.Device, lead.Lead.Id, [.. lead.Pad is { } pad ? new[] { pad.Id } : [], .. more]);

    /// <summary>A wire on another pad than it was meant for.</summary>
    public PlantedFault Moved(WiredLead lead, Pad pad, string id, FaultKind kind)
    {
        var at = lead.At;
        return new PlantedFault(
            $"{id}.{at.Device}.{at.Lead}.{pad.Id}",
            $"{Name(lead)} is on {WireWords.Of(Wired.Build.Circuit, pad)}",
            new WireOnPad(at, pad.Id)
        )
        {
            Kind = kind,
            Place = At(lead, pad.Id),
            Cure = g => Cure.ByHand($"Move {g.Lead(at)} from {g.Pad(pad.Id)} to {g.Home(at)}."),
        };
    }
}
