using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Leaflets;
using Gorvix.Core.Wired.Rails;

namespace Gorvix.Core.Wired.Fit;

/// <summary>Everything that the Fit screen shows of one build: the verdict, the grid of links and ports, and what to do.</summary>
/// <param name="Verdict">The one-line answer.</param>
/// <param name="Board">The board in words.</param>
/// <param name="Identity">How to tell the board's revision, and the firmware target that goes with it; null when nothing is known.</param>
/// <param name="Controller">Id of its controller class.</param>
/// <param name="Plans">The few best plans that carry as much; the first is the one that the grid shows.</param>
/// <param name="Ports">The columns.</param>
/// <param name="Links">The rows.</param>
/// <param name="Findings">What the builder should know about the plan.</param>
/// <param name="Conflicts">Why links that are left out cannot be carried: the first <see cref="FitReader.MostExplained"/> of them.</param>
/// <param name="Wishes">The pins and bans that are in force.</param>
/// <param name="Work">Everything for the hands, each once: bridges, plugs, leads, settings.</param>
/// <param name="WorkSummary">The same in a few words with the time it takes; empty when there is nothing to do.</param>
/// <param name="Devices">Each device with its plug, its supplies and grounds, and every lead.</param>
/// <param name="Room">What else could still be taken without moving anything, in a line.</param>
/// <param name="Open">How many findings are open at each step.</param>
/// <param name="Face">The board as it lies on the bench.</param>
/// <param name="Pads">The pads in use.</param>
/// <param name="Supplies">What each supply lead gets with the pack full, station by station; empty while nothing feeds the build.</param>
public sealed record FitSheet(
    Verdict Verdict,
    string Board,
    string? Identity,
    string Controller,
    IReadOnlyList<FitPlan> Plans,
    IReadOnlyList<FitPort> Ports,
    IReadOnlyList<FitLink> Links,
    IReadOnlyList<Finding> Findings,
    IReadOnlyList<FitConflict> Conflicts,
    IReadOnlyList<Wish> Wishes,
    IReadOnlyList<string> Work,
    string WorkSummary,
    IReadOnlyList<FitDevice> Devices,
    FitRoom Room,
    OpenFindings Open,
    BoardFace Face,
    IReadOnlyList<PadUse> Pads,
    IReadOnlyList<LeadReading> Supplies
)
{
    /// <summary>What is not proved, or not worked out; null where all is.</summary>
    public FitProof? Proof { get; init; }
}

/// <summary>Stops and warnings by the step at which they are mended.</summary>
/// <param name="Parts">How many say that board, pack and parts do not suit each other.</param>
/// <param name="Fit">How many are about links, wires and settings.</param>
/// <param name="Rails">How many under Rails.</param>
/// <param name="Loom">How many say that the aircraft is wired otherwise than planned.</param>
/// <param name="Settings">How many are about settings.</param>
/// <param name="OfLoom">What is wired otherwise than planned.</param>
/// <param name="OfParts">What is mended by another part, pack or supply; notes too.</param>
public sealed record OpenFindings(
    int Parts,
    int Fit,
    int Rails,
    int Loom,
    int Settings,
    IReadOnlyList<Finding> OfLoom,
    IReadOnlyList<Finding> OfParts
);

/// <summary>A pad of the board with what is on it.</summary>
/// <param name="Pad">Id of the pad.</param>
/// <param name="Device">Id of the device.</param>
/// <param name="Link">The link that the lead serves; null for supply, ground and what nobody asked for.</param>
/// <param name="Words">Device and lead in words.</param>
public sealed record PadUse(string Pad, string Device, string? Link, string Words);

/// <summary>What a finished plan leaves room for.</summary>
/// <param name="Words">The same in one sentence.</param>
/// <param name="Kinds">For each kind of link that still fits, how many and where.</param>
public sealed record FitRoom(string Words, IReadOnlyList<FitRoomKind> Kinds);

/// <summary>Room for one kind of link.</summary>
/// <param name="Need">What the link gives, in words.</param>
/// <param name="Count">How many more could be taken together.</param>
/// <param name="Ports">The ports that they would have.</param>
public sealed record FitRoomKind(string Need, int Count, IReadOnlyList<string> Ports);

/// <summary>A device as it is joined to the board.</summary>
/// <param name="Id">Id within the build.</param>
/// <param name="Name">Its name.</param>
/// <param name="Where">What is done with its plug, in words.</param>
/// <param name="Seats">Where its plug could be; empty when there is no choice.</param>
/// <param name="Leads">Every lead, in the order of the device.</param>
public sealed record FitDevice(
    string Id,
    string Name,
    string Where,
    IReadOnlyList<FitSeat> Seats,
    IReadOnlyList<FitLead> Leads
);

/// <summary>One seat of a plug.</summary>
/// <param name="Match">Names it in pins and bans.</param>
/// <param name="Words">The socket, or that it is soldered.</param>
/// <param name="Chosen">True for the seat of the plan.</param>
/// <param name="Pinned">True when the builder pinned it.</param>
/// <param name="Banned">True when the builder banned it.</param>
public sealed record FitSeat(WishMatch Match, string Words, bool Chosen, bool Pinned, bool Banned);

/// <summary>A lead with what has become of it.</summary>
/// <param name="Id">Id within the device.</param>
/// <param name="Label">Its label as printed.</param>
/// <param name="Colour">Its usual colour, or null.</param>
/// <param name="Job">What it is for, in words.</param>
/// <param name="Where">What has become of it, in words: pad and side, or plug and pin.</param>
/// <param name="Starved">True for a supply lead that no pad feeds, once the pack is known.</param>
/// <param name="Used">True when something is meant to flow in it.</param>
/// <param name="Pad">Label of the pad that it touches, or null.</param>
/// <param name="Takes">For a supply lead, the volts that it takes; else null.</param>
/// <param name="Gives">What it gets from the empty to the full pack; null when nothing feeds it.</param>
/// <param name="Feed">Names the pad that feeds it in pins and bans; null when nothing does.</param>
/// <param name="FeedPinned">True when the builder pinned that pad.</param>
/// <param name="Out">Names "out of its plug" in pins and bans; null where it sits in no seated plug.</param>
/// <param name="OutPinned">True when the builder wants it out of its plug.</param>
public sealed record FitLead(
    string Id,
    string Label,
    string? Colour,
    string Job,
    string Where,
    bool Starved,
    bool Used,
    string? Pad,
    string? Takes,
    string? Gives,
    WishMatch? Feed,
    bool FeedPinned,
    WishMatch? Out,
    bool OutPinned
);

/// <summary>Where one link sits, for lists of builds.</summary>
/// <param name="Need">What the link gives, in words.</param>
/// <param name="Port">Its port, or null.</param>
/// <param name="Lack">What it lacks where it has none, in two words.</param>
public sealed record Place(string Need, string? Port, string? Lack);

/// <summary>The one-line answer to a build.</summary>
/// <param name="Carried">Links with a route.</param>
/// <param name="Wanted">Links wished for.</param>
/// <param name="Severity">Stop when a must has no route, warn for other findings, else note.</param>
/// <param name="Sentence">The answer in words.</param>
public sealed record Verdict(int Carried, int Wanted, Severity Severity, string Sentence);

/// <summary>One of the few best plans.</summary>
/// <param name="Number">From 1, the best.</param>
/// <param name="Differs">What is elsewhere than in the best, one entry for each link; empty for the best itself.</param>
/// <param name="Price">Why it comes after the best, in a few words; empty for the best itself.</param>
public sealed record FitPlan(int Number, IReadOnlyList<string> Differs, string Price);

/// <summary>A column of the grid.</summary>
/// <param name="Id">The port.</param>
/// <param name="Name">It in a sentence, such as UART3.</param>
/// <param name="Words">What it is, or how much of a serial unit is broken out, in a word or two.</param>
/// <param name="RxPads">Labels of the pads that lead to its RX, its data wire or its input.</param>
/// <param name="TxPads">Labels of the pads that lead to its TX, its clock wire or its output.</param>
/// <param name="HeldBy">What holds it inside the board, or null.</param>
public sealed record FitPort(
    string Id,
    string Name,
    string Words,
    IReadOnlyList<FitPad> RxPads,
    IReadOnlyList<FitPad> TxPads,
    string? HeldBy
);

/// <summary>A pad in a column's head.</summary>
/// <param name="Label">As printed.</param>
/// <param name="Turns">True when an inverter always lies behind it.</param>
public sealed record FitPad(string Label, bool Turns);

/// <summary>A row of the grid.</summary>
/// <param name="Id">The link.</param>
/// <param name="Need">What it gives, in words.</param>
/// <param name="Device">The device in words.</param>
/// <param name="DeviceId">Id within the build of the device.</param>
/// <param name="Priority">How much it is wished for, in a word.</param>
/// <param name="Port">Where it is carried, or null.</param>
/// <param name="Mode">The mode it is carried in, or null.</param>
/// <param name="Pads">Labels of the pads it takes; empty when it is not carried.</param>
/// <param name="Modes">All modes of the link.</param>
/// <param name="Cells">One for each port.</param>
/// <param name="Wires">The wires to make, in words; empty when it is not carried.</param>
/// <param name="Settings">What the port is set to, in words; empty when it is not carried.</param>
/// <param name="Inside">The link that it rides in, or null.</param>
/// <param name="Lack">What it lacks where it is not connected, in two words.</param>
public sealed record FitLink(
    string Id,
    string Need,
    string Device,
    string DeviceId,
    string Priority,
    string? Port,
    string? Mode,
    IReadOnlyList<string> Pads,
    IReadOnlyList<FitMode> Modes,
    IReadOnlyList<FitCell> Cells,
    IReadOnlyList<FitWire> Wires,
    IReadOnlyList<string> Settings,
    string? Inside,
    string? Lack
);

/// <summary>A wire in words.</summary>
/// <param name="Lead">Label of the lead.</param>
/// <param name="Colour">Its usual colour, or null.</param>
/// <param name="Pad">Label of the pad.</param>
/// <param name="Side">The side of the board.</param>
/// <param name="Plug">The socket that the pad is a pin of, or null.</param>
/// <param name="Pin">The number of that pin from the marked end, or null.</param>
/// <param name="Where">The pad with its side, or plug and pin, in words.</param>
public sealed record FitWire(
    string Lead,
    string? Colour,
    string Pad,
    BoardSide Side,
    string? Plug,
    int? Pin,
    string Where
);

/// <summary>A mode of a link.</summary>
/// <param name="Id">The mode.</param>
/// <param name="Name">What the builder calls it.</param>
/// <param name="Protocol">Its protocol.</param>
/// <param name="Framing">Framing and baud, such as "8N1 at 420000".</param>
/// <param name="Condition">Firmware and setting it asks for, in words, or null.</param>
/// <param name="Banned">True when the builder banned the whole mode.</param>
public sealed record FitMode(string Id, string Name, string Protocol, string Framing, string? Condition, bool Banned);

/// <summary>What a cell of the grid says.</summary>
public enum CellState
{
    /// <summary>The plan puts the link here.</summary>
    Chosen,

    /// <summary>The link could go here, at a price.</summary>
    Possible,

    /// <summary>The link cannot go here.</summary>
    Blocked,
}

/// <summary>One link on one port.</summary>
/// <param name="Port">The port.</param>
/// <param name="State">What the cell says.</param>
/// <param name="Code">Id of the rule that blocks it, or null.</param>
/// <param name="Text">A few letters for the cell.</param>
/// <param name="Sentence">The same in one sentence.</param>
/// <param name="Pinned">True when the builder pinned the link here.</param>
/// <param name="Banned">True when the builder banned the link here.</param>
/// <param name="Mode">The mode that its strand shows, or null.</param>
/// <param name="Mark">A pin or ban that the text does not tell, in a word, or null.</param>
/// <param name="Quiet">True when the column's head says already why nothing of this kind goes here.</param>
/// <param name="Soldered">True when it is wired here on the aircraft itself, whatever the plan says.</param>
public sealed record FitCell(
    string Port,
    CellState State,
    string? Code,
    string Text,
    string Sentence,
    bool Pinned,
    bool Banned,
    string? Mode,
    string? Mark,
    bool Quiet,
    bool Soldered
);

/// <summary>The way of one link on one port, station by station; asked for when a cell is looked at.</summary>
/// <param name="Link">The link.</param>
/// <param name="Port">The port.</param>
/// <param name="Lanes">One for each line; where the cell is blocked it ends at the fault. Empty when there is no way at all.</param>
public sealed record FitStrand(string Link, string Port, IReadOnlyList<Lane> Lanes);

/// <summary>One line of a strand.</summary>
/// <param name="Flow">Who talks, in words.</param>
/// <param name="Colour">The lead's usual colour, or null.</param>
/// <param name="Pad">Id of its pad.</param>
/// <param name="Hops">The stations from the device to the controller.</param>
/// <param name="Ok">False when the last station is where it fails.</param>
/// <param name="Wave">What the protocol looks like on a line that rests high; empty where it is no train.</param>
public sealed record Lane(
    string Flow,
    string? Colour,
    string Pad,
    IReadOnlyList<LaneStop> Hops,
    bool Ok,
    IReadOnlyList<WaveStep> Wave
);

/// <summary>A station of a lane.</summary>
/// <param name="Kind">What it is: the drawing has a sign for an inverter and a strong box for the job.</param>
/// <param name="Words">The same in a word.</param>
/// <param name="Label">Its name as the builder reads it.</param>
/// <param name="After">How the line rests on the controller's side of it.</param>
/// <param name="Note">Level, position or setting there, or null.</param>
public sealed record LaneStop(HopKind Kind, string Words, string Label, Polarity After, string? Note);

/// <summary>Why one link cannot be carried: a minimal set, so that the rest fits when any one member gives way.</summary>
/// <param name="Link">The link that is left out.</param>
/// <param name="Links">Ids of the links that take part.</param>
/// <param name="Wishes">The pins and bans that take part.</param>
/// <param name="Sentence">The same in words.</param>
public sealed record FitConflict(string Link, IReadOnlyList<string> Links, IReadOnlyList<Wish> Wishes, string Sentence)
{
    /// <summary>False where it is not worked out which of the members would have to give way.</summary>
    public bool IsMinimal { get; init; } = true;
}

/// <summary>A pin or ban in force.</summary>
/// <param name="Kind">Pin or ban.</param>
/// <param name="Match">What it names.</param>
/// <param name="Sentence">The same in words.</param>
/// <param name="Kept">False for a pin that the plan leaves aside.</param>
public sealed record Wish(ChangeKind Kind, WishMatch Match, string Sentence, bool Kept);
