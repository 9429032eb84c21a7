using Gorvix.Core.Findings;
using Gorvix.Core.Parts;
using Gorvix.Core.Protocols;

namespace Gorvix.Core.Routing;

/// <summary>The end of a walk: either a line that works or a finding that says why not.</summary>
/// <param name="Walk">The walk as far as it came.</param>
/// <param name="Failure">Why it fails, or null when it works.</param>
public sealed record WalkEnd(LineWalk Walk, Finding? Failure);

/// <summary>
/// Walks one line of a mode from the device's lead over a pad to one half of a port, station by station.
/// </summary>
/// <remarks>
/// The lane is always walked from the device to the controller, whichever side talks: an inverter turns
/// the signal over both ways, so the parity is the same.
/// </remarks>
public sealed class LineWalker(ControllerClass controller, Port port, Protocol protocol, Device device)
{
    /// <summary>Walks over one path of one pad.</summary>
    /// <param name="line">The line of the mode.</param>
    /// <param name="pad">The pad.</param>
    /// <param name="path">The path, which must end on a net.</param>
    /// <param name="net">The net at its end.</param>
    /// <param name="half">The half of the port that the net serves.</param>
    public WalkEnd Walk(ModeLine line, Pad pad, PadPath path, Net net, Half half)
    {
        var lead = device.Leads.First(l => l.Id == line.Lead);
        var signal = line.Polarity ?? protocol.Idle;
        var hops = new List<Hop>
        {
            new(
                HopKind.Lead,
                lead.Label,
                signal,
                line.Flow == Flow.In ? "listens" : $"drives {lead.DriveVolts:0.0#} V"
            ),
            new(HopKind.Pad, pad.Label, signal, pad.Side == BoardSide.Bottom ? "bottom side" : null),
        };
        var bridges = new List<Contact>();
        Finding? failure = null;
        foreach (var element in path.Through)
        {
            switch (element)
            {
                case Contact contact:
                    bridges.Add(contact);
                    hops.Add(new Hop(HopKind.Contact, contact.Bridge, signal, $"at \"{contact.Position}\""));
                    break;
                case Resistor resistor:
                    hops.Add(new Hop(HopKind.Resistor, $"{resistor.Ohms:0.#} Ω", signal));
                    break;
                case Inverter inverter:
                    signal = signal.Then(Polarity.Inverted);
                    hops.Add(new Hop(HopKind.Inverter, "inverter", signal, PassageWords(inverter.Direction)));
                    failure ??= Passes(inverter.Direction, line.Flow) ? null : Against(inverter, line, lead, pad);
                    break;
            }
        }

        // What is left must come out normal; the controller can put it right only if its class inverts.
        var own = controller.Inversion == OwnInversion.EachPin ? signal : Polarity.Normal;
        var halfName = $"{port.Id} {(half == Half.Rx ? "RX" : "TX")}";
        var atUart = signal.Then(own);
        hops.Add(new Hop(HopKind.Half, halfName, atUart, HalfNote(line, net, own)));
        if (atUart != Polarity.Normal)
        {
            failure ??= WrongParity(lead, pad, path, halfName);
        }
        if (line.Flow != Flow.In && lead.DriveVolts > net.MaxVolts)
        {
            failure ??= RoutingRules.Level.Found(
                Severity.Stop,
                halfName,
                ("lead", lead.Label),
                ("drive", $"{lead.DriveVolts:0.0#}"),
                ("half", halfName),
                ("limit", $"{net.MaxVolts:0.0#}")
            );
        }
        if (failure is null)
        {
            hops.Add(new Hop(HopKind.Job, protocol.Id, Polarity.Normal));
        }
        return new WalkEnd(new LineWalk(line, lead, pad, half, hops, bridges, own), failure);
    }

    private static string HalfNote(ModeLine line, Net net, Polarity own)
    {
        var volts = line.Flow == Flow.In ? "drives 3.3 V" : $"stands {net.MaxVolts:0.0#} V";
        return own == Polarity.Inverted ? $"inverted by the controller, {volts}" : volts;
    }

    private static bool Passes(Passage passage, Flow flow) =>
        passage == Passage.Both
        || (passage == Passage.ToController && flow == Flow.Out)
        || (passage == Passage.ToPad && flow == Flow.In);

    private static string PassageWords(Passage passage) =>
        passage switch
        {
            Passage.ToController => "towards the controller",
            Passage.ToPad => "towards the pad",
            _ => "both ways",
        };

    private static Finding Against(Inverter inverter, ModeLine line, Lead lead, Pad pad) =>
        RoutingRules.Way.Found(
            Severity.Stop,
            pad.Label,
            ("pad", pad.Label),
            ("passage", PassageWords(inverter.Direction)),
            ("lead", lead.Label),
            ("needed", line.Flow == Flow.Both ? "both ways" : "the other way")
        );

    private Finding WrongParity(Lead lead, Pad pad, PadPath path, string half)
    {
        var inverters = path.Through.OfType<Inverter>().Count() switch
        {
            0 => "no inverter",
            1 => "one inverter",
            var n => $"{n} inverters",
        };
        return RoutingRules.Parity.Found(
            Severity.Stop,
            half,
            ("lead", lead.Label),
            ("half", half),
            ("controller", $"an {controller.Id}-class controller cannot invert"),
            ("pad", pad.Label),
            ("inverters", inverters)
        );
    }
}
