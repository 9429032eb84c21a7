using Gorvix.Core.Wired.Settings;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Gorvix.Core.Work.FaultModel;

namespace Gorvix.Core.Work.Faults;

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

/// <summary>How a fault is mended.</summary>
/// <param name="At">At which screen.</param>
/// <param name="Steps">What to do, in order, in sentences.</param>
public sealed record Cure(CureAt At, IReadOnlyList<string> Steps);

/// <summary>Tells how each fault is mended, from what was meant (common practice for parts and pages).</summary>
public sealed class CureReader(WiredBuild wired, SettingsSheet settings)
{
    private const string Away = "Disconnect battery and USB.";
    private const string Save = "Save, let the board restart, reconnect, read back.";

    /// <summary>How a fault is mended.</summary>
    public Cure Of(PlantedFault fault) =>
        fault.Edit switch
        {
            OpenWire e => Loom($"Connect {Lead(e.Device, e.Lead)} to {Home(e.Device, e.Lead)}."),
            WeakJoint e => Loom(
                $"Reflow the joint of {Lead(e.Device, e.Lead)} at {Home(e.Device, e.Lead)} with fresh flux; in a plug, re-crimp the contact.",
                "Tie the wire down as strain relief for the joint."
            ),
            SwapWires e => Loom(
                $"Move {Lead(e.Device, e.One)} to {Home(e.Device, e.One)} and {Lead(e.Device, e.Other)} to {Home(e.Device, e.Other)}."
            ),
            WireOnPad e => Loom($"Move {Lead(e.Device, e.Lead)} from {Pad(e.Pad)} to {Home(e.Device, e.Lead)}."),
            LeadLeftIn e => Loom($"De-pin {Lead(e.Device, e.Lead)} as shown in the plug drawing; insulate it."),
            HarnessOtherwise e => Loom(
                $"Unplug the {Name(e.Device)} and re-pin its plug as shown in the plug drawing. Match signals, not positions.",
                "Check continuity of every pin before plugging it in again."
            ),
            SolderBlob e => Loom(
                $"Wick away the solder between {Pad(e.One)} and {Pad(e.Other)}; inspect under magnification."
            ),
            BridgeClosed e => Loom(
                wired.Bridges.First(b => b.Bridge.Id == e.Bridge).Positions is [var at, ..]
                    ? $"Set jumper {e.Bridge} to \"{at}\" and no other position."
                    : $"Open jumper {e.Bridge}."
            ),
            PortSetTo or PageEmptied or SettingOff => new Cure(CureAt.Settings, [.. Pages(fault), Save]),
            DeadRail or SaggingRail => new Cure(
                CureAt.Fit,
                [
                    $"{Away} Remove one device from this rail, reconnect, measure the rail. Disconnect again before you remove the next: the one that brings it back was pulling it down.",
                    "If the rail stays wrong with nothing on it, the regulator is dead: power those devices from another rail, or replace the board.",
                ]
            ),
            SourceOff => new Cure(
                CureAt.Around,
                [
                    "Measure the battery or bench supply alone, then at the board's supply pads.",
                    "Charge the battery, or repair its plug and wire. Never leave a charging lithium battery unattended.",
                ]
            ),
            DeadPin => new Cure(
                CureAt.Fit,
                [
                    "Block this port for the link and use the new plan.",
                    $"{Away} Move the wires as shown in Loom. {Save}",
                ]
            ),
            DeadDevice e => new Cure(
                CureAt.Parts,
                [$"{Away} Replace the {Name(e.Device)} and record it in Parts: its joints then count as not done."]
            ),
            Ailing e => Device(e),
            _ => throw new InvalidOperationException($"No cure is known for {fault.Id}."),
        };

    private static Cure Loom(params IReadOnlyList<string> steps) =>
        new(CureAt.Loom, [$"{Away} {steps[0]}", .. steps.Skip(1)]);

    private string Name(string device) => PlantedFaults.Name(wired, device);

    private WiredLead Meant(string device, string lead) =>
        wired.Leads.First(l => l.Device == device && l.Lead.Id == lead);

    private string Lead(string device, string lead) => PlantedFaults.Name(wired, Meant(device, lead));

    private string Home(string device, string lead) =>
        Meant(device, lead) switch
        {
            { Pad: { } pad } => Pad(pad.Id),
            { To: { } to } => $"{to.Lead.Label} of the {Name(to.Device)}",
            _ => "no pad; insulate it",
        };

    private string Pad(string pad) => WireWords.Of(wired.Build.Circuit, wired.Build.Circuit.Pads[pad]);

    private IEnumerable<string> Pages(PlantedFault fault) =>
        fault.Edit is PageEmptied
            ? settings
                .Settings.Where(s => s.Place == SettingPlace.Port)
                .Select(s => $"{s.Words}.")
                .Prepend("Set each port's one function again, never two on a port:")
            : settings.Settings.Where(s => s.Key == fault.Place.Setting).Select(s => $"{s.Words}. {s.Why}");

    private Cure Device(Ailing ails)
    {
        var name = Name(ails.Device);
        return ails.What switch
        {
            DefectKind.InLoader => new(
                CureAt.Loom,
                [
                    $"{Away} Lift its RX lead, then power it up: if it now starts, the board's pin is the cause.",
                    $"{Away} Add a pull-up of about 10 kΩ from that RX to 3.3 V (never 5 V) to hold it high while the board starts. If the light stays, the board drives the pin low: use another port.",
                ]
            ),
            DefectKind.NotBound => new(
                CureAt.Around,
                [
                    $"Re-bind the {name}, with the same firmware generation and region mode on both ends.",
                    "Region, band and power must follow local law and your licence.",
                ]
            ),
            DefectKind.SpeaksOtherwise or DefectKind.ForgotSetup => new(
                CureAt.Settings,
                [
                    $"In the {name}'s own settings, set protocol, baud and polarity to match its port, and save.",
                    .. settings.Settings.Where(s => s.Device == ails.Device).Select(s => $"{s.Words}"),
                ]
            ),
            DefectKind.OldFirmware => new(
                CureAt.Parts,
                [
                    "Back up its settings first.",
                    $"Update the {name}'s firmware, same generation on both ends, and set it up again. Do not restore old settings blindly.",
                ]
            ),
            DefectKind.NoAntenna => new(
                CureAt.Around,
                [
                    $"{Away} A transmitter powered without its antenna is destroyed. Press every antenna connector of the {name} fully home, then secure its cable.",
                ]
            ),
            DefectKind.Indoors => new(
                CureAt.Around,
                [
                    "Take it outdoors under open sky, module facing up, away from the video transmitter, and wait: a first fix can take minutes.",
                ]
            ),
            DefectKind.SlowBay => new(
                CureAt.Settings,
                ["On the radio: set the module bay to 115 200 baud, with a packet rate that fits."]
            ),
            _ => new(
                CureAt.Around,
                [
                    "Propellers off. On the radio: delete all sensors, then let it find them again with the aircraft powered.",
                    "A value with a blinking marker is live.",
                ]
            ),
        };
    }
}
