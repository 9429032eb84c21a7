using Gorvix.Core.Hardware.Circuits;
using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>The end of a walk: either a line that works or a finding that says why not.</summary>
/// <param name="Walk">The walk as far as it came.</param>
/// <param name="Failure">Why it fails, or null when it works.</param>
public sealed record WalkEnd(LineWalk Walk, Finding? Failure);

/// <summary>Reads one strand as the way of one line of a mode, from the device's lead over a pad to one half of a port.</summary>
/// <remarks>
/// The lane is always told from the device to the controller, whichever side talks: an inverter turns
/// the signal over both ways, so the parity is the same.
/// </remarks>
internal sealed class LineReader(ResolvedBuild build, Port port, Mode mode, Protocol protocol, Link link)
{
    // JESD8C, 3.3 V LVTTL and LVCMOS: the lowest input that is surely high.
    private const double LeastHigh = 2.0;

    private const double BoardDrives = 3.3;

    private readonly Device _device = link.Device;

    /// <summary>Judges a strand.</summary>
    /// <param name="line">The line of the mode.</param>
    /// <param name="pad">The pad.</param>
    /// <param name="strand">A strand from the pad to a net.</param>
    /// <param name="net">The net at its end.</param>
    /// <param name="half">The half of the port that the net serves.</param>
    public WalkEnd Read(ModeLine line, Pad pad, Strand strand, Net net, Half half)
    {
        var lead = _device.Leads.First(l => l.Id == line.Lead);
        var signal = (line.Polarity ?? protocol.Idle).Then(strand.Turn);
        var failure = Passes(strand, line.Flow) ? null : Against(strand, line, lead, pad);
        // What is left must come out normal; the controller can put it right only if it inverts, as code always can.
        var own = Inverts() ? signal : Polarity.Normal;
        var halfName = PortWords.Of(port, half);
        if (signal.Then(own) != Polarity.Normal)
        {
            failure ??= WrongParity(lead, pad, strand, halfName);
        }
        failure ??= OnRail(lead, pad, strand) ?? Levels(line, lead, strand, net, halfName) ?? Reading(line, lead);
        var work = new List<Work>();
        if (line.Flow != Flow.Out && net.AtBoot != BootLevel.High && lead.AtBoot == BootNeed.High)
        {
            failure ??= Trap(lead, net, halfName, work);
        }
        var works = failure is null;
        var walk = new LineWalk(line, lead, pad, half, strand.Contacts, own)
        {
            Net = net.Id,
            Strand = strand,
            IsAlone = build.Circuit.From(pad).All(s => s.To == strand.To),
            Hazards = Hazards(line, lead, pad, strand, halfName),
            Work = work,
            Stations = new(() => HopsOf(line, lead, pad, strand, net, half, own, works)),
        };
        return new WalkEnd(walk, failure);
    }

    // The same way once more, in words: made only for what is looked at.
    private List<Hop> HopsOf(
        ModeLine line,
        Lead lead,
        Pad pad,
        Strand strand,
        Net net,
        Half half,
        Polarity own,
        bool works
    )
    {
        var signal = line.Polarity ?? protocol.Idle;

        // What the board drives is told as it arrives at each station; what the device drives as it leaves.
        var level = line.Flow == Flow.In ? strand.LevelBack(BoardDrives) : lead.DriveVolts;
        var drive = line.Flow == Flow.In ? $"has {level:0.0#} V" : $"drives {lead.DriveVolts:0.0#} V";
        var hops = new List<Hop>
        {
            new(HopKind.Lead, lead.Label, signal, drive),
            new(HopKind.Pad, pad.Label, signal, PadNote(pad)),
        };
        foreach (var (i, step) in strand.Steps.Index())
        {
            signal = signal.Then(step.Turn);
            level =
                line.Flow == Flow.In
                    ? strand.Steps.Skip(i + 1).Reverse().Aggregate(BoardDrives, Strand.LevelAfter)
                    : Strand.LevelAfter(level, step);
            var way = PassageWords(step.Passage);
            switch (step.Kind)
            {
                case StepKind.Contact:
                    var at = step.Edge.Contact!.Value;
                    hops.Add(new(HopKind.Contact, at.Bridge, signal, $"at \"{at.Position}\""));
                    break;
                case StepKind.Resistor:
                    hops.Add(new(HopKind.Resistor, $"{step.Value:0.#} Ω", signal));
                    break;
                case StepKind.Divider:
                    hops.Add(new(HopKind.Resistor, "divider", signal, $"{level:0.0#} V"));
                    break;
                case StepKind.Diode:
                    hops.Add(new(HopKind.Resistor, "diode", signal, $"{way}, {level:0.0#} V"));
                    break;
                case StepKind.Inverter:
                    hops.Add(
                        new(HopKind.Inverter, "inverter", signal, step.Value > 0 ? $"{way}, {level:0.0#} V" : way)
                    );
                    break;
            }
        }
        hops.Add(new Hop(HopKind.Half, PortWords.Of(port, half), signal.Then(own), HalfNote(line, net, own)));
        if (works)
        {
            hops.Add(new Hop(HopKind.Job, protocol.Name, Polarity.Normal));
        }
        return hops;
    }

    private string? PadNote(Pad pad) =>
        (build.Circuit.SocketOf.GetValueOrDefault(pad.Id), pad.Side) switch
        {
            ({ } socket, _) => $"{socket.Label}, pin {socket.CavityOf(pad) + 1}",
            (null, BoardSide.Bottom) => Sentences.BottomSide,
            _ => null,
        };

    private bool Inverts() =>
        port.Kind switch
        {
            PortKind.Uart => build.Controller.Inversion == OwnInversion.EachPin,
            PortKind.Software or PortKind.Pulse => true,
            _ => false,
        };

    private string HalfNote(ModeLine line, Net net, Polarity own)
    {
        var volts = line.Flow == Flow.In ? $"drives {BoardDrives:0.0} V" : $"{net.MaxVolts:0.0#} V max";
        var inverter = port.Kind == PortKind.Uart ? Sentences.ByTheController : Sentences.InSoftware;
        return own == Polarity.Inverted ? $"inverted {inverter}, {volts}" : volts;
    }

    // A pad that is joined to a rail as well carries no signal. A pull-up holds a level and does no harm.
    private Finding? OnRail(Lead lead, Pad pad, Strand strand)
    {
        var rail = build
            .Circuit.From(pad)
            .FirstOrDefault(s =>
                s.To.Kind == NodeKind.Rail
                && s.Ohms < PadContact.PullUpOhms
                && s.Contacts.All(strand.Contacts.Contains)
                && s.PassesBack
            );
        return rail is null
            ? null
            : RoutingRules.OnRail.Found(
                Severity.Stop,
                Subject.Pad(pad.Id),
                ("pad", pad.Label),
                ("rail", build.Circuit.Rails[rail.To.Id].Label),
                ("lead", lead.Label)
            );
    }

    // What a device's analogue level and a pin stand for; null where the line is another.
    private (AnalogueReading? Port, AnalogueReading? Lead)? ReadingOf(ModeLine line) =>
        protocol.Carrier == Carrier.Analogue && line.Flow == Flow.Out ? (port.Reads, mode.Reads) : null;

    private Finding? Reading(ModeLine line, Lead lead) =>
        ReadingOf(line) is ({ } reads, { } gives) && reads != gives
            ? RoutingRules.Reads.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("port", port.Name),
                ("reads", PortWords.Of(reads)),
                ("lead", lead.Label),
                ("gives", PortWords.Of(gives))
            )
            : null;

    private Finding? Levels(ModeLine line, Lead lead, Strand strand, Net net, string half)
    {
        if (line.Flow != Flow.In)
        {
            if (strand.OverdrivenOut(lead.DriveVolts) is var (step, gets))
            {
                return RoutingRules.Level.Found(
                    Severity.Stop,
                    Subject.Port(port.Id),
                    ("lead", lead.Label),
                    ("drive", $"{gets:0.0#}"),
                    ("half", Sentences.TheInverterBefore(half)),
                    ("limit", $"{step.Stands:0.0#}")
                );
            }
            var level = strand.LevelOut(lead.DriveVolts);
            if (level > net.MaxVolts)
            {
                return RoutingRules.Level.Found(
                    Severity.Stop,
                    Subject.Port(port.Id),
                    ("lead", lead.Label),
                    ("drive", $"{level:0.0#}"),
                    ("half", half),
                    ("limit", $"{net.MaxVolts:0.0#}")
                );
            }
            if (level < LeastHigh && protocol.Carrier != Carrier.Analogue)
            {
                return RoutingRules.Faint.Found(
                    Severity.Stop,
                    Subject.Port(port.Id),
                    ("from", lead.Label),
                    ("level", $"{level:0.0#}"),
                    ("to", half),
                    ("least", $"{LeastHigh:0.0}")
                );
            }
        }
        if (line.Flow == Flow.Out || protocol.Carrier is Carrier.Picture or Carrier.Bus or Carrier.Analogue)
        {
            return null;
        }

        // A whole 3.3 V into 5 V logic is marginal, which is a hazard; less than that is too little.
        var arrives = strand.LevelBack(BoardDrives);
        var needs = lead.HighFromVolts ?? LeastHigh;
        return arrives >= Math.Min(needs, BoardDrives)
            ? null
            : RoutingRules.Faint.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("from", half),
                ("level", $"{arrives:0.0#}"),
                ("to", Sentences.OfThe(lead.Label, _device.Name)),
                ("least", $"{needs:0.0#}")
            );
    }

    // The cure is the builder's choice: a resistor, or not this pad.
    private Finding? Trap(Lead lead, Net net, string half, List<Work> work)
    {
        // A resistor holds a line that nothing drives; what is driven low stays low.
        if (build.Build.House.BootTrap == BootCure.PullUp && net.AtBoot != BootLevel.DrivenLow)
        {
            var done = build.Built.IsDone(BuiltDeed.PullUp, link.Want.Device, lead.Id, null);
            work.Add(
                new Work(WorkAction.PullUp, done ? 0 : WorkMinutes.Resistor)
                {
                    Device = link.Want.Device,
                    Lead = lead.Id,
                }
            );
            return null;
        }
        return RoutingRules.Boot.Found(
            Severity.Stop,
            Subject.Port(port.Id),
            ("half", half),
            (
                "behaves",
                net.AtBoot switch
                {
                    BootLevel.Low => Sentences.IsLow,
                    BootLevel.DrivenLow => Sentences.IsDrivenLow,
                    _ => "chatters",
                }
            ),
            ("lead", lead.Label)
        );
    }

    private List<Finding> Hazards(ModeLine line, Lead lead, Pad pad, Strand strand, string half)
    {
        var list = new List<Finding>();
        if (pad.Meaning == PadMeaning.Uncertain)
        {
            list.Add(
                HazardRules.Measure.Found(Severity.Warn, Subject.Pad(pad.Id), ("pad", pad.Label), ("lead", lead.Label))
            );
        }
        if (ReadingOf(line) is var (reads, gives) && (reads is null || gives is null))
        {
            list.Add(
                HazardRules.ReadsUnknown.Found(
                    Severity.Warn,
                    Subject.Port(port.Id),
                    ("unknown", gives is null ? $"the {_device.Name}" : Sentences.TheBoard),
                    ("does", gives is null ? "gives" : "reads"),
                    ("lead", Sentences.OfThe(lead.Label, _device.Name)),
                    ("port", port.Name)
                )
            );
        }
        if (line.Flow != Flow.Out && lead.HighFromVolts > strand.LevelBack(BoardDrives))
        {
            list.Add(
                HazardRules.Margin.Found(
                    Severity.Warn,
                    Subject.Port(port.Id),
                    ("half", half),
                    ("lead", Sentences.OfThe(lead.Label, _device.Name)),
                    ("needs", $"{lead.HighFromVolts:0.0#}")
                )
            );
        }
        return list;
    }

    private static bool Passes(Strand strand, Flow flow) =>
        (strand.PassesOut || flow == Flow.In) && (strand.PassesBack || flow == Flow.Out);

    private static string PassageWords(Passage passage) =>
        passage switch
        {
            Passage.ToController => Sentences.TowardsTheController,
            Passage.ToPad => Sentences.TowardsThePad,
            _ => Sentences.BothWays,
        };

    private static Finding Against(Strand strand, ModeLine line, Lead lead, Pad pad)
    {
        var first = strand.Steps.First(s =>
            (s.Passage == Passage.ToController && line.Flow != Flow.Out)
            || (s.Passage == Passage.ToPad && line.Flow != Flow.In)
        );
        return RoutingRules.Way.Found(
            Severity.Stop,
            Subject.Pad(pad.Id),
            ("pad", pad.Label),
            ("passage", PassageWords(first.Passage)),
            ("lead", lead.Label),
            ("needed", line.Flow == Flow.Both ? Sentences.BothWays : Sentences.TheOtherWay)
        );
    }

    private Finding WrongParity(Lead lead, Pad pad, Strand strand, string half)
    {
        var inverters = strand.Inverters switch
        {
            0 => Sentences.NoInverter,
            1 => Sentences.OneInverter,
            var n => $"{n} inverters",
        };
        var controller =
            port.Kind == PortKind.Uart
                ? Sentences.AnClassControllerCannotInvert(build.Controller.Id)
                : Sentences.CannotBeInverted(PortWords.Of(port.Kind));
        return RoutingRules.Parity.Found(
            Severity.Stop,
            Subject.Port(port.Id),
            ("lead", lead.Label),
            ("half", half),
            ("controller", controller),
            ("pad", pad.Label),
            ("inverters", inverters)
        );
    }
}
