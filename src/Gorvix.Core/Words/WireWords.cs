using Gorvix.Core.Builds;
using Gorvix.Core.Circuits;
using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Routing;
using Gorvix.Core.Wiring;

namespace Gorvix.Core.Words;

/// <summary>Pads, plugs and leads as the builder finds them on the bench.</summary>
public static class WireWords
{
    /// <summary>A pad with where it is: "T3", "T3, bottom side", "GPS pin 2 (GSCL)".</summary>
    /// <param name="circuit">The board.</param>
    /// <param name="pad">One of its pads.</param>
    public static string Of(Circuit circuit, Pad pad) =>
        circuit.SocketOf.TryGetValue(pad.Id, out var socket)
            ? $"{socket.Label} pin {socket.CavityOf(pad) + 1} ({pad.Label})"
            : $"{pad.Label}{Side(pad)}";

    /// <summary>What is done with the plug of a device.</summary>
    public static string Of(Seat seat) =>
        seat.Kind switch
        {
            SeatKind.Seated => $"in {seat.Socket!.Label}",
            SeatKind.Loose => "not plugged in: soldered lead by lead",
            SeatKind.Off => "left off: no seat of its plug is allowed",
            _ => "soldered",
        };

    /// <summary>What has become of a lead.</summary>
    /// <param name="lead">The lead.</param>
    /// <param name="wired">The build that it is of.</param>
    public static string Of(WiredLead lead, WiredBuild wired) =>
        lead.State switch
        {
            LeadState.Spliced => $"to {lead.To!.Lead.Label} of the {Name(wired, lead.To.Device)}",
            LeadState.Feeding =>
                $"feeds the {Phrase.Join([.. wired.Leads.Where(l => l.To?.Device == lead.Device && l.To.Lead.Id == lead.Lead.Id).Select(l => Name(wired, l.Device)).Distinct()])}",
            LeadState.InPlace when lead.Pad is null => $"stays in pin {lead.Cavity}, which leads nowhere",
            LeadState.InPlace => $"stays in pin {lead.Cavity} ({lead.Pad.Label})",
            LeadState.Moved => $"moves to pin {lead.Cavity} ({lead.Pad!.Label})",
            LeadState.Soldered => $"to pad {lead.Pad!.Label}{Side(lead.Pad)}",
            LeadState.OnTail => $"to {lead.Socket!.Label} pin {lead.Cavity} ({lead.Pad!.Label}), over a tail",
            LeadState.Lifted => "out of the plug, insulated",
            LeadState.Cut => "cut off, insulated",
            LeadState.InHarness => "stays in its plug, which sits nowhere",
            _ => "open, insulated",
        };

    private static string Name(WiredBuild wired, string device) =>
        wired.Build.Devices.First(d => d.Id == device).Device.Name;

    private static string Side(Pad pad) => pad.Side == BoardSide.Bottom ? ", bottom side" : ", top side";
}

/// <summary>Hand work in sentences.</summary>
public static class WorkWords
{
    /// <summary>One thing to do, as a sentence.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="build">The build that its ids are of.</param>
    public static string Of(Work work, ResolvedBuild build)
    {
        var device = work.Device is { } id ? build.Devices.First(d => d.Id == id).Device : null;
        var lead = work.Lead is { } leadId ? device!.Leads.First(l => l.Id == leadId).Label : null;
        var socket = work.Socket is { } socketId ? build.Circuit.Sockets.First(s => s.Id == socketId).Label : null;
        var pad = work.Pad is { } padId ? WireWords.Of(build.Circuit, build.Circuit.Pads[padId]) : null;
        return work.Action switch
        {
            WorkAction.SetBridge when build.Board.Bridges.First(b => b.Id == work.Bridge).MovedBy == MovedBy.Firmware =>
                $"In the board's settings: switch {work.Bridge} to \"{work.Position}\" (now at \"{DefaultOf(build, work.Bridge!)}\").",
            WorkAction.SetBridge when work.Position is null => $"Open bridge {work.Bridge}.",
            WorkAction.SetBridge when !build.Circuit.JoiningPositions(work.Bridge!).Contains(work.Position) =>
                $"Open bridge {work.Bridge}: no solder on it (now at \"{DefaultOf(build, work.Bridge!)}\").",
            WorkAction.SetBridge =>
                $"Close bridge {work.Bridge} at \"{work.Position}\" (now at \"{DefaultOf(build, work.Bridge!)}\").",
            WorkAction.SetMode => $"On the {device!.Name}: {PortWords.Condition(work.Setting, work.Firmware)}.",
            WorkAction.SetAddress =>
                $"On the {device!.Name}: {work.Setting}, so that it answers at 0x{work.Address:X2}.",
            WorkAction.SetRadio => $"On the radio: {work.Setting}.",
            WorkAction.SetBaud => $"On the {device!.Name}: set it to {work.Baud} baud.",
            WorkAction.ReplaceBuiltIn =>
                $"In the board's settings: change the receiver from built-in ({work.Setting}) to serial.",
            WorkAction.SetBoard => $"In the board's settings: {work.Setting}.",
            WorkAction.PullUp => $"Fit a 10 kΩ pull-up resistor from {lead} of the {device!.Name} to its 3.3 V.",
            WorkAction.Undo => $"Take off what is not needed there any more: {work.Done}.",
            WorkAction.MoveLead when work.From is null =>
                $"In the {device!.Name}'s plug for {socket}: {lead}, which is out of it, into pin {work.To}.",
            WorkAction.MoveLead =>
                $"In the {device!.Name}'s plug for {socket}: move {lead} from pin {work.From} to pin {work.To}.",
            WorkAction.LiftLead => $"Take {lead} out of pin {work.From} of the {device!.Name}'s plug and insulate it.",
            WorkAction.CutLead => $"Cut {lead} (pin {work.From}) of the {device!.Name} off its plug and insulate it.",
            WorkAction.SpliceLead =>
                $"{(work.From is { } from ? $"Take {lead} out of pin {from} of the {device!.Name}'s plug and solder it" : $"Solder {lead} of the {device!.Name}")} to {OutputOf(work, build)}, shrink tube first.",
            WorkAction.SolderLead when work.From is null =>
                $"Solder {lead} of the {device!.Name}, which is out of its plug, to {(socket is null ? "" : "the tail in ")}{pad}.",
            WorkAction.SolderLead when socket is not null =>
                $"Take {lead} out of pin {work.From} of the {device!.Name}'s plug and solder it to the tail in {pad}.",
            WorkAction.SolderLead =>
                $"Take {lead} out of pin {work.From} of the {device!.Name}'s plug and solder it to {pad}.",
            _ => $"Put a tail (a mating plug with bare wires) into {socket}.",
        };
    }

    private static string OutputOf(Work work, ResolvedBuild build)
    {
        var other = build.Devices.First(d => d.Id == work.Other).Device;
        return $"{other.Leads.First(l => l.Id == work.OtherLead).Label} of the {other.Name}";
    }

    /// <summary>What there is to do in a few words, with the time it takes: "one bridge and one setting, about 6 min"; empty when there is nothing.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="build">The build; its house rule scales the minutes.</param>
    public static string Summary(IReadOnlyList<Work> work, ResolvedBuild build)
    {
        var kinds = work.Where(w => w.Minutes > 0)
            .SelectMany(w => KindsOf(w, build))
            .GroupBy(k => k)
            .Select(g => g.Count() == 1 ? $"one {g.Key.One}" : $"{NumberOf(g.Count())} {g.Key.Several}")
            .ToList();
        return kinds.Count == 0 ? "" : $"{Phrase.Join(kinds)}, {About(work.Sum(w => w.Minutes), build)}";
    }

    /// <summary>"about 6 min", in the builder's hand.</summary>
    public static string About(int minutes, ResolvedBuild build) =>
        $"about {WorkMinutes.In(build.Build.House.Hand, minutes)} min";

    private static IEnumerable<(string One, string Several)> KindsOf(Work work, ResolvedBuild build)
    {
        switch (work.Action)
        {
            case WorkAction.SetBridge when build.Board.Bridges.First(b => b.Id == work.Bridge).MovedBy == MovedBy.Iron:
                yield return ("bridge", "bridges");
                break;
            case WorkAction.SetMode:
                if (work.Firmware is not null)
                {
                    yield return ("firmware update of a device", "firmware updates of devices");
                }
                if (work.Setting is not null)
                {
                    yield return ("setting", "settings");
                }
                break;
            case WorkAction.SetAddress:
                yield return ("strapped address", "strapped addresses");
                break;
            case WorkAction.PullUp:
                yield return ("resistor", "resistors");
                break;
            case WorkAction.MoveLead:
                yield return ("lead moved in its plug", "leads moved in their plugs");
                break;
            case WorkAction.LiftLead:
                yield return ("lead taken out", "leads taken out");
                break;
            case WorkAction.CutLead:
                yield return ("lead cut off", "leads cut off");
                break;
            case WorkAction.SpliceLead:
                yield return ("lead joined to another device", "leads joined to other devices");
                break;
            case WorkAction.SolderLead:
                yield return ("lead soldered", "leads soldered");
                break;
            case WorkAction.Undo:
                yield return ("wire taken off", "wires taken off");
                break;
            case WorkAction.FitTail:
                yield return ("tail", "tails");
                break;
            default:
                yield return ("setting", "settings");
                break;
        }
    }

    private static string NumberOf(int number) =>
        number < 10
            ? new[] { "no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine" }[number]
            : $"{number}";

    private static string DefaultOf(ResolvedBuild build, string bridge) =>
        build.Board.Bridges.First(b => b.Id == bridge).Default;
}
