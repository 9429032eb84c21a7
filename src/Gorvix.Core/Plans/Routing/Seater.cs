using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;

namespace Gorvix.Core.Plans.Routing;

/// <summary>Where a lead ends up that is joined to a pad.</summary>
public enum LeadPlace
{
    /// <summary>In the cavity in which it came.</summary>
    Kept,

    /// <summary>In another cavity of the same plug.</summary>
    Moved,

    /// <summary>Soldered to a pad.</summary>
    Soldered,

    /// <summary>Soldered to a tail in a socket.</summary>
    Tail,
}

/// <summary>What it takes to bring one lead to one pad while its device's plug is in one seat.</summary>
/// <param name="Place">Where the lead ends up.</param>
/// <param name="Minutes">Hand work besides what the seat and the holds count; below zero where the seat counted a lift that is not needed.</param>
/// <param name="Evicts">The lead in whose cavity it ends up, where whoever asks pays for that one's lift; else null.</param>
/// <param name="Work">What it is to the hands beyond what the seat counts, as data; a tail is a hold of its own.</param>
/// <param name="Takes">A cavity.</param>
/// <param name="Holds">States of leads and sockets.</param>
internal sealed record Joint(
    LeadPlace Place,
    int Minutes,
    string? Evicts,
    Work? Work,
    IReadOnlyList<Thing> Takes,
    IReadOnlyList<Hold> Holds
);

/// <summary>Brings leads to pads under a seat of their device's plug.</summary>
internal static class Seater
{
    /// <summary>The joint of a lead and a pad, or null when the seat rules it out.</summary>
    /// <param name="circuit">The board.</param>
    /// <param name="way">The seat.</param>
    /// <param name="lead">A lead of its device.</param>
    /// <param name="pad">The pad.</param>
    public static Joint? Join(Circuit circuit, SeatWay way, Lead lead, Pad pad)
    {
        if (way.Seat.Kind == SeatKind.Off)
        {
            return null;
        }
        var harness = Harness.Of(way.Device.Device);
        var home = harness.HomeOf(lead.Id);
        var socket = circuit.SocketOf.GetValueOrDefault(pad.Id);
        if (way.Seat.Socket is { } seat && socket == seat)
        {
            return InSocket(way, harness, lead, home, seat.CavityOf(pad));
        }
        return Out(way, lead, home, socket, pad);
    }

    /// <summary>The joint of a lead with a lead of another device, or null when the seat rules it out.</summary>
    /// <param name="way">The seat.</param>
    /// <param name="lead">A lead of its device.</param>
    /// <param name="to">The output that it is joined to.</param>
    public static Joint? Splice(SeatWay way, Lead lead, OutputAt to) =>
        way.Seat.Kind != SeatKind.Off
        && Out(way, lead, Harness.Of(way.Device.Device).HomeOf(lead.Id), null, null) is { } joint
            ? joint with
            {
                Work = joint.Work! with { Other = to.Device, OtherLead = to.Lead.Id },
            }
            : null;

    // Out of its plug, where it has one, and soldered: to a pad, to a tail, or to a lead of another device.
    private static Joint? Out(SeatWay way, Lead lead, int home, Socket? socket, Pad? pad)
    {
        List<Hold> holds = socket is null ? [] : [new SocketHold(socket.Id, null)];
        var leaves = home >= 0 && way.Seat.Kind != SeatKind.Bare;

        // One that was taken out before could go into a cavity: the iron is a choice here, so it is counted.
        var free = way.Seat.Kind != SeatKind.Bare && Harness.Of(way.Device.Device).IsFree(lead.Id);
        if (way.Kept.Contains(lead.Id) && leaves)
        {
            return null;
        }
        if (leaves && way.Seat.Kind == SeatKind.Seated)
        {
            holds.Add(way.Leaves(lead.Id));
        }
        var payer = way.PayerOf(lead.Id);
        var iron = (pad is null ? WorkMinutes.Splice : 0) + (leaves || free ? WorkMinutes.Solder : 0);
        return new Joint(
            socket is null ? LeadPlace.Soldered : LeadPlace.Tail,
            iron + (leaves ? Lift(payer) : 0),
            null,
            leaves || free || pad is null
                ? new Work(
                    pad is null ? WorkAction.SpliceLead : WorkAction.SolderLead,
                    iron + (leaves ? Asked(payer) : 0)
                )
                {
                    Device = way.Device.Id,
                    Lead = lead.Id,
                    Pad = pad?.Id,
                    Socket = socket?.Id,
                }
                : null,
            [],
            holds
        );
    }

    private static Joint? InSocket(SeatWay way, Harness harness, Lead lead, int home, int cavity)
    {
        var device = way.Device.Id;
        if (cavity == home)
        {
            return way.Forced.ContainsKey(lead.Id)
                ? null
                : new Joint(
                    LeadPlace.Kept,
                    way.Lifted.Contains(lead.Id) ? -WorkMinutes.Lift : 0,
                    null,
                    null,
                    [],
                    [new HomeHold(device, lead.Id, Home.Kept)]
                );
        }

        // A lead without a contact at its end goes into no cavity, and a plug has no more cavities than its own.
        var free = harness.IsFree(lead.Id);
        if (
            (home < 0 && !free)
            || cavity >= harness.Cavities.Count
            || way.Kept.Contains(lead.Id)
            || way.Out.Contains(lead.Id)
        )
        {
            return null;
        }
        List<Hold> holds = free ? [] : [way.Leaves(lead.Id)];
        var other = harness.Cavities[cavity];
        if (other is not null)
        {
            if (way.Kept.Contains(other.Id))
            {
                return null;
            }
            holds.Add(way.Leaves(other.Id));
        }
        var payer = free ? LiftPayer.Asker : way.PayerOf(lead.Id);
        return new Joint(
            LeadPlace.Moved,
            Lift(payer),
            other is not null && way.PayerOf(other.Id) == LiftPayer.Asker ? other.Id : null,
            new Work(WorkAction.MoveLead, Asked(payer))
            {
                Device = device,
                Lead = lead.Id,
                Socket = way.Seat.Socket!.Id,
                From = home < 0 ? null : home + 1,
                To = cavity + 1,
            },
            [new Thing(ThingKind.Cavity, device, $"{cavity}")],
            holds
        );
    }

    // What the hookup itself pays.
    private static int Lift(LiftPayer payer) => payer is LiftPayer.Asker or LiftPayer.Row ? WorkMinutes.Lift : 0;

    // What it is to the hands beyond what the seat has counted.
    private static int Asked(LiftPayer payer) => payer == LiftPayer.Seat ? 0 : WorkMinutes.Lift;
}
