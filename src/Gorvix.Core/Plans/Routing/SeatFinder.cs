using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>All seats of one device's plug.</summary>
/// <param name="Device">The device.</param>
/// <param name="Ways">Every seat, sockets first in the order of the board; just the bare one where no socket fits.</param>
public sealed record DeviceSeats(DeviceInBuild Device, IReadOnlyList<SeatWay> Ways)
{
    /// <summary>True when its plug fits somewhere, so that there is something to decide; wishes can leave one way only.</summary>
    public bool IsChoice => Ways is not [{ Seat.Kind: SeatKind.Bare }];
}

/// <summary>Finds where the plug of each device can sit and what every lead would touch there: judged by the circuit, never by a label.</summary>
public static class SeatFinder
{
    /// <summary>The seats of every device, in the builder's order.</summary>
    public static IReadOnlyList<DeviceSeats> Of(ResolvedBuild build)
    {
        var source = Feeder.SourceOf(build);
        return [.. build.Devices.Select(d => new DeviceSeats(d, WaysOf(build, d, source)))];
    }

    private static List<SeatWay> WaysOf(ResolvedBuild build, DeviceInBuild device, VoltWindow? source)
    {
        var harness = Harness.Of(device.Device);
        var sockets = harness.Fits(build.Circuit).ToList();
        if (sockets.Count == 0)
        {
            return [new SeatWay(device)];
        }
        var mustStay = Stay(build, device);
        List<SeatWay> ways =
        [
            .. sockets
                .Select(s => SeatedIn(build, device, s, source))
                .Where(w => w.IsGrounded && !w.Kept.Any(w.Forced.ContainsKey)),
        ];
        if (mustStay.Count == 0)
        {
            ways.Add(Loose(build, device, harness));
        }
        ways.Add(new SeatWay(device) { Seat = Seat.Off, Claims = Claim(device, Seat.Off) });
        return ways;
    }

    // A lead beside the plug is out of it, whatever is wished.
    private static HashSet<string> Stay(ResolvedBuild build, DeviceInBuild device) =>
        [.. Leads(build.Build.Bans, device).Where(l => Harness.Of(device.Device).HomeOf(l) >= 0)];

    // One that was taken out and could go back stays out where that is wished.
    private static HashSet<string> StayOut(ResolvedBuild build, DeviceInBuild device) =>
        [
            .. Leads(build.Build.Pins, device)
                .Where(l => Harness.Of(device.Device) is var harness && (harness.HomeOf(l) >= 0 || harness.IsFree(l))),
        ];

    private static IEnumerable<string> Leads(IEnumerable<WishMatch> wishes, DeviceInBuild device) =>
        wishes.OfType<LeadMatch>().Where(m => m.Device == device.Id).Select(m => m.Lead);

    private static Claims Claim(DeviceInBuild device, Seat seat) =>
        new(
            [],
            seat.Socket is { } socket
                ? [new SeatHold(device.Id, seat.Kind, socket.Id), new SocketHold(socket.Id, device.Id)]
                : [new SeatHold(device.Id, seat.Kind, null)]
        );

    private static SeatWay Loose(ResolvedBuild build, DeviceInBuild device, Harness harness)
    {
        var ground = device.Device.Leads.FirstOrDefault(l => l.Role == LeadRole.Ground && harness.HomeOf(l.Id) >= 0);
        var free = ground is null ? FreeGrounds(build, device, harness).FirstOrDefault() : null;
        return new SeatWay(device)
        {
            Seat = Seat.Loose,
            Claims = Claim(device, Seat.Loose),
            SolderedGround = (ground ?? free)?.Id,
            Minutes =
                ground is not null ? WorkMinutes.Lift + WorkMinutes.Solder
                : free is not null ? WorkMinutes.Solder
                : 0,
        };
    }

    private static SeatWay SeatedIn(ResolvedBuild build, DeviceInBuild device, Socket socket, VoltWindow? source)
    {
        var harness = Harness.Of(device.Device);
        var house = build.Build.House.Unused;
        var (out_, kept) = (StayOut(build, device), Stay(build, device));
        var forced = new Dictionary<string, Finding>();
        var lifted = new HashSet<string>();
        var choices = new Dictionary<string, IReadOnlyList<LeadStay>>();
        foreach (var (cavity, lead) in harness.Cavities.Index())
        {
            if (lead is null)
            {
                continue;
            }
            var pad = socket.Pads[cavity];
            var touches = PadContact.Of(build.Circuit, device.Device, lead, pad, source);
            var harmless = touches.Where(t => t.End != ContactEnd.Harms).ToList();
            if (out_.Contains(lead.Id))
            {
                forced[lead.Id] = Wanted(device, lead, socket, pad);
            }
            else if (harmless.Count == 0)
            {
                forced[lead.Id] = Harm(device, lead, socket, pad!);
            }
            else if (lead.Role == LeadRole.Supply && source is not null && HasWindow(device, lead))
            {
                // Its row of feeds decides, position by position.
            }
            else if (
                touches.Any(t => t.End == ContactEnd.Talks && !IsReading(build, lead, t))
                && house != UnusedLeads.Leave
                && !kept.Contains(lead.Id)
            )
            {
                lifted.Add(lead.Id);
            }
            else if (harmless.Count < touches.Count || touches.Any(t => t.End == ContactEnd.Talks))
            {
                choices[lead.Id] = ChoicesOf(build, device, lead, socket, pad!, harmless, kept.Contains(lead.Id));
            }
        }
        var (moves, soldered, grounded, extra) = Grounds(build, device, harness, socket, forced);

        // A ground lead that the seat takes elsewhere has no choice left.
        foreach (var lead in choices.Keys.Where(l => moves.ContainsKey(l) || l == soldered).ToList())
        {
            choices.Remove(lead);
        }

        // Where the source is known, a supply lead is counted by its own row.
        bool HasFeeds(string lead) => source is not null && device.Device.Supplies.Any(s => s.Lead == lead);
        var leave = forced.Keys.Where(l => !HasFeeds(l)).ToList();
        return new SeatWay(device)
        {
            Seat = new Seat(SeatKind.Seated, socket),
            Payers = PayersOf(
                build,
                device,
                [.. leave, .. lifted, .. choices.Keys, .. moves.Keys, .. soldered is null ? [] : new[] { soldered }],
                HasFeeds
            ),
            Claims = Claim(device, new Seat(SeatKind.Seated, socket)),
            Forced = forced,
            Lifted = lifted,
            Choices = choices,
            Kept = kept,
            Out = new HashSet<string>([
                .. out_,
                .. device.Device.Leads.Select(l => l.Id).Where(l => harness.HomeOf(l) < 0 && !harness.IsFree(l)),
            ]),
            GroundMoves = moves,
            SolderedGround = soldered,
            IsGrounded = grounded,
            Minutes = (WorkMinutes.Lift * (leave.Count + lifted.Count)) + extra,
        };
    }

    // Where two could ask for a lead's lift, the state pays: another link of the device, or a supply that could go into its cavity.
    private static Dictionary<string, LiftPayer> PayersOf(
        ResolvedBuild build,
        DeviceInBuild device,
        IEnumerable<string> counted,
        Func<string, bool> hasFeeds
    )
    {
        var payers = counted.Distinct().ToDictionary(l => l, _ => LiftPayer.Seat);
        var links = build.Links.Where(l => l.Want.Device == device.Id).ToList();
        foreach (var lead in device.Device.Leads.Where(l => !payers.ContainsKey(l.Id)))
        {
            if (hasFeeds(lead.Id))
            {
                payers.Add(lead.Id, LiftPayer.Row);
            }
            else if (
                links.Count > 1
                && links.Any(l => l.Function.Modes.Any(m => m.Lines.Any(line => line.Lead == lead.Id)))
            )
            {
                payers.Add(lead.Id, LiftPayer.Once);
            }
        }
        return payers;
    }

    // A level on a pin that measures levels is what that pin is there for.
    private static bool IsReading(ResolvedBuild build, Lead lead, PadContact touch) =>
        lead.Role == LeadRole.Sense
        && touch.Nets.All(net => build.Board.Ports.All(p => p.Kind == PortKind.Analogue || !p.Nets.Contains(net)));

    private static bool HasWindow(DeviceInBuild device, Lead lead) =>
        device.Device.Supplies.Any(s => s.Lead == lead.Id);

    // It stays while the bridges stand well, with its net to itself when it talks; or it leaves.
    private static List<LeadStay> ChoicesOf(
        ResolvedBuild build,
        DeviceInBuild device,
        Lead lead,
        Socket socket,
        Pad pad,
        List<PadContact> harmless,
        bool kept
    )
    {
        Hold seat = new SeatHold(device.Id, SeatKind.Seated, socket.Id);
        var stays = harmless
            .Select(touch => new LeadStay(device.Id, lead, Home.Kept)
            {
                Seat = new Seat(SeatKind.Seated, socket),
                Claims = new Claims(
                    [],
                    [
                        seat,
                        new HomeHold(device.Id, lead.Id, Home.Kept),
                        .. Bridges(build, touch.State.Bridges),
                        .. touch.Nets.Select(net => new UserHold(net, device.Id, lead.Id)),
                    ]
                ),
                Warning =
                    touch.End == ContactEnd.Talks && !IsReading(build, lead, touch)
                        ? HazardRules.Driver.Found(
                            Severity.Warn,
                            Subject.Lead(new(device.Id, lead.Id)),
                            ("lead", lead.Label),
                            ("device", $"the {device.Device.Name}"),
                            ("plug", socket.Label),
                            (
                                "transmits",
                                PadContact.TransmitsUnasked(device.Device, lead) == true
                                    ? "transmits"
                                    : Sentences.MayTransmit
                            ),
                            ("pad", pad.Label)
                        )
                        : null,
            })
            .ToList();
        if (!kept)
        {
            stays.Add(
                new LeadStay(device.Id, lead, Home.Left)
                {
                    Seat = new Seat(SeatKind.Seated, socket),
                    Claims = new Claims([], [seat, new HomeHold(device.Id, lead.Id, Home.Left)]),
                    Minutes = WorkMinutes.Lift,
                }
            );
        }
        return stays;
    }

    /// <summary>The holds of bridges in positions.</summary>
    internal static IEnumerable<Hold> Bridges(ResolvedBuild build, IEnumerable<BridgeAt> bridges) =>
        bridges.Select(b => new BridgeHold(build.Board.Bridges.First(x => x.Id == b.Bridge), b.Position));

    // A ground lead that cannot stay goes to a cavity with ground (whoever else came there has to leave it too, so nobody
    // fights for it); one that finds none is insulated while another one is grounded, else it is soldered.
    private static (Dictionary<string, int> Moves, string? Soldered, bool Grounded, int Minutes) Grounds(
        ResolvedBuild build,
        DeviceInBuild device,
        Harness harness,
        Socket socket,
        Dictionary<string, Finding> forced
    )
    {
        var grounds = harness.Cavities.Index().Where(c => c.Item?.Role == LeadRole.Ground).ToList();
        var stay = grounds
            .Where(g => build.Circuit.IsGround(socket.Pads[g.Index]) && !forced.ContainsKey(g.Item!.Id))
            .ToList();
        var free = socket
            .Pads.Index()
            .Where(p => build.Circuit.IsGround(p.Item) && stay.All(g => g.Index != p.Index))
            .Select(p => p.Index)
            .Where(i => i < harness.Cavities.Count)
            .ToList();
        var moves = new Dictionary<string, int>();
        var seeking = grounds.Where(g => !stay.Contains(g)).Select(g => g.Item!).ToList();
        var (wanted, kept) = (StayOut(build, device), Stay(build, device));
        foreach (var lead in seeking.Where(l => !wanted.Contains(l.Id) && !kept.Contains(l.Id)))
        {
            if (free.Count == 0 || (!forced.ContainsKey(lead.Id) && stay.Count + moves.Count > 0))
            {
                break;
            }
            moves.Add(lead.Id, free[0]);
            free.RemoveAt(0);
        }
        // One that was taken out before goes back where there is ground, when no other has it.
        var back = FreeGrounds(build, device, harness);
        if (stay.Count + moves.Count == 0 && free.Count > 0 && back.Find(l => !wanted.Contains(l.Id)) is { } returns)
        {
            moves.Add(returns.Id, free[0]);
        }
        var needsIron = grounds.Count + back.Count > 0 && stay.Count + moves.Count == 0;
        var soldered = needsIron
            ? back.Concat(seeking.Where(l => !kept.Contains(l.Id)))
                .OrderByDescending(l => back.Contains(l) || forced.ContainsKey(l.Id))
                .FirstOrDefault()
                ?.Id
            : null;

        // The lift of a lead that must leave is counted with the others; here only what comes to it.
        var isOut = forced.Keys.Concat(back.Select(l => l.Id)).ToHashSet();
        var extra =
            moves.Keys.Count(l => !forced.ContainsKey(l)) * WorkMinutes.Lift
            + (soldered is null ? 0 : WorkMinutes.Solder + (isOut.Contains(soldered) ? 0 : WorkMinutes.Lift));
        return (moves, soldered, !needsIron || soldered is not null, extra);
    }

    // Ground leads that are out of the plug and could go back; none counts while one is soldered to ground.
    private static List<Lead> FreeGrounds(ResolvedBuild build, DeviceInBuild device, Harness harness)
    {
        var grounds = device.Device.Leads.Where(l => l.Role == LeadRole.Ground).ToList();
        return grounds.Any(l => build.Built.GroundOf(build.Circuit, device.Id, l) is not null)
            ? []
            : grounds.FindAll(l => harness.IsFree(l.Id));
    }

    private static Finding Harm(DeviceInBuild device, Lead lead, Socket socket, Pad pad) =>
        HazardRules.Plug.Found(
            Severity.Warn,
            Subject.Socket(socket.Id, device.Id),
            ("device", $"the {device.Device.Name}"),
            ("plug", socket.Label),
            ("lead", lead.Label),
            ("pad", pad.Label)
        );

    private static Finding Wanted(DeviceInBuild device, Lead lead, Socket socket, Pad? pad) =>
        HazardRules.Plug.Found(
            Severity.Note,
            Subject.Socket(socket.Id, device.Id),
            ("device", $"the {device.Device.Name}"),
            ("plug", socket.Label),
            ("lead", lead.Label),
            ("pad", pad?.Label ?? Sentences.AnEmptyPin)
        );
}
