using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>One thing that is other than it was meant: a fault to look for, or one to practise on.</summary>
public abstract record WiringEdit
{
    internal abstract WiredBuild ApplyTo(WiredBuild wired);

    private protected static WiredLead Find(WiredBuild wired, LeadAt at) => wired.LeadOf(at);

    private protected static WiredBuild Put(WiredBuild wired, params WiredLead[] changed) =>
        wired with
        {
            Leads = [.. wired.Leads.Select(l => changed.FirstOrDefault(c => c.At == l.At) ?? l)],
        };
}

/// <summary>A wire that has come off.</summary>
/// <param name="At">The lead.</param>
public sealed record OpenWire(LeadAt At) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        Put(
            wired,
            Find(wired, At) with
            {
                State = LeadState.Open,
                Pad = null,
                Socket = null,
                Cavity = null,
                To = null,
            }
        );
}

/// <summary>Two wires of one device that sit on each other's pads.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="One">Id of a lead.</param>
/// <param name="Other">Id of another one.</param>
public sealed record SwapWires(string Device, string One, string Other) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired)
    {
        var (one, other) = (Find(wired, new(Device, One)), Find(wired, new(Device, Other)));
        WiredLead At(WiredLead lead, WiredLead place) =>
            lead with
            {
                Pad = place.Pad,
                Socket = place.Socket,
                Cavity = place.Cavity,
                To = place.To,
                State = place.State == LeadState.InPlace ? LeadState.Moved : place.State,
            };
        return Put(wired, At(one, other), At(other, one));
    }
}

/// <summary>A wire on another pad than it was meant for.</summary>
/// <param name="At">The lead.</param>
/// <param name="Pad">Id of the pad.</param>
public sealed record WireOnPad(LeadAt At, string Pad) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired)
    {
        var circuit = wired.Build.Circuit;
        var pad = circuit.Pads[Pad];
        var socket = circuit.SocketOf.GetValueOrDefault(Pad);
        return Put(
            wired,
            Find(wired, At) with
            {
                Pad = pad,
                To = null,
                Socket = socket,
                Cavity = socket is null ? null : socket.CavityOf(pad) + 1,
                State = socket is null ? LeadState.Soldered : LeadState.OnTail,
            }
        );
    }
}

/// <summary>A lead that was to leave its plug and sits in it still.</summary>
/// <param name="At">The lead.</param>
public sealed record LeadLeftIn(LeadAt At) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired)
    {
        var lead = Find(wired, At);
        var part = wired.Build.Devices.First(d => d.Id == At.Device).Device;
        var home = Harness.Of(part).HomeOf(At.Lead);
        var socket = wired.Seats.First(s => s.Device == At.Device).Seat.Socket;
        return socket is null || home < 0
            ? throw new InvalidOperationException($"{At.Lead} of {At.Device} is in no seated plug.")
            : Put(
                wired,
                lead with
                {
                    State = LeadState.InPlace,
                    Pad = socket.Pads[home],
                    Socket = socket,
                    Cavity = home + 1,
                    To = null,
                }
            );
    }
}

/// <summary>A bridge that is closed otherwise: in no position, in another one, or in two.</summary>
/// <param name="Bridge">Id of the bridge.</param>
/// <param name="Positions">The positions in which it is closed.</param>
public sealed record BridgeClosed(string Bridge, IReadOnlyList<string> Positions) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Bridges = [.. wired.Bridges.Select(b => b.Bridge.Id == Bridge ? b with { Positions = Positions } : b)],
        };
}

/// <summary>Solder between two pads.</summary>
/// <param name="One">Id of a pad.</param>
/// <param name="Other">Id of another one.</param>
public sealed record SolderBlob(string One, string Other) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Blobs = [.. wired.Blobs, new Blob(One, Other)],
        };
}

/// <summary>A port that is set otherwise, or not at all.</summary>
/// <param name="Link">Id of a link that it carries.</param>
/// <param name="Settings">What it is set to, or null for nothing.</param>
public sealed record PortSetTo(string Link, PortSettings? Settings) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired)
    {
        // Links that share a port share what it is set to.
        var set = wired.Ports.FirstOrDefault(p => p.Link == Link);
        bool Is(PortSet p) => set is not null && p.Port.Id == set.Port.Id && p.Settings == set.Settings;
        return wired with
        {
            Ports =
            [
                .. wired
                    .Ports.Where(p => !Is(p) || Settings is not null)
                    .Select(p => Is(p) ? p with { Settings = Settings! } : p),
            ],
        };
    }
}

/// <summary>A rail that gives nothing.</summary>
/// <param name="Rail">Id of the rail.</param>
public sealed record DeadRail(string Rail) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            DeadRails = new HashSet<string>(wired.DeadRails) { Rail },
        };
}

/// <summary>A device that does nothing.</summary>
/// <param name="Device">Id of the device within the build.</param>
public sealed record DeadDevice(string Device) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            DeadDevices = new HashSet<string>(wired.DeadDevices) { Device },
        };
}

/// <summary>A device that is unplugged: none of its leads touches anything, and what it fed gets nothing.</summary>
/// <param name="Device">Id of the device within the build.</param>
public sealed record Unplugged(string Device) : WiringEdit
{
    internal override WiredBuild ApplyTo(WiredBuild wired) =>
        wired with
        {
            Leads =
            [
                .. wired.Leads.Select(l =>
                    l.Device == Device || l.To?.Device == Device
                        ? l with
                        {
                            State = LeadState.Open,
                            Pad = null,
                            Socket = null,
                            Cavity = null,
                            To = null,
                        }
                        : l
                ),
            ],
        };
}
