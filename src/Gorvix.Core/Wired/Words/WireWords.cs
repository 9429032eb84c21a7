using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;

namespace Gorvix.Core.Wired.Words;

/// <summary>Pads, plugs and leads as the builder finds them on the bench.</summary>
public static class WireWords
{
    /// <summary>A pad with where it is: "T3 (bottom)", "GND (top, by T3)" where several have its label, "GPS pin 2 (GSCL)".</summary>
    /// <param name="circuit">The board.</param>
    /// <param name="pad">One of its pads.</param>
    public static string Of(Circuit circuit, Pad pad) =>
        circuit.SocketOf.TryGetValue(pad.Id, out var socket)
            ? $"{socket.Label} pin {socket.CavityOf(pad) + 1} ({pad.Label})"
            : $"{pad.Label}{(circuit.Landmark(pad) is { } near ? $"{Side(pad)[..^1]}, by {near.Label})" : Side(pad))}";

    /// <summary>The same where there is little room: "T3", "T3/b" on the bottom.</summary>
    public static string Short(Circuit circuit, Pad pad) =>
        circuit.SocketOf.ContainsKey(pad.Id)
            ? Of(circuit, pad)
            : $"{pad.Label}{(pad.Side == BoardSide.Bottom ? "/b" : "")}{(circuit.Landmark(pad) is { } near ? $" by {near.Label}" : "")}";

    /// <summary>What is done with the plug of a device.</summary>
    public static string Of(Seat seat) =>
        seat.Kind switch
        {
            SeatKind.Seated => $"in {seat.Socket!.Label}",
            SeatKind.Loose => "not plugged in: direct-soldered",
            SeatKind.Off => "not fitted",
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
                $"powers the {Phrase.Join([.. wired.Leads.Where(l => l.To?.Device == lead.Device && l.To.Lead.Id == lead.Lead.Id).Select(l => Name(wired, l.Device)).Distinct()])}",
            LeadState.InPlace when lead.Pad is null => $"stays in pin {lead.Cavity}, not connected on the board",
            LeadState.InPlace => $"stays in pin {lead.Cavity} ({lead.Pad.Label})",
            LeadState.Moved => $"moves to pin {lead.Cavity} ({lead.Pad!.Label})",
            LeadState.Soldered => $"to pad {lead.Pad!.Label}{Side(lead.Pad)}",
            LeadState.OnTail => $"to {lead.Socket!.Label} pin {lead.Cavity} ({lead.Pad!.Label}), via a pigtail",
            LeadState.Lifted => "de-pinned, insulated",
            LeadState.Cut => "cut off, insulated",
            _ when wired.LeftOut.Contains(lead.Device) => "not fitted: none of its links is connected",
            LeadState.InHarness => "stays in its plug, not plugged in",
            _ when lead.Lead.Role == LeadRole.Supply && SupplyOf(lead, wired) is null =>
                "not planned: its voltage range is unknown",
            _ when lead.Lead.Role == LeadRole.Supply && wired.Sources.Input is null => "not planned: no battery chosen",
            _ => "unconnected, insulated",
        };

    private static SupplyInput? SupplyOf(WiredLead lead, WiredBuild wired) =>
        wired.Build.Devices.First(d => d.Id == lead.Device).Device.Supplies.FirstOrDefault(s => s.Lead == lead.Lead.Id);

    private static string Name(WiredBuild wired, string device) =>
        wired.Build.Devices.First(d => d.Id == device).Device.Name;

    private static string Side(Pad pad) => pad.Side == BoardSide.Bottom ? " (bottom)" : " (top)";
}

/// <summary>Hand work in sentences.</summary>
public static class WorkWords
{
    /// <summary>One thing to do, as a sentence.</summary>
    /// <param name="work">What to do.</param>
    /// <param name="build">The build that its ids are of.</param>
    public static string Of(Work work, ResolvedBuild build) =>
        work.Because is { } because ? $"{Deed(work, build).TrimEnd('.')}: {because}." : Deed(work, build);

    private static string Deed(Work work, ResolvedBuild build)
    {
        var device = work.Device is { } id ? build.Devices.First(d => d.Id == id).Device : null;
        var lead = work.Lead is { } leadId ? device!.Leads.First(l => l.Id == leadId).Label : null;
        var socket = work.Socket is { } socketId ? build.Circuit.Sockets.First(s => s.Id == socketId).Label : null;
        var pad = work.Pad is { } padId ? WireWords.Of(build.Circuit, build.Circuit.Pads[padId]) : null;
        return work.Action switch
        {
            WorkAction.SetBridge when build.Board.Bridges.First(b => b.Id == work.Bridge).MovedBy == MovedBy.Firmware =>
                $"In the board's settings: switch {work.Bridge} to \"{work.Position}\" (now \"{DefaultOf(build, work.Bridge!)}\").",
            WorkAction.SetBridge when work.Position is null => $"Open solder jumper {work.Bridge}.",
            WorkAction.SetBridge when !build.Circuit.JoiningPositions(work.Bridge!).Contains(work.Position) =>
                $"Open solder jumper {work.Bridge}: no solder on it (now \"{DefaultOf(build, work.Bridge!)}\").",
            WorkAction.SetBridge =>
                $"Close solder jumper {work.Bridge} at \"{work.Position}\" (now \"{DefaultOf(build, work.Bridge!)}\").",
            WorkAction.SetMode => $"On the {device!.Name}: {PortWords.Condition(work.Setting, work.Firmware)}.",
            WorkAction.SetAddress => $"On the {device!.Name}: {work.Setting}, for address 0x{work.Address:X2}.",
            WorkAction.SetRadio => $"On the radio: {work.Setting}.",
            WorkAction.SetBaud => $"On the {device!.Name}: set it to {Phrase.Baud(work.Baud ?? 0)}.",
            WorkAction.ReplaceBuiltIn =>
                $"In the board's settings: change the receiver from built-in ({work.Setting}) to serial.",
            WorkAction.SetBoard => $"In the board's settings: {work.Setting}.",
            WorkAction.PullUp => $"Fit a 10 kΩ pull-up resistor from {lead} of the {device!.Name} to 3.3 V, never 5 V.",
            WorkAction.Undo => $"Remove (no longer needed there): {work.Done}.",
            WorkAction.MoveLead when work.From is null =>
                $"In the {device!.Name}'s plug for {socket}: fit {lead} (de-pinned) into pin {work.To}.",
            WorkAction.MoveLead =>
                $"In the {device!.Name}'s plug for {socket}: move {lead} from pin {work.From} to pin {work.To}.",
            WorkAction.LiftLead => $"De-pin {lead} (pin {work.From}) from the {device!.Name}'s plug and insulate it.",
            WorkAction.CutLead => $"Cut {lead} (pin {work.From}) off the {device!.Name}'s plug and insulate it.",
            WorkAction.SpliceLead =>
                $"{(work.From is { } from ? $"De-pin {lead} (pin {from}) from the {device!.Name}'s plug and solder it" : $"Solder {lead} of the {device!.Name}")} to {OutputOf(work, build)}, heat-shrink on first.",
            WorkAction.SolderLead when work.From is null =>
                $"Solder {lead} (de-pinned) of the {device!.Name} to {(socket is null ? "" : "the pigtail in ")}{pad}.",
            WorkAction.SolderLead when socket is not null =>
                $"De-pin {lead} (pin {work.From}) from the {device!.Name}'s plug and solder it to the pigtail in {pad}.",
            WorkAction.SolderLead =>
                $"De-pin {lead} (pin {work.From}) from the {device!.Name}'s plug and solder it to {pad}.",
            _ => $"Plug a pigtail (a mating plug with bare wires) into {socket}.",
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

    /// <summary>The jumper positions of a pin or a block in words.</summary>
    /// <param name="positions">As <see cref="RouteMatch.Bridges"/> has them: <c>J4=inverted, JR=SBUS</c>; empty for none.</param>
    public static string Jumpers(string positions) =>
        positions == ""
            ? "no jumper"
            : Phrase.Join([
                .. from position in positions.Split(", ", StringSplitOptions.RemoveEmptyEntries)
                let parts = position.Split('=', 2)
                select $"jumper {parts[0]} at \"{parts[^1]}\"",
            ]);

    /// <summary>"about 6 min", in the builder's hand.</summary>
    public static string About(int minutes, ResolvedBuild build) =>
        $"about {WorkMinutes.In(build.Build.House.Hand, minutes)} min";

    private static IEnumerable<(string One, string Several)> KindsOf(Work work, ResolvedBuild build)
    {
        switch (work.Action)
        {
            case WorkAction.SetBridge
                when build.Board.Bridges.First(b => b.Id == work.Bridge).MovedBy == MovedBy.Solder:
                yield return ("solder jumper", "solder jumpers");
                break;
            case WorkAction.SetMode:
                if (work.Firmware is not null)
                {
                    yield return ("device firmware update", "device firmware updates");
                }
                if (work.Setting is not null)
                {
                    yield return ("setting", "settings");
                }
                break;
            case WorkAction.SetAddress:
                yield return ("address strap", "address straps");
                break;
            case WorkAction.PullUp:
                yield return ("resistor", "resistors");
                break;
            case WorkAction.MoveLead:
                yield return ("lead re-pinned", "leads re-pinned");
                break;
            case WorkAction.LiftLead:
                yield return ("lead de-pinned", "leads de-pinned");
                break;
            case WorkAction.CutLead:
                yield return ("lead cut off", "leads cut off");
                break;
            case WorkAction.SpliceLead:
                yield return ("lead spliced", "leads spliced");
                break;
            case WorkAction.SolderLead:
                yield return ("lead soldered", "leads soldered");
                break;
            case WorkAction.Undo:
                yield return ("wire removed", "wires removed");
                break;
            case WorkAction.FitTail:
                yield return ("pigtail", "pigtails");
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
