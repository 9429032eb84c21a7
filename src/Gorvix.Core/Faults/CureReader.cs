using Gorvix.Core.Bench;
using Gorvix.Core.Settings;
using Gorvix.Core.Wiring;
using Gorvix.Core.Words;

namespace Gorvix.Core.Faults;

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
    private const string Away = "Battery and USB away.";
    private const string Save = "Save, let the board restart, connect again, read back.";

    /// <summary>How a fault is mended.</summary>
    public Cure Of(PlantedFault fault) =>
        fault.Edit switch
        {
            OpenWire e => Loom($"Join {Lead(e.Device, e.Lead)} to {Home(e.Device, e.Lead)}."),
            WeakJoint e => Loom(
                $"Heat the joint of {Lead(e.Device, e.Lead)} at {Home(e.Device, e.Lead)} once more with fresh flux; in a plug, crimp the contact anew.",
                "Tie the wire down so that it does not pull at the joint."
            ),
            SwapWires e => Loom(
                $"Put {Lead(e.Device, e.One)} on {Home(e.Device, e.One)} and {Lead(e.Device, e.Other)} on {Home(e.Device, e.Other)}."
            ),
            WireOnPad e => Loom(
                $"Take {Lead(e.Device, e.Lead)} off {Pad(e.Pad)} and put it on {Home(e.Device, e.Lead)}."
            ),
            LeadLeftIn e => Loom(
                $"Take {Lead(e.Device, e.Lead)} out of its plug, as the plug's picture shows, and insulate it."
            ),
            HarnessOtherwise e => Loom(
                $"Pull the plug of the {Name(e.Device)}, and put each contact where the plug's picture shows, by function and not by place.",
                "Beep each cavity before it is plugged in again."
            ),
            SolderBlob e => Loom(
                $"Wick away the solder between {Pad(e.One)} and {Pad(e.Other)}, and look under the glass."
            ),
            BridgeClosed e => Loom(
                wired.Bridges.First(b => b.Bridge.Id == e.Bridge).Positions is [var at, ..]
                    ? $"Set bridge {e.Bridge} to \"{at}\", and nothing else."
                    : $"Open bridge {e.Bridge}."
            ),
            PortSetTo or PageEmptied or SettingOff => new Cure(CureAt.Settings, [.. Pages(fault), Save]),
            DeadRail or SaggingRail => new Cure(
                CureAt.Fit,
                [
                    $"{Away} Unplug what hangs on this rail, one after the other, and measure it each time: what brings it back has pulled it down.",
                    "If it stays so with nothing on it, the regulator is gone: feed those devices from another rail, or take another board.",
                ]
            ),
            SourceOff => new Cure(
                CureAt.Around,
                [
                    "Measure the source by itself, then at the board's supply pads.",
                    "Charge the pack, or mend its plug and wire; a lithium pack is never left alone on charge.",
                ]
            ),
            DeadPin => new Cure(
                CureAt.Fit,
                [
                    "Ban this port for the link, and take the plan that comes then.",
                    $"{Away} Move the wires as the Loom says. {Save}",
                ]
            ),
            DeadDevice e => new Cure(
                CureAt.Parts,
                [
                    $"Exchange the {Name(e.Device)} for another piece, and say so under Parts: its joints count as not done then.",
                ]
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
            _ => "nothing, insulated",
        };

    private string Pad(string pad) => WireWords.Of(wired.Build.Circuit, wired.Build.Circuit.Pads[pad]);

    private IEnumerable<string> Pages(PlantedFault fault) =>
        fault.Edit is PageEmptied
            ? settings
                .Settings.Where(s => s.Place == SettingPlace.Port)
                .Select(s => $"{s.Words}.")
                .Prepend("Give every port its one job again, and no port two:")
            : settings.Settings.Where(s => s.Key == fault.Place.Setting).Select(s => $"{s.Words}. {s.Why}");

    private Cure Device(Ailing ails)
    {
        var name = Name(ails.Device);
        return ails.What switch
        {
            Ailment.InLoader => new(
                CureAt.Loom,
                [
                    "Power it up with its RX lead off: where it starts now, the board's pin is the cause.",
                    $"{Away} A resistor of about 10 kΩ from that RX to 3.3 V holds it high while the board starts; else another port.",
                ]
            ),
            Ailment.NotBound => new(
                CureAt.Around,
                [
                    $"Bind the {name} anew, with the same firmware generation and region mode at both ends.",
                    "Region, band and power are by local law and licence.",
                ]
            ),
            Ailment.SpeaksOtherwise or Ailment.ForgotSetup => new(
                CureAt.Settings,
                [
                    $"In the {name}'s own page set protocol, rate and polarity as its port wants them, and store it.",
                    .. settings.Settings.Where(s => s.Device == ails.Device).Select(s => $"{s.Words}"),
                ]
            ),
            Ailment.OldFirmware => new(
                CureAt.Parts,
                [
                    "Save its settings first.",
                    $"Give the {name} newer firmware, the same generation at both ends, and set it anew: old settings are not poured back blindly.",
                ]
            ),
            Ailment.NoAntenna => new(
                CureAt.Around,
                [
                    $"{Away} A transmitter without an antenna dies. Press every antenna of the {name} home, then tie its lead down.",
                ]
            ),
            Ailment.Indoors => new(
                CureAt.Around,
                [
                    "Take it out under the open sky, the module up, away from the transmitter, and wait: a first fix can take minutes.",
                ]
            ),
            Ailment.SlowBay => new(
                CureAt.Settings,
                ["On the radio: set the module bay to 115200 baud, and the packet rate to what fits it."]
            ),
            _ => new(
                CureAt.Around,
                [
                    "On the radio: delete every sensor, then let it look for them anew, the craft powered.",
                    "A value whose mark blinks is alive.",
                ]
            ),
        };
    }
}
