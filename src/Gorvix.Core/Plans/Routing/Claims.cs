using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;

namespace Gorvix.Core.Plans.Routing;

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

    /// <summary>A job that one port only may have.</summary>
    Job,
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

    /// <summary>What these and others fight about: a thing that both take, or states that do not agree; empty when both can be.</summary>
    public IEnumerable<Fight> FightsWith(Claims other)
    {
        foreach (var thing in Takes)
        {
            if (other.Takes.Contains(thing))
            {
                yield return new Fight(thing, null);
            }
        }
        foreach (var hold in Holds)
        {
            foreach (var theirs in other.Holds)
            {
                if (hold.Group == theirs.Group && !hold.Agrees(theirs))
                {
                    yield return new Fight(null, theirs);
                }
            }
        }
    }

    /// <summary>These and what joints need, and a few states more.</summary>
    internal Claims With(IReadOnlyList<Joint> joints, params Hold[] more) =>
        joints.All(j => j.Takes.Count == 0 && j.Holds.Count == 0) && more.Length == 0
            ? this
            : new(
                [.. Takes, .. joints.SelectMany(j => j.Takes)],
                [.. Holds, .. joints.SelectMany(j => j.Holds).Concat(more).Distinct()]
            );
}

/// <summary>What two hookups fight about.</summary>
/// <param name="Thing">What both take, or null.</param>
/// <param name="Theirs">The state that the other one holds, or null.</param>
public sealed record Fight(Thing? Thing, Hold? Theirs);

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

    /// <summary>What feeds a device whose output feeds others.</summary>
    Source,

    /// <summary>A setting of the board as a whole.</summary>
    Setting,

    /// <summary>Which port has a job that several links may share there.</summary>
    Job,

    /// <summary>Which of its pins a serial unit is led to.</summary>
    Pins,

    /// <summary>Where a link is that others ride in.</summary>
    Ride,

    /// <summary>Who has a port that can be shared by those who answer in turn.</summary>
    Port,

    /// <summary>Who has a half of it.</summary>
    Half,

    /// <summary>Who has a net.</summary>
    Wire,
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

    /// <summary>Minutes of hand work, paid once however many hold it.</summary>
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
    public override int HandWork => Position == Bridge.Default ? 0 : WorkMinutes.Of(Bridge);
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

/// <summary>A whole port of which some who answer in turn have one wire.</summary>
/// <param name="Port">Id of the port.</param>
public sealed record TurnsHold(string Port) : Hold(new HoldGroup(HoldKind.Whole, "", Port))
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
    public override int HandWork => Device is null ? WorkMinutes.Tail : 0;
}

/// <summary>A job in the one port that may have it; links that answer in turn can share that port.</summary>
/// <param name="Job">The job.</param>
/// <param name="Port">Id of the port.</param>
public sealed record JobHold(PortJob Job, string Port) : Hold(new HoldGroup(HoldKind.Job, "", $"{Job}"))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
}

/// <summary>A serial unit on one of its choices of pins.</summary>
/// <param name="Port">Id of the port.</param>
/// <param name="Pins">Name of the pins; empty for those on which it comes.</param>
public sealed record PinsHold(string Port, string Pins) : Hold(new HoldGroup(HoldKind.Pins, "", Port))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
}

/// <summary>Where a link is that others ride in; both must say the same.</summary>
/// <param name="Link">Id of the link that carries.</param>
/// <param name="Port">Its port, or null when it is not carried.</param>
/// <param name="Mode">Its mode, or null.</param>
public sealed record RideHold(string Link, string? Port, string? Mode) : Hold(new HoldGroup(HoldKind.Ride, "", Link))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
}

/// <summary>Whether a port, a half or a net has one user, or some who answer in turn; said only in builds that have such links.</summary>
/// <param name="Kind">Port, half or net.</param>
/// <param name="Owner">The port of a half; else empty.</param>
/// <param name="Name">Its id.</param>
/// <param name="Turns">What those who share it have in common; empty where one user has it alone.</param>
public sealed record UseHold(HoldKind Kind, string Owner, string Name, string Turns)
    : Hold(new HoldGroup(Kind, Owner, Name))
{
    /// <inheritdoc/>
    public override int GetHashCode() => Group.GetHashCode();
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

/// <summary>What feeds a device that may feed others: they must know what they get.</summary>
/// <param name="Device">Id within the build of the device.</param>
/// <param name="Rail">Id of the rail that feeds it; null when nothing does.</param>
/// <param name="Volts">What arrives at it; null when nothing does.</param>
public sealed record SourceHold(string Device, string? Rail, VoltWindow? Volts)
    : Hold(new HoldGroup(HoldKind.Source, "", Device))
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
    public override int HandWork => WorkMinutes.Setting;
}
