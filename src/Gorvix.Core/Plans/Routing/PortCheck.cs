using Gorvix.Core.Hardware.Findings;
using Gorvix.Core.Hardware.Parts;
using Gorvix.Core.Hardware.Protocols;
using Gorvix.Core.Plans.Builds;

namespace Gorvix.Core.Plans.Routing;

/// <summary>What can be said of a mode on a port before any wire is looked at: kind, job, house rules, clock and frames.</summary>
internal sealed class PortCheck(ResolvedBuild build, Link link, Mode mode, Port port, Protocol protocol)
{
    // From memory: what serial in code keeps up with.
    private const int SoftwareBaud = 57_600;

    /// <summary>The baud that the port is set to, once <see cref="Failure"/> found nothing; null where there is none.</summary>
    public int? Baud { get; private set; }

    /// <summary>Why it cannot be, or null.</summary>
    public Finding? Failure() =>
        Port() ?? Address() ?? Harness() ?? Memory() ?? Software() ?? Clock() ?? Frames() ?? Pins();

    private Finding? Port()
    {
        if (port.Kind == PortKind.Usb)
        {
            return RoutingRules.Usb.Found(Severity.Stop, Subject.Port(port.Id), ("port", port.Name));
        }
        if (!port.Carries(protocol))
        {
            return RoutingRules.Kind.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("protocol", protocol.Name),
                ("needs", PortWords.Needs(protocol)),
                ("port", port.Name),
                ("kind", PortWords.What(port))
            );
        }
        if (port.HeldBy is { } holder)
        {
            return RoutingRules.Held.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("port", port.Name),
                ("holder", holder)
            );
        }
        return build.Firmware is { } firmware && !firmware.Jobs.Contains(protocol.Job)
            ? RoutingRules.Job.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("firmware", firmware.Name),
                ("job", PortWords.Of(protocol.Job))
            )
            : null;
    }

    // A part inside the board answers there already.
    private Finding? Address() =>
        port.Addresses.FirstOrDefault(a => a.Address == mode.Address) is not { } used
            ? null
            : RoutingRules.Address.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("device", link.Device.Name),
                ("port", port.Name),
                ("address", $"0x{used.Address:X2}"),
                ("by", used.By)
            );

    private Finding? Harness()
    {
        if (mode.Lines.FirstOrDefault(l => link.Device.Leads.All(x => x.Id != l.Lead)) is not { } missing)
        {
            return null;
        }
        var has = link.Device.Harnesses.First(h => h.Leads.Contains(missing.Lead));
        return RoutingRules.Harness.Found(
            Severity.Stop,
            Subject.Device(link.Want.Device),
            ("mode", mode.Name),
            ("device", link.Device.Name),
            ("harness", has.Name)
        );
    }

    // Heard only, nobody tells it its set-up.
    private Finding? Memory() =>
        link.Device.Memory == SetupMemory.Loses
        && protocol.Use == LineUse.TwoWires
        && mode.Lines.Count > 0
        && mode.Lines.All(l => l.Flow == Flow.Out)
            ? RoutingRules.Forgets.Found(
                Severity.Stop,
                Subject.Device(link.Want.Device),
                ("device", link.Device.Name),
                ("mode", mode.Name)
            )
            : null;

    private Finding? Software()
    {
        if (port.Kind != PortKind.Software)
        {
            return null;
        }
        var reason = build.Build.House.Software switch
        {
            _ when build.Firmware?.SoftwareSerial == SoftwareSerial.Missing => Sentences.DoesNotSupportIt(
                build.Firmware.Name
            ),
            SoftwareUse.Never => Sentences.YourHouseRuleForbidsIt,
            SoftwareUse.TelemetryOnly when link.Function.Need != Need.Telemetry => Sentences.YourHouseRuleAllowsIt,
            _ => null,
        };
        return reason is null
            ? null
            : RoutingRules.Soft.Found(Severity.Stop, Subject.Port(port.Id), ("port", port.Name), ("reason", reason));
    }

    // The first baud that the device can be set to and the port can make.
    private Finding? Clock()
    {
        var bauds = mode.Bauds.Count > 0 ? mode.Bauds : protocol.Bauds.Take(1);
        Finding? first = null;
        foreach (var baud in bauds)
        {
            if (BaudFailure(baud) is { } failure)
            {
                first ??= failure;
                continue;
            }
            Baud = baud;
            return null;
        }
        return first;
    }

    /// <summary>
    /// The bauds worth a route once nothing has failed: the first that works and, where two may share the halves of a port, all others, since
    /// both must agree on one.
    /// </summary>
    public IReadOnlyList<int?> Bauds()
    {
        var first = Baud;
        var list = new List<int?> { first };
        if (
            build.Build.House.Sharing == PortSharing.SplitHalves
            && port.Kind == PortKind.Uart
            && mode.Lines.Select(l => l.Flow).Distinct().ToList() is [Flow.In or Flow.Out]
        )
        {
            foreach (var other in mode.Bauds.Where(b => b != first && BaudFailure(b) is null))
            {
                Baud = other;
                if (Frames() is null)
                {
                    list.Add(other);
                }
            }
        }
        Baud = first;
        return list;
    }

    private Finding? BaudFailure(int baud)
    {
        if (port.Kind == PortKind.Software)
        {
            var lead =
                mode.Lines.Count > 0 ? link.Device.Leads.First(l => l.Id == mode.Lines[0].Lead).Label : mode.Name;
            return baud <= SoftwareBaud
                ? null
                : RoutingRules.SoftFast.Found(
                    Severity.Stop,
                    Subject.Port(port.Id),
                    ("lead", lead),
                    ("baud", Phrase.Baud(baud)),
                    ("port", port.Name)
                );
        }
        var clock = port.ClockMegahertz ?? build.Controller.ClockMegahertz;
        var made = BaudClock.Nearest(clock * 1e6, baud, build.Controller.LeastDivisor);
        return made is not null && Math.Abs(made.ErrorPercent) <= BaudClock.TolerancePercent
            ? null
            : RoutingRules.Baud.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("port", port.Name),
                ("clock", $"{clock:0.###}"),
                (
                    "makes",
                    made is null
                        ? Sentences.IsTooSlow
                        : $"makes {Phrase.Spaced(made.Baud)} ({made.ErrorPercent:+0.0;-0.0} %)"
                ),
                ("baud", Phrase.Baud(baud))
            );
    }

    private Finding? Frames()
    {
        if (
            mode.PacketHertz is not { } rate
            || Baud is not { } baud
            || protocol.FrameMicroseconds(baud) is not { } frame
        )
        {
            return null;
        }
        // Pieces that answer in turn share the period.
        frame *= link.Device.Pieces;
        var period = 1e6 / rate;
        return frame <= period
            ? null
            : RoutingRules.Frame.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                (
                    "protocol",
                    link.Device.Pieces == 1 ? protocol.Name : $"{protocol.Name} from {link.Device.Pieces} units"
                ),
                ("port", port.Name),
                ("takes", $"{frame / 1000:0.00}"),
                ("baud", Phrase.Baud(baud)),
                ("rate", $"{rate:0.#}"),
                ("period", $"{period / 1000:0.00}")
            );
    }

    private Finding? Pins() =>
        port.Kind == PortKind.Software && port.Rx == port.Tx && mode.Lines.Count > 1
            ? RoutingRules.OnePin.Found(
                Severity.Stop,
                Subject.Port(port.Id),
                ("link", $"The {link.Device.Name} in {mode.Name}"),
                ("port", port.Name)
            )
            : null;
}
