using Gorvix.Core.Builds;
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
internal sealed class LineWalker(ResolvedBuild build, Port port, Protocol protocol, Device device)
{
    // JESD8C, 3.3 V LVTTL and LVCMOS: the lowest input that is surely high.
    private const double LeastHigh = 2.0;

    private const double BoardDrives = 3.3;

    /// <summary>Walks over one path of one pad.</summary>
    /// <param name="line">The line of the mode.</param>
    /// <param name="pad">The pad.</param>
    /// <param name="path">The path, which must end on a net.</param>
    /// <param name="net">The net at its end.</param>
    /// <param name="half">The half of the port that the net serves.</param>
    public WalkEnd Walk(ModeLine line, Pad pad, PadPath path, Net net, Half half)
    {
        var lead = device.Leads.First(l => l.Id == line.Lead);
        var (signal, level) = Start(line, lead);
        var bridges = new List<Contact>();
        Finding? failure = null;
        foreach (var element in path.Through)
        {
            if (element is Contact contact)
            {
                bridges.Add(contact);
            }
            var (passage, turn) = EffectOf(element);
            signal = signal.Then(turn);
            level = LevelAfter(element, level);
            failure ??= Passes(passage, line.Flow) ? null : Against(passage, line, lead, pad);
        }

        // What is left must come out normal; the controller can put it right only if it inverts, as code always can.
        var own = Inverts() ? signal : Polarity.Normal;
        var halfName = PortWords.Of(port, half);
        if (signal.Then(own) != Polarity.Normal)
        {
            failure ??= WrongParity(lead, pad, path, halfName);
        }
        failure ??= Levels(line, lead, level, net, halfName);
        var work = new List<Work>();
        if (line.Flow != Flow.Out && net.AtBoot != BootLevel.High && lead.AtBoot == BootNeed.High)
        {
            failure ??= Trap(lead, net, halfName, work);
        }
        var works = failure is null;
        var walk = new LineWalk(line, lead, pad, half, bridges, own)
        {
            Net = net.Id,
            Hazards = Hazards(line, lead, pad, halfName),
            Work = work,
            Stations = new(() => HopsOf(line, lead, pad, path, net, half, own, works)),
        };
        return new WalkEnd(walk, failure);
    }

    // What the wire carries at the lead: how it rests, and its high level.
    private (Polarity Signal, double Level) Start(ModeLine line, Lead lead) =>
        (line.Polarity ?? protocol.Idle, line.Flow == Flow.In ? BoardDrives : lead.DriveVolts);

    private static (Passage Passage, Polarity Turn) EffectOf(PathElement element) =>
        element switch
        {
            Inverter inverter => (inverter.Direction, Polarity.Inverted),
            Diode diode => (diode.Direction, Polarity.Normal),
            Divider => (Passage.ToController, Polarity.Normal),
            _ => (Passage.Both, Polarity.Normal),
        };

    private static double LevelAfter(PathElement element, double level) =>
        element switch
        {
            Divider divider => level * divider.Ratio,
            Diode diode => level - diode.Volts,
            _ => level,
        };

    // The same way once more, in words: made only for what is looked at.
    private List<Hop> HopsOf(
        ModeLine line,
        Lead lead,
        Pad pad,
        PadPath path,
        Net net,
        Half half,
        Polarity own,
        bool works
    )
    {
        var (signal, level) = Start(line, lead);
        var drive = line.Flow == Flow.In ? "listens" : $"drives {lead.DriveVolts:0.0#} V";
        var hops = new List<Hop>
        {
            new(HopKind.Lead, lead.Label, signal, drive),
            new(HopKind.Pad, pad.Label, signal, pad.Side == BoardSide.Bottom ? "bottom side" : null),
        };
        foreach (var element in path.Through)
        {
            var (passage, turn) = EffectOf(element);
            signal = signal.Then(turn);
            level = LevelAfter(element, level);
            hops.Add(
                element switch
                {
                    Contact contact => new(HopKind.Contact, contact.Bridge, signal, $"at \"{contact.Position}\""),
                    Resistor resistor => new(HopKind.Resistor, $"{resistor.Ohms:0.#} Ω", signal),
                    Divider => new(HopKind.Resistor, "divider", signal, $"{level:0.0#} V"),
                    Diode => new(HopKind.Resistor, "diode", signal, PassageWords(passage)),
                    _ => new Hop(HopKind.Inverter, "inverter", signal, PassageWords(passage)),
                }
            );
        }
        hops.Add(new Hop(HopKind.Half, PortWords.Of(port, half), signal.Then(own), HalfNote(line, net, own)));
        if (works)
        {
            hops.Add(new Hop(HopKind.Job, protocol.Id, Polarity.Normal));
        }
        return hops;
    }

    private bool Inverts() =>
        port.Kind switch
        {
            PortKind.Uart => build.Controller.Inversion == OwnInversion.EachPin,
            PortKind.Software or PortKind.Pulse => true,
            _ => false,
        };

    private string HalfNote(ModeLine line, Net net, Polarity own)
    {
        var volts = line.Flow == Flow.In ? $"drives {BoardDrives:0.0} V" : $"stands {net.MaxVolts:0.0#} V";
        var inverter = port.Kind == PortKind.Uart ? "by the controller" : "in code";
        return own == Polarity.Inverted ? $"inverted {inverter}, {volts}" : volts;
    }

    private static Finding? Levels(ModeLine line, Lead lead, double level, Net net, string half)
    {
        if (line.Flow == Flow.In)
        {
            return null;
        }
        if (level > net.MaxVolts)
        {
            return RoutingRules.Level.Found(
                Severity.Stop,
                half,
                ("lead", lead.Label),
                ("drive", $"{level:0.0#}"),
                ("half", half),
                ("limit", $"{net.MaxVolts:0.0#}")
            );
        }
        return level >= LeastHigh
            ? null
            : RoutingRules.Faint.Found(
                Severity.Stop,
                half,
                ("lead", lead.Label),
                ("level", $"{level:0.0#}"),
                ("half", half)
            );
    }

    // The cure is the builder's choice: a resistor, or not this pad.
    private Finding? Trap(Lead lead, Net net, string half, List<Work> work)
    {
        if (build.Build.House.BootTrap == BootCure.PullUp)
        {
            work.Add(
                new Work(
                    $"Fit a 10 kΩ pull-up resistor from {lead.Label} of the {device.Name} to its 3.3 V.",
                    WorkPoints.Resistor
                )
            );
            return null;
        }
        return RoutingRules.Boot.Found(
            Severity.Stop,
            half,
            ("half", half),
            ("behaves", net.AtBoot == BootLevel.Low ? "is low" : "chatters"),
            ("lead", lead.Label)
        );
    }

    private List<Finding> Hazards(ModeLine line, Lead lead, Pad pad, string half)
    {
        var list = new List<Finding>();
        if (pad.Meaning == PadMeaning.Doubtful)
        {
            list.Add(HazardRules.Measure.Found(Severity.Warn, pad.Label, ("pad", pad.Label), ("lead", lead.Label)));
        }
        if (line.Flow != Flow.Out && lead.HighFromVolts > BoardDrives)
        {
            list.Add(
                HazardRules.Margin.Found(
                    Severity.Warn,
                    half,
                    ("half", half),
                    ("lead", $"{lead.Label} of the {device.Name}"),
                    ("needs", $"{lead.HighFromVolts:0.0#}")
                )
            );
        }
        return list;
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

    private static Finding Against(Passage passage, ModeLine line, Lead lead, Pad pad) =>
        RoutingRules.Way.Found(
            Severity.Stop,
            pad.Label,
            ("pad", pad.Label),
            ("passage", PassageWords(passage)),
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
        var controller =
            port.Kind == PortKind.Uart
                ? $"an {build.Controller.Id}-class controller cannot invert"
                : $"{PortWords.Of(port.Kind)} cannot be inverted";
        return RoutingRules.Parity.Found(
            Severity.Stop,
            half,
            ("lead", lead.Label),
            ("half", half),
            ("controller", controller),
            ("pad", pad.Label),
            ("inverters", inverters)
        );
    }
}
