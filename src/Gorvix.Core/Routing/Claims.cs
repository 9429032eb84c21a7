using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Routing;

/// <summary>Something for the builder's hands.</summary>
/// <param name="Words">What to do.</param>
/// <param name="Points">How much it is, on the scale of <see cref="WorkPoints"/>.</param>
public sealed record Work(string Words, int Points);

/// <summary>Our own scale of hand work.</summary>
public static class WorkPoints
{
    /// <summary>Iron on small pads.</summary>
    public const int Bridge = 4;

    /// <summary>New firmware in a device.</summary>
    public const int Firmware = 6;

    /// <summary>A setting in a device or in the board's firmware.</summary>
    public const int Setting = 2;

    /// <summary>A resistor soldered to a wire.</summary>
    public const int Resistor = 3;

    /// <summary>Pins of a plug moved to other places.</summary>
    public const int Repin = 2;

    /// <summary>One lead taken out of a plug, or cut.</summary>
    public const int Lift = 1;

    /// <summary>One lead soldered although its plug would fit the board.</summary>
    public const int Solder = 1;
}

/// <summary>What a route needs of the board. Two routes can stand together when they take nothing twice and all their holds agree.</summary>
/// <param name="Takes">What nobody else may have: ports, nets, leads, bus addresses.</param>
/// <param name="Holds">What others may hold too, if they agree.</param>
public sealed record Claims(IReadOnlyList<string> Takes, IReadOnlyList<Hold> Holds);

/// <summary>A state of something shared. Two holds of one group must agree.</summary>
/// <param name="Group">What it is a state of.</param>
public abstract record Hold(string Group)
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
public sealed record BridgeHold(Bridge Bridge, string Position) : Hold($"bridge {Bridge.Id}")
{
    /// <inheritdoc/>
    public override int HandWork => Position == Bridge.Default ? 0 : WorkPoints.Bridge;
}

/// <summary>A net doing the job of one of the ports that name it, or driven by a lead that talks unasked.</summary>
/// <param name="Net">Id of the net.</param>
/// <param name="By">Id of the port, or device and lead.</param>
public sealed record NetHold(string Net, string By) : Hold($"net {Net}");

/// <summary>One half of a port whose other half somebody else may have.</summary>
/// <param name="Port">Id of the port.</param>
/// <param name="Job">The job of this half.</param>
/// <param name="Framing">The shape of a character; a port has one.</param>
/// <param name="Baud">Bits per second; a port has one.</param>
/// <param name="Firmware">Says which jobs may share, or null when all may.</param>
public sealed record ShareHold(string Port, PortJob Job, Framing Framing, int Baud, FirmwareProfile? Firmware)
    : Hold($"halves {Port}")
{
    /// <inheritdoc/>
    public override bool Agrees(Hold other) =>
        other is ShareHold share
        && share.Framing == Framing
        && share.Baud == Baud
        && share.Job != Job
        && (Firmware?.MayShare(Job, share.Job) ?? true);
}

/// <summary>A whole port of which at least one half is in use.</summary>
/// <param name="Port">Id of the port.</param>
public sealed record WholeHold(string Port) : Hold($"whole {Port}")
{
    /// <inheritdoc/>
    public override int WholePorts => 1;
}
