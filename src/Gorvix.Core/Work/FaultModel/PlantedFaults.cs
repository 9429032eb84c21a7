using System.Text.Json.Serialization;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Work.FaultModel;

/// <summary>What kind of thing has gone wrong: what it is looked for by, how usual it is, and what is learned of it.</summary>
public enum FaultKind
{
    /// <summary>A wire has come off, or was never joined.</summary>
    Open,

    /// <summary>A joint holds loosely.</summary>
    Weak,

    /// <summary>The two wires of a two-way link are exchanged.</summary>
    Crossed,

    /// <summary>Two other wires of a device are exchanged.</summary>
    Exchanged,

    /// <summary>A wire sits on the pad beside.</summary>
    Beside,

    /// <summary>A wire sits on a pad of another port, or on another pad of its own.</summary>
    OtherPort,

    /// <summary>A lead that was to leave its plug sits in it.</summary>
    LeftIn,

    /// <summary>The harness is another unit's, turned round or one cavity off.</summary>
    Harness,

    /// <summary>Solder joins two pads.</summary>
    Blob,

    /// <summary>A solder bridge stands otherwise.</summary>
    Bridge,

    /// <summary>A port has no job, or another one.</summary>
    Port,

    /// <summary>The page of ports is empty.</summary>
    Page,

    /// <summary>A setting of the board stands otherwise.</summary>
    Setting,

    /// <summary>A rail is dead or gives too little.</summary>
    Rail,

    /// <summary>A pin of the controller is dead.</summary>
    Pin,

    /// <summary>A device is dead.</summary>
    Dead,

    /// <summary>A device waits in its loader.</summary>
    Loader,

    /// <summary>A device does not know its other end.</summary>
    Unbound,

    /// <summary>A device is set otherwise, or has forgotten what it was set to.</summary>
    DeviceSetting,

    /// <summary>A device's firmware is old.</summary>
    Firmware,

    /// <summary>Nothing is wrong with the craft: antenna, sky, radio.</summary>
    Around,
}

/// <summary>Where a fault sits.</summary>
/// <param name="Device">Id within the build of the device; null where it is none's.</param>
/// <param name="Lead">Id of its lead; null where it is none's.</param>
/// <param name="Pads">Ids of the pads to look at.</param>
/// <param name="Bridge">Id of the bridge, or null.</param>
/// <param name="Setting">Key of the setting, or null.</param>
public sealed record FaultPlace(
    string? Device = null,
    string? Lead = null,
    IReadOnlyList<string>? Pads = null,
    string? Bridge = null,
    string? Setting = null
);

/// <summary>
/// A fault that an aircraft can have, with all that is known of it: what is other, where, how usual it is, how it is mended. What tests show of it
/// and what it destroys is read off the circuit that its edit makes.
/// </summary>
/// <param name="Id">Its id.</param>
/// <param name="Words">It in words, without a stop at the end.</param>
/// <param name="Edit">What is other than it was meant.</param>
public sealed record PlantedFault(string Id, string Words, [property: JsonIgnore] WiringEdit Edit)
{
    /// <summary>What kind of thing has gone wrong.</summary>
    public required FaultKind Kind { get; init; }

    /// <summary>How much likelier the circuit makes it than others of its kind: 1 as a rule.</summary>
    [JsonIgnore]
    public double Weight { get; init; } = 1;

    /// <summary>Where it sits.</summary>
    public required FaultPlace Place { get; init; }

    /// <summary>How it is mended.</summary>
    [JsonIgnore]
    public Func<CureGround, Cure> Cure { get; init; } =
        _ => throw new InvalidOperationException("This fault has no cure.");
}

/// <summary>What goes wrong at an aircraft, made from its circuit: every wire, bridge, setting, part, each by itself.</summary>
public static class PlantedFaults
{
    /// <summary>Every fault that this build can have, each by itself. The order is part of what a drill code means.</summary>
    /// <param name="wired">The build as it is meant.</param>
    public static IReadOnlyList<PlantedFault> Of(WiredBuild wired)
    {
        var ground = new FaultGround(wired);
        return
        [
            .. JointFaults.Of(ground),
            .. SwapFaults.Of(ground),
            .. PlacementFaults.Beside(ground),
            .. PlugFaults.OneCavityOff(ground),
            .. PlacementFaults.Elsewhere(ground),
            .. PlugFaults.LeftIn(ground),
            .. PlugFaults.Harnesses(ground),
            .. SolderFaults.Blobs(ground),
            .. SolderFaults.Bridges(ground),
            .. SettingFaults.Of(ground),
            .. SupplyFaults.Rails(ground),
            .. PartFaults.Pins(ground),
            .. SupplyFaults.Source(ground),
            .. PartFaults.Devices(ground),
        ];
    }

    internal static string Name(WiredBuild wired, string device) =>
        wired.Build.Devices.First(d => d.Id == device).Device.Name;

    internal static string Name(WiredBuild wired, WiredLead lead) =>
        $"{Label(wired, lead)} of {Name(wired, lead.Device)}";

    // Two leads of one label are told apart by their colours, else by their ids.
    internal static string Label(WiredBuild wired, WiredLead lead) =>
        wired.Leads.Any(l =>
            l.Device == lead.Device && l.Lead.Id != lead.Lead.Id && l.Lead.Label == lead.Lead.Label && l.IsUsed
        )
            ? $"{lead.Lead.Label} ({lead.Lead.Colour ?? lead.Lead.Id})"
            : lead.Lead.Label;

    internal static bool IsFed(WiredLead lead) =>
        lead.Lead.Role == LeadRole.Supply && (lead.Pad is not null || lead.To is not null);
}
