using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Routing;

/// <summary>What kind of thing is taken.</summary>
public enum ThingKind
{
    /// <summary>A whole port.</summary>
    Port,

    /// <summary>One half of a port; the name is its net.</summary>
    Half,

    /// <summary>A net.</summary>
    Net,

    /// <summary>A lead of a device.</summary>
    Lead,

    /// <summary>An address on a bus.</summary>
    Address,

    /// <summary>A cavity of a seated plug into which a lead is moved.</summary>
    Cavity,
}

/// <summary>Something that only one may have.</summary>
/// <param name="Kind">What kind of thing it is.</param>
/// <param name="Owner">The port or device that it belongs to; empty for a net or a port.</param>
/// <param name="Name">Its own id.</param>
public readonly record struct Thing(ThingKind Kind, string Owner, string Name)
{
    // Made once: a planner asks for it thousands of times.
    private readonly int _hash = HashCode.Combine(Kind, Owner, Name);

    /// <inheritdoc/>
    public bool Equals(Thing other) =>
        other._hash == _hash && other.Kind == Kind && other.Name == Name && other.Owner == Owner;

    /// <inheritdoc/>
    public override int GetHashCode() => _hash;
}

/// <summary>What a hookup needs. Two can stand together when they take nothing twice and all their holds agree.</summary>
/// <param name="Takes">What nobody else may have.</param>
/// <param name="Holds">What others may hold too, if they agree.</param>
public sealed record Claims(IReadOnlyList<Thing> Takes, IReadOnlyList<Hold> Holds)
{
    /// <summary>Needs nothing.</summary>
    public static readonly Claims None = new([], []);

    /// <summary>These and what joints need, and a few states more.</summary>
    internal Claims With(IReadOnlyList<Joint> joints, params Hold[] more) =>
        joints.All(j => j.Takes.Count == 0 && j.Holds.Count == 0) && more.Length == 0
            ? this
            : new(
                [.. Takes, .. joints.SelectMany(j => j.Takes)],
                [.. Holds, .. joints.SelectMany(j => j.Holds).Concat(more).Distinct()]
            );
}

/// <summary>What is held.</summary>
public enum HoldKind
{
    /// <summary>Where a bridge stands.</summary>
    Bridge,

    /// <summary>Which port's job a net does.</summary>
    Net,

    /// <summary>Which lead is on a net.</summary>
    User,

    /// <summary>What the halves of a port are set to.</summary>
    Halves,

    /// <summary>That a whole port is in use.</summary>
    Whole,

    /// <summary>Where the plug of a device sits.</summary>
    Seat,

    /// <summary>Whose plug a socket has.</summary>
    Socket,

    /// <summary>Whether a lead is in the cavity in which it came.</summary>
    Home,

    /// <summary>Whether a device has its supply.</summary>
    Power,

    /// <summary>A setting of the board as a whole.</summary>
    Setting,
}

/// <summary>What a hold is a state of.</summary>
/// <param name="Kind">What is held.</param>
/// <param name="Owner">The device of a lead; else empty.</param>
/// <param name="Name">Id of the bridge, net, port, device, socket or lead.</param>
public readonly record struct HoldGroup(HoldKind Kind, string Owner, string Name)
{
    private readonly int _hash = HashCode.Combine(Kind, Owner, Name);

    /// <inheritdoc/>
    public bool Equals(HoldGroup other) =>
        other._hash == _hash && other.Kind == Kind && other.Name == Name && other.Owner == Owner;

    /// <inheritdoc/>
    public override int GetHashCode() => _hash;
}

/// <summary>A state of something shared. Two holds of one group must agree.</summary>
/// <param name="Group">What it is a state of.</param>
public abstract record Hold(HoldGroup Group)
{
    /// <summary>True when both can be at once; asked only for holds of one group.</summary>
    public virtual bool Agrees(Hold other) => Equals(other);

    /// <summary>Points of hand work, paid once however many hold it.</summary>
    public virtual int HandWork => 0;

    /// <summary>Whole ports used, paid once however many hold it.</summary>
    public virtual int WholePorts => 0;
}

/// <summary>A bridge in a position.</summary>
/// <param name="Bridge">The bridge.</param>
/// <param name="Position">Where it stands.</param>
public sealed record BridgeHold(Bridge Bridge, string Position) : Hold(new HoldGroup(HoldKind.Bridge, "", Bridge.Id))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();

    /// <inheritdoc/>
    public override int HandWork => Position == Bridge.Default ? 0 : WorkPoints.Bridge;
}

/// <summary>A net doing the job of one of the ports that name it.</summary>
/// <param name="Net">Id of the net.</param>
/// <param name="Port">Id of the port.</param>
public sealed record NetHold(string Net, string Port) : Hold(new HoldGroup(HoldKind.Net, "", Net))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
}

/// <summary>A net with one lead on it that talks or is talked to; on a bus, the bus as a whole.</summary>
/// <param name="Net">Id of the net.</param>
/// <param name="Device">Id within the build of the device, or of the bus.</param>
/// <param name="Lead">Id of the lead; empty for a bus.</param>
public sealed record UserHold(string Net, string Device, string Lead) : Hold(new HoldGroup(HoldKind.User, "", Net))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
}

/// <summary>One half of a port whose other half somebody else may have.</summary>
/// <param name="Port">Id of the port.</param>
/// <param name="Job">The job of this half.</param>
/// <param name="Framing">The shape of a character; a port has one.</param>
/// <param name="Baud">Bits per second; a port has one.</param>
/// <param name="Half">Which half it is: one user listens, the other talks.</param>
/// <param name="Swapped">Whether the port exchanges its pins; it does so for both.</param>
/// <param name="Firmware">Says which jobs may share, or null when all may.</param>
public sealed record ShareHold(
    string Port,
    PortJob Job,
    Framing Framing,
    int Baud,
    Half Half,
    PinSwapped Swapped,
    FirmwareProfile? Firmware
) : Hold(new HoldGroup(HoldKind.Halves, "", Port))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();

    /// <inheritdoc/>
    public override bool Agrees(Hold other) =>
        other is ShareHold share
        && share.Framing == Framing
        && share.Baud == Baud
        && share.Job != Job
        && share.Half != Half
        && share.Swapped == Swapped
        && (Firmware?.MayShare(Job, share.Job) ?? true);
}

/// <summary>Whether a port exchanges its pins.</summary>
public enum PinSwapped
{
    /// <summary>RX and TX are where they are printed.</summary>
    No,

    /// <summary>They are exchanged.</summary>
    Yes,
}

/// <summary>A whole port of which at least one half is in use.</summary>
/// <param name="Port">Id of the port.</param>
public sealed record WholeHold(string Port) : Hold(new HoldGroup(HoldKind.Whole, "", Port))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();

    /// <inheritdoc/>
    public override int WholePorts => 1;
}

/// <summary>The plug of a device where it sits.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Seat">What is done with its plug.</param>
/// <param name="Socket">Id of the socket when it is seated; else null.</param>
public sealed record SeatHold(string Device, SeatKind Seat, string? Socket)
    : Hold(new HoldGroup(HoldKind.Seat, "", Device))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
}

/// <summary>A socket with a plug in it.</summary>
/// <param name="Socket">Id of the socket.</param>
/// <param name="Device">Id of the device whose plug it is; null for a tail, a mating plug with bare wires.</param>
public sealed record SocketHold(string Socket, string? Device) : Hold(new HoldGroup(HoldKind.Socket, "", Socket))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();

    /// <inheritdoc/>
    public override int HandWork => Device is null ? WorkPoints.Tail : 0;
}

/// <summary>Whether a lead is where it came.</summary>
public enum Home
{
    /// <summary>In the cavity in which it came.</summary>
    Kept,

    /// <summary>Out of it.</summary>
    Left,
}

/// <summary>A lead that stays in its cavity, or that has left it.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">Id of the lead.</param>
/// <param name="Home">Which of both.</param>
/// <param name="Lift">What taking it out costs, whoever asks for it; 0 where its seat has counted that.</param>
public sealed record HomeHold(string Device, string Lead, Home Home, int Lift = 0)
    : Hold(new HoldGroup(HoldKind.Home, Device, Lead))
{
    /// <inheritdoc/>
    public override bool Agrees(Hold other) => other is HomeHold home && home.Home == Home;

    /// <inheritdoc/>
    public override int HandWork => Lift;

    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
}

/// <summary>Whether a device has its supply.</summary>
public enum Power
{
    /// <summary>Every supply lead is fed.</summary>
    Fed,

    /// <summary>At least one is not.</summary>
    Unfed,
}

/// <summary>A device that is fed, or that is not. A link needs its device fed.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Power">Which of both.</param>
public sealed record PowerHold(string Device, Power Power) : Hold(new HoldGroup(HoldKind.Power, "", Device))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
}

/// <summary>A setting of the board that is made once, however many links need it.</summary>
/// <param name="Setting">The setting, or what is replaced.</param>
public sealed record SettingHold(string Setting) : Hold(new HoldGroup(HoldKind.Setting, "", Setting))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();

    /// <inheritdoc/>
    public override int HandWork => WorkPoints.Setting;
}
