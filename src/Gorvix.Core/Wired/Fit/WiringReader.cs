using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Builds;
using Gorvix.Core.Plans.Planning;
using Gorvix.Core.Plans.Routing;
using Gorvix.Core.Wired.Wiring;
using Gorvix.Core.Wired.Words;

namespace Gorvix.Core.Wired.Fit;

/// <summary>Plugs, supplies and grounds of each device, read off the wired build.</summary>
internal sealed class WiringReader(PlanSpace space, Plan plan, WiredBuild wired)
{
    private readonly Build _wishes = space.Build.Build;

    /// <summary>One entry for each device.</summary>
    public IReadOnlyList<FitDevice> Devices() => [.. space.Build.Devices.Select(Of)];

    /// <summary>Every pad that a lead touches.</summary>
    public IReadOnlyList<PadUse> PadsInUse() =>
        [
            .. wired
                .Leads.Where(l => l.Pad is not null)
                .Select(l => new PadUse(
                    l.Pad!.Id,
                    l.Device,
                    l.Link,
                    $"{space.Build.Devices.First(d => d.Id == l.Device).Device.Name}: {l.Lead.Label}"
                )),
        ];

    /// <summary>The wires of a link.</summary>
    public IReadOnlyList<FitWire> WiresOf(string link) =>
        [
            .. wired
                .Joined.Where(l => l.Link == link)
                .Select(l => new FitWire(
                    l.Lead.Label,
                    l.Lead.Colour,
                    l.Pad!.Label,
                    l.Pad.Side,
                    l.Socket?.Label,
                    l.Cavity,
                    WireWords.Of(space.Build.Circuit, l.Pad)
                )),
        ];

    private FitDevice Of(DeviceInBuild device)
    {
        var ways = space.All.Seats.First(s => s.Device.Id == device.Id);
        var seat = plan.SeatOf(device.Id).Seat;
        return new FitDevice(
            device.Id,
            device.Device.Name,
            WireWords.Of(seat),
            ways.IsChoice
                ? [.. ways.Ways.Where(w => w.Seat.Kind != SeatKind.Off).Select(w => SeatOf(device, w.Seat, seat))]
                : [],
            [.. wired.Leads.Where(l => l.Device == device.Id).Select(l => LeadOf(device, l, seat))]
        );
    }

    private FitSeat SeatOf(DeviceInBuild device, Seat seat, Seat now)
    {
        var match = new SeatMatch { Device = device.Id, Socket = seat.Socket?.Id };
        return new FitSeat(
            match,
            seat.Socket?.Label ?? "soldered",
            seat == now,
            _wishes.Pins.Contains(match),
            _wishes.Bans.Contains(match)
        );
    }

    private FitLead LeadOf(DeviceInBuild device, WiredLead lead, Seat seat)
    {
        var feed = plan.Feeds.FirstOrDefault(f => f.Ways.Device.Id == device.Id && f.Ways.Supply.Lead == lead.Lead.Id);
        var supply = device.Device.Supplies.FirstOrDefault(s => s.Lead == lead.Lead.Id);
        var window = supply?.Window;
        var starved = window is not null && lead is { Pad: null, To: null } && wired.Sources.Input is not null;
        var need = lead.Link is { } link ? space.Build.Links.First(l => l.Id == link).Function.Need : (Need?)null;
        var at = lead is { Pad: null, To: null }
            ? null
            : new FeedMatch
            {
                Device = device.Id,
                Lead = lead.Lead.Id,
                Pad = lead.Pad?.Id,
                From = lead.To?.Device,
                FromLead = lead.To?.Lead.Id,
            };
        var outside = new LeadMatch { Device = device.Id, Lead = lead.Lead.Id };
        return new FitLead(
            lead.Lead.Id,
            lead.Lead.Label,
            lead.Lead.Colour,
            need is { } n ? Phrase.Lower(PlainWords.Of(n)) : Job(lead),
            starved ? Sentences.NoSupplyPad : WireWords.Of(lead, wired),
            starved,
            lead.IsUsed || feed?.Feed is not null,
            lead.Pad is { } pad ? pad.Label : null,
            supply is null ? null : $"{PlainWords.Of(supply.Window)} ({Draws(supply)})",
            feed?.Feed?.Volts is { } volts
                ? $"{PlainWords.Of(volts)} ({(feed.Feed.From is { } from ? Sentences.FromThe(from.Name) : BoardWords.Of(feed.Feed.Rail!))})"
                : OutputOf(device, lead),
            feed is { Feed: not null } ? at : null,
            at is not null && _wishes.Pins.Contains(at),
            Harness.Of(device.Device).HomeOf(lead.Lead.Id) >= 0 && seat.Kind == SeatKind.Seated ? outside : null,
            _wishes.Pins.Contains(outside)
        );
    }

    private static string Draws(SupplyInput supply) =>
        supply.PowerAt is { } at ? Sentences.AtVMoreAtLess(Amperes(supply), at) : Amperes(supply);

    private static string Amperes(SupplyInput supply) =>
        (supply.Typical, supply.Peak) switch
        {
            (null, null) => Sentences.CurrentUnknown,
            ({ } typical, null) => Sentences.TypicalPeakUnknown(PlainWords.Amperes(typical)),
            (null, { } peak) => $"{PlainWords.Amperes(peak)} peak",
            ({ } typical, { } peak) => $"{PlainWords.Amperes(typical)} typical, {PlainWords.Amperes(peak)} peak",
        };

    // What a lead offers to others; never joined to another supply.
    private static string? OutputOf(DeviceInBuild device, WiredLead lead) =>
        device.Device.Outputs.FirstOrDefault(o => o.Lead == lead.Lead.Id) is not { } output
            ? null
            : $"{(output.Volts is { } volts ? $"{volts:0.0#} V" : Sentences.InputVoltage)}, limit {PlainWords.Amperes(output.Limit)}{BoardWords.Of(output.Filtering)}";

    private static string Job(WiredLead lead) =>
        lead.Lead.Role switch
        {
            LeadRole.Output => Sentences.SupplyOutput,
            LeadRole.Supply => "supply",
            LeadRole.Ground => "ground",
            LeadRole.Sense => "sense",
            LeadRole.Video => "video",
            _ => "unused",
        };
}
