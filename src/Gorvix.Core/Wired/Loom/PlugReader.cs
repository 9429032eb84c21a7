using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;
using Half = Gorvix.Core.Plans.Routing.Half;

namespace Gorvix.Core.Wired.Loom;

/// <summary>Reads the plugs of a wired build: what sits in each cavity, and the fewest steps to get there.</summary>
internal sealed class PlugReader(WiredBuild wired)
{
    private readonly Circuit _circuit = wired.Build.Circuit;

    /// <summary>Every plug that is seated.</summary>
    public IReadOnlyList<PlugFace> Faces() =>
        [.. wired.Seats.Where(s => s.Seat is { Kind: SeatKind.Seated, Socket: not null }).Select(Of)];

    /// <summary>
    /// The fewest steps from one order of leads to another, each step with one lead. What leaves goes first, so that there is room; then
    /// whatever finds its cavity empty; where leads wait for each other in a ring, one of them is held. A lead that must leave its cavity
    /// is touched once at least, and a ring cannot turn without one step more, so there is no shorter way.
    /// </summary>
    /// <param name="comes">The lead in each cavity as the plug comes, or null.</param>
    /// <param name="needs">The lead that each must have, or null; one that comes in no cavity is out of the plug.</param>
    public static IReadOnlyList<PlugMove> Moves(IReadOnlyList<string?> comes, IReadOnlyList<string?> needs)
    {
        var (now, moves) = (comes.ToArray(), new List<PlugMove>());
        for (var at = 0; at < now.Length; at++)
        {
            if (now[at] is { } lead && !needs.Contains(lead))
            {
                moves.Add(new PlugMove(PlugDeed.TakeOut, lead, at + 1, null));
                now[at] = null;
            }
        }
        while (true)
        {
            var away = Enumerable
                .Range(0, now.Length)
                .Where(at => now[at] is not null && now[at] != needs[at])
                .ToList();
            if (away.Count == 0)
            {
                moves.AddRange(
                    needs
                        .Index()
                        .Where(n => n.Item is not null && !comes.Contains(n.Item))
                        .Select(n => new PlugMove(PlugDeed.Put, n.Item!, null, n.Index + 1))
                );
                return moves;
            }
            int Goal(int at) => Array.FindIndex([.. needs], n => n == now[at]);
            if (away.FindIndex(at => now[Goal(at)] is null) is >= 0 and var free)
            {
                Move(away[free], Goal(away[free]));
                continue;
            }
            // A ring: hold one, let the others follow, and put the held one where the last of them was.
            var (held, goal, hole) = (now[away[0]]!, Goal(away[0]), away[0]);
            moves.Add(new PlugMove(PlugDeed.Hold, held, hole + 1, null));
            now[hole] = null;
            while (hole != goal)
            {
                var next = Array.FindIndex(now, l => l is not null && l == needs[hole]);
                Move(next, hole);
                hole = next;
            }
            moves.Add(new PlugMove(PlugDeed.Put, held, null, goal + 1));
            now[goal] = held;
        }

        void Move(int from, int to)
        {
            moves.Add(new PlugMove(PlugDeed.Move, now[from]!, from + 1, to + 1));
            (now[to], now[from]) = (now[from], null);
        }
    }

    private PlugFace Of(WiredSeat seat)
    {
        var device = wired.Build.Devices.First(d => d.Id == seat.Device).Device;
        var (harness, socket) = (Harness.Of(device), seat.Seat.Socket!);
        var sits = wired
            .Leads.Where(l =>
                l.Device == seat.Device && l is { State: LeadState.InPlace or LeadState.Moved, Cavity: not null }
            )
            .ToDictionary(l => l.Cavity!.Value - 1, l => l.Lead);
        var cavities = Enumerable.Range(0, socket.Pads.Count).ToList();
        Lead? Comes(int at) => at < harness.Cavities.Count ? harness.Cavities[at] : null;
        var moves = Moves(
            [.. cavities.Select(at => Comes(at)?.Id)],
            [.. cavities.Select(at => sits.GetValueOrDefault(at)?.Id)]
        );
        return new PlugFace(
            seat.Device,
            device.Name,
            socket.Label,
            [
                .. cavities.Select(at => new PlugCavity(
                    at + 1,
                    socket.Pads[at]?.Label,
                    Of(Comes(at)),
                    Of(sits.GetValueOrDefault(at)),
                    Comes(at) is { } lead && sits.GetValueOrDefault(at)?.Id != lead.Id
                        ? Wrong(device, lead, socket.Pads[at])
                        : null
                )),
            ],
            moves
        )
        {
            Price = WorkWords.About(moves.Count * WorkMinutes.Lift, wired.Build),
        };
    }

    private static CavityLead? Of(Lead? lead) => lead is null ? null : new CavityLead(lead.Id, lead.Label, lead.Colour);

    // While the bridges stand as they do.
    private string? Wrong(Device device, Lead lead, Pad? pad)
    {
        var positions = wired.Positions();
        var touch = PadContact
            .Of(_circuit, device, lead, pad, wired.Sources.Input)
            .FirstOrDefault(t => t.State.Bridges.All(positions.Contains));
        return touch switch
        {
            { End: ContactEnd.Harms, Rail: { } rail, Volts: { } volts } =>
                $"{rail.Label}, {PlainWords.Of(volts)}, on {lead.Label}",
            { End: ContactEnd.Harms, Rail: { } rail } => $"{rail.Label} on {lead.Label}",
            { End: ContactEnd.Harms } => Sentences.ShortedAt(lead.Label, pad!.Label),
            { } mild when Uncrossed(device, lead, pad, mild) is { } uncrossed => uncrossed,
            { End: ContactEnd.Talks } => Sentences.OnWhereNothingShould(
                lead.Label,
                PadContact.TransmitsUnasked(device, lead) == true ? "transmits" : Sentences.MayTransmit,
                pad!.Label
            ),
            _ => null,
        };
    }

    // An output that meets the board's output, or an input its input: no harm by itself, and a dead link.
    private string? Uncrossed(Device device, Lead lead, Pad? pad, PadContact touch)
    {
        var flows = device
            .Functions.SelectMany(f => f.Modes)
            .SelectMany(m => m.Lines)
            .Where(l => l.Lead == lead.Id)
            .Select(l => l.Flow)
            .ToHashSet();
        if (pad is null || flows.Count != 1)
        {
            return null;
        }
        foreach (var net in touch.State.Strands.Where(s => s.To.Kind == NodeKind.Net).Select(s => s.To.Id))
        {
            foreach (var port in _circuit.Board.Ports.Where(p => p.Kind == PortKind.Uart && p.Rx != p.Tx))
            {
                if (port.Tx == net && flows.Contains(Flow.Out))
                {
                    return Sentences.MeetsBothTransmitNobodyReceives(lead.Label, PortWords.Of(port, Half.Tx));
                }
                if (port.Rx == net && flows.Contains(Flow.In))
                {
                    return Sentences.MeetsBothReceiveNobodyTransmits(lead.Label, PortWords.Of(port, Half.Rx));
                }
            }
        }
        return null;
    }
}
