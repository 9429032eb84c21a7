using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Plans.Routing;

namespace Gorvix.Core.Wired.Wiring;

/// <summary>Why a lead must not stay at a pad: said of what is built, and of each lead that leaves its plug.</summary>
internal static class PinReasons
{
    /// <summary>Why a lead must leave the pin it comes in, as a clause; null where nothing there speaks against it.</summary>
    /// <param name="wired">The build as it is to be wired.</param>
    /// <param name="lead">A lead of a seated plug that is not in its own pin.</param>
    /// <param name="talkers">Who is on which net.</param>
    public static string? Of(WiredBuild wired, WiredLead lead, Func<Talkers> talkers)
    {
        var part = wired.Build.Devices.First(d => d.Id == lead.Device).Device;
        var seat = wired.Seats.First(s => s.Device == lead.Device).Seat;
        var home = Harness.Of(part).HomeOf(lead.Lead.Id);
        if (home < 0 || seat.Socket is not { } socket || socket.Pads.ElementAtOrDefault(home) is not { } pad)
        {
            return null;
        }
        var positions = wired.Positions();
        var touch = PadContact
            .Of(wired.Build.Circuit, part, lead.Lead, pad, wired.Sources.Input)
            .FirstOrDefault(t => t.State.Bridges.All(positions.Contains));
        var window = part.Supplies.FirstOrDefault(s => s.Lead == lead.Lead.Id)?.Window;
        return touch switch
        {
            { End: ContactEnd.Harms } => Harm(wired.Build.Circuit, part, lead.Lead, pad, touch),
            { Rail: { } rail, Volts: { } volts } when window?.IsUnder(volts.Min) == true =>
                $"{rail.Label} {(volts.Max - volts.Min < 0.05 ? "has" : Sentences.DropsTo)} {volts.Min:0.0#} V, {lead.Lead.Label} needs {window.Min:0.0#} V",
            not null
                when PadContact.TransmitsUnasked(part, lead.Lead) is var unasked and not false
                    && talkers().Beside(pad, lead.Device) is { } other => Sentences.ItTransmitOnWhereIs(
                unasked == true ? "would" : "may",
                pad.Label,
                other
            ),
            _ => null,
        };
    }

    /// <summary>What destroys, shorts or fights at a pad, as a clause.</summary>
    /// <param name="circuit">The board.</param>
    /// <param name="part">The lead's device.</param>
    /// <param name="lead">The lead.</param>
    /// <param name="pad">The pad.</param>
    /// <param name="touch">A touch that harms.</param>
    public static string Harm(Circuit circuit, Device part, Lead lead, Pad pad, PadContact touch)
    {
        var window = part.Supplies.FirstOrDefault(s => s.Lead == lead.Id)?.Window;
        return (touch.Rail, touch.Volts, window) switch
        {
            ({ } rail, { } volts, { } takes) when takes.IsOver(volts.Max) => Sentences.HasUpToVOf(
                rail.Label,
                volts.Max,
                lead.Label,
                part.Name,
                takes.Max
            ),
            ({ } rail, _, _) when lead.Role == LeadRole.Output => Sentences.ItWouldTieToThe(lead.Label, rail.Label),
            ({ } rail, _, _) when lead.Role == LeadRole.Ground => Sentences.WouldBeShortedToGround(
                rail.Label,
                part.Name
            ),
            ({ } rail, { } volts, _) => Sentences.VIsOnOfThe(rail.Label, volts.Max, lead.Label, part.Name),
            ({ } rail, null, _) => Sentences.IsOnOfTheWhich(rail.Label, lead.Label, part.Name),
            _ when circuit.IsGround(pad) => Sentences.ItWouldBeShortedTo,
            _ => Sentences.ItWouldDriveOrBe(pad.Label),
        };
    }
}
