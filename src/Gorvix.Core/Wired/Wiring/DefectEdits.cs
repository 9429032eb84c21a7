using Gorvix.Core.Hardware.Findings;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>A device that something ails.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="What">What.</param>
public sealed record DeviceFault(string Device, DefectKind What) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Defects = wired.Defects with { Devices = [.. wired.Defects.Devices, new DeviceDefect(Device, What)] },
        };
}

/// <summary>A joint that holds loosely.</summary>
/// <param name="At">The lead.</param>
public sealed record WeakJoint(LeadAt At) : WiringEdit
{
    /// <summary>What it loses under load, in ohms (our own choice): enough that half an ampere is missed.</summary>
    public const double Ohms = 4;

    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Defects = wired.Defects with { Weak = [.. wired.Defects.Weak, At] },
        };
}

/// <summary>A pin of the controller that is dead.</summary>
/// <param name="Net">Id of its net.</param>
public sealed record DeadPin(string Net) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Defects = wired.Defects with { DeadPins = [.. wired.Defects.DeadPins, Net] },
        };
}

/// <summary>A rail that gives too little.</summary>
/// <param name="Rail">Id of the rail.</param>
public sealed record SaggingRail(string Rail) : WiringEdit
{
    /// <summary>What part of its volts it gives (our own choice): below every window that is met.</summary>
    public const double Part = 0.6;

    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Defects = wired.Defects with { Sagging = [.. wired.Defects.Sagging, Rail] },
        };
}

/// <summary>A setting of the board, besides those of ports, that stands otherwise than wanted.</summary>
/// <param name="Key">Its key.</param>
public sealed record SettingOff(string Key) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Defects = wired.Defects with { Settings = [.. wired.Defects.Settings, Key] },
        };
}

/// <summary>A source that does not feed the craft: its plug, its wire, a flat pack; USB alone does.</summary>
public sealed record SourceOff : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Defects = wired.Defects with { IsOnUsbAlone = true },
        };
}

/// <summary>A page of ports that is empty: two jobs on one port, or never saved.</summary>
public sealed record PageEmptied : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) => wired with { Ports = [] };
}

/// <summary>A harness whose contacts sit otherwise than the socket's: the plug of another unit, or one that was made up turned round or one cavity off.</summary>
/// <param name="Device">Id of a device whose plug is seated.</param>
/// <param name="Shift">By how many cavities its leads are off; null where they are turned round.</param>
public sealed record HarnessOtherwise(string Device, int? Shift) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired)
    {
        if (wired.Seats.FirstOrDefault(s => s.Device == Device)?.Seat.Socket is not { } socket)
        {
            throw new InvalidOperationException($"{Device} is in no seated plug.");
        }
        WiredLead Moved(WiredLead lead)
        {
            var cavity = Shift is { } by ? lead.Cavity!.Value + by : socket.Pads.Count + 1 - lead.Cavity!.Value;
            return cavity >= 1 && cavity <= socket.Pads.Count && socket.Pads[cavity - 1] is { } pad
                ? lead with
                {
                    Cavity = cavity,
                    Pad = pad,
                    State = LeadState.Moved,
                }
                : lead with
                {
                    Cavity = null,
                    Pad = null,
                    Socket = null,
                    State = LeadState.InHarness,
                };
        }
        return wired with
        {
            Leads =
            [
                .. wired.Leads.Select(l =>
                    l.Device == Device && l is { Socket: { } s, Cavity: not null } && s == socket ? Moved(l) : l
                ),
            ],
        };
    }
}
