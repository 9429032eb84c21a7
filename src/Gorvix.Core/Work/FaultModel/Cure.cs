using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>Which screen a cure is done at.</summary>
public enum CureAt
{
    /// <summary>With iron and hands: the Loom.</summary>
    Loom,

    /// <summary>On a page of settings: Settings.</summary>
    Settings,

    /// <summary>Another part: Parts.</summary>
    Parts,

    /// <summary>Another way for the link: Fit.</summary>
    Fit,

    /// <summary>Neither: antenna, sky, radio.</summary>
    Around,
}

/// <summary>How a fault is mended (common practice).</summary>
/// <param name="At">At which screen.</param>
/// <param name="Steps">What to do, in order, in sentences.</param>
public sealed record Cure(CureAt At, IReadOnlyList<string> Steps)
{
    internal static string Away => "Disconnect battery and USB.";
    internal static string Save => "Save, let the board restart, reconnect, read back.";

    /// <summary>With iron and hands, nothing plugged in.</summary>
    internal static Cure ByHand(params IReadOnlyList<string> steps) =>
        new(CureAt.Loom, [$"{Away} {steps[0]}", .. steps.Skip(1)]);
}

/// <summary>What cures speak of: the build as it is meant, with its settings.</summary>
/// <param name="wired">The build.</param>
/// <param name="settings">Its settings.</param>
public sealed class CureGround(WiredBuild wired, SettingsSheet settings)
{
    /// <summary>The build as it is meant.</summary>
    internal WiredBuild Wired { get; } = wired;

    /// <summary>Its settings.</summary>
    internal IReadOnlyList<Setting> Settings { get; } = settings.Settings;

    internal string Name(string device) => PlantedFaults.Name(Wired, device);

    internal string Lead(LeadAt at) => PlantedFaults.Name(Wired, Wired.LeadOf(at));

    /// <summary>Where a lead belongs.</summary>
    internal string Home(LeadAt at) =>
        Wired.LeadOf(at) switch
        {
            { Pad: { } pad } => Pad(pad.Id),
            { To: { } to } => $"{to.Lead.Label} of the {Name(to.Device)}",
            _ => "no pad; insulate it",
        };

    internal string Pad(string pad) => WireWords.Of(Wired.Build.Circuit, Wired.Build.Circuit.Pads[pad]);
}
