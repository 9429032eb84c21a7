using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What is done with the plug of a device.</summary>
public enum SeatKind
{
    /// <summary>It has no plug that goes into a socket of this board: its leads are soldered.</summary>
    Bare,

    /// <summary>It sits in a socket.</summary>
    Seated,

    /// <summary>It could sit in a socket and does not: its leads are taken out and soldered one by one.</summary>
    Loose,

    /// <summary>The device is not connected at all.</summary>
    Off,
}

/// <summary>
/// Everything that a plan can choose for one thing: a route of a link, a feed of a supply, a seat of a plug, a stay of a lead. It
/// takes things, holds states, costs work and carries hazards.
/// </summary>
public abstract record Hookup
{
    /// <summary>Id within the build of the device that it is about.</summary>
    public string? DeviceId =>
        this switch
        {
            Route route => route.Link.Want.Device,
            Feed feed => feed.Device,
            SeatWay seat => seat.Device.Id,
            LeadStay stay => stay.Device,
            Absent absent => absent.Link.Want.Device,
            _ => null,
        };

    /// <summary>What is done with the plug of its device.</summary>
    public Seat Seat { get; init; } = Seat.Bare;

    /// <summary>What it needs of the board and of its device's plug.</summary>
    public Claims Claims { get; init; } = Claims.None;

    /// <summary>What it asks of the builder's hands besides what its holds ask.</summary>
    public IReadOnlyList<Work> Work { get; init; } = [];

    /// <summary>Minutes of hand work, as in <see cref="WorkMinutes"/>; below zero where it saves what the seat has counted.</summary>
    public int Minutes { get; init; }

    /// <summary>What can go wrong although it works; each weighs in the objective.</summary>
    public IReadOnlyList<Finding> Hazards { get; init; } = [];
}

/// <summary>Where the plug of a device is.</summary>
/// <param name="Kind">What is done with it.</param>
/// <param name="Socket">The socket when it is seated; else null.</param>
public sealed record Seat(SeatKind Kind, Socket? Socket)
{
    /// <summary>No plug that fits.</summary>
    public static readonly Seat Bare = new(SeatKind.Bare, null);

    /// <summary>Not seated.</summary>
    public static readonly Seat Loose = new(SeatKind.Loose, null);

    /// <summary>Not connected.</summary>
    public static readonly Seat Off = new(SeatKind.Off, null);
}

/// <summary>Who pays for taking a lead out of its cavity. Every lift is paid once: the sheet lists it once.</summary>
public enum LiftPayer
{
    /// <summary>The hookup that asks for it: there is no other that could.</summary>
    Asker,

    /// <summary>The seat, or the choice whether the lead stays.</summary>
    Seat,

    /// <summary>The lead's own row of feeds, which always says where it ends up.</summary>
    Row,

    /// <summary>The state "it has left": several may ask for it.</summary>
    Once,
}

/// <summary>The plug of a device in one of its seats, with what that alone brings with it.</summary>
/// <param name="Device">The device.</param>
public sealed record SeatWay(Builds.DeviceInBuild Device) : Hookup
{
    /// <summary>Leads that cannot stay in their cavities, each with why.</summary>
    public IReadOnlyDictionary<string, Finding> Forced { get; init; } = new Dictionary<string, Finding>();

    /// <summary>Leads that talk unasked and are taken out unless a link uses them where they are.</summary>
    public IReadOnlySet<string> Lifted { get; init; } = new HashSet<string>();

    /// <summary>Leads that can stay under a condition only; each is a choice of its own.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<LeadStay>> Choices { get; init; } =
        new Dictionary<string, IReadOnlyList<LeadStay>>();

    /// <summary>Leads that the builder wants in their cavities.</summary>
    public IReadOnlySet<string> Kept { get; init; } = new HashSet<string>();

    /// <summary>Leads that the builder wants out of the plug: another cavity will not do.</summary>
    public IReadOnlySet<string> Out { get; init; } = new HashSet<string>();

    /// <summary>Where ground leads go that cannot stay: a cavity of the socket, counted from 0.</summary>
    public IReadOnlyDictionary<string, int> GroundMoves { get; init; } = new Dictionary<string, int>();

    /// <summary>The ground lead that is soldered to a pad because none meets ground in the plug; null where one does.</summary>
    public string? SolderedGround { get; init; }

    /// <summary>False when bans keep every ground lead where it meets no ground; such a seat is not offered.</summary>
    public bool IsGrounded { get; init; } = true;

    /// <summary>Who pays for taking a lead out of its cavity in this seat; where nothing is said, whoever asks for it.</summary>
    public IReadOnlyDictionary<string, LiftPayer> Payers { get; init; } = new Dictionary<string, LiftPayer>();

    /// <summary>The hold of a lead that leaves its cavity in this seat.</summary>
    public HomeHold Leaves(string lead) =>
        new(Device.Id, lead, Home.Left, PayerOf(lead) == LiftPayer.Once ? WorkMinutes.Lift : 0);

    /// <summary>Who pays for taking a lead out of its cavity.</summary>
    public LiftPayer PayerOf(string lead) => Payers.GetValueOrDefault(lead, LiftPayer.Asker);
}

/// <summary>A link that goes without, where somebody asks whether it does.</summary>
/// <param name="Link">The link.</param>
public sealed record Absent(Link Link) : Hookup;

/// <summary>A lead that stays in its cavity under a condition, or leaves it.</summary>
/// <param name="Device">Id of the device within the build.</param>
/// <param name="Lead">The lead.</param>
/// <param name="Home">Whether it stays.</param>
public sealed record LeadStay(string Device, Lead Lead, Home Home) : Hookup
{
    /// <summary>What a lead that stays and talks unasked means for its net, or null.</summary>
    public Finding? Warning { get; init; }
}
