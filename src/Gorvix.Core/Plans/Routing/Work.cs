using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What the builder's hands do.</summary>
public enum WorkAction
{
    /// <summary>A bridge is closed in another position.</summary>
    SetBridge,

    /// <summary>A device gets other firmware or a setting for a mode.</summary>
    SetMode,

    /// <summary>A device is set to a baud.</summary>
    SetBaud,

    /// <summary>The board is told that a link replaces what is built in.</summary>
    ReplaceBuiltIn,

    /// <summary>A setting of the board.</summary>
    SetBoard,

    /// <summary>A resistor from a lead to the device's 3.3 V.</summary>
    PullUp,

    /// <summary>A lead goes from its cavity to another one of its plug.</summary>
    MoveLead,

    /// <summary>A lead leaves its plug and is insulated.</summary>
    LiftLead,

    /// <summary>A lead is cut off and insulated.</summary>
    CutLead,

    /// <summary>A lead leaves its plug and is soldered to a pad.</summary>
    SolderLead,

    /// <summary>A lead is soldered to a lead of another device.</summary>
    SpliceLead,

    /// <summary>A mating plug with bare wires goes into a socket.</summary>
    FitTail,

    /// <summary>A device is strapped to another address.</summary>
    SetAddress,

    /// <summary>A setting of the radio.</summary>
    SetRadio,

    /// <summary>A wire that is soldered where nothing needs it any more is taken off.</summary>
    Undo,
}

/// <summary>Something for the builder's hands, as data; sentences are made of it in <c>Words</c>.</summary>
/// <param name="Action">What to do.</param>
/// <param name="Minutes">How long it takes, as in <see cref="WorkMinutes"/>.</param>
public sealed record Work(WorkAction Action, int Minutes)
{
    /// <summary>Id of the device within the build.</summary>
    public string? Device { get; init; }

    /// <summary>Id of the lead.</summary>
    public string? Lead { get; init; }

    /// <summary>Id of the pad.</summary>
    public string? Pad { get; init; }

    /// <summary>Id within the build of the device to whose lead it is soldered.</summary>
    public string? Other { get; init; }

    /// <summary>Id of the lead to which it is soldered.</summary>
    public string? OtherLead { get; init; }

    /// <summary>Id of the socket.</summary>
    public string? Socket { get; init; }

    /// <summary>The cavity that the lead leaves, counted from 1.</summary>
    public int? From { get; init; }

    /// <summary>The cavity that the lead goes to, counted from 1.</summary>
    public int? To { get; init; }

    /// <summary>Id of the jumper.</summary>
    public string? Bridge { get; init; }

    /// <summary>Where the bridge shall stand.</summary>
    public string? Position { get; init; }

    /// <summary>The firmware that is needed.</summary>
    public string? Firmware { get; init; }

    /// <summary>The setting, or what is replaced.</summary>
    public string? Setting { get; init; }

    /// <summary>Bits per second.</summary>
    public int? Baud { get; init; }

    /// <summary>The address on a bus.</summary>
    public int? Address { get; init; }

    /// <summary>What is undone, in words.</summary>
    public string? Done { get; init; }

    /// <summary>Why a lead must leave its pin, as a clause; null where it only goes where it is needed.</summary>
    public string? Because { get; init; }
}

/// <summary>
/// How long the hands take, in minutes, with the iron warm and the part on the bench. Common practice, and our own round
/// numbers; the builder scales them by the house rule "your hand".
/// </summary>
public static class WorkMinutes
{
    /// <summary>Iron on small pads.</summary>
    public const int Bridge = 4;

    /// <summary>New firmware in a device.</summary>
    public const int Firmware = 10;

    /// <summary>A setting in a device, in the radio or in the board's firmware.</summary>
    public const int Setting = 2;

    /// <summary>A resistor soldered to a wire.</summary>
    public const int Resistor = 5;

    /// <summary>One lead taken out of its cavity: to another one, or insulated, or cut.</summary>
    public const int Lift = 1;

    /// <summary>One lead soldered that was taken out of its plug; the taking out is counted by itself.</summary>
    public const int Solder = 3;

    /// <summary>A mating plug with bare wires.</summary>
    public const int Tail = 2;

    /// <summary>A lead joined to a lead of another device, with shrink tube over the joint: so much more than to a pad.</summary>
    public const int Splice = 2;

    /// <summary>One soldered wire taken off and its pad cleaned.</summary>
    public const int Undo = 3;

    /// <summary>A bridge moved: by iron, or by a setting of the firmware.</summary>
    public static int Of(Bridge bridge) => bridge.MovedBy == MovedBy.Firmware ? Setting : Bridge;

    /// <summary>Minutes of the table in a builder's hand, at least one where there is something to do.</summary>
    public static int In(HandPace hand, int minutes) =>
        hand switch
        {
            _ when minutes == 0 => 0,
            HandPace.Careful => (int)Math.Ceiling(minutes * 1.5),
            HandPace.Quick => (int)Math.Ceiling(minutes / 1.5),
            _ => minutes,
        };
}
